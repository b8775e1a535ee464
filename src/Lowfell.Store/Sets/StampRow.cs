namespace Lowfell.Store;

/// <summary>What a stamp is of.</summary>
public enum StampKind
{
    /// <summary>A zone: how it looks and stands.</summary>
    Zone,

    /// <summary>A piece: what the rules find over its zones.</summary>
    Piece,

    /// <summary>A set: what its card shows.</summary>
    Set,
}

/// <summary>What was worked out for a zone, a piece or a set, so that a list need not work it out again as long as nothing that it came from has changed.</summary>
public sealed class StampRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>What it is of.</summary>
    public StampKind Kind { get; set; }

    /// <summary>The zone, piece or set.</summary>
    public Guid OfId { get; set; }

    /// <summary>What it came from, as a hash: another one says that something has changed.</summary>
    public required string Source { get; set; }

    /// <summary>What was worked out, as JSON.</summary>
    public required string Content { get; set; }
}
