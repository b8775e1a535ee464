using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Lowfell.Core.Materials;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Files;

namespace Lowfell.Web.Features.Shelf;

/// <summary>A line of a shopping list.</summary>
/// <param name="Name">Material.</param>
/// <param name="House">House.</param>
/// <param name="ShortMl">Missing, ml.</param>
/// <param name="NeededMl">Needed, ml.</param>
/// <param name="LeftMl">On the shelf, ml.</param>
/// <param name="ReserveMl">Kept for touch-ups beside it, ml.</param>
/// <param name="Bottles">Whole bottles to buy; none where no bottle was ever counted.</param>
/// <param name="BottleMl">What such a bottle holds, ml.</param>
/// <param name="Price">What they cost; none where that is not known.</param>
/// <param name="Pieces">Missing pieces, of what is counted.</param>
public sealed record ShoppingLine(string Name, string House, double? ShortMl, double? NeededMl, double? LeftMl, double? ReserveMl = 0, int? Bottles = null, double? BottleMl = null, double? Price = null, int? Pieces = null);

/// <summary>A row of a file as it was read: a material with, if it names one, a bottle.</summary>
/// <param name="Line">Line of the file, the header being 1.</param>
/// <param name="Name">Its name, shortened.</param>
/// <param name="Material">The material; none where a field is wrong.</param>
/// <param name="Bottle">The bottle, if there is one.</param>
/// <param name="Faults">What is wrong, by column.</param>
internal sealed record CsvRow(int Line, string Name, MaterialDraft? Material, BottleDraft? Bottle, IReadOnlyDictionary<string, string> Faults);

/// <summary>The shelf as CSV (RFC 4180, UTF-8): a line for each bottle, the material's figures on each.</summary>
internal static class ShelfCsv
{
    /// <summary>Most rows of a file.</summary>
    public const int MostRows = 50_000;

    /// <summary>Most cells of a row: several times as many as there are columns.</summary>
    public const int MostColumns = 200;

    private const int LongestField = 1000;
    private static readonly string[] Columns =
    [
        "name", "house", "family", "colour", "contrast_ratio", "reference_film_um", "volume_solids", "sheen", "undertone_power", "wet_scatter", "effect",
        "drops_per_ml", "low_stock_ml", "bottle_ml", "left_ml", "opened_on", "lot", "price",
    ];

