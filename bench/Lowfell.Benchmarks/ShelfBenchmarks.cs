using BenchmarkDotNet.Attributes;
using Lowfell.Core.Amounts;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Benchmarks;

/// <summary>Amounts over a large set, stand-ins over a large shelf, whole drops and ratios.</summary>
[MemoryDiagnoser]
public class ShelfBenchmarks
{
    private const int Pieces = 200;
    private const int ZonesPerPiece = 12;
    private const int ShelfSize = 2000;
    private const int Stacks = 10;
    private readonly Random random = new(7);
    private List<SharedCoat> shared = null!;
    private List<Material> shelf = null!;
    private List<StackDraft> stacks = null!;
    private Guid replaced;
    private Mix mix = null!;
    private Material[] four = null!;

    /// <summary>Builds them.</summary>
    [GlobalSetup]
    public void Setup()
    {
        var draft = FifteenCoats.Draft();

        // Twelve schemes of fifteen coats, one for each zone of a piece, each on two hundred pieces.
        shared = [.. Enumerable.Range(0, ZonesPerPiece).SelectMany(z =>
        {
            var zones = Enumerable.Range(0, Pieces).Select(p => draft.Zone with { AreaMm2 = 1000 + (100 * p), Copies = 1 + (p % 8), CreaseMm = 300, EdgeMm = 200 }).ToList();
            return draft.Coats.Select(c => new SharedCoat(c, zones));
        })];
        shelf = [.. Enumerable.Range(0, ShelfSize).Select(i => new Material
        {
            Id = Guid.NewGuid(),
            Name = $"Paint {i}",
            Family = Family.AcrylicPaint,
            Colour = new Srgb((byte)random.Next(20, 240), (byte)random.Next(20, 240), (byte)random.Next(20, 240)),
            OwnContrastRatio = 0.7 + (0.28 * random.NextDouble()),
        })];
        foreach (var material in shelf)
        {
            material.Optics();
        }

        replaced = draft.Coats.First(c => c.Material?.Family == Family.AcrylicPaint).Material!.Id;
        stacks = [.. Enumerable.Range(0, Stacks).Select(i => draft with { Zone = draft.Zone with { Relief = (Relief)(i % 4), Facing = (Facing)(i % 3) } })];
        mix = new("any", [new(5, MixUnit.Parts, shelf[0]), new(3.3, MixUnit.Parts, shelf[1]), new(1.7, MixUnit.Parts, Thinner: Thinner.Water), new(0.9, MixUnit.Parts, Thinner: Thinner.AcrylicMedium), new(0.41, MixUnit.Parts, shelf[2])]);
        four = [.. shelf.Take(4)];
    }

    /// <summary>Wanted under 50 ms: 200 pieces x 12 zones x 15 coats.</summary>
    [Benchmark]
    public int Amounts() => SetAmounts.Of(shared, Palette.Wet).Materials.Count;

    /// <summary>Wanted under 300 ms: a shelf of 2,000 of one family, tried in ten stacks of fifteen coats.</summary>
    [Benchmark]
    public int StandIns() => Substitutes.Rank(replaced, stacks, shelf, 8).Count;

    /// <summary>Wanted under 50 ms: the fewest drops of five liquids within 2 % and within 5 %.</summary>
    [Benchmark]
    public int WholeDrops() => (DropRecipe.Within(mix, 0.02)?.Total ?? 0) + (DropRecipe.Within(mix, 0.05)?.Total ?? 0);

    /// <summary>Four paints, every ratio of parts up to twelve.</summary>
    [Benchmark]
    public double Ratio() => RatioSolver.Solve(four, Srgb.Parse("#7d7a5c"))[0].DeltaE;
}
