using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>A mark where it lies on a copy, mm of its side.</summary>
/// <param name="Side">The side.</param>
/// <param name="XMm">From the left end of the side, mm.</param>
/// <param name="YMm">Above the foot, of the top from its front border, mm: of what runs down its upper end, else its middle.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="LengthMm">Length, mm.</param>
/// <param name="AngleDeg">Turned against the clock, degrees.</param>
/// <param name="Host">Which of the places that can carry one; -1 where none does.</param>
public sealed record MarkPlace(MarkSide Side, double XMm, double YMm, double WidthMm, double LengthMm, double AngleDeg, int Host)
{
    /// <summary>Area of its box, mm2.</summary>
    public double AreaMm2 => WidthMm * LengthMm;

    /// <summary>Height of its lower end, of what runs down, mm.</summary>
    public double FootMm => YMm - LengthMm;
}

/// <summary>A copy whose marks stay as they are: locked, moved by hand, or painted already.</summary>
/// <param name="Copy">Number of the copy, from 1.</param>
/// <param name="Marks">Its marks.</param>
public sealed record HeldCopy(int Copy, IReadOnlyList<MarkPlace> Marks);

/// <summary>One kind of mark on one zone, as it is planned.</summary>
/// <param name="Id">Identity.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="Kind">The kind.</param>
/// <param name="Count">How many on one copy, the mean of all.</param>
/// <param name="WidthMm">Width of one on the model, mm; 0 for a strip.</param>
/// <param name="LengthMm">Length of one on the model, mm; 0 for a strip.</param>
public sealed record MarkEntry(Guid Id, Guid ZoneId, MarkKind Kind, double Count, double WidthMm, double LengthMm)
{
    /// <summary>Lower border of the strip that it lies in, above the foot of a piece that stands on the table, mm; none for the whole zone.</summary>
    public double? FromMm { get; init; }

    /// <summary>Its upper border, mm.</summary>
    public double? ToMm { get; init; }

    /// <summary>Stays as it is when the rest is proposed anew.</summary>
    public bool Locked { get; init; }

    /// <summary>Raised to draw it again.</summary>
    public int Version { get; init; } = 1;

    /// <summary>Copies whose marks stay.</summary>
    public IReadOnlyList<HeldCopy> Held { get; init; } = [];

    /// <summary>Facts of its kind.</summary>
    public MarkFacts How => Kind.Facts();

    /// <summary>How many there are on all copies together.</summary>
    public int Total(int copies) => (int)Math.Round(Count * copies, MidpointRounding.AwayFromZero);
}
