using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>
/// The bench that a request, a job or a watch works on: it alone says whose bench it is. The gate opens it for a request, whoever runs
/// a job for the job.
/// </summary>
/// <param name="services">Where the database is taken from if it is needed at all.</param>
/// <param name="shelves">Shelves in memory.</param>
public sealed class OpenBench(IServiceProvider services, ShelfCache shelves) : IBenchScope
{
    /// <summary>The bench that opens without a password on this machine, until accounts come.</summary>
    public static Guid Home => StoreSetup.FirstBenchId;

    /// <summary>The other bench of this machine.</summary>
    public static Guid Other => StoreSetup.OtherBenchId;

    /// <inheritdoc/>
    public Guid BenchId { get; private set; }

    /// <summary>Opens a bench for the rest of the request or job.</summary>
    public void Open(Guid benchId) => BenchId = benchId;

    /// <summary>Its row, with the preferences, the room and the calendar.</summary>
    public Task<Bench> RowAsync(CancellationToken cancel) => services.GetRequiredService<LowfellDb>().Benches.SingleAsync(b => b.Id == BenchId, cancel);

    /// <summary>Its row as it stands now, kept from changes of others until the transaction ends in which this is called.</summary>
    public async Task<Bench> LockedRowAsync(CancellationToken cancel)
    {
        var db = services.GetRequiredService<LowfellDb>();
        await db.Database.ExecuteSqlAsync($"""SELECT 1 FROM benches WHERE "Id" = {BenchId} FOR UPDATE""", cancel);
        var row = await RowAsync(cancel);
        await db.Entry(row).ReloadAsync(cancel);
        return row;
    }

    /// <summary>Its shelf as Core knows it; no query where it is in memory.</summary>
    public ValueTask<OpenShelf> ShelfAsync(CancellationToken cancel) => shelves.OpenAsync(this, services, cancel);

    /// <summary>Notes in the database that the shelf has changed; saved with the change itself.</summary>
    public Task TouchShelfAsync(CancellationToken cancel) => shelves.TouchAsync(services.GetRequiredService<LowfellDb>(), this, cancel);
}
