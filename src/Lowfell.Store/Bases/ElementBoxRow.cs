using Lowfell.Core.Bases.Elements;

namespace Lowfell.Store;

/// <summary>A box of elements of one kind and size on the shelf.</summary>
public sealed class ElementBoxRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Kind.</summary>
    public ElementKind Kind { get; set; }

    /// <summary>Usual length, mm.</summary>
    public double LengthMm { get; set; }

    /// <summary>Usual width, mm.</summary>
    public double WidthMm { get; set; }

    /// <summary>Usual height, mm.</summary>
    public double HeightMm { get; set; }

    /// <summary>How much they differ, as a part of each measure.</summary>
    public double Spread { get; set; }

    /// <summary>How many are in it.</summary>
    public int Count { get; set; }

    /// <summary>When it was deleted; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>As Core knows it.</summary>
    public ElementStock ToCore() => new(new(Id, Name, Kind, LengthMm, WidthMm, HeightMm, Spread), Count);
}
