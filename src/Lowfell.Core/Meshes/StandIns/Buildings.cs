using System.Numerics;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>Halls, houses, gantries, pans.</summary>
internal static class Buildings
{
    private const byte Walls = 0, Roof = 1, Doors = 2, Foot = 3;

    public static void Hall(Modeller m, float l, float w, float h)
    {
        var foot = Math.Clamp(h * 0.06f, 1.5f, 6);
        var (eaves, ridge) = (h * 0.66f, h);
        var (wave, deep) = (Math.Clamp(l / 34, 2.2f, 5), Math.Clamp(l / 160, 0.5f, 1.2f));
        var inset = Math.Clamp(w * 0.02f, 0.8f, 2.5f);
        m.Part = Foot;
        m.Block(l, w, foot);
        var (a, b) = (l - (2 * inset), w - (2 * inset));
        float Gable(float u) => eaves + ((ridge - eaves) * (1 - Math.Abs(2 * u / b)));
        float Wave(float u) => deep * 0.5f * (1 + MathF.Cos(2 * MathF.PI * u / wave));
        double[] Places(float wide) => Geometry.MeshBuilder.Even(-wide / 2, wide / 2, Math.Max(1, (int)(wide / wave)) * 8);
        foreach (var (on, wide, gabled) in new[] { (Flat.Front((-b / 2) + deep, foot), a, false), (Flat.Rear((b / 2) - deep, foot), a, false), (Flat.Right((a / 2) - deep, foot), b, true), (Flat.Left((-a / 2) + deep, foot), b, true) })
        {
            m.Part = Walls;
            float Tall(float u) => (gabled ? Gable(u) : eaves) - foot;

            // Sheets overlap in one row across.
            var sheets = new[] { 0.0, 0.499, 0.501, 1.0 };
            m.Body.Grid((u, v) => on.At((float)u, (float)v * Tall((float)u), Wave((float)u) + (v > 0.5 ? 0.35f : 0)), Places(wide), sheets);
        }

        // Doors on the front, vents on the gables.
        m.Part = Doors;
        var front = Flat.Front((-b / 2) - 0.02f, foot);
        var (door, tall) = (Math.Min(l * 0.28f, 46), (eaves - foot) * 0.8f);
        m.Pad(front, -door / 4, tall / 2, (door / 2) - 0.5f, tall, 0.9f);
        m.Pad(front, door / 4, tall / 2, (door / 2) - 0.5f, tall, 0.9f);
        m.Pad(front, 0, tall + 1.2f, door * 1.25f, 2.2f, 1.3f);
        foreach (var side in new[] { -1f, 1f })
        {
            m.Pad(front, side * l * 0.34f, (eaves - foot) * 0.62f, Math.Min(l * 0.12f, 20), (eaves - foot) * 0.3f, 0.8f);
            var gable = side < 0 ? Flat.Left((-a / 2) - 0.02f, foot) : Flat.Right((a / 2) + 0.02f, foot);
            var vent = Math.Min(w * 0.16f, 18);
            m.Pad(gable, 0, eaves - foot, vent, vent, 0.7f);
            for (var i = 0; i < 5; i++)
            {
                m.Pad(gable with { Origin = gable.Origin + (gable.Out * 0.7f) }, 0, eaves - foot + ((i - 2) * vent / 6), vent * 0.8f, vent / 11, 0.5f, 0.1f);
            }
        }

        // Two slopes of sheet that stand out over the walls.
        m.Part = Roof;
        var over = inset + Math.Clamp(w * 0.02f, 0.8f, 2.5f);
        foreach (var side in new[] { -1f, 1f })
        {
            var slope = Vector3.Normalize(new Vector3(0, -side * b / 2, ridge - eaves));
            var on = new Flat(new(0, side * ((b / 2) + over), eaves - (over * (ridge - eaves) / (b / 2))), side < 0 ? Vector3.UnitX : -Vector3.UnitX, slope);
            var run = MathF.Sqrt(MathF.Pow((b / 2) + over, 2) + MathF.Pow((ridge - eaves) * (1 + (over / (b / 2))), 2));
            m.Body.Grid((u, v) => on.At((float)u, (float)v, 0.4f + Wave((float)u)), Places(l), [0, run * 0.499, run * 0.501, run]);
        }

        m.Body.Lathe(new(-l / 2, 0, ridge + 0.2f), Vector3.UnitX, [(0, 0), (1.3f, 0), (1.3f, l), (0, l)], 12);
    }

