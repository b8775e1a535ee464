using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Ready;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>Paints as they are pasted or dropped.</summary>
/// <param name="Text">Rows of a table, or a name a line.</param>
/// <param name="Columns">What the columns tell, by hand; none for what their headings and cells say.</param>
/// <param name="Starter">Paints of the starter shelf that are ticked.</param>
/// <param name="LeaveOut">Rows that can't be taken are left out; else they refuse the whole.</param>
/// <param name="DryRun">Only says what it would make of it.</param>
public sealed record PaintPaste([PaintTextBound] string Text, [PaintColumnsBound] IReadOnlyList<PaintColumn>? Columns = null, [ManyBound] IReadOnlyList<Guid>? Starter = null, bool LeaveOut = false, bool DryRun = false);

/// <summary>A row as it was read.</summary>
/// <param name="Line">Which row, from 1.</param>
/// <param name="Name">Name.</param>
/// <param name="Family">Family.</param>
/// <param name="Colour">Colour; none where it is not said.</param>
/// <param name="LeftMl">What is left, ml; none where it is not counted.</param>
/// <param name="Price">Price; none where it is not told.</param>
/// <param name="Guessed">What was read out of the name, in words; empty where nothing was.</param>
/// <param name="OnShelf">Its name is on the shelf already: it is left as it is.</param>
/// <param name="Fault">Why it can't be taken; none where it can.</param>
public sealed record PastedPaint(int Line, string Name, Family Family, string? Colour, double? LeftMl, double? Price, string Guessed, bool OnShelf, string? Fault);

/// <summary>A table of paints as it was read.</summary>
/// <param name="Columns">What its columns tell.</param>
/// <param name="Headings">Their headings; empty where it has none.</param>
/// <param name="Sample">Its first rows.</param>
/// <param name="Rows">The paints.</param>
/// <param name="Added">Paints that were put, or would be put, on the shelf, those of the starter shelf counted.</param>
public sealed record PastedPaints(IReadOnlyList<PaintColumn> Columns, IReadOnlyList<string> Headings, IReadOnlyList<IReadOnlyList<string>> Sample, IReadOnlyList<PastedPaint> Rows, int Added);

/// <summary>A paint of the starter shelf.</summary>
/// <param name="Id">Its id there.</param>
/// <param name="Name">Name.</param>
/// <param name="Family">Family.</param>
/// <param name="Colour">Colour.</param>
/// <param name="OnShelf">A paint of this name is on the shelf.</param>
public sealed record StarterPaint(Guid Id, string Name, Family Family, string Colour, bool OnShelf);

/// <summary>Many paints at once: pasted, dropped or ticked.</summary>
public sealed class PaintDesk(LowfellDb db)
{
    private const int SampleRows = 4;

    // What a can, and what a pot of paste or glue holds where nobody says. Craft estimates.
    private const double CanMl = 400, PotMl = 100;

