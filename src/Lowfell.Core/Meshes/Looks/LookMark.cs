using System.Numerics;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>One mark, placed in millimetres of the side that it lies on.</summary>
/// <param name="Zone">Place of its zone.</param>
/// <param name="Layer">Which of the zone's coats of marks it belongs to, from below.</param>
/// <param name="Side">Side of the piece.</param>
/// <param name="Shape">How it is drawn.</param>
/// <param name="XMm">Middle of it, from the left end of the side as one stands before it (of the top: as one stands at the front), mm.</param>
/// <param name="YMm">Middle of it above the piece's foot; on the top from its front border, mm.</param>
/// <param name="WidthMm">Width, mm.</param>
/// <param name="LengthMm">Length, mm: upright where it is not turned.</param>
/// <param name="AngleDeg">Turned against the clock, degrees.</param>
/// <param name="Seed">0..1: of its ragged borders.</param>
public sealed record LookMark(int Zone, int Layer, MarkSide Side, MarkShape Shape, float XMm, float YMm, float WidthMm, float LengthMm, float AngleDeg, float Seed)
{
    // A streak is this much narrower at its foot.
    private const float Taper = 0.55f;

    /// <summary>How much of a point it covers, 0..1. The same sum as in the browser's shader.</summary>
    /// <param name="at">The point, mm of its side.</param>
    public float Covers(Vector2 at)
    {
        var (sin, cos) = MathF.SinCos(AngleDeg * MathF.PI / 180);
        var d = at - new Vector2(XMm, YMm);
        var (u, v) = ((d.X * cos) + (d.Y * sin), (d.Y * cos) - (d.X * sin));
        if (MathF.Abs(v) > LengthMm * 0.7f || (Shape != MarkShape.Band && MathF.Abs(u) > WidthMm * 0.7f))
        {
            return 0;
        }

        var seed = Seed * 97;
        switch (Shape)
        {
            case MarkShape.Streak:
                var down = 0.5f - (v / LengthMm);
                if (down is <= 0 or >= 1)
                {
                    return 0;
                }

                var half = WidthMm / 2 * (1 - (Taper * down));
                var aside = MathF.Abs(u - (WidthMm * 0.3f * (0.5f * MathF.Sin(seed + (down * LengthMm * 1.2f)))));
                return (1 - Smooth(half * 0.5f, half, aside)) * Smooth(0, 0.06f, down) * (1 - down);
            case MarkShape.Chip or MarkShape.Dot:
                var out0 = MathF.Sqrt((4 * u * u / (WidthMm * WidthMm)) + (4 * v * v / (LengthMm * LengthMm)));
                var ragged = Shape == MarkShape.Chip ? 0.7f * (0.5f * MathF.Sin((u * 5.3f / WidthMm) + seed) * MathF.Sin((v * 5.3f / LengthMm) + (seed * 1.7f))) : 0;
                return 1 - Smooth(0.82f, 1, out0 + ragged);
            case MarkShape.Line:
                return (1 - Smooth(WidthMm * 0.35f, WidthMm * 0.5f, MathF.Abs(u))) * (1 - Smooth(LengthMm * 0.47f, LengthMm * 0.5f, MathF.Abs(v)));
            default:
                var wander = LengthMm * 0.25f * (0.5f * MathF.Sin((u * 0.6f) + seed));
                return (1 - Smooth(LengthMm * 0.32f, LengthMm * 0.5f, MathF.Abs(v + wander))) * (1 - Smooth(WidthMm * 0.49f, WidthMm * 0.5f, MathF.Abs(u)));
        }
    }

    private static float Smooth(float from, float to, float x)
    {
        var t = Math.Clamp((x - from) / (to - from), 0, 1);
        return t * t * (3 - (2 * t));
    }
}

/// <summary>The sides of a body in its box: which one a point lies on, and where.</summary>
/// <param name="Low">Lowest corner of the body, mm.</param>
/// <param name="High">Its highest, mm.</param>
public readonly record struct MarkFrame(Vector3 Low, Vector3 High)
{
    /// <summary>Sides.</summary>
    public const int Sides = 5;

    // What is steeper than this lies on a side, not on the top.
    private const float Upright = 0.7f;

    /// <summary>The side that a point looks to.</summary>
    public static MarkSide SideOf(Vector3 normal) =>
        normal.Z > Upright ? MarkSide.Top
        : MathF.Abs(normal.Y) >= MathF.Abs(normal.X) ? (normal.Y <= 0 ? MarkSide.Front : MarkSide.Back)
        : normal.X > 0 ? MarkSide.Right : MarkSide.Left;

    /// <summary>Where a point is on a side, mm.</summary>
    public Vector2 On(MarkSide side, Vector3 at) => side switch
    {
        MarkSide.Front => new(at.X - Low.X, at.Z),
        MarkSide.Right => new(at.Y - Low.Y, at.Z),
        MarkSide.Back => new(High.X - at.X, at.Z),
        MarkSide.Left => new(High.Y - at.Y, at.Z),
        _ => new(at.X - Low.X, at.Y - Low.Y),
    };

    /// <summary>How far a side reaches to its right, mm.</summary>
    public float Across(MarkSide side) => Math.Max(0.01f, side is MarkSide.Right or MarkSide.Left ? High.Y - Low.Y : High.X - Low.X);

    /// <summary>How far a side reaches up, the top to the rear, mm.</summary>
    public float Up(MarkSide side) => Math.Max(0.01f, side == MarkSide.Top ? High.Y - Low.Y : High.Z);
}
