using Lowfell.Core.Colour;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Techniques;

/// <summary>Everything that is asked of a kind of mark. Sizes are in life, mm.</summary>
public sealed record MarkFacts
{
    /// <summary>Facings that it is found on.</summary>
    public required IReadOnlyList<Facing> Facings { get; init; }

    /// <summary>The rule of place, as a sentence.</summary>
    public required string Place { get; init; }

    /// <summary>What carries it.</summary>
    public MarkHost Host { get; init; }

    /// <summary>Least and most width; none for a field without one.</summary>
    public (double From, double To)? Width { get; init; }

    /// <summary>Least and most length; none for what has no length of its own.</summary>
    public (double From, double To)? Length { get; init; }

    /// <summary>From and to of the strip that it lies in, over what it is measured from; none where it lies anywhere.</summary>
    public (double From, double To)? Strip { get; init; }

    /// <summary>What the strip is measured from.</summary>
    public StripFrom Over { get; init; }

    /// <summary>What its number goes by.</summary>
    public required MarksBy By { get; init; }

    /// <summary>How much of that, 0..1.</summary>
    public required double Share { get; init; }

    /// <summary>Its colour; none for one that goes by what it lies on.</summary>
    public Srgb? Colour { get; init; }

    /// <summary>How much lighter than what it lies on, L*, where it has no colour of its own.</summary>
    public double Lighter { get; init; }

    /// <summary>How it is made, the usual way first.</summary>
    public required IReadOnlyList<MarkWay> Ways { get; init; }

    /// <summary>How one is drawn.</summary>
    public required MarkShape Shape { get; init; }

    /// <summary>1 wear, 2 fields, 3 runs, 4 spots, 5 loose.</summary>
    public required int Stage { get; init; }

    /// <summary>Wet film, um.</summary>
    public required double WetFilmUm { get; init; }

    /// <summary>Seconds for one; of what runs in water, see <see cref="WaterSeconds"/>.</summary>
    public double Seconds { get; init; }

    /// <summary>Seconds for one in a water-borne paint, which is drawn at once; 0 for the same.</summary>
    public double WaterSeconds { get; init; }

    /// <summary>Seconds to draw one down and clean it, where it was placed in spirit; 0 for what is not drawn down.</summary>
    public double DownSeconds => Stage == 3 ? DrawnDownSeconds : 0;

    /// <summary>Minutes more for each copy.</summary>
    public double MoreMin { get; init; }

    /// <summary>Area done in a minute, cm2, where it is not the technique's; 0 for that.</summary>
    public double RateCm2PerMin { get; init; }

    /// <summary>Most times life that it may be drawn on purpose.</summary>
    public required double MostTimes { get; init; }

    // Craft estimate.
    private const double DrawnDownSeconds = 12;

    /// <summary>Lies on raised edges.</summary>
    public bool OnEdges => By == MarksBy.Edge;

    /// <summary>Laid as a strip or over an area, not one by one.</summary>
    public bool IsField => Seconds == 0;

    /// <summary>They are counted, not laid as strips or fields.</summary>
    public bool ByNumber => Length is not null && !IsField;
}

/// <summary>The table of kinds of marks. Craft estimates of what walls and vehicles show; a new kind is one row.</summary>
public static class MarkKinds
{
    private static readonly Facing[] Sides = [Facing.Side, Facing.Slope], Upright = [Facing.Side], Above = [Facing.Up, Facing.Slope], UpAndSide = [Facing.Up, Facing.Side], Open = [Facing.Side, Facing.Slope, Facing.Up], Any = [Facing.Up, Facing.Slope, Facing.Side, Facing.Overhang];

