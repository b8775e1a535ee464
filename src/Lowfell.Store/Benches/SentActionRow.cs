namespace Lowfell.Store;

/// <summary>An action that was taken under an id of whoever sent it: sent again, it is known, and told from another one under the same id.</summary>
public sealed class SentActionRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>Id that it was sent under.</summary>
    public Guid Id { get; set; }

    /// <summary>Hash of what it said.</summary>
    public required string Hash { get; set; }

    /// <summary>When it was taken.</summary>
    public DateTimeOffset At { get; set; }
}
