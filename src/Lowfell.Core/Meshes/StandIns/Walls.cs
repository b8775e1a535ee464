using System.Numerics;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>Walls, stairs and gates.</summary>
internal static class Walls
{
    private const byte Faces = 0, Top = 1, Foot = 2, Rubble = 3;

    // Courses of about a seventh of the height, not finer than a brush sees.
    private static (float Course, float Stone, float Proud) Masonry(float h) => Math.Clamp(h / 8, 3.5f, 14) is var course ? (course, course * 1.9f, Math.Clamp(course / 18, 0.35f, 0.55f)) : default;

    public static void Straight(Modeller m, float l, float w, float h)
    {
        var (course, stone, proud) = Masonry(h);
        var foot = MathF.Round(h * 0.3f / course) * course;
        var (a, b) = (l - (2 * proud), w - (2 * proud));
        Core(m, a, b, h - proud, foot);
        foreach (var (on, wide) in Sides(a, b))
        {
            Courses(m, on, wide, h - proud, foot, course, stone, proud);
        }

        m.Part = Top;
        Paving(m, Flat.Top(h - proud), a, b, stone, proud);
    }

    public static void Corner(Modeller m, float l, float w, float h)
    {
        // Two legs as thick as the piece is told wide, each as long as it is told long.
        var (course, stone, proud) = Masonry(h);
        var foot = MathF.Round(h * 0.3f / course) * course;
        var thick = Math.Min(w, l * 0.45f) - (2 * proud);
        var (a, half) = (l - (2 * proud), (l - (2 * proud)) / 2);
        var inner = half - thick;
        foreach (var (z0, z1, part) in new[] { (0f, foot, Foot), (foot, h - proud, Faces) })
        {
            m.Part = part;
            Vector2[] outline = [new(-half, -half), new(half, -half), new(half, -inner), new(-inner, -inner), new(-inner, half), new(-half, half)];
            for (var i = 0; i < outline.Length; i++)
            {
                var (p, q) = (outline[i], outline[(i + 1) % outline.Length]);
                m.Body.Face(new(p, z0), new(q, z0), new(q, z1), new(p, z1));
            }
        }

        m.Part = Top;
        m.Plate(Flat.Top(h - proud), -half, -half, half, -inner);
        m.Plate(Flat.Top(h - proud), -half, -inner, -inner, half);
        Courses(m, Flat.Front(-half), a, h - proud, foot, course, stone, proud);
        Courses(m, Flat.Left(-half), a, h - proud, foot, course, stone, proud);
        var leg = half + inner;
        Courses(m, Flat.Right(half) with { Origin = new(half, -half + (thick / 2), 0) }, thick, h - proud, foot, course, stone, proud);
        Courses(m, Flat.Rear(half) with { Origin = new(-half + (thick / 2), half, 0) }, thick, h - proud, foot, course, stone, proud);
        Courses(m, Flat.Rear(-inner) with { Origin = new((half - inner) / 2, -inner, 0) }, leg, h - proud, foot, course, stone, proud);
        Courses(m, Flat.Right(-inner) with { Origin = new(-inner, (half - inner) / 2, 0) }, leg, h - proud, foot, course, stone, proud);
        m.Part = Top;
        Paving(m, Flat.Top(h - proud) with { Origin = new(0, -half + (thick / 2), h - proud) }, a, thick, stone, proud);
        Paving(m, Flat.Top(h - proud) with { Origin = new(-half + (thick / 2), (half - inner) / 2, h - proud) }, thick, leg, stone, proud);
    }

