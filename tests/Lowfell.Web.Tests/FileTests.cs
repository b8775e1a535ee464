using System.Text;
using CsCheck;
using Lowfell.Web.Files;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Lines of calendars and cells of tables, there and back.</summary>
public sealed class FileTests
{
    private static string Unfolded(string text) => text.Replace("\r\n ", "", StringComparison.Ordinal);

    [Fact]
    public void A_line_is_folded_at_75_octets_and_never_within_a_sign()
    {
        var line = "DESCRIPTION:" + string.Concat(Enumerable.Repeat("Sea wall \U0001F30A\U0001F3A8 ", 20)) + "\U0001F469\u200D\U0001F3A8 end";
        var folded = IcsLines.Fold("BEGIN:VEVENT\r\n" + line + "\r\nEND:VEVENT\r\n");
        Assert.All(folded.Split("\r\n"), l => Assert.InRange(Encoding.UTF8.GetByteCount(l), 0, 75));
        Assert.Equal("BEGIN:VEVENT\r\n" + line + "\r\nEND:VEVENT\r\n", Unfolded(folded));
        Assert.All(folded.Split("\r\n"), l => Assert.False(l.Length > 0 && char.IsHighSurrogate(l[^1])));
    }

    [Fact]
    public void What_was_folded_within_a_sign_by_another_is_mended() =>
        Assert.Equal("SUMMARY:\U0001F30A", IcsLines.Fold("SUMMARY:\uD83C\r\n \uDF0A"));

    [Theory]
    [InlineData("=x", "'=x")]
    [InlineData("'=x", "''=x")]
    [InlineData("''-1", "'''-1")]
    [InlineData("'quoted'", "'quoted'")]
    [InlineData("plain", "plain")]
    [InlineData("|calc", "'|calc")]
    [InlineData("\uff1d1+1", "'\uff1d1+1")]
    [InlineData("\u200b=1", "'\u200b=1")]
    [InlineData("\u00a0=1", "'\u00a0=1")]
    [InlineData(" =1", "' =1")]
    [InlineData(" plain", " plain")]
    [InlineData("", "")]
    public void A_formula_is_kept_from_running_and_comes_back_as_it_was(string text, string written) =>
        Assert.Equal((written, text), (CsvCells.Write(text), CsvCells.Read(written)));

    [Fact]
    public void Whatever_a_cell_holds_it_comes_back() =>
        Gen.OneOf(Gen.String, Gen.Char["'=+-@ x"].Array[0, 6].Select(c => new string(c))).Sample(text => CsvCells.Read(CsvCells.Write(text)) == text);
}
