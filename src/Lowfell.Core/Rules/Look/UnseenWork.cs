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
        Schools = ["contrast", "fidelity"],
        Check = Find,
        Mends = static c =>
        [
            new("optional", "It may be left out when the evening gets short", c.Draft.Replace(c.Coat with { Optional = true })),
            new("drop", "Leave it out", c.Draft.Remove(x => x.Id == c.Coat.Id)) { GivesUpChoice = true },
        ],
    };

    /// <summary>The coat as one that the painter knows of: nothing is said of it until it changes.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="at">The coat.</param>
    /// <param name="reason">Why it may stay.</param>
    public static KnownFinding Keep(StackDraft draft, int at, string reason) => new(Rule.Id, "", reason, CoatMark.Of(draft, at, -1));

    /// <summary>Why a coat stays although hardly anyone sees it; null where the painter did not say so, or it changed since.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="at">The coat.</param>
    public static string? Kept(StackDraft draft, int at)
    {
        ArgumentNullException.ThrowIfNull(draft);
        var known = draft.Coats[at].Known.LastOrDefault(k => k.Rule == Rule.Id);
        return known is not null && known.Mark == CoatMark.Of(draft, at, -1) ? known.Reason : null;
    }

    // Minutes over all copies; a face that moves so far, dE00, is noticed from anywhere; less than a step is for another rule.
    private const double LeastMin = 5, NoticedAnywhere = 1.5, Step = 1;

    private static string From(Schools schools, double tableM) => schools.WantedM(tableM) is var wanted && wanted >= tableM ? "from the table" : wanted > Schools.InHandM ? "even from close by" : "even in the hand";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var stand = new SightFrom(Math.Clamp(reading.Schools.WantedM(reading.Zone.ViewingMm / 1000), SightTable.LeastM, SightTable.MostM)) { TrialFactor = reading.Zone.TrialFactor };
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

            var seen = ZoneDetails.Laid(reading.Zone, coat, on, below).Select(d => Sights.Best(d.Detail, d.RowShare, stand)).MaxBy(s => (s.Word, s.J));
            // What is barely seen is how painters bring tones together every day: nothing is said of it.
            if (seen.Word == SightWord.Lost)
            {
                yield return new(Severity.Note, i, $"No one sees this {coat.Word} {From(reading.Schools, reading.Zone.ViewingMm / 1000)}.", "It takes a while over all copies, and nothing of it is noticed from there.")
                {
                    Figure = FormattableString.Invariant($"{minutes:0} minutes over all copies; {seen.J:0.0} times what is noticed at {stand.Metres:0.##} m, {seen.Left:0.0} dE00 of it left."),
                };
            }
        }
    }
}
