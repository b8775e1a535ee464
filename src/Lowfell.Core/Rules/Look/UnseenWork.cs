using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules.Look;

/// <summary>A coat that takes a while and is lost from where the piece is looked at.</summary>
public static class UnseenWork
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("unseen-work", "Work that no one sees", [Severity.Note], Reads.Look,
        "A coat takes five minutes or more over all copies, and nothing of what it changes is noticed from where the set is looked at.")
    {
        Check = Find,
        Mends = static c =>
        [
            new("optional", "It may be left out when the evening gets short", c.Draft.Replace(c.Coat with { Optional = true })),
            new("drop", "Leave it out", c.Draft.Remove(x => x.Id == c.Coat.Id)) { GivesUpChoice = true },
        ],
    };

    // Minutes over all copies; a face that moves so far, dE00, is noticed from anywhere; less than a step is for another rule.
    private const double LeastMin = 5, NoticedAnywhere = 1.5, Step = 1;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var metres = Math.Clamp(reading.Zone.ViewingMm / 1000, SightTable.LeastM, SightTable.MostM);
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);

            // What covers is there for evenness, what shines for its light, what a painter may leave out is known to him.
            if (!coat.LeavesFilm || coat.Optional || coat.How.ColourFree || coat.How.Builds || coat.How.Covers || coat.What!.Clear || coat.What.Kind is Kind.Primer or Kind.Plants || coat.Effect != Effect.Plain)
            {
                continue;
            }

            var (on, below) = (reading.Prediction.Strata[i], reading.Prediction.Below(i));
            if (on.Face.DeltaBelow >= NoticedAnywhere || (on.Mark is null && on.LargestStep < Step))
            {
                continue;
            }

            var minutes = CoatAmount.Of(coat, [reading.Zone], Palette.Dry).Minutes;
            if (minutes < LeastMin)
            {
                continue;
            }

            var seen = ZoneDetails.Laid(reading.Zone, coat, on, below).Select(d => Sights.Best(d.Detail, d.RowShare, new(metres))).MaxBy(s => (s.Word, s.J));
            // What is barely seen is how painters bring tones together every day: nothing is said of it.
            if (seen.Word == SightWord.Lost)
            {
                yield return new(Severity.Note, i, $"No one sees this {coat.How.Word} from the table.", "It takes a while over all copies, and nothing of it is noticed from there.")
                {
                    Figure = FormattableString.Invariant($"{minutes:0} minutes over all copies; {seen.J:0.0} times what is noticed at {metres:0.##} m, {seen.Left:0.0} dE00 of it left."),
                };
            }
        }
    }
}
