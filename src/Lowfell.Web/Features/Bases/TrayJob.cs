using Hangfire;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Rolls a tray, as any host runs it: it is laid anew when all is grown and chosen, or stays as it was.</summary>
/// <param name="scopes">Where a scope of its own is opened.</param>
/// <param name="memory">Layouts that were reckoned before.</param>
/// <param name="clock">Time.</param>
/// <param name="log">Log.</param>
public sealed class TrayJob(IServiceScopeFactory scopes, LayoutMemory memory, TimeProvider clock, ILogger<TrayJob> log)
{
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(250);

    /// <summary>Runs a roll to its end; one that has ended already is left alone.</summary>
    /// <param name="benchId">Its bench.</param>
    /// <param name="id">Its row.</param>
    /// <param name="shutdown">The host stops: the roll goes back into the queue.</param>
    [Queue(JobSetup.Quick)]
    [AutomaticRetry(Attempts = 1, OnAttemptsExceeded = AttemptsExceededAction.Delete)]
    public async Task RunAsync(Guid benchId, Guid id, CancellationToken shutdown)
    {
        await using var scope = scopes.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<OpenBench>().Open(benchId);
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        var desk = scope.ServiceProvider.GetRequiredService<TrayDesk>();
        await using var hold = await JobHold<TrayRollRow>.TakeAsync(scopes, db, benchId, id, shutdown);
        if (hold is null)
        {
            return;
        }

        try
        {
            using var either = CancellationTokenSource.CreateLinkedTokenSource(shutdown, hold.Taken);
            await RollAsync(await db.TrayRolls.SingleAsync(r => r.Id == id, shutdown), desk, db, either.Token);
        }
        catch (OperationCanceledException) when (shutdown.IsCancellationRequested)
        {
            await hold.GiveBackAsync(db);
            throw;
        }
        catch (OperationCanceledException) when (hold.Taken.IsCancellationRequested)
        {
            // This host was not heard of: another rolls it.
            log.LogWarning("The roll {Id} was taken up by another host", id);
        }
        catch (OperationCanceledException)
        {
            await hold.EndAsync(db, JobStatus.Cancelled, "Ended; the tray is as it was.");
        }
        catch (Exception e) when (e is RefusedException or DbUpdateConcurrencyException)
        {
            await hold.EndAsync(db, JobStatus.Failed, "The tray was changed meanwhile; it stays as it is. Roll it again.");
        }
        catch (Exception e) when (!ProblemHandler.IsDatabaseAway(e))
        {
            log.LogError(e, "The roll {Id} failed", id);
            await hold.EndAsync(db, JobStatus.Failed, "The roll failed; the tray is as it was. The host's log says why.");
        }
    }

    private async Task RollAsync(TrayRollRow row, TrayDesk desk, LowfellDb db, CancellationToken shutdown)
    {
        var request = Kept.Read<RollRequest>(row.Request);
        var tray = await desk.RowAsync(row.TrayId, shutdown);
        Versions.Check(request.Version, tray.Version);
        var (copies, family, stock) = (TrayDesk.ToRoll(tray), TrayDesk.Family(tray), await desk.StockAsync(tray, shutdown));
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(shutdown);
        var done = 0;
        var work = Task.Run(() => TrayRoller.Roll(copies, family, stock, request, memory, () => Interlocked.Increment(ref done), stop.Token), CancellationToken.None);
        while (await Task.WhenAny(work, Task.Delay(Every, clock, CancellationToken.None)) != work)
        {
            var grown = Volatile.Read(ref done);
            await db.TrayRolls.Where(r => r.Id == row.Id).ExecuteUpdateAsync(r => r.SetProperty(x => x.Done, grown), CancellationToken.None);
            if (await db.TrayRolls.Where(r => r.Id == row.Id).Select(r => r.CancelWanted).SingleOrDefaultAsync(CancellationToken.None))
            {
                await stop.CancelAsync();
            }
        }

        var (rolled, lacking) = await work;
        (row.Status, row.Done, row.EndedAt) = (JobStatus.Ended, row.Of, clock.GetUtcNow());
        await desk.KeepAsync(tray, TrayDesk.AsLocked(rolled, TrayDesk.Copies(tray)), lacking, shutdown);
    }
}
