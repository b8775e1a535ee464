using System.Numerics;

namespace Lowfell.Core.Meshes.Geometry;

/// <summary>Builds surfaces of a few simple bodies.</summary>
public sealed class MeshBuilder
{
    // Half and all of the width of a highlight along an edge, and most between points elsewhere, mm.
    internal const double NearMm = 0.33, WideMm = 7;

    private readonly List<Vector3> points = [];
    private readonly List<int> corners = [];
    private readonly List<byte> parts = [];

    /// <summary>Part that what is built next belongs to.</summary>
    public byte Part { get; set; }

    /// <summary>What was built, welded.</summary>
    public Mesh Build() => new Mesh([.. points], [.. corners], [.. parts]).Welded();

    /// <summary>A triangle.</summary>
    public void Triangle(Vector3 a, Vector3 b, Vector3 c)
    {
        corners.AddRange([points.Count, points.Count + 1, points.Count + 2]);
        points.AddRange([a, b, c]);
        parts.Add(Part);
    }

    /// <summary>A quad, counter-clockwise from outside.</summary>
    public void Quad(Vector3 a, Vector3 b, Vector3 c, Vector3 d)
    {
        Triangle(a, b, c);
        Triangle(a, c, d);
    }

    /// <summary>A quad with points over its middle alone.</summary>
    public void Plain(Vector3 a, Vector3 b, Vector3 c, Vector3 d)
    {
        double[] Places(float length) => Even(0, 1, Math.Max(1, (int)Math.Ceiling(length / WideMm)));
        Grid((u, v) => Vector3.Lerp(Vector3.Lerp(a, b, (float)u), Vector3.Lerp(d, c, (float)u), (float)v), Places(Math.Max(Vector3.Distance(a, b), Vector3.Distance(d, c))), Places(Math.Max(Vector3.Distance(a, d), Vector3.Distance(b, c))));
    }

    /// <summary>A quad with the points that highlights along its borders need, and some over its middle for light that changes.</summary>
    public void Face(Vector3 a, Vector3 b, Vector3 c, Vector3 d) =>
        Grid((u, v) => Vector3.Lerp(Vector3.Lerp(a, b, (float)u), Vector3.Lerp(d, c, (float)u), (float)v), Places(Math.Max(Vector3.Distance(a, b), Vector3.Distance(d, c))), Places(Math.Max(Vector3.Distance(a, d), Vector3.Distance(b, c))));

    /// <summary>Places 0..1 over a length: close to both ends, wide apart between.</summary>
    internal static double[] Places(double lengthMm)
    {
        if (lengthMm < 6 * NearMm)
        {
            return lengthMm < 3 * NearMm ? [0, 1] : [0, 0.5, 1];
        }

        var (near, from) = (NearMm / lengthMm, 2 * NearMm / lengthMm);
        var steps = Math.Max(1, (int)Math.Ceiling(lengthMm * (1 - (2 * from)) / WideMm));
        return [0, near, .. Even(from, 1 - from, steps), 1 - near, 1];
    }

    /// <summary>A grid of a function; (u, v) is counter-clockwise from outside.</summary>
    /// <param name="at">Point at a place.</param>
    /// <param name="u">Places one way.</param>
    /// <param name="v">Places the other way.</param>
    public void Grid(Func<double, double, Vector3> at, IReadOnlyList<double> u, IReadOnlyList<double> v)
    {
        ArgumentNullException.ThrowIfNull(at);
        var first = points.Count;
        foreach (var y in v)
        {
            foreach (var x in u)
            {
                points.Add(at(x, y));
            }
        }

        for (var y = 0; y + 1 < v.Count; y++)
        {
            for (var x = 0; x + 1 < u.Count; x++)
            {
                var (a, b) = (first + (y * u.Count) + x, first + ((y + 1) * u.Count) + x);

                // The shorter diagonal folds less.
                var straight = Vector3.DistanceSquared(points[a], points[b + 1]) <= Vector3.DistanceSquared(points[a + 1], points[b]);
                corners.AddRange(straight ? [a, a + 1, b + 1, a, b + 1, b] : [a, a + 1, b, a + 1, b + 1, b]);
                parts.AddRange([Part, Part]);
            }
        }
    }

    /// <summary>A body between a top and a bottom outline with as many corners, both counter-clockwise from above; top and bottom are closed.</summary>
    public void Prism(IReadOnlyList<Vector3> bottom, IReadOnlyList<Vector3> top)
    {
        ArgumentNullException.ThrowIfNull(bottom);
        ArgumentNullException.ThrowIfNull(top);
        for (var i = 0; i < bottom.Count; i++)
        {
            var j = (i + 1) % bottom.Count;
            Quad(bottom[i], bottom[j], top[j], top[i]);
        }

        for (var i = 1; i + 1 < bottom.Count; i++)
        {
            Triangle(top[0], top[i], top[i + 1]);
            Triangle(bottom[0], bottom[i + 1], bottom[i]);
        }
    }

