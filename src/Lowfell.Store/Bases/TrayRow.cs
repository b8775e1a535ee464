namespace Lowfell.Store;

/// <summary>A tray of bases: the layouts of a piece's copies.</summary>
public sealed class TrayRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The piece whose copies they are.</summary>
    public Guid PieceId { get; set; }

    /// <summary>The piece.</summary>
    public PieceRow? Piece { get; set; }

    /// <summary>The family.</summary>
    public Guid FamilyId { get; set; }

    /// <summary>The family.</summary>
    public BaseFamilyRow? Family { get; set; }

    /// <summary>Its copies with all that has to be kept of them, as JSON.</summary>
    public required string Copies { get; set; }

    /// <summary>What lacked when it was rolled last, as JSON.</summary>
    public string Lacking { get; set; } = "[]";

    /// <summary>The first of the two browns that its grounds are mixed of; null where all have the same.</summary>
    public Guid? GroundAId { get; set; }

    /// <summary>The second.</summary>
    public Guid? GroundBId { get; set; }

    /// <summary>How many grounds, 3 to 5; 0 where all have the same.</summary>
    public int Grounds { get; set; }

    /// <summary>Numbers of the copies on which stones and props are glued down; what lies there is no longer in its box.</summary>
    public List<int> StonesLaid { get; set; } = [];

    /// <summary>Numbers of the copies on which the tufts are planted.</summary>
    public List<int> TuftsLaid { get; set; } = [];
}

/// <summary>A roll of a whole tray, as a job.</summary>
public sealed class TrayRollRow : IJobRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The tray.</summary>
    public Guid TrayId { get; set; }

    /// <summary>The tray.</summary>
    public TrayRow? Tray { get; set; }

    /// <summary>What is to be rolled, as JSON.</summary>
    public required string Request { get; set; }

    /// <summary>How far it is.</summary>
    public JobStatus Status { get; set; }

    /// <summary>Layouts grown.</summary>
    public int Done { get; set; }

    /// <summary>Layouts that will be grown.</summary>
    public int Of { get; set; }

    /// <summary>The painter wants it ended.</summary>
    public bool CancelWanted { get; set; }

    /// <summary>When it was asked for.</summary>
    public DateTimeOffset AskedAt { get; set; }

    /// <summary>When a host was last seen at it; null before one begins.</summary>
    public DateTimeOffset? SeenAt { get; set; }

    /// <inheritdoc/>
    public Guid? Run { get; set; }

    /// <inheritdoc/>
    public int Losses { get; set; }

    /// <summary>When it ended.</summary>
    public DateTimeOffset? EndedAt { get; set; }

    /// <summary>What there is to say of its end.</summary>
    public string Message { get; set; } = "";
}