    private static readonly MarkWay Streaked = new(Technique.Streak, [Materials.Family.EnamelWash, Materials.Family.OilWash, Materials.Family.OilPaint, Materials.Family.AcrylicWash, Materials.Family.Ink, Materials.Family.EnamelPaint, Materials.Family.AcrylicPaint]);
    private static readonly MarkWay Dabbed = new(Technique.Streak, [Materials.Family.AcrylicPaint, Materials.Family.OilPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Sponged = new(Technique.SpongeChipping, [Materials.Family.AcrylicPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Field = new(Technique.Sponge, [Materials.Family.AcrylicPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Stippled = new(Technique.Stipple, [Materials.Family.AcrylicPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Drawn = new(Technique.EdgeHighlight, [Materials.Family.AcrylicPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Pencilled = new(Technique.Marking, [Materials.Family.Pencil]);
    private static readonly MarkWay Glazed = new(Technique.Glaze, [Materials.Family.AcrylicWash, Materials.Family.AcrylicPaint, Materials.Family.Ink]);
    private static readonly MarkWay Stained = new(Technique.Glaze, [Materials.Family.OilWash, Materials.Family.EnamelWash, Materials.Family.AcrylicWash, Materials.Family.AcrylicPaint]);
    private static readonly MarkWay Dry = new(Technique.DryBrush, [Materials.Family.AcrylicPaint]);
    private static readonly MarkWay Powder = new(Technique.Pigment, [Materials.Family.Pigment]);
    private static readonly MarkWay Flicked = new(Technique.Speckle, [Materials.Family.AcrylicPaint, Materials.Family.EnamelPaint]);
    private static readonly MarkWay Pinned = new(Technique.PinWash, [Materials.Family.EnamelWash, Materials.Family.OilWash, Materials.Family.AcrylicWash]);

    private static readonly Dictionary<MarkKind, MarkFacts> Rows = new()
    {
        [MarkKind.Chip] = new() { Facings = Any, Place = "Paint breaks off at edges and corners that are used: on hot edges only.", Width = (2, 50), Length = (2, 80), By = MarksBy.Edge, Share = 0.1, Colour = Srgb.Parse("#37302a"), Ways = [Sponged], Shape = MarkShape.Chip, Stage = 1, WetFilmUm = 32, Seconds = 1.2, MoreMin = 1, MostTimes = 2.5 },
        [MarkKind.Scratch] = new() { Facings = Open, Place = "Something hard was dragged along the way of travel; the lower lip of each catches the light.", Width = (1, 6), Length = (50, 400), By = MarksBy.Cover, Share = 0.001, Colour = Srgb.Parse("#9b958a"), Ways = [Drawn, Pencilled], Shape = MarkShape.Line, Stage = 1, WetFilmUm = 18, Seconds = 6, MostTimes = 3 },
        [MarkKind.Wear] = new() { Facings = Any, Place = "Leading edges, handles, hatch rims and steps are rubbed bare; nothing is rubbed in a recess.", Width = (2, 15), Length = (30, 300), By = MarksBy.Edge, Share = 0.35, Colour = Srgb.Parse("#8f8b84"), Ways = [Drawn], Shape = MarkShape.Line, Stage = 1, WetFilmUm = 20, Seconds = 3, MoreMin = 0.2, MostTimes = 3 },
        [MarkKind.Scuff] = new() { Facings = UpAndSide, Place = "Kicked and rubbed from 100 to 500 over the step, in life.", Width = (20, 120), Length = (20, 200), Strip = (100, 500), By = MarksBy.Cover, Share = 0.05, Lighter = 10, Ways = [Dry, Stippled], Shape = MarkShape.Chip, Stage = 1, WetFilmUm = 9, Seconds = 2, MostTimes = 2 },
        [MarkKind.Foot] = new() { Facings = [Facing.Up], Place = "Feet go down the middle of treads, through doors and hatches.", Width = (200, 700), By = MarksBy.Line, Share = 1, Lighter = 8, Ways = [Dry], Shape = MarkShape.Band, Stage = 1, WetFilmUm = 9, MoreMin = 0.5, MostTimes = 1.5 },
        [MarkKind.Hole] = new() { Facings = Sides, Place = "Shots come in groups of three to seven from one side: a dark dot, a blot of bare metal round it, light on its lower lip.", Width = (30, 80), Length = (30, 80), By = MarksBy.Cover, Share = 0.002, Colour = Srgb.Parse("#2a2724"), Ways = [Stippled], Shape = MarkShape.Chip, Stage = 1, WetFilmUm = 26, Seconds = 5, MostTimes = 1.5 },
        [MarkKind.Dent] = new() { Facings = Open, Place = "Blows fall on what stands out: a dark blot, its lower lip light.", Width = (20, 200), Length = (20, 200), By = MarksBy.Cover, Share = 0.004, Colour = Srgb.Parse("#4a433b"), Ways = [Stippled], Shape = MarkShape.Chip, Stage = 1, WetFilmUm = 26, Seconds = 6, MostTimes = 1.5 },
        [MarkKind.Graze] = new() { Facings = Sides, Place = "Along the way of travel, where it passed too close.", Width = (5, 40), Length = (100, 900), By = MarksBy.Cover, Share = 0.004, Lighter = 18, Ways = [Drawn], Shape = MarkShape.Line, Stage = 1, WetFilmUm = 18, Seconds = 5, MostTimes = 2 },
        [MarkKind.Damp] = new() { Facings = Upright, Place = "Up from the ground it stands on, or from the foot to the tide line.", Strip = (0, 1200), Over = StripFrom.Ground, By = MarksBy.Band, Share = 1, Lighter = -14, Ways = [Glazed], Shape = MarkShape.Band, Stage = 2, WetFilmUm = 14, MostTimes = 1 },
        [MarkKind.Weed] = new() { Facings = Upright, Place = "Between low water and the tide line, more on the shaded side.", Width = (20, 300), Length = (20, 400), Strip = (-700, 0), Over = StripFrom.Level, By = MarksBy.Band, Share = 0.35, Colour = Srgb.Parse("#3f4a2c"), Ways = [Stippled, Field], Shape = MarkShape.Chip, Stage = 2, WetFilmUm = 26, MostTimes = 2, RateCm2PerMin = 10 },
        [MarkKind.Tide] = new() { Facings = Upright, Place = "Water leaves one level line on everything that stands in it.", Width = (20, 170), Strip = (0, 170), Over = StripFrom.Level, By = MarksBy.Line, Share = 1, Colour = Srgb.Parse("#b9b29c"), Ways = [Glazed], Shape = MarkShape.Band, Stage = 2, WetFilmUm = 20, MostTimes = 2, RateCm2PerMin = 5 },
        [MarkKind.Salt] = new() { Facings = Upright, Place = "Salt blooms just over the line that dries: the tide's or the damp's.", Width = (50, 600), Length = (50, 600), Strip = (0, 350), Over = StripFrom.Level, By = MarksBy.Band, Share = 0.25, Colour = Srgb.Parse("#dcd8cc"), Ways = [Field], Shape = MarkShape.Chip, Stage = 2, WetFilmUm = 24, MostTimes = 1.5 },
        [MarkKind.Moss] = new() { Facings = Above, Place = "In joints and on ledges that stay in the shade, off the path; never on an edge that hands reach.", Width = (20, 300), Length = (20, 400), By = MarksBy.Cover, Share = 0.08, Colour = Srgb.Parse("#5c6b2f"), Ways = [Stippled], Shape = MarkShape.Chip, Stage = 2, WetFilmUm = 60, Seconds = 3, MostTimes = 1.5 },
        [MarkKind.Fading] = new() { Facings = Sides, Place = "Sun bleaches from the upper border down.", Strip = (20, 300), Over = StripFrom.Top, By = MarksBy.Band, Share = 1, Lighter = 7, Ways = [Glazed], Shape = MarkShape.Band, Stage = 2, WetFilmUm = 12, MostTimes = 3 },
        [MarkKind.CreaseGrime] = new() { Facings = Any, Place = "Dirt settles along creases and round rivets.", Width = (2, 15), By = MarksBy.Line, Share = 1, Colour = Srgb.Parse("#2f2a22"), Ways = [Pinned], Shape = MarkShape.Line, Stage = 2, WetFilmUm = 60, MostTimes = 3 },
        [MarkKind.Grime] = new() { Facings = Sides, Place = "Out of corners that hold water, short and dark.", Host = MarkHost.Corner, Width = (10, 60), Length = (50, 300), By = MarksBy.Hosts, Share = 0.4, Colour = Srgb.Parse("#3d3a30"), Ways = [Streaked], Shape = MarkShape.Streak, Stage = 3, WetFilmUm = 20, Seconds = 8, MoreMin = 0.2, MostTimes = 2 },
        [MarkKind.Rain] = new() { Facings = Sides, Place = "Water runs down from sills, copings, bars, hatch rims and rivets to the next ledge; never under an overhang.", Host = MarkHost.Ledge, Width = (8, 30), Length = (150, 900), By = MarksBy.Hosts, Share = 0.5, Colour = Srgb.Parse("#57513f"), Ways = [Streaked], Shape = MarkShape.Streak, Stage = 3, WetFilmUm = 20, Seconds = 10, WaterSeconds = 15, MoreMin = 0.5, MostTimes = 3 },
        [MarkKind.Rust] = new() { Facings = Sides, Place = "Runs down from bare iron: rings, bars, bolts, and chips over 8 mm in life.", Host = MarkHost.Iron, Width = (8, 40), Length = (100, 800), By = MarksBy.Hosts, Share = 0.4, Colour = Srgb.Parse("#8a4b22"), Ways = [Streaked], Shape = MarkShape.Streak, Stage = 3, WetFilmUm = 20, Seconds = 12, WaterSeconds = 20, MoreMin = 0.3, MostTimes = 3 },
        [MarkKind.Drip] = new() { Facings = Upright, Place = "Hangs from the lower lip of an overhang.", Host = MarkHost.Lip, Width = (5, 15), Length = (60, 400), By = MarksBy.Hosts, Share = 0.25, Colour = Srgb.Parse("#4b463a"), Ways = [Streaked], Shape = MarkShape.Streak, Stage = 3, WetFilmUm = 25, Seconds = 12, MostTimes = 3 },
        [MarkKind.Bolt] = new() { Facings = [Facing.Side, Facing.Overhang], Place = "Out of bolts and plugs that hold liquid.", Host = MarkHost.Bolt, Width = (10, 40), Length = (80, 400), By = MarksBy.Hosts, Share = 0.25, Colour = Srgb.Parse("#33291c"), Ways = [Streaked], Shape = MarkShape.Streak, Stage = 3, WetFilmUm = 20, Seconds = 12, MoreMin = 0.2, MostTimes = 2.5 },
        [MarkKind.Oil] = new() { Facings = UpAndSide, Place = "Below fillers, hinges and axles; its gloss goes back on last.", Host = MarkHost.Filler, Width = (30, 400), Length = (30, 900), By = MarksBy.Hosts, Share = 0.6, Colour = Srgb.Parse("#2c2114"), Ways = [Stained], Shape = MarkShape.Chip, Stage = 4, WetFilmUm = 15, Seconds = 30, MoreMin = 0.2, MostTimes = 2 },
        [MarkKind.Lime] = new() { Facings = UpAndSide, Place = "Below perches: copings, barrels, masts.", Host = MarkHost.Perch, Width = (10, 60), Length = (10, 250), By = MarksBy.Hosts, Share = 0.15, Colour = Srgb.Parse("#dedacb"), Ways = [Dabbed], Shape = MarkShape.Streak, Stage = 4, WetFilmUm = 25, Seconds = 4, MoreMin = 0.1, MostTimes = 2 },
        [MarkKind.Mud] = new() { Facings = Upright, Place = "Thrown up behind wheels and tracks and at the foot of doors.", Width = (5, 60), Length = (5, 60), Strip = (0, 800), Over = StripFrom.Ground, By = MarksBy.Band, Share = 0.12, Colour = Srgb.Parse("#5a4834"), Ways = [Flicked], Shape = MarkShape.Dot, Stage = 5, WetFilmUm = 60, MoreMin = 1.5, RateCm2PerMin = 60, MostTimes = 2.5 },
        [MarkKind.Soot] = new() { Facings = UpAndSide, Place = "Over the exhaust, chimney or fire, carried up and down wind.", Strip = (0, 1500), Over = StripFrom.Top, By = MarksBy.Band, Share = 0.5, Colour = Srgb.Parse("#26221f"), Ways = [Powder, Dry], Shape = MarkShape.Band, Stage = 5, WetFilmUm = 10, MoreMin = 0.5, MostTimes = 1.2 },
        [MarkKind.Kick] = new() { Facings = Upright, Place = "Thrown up by feet to 300, by wheels to 600, by tracks to 1000 in life, fading upward.", Strip = (0, 600), Over = StripFrom.Ground, By = MarksBy.Band, Share = 0.6, Colour = Srgb.Parse("#b5a27f"), Ways = [Powder, Dry], Shape = MarkShape.Band, Stage = 5, WetFilmUm = 16, MostTimes = 1.3 },
        [MarkKind.Dust] = new() { Facings = Above, Place = "Settles on what looks up and on ledges, less on the path.", By = MarksBy.Cover, Share = 0.45, Colour = Srgb.Parse("#c4b494"), Ways = [Powder, Dry], Shape = MarkShape.Band, Stage = 5, WetFilmUm = 16, MostTimes = 1 },
        [MarkKind.Letter] = new() { Facings = Any, Place = "Where it is read: on a flat stretch, over the dirt's reach.", By = MarksBy.Line, Share = 0.25, Colour = Srgb.Parse("#d8d3c4"), Ways = [Drawn, Pencilled], Shape = MarkShape.Line, Stage = 1, WetFilmUm = 20, Seconds = 12, MoreMin = 0.5, MostTimes = 1.25 },
    };

    private static readonly MarkFacts[] Table = [.. Enum.GetValues<MarkKind>().Select(k => Rows[k])];

    /// <summary>Facts of a kind.</summary>
    public static MarkFacts Facts(this MarkKind kind) => Table[(int)kind];

    /// <summary>Seconds for one: what runs in water is drawn out at once, what runs in spirit only placed.</summary>
    public static double SecondsEach(this MarkKind kind, Carrier carrier) => kind.Facts() is { WaterSeconds: > 0 } facts && carrier == Carrier.Water ? facts.WaterSeconds : kind.Facts().Seconds;
}
