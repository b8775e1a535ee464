using Lowfell.Core.Boards;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Weathering;

/// <summary>The box of a piece, and what moves on its front.</summary>
/// <param name="LengthMm">From its left to its right side, mm.</param>
/// <param name="WidthMm">From its front to its back, mm.</param>
/// <param name="HeightMm">How tall it is, mm.</param>
/// <param name="Parts">Parts of its front that move, at rest; from the left corner.</param>
public sealed record PieceBox(double LengthMm, double WidthMm, double HeightMm, IReadOnlyList<BoardPart> Parts)
{
    /// <summary>Width of a side, mm.</summary>
    public double Across(MarkSide side) => side is MarkSide.Left or MarkSide.Right ? WidthMm : LengthMm;

    /// <summary>Height of a side, of the top its depth, mm.</summary>
    public double Up(MarkSide side) => side == MarkSide.Top ? WidthMm : HeightMm;
}

/// <summary>Part of a side that a zone is taken to lie on, mm from the left end of the side and from the foot; of the top from its front border.</summary>
/// <param name="Side">The side.</param>
/// <param name="FromX">Left border, mm.</param>
/// <param name="ToX">Right border, mm.</param>
/// <param name="FromY">Lower border, mm.</param>
/// <param name="ToY">Upper border, mm.</param>
public sealed record FacePart(MarkSide Side, double FromX, double ToX, double FromY, double ToY)
{
    /// <summary>Width, mm.</summary>
    public double Width => ToX - FromX;

    /// <summary>Height, mm.</summary>
    public double Height => ToY - FromY;
}

/// <summary>Where a zone lies on the sides of its piece: a rectangle of each, as nobody has drawn it.</summary>
public static class FaceMap
{
    /// <summary>Sides narrower than this take no single marks, mm: too little is left beside their ends.</summary>
    public const double LeastMm = (2 * WeatherTable.ClearMm) + 2;

    // What takes so much of a side takes all of it.
    private const double NearlyAll = 0.9;

    private static readonly MarkSide[] Around = [MarkSide.Front, MarkSide.Right, MarkSide.Back, MarkSide.Left];

    /// <summary>The parts of sides that a zone lies on; none for what looks down.</summary>
    public static IReadOnlyList<FacePart> Of(PieceBox box, Zone zone)
    {
        ArgumentNullException.ThrowIfNull(box);
        ArgumentNullException.ThrowIfNull(zone);
        if (zone.Facing == Facing.Under)
        {
            return [];
        }

        if (zone.Facing == Facing.Up)
        {
            return [Part(MarkSide.Top, box.LengthMm, 0, box.WidthMm, zone.AreaMm2)];
        }

        var (low, high) = (Math.Clamp(zone.HeightFromMm ?? 0, 0, box.HeightMm), Math.Clamp(zone.HeightToMm ?? box.HeightMm, 0, box.HeightMm));
        if (high - low < 1)
        {
            (low, high) = (0, box.HeightMm);
        }

        // What is smaller than the front is a part of the front: a door, a hatch.
        return zone.AreaMm2 < NearlyAll * box.LengthMm * (high - low)
            ? [Part(MarkSide.Front, box.LengthMm, low, high, zone.AreaMm2)]
            : [.. Around.Select(s => new FacePart(s, 0, box.Across(s), low, high))];
    }

    /// <summary>All round, mm: how long a strip over the parts is.</summary>
    public static double Round(IReadOnlyList<FacePart> parts) => parts.Sum(p => p.Width);

    private static FacePart Part(MarkSide side, double across, double low, double high, double areaMm2)
    {
        var share = Math.Clamp(areaMm2 / (across * (high - low)), 0, 1);
        var width = share > NearlyAll ? across : Math.Clamp(across * share, Math.Min(across, LeastMm), across);
        return new(side, (across - width) / 2, (across + width) / 2, low, high);
    }
}
