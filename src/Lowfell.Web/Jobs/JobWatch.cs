using Hangfire;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Jobs;

/// <summary>A kind of job that is taken up again where its host was lost.</summary>
/// <param name="Recover">Looks for those of which nothing was heard, and puts them into the queue anew; how many it was.</param>
internal sealed record WatchedJobs(Func<LowfellDb, IBackgroundJobClient, CancellationToken, Task<int>> Recover)
{
    /// <summary>So often a host may be lost over a job before it is the job.</summary>
    private const int MostLosses = 3;

    /// <summary>Watches a kind.</summary>
    /// <param name="enqueue">Puts one into the queue.</param>
    /// <param name="given">What is said of one that is given up.</param>
    public static WatchedJobs Of<T>(Action<IBackgroundJobClient, T> enqueue, string given)
        where T : class, IJobRow => new(async (db, jobs, cancel) =>
        {
            var lost = JobHold<T>.Lost.TotalSeconds;
            var silent = await db.Set<T>().IgnoreQueryFilters([LowfellDb.OwnBench]).AsNoTracking()
                .Where(j => (j.Status == JobStatus.Waiting || j.Status == JobStatus.Running) && (j.SeenAt ?? j.AskedAt) < DateTimeOffset.UtcNow.AddSeconds(-lost))
                .ToListAsync(cancel);
            var again = 0;
            foreach (var job in silent)
            {
                var losses = job.Losses + (job.Status == JobStatus.Running ? 1 : 0);
                var (up, seen, run) = (losses < MostLosses, job.SeenAt, job.Run);

                // Of two hosts that look at once one does it: only as it was looked at.
                var done = await db.Set<T>().IgnoreQueryFilters([LowfellDb.OwnBench]).Where(j => j.BenchId == job.BenchId && j.Id == job.Id && j.SeenAt == seen && j.Run == run && (j.Status == JobStatus.Waiting || j.Status == JobStatus.Running))
                    .ExecuteUpdateAsync(
                        j => j.SetProperty(x => x.Status, up ? JobStatus.Waiting : JobStatus.Failed).SetProperty(x => x.Losses, losses).SetProperty(x => x.Run, (Guid?)null)
                            .SetProperty(x => x.SeenAt, _ => DateTimeOffset.UtcNow).SetProperty(x => x.EndedAt, x => up ? x.EndedAt : DateTimeOffset.UtcNow).SetProperty(x => x.Message, up ? "" : given),
                        cancel);
                if (done > 0 && up)
                {
                    enqueue(jobs, job);
                    again++;
                }
            }

            return again;
        });
}

/// <summary>Takes jobs up again whose host was lost, or which never came into the queue, as their host died before: within half a minute.</summary>
/// <param name="services">Services of the host.</param>
/// <param name="kinds">What is watched.</param>
/// <param name="readiness">How far the database is.</param>
/// <param name="log">Log.</param>
internal sealed class JobWatch(IServiceProvider services, IEnumerable<WatchedJobs> kinds, Readiness readiness, ILogger<JobWatch> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(5);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!await readiness.WaitAsync(stoppingToken))
        {
            return;
        }

        using var timer = new PeriodicTimer(Every);
        do
        {
            try
            {
                await LookAsync(services, kinds, log, stoppingToken);
            }
            catch (Exception away) when (ProblemHandler.IsDatabaseAway(away))
            {
                // Looked at again when it is back.
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    private static async Task LookAsync(IServiceProvider services, IEnumerable<WatchedJobs> kinds, ILogger log, CancellationToken cancel)
    {
        await using var scope = services.CreateAsyncScope();
        var (db, jobs) = (scope.ServiceProvider.GetRequiredService<LowfellDb>(), scope.ServiceProvider.GetRequiredService<IBackgroundJobClient>());
        foreach (var kind in kinds)
        {
            if (await kind.Recover(db, jobs, cancel) is var again and > 0)
            {
                log.LogWarning("{Count} jobs were not heard of and are taken up again", again);
            }
        }
    }
}
