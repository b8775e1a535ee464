using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules;

/// <summary>Other ways to the same look, which several rules offer.</summary>
internal static class Alternatives
{
    /// <summary>Farthest that a stand-in's colour may be, dE00. Craft estimate.</summary>
    private const double NearLook = 15;

    /// <summary>The same paint with less liquid on what lies below.</summary>
    public static IEnumerable<Mend> Lighter(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        var sprays = draft.Coats.Any(c => !c.Skipped && c.How.Sprayed);
        if (coat.How.GentlerAs is { } gentler && (!gentler.Facts().Sprayed || sprays) && coat.Paint is { } paint)
        {
            var fraction = gentler.Facts().Role == coat.How.Role ? coat.Dilution.PaintFraction : gentler.UsualFraction(paint.Lead.Family);
            yield return new("gentler", $"{Words.Capital(gentler.Facts().Word)} it instead", draft.Replace(coat with { Technique = gentler, Dilution = Dilution.Of(fraction) }));
        }

        // A pin wash needs its creases: on a smooth zone it stays one.
        if (coat.How.Role == Role.PinWash && draft.Zone.Relief != Relief.Smooth)
        {
            var technique = coat.Carrier == Carrier.Water ? Technique.Glaze : Technique.Wash;
            yield return new("all-over", $"{Words.Capital(technique.Facts().Word)} it all over, and leave it", draft.Replace(coat with { Technique = technique }));
        }
    }

    /// <summary>Pigment that lies in the way: laid later, or bound first.</summary>
    public static IEnumerable<Mend> PowderMoved(MendContext context)
    {
        var (draft, below) = (context.Draft, context.Finding.Fault.With);
        if (below < 0 || draft.Coats[below] is not { What.Kind: Kind.Powder } powder)
        {
            yield break;
        }

        yield return new("powder-up", "Lay the pigment after it", draft.MoveAbove(powder.Id, context.Coat.Id));
        yield return Fixed(draft, below, context.Shelf);
    }

    /// <summary>Fixes a pigment where it lies.</summary>
    public static Mend Fixed(StackDraft draft, int powder, Shelf shelf)
    {
        var binder = shelf.First(Family.AcrylicMedium) ?? Shelf.Staples.First(Family.AcrylicMedium)!;
        return new("fix", "Fix the pigment with a drop of thinned medium", draft.InsertNew(powder + 1, Coat.Usual(Technique.FixPigment, binder), draft.Coats[powder].Id, Salt.Fix));
    }

    /// <summary>A material of the same kind and a near look that another liquid carries.</summary>
    public static IEnumerable<Mend> OtherMaterial(MendContext context)
    {
        if (context.Coat is not { Paint.Lead: { } lead } coat)
        {
            yield break;
        }

        var lab = (coat.MixedTo ?? lead.Colour).ToLab();
        var kind = lead.Family.Facts().Kind;
        foreach (var group in OnShelf(context, kind, lead).GroupBy(m => m.Family))
        {
            var nearest = group.MinBy(m => lead.Clear ? 0 : ColourDifference.Ciede2000(lab, m.Colour.ToLab()))!;
            if (lead.Clear || ColourDifference.Ciede2000(lab, nearest.Colour.ToLab()) <= NearLook)
            {
                yield return new("material-" + group.Key.ToString().ToLowerInvariant(), $"Use {nearest.Name} instead", context.Draft.Replace(coat.InsteadOf(nearest, Suiting(coat, nearest)))) { GivesUpChoice = true };
            }
        }
    }

    private static IEnumerable<Material> OnShelf(MendContext context, Kind kind, Material lead)
    {
        bool StandsIn(Material m) => m.Family != lead.Family && m.Family.Facts().Kind == kind && m.Effect == lead.Effect && (!lead.Clear || m.Sheen == lead.Sheen);
        var own = context.Shelf.Materials.Where(StandsIn);
        return context.Shelf.MayInvent && !lead.Clear
            ? own.Concat(Enum.GetValues<Family>().Where(f => f.Facts() is { Clear: false }).Select(f => lead with { Id = Guid.Empty, Family = f, Name = f.Facts().Label, OwnFilm = null, OwnDrying = null, OwnResistance = null, OwnSheen = null, OwnVolumeSolids = null }).Where(StandsIn))
            : own;
    }

    // What comes in a can is sprayed from it, what does not can't be.
    private static Technique Suiting(Coat coat, Material material)
    {
        var facts = material.Family.Facts();
        return facts.InCan ? material.Family.Proposed() : coat.How.FromCan && coat.What?.InCan == true ? (coat.How.ColourFree ? coat.Technique : Technique.BaseCoat) : coat.Technique;
    }
}
