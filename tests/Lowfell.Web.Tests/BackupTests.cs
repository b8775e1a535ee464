using System.Net;
using Lowfell.Store;
using Lowfell.Store.Backups;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Host;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>The way back: what is written down comes back as it was, or not at all.</summary>
public sealed class BackupTests : IAsyncLifetime
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;
    private readonly string folder = Directory.CreateTempSubdirectory("lowfell-backups-").FullName;
    private readonly string database = "lowfell_backup_" + Guid.NewGuid().ToString("n")[..12];

    /// <summary>A database of 80 materials, 13 pieces, a held plan and a picture, as version 0.9 left it.</summary>
    private static string Old => Path.Combine(AppContext.BaseDirectory, "Kept", "lowfell-0.9.dump");

    private string Connection => new NpgsqlConnectionStringBuilder(TestHost.Cluster) { Database = database, Pooling = false }.ConnectionString;

    private string File(string name) => Path.Combine(folder, name);

    private BackupDesk Desk(TimeProvider? clock = null, string version = "0.10.0") => new(new(Connection, File("own"), version), clock ?? TimeProvider.System);

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        await OnAsync("postgres", $"DROP DATABASE IF EXISTS {database} WITH (FORCE)");
        Directory.Delete(folder, recursive: true);
    }

    private static async Task OnAsync(string on, string sql)
    {
        await using var open = new NpgsqlConnection(new NpgsqlConnectionStringBuilder(TestHost.Cluster) { Database = on, Pooling = false }.ConnectionString);
        await open.OpenAsync(Cancel);
        await using var command = open.CreateCommand();
        command.CommandText = sql;
        await command.ExecuteNonQueryAsync(Cancel);
    }

    private async Task<T> AskAsync<T>(string sql)
    {
        await using var open = new NpgsqlConnection(Connection);
        await open.OpenAsync(Cancel);
        await using var command = open.CreateCommand();
        command.CommandText = sql;
        return (T)(await command.ExecuteScalarAsync(Cancel))!;
    }

    private Task<long> PiecesAsync() => AskAsync<long>("SELECT count(*) FROM pieces");

    [Fact]
    public async Task What_was_written_comes_back_after_everything_was_lost()
    {
        await Desk().RestoreAsync(Old, Cancel);
        var written = await Desk().WriteAsync(File("a.lowfell"), Cancel);
        Assert.Equal("0.10.0", written.Version);
        var sum = await AskAsync<string>("SELECT md5(string_agg(t::text, '' ORDER BY t::text)) FROM log t");
        await OnAsync("postgres", $"DROP DATABASE {database}");
        var back = await Desk().RestoreAsync(File("a.lowfell"), Cancel);
        Assert.Equal(written with { Migrated = 0 }, back);
        Assert.Equal(sum, await AskAsync<string>("SELECT md5(string_agg(t::text, '' ORDER BY t::text)) FROM log t"));
        Assert.Equal(1, await AskAsync<long>("SELECT count(*) FROM photos"));
        Assert.True(await AskAsync<bool>("SELECT to_regclass('lowfell_backup') IS NULL"));
        Assert.Equal([File("a.lowfell")], Directory.GetFileSystemEntries(folder));
    }

    [Fact]
    public async Task What_was_there_before_a_restore_is_kept_and_can_be_brought_back()
    {
        await Desk().RestoreAsync(Old, Cancel);
        await Desk().WriteAsync(File("a.lowfell"), Cancel);
        await OnAsync(database, "UPDATE sets SET \"Name\" = 'Painted since'");
        await Desk().RestoreAsync(File("a.lowfell"), Cancel);
        Assert.Equal(0, await AskAsync<long>("SELECT count(*) FROM sets WHERE \"Name\" = 'Painted since'"));
        var kept = Assert.Single(Directory.GetFiles(File("own"), "before-restore-*.dump"));
        var back = await Desk().RestoreAsync(kept, Cancel);
        Assert.Equal("", back.Version);
        Assert.True(await AskAsync<long>("SELECT count(*) FROM sets WHERE \"Name\" = 'Painted since'") > 0);
    }

    [Fact]
    public async Task A_backup_is_of_one_moment_while_the_painter_goes_on()
    {
        await Desk().RestoreAsync(Old, Cancel);
        await OnAsync(database, "UPDATE sets SET \"Name\" = 'Set'; UPDATE pieces SET \"Name\" = 'Set'");
        using var enough = new CancellationTokenSource();
        var painting = Task.Run(
            async () =>
            {
                for (var i = 0; !enough.IsCancellationRequested; i++)
                {
                    await OnAsync(database, $"BEGIN; UPDATE sets SET \"Name\" = 'Set {i}'; UPDATE pieces SET \"Name\" = 'Set {i}'; COMMIT");
                }
            },
            Cancel);
        await Desk().WriteAsync(File("a.lowfell"), Cancel);
        await enough.CancelAsync();
        await painting;
        await Desk().RestoreAsync(File("a.lowfell"), Cancel);
        Assert.Equal(1, await AskAsync<long>("SELECT count(DISTINCT \"Name\") FROM (SELECT \"Name\" FROM sets UNION ALL SELECT \"Name\" FROM pieces) n"));
    }

    [Theory]
    [InlineData(0.5, 0)]
    [InlineData(0, 20_000)]
    public async Task A_damaged_file_is_refused_and_what_is_there_stays(double cutAt, int flippedAt)
    {
        await Desk().RestoreAsync(Old, Cancel);
        await Desk().WriteAsync(File("a.lowfell"), Cancel);
        await OnAsync(database, "UPDATE sets SET \"Name\" = 'Painted since'");
        var bytes = await System.IO.File.ReadAllBytesAsync(File("a.lowfell"), Cancel);
        if (flippedAt > 0)
        {
            // A block of noise, as a failing disk leaves it.
            new Random(7).NextBytes(bytes.AsSpan(bytes.Length - flippedAt, 512));
        }

        await System.IO.File.WriteAllBytesAsync(File("b.lowfell"), cutAt > 0 ? bytes[..(int)(bytes.Length * cutAt)] : bytes, Cancel);
        var refused = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(File("b.lowfell"), Cancel));
        Assert.Contains("damaged", refused.Message);
        Assert.True(await AskAsync<long>("SELECT count(*) FROM sets WHERE \"Name\" = 'Painted since'") > 0);
        Assert.Empty(Directory.Exists(File("own")) ? Directory.GetFiles(File("own")) : []);
    }

    [Fact]
    public async Task A_file_that_holds_other_rows_than_it_says_is_refused()
    {
        await Desk().RestoreAsync(Old, Cancel);
        await Desk().WriteAsync(File("a.lowfell"), Cancel);

        // Restored elsewhere, changed by hand, and written down again with the sums of before.
        var other = database + "_forged";
        await OnAsync("postgres", $"CREATE DATABASE {other}");
        try
        {
            var tools = new PostgresTools(new NpgsqlConnectionStringBuilder(Connection) { Database = other }.ConnectionString);
            await tools.RestoreAsync(File("a.lowfell"), Cancel);
            await OnAsync(other, "UPDATE log SET \"Minutes\" = 999 WHERE \"Id\" = (SELECT \"Id\" FROM log LIMIT 1)");
            await tools.DumpAsync(File("b.lowfell"), null, Cancel);
        }
        finally
        {
            await OnAsync("postgres", $"DROP DATABASE {other} WITH (FORCE)");
        }

        var refused = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(File("b.lowfell"), Cancel));
        Assert.Contains("public.log", refused.Message);
        Assert.Equal(13, await PiecesAsync());
    }

    [Fact]
    public async Task A_file_of_anything_else_is_refused_by_name()
    {
        await System.IO.File.WriteAllTextAsync(File("letter.txt"), "Dear painter", Cancel);
        foreach (var (file, why) in new[] { (File("none.lowfell"), "there is no file"), (File("letter.txt"), "not a backup of Lowfell") })
        {
            var refused = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(file, Cancel));
            Assert.Contains(why, refused.Message);
            Assert.Contains(file, refused.Message);
        }

        await OnAsync("postgres", $"CREATE DATABASE {database}");
        await Desk().DumpAsync("stranger", Cancel);
        var stranger = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(Directory.GetFiles(File("own"))[0], Cancel));
        Assert.Contains("not one of Lowfell", stranger.Message);
    }

    [Fact]
    public async Task A_backup_of_a_newer_version_is_refused_and_named()
    {
        await Desk().RestoreAsync(Old, Cancel);
        await OnAsync(database, "INSERT INTO \"__EFMigrationsHistory\" VALUES ('29990101000000_Later', '12.0.0')");
        await Desk(version: "9.0.0").WriteAsync(File("a.lowfell"), Cancel);
        var refused = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(File("a.lowfell"), Cancel));
        Assert.Contains("Lowfell 9.0.0", refused.Message);
    }

    [Fact]
    public async Task While_somebody_uses_the_database_nothing_is_restored()
    {
        await Desk().RestoreAsync(Old, Cancel);
        await Desk().WriteAsync(File("a.lowfell"), Cancel);
        await using var user = new NpgsqlConnection(Connection);
        await user.OpenAsync(Cancel);
        var refused = await Assert.ThrowsAsync<BackupException>(() => Desk().RestoreAsync(File("a.lowfell"), Cancel));
        Assert.Contains("in use", refused.Message);
    }

    [Fact]
    public async Task Of_the_dumps_that_are_made_by_themselves_the_last_five_of_a_kind_stay()
    {
        await OnAsync("postgres", $"CREATE DATABASE {database}");
        var clock = new FakeTimeProvider(new(2026, 5, 1, 19, 0, 0, TimeSpan.Zero));
        for (var i = 0; i < BackupDesk.KeptDumps + 2; i++)
        {
            await Desk(clock).DumpAsync("before-migration", Cancel);
            clock.Advance(TimeSpan.FromMinutes(1));
        }

        await Desk(clock).DumpAsync("before-restore", Cancel);
        var names = Directory.GetFiles(File("own")).Select(Path.GetFileName).Order().ToList();
        Assert.Equal(["before-migration-20260501-190200-000.dump", "before-migration-20260501-190300-000.dump"], names.Take(2));
        Assert.Equal(BackupDesk.KeptDumps + 1, names.Count);
    }

    [Fact]
    public async Task Before_a_migration_the_database_is_written_down_once_though_two_hosts_start_at_once()
    {
        await OnAsync("postgres", $"CREATE DATABASE {database}");
        await using (var before = Db())
        {
            await before.GetService<IMigrator>().MigrateAsync("20261125124448_FactsAndWaits", Cancel);
        }

        async Task Start()
        {
            await using var db = Db();
            await StoreSetup.MigrateAsync(db, Desk(), () => Task.CompletedTask, Cancel);
        }

        await Task.WhenAll(Start(), Start());
        await Start();
        var dump = Assert.Single(Directory.GetFiles(File("own"), "before-migration-*.dump"));
        Assert.True((await Desk().RestoreAsync(dump, Cancel)).Migrated > 0);
    }

    [Fact]
    public async Task Where_the_dump_can_t_be_written_nothing_is_migrated()
    {
        await OnAsync("postgres", $"CREATE DATABASE {database}");
        await using var db = Db();
        await db.GetService<IMigrator>().MigrateAsync("20261125124448_FactsAndWaits", Cancel);
        var desk = new BackupDesk(new(Connection, File("own"), "0.10.0", File("no-such-tools")), TimeProvider.System);
        var refused = await Assert.ThrowsAsync<BackupException>(() => StoreSetup.MigrateAsync(db, desk, () => Task.CompletedTask, Cancel));
        Assert.Contains("pg_dump is missing", refused.Message);
        Assert.NotEmpty(await db.Database.GetPendingMigrationsAsync(Cancel));
    }

    [Fact]
    public async Task While_another_migrates_the_host_answers_that_it_does_and_then_works()
    {
        await OnAsync("postgres", $"CREATE DATABASE {database}");
        await using var host = new WebApplicationFactory<Program>().WithWebHostBuilder(b => b.UseSetting("ConnectionStrings:Lowfell", Connection).UseSetting("Demo", "false"));
        await using (await MigrationLock.TakeAsync(Connection, null, Cancel))
        {
            using var http = host.CreateClient();
            foreach (var path in new[] { "/api/health", "/api/sets" })
            {
                using var answer = await http.GetAsync(path, Cancel);
                Assert.Equal(HttpStatusCode.ServiceUnavailable, answer.StatusCode);
                Assert.Contains(ReadyGate.Migrating, await answer.Content.ReadAsStringAsync(Cancel));
                Assert.NotNull(answer.Headers.RetryAfter);
            }
        }

        await host.Services.GetRequiredService<Readiness>().Done;
        using var ready = await host.CreateClient().GetAsync("/api/health", Cancel);
        Assert.Contains(AppVersion.Now, await ready.Content.ReadAsStringAsync(Cancel));
    }

    // The program itself, as a host is run: whoever started it goes by its exit code.
    private System.Diagnostics.Process Run(params string[] settings)
    {
        var start = new System.Diagnostics.ProcessStartInfo("dotnet", ["exec", typeof(Readiness).Assembly.Location, "--urls", "http://127.0.0.1:0", $"--ConnectionStrings:Lowfell={Connection}", "--Demo=false", $"--Backups:Folder={File("own")}", .. settings]);
        return System.Diagnostics.Process.Start(start)!;
    }

    [Fact]
    public async Task A_host_that_is_stopped_ends_well()
    {
        using var host = Run();
        for (var i = 0; i < 300; i++)
        {
            await Task.Delay(100, Cancel);
            try
            {
                if (await AskAsync<long>("SELECT count(*) FROM benches") == 1)
                {
                    break;
                }
            }
            catch (PostgresException)
            {
                // Not made or not migrated yet.
            }
        }

        await Task.Delay(1_000, Cancel);
        using var stop = System.Diagnostics.Process.Start("kill", ["-TERM", host.Id.ToString(System.Globalization.CultureInfo.InvariantCulture)]);
        await host.WaitForExitAsync(Cancel);
        Assert.Equal(0, host.ExitCode);
    }

    [Fact]
    public async Task A_host_whose_database_can_t_be_kept_first_ends_and_says_so()
    {
        await OnAsync("postgres", $"CREATE DATABASE {database}");
        await using (var db = Db())
        {
            await db.GetService<IMigrator>().MigrateAsync("20261125124448_FactsAndWaits", Cancel);
        }

        using var host = Run($"--Backups:Tools={File("none")}");
        await host.WaitForExitAsync(Cancel);
        Assert.Equal(1, host.ExitCode);
    }

    [Fact]
    public async Task Two_hosts_that_start_on_no_database_make_one()
    {
        async Task Start()
        {
            await using var db = Db();
            await StoreSetup.MigrateAsync(db, Desk(), () => Task.CompletedTask, Cancel);
        }

        await Task.WhenAll(Start(), Start());
        Assert.Equal(1, await AskAsync<long>("SELECT count(*) FROM benches"));
        Assert.False(Directory.Exists(File("own")));
    }

    private LowfellDb Db() => new(new DbContextOptionsBuilder<LowfellDb>().UseNpgsql(Connection).Options, new StoreSetup.FixedBench(OpenBench.Home));

    [Fact]
    public async Task The_command_line_says_what_it_did_or_why_not()
    {
        Assert.True(BackupCommands.Known(["backup", "x"]));
        Assert.False(BackupCommands.Known(["--urls", "http://127.0.0.1"]));
        Assert.Equal(2, await BackupCommands.RunAsync(["backup"]));
        Assert.Equal(2, await BackupCommands.RunAsync(["restore", "a", "b"]));
    }
}
