namespace Lowfell.Store;

/// <summary>A family of bases: rules by which they differ and yet belong.</summary>
public sealed class BaseFamilyRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Its rules, as JSON.</summary>
    public required string Rules { get; set; }

    /// <summary>When it was deleted; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
}
