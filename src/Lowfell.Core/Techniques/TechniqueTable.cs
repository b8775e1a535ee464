using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Techniques;

/// <summary>The table of techniques. Craft estimates; a new technique is one row here, and one of the kernels where it leaves a film.</summary>
public static class TechniqueTable
{
    private const string Prepare = "Prepare", Cover = "Cover", Light = "Light and shade", Tint = "Wash and tint", Wear = "Wear and weather", Seals = "Seal", Texture = "Texture", ByHand = "By hand, while it is open";

    private static readonly DryingHabit Hollows = new(StandsInHollows: true);

    // A film this thin is all but dry when the brush leaves it.
    private static readonly DryingHabit Dusted = new(Share: 0.1);
    private static readonly DryingHabit Thin = new(TouchMin: 10, RecoatMin: 20);
    private static readonly DryingHabit AsSold = new(Share: 1);
    private static readonly DryingHabit Drop = new(WetFilmUm: 120);
    private static readonly DryingHabit InGrit = new(TouchMin: 30, RecoatMin: 45, WorkMin: 120);

    private static readonly Dictionary<Technique, TechniqueFacts> Rows = new()
    {
        [Technique.BaseCoat] = new() { Word = "base coat", Group = Cover, Role = Role.Cover, Tool = "flat brush", Breadth = 0.2, Kernel = "base coat", Covers = true, Hides = true, SetsSheen = true, FloatsGrain = true, AppliedUm = 60, RateCm2PerMin = 15, DryPaletteMin = 20, WetPaletteMin = 240, GentlerAs = Technique.Airbrush },
        [Technique.SprayCan] = new() { Word = "sprayed coat", Label = "Spray can", Group = Cover, Role = Role.Spray, Tool = "can", Kernel = "can", Impact = Impact.Mist, Thins = false, Covers = true, Hides = true, SetsSheen = true, Sprayed = true, FromCan = true, Messy = true, Oversprays = true, Station = Station.Can, AppliedUm = 50, Transfer = 0.35, LossMl = 0, RateCm2PerMin = 150 },
        [Technique.Airbrush] = new() { Word = "airbrushed coat", Label = "Airbrush", Group = Cover, Role = Role.Spray, Tool = "airbrush", Kernel = "airbrush", Impact = Impact.Mist, Covers = true, Hides = true, SetsSheen = true, Sprayed = true, Messy = true, Oversprays = true, Station = Station.Airbrush, AppliedUm = 25, Transfer = 0.5, LossMl = 0.6, RateCm2PerMin = 60, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.Zenithal] = new() { Word = "zenithal", Group = Light, Role = Role.Shade, Tool = "can or airbrush, from above", Kernel = "zenithal spray", Impact = Impact.Mist, Hides = true, SetsSheen = true, Sprayed = true, FromCan = true, Messy = true, Oversprays = true, Station = Station.Airbrush, AppliedUm = 25, Transfer = 0.5, LossMl = 0.6, RateCm2PerMin = 60, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.PreShade] = new() { Word = "pre-shade", Group = Light, Role = Role.Shade, Tool = "airbrush", Close = true, Kernel = "pre-shade", Impact = Impact.Mist, Hides = true, SetsSheen = true, Sprayed = true, Messy = true, Oversprays = true, Station = Station.Airbrush, AppliedUm = 25, Transfer = 0.5, LossMl = 0.6, RateCm2PerMin = 60, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.Modulation] = new() { Word = "modulation", Group = Light, Role = Role.Modulation, Tool = "airbrush", Close = true, Kernel = "modulation", Impact = Impact.Mist, Hides = true, SetsSheen = true, Sprayed = true, Messy = true, Oversprays = true, Station = Station.Airbrush, AppliedUm = 25, Transfer = 0.5, LossMl = 0.6, RateCm2PerMin = 60, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.Overbrush] = new() { Word = "overbrush", Group = Light, Role = Role.Raise, Tool = "large damp brush", Breadth = 0.25, Kernel = "overbrush", Hides = true, SetsSheen = true, KnocksGrain = true, Messy = true, Station = Station.DryBrush, AppliedUm = 30, Transfer = 0.5, LossMl = 0.4, RateCm2PerMin = 40, DryPaletteMin = 15, WetPaletteMin = 60 },
        [Technique.DryBrush] = new() { Word = "dry brush", Group = Light, Role = Role.DryBrush, Tool = "soft round brush, wiped", Breadth = 0.2, Kernel = "dry brush", Impact = Impact.Mist, Hides = true, SetsSheen = true, KnocksGrain = true, Messy = true, Station = Station.DryBrush, AppliedUm = 12, Transfer = 0.2, LossMl = 0.4, RateCm2PerMin = 40, DryPaletteMin = 15, WetPaletteMin = 60, Drying = Dusted },
        [Technique.Sponge] = new() { Word = "sponged coat", Label = "Sponge", Group = Cover, Role = Role.Field, Tool = "foam", Foam = true, Kernel = "sponge stipple", Hides = true, SetsSheen = true, Station = Station.Sponge, AppliedUm = 30, Transfer = 0.4, LossMl = 0.8, RateCm2PerMin = 30, LargeRateCm2PerMin = 120, DryPaletteMin = 20, WetPaletteMin = 120 },
        [Technique.Stipple] = new() { Word = "stipple", Group = Cover, Role = Role.Stipple, Tool = "stippling brush", Breadth = 0.1, Kernel = "stipple", Hides = true, SetsSheen = true, KnocksGrain = true, Station = Station.Sponge, AppliedUm = 30, Transfer = 0.6, RateCm2PerMin = 10, DryPaletteMin = 20, WetPaletteMin = 120, GentlerAs = Technique.DryBrush },
        [Technique.EdgeHighlight] = new() { Word = "edge highlight", Group = Light, Role = Role.Edge, Tool = "fine brush, or the side of a large one", Fine = true, Kernel = "edge highlight", Hides = true, SetsSheen = true, GoesBy = GoesBy.Edges, Stroke = new(0.3, 0, 25, MmPerMin: 150), AppliedUm = 25, Transfer = 0.7, LossMl = 0.2, RateCm2PerMin = 15, DryPaletteMin = 20, WetPaletteMin = 240 },
        [Technique.Wash] = new() { Word = "wash", Drains = true, Strength = 1, Group = Tint, Role = Role.AllOverWash, Tool = "soft full brush", Breadth = 0.15, Kernel = "wash", FillsDetail = false, FloatsGrain = true, Messy = true, AppliedUm = 80, Transfer = 0.9, RateCm2PerMin = 40, DryPaletteMin = 60, WetPaletteMin = 240, Drying = Hollows, Stains = true, WantsNight = true },
        [Technique.ThinnedWash] = new() { Word = "thinned wash", Drains = true, Strength = 0, Group = Tint, Role = Role.AllOverWash, Tool = "soft full brush", Breadth = 0.15, Kernel = "thinned wash", FillsDetail = false, FloatsGrain = true, Messy = true, AppliedUm = 80, Transfer = 0.9, RateCm2PerMin = 40, DryPaletteMin = 60, WetPaletteMin = 240, Drying = Hollows, Stains = true, WantsNight = true },
        [Technique.Glaze] = new() { Word = "glaze", Group = Tint, Role = Role.Glaze, Tool = "soft brush, nearly dry", Breadth = 0.12, Kernel = "glaze", FillsDetail = false, AppliedUm = 20, RateCm2PerMin = 25, DryPaletteMin = 60, WetPaletteMin = 240, Drying = Thin, Stains = true },
        [Technique.Filter] = new() { Word = "filter", Group = Tint, Role = Role.Filter, Tool = "wide soft brush", Breadth = 0.2, Kernel = "filter", FillsDetail = false, AppliedUm = 20, RateCm2PerMin = 25, DryPaletteMin = 60, WetPaletteMin = 240, Drying = Thin, Stains = true },
        [Technique.PinWash] = new() { Word = "pin wash", Group = Tint, Role = Role.PinWash, Tool = "fine brush", Fine = true, Kernel = "pin wash, cleaned", SpiritImpact = Impact.Scrubbed, FillsDetail = false, CleanedUp = true, Weathers = true, GoesBy = GoesBy.Creases, Stroke = new(0.5, 0, 60, MmPerMin: 200), CleanMmPerMin = 120, AppliedUm = 60, Transfer = 0.5, RateCm2PerMin = 15, DryPaletteMin = 240, WetPaletteMin = 240, Drying = AsSold },
        [Technique.Streak] = new() { Word = "streak", Group = Wear, Role = Role.Mark, Tool = "flat brush, drawn straight down", Breadth = 0.06, Kernel = "streak", Marks = true, Shape = MarkShape.Streak, FillsDetail = false, Weathers = true, GoesBy = GoesBy.Number, Stroke = new(0.6, 20, 30, MarksPerMin: 3), AppliedUm = 30, Transfer = 0.6, LossMl = 0.2, RateCm2PerMin = 20, DryPaletteMin = 60, WetPaletteMin = 60, Drying = AsSold },
        [Technique.Speckle] = new() { Word = "speckle", Group = Wear, Role = Role.Mark, Tool = "stiff brush, flicked", Kernel = "speckle", Impact = Impact.Mist, Marks = true, Shape = MarkShape.Dot, Messy = true, AppliedUm = 60, Transfer = 0.3, LossMl = 0.5, RateCm2PerMin = 60, DryPaletteMin = 30, WetPaletteMin = 30, Drying = Drop },
        [Technique.SpongeChipping] = new() { Word = "sponge chipping", Group = Wear, Role = Role.Mark, Tool = "torn foam", Foam = true, Kernel = "chipping", Marks = true, Shape = MarkShape.Chip, Station = Station.Sponge, GoesBy = GoesBy.Number, Stroke = new(1, 1.5, 30, MarksPerMin: 40), AppliedUm = 30, Transfer = 0.4, LossMl = 0.8, RateCm2PerMin = 30, DryPaletteMin = 20, WetPaletteMin = 120 },
        [Technique.ChippingFluid] = new() { Word = "chipping fluid", Group = Wear, Role = Role.Fluid, Tool = "soft brush or airbrush", Kernel = "chipping fluid", Hides = true, ColourFree = true, AppliedUm = 40, RateCm2PerMin = 30, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.OpenChips] = new() { Word = "opening of the chips", Label = "Open the chips", Group = Wear, Role = Role.Opening, Tool = "damp stiff brush or a pick", Kernel = "chipping", Impact = Impact.Scrubbed, Brings = Carrier.Water, NeedsMaterial = false, Thins = false, Marks = true, Shape = MarkShape.Chip, RateCm2PerMin = 15, LossMl = 0, AfterTouchMin = (15, 120) },
        [Technique.Marking] = new() { Word = "marking", Group = Wear, Role = Role.Drawing, Tool = "pencil, marker or chalk", Kernel = "marking", Impact = Impact.None, Thins = false, Marks = true, Shape = MarkShape.Line, FillsDetail = false, Weathers = true, GoesBy = GoesBy.Number, Stroke = new(0.5, 10, 10, MarksPerMin: 6), AppliedUm = 10, Transfer = 1, LossMl = 0, RateCm2PerMin = 15 },
        [Technique.Pigment] = new() { Word = "pigment", Group = Wear, Role = Role.Powder, Tool = "soft dry brush", Breadth = 0.12, Kernel = "dust pigment", Impact = Impact.None, Thins = false, FillsDetail = false, Messy = true, Weathers = true, AppliedUm = 20, Transfer = 0.5, LossMl = 0.2, RateCm2PerMin = 25 },
        [Technique.FixPigment] = new() { Word = "fixing of the pigment", Label = "Fix pigment", Group = Wear, Role = Role.Fixer, Tool = "full brush, touched down", Kernel = "fix pigment", Impact = Impact.None, ColourFree = true, FillsDetail = false, AppliedUm = 20, Transfer = 0.9, RateCm2PerMin = 40 },
        [Technique.Varnish] = new() { Word = "varnish", Group = Seals, Role = Role.Varnish, Tool = "wide soft brush", Breadth = 0.3, Kernel = "varnish", Hides = true, SetsSheen = true, ColourFree = true, BindsGrain = true, AppliedUm = 50, Transfer = 0.9, RateCm2PerMin = 30, DryPaletteMin = 60, WetPaletteMin = 60, GentlerAs = Technique.VarnishSpray, WantsNight = true },
        [Technique.VarnishSpray] = new() { Word = "sprayed varnish", Label = "Varnish, sprayed", Group = Seals, Role = Role.Varnish, Tool = "can or airbrush", Kernel = "varnish spray", Impact = Impact.Mist, Hides = true, SetsSheen = true, Sprayed = true, FromCan = true, ColourFree = true, BindsGrain = true, Oversprays = true, Station = Station.Airbrush, AppliedUm = 40, Transfer = 0.35, LossMl = 0, RateCm2PerMin = 150, WantsNight = true },
        [Technique.Seal] = new() { Word = "sealer", Label = "Seal", Group = Seals, Role = Role.Seal, Tool = "wide brush", Breadth = 0.3, Kernel = "seal", Hides = true, SetsSheen = true, ColourFree = true, BindsGrain = true, AppliedUm = 50, Transfer = 0.9, RateCm2PerMin = 30, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.Texture] = new() { Word = "texture", Group = Texture, Role = Role.Paste, Tool = "spatula or old brush", Kernel = "texture", Hides = true, SetsSheen = true, Builds = true, AppliedUm = 800, Transfer = 0.9, LossMl = 1, RateCm2PerMin = 10, DryPaletteMin = 30, WetPaletteMin = 30, WantsNight = true },
        [Technique.GritInGlue] = new() { Word = "grit in glue", Group = Texture, Role = Role.Grit, Tool = "old brush", Kernel = "grit in glue", Hides = true, SetsSheen = true, Builds = true, AppliedUm = 200, Transfer = 0.8, LossMl = 0.5, RateCm2PerMin = 20, DryPaletteMin = 20, WetPaletteMin = 20, Drying = InGrit, WantsNight = true },
        [Technique.DripGlue] = new() { Word = "dripped glue", Label = "Drip glue", Group = Seals, Role = Role.Drip, Tool = "dropper", Kernel = "drip glue", Impact = Impact.None, ColourFree = true, BindsGrain = true, FillsDetail = false, AppliedUm = 60, Transfer = 0.8, LossMl = 0.5, RateCm2PerMin = 20, DryPaletteMin = 20, WetPaletteMin = 20, WantsNight = true },
        [Technique.CracklePaste] = new() { Word = "crackle paste", Group = Texture, Role = Role.CracklePaste, Tool = "spatula", Kernel = "crackle paste", Hides = true, SetsSheen = true, Builds = true, AppliedUm = 1000, Transfer = 0.9, LossMl = 1, RateCm2PerMin = 10, DryPaletteMin = 30, WetPaletteMin = 30, WantsNight = true },
        [Technique.CrackleMedium] = new() { Word = "crackle medium", Group = Texture, Role = Role.CrackleMedium, Tool = "full brush, one way", Kernel = "crackle medium", Hides = true, ColourFree = true, AppliedUm = 50, Transfer = 0.9, RateCm2PerMin = 30, DryPaletteMin = 60, WetPaletteMin = 60 },
        [Technique.Layer] = new() { Word = "layer", Group = Light, Role = Role.Raise, Tool = "flat brush", Breadth = 0.15, Kernel = "layer", Hides = true, SetsSheen = true, FloatsGrain = true, AppliedUm = 45, RateCm2PerMin = 12, DryPaletteMin = 20, WetPaletteMin = 240 },
        [Technique.WetStreak] = new() { Word = "wet streak", Group = Wear, Role = Role.WetStreak, Tool = "damp flat brush", Breadth = 0.08, Kernel = "wet streak", Impact = Impact.Scrubbed, Brings = Carrier.Water, NeedsMaterial = false, Thins = false, Marks = true, Shape = MarkShape.Streak, FillsDetail = false, GoesBy = GoesBy.Number, Stroke = new(0.6, 20, 0, MarksPerMin: 6), LossMl = 0, RateCm2PerMin = 30, Drying = Dusted },
        [Technique.CleanUp] = new() { Word = "clean-up", Label = "Clean up", Group = ByHand, Role = Role.CleanUp, Tool = "damp brush or swab", Impact = Impact.Scrubbed, NeedsMaterial = false, Thins = false, Hand = new(new(1, 0.15, 0.1)), Station = Station.Spirit, GoesBy = GoesBy.Creases, Stroke = new(0.5, 0, 0, MmPerMin: 120), LossMl = 0, RateCm2PerMin = 20 },
        [Technique.Feather] = new() { Word = "feathering", Label = "Feather", Group = ByHand, Role = Role.Handwork, Tool = "damp brush", NeedsMaterial = false, Thins = false, Hand = new(new(1, 0.85, 0.85)), LossMl = 0, RateCm2PerMin = 30 },
        [Technique.Lift] = new() { Word = "lifting", Label = "Lift", Group = ByHand, Role = Role.Handwork, Tool = "dry brush or towel corner", NeedsMaterial = false, Thins = false, Hand = new(new(0.6, 0.8, 0.9)), LossMl = 0, RateCm2PerMin = 60 },
        [Technique.PullDown] = new() { Word = "pulling down", Label = "Pull down", Group = ByHand, Role = Role.Handwork, Tool = "flat damp brush", NeedsMaterial = false, Thins = false, Hand = new(new(0.9, 0.7, 0.6)), LossMl = 0, RateCm2PerMin = 30 },
        [Technique.SmudgeOff] = new() { Word = "smudging off", Label = "Smudge off", Group = ByHand, Role = Role.Handwork, Tool = "finger or cloth", NeedsMaterial = false, Thins = false, Hand = new(new(0.9, 0.4, 0.2)), LossMl = 0, RateCm2PerMin = 60 },
        [Technique.Scrape] = new() { Word = "scraping", Label = "Scrape", Group = ByHand, Role = Role.Handwork, Tool = "pick or blade", NeedsMaterial = false, Thins = false, Hand = new(new(1, 0.85, 0.5)), LossMl = 0, RateCm2PerMin = 15 },
        [Technique.Tufts] = new() { Word = "tufts", Group = Texture, Role = Role.Planting, Tool = "tweezers", Kernel = "tufts", Impact = Impact.None, Thins = false, Marks = true, FillsDetail = false, GoesBy = GoesBy.Number, Stroke = new(5, 5, 0, MarksPerMin: 4), AppliedUm = 0, Transfer = 1, LossMl = 0, RateCm2PerMin = 20 },
        [Technique.StaticGrass] = new() { Word = "static grass", Group = Texture, Role = Role.Planting, Tool = "applicator over wet glue", Kernel = "static grass", Impact = Impact.None, Thins = false, FillsDetail = false, Messy = true, AppliedUm = 300, Transfer = 0.7, LossMl = 0.5, RateCm2PerMin = 20 },
        [Technique.GluePart] = new() { Word = "gluing of a part", Label = "Glue a part", Group = Texture, Role = Role.Assembly, Tool = "fingers and clamps", Kernel = "glue", Impact = Impact.None, Thins = false, ColourFree = true, FillsDetail = false, Station = Station.Assembly, GoesBy = GoesBy.Copies, AppliedUm = 0, Transfer = 1, LossMl = 0.1 },
        [Technique.WashPiece] = new() { Word = "washing of the piece", Label = "Wash the piece", Group = Prepare, Role = Role.Preparing, Tool = "soft brush, warm water and soap", Impact = Impact.None, NeedsMaterial = false, Thins = false, FillsDetail = false, Station = Station.Preparing, RateCm2PerMin = 60, LossMl = 0, ThenMin = 120 },
        [Technique.Sand] = new() { Word = "sanding", Label = "Sand the piece", Group = Prepare, Role = Role.Preparing, Tool = "files and fine paper, wet", Impact = Impact.None, NeedsMaterial = false, Thins = false, FillsDetail = false, Station = Station.Preparing, RateCm2PerMin = 30, LossMl = 0 },
        [Technique.FillGaps] = new() { Word = "filling of gaps", Label = "Fill gaps", Group = Prepare, Role = Role.Preparing, Tool = "filler and a spatula", Impact = Impact.None, NeedsMaterial = false, Thins = false, FillsDetail = false, Station = Station.Preparing, RateCm2PerMin = 25, LossMl = 0, ThenMin = 180 },
        [Technique.Mend] = new() { Word = "mending by hand", Label = "Mend by hand", Group = Prepare, Role = Role.Preparing, Tool = "what the mend asks for", Impact = Impact.None, NeedsMaterial = false, Thins = false, FillsDetail = false, Station = Station.Preparing, RateCm2PerMin = 25, LossMl = 0 },
    };

