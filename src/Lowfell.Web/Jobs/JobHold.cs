using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Jobs;

/// <summary>
/// A host's hold on a job while it does it: the job's row says which run of it is in force, and that the host is alive. Times are the
/// database's own, as the clocks of two hosts differ.
/// </summary>
/// <typeparam name="T">Kind of job.</typeparam>
internal sealed class JobHold<T> : IAsyncDisposable
    where T : class, IJobRow
{
    /// <summary>How often a host says that it is alive.</summary>
    public static readonly TimeSpan Beat = TimeSpan.FromSeconds(5);

    /// <summary>A host that was not heard of for so long is lost.</summary>
    public static readonly TimeSpan Lost = TimeSpan.FromSeconds(16);

    private readonly IServiceScopeFactory scopes;
    private readonly Guid bench;
    private readonly Guid id;
    private readonly Guid run;
    private readonly CancellationTokenSource ended = new();
    private readonly CancellationTokenSource taken = new();
    private readonly Task beating;

    private JobHold(IServiceScopeFactory scopes, Guid bench, Guid id, Guid run)
    {
        (this.scopes, this.bench, this.id, this.run) = (scopes, bench, id, run);
        beating = BeatAsync();
    }

    /// <summary>Ends when another host has taken the job up, as this one was not heard of.</summary>
    public CancellationToken Taken => taken.Token;

    /// <summary>Takes hold of a job that waits, or whose host was lost.</summary>
    /// <returns>The hold; null where the job has ended, or somebody else is at it.</returns>
    public static async Task<JobHold<T>?> TakeAsync(IServiceScopeFactory scopes, LowfellDb db, Guid bench, Guid id, CancellationToken cancel)
    {
        var run = Guid.CreateVersion7();
        var lost = Lost.TotalSeconds;
        var taken = await db.Set<T>()
            .Where(j => j.Id == id && (j.Status == JobStatus.Waiting || (j.Status == JobStatus.Running && j.SeenAt < DateTimeOffset.UtcNow.AddSeconds(-lost))))
            .ExecuteUpdateAsync(j => j.SetProperty(x => x.Status, JobStatus.Running).SetProperty(x => x.Run, run).SetProperty(x => x.SeenAt, _ => DateTimeOffset.UtcNow), cancel);
        return taken == 0 ? null : new(scopes, bench, id, run);
    }

    /// <summary>Gives it back, for another host to do: this one stops.</summary>
    public Task GiveBackAsync(LowfellDb db) => db.Set<T>().Where(j => j.Id == id && j.Run == run && j.Status == JobStatus.Running)
        .ExecuteUpdateAsync(j => j.SetProperty(x => x.Status, JobStatus.Waiting).SetProperty(x => x.Run, (Guid?)null).SetProperty(x => x.SeenAt, (DateTimeOffset?)null), CancellationToken.None);

    /// <summary>Ends it with a word, where this run is still in force.</summary>
    public Task EndAsync(LowfellDb db, JobStatus status, string message) => db.Set<T>().Where(j => j.Id == id && j.Run == run)
        .ExecuteUpdateAsync(j => j.SetProperty(x => x.Status, status).SetProperty(x => x.Message, message).SetProperty(x => x.EndedAt, _ => DateTimeOffset.UtcNow), CancellationToken.None);

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await ended.CancelAsync();
        await beating;
        ended.Dispose();
        taken.Dispose();
    }

    private async Task BeatAsync()
    {
        using var timer = new PeriodicTimer(Beat);
        try
        {
            while (await timer.WaitForNextTickAsync(ended.Token))
            {
                await using var scope = scopes.CreateAsyncScope();
                scope.ServiceProvider.GetRequiredService<OpenBench>().Open(bench);
                var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
                try
                {
                    if (await db.Set<T>().Where(j => j.Id == id && j.Run == run).ExecuteUpdateAsync(j => j.SetProperty(x => x.SeenAt, _ => DateTimeOffset.UtcNow), ended.Token) == 0)
                    {
                        await taken.CancelAsync();
                        return;
                    }
                }
                catch (Exception away) when (ProblemHandler.IsDatabaseAway(away))
                {
                    // Said again when it is back; whether that is too late the row tells.
                }
            }
        }
        catch (OperationCanceledException) when (ended.IsCancellationRequested)
        {
            // The job has ended.
        }
    }
}
