using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Mending;

/// <summary>Mends that can be done with the tools that are there.</summary>
internal static class OwnTools
{
    /// <summary>What a finding's rule offers, without what would bring in a coat that no tool of the bench lays. What the painter planned already is the painter's own.</summary>
    public static IEnumerable<Mend> Mends(Reading reading, Finding finding, Shelf shelf)
    {
        var mends = finding.Rule.Mends(new(reading, finding, shelf));
        return shelf.Tools == Tools.All ? mends : mends.Where(m => m.Draft.Coats.All(c => shelf.Tools.Can(c.Technique, c.Family) || reading.Draft.Coats.Any(old => IsThat(old, c))));
    }

    private static bool IsThat(Coat old, Coat coat) => old.Id == coat.Id && old.Technique == coat.Technique && old.Family == coat.Family;
}
