using System.Numerics;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.Splitting;

/// <summary>Takes triangles away where the surface is plain. Borders between parts and open edges stay as they are.</summary>
/// <remarks>Quadric error metrics (Garland and Heckbert 1997), in passes with a rising limit rather than by a queue: a point is moved once in a pass.</remarks>
public sealed class Simplifier
{
    // Most passes, how the limit rises when a pass takes away less than a part of what is there.
    private const int Passes = 70;
    private const double Rises = 2.2, Least = 0.08;

    // A triangle may turn by so much (cosine), and get no thinner than this, height over longest side, unless it was.
    private const float Turns = 0.35f, Thin = 0.06f;

    private readonly Vector3[] points;
    private readonly int[] corners;
    private readonly bool[] gone;
    private readonly bool[] held;
    private readonly Quadric[] quadrics;
    private int[] start = [];
    private int[] at = [];

    private Simplifier(Mesh mesh)
    {
        (points, corners, gone) = ((Vector3[])mesh.Points.Clone(), (int[])mesh.Corners.Clone(), new bool[mesh.Count]);
        (held, quadrics) = (new bool[points.Length], new Quadric[points.Length]);
        var opposite = Neighbours.Of(mesh).Opposite;
        for (var h = 0; h < corners.Length; h++)
        {
            if (opposite[h] < 0 || mesh.Parts[h / 3] != mesh.Parts[opposite[h] / 3])
            {
                (held[corners[h]], held[corners[Mesh.Next(h)]]) = (true, true);
            }
        }

        for (var t = 0; t < mesh.Count; t++)
        {
            var across = mesh.Across(t);
            if (across.LengthSquared() <= 0)
            {
                continue;
            }

            var normal = Vector3.Normalize(across);
            var plane = Quadric.Of(normal, -Vector3.Dot(normal, points[corners[3 * t]]));
            for (var k = 0; k < 3; k++)
            {
                quadrics[corners[(3 * t) + k]] += plane;
            }
        }
    }

    /// <summary>Simplifies a surface.</summary>
    /// <param name="mesh">The surface, welded.</param>
    /// <param name="most">Most triangles that are wanted; more stay where borders hold them.</param>
    /// <param name="cancel">Ends it.</param>
    public static Mesh Simplify(Mesh mesh, int most, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        return mesh.Count <= most ? mesh : new Simplifier(mesh).Run(mesh, most, cancel);
    }

    private Mesh Run(Mesh mesh, int most, CancellationToken cancel)
    {
        var area = Enumerable.Range(0, mesh.Count).Sum(t => mesh.Across(t).Length() / 2.0);
        var (limit, live) = (area / Math.Max(1, most) * 1e-5, mesh.Count);
        for (var pass = 0; pass < Passes && live > most; pass++)
        {
            cancel.ThrowIfCancellationRequested();
            Around();
            var (before, moved) = (live, new bool[points.Length]);
            for (var h = 0; h < corners.Length && live > most; h++)
            {
                if (gone[h / 3])
                {
                    continue;
                }

                var (a, b) = (corners[h], corners[Mesh.Next(h)]);
                if (a == b || moved[a] || moved[b] || (held[a] && held[b]))
                {
                    continue;
                }

                var both = quadrics[a] + quadrics[b];
                var to = held[a] ? points[a] : held[b] ? points[b] : both.Best(points[a], points[b]);
                if (both.At(to) > limit || Flips(a, b, to) || Flips(b, a, to) || !Meets(a, b))
                {
                    continue;
                }

                live -= Join(a, b, to, moved);
                quadrics[a] = both;
            }

            limit *= before - live < Least * before ? Rises : 1;
        }

        var left = Enumerable.Range(0, mesh.Count).Where(t => !gone[t]).ToList();
        return new Mesh(points, [.. left.SelectMany(t => new[] { corners[3 * t], corners[(3 * t) + 1], corners[(3 * t) + 2] })], [.. left.Select(t => mesh.Parts[t])]).Welded();
    }

    // Corners by their points.
    private void Around()
    {
        start = new int[points.Length + 1];
        for (var h = 0; h < corners.Length; h++)
        {
            start[corners[h] + 1] += gone[h / 3] ? 0 : 1;
        }

        for (var i = 1; i < start.Length; i++)
        {
            start[i] += start[i - 1];
        }

        var next = (int[])start.Clone();
        at = new int[start[^1]];
        for (var h = 0; h < corners.Length; h++)
        {
            if (!gone[h / 3])
            {
                at[next[corners[h]]++] = h;
            }
        }
    }