    public static void Ruined(Modeller m, float l, float w, float h)
    {
        var (course, stone, proud) = Masonry(h);
        var foot = course * 2;
        var thick = Math.Min(w, Math.Max(6, w * 0.5f)) - (2 * proud);
        var column = stone * 0.55f;
        var columns = Math.Max(5, (int)(l / column));

        // Down from both ends to a breach, in whole courses.
        float[] tops = [.. Enumerable.Range(0, columns).Select(i =>
        {
            var x = (i + 0.5f) / columns;
            var breach = MathF.Exp(-MathF.Pow((x - 0.45f) / 0.16f, 2));
            var falls = Math.Clamp(((x < 0.5f ? x : 1 - x) * 6) + 0.55f, 0, 1);
            return Math.Max(2, MathF.Round((h - proud) / course * Math.Clamp((1 - (0.62f * breach)) * falls * m.In(0.9, 1.08), 0.2f, 1))) * course;
        })];
        var wide = l / columns;
        float At(float u) => tops[Math.Clamp((int)((u + (l / 2)) / wide), 0, columns - 1)];
        for (var i = 0; i < columns; i++)
        {
            var (x0, x1) = ((i * wide) - (l / 2), ((i + 1) * wide) - (l / 2));
            foreach (var (z0, z1, part) in new[] { (0f, Math.Min(foot, tops[i]), Foot), (foot, tops[i], Faces) })
            {
                if (z1 > z0)
                {
                    m.Part = part;
                    m.Body.Face(new(x0, -thick / 2, z0), new(x1, -thick / 2, z0), new(x1, -thick / 2, z1), new(x0, -thick / 2, z1));
                    m.Body.Face(new(x1, thick / 2, z0), new(x0, thick / 2, z0), new(x0, thick / 2, z1), new(x1, thick / 2, z1));
                }
            }

            m.Part = Top;
            m.Plate(Flat.Top(tops[i]), x0, -thick / 2, x1, thick / 2);
            for (var k = 0; k < Math.Max(1, (int)(thick / stone * 1.6f)); k++)
            {
                m.Pad(Flat.Top(tops[i]), (x0 + x1) / 2, ((k + 0.5f) / Math.Max(1, (int)(thick / stone * 1.6f)) * thick) - (thick / 2), wide - 0.8f, (thick / Math.Max(1, (int)(thick / stone * 1.6f))) - 0.8f, proud * m.In(0.6, 2.2), 0.3f, 0.3f);
            }

            var (left, right) = (i == 0 ? 0 : tops[i - 1], i == columns - 1 ? 0 : tops[i + 1]);
            m.Part = Faces;
            if (left < tops[i])
            {
                m.Body.Face(new(x0, thick / 2, left), new(x0, -thick / 2, left), new(x0, -thick / 2, tops[i]), new(x0, thick / 2, tops[i]));
            }

            if (right < tops[i])
            {
                m.Body.Face(new(x1, -thick / 2, right), new(x1, thick / 2, right), new(x1, thick / 2, tops[i]), new(x1, -thick / 2, tops[i]));
            }
        }

        foreach (var (on, sign) in new[] { (Flat.Front(-thick / 2), 1f), (Flat.Rear(thick / 2), -1f) })
        {
            m.Part = Foot;
            m.Stones(on, l, u => Math.Min(foot, At(sign * u)), course, stone, proud);
            m.Part = Faces;
            m.Stones(on with { Origin = on.Origin + new Vector3(0, 0, foot) }, l, u => At(sign * u) - foot, course, stone, proud);
        }

        m.Part = Rubble;
        for (var i = 0; i < 9 + (int)(l / 18); i++)
        {
            var size = course * m.In(0.4, 1.1);
            m.Stone(new(m.In(-0.45, 0.45) * l, (m.In(0, 1) < 0.5 ? -1 : 1) * ((thick / 2) + proud + (size * 0.55f) + (m.In(0, 0.5) * Math.Max(2, w - thick) * 0.5f)), 0), size);
        }
    }

