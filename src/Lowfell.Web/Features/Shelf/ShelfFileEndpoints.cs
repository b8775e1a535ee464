using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Security.Cryptography;
using System.Text;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>What becomes of a row whose name is on the shelf already.</summary>
public enum Duplicates
{
    /// <summary>The shelf stays as it is.</summary>
    Skip,

    /// <summary>The shelf takes the file's figures, and its bottles where the file names any.</summary>
    Update,

    /// <summary>The row comes in under another name.</summary>
    Rename,
}

/// <summary>What would become of a row.</summary>
public enum ImportVerdict
{
    /// <summary>A new material.</summary>
    New,

    /// <summary>Another bottle of the material above it.</summary>
    Bottle,

    /// <summary>Its name is on the shelf already.</summary>
    Duplicate,

    /// <summary>It can't be taken.</summary>
    Refused,
}

/// <summary>A row of the report.</summary>
/// <param name="Line">Line of the file, the header being 1.</param>
/// <param name="Name">Name, shortened.</param>
/// <param name="Verdict">What would become of it.</param>
/// <param name="Colour">Its colour, where it can be read.</param>
/// <param name="Faults">What is wrong, by column.</param>
public sealed record ImportRowView(int Line, string Name, ImportVerdict Verdict, string? Colour, IReadOnlyDictionary<string, string>? Faults);

/// <summary>What an import did.</summary>
/// <param name="Added">Materials added.</param>
/// <param name="Updated">Materials changed.</param>
/// <param name="Skipped">Materials left as they are.</param>
/// <param name="Refused">Rows left out.</param>
/// <param name="Bottles">Bottles added.</param>
public sealed record ImportResult(int Added, int Updated, int Skipped, int Refused, int Bottles);

