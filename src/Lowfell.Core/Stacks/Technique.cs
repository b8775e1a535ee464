namespace Lowfell.Core.Stacks;

/// <summary>How a coat goes on.</summary>
public enum Technique
{
    /// <summary>Base coat by brush.</summary>
    BaseCoat,

    /// <summary>All round from a can.</summary>
    SprayCan,

    /// <summary>All round by airbrush.</summary>
    Airbrush,

    /// <summary>Light from above, by can or airbrush.</summary>
    Zenithal,

    /// <summary>Dark along panel lines, under thin coats.</summary>
    PreShade,

    /// <summary>Opaque lighter tones toward the light, panel by panel.</summary>
    Modulation,

    /// <summary>Damp brush, covers all but the recess.</summary>
    Overbrush,

    /// <summary>Nearly dry brush over the edges.</summary>
    DryBrush,

    /// <summary>Sponge dabbed in irregular fields.</summary>
    Sponge,

    /// <summary>Stippling brush.</summary>
    Stipple,

    /// <summary>Line along raised edges.</summary>
    EdgeHighlight,

    /// <summary>All over, straight.</summary>
    Wash,

    /// <summary>All over, thinned by half.</summary>
    ThinnedWash,

    /// <summary>Thin transparent coat that shifts a colour.</summary>
    Glaze,

    /// <summary>Very thin coat that unifies.</summary>
    Filter,

    /// <summary>Along creases and rivets, cleaned off the face.</summary>
    PinWash,

    /// <summary>Straight down from rivets and bars.</summary>
    Streak,

    /// <summary>Flicked dots.</summary>
    Speckle,

    /// <summary>Paint chips with a sponge.</summary>
    SpongeChipping,

    /// <summary>Soluble layer under a coat that is to be opened.</summary>
    ChippingFluid,

    /// <summary>Opening the coat above the fluid with a damp brush or pick.</summary>
    OpenChips,

    /// <summary>Pencil, chalk or tally mark.</summary>
    Marking,

    /// <summary>Dry pigment pressed in.</summary>
    Pigment,

    /// <summary>Solvent or binder that fixes pigment.</summary>
    FixPigment,

    /// <summary>Varnish by brush.</summary>
    Varnish,

    /// <summary>Varnish by can or airbrush.</summary>
    VarnishSpray,

    /// <summary>Sealer brushed into a thirsty or weak ground.</summary>
    Seal,

    /// <summary>Texture paste or skim.</summary>
    Texture,

    /// <summary>Sand or grit in wet glue.</summary>
    GritInGlue,

    /// <summary>Thinned glue dripped on loose grit.</summary>
    DripGlue,

    /// <summary>Paste that cracks as it dries.</summary>
    CracklePaste,

    /// <summary>Clear medium that cracks the next coat.</summary>
    CrackleMedium,
}

/// <summary>Facts of a technique that rules, colour and amounts read.</summary>
/// <param name="Word">The painter's word.</param>
/// <param name="Kernel">Row of the kernel table.</param>
/// <param name="Rub">Resistance needed below: 1 mist or hardly wet, 2 brush or sponge, 3 scrubbing.</param>
/// <param name="Covers">Meant to hide what is under it.</param>
/// <param name="AllOverWash">A wash all over the zone.</param>
/// <param name="Shades">Makes recess and edge differ before thin coats.</param>
/// <param name="Sprayed">By can or airbrush.</param>
/// <param name="Marks">Separate marks: the zone average is thin, a single mark is not.</param>
/// <param name="ColourFree">Not there for its colour.</param>
/// <param name="Builds">Makes the surface rather than coats it.</param>
/// <param name="Transfer">Share of the paint that reaches the piece.</param>
/// <param name="LossMl">Lost in brush, cup or sponge, ml a batch.</param>
/// <param name="RateCm2PerMin">Area done in a minute, cm2.</param>
/// <param name="DryPaletteMin">Minutes that a batch stays workable on a dry palette; 0 where it does not go off.</param>
/// <param name="WetPaletteMin">The same on a wet palette.</param>
/// <param name="Along">What it follows, where the zone's creases or edges are measured.</param>
public sealed record TechniqueFacts(
    string Word,
    string Kernel,
    int Rub,
    bool Covers = false,
    bool AllOverWash = false,
    bool Shades = false,
    bool Sprayed = false,
    bool Marks = false,
    bool ColourFree = false,
    bool Builds = false,
    double Transfer = 0.85,
    double LossMl = 0.3,
    double RateCm2PerMin = 25,
    int DryPaletteMin = 0,
    int WetPaletteMin = 0,
    Line? Along = null);

/// <summary>A line that a technique follows instead of covering an area.</summary>
/// <param name="IsCrease">Creases; raised edges otherwise.</param>
/// <param name="WidthMm">Width that the paint takes, mm.</param>
/// <param name="WetFilmUm">Wet film on it, um.</param>
/// <param name="RateMmPerMin">Length done in a minute, mm.</param>
public sealed record Line(bool IsCrease, double WidthMm, double WetFilmUm, double RateMmPerMin);