    public static void Stair(Modeller m, float l, float w, float h)
    {
        var (course, stone, proud) = Masonry(h);
        var steps = Math.Clamp((int)MathF.Round(h / Math.Clamp(h / 9, 3.5f, 8)), 3, 14);
        var (rise, tread, foot) = (h / steps, l / steps, 2 * course);
        for (var i = 0; i < steps; i++)
        {
            var (x0, x1, z) = ((i * tread) - (l / 2), ((i + 1) * tread) - (l / 2), (i + 1) * rise);
            m.Part = Faces;
            m.Body.Face(new(x0, w / 2, z - rise), new(x0, -w / 2, z - rise), new(x0, -w / 2, z - 0.1f), new(x0, w / 2, z - 0.1f));
            m.Part = Top;
            m.Body.Face(new(x0, w / 2, z - 0.1f), new(x0, -w / 2, z - 0.1f), new(x0, -w / 2, z), new(x0, w / 2, z));
            m.Plate(Flat.Top(z), x0, -w / 2, x1, w / 2);
            var slabs = Math.Max(2, (int)(w / stone));
            for (var k = 0; k < slabs; k++)
            {
                m.Pad(Flat.Top(z), (x0 + x1) / 2, ((k + 0.5f) / slabs * w) - (w / 2), tread - 0.6f, (w / slabs) - 0.6f, proud * 0.6f * m.In(0.7, 1.2), 0.25f, 0.15f);
            }

            foreach (var (y, on) in new[] { (-w / 2, Flat.Front(-w / 2)), (w / 2, Flat.Rear(w / 2)) })
            {
                m.Part = z <= foot ? Foot : Faces;
                var (u0, u1) = y < 0 ? (x0, x1) : (-x1, -x0);
                m.Plate(on, u0, 0, u1, z);
            }
        }

        float Tall(float u) => MathF.Ceiling(Math.Clamp((u + (l / 2)) / tread, 0.01f, steps)) * rise;
        m.Part = Faces;
        m.Stones(Flat.Front(-w / 2), l, Tall, course, stone, proud);
        m.Stones(Flat.Rear(w / 2), l, u => Tall(-u), course, stone, proud);
        m.Plate(Flat.Right(l / 2), -w / 2, 0, w / 2, h);
        m.Stones(Flat.Right(l / 2), w, _ => h, course, stone, proud);
    }

    public static void Gate(Modeller m, float l, float w, float h)
    {
        var proud = Math.Clamp(w * 0.18f, 0.4f, 1.2f);
        m.Part = 0;
        m.Block(l, w - (2 * proud), h);
        foreach (var on in new[] { Flat.Front((-w / 2) + proud), Flat.Rear((w / 2) - proud) })
        {
            m.Part = 0;
            m.Boards(on, l, h, Math.Clamp(l / 9, 4, 12), proud, lying: false);
            m.Part = 1;
            var strap = on with { Origin = on.Origin + (on.Out * proud) };
            foreach (var v in new[] { 0.16f, 0.5f, 0.84f })
            {
                m.Pad(strap, 0, v * h, l - 1.5f, Math.Clamp(h * 0.07f, 2, 6), 0.6f);
                var band = strap with { Origin = strap.Origin + (strap.Out * 0.6f) };
                m.Rivets(band, new(-(l / 2) + 3, v * h), new((l / 2) - 3, v * h), Math.Clamp(l / 9, 4, 12), 0.7f);
            }
        }
    }

    private static (Flat On, float Wide)[] Sides(float a, float b) => [(Flat.Front(-b / 2), a), (Flat.Rear(b / 2), a), (Flat.Right(a / 2), b), (Flat.Left(-a / 2), b)];

    private static void Core(Modeller m, float a, float b, float h, float foot)
    {
        foreach (var (on, wide) in Sides(a, b))
        {
            m.Part = Foot;
            m.Plate(on, -wide / 2, 0, wide / 2, foot);
            m.Part = Faces;
            m.Plate(on, -wide / 2, foot, wide / 2, h);
        }

        m.Part = Top;
        m.Plate(Flat.Top(h), -a / 2, -b / 2, a / 2, b / 2);
    }

    private static void Courses(Modeller m, Flat on, float wide, float h, float foot, float course, float stone, float proud)
    {
        m.Part = Foot;
        m.Stones(on, wide, _ => foot, course, stone, proud);
        m.Part = Faces;
        m.Stones(on with { Origin = on.Origin + (on.V * foot) }, wide, _ => h - foot, course, stone, proud);
    }

    // Slabs over a top, not all of one size.
    private static void Paving(Modeller m, Flat on, float a, float b, float stone, float proud)
    {
        var (rows, slab) = (Math.Max(1, (int)MathF.Round(b / (stone * 1.1f))), stone * 1.25f);
        for (var r = 0; r < rows; r++)
        {
            var u = (-a / 2) - (r % 2 * slab / 2);
            while (u < a / 2)
            {
                var long_ = slab * m.In(0.8, 1.25);
                var (from, to) = (Math.Max(u, -a / 2), Math.Min(u + long_, a / 2));
                u += long_;
                if (to - from > 1.6f)
                {
                    m.Pad(on, (from + to) / 2, ((r + 0.5f) / rows * b) - (b / 2), to - from - 0.7f, (b / rows) - 0.7f, proud * m.In(0.7, 1.1), 0.3f, 0.15f);
                }
            }
        }
    }
}
