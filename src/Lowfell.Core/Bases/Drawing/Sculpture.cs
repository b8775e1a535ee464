using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Drawing;

/// <summary>The elements of a base as relief and colour, each in its own way.</summary>
internal sealed class Sculpture(Canvas canvas, Layout layout)
{
    /// <summary>Bare slate.</summary>
    public static readonly Tone Slate = new(92, 93, 96);

    private readonly Tone ground = Tone.Of(layout.Family.Ground);

    public void Draw()
    {
        foreach (var element in layout.Elements.Where(e => e.Kind.IsRigid()).OrderBy(e => e.HeightMm))
        {
            Draw(element);
        }
    }

    private void Draw(Element element)
    {
        var outline = element.Outline();
        var floor = (float)layout.Terrain.Near(element.X, element.Y);
        var (c, s) = (MathF.Cos((float)(element.AngleDeg * Math.PI / 180)), MathF.Sin((float)(element.AngleDeg * Math.PI / 180)));
        var seed = (uint)element.Seed;
        var soft = 0.7f / canvas.PxPerMm;
        canvas.Over(outline, (x, y, at) =>
        {
            var within = (float)-Outlines.Distance(outline, new(x, y));
            var share = Math.Clamp((within / soft) + 0.5f, 0, 1);
            if (share <= 0)
            {
                return;
            }

            var (dx, dy) = (x - (float)element.X, y - (float)element.Y);
            var (along, across) = ((dx * c) + (dy * s), (dy * c) - (dx * s));
            var (height, tone) = Of(element, within, along, across, x, y, seed);
            var top = floor + Math.Max(0.1f, height);
            canvas.Height[at] += share * (Math.Max(canvas.Height[at], top) - canvas.Height[at]);

            // Dust of the ground gathers at its foot.
            tone = tone.To(ground, Math.Clamp(1 - within, 0, 1) * 0.4f);
            canvas.Colour[at] = canvas.Colour[at].To(tone, share);
        });
    }

    private static (float Height, Tone Tone) Of(Element e, float within, float along, float across, float x, float y, uint seed)
    {
        var (length, width, high) = ((float)e.LengthMm, (float)e.WidthMm, (float)e.HeightMm);
        var (rough, wide) = (Hash.Noise(x * 3, y * 3, seed), Hash.Noise(x * 1.1f, y * 1.1f, seed + 5));
        var grey = 6 * ((seed % 4) - 1.5f);
        switch (e.Kind)
        {
            case ElementKind.Slate or ElementKind.Bark:
                // Layers step up from the edge, and the whole slab leans a little.
                var q = (within + (0.3f * wide) + (0.12f * across)) * 1.05f;
                var step = (MathF.Floor(q) + Math.Clamp((q - MathF.Floor(q)) * 5, 0, 1)) / 1.05f;
                var slab = high * Math.Clamp(0.5f + (0.3f * Math.Min(step, 1.4f)) + (0.22f * along / length) + (0.1f * across / width), 0.2f, 1);
                return e.Kind == ElementKind.Slate
                    ? (slab + (0.05f * rough), new Tone(Slate.R + grey, Slate.G + grey, Slate.B + grey) * (1 + (0.08f * wide)))
                    : (slab + (0.18f * MathF.Sin((across * 5) + wide)), new Tone(96, 73, 53) * (1 + (0.1f * wide)));
            case ElementKind.Cork:
                return ((high * Math.Clamp(0.75f + (0.25f * within), 0, 1)) + (0.16f * rough) - (wide > 0.45f ? 0.3f : 0), new Tone(122, 104, 84) * (1 + (0.12f * wide)));
            case ElementKind.Stone or ElementKind.Pebble:
                var round = Math.Clamp(within / (Math.Min(length, width) * 0.42f), 0, 1);
                return ((high * MathF.Sqrt(Math.Max(0.02f, 1 - ((1 - round) * (1 - round))))) + (0.05f * rough) + (e.Kind == ElementKind.Stone ? 0.12f * wide : 0), new Tone(118 + grey, 114 + grey, 106 + grey) * (1 + (0.07f * wide)));
            case ElementKind.Pipe or ElementKind.Post:
                var arch = MathF.Sqrt(Math.Max(0.02f, 1 - MathF.Pow(across / (width / 2), 2)));
                return e.Kind == ElementKind.Pipe
                    ? (high * arch, new Tone(118, 72, 48).To(new(172, 98, 50), wide > 0.35f ? 0.5f : 0))
                    : ((high * arch) + (0.06f * MathF.Sin((across * 12) + rough)), new Tone(112, 92, 68) * (1 + (0.1f * wide)));
            default:
                return (high + (0.12f * MathF.Sin((across * 9) + rough)), new Tone(124, 102, 76) * (1 + (0.1f * wide)));
        }
    }
}
