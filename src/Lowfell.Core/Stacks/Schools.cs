using Lowfell.Core.Colour;

namespace Lowfell.Core.Stacks;

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
}

/// <summary>Hurrying with warm air.</summary>
public enum WarmAirSchool
{
    /// <summary>Base coats and textures only.</summary>
    BaseCoatsAndTextures,

    /// <summary>Never.</summary>
    Never,
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

/// <summary>Points on which good painters disagree, as the project prefers them.</summary>
public sealed record Schools
{
    /// <summary>Share of the last dry-brush colour that stays in an uncleaned brush. Craft estimate.</summary>
    public const double ResidueShare = 0.2;

    /// <summary>Varnish under a pin wash: satin or gloss.</summary>
    public Sheen PinWashVarnish { get; init; } = Sheen.Satin;

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
}