    /// <summary>Reads a paste, and makes rows of what can be put on the shelf; none of them is added yet.</summary>
    /// <param name="paste">The paste.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>What was read, and the new rows with their bottles.</returns>
    /// <exception cref="RefusedException">It is no table.</exception>
    public async Task<(PastedPaints Told, IReadOnlyList<MaterialRow> Rows)> ReadAsync(PaintPaste paste, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(paste);
        var cells = paste.Text.Trim().Length == 0 ? [] : TableText.Read("text", paste.Text, PaintTable.MostRows, PaintTable.MostColumns);
        var columns = paste.Columns is { Count: > 0 } told ? told : PaintTable.Guess(cells);
        if (columns.Where(c => c != PaintColumn.None).GroupBy(c => c).FirstOrDefault(g => g.Count() > 1) is { } twice)
        {
            throw new RefusedException("columns", $"Choose one column for the {SaidAttribute.Of(typeof(PaintColumn))[twice.Key.ToString()]}: {twice.Count()} are told to be it.");
        }

        var there = (await db.Materials.Select(m => m.Name).ToListAsync(cancel)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var rows = new List<MaterialRow>();
        var paints = PaintTable.Read(cells, columns);
        foreach (var paint in paints.Where(p => p.Fault is null && there.Add(p.Name)))
        {
            rows.Add(Row(paint));
        }

        var taken = rows.Select(r => r.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var id in (paste.Starter ?? []).Distinct())
        {
            var plain = StarterShelf.Materials.FirstOrDefault(m => m.Id == id) ?? throw new RefusedException("starter", $"{id} is no paint of the starter shelf.");
            if (there.Add(plain.Name))
            {
                rows.Add(Row(plain));
            }
        }

        var header = PaintTable.HasHeader(cells);
        return (new(
            columns,
            header ? cells[0] : [],
            [.. cells.Skip(header ? 1 : 0).Take(SampleRows)],
            [.. paints.Select(p => new PastedPaint(p.Line, p.Name, p.Family, p.Colour?.ToString(), p.LeftMl, p.Price, p.Guessed, p.Fault is null && !taken.Contains(p.Name), p.Fault))],
            rows.Count), rows);
    }

    /// <summary>Refuses what holds rows that can't be taken.</summary>
    /// <exception cref="RefusedException">It does.</exception>
    internal static void RefuseFaults(string field, PastedPaints told)
    {
        if (told.Rows.FirstOrDefault(r => r.Fault is not null) is { } wrong)
        {
            throw new RefusedException(field, $"Row {wrong.Line}: {wrong.Fault}");
        }
    }

    /// <summary>A paint that is to be bought: on the shelf by name, with an empty bottle, so that amounts and shopping list know of it.</summary>
    /// <param name="plain">The paint.</param>
    /// <param name="taken">Names on the shelf: one that is taken by another paint gets its family behind it.</param>
    internal static MaterialRow ToBuy(Material plain, IEnumerable<string> taken)
    {
        var row = Row(plain);
        var names = taken.ToHashSet(StringComparer.OrdinalIgnoreCase);
        for (var again = 1; names.Contains(row.Name); again++)
        {
            var behind = $", {plain.Family.Facts().Word}{(again > 1 ? $" {again}" : "")}";
            row.Name = plain.Name[..Math.Min(plain.Name.Length, NameBoundAttribute.Longest - behind.Length)] + behind;
        }

        row.Bottles.Add(new() { Id = Guid.CreateVersion7(), MaterialId = row.Id, SizeMl = UsualMl(plain.Family), LeftMl = 0 });
        return row;
    }

    private static double UsualMl(Family family) => family.Facts() switch { { InCan: true } => CanMl, { Kind: Kind.Paste or Kind.CracklePaste or Kind.Glue or Kind.Grit } => PotMl, _ => PaintTable.UsualBottleMl };

    private static MaterialRow Row(Material plain) => new() { Id = Guid.CreateVersion7(), Name = plain.Name, Family = plain.Family, Colour = plain.Colour.ToString(), Sheen = plain.OwnSheen, Effect = plain.Effect };

    private static MaterialRow Row(PaintRow paint)
    {
        var row = new MaterialRow { Id = Guid.CreateVersion7(), Name = paint.Name, House = paint.House, Family = paint.Family, Colour = paint.Colour!.Value.ToString(), Sheen = paint.Sheen, Effect = paint.Effect };
        if (paint.LeftMl is { } left)
        {
            row.Bottles.Add(new() { Id = Guid.CreateVersion7(), MaterialId = row.Id, SizeMl = paint.SizeMl!.Value, LeftMl = left, Price = paint.Price, Lot = paint.Lot });
        }
        else if (paint.Price is not null || paint.Lot.Length > 0)
        {
            var size = UsualMl(paint.Family);
            row.Bottles.Add(new() { Id = Guid.CreateVersion7(), MaterialId = row.Id, SizeMl = size, LeftMl = size, Price = paint.Price, Lot = paint.Lot });
        }

        return row;
    }
}

/// <summary>Paints pasted onto the shelf, and the shelf that most benches begin with.</summary>
public static class PaintPasteEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/shelf").WithTags("Shelf").ProducesValidationProblem();
        group.MapGet("starter", Starter).WithSummary("The forty plain paints that most benches begin with, to be ticked.");
        group.MapPost("paste", Paste).WithSummary("Reads a pasted or dropped table of paints with whatever columns it has, and paints ticked of the starter shelf; all of them are put on the shelf, or none.");
    }

    private static async Task<Ok<List<StarterPaint>>> Starter(LowfellDb db, CancellationToken cancel)
    {
        var there = (await db.Materials.Select(m => m.Name).ToListAsync(cancel)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return TypedResults.Ok(StarterShelf.Materials.Select(m => new StarterPaint(m.Id, m.Name, m.Family, m.Colour.ToString(), there.Contains(m.Name))).ToList());
    }

    private static async Task<Ok<PastedPaints>> Paste(PaintPaste paste, PaintDesk desk, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var (told, rows) = await desk.ReadAsync(paste, cancel);
        if (!paste.DryRun)
        {
            if (!paste.LeaveOut)
            {
                PaintDesk.RefuseFaults("text", told);
            }

            db.Materials.AddRange(rows);
            await open.TouchShelfAsync(cancel);
            await db.SaveChangesAsync(cancel);
        }

        return TypedResults.Ok(told);
    }
}
