using System.Diagnostics;
using Hangfire;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A search for a better plan, as any host runs it.</summary>
/// <param name="scopes">Where a scope of its own is opened.</param>
/// <param name="clock">Time.</param>
/// <param name="log">Log.</param>
public sealed class SolveJob(IServiceScopeFactory scopes, TimeProvider clock, ILogger<SolveJob> log)
{
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(400);

    /// <summary>Runs a search to its end; one that has ended already is left alone.</summary>
    /// <param name="benchId">Its bench.</param>
    /// <param name="id">Its row.</param>
    /// <param name="shutdown">The host stops: the search goes back into the queue.</param>
    [AutomaticRetry(Attempts = 1, OnAttemptsExceeded = AttemptsExceededAction.Delete)]
    public async Task RunAsync(Guid benchId, Guid id, CancellationToken shutdown)
    {
        await using var scope = scopes.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<OpenBench>().Open(benchId);
        var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
        await using var hold = await JobHold<SolveRow>.TakeAsync(scopes, db, benchId, id, shutdown);
        if (hold is null)
        {
            return;
        }

        var row = await db.Solves.SingleAsync(s => s.Id == id, shutdown);
        try
        {
            if (row.CancelWanted)
            {
                await hold.EndAsync(db, JobStatus.Cancelled, "");
                return;
            }

            row.BegunAt = clock.GetUtcNow();
            await db.SaveChangesAsync(shutdown);
            using var either = CancellationTokenSource.CreateLinkedTokenSource(shutdown, hold.Taken);
            await SearchAsync(row, db, scope.ServiceProvider.GetRequiredService<PlanDesk>(), either.Token);
        }
        catch (OperationCanceledException) when (shutdown.IsCancellationRequested)
        {
            await hold.GiveBackAsync(db);
            throw;
        }
        catch (Exception e) when (e is DbUpdateConcurrencyException || (e is OperationCanceledException && hold.Taken.IsCancellationRequested))
        {
            // This host was not heard of: another does it, and what this one found counts no more.
            log.LogWarning("The search {Id} was taken up by another host", id);
        }
        catch (Exception e) when (e is not OperationCanceledException && !ProblemHandler.IsDatabaseAway(e))
        {
            if (e is not RefusedException)
            {
                log.LogError(e, "The search {Id} failed", id);
            }

            await hold.EndAsync(db, JobStatus.Failed, e is RefusedException gone ? $"What was to be planned has changed: {gone.Errors.Values.First()[0]}" : "The search failed; the plan at once still stands. The host's log says why.");
        }
    }

    private async Task SearchAsync(SolveRow row, LowfellDb db, PlanDesk desk, CancellationToken shutdown)
    {
        var request = Kept.Read<PlanRequest>(row.Request);
        var planner = await desk.OpenAsync(request, shutdown);
        var writer = new PlanWriter(planner);
        var time = Stopwatch.StartNew();
        SolveState? latest = null;
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(shutdown);
        var search = Task.Factory.StartNew(() => planner.Solve(row.Seconds, s => Volatile.Write(ref latest, s), stop.Token), CancellationToken.None, TaskCreationOptions.LongRunning, TaskScheduler.Default);
        SolveProgress Progress(SolveState state) => new(state.Stage, Math.Round(time.Elapsed.TotalSeconds, 1), writer.Summary(state), state.FinishProven, state.GroupedProven);
        while (await Task.WhenAny(search, Task.Delay(Every, clock, CancellationToken.None)) != search)
        {
            if (Volatile.Read(ref latest) is { } state)
            {
                var text = Kept.Write(Progress(state));
                await db.Solves.Where(s => s.Id == row.Id).ExecuteUpdateAsync(s => s.SetProperty(r => r.Progress, text), CancellationToken.None);
            }

            if (await db.Solves.Where(s => s.Id == row.Id).Select(s => s.CancelWanted).SingleOrDefaultAsync(CancellationToken.None))
            {
                await stop.CancelAsync();
            }
        }

        var answer = await search;
        shutdown.ThrowIfCancellationRequested();
        if (answer.Best.Lots.Count > 0)
        {
            var plan = desk.Row(planner, request, answer);
            db.Plans.Add(plan);
            row.PlanId = plan.Id;
        }

        (row.Status, row.EndedAt, row.Progress) = (stop.IsCancellationRequested ? JobStatus.Cancelled : JobStatus.Ended, clock.GetUtcNow(), Kept.Write(Progress(answer)));
        await db.SaveChangesAsync(CancellationToken.None);
    }
}
