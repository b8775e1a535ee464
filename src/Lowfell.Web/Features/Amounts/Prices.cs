using Lowfell.Core.Evenings.Work;
using Lowfell.Store;

namespace Lowfell.Web.Features.Amounts;

/// <summary>What paint costs, by the bottles that it was bought in.</summary>
internal sealed class Prices
{
    private readonly Dictionary<Guid, BottleRow> bottle;
    private readonly Dictionary<Guid, double> perMl;

    /// <summary>From materials with their bottles.</summary>
    public Prices(IEnumerable<MaterialRow> materials)
    {
        // The newest bottle is what the next will be like; a price stands until another one is written down.
        var all = materials.SelectMany(m => m.Bottles).OrderBy(b => b.Id).ToList();
        bottle = all.GroupBy(b => b.MaterialId).ToDictionary(g => g.Key, g => g.Last());
        perMl = all.Where(b => b.Price is not null).GroupBy(b => b.MaterialId).ToDictionary(g => g.Key, g => g.Last().Price!.Value / g.Last().SizeMl);
    }

    /// <summary>What a ml of a material costs; null where that is not known.</summary>
    public double? PerMl(Guid material) => perMl.TryGetValue(material, out var price) ? price : null;

    /// <summary>What the paint of a lot costs, as far as it is known.</summary>
    public double Of(MixedLot lot) => lot is { Amount: { } amount, Step.Coat.Paint: { } paint }
        ? paint.Content.Materials.Sum(m => (PerMl(m.Material.Id) ?? 0) * m.Share * amount.TotalMl * lot.Step.Coat.Dilution.PaintFraction)
        : 0;

    /// <summary>Whole bottles for what is missing; none where no bottle of it was ever counted.</summary>
    public (int? Bottles, double? SizeMl, double? Price) ToBuy(Guid material, double missingMl)
    {
        if (!bottle.TryGetValue(material, out var like))
        {
            return (null, null, null);
        }

        var bottles = Math.Max(0, (int)Math.Ceiling((missingMl / like.SizeMl) - 1e-9));
        return (bottles, like.SizeMl, PerMl(material) is { } price ? Math.Round(bottles * price * like.SizeMl, 2) : null);
    }
}
