namespace Lowfell.Store;

/// <summary>Devices that a bench may have.</summary>
public enum DeviceKind
{
    /// <summary>A scale.</summary>
    Scale,

    /// <summary>A colour reader.</summary>
    Reader,
}

/// <summary>What the stand-in for a device of a bench was last given, so that every host shows the same.</summary>
public sealed class DeviceRow : IBenchRow
{
    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The device.</summary>
    public DeviceKind Kind { get; set; }

    /// <summary>Since when it has it.</summary>
    public DateTimeOffset Since { get; set; }

    /// <summary>What it will show: grams on a scale; lightness, a and b under a reader.</summary>
    public double[] Shows { get; set; } = [];
}
