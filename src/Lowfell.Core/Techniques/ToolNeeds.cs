using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Techniques;

/// <summary>What a technique is done with, of what a painter may own or not.</summary>
public static class ToolNeeds
{
    /// <summary>The tool that a coat cannot be laid without; brushes and what lies on every bench for the rest.</summary>
    /// <param name="technique">How it is laid.</param>
    /// <param name="family">Of what; null where nothing is laid.</param>
    public static Tool Needs(this Technique technique, Family? family)
    {
        var how = technique.Facts();
        return how.Sprayed ? (how.FromCan && family?.Facts().InCan == true ? Tool.Cans : Tool.Airbrush)
            : family?.Facts().Carrier == Carrier.WhiteSpirit ? Tool.Oils
            : how.Foam ? Tool.Sponge
            : Tool.Brushes;
    }

    /// <summary>Whether a coat can be laid with what there is.</summary>
    public static bool Can(this Tools tools, Technique technique, Family? family) => tools.Has(technique.Needs(family));
}
