using System.Linq.Expressions;
using System.Reflection;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store;

/// <summary>The database. Every row but the bench itself is seen only from its own bench.</summary>
/// <param name="options">Options.</param>
/// <param name="scope">The bench that this context works on.</param>
public sealed class LowfellDb(DbContextOptions<LowfellDb> options, IBenchScope scope) : DbContext(options)
{
    /// <summary>Benches.</summary>
    public DbSet<Bench> Benches => Set<Bench>();

    /// <summary>Materials.</summary>
    public DbSet<MaterialRow> Materials => Set<MaterialRow>();

    /// <summary>Bottles.</summary>
    public DbSet<BottleRow> Bottles => Set<BottleRow>();

    /// <summary>What the room sensor read.</summary>
    public DbSet<RoomReadingRow> RoomReadings => Set<RoomReadingRow>();

    /// <summary>What was done; only ever added to.</summary>
    public DbSet<LogRow> Log => Set<LogRow>();

    /// <summary>Pictures of the log.</summary>
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();

    /// <summary>Kept plans of the evenings.</summary>
    public DbSet<PlanRow> Plans => Set<PlanRow>();

    /// <summary>Searches for a better plan.</summary>
    public DbSet<SolveRow> Solves => Set<SolveRow>();

    /// <summary>Painted stripes.</summary>
    public DbSet<CalibrationRow> Calibrations => Set<CalibrationRow>();

    /// <summary>Mixes that were made.</summary>
    public DbSet<MixRecordRow> MixRecords => Set<MixRecordRow>();

    /// <summary>Test tiles.</summary>
    public DbSet<TileRow> Tiles => Set<TileRow>();

    /// <summary>Schemes as they were painted.</summary>
    public DbSet<PaintedRow> Painted => Set<PaintedRow>();

    /// <summary>Mixes.</summary>
    public DbSet<MixRow> Mixes => Set<MixRow>();

    /// <summary>Sets.</summary>
    public DbSet<SetRow> Sets => Set<SetRow>();

    /// <summary>Pieces.</summary>
    public DbSet<PieceRow> Pieces => Set<PieceRow>();

    /// <summary>Zones.</summary>
    public DbSet<ZoneRow> Zones => Set<ZoneRow>();

    /// <summary>Schemes.</summary>
    public DbSet<SchemeRow> Schemes => Set<SchemeRow>();

    /// <summary>Coats.</summary>
    public DbSet<CoatRow> Coats => Set<CoatRow>();

    // Read by the query filter at each query, so that one model serves every bench.
    private Guid CurrentBench => scope.BenchId;

