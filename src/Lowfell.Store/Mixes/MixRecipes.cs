using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;

namespace Lowfell.Store;

/// <summary>Kept mixes in Core's terms.</summary>
/// <param name="materials">Materials, by id.</param>
/// <param name="mixes">Mixes with their components, by id.</param>
public sealed class MixRecipes(IReadOnlyDictionary<Guid, Material> materials, IReadOnlyDictionary<Guid, MixRow> mixes)
{
    /// <summary>The recipe of a mix, with those of the mixes in it.</summary>
    /// <param name="row">The mix.</param>
    /// <param name="depth">How deep it lies in another.</param>
    /// <exception cref="ArgumentException">It is nested too deep.</exception>
    public Mix Of(MixRow row, int depth = 0) => depth > MixContent.DeepestNesting
        ? throw new ArgumentException($"Mix '{row.Name}' is nested more than {MixContent.DeepestNesting} deep.")
        : new(row.Name, [.. row.Components.OrderBy(c => c.Position).Select(c => Component(c.Amount, c.Unit, c.MaterialId, c.InnerMixId, c.Thinner, depth))], row.CountsAs);

    /// <summary>A component of a recipe.</summary>
    public MixComponent Component(double amount, MixUnit unit, Guid? materialId, Guid? mixId, Thinner? thinner, int depth) =>
        new(amount, unit, materialId is { } material ? materials[material] : null, mixId is { } inner ? Of(mixes[inner], depth + 1) : null, thinner);
}
