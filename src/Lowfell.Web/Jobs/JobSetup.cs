using Hangfire;
using Hangfire.AspNetCore;
using Hangfire.Common;
using Hangfire.PostgreSql;
using Hangfire.PostgreSql.Factories;
using Hangfire.Server;
using Lowfell.Web.Api;

namespace Lowfell.Web.Jobs;

/// <summary>Queued jobs: they wait in PostgreSQL, and any host picks one with FOR UPDATE SKIP LOCKED.</summary>
internal static class JobSetup
{
    /// <summary>The queue of what is done in seconds; it does not wait behind a search of minutes.</summary>
    public const string Quick = "quick";

    /// <summary>Where jobs wait.</summary>
    public const string Schema = "jobs";

    /// <summary>Makes the tables of jobs, or brings them up to date.</summary>
    /// <param name="owner">Connection of the database's owner.</param>
    public static void MakeTables(string owner) => _ = Storage(owner, prepare: true);

    public static void AddJobs(this IServiceCollection services, string connection, Func<IServiceProvider, IServerFilter> slow)
    {
        // The library's own are one for the whole process: with several hosts in one, jobs would run with the services of another.
        services.AddSingleton<JobActivator>(s => new AspNetCoreJobActivator(s.GetRequiredService<IServiceScopeFactory>()));
        services.AddSingleton<JobStorage>(_ => Storage(connection, prepare: false));
        services.AddHangfire((_, jobs) => jobs
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings());
        services.AddSingleton(slow);
        services.AddHostedService<JobServer>();
        services.AddHostedService<JobWatch>();
    }

    private static PostgreSqlStorage Storage(string connection, bool prepare)
    {
        var options = new PostgreSqlStorageOptions
        {
            SchemaName = Schema,
            QueuePollInterval = TimeSpan.FromMilliseconds(500),
            InvisibilityTimeout = TimeSpan.FromMinutes(10),
            PrepareSchemaIfNecessary = prepare,
        };
        return new(new NpgsqlConnectionFactory(connection, options), options);
    }
}

/// <summary>Works on jobs once the database is ready.</summary>
/// <param name="services">Services of the host.</param>
/// <param name="readiness">How far the database is.</param>
internal sealed class JobServer(IServiceProvider services, Readiness readiness) : BackgroundService
{
    /// <summary>As many searches as there are benches on a machine: a long one of one bench does not hold up the other. A bench has one at a time, as a new one ends the one before.</summary>
    private const int SearchesAtOnce = 2;

    private const int QuickAtOnce = 1;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (!await readiness.WaitAsync(stoppingToken))
        {
            return;
        }

        using var searches = new BackgroundJobServer(Options("default", SearchesAtOnce), services.GetRequiredService<JobStorage>());
        using var quick = new BackgroundJobServer(Options(JobSetup.Quick, QuickAtOnce), services.GetRequiredService<JobStorage>());
        await Task.Delay(Timeout.Infinite, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        searches.SendStop();
        quick.SendStop();
        await Task.WhenAll(searches.WaitForShutdownAsync(CancellationToken.None), quick.WaitForShutdownAsync(CancellationToken.None));
    }

    private BackgroundJobServerOptions Options(string queue, int atOnce) => new()
    {
        ServerName = $"{Environment.MachineName}:{Environment.ProcessId}:{queue}",
        Queues = [queue],
        WorkerCount = atOnce,
        SchedulePollingInterval = TimeSpan.FromSeconds(5),
        StopTimeout = TimeSpan.FromSeconds(2),
        ShutdownTimeout = TimeSpan.FromSeconds(3),
        Activator = services.GetRequiredService<JobActivator>(),
        FilterProvider = new JobFilterProviderCollection([.. JobFilterProviders.Providers, new JobFilterCollection { services.GetRequiredService<IServerFilter>() }]),
    };
}
