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
