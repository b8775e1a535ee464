namespace Lowfell.Store;

/// <summary>A reading of the room sensor.</summary>
public sealed class RoomReadingRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>Temperature, C.</summary>
    public double TemperatureC { get; set; }

    /// <summary>Relative humidity, 0..1.</summary>
    public double Humidity { get; set; }
}

/// <summary>What an entry of the log tells.</summary>
public enum LogKind
{
    /// <summary>A pass of a coat is on a copy.</summary>
    Done,

    /// <summary>It is not, after all: a correction of an earlier entry.</summary>
    TakenBack,

    /// <summary>Something went wrong.</summary>
    Problem,

    /// <summary>A remark.</summary>
    Note,

    /// <summary>A coat was left out on a copy, for good.</summary>
    Skipped,

    /// <summary>A coat was found dry enough for the next.</summary>
    Dry,
}

/// <summary>An entry of the log. Entries are only ever added; what was wrong is put right by another.</summary>
public sealed class LogRow : IBenchRow
{
    /// <summary>Identity, given by who writes it, so that the same entry sent twice is one.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was done.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>What it tells.</summary>
    public LogKind Kind { get; set; }

    /// <summary>The zone.</summary>
    public Guid ZoneId { get; set; }

    /// <summary>The coat; null for what concerns no coat.</summary>
    public Guid? CoatId { get; set; }

    /// <summary>Which pass of it, from 1.</summary>
    public int Pass { get; set; } = 1;

    /// <summary>Number of the copy, from 1.</summary>
    public int Copy { get; set; }

    /// <summary>Hands-on minutes for this copy, where they were taken.</summary>
    public double? Minutes { get; set; }

    /// <summary>What it was painted with, as it was called then.</summary>
    public string Paint { get; set; } = "";

    /// <summary>Piece and zone, as they were called then.</summary>
    public string Label { get; set; } = "";

    /// <summary>Temperature of the room then, C.</summary>
    public double RoomC { get; set; }

    /// <summary>Humidity of the room then, 0..1.</summary>
    public double RoomHumidity { get; set; }

    /// <summary>Minutes of setting up before it, where they were taken.</summary>
    public double? SetUpMinutes { get; set; }

    /// <summary>Who did it.</summary>
    public string Who { get; set; } = "";

    /// <summary>Share of paint in what was laid on, 0..1, where it was not as planned.</summary>
    public double? PaintFraction { get; set; }

    /// <summary>The mix it was painted with, where one was recorded.</summary>
    public Guid? MixRecordId { get; set; }

    /// <summary>What was done otherwise than planned.</summary>
    public string Deviation { get; set; } = "";

    /// <summary>Why it went wrong.</summary>
    public string Cause { get; set; } = "";

    /// <summary>What mended it.</summary>
    public string Remedy { get; set; } = "";

    /// <summary>Its picture.</summary>
    public Guid? PhotoId { get; set; }

    /// <summary>What went wrong, or a remark.</summary>
    public string Note { get; set; } = "";
}

/// <summary>A picture in the log, without what its camera wrote into it.</summary>
public sealed class PhotoRow : IBenchRow
{
    /// <summary>Identity, given by who sends it.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was kept.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>Width, pixels.</summary>
    public int Width { get; set; }

    /// <summary>Height, pixels.</summary>
    public int Height { get; set; }

    /// <summary>image/png or image/jpeg.</summary>
    public string MediaType { get; set; } = "";

    /// <summary>The picture.</summary>
    public byte[] Bytes { get; set; } = [];

    /// <summary>A small JPEG of it.</summary>
    public byte[] Thumbnail { get; set; } = [];
}

/// <summary>A plan of the evenings that was kept.</summary>
public sealed class PlanRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset MadeAt { get; set; }

    /// <summary>What was asked for, as JSON.</summary>
    public string Request { get; set; } = "";

    /// <summary>Its lots with their times, as JSON.</summary>
    public string Lots { get; set; } = "";

    /// <summary>What it came to, as JSON.</summary>
    public string Summary { get; set; } = "";

    /// <summary>The painter follows it; one of a bench at most.</summary>
    public bool InForce { get; set; }

    /// <summary>The plan that it took the place of.</summary>
    public Guid? ReplacesId { get; set; }
}

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
