using Lowfell.Core.Colour;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;

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

    /// <summary>House that makes it, of the demo's made-up world.</summary>
    public string House { get; set; } = "";

    /// <summary>Family.</summary>
    public Family Family { get; set; }

    /// <summary>Colour, #rrggbb.</summary>
    public required string Colour { get; set; }

    /// <summary>Contrast ratio at the reference film.</summary>
    public double ContrastRatio { get; set; }

    /// <summary>Dry reference film, um.</summary>
    public double ReferenceFilmUm { get; set; }

    /// <summary>Volume solids.</summary>
    public double VolumeSolids { get; set; }

    /// <summary>Sheen.</summary>
    public Sheen Sheen { get; set; }

    /// <summary>Undertone power.</summary>
    public double UndertonePower { get; set; }

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

    /// <summary>Own resistance row of eight figures; null for the family's.</summary>
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
        ContrastRatio = ContrastRatio,
        ReferenceFilmUm = ReferenceFilmUm,
        VolumeSolids = VolumeSolids,
        Sheen = Sheen,
        UndertonePower = UndertonePower,
        Effect = Effect,
        OwnDropsPerMl = DropsPerMl,
        OwnDrying = Drying is { Length: 6 } d ? new DryingRow(d[0], d[1], d[2], d[3], d[4], d[5] > 0 ? d[5] : null) : null,
        OwnFilm = FilmAbsorption is { } k && FilmScattering is { } s ? new MeasuredFilm(k, s, FilmSurface, FilmKappa) : null,
        OwnResistance = Resistance is { } r ? Core.Materials.Resistance.FromRow(r) : null,
    };
}

/// <summary>A bottle, pot or can of a material.</summary>
public sealed class BottleRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>What is in it.</summary>
    public Guid MaterialId { get; set; }

    /// <summary>What it held when new, ml.</summary>
    public double SizeMl { get; set; }

    /// <summary>What is left, ml.</summary>
    public double LeftMl { get; set; }

    /// <summary>When it was opened; null while it is closed.</summary>
    public DateOnly? OpenedOn { get; set; }

    /// <summary>Batch or lot, as printed on it.</summary>
    public string Lot { get; set; } = "";
}

/// <summary>A stripe that was painted over two fields, with what it came to. Kept when another comes, so that a painter can go back.</summary>
public sealed class CalibrationRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The material.</summary>
    public Guid MaterialId { get; set; }

    /// <summary>When it was accepted.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>What it looked like over black, #rrggbb.</summary>
    public required string OverBlack { get; set; }

    /// <summary>What it looked like over white, #rrggbb.</summary>
    public required string OverWhite { get; set; }

    /// <summary>Dry film, um.</summary>
    public double DryFilmUm { get; set; }

    /// <summary>K, 36 bands, per um.</summary>
    public required double[] Absorption { get; set; }

    /// <summary>S, 36 bands, per um.</summary>
    public required double[] Scattering { get; set; }

    /// <summary>Reflectance of the surface.</summary>
    public double Surface { get; set; }

    /// <summary>Surface term over the nominal one of the sheen.</summary>
    public double Kappa { get; set; }
}

/// <summary>A named recipe.</summary>
public sealed class MixRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>What the rules take it for, where that is not its main paint.</summary>
    public Family? CountsAs { get; set; }

    /// <summary>What goes in.</summary>
    public List<MixComponentRow> Components { get; set; } = [];
}

/// <summary>A component of a recipe: exactly one of material, inner mix and thinner.</summary>
public sealed class MixComponentRow : IBenchRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The recipe.</summary>
    public Guid MixId { get; set; }

    /// <summary>Order in the recipe.</summary>
    public int Position { get; set; }

    /// <summary>Amount.</summary>
    public double Amount { get; set; }

    /// <summary>Unit of the amount.</summary>
    public MixUnit Unit { get; set; }

    /// <summary>Material.</summary>
    public Guid? MaterialId { get; set; }

    /// <summary>Inner mix.</summary>
    public Guid? InnerMixId { get; set; }

    /// <summary>Thinner.</summary>
    public Thinner? Thinner { get; set; }
}
