using Lowfell.Core.Amounts;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Rules.Look;
using Lowfell.Core.Rules.Order;
using Lowfell.Core.Rules.Place;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>Where the coats of a plan go, what goes with them, and what the rules make of them.</summary>
public sealed class WeatherCoatsTests
{
    private static readonly Coat Base = Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Light = Build.Coat(Technique.DryBrush, Build.SaltWhite), Last = Build.Coat(Technique.VarnishSpray, Build.Varnish(Sheen.Matt, Family.VarnishLacquer));
    private static readonly Shelf Shelf = new([.. Shelf.Staples.Materials, Build.KelpWash, Build.TarWash, Build.Paint("#37302a", name: "Chip Dark"), Build.Of(Family.Pigment, "#c4b494")]);

    private static StackDraft Stack(Zone? zone, params Coat[] coats) => new(zone ?? new Zone { AreaMm2 = 10_000, Relief = Relief.Panelled }, new(), [Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol)), .. coats]);

    private static (MarkEntry Entry, Coat Coat) Mark(MarkKind kind, Technique technique, Material material, double width = 0.5)
    {
        var entry = new MarkEntry(Build.NewId(), Guid.Empty, kind, 6, width, 8);
        return (entry, Coat.Usual(technique, material) with { Id = entry.Id, Marks = new(6, width, 8, kind) });
    }

    private static string[] Kinds(StackDraft draft) => [.. draft.Coats.Select(c => c.Marks?.Kind?.ToString() ?? c.Technique.ToString())];

    [Fact]
    public void Each_coat_goes_above_the_last_that_belongs_below_it()
    {
        var chip = Mark(MarkKind.Chip, Technique.SpongeChipping, Build.Paint("#37302a"));
        var rain = Mark(MarkKind.Rain, Technique.Streak, Build.KelpWash);
        var kick = Mark(MarkKind.Kick, Technique.Pigment, Build.Of(Family.Pigment, "#c4b494"));
        var damp = Mark(MarkKind.Damp, Technique.Glaze, Build.KelpWash);
        var put = WeatherCoats.Put(Stack(null, Base, Light, Last), [kick, rain, damp, chip], Shelf, []);
        Assert.Equal(["SprayCan", "BaseCoat", "DryBrush", "Chip", "Damp", "Rain", "VarnishSpray", "Kick"], Kinds(put.Draft));
        Assert.Empty(put.Added);

        // A wash or a varnish in between does not hold the lower ones up; what is fixed stays above its powder.
        var fixedLast = Stack(null, Base, Build.Coat(Technique.Wash, Build.KelpWash), Light, Build.Coat(Technique.FixPigment, Build.Of(Family.AcrylicMedium)));
        Assert.Equal(["SprayCan", "BaseCoat", "Wash", "DryBrush", "Chip", "Kick", "FixPigment"], Kinds(WeatherCoats.Put(fixedLast, [kick, chip], Shelf, []).Draft));
    }

    [Fact]
    public void Spirit_gets_satin_under_it_and_the_zones_sheen_over_it()
    {
        var rain = Mark(MarkKind.Rain, Technique.Streak, Build.TarWash);
        var put = WeatherCoats.Put(Stack(null, Base, Light), [rain], Shelf, []);
        var at = put.Draft.IndexOf(rain.Coat.Id);
        Assert.Equal(Sheen.Satin, put.Draft.Coats[at - 1].Material!.Sheen);
        Assert.Equal(Sheen.Matt, put.Draft.Coats[at + 1].Material!.Sheen);
        Assert.Equal(2, put.Added.Count);

        // Where a varnish lies already, and where there is none to be had, none is added.
        var sealedStack = Stack(null, Base, Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Satin)), Build.Coat(Technique.Streak, Build.KelpWash), Last);
        Assert.Equal(sealedStack.Coats.Count + 1, WeatherCoats.Put(sealedStack, [rain], Shelf, []).Draft.Coats.Count);
        Assert.Equal(4, WeatherCoats.Put(Stack(null, Base, Light), [rain], new([Build.TarWash]), []).Draft.Coats.Count);
    }

    [Fact]
    public void Oil_gets_its_gloss_back_and_the_zone_still_ends_matt()
    {
        var oil = Mark(MarkKind.Oil, Technique.Glaze, Build.KelpWash, 3);
        var put = WeatherCoats.Put(Stack(null, Base, Last), [oil], Shelf, []);
        var gloss = put.Draft.Coats[^1];
        Assert.Equal((Sheen.Gloss, MarkKind.Oil), (gloss.Material!.Sheen, gloss.Marks!.Kind));
        Assert.DoesNotContain(RuleBook.Read(new(put.Draft, Predictor.PredictMiddle(put.Draft))), f => f.Rule == WrongFinish.Rule);
    }

    [Fact]
    public void A_pin_wash_gets_the_varnish_of_the_school()
    {
        var grime = Mark(MarkKind.CreaseGrime, Technique.PinWash, Build.TarWash);
        grime = (grime.Entry, grime.Coat with { Marks = null });
        Sheen Under(PinWashSchool school)
        {
            var stack = Stack(null, Base) with { Schools = new() { PinWashVarnish = school } };
            var put = WeatherCoats.Put(stack, [grime], Shelf, []).Draft;
            return put.Coats[put.IndexOf(grime.Coat.Id) - 1].Material!.Sheen;
        }

        Assert.Equal((Sheen.Satin, Sheen.Gloss), (Under(PinWashSchool.Satin), Under(PinWashSchool.Gloss)));
    }

    [Fact]
    public void Put_in_again_it_changes_nothing_and_the_painters_coats_stay()
    {
        var marks = new[] { Mark(MarkKind.Rain, Technique.Streak, Build.TarWash), Mark(MarkKind.Chip, Technique.SpongeChipping, Build.Paint("#37302a")) };
        var stack = Stack(null, Base, Light, Last);
        var once = WeatherCoats.Put(stack, marks, Shelf, []).Draft;
        Assert.Equal(Kinds(once), Kinds(WeatherCoats.Put(stack, marks, Shelf, []).Draft));
        Assert.All(stack.Coats, c => Assert.Same(c, once.Coats.Single(o => o.Id == c.Id)));
        Assert.Equal(StackDraft.MostCoats, WeatherCoats.Put(Stack(null, [.. Enumerable.Repeat(0, StackDraft.MostCoats - 2).Select(_ => Build.Coat(Technique.BaseCoat, Build.RopeTan))]), marks, new([]), []).Draft.Coats.Count);
    }

    [Fact]
    public void A_mark_is_judged_as_what_it_is_meant_as()
    {
        bool Says(Rule rule, Coat coat, ContrastSchool contrast = ContrastSchool.Exaggerate)
        {
            var stack = Stack(new Zone { AreaMm2 = 10_000, ViewingMm = 1000 }, Base, coat) with { Schools = new() { Contrast = contrast } };
            return RuleBook.Read(new(stack, Predictor.PredictMiddle(stack))).Any(f => f.Rule == rule);
        }

        // A drip of a millimetre is nearly four times the widest; of oil it is nothing.
        Assert.True(Says(StreakTooWide.Rule, Mark(MarkKind.Drip, Technique.Streak, Build.KelpWash, 1).Coat));
        Assert.False(Says(StreakTooWide.Rule, Mark(MarkKind.Rain, Technique.Streak, Build.KelpWash, 1).Coat));
        Assert.True(Says(StreakTooWide.Rule, Mark(MarkKind.Rain, Technique.Streak, Build.KelpWash, 1).Coat, ContrastSchool.ToScale));
        Assert.True(Says(ChipTooBig.Rule, Mark(MarkKind.Chip, Technique.SpongeChipping, Build.KelpWash, 3).Coat));
        Assert.False(Says(ChipTooBig.Rule, Mark(MarkKind.Moss, Technique.Stipple, Build.RopeTan, 3).Coat));
        Assert.False(Says(FinalSealMissing.Rule, Mark(MarkKind.Rain, Technique.Streak, Build.KelpWash).Coat));
    }

    [Fact]
    public void Weather_is_no_drift_of_the_colour_that_was_wanted()
    {
        var painted = Stack(null, Base);
        var face = Predictor.PredictMiddle(painted).Top.Face.Colour;
        var wanted = painted with { Zone = painted.Zone with { Target = face, Tolerance = 2 } };
        var soot = Mark(MarkKind.Damp, Technique.Glaze, Build.KelpWash);
        var dirty = wanted with { Coats = [.. wanted.Coats, soot.Coat with { Marks = new(4, 82, 70, MarkKind.Damp, 22_960), Passes = 3 }] };
        Assert.True(ColourDifference.Ciede2000(Predictor.PredictMiddle(dirty).Top.Face.Lab, face.ToLab()) > 2);
        bool Drifts(StackDraft of) => RuleBook.Read(new(of, Predictor.PredictMiddle(of))).Any(f => f.Rule == ColourDrift.Rule);
        Assert.False(Drifts(dirty));
        Assert.True(Drifts(dirty with { Coats = [.. dirty.Coats.Select(c => c.Id == soot.Coat.Id ? c with { Marks = null } : c)] }));
    }

    [Fact]
    public void The_amount_of_marks_goes_by_their_kind_copies_and_hand()
    {
        var zone = new Zone { AreaMm2 = 10_000, Copies = 3 };
        var rain = Mark(MarkKind.Rain, Technique.Streak, Build.KelpWash).Coat;
        CoatAmount Of(Coat coat) => CoatAmount.Of(coat, [zone], Palette.Wet);
        Assert.Equal(3 * 6 * 0.5 * 8 * 0.7 * 20 / 1e6, Of(rain).OnPieceMl, 1e-12);
        Assert.Equal(2 * Of(rain).OnPieceMl, Of(rain with { Passes = 2 }).OnPieceMl, 1e-12);
        Assert.Equal(1.5 * Of(rain).OnPieceMl, Of(rain with { Hand = 1.5 }).OnPieceMl, 1e-12);
        Assert.Equal(3 * ((6 * 15 / 60.0) + 0.5 + 0.3), Of(rain).Minutes, 1e-9);

        // Without a kind a streak goes by its technique.
        Assert.Equal(3 * ((6 / 3.0) + 0.3), Of(rain with { Marks = rain.Marks! with { Kind = null } }).Minutes, 1e-9);
        Assert.Equal(6 * 0.5 * 8, (rain.Marks! with { Kind = null }).AreaMm2, 1e-9);
    }
}
