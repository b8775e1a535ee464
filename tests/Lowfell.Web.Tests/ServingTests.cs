using System.Net;
using Lowfell.Store;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>How the host is connected, and whether it says that it can serve.</summary>
public sealed class ServingTests(TestHost host) : IClassFixture<TestHost>
{
    [Fact]
    public void Queries_that_come_again_are_planned_once_unless_the_connection_says_otherwise()
    {
        var serving = new NpgsqlConnectionStringBuilder(StoreSetup.ForServing("Host=127.0.0.1;Database=bench"));
        Assert.True(serving is { MaxAutoPrepare: > 100, AutoPrepareMinUsages: 2, NoResetOnClose: true, Database: "bench" });
        var pooled = new NpgsqlConnectionStringBuilder(StoreSetup.ForServing("Host=127.0.0.1;Max Auto Prepare=0;No Reset On Close=false"));
        Assert.True(pooled is { MaxAutoPrepare: 0, NoResetOnClose: false });
    }

    [Fact]
    public async Task No_lock_outlives_its_request_though_connections_are_not_cleaned()
    {
        // The other bench is made under a lock of the connection, by whoever asks first.
        await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => host.PostAsync("/api/bench/open", new { demo = false })));
        Assert.Equal(0L, await host.ScalarAsync<long>("SELECT count(*) FROM pg_locks WHERE locktype = 'advisory' AND database = (SELECT oid FROM pg_database WHERE datname = current_database())"));
    }

    [Fact]
    public async Task A_host_whose_database_is_of_an_older_program_is_not_ready()
    {
        Assert.Equal("ready", (string)(await host.GetAsync("/api/health"))["status"]!);
        await host.ExecuteAsync("UPDATE \"__EFMigrationsHistory\" SET \"MigrationId\" = 'x' || \"MigrationId\" WHERE \"MigrationId\" = (SELECT max(\"MigrationId\") FROM \"__EFMigrationsHistory\")");
        await host.SendAsync(HttpMethod.Get, "/api/health/ready", null, HttpStatusCode.ServiceUnavailable);
        await host.ExecuteAsync("ALTER TABLE \"__EFMigrationsHistory\" RENAME TO was");
        await host.SendAsync(HttpMethod.Get, "/api/health", null, HttpStatusCode.ServiceUnavailable);
        Assert.Equal("live", (string)(await host.GetAsync("/api/health/live"))["status"]!);
        await host.ExecuteAsync("ALTER TABLE was RENAME TO \"__EFMigrationsHistory\"; UPDATE \"__EFMigrationsHistory\" SET \"MigrationId\" = substr(\"MigrationId\", 2) WHERE \"MigrationId\" LIKE 'x%'");
        Assert.Equal("ready", (string)(await host.GetAsync("/api/health/ready"))["status"]!);
    }
}
