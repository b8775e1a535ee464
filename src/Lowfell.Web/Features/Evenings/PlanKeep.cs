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
/// finds it made.
/// </summary>
/// <param name="scopes">Where a scope of its own is opened: what is shared outlives the request that asked first.</param>
public sealed class PlanKeep(IServiceScopeFactory scopes)
{
    private const int MostKept = 32;
    private readonly ConcurrentDictionary<string, (long Mark, Instant From, Instant Until, object Kept)> kept = new();
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
        source => source.Until,
        Timeout.InfiniteTimeSpan,
        async stop =>
        {
            await using var scope = scopes.CreateAsyncScope();
            var open = scope.ServiceProvider.GetRequiredService<OpenBench>();
            open.Open(bench);
            return await PlanSource.ReadAsync(sets, now, open, scope.ServiceProvider.GetRequiredService<LowfellDb>(), stop);
        },
        cancel);

    /// <summary>What there is to plan, as a request has it.</summary>
    /// <param name="bench">The bench.</param>
    /// <param name="mark">What its plans rest on, counted before.</param>
    /// <param name="request">What is to be planned.</param>
    /// <param name="now">Now, in whole minutes.</param>
    /// <param name="patience">How long to wait; infinite for as long as it takes.</param>
    /// <param name="cancel">Cancels this waiting.</param>
    /// <exception cref="BeingMadeException">It takes longer.</exception>
    internal Task<Planner> PlannerAsync(Guid bench, long mark, PlanRequest request, Instant now, TimeSpan patience, CancellationToken cancel) => OfAsync(
        $"{bench} plan {Kept.Write(request)}",
        mark,
        now,
        planner => planner.Source.Until,
        patience,
        async stop => new Planner(await SourceAsync(bench, mark, request.SetIds, now, stop), request),
        cancel);

    private async Task<T> OfAsync<T>(string key, long mark, Instant now, Func<T, Instant> until, TimeSpan patience, Func<CancellationToken, Task<T>> make, CancellationToken cancel)
        where T : class
    {
        if (kept.TryGetValue(key, out var have) && have.Mark == mark && have.From <= now && now < have.Until)
        {
            return (T)have.Kept;
        }

        var name = $"{key} {mark}";
        while (true)
        {
            var shared = (SharedWork<T>)making.GetOrAdd(name, _ => new SharedWork<T>(MakeAsync));
            if (shared.Join())
            {
                return await shared.WaitAsync(patience, cancel);
            }

            making.TryRemove(new(name, shared));
        }

        // Kept by itself: whoever asked first may have gone, to ask again.
        async Task<T> MakeAsync(CancellationToken stop)
        {
            try
            {
                var made = await make(stop);
                Keep(key, (mark, now, until(made), made));
                return made;
            }
            finally
            {
                making.TryRemove(name, out _);
            }
        }
    }

    private void Keep(string key, (long Mark, Instant From, Instant Until, object Kept) made)
    {
        if (kept.Count >= MostKept)
        {
            foreach (var old in kept.OrderBy(k => k.Value.From).Take(1 + (MostKept / 4)).ToList())
            {
                kept.TryRemove(old.Key, out _);
            }
        }

        kept[key] = made;
    }
}
