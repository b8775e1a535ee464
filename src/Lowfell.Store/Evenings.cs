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

    /// <summary>What went wrong and what mended it, or a remark.</summary>
    public string Note { get; set; } = "";
}
