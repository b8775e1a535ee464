using Lowfell.Core.Colour;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

/// <summary>Differences in a painter's words.</summary>
public sealed class DifferenceWordsTests
{
    [Theory]
    [InlineData("#808080", "#808080", "the same to the eye")]
    [InlineData("#808080", "#848484", "the same at arm's length")]
    [InlineData("#808080", "#8a8a8a", "a shade lighter")]
    [InlineData("#808080", "#6a6a6a", "clearly darker")]
    [InlineData("#808080", "#ffffff", "far lighter")]
    [InlineData("#a42a22", "#a44038", "a shade greyer")]
    [InlineData("#3f6386", "#5f6386", "clearly redder")]
    [InlineData("#b59a6b", "#b59a4b", "clearly stronger")]
    [InlineData("#f2f1ec", "#dccfae", "far yellower and darker")]
    public void How_much_comes_first_then_in_which_way(string from, string to, string words) =>
        Assert.Equal(words, DifferenceWords.Of(Srgb.Parse(from).ToLab(), Srgb.Parse(to).ToLab()));

    [Fact]
    public void There_and_back_are_opposites()
    {
        var (dark, light) = (Srgb.Parse("#404040").ToLab(), Srgb.Parse("#606060").ToLab());
        Assert.EndsWith("lighter", DifferenceWords.Of(dark, light), StringComparison.Ordinal);
        Assert.EndsWith("darker", DifferenceWords.Of(light, dark), StringComparison.Ordinal);
    }
}
