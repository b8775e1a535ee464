using Lowfell.Store.Backups;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Storage;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Lowfell.Store;

/// <summary>Joining the store to a host, and bringing a database up to date.</summary>
public static class StoreSetup
{
    /// <summary>The bench that a new database begins with.</summary>
    public static readonly Guid FirstBenchId = new("b4f1a5e0-0000-4000-8000-000000000001");

    /// <summary>The other bench: one's own where the first holds the demo, the demo where the first is one's own. It is there once somebody asks for it.</summary>
    public static readonly Guid OtherBenchId = new("b4f1a5e0-0000-4000-8000-000000000002");

    // More than a host asks in an evening; the least used make room.
    private const int MostPrepared = 200;

    /// <summary>Adds the database.</summary>
    /// <param name="services">Services of the host, which must hold an <see cref="IBenchScope"/>.</param>
    /// <param name="connectionString">PostgreSQL connection.</param>
    /// <param name="watched">What watches the queries.</param>
    public static IServiceCollection AddLowfellStore(this IServiceCollection services, string connectionString, Func<IServiceProvider, IEnumerable<IInterceptor>> watched) =>
        services.AddDbContext<LowfellDb>((s, o) => o.UseNpgsql(ForServing(connectionString)).AddInterceptors(watched(s)));

    /// <summary>
    /// The connection as requests use it: queries that come again are planned once for each connection, and as nothing that a request sets
    /// outlives its transaction, a connection need not be cleaned between two. What the connection string says itself stands.
    /// </summary>
    /// <param name="connectionString">PostgreSQL connection.</param>
    /// <exception cref="ArgumentException">It is no connection string.</exception>
    public static string ForServing(string connectionString)
    {
        var serving = new NpgsqlConnectionStringBuilder(connectionString);
        if (!serving.ShouldSerialize("Max Auto Prepare"))
        {
            (serving.MaxAutoPrepare, serving.AutoPrepareMinUsages) = (MostPrepared, 2);
        }

        if (!serving.ShouldSerialize("No Reset On Close"))
        {
            serving.NoResetOnClose = true;
        }

        return serving.ConnectionString;
    }

    /// <summary>
    /// Makes the database where there is none, applies missing migrations and opens the home bench. What a migration is about to change is
    /// written into the folder of backups first. One host at a time does this; another that starts meanwhile waits, and finds it done.
    /// </summary>
    /// <param name="db">The database, as its owner.</param>
    /// <param name="backups">Writes down what is there before it is changed.</param>
    /// <param name="then">What else one host at a time does before any serves.</param>
    /// <param name="cancel">Cancels.</param>
    /// <exception cref="BackupException">The dump could not be written: nothing is migrated.</exception>
    public static async Task MigrateAsync(LowfellDb db, BackupDesk backups, Func<Task> then, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(then);
        var database = db.GetService<IRelationalDatabaseCreator>();
        if (!await database.ExistsAsync(cancel))
        {
            await using var alone = await MigrationLock.TakeAsync(backups.Connection, "postgres", cancel);
            if (!await database.ExistsAsync(cancel))
            {
                await database.CreateAsync(cancel);
            }
        }

        await using (await MigrationLock.TakeAsync(backups.Connection, null, cancel))
        {
            var missing = (await db.Database.GetPendingMigrationsAsync(cancel)).ToList();
            if (missing is not [] && (await db.Database.GetAppliedMigrationsAsync(cancel)).Any())
            {
                await backups.DumpAsync("before-migration", cancel);
            }

            await db.Database.MigrateAsync(cancel);
            await db.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO benches ("Id", "Name", "IsDemo", "ShelfVersion")
                VALUES ({FirstBenchId}, 'My bench', true, 1)
                ON CONFLICT DO NOTHING
                """,
                cancel);
            await then();
        }
    }

    /// <summary>A bench known beforehand.</summary>
    /// <param name="BenchId">Its id.</param>
    public sealed record FixedBench(Guid BenchId) : IBenchScope;

    /// <summary>Used by the migration tool only; it never opens this connection.</summary>
    internal sealed class DesignTime : IDesignTimeDbContextFactory<LowfellDb>
    {
        /// <inheritdoc/>
        public LowfellDb CreateDbContext(string[] args) =>
            new(new DbContextOptionsBuilder<LowfellDb>().UseNpgsql("Host=127.0.0.1;Database=lowfell_design").Options, new FixedBench(FirstBenchId));
    }
}
