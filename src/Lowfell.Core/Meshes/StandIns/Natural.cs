using System.Numerics;
using Lowfell.Core.Bases.Drawing;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Meshes.Geometry;

namespace Lowfell.Core.Meshes.StandIns;

/// <summary>Rocks, bases, figures.</summary>
internal static class Natural
{
    public static void Rock(Modeller m, float l, float w, float h)
    {
        // A dome pushed about by noise of four octaves, its layers stepped.
        var seed = (uint)m.Random.Next();
        var around = 150;
        var up = 60;
        Vector3 At(double i, double k)
        {
            var (turn, lift) = (2 * Math.PI * i / around, k / up);
            var (c, s) = ((float)Math.Cos(turn), (float)Math.Sin(turn));
            var rise = (float)lift;
            var profile = MathF.Sqrt(Math.Max(0, 1 - (rise * rise)));
            var n = 0f;
            for (var octave = 0; octave < 4; octave++)
            {
                var f = 1.6f * MathF.Pow(2, octave);
                n += MathF.Pow(0.5f, octave) * ((0.5f * Hash.Noise((c * f) + 7, (s * f) + (rise * f), seed + (uint)octave)) + (0.5f * Hash.Noise((s * f) - (rise * f), (c * f) - 3, seed + 9 + (uint)octave)));
            }

            // Ledges: in and out again with each layer.
            var layer = (rise * 6) + (0.6f * n);
            var r = profile * (0.82f + (0.2f * n)) * (0.94f + (0.06f * MathF.Abs((2 * (layer - MathF.Floor(layer))) - 1)));
            return new(0.5f * l * r * c, 0.5f * w * r * s, h * 0.94f * (rise + (0.05f * n * profile * Math.Min(1, 4 * rise))));
        }

        double[] ring = MeshBuilder.Even(0, around, around);
        foreach (var (part, from, to) in new[] { ((byte)2, 0, up / 6), ((byte)0, up / 6, up * 3 / 4), ((byte)1, up * 3 / 4, up) })
        {
            m.Part = part;
            m.Body.Grid((i, k) => k >= up ? new(0, 0, h * 0.95f) : At(i % around, k), ring, MeshBuilder.Even(from, to, to - from));
        }
    }

    public static void Figure(Modeller m, float h)
    {
        // A person in a coat, hands at a staff; sizes as parts of the height.
        float P(float part) => part * h;
        m.Part = 1;
        foreach (var side in new[] { -1f, 1f })
        {
            var foot = new Vector3(side * P(0.085f), -P(0.02f), 0);
            m.Body.Box(foot + new Vector3(0, -P(0.03f), P(0.03f)), new(P(0.085f), P(0.17f), P(0.06f)), P(0.015f));
            m.Body.Lathe(foot, Vector3.UnitZ, [(P(0.05f), P(0.06f)), (P(0.055f), P(0.16f)), (P(0.05f), P(0.22f)), (P(0.075f), P(0.44f)), (0, P(0.46f))], 20);
        }

        m.Part = 0;
        (double, double)[] coat = [(P(0.16f), P(0.3f)), (P(0.21f), P(0.3f)), (P(0.19f), P(0.42f)), (P(0.145f), P(0.56f)), (P(0.15f), P(0.62f)), (P(0.185f), P(0.74f)), (P(0.16f), P(0.81f)), (P(0.07f), P(0.85f)), (P(0.06f), P(0.87f))];
        m.Body.Grid(
            (i, k) =>
            {
                var turn = 2 * Math.PI * (i % 64) / 64;
                var at = Math.Min(coat.Length - 1.0001, k);
                var (lower, upper, t) = (coat[(int)at], coat[(int)at + 1], at - (int)at);
                var fold = k < 4 ? 1 + (0.07 * (1 - (k / 4)) * Math.Sin(9 * turn)) : 1;
                var r = (lower.Item1 + ((upper.Item1 - lower.Item1) * t)) * fold;
                return new((float)(r * Math.Cos(turn)), (float)(r * 0.72 * Math.Sin(turn)), (float)(lower.Item2 + ((upper.Item2 - lower.Item2) * t)));
            },
            MeshBuilder.Even(0, 64, 64), MeshBuilder.Even(0, coat.Length - 1, (coat.Length - 1) * 4));
        foreach (var side in new[] { -1f, 1f })
        {
            Limb(m, new(side * P(0.18f), 0, P(0.78f)), new(side * P(0.24f), -P(0.06f), P(0.6f)), P(0.06f), P(0.05f));
            Limb(m, new(side * P(0.24f), -P(0.06f), P(0.6f)), new(side * P(0.16f), -P(0.24f), P(0.56f)), P(0.05f), P(0.042f));
        }

        m.Part = 2;
        foreach (var side in new[] { -1f, 1f })
        {
            Ball(m, new(side * P(0.15f), -P(0.26f), P(0.56f)), P(0.042f), P(0.042f));
        }

        Ball(m, new(0, -P(0.015f), P(0.93f)), P(0.062f), P(0.075f));
        m.Part = 3;
        m.Pipe(new(P(0.15f), -P(0.27f), 0), new(P(0.15f), -P(0.27f), P(1)), P(0.016f), around: 10);
        m.Body.Lathe(new(0, 0, P(0.955f)), Vector3.UnitZ, [(P(0.1f), 0), (P(0.102f), P(0.008f)), (P(0.066f), P(0.012f)), (P(0.05f), P(0.045f)), (0, P(0.05f))], 28);
        m.Body.Box(new(0, P(0.14f), P(0.66f)), new(P(0.2f), P(0.1f), P(0.2f)), P(0.02f));
        m.Body.Box(new(0, 0, P(0.565f)), new(P(0.3f), P(0.225f), P(0.032f)), P(0.008f));
    }

