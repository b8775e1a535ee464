using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;

namespace Lowfell.Core.Bases.Drawing;

/// <summary>A picture: four bytes a point (red, green, blue, how much of it there is), row by row from the top left.</summary>
/// <param name="Width">Points across.</param>
/// <param name="Height">Points down.</param>
/// <param name="Rgba">The points.</param>
public sealed record Picture(int Width, int Height, byte[] Rgba);

/// <summary>Draws a base as it will look from above: its layout is a height field with materials, under one lamp from the rear left, with shadows.</summary>
public sealed class BasePicture
{
    // Grains, mm, and how far they stand out.
    private const float Coarse = 1, Fine = 0.42f, Sand = 0.22f;

    private readonly Layout layout;
    private readonly Canvas canvas;
    private readonly uint seed;
    private readonly Tone ground;
    private readonly Tone light;

    private BasePicture(Layout layout, float pxPerMm, string? groundColour)
    {
        this.layout = layout;
        canvas = new(layout.Form, pxPerMm);
        seed = (uint)layout.Plot.Seed;
        (ground, light) = (Tone.Of(groundColour ?? layout.Family.Ground), Tone.Of(layout.Family.Light));
    }

    /// <summary>Draws it.</summary>
    /// <param name="layout">The base.</param>
    /// <param name="pxPerMm">Points a millimetre, 1..40.</param>
    /// <param name="groundColour">Colour of its ground, #rrggbb; the family's where it is null.</param>
    public static Picture Of(Layout layout, double pxPerMm, string? groundColour = null)
    {
        var picture = new BasePicture(layout, (float)Math.Clamp(pxPerMm, 1, 40), groundColour);
        picture.Lay();
        new Sculpture(picture.canvas, layout).Draw();
        return picture.Lit();
    }

    // The ground: textures meet in ragged edges, cracks gape, grains stand.
    private void Lay()
    {
        var (cover, form) = (layout.Cover, layout.Form);
        var (crust, crack) = (Tone.Of(layout.Family.Crust), Tone.Of(layout.Family.Crack));
        var spacing = (float)layout.Family.Law.Spacing(layout.Family.CrackleMm);
        Parallel.For(0, canvas.Rows, row =>
        {
            for (var column = 0; column < canvas.Width; column++)
            {
                var (x, y) = (canvas.X(column), canvas.Y(row));
                var at = (row * canvas.Width) + column;
                if (form.Within(x, y) < -0.3)
                {
                    canvas.Colour[at] = ground;
                    continue;
                }

                var (jx, jy) = (0.5f * Hash.Noise(x * 1.8f, y * 1.8f, seed + 3), 0.5f * Hash.Noise(x * 1.8f, y * 1.8f, seed + 4));
                var kind = cover.At(Cell(cover, form, x + jx, y + jy));
                var height = Smooth(cover, form, x, y);
                var broad = Hash.Noise(x * 0.4f, y * 0.4f, seed + 2);
                var tone = ground * (0.86f + (0.06f * broad));
                switch (kind)
                {
                    case (byte)Texture.Crackle:
                        var edge = Hash.Crack(x + (0.22f * Hash.Noise(x * 2, y * 2, seed + 5)), y + (0.22f * Hash.Noise(x * 2, y * 2, seed + 6)), spacing, seed + 7);
                        var gap = 0.16f + (0.05f * Hash.Noise(x * 0.5f, y * 0.5f, seed + 8));
                        var plate = Math.Clamp(((edge - gap) / 0.1f) + 0.5f, 0, 1);
                        height += 0.55f * (plate - 1);
                        tone = crack.To(crust * (1 + (0.05f * broad)), plate);
                        break;
                    case (byte)Texture.Coarse:
                        var (stone, stoneTone) = Hash.Grain(x, y, Coarse, seed + 11);
                        height += 0.5f * stone;
                        tone = tone.To(ground * (0.7f + (0.5f * stoneTone)), 0.6f);
                        break;
                    case (byte)Texture.Fine:
                        var (grit, gritTone) = Hash.Grain(x, y, Fine, seed + 13);
                        height += 0.22f * grit;
                        tone = tone.To(ground * (0.85f + (0.3f * gritTone)), 0.45f);
                        break;
                    case (byte)Texture.Sand or Cover.Rim:
                        height += 0.1f * Hash.Grain(x, y, Sand, seed + 17).Height;
                        break;
                    case Cover.Plinth:
                        tone = Sculpture.Slate * (0.95f + (0.08f * broad));
                        height += 0.04f * Hash.Noise(x * 2.2f, y * 2.2f, seed + 19);
                        break;
                    default:
                        height += 0.05f * Hash.Noise(x * 3, y * 3, seed + 19);
                        break;
                }

                (canvas.Height[at], canvas.Colour[at]) = (height + (0.05f * Hash.Noise(x * 0.9f, y * 0.9f, seed + 21)), tone);
            }
        });
    }

    private static int Cell(Cover cover, BaseForm form, float x, float y)
    {
        var cx = Math.Clamp((int)MathF.Round((x + (float)form.A) / (float)Cover.StepMm), 0, cover.Columns - 1);
        var cy = Math.Clamp((int)MathF.Round((y + (float)form.B) / (float)Cover.StepMm), 0, cover.Rows - 1);
        return (cy * cover.Columns) + cx;
    }

