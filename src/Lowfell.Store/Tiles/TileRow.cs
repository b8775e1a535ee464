namespace Lowfell.Store;

/// <summary>A test tile.</summary>
public sealed class TileRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name, as written on the scrap.</summary>
    public required string Name { get; set; }

    /// <summary>What is painted where, as JSON.</summary>
    public required string Plan { get; set; }

    /// <summary>What came out on the real scrap, as JSON.</summary>
    public string Painted { get; set; } = "[]";

    /// <summary>When it was deleted; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}
