using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>What a coat meets: a film below it, or the bare substrate.</summary>
/// <param name="Index">Place of the coat that left it; -1 for the substrate.</param>
/// <param name="Family">Family of the film; null for the substrate.</param>
/// <param name="Word">The painter's word for it.</param>
/// <param name="Resistance">How it stands up to carriers.</param>
/// <param name="Weakness">What is weak about it.</param>
/// <param name="Sheen">Its sheen.</param>
/// <param name="Covers">Hides whatever lies under it from the next coat.</param>
internal sealed record Layer(int Index, Family? Family, string Word, Resistance Resistance, Weakness Weakness, Sheen Sheen, bool Covers)
{
    /// <summary>Share of the face that a film must cover to shield what is under it. Craft estimate.</summary>
    public const double ShieldingCoverage = 0.75;

    public static Layer Bare(Substrate substrate)
    {
        var facts = substrate.Facts();
        return new(-1, null, "bare " + facts.Word, facts.Resistance, Weakness.None, facts.Sheen, true);
    }

    public static Layer Of(int index, Coat coat, StackDraft draft)
    {
        var material = coat.Paint!.Lead;
        var coverage = (coat.OwnDeposit ?? Kernels.Deposit(coat.Technique, draft.Zone.Relief, draft.Zone.Facing)).Coverage[(int)ReliefHeight.Face];
        var covered = 1 - Math.Pow(1 - Math.Min(1, coverage), coat.Passes);
        var bound = coat.Technique == Technique.GritInGlue && draft.Schools.GritGlue == GritGlueSchool.SuperGlue;
        var weakness = bound ? Weakness.None : material.Family.Facts().Weakness;
        return new(index, material.Family, material.Family.Facts().Word, material.Resistance, weakness, material.Sheen, covered >= ShieldingCoverage);
    }
}
