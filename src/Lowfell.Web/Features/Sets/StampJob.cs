using System.Collections.Concurrent;
using Hangfire;
using Lowfell.Web.Benches;
using Lowfell.Web.Jobs;

namespace Lowfell.Web.Features.Sets;

/// <summary>Works out what the list of sets has found to be behind, as any host runs it.</summary>
/// <param name="scopes">Where a scope of its own is opened.</param>
/// <param name="queue">Told when it is done.</param>
public sealed class StampJob(IServiceScopeFactory scopes, StampQueue queue)
{
    /// <summary>Catches up on a bench.</summary>
    [Queue(JobSetup.Quick)]
    [AutomaticRetry(Attempts = 1, OnAttemptsExceeded = AttemptsExceededAction.Delete)]
    public async Task RunAsync(Guid benchId, CancellationToken cancel)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            scope.ServiceProvider.GetRequiredService<OpenBench>().Open(benchId);
            await scope.ServiceProvider.GetRequiredService<SetCards>().ReadAsync(TimeSpan.MaxValue, cancel);
        }
        finally
        {
            queue.Done(benchId);
        }
    }
}

/// <summary>Queues one catching-up of a bench at a time on this host; several hosts may do the same, and either stamp will do.</summary>
/// <param name="jobs">The queue.</param>
/// <param name="clock">Time.</param>
public sealed class StampQueue(IBackgroundJobClient jobs, TimeProvider clock)
{
    // A job that was lost with its host is asked for again.
    private static readonly TimeSpan Lost = TimeSpan.FromMinutes(1);
    private readonly ConcurrentDictionary<Guid, DateTimeOffset> asked = new();

    /// <summary>Asks for it, unless it has been asked for.</summary>
    public void Ask(Guid benchId)
    {
        var now = clock.GetUtcNow();
        if (asked.TryGetValue(benchId, out var at) && now - at < Lost)
        {
            return;
        }

        asked[benchId] = now;
        jobs.Enqueue<StampJob>(job => job.RunAsync(benchId, CancellationToken.None));
    }

    /// <summary>It is done.</summary>
    public void Done(Guid benchId) => asked.TryRemove(benchId, out _);
}
