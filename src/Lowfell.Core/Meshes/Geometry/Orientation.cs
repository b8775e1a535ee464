using System.Numerics;

namespace Lowfell.Core.Meshes.Geometry;

/// <summary>Triangles turned alike.</summary>
public static class Orientation
{
    /// <summary>Turns the triangles of each connected part alike, and closed parts outside out.</summary>
    /// <param name="mesh">The surface.</param>
    /// <param name="turned">Triangles that were turned.</param>
    public static Mesh Mend(Mesh mesh, out int turned)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        var (corners, opposite) = ((int[])mesh.Corners.Clone(), Neighbours.Of(mesh).Opposite);
        var part = new int[mesh.Count];
        var flip = new bool[mesh.Count];
        var parts = 0;
        var open = new Stack<int>();
        for (var first = 0; first < mesh.Count; first++)
        {
            if (part[first] > 0)
            {
                continue;
            }

            parts++;
            part[first] = parts;
            open.Push(first);
            var (volume, closed) = (0.0, true);
            List<int> members = [];
            while (open.Count > 0)
            {
                var t = open.Pop();
                members.Add(t);
                volume += (flip[t] ? -1 : 1) * Volume(mesh, t);
                for (var k = 0; k < 3; k++)
                {
                    var (h, o) = ((3 * t) + k, opposite[(3 * t) + k]);
                    if (o < 0)
                    {
                        closed = false;
                        continue;
                    }

                    if (part[o / 3] == 0)
                    {
                        // Two that run an edge the same way are turned against each other.
                        part[o / 3] = parts;
                        flip[o / 3] = flip[t] ^ (mesh.Corners[h] == mesh.Corners[o]);
                        open.Push(o / 3);
                    }
                }
            }

            if (closed && volume < 0)
            {
                members.ForEach(t => flip[t] = !flip[t]);
            }
        }

        turned = 0;
        for (var t = 0; t < mesh.Count; t++)
        {
            if (flip[t])
            {
                (corners[(3 * t) + 1], corners[(3 * t) + 2]) = (corners[(3 * t) + 2], corners[(3 * t) + 1]);
                turned++;
            }
        }

        return mesh with { Corners = corners };
    }

    // Of the body between a triangle and the origin, by the divergence theorem.
    internal static double Volume(Mesh mesh, int t)
    {
        var (a, b, c) = (mesh.Points[mesh.Corners[3 * t]], mesh.Points[mesh.Corners[(3 * t) + 1]], mesh.Points[mesh.Corners[(3 * t) + 2]]);
        return Vector3.Dot(a, Vector3.Cross(b, c)) / 6.0;
    }
}
