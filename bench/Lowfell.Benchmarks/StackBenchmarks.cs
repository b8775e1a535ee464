using BenchmarkDotNet.Attributes;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;

namespace Lowfell.Benchmarks;

/// <summary>What a keystroke in the stack costs: prediction and rules for fifteen coats on one zone.</summary>
[MemoryDiagnoser]
public class StackBenchmarks
{
    private StackDraft draft = null!;
    private StackDraft drifting = null!;
    private Prediction prediction = null!;

    /// <summary>Builds the stacks, and warms the spectra as an open shelf would.</summary>
    [GlobalSetup]
    public void Setup()
    {
        draft = FifteenCoats.Draft();
        drifting = draft with { Zone = draft.Zone with { Target = Srgb.Parse("#9c8560"), Tolerance = 2 } };
        prediction = Predictor.Predict(draft);
        RuleBook.Read(drifting, Predictor.Predict(drifting), Shelf.Staples);
    }

    /// <summary>The figure of the project: under 250 us and 64 KB.</summary>
    [Benchmark]
    public int PredictAndCheck() => RuleBook.Read(draft, Predictor.Predict(draft), Shelf.Staples).Count;

    /// <summary>Prediction alone.</summary>
    [Benchmark]
    public Prediction Predict() => Predictor.Predict(draft);

    /// <summary>Rules alone.</summary>
    [Benchmark]
    public int Check() => RuleBook.Read(draft, prediction, Shelf.Staples).Count;

    /// <summary>With a target missed, and every mend worked out: the base colour is solved for.</summary>
    [Benchmark]
    public int WithSolvedMends() => RuleBook.Read(drifting, Predictor.Predict(drifting), Shelf.Staples).Sum(f => f.Mends.Count);
}

/// <summary>A weathered sea wall in fifteen coats.</summary>
public static class FifteenCoats
{
    /// <summary>The draft, with materials of the demo's spirit.</summary>
    public static StackDraft Draft()
    {
        Material P(string name, string colour, double contrast, Family family = Family.AcrylicPaint, Sheen sheen = Sheen.Matt, double solids = 0.36, double undertone = 0) =>
            new() { Id = Guid.NewGuid(), Name = name, Family = family, Colour = Srgb.Parse(colour), ContrastRatio = contrast, Sheen = sheen, VolumeSolids = solids, UndertonePower = undertone };
        var slate = P("Slate Primer", "#3b3d40", 0.97, Family.PrimerWater);
        var tan = P("Rope Tan", "#b59a6b", 0.92);
        var green = P("Sluice Green", "#6d7f5c", 0.95);
        var bone = P("Bone", "#d8cba4", 0.88);
        var rust = P("Pan Rust", "#8a4f2c", 0.92);
        var kelp = P("Kelp Wash", "#3b2a1c", 0.60, Family.AcrylicWash, Sheen.Satin, 0.12, 0.5);
        var satin = P("Satin", "#f2f1ec", 0.5, Family.VarnishWater, Sheen.Satin, 0.30);
        var matt = P("Matt", "#efeee9", 0.5, Family.VarnishWater, Sheen.Matt, 0.30);
        (Technique Technique, Material Material)[] rows =
        [
            (Technique.BaseCoat, slate), (Technique.Zenithal, bone), (Technique.BaseCoat, tan), (Technique.Overbrush, bone), (Technique.ThinnedWash, kelp),
            (Technique.DryBrush, bone), (Technique.Sponge, green), (Technique.Varnish, satin), (Technique.PinWash, kelp), (Technique.SpongeChipping, rust),
            (Technique.Streak, rust), (Technique.Speckle, slate), (Technique.Glaze, green), (Technique.EdgeHighlight, bone), (Technique.Varnish, matt),
        ];
        var coats = rows.Select((r, i) => new Coat
        {
            Id = new Guid(i + 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1),
            Technique = r.Technique,
            Passes = r.Technique == Technique.BaseCoat ? 2 : 1,
            Dilution = Dilution.Of(Math.Max(r.Technique.UsualPaintFraction(), r.Material.Family.Facts().LeastPaintFraction)),
        }.Of(r.Material)).ToList();
        var zone = new Zone { Relief = Relief.Textured, Facing = Facing.Side, AreaMm2 = 14000, Copies = 8, Handled = true, Substrate = Substrate.Resin };
        return new(zone, new Schools(), coats);
    }
}
