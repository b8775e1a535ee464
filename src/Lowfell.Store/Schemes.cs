using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Store;

/// <summary>A named stack that several zones may use.</summary>
public sealed class SchemeRow : IBenchRow, IVersionedRow
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <inheritdoc/>
    public int Version { get; set; } = 1;

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Coats from the substrate up.</summary>
    public List<CoatRow> Coats { get; set; } = [];
}

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

    /// <summary>Wait before it.</summary>
    public Wait Wait { get; set; }

    /// <summary>Note.</summary>
    public string Note { get; set; } = "";
}
