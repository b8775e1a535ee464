using Lowfell.Core.Rules.Place;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>Sizes of marks on the model: <c>model = life / scale x times</c>.</summary>
public static class MarkScale
{
    // The usual one of a range is its middle by ratio.
    private static double Middle((double From, double To) range) => Math.Sqrt(range.From * range.To);

    /// <summary>The usual size on the model, mm.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="scale">One to so many.</param>
    /// <param name="times">Times life.</param>
    public static (double WidthMm, double LengthMm) OnModel(MarkKind kind, double scale, double times)
    {
        var facts = kind.Facts();
        var width = facts.Width is { } w ? Middle(w) / scale * times : 0;

        // A longer run than in life would not read as more; a patch grows both ways.
        var length = facts.Length is not { } l ? 0 : facts.Shape is MarkShape.Streak or MarkShape.Line ? Math.Min(l.To, Middle(l) * Math.Sqrt(times)) / scale : Middle(l) / scale * times;
        return (Math.Round(width, 2), Math.Round(length, 2));
    }

    /// <summary>How a drawn width stands to life.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="widthMm">Drawn width, mm.</param>
    /// <param name="scale">One to so many.</param>
    /// <param name="schools">Whether contrast is driven up.</param>
    public static WidthVerdict Verdict(MarkKind kind, double widthMm, double scale, Schools schools)
    {
        if (widthMm < WeatherTable.LeastMm)
        {
            return WidthVerdict.CannotBeDrawn;
        }

        if (kind.Facts().Width is not { } range)
        {
            return WidthVerdict.ToScale;
        }

        var life = widthMm * scale;
        return life < range.From ? WidthVerdict.Finer : life <= range.To ? WidthVerdict.ToScale : life <= range.To * MarkSizes.MostTimes(kind, schools) ? WidthVerdict.Fuller : WidthVerdict.TooWide;
    }

    /// <summary>The narrowest tool that holds a width; null where none does.</summary>
    public static DrawingTool? Tool(MarkKind kind, double widthMm)
    {
        var ways = kind.Facts().Ways.Select(w => w.Technique).ToList();
        var holds = WeatherTable.Tools.Where(t => widthMm >= t.FromMm && widthMm <= t.ToMm).ToList();
        return holds.Where(t => t.For.Any(ways.Contains)).MinBy(t => t.ToMm) ?? holds.MinBy(t => t.ToMm);
    }

    /// <summary>How many times life a kind is to be drawn: to scale, as in life; else the least from 1.5 up at which it is seen, and whether it is.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="schools">Whether contrast is driven up.</param>
    /// <param name="seen">Whether it is seen at so many times life.</param>
    public static (double Times, bool Seen) Times(MarkKind kind, Schools schools, Func<double, bool> seen)
    {
        ArgumentNullException.ThrowIfNull(schools);
        ArgumentNullException.ThrowIfNull(seen);
        if (schools.Contrast == ContrastSchool.ToScale)
        {
            return (1, seen(1));
        }

        var most = kind.Facts().MostTimes;
        for (var times = Math.Min(most, WeatherTable.LeastTimes); times <= most + 1e-9; times += WeatherTable.TimesStep)
        {
            if (seen(times))
            {
                return (times, true);
            }
        }

        return (most, false);
    }
}
