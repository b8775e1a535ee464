using System.Runtime.Intrinsics;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Likeness;

/// <summary>How different two bases are.</summary>
public enum Alikeness
{
    /// <summary>One is nearly a copy of the other, as it stands, turned or mirrored.</summary>
    NearCopy,

    /// <summary>They are alike.</summary>
    Alike,

    /// <summary>They differ.</summary>
    Different,
}

/// <summary>What the eye keeps of a base: rock, tufts, crackle and props on rings of equal area, by direction, as parts of the way to the edge, so that forms compare.</summary>
public sealed class Impression
{
    /// <summary>Below this one is nearly a copy of the other.</summary>
    public const double NearCopyBelow = 0.12;

    /// <summary>Below this they are alike.</summary>
    public const double AlikeBelow = 0.25;

    private const int Rings = 8, Directions = 32, Fields = 4;

    // Edges are softened by so much of the radius.
    private const double Soft = 0.08;

    private readonly float[] fields = new float[Fields * Rings * Directions];
    private readonly float square;
    private readonly int turns;

    private Impression(int turns, float[] fields)
    {
        (this.turns, this.fields) = (turns, fields);
        foreach (var v in fields)
        {
            square += v * v;
        }
    }

    /// <summary>Takes the impression of a layout.</summary>
    public static Impression Of(Layout layout)
    {
        var form = layout.Form;
        var soft = Soft * form.Radius;
        List<(Element Element, Point[] Outline, double Around)> bodies = [.. layout.Elements.Select(e => (e, e.Outline(), e.Shape().Max(v => v.Length)))];
        var fields = new float[Fields * Rings * Directions];
        for (var direction = 0; direction < Directions; direction++)
        {
            var way = Point.Towards(2 * Math.PI * (direction + 0.5) / Directions);
            var reach = form.Reach(way);
            for (var ring = 0; ring < Rings; ring++)
            {
                var at = Math.Sqrt((ring + 0.5) / Rings) * reach * way;
                double rock = 0, tuft = 0, prop = 0;
                foreach (var (element, outline, around) in bodies)
                {
                    if (new Point(at.X - element.X, at.Y - element.Y).Length > around + (3 * soft))
                    {
                        continue;
                    }

                    var there = 1 / (1 + Steady.Exp(Outlines.Distance(outline, at) / soft * 1.7));
                    if (!element.Kind.IsRigid())
                    {
                        tuft = Math.Max(tuft, 0.9 * there);
                    }
                    else if (element.Kind.Facts().IsProp)
                    {
                        prop = Math.Max(prop, 0.8 * there);
                    }
                    else
                    {
                        rock = Math.Max(rock, there * Math.Min(1.3, 0.4 + (element.HeightMm / 5)));
                    }
                }

                void Put(int field, double value) => fields[(((ring * Fields) + field) * Directions) + direction] = (float)value;
                Put(0, rock);
                Put(1, tuft);
                Put(2, 0.45 * CrackleRound(layout, at, soft));
                Put(3, prop);
            }
        }

        return new(form.Turns, fields);
    }

    /// <summary>Distance: 0 the same, 1 nothing in common, the least over turns and mirror (a soft Dice distance, Dice 1945).</summary>
    public double From(Impression other) => From(other, out _);

    /// <summary>Distance, and what it is as they stand, neither turned nor mirrored.</summary>
    public double From(Impression other, out double asTheyStand)
    {
        // Round ones by every turn, squares by quarters, others by halves; each of them mirrored too.
        var step = Directions / Math.Min(turns, other.turns);
        Span<float> turned = stackalloc float[2 * Directions], mirrored = stackalloc float[2 * Directions], sums = stackalloc float[2 * Directions];
        sums.Clear();
        for (var row = 0; row < Rings * Fields; row++)
        {
            var a = fields.AsSpan(row * Directions, Directions);
            var b = other.fields.AsSpan(row * Directions, Directions);
            if (b.IndexOfAnyExceptInRange(0f, 1e-6f) < 0)
            {
                continue;
            }

            for (var i = 0; i < Directions; i++)
            {
                turned[i] = turned[i + Directions] = b[i];
                mirrored[i] = mirrored[i + Directions] = b[Directions - 1 - i];
            }

            for (var t = 0; t < Directions; t += step)
            {
                sums[t] += Product(a, turned.Slice(t, Directions));
                sums[Directions + t] += Product(a, mirrored.Slice(t, Directions));
            }
        }

        var both = square + other.square;
        if (both <= 0)
        {
            asTheyStand = 0;
            return 0;
        }

        var most = 0f;
        foreach (var sum in sums)
        {
            most = Math.Max(most, sum);
        }

        asTheyStand = Math.Clamp(1 - (2 * sums[0] / both), 0, 1);
        return Math.Clamp(1 - (2 * most / both), 0, 1);
    }

    /// <summary>A distance in words.</summary>
    public static Alikeness Judge(double distance) => distance < NearCopyBelow ? Alikeness.NearCopy : distance < AlikeBelow ? Alikeness.Alike : Alikeness.Different;

    private static double CrackleRound(Layout layout, Point at, double soft)
    {
        var (cover, form) = (layout.Cover, layout.Form);
        var (crackle, count) = (0, 0);
        for (var dy = -2; dy <= 2; dy++)
        {
            for (var dx = -2; dx <= 2; dx++)
            {
                var x = (int)Math.Round((at.X + (dx * soft * 0.6) + form.A) / Cover.StepMm);
                var y = (int)Math.Round((at.Y + (dy * soft * 0.6) + form.B) / Cover.StepMm);
                if (x < 0 || y < 0 || x >= cover.Columns || y >= cover.Rows || cover.At((y * cover.Columns) + x) == Cover.Outside)
                {
                    continue;
                }

                count++;
                crackle += cover.At((y * cover.Columns) + x) == (byte)Texture.Crackle ? 1 : 0;
            }
        }

        return crackle / (double)Math.Max(1, count);
    }

    // Four lanes of eight, added in one order on every machine, whatever its registers.
    private static float Product(ReadOnlySpan<float> a, ReadOnlySpan<float> b)
    {
        var sum = Vector256<float>.Zero;
        for (var i = 0; i < Directions; i += 8)
        {
            sum += Vector256.Create(a[i..]) * Vector256.Create(b[i..]);
        }

        return ((sum[0] + sum[1]) + (sum[2] + sum[3])) + ((sum[4] + sum[5]) + (sum[6] + sum[7]));
    }
}
