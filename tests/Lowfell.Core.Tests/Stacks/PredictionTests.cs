using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Stacks;

public sealed class PredictionTests
{
    [Fact]
    public void A_brown_wash_on_tan_darkens_the_recess_far_more_than_the_face()
    {
        var stack = Build.Stack(Build.Zone(Relief.Panelled), Build.Coat(Technique.BaseCoat, Build.RopeTan, 3), Build.Coat(Technique.Wash, Build.KelpWash));
        var wash = Predictor.Predict(stack).Strata[1];
        Assert.InRange(wash.Recess.DeltaBelow, 25, 35);
        Assert.InRange(wash.Face.DeltaBelow, 2, 6);
    }

    [Theory]
    [InlineData("black", 6)]
    [InlineData("white", 2)]
    public void Yellow_covers_black_in_six_passes_and_white_in_two(string ground, int passes)
    {
        var under = ground == "black" ? Build.Lampblack : Build.SaltWhite;
        var stack = Build.Stack(Build.Zone(Relief.Smooth), Build.Coat(Technique.BaseCoat, under, 3), Build.Coat(Technique.BaseCoat, Build.BuoyYellow, fraction: 0.7));
        Assert.Equal(passes, ColourHelp.PassesToCover(stack, 1, ReliefHeight.Face));
    }

    [Fact]
    public void A_transparent_red_over_a_pinked_red_brings_its_chroma_back()
    {
        var pink = Build.Paint("#b06a66", 0.9);
        var ink = Build.Paint("#9c1f1a", 0.20, family: Family.AcrylicWash, sheen: Sheen.Satin, solids: 0.15);
        var stack = Build.Stack(Build.Zone(Relief.Smooth), Build.Coat(Technique.BaseCoat, pink, 3), Build.Coat(Technique.Glaze, ink, 2, 1));
        var strata = Predictor.Predict(stack).Strata;
        Assert.True(strata[1].Face.Lab.Chroma > strata[0].Face.Lab.Chroma + 5);
    }

