using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Weathering;

/// <summary>Since when something stands or is used.</summary>
public enum WeatherAge
{
    /// <summary>A season.</summary>
    [Said("a season")]
    Season,

    /// <summary>A few years.</summary>
    [Said("a few years")]
    Years,

    /// <summary>Ten years.</summary>
    [Said("ten years")]
    TenYears,

    /// <summary>Decades.</summary>
    [Said("decades")]
    Decades,
}

/// <summary>What a piece went through.</summary>
public enum WentThrough
{
    /// <summary>Rain.</summary>
    [Said("rain")]
    Rain,

    /// <summary>Salt wind.</summary>
    [Said("salt wind")]
    SaltWind,

    /// <summary>Standing in the tide.</summary>
    [Said("tide water")]
    TideWater,

    /// <summary>Damp ground.</summary>
    [Said("damp ground")]
    DampGround,

    /// <summary>Shade.</summary>
    [Said("shade")]
    Shade,

    /// <summary>Sun.</summary>
    [Said("sun")]
    Sun,

    /// <summary>Hands and feet.</summary>
    [Said("hands and feet")]
    HandsAndFeet,

    /// <summary>Driven or dragged about.</summary>
    [Said("driven or dragged about")]
    Driven,

    /// <summary>Fought over.</summary>
    [Said("fought over")]
    Fought,

    /// <summary>Smoke or exhaust.</summary>
    [Said("smoke or exhaust")]
    Smoke,

    /// <summary>Oil or fuel.</summary>
    [Said("oil or fuel spilt")]
    Leaks,

    /// <summary>Birds.</summary>
    [Said("birds")]
    Birds,

    /// <summary>Dry dust, lately.</summary>
    [Said("dry dust, lately")]
    DryDust,

    /// <summary>Wet ground, lately.</summary>
    [Said("wet ground, lately")]
    WetGround,
}

/// <summary>What throws the ground up at it.</summary>
public enum ThrownBy
{
    /// <summary>Feet.</summary>
    [Said("feet")]
    Feet,

    /// <summary>Wheels.</summary>
    [Said("wheels")]
    Wheels,

    /// <summary>Tracks.</summary>
    [Said("tracks")]
    Tracks,
}

/// <summary>What a piece went through, as a few choices.</summary>
/// <param name="Age">Since when.</param>
/// <param name="Went">What it was.</param>
/// <param name="From">The side that the weather comes from; none for all alike.</param>
/// <param name="Thrown">What throws the ground up.</param>
/// <param name="LevelMm">Water line above the table, mm; none where it stands dry.</param>
public sealed record PieceHistory(WeatherAge Age, IReadOnlyList<WentThrough> Went, MarkSide? From = null, ThrownBy Thrown = ThrownBy.Feet, double? LevelMm = null);

/// <summary>What leaves which marks. Craft estimates.</summary>
public static class HistoryTable
{
    // Where a piece stands in water and nobody has told how high, in life, mm.
    private const double UsualLevelMm = 1200;

