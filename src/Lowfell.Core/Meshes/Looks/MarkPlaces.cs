using System.Numerics;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Meshes.Looks;

/// <summary>Places the marks of coats that go on by marks: chips and streaks where edges are, the rest anywhere, apart from each other; the same each time by its seed.</summary>
public static class MarkPlaces
{
    /// <summary>Most marks of one coat that are drawn; of more, these stand for all by being larger.</summary>
    public const int MostOfCoat = 400;

    private const double MostLarger = 1.6;

    // Buried surface takes no mark.
    private const int LeastOpen = 40;
    private const int Candidates = 4;

    // What is planned farther than this from any corner of the surface, squared, mm2, lies beside it.
    private const float OffSurface = 64;

    // Farther from each other than this, squared, mm2, marks are as good as apart: else the first lie at borders. Chips come in company.
    private const float Apart = 64, ChipsApart = 4;

    // What a face has of the chance of an edge to be chipped, and to let a streak begin. Craft estimates.
    private const float ChipOnFace = 0.02f, StreakOnFace = 0.12f;

    /// <summary>The coats of a stack that are drawn mark by mark, from below: the last of them where there are many.</summary>
    public static IReadOnlyList<int> Layers(StackDraft stack)
    {
        ArgumentNullException.ThrowIfNull(stack);
        List<int> all = [.. Enumerable.Range(0, stack.Coats.Count).Where(i => stack.Coats[i] is { Skipped: false, Shape: not null })];
        return all.Count > MarkIndex.MostLayers ? all[^MarkIndex.MostLayers..] : all;
    }

    /// <summary>How many marks of a coat are drawn on one copy, and how large.</summary>
    public static Marks Of(Coat coat, Zone zone) => Drawn(CoatMarks.Of(coat, zone));

    /// <summary>Places them.</summary>
    /// <param name="mesh">The surface.</param>
    /// <param name="zoneOfPart">The zone that each part shows; -1 for none.</param>
    /// <param name="stacks">The stack of each zone.</param>
    /// <param name="seed">Seed: of a piece and copy.</param>
    /// <param name="planned">Marks of coats that somebody has planned, by the coat; their zone and layer are not looked at.</param>
    public static PlacedMarks Place(ShownMesh mesh, IReadOnlyList<int> zoneOfPart, IReadOnlyList<StackDraft> stacks, ulong seed, IReadOnlyDictionary<Guid, IReadOnlyList<LookMark>>? planned = null)
    {
        ArgumentNullException.ThrowIfNull(mesh);
        ArgumentNullException.ThrowIfNull(zoneOfPart);
        ArgumentNullException.ThrowIfNull(stacks);
        var marks = new List<LookMark>();
        var frame = new MarkFrame(mesh.Low, mesh.High());
        for (var zone = 0; zone < stacks.Count; zone++)
        {
            var layers = Layers(stacks[zone]);
            if (layers.Count == 0 || !zoneOfPart.Contains(zone))
            {
                continue;
            }

            List<int> triangles = [.. Enumerable.Range(0, mesh.Triangles).Where(i => mesh.Corners[3 * i] is var c && mesh.Extras[4 * c] < zoneOfPart.Count && zoneOfPart[mesh.Extras[4 * c]] == zone && mesh.Fields[(4 * c) + 3] >= LeastOpen)];
            for (var layer = 0; layer < layers.Count; layer++)
            {
                var coat = stacks[zone].Coats[layers[layer]];
                var drawn = coat.How.Role == Role.WetStreak ? Enumerable.Range(0, layer).LastOrDefault(l => stacks[zone].Coats[layers[l]].How.Role == Role.Drawing, -1) : -1;
                marks.AddRange(planned?.GetValueOrDefault(coat.Id) is { } told
                    ? Planned(mesh, frame, triangles, told, zone, layer)
                    : drawn >= 0
                    ? Drawn(marks, zone, drawn, layer, coat, stacks[zone].Zone)
                    : Rolled(mesh, frame, triangles, coat, stacks[zone].Zone, zone, layer, new Seeds(Seeds.Of(coat.Id, seed))));
            }
        }

        return new(marks, frame);
    }

