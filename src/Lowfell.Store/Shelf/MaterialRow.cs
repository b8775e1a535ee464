using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Store;

/// <summary>A material on a bench's shelf.</summary>
public sealed class MaterialRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>When it was taken off the shelf; null while it stands there. Its bottles and stripes stay with it.</summary>
    public DateTimeOffset? DeletedAt { get; set; }

    /// <summary>House that makes it, of the demo's made-up world.</summary>
    public string House { get; set; } = "";

    /// <summary>Family.</summary>
    public Family Family { get; set; }

    /// <summary>Colour, #rrggbb.</summary>
    public required string Colour { get; set; }

    /// <summary>Contrast ratio at the reference film; null for what family and colour usually hide.</summary>
    public double? ContrastRatio { get; set; }

    /// <summary>Dry reference film, um; null for the usual one.</summary>
    public double? ReferenceFilmUm { get; set; }

    /// <summary>Volume solids; null for the family's.</summary>
    public double? VolumeSolids { get; set; }

    /// <summary>Sheen; null for the family's.</summary>
    public Sheen? Sheen { get; set; }

    /// <summary>Undertone power; null for the family's.</summary>
    public double? UndertonePower { get; set; }

    /// <summary>How much a wet film scatters against the dry one; null for as usual.</summary>
    public double? WetScatter { get; set; }

    /// <summary>Metallic or fluorescent.</summary>
    public Effect Effect { get; set; }

    /// <summary>Drops to the ml, where calibrated.</summary>
    public double? DropsPerMl { get; set; }

    /// <summary>Ml below which it counts as running low; null where nobody minds.</summary>
    public double? LowStockMl { get; set; }

    /// <summary>Its bottles.</summary>
    public List<BottleRow> Bottles { get; set; } = [];

    /// <summary>Own drying row: touch min, recoat min, cured h, reference wet film um, exponent, warm-air factor (0 where not allowed); null for the family's.</summary>
    public double[]? Drying { get; set; }

    /// <summary>Own resistance row of twelve figures, or of the eight it had once; null for the family's.</summary>
    public int[]? Resistance { get; set; }

    /// <summary>The painted stripe whose film is in force; null for the film that follows from the swatch.</summary>
    public Guid? CalibrationId { get; set; }

    /// <summary>K of that film, 36 bands, per um.</summary>
    public double[]? FilmAbsorption { get; set; }

    /// <summary>S of that film, 36 bands, per um.</summary>
    public double[]? FilmScattering { get; set; }

    /// <summary>Reflectance of its surface.</summary>
    public double FilmSurface { get; set; }

    /// <summary>Surface term over the nominal one of its sheen.</summary>
    public double FilmKappa { get; set; }

    /// <summary>Puts a painted stripe in force, or none.</summary>
    public void Take(CalibrationRow? stripe) =>
        (CalibrationId, FilmAbsorption, FilmScattering, FilmSurface, FilmKappa) = (stripe?.Id, stripe?.Absorption, stripe?.Scattering, stripe?.Surface ?? 0, stripe?.Kappa ?? 0);

    /// <summary>The material as Core knows it.</summary>
    public Material ToCore() => new()
    {
        Id = Id,
        Name = Name,
        Family = Family,
        Colour = Srgb.Parse(Colour),
        OwnContrastRatio = ContrastRatio,
        OwnReferenceFilmUm = ReferenceFilmUm,
        OwnVolumeSolids = VolumeSolids,
        OwnSheen = Sheen,
        OwnUndertonePower = UndertonePower,
        OwnWetScatter = WetScatter,
        Effect = Effect,
        OwnDropsPerMl = DropsPerMl,
        OwnDrying = Drying is { Length: 6 } d ? new DryingRow(d[0], d[1], d[2], d[3], d[4], d[5] > 0 ? d[5] : null) : null,
        OwnFilm = FilmAbsorption is { } k && FilmScattering is { } s ? new MeasuredFilm(k, s, FilmSurface, FilmKappa) : null,
        OwnResistance = Resistance is { } r ? Core.Surfaces.Resistance.FromRow(r) : null,
    };
}
