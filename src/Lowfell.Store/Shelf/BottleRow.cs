namespace Lowfell.Store;

/// <summary>A bottle, pot or can of a material.</summary>
public sealed class BottleRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>What is in it.</summary>
    public Guid MaterialId { get; set; }

    /// <summary>What it held when new, ml.</summary>
    public double SizeMl { get; set; }

    /// <summary>What is left, ml.</summary>
    public double LeftMl { get; set; }

    /// <summary>When it was opened; null while it is closed.</summary>
    public DateOnly? OpenedOn { get; set; }

    /// <summary>What it cost, in the painter's own money; null where that is not known.</summary>
    public double? Price { get; set; }

    /// <summary>Batch or lot, as printed on it.</summary>
    public string Lot { get; set; } = "";
}
