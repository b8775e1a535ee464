using System.Diagnostics;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;

namespace Lowfell.Benchmarks;

/// <summary>A proposal for twelve zones; two hundred copies of twenty kinds; twenty cards.</summary>
internal static class WeatherBench
{
    private const int Rounds = 120, Before = 40;

    private static readonly PieceBox Box = new(150, 52, 70, []);
    private static readonly (Family Family, string Colour)[] Paints =
    [
        (Family.AcrylicPaint, "#b59a6b"), (Family.AcrylicPaint, "#7a4420"), (Family.AcrylicPaint, "#44502c"), (Family.AcrylicPaint, "#f0efe9"), (Family.AcrylicPaint, "#1c1c1e"), (Family.AcrylicPaint, "#5a4834"), (Family.AcrylicPaint, "#8f8b84"),
        (Family.AcrylicWash, "#3b2a1c"), (Family.EnamelWash, "#2a211b"), (Family.EnamelWash, "#7c431f"), (Family.Pigment, "#c4b494"), (Family.Pigment, "#26221f"), (Family.VarnishWater, "#f2f1ec"),
    ];

    private static readonly Shelf Shelf = new([.. Shelf.Staples.Materials, .. Paints.Select((p, i) => new Material { Id = new(i + 1, 1, 1, 0, 0, 0, 0, 0, 0, 0, 1), Name = $"Paint {i}", Family = p.Family, Colour = Srgb.Parse(p.Colour) })]);

    public static void Run()
    {
        WeatherZone[] zones = [.. Enumerable.Range(0, 12).Select(i => Zone(i, i % 4 == 3 ? Facing.Up : Facing.Side))];
        var history = new PieceHistory(WeatherAge.TenYears, [.. Enum.GetValues<WentThrough>()], MarkSide.Left, ThrownBy.Tracks, 20);
        var piece = new WeatherPiece("set", "piece", 8, Box);
        Time("a proposal for twelve zones", 30, () => Proposals.Of(piece, zones, history, Shelf, new(1), []).Count);

        var many = new WeatherPiece("set", "piece", 200, Box);
        var entries = Proposals.Of(many, [Zone(0, Facing.Side), Zone(1, Facing.Up)], history, Shelf, new(1), []).Select(p => p.Entry).Take(20).ToList();
        var byId = new[] { Zone(0, Facing.Side), Zone(1, Facing.Up) }.ToDictionary(z => z.Id);
        Time($"two hundred copies of {entries.Count} kinds", 200, () => entries.Sum(e => Variation.Of(many, byId[e.ZoneId], e).Count), rounds: 30);

        var copies = new WeatherPiece("set", "piece", 20, Box);
        Time("twenty cards", 1000, () =>
        {
            var pages = 0;
            var all = entries.ConvertAll(e => (Entry: e, On: Variation.Of(copies, byId[e.ZoneId], e)));
            for (var c = 0; c < 20; c++)
            {
                pages += CopyCard.Draw(new("Sea wall, Straight", c + 1, 1, Box, [new("Tide", 22, 22)], [.. all.Select(a => new CardMarks(a.Entry.Id, a.Entry.Kind, "stone", a.On[c], a.On[c].Count, "small round brush", 2))])).Count;
            }

            return pages;
        }, rounds: 30);
    }

    private static void Time(string what, double mostMs, Func<int> work, int rounds = Rounds)
    {
        var times = new List<double>();
        for (var i = -Before; i < rounds; i++)
        {
            var clock = Stopwatch.StartNew();
            if (work() == 0)
            {
                throw new InvalidOperationException($"{what}: nothing came of it.");
            }

            if (i >= 0)
            {
                times.Add(clock.Elapsed.TotalMilliseconds);
            }
        }

        times.Sort();
        Noted.Less($"{what}, median", times[rounds / 2], "ms");
        Noted.Less($"{what}, slowest in a hundred", times[rounds * 99 / 100], "ms");
        Console.WriteLine($"{what}: median {times[rounds / 2]:0.0} ms, slowest in a hundred {times[rounds * 99 / 100]:0.0} ms ({mostMs:0} ms at most)");
    }

    private static WeatherZone Zone(int id, Facing facing)
    {
        Coat Of(Technique technique, int paint) => Coat.Usual(technique, Shelf.Materials.First(m => m.Name == $"Paint {paint}")) with { Id = new(id + 1, (short)(paint + 1), (short)((int)technique + 1), 0, 0, 0, 0, 0, 0, 0, 2) };
        var surface = new Zone { Name = $"zone {id}", AreaMm2 = 9000, Copies = 8, Facing = facing, Relief = Relief.Panelled };
        return new(new(id + 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), surface.Name, new(surface, new(), [Of(Technique.BaseCoat, 4), Of(Technique.BaseCoat, 0), Of(Technique.Wash, 7), Of(Technique.DryBrush, 3), Of(Technique.Varnish, 12)]), new(Ledges: 14, Iron: 7, Lips: 6, Bolts: 6, Fillers: 2, Perches: 7, Corners: 7, HotEdgeMm: 400));
    }
}
