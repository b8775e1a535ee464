using Lowfell.Core.Colour;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

/// <summary>The cast of the light is taken out of a picture.</summary>
public sealed class WhiteBalanceTests
{
    private static readonly Srgb Card = Srgb.Parse("#777777");

    private static LinearRgb Under(Srgb colour, double r, double g, double b)
    {
        var light = colour.ToLinear();
        return new(light.R * r, light.G * g, light.B * b);
    }

    [Theory]
    [InlineData(1, 1, 1)]
    [InlineData(1.3, 1, 0.6)]
    [InlineData(0.5, 0.6, 0.9)]
    public void Whatever_the_lamp_the_colours_come_back(double r, double g, double b)
    {
        var balance = WhiteBalance.From(Under(Card, r, g, b), Card)!.Value;
        foreach (var colour in new[] { "#777777", "#a98a5c", "#3b2a1c", "#66755a", "#5d8983" })
        {
            Assert.Equal(colour, balance.Apply(Under(Srgb.Parse(colour), r, g, b)).ToString());
        }
    }

    [Fact]
    public void Without_a_grey_the_picture_is_as_it_is() => Assert.Equal("#a98a5c", WhiteBalance.None.Apply(Srgb.Parse("#a98a5c").ToLinear()).ToString());

    [Theory]
    [InlineData("#000000", "#777777", "Choose a lighter grey")]
    [InlineData("#ffffff", "#777777", "Choose a darker grey")]
    [InlineData("#777777", "#b9652d", "Choose something grey")]
    public void A_spot_that_says_nothing_of_the_light_is_refused_with_what_to_do(string seen, string known, string said)
    {
        Assert.StartsWith(said, WhiteBalance.Fault(Srgb.Parse(seen).ToLinear(), Srgb.Parse(known)), StringComparison.Ordinal);
        Assert.Null(WhiteBalance.From(Srgb.Parse(seen).ToLinear(), Srgb.Parse(known)));
        Assert.Null(WhiteBalance.Fault(Card.ToLinear(), Card));
    }

    [Fact]
    public void What_runs_over_the_gamut_is_cut_off_and_stays_a_colour()
    {
        var balance = WhiteBalance.From(Under(Card, 0.3, 0.3, 0.3), Card)!.Value;
        Assert.Equal("#ffffff", balance.Apply(Srgb.Parse("#f0f0f0").ToLinear()).ToString());
    }
}
