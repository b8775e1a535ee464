namespace Lowfell.Store;

/// <summary>How many entries the log has about a set, counted by a trigger: another number says that something was done since.</summary>
public sealed class LogMarkRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The set.</summary>
    public Guid SetId { get; set; }

    /// <summary>Entries so far.</summary>
    public long Entries { get; set; }
}
