using System.Text.Json.Serialization;
using Lowfell.Core.Films;

namespace Lowfell.Core.Stacks;

/// <summary>Varnish under a pin wash.</summary>
public enum PinWashSchool
{
    /// <summary>Satin: it stays where it is put.</summary>
    Satin,

    /// <summary>Gloss: it runs furthest.</summary>
    Gloss,
}

/// <summary>How much wash at a time.</summary>
public enum WashSchool
{
    /// <summary>Two thin ones.</summary>
    TwoThin,

    /// <summary>One generous one.</summary>
    OneGenerous,
}

/// <summary>What happens to pigment.</summary>
public enum PigmentSchool
{
    /// <summary>Fixed with solvent or binder.</summary>
    Fixed,

    /// <summary>Left loose.</summary>
    Loose,

    /// <summary>Varnished over, layer by layer.</summary>
    Varnished,
}

/// <summary>Hurrying with warm air.</summary>
public enum WarmAirSchool
{
    /// <summary>Base coats and textures only.</summary>
    BaseCoatsAndTextures,

    /// <summary>Never.</summary>
    Never,

    /// <summary>Base coats, textures and thin crackle paint.</summary>
    CracklePaintToo,
}

/// <summary>Where a panel's shading comes from.</summary>
public enum ShadingSchool
{
    /// <summary>Pre-shade with thin coats over it.</summary>
    PreShade,

    /// <summary>Colour modulation with opaque coats.</summary>
    Modulation,
}

/// <summary>The brush between dry-brush steps.</summary>
public enum ResidueSchool
{
    /// <summary>Keep the residue: soft steps.</summary>
    Keep,

    /// <summary>Clean: crisp steps.</summary>
    Clean,
}

/// <summary>Glue for sand and grit.</summary>
public enum GritGlueSchool
{
    /// <summary>PVA, with a sealing pass.</summary>
    Pva,

    /// <summary>Thick super glue, which needs none.</summary>
    SuperGlue,
}

/// <summary>Final varnish on table pieces.</summary>
public enum FinalVarnishSchool
{
    /// <summary>Where hands hold it is enough.</summary>
    WhereHeld,

    /// <summary>None: rubbed spots are touched up.</summary>
    None,

    /// <summary>All that is handled, always.</summary>
    Always,
}

/// <summary>Brittle crackle or texture before a wash.</summary>
public enum BrittleSchool
{
    /// <summary>Go on gently: wash and dry brush straight on it.</summary>
    Gently,

    /// <summary>Two coats of varnish first.</summary>
    SealFirst,
}

/// <summary>Grit before brushes.</summary>
public enum GritSchool
{
    /// <summary>Brush off what is loose, go on.</summary>
    BrushOff,

    /// <summary>Drip thinned glue over it first.</summary>
    GlueFirst,
}

/// <summary>Shading a vehicle.</summary>
public enum VehicleShadeSchool
{
    /// <summary>Pin wash over varnish.</summary>
    PinWash,

    /// <summary>A shade thinned with medium, panel by panel.</summary>
    ThinnedShade,

    /// <summary>None: edges and sponge only.</summary>
    None,
}

/// <summary>Varnish between weathering layers.</summary>
public enum LayerVarnishSchool
{
    /// <summary>Once before, then bare.</summary>
    OnceBefore,

    /// <summary>After each layer.</summary>
    AfterEach,
}

/// <summary>Which edges are highlighted.</summary>
public enum HighlightSchool
{
    /// <summary>Those that face the light.</summary>
    FacingLight,

    /// <summary>All of them.</summary>
    All,
}

/// <summary>Rim of a base.</summary>
public enum RimSchool
{
    /// <summary>One neutral dark for the whole force.</summary>
    NeutralDark,

    /// <summary>The colour of its team, with copy numbers.</summary>
    TeamColour,
}

/// <summary>How far contrast is driven.</summary>
public enum ContrastSchool
{
    /// <summary>It has to read from across the table.</summary>
    Exaggerate,

    /// <summary>Restrained: small chips, thin streaks.</summary>
    ToScale,
}

/// <summary>What a piece is held against.</summary>
public enum FidelitySchool
{
    /// <summary>As it reads at the table.</summary>
    AsItReads,

    /// <summary>As the reference shows it.</summary>
    AsReference,
}

/// <summary>Where marks of wear and weather go.</summary>
public enum MarkPlaceSchool
{
    /// <summary>Where water stands and hands reach.</summary>
    Reasoned,

    /// <summary>Anywhere.</summary>
    AtRandom,
}

/// <summary>Points on which good painters disagree, as the project prefers them; <see cref="SchoolBook"/> says what each choice is.</summary>
public sealed record Schools
{
    /// <summary>Share of the last dry-brush colour that stays in an uncleaned brush. Craft estimate.</summary>
    public const double ResidueShare = 0.2;

    /// <summary>Distance of what is in the hand, and of who leans over the table, m.</summary>
    public const double InHandM = 0.3, LeaningM = 0.6;

    /// <summary>Varnish under a pin wash: satin or gloss.</summary>
    public PinWashSchool PinWashVarnish { get; init; }

    /// <summary>Wash amount.</summary>
    public WashSchool Wash { get; init; }

    /// <summary>Pigments.</summary>
    public PigmentSchool Pigments { get; init; }

    /// <summary>Warm air.</summary>
    public WarmAirSchool WarmAir { get; init; }

    /// <summary>Pre-shade or modulation.</summary>
    public ShadingSchool Shading { get; init; }

    /// <summary>Brush between dry-brush steps.</summary>
    public ResidueSchool DryBrush { get; init; }

    /// <summary>Glue for grit.</summary>
    public GritGlueSchool GritGlue { get; init; }

    /// <summary>Final varnish.</summary>
    public FinalVarnishSchool FinalVarnish { get; init; }

    /// <summary>Brittle texture.</summary>
    public BrittleSchool Brittle { get; init; }

    /// <summary>Grit before brushes.</summary>
    public GritSchool Grit { get; init; }

    /// <summary>Shading a vehicle.</summary>
    public VehicleShadeSchool VehicleShade { get; init; }

    /// <summary>Varnish between weathering layers.</summary>
    public LayerVarnishSchool LayerVarnish { get; init; }

    /// <summary>Edges that are highlighted.</summary>
    public HighlightSchool Highlights { get; init; }

    /// <summary>Rim of a base.</summary>
    public RimSchool Rim { get; init; }

    /// <summary>How far contrast is driven.</summary>
    public ContrastSchool Contrast { get; init; }

    /// <summary>What it is held against.</summary>
    public FidelitySchool Fidelity { get; init; }

    /// <summary>Where marks go.</summary>
    public MarkPlaceSchool MarkPlaces { get; init; }

    /// <summary>Distance from which a detail has to be seen, m: as the reference shows it, in the hand; to scale, by who leans over it; else from the table.</summary>
    /// <param name="tableM">Distance that the set is looked at from, m.</param>
    public double WantedM(double tableM) => Math.Min(tableM, Fidelity == FidelitySchool.AsReference ? InHandM : Contrast == ContrastSchool.ToScale ? LeaningM : tableM);

    /// <summary>The sheen that a pin wash is laid on.</summary>
    [JsonIgnore]
    public Sheen PinWashSheen => PinWashVarnish == PinWashSchool.Gloss ? Sheen.Gloss : Sheen.Satin;
}
