using System.Net;
using Lowfell.Store.Backups;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>A host that starts on a database of the version before.</summary>
public sealed class OldDatabaseHost : TestHost
{
    /// <summary>Secret part of the address of its calendar feed.</summary>
    public const string FollowedKey = "0123456789abcdef0123456789abcdef";

    protected override bool BeginsReady => false;

    public override async ValueTask InitializeAsync()
    {
        var settings = new NpgsqlConnectionStringBuilder(Connection);
        await using (var admin = new NpgsqlConnection(Cluster))
        {
            await admin.OpenAsync();
            await using var create = admin.CreateCommand();
            create.CommandText = $"CREATE DATABASE {settings.Database}";
            await create.ExecuteNonQueryAsync();
        }

        await new PostgresTools(Connection).RestoreAsync(Path.Combine(AppContext.BaseDirectory, "Kept", "lowfell-0.9.dump"), CancellationToken.None);

        // A calendar followed the plan then, by a key that was kept as it was.
        await using (var old = new NpgsqlConnection(Connection))
        {
            await old.OpenAsync();
            await using var follow = old.CreateCommand();
            follow.CommandText = $"UPDATE benches SET \"FeedKey\" = '{FollowedKey}'";
            await follow.ExecuteNonQueryAsync();
        }

        await base.InitializeAsync();
    }
}

public sealed class UpgradeTests(OldDatabaseHost host) : IClassFixture<OldDatabaseHost>
{
    [Fact]
    public async Task A_filled_database_of_the_version_before_is_dumped_migrated_and_read_on()
    {
        var sets = (await host.GetAsync("/api/sets")).AsArray();
        Assert.Equal(13, sets.Sum(s => s!["pieces"]!.AsArray().Count));
        Assert.Equal(79, (await host.GetAsync("/api/materials")).AsArray().Count);

        // A shape without a width was kept with 0 then, which is out of bounds by now: each can be kept again as it comes.
        foreach (var piece in sets.SelectMany(s => s!["pieces"]!.AsArray()))
        {
            await host.SendAsync(HttpMethod.Put, $"/api/pieces/{piece!["id"]}", new { version = (int)piece["version"]!, piece = piece["piece"] }, HttpStatusCode.NoContent);
        }

        // What only that database has: its own coats, wait, mark, picture, stripe, held plan.
        var hull = (await host.ZoneAsync("Hull panels"))["scheme"]!["coats"]!.AsArray();
        Assert.Equal(45, (double)hull[^1]!["waitMinutes"]!);
        Assert.Equal("It is for me.", (string)hull[^1]!["known"]![0]!["reason"]!);
        Assert.Equal(30, (double)hull[0]!["fade"]!["noneMm"]!);
        var problem = (await host.GetAsync("/api/log/log.json")).AsArray().First(e => (string)e!["note"]! == "A run at the corner")!;
        using var picture = await host.Http.GetAsync($"/api/photos/{problem["photoId"]}", TestContext.Current.CancellationToken);
        Assert.True(picture.IsSuccessStatusCode);
        Assert.NotNull((await host.PostAsync("/api/plan", new { }))["kept"]);
        Assert.Single(Directory.GetFiles(host.BackupFolder, "before-migration-*.dump"));

        // The calendar goes on at its address, and what is kept of that opens nothing.
        using var followed = await host.Http.GetAsync($"/api/plan/feed/{OldDatabaseHost.FollowedKey}.ics", TestContext.Current.CancellationToken);
        Assert.True(followed.IsSuccessStatusCode);
        Assert.NotEqual(OldDatabaseHost.FollowedKey, await host.ScalarAsync<string>("SELECT \"FeedHash\" FROM benches WHERE \"FeedHash\" <> ''"));

        // A part was named as the coat then.
        var fitted = (await host.GetAsync("/api/log/progress")).AsArray().Single(p => (string)p!["zone"]! == "Fit Running gear")!;
        Assert.Equal(["d", "."], fitted["copies"]!.AsArray().Select(c => (string)c!));
        var entry = (await host.GetAsync("/api/log/log.json")).AsArray().Single(e => e!["partId"] is not null)!;
        Assert.Equal((string)fitted["steps"]![0]!["partId"]!, (string)entry["partId"]!);
        Assert.NotEmpty((await host.GetAsync($"/api/materials/{(await host.MaterialAsync("Rope Tan"))["id"]}/calibrations")).AsArray());
    }
}