    private static readonly Dictionary<WentThrough, (MarkKind Kind, double Times)[]> Leaves = new()
    {
        [WentThrough.Rain] = [(MarkKind.Rain, 1), (MarkKind.CreaseGrime, 1), (MarkKind.Grime, 1)],
        [WentThrough.SaltWind] = [(MarkKind.Rust, 1), (MarkKind.Salt, 0.6), (MarkKind.Rain, 0.7)],
        [WentThrough.TideWater] = [(MarkKind.Damp, 1), (MarkKind.Weed, 1), (MarkKind.Tide, 1), (MarkKind.Salt, 1)],
        [WentThrough.DampGround] = [(MarkKind.Damp, 1), (MarkKind.Moss, 0.6)],
        [WentThrough.Shade] = [(MarkKind.Moss, 1), (MarkKind.Drip, 1)],
        [WentThrough.Sun] = [(MarkKind.Fading, 1)],
        [WentThrough.HandsAndFeet] = [(MarkKind.Wear, 1), (MarkKind.Scuff, 1), (MarkKind.Foot, 1)],
        [WentThrough.Driven] = [(MarkKind.Chip, 1), (MarkKind.Scratch, 1), (MarkKind.Graze, 0.5), (MarkKind.Wear, 0.8)],
        [WentThrough.Fought] = [(MarkKind.Chip, 1), (MarkKind.Hole, 1), (MarkKind.Dent, 1), (MarkKind.Graze, 1)],
        [WentThrough.Smoke] = [(MarkKind.Soot, 1)],
        [WentThrough.Leaks] = [(MarkKind.Bolt, 1), (MarkKind.Oil, 1)],
        [WentThrough.Birds] = [(MarkKind.Lime, 1)],
        [WentThrough.DryDust] = [(MarkKind.Kick, 1), (MarkKind.Dust, 1)],
        [WentThrough.WetGround] = [(MarkKind.Mud, 1), (MarkKind.Kick, 1)],
    };

    /// <summary>The kinds that a history leaves, in the order in which they go on, and how much of each: times its usual share.</summary>
    public static IReadOnlyList<(MarkKind Kind, double Times)> Kinds(PieceHistory history)
    {
        ArgumentNullException.ThrowIfNull(history);
        return [.. history.Went.Distinct().SelectMany(w => Leaves[w]).GroupBy(k => k.Kind).Select(g => (g.Key, g.Max(k => k.Times) * (g.Key.Facts().Stage is 1 or 2 or 3 ? Grown(history.Age) : 1))).OrderBy(k => k.Key)];
    }

    /// <summary>Why a kind is there: what the piece went through.</summary>
    public static IReadOnlyList<WentThrough> Because(PieceHistory history, MarkKind kind)
    {
        ArgumentNullException.ThrowIfNull(history);
        return [.. history.Went.Distinct().Where(w => Leaves[w].Any(k => k.Kind == kind))];
    }

    /// <summary>Where the strip of a kind lies above the foot of a piece that stands on the table, mm on the model; none for what has none.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="history">History.</param>
    /// <param name="scale">One to so many.</param>
    /// <param name="heightMm">Height of the piece, mm.</param>
    public static (double FromMm, double ToMm)? Strip(MarkKind kind, PieceHistory history, double scale, double heightMm)
    {
        ArgumentNullException.ThrowIfNull(history);
        var facts = kind.Facts();
        if (facts.Strip is not { } strip)
        {
            return null;
        }

        var water = history.LevelMm ?? (history.Went.Contains(WentThrough.TideWater) ? Math.Min(UsualLevelMm / scale, heightMm / 3) : null);
        var (from, to) = facts.Over switch
        {
            StripFrom.Top => (heightMm - (strip.To / scale), heightMm),
            StripFrom.Level => ((water ?? 0) + (strip.From / scale), (water ?? 0) + (strip.To / scale)),
            _ when kind == MarkKind.Damp && water is { } line => (0, line),
            _ when kind == MarkKind.Damp => (0, strip.To / 2 / scale),
            _ when kind is MarkKind.Kick or MarkKind.Mud => (0, Thrown(kind, history.Thrown) / scale),
            _ => (strip.From / scale, strip.To / scale),
        };
        return (Math.Round(Math.Max(0, from), 2), Math.Round(Math.Min(heightMm, to), 2));
    }

    // How high the ground is thrown, in life, mm.
    private static double Thrown(MarkKind kind, ThrownBy by) => kind == MarkKind.Mud ? by switch { ThrownBy.Feet => 250, ThrownBy.Wheels => 600, _ => 800 } : by switch { ThrownBy.Feet => 300, ThrownBy.Wheels => 600, _ => 1000 };

    // What age makes of old damage; what is loose is of last week.
    private static double Grown(WeatherAge age) => age switch { WeatherAge.Season => 0.3, WeatherAge.Years => 0.7, WeatherAge.TenYears => 1, _ => 1.4 };
}
