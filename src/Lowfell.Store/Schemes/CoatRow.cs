using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Store;

/// <summary>One coat of a scheme.</summary>
public sealed class CoatRow : IBenchRow
{
    /// <summary>Identity within the scheme.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>The scheme.</summary>
    public Guid SchemeId { get; set; }

    /// <summary>Place in the stack, from 0.</summary>
    public int Position { get; set; }

    /// <summary>Technique.</summary>
    public Technique Technique { get; set; }

    /// <summary>Material, or null for a mix or for opening chips.</summary>
    public Guid? MaterialId { get; set; }

    /// <summary>Mix, or null.</summary>
    public Guid? MixId { get; set; }

    /// <summary>Colour that the material is mixed to by eye.</summary>
    public string? MixedTo { get; set; }

    /// <summary>Passes.</summary>
    public int Passes { get; set; } = 1;

    /// <summary>Paint fraction.</summary>
    public double PaintFraction { get; set; } = 1;

    /// <summary>How the painter said the dilution.</summary>
    public DilutionForm DilutionForm { get; set; }

    /// <summary>Thinner.</summary>
    public Thinner Thinner { get; set; }

    /// <summary>Hand: factor on the film.</summary>
    public double Hand { get; set; } = 1;

    /// <summary>Own wet film (recess, face, edge, um) and coverage (recess, face, edge); null for the technique's.</summary>
    public double[]? OwnDeposit { get; set; }

    /// <summary>Hurried with warm air.</summary>
    public bool Hurried { get; set; }

    /// <summary>May be left out.</summary>
    public bool Optional { get; set; }

    /// <summary>Left out.</summary>
    public bool Skipped { get; set; }

    /// <summary>Laid while the coat below is wet.</summary>
    public bool WhileWet { get; set; }

    /// <summary>The least wait before it, over what it needs.</summary>
    public Wait Wait { get; set; }

    /// <summary>The painter's own wait before it, minutes; null for as long as it needs.</summary>
    public double? WaitMinutes { get; set; }

    /// <summary>How many marks on one copy; null where they are not counted.</summary>
    public int? MarkCount { get; set; }

    /// <summary>What its marks are meant as; null where nobody said.</summary>
    public MarkKind? MarkKind { get; set; }

    /// <summary>Area that its marks are spread over on one copy, mm2; null where they are made one by one.</summary>
    public double? MarkStripMm2 { get; set; }

    /// <summary>Width of a mark, mm.</summary>
    public double? MarkWidthMm { get; set; }

    /// <summary>Length of a mark, mm.</summary>
    public double? MarkLengthMm { get; set; }

    /// <summary>Height at which a fading coat is full, mm; null for one that does not fade.</summary>
    public double? FadeFullMm { get; set; }

    /// <summary>Height at which there is none of it, mm.</summary>
    public double? FadeNoneMm { get; set; }

    /// <summary>Findings that the painter knows of.</summary>
    public List<KnownFinding> Known { get; set; } = [];

    /// <summary>Note.</summary>
    public string Note { get; set; } = "";

    /// <summary>The coat as Core knows it.</summary>
    /// <param name="materials">Finds a material of the shelf, or one that was taken off it.</param>
    /// <param name="paints">What coats are made of, materials and mixes, by id.</param>
    /// <exception cref="KeyNotFoundException">What it is made of is not there, or is a mix that can't be used; the key is its id.</exception>
    public Coat ToCore(Func<Guid, Material?> materials, IReadOnlyDictionary<Guid, Paint> paints)
    {
        var coat = new Coat
        {
            Id = Id,
            Technique = Technique,
            MixedTo = MixedTo is null ? null : Srgb.Parse(MixedTo),
            Passes = Passes,
            Hand = Hand,
            OwnDeposit = OwnDeposit is { Length: 6 } d ? new(d[..3], d[3..]) : null,
            Hurried = Hurried,
            Optional = Optional,
            Skipped = Skipped,
            WhileWet = WhileWet,
            Wait = Wait,
            OwnWaitMin = WaitMinutes,
            Marks = this is { MarkCount: { } count, MarkWidthMm: { } width, MarkLengthMm: { } length } ? new(count, width, length, MarkKind, MarkStripMm2) : null,
            Fade = this is { FadeFullMm: { } full, FadeNoneMm: { } none } ? new(full, none) : null,
            Known = Known,
            Note = Note,
        };
        return coat.How.NeedsMaterial ? Laid(coat, materials, paints) with { Dilution = Dilution.Of(PaintFraction), Thinner = Thinner } : coat;
    }

    private Coat Laid(Coat coat, Func<Guid, Material?> materials, IReadOnlyDictionary<Guid, Paint> paints)
    {
        if (MaterialId is { } materialId)
        {
            var material = materials(materialId) ?? throw new KeyNotFoundException(materialId.ToString());
            return coat.MixedTo is null ? coat with { Material = material, Paint = paints[materialId] } : coat.Of(material);
        }

        return MixId is { } mixId ? coat with { Paint = paints.TryGetValue(mixId, out var paint) ? paint : throw new KeyNotFoundException(mixId.ToString()) } : coat;
    }
}
