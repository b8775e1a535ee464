using Lowfell.Core.Colour;
using Lowfell.Core.Drying;

namespace Lowfell.Core.Materials;

/// <summary>How a paint is unlike a plain pigment in a binder.</summary>
public enum Effect
{
    /// <summary>Plain.</summary>
    Plain,

    /// <summary>Metal flake: edges glint, recesses go dark. Not modelled by physics.</summary>
    Metallic,

    /// <summary>Fluorescent: looks lighter than any prediction here. Not modelled by physics.</summary>
    Fluorescent,
}

/// <summary>One bottle's kind on the shelf: everything the models need to know of it.</summary>
public sealed record Material
{
    /// <summary>Metal flake against its declared face colour, in CIELAB lightness: recess, face, edge. Craft estimate.</summary>
    private static readonly double[] MetalLightness = [-16, 0, 12];

    /// <summary>Identity on the shelf; empty for a material that lives only in a draft.</summary>
    public Guid Id { get; init; }

    /// <summary>Name, as painters call it.</summary>
    public required string Name { get; init; }

    /// <summary>Family.</summary>
    public required Family Family { get; init; }

    /// <summary>Colour of the dry, hiding paint; for clear materials only what is drawn as a label.</summary>
    public required Srgb Colour { get; init; }

    /// <summary>Contrast ratio at <see cref="ReferenceFilmUm"/> dry, 0.03..0.9999.</summary>
    public double ContrastRatio { get; init; } = 0.9;

    /// <summary>Dry film of the contrast ratio, um, 1..500.</summary>
    public double ReferenceFilmUm { get; init; } = 20;

    /// <summary>Dry volume over wet volume, 0.01..1.</summary>
    public double VolumeSolids { get; init; } = 0.36;

    /// <summary>Sheen of the dry film.</summary>
    public Sheen Sheen { get; init; } = Sheen.Matt;

    /// <summary>p of the scattering, 0..1.</summary>
    public double UndertonePower { get; init; }

    /// <summary>Metallic or fluorescent.</summary>
    public Effect Effect { get; init; }

    /// <summary>Drying in place of the family's.</summary>
    public DryingRow? OwnDrying { get; init; }

    /// <summary>Resistance in place of the family's.</summary>
    public Resistance? OwnResistance { get; init; }

    /// <summary>Drops to the millilitre by calibration, in place of the family's.</summary>
    public double? OwnDropsPerMl { get; init; }

    /// <summary>Film measured from a painted stripe, in place of the one that follows from the swatch.</summary>
    public MeasuredFilm? OwnFilm { get; init; }

    /// <summary>No colour of its own: varnish, medium, glue, chipping fluid.</summary>
    public bool Clear => Family.Facts().Clear;

    /// <summary>Drying in force.</summary>
    public DryingRow Drying => OwnDrying ?? Family.Facts().Drying;

    /// <summary>Resistance in force.</summary>
    public Resistance Resistance => OwnResistance ?? Family.Facts().Resistance;

    /// <summary>Density, g/ml. Craft estimates: pigmented paint is heavier than water.</summary>
    public double DensityGPerMl => Family switch
    {
        Family.Pigment or Family.Grit => 1.5,
        Family.TexturePaste or Family.CracklePaste or Family.Skim => 1.4,
        _ => Clear ? 1.03 : 1.2,
    };

    /// <summary>Volume of one drop, ml. A standard tip gives 0.050 ml of water-borne paint.</summary>
    public double DropMl => OwnDropsPerMl is { } drops ? 1 / drops : Thinners.StandardDropMl * Family.Facts().DropFactor;

    /// <summary>Films by height: recess, face, edge. The same one three times but for metallics.</summary>
    public IReadOnlyList<FilmOptics> Optics() => OwnFilm?.ByHeight ?? OpticsCache.Of(this, Effect == Effect.Metallic ? MetalLightness : null);
}