    private static float Smooth(Cover cover, BaseForm form, float x, float y)
    {
        var (fx, fy) = (Math.Clamp((x + (float)form.A) / (float)Cover.StepMm, 0, cover.Columns - 1.001f), Math.Clamp((y + (float)form.B) / (float)Cover.StepMm, 0, cover.Rows - 1.001f));
        var (ix, iy) = ((int)fx, (int)fy);
        var i = (iy * cover.Columns) + ix;
        float At(int cell) => cover.Cells[cell] == Cover.Outside ? 0.2f : cover.HeightMm[cell];
        var low = At(i) + ((At(i + 1) - At(i)) * (fx - ix));
        var high = At(i + cover.Columns) + ((At(i + cover.Columns + 1) - At(i + cover.Columns)) * (fx - ix));
        return low + ((high - low) * (fy - iy));
    }

    private Picture Lit()
    {
        var (width, rows, form) = (canvas.Width, canvas.Rows, layout.Form);
        var rgba = new byte[width * rows * 4];
        var near = Blurred(canvas.Height, width, rows, Math.Max(1, (int)(0.5f * canvas.PxPerMm)));
        var close = Blurred(canvas.Height, width, rows, Math.Max(1, (int)(0.25f * canvas.PxPerMm)));
        var shadow = Shadows();
        new Blades(canvas, layout).Draw(shadow);
        var foot = form with { BevelMm = 0 };
        var soft = 0.75f / canvas.PxPerMm;
        Parallel.For(0, rows, row =>
        {
            for (var column = 0; column < width; column++)
            {
                var at = (row * width) + column;
                var (x, y) = (canvas.X(column), canvas.Y(row));
                var onFoot = Math.Clamp(((float)foot.Within(x, y) / soft) + 0.5f, 0, 1);
                if (onFoot <= 0)
                {
                    continue;
                }

                var (left, right, up, down) = (canvas.Height[at - (column > 0 ? 1 : 0)], canvas.Height[at + (column < width - 1 ? 1 : 0)], canvas.Height[at - (row > 0 ? width : 0)], canvas.Height[at + (row < rows - 1 ? width : 0)]);
                var (gx, gy) = ((right - left) / 2 * canvas.PxPerMm * 0.55f, (down - up) / 2 * canvas.PxPerMm * 0.55f);

                // The lamp stands to the rear left, not quite twice as high as it is far.
                var lit = Math.Clamp(((gx * 0.49f) + (gy * 0.61f) + 0.62f) / MathF.Sqrt((gx * gx) + (gy * gy) + 1), 0, 1);
                var recess = Math.Clamp((near[at] - canvas.Height[at]) / 0.35f, 0, 1);
                var edge = Math.Clamp((canvas.Height[at] - close[at] - 0.03f) / 0.2f, 0, 1);
                var tone = (canvas.Colour[at] * (1 - (0.5f * recess))).To(light, 0.4f * edge) * ((0.42f + (0.85f * lit)) * (1 - (0.5f * shadow[at])));
                var onTop = Math.Clamp(((float)form.Within(x, y) / soft) + 0.5f, 0, 1);
                if (onTop < 1)
                {
                    var turned = Math.Clamp(((-x * 0.6f) + (y * 0.7f)) / (float)Math.Max(form.LengthMm, form.WidthMm) * 2, 0, 1);
                    tone = (new Tone(38, 37, 36) * (1 + (0.8f * turned))).To(tone, onTop);
                }

                (rgba[at * 4], rgba[(at * 4) + 1], rgba[(at * 4) + 2], rgba[(at * 4) + 3]) = (Byte(tone.R), Byte(tone.G), Byte(tone.B), Byte(255 * onFoot));
            }
        });

        return new(width, rows, rgba);
    }

    // What stands between a point and the lamp.
    private float[] Shadows()
    {
        var (width, rows) = (canvas.Width, canvas.Rows);
        var shadow = new float[width * rows];
        var tallest = canvas.Height.Max();
        Parallel.For(0, rows, row =>
        {
            for (var column = 0; column < width; column++)
            {
                var at = (row * width) + column;
                for (var far = 1; far < 60; far++)
                {
                    var lift = canvas.Height[at] + (far / canvas.PxPerMm * 0.75f);
                    var (c, r) = (column - (int)((0.63f * far) + 0.5f), row - (int)((0.78f * far) + 0.5f));
                    if (lift > tallest || c < 0 || r < 0)
                    {
                        break;
                    }

                    shadow[at] = Math.Max(shadow[at], Math.Clamp((canvas.Height[(r * width) + c] - lift) / 0.25f, 0, 1));
                }
            }
        });

        return Blurred(shadow, width, rows, 1);
    }

    private static byte Byte(float v) => (byte)Math.Clamp(v + 0.5f, 0, 255);

    // A running mean along rows, then along columns.
    private static float[] Blurred(float[] values, int width, int rows, int reach)
    {
        var (across, both) = (new float[values.Length], new float[values.Length]);
        Run(values, across, rows, width, width, 1, reach);
        Run(across, both, width, rows, 1, width, reach);
        return both;
    }

    private static void Run(float[] from, float[] to, int lines, int count, int lineStep, int step, int reach)
    {
        for (var line = 0; line < lines; line++)
        {
            var (start, sum) = (line * lineStep, 0f);
            for (var k = -reach; k <= reach; k++)
            {
                sum += from[start + (Math.Clamp(k, 0, count - 1) * step)];
            }

            for (var i = 0; i < count; i++)
            {
                to[start + (i * step)] = sum / ((2 * reach) + 1);
                sum += from[start + (Math.Min(count - 1, i + reach + 1) * step)] - from[start + (Math.Max(0, i - reach) * step)];
            }
        }
    }
}
