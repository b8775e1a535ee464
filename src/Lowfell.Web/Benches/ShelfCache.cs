using System.Collections.Concurrent;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>A bench's shelf as Core knows it.</summary>
/// <param name="Version">Version of the shelf in the database.</param>
/// <param name="Materials">By id.</param>
/// <param name="Paints">What coats are made of, materials and mixes, by id.</param>
/// <param name="MixFaults">Why a mix cannot be used, by id.</param>
/// <param name="Shelf">For the rules.</param>
public sealed record OpenShelf(
    long Version,
    IReadOnlyDictionary<Guid, Material> Materials,
    IReadOnlyDictionary<Guid, Paint> Paints,
    IReadOnlyDictionary<Guid, string> MixFaults,
    Core.Materials.Shelf Shelf)
{
    /// <summary>Materials that were taken off the shelf: nobody is offered one, but a coat that names one is read on.</summary>
    public required IReadOnlyDictionary<Guid, Material> Taken { get; init; }

    /// <summary>There is a booth: cans do not wait for the weather.</summary>
    public bool Booth { get; init; }

    /// <summary>Mixes that were deleted: a coat that names one is read on, but none takes one anew.</summary>
    public required IReadOnlySet<Guid> DeletedMixes { get; init; }

    /// <summary>A material of the shelf, or one that was taken off it; null where there is none.</summary>
    public Material? Find(Guid id) => Materials.TryGetValue(id, out var material) || Taken.TryGetValue(id, out material) ? material : null;
}

/// <summary>Keeps shelves in memory by their version in the database, so that any number of hosts agree.</summary>
/// <param name="news">Hears of changes; while it does not, the version is asked for each time.</param>
public sealed class ShelfCache(ShelfNews news)
{
    private const int MostBenches = 200;
    private static readonly Func<LowfellDb, Guid, Task<long>> VersionOf =
        EF.CompileAsyncQuery((LowfellDb db, Guid bench) => db.Benches.Where(b => b.Id == bench).Select(b => b.ShelfVersion).Single());

    private readonly ConcurrentDictionary<Guid, (OpenShelf Shelf, int Epoch)> shelves = new();

    /// <summary>The open bench's shelf.</summary>
    /// <param name="scope">The bench.</param>
    /// <param name="services">Where the database is taken from if it is needed at all.</param>
    /// <param name="cancel">Cancels.</param>
    public ValueTask<OpenShelf> OpenAsync(IBenchScope scope, IServiceProvider services, CancellationToken cancel) =>
        news.Listening && shelves.TryGetValue(scope.BenchId, out var held) && held.Epoch == news.Epoch && held.Shelf.Version >= news.Newest(scope.BenchId)
            ? ValueTask.FromResult(held.Shelf)
            : new(ReadAsync(scope, services.GetRequiredService<LowfellDb>(), cancel));

    /// <summary>Notes in the database that the shelf has changed; saved with the change itself.</summary>
    public async Task TouchAsync(LowfellDb db, IBenchScope scope, CancellationToken cancel)
    {
        var bench = await db.Benches.SingleAsync(b => b.Id == scope.BenchId, cancel);
        bench.ShelfVersion++;
        db.SavedChanges += (_, _) => news.Note(bench.Id, bench.ShelfVersion);
    }

    private async Task<OpenShelf> ReadAsync(IBenchScope scope, LowfellDb db, CancellationToken cancel)
    {
        var epoch = news.Epoch;
        var version = await VersionOf(db, scope.BenchId);
        if (shelves.TryGetValue(scope.BenchId, out var held) && held.Shelf.Version == version)
        {
            shelves[scope.BenchId] = (held.Shelf, epoch);
            return held.Shelf;
        }

        var materials = await db.Materials.IgnoreQueryFilters([LowfellDb.NotDeleted]).AsNoTracking().ToListAsync(cancel);
        var rows = await db.Mixes.IgnoreQueryFilters([LowfellDb.NotDeleted]).AsNoTracking().Include(m => m.Components).ToListAsync(cancel);
        var tools = await db.Benches.Where(b => b.Id == scope.BenchId).Select(b => b.Tools).SingleAsync(cancel);
        var open = Build(version, materials, rows, tools);
        if (db.Database.CurrentTransaction is not null)
        {
            // What it has changed itself nobody else may see before it is sure.
            return open;
        }

        if (shelves.Count >= MostBenches)
        {
            shelves.Clear();
        }

        shelves[scope.BenchId] = (open, epoch);
        return open;
    }

    private static OpenShelf Build(long version, List<MaterialRow> kept, List<MixRow> rows, Tools? tools)
    {
        var all = kept.ToDictionary(m => m.Id, m => m.ToCore());
        var paints = all.ToDictionary(m => m.Key, m => Paint.Of(m.Value));
        var faults = new Dictionary<Guid, string>();
        var book = new MixRecipes(all, rows.ToDictionary(r => r.Id));
        foreach (var row in rows)
        {
            try
            {
                paints[row.Id] = Paint.Of(book.Of(row));
            }
            catch (ArgumentException fault)
            {
                faults[row.Id] = fault.Message;
            }
        }

        var taken = kept.Where(m => m.DeletedAt is not null).ToDictionary(m => m.Id, m => all[m.Id]);
        var materials = all.Where(m => !taken.ContainsKey(m.Key)).ToDictionary();
        var ordered = materials.Values.OrderBy(m => m.Name, StringComparer.Ordinal).ToList();
        return new(version, materials, paints, faults, new Core.Materials.Shelf(ordered) { Tools = tools ?? Tools.All }) { Taken = taken, Booth = tools?.Booth == true, DeletedMixes = rows.Where(r => r.DeletedAt is not null).Select(r => r.Id).ToHashSet() };
    }
}
