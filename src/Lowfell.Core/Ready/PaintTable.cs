using System.Globalization;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>What a column of a table of paints tells.</summary>
public enum PaintColumn
{
    /// <summary>Nothing that is wanted.</summary>
    [Said("leave out")]
    None,

    /// <summary>Name.</summary>
    [Said("name")]
    Name,

    /// <summary>House.</summary>
    [Said("house")]
    House,

    /// <summary>Family.</summary>
    [Said("family")]
    Family,

    /// <summary>Colour.</summary>
    [Said("colour")]
    Colour,

    /// <summary>How full the bottle is.</summary>
    [Said("how full")]
    HowFull,

    /// <summary>Size of the bottle, ml.</summary>
    [Said("bottle, ml")]
    Size,

    /// <summary>Price.</summary>
    [Said("price")]
    Price,

    /// <summary>Lot.</summary>
    [Said("lot")]
    Lot,
}

/// <summary>A paint as a row of a table tells it.</summary>
/// <param name="Line">Which row, from 1.</param>
/// <param name="Name">Name.</param>
/// <param name="House">House; empty where it is not told.</param>
/// <param name="Family">Family.</param>
/// <param name="Colour">Colour; null where neither a cell nor the name says it.</param>
/// <param name="Sheen">Sheen, where the name says it.</param>
/// <param name="Effect">Metal flake or plain.</param>
/// <param name="SizeMl">Size of the bottle, ml; null where it is not counted.</param>
/// <param name="LeftMl">What is left, ml; null where it is not counted.</param>
/// <param name="Price">Price; null where it is not told.</param>
/// <param name="Lot">Lot; empty where it is not told.</param>
/// <param name="Guessed">What was read out of the name, in words; empty where nothing was.</param>
/// <param name="Fault">Why it can't be taken; null where it can.</param>
public sealed record PaintRow(int Line, string Name, string House, Family Family, Srgb? Colour, Sheen? Sheen, Effect Effect, double? SizeMl, double? LeftMl, double? Price, string Lot, string Guessed, string? Fault);

/// <summary>Reads a table of paints, whatever its columns are.</summary>
public static class PaintTable
{
    /// <summary>Most rows that are read.</summary>
    public const int MostRows = 2000;

    /// <summary>Most columns that are looked at.</summary>
    public const int MostColumns = 40;

    /// <summary>A bottle whose size nobody tells, ml.</summary>
    public const double UsualBottleMl = 17;

    private const double MostBottleMl = 10_000, MostPrice = 100_000;
    private const int RowsLookedAt = 200;

    private static readonly (PaintColumn Column, string[] Headings)[] Headings =
    [
        (PaintColumn.Name, ["name", "paint", "material", "title", "product"]),
        (PaintColumn.House, ["house", "maker", "make", "manufacturer", "brand"]),
        (PaintColumn.Family, ["family", "kind", "type", "sort", "medium"]),
        (PaintColumn.Colour, ["colour", "color", "hex", "rgb", "shade"]),
        (PaintColumn.HowFull, ["how full", "full", "left", "left ml", "left_ml", "fill", "level", "remaining", "stock"]),
        (PaintColumn.Size, ["bottle", "bottle ml", "bottle_ml", "size", "size ml", "volume", "ml"]),
        (PaintColumn.Price, ["price", "cost", "paid"]),
        (PaintColumn.Lot, ["lot", "batch"]),
    ];

    private static readonly (string[] Words, double Share)[] Fullness =
    [
        (["new", "unopened", "full"], 1), (["nearly full", "almost full"], 0.9), (["three quarters", "3/4"], 0.75), (["half", "half full", "1/2"], 0.5), (["a third", "1/3"], 0.33), (["a quarter", "quarter", "1/4", "low"], 0.25), (["nearly empty", "almost empty", "little"], 0.1), (["empty", "none"], 0),
    ];

    /// <summary>Whether the first row names the columns.</summary>
    public static bool HasHeader(IReadOnlyList<string[]> rows)
    {
        ArgumentNullException.ThrowIfNull(rows);
        return rows.Count > 0 && rows[0].Count(c => Heading(c) != PaintColumn.None) is var known && (known >= 2 || (known == 1 && rows[0].Length == 1));
    }