    // Two points of an edge share two neighbours and no more: else joining them would fold the surface together.
    private bool Meets(int a, int b)
    {
        HashSet<int> beside = [];
        for (var j = start[a]; j < start[a + 1]; j++)
        {
            if (!gone[at[j] / 3])
            {
                beside.Add(corners[Mesh.Next(at[j])]);
                beside.Add(corners[Mesh.Before(at[j])]);
            }
        }

        HashSet<int> shared = [];
        for (var j = start[b]; j < start[b + 1]; j++)
        {
            if (!gone[at[j] / 3])
            {
                foreach (var other in new[] { corners[Mesh.Next(at[j])], corners[Mesh.Before(at[j])] })
                {
                    if (other != a && beside.Contains(other))
                    {
                        shared.Add(other);
                    }
                }
            }
        }

        return shared.Count <= 2;
    }

    private bool Flips(int point, int other, Vector3 to)
    {
        for (var j = start[point]; j < start[point + 1]; j++)
        {
            var h = at[j];
            if (gone[h / 3])
            {
                continue;
            }

            var (p, q) = (corners[Mesh.Next(h)], corners[Mesh.Before(h)]);
            if (p == other || q == other)
            {
                continue;
            }

            var (was, now) = (Vector3.Cross(points[p] - points[point], points[q] - points[point]), Vector3.Cross(points[p] - to, points[q] - to));
            float Fullness(Vector3 across, Vector3 at) => across.Length() / Math.Max(1e-12f, Math.Max((points[p] - at).LengthSquared(), (points[q] - at).LengthSquared()));
            var fullness = Fullness(now, to);
            if (Vector3.Dot(was, now) < Turns * was.Length() * now.Length() || (fullness < Thin && fullness < Fullness(was, points[point])))
            {
                return true;
            }
        }

        return false;
    }

    private int Join(int a, int b, Vector3 to, bool[] moved)
    {
        var taken = 0;
        points[a] = to;
        held[a] |= held[b];
        for (var j = start[b]; j < start[b + 1]; j++)
        {
            var h = at[j];
            if (gone[h / 3])
            {
                continue;
            }

            if (corners[Mesh.Next(h)] == a || corners[Mesh.Before(h)] == a)
            {
                gone[h / 3] = true;
                taken++;
            }
            else
            {
                corners[h] = a;
            }

            // What lies beside is known by its old places until the next pass.
            moved[corners[Mesh.Next(h)]] = moved[corners[Mesh.Before(h)]] = true;
        }

        moved[a] = moved[b] = true;
        return taken;
    }

    // Sum of squared distances from planes.
    private readonly record struct Quadric(double Xx, double Xy, double Xz, double Xw, double Yy, double Yz, double Yw, double Zz, double Zw, double Ww)
    {
        public static Quadric Of(Vector3 n, double w) => new(n.X * n.X, n.X * n.Y, n.X * n.Z, n.X * w, n.Y * n.Y, n.Y * n.Z, n.Y * w, n.Z * n.Z, n.Z * w, w * w);

        public static Quadric operator +(Quadric a, Quadric b) =>
            new(a.Xx + b.Xx, a.Xy + b.Xy, a.Xz + b.Xz, a.Xw + b.Xw, a.Yy + b.Yy, a.Yz + b.Yz, a.Yw + b.Yw, a.Zz + b.Zz, a.Zw + b.Zw, a.Ww + b.Ww);

        public double At(Vector3 p) =>
            (Xx * p.X * p.X) + (2 * Xy * p.X * p.Y) + (2 * Xz * p.X * p.Z) + (2 * Xw * p.X) + (Yy * p.Y * p.Y) + (2 * Yz * p.Y * p.Z) + (2 * Yw * p.Y) + (Zz * p.Z * p.Z) + (2 * Zw * p.Z) + Ww;

        // Where it is least by Cramer's rule, if that is near; else the best of both ends and their middle.
        public Vector3 Best(Vector3 a, Vector3 b)
        {
            var (c0, c1, c2) = ((Yy * Zz) - (Yz * Yz), (Xy * Zz) - (Yz * Xz), (Xy * Yz) - (Yy * Xz));
            var whole = (Xx * c0) - (Xy * c1) + (Xz * c2);
            var span = Vector3.Distance(a, b);
            if (Math.Abs(whole) > 1e-9)
            {
                var x = ((-Xw * c0) - (Xy * ((-Yw * Zz) + (Yz * Zw))) + (Xz * ((-Yw * Yz) + (Yy * Zw)))) / whole;
                var y = ((Xx * ((-Yw * Zz) + (Yz * Zw))) + (Xw * c1) + (Xz * ((-Xy * Zw) + (Yw * Xz)))) / whole;
                var z = ((Xx * ((-Yy * Zw) + (Yw * Yz))) - (Xy * ((-Xy * Zw) + (Yw * Xz))) - (Xw * c2)) / whole;
                var best = new Vector3((float)x, (float)y, (float)z);
                if (Vector3.Distance(best, (a + b) / 2) < span)
                {
                    return best;
                }
            }

            var middle = (a + b) / 2;
            return At(middle) <= Math.Min(At(a), At(b)) ? middle : At(a) < At(b) ? a : b;
        }
    }
}