    private static readonly string[] Needed = ["name", "family", "colour"];
    private static readonly UTF8Encoding Strict = new(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>Writes the shelf.</summary>
    public static async Task WriteAsync(Stream to, IAsyncEnumerable<MaterialRow> materials, CancellationToken cancel)
    {
        await using var writer = new StreamWriter(to, Strict, 16_384, leaveOpen: true);
        await using var csv = new CsvWriter(writer, Writing());
        foreach (var column in Columns)
        {
            csv.WriteField(column);
        }

        await csv.NextRecordAsync();
        await foreach (var m in materials.WithCancellation(cancel))
        {
            foreach (var bottle in m.Bottles.OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ThenBy(b => b.Id).Cast<BottleRow?>().DefaultIfEmpty(null))
            {
                WriteRow(csv, m, bottle);
                await csv.NextRecordAsync();
            }
        }
    }

    /// <summary>Writes a shopping list.</summary>
    public static string Shopping(IEnumerable<ShoppingLine> lines)
    {
        using var writer = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(writer, Writing());
        foreach (var column in new[] { "material", "house", "buy_at_least_ml", "needed_ml", "left_ml", "touch_up_ml", "bottles", "bottle_ml", "price", "pieces" })
        {
            csv.WriteField(column);
        }

        csv.NextRecord();
        foreach (var line in lines)
        {
            csv.WriteField(CsvCells.Write(line.Name));
            csv.WriteField(CsvCells.Write(line.House));
            csv.WriteField(line.ShortMl);
            csv.WriteField(line.NeededMl);
            csv.WriteField(line.LeftMl);
            csv.WriteField(line.ReserveMl);
            csv.WriteField(line.Bottles);
            csv.WriteField(line.BottleMl);
            csv.WriteField(line.Price);
            csv.WriteField(line.Pieces);
            csv.NextRecord();
        }

        return writer.ToString();
    }

    /// <summary>Reads a file row by row; one row is held at a time. How many there may be is looked at before (<see cref="CsvSize"/>).</summary>
    /// <exception cref="RefusedException">It is no CSV, not UTF-8, or lacks a column.</exception>
    public static async IAsyncEnumerable<CsvRow> ReadAsync(Stream from, DateOnly today, [EnumeratorCancellation] CancellationToken cancel)
    {
        using var reader = new StreamReader(from, Strict, detectEncodingFromByteOrderMarks: true, 16_384, leaveOpen: true);
        var broken = false;
        using var csv = new CsvReader(reader, new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            DetectDelimiterValues = [",", ";", "\t"],
            TrimOptions = TrimOptions.Trim,
            MissingFieldFound = null,
            BadDataFound = _ => broken = true,
            PrepareHeaderForMatch = h => h.Header.Trim().ToLowerInvariant().Replace(' ', '_'),
            MaxFieldSize = LongestField,
        });
        if (!await NextAsync(csv, 1))
        {
            throw new RefusedException("file", "Choose a file with a header and a row: this one is empty.");
        }

        csv.ReadHeader();
        var header = csv.HeaderRecord!.Select(h => h.Trim().ToLowerInvariant().Replace(' ', '_')).ToList();
        if (Needed.Where(n => !header.Contains(n)).ToList() is { Count: > 0 } missing)
        {
            throw new RefusedException("file", $"The columns {string.Join(", ", missing)} are missing from the header. Known columns: {string.Join(", ", Columns)}.");
        }

        if (header.Where(h => h.Length > 0 && !Columns.Contains(h)).ToList() is { Count: > 0 } unknown)
        {
            throw new RefusedException("file", $"Unknown columns: {string.Join(", ", unknown.Take(5).Select(Short))}. Known columns: {string.Join(", ", Columns)}.");
        }

        var line = 1;
        while (await NextAsync(csv, line + 1))
        {
            cancel.ThrowIfCancellationRequested();
            line++;
            yield return broken ? Bad(csv.Parser.RawRow) : Parse(csv, csv.Parser.RawRow, today);
            broken = false;
        }

        static CsvRow Bad(int at) => new(at, "", null, null, new Dictionary<string, string> { ["row"] = "A quote stands alone in this row; quotes come in pairs." });
    }

    private static async Task<bool> NextAsync(CsvReader csv, int line)
    {
        try
        {
            return await csv.ReadAsync();
        }
        catch (DecoderFallbackException)
        {
            throw new RefusedException("file", $"Save it as UTF-8 (CSV UTF-8 in most programs): near line {line} it is not.");
        }
        catch (MaxFieldSizeException)
        {
            throw new RefusedException("file", $"Look near line {line}: a field is longer than {LongestField} characters, a quote may be missing.");
        }
        catch (CsvHelperException)
        {
            throw new RefusedException("file", $"Look near line {line}: the file can't be read as CSV there.");
        }
    }

    private static CsvRow Parse(CsvReader csv, int line, DateOnly today)
    {
        var faults = new Dictionary<string, string>();
        string Text(string column) => csv.TryGetField(column, out string? text) ? CsvCells.Read(text ?? "") : "";
        double? Number(string column)
        {
            var text = Text(column);
            if (text.Length == 0)
            {
                return null;
            }

            if (double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value))
            {
                return value;
            }

            faults[column] = $"'{Short(text)}' is not a number; write 0.5, with a point.";
            return null;
        }

        T Word<T>(string column, T usual)
            where T : struct, Enum
        {
            var text = Text(column);
            if (text.Length == 0)
            {
                return usual;
            }

            if (!int.TryParse(text, out _) && Enum.TryParse<T>(text.Replace("_", "").Replace(" ", ""), ignoreCase: true, out var value))
            {
                return value;
            }

            faults[column] = $"'{Short(text)}' is not one of {string.Join(", ", Enum.GetNames<T>().Select(n => char.ToLowerInvariant(n[0]) + n[1..]))}.";
            return usual;
        }

