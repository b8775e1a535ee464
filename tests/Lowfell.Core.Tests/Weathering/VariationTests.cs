using CsCheck;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Boards;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>How marks differ from copy to copy.</summary>
public sealed class VariationTests
{
    private static readonly PieceBox SeaWall = new(150, 14, 70, []);

    private static WeatherZone Zone(int ledges = 14, double areaMm2 = 22_960, Facing facing = Facing.Side) =>
        new(new(7, 0, 0, 0, 0, 0, 0, 0, 0, 0, 7), "stone", new(new() { Name = "stone", AreaMm2 = areaMm2, Copies = 6, Facing = facing }, new(), []), new(Ledges: ledges, Iron: ledges, HotEdgeMm: 400));

    private static WeatherPiece Piece(PieceBox box, int copies, int roll = 0, MarkSide? from = null) => new("row", $"wall {roll}", copies, box, from);

    private static MarkEntry Rain(double count, int version = 1) => new(new(1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 9), Zone().Id, MarkKind.Rain, count, 0.48, 12) { Version = version };

    [Fact]
    public void Forty_two_streaks_are_shared_out_over_six_walls()
    {
        Assert.Equal(14_776_959_716_572_964_302UL, Variation.Seed("set", "wall", "rain", "1"));
        Assert.Equal([8, 6, 8, 6, 7, 7], Variation.Shared(42, 6, new(Variation.Seed("set", "wall", "rain", "1"))));
        Assert.Equal([8, 9, 6, 6, 5, 8], Variation.Shared(42, 6, new(Variation.Seed("seawall", "straight", "rain", "1"))));
    }

    [Fact]
    public void Every_share_keeps_the_sum_and_the_band() =>
        Gen.Select(Gen.Int[0, 500], Gen.Int[1, 100], Gen.ULong).Sample((total, copies, seed) =>
        {
            var shares = Variation.Shared(total, copies, new(seed));
            var mean = (double)total / copies;
            Assert.Equal(total, shares.Sum());
            Assert.All(shares, s => Assert.InRange(s, Math.Min(Math.Ceiling((0.65 * mean) - 1e-9), Math.Floor(mean)), Math.Max(Math.Floor((1.35 * mean) + 1e-9), Math.Ceiling(mean))));
        });

    [Fact]
    public void Neighbours_share_fewer_hosts_than_by_chance()
    {
        static double Overlap(int[] a, int[] b) => (double)a.Intersect(b).Count() / a.Union(b).Count();
        var (apart, chance) = (0.0, 0.0);
        var even = Enumerable.Repeat(1.0, 14).ToArray();
        for (var seed = 0UL; seed < 1000; seed++)
        {
            var seeds = new Seeds(seed);
            var counts = Variation.Shared(42, 6, seeds);
            var chosen = Variation.Chosen(counts, even, _ => seeds);
            Assert.All(chosen, c => Assert.Equal(c.Length, c.Distinct().Count()));
            var alone = counts.Select(c => Variation.Chosen([c], even, _ => seeds)[0]).ToList();
            apart += Enumerable.Range(0, 5).Average(i => Overlap(chosen[i], chosen[i + 1]));
            chance += Enumerable.Range(0, 5).Average(i => Overlap(alone[i], alone[i + 1]));
        }

        Assert.InRange(apart / chance, 0, 0.8);
    }

