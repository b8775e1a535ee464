using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Mending;

/// <summary>A mend with what it leads to.</summary>
/// <param name="Mend">The mend.</param>
/// <param name="After">How the mended stack stands.</param>
/// <param name="Added">What it costs more.</param>
/// <param name="Moved">dE00 by which recess, face and edge end elsewhere.</param>
public sealed record RankedMend(Mend Mend, Outcome After, StackCost Added, ByHeight<double> Moved)
{
    /// <summary>Colour moved from which it is worth showing, dE00.</summary>
    public const double ShownMove = 5;

    /// <summary>Farthest of the three.</summary>
    public double FarthestMove => Math.Max(Moved.Recess, Math.Max(Moved.Face, Moved.Edge));
}

/// <summary>Ranks the mends of one finding by what they lead to.</summary>
public static class RankedMends
{
    /// <summary>What giving up the painter's own choice of a material or coat counts as, minutes.</summary>
    internal const double ChoiceMin = 4 * 60;

    /// <summary>Mends of a finding, the best first: by the worst and the number of findings after it, then by waiting and minutes added, then by how far the colour moves.</summary>
    /// <remarks>One that leaves its own finding, or brings a new stop or risk, is not offered.</remarks>
    /// <param name="reading">The stack as it was read.</param>
    /// <param name="finding">What is to be mended.</param>
    /// <param name="shelf">What may be reached for.</param>
    public static IReadOnlyList<RankedMend> Of(Reading reading, Finding finding, Shelf shelf)
    {
        var before = RuleBook.Read(reading);
        var cost = StackCost.Of(reading);
        var seen = new HashSet<ulong> { CoatMark.OfStack(reading.Draft) };
        var offered = new List<RankedMend>();
        foreach (var mend in OwnTools.Mends(reading, finding, shelf))
        {
            if (mend.Draft.Coats.Count > StackDraft.MostCoats || !seen.Add(CoatMark.OfStack(mend.Draft)) || mend.Draft.FirstImpossible() >= 0)
            {
                continue;
            }

            var mended = new Reading(mend.Draft, Predictor.PredictMiddle(mend.Draft));
            var after = RuleBook.Read(mended);
            if (Mends(finding, before, after))
            {
                offered.Add(new(mend, Outcome.Of(after), cost.To(StackCost.Of(mended)), Moved(reading.Prediction.Top, mended.Prediction.Top)));
            }
        }

        // Stable: among equals the order of taste in which the rule offers them.
        return [.. offered.OrderBy(m => m.After).ThenBy(Minutes).ThenBy(m => Math.Round(m.FarthestMove))];
    }

    /// <summary>Whether findings after a mend are rid of one, with no stop or risk that was not there.</summary>
    internal static bool Mends(Finding finding, IEnumerable<Finding> before, IEnumerable<Finding> after) =>
        !after.Any(f => f.SameAs(finding)) && after.Where(f => f.Severity != Severity.Note).All(f => before.Any(b => b.SameAs(f) && b.Severity <= f.Severity));

    // Hours saved count as none; minutes of the hand weigh as much as minutes of waiting.
    private static double Minutes(RankedMend mend) =>
        Math.Round(Math.Max(0, mend.Added.WaitingMin) + Math.Max(0, mend.Added.HandsOnMin) + (mend.Mend.GivesUpChoice ? ChoiceMin : 0));

    private static ByHeight<double> Moved(Stratum before, Stratum after) => new(
        ColourDifference.Ciede2000(before.Recess.Lab, after.Recess.Lab), ColourDifference.Ciede2000(before.Face.Lab, after.Face.Lab), ColourDifference.Ciede2000(before.Edge.Lab, after.Edge.Lab));
}
