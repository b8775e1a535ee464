using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mixes;

/// <summary>The bench's materials and mixes, to unfold recipes with.</summary>
internal sealed class RecipeBook
{
    private readonly Dictionary<Guid, Material> materials;
    private readonly MixRecipes recipes;

    public RecipeBook(Dictionary<Guid, Material> materials, Dictionary<Guid, MixRow> mixes)
    {
        this.materials = materials;
        Mixes = mixes;
        recipes = new(materials, mixes);
    }

    public IReadOnlyDictionary<Guid, MixRow> Mixes { get; }

    public IReadOnlyDictionary<Guid, Material> Materials => materials;

    public static async Task<RecipeBook> OpenAsync(LowfellDb db, CancellationToken cancel)
    {
        var materials = (await db.Materials.AsNoTracking().ToListAsync(cancel)).ToDictionary(m => m.Id, m => m.ToCore());
        var mixes = await db.Mixes.AsNoTracking().Include(m => m.Components).ToDictionaryAsync(m => m.Id, cancel);
        return new(materials, mixes);
    }

    public static MixDraft Draft(MixRow row) =>
        new(row.Name, [.. row.Components.OrderBy(c => c.Position).Select(c => new MixComponentDraft(c.Amount, c.Unit, c.MaterialId, c.InnerMixId, c.Thinner))], row.CountsAs);

    /// <summary>Refuses figures out of bounds, unknown ids, and a mix that contains itself.</summary>
    public void Check(MixDraft draft, Guid? id, string prefix)
    {
        var checks = new Checks();
        draft.Check(checks, prefix);
        checks.Enforce();
        for (var i = 0; i < draft.Components.Count; i++)
        {
            var c = draft.Components[i];
            var at = $"{prefix}components[{i}].";
            if (c.MaterialId is { } material && !materials.ContainsKey(material))
            {
                checks.Fault(at + "materialId", $"There is no material {material} on this shelf.");
            }

            if (c.MixId is { } inner && !Mixes.ContainsKey(inner))
            {
                checks.Fault(at + "mixId", $"There is no mix {inner} on this bench.");
            }
            else if (c.MixId is { } within && id is { } own && Reaches(within, own, 0))
            {
                checks.Fault(at + "mixId", "This mix would contain itself.");
            }
        }

        checks.Enforce();
        try
        {
            MixContent.Of(Recipe(draft));
        }
        catch (ArgumentException fault)
        {
            throw new RefusedException(prefix + "components", fault.Message.Split(" (Parameter", 2)[0]);
        }
    }

    public Mix Recipe(MixDraft draft) => new(draft.Name, [.. draft.Components.Select(c => recipes.Component(c.Amount, c.Unit, c.MaterialId, c.MixId, c.Thinner, 0))], draft.CountsAs);

    private bool Reaches(Guid from, Guid wanted, int depth) =>
        from == wanted || (depth <= MixContent.DeepestNesting && Mixes.TryGetValue(from, out var mix)
            && mix.Components.Any(c => c.InnerMixId is { } inner && Reaches(inner, wanted, depth + 1)));
}
