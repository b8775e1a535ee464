namespace Lowfell.Store;

/// <summary>Where the search for a plan stands.</summary>
public enum SolveStatus
{
    /// <summary>Waits for a host.</summary>
    Waiting,

    /// <summary>A host is at it.</summary>
    Running,

    /// <summary>Ended with its best plan.</summary>
    Ended,

    /// <summary>Ended early, as was wished, with its best plan.</summary>
    Cancelled,

    /// <summary>Ended without one.</summary>
    Failed,
}

/// <summary>A search for a better plan, run by any host.</summary>
public sealed class SolveRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was asked for.</summary>
    public DateTimeOffset AskedAt { get; set; }

    /// <summary>When a host began.</summary>
    public DateTimeOffset? BegunAt { get; set; }

    /// <summary>When it ended.</summary>
    public DateTimeOffset? EndedAt { get; set; }

    /// <summary>What was asked for, as JSON.</summary>
    public string Request { get; set; } = "";

    /// <summary>Seconds that it may take.</summary>
    public double Seconds { get; set; }

    /// <summary>Where it stands.</summary>
    public SolveStatus Status { get; set; }

    /// <summary>The painter wants it to end.</summary>
    public bool CancelWanted { get; set; }

    /// <summary>How far it is, as JSON.</summary>
    public string Progress { get; set; } = "";

    /// <summary>The plan it found.</summary>
    public Guid? PlanId { get; set; }

    /// <summary>Why it failed.</summary>
    public string Message { get; set; } = "";
}
