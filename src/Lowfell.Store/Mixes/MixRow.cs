using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;

namespace Lowfell.Store;

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

    /// <summary>When it was deleted; it can be put back.</summary>
    public DateTimeOffset? DeletedAt { get; set; }
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