    /// <summary>What the columns tell, by their headings, else by what stands in them.</summary>
    public static IReadOnlyList<PaintColumn> Guess(IReadOnlyList<string[]> rows)
    {
        ArgumentNullException.ThrowIfNull(rows);
        if (rows.Count == 0)
        {
            return [];
        }

        var width = Math.Min(MostColumns, rows.Max(r => r.Length));
        var columns = new PaintColumn[width];
        if (HasHeader(rows))
        {
            for (var i = 0; i < Math.Min(width, rows[0].Length); i++)
            {
                var told = Heading(rows[0][i]);
                columns[i] = columns.Contains(told) ? PaintColumn.None : told;
            }

            return columns;
        }

        var looked = rows.Take(RowsLookedAt).ToList();
        double Fits(int column, Func<string, bool> fits) =>
            looked.Select(r => r.ElementAtOrDefault(column)?.Trim() ?? "").Where(c => c.Length > 0).ToList() is { Count: > 0 } cells ? cells.Count(fits) / (double)cells.Count : 0;
        void Take(PaintColumn column, Func<string, bool> fits)
        {
            var best = Enumerable.Range(0, width).Where(i => columns[i] == PaintColumn.None).Select(i => (Place: i, Share: Fits(i, fits))).OrderByDescending(c => c.Share).ThenBy(c => c.Place).FirstOrDefault();
            if (best.Share >= 0.6)
            {
                columns[best.Place] = column;
            }
        }

        Take(PaintColumn.Colour, c => Srgb.TryParse(c, out _));
        if (width > 1)
        {
            Take(PaintColumn.Family, c => Enum.GetValues<Family>().Any(f => string.Equals(c, f.Facts().Word, StringComparison.OrdinalIgnoreCase) || string.Equals(c, f.Facts().Label, StringComparison.OrdinalIgnoreCase)) || PaintWords.FamilyOf(c) is not null && c.Split(' ').Length == 1);
            Take(PaintColumn.HowFull, c => Share(c) is not null || c.EndsWith("ml", StringComparison.OrdinalIgnoreCase));
            Take(PaintColumn.Price, c => Number(c) is not null && c.Any(ch => ch is '.' or ','));
        }

        Take(PaintColumn.Name, c => c.Any(char.IsLetter));
        if (!columns.Contains(PaintColumn.Colour) && width > 1)
        {
            Take(PaintColumn.Colour, c => PaintWords.Colour(c, Family.AcrylicPaint) is not null);
        }

        return columns;
    }

    /// <summary>The rows as paints. A row that can't be taken says why, and keeps no other from being taken; what stands twice is taken once.</summary>
    /// <param name="rows">Cells by row, a heading among them where there is one.</param>
    /// <param name="columns">What the columns tell; one of them is the name.</param>
    public static IReadOnlyList<PaintRow> Read(IReadOnlyList<string[]> rows, IReadOnlyList<PaintColumn> columns)
    {
        ArgumentNullException.ThrowIfNull(rows);
        ArgumentNullException.ThrowIfNull(columns);
        var seen = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        var paints = new List<PaintRow>(rows.Count);
        for (var i = HasHeader(rows) ? 1 : 0; i < rows.Count; i++)
        {
            if (rows[i].All(string.IsNullOrWhiteSpace))
            {
                continue;
            }

            var paint = Read(i + 1, rows[i], columns);
            if (paint.Fault is null && !seen.TryAdd(paint.Name, paint.Line))
            {
                paint = paint with { Fault = $"Take one of them out: '{paint.Name}' stands in row {seen[paint.Name]} already." };
            }

            paints.Add(paint);
        }

        return paints;
    }

