using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Amounts;

/// <summary>A coat of a scheme, and the zones that are painted by it: all of them come out of one mix.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Zones">Its zones, each with its copies.</param>
public sealed record SharedCoat(Coat Coat, IReadOnlyList<Zone> Zones);

/// <summary>A shared coat with its amount.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Amount">Of its mix.</param>
public sealed record MeasuredCoat(Coat Coat, CoatAmount Amount);

/// <summary>How much of one material is needed.</summary>
/// <param name="Material">The material.</param>
/// <param name="Ml">From the bottle, ml.</param>
/// <param name="Coats">Coats that use it.</param>
public sealed record MaterialNeed(Material Material, double Ml, int Coats)
{
    /// <summary>The same in whole drops of this bottle; null for what is scooped, sprayed or dusted.</summary>
    public int? Drops => !Material.Family.Facts().Drips ? null : (int)Math.Ceiling((Ml / Material.DropMl) - 1e-9);
}

/// <summary>How much of one thinner is needed.</summary>
/// <param name="Thinner">The thinner.</param>
/// <param name="Ml">Ml.</param>
public sealed record ThinnerNeed(Thinner Thinner, double Ml)
{
    /// <summary>The same in whole drops.</summary>
    public int Drops => (int)Math.Ceiling((Ml / Thinner.DropMl()) - 1e-9);
}

/// <summary>Paint and thinner for a set, a scheme or any other lot of coats.</summary>
/// <param name="Coats">Each coat with its amount.</param>
/// <param name="Materials">What comes from the bottles, the most first.</param>
/// <param name="Thinners">What is thinned with.</param>
public sealed record SetAmounts(IReadOnlyList<MeasuredCoat> Coats, IReadOnlyList<MaterialNeed> Materials, IReadOnlyList<ThinnerNeed> Thinners)
{
    /// <summary>Adds up coats on the zones that share them. Skipped coats and coats without paint take nothing; mixes are unfolded to their materials.</summary>
    public static SetAmounts Of(IReadOnlyList<SharedCoat> coats, Palette palette, HighlightSchool highlights = HighlightSchool.FacingLight) =>
        Of([.. coats.Where(c => c.Coat is { Skipped: false, LeavesFilm: true }).Select(c => new MeasuredCoat(c.Coat, CoatAmount.Of(c.Coat, c.Zones, palette, highlights)))]);

    /// <summary>Adds up amounts that are known; mixes are unfolded to their materials.</summary>
    public static SetAmounts Of(IReadOnlyList<MeasuredCoat> measured)
    {
        var materials = new Dictionary<Guid, (Material Material, double Ml, HashSet<Guid> Coats)>();
        var thinners = new Dictionary<Thinner, double>();
        foreach (var (coat, amount) in measured)
        {
            if (coat.Paint is not { } paint)
            {
                continue;
            }

            var fraction = coat.Dilution.PaintFraction;
            var paintMl = amount.TotalMl * fraction;
            foreach (var (material, share) in paint.Content.Materials)
            {
                var (_, before, coats) = materials.TryGetValue(material.Id, out var known) ? known : (material, 0, []);
                coats.Add(coat.Id);
                materials[material.Id] = (material, before + (paintMl * share), coats);
            }

            foreach (var (thinner, share) in paint.Content.Thinners)
            {
                thinners[thinner] = thinners.GetValueOrDefault(thinner) + (paintMl * share);
            }

            if (fraction < 1)
            {
                thinners[coat.Thinner] = thinners.GetValueOrDefault(coat.Thinner) + (amount.TotalMl * (1 - fraction));
            }
        }

        return new(
            measured,
            [.. materials.Values.OrderByDescending(m => m.Ml).Select(m => new MaterialNeed(m.Material, m.Ml, m.Coats.Count))],
            [.. thinners.OrderByDescending(t => t.Value).Select(t => new ThinnerNeed(t.Key, t.Value))]);
    }
}
