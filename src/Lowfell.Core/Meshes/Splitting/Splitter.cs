using System.Numerics;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.Splitting;

/// <summary>Splits triangles where edges and creases need points beside them: a plate of two triangles has nowhere to keep a highlight along its border.</summary>
public sealed class Splitter
{
    // Straight interpolation along an edge may be so much off.
    private const float Tolerance = 0.07f;

    // No piece is shorter than this part of the radius; longer than this, mm, everything is split, for light that changes over it.
    private const float Shortest = 0.2f, FarMm = 9;

    // How far from a line its nearness ends, and where a bent curve wants a point, as parts of the radius.
    private const float Reach = 1.1f;
    private static readonly float[] Bends = [0.28f, 0.55f, 0.8f, 1.1f];
    private static readonly float[] Parts = [0.125f, 0.25f, 0.375f, 0.5f, 0.625f, 0.75f, 0.875f];

    private readonly LineField lines;
    private readonly float radius;
    private readonly List<Vector3> points;
    private readonly List<float> nearness;
    private readonly List<int> corners;
    private readonly List<int> opposite;
    private readonly List<byte> parts;
    private readonly PriorityQueue<(int Corner, int From, int To, float Part), float> open = new();

    private Splitter(Mesh mesh, float radiusMm)
    {
        var neighbours = Neighbours.Of(mesh);
        lines = LineField.Of(mesh, neighbours, Reach * radiusMm);
        radius = radiusMm;
        (points, corners, opposite, parts) = ([.. mesh.Points], [.. mesh.Corners], [.. neighbours.Opposite], [.. mesh.Parts]);
        nearness = [.. mesh.Points.Select(Near)];
    }

    /// <summary>Splits along lines, the worst first, until nothing is off by more than the tolerance or a part has no triangles left to spend. Edges are shared, so no gaps open.</summary>
    /// <param name="mesh">The surface, welded.</param>
    /// <param name="radiusMm">Radius within which edges and recesses are told, mm.</param>
    /// <param name="most">Most triangles; each part has its share by area and by lines.</param>
    /// <param name="cancel">Ends it.</param>
    public static Mesh Split(Mesh mesh, float radiusMm, int most, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        return new Splitter(mesh, radiusMm).Run(Budgets(mesh, most), cancel);
    }

    // Half by area, half evenly: a small part with many lines gets what it needs.
    private static int[] Budgets(Mesh mesh, int most)
    {
        var (areas, counts) = (new double[256], new int[256]);
        for (var t = 0; t < mesh.Count; t++)
        {
            areas[mesh.Parts[t]] += mesh.Across(t).Length();
            counts[mesh.Parts[t]]++;
        }

        var (whole, spare) = (Math.Max(1e-9, areas.Sum()), Math.Max(0, most - mesh.Count));
        return [.. areas.Select((a, i) => counts[i] + (int)(spare * ((0.5 * a / whole) + (0.5 * counts[i] / Math.Max(1, mesh.Count)))))];
    }

    private Mesh Run(int[] budgets, CancellationToken cancel)
    {
        var counts = new int[256];
        parts.ForEach(p => counts[p]++);
        for (var h = 0; h < corners.Count; h++)
        {
            if (opposite[h] == Neighbours.Open || opposite[h] > h)
            {
                Ask(h);
            }
        }

        for (var steps = 0; open.TryDequeue(out var edge, out _); steps++)
        {
            if ((steps & 4095) == 0)
            {
                cancel.ThrowIfCancellationRequested();
            }

            // What was split meanwhile is asked for anew.
            var h = edge.Corner;
            if (corners[h] != edge.From || corners[Mesh.Next(h)] != edge.To)
            {
                continue;
            }

            var (one, other) = (parts[h / 3], opposite[h] >= 0 ? parts[opposite[h] / 3] : parts[h / 3]);
            if (counts[one] >= budgets[one] || counts[other] >= budgets[other])
            {
                continue;
            }

            counts[one]++;
            counts[other] += opposite[h] >= 0 ? 1 : 0;
            Split(h, edge.Part);
        }

        return new([.. points], [.. corners], [.. parts]);
    }

    // Paint falls off along a curve, not along a line.
    private float Near(Vector3 at) => lines.Nearness(at) is var near ? near * near : 0;

    // Asks where along an edge straight interpolation is most off.
    private void Ask(int h)
    {
        var (a, b) = (corners[h], corners[Mesh.Next(h)]);
        var length = Vector3.Distance(points[a], points[b]);
        var shortest = Shortest * radius;
        if (length <= 2 * shortest || opposite[h] == Neighbours.Many)
        {
            return;
        }

        var (most, at) = (0f, 0.5f);
        void Look(float part)
        {
            if (part * length < shortest || (1 - part) * length < shortest)
            {
                return;
            }

            var off = MathF.Abs(Near(Vector3.Lerp(points[a], points[b], part)) - ((nearness[a] * (1 - part)) + (nearness[b] * part)));
            (most, at) = off > most + 0.005f ? (off, part) : (most, at);
        }

        foreach (var bend in Bends)
        {
            Look(bend * radius / length);
            Look(1 - (bend * radius / length));
        }

        foreach (var part in Parts)
        {
            Look(part);
        }

        if (most <= Tolerance && length > FarMm)
        {
            (most, at) = (Tolerance * 1.01f, 0.5f);
        }

        if (most > Tolerance)
        {
            // Long ones first where both are as much off.
            open.Enqueue((h, a, b, at), -most - Math.Min(0.2f, length / 100));
        }
    }

    private void Split(int h, float part)
    {
        var o = opposite[h];
        var middle = points.Count;
        points.Add(Vector3.Lerp(points[corners[h]], points[corners[Mesh.Next(h)]], part));
        nearness.Add(Near(points[^1]));
        var mine = Halve(h, middle);
        if (o < 0)
        {
            opposite[h] = opposite[mine] = Neighbours.Open;
        }
        else
        {
            // h runs to the middle, mine on from it; o comes to the middle from the other end, theirs on from it.
            var theirs = Halve(o, middle);
            Meet(h, theirs);
            Meet(o, mine);
            Ask(Mesh.Next(o));
            Ask(o);
            Ask(theirs + 1);
        }

        // The edge that went over to the new triangle is known by another corner now.
        Ask(h);
        Ask(Mesh.Next(h));
        Ask(mine + 1);
        if (o < 0)
        {
            Ask(mine);
        }
    }

    // The triangle of a corner is cut from the middle of its edge to the corner across; returns the corner from which the new triangle runs the second half.
    private int Halve(int h, int middle)
    {
        var (next, before) = (Mesh.Next(h), Mesh.Before(h));
        var added = corners.Count;
        corners.AddRange([middle, corners[next], corners[before]]);
        opposite.AddRange([Neighbours.Open, opposite[next], next]);
        if (opposite[next] >= 0)
        {
            opposite[opposite[next]] = added + 1;
        }

        parts.Add(parts[h / 3]);
        corners[next] = middle;
        opposite[next] = added + 2;
        return added;
    }

    private void Meet(int a, int b) => (opposite[a], opposite[b]) = (b, a);
}
