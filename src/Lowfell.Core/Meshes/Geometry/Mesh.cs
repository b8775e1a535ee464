using System.Numerics;

namespace Lowfell.Core.Meshes.Geometry;

/// <summary>A surface of triangles, mm: x to the right, y to the rear, z up from the foot. Corners go counter-clockwise as seen from outside.</summary>
/// <param name="Points">Points, mm.</param>
/// <param name="Corners">Three places in <paramref name="Points"/> for each triangle.</param>
/// <param name="Parts">A part for each triangle.</param>
public sealed record Mesh(Vector3[] Points, int[] Corners, byte[] Parts)
{
    /// <summary>Triangles.</summary>
    public int Count => Parts.Length;

    /// <summary>Twice the area of a triangle along its outward normal, mm2.</summary>
    public Vector3 Across(int triangle)
    {
        var (a, b, c) = (Points[Corners[3 * triangle]], Points[Corners[(3 * triangle) + 1]], Points[Corners[(3 * triangle) + 2]]);
        return Vector3.Cross(b - a, c - a);
    }

    /// <summary>Lowest and highest of all points, mm.</summary>
    public (Vector3 Low, Vector3 High) Box()
    {
        if (Points.Length == 0)
        {
            return default;
        }

        var (low, high) = (Points[0], Points[0]);
        foreach (var p in Points)
        {
            (low, high) = (Vector3.Min(low, p), Vector3.Max(high, p));
        }

        return (low, high);
    }

    /// <summary>The same with points in one place made one, and triangles that have no area left out.</summary>
    public Mesh Welded()
    {
        var at = new Dictionary<Vector3, int>(Points.Length);
        var points = new List<Vector3>(Points.Length);
        var to = new int[Points.Length];
        for (var i = 0; i < Points.Length; i++)
        {
            // -0 and 0 are one place.
            var p = Points[i] + Vector3.Zero;
            if (!at.TryGetValue(p, out to[i]))
            {
                at[p] = to[i] = points.Count;
                points.Add(p);
            }
        }

        var corners = new List<int>(Corners.Length);
        var parts = new List<byte>(Parts.Length);
        for (var t = 0; t < Count; t++)
        {
            var (a, b, c) = (to[Corners[3 * t]], to[Corners[(3 * t) + 1]], to[Corners[(3 * t) + 2]]);
            if (a != b && b != c && c != a)
            {
                corners.AddRange([a, b, c]);
                parts.Add(Parts[t]);
            }
        }

        return new([.. points], [.. corners], [.. parts]);
    }

    /// <summary>The corner after one, in its triangle.</summary>
    internal static int Next(int corner) => corner % 3 == 2 ? corner - 2 : corner + 1;

    /// <summary>The corner before one, in its triangle.</summary>
    internal static int Before(int corner) => corner % 3 == 0 ? corner + 2 : corner - 1;
}
