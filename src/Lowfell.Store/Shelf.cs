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

    /// <summary>Own drying row: touch min, recoat min, cured h, reference wet film um, exponent, warm-air factor (0 where not allowed); null for the family's.</summary>
    public double[]? Drying { get; set; }

    /// <summary>Own resistance row of eight figures; null for the family's.</summary>
    public int[]? Resistance { get; set; }

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
        OwnResistance = Resistance is { } r ? Core.Materials.Resistance.FromRow(r) : null,
    };
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