        DateOnly? Day(string column)
        {
            var text = Text(column);
            if (text.Length > 0 && !DateOnly.TryParseExact(text, "yyyy-MM-dd", out _))
            {
                faults[column] = $"'{Short(text)}' is not a day; write 2026-11-24.";
            }

            return DateOnly.TryParseExact(text, "yyyy-MM-dd", out var day) ? day : null;
        }

        var usual = new MaterialDraft { Name = "", Family = Family.AcrylicPaint, Colour = "#000000" };
        var name = Text("name");
        if (Text("family").Length == 0)
        {
            faults["family"] = "A family is needed.";
        }

        var material = usual with
        {
            Name = name,
            House = Text("house"),
            Family = Word("family", usual.Family),
            Colour = Text("colour").ToLowerInvariant(),
            ContrastRatio = Number("contrast_ratio"),
            ReferenceFilmUm = Number("reference_film_um"),
            VolumeSolids = Number("volume_solids"),
            Sheen = Text("sheen").Length == 0 ? null : Word("sheen", Core.Films.Sheen.Matt),
            UndertonePower = Number("undertone_power"),
            WetScatter = Number("wet_scatter"),
            Effect = Word("effect", Effect.Plain),
            DropsPerMl = Number("drops_per_ml"),
            LowStockMl = Number("low_stock_ml"),
        };
        var size = Number("bottle_ml");
        var left = Number("left_ml");
        var opened = Day("opened_on");
        var lot = Text("lot");
        var price = Number("price");
        var bottle = size is null && left is null && opened is null && price is null && lot.Length == 0
            ? null
            : new BottleDraft { SizeMl = size ?? left ?? 17, LeftMl = left ?? size ?? 17, OpenedOn = opened, Price = price, Lot = lot };
        Collect(faults, material, checks => material.Check(checks, ""));
        if (bottle is not null)
        {
            Collect(faults, bottle, checks => bottle.Check(checks, "", today));
        }

        return new(line, name.Length == 0 ? "(no name)" : Short(name), faults.Count > 0 ? null : material, bottle, faults);
    }

    private static void Collect(Dictionary<string, string> faults, object row, Action<Checks> check)
    {
        var checks = Bounds.Read(row);
        check(checks);
        foreach (var (field, messages) in checks.Faults)
        {
            faults.TryAdd(Column(field), string.Join(" ", messages));
        }
    }

    private static string Column(string field) => field switch
    {
        "contrastRatio" => "contrast_ratio",
        "referenceFilmUm" => "reference_film_um",
        "volumeSolids" => "volume_solids",
        "undertonePower" => "undertone_power",
        "wetScatter" => "wet_scatter",
        "dropsPerMl" => "drops_per_ml",
        "lowStockMl" => "low_stock_ml",
        "sizeMl" => "bottle_ml",
        "leftMl" => "left_ml",
        "openedOn" => "opened_on",
        _ => field,
    };

    private static void WriteRow(CsvWriter csv, MaterialRow m, BottleRow? bottle)
    {
        csv.WriteField(CsvCells.Write(m.Name));
        csv.WriteField(CsvCells.Write(m.House));
        csv.WriteField(Camel(m.Family));
        csv.WriteField(m.Colour);
        csv.WriteField(m.ContrastRatio);
        csv.WriteField(m.ReferenceFilmUm);
        csv.WriteField(m.VolumeSolids);
        csv.WriteField(m.Sheen is { } sheen ? Camel(sheen) : null);
        csv.WriteField(m.UndertonePower);
        csv.WriteField(m.WetScatter);
        csv.WriteField(Camel(m.Effect));
        csv.WriteField(m.DropsPerMl);
        csv.WriteField(m.LowStockMl);
        csv.WriteField(bottle?.SizeMl);
        csv.WriteField(bottle?.LeftMl);
        csv.WriteField(bottle?.OpenedOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
        csv.WriteField(CsvCells.Write(bottle?.Lot ?? ""));
        csv.WriteField(bottle?.Price);
    }

    private static string Camel<T>(T value)
        where T : struct, Enum => char.ToLowerInvariant(value.ToString()[0]) + value.ToString()[1..];

    private static CsvConfiguration Writing() => new(CultureInfo.InvariantCulture);

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}