    // As they are planned; one that was planned beside the surface is moved onto it.
    private static IEnumerable<LookMark> Planned(ShownMesh mesh, MarkFrame frame, List<int> triangles, IReadOnlyList<LookMark> told, int zone, int layer)
    {
        var corners = new List<(MarkSide Side, Vector2 On)>();
        foreach (var corner in triangles.SelectMany(t => new[] { mesh.Corners[3 * t], mesh.Corners[(3 * t) + 1], mesh.Corners[(3 * t) + 2] }).Distinct())
        {
            var side = MarkFrame.SideOf(Normal(mesh, corner));
            corners.Add((side, frame.On(side, mesh.At(corner))));
        }

        foreach (var mark in told)
        {
            var (at, near) = (new Vector2(mark.XMm, mark.YMm), float.MaxValue);
            var to = at;
            if (mark.Shape != MarkShape.Band)
            {
                foreach (var (side, on) in corners)
                {
                    var away = side == mark.Side ? Vector2.DistanceSquared(on, at) : float.MaxValue;
                    (near, to) = away < near ? (away, on) : (near, to);
                }
            }

            yield return (near is < float.MaxValue and > OffSurface ? mark with { XMm = to.X, YMm = to.Y } : mark) with { Zone = zone, Layer = layer };
        }
    }

    private static Marks Drawn(Marks of)
    {
        if (of.Count <= MostOfCoat)
        {
            return of;
        }

        var larger = Math.Min(MostLarger, Math.Sqrt((double)of.Count / MostOfCoat));
        return new(MostOfCoat, of.WidthMm * larger, of.LengthMm * larger);
    }

    // What was drawn before is drawn down from where it is.
    private static List<LookMark> Drawn(List<LookMark> marks, int zone, int from, int layer, Coat coat, Zone of)
    {
        var size = Of(coat, of);
        return [.. marks.Where(m => m.Zone == zone && m.Layer == from).Take(size.Count).ToList().ConvertAll(m =>
        {
            var top = m.YMm + (m.LengthMm / 2);
            var length = m.Side == MarkSide.Top ? (float)size.LengthMm : Math.Min((float)size.LengthMm, Math.Max(0.3f, top));
            return m with { Layer = layer, Shape = MarkShape.Streak, WidthMm = (float)size.WidthMm, LengthMm = length, YMm = top - (length / 2), AngleDeg = 0 };
        })];
    }

    private static List<LookMark> Rolled(ShownMesh mesh, MarkFrame frame, List<int> triangles, Coat coat, Zone zone, int place, int layer, Seeds seeds)
    {
        var (size, shape) = (Of(coat, zone), coat.Shape!.Value);
        var weights = new Dictionary<int, float>();
        float At(int vertex) => weights.TryGetValue(vertex, out var known) ? known : weights[vertex] = Weight(mesh, vertex, shape, coat, zone);
        var sums = new double[triangles.Count];
        var sum = 0.0;
        for (var i = 0; i < sums.Length; i++)
        {
            var (a, b, c) = Corners(mesh, triangles[i]);
            sums[i] = sum += Vector3.Cross(mesh.At(b) - mesh.At(a), mesh.At(c) - mesh.At(a)).Length() * (At(a) + At(b) + At(c));
        }

        LookMark Rolled()
        {
            while (true)
            {
                var found = Array.BinarySearch(sums, seeds.Unit() * sum);
                var (a, b, c) = Corners(mesh, triangles[Math.Min(sums.Length - 1, found < 0 ? ~found : found)]);
                var (u, v) = ((float)seeds.Unit(), (float)seeds.Unit());
                (u, v) = u + v > 1 ? (1 - u, 1 - v) : (u, v);
                var w = 1 - u - v;

                // Within a triangle, too, where it weighs more.
                if (seeds.Unit() * Math.Max(At(a), Math.Max(At(b), At(c))) > (w * At(a)) + (u * At(b)) + (v * At(c)))
                {
                    continue;
                }

                var at = (mesh.At(a) * w) + (mesh.At(b) * u) + (mesh.At(c) * v);
                return Placed(frame, at, (Normal(mesh, a) * w) + (Normal(mesh, b) * u) + (Normal(mesh, c) * v), size, shape, place, layer, seeds);
            }
        }

        var marks = new List<LookMark>(size.Count);
        for (var n = 0; sum > 0 && n < size.Count; n++)
        {
            var (best, far) = (default(LookMark), -1f);
            for (var k = 0; k < Candidates; k++)
            {
                var mark = Rolled();
                var apart = shape == MarkShape.Chip ? ChipsApart : Apart;
                foreach (var other in marks)
                {
                    apart = other.Side == mark.Side ? Math.Min(apart, Vector2.DistanceSquared(new(other.XMm, other.YMm), new(mark.XMm, mark.YMm))) : apart;
                }

                (best, far) = apart > far ? (mark, apart) : (best, far);
            }

            marks.Add(best!);
        }

        return marks;
    }