    private static PaintRow Read(int line, string[] cells, IReadOnlyList<PaintColumn> columns)
    {
        string Cell(PaintColumn column)
        {
            for (var at = 0; at < Math.Min(columns.Count, cells.Length); at++)
            {
                if (columns[at] == column)
                {
                    return cells[at].Trim();
                }
            }

            return "";
        }

        var name = Cell(PaintColumn.Name);
        var named = PaintWords.Read(name);
        var family = named.Family;
        string? fault = null;
        if (name.Length is 0 or > NameBoundAttribute.Longest)
        {
            fault = name.Length == 0 ? "Give it a name." : $"Shorten the name: it has {name.Length} characters, {NameBoundAttribute.Longest} are the most.";
        }

        if (!OneLine.Holds(name))
        {
            fault ??= "Write the name on one line, without characters that nobody sees.";
        }

        if (Cell(PaintColumn.Family) is { Length: > 0 } familyText)
        {
            if (PaintWords.FamilyOf(familyText) is { } told)
            {
                // "Paint" says no more than that it is one.
                family = told == Family.AcrylicPaint && familyText.Split(' ').Length == 1 && named.Family.Facts().Kind != Kind.Paint ? named.Family : told;
            }
            else
            {
                fault ??= $"Write the family as acrylic paint, wash, primer, varnish, oil paint or the like: '{Short(familyText)}' is none.";
            }
        }

        var colour = family.Facts().Clear ? Srgb.Parse(family.Facts().LabelColour!) : named.Colour ?? PaintWords.Colour(name, family);
        var colourFrom = colour is null || family.Facts().Clear ? "" : "colour";
        if (Cell(PaintColumn.Colour) is { Length: > 0 } colourText && !family.Facts().Clear)
        {
            (colour, colourFrom) = (PaintWords.Colour(colourText, family), "");
            if (colour is null)
            {
                fault ??= $"Write the colour as #a98a5c or as a word such as tan: '{Short(colourText)}' is neither.";
            }
        }

        if (colour is null)
        {
            fault ??= $"Add a colour: the name '{Short(name)}' says none.";
        }

        var size = Amount(Cell(PaintColumn.Size), "bottle", MostBottleMl, ref fault);
        var price = Amount(Cell(PaintColumn.Price), "price", MostPrice, ref fault);
        double? left = null;
        if (Cell(PaintColumn.HowFull) is { Length: > 0 } full)
        {
            left = Share(full) is { } share ? share * (size ?? UsualBottleMl) : Amount(full, "how full", MostBottleMl, ref fault);
            size ??= Math.Max(left ?? 0, UsualBottleMl);
            if (left > size)
            {
                fault ??= $"Set how full it is to at most its bottle: {left:0.#} ml do not go into {size:0.#} ml.";
            }
        }
        else
        {
            left = size;
        }

        string Bounded(PaintColumn column, string what)
        {
            var text = Cell(column);
            if (text.Length > NameBoundAttribute.Longest)
            {
                fault ??= $"Shorten the {what}: it has {text.Length} characters, {NameBoundAttribute.Longest} are the most.";
            }

            return Short(text);
        }

        var (house, lot) = (Bounded(PaintColumn.House, "house"), Bounded(PaintColumn.Lot, "lot"));
        var guessed = string.Join(" and ", new[] { Cell(PaintColumn.Family).Length == 0 ? "family" : "", colourFrom }.Where(g => g.Length > 0));
        return new(line, Short(name), house, family, colour, named.Sheen, family == named.Family ? named.Effect : Effect.Plain, size, left, price, lot, guessed, fault);
    }

    private static PaintColumn Heading(string cell) => Headings.FirstOrDefault(h => h.Headings.Contains(cell.Trim().ToLowerInvariant().Replace('_', ' '))).Column;

    private static double? Share(string text)
    {
        var bare = text.Trim().ToLowerInvariant();
        if (Fullness.FirstOrDefault(f => f.Words.Contains(bare)) is { Words: not null } word)
        {
            return word.Share;
        }

        return bare.EndsWith('%') && Number(bare[..^1]) is { } percent and >= 0 and <= 100 ? percent / 100 : null;
    }

    private static double? Amount(string text, string what, double most, ref string? fault)
    {
        if (text.Length == 0)
        {
            return null;
        }

        var value = Number(text);
        if (value is not { } number || number < 0 || number > most || (what == "bottle" && number == 0))
        {
            fault ??= $"Write the {what} as a number up to {most:0}, such as 17 or 2.90: '{Short(text)}' is none.";
            return null;
        }

        return value;
    }

    // Spreadsheets write 2.90 or 2,90, with a unit or a sign of money about it: the last point or comma parts the decimals, unless three digits follow it.
    private static double? Number(string text)
    {
        var bare = new string([.. text.Where(c => char.IsDigit(c) || c is '.' or ',' or '-')]);
        if (bare.Length == 0 || text.Count(char.IsLetter) > 3)
        {
            return null;
        }

        var last = bare.LastIndexOfAny(['.', ',']);
        if (last >= 0)
        {
            var one = bare.Count(c => c is '.' or ',') == 1;
            var whole = bare[..last].Replace(".", "").Replace(",", "");
            bare = bare.Length - last - 1 == 3 && !one ? whole + bare[(last + 1)..] : $"{whole}.{bare[(last + 1)..]}";
        }

        return double.TryParse(bare, NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value) ? value : null;
    }

    private static string Short(string text) => text.Length > NameBoundAttribute.Longest ? text[..40] + "…" : text;
}
