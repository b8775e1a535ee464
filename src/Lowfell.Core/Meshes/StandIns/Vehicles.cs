using System.Numerics;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>Hulls, turrets, running gear.</summary>
internal static class Vehicles
{
    private const byte Body = 0, Deck = 1, Fittings = 2, Track = 3;

    public static void Hull(Modeller m, float l, float w, float h)
    {
        var (belly, width) = (h * 0.3f, w * 0.56f);
        var (a, b) = (l / 2, w / 2);
        var top = h * 0.92f;
        var guard = h * 0.6f;

        // Lower hull between the tracks.
        m.Part = Body;
        Extrude(m, [new(-a * 0.94f, guard), new(-a * 0.98f, belly * 1.5f), new(-a * 0.8f, belly), new(a * 0.82f, belly), new(a * 0.95f, belly * 1.6f), new(a * 0.95f, guard)], width);

        // Upper hull over them: sides lean in, glacis and rear slope.
        Vector3[] low = [new(-a, -b, guard), new(a * 0.97f, -b, guard), new(a * 0.97f, b, guard), new(-a, b, guard)];
        Vector3[] high = [new(-a * 0.56f, -b * 0.74f, top), new(a * 0.88f, -b * 0.74f, top), new(a * 0.88f, b * 0.74f, top), new(-a * 0.56f, b * 0.74f, top)];
        for (var i = 0; i < 4; i++)
        {
            var j = (i + 1) % 4;
            m.Body.Face(low[i], low[j], high[j], high[i]);
            Panels(m, low[i], low[j], high[j], high[i], i is 0 or 2 ? 5 : 2, i == 3 ? 2 : 1);
        }

        m.Body.Face(low[3], low[2], low[1], low[0]);
        m.Part = Deck;
        m.Body.Face(high[0], high[1], high[2], high[3]);
        var deck = Flat.Top(top);
        Cells(m, deck, -a * 0.56f, -b * 0.74f, a * 0.88f, b * 0.74f, 4, 2, 0.28f);

        // Hatches, grille, boxes, lamps, rivets.
        m.Part = Fittings;
        var raised = Flat.Top(top + 0.28f);
        foreach (var (x, y, r) in new[] { (-a * 0.3f, -b * 0.36f, w * 0.1f), (-a * 0.3f, b * 0.36f, w * 0.1f), (a * 0.22f, 0f, w * 0.15f) })
        {
            m.Disc(raised, x, y, r, 0.8f, 28);
            m.Disc(raised with { Origin = raised.Origin + new Vector3(0, 0, 0.8f) }, x, y, r * 0.82f, 0.5f, 28);
            for (var i = 0; i < 8; i++)
            {
                m.Disc(raised with { Origin = raised.Origin + new Vector3(0, 0, 0.8f) }, x + (r * 0.91f * MathF.Cos(i * MathF.PI / 4)), y + (r * 0.91f * MathF.Sin(i * MathF.PI / 4)), 0.3f, 0.2f, 6, 0.1f);
            }
        }

        for (var i = 0; i < 7; i++)
        {
            m.Pad(raised, a * (0.56f + (0.042f * i)), 0, a * 0.022f, b * 0.9f, 0.7f, 0.12f);
        }

        foreach (var side in new[] { -1f, 1f })
        {
            m.Body.Box(new(a * 0.1f, side * b * 0.9f, guard + (h * 0.09f)), new(l * 0.2f, w * 0.11f, h * 0.18f), 0.3f);
            m.Body.Box(new(a * 0.62f, side * b * 0.9f, guard + (h * 0.07f)), new(l * 0.14f, w * 0.1f, h * 0.14f), 0.3f);
            m.Body.Lathe(new(-a * 0.9f, side * b * 0.6f, guard + (h * 0.1f)), -Vector3.UnitX, [(0, -2), (1.9f, -2), (2.1f, 1.4f), (1.7f, 1.8f), (0, 1.5f)], 18);
        }

        // Guards over the tracks.
        m.Part = Body;
        foreach (var side in new[] { -1f, 1f })
        {
            m.Body.Box(new(-a * 0.02f, side * b * 0.88f, guard), new(l * 0.99f, w * 0.24f, 0.8f), 0.2f);
        }

        RunningGear(m, l * 0.98f, w, guard - 1.2f, Track, track: Track);
    }

