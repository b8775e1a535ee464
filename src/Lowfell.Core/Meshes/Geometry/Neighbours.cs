namespace Lowfell.Core.Meshes.Geometry;

/// <summary>Which triangles meet along their edges. An edge is named by the corner that it starts from.</summary>
/// <param name="Opposite">For each corner the corner from which the triangle on the other side runs the same edge; <see cref="Open"/> or <see cref="Many"/>.</param>
/// <param name="OpenEdges">Edges with one triangle.</param>
/// <param name="ManyEdges">Edges with more than two.</param>
public sealed record Neighbours(int[] Opposite, int OpenEdges, int ManyEdges)
{
    /// <summary>No triangle is on the other side.</summary>
    public const int Open = -1;

    /// <summary>More than one is.</summary>
    public const int Many = -2;

    /// <summary>Whether nothing is open: the surface has an inside.</summary>
    public bool Closed => OpenEdges == 0 && ManyEdges == 0;

    /// <summary>Finds them: edges by buckets of their lower point, nothing is sorted.</summary>
    public static Neighbours Of(Mesh mesh)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        var corners = mesh.Corners;
        var start = new int[mesh.Points.Length + 1];
        for (var h = 0; h < corners.Length; h++)
        {
            start[Math.Min(corners[h], corners[Mesh.Next(h)]) + 1]++;
        }

        for (var i = 1; i < start.Length; i++)
        {
            start[i] += start[i - 1];
        }

        var (at, bucket) = ((int[])start.Clone(), new int[corners.Length]);
        for (var h = 0; h < corners.Length; h++)
        {
            bucket[at[Math.Min(corners[h], corners[Mesh.Next(h)])]++] = h;
        }

        var opposite = new int[corners.Length];
        Array.Fill(opposite, Open);
        var (open, many) = (0, 0);
        int Upper(int h) => Math.Max(corners[h], corners[Mesh.Next(h)]);
        for (var p = 0; p < mesh.Points.Length; p++)
        {
            for (var i = start[p]; i < start[p + 1]; i++)
            {
                var (h, upper, met, other) = (bucket[i], Upper(bucket[i]), 0, -1);
                for (var j = start[p]; j < start[p + 1]; j++)
                {
                    if (j != i && Upper(bucket[j]) == upper)
                    {
                        (met, other) = (met + 1, bucket[j]);
                    }
                }

                opposite[h] = met == 1 ? other : met == 0 ? Open : Many;
                open += met == 0 ? 1 : 0;
                many += met > 1 ? 1 : 0;
            }
        }

        return new(opposite, open, many);
    }
}
