using System.Numerics;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>A plane that something is laid on.</summary>
/// <param name="Origin">A point of it, mm.</param>
/// <param name="U">To the right on it, of length 1.</param>
/// <param name="V">Up on it, of length 1; U, V and the way out are right-handed.</param>
internal readonly record struct Flat(Vector3 Origin, Vector3 U, Vector3 V)
{
    public Vector3 Out => Vector3.Cross(U, V);

    public Vector3 At(float u, float v, float height = 0) => Origin + (U * u) + (V * v) + (Out * height);

    /// <summary>A side of a box that looks to the front, with its foot in the middle.</summary>
    public static Flat Front(float y, float z = 0) => new(new(0, y, z), Vector3.UnitX, Vector3.UnitZ);

    public static Flat Rear(float y, float z = 0) => new(new(0, y, z), -Vector3.UnitX, Vector3.UnitZ);

    public static Flat Right(float x, float z = 0) => new(new(x, 0, z), Vector3.UnitY, Vector3.UnitZ);

    public static Flat Left(float x, float z = 0) => new(new(x, 0, z), -Vector3.UnitY, Vector3.UnitZ);

    public static Flat Top(float z) => new(new(0, 0, z), Vector3.UnitX, Vector3.UnitY);
}

/// <summary>The few things that stand-ins are made of: what is laid on a plane has no sides below it, so that it meets it in a crease.</summary>
internal sealed class Modeller(ulong seed)
{
    private const float Bevel = 0.2f, Foot = 0.4f;

    public MeshBuilder Body { get; } = new();

    public Seeds Random { get; } = new(seed);

    public byte Part
    {
        set => Body.Part = value;
    }

    public float In(double from, double to) => (float)Random.In(from, to);

    /// <summary>A raised shape on a plane: sides, a bevel, a top. Corners go counter-clockwise.</summary>
    public void Pad(Flat on, IReadOnlyList<Vector2> outline, float height, float bevel = Bevel)
    {
        var middle = outline.Aggregate(Vector2.Zero, (sum, p) => sum + p) / outline.Count;
        var least = outline.Min(p => Vector2.Distance(p, middle));
        if (least < 0.05f || height <= 0)
        {
            // What has shrunk to nothing is not there.
            return;
        }

        bevel = Math.Min(bevel, Math.Min(0.4f * height, 0.35f * least));

        // Corners are drawn in so far that the sides move in by as much.
        float[] corner = [.. outline.Select((p, i) => Slant(outline[(i + outline.Count - 1) % outline.Count], p, outline[(i + 1) % outline.Count]))];
        Vector3[] Ring(float inMm, float at) => [.. outline.Select((p, i) => Vector2.Lerp(p, middle, Math.Min(0.9f, inMm * corner[i] / Math.Max(0.01f, Vector2.Distance(p, middle))))).Select(p => on.At(p.X, p.Y, at))];
        List<Vector3[]> rings = [Ring(0, 0), Ring(0, height - bevel), Ring(bevel, height)];

        // Where a wash gathers at its foot, on the plane; nothing of the plane below is needed for that.
        rings.Insert(0, Ring(-Foot, 0.01f));
        foreach (var near in new[] { MeshBuilder.NearMm, 2 * MeshBuilder.NearMm })
        {
            if (least > bevel + (1.6 * near))
            {
                rings.Add(Ring(bevel + (float)near, height));
            }
        }

        for (var k = 0; k + 1 < rings.Count; k++)
        {
            for (var i = 0; i < outline.Count; i++)
            {
                var j = (i + 1) % outline.Count;
                Body.Quad(rings[k][i], rings[k][j], rings[k + 1][j], rings[k + 1][i]);
            }
        }

        // What is large has points over its middle too, so that a shadow at one corner stays there.
        if (outline.Count == 4)
        {
            Body.Plain(rings[^1][0], rings[^1][1], rings[^1][2], rings[^1][3]);
            return;
        }

        for (var i = 1; i + 1 < outline.Count; i++)
        {
            Body.Triangle(rings[^1][0], rings[^1][i], rings[^1][i + 1]);
        }
    }

    // 1 over the sine of half the corner.
    private static float Slant(Vector2 before, Vector2 at, Vector2 after)
    {
        var (a, b) = (Vector2.Normalize(before - at), Vector2.Normalize(after - at));
        return 1 / MathF.Sqrt(Math.Max(0.1f, (1 - Vector2.Dot(a, b)) / 2));
    }

    /// <summary>A raised rectangle on a plane, by its middle.</summary>
    public void Pad(Flat on, float u, float v, float wide, float tall, float height, float bevel = Bevel, float jitter = 0)
    {
        Vector2 Corner(float x, float y) => new(u + (x * wide / 2) + In(-jitter, jitter), v + (y * tall / 2) + In(-jitter, jitter));
        Pad(on, [Corner(-1, -1), Corner(1, -1), Corner(1, 1), Corner(-1, 1)], height, bevel);
    }

    /// <summary>A raised disc on a plane.</summary>
    public void Disc(Flat on, float u, float v, float radius, float height, int around = 16, float bevel = Bevel) =>
        Pad(on, [.. Enumerable.Range(0, around).Select(i => new Vector2(u + (radius * MathF.Cos(2 * MathF.PI * i / around)), v + (radius * MathF.Sin(2 * MathF.PI * i / around))))], height, bevel);

    /// <summary>A row of rivets.</summary>
    public void Rivets(Flat on, Vector2 from, Vector2 to, float stepMm = 3.2f, float radius = 0.42f)
    {
        var count = Math.Max(1, (int)(Vector2.Distance(from, to) / stepMm));
        for (var i = 0; i <= count; i++)
        {
            var p = Vector2.Lerp(from, to, (float)i / count);
            Disc(on, p.X, p.Y, radius, 0.3f, 8, 0.14f);
        }
    }

