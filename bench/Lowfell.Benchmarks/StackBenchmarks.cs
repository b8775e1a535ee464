using BenchmarkDotNet.Attributes;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Benchmarks;

/// <summary>What a keystroke in the stack costs: prediction and rules for fifteen coats on one zone.</summary>
[MemoryDiagnoser]
public class StackBenchmarks
{
    private StackDraft draft = null!;
    private StackDraft drifting = null!;
    private StackDraft twelve = null!;
    private StackDraft[] edits = [];
    private StackDraft[] fresh = [];
    private int next;
    private PredictedStack prediction = null!;

    /// <summary>Builds the stacks, and warms the spectra as an open shelf would.</summary>
    [GlobalSetup]
    public void Setup()
    {
        draft = FifteenCoats.Draft();
        drifting = draft with { Zone = draft.Zone with { Target = Srgb.Parse("#9c8560"), Tolerance = 2 } };
        prediction = Predictor.Predict(draft);
        RuleBook.Read(drifting, Predictor.Predict(drifting));
        twelve = draft with { Coats = [.. draft.Coats.Take(11).Where(c => c.Technique != Technique.Varnish), .. draft.Coats.Skip(13)] };
        fresh = [.. Enumerable.Range(0, 16).Select(i => draft.Replace(draft.Coats[0] with { Hand = 0.9 + (0.01 * i) }))];
        edits = [.. Enumerable.Range(0, 16).Select(i => draft.Replace(draft.Coats[7] with { Hand = 0.9 + (0.01 * i) }))];
    }

    /// <summary>The figure of the project: under 90 us and 40 KB. Its first coat is another each time, so that nothing of it is remembered.</summary>
    [Benchmark]
    public int PredictAndCheck()
    {
        var stack = fresh[next++ & 15];
        return RuleBook.Read(stack, Predictor.Predict(stack)).Count;
    }

    /// <summary>Prediction alone, of a stack that is new from the ground up.</summary>
    [Benchmark]
    public PredictedStack Predict() => Predictor.Predict(fresh[next++ & 15]);

    /// <summary>Rules alone.</summary>
    [Benchmark]
    public int Check() => RuleBook.Read(draft, prediction).Count;

    /// <summary>Prediction alone, where one coat of fifteen has changed since the last.</summary>
    [Benchmark]
    public PredictedStack PredictAfterAnEdit() => Predictor.Predict(edits[next++ & 15]);

    /// <summary>With a target missed: the mends of every finding ranked, the base colour solved for among them.</summary>
    [Benchmark]
    public int MendsOfEveryFinding()
    {
        var reading = new Reading(drifting, Predictor.Predict(drifting));
        return RuleBook.Read(reading).Sum(f => RankedMends.Of(reading, f, Shelf.Staples).Count);
    }

    /// <summary>A stack of twelve coats mended all over.</summary>
    [Benchmark]
    public MendedAll MendAllOfTwelve() => MendAll.Of(twelve, Shelf.Staples);
}

/// <summary>A weathered sea wall in fifteen coats.</summary>
public static class FifteenCoats
{
    /// <summary>Fourteen of them in which the rules find nothing: without the zenithal, and with a stronger glaze.</summary>
    public static StackDraft Quiet()
    {
        var draft = Draft();
        return draft with
        {
            Zone = draft.Zone with { Handled = false },
            Coats = [.. draft.Coats.Where(c => c.Technique != Technique.Zenithal).Select(c => c.Technique == Technique.Glaze ? c with { Dilution = Dilution.Of(0.5) } : c)],
        };
    }

    /// <summary>The draft, with materials of the demo's spirit.</summary>
    public static StackDraft Draft()
    {
        Material P(string name, string colour, double contrast, Family family = Family.AcrylicPaint, Sheen sheen = Sheen.Matt, double solids = 0.36, double undertone = 0) =>
            new() { Id = Guid.NewGuid(), Name = name, Family = family, Colour = Srgb.Parse(colour), OwnContrastRatio = contrast, OwnSheen = sheen, OwnVolumeSolids = solids, OwnUndertonePower = undertone };
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
            Dilution = Dilution.Of(r.Technique.UsualFraction(r.Material.Family)),
        }.Of(r.Material)).ToList();
        var zone = new Zone { Relief = Relief.Textured, Facing = Facing.Side, AreaMm2 = 14000, Copies = 8, Handled = true, Substrate = Substrate.Resin };
        return new(zone, new Schools(), coats);
    }
}
