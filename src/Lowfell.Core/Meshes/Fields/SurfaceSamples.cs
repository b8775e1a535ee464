using System.Numerics;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.Fields;

/// <summary>Points sprinkled evenly over a surface, looked up by place.</summary>
public sealed class SurfaceSamples
{
    private const float PerRadius = 3.5f;
    private const int Most = 3_000_000;

    // One is buried under another that looks the same way, so far over it and so little aside, as parts of radius and spacing.
    private const float Over = 0.05f, Aside = 1.35f, Like = 0.7f;

    // Samples that look the other way belong to the back of something thin.
    private const float Away = -0.5f;

    private readonly Vector3[] at;
    private readonly Vector3[] normals;
    private readonly float[] weights;
    private readonly int[] start;
    private readonly int mask;
    private readonly float radius;

    private SurfaceSamples(float radius, List<(Vector3 At, Vector3 Normal, float Weight)> all)
    {
        this.radius = radius;
        var cells = (int)BitOperations.RoundUpToPowerOf2((uint)Math.Max(1024, all.Count / 4));
        mask = cells - 1;
        start = new int[cells + 1];
        var keys = new int[all.Count];
        for (var i = 0; i < keys.Length; i++)
        {
            keys[i] = Key(Cell(all[i].At.X), Cell(all[i].At.Y), Cell(all[i].At.Z));
            start[keys[i] + 1]++;
        }

        for (var i = 1; i <= cells; i++)
        {
            start[i] += start[i - 1];
        }

        var next = (int[])start.Clone();
        (at, normals, weights) = (new Vector3[keys.Length], new Vector3[keys.Length], new float[keys.Length]);
        for (var i = 0; i < keys.Length; i++)
        {
            var place = next[keys[i]]++;
            (at[place], normals[place], weights[place]) = all[i];
        }
    }

    /// <summary>How many.</summary>
    public int Count => at.Length;

    /// <summary>Sprinkles a surface.</summary>
    /// <param name="mesh">The surface, turned outside out.</param>
    /// <param name="radiusMm">Radius that bends will be asked for, mm.</param>
    public static SurfaceSamples Of(Mesh mesh, float radiusMm)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        var area = 0.0;
        for (var t = 0; t < mesh.Count; t++)
        {
            area += mesh.Across(t).Length() / 2;
        }

        var spacing = Math.Max(radiusMm / PerRadius, (float)Math.Sqrt(area / Most));
        var cell = spacing * spacing;
        var all = new List<(Vector3, Vector3, float)>((int)(area / cell * 1.1) + 16);
        var carried = 0.0;
        for (var t = 0; t < mesh.Count; t++)
        {
            var across = mesh.Across(t);
            var own = across.Length() / 2;
            if (own <= 1e-12f)
            {
                continue;
            }

            var (a, b, c) = (mesh.Points[mesh.Corners[3 * t]], mesh.Points[mesh.Corners[(3 * t) + 1]], mesh.Points[mesh.Corners[(3 * t) + 2]]);
            var normal = across / (2 * own);
            carried += own / cell;
            var count = (int)carried;
            carried -= count;

            // A low-discrepancy row (Roberts 2018), folded into the triangle: even however long it is.
            for (var i = 0; i < count; i++)
            {
                var u = Part((0.5f + ((i + 1) * 0.7548777f)) + (t * 0.618034f));
                var v = Part((0.5f + ((i + 1) * 0.5698403f)) + (t * 0.381966f));
                (u, v) = u + v > 1 ? (1 - u, 1 - v) : (u, v);
                all.Add((a + ((b - a) * u) + ((c - a) * v), normal, cell));
            }
        }

        // What lies under another surface is no surface: a plate below what is laid on it, the wall of a box pushed into a hull.
        var first = new SurfaceSamples(radiusMm, all);
        var bare = first.Bare(spacing);
        return bare.Count == all.Count ? first : new(radiusMm, bare);
    }

    /// <summary>How the surface bends about a point, within the radius: 0 flat, below 0 raised, above 0 hollow.</summary>
    /// <remarks>
    /// s = sum w n.(q-p) / (r sum w), w = area (1 - d^2/r^2): an integral invariant (Manay et al. 2006; Pottmann et al. 2009) in its area form.
    /// A sphere of radius R gives -r/(6R), a right-angled edge -4 sqrt2 / (15 pi/2) = -0.240.
    /// </remarks>
    /// <param name="point">The point, mm.</param>
    /// <param name="normal">Outward normal there.</param>
    public float Bend(Vector3 point, Vector3 normal)
    {
        var square = radius * radius;
        var (sum, whole) = (0f, 0f);
        var (cx, cy, cz) = (Cell(point.X), Cell(point.Y), Cell(point.Z));
        for (var x = cx - 1; x <= cx + 1; x++)
        {
            for (var y = cy - 1; y <= cy + 1; y++)
            {
                for (var z = cz - 1; z <= cz + 1; z++)
                {
                    var key = Key(x, y, z);
                    for (var i = start[key]; i < start[key + 1]; i++)
                    {
                        var to = at[i] - point;
                        var distance = to.LengthSquared();
                        if (distance >= square || Vector3.Dot(normals[i], normal) < Away || Cell(at[i].X) != x || Cell(at[i].Y) != y || Cell(at[i].Z) != z)
                        {
                            continue;
                        }

                        var weight = weights[i] * (1 - (distance / square));
                        sum += weight * Vector3.Dot(to, normal);
                        whole += weight;
                    }
                }
            }
        }

        return whole > 0 ? sum / (radius * whole) : 0;
    }

    private List<(Vector3, Vector3, float)> Bare(float spacing)
    {
        var aside = Aside * spacing * Aside * spacing;
        var buried = new bool[at.Length];
        Parallel.For(0, (at.Length + 2047) / 2048, block =>
        {
            for (var i = block * 2048; i < Math.Min(at.Length, (block + 1) * 2048); i++)
            {
                buried[i] = IsBuried(i, aside);
            }
        });
        return [.. Enumerable.Range(0, at.Length).Where(i => !buried[i]).Select(i => (at[i], normals[i], weights[i]))];
    }

    private bool IsBuried(int i, float aside)
    {
        var (own, normal) = (at[i], normals[i]);

        // Only the cells that the way out of it goes through.
        var last = -1;
        for (var k = 1; k <= 4; k++)
        {
            var way = own + (normal * (radius * k / 4));
            var key = Key(Cell(way.X), Cell(way.Y), Cell(way.Z));
            if (key == last)
            {
                continue;
            }

            last = key;
            for (var j = start[key]; j < start[key + 1]; j++)
            {
                var to = at[j] - own;
                var over = Vector3.Dot(to, normal);
                if (over > Over * radius && over < radius && to.LengthSquared() - (over * over) < aside && Vector3.Dot(normals[j], normal) > Like)
                {
                    return true;
                }
            }
        }

        return false;
    }

    private static float Part(float x) => x - MathF.Floor(x);

    private int Cell(float mm) => (int)MathF.Floor(mm / radius);

    private int Key(int x, int y, int z) => (int)(((((uint)x * 73856093u) ^ ((uint)y * 19349663u) ^ ((uint)z * 83492791u)) * 2654435769u) >> 7) & mask;
}