    [Fact]
    public void Gloss_over_matt_deepens_and_matt_over_satin_lightens()
    {
        Coat Base(Sheen sheen) => Build.Coat(Technique.BaseCoat, Build.Paint("#4a3020", 0.97, sheen: sheen), 3);
        var gloss = Predictor.Predict(Build.Stack(Build.Zone(Relief.Smooth), Base(Sheen.Matt), Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Gloss)))).Strata;
        var matt = Predictor.Predict(Build.Stack(Build.Zone(Relief.Smooth), Base(Sheen.Satin), Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Matt)))).Strata;
        Assert.True(gloss[1].Face.Lab.L < gloss[0].Face.Lab.L);
        Assert.True(matt[1].Face.Lab.L > matt[0].Face.Lab.L);
    }

    [Fact]
    public void A_skipped_coat_changes_nothing()
    {
        var washed = Build.Coat(Technique.Wash, Build.KelpWash);
        var stack = Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan), washed with { Skipped = true });
        var strata = Predictor.Predict(stack).Strata;
        Assert.Equal(strata[0].Face.Colour, strata[1].Face.Colour);
        Assert.Equal(0, strata[1].LargestStep);
    }

    [Fact]
    public void A_heavier_hand_gives_a_darker_wash_and_the_span_tells_it()
    {
        Stratum Washed(double hand) => Predictor.Predict(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.Wash, Build.KelpWash) with { Hand = hand })).Strata[1];
        Assert.True(Washed(1.3).Recess.Lab.L < Washed(1).Recess.Lab.L);
        Assert.InRange(Washed(1).Recess.SpanDeltaE, 4, 14);
    }

    [Fact]
    public void Light_from_above_hardly_reaches_an_underside()
    {
        Stratum Lit(Facing facing) => Predictor.Predict(Build.Stack(
            Build.Zone() with { Facing = facing }, Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), Build.Coat(Technique.Zenithal, Build.SaltWhite))).Strata[1];
        Assert.True(Lit(Facing.Up).Face.Lab.L > Lit(Facing.Side).Face.Lab.L + 10);
        Assert.Equal(0, Lit(Facing.Under).Face.DeltaBelow, 6);
    }

    [Fact]
    public void Opened_chips_show_what_lay_under_the_fluid()
    {
        var rust = Build.Coat(Technique.BaseCoat, Build.Paint("#54301f", 0.97), 3);
        var stack = Build.Stack(
            Build.Zone(Relief.Panelled), rust, Build.Coat(Technique.ChippingFluid, Build.Of(Family.ChippingMedium)), Build.Coat(Technique.BaseCoat, Build.SaltWhite, 4), Build.Coat(Technique.OpenChips));
        var strata = Predictor.Predict(stack).Strata;
        Assert.True(strata[3].Edge.DeltaBelow > 5);
        Assert.InRange(ColourDifference.Ciede2000(strata[3].Mark!.Value.ToLab(), strata[0].Face.Lab), 0, 1.5);
    }

    [Fact]
    public void Metal_is_lighter_on_the_edge_and_darker_in_the_recess()
    {
        var iron = Build.Paint("#6f6c69", 0.97, sheen: Sheen.Gloss) with { Effect = Effect.Metallic };
        var top = Predictor.Predict(Build.Stack(Build.Coat(Technique.BaseCoat, iron, 4))).Top;
        Assert.True(top.Recess.Lab.L < top.Face.Lab.L && top.Face.Lab.L < top.Edge.Lab.L);
    }

    [Fact]
    public void A_residue_in_the_brush_softens_the_next_dry_brush_step()
    {
        Coat[] coats = [Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), Build.Coat(Technique.DryBrush, Build.Paint("#5d6366")), Build.Coat(Technique.DryBrush, Build.SaltWhite)];
        var keep = Build.Stack(coats);
        var clean = keep with { Schools = new Schools { DryBrush = ResidueSchool.Clean } };
        Assert.True(Predictor.Predict(clean).Top.Edge.Lab.L > Predictor.Predict(keep).Top.Edge.Lab.L);
    }

    [Fact]
    public void An_own_deposit_takes_the_place_of_the_techniques()
    {
        var coat = Build.Coat(Technique.DryBrush, Build.SaltWhite) with { OwnDeposit = new Deposit([0, 200, 0], [0, 1, 0]) };
        var stratum = Predictor.Predict(Build.Stack(Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), coat)).Strata[1];
        Assert.Equal(0, stratum.Recess.DeltaBelow, 6);
        Assert.Equal(0, stratum.Edge.DeltaBelow, 6);
        Assert.True(stratum.Face.DeltaBelow > 30);
    }

    [Fact]
    public void Medium_thins_the_colour_but_keeps_the_film()
    {
        Stratum Thinned(Thinner thinner) => Predictor.Predict(Build.Stack(Build.Coat(Technique.BaseCoat, Build.SaltWhite, 3), Build.Coat(Technique.Glaze, Build.KelpWash, 1, 0.3, thinner))).Strata[1];
        Assert.True(Thinned(Thinner.AcrylicMedium).Face.FilmUm > Thinned(Thinner.Water).Face.FilmUm * 2);
        Assert.InRange(ColourDifference.Ciede2000(Thinned(Thinner.AcrylicMedium).Face.Lab, Thinned(Thinner.Water).Face.Lab), 0, 3);
    }

    [Fact]
    public void The_base_that_is_solved_for_lands_on_the_target()
    {
        var target = Srgb.Parse("#9c8560");
        var stack = Build.Stack(Build.Zone() with { Target = target }, Build.Coat(Technique.BaseCoat, Build.RopeTan, 3), Build.Coat(Technique.Wash, Build.KelpWash), Build.Coat(Technique.Glaze, Build.KelpWash, 1, 0.3));
        var solved = ColourHelp.BaseForTarget(stack, 0)!;
        Assert.InRange(solved.LeftDeltaE, 0, 1);
        var mixed = stack.Replace((stack.Coats[0] with { MixedTo = solved.Colour }).Of(stack.Coats[0].Material!));
        Assert.Equal(solved.LeftDeltaE, Predictor.Predict(mixed).Top.Face.DeltaTarget!.Value, 6);
        Assert.True(solved.Colour.ToLab().L > target.ToLab().L, "the base starts lighter than the target, as the wash darkens it");
    }

    [Fact]
    public void A_target_lighter_than_white_under_a_dark_coat_cannot_be_reached()
    {
        var stack = Build.Stack(Build.Zone() with { Target = Srgb.Parse("#ffffff") }, Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.BaseCoat, Build.Lampblack, 2));
        Assert.True(ColourHelp.BaseForTarget(stack, 0)!.LeftDeltaE > 20);
    }

    [Fact]
    public void The_nearest_on_the_shelf_is_judged_by_the_finished_stack()
    {
        var stack = Build.Stack(Build.Zone() with { Target = Srgb.Parse("#a99063") }, Build.Coat(Technique.BaseCoat, Build.Lampblack, 3), Build.Coat(Technique.Wash, Build.KelpWash));
        var near = ColourHelp.NearestOnShelf(stack, 0, Build.Shelf, 3);
        Assert.Equal(3, near.Count);
        Assert.Equal("Rope Tan", near[0].Material.Name);
        Assert.True(near[0].DeltaE <= near[1].DeltaE && near[1].DeltaE <= near[2].DeltaE);
    }

    [Fact]
    public void Prediction_is_the_same_each_time()
    {
        var stack = Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.Wash, Build.KelpWash));
        Assert.Equal(Predictor.Predict(stack).Top, Predictor.Predict(stack).Top);
    }
}
