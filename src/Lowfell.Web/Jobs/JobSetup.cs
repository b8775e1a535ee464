using Hangfire;
using Hangfire.AspNetCore;
using Hangfire.PostgreSql;
using Hangfire.PostgreSql.Factories;
using Lowfell.Web.Api;

namespace Lowfell.Web.Jobs;

/// <summary>Queued jobs: they wait in PostgreSQL, and any host picks one with FOR UPDATE SKIP LOCKED.</summary>
internal static class JobSetup
{
    /// <summary>The queue of what is done in seconds; it does not wait behind a search of minutes.</summary>
    public const string Quick = "quick";

    public static void AddJobs(this IServiceCollection services, string connection)
    {
        // The library's own are one for the whole process: with several hosts in one, jobs would run with the services of another.
        services.AddSingleton<JobActivator>(s => new AspNetCoreJobActivator(s.GetRequiredService<IServiceScopeFactory>()));
        services.AddSingleton<JobStorage>(_ => Storage(connection));
        services.AddHangfire(jobs => jobs
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings());
        services.AddHostedService<JobServer>();
    }

    private static PostgreSqlStorage Storage(string connection)
    {
        var options = new PostgreSqlStorageOptions
        {
            SchemaName = "jobs",
            QueuePollInterval = TimeSpan.FromMilliseconds(500),
            InvisibilityTimeout = TimeSpan.FromMinutes(10),
            PrepareSchemaIfNecessary = true,
        };
        return new(new NpgsqlConnectionFactory(connection, options), options);
    }
}

/// <summary>Works on jobs once the database is ready.</summary>
/// <param name="services">Services of the host.</param>
/// <param name="readiness">How far the database is.</param>
internal sealed class JobServer(IServiceProvider services, Readiness readiness) : BackgroundService
{
    /// <summary>The solver works on two threads: one job of a queue at a time is enough for a host.</summary>
    private const int AtOnce = 1;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!await readiness.WaitAsync(stoppingToken))
        {
            return;
        }

        using var searches = new BackgroundJobServer(Options("default"), services.GetRequiredService<JobStorage>());
        using var quick = new BackgroundJobServer(Options(JobSetup.Quick), services.GetRequiredService<JobStorage>());
        await Task.Delay(Timeout.Infinite, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        searches.SendStop();
        quick.SendStop();
        await Task.WhenAll(searches.WaitForShutdownAsync(CancellationToken.None), quick.WaitForShutdownAsync(CancellationToken.None));
    }

    private BackgroundJobServerOptions Options(string queue) => new()
    {
        ServerName = $"{Environment.MachineName}:{Environment.ProcessId}:{queue}",
        Queues = [queue],
        WorkerCount = AtOnce,
        SchedulePollingInterval = TimeSpan.FromSeconds(5),
        StopTimeout = TimeSpan.FromSeconds(2),
        ShutdownTimeout = TimeSpan.FromSeconds(3),
        Activator = services.GetRequiredService<JobActivator>(),
    };
}
