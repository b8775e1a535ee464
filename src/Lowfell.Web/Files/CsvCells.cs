namespace Lowfell.Web.Files;

/// <summary>Cells of CSV files that a spreadsheet may open: what it would run as a formula is kept from it by an apostrophe.</summary>
public static class CsvCells
{
    private const string Starts = "=+-@\t\r";

    /// <summary>As it is written. What already begins with apostrophes before such a sign gets one more, so that reading gives back what was there.</summary>
    public static string Write(string text) => Begins(text) ? "'" + text : text;

    /// <summary>As it was before it was written.</summary>
    public static string Read(string text) => text.StartsWith('\'') && Begins(text) ? text[1..] : text;

    private static bool Begins(string text) => text.TrimStart('\'') is [var first, ..] && Starts.Contains(first);
}
