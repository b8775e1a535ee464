using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>So much film that the finest detail closes.</summary>
public static class BuildFillsDetail
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("build-fills-detail", "Film fills the detail", [Severity.Risk, Severity.Note], Reads.Look,
        "The coats together are too thick for the finest engraved line.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Share of the engraved width from which it closes.</summary>
    private const double RiskShare = 1.0 / 2;

    /// <summary>Share from which it goes soft.</summary>
    private const double NoteShare = 1.0 / 3;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Zone.SmallestDetailMm is not { } detail)
        {
            yield break;
        }

        var width = detail * 1000;
        var (total, softened, closed) = (0.0, -1, -1);
        foreach (var i in reading.Applied)
        {
            // The detail is cut in what the last texture left: only the film above it counts.
            if (reading.Coat(i).How.Builds)
            {
                (total, softened, closed) = (0, -1, -1);
                continue;
            }

            total += reading.Coat(i).How.FillsDetail ? reading.FaceFilmUm(i) : 0;
            softened = softened < 0 && total > width * NoteShare ? i : softened;
            closed = closed < 0 && total > width * RiskShare ? i : closed;
        }

        var figure = $"{total:0} um of film on {width:0} um of engraved width.";
        if (closed >= 0)
        {
            yield return new(Severity.Risk, closed, "From this coat on the finest lines fill up.", "Past half of its width an engraved line closes.") { Figure = figure };
        }
        else if (softened >= 0)
        {
            yield return new(Severity.Note, softened, "From this coat on the finest lines go soft.", "Past a third of its width an engraved line loses its edge.") { Figure = figure };
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft) = (context.Reading, context.Draft);
        var thickest = reading.Applied.Where(i => i <= context.At && reading.Coat(i).How.FillsDetail && reading.FaceFilmUm(i) > 0).OrderByDescending(reading.FaceFilmUm).ToList();
        foreach (var i in thickest.Where(i => draft.Coats[i].Passes > 1).Take(3))
        {
            var coat = draft.Coats[i];
            yield return new($"fewer-{i}", $"One pass fewer of the {coat.Word}", draft.Replace(coat with { Passes = coat.Passes - 1 }));
        }

        foreach (var i in thickest.Where(i => MayThin(draft, i)).Take(3))
        {
            var coat = draft.Coats[i];
            var thinner = Math.Max(coat.What!.ThinnedTo(coat.How.Role).Least, Math.Round(coat.Dilution.PaintFraction * 0.7, 2));
            if (thinner < coat.Dilution.PaintFraction - 1e-9)
            {
                yield return new($"thinner-{i}", $"Thin the {coat.Word} to {thinner * 100:0} % paint", draft.Replace(coat with { Dilution = Dilution.Of(thinner) }));
            }
        }

        foreach (var i in reading.Applied.Where(i => MayDrop(draft, i)))
        {
            var coat = draft.Coats[i];
            yield return new($"drop-{i}", $"Leave the {coat.Word} out", draft.Remove(c => c.Id == coat.Id)) { GivesUpChoice = true };
        }
    }

    // Never a sealer, primer, barrier, last varnish, fluid or its top.
    private static bool MayThin(StackDraft draft, int i) =>
        draft.Coats[i] is { How: { ColourFree: false, Thins: true }, What: { Kind: Kind.Paint } } && !(draft.FilmBelow(i) is >= 0 and var below && draft.Coats[below].How.Role == Role.Fluid);

    private static bool MayDrop(StackDraft draft, int i) =>
        MayThin(draft, i) && (draft.Coats[i].Optional || draft.Coats[i].How.Role == Role.Raise || draft.Coats[i].How.Role == Role.Field);
}
