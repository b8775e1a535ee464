using Lowfell.Core.Wording;

namespace Lowfell.Core.Surfaces;

/// <summary>The shape that a piece's area is computed from.</summary>
public enum PieceShape
{
    /// <summary>Closed box, all six sides.</summary>
    [Said("box, all sides")]
    Box,

    /// <summary>Wall: both sides, ends and top; it stands on its foot.</summary>
    [Said("wall, both faces")]
    Wall,

    /// <summary>Tile: top and the four rims.</summary>
    [Said("tile, top and rims")]
    Tile,

    /// <summary>Disc: top and rim, as a base.</summary>
    [Said("disc, top and rim")]
    Disc,

    /// <summary>Cylinder: mantle and top.</summary>
    [Said("cylinder, mantle and top")]
    Cylinder,

    /// <summary>Area as given.</summary>
    [Said("area as given")]
    Free,
}

/// <summary>Paintable area of a piece from its dimensions.</summary>
public static class PieceArea
{
    /// <summary>Area of one copy, mm2.</summary>
    /// <param name="shape">Shape.</param>
    /// <param name="lengthMm">Length; the diameter of a disc or cylinder.</param>
    /// <param name="widthMm">Width; not read for discs and cylinders.</param>
    /// <param name="heightMm">Height or thickness.</param>
    /// <param name="freeAreaMm2">Area of a free shape.</param>
    public static double Mm2(PieceShape shape, double lengthMm, double widthMm, double heightMm, double freeAreaMm2)
    {
        double l = lengthMm, w = widthMm, h = heightMm;
        var circle = Math.PI * l * l / 4;
        return shape switch
        {
            PieceShape.Box => 2 * ((l * w) + (l * h) + (w * h)),
            PieceShape.Wall => (2 * l * h) + (2 * w * h) + (l * w),
            PieceShape.Tile => (l * w) + (2 * (l + w) * h),
            PieceShape.Disc or PieceShape.Cylinder => circle + (Math.PI * l * h),
            _ => freeAreaMm2,
        };
    }

    /// <summary>Area of a zone: its own where given, else its share of the piece's.</summary>
    public static double ZoneMm2(double pieceMm2, double? share, double? ownMm2) => ownMm2 ?? (pieceMm2 * (share ?? 1));
}
