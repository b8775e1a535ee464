using System.Numerics;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.Fields;

/// <summary>What paint and light ask of each point of a surface; each 0..1 but the height.</summary>
/// <param name="Normals">Outward normals: over a sharp edge the one between its faces.</param>
/// <param name="Recess">Weight of the recess: where a wash lives.</param>
/// <param name="Edge">Weight of the raised edge: where a dry brush lives.</param>
/// <param name="Above">What a spray from above reaches; <see cref="Facings"/> reads the facing from it.</param>
/// <param name="Open">What is not shut in.</param>
/// <param name="Sky">What sees the sky.</param>
/// <param name="Run">What runs down from edges above.</param>
public sealed record SurfaceFields(Vector3[] Normals, float[] Recess, float[] Edge, float[] Above, float[] Open, float[] Sky, float[] Run)
{
    /// <summary>Radius within which a surface is raised or hollow at 28 mm scale, mm. Craft estimate.</summary>
    public const float UsualRadiusMm = 0.6f;

    // A bend begins to catch paint here and is full edge or recess there: an edge of 45 degrees reaches 0.13. Craft estimates.
    private const float Begins = 0.05f, Full = 0.16f;

    // Length over which what runs down thins out, mm. Craft estimate.
    private const float RunMm = 14;

    /// <summary>Reckons them for the points of a surface.</summary>
    /// <param name="mesh">The surface, turned outside out.</param>
    /// <param name="radiusMm">Radius of bends, mm.</param>
    /// <param name="cancel">Ends it.</param>
    public static SurfaceFields Of(Mesh mesh, float radiusMm = UsualRadiusMm, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        var normals = PointNormals(mesh);
        var samples = SurfaceSamples.Of(mesh, radiusMm);
        var (recess, edge) = (new float[normals.Length], new float[normals.Length]);
        Parallel.For(0, (normals.Length + 511) / 512, new ParallelOptions { CancellationToken = cancel }, block =>
        {
            for (var i = block * 512; i < Math.Min(normals.Length, (block + 1) * 512); i++)
            {
                var bend = samples.Bend(mesh.Points[i], normals[i]);
                (recess[i], edge[i]) = (Smooth(Begins, Full, bend), Smooth(Begins, Full, -bend));
            }
        });
        var light = Fields.Sky.Of(mesh, mesh.Points, normals, cancel);
        return new(normals, recess, edge, light.Above, light.Open, light.Sky, RunDown(mesh, normals, edge));
    }

    /// <summary>Shares of recess, face and edge at a point: they are a partition (Murray and Davies 1936, in linear light).</summary>
    public (float Recess, float Face, float Edge) Shares(int point)
    {
        var (recess, edge) = (Recess[point], Edge[point] * (1 - Recess[point]));
        return (recess, 1 - recess - edge, edge);
    }

    /// <summary>Normals of points: those of the triangles round each, by their angle there.</summary>
    internal static Vector3[] PointNormals(Mesh mesh)
    {
        var faces = MeshMeasures.Normals(mesh);
        var normals = new Vector3[mesh.Points.Length];
        for (var h = 0; h < mesh.Corners.Length; h++)
        {
            var at = mesh.Points[mesh.Corners[h]];
            var (a, b) = (mesh.Points[mesh.Corners[Mesh.Next(h)]] - at, mesh.Points[mesh.Corners[Mesh.Before(h)]] - at);
            var lengths = a.Length() * b.Length();
            if (lengths > 0)
            {
                normals[mesh.Corners[h]] += faces[h / 3] * MathF.Acos(Math.Clamp(Vector3.Dot(a, b) / lengths, -1, 1));
            }
        }

        for (var i = 0; i < normals.Length; i++)
        {
            normals[i] = normals[i].LengthSquared() > 1e-12f ? Vector3.Normalize(normals[i]) : Vector3.UnitZ;
        }

        return normals;
    }

    internal static float Smooth(float from, float to, float x)
    {
        x = Math.Clamp((x - from) / (to - from), 0, 1);
        return x * x * (3 - (2 * x));
    }

    // From the top down: each point takes the most of its own edge and of what comes from higher neighbours along steep edges.
    private static float[] RunDown(Mesh mesh, Vector3[] normals, float[] edge)
    {
        var run = new float[normals.Length];
        int[] order = [.. Enumerable.Range(0, run.Length)];
        Array.Sort([.. order.Select(i => -mesh.Points[i].Z)], order);
        var start = new int[run.Length + 1];
        foreach (var corner in mesh.Corners)
        {
            start[corner + 1] += 2;
        }

        for (var i = 1; i < start.Length; i++)
        {
            start[i] += start[i - 1];
        }

        var (next, beside) = ((int[])start.Clone(), new int[start[^1]]);
        for (var h = 0; h < mesh.Corners.Length; h++)
        {
            var point = mesh.Corners[h];
            beside[next[point]++] = mesh.Corners[Mesh.Next(h)];
            beside[next[point]++] = mesh.Corners[Mesh.Before(h)];
        }

        foreach (var point in order)
        {
            var steep = 1 - MathF.Abs(normals[point].Z);
            run[point] = Math.Max(run[point], edge[point] * Smooth(0.15f, 0.5f, steep + (normals[point].Z > 0 ? 0.3f : 0)));
            if (run[point] < 0.01f)
            {
                continue;
            }

            for (var j = start[point]; j < start[point + 1]; j++)
            {
                var to = mesh.Points[beside[j]] - mesh.Points[point];
                var length = to.Length();
                if (-to.Z >= 0.7f * length && length > 0)
                {
                    run[beside[j]] = Math.Max(run[beside[j]], run[point] * MathF.Exp(-length / RunMm));
                }
            }
        }

        return run;
    }
}

/// <summary>Reads the five facings from what a spray from above reaches.</summary>
public static class Facings
{
    /// <summary>How many.</summary>
    public const int Count = 5;

    // What a spray from above leaves on up, slope, side, overhang and under, as techniques have it.
    private static readonly float[] Reached = [1, 0.7f, 0.3f, 0.05f, 0];

    /// <summary>A place 0..4 between the facings: 0 up, 1 sloping, 2 sideways, 3 leaning over, 4 under.</summary>
    public static float Of(float above)
    {
        for (var i = 0; i + 1 < Count; i++)
        {
            if (above >= Reached[i + 1])
            {
                return Math.Clamp(i + ((Reached[i] - above) / (Reached[i] - Reached[i + 1])), 0, Count - 1);
            }
        }

        return Count - 1;
    }
}