/// <summary>The shelf as files: CSV in and out, palette out.</summary>
public static class ShelfFileEndpoints
{
    private const long MostBytes = 32 << 20;
    private const int HeldBytes = 1 << 20;
    private const int Batch = 500;
    private const int LongestName = NameBoundAttribute.Longest;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/shelf").WithTags("Shelf").ProducesValidationProblem();
        group.MapGet("shelf.csv", Export).WithSummary("The shelf as CSV: a line for each bottle.").Produces<string>(200, "text/csv");
        group.MapGet("shelf.gpl", Palette).WithSummary("The colours of the shelf as a palette in the open GIMP format.").Produces<string>(200, "text/plain");
        group.MapPost("check", Check).Accepts<string>("text/csv").WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .WithSummary("Reads a CSV and tells row by row what would become of it; nothing is kept.");
        group.MapPost("import", Import).Accepts<string>("text/csv").WithMetadata(new RequestSizeLimitAttribute(MostBytes))
            .WithSummary("Takes a CSV onto the shelf, all of it or nothing; rows with faults refuse it unless they are to be left out.");
    }

    private static IResult Export(LowfellDb db, CancellationToken cancel) => Results.Stream(
        stream => ShelfCsv.WriteAsync(stream, db.Materials.AsNoTracking().Include(m => m.Bottles).OrderBy(m => m.Name).ThenBy(m => m.Id).AsAsyncEnumerable(), cancel),
        "text/csv; charset=utf-8",
        "lowfell-shelf.csv");

    private static async Task<FileContentHttpResult> Palette(LowfellDb db, CancellationToken cancel)
    {
        var materials = await db.Materials.AsNoTracking().OrderBy(m => m.Family).ThenBy(m => m.Name).ToListAsync(cancel);
        var text = GimpPalette.Write("Lowfell shelf", materials.Where(m => !m.ToCore().Clear).Select(m => (m.Colour, m.Name)));
        return TypedResults.File(Encoding.UTF8.GetBytes(text), "text/plain; charset=utf-8", "lowfell-shelf.gpl");
    }

    private static async IAsyncEnumerable<ImportRowView> Check(HttpRequest request, LowfellDb db, TimeProvider clock, [EnumeratorCancellation] CancellationToken cancel)
    {
        await LookOverAsync(request, cancel);
        var judge = new RowJudge(await ShelfNames.OpenAsync(db, cancel));
        await foreach (var row in ShelfCsv.ReadAsync(request.Body, Today(clock), cancel))
        {
            var (verdict, faults) = judge.Judge(row);
            yield return new(row.Line, row.Name, verdict, row.Material?.Colour, faults.Count > 0 ? faults : null);
        }
    }

    private static async Task<Ok<ImportResult>> Import(
        HttpRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel, string duplicates = "skip", bool leaveOut = false)
    {
        await LookOverAsync(request, cancel);
        var known = QueryWord.Parse<Duplicates>("duplicates", duplicates) ?? Duplicates.Skip;
        var names = await ShelfNames.OpenAsync(db, cancel);
        var judge = new RowJudge(await ShelfNames.OpenAsync(db, cancel));
        var import = new ShelfImport(db, names, known);
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var refused = 0;
        await foreach (var row in ShelfCsv.ReadAsync(request.Body, Today(clock), cancel))
        {
            var (verdict, faults) = judge.Judge(row);
            if (verdict == ImportVerdict.Refused)
            {
                refused++;
                if (!leaveOut)
                {
                    throw new RefusedException(faults.ToDictionary(f => $"line {row.Line}, {f.Key}", f => new[] { f.Value }));
                }

                import.Lose();
                continue;
            }

            await import.TakeAsync(row, verdict, cancel);
            if (import.Waiting >= Batch)
            {
                await import.SaveAsync(cancel);
            }
        }

        await open.TouchShelfAsync(cancel);
        await import.SaveAsync(cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(import.Result(refused));
    }

    // What is said beforehand is refused before it is read, what has too many rows or columns before it is worked on; what is large waits on the disk meanwhile.
    private static async Task LookOverAsync(HttpRequest request, CancellationToken cancel)
    {
        if (request.ContentLength > MostBytes)
        {
            throw new BadHttpRequestException($"A file may hold {MostBytes >> 20} MB at most.", StatusCodes.Status413PayloadTooLarge);
        }

        request.EnableBuffering(HeldBytes, MostBytes);
        await CsvSize.RefuseTooManyAsync(request.Body, ShelfCsv.MostRows, ShelfCsv.MostColumns, cancel);
        request.Body.Position = 0;
    }

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);

    /// <summary>Materials of the shelf by name: by the very name, else by one that differs in its capitals alone, for both may stand there.</summary>
    private sealed class ShelfNames
    {
        private readonly Dictionary<string, Guid> exact = new(StringComparer.Ordinal);
        private readonly Dictionary<string, Guid> loose = new(StringComparer.OrdinalIgnoreCase);

        public static async Task<ShelfNames> OpenAsync(LowfellDb db, CancellationToken cancel)
        {
            var names = new ShelfNames();
            foreach (var material in await db.Materials.OrderBy(m => m.Id).Select(m => new { m.Name, m.Id }).ToListAsync(cancel))
            {
                names.Add(material.Name, material.Id);
            }

            return names;
        }

        public void Add(string name, Guid id)
        {
            exact.TryAdd(name, id);
            loose.TryAdd(name, id);
        }

        public Guid? Find(string name) => exact.TryGetValue(name, out var id) || loose.TryGetValue(name, out id) ? id : null;

        public bool Has(string name) => exact.ContainsKey(name);
    }

    /// <summary>Tells new from known; remembers a hash of each name of the file, no more.</summary>
    private sealed class RowJudge(ShelfNames shelf)
    {
        private readonly HashSet<UInt128> seen = [];
        private readonly HashSet<Guid> meant = [];
        private CsvRow? last;

        public (ImportVerdict Verdict, IReadOnlyDictionary<string, string> Faults) Judge(CsvRow row)
        {
            var above = last;
            last = row;
            if (row.Material is not { } material)
            {
                return (ImportVerdict.Refused, row.Faults);
            }

            if (above?.Material is { } first && first.Name == material.Name)
            {
                return row.Bottle is not null && first == material
                    ? (ImportVerdict.Bottle, row.Faults)
                    : (ImportVerdict.Refused, new Dictionary<string, string> { ["name"] = $"{row.Name} stands on line {above.Line} already, with other figures or without a bottle of its own." });
            }

            // Wide enough that no two of fifty thousand names are ever taken for one.
            if (!seen.Add(MemoryMarshal.Read<UInt128>(SHA256.HashData(Encoding.UTF8.GetBytes(material.Name)))))
            {
                return (ImportVerdict.Refused, new Dictionary<string, string> { ["name"] = $"{row.Name} stands further up in the file; lines of one material belong together." });
            }

            // One of the shelf is meant by one name of the file: another in other capitals is another material.
            return (shelf.Find(material.Name) is { } known && (meant.Add(known) || shelf.Has(material.Name)) ? ImportVerdict.Duplicate : ImportVerdict.New, row.Faults);
        }
    }

    /// <summary>Puts rows on the shelf in batches.</summary>
    private sealed class ShelfImport(LowfellDb db, ShelfNames names, Duplicates duplicates)
    {
        private Guid? current;
        private int added;
        private int updated;
        private int skipped;
        private int bottles;

        public int Waiting { get; private set; }

        public void Lose() => current = null;

        public async Task TakeAsync(CsvRow row, ImportVerdict verdict, CancellationToken cancel)
        {
            var draft = row.Material!;
            if (verdict == ImportVerdict.Duplicate && duplicates == Duplicates.Update)
            {
                var known = await db.Materials.Include(m => m.Bottles).SingleAsync(m => m.Id == names.Find(draft.Name), cancel);
                var (drying, resistance, name) = (known.Drying, known.Resistance, known.Name);
                draft.CopyTo(known);
                (known.Drying, known.Resistance, known.Name) = (drying, resistance, name);
                if (row.Bottle is not null)
                {
                    db.Bottles.RemoveRange(known.Bottles);
                }

                (current, updated) = (known.Id, updated + 1);
            }
            else if (verdict == ImportVerdict.Duplicate && duplicates == Duplicates.Skip)
            {
                (current, skipped) = (null, skipped + 1);
                return;
            }
            else if (verdict != ImportVerdict.Bottle)
            {
                var name = verdict == ImportVerdict.Duplicate ? Free(draft.Name) : draft.Name;
                var material = new MaterialRow { Id = Guid.CreateVersion7(), Name = name, Colour = "" };
                (draft with { Name = name }).CopyTo(material);
                db.Materials.Add(material);
                names.Add(name, material.Id);
                (current, added) = (material.Id, added + 1);
            }

            Waiting++;
            if (current is { } id && row.Bottle is { } bottle)
            {
                var kept = new BottleRow { Id = Guid.CreateVersion7(), MaterialId = id };
                bottle.CopyTo(kept);
                db.Bottles.Add(kept);
                bottles++;
            }
        }

        public async Task SaveAsync(CancellationToken cancel)
        {
            await db.SaveChangesAsync(cancel);
            db.ChangeTracker.Clear();
            Waiting = 0;
        }

        public ImportResult Result(int refused) => new(added, updated, skipped, refused, bottles);

        private string Free(string name)
        {
            for (var number = 2; ; number++)
            {
                var end = $" {number}";
                var tried = (name.Length + end.Length > LongestName ? name[..(LongestName - end.Length)] : name) + end;
                if (!names.Has(tried))
                {
                    return tried;
                }
            }
        }
    }
}