    private static readonly TechniqueFacts[] Table = [.. Enum.GetValues<Technique>().Select(t => Rows[t])];

    /// <summary>Facts of a technique.</summary>
    public static TechniqueFacts Facts(this Technique technique) => Table[(int)technique];

    /// <summary>Where a technique is done with a family: what comes in a can is sprayed from it, spirit has a place of its own.</summary>
    public static Station StationFor(this Technique technique, Family? family)
    {
        var (how, what) = (technique.Facts(), family?.Facts());
        return how.FromCan && what?.InCan == true ? Station.Can
            : how.Station == Station.Brush && what?.Carrier == Carrier.WhiteSpirit ? Station.Spirit
            : how.Station;
    }

    /// <summary>Paint fraction that a technique usually wants of a family; what is not thinned is used as it comes.</summary>
    public static double UsualFraction(this Technique technique, Family family)
    {
        var how = technique.Facts();
        var thinned = family.Facts().ThinnedTo(how.Role);
        return how.Thins ? Math.Round(thinned.From + (how.Strength * (thinned.To - thinned.From)), 3) : 1;
    }

    /// <summary>The technique that a material proposes: what comes in a can is sprayed, a varnish is brushed on, and so on.</summary>
    public static Technique Proposed(this Family family)
    {
        if (Spirit.TryGetValue(family, out var usual))
        {
            return usual;
        }

        var facts = family.Facts();
        return Proposals.First(p => p.Kind == facts.Kind && p.InCan == facts.InCan).Technique;
    }

