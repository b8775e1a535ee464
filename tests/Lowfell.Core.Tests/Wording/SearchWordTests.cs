using CsCheck;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;
using Xunit;

namespace Lowfell.Core.Tests.Wording;

public sealed class SearchWordTests
{
    [Theory]
    [InlineData("Salt White", "salt|white")]
    [InlineData("  salt-crust_bases/2 ", "salt|crust|bases|2")]
    [InlineData("Kelp kelp KELP", "kelp")]
    [InlineData("\U0001F3A8 \U0001F58C\uFE0F", "")]
    [InlineData("'; DROP TABLE log; --", "drop|table|log")]
    [InlineData("\u0107e\u0301 \u00fcber", "\u0107e\u0301|\u00fcber")]
    public void A_search_is_taken_apart_into_words(string text, string words) =>
        Assert.Equal(words.Length == 0 ? [] : words.Split('|'), SearchWords.Of(text).Where(w => w.Any(char.IsLetterOrDigit)));

    [Fact]
    public void Whatever_is_typed_the_query_holds_words_alone()
    {
        Gen.String.Sample(text =>
        {
            var words = SearchWords.Of(text);
            Assert.True(words.Count <= SearchWords.MostWords);
            Assert.Equal(words.Count, words.Distinct().Count());
            Assert.DoesNotContain(SearchWords.Prefixes(words), c => c is '\'' or '\\' or '(' or ')' or '|' or '!' or '<' or '\0');
        });
        Assert.Equal("salt:* & whi:*", SearchWords.Prefixes(["salt", "whi"]));
    }

    [Fact]
    public void A_pause_of_more_than_ten_minutes_begins_another_sitting()
    {
        var then = new DateTimeOffset(2026, 11, 26, 20, 0, 0, TimeSpan.Zero);
        Assert.False(Sitting.IsAnother(then, then.AddMinutes(10)));
        Assert.True(Sitting.IsAnother(then, then.AddMinutes(10.1)));
        Assert.True(Sitting.IsAnother(null, then));
        // A clock that was put back is no reason to keep nothing.
        Assert.True(Sitting.IsAnother(then, then.AddHours(-1)));
    }
}
