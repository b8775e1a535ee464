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
/// of it. Who asks for the same at once waits for the same; what nobody waits for any more is ended.
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
        async stop =>
        {
            await using var scope = scopes.CreateAsyncScope();
            var open = scope.ServiceProvider.GetRequiredService<OpenBench>();
            open.Open(bench);
            return await PlanSource.ReadAsync(sets, now, open, scope.ServiceProvider.GetRequiredService<LowfellDb>(), stop);
        },
        cancel);

    /// <summary>What there is to plan, as a request has it.</summary>
    internal Task<Planner> PlannerAsync(Guid bench, long mark, PlanRequest request, Instant now, CancellationToken cancel) => OfAsync(
        $"{bench} plan {Kept.Write(request)}",
        mark,
        now,
        planner => planner.Source.Until,
        async stop => new Planner(await SourceAsync(bench, mark, request.SetIds, now, stop), request),
        cancel);

    private async Task<T> OfAsync<T>(string key, long mark, Instant now, Func<T, Instant> until, Func<CancellationToken, Task<T>> make, CancellationToken cancel)
        where T : class
    {
        if (kept.TryGetValue(key, out var have) && have.Mark == mark && have.From <= now && now < have.Until)
        {
            return (T)have.Kept;
        }

        var name = $"{key} {mark}";
        var shared = (SharedWork<T>)making.GetOrAdd(name, _ => new SharedWork<T>(make));
        while (!shared.Join())
        {
            making.TryRemove(new KeyValuePair<string, object>(name, shared));
            shared = (SharedWork<T>)making.GetOrAdd(name, _ => new SharedWork<T>(make));
        }

        try
        {
            var made = await shared.WaitAsync(cancel);
            if (kept.Count >= MostKept)
            {
                foreach (var old in kept.OrderBy(k => k.Value.From).Take(1 + (MostKept / 4)).ToList())
                {
                    kept.TryRemove(old.Key, out _);
                }
            }

            kept[key] = (mark, now, until(made), made);
            return made;
        }
        finally
        {
            making.TryRemove(new KeyValuePair<string, object>(name, shared));
        }
    }
}
