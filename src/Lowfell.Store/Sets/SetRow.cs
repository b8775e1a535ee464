using Lowfell.Core.Surfaces;

namespace Lowfell.Store;

/// <summary>Identical or related pieces painted to one scheme.</summary>
public sealed class SetRow : IBenchRow, IVersionedRow, IDeletableRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Scale, one to so many.</summary>
    public double Scale { get; set; } = Zone.UsualScale;

    /// <summary>Distance that it is looked at from, mm.</summary>
    public double ViewingMm { get; set; } = Zone.UsualViewingMm;

    /// <summary>The day on which it has to be done; null where there is none.</summary>
    public DateOnly? ReadyBy { get; set; }

    /// <summary>Order on the screen.</summary>
    public int Position { get; set; }

    /// <summary>Deleted, and kept for undo.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>Its pieces.</summary>
    public List<PieceRow> Pieces { get; set; } = [];
}

/// <summary>How the pieces of a set stand on the table, and the lines that run on over them.</summary>
public sealed class BoardRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The set.</summary>
    public Guid SetId { get; set; }

    /// <summary>The set.</summary>
    public SetRow? Set { get; set; }

    /// <summary>What stands where, as JSON.</summary>
    public required string Board { get; set; }
}

/// <summary>How the copies of a piece are weathered.</summary>
public sealed class WeatheringRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>The piece.</summary>
    public Guid PieceId { get; set; }

    /// <summary>The piece.</summary>
    public PieceRow? Piece { get; set; }

    /// <summary>The plan, as JSON.</summary>
    public required string Plan { get; set; }
}
