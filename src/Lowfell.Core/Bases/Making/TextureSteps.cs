using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Making;

/// <summary>A step that a tray brings into a stack.</summary>
/// <param name="Technique">How.</param>
/// <param name="UnderPrimer">It is laid before the primer; else over the painted ground.</param>
/// <param name="Passes">Passes.</param>
/// <param name="FilmMm">How thick it is laid, mm; 0 where that is not the point.</param>
/// <param name="IsNote">Many painters go on without it.</param>
/// <param name="About">What is done.</param>
public sealed record TextureStep(Technique Technique, bool UnderPrimer, int Passes, double FilmMm, bool IsNote, string About);

/// <summary>What the elements and textures of a tray bring, in the order in which it is done.</summary>
public static class TextureSteps
{
    // Stones go on with the first of these that a stack has.
    private static readonly Role[] WithStones = [Role.Assembly, Role.Paste, Role.Grit];

    // What a step is laid with, by what it does: the kinds of material, the best first.
    private static readonly Dictionary<Role, Func<FamilyFacts, bool>[]> LaidWith = new()
    {
        [Role.Paste] = [f => f.Kind == Kind.Paste],
        [Role.Grit] = [f => f.Kind == Kind.Grit, f => f.Kind == Kind.Glue],
        [Role.Drip] = [f => f is { Kind: Kind.Glue, Carrier: Carrier.Water }],
        [Role.Seal] = [f => f is { Kind: Kind.Glue, Carrier: Carrier.Water }, f => f.Kind == Kind.Varnish],
        [Role.CracklePaste] = [f => f.Kind == Kind.CracklePaste],
        [Role.Varnish] = [f => f is { Kind: Kind.Varnish, Carrier: Carrier.Water }],
        [Role.Planting] = [f => f.Kind == Kind.Plants],
    };

    /// <summary>Whether a coat plants tufts (true) or sets stones (false); null where it does neither.</summary>
    public static bool? PlantsOrSets(Coat coat, StackDraft stack) =>
        coat.How.Role == Role.Planting ? true
        : WithStones.Select(r => stack.Coats.FirstOrDefault(c => !c.Skipped && c.How.Role == r)).OfType<Coat>().FirstOrDefault()?.Id == coat.Id ? false
        : null;

    /// <summary>What of a shelf a step is laid with, by name among equals; null where the shelf has nothing for it.</summary>
    public static Material? LaidWithOf(Technique technique, IEnumerable<Material> shelf)
    {
        List<Material> all = [.. shelf.OrderBy(m => m.Name, StringComparer.Ordinal)];
        return LaidWith[technique.Facts().Role].Select(fits => all.Find(m => fits(m.Family.Facts()))).FirstOrDefault(m => m is not null);
    }

    /// <summary>Whether a stack's coat is the step: one that is sprayed does what one that is brushed does.</summary>
    public static bool IsSame(Technique has, Technique wanted) => has == wanted || (has.Facts().Role == wanted.Facts().Role && wanted.Facts().Role == Role.Varnish);

    /// <summary>Minutes until the next step may follow one that is laid with a material.</summary>
    /// <param name="step">The step.</param>
    /// <param name="material">What it is laid with.</param>
    /// <param name="zone">What it lies on.</param>
    /// <param name="climate">Air that it dries in.</param>
    public static double WaitMin(TextureStep step, Material material, Zone zone, Climate climate)
    {
        ArgumentNullException.ThrowIfNull(step);
        var film = step.FilmMm * 1000;
        return DryingTimes.Of(
            new Coat { Id = Guid.Empty, Technique = step.Technique, Material = material, Paint = Paint.Of(material), OwnDeposit = film > 0 ? new([film, film, film], [1, 1, 1]) : null },
            zone,
            climate).RecoatMin;
    }

    /// <summary>The steps of a tray. Crackle that brings a colour of its own goes over primer and under-colour; as texture alone it goes below them.</summary>
    /// <param name="family">Family.</param>
    /// <param name="layouts">Its bases.</param>
    /// <param name="crackleShows">The crackle's own colour shows.</param>
    public static IReadOnlyList<TextureStep> Of(BaseFamily family, IReadOnlyCollection<Layout> layouts, bool crackleShows)
    {
        var steps = new List<TextureStep>();
        bool Has(Func<Element, bool> what) => layouts.Any(l => l.Elements.Any(what));
        double Share(Texture texture) => layouts.Count == 0 ? 0 : layouts.Average(l => l.Cover.Shares[(int)texture]);
        var mean = layouts.Count == 0 ? family.SkimMm : layouts.Average(l => l.Cover.HeightMm.Where((_, i) => l.Cover.At(i) != Cover.Outside).Select(h => (double)h).DefaultIfEmpty(0).Average());
        var rigid = Has(e => e.Kind.IsRigid());
        steps.Add(new(Technique.Texture, true, 1, mean, false, rigid ? "Skim and drift, thin to the rim; stones, slabs and props pressed in or glued." : "Skim and drift, thin to the rim."));
        if (Share(Texture.Coarse) + Share(Texture.Fine) + Share(Texture.Sand) > 0.02)
        {
            steps.Add(new(Technique.GritInGlue, true, 1, 0, false, "Coarse by the stones, then fine, then sand to the rim; tap off, wipe the rim."));
            steps.Add(new(Technique.DripGlue, true, 1, 0, true, "Thinned glue dripped on the loose grit."));
        }

        if (Has(e => e.Kind.Facts().Drinks))
        {
            steps.Add(new(Technique.Seal, true, 1, 0, true, "Cork and bark sealed, so that they do not drink the paint."));
        }

        if (Share(Texture.Crackle) > 0.01)
        {
            steps.Add(new(Technique.CracklePaste, !crackleShows, 1, family.CrackleMm, false, $"Crackle laid {family.CrackleMm:0.0} mm deep."));
            steps.Add(new(Technique.Varnish, !crackleShows, 2, 0, true, "Crackle sealed twice, before any wash."));
        }

        if (Has(e => e.Kind == ElementKind.Tuft))
        {
            steps.Add(new(Technique.Tufts, false, 1, 0, false, "Tufts last, over the matt varnish."));
        }

        return steps;
    }

    /// <summary>Where a step goes in a stack: behind what belongs before it.</summary>
    /// <param name="step">The step.</param>
    /// <param name="stack">Techniques of the stack's coats, from the ground up.</param>
    /// <param name="order">Techniques of all steps of the tray, in their order.</param>
    public static int PlaceOf(TextureStep step, IReadOnlyList<Technique> stack, IReadOnlyList<Technique> order)
    {
        if (step.Technique == Technique.Tufts)
        {
            return stack.Count;
        }

        // After the last of the tray's own steps that come before it, and over the primer where it shows.
        var before = order.TakeWhile(t => t != step.Technique).ToHashSet();
        var own = stack.Index().Where(t => before.Contains(t.Item)).Select(t => t.Index + 1).DefaultIfEmpty(0).Max();
        var primer = stack.TakeWhile(t => !t.Facts().Covers).Count();
        return step.UnderPrimer ? Math.Min(own, primer) : Math.Min(stack.Count, Math.Max(own, primer + 1));
    }
}