/// <summary>The table of techniques. Craft estimates.</summary>
public static class Techniques
{
    private static readonly TechniqueFacts[] Table =
    [
        new("base coat", "base coat", 2, Covers: true, RateCm2PerMin: 15, DryPaletteMin: 20, WetPaletteMin: 240),
        new("spray can", "spray", 1, Covers: true, Sprayed: true, Transfer: 0.35, LossMl: 0, RateCm2PerMin: 150),
        new("airbrush", "airbrush", 1, Covers: true, Sprayed: true, Transfer: 0.5, LossMl: 0.6, RateCm2PerMin: 60, DryPaletteMin: 60, WetPaletteMin: 60),
        new("zenithal", "zenithal spray", 1, Shades: true, Sprayed: true, Transfer: 0.5, LossMl: 0.6, RateCm2PerMin: 60, DryPaletteMin: 60, WetPaletteMin: 60),
        new("pre-shade", "pre-shade", 1, Shades: true, Sprayed: true, Transfer: 0.5, LossMl: 0.6, RateCm2PerMin: 60, DryPaletteMin: 60, WetPaletteMin: 60),
        new("modulation", "modulation", 1, Sprayed: true, Transfer: 0.5, LossMl: 0.6, RateCm2PerMin: 60, DryPaletteMin: 60, WetPaletteMin: 60),
        new("overbrush", "overbrush", 1, Transfer: 0.5, LossMl: 0.4, RateCm2PerMin: 40, DryPaletteMin: 15, WetPaletteMin: 60),
        new("dry brush", "dry brush", 1, Transfer: 0.2, LossMl: 0.4, RateCm2PerMin: 40, DryPaletteMin: 15, WetPaletteMin: 60),
        new("sponge", "sponge stipple", 2, Transfer: 0.4, LossMl: 0.8, RateCm2PerMin: 30, DryPaletteMin: 20, WetPaletteMin: 120),
        new("stipple", "stipple", 2, Transfer: 0.6, RateCm2PerMin: 10, DryPaletteMin: 20, WetPaletteMin: 120),
        new("edge highlight", "edge highlight", 1, Transfer: 0.7, LossMl: 0.2, RateCm2PerMin: 15, DryPaletteMin: 20, WetPaletteMin: 240, Along: new(false, 0.3, 25, 150)),
        new("wash", "wash", 2, AllOverWash: true, Transfer: 0.9, RateCm2PerMin: 40, DryPaletteMin: 60, WetPaletteMin: 240),
        new("thinned wash", "thinned wash", 2, AllOverWash: true, Transfer: 0.9, RateCm2PerMin: 40, DryPaletteMin: 60, WetPaletteMin: 240),
        new("glaze", "glaze", 2, RateCm2PerMin: 25, DryPaletteMin: 60, WetPaletteMin: 240),
        new("filter", "filter", 2, RateCm2PerMin: 25, DryPaletteMin: 60, WetPaletteMin: 240),
        new("pin wash", "pin wash, cleaned", 3, Transfer: 0.5, RateCm2PerMin: 15, DryPaletteMin: 240, WetPaletteMin: 240, Along: new(true, 0.5, 60, 200)),
        new("streak", "streak", 2, Marks: true, Transfer: 0.6, LossMl: 0.2, RateCm2PerMin: 20, DryPaletteMin: 60, WetPaletteMin: 60),
        new("speckle", "speckle", 1, Marks: true, Transfer: 0.3, LossMl: 0.5, RateCm2PerMin: 60, DryPaletteMin: 30, WetPaletteMin: 30),
        new("sponge chipping", "chipping", 2, Marks: true, Transfer: 0.4, LossMl: 0.8, RateCm2PerMin: 30, DryPaletteMin: 20, WetPaletteMin: 120),
        new("chipping fluid", "chipping fluid", 2, ColourFree: true, RateCm2PerMin: 30, DryPaletteMin: 60, WetPaletteMin: 60),
        new("open chips", "chipping", 3, Marks: true, RateCm2PerMin: 15),
        new("marking", "marking", 1, Marks: true, Transfer: 1, LossMl: 0, RateCm2PerMin: 15),
        new("pigment", "dust pigment", 1, Transfer: 0.5, LossMl: 0.2, RateCm2PerMin: 25),
        new("fix pigment", "fix pigment", 1, ColourFree: true, Transfer: 0.9, RateCm2PerMin: 40),
        new("varnish", "varnish", 2, ColourFree: true, Transfer: 0.9, RateCm2PerMin: 30, DryPaletteMin: 60, WetPaletteMin: 60),
        new("varnish spray", "varnish spray", 1, ColourFree: true, Sprayed: true, Transfer: 0.35, LossMl: 0, RateCm2PerMin: 150),
        new("seal", "seal", 2, ColourFree: true, Transfer: 0.9, RateCm2PerMin: 30, DryPaletteMin: 60, WetPaletteMin: 60),
        new("texture", "texture", 1, Builds: true, Transfer: 0.9, LossMl: 1, RateCm2PerMin: 10, DryPaletteMin: 30, WetPaletteMin: 30),
        new("grit in glue", "grit in glue", 1, Builds: true, Transfer: 0.8, LossMl: 0.5, RateCm2PerMin: 20, DryPaletteMin: 20, WetPaletteMin: 20),
        new("drip glue", "drip glue", 1, ColourFree: true, Transfer: 0.8, LossMl: 0.5, RateCm2PerMin: 20, DryPaletteMin: 20, WetPaletteMin: 20),
        new("crackle paste", "crackle paste", 1, Builds: true, Transfer: 0.9, LossMl: 1, RateCm2PerMin: 10, DryPaletteMin: 30, WetPaletteMin: 30),
        new("crackle medium", "crackle medium", 2, ColourFree: true, Transfer: 0.9, RateCm2PerMin: 30, DryPaletteMin: 60, WetPaletteMin: 60),
    ];

    /// <summary>Facts of a technique.</summary>
    public static TechniqueFacts Facts(this Technique technique) => Table[(int)technique];

    /// <summary>Varnish by brush or spray.</summary>
    public static bool IsVarnish(this Technique technique) => technique is Technique.Varnish or Technique.VarnishSpray;

    /// <summary>Paint fraction that the technique usually wants, before the family's limit.</summary>
    public static double UsualPaintFraction(this Technique technique) => Kernels.Of(technique).PaintFraction;
}
