using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules.Look;

/// <summary>A coat that nobody will see.</summary>
public static class NoVisibleChange
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("no-visible-change", "A coat that changes nothing", [Severity.Note], Reads.Look,
        "A coat is there for its colour, and changes neither recess, face nor edge.")
    {
        Check = Find,
        Mends = static c => [new("drop", "Leave it out", c.Draft.Remove(x => x.Id == c.Coat.Id)) { GivesUpChoice = true }],
    };

    /// <summary>Least step that is seen side by side, dE00.</summary>
    private const double Least = 1;

    // The same paint again is a second thin pass, however it is written down.
    private static bool IsSecondPass(Reading reading, int i) =>
        reading.FilmBelow(i) is >= 0 and var below && reading.Coat(below) is { Paint: { } under } b && b.How.Role == reading.Coat(i).How.Role
        && under.Lead.Family == reading.Coat(i).Family && under.Lead.Colour == reading.Coat(i).Paint!.Lead.Colour;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.LeavesFilm || coat.How.ColourFree || coat.How.Builds || coat.What!.Clear || coat.What.Kind == Kind.Primer || coat.Effect == Effect.Metallic || coat.OwnDeposit is not null || IsSecondPass(reading, i))
            {
                continue;
            }

            var stratum = reading.Prediction.Strata[i];
            var step = stratum.LargestStep;
            if (stratum.Mark is { } mark)
            {
                step = Math.Max(step, ColourDifference.Ciede2000(mark.ToLab(), reading.Prediction.Below(i).Face.Lab));
            }

            if (step < Least)
            {
                yield return new(Severity.Note, i, $"Nobody will see this {coat.Word}.", "It changes neither recess, face nor edge.") { Figure = $"The largest step is {step:0.0} dE00; under {Least:0} is not seen even side by side." };
            }
        }
    }
}
