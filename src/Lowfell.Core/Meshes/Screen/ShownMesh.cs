using System.Numerics;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Splitting;

namespace Lowfell.Core.Meshes.Screen;

/// <summary>A surface as it is drawn: points with their fields in bytes, as they go over to the browser.</summary>
/// <param name="Low">Lowest corner, mm.</param>
/// <param name="ExtentMm">Longest side, mm: places are 0..65535 of it.</param>
/// <param name="Places">Four for each vertex: x, y, z and nothing.</param>
/// <param name="Normals">Four for each vertex: x, y, z times 127 and nothing.</param>
/// <param name="Fields">Four for each vertex, 0..255: recess, edge, what a spray from above reaches, what is open.</param>
/// <param name="Extras">Four for each vertex: part, what runs down, sky, nothing.</param>
/// <param name="Corners">Three for each triangle.</param>
public sealed record ShownMesh(Vector3 Low, float ExtentMm, ushort[] Places, sbyte[] Normals, byte[] Fields, byte[] Extras, int[] Corners)
{
    /// <summary>Triangles that a picture is made of, for a look that fills the screen and for a small picture.</summary>
    public const int MostTriangles = 60_000, MostSmall = 18_000;

    // Corners of faces that meet at less than 42 degrees are drawn round.
    private const float Round = 0.74f;

    /// <summary>Vertices.</summary>
    public int Vertices => Places.Length / 4;

    /// <summary>Triangles.</summary>
    public int Triangles => Corners.Length / 3;

    /// <summary>Splits a surface, reckons its fields, and makes it ready to be drawn.</summary>
    /// <param name="mesh">The surface: welded and turned outside out.</param>
    /// <param name="radiusMm">Radius within which edges and recesses are told, mm.</param>
    /// <param name="most">Most triangles.</param>
    /// <param name="cancel">Ends it.</param>
    public static ShownMesh Of(Mesh mesh, float radiusMm = SurfaceFields.UsualRadiusMm, int most = MostTriangles, CancellationToken cancel = default)
    {
        var split = Splitter.Split(mesh, radiusMm, most, cancel);
        return Of(split, SurfaceFields.Of(split, radiusMm, cancel));
    }

    /// <summary>Makes a surface with its fields ready to be drawn: triangles that are near each other are stored near each other.</summary>
    public static ShownMesh Of(Mesh mesh, SurfaceFields fields)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        ArgumentNullException.ThrowIfNull(fields);
        var (low, high) = mesh.Box();
        var size = high - low;
        var extent = Math.Max(0.01f, Math.Max(size.X, Math.Max(size.Y, size.Z)));
        var drawn = CornerNormals(mesh);
        int[] order = [.. Enumerable.Range(0, mesh.Count)];
        Array.Sort([.. order.Select(t => Morton((mesh.Points[mesh.Corners[3 * t]] - low) / extent * 1023))], order);
        var known = new Dictionary<(int, byte, int), int>(mesh.Points.Length * 2);
        var (places, normals, bytes, extras, corners) = (new List<ushort>(), new List<sbyte>(), new List<byte>(), new List<byte>(), new int[mesh.Corners.Length]);
        var next = 0;
        foreach (var t in order)
        {
            for (var h = 3 * t; h < (3 * t) + 3; h++)
            {
                var (point, n) = (mesh.Corners[h], drawn[h]);
                var (x, y, z) = ((int)MathF.Round(n.X * 127), (int)MathF.Round(n.Y * 127), (int)MathF.Round(n.Z * 127));
                var key = (point, mesh.Parts[t], ((x / 3) << 16) ^ ((y / 3) << 8) ^ (z / 3));
                if (!known.TryGetValue(key, out corners[next]))
                {
                    known[key] = corners[next] = places.Count / 4;
                    var at = (mesh.Points[point] - low) / extent * 65535;
                    places.AddRange([(ushort)MathF.Round(at.X), (ushort)MathF.Round(at.Y), (ushort)MathF.Round(at.Z), 0]);
                    normals.AddRange([(sbyte)x, (sbyte)y, (sbyte)z, 0]);
                    bytes.AddRange([Byte(fields.Recess[point]), Byte(fields.Edge[point]), Byte(fields.Above[point]), Byte(fields.Open[point])]);
                    extras.AddRange([mesh.Parts[t], Byte(fields.Run[point]), Byte(fields.Sky[point]), 0]);
                }

                next++;
            }
        }

        return new(low, extent, [.. places], [.. normals], [.. bytes], [.. extras], corners);
    }

    /// <summary>Where a vertex is, mm.</summary>
    public Vector3 At(int vertex) => Low + (new Vector3(Places[4 * vertex], Places[(4 * vertex) + 1], Places[(4 * vertex) + 2]) * (ExtentMm / 65535));

    /// <summary>Highest corner, mm.</summary>
    public Vector3 High()
    {
        var high = Low;
        for (var i = 0; i < Vertices; i++)
        {
            high = Vector3.Max(high, At(i));
        }

        return high;
    }

    private static byte Byte(float share) => (byte)Math.Clamp((int)MathF.Round(share * 255), 0, 255);

    private static Vector3[] CornerNormals(Mesh mesh)
    {
        var start = new int[mesh.Points.Length + 1];
        foreach (var corner in mesh.Corners)
        {
            start[corner + 1]++;
        }

        for (var i = 1; i < start.Length; i++)
        {
            start[i] += start[i - 1];
        }

        var (at, around, across) = ((int[])start.Clone(), new int[mesh.Corners.Length], new Vector3[mesh.Count]);
        for (var h = 0; h < mesh.Corners.Length; h++)
        {
            around[at[mesh.Corners[h]]++] = h / 3;
        }

        for (var t = 0; t < across.Length; t++)
        {
            across[t] = mesh.Across(t);
        }

        var normals = new Vector3[mesh.Corners.Length];
        for (var h = 0; h < normals.Length; h++)
        {
            var (own, sum, point) = (across[h / 3], Vector3.Zero, mesh.Corners[h]);
            for (var j = start[point]; j < start[point + 1]; j++)
            {
                var other = across[around[j]];
                sum += Vector3.Dot(own, other) >= Round * own.Length() * other.Length() ? other : Vector3.Zero;
            }

            normals[h] = sum.LengthSquared() > 1e-20f ? Vector3.Normalize(sum) : Vector3.UnitZ;
        }

        return normals;
    }

    private static uint Morton(Vector3 at)
    {
        static uint Spread(uint v)
        {
            v = (v | (v << 16)) & 0x030000FF;
            v = (v | (v << 8)) & 0x0300F00F;
            v = (v | (v << 4)) & 0x030C30C3;
            return (v | (v << 2)) & 0x09249249;
        }

        return Spread((uint)at.X) | (Spread((uint)at.Y) << 1) | (Spread((uint)at.Z) << 2);
    }
}
