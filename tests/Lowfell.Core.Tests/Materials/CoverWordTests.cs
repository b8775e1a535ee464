using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Materials;

/// <summary>Three words for how well a paint covers.</summary>
public sealed class CoverWordTests
{
    [Fact]
    public void A_word_comes_back_from_its_ratio() => Assert.All(Enum.GetValues<CoverWord>(), w => Assert.Equal(w, CoverWords.Of(w.ContrastRatio())));

    [Theory]
    [InlineData(CoverWord.Well, 1, 1, 2)]
    [InlineData(CoverWord.Fairly, 2, 2, 3)]
    [InlineData(CoverWord.Poorly, 3, 3, 6)]
    public void A_brushed_coat_takes_about_as_many_passes_as_the_word_says_fewer_over_its_like_and_more_over_dark(CoverWord word, int mostOverItsLike, int leastOverDark, int mostOverDark)
    {
        Assert.InRange(Passes(word, "#7f8180"), 1, mostOverItsLike);
        Assert.InRange(Passes(word, "#3c3c3c"), leastOverDark, mostOverDark);
    }

    private static int Passes(CoverWord word, string ground)
    {
        var tan = Build.Paint("#a98a5c") with { OwnContrastRatio = word.ContrastRatio(), OwnReferenceFilmUm = null };
        var draft = Build.Stack(Build.Zone(Relief.Smooth, Substrate.Polystyrene), Build.Coat(Technique.BaseCoat, Build.Paint(ground, 0.97)), Build.Coat(Technique.BaseCoat, tan));
        return ColourHelp.PassesToCover(draft, 1, ReliefHeight.Face);
    }
}
