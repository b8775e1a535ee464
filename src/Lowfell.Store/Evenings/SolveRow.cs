namespace Lowfell.Store;

/// <summary>A search for a better plan, run by any host.</summary>
public sealed class SolveRow : IJobRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was asked for.</summary>
    public DateTimeOffset AskedAt { get; set; }

    /// <summary>When a host began.</summary>
    public DateTimeOffset? BegunAt { get; set; }

    /// <inheritdoc/>
    public DateTimeOffset? SeenAt { get; set; }

    /// <inheritdoc/>
    public Guid? Run { get; set; }

    /// <inheritdoc/>
    public int Losses { get; set; }

    /// <summary>When it ended.</summary>
    public DateTimeOffset? EndedAt { get; set; }

    /// <summary>What was asked for, as JSON.</summary>
    public string Request { get; set; } = "";

    /// <summary>Seconds that it may take.</summary>
    public double Seconds { get; set; }

    /// <summary>Where it stands.</summary>
    public JobStatus Status { get; set; }

    /// <summary>The painter wants it to end.</summary>
    public bool CancelWanted { get; set; }

    /// <summary>How far it is, as JSON.</summary>
    public string Progress { get; set; } = "";

    /// <summary>The plan it found.</summary>
    public Guid? PlanId { get; set; }

    /// <summary>Why it failed.</summary>
    public string Message { get; set; } = "";
}
