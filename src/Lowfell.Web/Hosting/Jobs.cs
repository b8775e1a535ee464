using Hangfire;
using Hangfire.PostgreSql;

namespace Lowfell.Web.Hosting;

/// <summary>Queued jobs: they wait in PostgreSQL, and any host picks one with FOR UPDATE SKIP LOCKED.</summary>
internal static class Jobs
{
    /// <summary>The solver works on two threads: one job at a time is enough for a host.</summary>
    private const int AtOnce = 1;

    public static void AddJobs(this IServiceCollection services, string connection)
    {
        services.AddHangfire(jobs => jobs
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings()
            .UsePostgreSqlStorage(
                store => store.UseNpgsqlConnection(connection),
                new PostgreSqlStorageOptions
                {
                    SchemaName = "jobs",
                    QueuePollInterval = TimeSpan.FromMilliseconds(500),
                    InvisibilityTimeout = TimeSpan.FromMinutes(10),
                    PrepareSchemaIfNecessary = true,
                }));
        services.AddHangfireServer(server =>
        {
            server.WorkerCount = AtOnce;
            server.SchedulePollingInterval = TimeSpan.FromSeconds(5);
            server.StopTimeout = TimeSpan.FromSeconds(2);
            server.ShutdownTimeout = TimeSpan.FromSeconds(3);
        });
    }
}
