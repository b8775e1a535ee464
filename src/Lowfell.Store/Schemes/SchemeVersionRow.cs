namespace Lowfell.Store;

/// <summary>The coats of a scheme as they stood before they were changed in a later sitting.</summary>
public sealed class SchemeVersionRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The scheme.</summary>
    public Guid SchemeId { get; set; }

    /// <summary>Since when they stood so; null where that is not known.</summary>
    public DateTimeOffset? From { get; set; }

    /// <summary>Until when.</summary>
    public DateTimeOffset Until { get; set; }

    /// <summary>The coats, as JSON.</summary>
    public required string Coats { get; set; }
}
