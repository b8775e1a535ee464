using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>Height of the ground of a base: skim thin to the rim, a rise to the rear, flat where something stands.</summary>
public sealed class Terrain
{
    /// <summary>Clear ground round a landing, mm.</summary>
    public const double ClearMm = 0.6;

    /// <summary>Step of the grid that heights are looked up on, mm.</summary>
    private const double Step = 0.5;

    /// <summary>Paste at the very edge, mm.</summary>
    private const double EdgeMm = 0.2;

    private readonly Seat seat;
    private readonly double skim;
    private readonly double rise;
    private readonly Point way;
    private readonly double reach;
    private readonly float[] grid;
    private readonly int columns;

    /// <summary>Makes one.</summary>
    /// <param name="seat">Form and figure.</param>
    /// <param name="skimMm">Skim, mm.</param>
    /// <param name="riseMm">Rise, mm.</param>
    /// <param name="riseAngle">Way that it rises, radians.</param>
    /// <param name="bareLandings">Landings are kept bare for glue; else they get the skim that lies round them.</param>
    public Terrain(Seat seat, double skimMm, double riseMm, double riseAngle, bool bareLandings = false)
    {
        (this.seat, skim, rise, way) = (seat, skimMm, riseMm, Point.Towards(riseAngle));
        reach = seat.Form.Reach(way);
        LandingMm = bareLandings || seat.Landings.Length == 0 ? 0 : Math.Min(skim + EdgeMm, seat.Landings.Average(l => Raw(l.Outline.Average(v => v.X), l.Outline.Average(v => v.Y))));
        columns = (int)(2 * seat.Form.A / Step) + 3;
        var rows = (int)(2 * seat.Form.B / Step) + 3;
        grid = new float[columns * rows];
        for (var i = 0; i < grid.Length; i++)
        {
            grid[i] = (float)At(((i % columns) - 0.5) * Step - seat.Form.A, ((i / columns) - 0.5) * Step - seat.Form.B);
        }
    }

    /// <summary>Height of the landings, mm above the top face.</summary>
    public double LandingMm { get; }

    /// <summary>Height of the ground, mm above the top face.</summary>
    /// <remarks>h = 0.2 + t(s) (skim + rise u v): t over the rim, u along the way it rises, v round what stands; landings on one level, 2 mm of slope round them.</remarks>
    public double At(double x, double y)
    {
        var height = Raw(x, y);
        var flat = 0.0;
        foreach (var landing in seat.Landings)
        {
            flat = Math.Max(flat, 1 - Steady.Smooth((Outlines.Distance(landing.Outline, new(x, y)) - ClearMm) / 2));
        }

        return height + ((LandingMm - height) * flat);
    }

    /// <summary>Height of the ground from the grid: the highest of the four corners round a point.</summary>
    public double Near(double x, double y)
    {
        var (fx, fy) = (((x + seat.Form.A) / Step) + 0.5, ((y + seat.Form.B) / Step) + 0.5);
        var rows = grid.Length / columns;
        var (ix, iy) = (Math.Clamp((int)fx, 0, columns - 2), Math.Clamp((int)fy, 0, rows - 2));
        var i = (iy * columns) + ix;
        return Math.Max(Math.Max(grid[i], grid[i + 1]), Math.Max(grid[i + columns], grid[i + columns + 1]));
    }

    /// <summary>Highest ground under an outline, from the grid.</summary>
    public double Under(ReadOnlySpan<Point> outline, Point middle)
    {
        var high = Near(middle.X, middle.Y);
        foreach (var v in outline)
        {
            high = Math.Max(high, Near(v.X, v.Y));
        }

        return high;
    }

    private double Raw(double x, double y)
    {
        var form = seat.Form;
        var towards = ((x * way.X) + (y * way.Y)) / reach;
        var up = rise * Steady.Smooth((towards + 0.35) / 1.2);
        if (seat.Hull.Length > 0)
        {
            up *= Steady.Smooth((Outlines.Distance(seat.Hull, new(x, y)) - ClearMm) / Math.Max(4.5, 0.16 * form.Size));
        }

        return EdgeMm + (Steady.Smooth(form.Within(x, y) / (form.MarginMm + 1.5)) * (skim + up));
    }
}
