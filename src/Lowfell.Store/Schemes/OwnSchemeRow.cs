namespace Lowfell.Store;

/// <summary>A painter's own scheme told by roles, to be painted again from whatever shelf, and given to others.</summary>
public sealed class OwnSchemeRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name, once on a bench.</summary>
    public required string Name { get; set; }

    /// <summary>The scheme, as the file that is given to others.</summary>
    public required string Document { get; set; }
}
