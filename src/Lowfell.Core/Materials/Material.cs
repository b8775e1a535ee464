using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Surfaces;

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

    /// <summary>Dry film that a contrast ratio is told for where none is said, um.</summary>
    private const double StatedFilmUm = 20;

    /// <summary>Identity on the shelf; empty for a material that lives only in a draft.</summary>
    public Guid Id { get; init; }

    /// <summary>Name, as painters call it.</summary>
    public required string Name { get; init; }

    /// <summary>Family.</summary>
    public required Family Family { get; init; }

    /// <summary>Colour of the dry, hiding paint; for clear materials only what is drawn as a label.</summary>
    public required Srgb Colour { get; init; }

    /// <summary>Contrast ratio at <see cref="ReferenceFilmUm"/>, 0.03..0.9999, where it is not what family and colour usually hide.</summary>
    public double? OwnContrastRatio { get; init; }

    /// <summary>Dry film of the contrast ratio, um, 1..500, where it is not the usual one.</summary>
    public double? OwnReferenceFilmUm { get; init; }

    /// <summary>Dry volume over wet volume, 0.01..1, in place of the family's.</summary>
    public double? OwnVolumeSolids { get; init; }

    /// <summary>Sheen of the dry film in place of the family's.</summary>
    public Sheen? OwnSheen { get; init; }

    /// <summary>p of the scattering, 0..1, in place of the family's.</summary>
    public double? OwnUndertonePower { get; init; }

    /// <summary>How much a wet film scatters against the dry one, where that is not as usual; milky washes by more than 1.</summary>
    public double? OwnWetScatter { get; init; }

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

    /// <summary>Contrast ratio in force at <see cref="ReferenceFilmUm"/> dry.</summary>
    public double ContrastRatio => OwnContrastRatio ?? UsualHiding.ContrastRatio;

    /// <summary>Dry film of the contrast ratio in force, um.</summary>
    public double ReferenceFilmUm => OwnReferenceFilmUm ?? (OwnContrastRatio is null ? UsualHiding.ReferenceFilmUm : StatedFilmUm);

    /// <summary>Dry over wet volume in force.</summary>
    public double VolumeSolids => OwnVolumeSolids ?? Family.Facts().VolumeSolids;

    /// <summary>Sheen in force.</summary>
    public Sheen Sheen => OwnSheen ?? Family.Facts().Sheen;

    /// <summary>p of the scattering in force.</summary>
    public double UndertonePower => OwnUndertonePower ?? Family.Facts().UndertonePower;

    /// <summary>How much a wet film scatters against the dry one: in water pigment lies closer to its binder. Craft estimate where it is not read.</summary>
    public double WetScatter => OwnWetScatter ?? UsualWetScatter;

    private const double UsualWetScatter = 0.8;

    /// <summary>No colour of its own: varnish, medium, glue, chipping fluid.</summary>
    public bool Clear => Family.Facts().Clear;

    /// <summary>Binds or changes a mix rather than colours it.</summary>
    public bool IsMedium => Family.Facts().IsMedium;

    /// <summary>The same paint mixed to another colour: it hides as before, and is no longer what was measured.</summary>
    public Material MixedTo(Srgb colour) => this with { Colour = colour, OwnContrastRatio = ContrastRatio, OwnReferenceFilmUm = ReferenceFilmUm, OwnFilm = null };

    /// <summary>Drying in force.</summary>
    public DryingRow Drying => OwnDrying ?? Family.Facts().Drying;

    /// <summary>Resistance in force.</summary>
    public Resistance Resistance => OwnResistance ?? Family.Facts().Resistance;

    /// <summary>Density, g/ml.</summary>
    public double DensityGPerMl => Family.Facts().DensityGPerMl;

    /// <summary>Volume of one drop, ml. A standard tip gives 0.050 ml of water-borne paint.</summary>
    public double DropMl => OwnDropsPerMl is { } drops ? 1 / drops : Thinners.StandardDropMl * Family.Facts().DropFactor;

    /// <summary>Films by height: recess, face, edge. The same one three times but for metallics.</summary>
    public IReadOnlyList<FilmOptics> Optics() => OwnFilm?.ByHeight ?? OpticsCache.Of(this, Effect == Effect.Metallic ? MetalLightness : null);

    private Hiding UsualHiding => Family.Facts().Hiding ?? Hiding.OfPaint(Colour);
}
