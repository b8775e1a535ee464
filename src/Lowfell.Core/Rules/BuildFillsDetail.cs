using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Total film over a third of the smallest engraved width.</summary>
internal static class BuildFillsDetail
{
    public const string Id = "build-fills-detail";

    /// <summary>Share of the engraved width that film may take.</summary>
    private const double MostShare = 1.0 / 3;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        if (reading.Zone.SmallestDetailMm is not { } detail)
        {
            return;
        }

        var limit = detail * 1000 * MostShare;
        var (total, crossing) = Total(reading, limit);
        if (crossing >= 0)
        {
            findings.Add(new(
                Id,
                Severity.Risk,
                reading.Coat(crossing).Id,
                crossing,
                $"The film reaches {total:0} um in the recess; the {detail:0.##} mm detail fills.",
                $"Past a third of its width ({limit:0} um) an engraved line closes and edges go soft.",
                () => Mends(reading, limit)));
        }
    }

    // The detail is cut in what the last texture left: only the film above it counts.
    private static (double Total, int Crossing) Total(StackReading reading, double limit)
    {
        double total = 0;
        var crossing = -1;
        foreach (var i in reading.Applied)
        {
            if (reading.Coat(i).Technique.Facts().Builds)
            {
                (total, crossing) = (0, -1);
                continue;
            }

            total += reading.Prediction.Strata[i].Recess.FilmUm;
            crossing = crossing < 0 && total > limit ? i : crossing;
        }

        return (total, crossing);
    }

    private static IEnumerable<Mend> Mends(StackReading reading, double limit)
    {
        bool Fits(StackDraft draft) => Total(reading.Of(draft), limit).Crossing < 0;
        var draft = reading.Draft;
        while (!Fits(draft))
        {
            var candidates = draft.Coats.Select((c, i) => (Coat: c, Film: reading.Prediction.Strata[i].Recess.FilmUm)).Where(c => !c.Coat.Skipped && c.Coat.Passes > 1).ToList();
            if (candidates.Count == 0)
            {
                break;
            }

            var (coat, _) = candidates.MaxBy(c => c.Film);
            draft = draft.Replace(coat with { Passes = coat.Passes - 1 });
        }

        if (Fits(draft))
        {
            var fewer = draft;
            yield return new("fewer", "Fewer passes of the thickest coats", () => fewer);
            yield break;
        }

        foreach (var hand in new[] { 0.7, 0.5 })
        {
            var light = reading.Draft with { Coats = [.. reading.Draft.Coats.Select(c => c with { Hand = Math.Min(c.Hand, hand) })] };
            if (Fits(light))
            {
                yield return new("lighter", "Lay every coat with a light hand", () => light);
                yield break;
            }
        }

        // Nothing thinner is enough: drop optional coats, then the thickest, until it fits.
        draft = reading.Draft;
        var dropped = 0;
        while (!Fits(draft) && draft.Coats.Count(c => !c.Skipped) > 1)
        {
            var strata = reading.Of(draft).Prediction.Strata;
            var (coat, _) = draft.Coats.Select((c, i) => (Coat: c, Film: strata[i].Recess.FilmUm + (c.Optional ? 1e6 : 0))).Where(c => !c.Coat.Skipped).MaxBy(c => c.Film);
            draft = draft.Replace(coat with { Skipped = true });
            dropped++;
        }

        if (Fits(draft))
        {
            var thin = draft;
            yield return new("drop", dropped == 1 ? "Skip the thickest coat" : $"Skip the {dropped} thickest coats", () => thin);
        }
    }
}