    // Washes in spirit are led along creases, or tint the whole; over everything go those in water.
    private static readonly Dictionary<Family, Technique> Spirit = new() { [Family.EnamelWash] = Technique.PinWash, [Family.OilPaint] = Technique.PinWash, [Family.OilWash] = Technique.Filter };

    private static readonly (Kind Kind, bool InCan, Technique Technique)[] Proposals =
    [
        (Kind.Paint, false, Technique.BaseCoat),
        (Kind.Paint, true, Technique.SprayCan),
        (Kind.Wash, false, Technique.Wash),
        (Kind.Varnish, false, Technique.Varnish),
        (Kind.Varnish, true, Technique.VarnishSpray),
        (Kind.Primer, false, Technique.BaseCoat),
        (Kind.Primer, true, Technique.SprayCan),
        (Kind.Paste, false, Technique.Texture),
        (Kind.CracklePaste, false, Technique.CracklePaste),
        (Kind.CrackleMedium, false, Technique.CrackleMedium),
        (Kind.Glue, false, Technique.Seal),
        (Kind.Grit, false, Technique.GritInGlue),
        (Kind.Fluid, false, Technique.ChippingFluid),
        (Kind.Marking, false, Technique.Marking),
        (Kind.Powder, false, Technique.Pigment),
        (Kind.Medium, false, Technique.Seal),
        (Kind.Additive, false, Technique.Seal),
        (Kind.Plants, false, Technique.Tufts),
    ];
}
