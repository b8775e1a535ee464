using Lowfell.Core.Meshes.StandIns;

namespace Lowfell.Store;

/// <summary>What the painter chose to show a piece as; a piece without one is shown as what is nearest to it.</summary>
public sealed class PieceLookRow : IBenchRow, IVersionedRow
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

    /// <summary>Kind of stand-in.</summary>
    public StandInKind Kind { get; set; }

    /// <summary>The zone that each of its parts shows; one that is gone is chosen by its name again. Empty where all are.</summary>
    public List<Guid> Zones { get; set; } = [];
}

/// <summary>A surface that was made ready to be drawn, by all that it follows from. It can be made again at any time.</summary>
public sealed class MeshRow : IBenchRow
{
    /// <summary>Hash of all that it follows from.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>Binary glTF, packed by Brotli.</summary>
    public required byte[] Glb { get; set; }

    /// <summary>The day on which it was asked for last.</summary>
    public DateTimeOffset UsedAt { get; set; }
}

/// <summary>A small picture of a piece, by all that it shows. It can be drawn again at any time.</summary>
public sealed class LookPictureRow : IBenchRow
{
    /// <summary>Hash of all that it shows.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>PNG.</summary>
    public required byte[] Png { get; set; }

    /// <summary>The day on which it was asked for last.</summary>
    public DateTimeOffset UsedAt { get; set; }
}