    /// <summary>A box with its edges bevelled.</summary>
    /// <param name="middle">Its middle, mm.</param>
    /// <param name="size">Its sides, mm.</param>
    /// <param name="bevelMm">Bevel, mm.</param>
    /// <param name="turn">Turned about the vertical, radians.</param>
    /// <param name="pitch">Pitched about its width, radians, before it is turned: above 0 the far end of its length rises.</param>
    public void Box(Vector3 middle, Vector3 size, float bevelMm = 0.15f, float turn = 0, float pitch = 0)
    {
        var half = size / 2;
        var b = Math.Min(bevelMm, 0.4f * Math.Min(half.X, Math.Min(half.Y, half.Z)));
        var (st, ct, sp, cp) = (MathF.Sin(turn), MathF.Cos(turn), MathF.Sin(pitch), MathF.Cos(pitch));
        Vector3 At(float x, float y, float z)
        {
            var (x2, z2) = ((x * cp) - (z * sp), (x * sp) + (z * cp));
            return middle + new Vector3((x2 * ct) - (y * st), (x2 * st) + (y * ct), z2);
        }

        // Each axis in turn: a face, drawn in by the bevel on its own plane.
        Vector3 Of(int axis, float sign, float u, float v) => axis switch
        {
            0 => At(sign * half.X, u * (half.Y - b), v * (half.Z - b)),
            1 => At(v * (half.X - b), sign * half.Y, u * (half.Z - b)),
            _ => At(u * (half.X - b), v * (half.Y - b), sign * half.Z),
        };
        for (var axis = 0; axis < 3; axis++)
        {
            Face(Of(axis, 1, -1, -1), Of(axis, 1, 1, -1), Of(axis, 1, 1, 1), Of(axis, 1, -1, 1));
            Face(Of(axis, -1, -1, -1), Of(axis, -1, -1, 1), Of(axis, -1, 1, 1), Of(axis, -1, 1, -1));
        }

        if (b <= 0)
        {
            return;
        }

        // The strip between two faces, and the corner between three. In (axis, u, v) order: 0 (y, z), 1 (z, x), 2 (x, y).
        foreach (var sz in new[] { -1f, 1f })
        {
            foreach (var sy in new[] { -1f, 1f })
            {
                // Along x, between the y and the z face.
                Strip(Of(1, sy, sz, -1), Of(1, sy, sz, 1), Of(2, sz, 1, sy), Of(2, sz, -1, sy), sy * sz > 0);
                // Along y, between the z and the x face.
                Strip(Of(2, sy, sz, -1), Of(2, sy, sz, 1), Of(0, sz, 1, sy), Of(0, sz, -1, sy), sy * sz > 0);
                // Along z, between the x and the y face.
                Strip(Of(0, sy, sz, -1), Of(0, sy, sz, 1), Of(1, sz, 1, sy), Of(1, sz, -1, sy), sy * sz > 0);
                foreach (var sx in new[] { -1f, 1f })
                {
                    var (x, y, z) = (Of(0, sx, sy, sz), Of(1, sy, sz, sx), Of(2, sz, sx, sy));
                    if (sx * sy * sz > 0)
                    {
                        Triangle(x, y, z);
                    }
                    else
                    {
                        Triangle(x, z, y);
                    }
                }
            }
        }

        void Strip(Vector3 p, Vector3 q, Vector3 r, Vector3 s, bool forward)
        {
            if (forward)
            {
                Quad(s, r, q, p);
            }
            else
            {
                Quad(p, q, r, s);
            }
        }
    }

    /// <summary>A body turned about an axis; where its outline ends off the axis it is open there.</summary>
    /// <param name="foot">Where its axis begins, mm.</param>
    /// <param name="axis">Way of its axis.</param>
    /// <param name="outline">Radius and height along the axis, mm, from the foot up its outside.</param>
    /// <param name="around">Corners all round.</param>
    public void Lathe(Vector3 foot, Vector3 axis, IReadOnlyList<(double Radius, double Height)> outline, int around)
    {
        ArgumentNullException.ThrowIfNull(outline);
        outline = Refined(outline);
        axis = Vector3.Normalize(axis);
        var x = Vector3.Normalize(Vector3.Cross(MathF.Abs(axis.Z) < 0.9f ? Vector3.UnitZ : Vector3.UnitX, axis));
        var y = Vector3.Cross(axis, x);
        Vector3 At(int i, (double Radius, double Height) o)
        {
            var turn = 2 * Math.PI * (i % around) / around;
            return foot + (axis * (float)o.Height) + (x * (float)(o.Radius * Math.Cos(turn))) + (y * (float)(o.Radius * Math.Sin(turn)));
        }

        for (var k = 0; k + 1 < outline.Count; k++)
        {
            for (var i = 0; i < around; i++)
            {
                var (a, b, c, d) = (At(i, outline[k]), At(i + 1, outline[k]), At(i + 1, outline[k + 1]), At(i, outline[k + 1]));
                if (outline[k].Radius <= 0)
                {
                    Triangle(a, c, d);
                }
                else if (outline[k + 1].Radius <= 0)
                {
                    Triangle(a, b, c);
                }
                else
                {
                    Quad(a, b, c, d);
                }
            }
        }
    }

    // Points beside the corners of an outline, where its highlights and washes end.
    private static List<(double Radius, double Height)> Refined(IReadOnlyList<(double Radius, double Height)> outline)
    {
        var refined = new List<(double, double)>();
        for (var i = 0; i + 1 < outline.Count; i++)
        {
            var (a, b) = (outline[i], outline[i + 1]);
            var length = Math.Sqrt(((b.Radius - a.Radius) * (b.Radius - a.Radius)) + ((b.Height - a.Height) * (b.Height - a.Height)));
            refined.AddRange(Places(length).SkipLast(1).Select(t => (a.Radius + ((b.Radius - a.Radius) * t), a.Height + ((b.Height - a.Height) * t))));
        }

        refined.Add(outline[^1]);
        return refined;
    }

    /// <summary>Even places from one end to the other.</summary>
    public static double[] Even(double from, double to, int steps) => [.. Enumerable.Range(0, steps + 1).Select(i => from + ((to - from) * i / steps))];
}
