namespace Lowfell.Store;

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

    /// <summary>When it was deleted; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}