    public static void Turret(Modeller m, float l, float w, float h)
    {
        var (body, high) = (Math.Min(l * 0.6f, w * 1.2f), h * 0.7f);
        var at = l * 0.5f - (body / 2);
        Vector2[] Outline(float scale) => [.. new[] { (-0.5f, -0.26f), (-0.36f, -0.44f), (0.3f, -0.5f), (0.5f, -0.34f), (0.5f, 0.34f), (0.3f, 0.5f), (-0.36f, 0.44f), (-0.5f, 0.26f) }.Select(p => new Vector2(at + (p.Item1 * body * scale), p.Item2 * w * scale))];
        m.Part = 0;
        var (foot, top) = (Outline(1), Outline(0.78f));
        for (var i = 0; i < foot.Length; i++)
        {
            var j = (i + 1) % foot.Length;
            Vector3[] quad = [new(foot[i], 0), new(foot[j], 0), new(top[j], high), new(top[i], high)];
            m.Body.Face(quad[0], quad[1], quad[2], quad[3]);
            Panels(m, quad[0], quad[1], quad[2], quad[3], 1, 1);
        }

        m.Pad(Flat.Top(high), top, 0.7f);

        m.Part = 1;
        var roof = Flat.Top(high + 0.7f);
        var r = w * 0.16f;
        foreach (var y in new[] { -0.2f, 0.2f })
        {
            m.Disc(roof, at + (body * 0.12f), y * w, r, h * 0.12f, 28);
            m.Disc(roof with { Origin = new(0, 0, high + 0.7f + (h * 0.12f)) }, at + (body * 0.12f), y * w, r * 0.82f, h * 0.05f, 28);
        }

        m.Rivets(roof, new(at - (body * 0.3f), -w * 0.3f), new(at - (body * 0.3f), w * 0.3f), 2.6f);
        m.Pipe(new(at + (body * 0.3f), w * 0.28f, high), new(at + (body * 0.3f), w * 0.28f, h), 0.35f, around: 6);
        m.Part = 2;
        var (z, calibre) = (high * 0.52f, Math.Clamp(h * 0.09f, 0.9f, 4));
        var mantlet = at - (body * 0.44f);
        m.Body.Box(new(mantlet, 0, z), new(body * 0.12f, w * 0.4f, high * 0.55f), 0.5f);
        var muzzle = -l / 2;
        m.Body.Lathe(new(mantlet, 0, z), -Vector3.UnitX, [(calibre * 1.5f, 0), (calibre * 1.5f, (mantlet - muzzle) * 0.3f), (calibre, (mantlet - muzzle) * 0.32f), (calibre, (mantlet - muzzle) * 0.86f), (calibre * 1.4f, (mantlet - muzzle) * 0.87f), (calibre * 1.4f, mantlet - muzzle), (calibre * 0.7f, mantlet - muzzle), (calibre * 0.7f, (mantlet - muzzle) * 0.9f), (0, (mantlet - muzzle) * 0.9f)], 24);
    }

    /// <summary>Tracks and wheels on both sides.</summary>
    /// <param name="m">Modeller.</param>
    /// <param name="l">Length, mm.</param>
    /// <param name="w">Width over both tracks, mm.</param>
    /// <param name="h">Height, mm.</param>
    /// <param name="wheels">Part of the wheels.</param>
    /// <param name="track">Part of the tracks.</param>
    public static void RunningGear(Modeller m, float l, float w, float h, byte wheels, byte track = 0)
    {
        var (wide, link) = (Math.Max(2, w * 0.2f), Math.Clamp(l / 34, 1.8f, 5));
        var r = Math.Min(h / 2, l * 0.2f);
        var straight = l - (2 * r);
        var round = (2 * straight) + (2 * MathF.PI * r);
        var count = (int)(round / link);
        foreach (var side in new[] { -1f, 1f })
        {
            var y = side * ((w / 2) - (wide / 2));
            m.Part = track;
            for (var i = 0; i < count; i++)
            {
                var (x, z, turn) = Along((i + 0.5f) / count * round, straight, r);
                m.Body.Box(new(x, y, z), new(link * 0.86f, wide, 1.1f), 0.2f, pitch: turn);
                m.Body.Box(new Vector3(x, y, z) + new Vector3(MathF.Sin(turn) * -0.75f, 0, MathF.Cos(turn) * 0.75f), new(link * 0.3f, wide * 0.92f, 0.6f), 0.15f, pitch: turn);
            }

            m.Part = wheels;
            var road = Math.Max(2, (int)(straight / (1.5f * r)));
            for (var i = -1; i <= road; i++)
            {
                var end = i < 0 || i == road;
                var x = end ? (i < 0 ? -straight / 2 : straight / 2) : ((i + 0.5f) / road * (straight - (1.1f * r))) - ((straight - (1.1f * r)) / 2);
                var size = end ? r * 0.62f : r * 0.66f;
                var at = new Vector3(x, y - (side * wide * 0.36f), end ? r * 1.1f : size + 1.1f);
                m.Body.Lathe(at, Vector3.UnitY * side, [(0, 0), (size, 0), (size, wide * 0.7f), (size * 0.8f, wide * 0.74f), (size * 0.76f, wide * 0.62f), (size * 0.36f, wide * 0.6f), (size * 0.34f, wide * 0.78f), (size * 0.2f, wide * 0.84f), (0, wide * 0.84f)], 26);
            }
        }
    }

