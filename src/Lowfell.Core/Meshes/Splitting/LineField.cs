using System.Numerics;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.Splitting;

/// <summary>The sharp lines of a surface, and how near a place is to one.</summary>
public sealed class LineField
{
    private const double LineRad = Math.PI / 6;

    private readonly (Vector3 A, Vector3 Way, float Length)[] lines;
    private readonly int[] start;
    private readonly int[] near;
    private readonly int mask;
    private readonly float reach;

    private LineField(List<(Vector3, Vector3)> all, float reachMm)
    {
        reach = reachMm;
        lines = [.. all.Select(l => (l.Item1, l.Item2 - l.Item1, Vector3.Distance(l.Item1, l.Item2)))];

        // Every cell that a line comes near knows it: a question looks into one cell alone. Cells that share a place in the table only look at more lines.
        var pairs = new List<(int Key, int Line)>();
        var seen = new HashSet<(int, int, int)>();
        for (var l = 0; l < lines.Length; l++)
        {
            seen.Clear();
            var steps = Math.Max(1, (int)MathF.Ceiling(lines[l].Length / (reach / 2)));
            for (var i = 0; i <= steps; i++)
            {
                var p = lines[l].A + (lines[l].Way * ((float)i / steps));
                var (x, y, z) = (Cell(p.X), Cell(p.Y), Cell(p.Z));
                for (var k = 0; k < 27; k++)
                {
                    seen.Add((x + (k % 3) - 1, y + (k / 3 % 3) - 1, z + (k / 9) - 1));
                }
            }

            pairs.AddRange(seen.Select(c => (Hash(c.Item1, c.Item2, c.Item3), l)));
        }

        var places = (int)BitOperations.RoundUpToPowerOf2((uint)Math.Max(1024, pairs.Count / 2));
        mask = places - 1;
        start = new int[places + 1];
        foreach (var (key, _) in pairs)
        {
            start[(key & mask) + 1]++;
        }

        for (var i = 1; i <= places; i++)
        {
            start[i] += start[i - 1];
        }

        var next = (int[])start.Clone();
        near = new int[pairs.Count];
        foreach (var (key, line) in pairs)
        {
            near[next[key & mask]++] = line;
        }
    }

    /// <summary>All lines together, mm.</summary>
    public double LengthMm => lines.Sum(l => (double)l.Length);

    /// <summary>The lines of a surface: edges of more than 30 degrees, and open ones.</summary>
    /// <param name="mesh">The surface.</param>
    /// <param name="neighbours">Which of its triangles meet.</param>
    /// <param name="reachMm">Farthest that is told, mm.</param>
    public static LineField Of(Mesh mesh, Neighbours neighbours, float reachMm)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        ArgumentNullException.ThrowIfNull(neighbours);
        var normals = MeshMeasures.Normals(mesh);
        var all = new List<(Vector3, Vector3)>();
        for (var h = 0; h < mesh.Corners.Length; h++)
        {
            var o = neighbours.Opposite[h];
            if (o < 0 || (o > h && Math.Abs(MeshMeasures.Turn(mesh, normals, h, o)) > LineRad))
            {
                all.Add((mesh.Points[mesh.Corners[h]], mesh.Points[mesh.Corners[Mesh.Next(h)]]));
            }
        }

        return new(all, reachMm);
    }

    /// <summary>1 on a line, 0 from the reach on, straight between.</summary>
    public float Nearness(Vector3 at)
    {
        var (least, key) = (reach * reach, Hash(Cell(at.X), Cell(at.Y), Cell(at.Z)) & mask);
        for (var i = start[key]; i < start[key + 1]; i++)
        {
            ref readonly var line = ref lines[near[i]];
            var along = Math.Clamp(Vector3.Dot(at - line.A, line.Way) / Math.Max(1e-12f, line.Length * line.Length), 0, 1);
            least = Math.Min(least, Vector3.DistanceSquared(at, line.A + (line.Way * along)));
        }

        return 1 - (MathF.Sqrt(least) / reach);
    }

    private static int Hash(int x, int y, int z) => (int)(((((uint)x * 73856093u) ^ ((uint)y * 19349663u) ^ ((uint)z * 83492791u)) * 2654435769u) >> 7);

    private int Cell(float mm) => (int)MathF.Floor(mm / reach);
}