    /// <inheritdoc/>
    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        Stamp();
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    /// <inheritdoc/>
    public override Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        Stamp();
        return base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<Enum>().HaveConversion<string>().HaveMaxLength(40);
        configurationBuilder.Properties<string>().HaveMaxLength(200);
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Bench>(e =>
        {
            e.ToTable("benches");
            e.Property(b => b.Calendar).HasColumnType("text");
            e.Property(b => b.RoomC).HasDefaultValue(20);
            e.Property(b => b.RoomHumidity).HasDefaultValue(0.5);
            e.Property(b => b.RoomFan).HasDefaultValue(false);
            e.Property(b => b.CansFit).HasDefaultValue(true);
            e.Property(b => b.TimeZone).HasDefaultValue("Etc/UTC");
            e.Property(b => b.Calendar).HasDefaultValue("");
            e.Property(b => b.CalendarVersion).HasDefaultValue(1);
            e.Property(b => b.FeedKey).HasDefaultValue("");
        });
        modelBuilder.Entity<RoomReadingRow>(e =>
        {
            e.ToTable("room_readings");
            e.HasIndex(r => new { r.BenchId, r.At });
        });
        modelBuilder.Entity<LogRow>(e =>
        {
            e.ToTable("log");
            e.HasIndex(l => new { l.BenchId, l.At });
            e.HasIndex(l => new { l.BenchId, l.ZoneId });
            e.Property(l => l.Note).HasMaxLength(2000);
            e.Property(l => l.Deviation).HasMaxLength(2000).HasDefaultValue("");
            e.Property(l => l.Cause).HasMaxLength(2000).HasDefaultValue("");
            e.Property(l => l.Remedy).HasMaxLength(2000).HasDefaultValue("");
            e.Property(l => l.Who).HasDefaultValue("");
            e.HasOne<MixRecordRow>().WithMany().HasForeignKey(l => l.MixRecordId).OnDelete(DeleteBehavior.SetNull);
            e.HasOne<PhotoRow>().WithMany().HasForeignKey(l => l.PhotoId).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<PhotoRow>().ToTable("photos");
        modelBuilder.Entity<PlanRow>(e =>
        {
            e.ToTable("plans");
            e.HasIndex(p => p.BenchId).IsUnique().HasFilter("\"InForce\"").HasDatabaseName("IX_plans_in_force");
            e.Property(p => p.Request).HasColumnType("text");
            e.Property(p => p.Lots).HasColumnType("text");
            e.Property(p => p.Summary).HasColumnType("text");
        });
        modelBuilder.Entity<SolveRow>(e =>
        {
            e.ToTable("solves");
            e.HasIndex(s => new { s.BenchId, s.AskedAt });
            e.Property(s => s.Request).HasColumnType("text");
            e.Property(s => s.Progress).HasColumnType("text");
            e.Property(s => s.Message).HasMaxLength(2000);
        });
        modelBuilder.Entity<MaterialRow>(e =>
        {
            e.ToTable("materials");
            e.HasIndex(m => new { m.BenchId, m.Name }).IsUnique();
            e.Property(m => m.Colour).HasMaxLength(7);
            e.HasMany(m => m.Bottles).WithOne().HasForeignKey(b => b.MaterialId);
        });
        modelBuilder.Entity<BottleRow>().ToTable("bottles");
        modelBuilder.Entity<CalibrationRow>(e =>
        {
            e.ToTable("calibrations");
            e.HasOne<MaterialRow>().WithMany().HasForeignKey(c => c.MaterialId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<MixRecordRow>(e =>
        {
            e.ToTable("mix_records");
            e.Property(r => r.Note).HasMaxLength(2000);
            e.Property(r => r.Recipe).HasColumnType("text");
            e.HasOne<MixRow>().WithMany().HasForeignKey(r => r.MixId).OnDelete(DeleteBehavior.SetNull);
            e.HasMany(r => r.Lines).WithOne().HasForeignKey(l => l.RecordId);
            e.HasMany(r => r.Uses).WithOne().HasForeignKey(u => u.RecordId);
        });
        modelBuilder.Entity<MixRecordLineRow>(e =>
        {
            e.ToTable("mix_record_lines");
            e.Property(l => l.Snapshot).HasColumnType("text");
        });
        modelBuilder.Entity<MixUseRow>(e =>
        {
            e.ToTable("mix_uses");
            e.Property(u => u.Note).HasMaxLength(2000);
            e.HasOne<PieceRow>().WithMany().HasForeignKey(u => u.PieceId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<TileRow>(e =>
        {
            e.ToTable("tiles");
            e.Property(t => t.Plan).HasColumnType("text");
            e.Property(t => t.Painted).HasColumnType("text");
        });
        modelBuilder.Entity<PaintedRow>(e =>
        {
            e.ToTable("painted");
            e.Property(p => p.Stack).HasColumnType("text");
            e.Property(p => p.Note).HasMaxLength(2000);
            e.HasOne<SchemeRow>().WithMany().HasForeignKey(p => p.SchemeId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<MixRow>(e =>
        {
            e.ToTable("mixes");
            e.HasIndex(m => new { m.BenchId, m.Name }).IsUnique();
            e.HasMany(m => m.Components).WithOne().HasForeignKey(c => c.MixId);
        });
        modelBuilder.Entity<MixComponentRow>(e =>
        {
            e.ToTable("mix_components");
            e.HasOne<MaterialRow>().WithMany().HasForeignKey(c => c.MaterialId).OnDelete(DeleteBehavior.Restrict);
            e.HasOne<MixRow>().WithMany().HasForeignKey(c => c.InnerMixId).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<SetRow>(e =>
        {
            e.ToTable("sets");
            e.HasMany(s => s.Pieces).WithOne().HasForeignKey(p => p.SetId);
        });
        modelBuilder.Entity<PieceRow>(e =>
        {
            e.ToTable("pieces");
            e.Ignore(p => p.AreaMm2);
            e.Property(p => p.FitMin).HasDefaultValue(5);
            e.Property(p => p.GlueMin).HasDefaultValue(60);
            e.HasOne<PieceRow>().WithMany().HasForeignKey(p => p.PartOfId).OnDelete(DeleteBehavior.SetNull);
            e.HasMany(p => p.Zones).WithOne(z => z.Piece).HasForeignKey(z => z.PieceId);
        });
        modelBuilder.Entity<ZoneRow>(e =>
        {
            e.ToTable("zones");
            e.Property(z => z.Target).HasMaxLength(7);
            e.Property(z => z.Fitting).HasDefaultValue(Core.Pieces.Fitting.Free);
            e.HasOne(z => z.Scheme).WithMany().HasForeignKey(z => z.SchemeId).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<SchemeRow>(e =>
        {
            e.ToTable("schemes");
            e.HasMany(s => s.Coats).WithOne().HasForeignKey(c => c.SchemeId);
        });
        modelBuilder.Entity<CoatRow>(e =>
        {
            e.ToTable("coats");
            e.HasKey(c => new { c.SchemeId, c.Id });
            e.Property(c => c.Note).HasMaxLength(2000);
            e.Property(c => c.MixedTo).HasMaxLength(7);
            e.HasOne<MaterialRow>().WithMany().HasForeignKey(c => c.MaterialId).OnDelete(DeleteBehavior.Restrict);
            e.HasOne<MixRow>().WithMany().HasForeignKey(c => c.MixId).OnDelete(DeleteBehavior.Restrict);
        });
        foreach (var type in modelBuilder.Model.GetEntityTypes().ToList())
        {
            if (typeof(IVersionedRow).IsAssignableFrom(type.ClrType))
            {
                modelBuilder.Entity(type.ClrType).Property(nameof(IVersionedRow.Version)).IsConcurrencyToken();
            }

            if (typeof(IBenchRow).IsAssignableFrom(type.ClrType))
            {
                modelBuilder.Entity(type.ClrType).HasOne(typeof(Bench)).WithMany().HasForeignKey(nameof(IBenchRow.BenchId));
                Filter.MakeGenericMethod(type.ClrType).Invoke(this, [modelBuilder]);
            }
        }
    }

    private static readonly MethodInfo Filter =
        typeof(LowfellDb).GetMethod(nameof(KeepToBench), BindingFlags.NonPublic | BindingFlags.Instance)!;

    private void KeepToBench<T>(ModelBuilder modelBuilder)
        where T : class, IBenchRow
    {
        Expression<Func<T, bool>> own = row => row.BenchId == CurrentBench;
        modelBuilder.Entity<T>().HasQueryFilter(own);
    }

    // New rows belong to the open bench; changed ones get the next version.
    private void Stamp()
    {
        foreach (var entry in ChangeTracker.Entries())
        {
            if (entry.State == EntityState.Added && entry.Entity is IBenchRow row && row.BenchId == Guid.Empty)
            {
                row.BenchId = scope.BenchId;
            }

            if (entry.State == EntityState.Modified && entry.Entity is IVersionedRow versioned)
            {
                versioned.Version++;
            }
        }
    }
}
