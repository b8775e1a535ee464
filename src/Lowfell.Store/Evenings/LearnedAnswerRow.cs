namespace Lowfell.Store;

/// <summary>What the painter said of following a figure that was learned from the log.</summary>
public sealed class LearnedAnswerRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The figure, as Core knows it.</summary>
    public required string Key { get; set; }

    /// <summary>Whether the plan is to follow it.</summary>
    public bool Follow { get; set; }
}

/// <summary>Counts every change of what plans rest on, by triggers at the end of each transaction: a plan kept in memory holds as long as it stands.</summary>
public sealed class WorkMarkRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>Changes so far.</summary>
    public long Mark { get; set; }
}
