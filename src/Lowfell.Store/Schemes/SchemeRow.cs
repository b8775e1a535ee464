namespace Lowfell.Store;

/// <summary>A named stack that several zones may use.</summary>
public sealed class SchemeRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>When its coats were changed last; null where that is not known.</summary>
    public DateTimeOffset? ChangedAt { get; set; }

    /// <summary>Coats from the substrate up.</summary>
    public List<CoatRow> Coats { get; set; } = [];
}
