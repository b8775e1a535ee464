using Lowfell.Core.Wording;
using Xunit;

namespace Lowfell.Core.Tests.Wording;

/// <summary>The words that are explained.</summary>
public sealed class GlossaryTests
{
    [Fact]
    public void Each_word_stands_once_in_order_and_is_explained_in_a_short_sentence()
    {
        var words = Glossary.Terms.Select(t => t.Word).ToList();
        Assert.Equal(words.Order(StringComparer.OrdinalIgnoreCase), words);
        var all = Glossary.Terms.SelectMany(t => t.Also.Prepend(t.Word)).ToList();
        Assert.Equal(all.Count, all.Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.All(Glossary.Terms, t => Assert.InRange(t.Says.Length, 20, 160));
        Assert.All(Glossary.Terms, t => Assert.EndsWith(".", t.Says, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("hand")]
    [InlineData("undertone")]
    [InlineData("recess")]
    [InlineData("film")]
    [InlineData("lot")]
    [InlineData("set-up")]
    [InlineData("cured")]
    public void What_newcomers_ask_for_is_there(string word) => Assert.Contains(Glossary.Terms, t => t.Word == word);
}