    /// <summary>A plate of a plane.</summary>
    public void Plate(Flat on, float u0, float v0, float u1, float v1) => Body.Face(on.At(u0, v0), on.At(u1, v0), on.At(u1, v1), on.At(u0, v1));

    /// <summary>Four sides and a top, without a bottom: what stands on the table.</summary>
    public void Block(float length, float width, float height, float atX = 0, float atY = 0, float from = 0)
    {
        var (a, b) = (length / 2, width / 2);
        Vector3 P(float x, float y, float z) => new(atX + x, atY + y, z);
        Body.Face(P(-a, -b, from), P(a, -b, from), P(a, -b, height), P(-a, -b, height));
        Body.Face(P(a, -b, from), P(a, b, from), P(a, b, height), P(a, -b, height));
        Body.Face(P(a, b, from), P(-a, b, from), P(-a, b, height), P(a, b, height));
        Body.Face(P(-a, b, from), P(-a, -b, from), P(-a, -b, height), P(-a, b, height));
        Body.Face(P(-a, -b, height), P(a, -b, height), P(a, b, height), P(-a, b, height));
    }

    /// <summary>Stones in courses on a plane, with joints between them.</summary>
    /// <param name="on">The plane, its origin in the middle of the foot.</param>
    /// <param name="wide">How wide, mm.</param>
    /// <param name="tall">How tall at a place, mm.</param>
    /// <param name="course">Height of a course, mm.</param>
    /// <param name="stone">Usual length of a stone, mm.</param>
    /// <param name="proud">How far stones stand out, mm.</param>
    public void Stones(Flat on, float wide, Func<float, float> tall, float course, float stone, float proud)
    {
        var joint = Math.Min(0.8f, course / 7);
        var row = 0;
        for (var v = 0f; v + (course * 0.5f) < Enumerable.Range(0, 17).Max(i => tall((i / 16f * wide) - (wide / 2))); v += course, row++)
        {
            var u = (-wide / 2) - (row % 2 == 0 ? 0 : stone * 0.5f);
            while (u < wide / 2)
            {
                var long_ = stone * In(0.75, 1.3);
                var (from, to) = (Math.Max(u, -wide / 2), Math.Min(u + long_, wide / 2));
                u += long_;
                var top = Math.Min(v + course, Math.Min(tall(from + 0.1f), tall(to - 0.1f)));
                if (to - from < 2 * joint || top - v < course * 0.45f)
                {
                    continue;
                }

                Pad(on, (from + to) / 2, (v + top) / 2, to - from - joint, top - v - joint, proud * In(0.75, 1.2), 0.25f, joint * 0.28f);
            }
        }
    }

    /// <summary>Boards side by side on a plane, upright or lying.</summary>
    public void Boards(Flat on, float wide, float tall, float board, float proud, bool lying, Func<float, float>? top = null)
    {
        var across = lying ? tall : wide;
        var count = Math.Max(1, (int)MathF.Round(across / board));
        for (var i = 0; i < count; i++)
        {
            var at = ((i + 0.5f) / count * across) - (lying ? 0 : across / 2);
            var gap = Math.Min(0.5f, board / 6);
            if (lying)
            {
                Pad(on, 0, at, wide - 0.2f, (across / count) - gap, proud * In(0.7, 1.25), 0.18f, 0.06f);
            }
            else
            {
                var height = Math.Min(top?.Invoke(at - (across / count / 2)) ?? tall, top?.Invoke(at + (across / count / 2)) ?? tall);
                Pad(on, at, height / 2, (across / count) - gap, height - 0.2f, proud * In(0.7, 1.25), 0.18f, 0.06f);
            }
        }
    }

    /// <summary>A rough stone lying on the table.</summary>
    public void Stone(Vector3 at, float size)
    {
        var around = 9;
        float[] wobble = [.. Enumerable.Range(0, around * 4).Select(_ => In(0.82, 1.12))];
        Vector3 P(double i, double k)
        {
            var (turn, up) = (2 * Math.PI * ((int)i % around) / around, Math.PI / 2 * k / 3);
            var r = size / 2 * wobble[((int)i % around) + (around * (int)k)];
            return at + new Vector3((float)(r * Math.Cos(turn) * Math.Cos(up)), (float)(r * Math.Sin(turn) * Math.Cos(up)), (float)(0.75 * r * Math.Sin(up)));
        }

        Body.Grid((i, k) => k >= 3 ? at + new Vector3(0, 0, 0.36f * size) : P(i, k), MeshBuilder.Even(0, around, around), MeshBuilder.Even(0, 3, 3));
    }

    /// <summary>A pipe or post between two places, with a ring at each end where wanted.</summary>
    public void Pipe(Vector3 from, Vector3 to, float radius, bool flanged = false, int around = 14)
    {
        var length = Vector3.Distance(from, to);
        if (length < 0.3f || radius < 0.13f)
        {
            return;
        }

        Body.Lathe(from, to - from, [(0, 0), (radius - 0.12f, 0), (radius, 0.12f), (radius, length - 0.12f), (radius - 0.12f, length), (0, length)], around);
        if (flanged)
        {
            var way = Vector3.Normalize(to - from);
            foreach (var at in new[] { from + (way * 0.6f), to - (way * 1.8f) })
            {
                Body.Lathe(at, way, [(radius, 0), (radius * 1.5f, 0), (radius * 1.5f, 1.2f), (radius, 1.2f)], around);
            }
        }
    }
}
