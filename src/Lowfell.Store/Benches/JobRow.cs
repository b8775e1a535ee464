namespace Lowfell.Store;

/// <summary>Where a job stands.</summary>
public enum JobStatus
{
    /// <summary>Waits for a host.</summary>
    Waiting,

    /// <summary>A host is at it.</summary>
    Running,

    /// <summary>Done.</summary>
    Ended,

    /// <summary>Ended early, as was wished.</summary>
    Cancelled,

    /// <summary>Ended without what was asked for.</summary>
    Failed,
}

/// <summary>Work that takes longer than a painter waits for: any host does it, and another takes it up where that one dies.</summary>
public interface IJobRow : IBenchRow
{
    /// <summary>Identity.</summary>
    Guid Id { get; set; }

    /// <summary>Where it stands.</summary>
    JobStatus Status { get; set; }

    /// <summary>The painter wants it to end.</summary>
    bool CancelWanted { get; set; }

    /// <summary>When it was asked for.</summary>
    DateTimeOffset AskedAt { get; set; }

    /// <summary>When a host was last seen at it, or it was last put into the queue; null before that.</summary>
    DateTimeOffset? SeenAt { get; set; }

    /// <summary>When it ended.</summary>
    DateTimeOffset? EndedAt { get; set; }

    /// <summary>Which run of it is in force: what another one does no longer counts.</summary>
    Guid? Run { get; set; }

    /// <summary>How often a host was lost over it.</summary>
    int Losses { get; set; }

    /// <summary>What there is to say of its end.</summary>
    string Message { get; set; }
}
