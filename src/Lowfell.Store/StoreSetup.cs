using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.Extensions.DependencyInjection;

namespace Lowfell.Store;

/// <summary>Joining the store to a host, and bringing a database up to date.</summary>
public static class StoreSetup
{
    /// <summary>The bench that opens without a password on this machine, until accounts come.</summary>
    public static readonly Guid HomeBenchId = new("b4f1a5e0-0000-4000-8000-000000000001");

    /// <summary>Adds the database.</summary>
    /// <param name="services">Services of the host, which must hold an <see cref="IBenchScope"/>.</param>
    /// <param name="connectionString">PostgreSQL connection.</param>
    public static IServiceCollection AddLowfellStore(this IServiceCollection services, string connectionString) =>
        services.AddDbContext<LowfellDb>(o => o.UseNpgsql(connectionString));

    /// <summary>Applies missing migrations, under the lock that EF Core takes in the database, and opens the home bench.</summary>
    public static async Task MigrateAsync(LowfellDb db, CancellationToken cancel)
    {
        await db.Database.MigrateAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO benches ("Id", "Name", "IsDemo", "ShelfVersion", "PinWashVarnish", "Wash", "Pigments", "WarmAir", "Shading", "DryBrush", "GritGlue")
            VALUES ({HomeBenchId}, 'My bench', true, 1, 'Satin', 'TwoThin', 'Fixed', 'BaseCoatsAndTextures', 'PreShade', 'Keep', 'Pva')
            ON CONFLICT DO NOTHING
            """,
            cancel);
    }

    /// <summary>A bench known beforehand.</summary>
    /// <param name="BenchId">Its id.</param>
    public sealed record FixedBench(Guid BenchId) : IBenchScope;

    /// <summary>Used by the migration tool only; it never opens this connection.</summary>
    internal sealed class DesignTime : IDesignTimeDbContextFactory<LowfellDb>
    {
        /// <inheritdoc/>
        public LowfellDb CreateDbContext(string[] args) =>
            new(new DbContextOptionsBuilder<LowfellDb>().UseNpgsql("Host=127.0.0.1;Database=lowfell_design").Options, new FixedBench(HomeBenchId));
    }
}
