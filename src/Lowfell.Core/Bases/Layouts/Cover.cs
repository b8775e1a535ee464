using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>What covers the ground of a base, and how high it lies, on a grid: a height field with materials.</summary>
public sealed class Cover
{
    /// <summary>Beyond the top face.</summary>
    public const byte Outside = 255;

    /// <summary>The rim: thin paste and sand.</summary>
    public const byte Rim = 5;

    /// <summary>Where something stands.</summary>
    public const byte Landing = 6;

    /// <summary>A flat stone under a landing.</summary>
    public const byte Plinth = 7;

    /// <summary>A flat stone is cut so much wider than what stands on it, mm.</summary>
    public const double PlinthMm = 0.5;

    /// <summary>Static grass over it, as a bit beside the texture.</summary>
    public const byte Grass = 64;

    /// <summary>Side of a cell, mm.</summary>
    public const double StepMm = 0.5;

    /// <summary>Textures of the ground.</summary>
    public const int Kinds = 5;

    private const double CalmMm = 1.2;
    private const int Rounds = 36;

    private Cover(BaseForm form)
    {
        (Columns, Rows) = ((int)Math.Ceiling(2 * form.A / StepMm) + 1, (int)Math.Ceiling(2 * form.B / StepMm) + 1);
        (Cells, HeightMm) = (new byte[Columns * Rows], new float[Columns * Rows]);
    }

    /// <summary>Cells from left to right.</summary>
    public int Columns { get; }

    /// <summary>Cells from front to rear.</summary>
    public int Rows { get; }

    /// <summary>What lies on each cell, row by row from the front left.</summary>
    public byte[] Cells { get; }

    /// <summary>How high it lies there, mm above the top face, elements not counted.</summary>
    public float[] HeightMm { get; }

    /// <summary>Shares of the textures in the ground, by <see cref="Texture"/>.</summary>
    public double[] Shares { get; } = new double[Kinds];

    /// <summary>Share of the face farther than 1.2 mm from any element.</summary>
    public double CalmShare { get; private set; }

    /// <summary>Smallest patch of crackle across, mm; 0 where there is none.</summary>
    public double LeastPatchMm { get; private set; }

    /// <summary>What lies at a cell, without its grass.</summary>
    public byte At(int cell) => Cells[cell] == Outside ? Outside : (byte)(Cells[cell] & 63);

    internal static Cover Of(Plot plot, List<Body> bodies, Ground ground, BaseFamily family)
    {
        var (form, seat) = (plot.Seat.Form, plot.Seat);
        var cover = new Cover(form);
        var (columns, count) = (cover.Columns, cover.Columns * cover.Rows);
        var wave = form.Size * 0.34;
        float[][] wish = [.. Enumerable.Range(0, Kinds).Select(k => Noise(columns, cover.Rows, k == (int)Texture.Crackle ? wave * 1.5 : wave, Seeds.Of(plot.Seed, (ulong)k + 11)))];
        var grass = Noise(columns, cover.Rows, wave * 0.6, Seeds.Of(plot.Seed, 99));
        var open = new List<int>(count);
        var (inside, calm) = (0, 0);
        for (var i = 0; i < count; i++)
        {
            var at = new Point(((i % columns) * StepMm) - form.A, ((i / columns) * StepMm) - form.B);
            var within = form.Within(at.X, at.Y);
            if (within < 0)
            {
                cover.Cells[i] = Outside;
                continue;
            }

            inside++;
            var (rock, tuft) = Nearest(bodies, at);
            var (landing, stone) = (double.MaxValue, 0.0);
            foreach (var l in seat.Landings)
            {
                if (Outlines.Distance(l.Outline, at) is var distance && distance < landing)
                {
                    (landing, stone) = (distance, l.StoneMm);
                }
            }

            cover.HeightMm[i] = (float)ground.Terrain.At(at.X, at.Y);
            calm += Math.Min(rock, tuft) > CalmMm ? 1 : 0;
            if (stone > 0 && landing <= PlinthMm)
            {
                cover.Cells[i] = Plinth;
                cover.HeightMm[i] += (float)stone;
                continue;
            }

            if (landing <= 0.3)
            {
                cover.Cells[i] = Landing;
                continue;
            }

            if (within < form.MarginMm * 0.6)
            {
                cover.Cells[i] = Rim;
                continue;
            }

            // Coarse grit lies by the stones, crackle on open ground, sand towards the rim, bare skim round what stands.
            var near = Steady.Exp(-Math.Max(0, Math.Min(rock, 40)) / 2.2);
            wish[(int)Texture.Coarse][i] += (float)(0.75 * near);
            wish[(int)Texture.Crackle][i] += (float)((0.35 * Math.Min(1, Math.Min(rock, tuft) / 4)) - (0.5 * near) - (within < form.MarginMm ? 0.6 : 0));
            wish[(int)Texture.Fine][i] += (float)(0.25 * near);
            wish[(int)Texture.Skim][i] += landing < 2 ? 0.35f : 0;
            wish[(int)Texture.Sand][i] += within < form.MarginMm * 1.2 ? 0.35f : 0;
            cover.Cells[i] = (Steady.Exp(-Math.Max(0, Math.Min(tuft, 40)) / 2.0) * 0.8 * (family.Grass / 0.5)) + (0.5 * grass[i] * Math.Min(1, family.Grass / 0.5)) > 1 ? Grass : (byte)0;
            open.Add(i);
        }

        cover.CalmShare = inside == 0 ? 0 : (double)calm / inside;
        cover.Share(wish, open, family);
        cover.Crust(open, wish, family);
        return cover;
    }

