using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Matching;

/// <summary>A material of the old stack, and what stands in for it.</summary>
/// <param name="Then">What was used.</param>
/// <param name="Now">What stands in; null where the shelf has nothing of its family.</param>
/// <param name="DeltaE">dE00 that this step alone adds to the finished zone, by height shares.</param>
public sealed record StandIn(Material Then, Material? Now, double DeltaE);

/// <summary>The old stack from today's shelf.</summary>
/// <param name="Draft">The stack.</param>
/// <param name="StandIns">What was replaced.</param>
/// <param name="DeltaE">dE00 of the finished zone to the old one: recess, face, edge.</param>
public sealed record ClosestStack(StackDraft Draft, IReadOnlyList<StandIn> StandIns, IReadOnlyList<double> DeltaE);

/// <summary>One shared filter and dust that bring two sets together.</summary>
/// <param name="Filter">Filter over both; null where none helps.</param>
/// <param name="Dust">Dust over both; null where none helps.</param>
/// <param name="Before">dE00 between the sets without: recess, face, edge.</param>
/// <param name="After">dE00 between them with: recess, face, edge.</param>
/// <param name="Shift">dE00 that the old set's face moves by it.</param>
/// <param name="OldLook">The old set's face with it.</param>
/// <param name="NewLook">The new set's face with it.</param>
public sealed record Unifier(Coat? Filter, Coat? Dust, IReadOnlyList<double> Before, IReadOnlyList<double> After, double Shift, Srgb OldLook, Srgb NewLook);

/// <summary>Matches a set that was painted before.</summary>
public static class SetMatch
{
    /// <summary>A point of the old set's own change is worth this many of the difference that goes. Craft estimate.</summary>
    private const double ShiftPrice = 0.15;

    /// <summary>Most that the old set's face may move, dE00: a filter unifies, it does not repaint. Craft estimate.</summary>
    private const double MostShift = 6;

    /// <summary>Materials that are tried in the place of one that is gone: those that change the zone least by themselves.</summary>
    private const int MostCandidates = 12;

    private static readonly double[] FilterFractions = [0.05, 0.1, 0.15, 0.2, 0.3, 0.4];
    private static readonly double[] DustHands = [0.5, 0.75, 1, 1.5, 2];

    /// <summary>The old stack made from what is on the shelf: as it was where that is still there, else with those that together change the finished zone least.</summary>
    /// <param name="old">The stack as it was painted, with its materials as they were.</param>
    /// <param name="shelf">Today's shelf.</param>
    public static ClosestStack Closest(StackDraft old, Shelf shelf)
    {
        var today = shelf.Materials.ToDictionary(m => m.Id);
        var there = old;
        var gone = new List<(Material Then, IReadOnlyList<Material> Candidates)>();
        foreach (var then in old.Coats.Where(c => c.Paint is not null).SelectMany(c => c.Paint!.Content.Materials.Select(m => m.Material)).DistinctBy(m => m.Id))
        {
            if (today.TryGetValue(then.Id, out var same))
            {
                there = Substitutes.InPlaceOf(there, then.Id, same);
            }
            else
            {
                gone.Add((then, []));
            }
        }

        gone = gone.ConvertAll(g => (g.Then, (IReadOnlyList<Material>)[.. Substitutes.Rank(g.Then.Id, [there], shelf.Materials, MostCandidates).Select(r => r.Material)]));
        var wanted = Predictor.Predict(old).Top;
        var chosen = Choose(there, gone, wanted, old.Zone);
        var draft = InPlace(there, gone, chosen);
        var standIns = gone.Select((g, i) => chosen[i] is not { } now
            ? new StandIn(g.Then, null, 0)
            : new StandIn(g.Then, now, Weigh(Differences(Predictor.Predict(there).Top, Predictor.Predict(Substitutes.InPlaceOf(there, g.Then.Id, now)).Top), old.Zone))).ToList();
        return new(draft, standIns, Differences(wanted, Predictor.Predict(draft).Top));
    }

    // What stands in best one by one may be worse together: two errors may add up or cancel. Every pair is tried, the others held, until no pair helps.
    private static Material?[] Choose(StackDraft there, List<(Material Then, IReadOnlyList<Material> Candidates)> gone, Stratum wanted, Zone zone)
    {
        Material?[] chosen = [.. gone.Select(g => g.Candidates.FirstOrDefault())];
        double Off() => Weigh(Differences(wanted, Predictor.Predict(InPlace(there, gone, chosen)).Top), zone);
        var best = gone.Count == 0 ? 0 : Off();
        for (var better = gone.Count > 0; better;)
        {
            better = false;
            for (var i = 0; i < gone.Count; i++)
            {
                for (var j = Math.Min(i + 1, gone.Count - 1); j < gone.Count; j++)
                {
                    var (was, also) = (chosen[i], chosen[j]);
                    foreach (var one in gone[i].Candidates)
                    {
                        foreach (var other in j == i ? [one] : gone[j].Candidates)
                        {
                            (chosen[i], chosen[j]) = (one, other);
                            if (Off() is var off && off < best - 1e-9)
                            {
                                (best, was, also, better) = (off, one, other, true);
                            }
                        }
                    }

                    (chosen[i], chosen[j]) = (was, also);
                }
            }
        }

        return chosen;
    }

