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
}

/// <summary>A scheme as it was painted once, with its materials and mixes as they were.</summary>
public sealed class PaintedRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>The day that it was finished.</summary>
    public DateOnly PaintedOn { get; set; }

    /// <summary>The scheme it was; null once that is deleted.</summary>
    public Guid? SchemeId { get; set; }

    /// <summary>Note.</summary>
    public string Note { get; set; } = "";

    /// <summary>Zone, schools and coats with everything in them, as JSON.</summary>
    public required string Stack { get; set; }
}
