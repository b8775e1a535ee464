using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Lowfell.Web.Api;

namespace Lowfell.Web.Files;

/// <summary>A table as it comes from a spreadsheet, a file or by hand: cells by row, whatever parts them.</summary>
public static class TableText
{
    private const int LinesLookedAt = 20;

    // The first bytes of what is dropped by mistake, as they read when taken for text.
    private static readonly (string Begins, string What)[] Others = [("\u0089PNG", "a picture"), ("\ufffdPNG", "a picture"), ("\ufffd\ufffd\ufffd", "a picture"), ("GIF8", "a picture"), ("RIFF", "a picture or sound"), ("%PDF", "a PDF"), ("PK\u0003", "a spreadsheet's own file"), ("{", "JSON"), ("<", "a web page or XML")];

    /// <summary>Reads the rows.</summary>
    /// <param name="field">The field of the request.</param>
    /// <param name="text">The text.</param>
    /// <param name="mostRows">Most rows.</param>
    /// <param name="mostColumns">Most cells of a row.</param>
    /// <exception cref="RefusedException">It is no table, or too large a one.</exception>
    public static IReadOnlyList<string[]> Read(string field, string text, int mostRows, int mostColumns)
    {
        ArgumentNullException.ThrowIfNull(text);
        var bare = text.TrimStart('\ufeff', ' ', '\r', '\n');
        if (Others.FirstOrDefault(o => bare.StartsWith(o.Begins, StringComparison.Ordinal)) is { What: { } what })
        {
            throw new RefusedException(field, $"Choose a table: this is {what}. In a spreadsheet, mark the rows and copy them, or save them as CSV.");
        }

        if (bare.Contains('\0'))
        {
            throw new RefusedException(field, "Choose a table of text: this is no text. In a spreadsheet, mark the rows and copy them, or save them as CSV.");
        }

        var lines = bare.Split('\n').Count(l => !string.IsNullOrWhiteSpace(l));
        if (lines > mostRows + 1)
        {
            throw new RefusedException(field, $"Bring them in in parts: {lines} rows are too many, {mostRows} are the most at once.");
        }

        using var csv = new CsvReader(new StringReader(bare), new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            Delimiter = Parting(bare) is { } parting ? parting.ToString() : "\u001f",
            HasHeaderRecord = false,
            TrimOptions = TrimOptions.Trim,
            BadDataFound = null,
            MissingFieldFound = null,
        });
        var rows = new List<string[]>();
        while (csv.Read())
        {
            if (csv.Parser.Count > mostColumns)
            {
                throw new RefusedException(field, $"Take columns out: row {csv.Parser.Row} has {csv.Parser.Count}, {mostColumns} are the most.");
            }

            rows.Add([.. csv.Parser.Record!.Select(c => c.Trim())]);
        }

        return rows;
    }

    // A tab or semicolon parts wherever it stands; a comma only where each line has as many, as it also stands within a name.
    private static char? Parting(string text)
    {
        var lines = text.Split('\n').Where(l => !string.IsNullOrWhiteSpace(l)).Take(LinesLookedAt).ToList();
        foreach (var parting in new[] { '\t', ';' })
        {
            if (lines.Count(l => l.Contains(parting)) * 2 > lines.Count)
            {
                return parting;
            }
        }

        var commas = lines.ConvertAll(l => l.Count(c => c == ','));
        return lines.Count > 0 && commas.Min() > 0 && (commas.Distinct().Count() == 1 || lines.Count(l => l.Contains('"')) > 0 || commas.Max() - commas.Min() <= 1) ? ',' : null;
    }
}
