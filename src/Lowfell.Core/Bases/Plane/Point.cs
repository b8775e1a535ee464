namespace Lowfell.Core.Bases.Plane;

/// <summary>A place or a way in the plane of a base: x to the right, y to the rear, mm.</summary>
/// <param name="X">To the right, mm.</param>
/// <param name="Y">To the rear, mm.</param>
public readonly record struct Point(double X, double Y)
{
    /// <summary>Its length.</summary>
    public double Length => Math.Sqrt((X * X) + (Y * Y));

    /// <summary>Sum.</summary>
    public static Point operator +(Point a, Point b) => new(a.X + b.X, a.Y + b.Y);

    /// <summary>Difference.</summary>
    public static Point operator -(Point a, Point b) => new(a.X - b.X, a.Y - b.Y);

    /// <summary>So many times as long.</summary>
    public static Point operator *(double k, Point p) => new(k * p.X, k * p.Y);

    /// <summary>Direction of an angle, radians, counter-clockwise from the right.</summary>
    public static Point Towards(double angle) => new(Steady.Cos(angle), Steady.Sin(angle));

    /// <summary>Inner product.</summary>
    public double Dot(Point other) => (X * other.X) + (Y * other.Y);
}
