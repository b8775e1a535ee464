using System.Collections.Concurrent;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Jobs;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>
/// Keeps what plans are made of, and the plans that were made, for as long as nothing that they rest on has changed: the database counts every change
/// of it. Who asks for the same at once waits for the same; what nobody waits for any more is ended. Who may wait no longer is told to ask again, and
/// finds it made. Sources and planners are kept by how many coats they hold; what was answered of other ways is kept without what it was made of.
/// </summary>
/// <param name="scopes">Where a scope of its own is opened: what is shared outlives the request that asked first.</param>
public sealed class PlanKeep(IServiceScopeFactory scopes)
{
    private const int MostKept = 256;

    // Of sources and planners together: five at the far end of docs/benchmarks.md, where the host stays under a gigabyte.
    private const int MostCoats = 250_000;
    private readonly KeptPlans kept = new(MostCoats, MostKept);
    private readonly ConcurrentDictionary<string, object> making = new();

    /// <summary>What the bench's plans rest on, counted.</summary>
    internal static async Task<long> MarkAsync(LowfellDb db, CancellationToken cancel) => await db.WorkMarks.AsNoTracking().Select(m => (long?)m.Mark).SingleOrDefaultAsync(cancel) ?? 0;

    /// <summary>What there is to plan.</summary>
    /// <param name="bench">The bench.</param>
    /// <param name="mark">What its plans rest on, counted before.</param>
    /// <param name="sets">The sets; all where none are named.</param>
    /// <param name="now">Now, in whole minutes.</param>
    /// <param name="cancel">Cancels this waiting.</param>
    internal Task<PlanSource> SourceAsync(Guid bench, long mark, IReadOnlyList<Guid>? sets, Instant now, CancellationToken cancel) => OfAsync(
        $"{bench} source {(sets is null ? "" : string.Join(",", sets.Order()))}",
        mark,
        now,
        source => (source.Until, CoatsOf(source)),
        Timeout.InfiniteTimeSpan,
        async stop =>
        {
            await using var scope = scopes.CreateAsyncScope();
            var open = scope.ServiceProvider.GetRequiredService<OpenBench>();
            open.Open(bench);
            return await PlanSource.ReadAsync(sets, now, open, scope.ServiceProvider.GetRequiredService<LowfellDb>(), stop);
        },
        cancel);

    /// <summary>What there is to plan, as a request has it, with the plan at once that was looked for.</summary>
    /// <param name="bench">The bench.</param>
    /// <param name="mark">What its plans rest on, counted before.</param>
    /// <param name="request">What is to be planned.</param>
    /// <param name="lookMs">For how long a plan is looked for; none where nothing is to be planned yet.</param>
    /// <param name="now">Now, in whole minutes.</param>
    /// <param name="patience">How long to wait; infinite for as long as it takes.</param>
    /// <param name="cancel">Cancels this waiting.</param>
    /// <exception cref="BeingMadeException">It takes longer.</exception>
    internal async Task<Planner> PlannerAsync(Guid bench, long mark, PlanRequest request, int? lookMs, Instant now, TimeSpan patience, CancellationToken cancel)
    {
        var key = $"{bench} plan {Kept.Write(request)}";
        Task<Planner> OpenAsync(TimeSpan longest, CancellationToken ended) => OfAsync(
            key, mark, now, planner => (planner.Source.Until, CoatsOf(planner.Source)), longest, async stop => new Planner(await SourceAsync(bench, mark, request.SetIds, now, stop), request), ended);
        if (lookMs is not { } ms)
        {
            return await OpenAsync(patience, cancel);
        }

        async Task<Looked<Planner>> LookAsync(CancellationToken stop)
        {
            var planner = await OpenAsync(Timeout.InfiniteTimeSpan, stop);
            planner.AtOnce(ms, stop);
            return new(planner, planner.Source.Until);
        }

        return (await OfAsync($"{key} {ms}", mark, now, looked => (looked.Until, 0), patience, LookAsync, cancel)).Value;
    }

    /// <summary>An answer that is found by planning another way; of the way itself nothing is kept.</summary>
    /// <param name="bench">The bench.</param>
    /// <param name="mark">What its plans rest on, counted before.</param>
    /// <param name="way">The other way.</param>
    /// <param name="what">What is asked of it, and beside what.</param>
    /// <param name="now">Now, in whole minutes.</param>
    /// <param name="patience">How long to wait; infinite for as long as it takes.</param>
    /// <param name="answer">Finds it.</param>
    /// <param name="cancel">Cancels this waiting.</param>
    /// <exception cref="BeingMadeException">It takes longer.</exception>
    internal async Task<T> AnswerAsync<T>(Guid bench, long mark, PlanRequest way, string what, Instant now, TimeSpan patience, Func<Planner, CancellationToken, T> answer, CancellationToken cancel)
    {
        async Task<Looked<T>> LookAsync(CancellationToken stop)
        {
            var planner = new Planner(await SourceAsync(bench, mark, way.SetIds, now, stop), way);
            var found = answer(planner, stop);
            stop.ThrowIfCancellationRequested();
            return new(found, planner.Source.Until);
        }

        return (await OfAsync($"{bench} {what} {Kept.Write(way)}", mark, now, looked => (looked.Until, 0), patience, LookAsync, cancel)).Value;
    }

    private static int CoatsOf(PlanSource source) => source.Work.Zones.Sum(z => z.Stack.Coats.Count);

    private async Task<T> OfAsync<T>(string key, long mark, Instant now, Func<T, (Instant Until, int Coats)> of, TimeSpan patience, Func<CancellationToken, Task<T>> make, CancellationToken cancel)
        where T : class
    {
        if (kept.Find(key, mark, now) is T have)
        {
            return have;
        }

        var name = $"{key} {mark}";
        while (true)
        {
            var shared = (SharedWork<T>)making.GetOrAdd(name, _ => Begun());
            if (shared.Join())
            {
                return await shared.WaitAsync(patience, cancel);
            }

            making.TryRemove(new(name, shared));
        }

        SharedWork<T> Begun()
        {
            SharedWork<T>? own = null;
            return own = new(stop => MakeAsync(own!, stop));
        }

        // Kept by itself: whoever asked first may have gone, to ask again.
        async Task<T> MakeAsync(SharedWork<T> own, CancellationToken stop)
        {
            try
            {
                var made = await make(stop);
                var (until, coats) = of(made);
                kept.Keep(key, new(mark, now, until, coats, made));
                return made;
            }
            finally
            {
                // By now it may be the turn of another, where this was given up.
                making.TryRemove(new(name, own));
            }
        }
    }

    private sealed record Looked<T>(T Value, Instant Until);
}
