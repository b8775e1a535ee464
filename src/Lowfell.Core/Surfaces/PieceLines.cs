using System.Globalization;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>A line of a pasted list of pieces.</summary>
/// <param name="Line">Which line of the text, from 1.</param>
/// <param name="Name">What the piece is called; as it was written, where something is wrong with it.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Size">Length, width and height, mm; none where it is not given.</param>
/// <param name="Zones">Names of its zones; none where they are not given.</param>
/// <param name="Fault">What is wrong with the line; none where it can be taken.</param>
public sealed record PieceLine(int Line, string Name, int Copies, (double LengthMm, double WidthMm, double HeightMm)? Size, IReadOnlyList<string> Zones, string? Fault);

/// <summary>
/// Reads a list of pieces as painters paste it: a piece a line, "name, copies, length x width x height, zone + zone", parted by tabs, semicolons or
/// commas; all but the name may be left out. A line that can't be taken says why and keeps no other from being taken.
/// </summary>
public static class PieceLines
{
    /// <summary>The most lines that are read.</summary>
    public const int MostLines = 500;

    /// <summary>The most zones of a piece in a line.</summary>
    public const int MostZones = 20;

    private static readonly char[] Crosses = ['x', 'X', '\u00d7', '*'];
    private static readonly char[] Partings = ['\t', ';', ','];
    private static readonly string[] Headings = ["name", "piece"];

    /// <summary>Reads the lines that hold something; a first line of headings is passed over.</summary>
    /// <exception cref="ArgumentException">There are more than <see cref="MostLines"/>.</exception>
    public static IReadOnlyList<PieceLine> Read(string text)
    {
        var lines = Lines(text).ToList();
        if (lines is [var first, ..] && Headings.Contains(Fields(first.Text)[0].ToLowerInvariant()))
        {
            lines.RemoveAt(0);
        }

        return lines.Count <= MostLines ? lines.ConvertAll(l => Read(l.Number, l.Text)) : throw new ArgumentException($"Paste them in parts: {lines.Count} lines are too many, {MostLines} are the most at once.", nameof(text));
    }

    private static IEnumerable<(int Number, string Text)> Lines(string text) => text.Split('\n').Select((t, i) => (Number: i + 1, Text: t.Trim(' ', '\r'))).Where(l => l.Text.Trim().Length > 0);

    private static string[] Fields(string line) => [.. line.Split(Partings.FirstOrDefault(line.Contains, ',')).Select(f => f.Trim())];

    private static PieceLine Read(int number, string text)
    {
        var fields = Fields(text);
        var (name, copies) = (fields[0], 1);
        (double, double, double)? size = null;
        PieceLine Wrong(string why) => new(number, name, copies, size, [], why);
        if (name.Length is 0 or > NameBoundAttribute.Longest)
        {
            return Wrong(name.Length == 0 ? "It has no name." : $"The name has {name.Length} characters; {NameBoundAttribute.Longest} are the most.");
        }

        if (fields.Length > 1 && fields[1].Length > 0 && (!int.TryParse(fields[1], NumberStyles.None, CultureInfo.InvariantCulture, out copies) || copies is < 1 or > CopiesBoundAttribute.Most))
        {
            return Wrong($"Copies: '{fields[1]}' is not 1 to {CopiesBoundAttribute.Most}.");
        }

        // Three figures in fields of their own are a size too.
        var (sizeText, zonesAt) = fields.Length >= 5 && fields[2..5].All(IsFigure) ? (string.Join('x', fields[2..5]), 5) : (fields.ElementAtOrDefault(2) ?? "", 3);
        if (sizeText.Length > 0)
        {
            double[] sides = [.. sizeText.Replace("mm", "", StringComparison.OrdinalIgnoreCase).Split(Crosses).Select(s => Figure(s) ?? -1)];
            var bound = new SizeBoundAttribute();
            if (sides.Length != 3 || !sides.All(bound.Holds))
            {
                return Wrong($"Size: '{sizeText}' is not length x width x height, each {bound.Allowed}.");
            }

            size = (sides[0], sides[1], sides[2]);
        }

        string[] zones = [.. (fields.ElementAtOrDefault(zonesAt) ?? "").Split('+', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];
        if (fields.Length > zonesAt + 1)
        {
            return Wrong($"'{fields[zonesAt + 1]}' is one field too many: name, copies, size, zones with + between them.");
        }

        return zones.Length > MostZones ? Wrong($"{zones.Length} zones are too many; {MostZones} are the most.")
            : zones.FirstOrDefault(z => z.Length > NameBoundAttribute.Longest) is { } zone ? Wrong($"The zone '{zone[..20]}…' has {zone.Length} characters; {NameBoundAttribute.Longest} are the most.")
            : new(number, name, copies, size, zones, null);
    }

    private static bool IsFigure(string text) => Figure(text) is not null;

    private static double? Figure(string text) => double.TryParse(text.Trim(), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value : null;
}