    // Offsets are moved until the shares are what the family wants.
    private void Share(float[][] wish, List<int> open, BaseFamily family)
    {
        if (open.Count == 0)
        {
            return;
        }

        var offset = new double[Kinds];
        var counts = new int[Kinds];
        var rate = 0.8;
        for (var round = 0; round < Rounds; round++, rate *= 0.93)
        {
            Array.Clear(counts);
            var last = round == Rounds - 1;
            foreach (var i in open)
            {
                var kind = Best(wish, offset, i, family, -1);
                counts[kind]++;
                if (last)
                {
                    Cells[i] = (byte)(kind | (Cells[i] & Grass));
                }
            }

            for (var k = 0; k < Kinds && !last; k++)
            {
                offset[k] += rate * (family.Shares[k] - (counts[k] / (double)open.Count));
            }
        }

        // Slivers that could hold no plate go to what lies beside them.
        foreach (var patch in Patches())
        {
            if (Across(patch.Count) < 1.25 * family.Law.Spacing(family.CrackleMm))
            {
                patch.ForEach(i => Cells[i] = (byte)(Best(wish, offset, i, family, (int)Texture.Crackle) | (Cells[i] & Grass)));
            }
        }
    }

    private void Crust(List<int> open, float[][] wish, BaseFamily family)
    {
        foreach (var i in open)
        {
            Shares[At(i)] += 1.0 / open.Count;
            if (At(i) == (int)Texture.Crackle)
            {
                HeightMm[i] += (float)family.CrackleMm;
                Cells[i] &= unchecked((byte)~Grass);
            }
        }

        LeastPatchMm = Patches().Select(p => Across(p.Count)).DefaultIfEmpty(0).Min();
    }

    private static int Best(float[][] wish, double[] offset, int cell, BaseFamily family, int but)
    {
        var (best, most) = (but == (int)Texture.Skim ? 0 : (int)Texture.Skim, double.MinValue);
        for (var k = 0; k < Kinds; k++)
        {
            var value = wish[k][cell] + offset[k];
            if (k != but && family.Shares[k] > 0 && value > most)
            {
                (best, most) = (k, value);
            }
        }

        return best;
    }

    // Side of a square of as many cells, mm.
    private static double Across(int cells) => Math.Sqrt(cells) * StepMm;

    private List<List<int>> Patches()
    {
        var seen = new bool[Cells.Length];
        var patches = new List<List<int>>();
        for (var start = 0; start < Cells.Length; start++)
        {
            if (seen[start] || At(start) != (int)Texture.Crackle)
            {
                continue;
            }

            List<int> patch = [start];
            seen[start] = true;
            for (var next = 0; next < patch.Count; next++)
            {
                var (x, y) = (patch[next] % Columns, patch[next] / Columns);
                foreach (var (nx, ny) in new[] { (x - 1, y), (x + 1, y), (x, y - 1), (x, y + 1) })
                {
                    var n = (ny * Columns) + nx;
                    if (nx >= 0 && ny >= 0 && nx < Columns && ny < Rows && !seen[n] && At(n) == (int)Texture.Crackle)
                    {
                        seen[n] = true;
                        patch.Add(n);
                    }
                }
            }

            patches.Add(patch);
        }

        return patches;
    }

    private static (double Rock, double Tuft) Nearest(List<Body> bodies, Point at)
    {
        const double Far = 6, Precise = 2.5;
        var (rock, tuft) = (double.MaxValue, double.MaxValue);
        foreach (var body in bodies)
        {
            var (dx, dy) = (at.X - body.X, at.Y - body.Y);
            var about = Math.Sqrt((dx * dx) + (dy * dy)) - body.Around;
            if (about >= Far || about >= (body.Rigid ? rock : tuft))
            {
                continue;
            }

            var distance = about > Precise ? about : Outlines.Distance(body.Outline, at);
            (rock, tuft) = body.Rigid ? (Math.Min(rock, distance), tuft) : (rock, Math.Min(tuft, distance));
        }

        return (rock, tuft);
    }

    // Value noise of two octaves (after Perlin 1985), 0..1.45.
    private static float[] Noise(int columns, int rows, double wave, ulong seed)
    {
        var noise = new float[columns * rows];
        for (var octave = 0; octave < 2; octave++)
        {
            var (length, weight) = (wave / (octave + 1), octave == 0 ? 1 : 0.45);
            var (gx, gy) = ((int)(columns * StepMm / length) + 3, (int)(rows * StepMm / length) + 3);
            double[] grid = [.. Enumerable.Range(0, gx * gy).Select(i => new Seeds(Seeds.Of(seed, (ulong)octave, (ulong)(i % gx), (ulong)(i / gx))).Unit())];
            for (var y = 0; y < rows; y++)
            {
                var fy = y * StepMm / length;
                var (iy, ty) = ((int)fy, Steady.Smooth(fy - (int)fy));
                for (var x = 0; x < columns; x++)
                {
                    var fx = x * StepMm / length;
                    var (ix, tx) = ((int)fx, Steady.Smooth(fx - (int)fx));
                    var i = (iy * gx) + ix;
                    var low = (grid[i] * (1 - tx)) + (grid[i + 1] * tx);
                    var high = (grid[i + gx] * (1 - tx)) + (grid[i + gx + 1] * tx);
                    noise[(y * columns) + x] += (float)(weight * ((low * (1 - ty)) + (high * ty)));
                }
            }
        }

        return noise;
    }
}