    private static (int A, int B, int C) Corners(ShownMesh mesh, int triangle) => (mesh.Corners[3 * triangle], mesh.Corners[(3 * triangle) + 1], mesh.Corners[(3 * triangle) + 2]);

    private static LookMark Placed(MarkFrame frame, Vector3 at, Vector3 normal, Marks size, MarkShape shape, int zone, int layer, Seeds seeds)
    {
        var side = MarkFrame.SideOf(Vector3.Normalize(normal));
        var on = frame.On(side, at);
        var (width, length) = ((float)(size.WidthMm * seeds.In(0.75, 1.25)), (float)(size.LengthMm * seeds.In(0.75, 1.25)));
        var angle = shape switch { MarkShape.Streak or MarkShape.Band => 0, MarkShape.Line => (float)seeds.In(-8, 8), _ => (float)seeds.In(0, 180) };
        if (shape == MarkShape.Streak)
        {
            // It begins where it was placed and ends at the foot.
            length = side == MarkSide.Top ? length : Math.Min(length, Math.Max(0.3f, on.Y));
            on.Y -= length / 2;
        }

        return new(zone, layer, side, shape, on.X, on.Y, width, length, angle, (float)seeds.Unit());
    }

    private static float Weight(ShownMesh mesh, int point, MarkShape shape, Coat coat, Zone zone)
    {
        var height = mesh.At(point).Z;
        if (zone is { HeightFromMm: { } from, HeightToMm: { } to } && (height < from || height > to))
        {
            return 0;
        }

        var edge = mesh.Fields[(4 * point) + 1] / 255f * (1 - (mesh.Fields[4 * point] / 255f));
        var normal = Normal(mesh, point);
        var share = shape switch
        {
            MarkShape.Chip => ChipOnFace + (edge * edge),
            MarkShape.Streak => MarkFrame.SideOf(normal) == MarkSide.Top ? 0 : StreakOnFace + edge,
            _ => 1,
        };
        return normal.Z < -0.3f ? 0 : share * (float)(coat.Fade?.At(height) ?? 1);
    }

    private static Vector3 Normal(ShownMesh mesh, int point) => new(mesh.Normals[4 * point] / 127f, mesh.Normals[(4 * point) + 1] / 127f, mesh.Normals[(4 * point) + 2] / 127f);
}

/// <summary>Marks and the sides that they are placed on.</summary>
/// <param name="Marks">Marks, those of lower coats first.</param>
/// <param name="Frame">Sides.</param>
public sealed record PlacedMarks(IReadOnlyList<LookMark> Marks, MarkFrame Frame)
{
    /// <summary>Ready to be asked point by point.</summary>
    public MarkIndex Index() => new(Marks, Frame);
}
