using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>What looks placed by a machine: rings and rows.</summary>
internal static class Marks
{
    /// <summary>From here on three stand in a row that is seen.</summary>
    public const double SeenRow = 0.6;

    private const int FewestInRing = 5;

    /// <summary>The worst three of a kind in a row, 0..1: in line and evenly spaced, or along the rim at one distance and evenly spaced.</summary>
    public static double Row(List<Body> bodies, ElementKind kind)
    {
        var worst = 0.0;
        for (var i = 0; i < bodies.Count; i++)
        {
            if (bodies[i].Source.Kind != kind)
            {
                continue;
            }

            for (var j = i + 1; j < bodies.Count; j++)
            {
                if (bodies[j].Source.Kind != kind || !Alike(bodies[i], bodies[j]))
                {
                    continue;
                }

                for (var k = j + 1; k < bodies.Count; k++)
                {
                    if (bodies[k].Source.Kind == kind && Alike(bodies[i], bodies[k]) && Alike(bodies[j], bodies[k]))
                    {
                        worst = Math.Max(worst, Math.Max(Line(bodies[i], bodies[j], bodies[k]), Arc(bodies[i], bodies[j], bodies[k])));
                    }
                }
            }
        }

        return worst;
    }

    /// <summary>Why it reads as a ring; null where it does not.</summary>
    public static string? Ring(List<Body> bodies)
    {
        foreach (var kind in bodies.Select(b => b.Source.Kind).Distinct())
        {
            if (IsRing([.. bodies.Where(b => b.Source.Kind == kind)]))
            {
                return $"{bodies.Count(b => b.Source.Kind == kind)} of a kind ({kind.Word()}) stand in a ring";
            }
        }

        List<Body> rigid = [.. bodies.Where(b => b.Rigid)];
        return IsRing(rigid) ? $"{rigid.Count} pieces stand in a ring"
            : Score.RoundShare(bodies) > 0.8 ? "something stands at the rim nearly all the way round" : null;
    }

    private static bool IsRing(List<Body> bodies)
    {
        if (bodies.Count < FewestInRing)
        {
            return false;
        }

        var mean = bodies.Average(b => b.Out);
        var spread = Math.Sqrt(bodies.Average(b => (b.Out - mean) * (b.Out - mean)));
        List<double> ways = [.. bodies.Select(b => b.Way).Order()];
        var widest = 0.0;
        for (var i = 0; i < ways.Count; i++)
        {
            widest = Math.Max(widest, i + 1 < ways.Count ? ways[i + 1] - ways[i] : ways[0] + (2 * Math.PI) - ways[i]);
        }

        return mean > 0.5 && spread < 0.1 && widest < 1.8 * 2 * Math.PI / bodies.Count;
    }

    private static double Line(Body a, Body b, Body c)
    {
        var area = Math.Abs(((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X)));
        var (ab, bc, ac) = (Square(a, b), Square(b, c), Square(a, c));
        var longest = Math.Max(ab, Math.Max(bc, ac));
        if (area > 0.17 * longest)
        {
            return 0;
        }

        var (dab, dbc, dac) = (Math.Sqrt(ab), Math.Sqrt(bc), Math.Sqrt(ac));
        var (length, one, two) = longest == ac ? (dac, dab, dbc) : longest == ab ? (dab, dac, dbc) : (dbc, dab, dac);
        var (off, uneven) = (area / length / (0.1 * length), Math.Abs(one - two) / (one + two) / 0.15);
        return Steady.Exp(-((off * off) + (uneven * uneven)));
    }

    // Along the rim: the same distance out, even angles between, and near enough for the eye to join them.
    private static double Arc(Body a, Body b, Body c)
    {
        if (a.Out < 0.5 || b.Out < 0.5 || c.Out < 0.5)
        {
            return 0;
        }

        var mean = (a.Out + b.Out + c.Out) / 3;
        var spread = Math.Sqrt((((a.Out - mean) * (a.Out - mean)) + ((b.Out - mean) * (b.Out - mean)) + ((c.Out - mean) * (c.Out - mean))) / 3) / 0.05;
        if (spread > 2)
        {
            return 0;
        }

        var (x, y, z) = (Turn(a, b), Turn(b, c), Turn(c, a));
        var widest = Math.Max(Math.Abs(x), Math.Max(Math.Abs(y), Math.Abs(z)));
        var (one, two) = widest == Math.Abs(x) ? (y, z) : widest == Math.Abs(y) ? (x, z) : (x, y);
        if (widest > 2.4 || one * two <= 0)
        {
            return 0;
        }

        var uneven = Math.Abs(Math.Abs(one) - Math.Abs(two)) / widest / 0.15;
        return Steady.Exp(-((spread * spread) + (uneven * uneven)));
    }

    private static double Turn(Body from, Body to) => Math.IEEERemainder(to.Way - from.Way, 2 * Math.PI);

    private static double Square(Body a, Body b) => ((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y));

    private static bool Alike(Body a, Body b) => a.Source.LengthMm < 1.5 * b.Source.LengthMm && b.Source.LengthMm < 1.5 * a.Source.LengthMm;
}
