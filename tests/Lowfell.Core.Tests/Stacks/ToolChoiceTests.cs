using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Stacks;

/// <summary>Kind and size of brush, needle and pressure.</summary>
public sealed class ToolChoiceTests
{
    private static Zone Of(double cm2, double? detailMm = null) => new() { AreaMm2 = cm2 * 100, SmallestDetailMm = detailMm };

    private static string Words(Technique technique, Material? material, Zone zone) => ToolChoice.Words(Build.Coat(technique, material), zone);

    [Theory]
    [InlineData(Technique.BaseCoat, 4, "flat brush 3 mm")]
    [InlineData(Technique.BaseCoat, 50, "flat brush 15 mm")]
    [InlineData(Technique.BaseCoat, 195, "flat brush 25 mm")]
    [InlineData(Technique.BaseCoat, 5000, "flat brush 40 mm")]
    [InlineData(Technique.DryBrush, 50, "soft round brush 15 mm, wiped")]
    [InlineData(Technique.Wash, 50, "soft full brush 10 mm")]
    [InlineData(Technique.Streak, 195, "flat brush 10 mm, drawn straight down")]
    public void A_brush_is_as_broad_as_the_zone_bears(Technique technique, double cm2, string words) => Assert.Equal(words, Words(technique, Build.RopeTan, Of(cm2)));

    [Theory]
    [InlineData(0.2, "000")]
    [InlineData(0.7, "0")]
    [InlineData(1.5, "2")]
    [InlineData(9, "3")]
    public void A_fine_brush_is_as_fine_as_the_detail(double detailMm, string size)
    {
        Assert.Equal($"fine brush size {size}", Words(Technique.PinWash, Build.TarWash, Of(50, detailMm)));
        Assert.Equal($"fine brush size {size}, or the side of a large one", Words(Technique.EdgeHighlight, Build.SaltWhite, Of(50, detailMm)));
    }

    [Theory]
    [InlineData(Technique.Airbrush, Family.AcrylicPaint, "airbrush with a 0.3 to 0.4 mm needle at 1.2 to 1.5 bar")]
    [InlineData(Technique.Airbrush, Family.PrimerWater, "airbrush with a 0.4 to 0.5 mm needle at 1.6 to 2 bar")]
    [InlineData(Technique.VarnishSpray, Family.VarnishWater, "airbrush with a 0.4 to 0.5 mm needle at 1.4 to 1.8 bar")]
    [InlineData(Technique.PreShade, Family.AcrylicPaint, "airbrush with a 0.2 to 0.3 mm needle at 0.8 to 1.1 bar")]
    [InlineData(Technique.Zenithal, Family.AcrylicPaint, "airbrush with a 0.3 to 0.4 mm needle at 1.2 to 1.5 bar, from above")]
    [InlineData(Technique.Zenithal, Family.PrimerAerosol, "can, from above")]
    [InlineData(Technique.SprayCan, Family.PrimerAerosol, "can")]
    public void What_is_sprayed_says_needle_and_pressure_and_a_can_is_a_can(Technique technique, Family family, string words) => Assert.Equal(words, Words(technique, Build.Of(family), Of(50)));

    [Fact]
    public void Flake_wants_a_wider_needle()
    {
        var brass = Build.Paint("#9c7d3f", name: "Brass") with { Effect = Effect.Metallic };
        Assert.Equal("airbrush with a 0.4 to 0.5 mm needle at 1.4 to 1.8 bar", Words(Technique.Airbrush, brass, Of(50)));
    }

    [Fact]
    public void Every_technique_of_every_family_that_it_takes_has_words_and_a_larger_zone_never_a_smaller_brush()
    {
        foreach (var technique in Enum.GetValues<Technique>())
        {
            foreach (var family in technique.Takes().Count == 0 ? [Family.AcrylicPaint] : technique.Takes())
            {
                Assert.NotEqual("", Words(technique, Build.Of(family), Of(50)));
                Assert.Equal(technique.Facts().Sprayed && !family.Facts().InCan, Words(technique, Build.Of(family), Of(50)).Contains(" bar", StringComparison.Ordinal));
            }
        }

        int[] wider = [.. Enumerable.Range(1, 60).Select(cm => ToolChoice.BreadthMm(0.2, Of(cm * cm)))];
        Assert.Equal(wider.Order(), wider);
    }

    [Theory]
    [InlineData(Technique.SprayCan, Family.PrimerAerosol)]
    [InlineData(Technique.BaseCoat, Family.PrimerWater)]
    [InlineData(Technique.Airbrush, Family.PrimerWater)]
    public void A_covering_coat_of_a_primer_primes_however_it_is_laid(Technique technique, Family family)
    {
        var coat = Build.Coat(technique, Build.Of(family));
        Assert.Equal((true, "Prime", "primer", $"Prime, {family}"), (coat.Primes, coat.Title, coat.Word, coat.Label));
        Assert.Equal("Zenithal", Build.Coat(Technique.Zenithal, Build.Of(family)).Title);
        Assert.Equal("Base coat", Build.Coat(Technique.BaseCoat, Build.RopeTan).Title);
    }
}