    public static void House(Modeller m, float l, float w, float h)
    {
        var foot = Math.Clamp(h * 0.09f, 2, 9);
        var over = Math.Clamp(w * 0.06f, 2, 7);
        var (a, b, eaves) = (l - (2 * over), w - (2 * over), h * 0.56f);
        var ridge = h - 1.5f;
        var frame = Math.Clamp(l / 28, 2.2f, 6);
        m.Part = Foot;
        m.Block(a + 2, b + 2, foot);
        foreach (var (on, wide) in new[] { (Flat.Front(-(b + 2) / 2), a + 2), (Flat.Rear((b + 2) / 2), a + 2), (Flat.Right((a + 2) / 2), b + 2), (Flat.Left(-(a + 2) / 2), b + 2) })
        {
            m.Stones(on, wide, _ => foot, Math.Max(2, foot / 2), Math.Max(4, foot * 0.9f), 0.5f);
        }

        float Gable(float u) => eaves + ((ridge - eaves) * (1 - Math.Abs(2 * u / b)));
        foreach (var (on, wide, gabled) in new[] { (Flat.Front(-b / 2, foot), a, false), (Flat.Rear(b / 2, foot), a, false), (Flat.Right(a / 2, foot), b, true), (Flat.Left(-a / 2, foot), b, true) })
        {
            // A skim between timbers, with its own unevenness.
            m.Part = Walls;
            var (steps, seed) = ((int)Math.Clamp(wide / 1.6f, 8, 90), m.In(0, 100));
            m.Body.Grid(
                (u, v) => on.At((float)u, (float)v * ((gabled ? Gable((float)u) : eaves) - foot), v is > 0 and < 1 ? 0.16f * MathF.Sin(((float)u * 1.3f) + seed) * MathF.Cos(((float)v * 9) + seed + (0.7f * (float)u)) : 0),
                Geometry.MeshBuilder.Even(-wide / 2, wide / 2, steps * 2 / 2), Geometry.MeshBuilder.Even(0, 1, (int)Math.Clamp((eaves - foot) / 1.8f, 6, 60)));
            m.Part = Doors;
            var tall = eaves - foot;

            // What stands out under the eaves ends below the slope.
            var free = gabled ? 0.4f : 0.4f + (1.2f * (ridge - eaves) / (b / 2));
            foreach (var u in new[] { -(wide / 2) + (frame / 2), -wide / 6, wide / 6, (wide / 2) - (frame / 2) })
            {
                m.Pad(on, u, (tall - free) / 2, frame, tall - free, 0.9f, 0.25f, 0.12f);
            }

            foreach (var v in new[] { frame / 2, tall * 0.55f, tall - free - (frame * 0.43f) })
            {
                m.Pad(on with { Origin = on.Origin + (on.Out * 0.02f) }, 0, v, wide - 0.6f, frame * 0.85f, 1.15f, 0.25f, 0.1f);
            }

            if (gabled)
            {
                m.Pad(on, 0, tall + ((ridge - eaves) * 0.3f), frame, (ridge - eaves) * 0.6f, 0.9f, 0.25f, 0.1f);
                m.Pad(on with { Origin = on.Origin + (on.Out * 0.03f) }, 0, tall + ((ridge - eaves) * 0.32f), Math.Min(b * 0.16f, 16), (ridge - eaves) * 0.3f, 1.5f);
            }
        }

        // A door and two windows on the front, of boards.
        var front = Flat.Front((-b / 2) - 0.9f, foot);
        var (door, high) = (Math.Clamp(l * 0.13f, 7, 22), (eaves - foot) * 0.74f);
        m.Boards(front, door, high, door / 4, 0.8f, lying: false);
        foreach (var side in new[] { -1f, 1f })
        {
            var at = front with { Origin = front.Origin + new Vector3(side * a / 3.1f, 0, (eaves - foot) * 0.34f) };
            m.Pad(at, 0, (eaves - foot) * 0.17f, door * 1.1f, (eaves - foot) * 0.34f, 0.6f);
            m.Boards(at with { Origin = at.Origin + (at.Out * 0.6f) }, door * 0.9f, (eaves - foot) * 0.3f, door / 4, 0.5f, lying: false);
        }

        // The roof: rows of boards on two slopes, standing out.
        m.Part = Roof;
        var rise = (ridge - eaves) / (b / 2);
        foreach (var side in new[] { -1f, 1f })
        {
            var slope = Vector3.Normalize(new Vector3(0, -side, rise));
            var on = new Flat(new(0, side * ((b / 2) + over), eaves - (over * rise)), side < 0 ? Vector3.UnitX : -Vector3.UnitX, slope);
            var run = ((b / 2) + over) * MathF.Sqrt(1 + (rise * rise));
            m.Plate(on, -l / 2, 0, l / 2, run);
            Vector3 under = on.Out * -0.9f;
            m.Body.Face(on.At(l / 2, 0) + under, on.At(-l / 2, 0) + under, on.At(-l / 2, run) + under, on.At(l / 2, run) + under);
            m.Body.Face(on.At(-l / 2, 0) + under, on.At(l / 2, 0) + under, on.At(l / 2, 0), on.At(-l / 2, 0));
            m.Body.Face(on.At(l / 2, 0) + under, on.At(l / 2, run) + under, on.At(l / 2, run), on.At(l / 2, 0));
            m.Body.Face(on.At(-l / 2, run) + under, on.At(-l / 2, 0) + under, on.At(-l / 2, 0), on.At(-l / 2, run));
            var row = Math.Clamp(run / 7, 4, 14);
            for (var r = 0; r * row < run - 0.5f; r++)
            {
                var board = Math.Clamp(row * 0.55f, 2.5f, 8);
                for (var u = (-l / 2) + (r % 2 * board / 2); u < (l / 2) - 0.6f; u += board)
                {
                    var wide = Math.Min(board, (l / 2) - u) - 0.35f;
                    m.Pad(on, u + (wide / 2), (r * row) + (row / 2), wide, Math.Min(row, run - (r * row)) - 0.35f, 0.5f * m.In(0.7, 1.2), 0.15f, 0.08f);
                }
            }
        }

        m.Body.Box(new(0, 0, ridge + 0.7f), new(l, 2.4f, 1.6f), 0.3f);
    }