    public static void Base(Modeller m, StandInWish wish)
    {
        var (l, w, h) = ((float)wish.LengthMm, (float)wish.WidthMm, (float)wish.HeightMm);
        var form = wish.Layout?.Form;
        if (form is not null)
        {
            (l, w, h) = ((float)form.LengthMm, (float)form.WidthMm, (float)form.HeightMm);
        }

        var square = form is not null ? form.Shape == Bases.Forms.BaseShape.Rectangle : !wish.Round;
        var bevel = (float)(form?.BevelMm ?? 1);
        var cover = wish.Layout?.Cover;
        var seed = (uint)(wish.Seed ^ (wish.Seed >> 32));

        // Rings from the middle out: places on a circle, or on a square drawn to the sides.
        const int Around = 192;
        var rings = Math.Clamp((int)(Math.Min(l, w) / 0.5f / 2), 20, 70);
        Vector2 Way(double i)
        {
            var turn = 2 * Math.PI * (i % Around) / Around;
            var (c, s) = ((float)Math.Cos(turn), (float)Math.Sin(turn));
            return square ? new Vector2(c, s) / Math.Max(Math.Abs(c), Math.Abs(s)) : new(c, s);
        }

        Vector2 Place(double i, float share) => Way(i) * new Vector2((l / 2) - bevel, (w / 2) - bevel) * share;
        m.Part = 0;
        m.Body.Grid(
            (i, k) =>
            {
                if (k >= rings)
                {
                    return new(0, 0, h + Height(cover, form, seed, Vector2.Zero));
                }

                var at = Place(i, 1 - ((float)k / rings));
                return new(at, h + Height(cover, form, seed, at));
            },
            MeshBuilder.Even(0, Around, Around), MeshBuilder.Even(0, rings, rings));
        m.Part = 1;
        m.Body.Grid(
            (i, k) => k < 1
                ? new(Way(i) * new Vector2(l / 2, w / 2), 0)
                : k < 2 ? new(Way(i) * new Vector2((l / 2) - bevel, (w / 2) - bevel), h) : new(Place(i, 1), h + Height(cover, form, seed, Place(i, 1))),
            MeshBuilder.Even(0, Around, Around), [0, 1, 2]);
        m.Part = 2;
        foreach (var element in wish.Layout?.Elements ?? [])
        {
            Element(m, element, h + (float)wish.Layout!.Terrain.Near(element.X, element.Y));
        }

        for (var i = 0; wish.Layout is null && i < 7; i++)
        {
            var at = Place(m.In(0, Around), m.In(0.15, 0.8));
            m.Stone(new(at, h + Height(null, null, seed, at) - 0.2f), m.In(0.06, 0.15) * Math.Min(l, w));
        }
    }

