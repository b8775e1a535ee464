using System.Numerics;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Meshes.Geometry;

/// <summary>What a surface measures.</summary>
/// <param name="AreaMm2">Area, mm2.</param>
/// <param name="VolumeMm3">Volume within, mm3; of an open surface what closing it towards the origin would hold.</param>
/// <param name="EdgeMm">Length of raised edges, mm.</param>
/// <param name="CreaseMm">Length of creases, mm.</param>
/// <param name="OpenMm">Length of open edges, mm.</param>
/// <param name="FacingMm2">Area by <see cref="Facing"/>, mm2.</param>
public sealed record MeshMeasures(double AreaMm2, double VolumeMm3, double EdgeMm, double CreaseMm, double OpenMm, IReadOnlyList<double> FacingMm2)
{
    // A line is a turn of so much within the distance; a turn of less is no turn, and one the other way of more ends a walk. Craft estimates.
    private const double LineRad = Math.PI / 6, LeastRad = Math.PI / 360, OtherRad = Math.PI / 90;

    // Limits of facings from straight up, degrees.
    private static readonly double[] Limits = [22.5, 67.5, 112.5, 157.5];

    /// <summary>Measures a surface whose triangles are turned alike and whose points are welded.</summary>
    /// <remarks>
    /// Edges and creases by turn over a distance: from each edge of the mesh a straight walk at right angles, r to both sides, sums the turns of
    /// one sign; a line is where that is over 30 degrees, and it counts for the share of the turn that this edge has. So a rounding of many facets
    /// is one line, and fine triangles change nothing. (Shares of a turn: discrete mean curvature after Cohen-Steiner and Morvan 2003.)
    /// </remarks>
    /// <param name="mesh">The surface.</param>
    /// <param name="distanceMm">r, mm.</param>
    public static MeshMeasures Of(Mesh mesh, double distanceMm = 0.5)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        var opposite = Neighbours.Of(mesh).Opposite;
        var normals = Normals(mesh);
        var facing = new double[Limits.Length + 1];
        var (area, volume) = (0.0, 0.0);
        for (var t = 0; t < mesh.Count; t++)
        {
            var own = mesh.Across(t).Length() / 2.0;
            var slope = Math.Acos(Math.Clamp(normals[t].Z, -1, 1)) * 180 / Math.PI;
            facing[Limits.Count(l => slope > l)] += own;
            area += own;
            volume += Orientation.Volume(mesh, t);
        }

        var (edge, crease, open) = (0.0, 0.0, 0.0);
        for (var h = 0; h < mesh.Corners.Length; h++)
        {
            var length = Vector3.Distance(mesh.Points[mesh.Corners[h]], mesh.Points[mesh.Corners[Mesh.Next(h)]]);
            open += opposite[h] < 0 ? length : 0;
            if (opposite[h] < h || Math.Abs(Turn(mesh, normals, h, opposite[h])) < LeastRad)
            {
                continue;
            }

            var own = Turn(mesh, normals, h, opposite[h]);
            var (near, far) = (own, own);
            foreach (var side in new[] { h, opposite[h] })
            {
                var (within, twice) = Walk(mesh, normals, opposite, side, Math.Sign(own), distanceMm);
                (near, far) = (near + within, far + twice);
            }

            if (Math.Abs(near) > LineRad)
            {
                var counts = length * Math.Min(1, Math.Abs(own) / Math.Max(Math.Abs(near), Math.Abs(far)));
                (edge, crease) = own > 0 ? (edge + counts, crease) : (edge, crease + counts);
            }
        }

        return new(area, volume, edge, crease, open, facing);
    }

    /// <summary>Outward normals of the triangles, of length 1.</summary>
    internal static Vector3[] Normals(Mesh mesh)
    {
        var normals = new Vector3[mesh.Count];
        for (var t = 0; t < normals.Length; t++)
        {
            var across = mesh.Across(t);
            normals[t] = across.LengthSquared() > 0 ? Vector3.Normalize(across) : Vector3.UnitZ;
        }

        return normals;
    }

    /// <summary>How the surface turns over an edge, radians: above 0 over a raised edge, below in a crease.</summary>
    internal static double Turn(Mesh mesh, Vector3[] normals, int h, int o)
    {
        var (a, b) = (normals[h / 3], normals[o / 3]);
        var angle = Math.Atan2(Vector3.Cross(a, b).Length(), Vector3.Dot(a, b));
        return Vector3.Dot(b, mesh.Points[mesh.Corners[Mesh.Before(h)]] - mesh.Points[mesh.Corners[h]]) <= 0 ? angle : -angle;
    }

    // Straight over the surface from the middle of an edge, at right angles to it; turns of one sign within once and twice the distance.
    private static (double Near, double Far) Walk(Mesh mesh, Vector3[] normals, int[] opposite, int from, int sign, double distance)
    {
        var (points, corners) = (mesh.Points, mesh.Corners);
        var at = (points[corners[from]] + points[corners[Mesh.Next(from)]]) / 2;
        var along = Vector3.Normalize(points[corners[Mesh.Next(from)]] - points[corners[from]]);
        var way = Vector3.Cross(normals[from / 3], along);
        var (gone, near, far, into) = (0.0, 0.0, 0.0, from);
        while (true)
        {
            // Leave the triangle by the edge that the way meets first.
            var (best, exit) = (double.MaxValue, -1);
            for (var h = Mesh.Next(into); h != into; h = Mesh.Next(h))
            {
                var (a, edge) = (points[corners[h]], points[corners[Mesh.Next(h)]] - points[corners[h]]);
                var outward = Vector3.Cross(edge, normals[into / 3]);
                var towards = Vector3.Dot(way, outward);
                if (towards > 1e-9f && Vector3.Dot(a - at, outward) / towards is var length && length < best)
                {
                    (best, exit) = (Math.Max(0, length), h);
                }
            }

            gone += best;
            if (exit < 0 || gone > 2 * distance || opposite[exit] < 0)
            {
                return (near, far);
            }

            at += way * (float)best;
            var shared = Vector3.Normalize(points[corners[Mesh.Next(exit)]] - points[corners[exit]]);
            var keeps = Vector3.Dot(way, shared);
            var across = MathF.Sqrt(Math.Max(0, 1 - (keeps * keeps)));
            var turn = Turn(mesh, normals, exit, opposite[exit]) * across;
            if (Math.Abs(turn) > OtherRad && Math.Sign(turn) != sign)
            {
                return (near, far);
            }

            if (Math.Sign(turn) == sign)
            {
                near += gone <= distance ? turn : 0;
                far += turn;
            }

            into = opposite[exit];

            // The same angle to the edge on its other side.
            way = (shared * keeps) + (Vector3.Cross(normals[into / 3], -shared) * across);
        }
    }
}
