using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;

namespace Lowfell.Core.Bases.Drawing;

/// <summary>Tufts and static grass, blade by blade.</summary>
internal sealed class Blades(Canvas canvas, Layout layout)
{
    private readonly Tone green = Tone.Of(layout.Family.Tufts);

    public void Draw(float[] shadow)
    {
        Grass();
        foreach (var tuft in layout.Elements.Where(e => !e.Kind.IsRigid()).OrderBy(e => e.HeightMm))
        {
            Shade(tuft, shadow);
            Tuft(tuft);
        }
    }

    private void Grass()
    {
        var (cover, form, seed) = (layout.Cover, layout.Form, (uint)layout.Plot.Seed + 77);
        for (var i = 0; i < cover.Cells.Length; i++)
        {
            if (cover.Cells[i] == Cover.Outside || (cover.Cells[i] & Cover.Grass) == 0 || Hash.Of(i, 0, seed) > 0.75f)
            {
                continue;
            }

            var (x, y) = ((float)(((i % cover.Columns) * Cover.StepMm) - form.A), (float)(((i / cover.Columns) * Cover.StepMm) - form.B));
            var angle = Hash.Of(i, 1, seed) * MathF.Tau;
            var length = 0.5f + (0.5f * Hash.Of(i, 2, seed));
            Line(x, y, x + (length * MathF.Cos(angle)), y + (length * MathF.Sin(angle)), green * (0.8f + (0.5f * Hash.Of(i, 3, seed))), 0.12f);
        }
    }

    private void Shade(Element tuft, float[] shadow)
    {
        var (x, y, radius) = ((float)tuft.X + 0.35f, (float)tuft.Y - 0.45f, (float)tuft.LengthMm / 2);
        Bases.Plane.Point[] box = [new(x - radius, y - radius), new(x + radius, y + radius)];
        canvas.Over(box, (px, py, at) =>
        {
            var d = MathF.Sqrt(((px - x) * (px - x)) + ((py - y) * (py - y))) / radius;
            if (d < 1)
            {
                shadow[at] = Math.Max(shadow[at], 0.7f * (1 - (d * d)));
            }
        });
    }

    private void Tuft(Element tuft)
    {
        var (seed, radius) = ((uint)tuft.Seed, (float)tuft.LengthMm / 2);
        var hue = (seed % 3) switch { 0 => new Tone(1, 1, 1), 1 => new Tone(1.15f, 1.08f, 0.95f), _ => new Tone(0.88f, 1.02f, 0.95f) };
        var count = (int)(50 + (50 * radius));
        for (var i = 0; i < count; i++)
        {
            // From the outside in: what stands in the middle lies on top.
            var far = radius * 0.85f * MathF.Sqrt(1 - (i / (float)count));
            var around = Hash.Of(i, 0, seed) * MathF.Tau;
            var (x, y) = ((float)tuft.X + (far * MathF.Cos(around)), (float)tuft.Y + (far * MathF.Sin(around)));
            var way = around + (Hash.Of(i, 1, seed) - 0.5f);
            var length = (float)tuft.HeightMm * 0.6f * (0.5f + (0.5f * Hash.Of(i, 2, seed))) * (0.25f + (0.75f * far / Math.Max(0.1f, radius)));
            var tone = green * (0.55f + (0.75f * i / count) + (0.3f * (Hash.Of(i, 3, seed) - 0.5f)));
            Line(x, y, x + (length * MathF.Cos(way)), y + (length * MathF.Sin(way)) + (0.25f * length), new(tone.R * hue.R, tone.G * hue.G, tone.B * hue.B), 0.16f);
        }
    }

    private void Line(float x0, float y0, float x1, float y1, Tone tone, float widthMm)
    {
        var half = Math.Max(widthMm / 2, 0.5f / canvas.PxPerMm);
        var soft = 0.7f / canvas.PxPerMm;
        var (ex, ey) = (x1 - x0, y1 - y0);
        var square = Math.Max(1e-6f, (ex * ex) + (ey * ey));
        Bases.Plane.Point[] box = [new(Math.Min(x0, x1) - half, Math.Min(y0, y1) - half), new(Math.Max(x0, x1) + half, Math.Max(y0, y1) + half)];
        canvas.Over(box, (x, y, at) =>
        {
            var t = Math.Clamp((((x - x0) * ex) + ((y - y0) * ey)) / square, 0, 1);
            var d = MathF.Sqrt(MathF.Pow(x - x0 - (t * ex), 2) + MathF.Pow(y - y0 - (t * ey), 2));

            // A blade narrows to its tip.
            var share = Math.Clamp(((half * (1 - (0.6f * t)) - d) / soft) + 0.5f, 0, 1);
            if (share > 0)
            {
                canvas.Colour[at] = canvas.Colour[at].To(tone, share);
            }
        });
    }
}