    // Round a stadium: along the ground, up the front, back on top.
    private static (float X, float Z, float Turn) Along(float s, float straight, float r)
    {
        if (s < straight)
        {
            return ((straight / 2) - s, 0.55f, MathF.PI);
        }

        s -= straight;
        if (s < MathF.PI * r)
        {
            return Bend(-straight / 2, r, -(MathF.PI / 2) - (s / r));
        }

        s -= MathF.PI * r;
        if (s < straight)
        {
            return ((-straight / 2) + s, (2 * r) - 0.55f, 0);
        }

        s -= straight;
        return Bend(straight / 2, r, (MathF.PI / 2) - (s / r));
    }

    private static (float X, float Z, float Turn) Bend(float at, float r, float angle) => (at + ((r - 0.55f) * MathF.Cos(angle)), r + ((r - 0.55f) * MathF.Sin(angle)), angle - (MathF.PI / 2));

    // A side view from left to right, drawn out to a width, open on top.
    private static void Extrude(Modeller m, Vector2[] profile, float wide)
    {
        Vector3 At(int i, float side) => new(profile[i].X, side * wide / 2, profile[i].Y);
        for (var i = 0; i + 1 < profile.Length; i++)
        {
            var j = i + 1;
            m.Body.Face(At(i, 1), At(j, 1), At(j, -1), At(i, -1));
        }

        for (var i = 1; i + 1 < profile.Length; i++)
        {
            m.Body.Triangle(At(0, -1), At(i, -1), At(i + 1, -1));
            m.Body.Triangle(At(0, 1), At(i + 1, 1), At(i, 1));
        }
    }

    // Panels on a face of four corners, with lines between and rivets along their foot.
    private static void Panels(Modeller m, Vector3 a, Vector3 b, Vector3 c, Vector3 d, int across, int up)
    {
        var u = Vector3.Normalize(b - a);
        var on = new Flat(a, u, Vector3.Normalize(Vector3.Cross(Vector3.Normalize(Vector3.Cross(b - a, d - a)), u)));
        Vector2 Flat(Vector3 p) => new(Vector3.Dot(p - a, on.U), Vector3.Dot(p - a, on.V));
        Vector2 At(float s, float t) => Vector2.Lerp(Vector2.Lerp(Flat(a), Flat(b), s), Vector2.Lerp(Flat(d), Flat(c), s), t);
        for (var i = 0; i < across; i++)
        {
            for (var k = 0; k < up; k++)
            {
                var (s0, s1, t0, t1) = ((float)i / across, (i + 1f) / across, (float)k / up, (k + 1f) / up);
                Vector2[] corners = [At(s0, t0), At(s1, t0), At(s1, t1), At(s0, t1)];
                var middle = corners.Aggregate(Vector2.Zero, (x, y) => x + y) / 4;
                Vector2[] drawn = [.. corners.Select(p => p + (Vector2.Normalize(middle - p) * Math.Min(0.32f, 0.2f * Vector2.Distance(middle, p))))];
                m.Pad(on, drawn, 0.28f, 0.1f);
                var raised = on with { Origin = on.Origin + (on.Out * 0.28f) };
                m.Rivets(raised, Vector2.Lerp(drawn[0], middle, 0.16f), Vector2.Lerp(drawn[1], middle, 0.16f), 3.4f, 0.36f);
            }
        }
    }

    private static void Cells(Modeller m, Flat on, float x0, float y0, float x1, float y1, int across, int up, float height)
    {
        for (var i = 0; i < across; i++)
        {
            for (var k = 0; k < up; k++)
            {
                m.Pad(on, x0 + ((i + 0.5f) / across * (x1 - x0)), y0 + ((k + 0.5f) / up * (y1 - y0)), ((x1 - x0) / across) - 0.45f, ((y1 - y0) / up) - 0.45f, height, 0.1f);
            }
        }
    }
}