    public static void Gantry(Modeller m, float l, float w, float h)
    {
        var post = Math.Clamp(Math.Min(l, w) / 16, 1.6f, 6);
        var deck = h * 0.56f;
        m.Part = 0;
        foreach (var x in new[] { -1f, 0f, 1f })
        {
            foreach (var y in new[] { -1f, 1f })
            {
                var at = new Vector3(x * ((l / 2) - post), y * ((w / 2) - post), 0);
                m.Body.Box(at + new Vector3(0, 0, deck / 2), new(post, post, deck), 0.25f);
                m.Body.Box(at + new Vector3(0, 0, 0.6f), new(post * 2, post * 2, 1.2f), 0.25f);
            }

            m.Body.Box(new(x * ((l / 2) - post), 0, deck * 0.5f), new(post * 0.6f, w - (2 * post), post * 0.6f), 0.2f);
        }

        foreach (var y in new[] { -1f, 1f })
        {
            m.Body.Box(new(0, y * ((w / 2) - post), deck - (post / 2)), new(l, post * 0.7f, post), 0.25f);
            m.Body.Box(new(0, y * ((w / 2) - post), deck * 0.24f), new(l * 0.9f, post * 0.45f, post * 0.45f), 0.15f);
        }

        // Deck of tread plate, with its rails.
        m.Part = 1;
        m.Body.Box(new(0, 0, deck + 0.6f), new(l, w, 1.2f), 0.2f);
        var top = Flat.Top(deck + 1.2f);
        var (across, along) = (Math.Max(2, (int)(w / 9)), Math.Max(3, (int)(l / 11)));
        for (var i = 0; i < along; i++)
        {
            for (var k = 0; k < across; k++)
            {
                m.Pad(top, ((i + 0.5f) / along * l) - (l / 2), ((k + 0.5f) / across * w) - (w / 2), (l / along) - 0.5f, (w / across) - 0.5f, 0.3f, 0.12f);
            }
        }

        m.Part = 0;
        foreach (var y in new[] { -1f, 1f })
        {
            for (var i = 0; i <= 6; i++)
            {
                m.Pipe(new(((i / 6f) - 0.5f) * (l - 2), y * ((w / 2) - 1), deck + 1.2f), new(((i / 6f) - 0.5f) * (l - 2), y * ((w / 2) - 1), h - 0.6f), 0.6f, around: 8);
            }

            m.Pipe(new(-(l / 2) + 0.4f, y * ((w / 2) - 1), h - 0.6f), new((l / 2) - 0.4f, y * ((w / 2) - 1), h - 0.6f), 0.7f, around: 10);
            m.Pipe(new(-(l / 2) + 0.4f, y * ((w / 2) - 1), (h + deck) / 2), new((l / 2) - 0.4f, y * ((w / 2) - 1), (h + deck) / 2), 0.5f, around: 8);
        }

        m.Part = 2;
        var pipe = Math.Clamp(w / 12, 1.6f, 7);
        foreach (var y in new[] { -0.24f, 0.05f, 0.28f })
        {
            var z = (deck * 0.72f) - (Math.Abs(y) * pipe * 2);
            for (var i = 0; i < 3; i++)
            {
                m.Pipe(new((((i / 3f) - 0.5f) * l) + 0.3f, y * w, z), new(((((i + 1) / 3f) - 0.5f) * l) - 0.3f, y * w, z), pipe * (y > 0.2f ? 0.7f : 1), flanged: true, around: 20);
            }
        }

        m.Pipe(new(l * 0.22f, w * 0.12f, 0), new(l * 0.22f, w * 0.12f, h * 0.95f), pipe * 0.9f, flanged: true, around: 20);
    }

