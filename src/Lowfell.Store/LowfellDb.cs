using System.Linq.Expressions;
using System.Reflection;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Store;

/// <summary>The database. Every row but the bench itself is seen only from its own bench.</summary>
public sealed class LowfellDb : DbContext
{
    private readonly IBenchScope scope;

    /// <summary>Opens it.</summary>
    /// <param name="options">Options.</param>
    /// <param name="scope">The bench that this context works on.</param>
    public LowfellDb(DbContextOptions<LowfellDb> options, IBenchScope scope)
        : base(options)
    {
        this.scope = scope;

        // Before a row is known by its key: the bench is part of it.
        ChangeTracker.Tracking += (_, e) =>
        {
            if (e.Entry.Entity is IBenchRow row && row.BenchId == Guid.Empty)
            {
                row.BenchId = scope.BenchId;
            }
        };
    }

    /// <summary>Benches.</summary>
    public DbSet<Bench> Benches => Set<Bench>();

    /// <summary>Schemes of the painter's own, told by roles.</summary>
    public DbSet<OwnSchemeRow> OwnSchemes => Set<OwnSchemeRow>();

    /// <summary>Materials.</summary>
    public DbSet<MaterialRow> Materials => Set<MaterialRow>();

    /// <summary>Bottles.</summary>
    public DbSet<BottleRow> Bottles => Set<BottleRow>();

    /// <summary>Actions that were taken under an id of the sender's own.</summary>
    public DbSet<SentActionRow> SentActions => Set<SentActionRow>();

    /// <summary>What the stand-ins for devices were given.</summary>
    public DbSet<DeviceRow> Devices => Set<DeviceRow>();

    /// <summary>What the room sensor read.</summary>
    public DbSet<RoomReadingRow> RoomReadings => Set<RoomReadingRow>();

    /// <summary>What was done; only ever added to.</summary>
    public DbSet<LogRow> Log => Set<LogRow>();

    /// <summary>How many entries the log has about each set.</summary>
    public DbSet<LogMarkRow> LogMarks => Set<LogMarkRow>();

    /// <summary>Pictures of the log.</summary>
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();

    /// <summary>Kept plans of the evenings.</summary>
    public DbSet<PlanRow> Plans => Set<PlanRow>();

    /// <summary>What the painter said of following a learned figure.</summary>
    public DbSet<LearnedAnswerRow> LearnedAnswers => Set<LearnedAnswerRow>();

    /// <summary>What was seen in trials from the table.</summary>
    public DbSet<SightTickRow> SightTicks => Set<SightTickRow>();

    /// <summary>Counts what plans rest on.</summary>
    public DbSet<WorkMarkRow> WorkMarks => Set<WorkMarkRow>();

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

    /// <summary>What was worked out for zones and pieces.</summary>
    public DbSet<StampRow> Stamps => Set<StampRow>();

    /// <summary>Zones.</summary>
    public DbSet<ZoneRow> Zones => Set<ZoneRow>();

    /// <summary>Schemes.</summary>
    public DbSet<SchemeRow> Schemes => Set<SchemeRow>();

    /// <summary>Schemes as they stood before.</summary>
    public DbSet<SchemeVersionRow> SchemeVersions => Set<SchemeVersionRow>();

    /// <summary>Coats.</summary>
    public DbSet<CoatRow> Coats => Set<CoatRow>();

    /// <summary>Families of bases.</summary>
    public DbSet<BaseFamilyRow> BaseFamilies => Set<BaseFamilyRow>();

    /// <summary>Boxes of elements for bases.</summary>
    public DbSet<ElementBoxRow> ElementBoxes => Set<ElementBoxRow>();

    /// <summary>Trays of bases.</summary>
    public DbSet<TrayRow> Trays => Set<TrayRow>();

    /// <summary>Boards: how the pieces of sets stand on the table.</summary>
    public DbSet<BoardRow> Boards => Set<BoardRow>();

    /// <summary>How the copies of pieces are weathered.</summary>
    public DbSet<WeatheringRow> Weatherings => Set<WeatheringRow>();

    /// <summary>What pieces are shown as.</summary>
    public DbSet<PieceLookRow> PieceLooks => Set<PieceLookRow>();

    /// <summary>Surfaces that were made ready to be drawn.</summary>
    public DbSet<MeshRow> Meshes => Set<MeshRow>();

    /// <summary>Pictures that sets and pieces are to look like.</summary>
    public DbSet<ReferenceRow> References => Set<ReferenceRow>();

    /// <summary>Small pictures of pieces.</summary>
    public DbSet<LookPictureRow> LookPictures => Set<LookPictureRow>();

    /// <summary>Rolls of trays.</summary>
    public DbSet<TrayRollRow> TrayRolls => Set<TrayRollRow>();

    // Read by the query filter at each query, so that one model serves every bench.
    private Guid CurrentBench => scope.BenchId;

    /// <summary>The bench that this context works on.</summary>
    public Guid BenchId => scope.BenchId;

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
        modelBuilder.ApplyConfigurationsFromAssembly(typeof(LowfellDb).Assembly);
        foreach (var type in modelBuilder.Model.GetEntityTypes().Where(t => typeof(IBenchRow).IsAssignableFrom(t.ClrType)).ToList())
        {
            Filter.MakeGenericMethod(type.ClrType).Invoke(this, [modelBuilder]);
        }
    }

    /// <summary>The filter that keeps every query to the open bench.</summary>
    public const string OwnBench = "bench";

    /// <summary>The filter that leaves out what was deleted and can be put back: materials, mixes, tiles, painted sets, reference pictures.</summary>
    public const string NotDeleted = "deleted";

    private static readonly MethodInfo Filter =
        typeof(LowfellDb).GetMethod(nameof(KeepToBench), BindingFlags.NonPublic | BindingFlags.Instance)!;

    private void KeepToBench<T>(ModelBuilder modelBuilder)
        where T : class, IBenchRow
    {
        Expression<Func<T, bool>> own = row => row.BenchId == CurrentBench;
        modelBuilder.Entity<T>().HasQueryFilter(OwnBench, own);
    }

    // Changed rows get the next version.
    private void Stamp()
    {
        foreach (var entry in ChangeTracker.Entries<IVersionedRow>().Where(e => e.State == EntityState.Modified))
        {
            entry.Entity.Version++;
        }
    }
}