    // Grit as it stands: from the cover where there is one.
    private static float Height(Cover? cover, Bases.Forms.BaseForm? form, uint seed, Vector2 at)
    {
        if (cover is null || form is null)
        {
            return 0.5f + (0.35f * Hash.Noise(at.X * 0.5f, at.Y * 0.5f, seed)) + (0.3f * Hash.Noise(at.X * 1.6f, at.Y * 1.6f, seed + 1));
        }

        var (x, y) = (Math.Clamp((int)Math.Round((at.X + form.A) / Cover.StepMm), 0, cover.Columns - 1), Math.Clamp((int)Math.Round((at.Y + form.B) / Cover.StepMm), 0, cover.Rows - 1));
        var cell = (y * cover.Columns) + x;
        var kind = cover.At(cell);
        var height = kind == Cover.Outside ? 0.2f : cover.HeightMm[cell];
        return height + (kind switch
        {
            (byte)Texture.Coarse => 0.4f * Math.Abs(Hash.Noise(at.X * 1.1f, at.Y * 1.1f, seed + 2)),
            (byte)Texture.Fine => 0.22f * Math.Abs(Hash.Noise(at.X * 2, at.Y * 2, seed + 3)),
            (byte)Texture.Crackle => 0.25f * (Hash.Crack(at.X, at.Y, 3.2f, seed + 7) > 0.25f ? 1 : -1),
            _ => 0.06f * Hash.Noise(at.X * 2, at.Y * 2, seed + 4),
        });
    }

    private static void Element(Modeller m, Element e, float floor)
    {
        var on = Flat.Top(floor - 0.15f);
        Vector2[] outline = [.. e.Outline().Select(p => new Vector2((float)p.X, (float)p.Y))];
        if (e.Kind.IsRigid())
        {
            m.Pad(on, outline, (float)e.HeightMm + 0.15f, Math.Clamp((float)e.HeightMm * 0.3f, 0.2f, 0.8f));
            return;
        }

        // A tuft: blades that lean out.
        var blades = Math.Clamp((int)(e.LengthMm * 4), 6, 26);
        for (var i = 0; i < blades; i++)
        {
            var (turn, r) = (m.In(0, 2 * Math.PI), m.In(0, 0.42) * (float)e.LengthMm);
            var way = new Vector2(MathF.Cos(turn), MathF.Sin(turn));
            var foot = new Vector2((float)e.X, (float)e.Y) + (way * r);
            var tip = foot + (way * m.In(0.1, 0.5) * (float)e.HeightMm);
            var side = new Vector2(-way.Y, way.X) * 0.22f;
            var top = floor + ((float)e.HeightMm * m.In(0.6, 1));
            m.Body.Triangle(new(foot - side, floor - 0.1f), new(foot + side, floor - 0.1f), new(tip, top));
            m.Body.Triangle(new(foot + side, floor - 0.1f), new(foot - side, floor - 0.1f), new(tip, top));
        }
    }

    private static void Limb(Modeller m, Vector3 from, Vector3 to, float r0, float r1)
    {
        var length = Vector3.Distance(from, to);
        m.Body.Lathe(from, to - from, [(0, -r0 * 0.8), (r0 * 0.75, -r0 * 0.5), (r0, 0), (r1, length), (r1 * 0.75, length + (r1 * 0.5)), (0, length + (r1 * 0.8))], 18);
    }

    private static void Ball(Modeller m, Vector3 at, float r, float tall) =>
        m.Body.Lathe(at, Vector3.UnitZ, [.. Enumerable.Range(0, 13).Select(i => (i is 0 or 12 ? 0.0 : r * Math.Sin(Math.PI * i / 12), -tall * Math.Cos(Math.PI * i / 12)))], 22);
}
