using Lowfell.Store;
using Lowfell.Store.Demo;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Bases;
using Lowfell.Web.Features.Sets;

namespace Lowfell.Web.Host;

/// <summary>Loads the demo with its history, in a scope of its own.</summary>
/// <param name="services">Services of the host.</param>
/// <param name="clock">Time.</param>
public sealed class DemoFiller(IServiceProvider services, TimeProvider clock) : IDemoFiller
{
    /// <inheritdoc/>
    public async Task FillAsync(Guid benchId, CancellationToken cancel)
    {
        await using var scope = services.CreateAsyncScope();
        var bench = scope.ServiceProvider.GetRequiredService<OpenBench>();
        bench.Open(benchId);
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        var now = clock.GetUtcNow();

        // All of it or nothing: a bench that is half full counts as one's own, and would never be filled.
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        if (await DemoLoader.LoadIfEmptyAsync(db, benchId, DateOnly.FromDateTime(now.UtcDateTime), cancel))
        {
            await DemoHistory.AddAsync(db, bench, now, cancel);
            await DemoTray.AddAsync(db, scope.ServiceProvider.GetRequiredService<TrayDesk>(), cancel);
            await all.CommitAsync(cancel);
            db.ChangeTracker.Clear();
            await scope.ServiceProvider.GetRequiredService<SetStamps>().ReadAsync(TimeSpan.MaxValue, cancel);
        }
    }
}
