using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Prediction;

/// <summary>Coats while they are wet.</summary>
public sealed class WetCoatTests
{
    private static double L(Srgb colour) => colour.ToLab().L;

    [Fact]
    public void Matt_paint_is_darker_wet_and_dries_paler()
    {
        var wet = WetCoat.Of(Build.Stack(Build.Coat(Technique.BaseCoat, Build.Paint("#4a5a46", 0.95), 2)), 0)!;
        Assert.True(L(wet.Wet.Face) < L(wet.Dry.Face) - 1);
        Assert.Contains("paler", wet.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_wash_lies_thicker_wet_than_it_settles_and_dries_paler_on_the_edge()
    {
        var draft = Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.Wash, Build.KelpWash, 1, 0.6));
        var wet = WetCoat.Of(draft, 1)!;
        Assert.True(L(wet.Wet.Edge) < L(wet.Dry.Edge));
        Assert.Equal(Predictor.PredictMiddle(draft).Top.Face.Colour, wet.Dry.Face);
    }

    [Fact]
    public void A_milky_wash_hides_more_wet_and_dries_clear()
    {
        var milky = Build.KelpWash with { OwnWetScatter = 20 };
        var draft = Build.Stack(Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), Build.Coat(Technique.Wash, milky, 1, 0.6));
        var wet = WetCoat.Of(draft, 1)!;
        Assert.True(L(wet.Wet.Face) > L(wet.Dry.Face) + 1, $"{L(wet.Wet.Face)} {L(wet.Dry.Face)}");
        Assert.StartsWith("Dries clear, ", wet.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_never_wet_or_leaves_no_film_has_no_wet_look()
    {
        var draft = Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.Pigment, Build.Of(Family.Pigment, "#c4b494")), Build.Coat(Technique.Feather));
        Assert.Null(WetCoat.Of(draft, 1));
        Assert.Null(WetCoat.Of(draft, 2));
    }

    [Theory]
    [InlineData(0.5)]
    [InlineData(0.8)]
    [InlineData(4)]
    [InlineData(25)]
    public void The_factor_of_a_stripe_that_was_read_wet_comes_back(double factor)
    {
        var wash = Build.Paint("#8d7a58", 0.5, family: Family.AcrylicWash, sheen: Sheen.Satin, solids: 0.12, undertone: 0.25);
        var card = StackWalk.OnCard(Srgb.Parse("#161616"));
        card.LayFilm(1, wash.Optics()[1].Wet(factor, Surface.WetTerm), 20 * 1.5);
        Assert.Equal(factor, WetCoat.ScatterFrom(wash, card.Colour(1).ToSrgb(), 20), factor * 0.15);
    }

    [Fact]
    public void A_reading_that_no_film_gives_ends_at_a_bound()
    {
        Assert.Equal(WetScatterBoundAttribute.Most, WetCoat.ScatterFrom(Build.KelpWash, Srgb.Parse("#ffffff"), 20), 0.5);
        Assert.Equal(WetScatterBoundAttribute.Least, WetCoat.ScatterFrom(Build.KelpWash, Srgb.Parse("#000000"), 20), 0.05);
    }
}
