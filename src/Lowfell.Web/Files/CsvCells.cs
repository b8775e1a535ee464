using System.Globalization;

namespace Lowfell.Web.Files;

/// <summary>Cells of CSV files that a spreadsheet may open: what it would run as a formula is kept from it by an apostrophe.</summary>
public static class CsvCells
{
    // Those that programs begin a formula or command with, as they are and at full width, which some programs read alike.
    private const string Starts = "=+-@|\t\r\n\uff1d\uff0b\uff0d\uff20\uff5c";

    /// <summary>As it is written. What already begins with apostrophes before such a sign gets one more, so that reading gives back what was there.</summary>
    public static string Write(string text) => Begins(text) ? "'" + text : text;

    /// <summary>As it was before it was written.</summary>
    public static string Read(string text) => text.StartsWith('\'') && Begins(text) ? text[1..] : text;

    // What nobody sees does not hide a sign behind it; a program may leave it away.
    private static bool Begins(string text) => text.AsSpan().TrimStart('\'') is { Length: > 0 } bare
        && (Starts.Contains(bare[0]) || IsUnseen(bare[0]) || (bare[0] == ' ' && bare.TrimStart() is [var first, ..] && Starts.Contains(first)));

    private static bool IsUnseen(char c) => char.GetUnicodeCategory(c) is UnicodeCategory.Format or UnicodeCategory.Control or UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator
        or UnicodeCategory.SpaceSeparator && c != ' ';
}
