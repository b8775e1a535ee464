using Lowfell.Core.Colour;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

/// <summary>Colours as other eyes see them.</summary>
public sealed class ColourVisionTests
{
    private static double Off(Vision vision, string one, string other) =>
        ColourDifference.Ciede2000(vision.Seen(Srgb.Parse(one)).ToLab(), vision.Seen(Srgb.Parse(other)).ToLab());

    [Fact]
    public void Greys_stay_greys_as_each_row_sums_to_one()
    {
        foreach (var vision in Enum.GetValues<Vision>())
        {
            for (var row = 0; row < 3; row++)
            {
                Assert.Equal(1, vision.Matrix().Skip(row * 3).Take(3).Sum(), 1e-5);
            }

            Assert.Equal("#808080", vision.Seen(Srgb.Parse("#808080")).ToString());
        }
    }

    [Fact]
    public void Red_and_green_come_together_without_the_one_or_the_other_and_blue_and_green_without_blue()
    {
        Assert.True(Off(Vision.Deutan, "#a05030", "#6a6a30") < Off(Vision.Full, "#a05030", "#6a6a30") / 2);
        Assert.True(Off(Vision.Protan, "#803030", "#404020") < Off(Vision.Full, "#803030", "#404020") / 2);
        Assert.True(Off(Vision.Tritan, "#3070a0", "#308070") < Off(Vision.Full, "#3070a0", "#308070") / 2);
    }

    [Fact]
    public void Most_eyes_see_what_is_there_and_lightness_alone_has_no_hue()
    {
        Assert.Equal("#a05030", Vision.Full.Seen(Srgb.Parse("#a05030")).ToString());
        Assert.True(Vision.Grey.Seen(Srgb.Parse("#a05030")).ToLab().Chroma < 0.5);
    }
}
