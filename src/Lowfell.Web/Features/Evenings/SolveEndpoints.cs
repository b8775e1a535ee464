using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Hangfire;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Searches for a better plan: queued, followed, cancelled. Any host runs them.</summary>
public static class SolveEndpoints
{
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(500);

    // So long after its time a search has no host any more.

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/plan/solves").WithTags("Evenings").ProducesValidationProblem();
        group.MapPost("", Start).WithSummary("Queues a search for a better plan; an earlier one of this bench ends.");
        group.MapGet("{id:guid}", Get).WithSummary("Where a search stands.").ProducesProblem(404);
        group.MapGet("{id:guid}/events", Events).WithSummary("Where a search stands, twice a second until it ends, as server-sent events.").ProducesProblem(404);
        group.MapDelete("{id:guid}", Cancel).WithSummary("Ends a search; the best plan it has is kept.").ProducesProblem(404);
    }

    /// <summary>A search as it is sent.</summary>
    internal static SolveView View(SolveRow row) => new(row.Id, row.Status, row.Seconds, row.Progress.Length > 0 ? Kept.Read<SolveProgress>(row.Progress) : null, row.PlanId, row.Message);

    private static async Task<Accepted<SolveView>> Start(SolveRequest request, PlanDesk desk, LowfellDb db, OpenBench open, IBackgroundJobClient jobs, TimeProvider clock, CancellationToken cancel)
    {
        await desk.CheckAsync(request.Request, cancel);
        await db.Solves.Where(s => s.Status == JobStatus.Waiting || s.Status == JobStatus.Running).ExecuteUpdateAsync(s => s.SetProperty(r => r.CancelWanted, true), cancel);
        var row = new SolveRow { Id = Guid.CreateVersion7(), AskedAt = clock.GetUtcNow(), Request = Kept.Write(request.Request), Seconds = request.Seconds };
        db.Solves.Add(row);
        await db.SaveChangesAsync(cancel);
        var (bench, id) = (open.BenchId, row.Id);
        jobs.Enqueue<SolveJob>(job => job.RunAsync(bench, id, CancellationToken.None));
        return TypedResults.Accepted($"/api/plan/solves/{row.Id}", View(row));
    }

    private static async Task<Ok<SolveView>> Get(Guid id, LowfellDb db, CancellationToken cancel) => TypedResults.Ok(View(await RowAsync(id, db, cancel)));

    private static async Task<Ok<SolveView>> Cancel(Guid id, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        await RowAsync(id, db, cancel);
        await db.Solves.Where(s => s.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.CancelWanted, true), cancel);

        // One that no host has begun ends at once.
        var now = clock.GetUtcNow();
        await db.Solves.Where(s => s.Id == id && s.Status == JobStatus.Waiting)
            .ExecuteUpdateAsync(s => s.SetProperty(r => r.Status, JobStatus.Cancelled).SetProperty(r => r.EndedAt, now), cancel);
        return TypedResults.Ok(View(await RowAsync(id, db, cancel)));
    }

    private static async Task<ServerSentEventsResult<SolveView>> Events(Guid id, LowfellDb db, TimeProvider clock, IHostApplicationLifetime host, CancellationToken cancel)
    {
        await RowAsync(id, db, cancel);
        return TypedResults.ServerSentEvents(Follow(id, db, clock, host.ApplicationStopping, cancel));
    }

    private static async IAsyncEnumerable<SseItem<SolveView>> Follow(Guid id, LowfellDb db, TimeProvider clock, CancellationToken stopping, [EnumeratorCancellation] CancellationToken cancel)
    {
        while (true)
        {
            var view = View(await RowAsync(id, db, cancel));
            yield return new(view, "solve");
            if (view.Status is not (JobStatus.Waiting or JobStatus.Running))
            {
                yield break;
            }

            // A host that stops lets go: the page follows on at another one, or at this one when it is back.
            using var either = CancellationTokenSource.CreateLinkedTokenSource(cancel, stopping);
            await Task.Delay(Every, clock, either.Token).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            if (stopping.IsCancellationRequested)
            {
                yield break;
            }

            cancel.ThrowIfCancellationRequested();
        }
    }

    private static async Task<SolveRow> RowAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.Solves.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
}
