namespace Lowfell.Core.Bases.Plane;

/// <summary>Convex outlines, counter-clockwise, at least three points.</summary>
public static class Outlines
{
    /// <summary>An outline moved and turned.</summary>
    /// <param name="shape">Round its own middle.</param>
    /// <param name="at">Where its middle goes.</param>
    /// <param name="angle">Radians, counter-clockwise.</param>
    /// <param name="placed">Takes the points; as long as the shape.</param>
    public static void Place(ReadOnlySpan<Point> shape, Point at, double angle, Span<Point> placed)
    {
        var (c, s) = (Steady.Cos(angle), Steady.Sin(angle));
        for (var i = 0; i < shape.Length; i++)
        {
            placed[i] = new(at.X + (c * shape[i].X) - (s * shape[i].Y), at.Y + (s * shape[i].X) + (c * shape[i].Y));
        }
    }

    /// <summary>An outline moved and turned.</summary>
    public static Point[] Placed(ReadOnlySpan<Point> shape, Point at, double angle)
    {
        var placed = new Point[shape.Length];
        Place(shape, at, angle, placed);
        return placed;
    }

    /// <summary>Gap between two outlines, mm, by separating axes: below 0 where they overlap, never more than their distance.</summary>
    public static double Gap(ReadOnlySpan<Point> a, ReadOnlySpan<Point> b) => Math.Max(Apart(a, b), Apart(b, a));

    /// <summary>Distance of a point from an outline, mm; below 0 within it.</summary>
    public static double Distance(ReadOnlySpan<Point> outline, Point at)
    {
        var (within, least) = (true, double.MaxValue);
        for (var i = 0; i < outline.Length; i++)
        {
            var a = outline[i];
            var b = outline[i + 1 == outline.Length ? 0 : i + 1];
            var (ex, ey, wx, wy) = (b.X - a.X, b.Y - a.Y, at.X - a.X, at.Y - a.Y);
            within &= (ex * wy) - (ey * wx) >= 0;
            var t = ((wx * ex) + (wy * ey)) / ((ex * ex) + (ey * ey));
            t = t < 0 ? 0 : t > 1 ? 1 : t;
            var (dx, dy) = (wx - (t * ex), wy - (t * ey));
            least = Math.Min(least, (dx * dx) + (dy * dy));
        }

        return within ? -Math.Sqrt(least) : Math.Sqrt(least);
    }

    /// <summary>Area, mm2.</summary>
    public static double Area(ReadOnlySpan<Point> outline)
    {
        var sum = 0.0;
        for (var i = 0; i < outline.Length; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
            sum += (a.X * b.Y) - (a.Y * b.X);
        }

        return sum / 2;
    }

    /// <summary>Length round it, mm.</summary>
    public static double Perimeter(ReadOnlySpan<Point> outline)
    {
        var sum = 0.0;
        for (var i = 0; i < outline.Length; i++)
        {
            sum += new Point(outline[(i + 1) % outline.Length].X - outline[i].X, outline[(i + 1) % outline.Length].Y - outline[i].Y).Length;
        }

        return sum;
    }

    /// <summary>The outline round all points.</summary>
    public static Point[] Hull(IEnumerable<Point> points)
    {
        List<Point> sorted = [.. points.OrderBy(p => p.X).ThenBy(p => p.Y)];
        var hull = new List<Point>();
        for (var pass = 0; pass < 2; pass++)
        {
            var from = hull.Count;
            foreach (var p in sorted)
            {
                while (hull.Count >= from + 2 && ((hull[^1].X - hull[^2].X) * (p.Y - hull[^2].Y)) - ((hull[^1].Y - hull[^2].Y) * (p.X - hull[^2].X)) <= 1e-9)
                {
                    hull.RemoveAt(hull.Count - 1);
                }

                hull.Add(p);
            }

            hull.RemoveAt(hull.Count - 1);
            sorted.Reverse();
        }

        return [.. hull];
    }

    /// <summary>A disc as an outline of so many corners.</summary>
    public static Point[] Disc(double radius, int corners = 12) => [.. Enumerable.Range(0, corners).Select(i => radius * Point.Towards(2 * Math.PI * i / corners))];

    /// <summary>A rectangle round the middle.</summary>
    public static Point[] Rectangle(double length, double width) => [new(-length / 2, -width / 2), new(length / 2, -width / 2), new(length / 2, width / 2), new(-length / 2, width / 2)];

    /// <summary>A disc drawn out to a length and width, fuller than an ellipse by as much as the power is below 1.</summary>
    public static Point[] Rounded(double length, double width, double power, int corners = 10) =>
        [.. Enumerable.Range(0, corners).Select(i => Point.Towards(2 * Math.PI * i / corners)).Select(u => new Point(Drawn(u.X, power) * length / 2, Drawn(u.Y, power) * width / 2))];

    /// <summary>A number drawn towards 1 or -1: its size to a power.</summary>
    internal static double Drawn(double u, double power) => Math.Abs(u) < 1e-12 ? 0 : Math.Sign(u) * Steady.Exp(power * Steady.Log(Math.Abs(u)));

    private static double Apart(ReadOnlySpan<Point> p, ReadOnlySpan<Point> q)
    {
        var best = double.MinValue;
        for (var i = 0; i < p.Length; i++)
        {
            var (a, b) = (p[i], p[i + 1 == p.Length ? 0 : i + 1]);
            var (nx, ny) = (b.Y - a.Y, a.X - b.X);
            var least = double.MaxValue;
            foreach (var v in q)
            {
                least = Math.Min(least, (nx * (v.X - a.X)) + (ny * (v.Y - a.Y)));
            }

            best = Math.Max(best, least / Math.Sqrt((nx * nx) + (ny * ny)));
        }

        return best;
    }
}