    [Fact]
    public void The_same_plan_gives_the_same_marks_and_another_drawing_others()
    {
        var first = Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7));
        Assert.Equal(first.SelectMany(c => c), Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7)).SelectMany(c => c));
        Assert.NotEqual(first.SelectMany(c => c), Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7, version: 2)).SelectMany(c => c));
        Assert.Equal(42, first.Sum(c => c.Count));
        Assert.Equal(42 * 0.48 * 12, first.Sum(c => c.Sum(m => m.AreaMm2)), 6);
        Assert.All(first, c => Assert.InRange(c.Sum(m => m.AreaMm2) / (7 * 0.48 * 12), 0.75 - 1e-9, 1.25 + 1e-9));
    }

    [Fact]
    public void Marks_keep_to_their_side_clear_of_its_ends_and_apart() =>
        Gen.Select(Gen.Int[1, 12], Gen.Int[1, 14], Gen.Int[0, 100_000], Gen.Int[0, 4]).Sample((copies, count, roll, which) =>
        {
            var kind = new[] { MarkKind.Rain, MarkKind.Rust, MarkKind.Hole, MarkKind.Scratch, MarkKind.Chip }[which];
            var (width, length) = MarkScale.OnModel(kind, 56, 1.5);
            var entry = new MarkEntry(Guid.Empty, Zone().Id, kind, count, width, length);
            foreach (var copy in Variation.Of(Piece(SeaWall, copies, roll), Zone(), entry))
            {
                foreach (var (n, mark) in copy.Index())
                {
                    Assert.NotEqual(MarkSide.Top, mark.Side);
                    Assert.InRange(mark.XMm, 3, SeaWall.Across(mark.Side) - 3);
                    Assert.InRange(mark.YMm, 0, 70);
                    Assert.True(kind.Facts().Shape != MarkShape.Streak || mark.FootMm >= -1e-9);
                    Assert.All(copy.Skip(n + 1).Where(o => o.Side == mark.Side), o => Assert.True(Math.Pow(o.XMm - mark.XMm, 2) + Math.Pow(o.YMm - mark.YMm, 2) >= 4 - 1e-6));
                }
            }
        }, iter: 200);

    [Fact]
    public void No_run_crosses_a_door_and_its_mating_faces_stay_clear() =>
        Gen.Select(Gen.Double[10, 90], Gen.Double[20, 50], Gen.Double[0, 10], Gen.Double[20, 55], Gen.Int[0, 100_000]).Sample((from, wide, above, tall, roll) =>
        {
            var door = new BoardPart("door", PartMoves.Turns, from, from + wide, above, tall);
            var box = SeaWall with { Parts = [door] };
            foreach (var kind in new[] { MarkKind.Rain, MarkKind.Rust })
            {
                foreach (var mark in Variation.Of(Piece(box, 4, roll), Zone(28), Rain(20) with { Kind = kind, LengthMm = 25 }).SelectMany(c => c).Where(m => m.Side == MarkSide.Front))
                {
                    Assert.All([door.FromMm, door.ToMm], edge => Assert.True(Math.Abs(mark.XMm - edge) >= 1.5 - 1e-9 || mark.YMm < above - 1.5 || mark.FootMm > above + tall + 1.5));
                    if (mark.XMm > from && mark.XMm < from + wide)
                    {
                        Assert.False(mark.YMm > above + tall && mark.FootMm < above + tall);
                        Assert.False(mark.YMm > above + 1e-9 && mark.FootMm < above - 1e-9 && above > 1.5);
                    }
                }
            }
        }, iter: 200);

    [Fact]
    public void What_is_held_stays_and_the_rest_share_what_is_left()
    {
        var mine = new MarkPlace(MarkSide.Front, 40, 60, 0.5, 10, 0, 3);
        var all = Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7, version: 3) with { Held = [new(2, [mine]), new(4, [])] });
        Assert.Equal([mine], all[1]);
        Assert.Empty(all[3]);
        Assert.Equal(42, all.Sum(c => c.Count));

        // A mark that is moved on one copy leaves all others where they are.
        var before = Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7));
        var moved = Variation.Of(Piece(SeaWall, 6), Zone(), Rain(7) with { Held = [new(2, [.. before[1].Select((m, i) => i == 0 ? m with { XMm = 20 } : m)])] });
        Assert.Equal(before.Where((_, i) => i != 1).SelectMany(c => c), moved.Where((_, i) => i != 1).SelectMany(c => c));
        Assert.Equal(20, moved[1][0].XMm);

        // More held than there are in all leaves none for the others.
        var many = Variation.Of(Piece(SeaWall, 2), Zone(), Rain(1) with { Held = [new(1, [.. Enumerable.Repeat(mine, 5)])] });
        Assert.Equal([5, 0], many.Select(c => c.Count));
    }

    [Fact]
    public void One_copy_asked_for_alone_has_the_marks_that_it_has_among_all_and_as_many_as_are_told() =>
        Gen.Select(Gen.Int[1, 12], Gen.Double[0, 30], Gen.Int[0, 1000], Gen.OneOf([.. Enum.GetValues<MarkKind>().Select(Gen.Const)]), Gen.Bool).Sample((copies, count, roll, kind, atRandom) =>
        {
            var piece = Piece(SeaWall, copies, roll) with { AtRandom = atRandom };
            var entry = Rain(count) with { Kind = kind, Held = [new(2, [new(MarkSide.Front, 40, 60, 0.5, 10, 0, 3)])] };
            var all = Variation.Of(piece, Zone(facing: kind.Facts().Facings[0]), entry);
            foreach (var copy in Enumerable.Range(1, copies).Reverse())
            {
                var alone = new KindMarks(piece, Zone(facing: kind.Facts().Facings[0]), entry);
                Assert.Equal(all[copy - 1].Count, alone.CountOn(copy));
                Assert.Equal(all[copy - 1], alone.On(copy));
            }
        }, iter: 300);

    [Fact]
    public void The_weather_side_gets_more_and_too_few_places_take_what_they_can()
    {
        int OnFront(MarkSide? from) => Enumerable.Range(0, 40).Sum(roll => Variation.Of(Piece(SeaWall, 6, roll, from), Zone(), Rain(5)).Sum(c => c.Count(m => m.Side == MarkSide.Front)));
        Assert.True(OnFront(MarkSide.Front) > 1.25 * OnFront(null));
        Assert.True(OnFront(MarkSide.Back) < 0.8 * OnFront(null));
        Assert.Equal(3, Variation.Of(Piece(SeaWall, 1), Zone(ledges: 3), Rain(9))[0].Count);
        Assert.All(Variation.Of(Piece(SeaWall, 3), Zone(facing: Facing.Under), Rain(9)), Assert.Empty);
        Assert.All(Variation.Of(Piece(SeaWall, 3), Zone(), Rain(0)), Assert.Empty);
    }
}