    public static void Pan(Modeller m, float l, float w, float h)
    {
        var (wall, hearth) = (Math.Clamp(w / 26, 1, 3.5f), h * 0.45f);
        m.Part = 0;
        m.Block(l * 0.94f, w * 0.94f, hearth);

        // The pan on it: outside, rim, inside.
        m.Block(l, w, h, from: hearth);
        m.Part = 1;
        var liquid = Flat.Top(h + 0.01f);
        m.Plate(liquid, (-l / 2) + wall, (-w / 2) + wall, (l / 2) - wall, (w / 2) - wall);
        m.Part = 0;
        foreach (var (u, v, a, b) in new[] { (0f, (-w + wall) / 2, l, wall), (0f, (w - wall) / 2, l, wall), ((-l + wall) / 2, 0f, wall, w - (2 * wall)), ((l - wall) / 2, 0f, wall, w - (2 * wall)) })
        {
            m.Pad(Flat.Top(h), u, v, a, b, 1.1f);
        }

        foreach (var (on, wide) in new[] { (Flat.Front(-w / 2, hearth), l), (Flat.Rear(w / 2, hearth), l), (Flat.Right(l / 2, hearth), w), (Flat.Left(-l / 2, hearth), w) })
        {
            var tall = h - hearth;
            for (var i = 0; i <= 4; i++)
            {
                m.Pad(on, ((i / 4f) - 0.5f) * (wide - 3), tall / 2, 1.6f, tall - 0.6f, 0.6f);
            }

            m.Rivets(on, new((-wide / 2) + 3, tall * 0.86f), new((wide / 2) - 3, tall * 0.86f), 3.4f);
        }

        m.Part = 2;
        var front = Flat.Front(-w * 0.47f);
        m.Pad(front, 0, hearth * 0.45f, l * 0.34f, hearth * 0.8f, 1);
        var mouth = front with { Origin = front.Origin + (front.Out * 1) };
        for (var i = 0; i < 5; i++)
        {
            m.Pad(mouth, ((i / 4f) - 0.5f) * l * 0.26f, hearth * 0.42f, l * 0.035f, hearth * 0.6f, 0.6f);
        }
    }
}