    private static StackDraft InPlace(StackDraft draft, List<(Material Then, IReadOnlyList<Material> Candidates)> gone, Material?[] chosen)
    {
        for (var i = 0; i < chosen.Length; i++)
        {
            draft = chosen[i] is { } now ? Substitutes.InPlaceOf(draft, gone[i].Then.Id, now) : draft;
        }

        return draft;
    }

    /// <summary>The filter and dust that bring the finished zones of two sets nearest, laid over both.</summary>
    /// <remarks>
    /// Every filter of the shelf at six strengths, with and without every dust by five hands, is laid over both walks. What is left of the
    /// difference (by the zone's shares of recess, face and edge) plus a price on how far the old set moves is made least; the price keeps
    /// it from hiding both under mud.
    /// </remarks>
    public static Unifier Unify(StackDraft old, StackDraft fresh, Shelf shelf)
    {
        var zone = old.Zone;
        var (walkOld, walkNew) = (Predictor.WalkTo(old, old.Coats.Count), Predictor.WalkTo(fresh, fresh.Coats.Count));
        var start = Looks(walkOld);
        var before = Differences(start, Looks(walkNew));
        var best = (Cost: Weigh(before, zone), Filter: (Coat?)null, Dust: (Coat?)null);
        var dusts = Dusts(old, shelf).Prepend(null).ToList();
        foreach (var filter in Filters(old, shelf).Prepend(null))
        {
            var (a, b) = (Laid(walkOld, filter, zone), Laid(walkNew, filter, zone));
            foreach (var dust in dusts)
            {
                var (c, d) = (Laid(a, dust, zone), Laid(b, dust, zone));
                var look = Looks(c);
                var shift = ColourDifference.Ciede2000(look[1], start[1]);
                var cost = Weigh(Differences(look, Looks(d)), zone) + (ShiftPrice * shift);
                if (shift <= MostShift && cost < best.Cost - 1e-9)
                {
                    best = (cost, filter, dust);
                }
            }
        }

        var (endOld, endNew) = (Laid(Laid(walkOld, best.Filter, zone), best.Dust, zone), Laid(Laid(walkNew, best.Filter, zone), best.Dust, zone));
        var end = Looks(endOld);
        return new(best.Filter, best.Dust, before, Differences(end, Looks(endNew)), ColourDifference.Ciede2000(end[1], start[1]), endOld.Colour(1).ToSrgb(), endNew.Colour(1).ToSrgb());
    }

    /// <summary>dE00 between two finished looks: recess, face, edge.</summary>
    public static IReadOnlyList<double> Differences(Stratum a, Stratum b) =>
        [.. Enum.GetValues<ReliefHeight>().Select(h => ColourDifference.Ciede2000(a.At((int)h).Lab, b.At((int)h).Lab))];

    private static IEnumerable<Coat?> Filters(StackDraft draft, Shelf shelf)
    {
        foreach (var material in shelf.Materials.Where(m => m.Family.Facts() is { Carrier: Carrier.Water, Kind: Kind.Paint or Kind.Wash, IsMedium: false } && m.Effect == Effect.Plain))
        {
            foreach (var fraction in FilterFractions)
            {
                yield return new Coat
                {
                    Id = draft.NewId(Guid.Empty, Salt.Filter),
                    Technique = Technique.Filter,
                    Dilution = Dilution.Of(fraction),
                    Thinner = Thinner.AcrylicMedium,
                }.Of(material);
            }
        }
    }

    private static IEnumerable<Coat?> Dusts(StackDraft draft, Shelf shelf) =>
        from material in shelf.Materials
        where material.Family == Family.Pigment
        from hand in DustHands
        select new Coat { Id = draft.NewId(Guid.Empty, Salt.Dust), Technique = Technique.Pigment, Thinner = Family.Pigment.Facts().OwnThinner, Hand = hand }.Of(material);

    private static StackWalk Laid(StackWalk walk, Coat? coat, Zone zone)
    {
        if (coat is null)
        {
            return walk;
        }

        var laid = walk.Copy();
        laid.Lay(PreparedCoat.Of(coat, zone, null));
        return laid;
    }

    private static Lab[] Looks(StackWalk walk) => [.. Enumerable.Range(0, 3).Select(h => walk.Colour(h).ToLab())];

    private static double[] Differences(Lab[] a, Lab[] b) => [.. a.Zip(b, ColourDifference.Ciede2000)];

    private static double Weigh(IReadOnlyList<double> differences, Zone zone)
    {
        var shares = zone.HeightShares;
        return (differences[0] * shares[0]) + (differences[1] * shares[1]) + (differences[2] * shares[2]);
    }
}
