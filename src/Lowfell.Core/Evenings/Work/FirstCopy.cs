using Lowfell.Core.Colour;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A step of the first copy against what was planned for it.</summary>
/// <param name="Zone">Its zone.</param>
/// <param name="Place">Its place among the zone's steps.</param>
/// <param name="PlannedMin">Hands-on minutes that were planned.</param>
/// <param name="RealMin">Minutes that it took; null where nobody took them.</param>
/// <param name="Skipped">It was left out.</param>
/// <param name="DeltaE">How much the coat changes what is seen, the largest dE00 of recess, face and edge; null for a step that lays nothing.</param>
public sealed record FirstStep(OpenZone Zone, int Place, double PlannedMin, double? RealMin, bool Skipped, double? DeltaE);

/// <summary>A coat that the rest could do without.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Zone">Its zone.</param>
/// <param name="DeltaE">How much it changes what is seen.</param>
/// <param name="SavedMin">Minutes that it saves on the rest, as it took on the first.</param>
public sealed record DropOffer(Coat Coat, OpenZone Zone, double DeltaE, double SavedMin);

/// <summary>The first finished copy of a batch: what it took, and what that says of the rest.</summary>
/// <param name="Copy">Its number.</param>
/// <param name="Rest">Numbers of the copies that are not finished.</param>
/// <param name="Steps">Its steps.</param>
/// <param name="Drop">The coat that could be left out of the rest; null where each is worth its minutes.</param>
/// <param name="MaskSavesMin">Minutes that masking saves on the rest against touching up what the spray catches; 0 or less where it saves none, null where nothing is sprayed beside another zone.</param>
/// <param name="Batch">Copies at a time that hide the waits of an evening.</param>
public sealed record FirstCopy(int Copy, IReadOnlyList<int> Rest, IReadOnlyList<FirstStep> Steps, DropOffer? Drop, double? MaskSavesMin, int Batch)
{
    /// <summary>A coat that changes less than this is hardly seen on its own, dE00. Craft estimate.</summary>
    private const double HardlySeen = 2;

    /// <summary>The first finished copy of a piece; null until one is finished, or where all are.</summary>
    public static FirstCopy? Of(OpenWork work, Guid pieceId)
    {
        var zones = work.Zones.Where(z => z.Zone.Piece.Id == pieceId && z.Steps.Count > 0).ToList();
        if (zones.Count == 0 || zones[0].Zone.Piece.Copies < 2)
        {
            return null;
        }

        var copies = Enumerable.Range(1, zones[0].Zone.Piece.Copies).ToList();
        bool Finished(int copy) => zones.TrueForAll(z => !work.Left(z, copy).Any());
        var finished = copies.FindAll(Finished);
        if (finished.Count == 0 || finished.Count == copies.Count)
        {
            return null;
        }

        double End(int copy) => zones.Max(z => Enumerable.Range(0, z.Steps.Count).Select(i => work.Done.Of(z.Id(i).On(copy))?.AtMin ?? double.MinValue).Max());
        var first = finished.MinBy(End);
        var rest = copies.FindAll(c => !finished.Contains(c));
        var steps = zones.SelectMany(z => Enumerable.Range(0, z.Steps.Count).Select(place => Step(work, z, place, first))).ToList();
        return new(first, rest, steps, Best(steps, work, rest), Mask(zones, rest.Count), CopyCost.Of([.. zones.Select(z => z.Steps)])!.BreakEven);
    }

    private static FirstStep Step(OpenWork work, OpenZone zone, int place, int copy)
    {
        var step = zone.Steps[place];
        var done = work.Done.Of(zone.Id(place).On(copy));
        return new(zone, place, step.MinutesPerCopy, done?.Minutes, done?.Skipped ?? false, step.IsBeside || step.Mends is not null ? null : Change(zone, step.Coat));
    }

    private static double? Change(OpenZone zone, Coat coat)
    {
        var at = zone.Stack.IndexOf(coat.Id);
        if (!coat.LeavesFilm || at < 0)
        {
            return null;
        }

        var (below, above) = (at == 0 ? zone.Prediction.Substrate : zone.Prediction.Strata[at - 1], zone.Prediction.Strata[at]);
        return Enumerable.Range(0, 3).Max(h => ColourDifference.Ciede2000(below.At(h).Lab, above.At(h).Lab));
    }

    // A coat that may be left out, or is hardly seen, protects nothing and is no mark that is seen by itself, that the rest have not got yet: the one that takes longest.
    private static DropOffer? Best(List<FirstStep> steps, OpenWork work, List<int> rest) => steps
        .Where(s => s.DeltaE is not null && !s.Skipped)
        .GroupBy(s => (s.Zone.Zone.Id, s.Zone.Steps[s.Place].Coat.Id))
        .Select(g => (Coat: g.First().Zone.Steps[g.First().Place].Coat, g.First().Zone, DeltaE: g.First().DeltaE!.Value,
            Min: g.Sum(s => (s.RealMin ?? s.PlannedMin) * rest.Count(copy => !work.IsOff(s.Zone, s.Place, copy)))))
        .Where(c => c.Min > 0 && (c.Coat.Optional || (c.DeltaE < HardlySeen && c.Coat.How is { ColourFree: false, Builds: false, Marks: false })))
        .OrderByDescending(c => c.Min).Select(c => new DropOffer(c.Coat, c.Zone, c.DeltaE, c.Min)).FirstOrDefault();

    private static double? Mask(List<OpenZone> zones, int rest)
    {
        var pairs = zones.SelectMany(z => zones.Where(n => z.Zone.Touches.Contains(n.Zone.Id)).SelectMany(n => z.Steps.Where(s => s.Pass == 1 && Overspray.Endangers(s, n.Steps)).Select(_ => (z, n)))).ToList();
        return pairs.Count == 0 ? null : rest * pairs.Sum(p => Overspray.RepaintMinutes(p.n.Steps) - Overspray.MaskMinutes(p.z.Stack.Zone, p.n.Stack.Zone) - Overspray.UnmaskMin);
    }
}
