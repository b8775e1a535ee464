using Lowfell.Core.Wording;
using Xunit;

namespace Lowfell.Core.Tests.Wording;

/// <summary>Names are on one line, and all of them is seen.</summary>
public sealed class OneLineTests
{
    [Theory]
    [InlineData("")]
    [InlineData("Rope Tan")]
    [InlineData("Gråwacke, naïve: 50 %")]
    [InlineData("潮干")]
    [InlineData("👩\u200D🎨 her shelf")]
    [InlineData("می\u200Cخواهم")]
    [InlineData("Non\u00A0breaking")]
    public void What_is_seen_on_one_line_holds(string text) => Assert.True(OneLine.Holds(text));

    [Theory]
    [InlineData("two\nlines")]
    [InlineData("two\r\nlines")]
    [InlineData("a\ttab")]
    [InlineData("a\u0007bell")]
    [InlineData("zero\u200Bwidth")]
    [InlineData("line\u2028separator")]
    [InlineData("paragraph\u2029separator")]
    [InlineData("turned \u202Eround")]
    [InlineData("soft\u00ADhyphen")]
    [InlineData("\uFEFFmark at the front")]
    [InlineData("\u200D")]
    [InlineData("tag \U000E0041")]
    [InlineData("next\u0085line")]
    public void What_breaks_the_line_or_is_not_seen_does_not(string text) => Assert.False(OneLine.Holds(text));
}
