using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules;

/// <summary>Varnishes and sealers that a mend may put between coats. Whether one holds is for the ranking of mends to say.</summary>
internal static class Barriers
{
    /// <summary>The sheens that a barrier under a finding's coat may have: what the school asks for under spirit, else the zone's finish.</summary>
    public static IReadOnlyList<Sheen> Sheens(MendContext context)
    {
        var school = context.Reading.Schools.PinWashSheen;
        var finish = context.Draft.Zone.Finish.AsFilm();
        var spirit = context.Coat.Carrier == Carrier.WhiteSpirit;
        return [.. (spirit ? new[] { school, finish, Sheen.Satin } : [finish, school, Sheen.Satin]).Distinct()];
    }

    /// <summary>Mends that put a barrier under a coat, or change the one that is there.</summary>
    public static IEnumerable<Mend> Under(MendContext context, int index, IReadOnlyList<Sheen> sheens)
    {
        if (!MayGo(context.Reading, index))
        {
            yield break;
        }

        var draft = context.Draft;
        var below = draft.FilmBelow(index);
        if (context.Reading.IsVarnish(below))
        {
            foreach (var mend in Changed(context, below, sheens))
            {
                yield return mend;
            }

            yield break;
        }

        foreach (var barrier in Candidates(context, sheens))
        {
            var material = barrier.Material!;
            yield return new("barrier-" + Key(barrier), $"Put {material.Name} ({material.Sheen.Word()}) between", draft.InsertNew(index, barrier, draft.Coats[index].Id, Salt.Barrier));
        }
    }

    /// <summary>Mends that give a varnish another sheen.</summary>
    public static IEnumerable<Mend> Changed(MendContext context, int varnish, IReadOnlyList<Sheen> sheens)
    {
        var coat = context.Draft.Coats[varnish];
        foreach (var sheen in sheens.Where(s => coat.Paint!.Lead.Sheen.AsFilm() != s))
        {
            if (context.Shelf.Varnishes(sheen).FirstOrDefault(m => m.Family == coat.Family) is { } same)
            {
                yield return new("sheen-" + Key(coat.Of(same)), $"Use {same.Name} ({sheen.Word()}) for the varnish below", context.Draft.Replace(coat.Of(same)));
            }
        }
    }

    /// <summary>Varnish coats of some sheens, those first that suit how the painter works: sprayed where anything is sprayed, lacquer before water-borne.</summary>
    public static IEnumerable<Coat> Candidates(MendContext context, IReadOnlyList<Sheen> sheens)
    {
        var sprays = context.Draft.Coats.Any(c => !c.Skipped && c.How.Sprayed);
        foreach (var sheen in sheens)
        {
            var byFamily = context.Shelf.Varnishes(sheen).DistinctBy(m => m.Family).ToList();
            var sprayed = byFamily.Where(m => m.Family.Facts().DryingKind != DryingKind.Oxidation).OrderBy(m => m.Family.Facts().Carrier == Carrier.Water).Select(m => Coat.Usual(Technique.VarnishSpray, m) with { Dilution = Dilution.Neat });
            var brushed = byFamily.Where(m => m.Family.Facts().Carrier == Carrier.Water).Select(m => Coat.Usual(Technique.Varnish, m) with { Dilution = Dilution.Neat });
            foreach (var coat in sprays ? sprayed.Concat(brushed) : brushed.Concat(sprayed))
            {
                yield return coat;
            }
        }
    }

    /// <summary>Mists that seal what a brush would move: sprayed varnishes, of the zone's sheen first.</summary>
    public static IEnumerable<Coat> Mists(Shelf shelf, Sheen finish) =>
        from sheen in new[] { finish.AsFilm(), Sheen.Satin, Sheen.Matt, Sheen.Gloss }.Distinct()
        from material in shelf.Varnishes(sheen).DistinctBy(m => m.Family)
        where material.Family.Facts().DryingKind != DryingKind.Oxidation
        select Coat.Usual(Technique.VarnishSpray, material) with { Dilution = Dilution.Neat };

    /// <summary>Sealers for a thirsty or weak ground: thinned glue, varnish, primer, each as it is used.</summary>
    public static IEnumerable<Coat> Sealers(Shelf shelf, int passes) => shelf.Sealers().DistinctBy(m => m.Family)
        .OrderBy(m => m.Family.Facts().Kind switch { Kind.Glue => 0, Kind.Primer => 1, _ => 2 })
        .Select(m => m.Family.Facts() is { Kind: Kind.Primer } or { InCan: true }
            ? Coat.Usual(m.Family.Proposed(), m)
            : Coat.Usual(Technique.Seal, m) with { Passes = passes });

    /// <summary>Minutes until a coat could go on with a barrier under it; null where none would hold, or none may go there.</summary>
    public static double? Quickest(Reading reading, int index)
    {
        if (!MayGo(reading, index) || reading.IsVarnish(reading.FilmBelow(index)))
        {
            return null;
        }

        double? best = null;
        foreach (var material in Shelf.Staples.Varnishes(Sheen.Satin))
        {
            var draft = reading.Draft.InsertNew(index, Coat.Usual(Technique.VarnishSpray, material) with { Dilution = Dilution.Neat }, reading.Coat(index).Id, Salt.Barrier);
            var trial = new Reading(draft);
            var minutes = trial.Waits[index].NeededMin + trial.Waits[index + 1].NeededMin;
            if (trial.Clashes.All(c => c.At > index + 1 || c.At < index) && (best is null || minutes < best))
            {
                best = minutes;
            }
        }

        return best;
    }

    /// <summary>Whether a varnish protects what is under it from what comes after.</summary>
    public static bool Protects(Reading reading, int varnish) =>
        reading.Applied.Any(k => k > varnish && reading.Coat(k) is { LeavesFilm: true } c && c.What!.Kind != Kind.Powder && c.How.Role != Role.Fixer && c.Effect != Effect.Metallic);

    /// <summary>What tells a candidate from others in the id of a mend.</summary>
    public static string Key(Coat coat) => $"{(coat.How.Sprayed ? "spray" : "brush")}-{coat.Family.ToString()!.ToLowerInvariant()}-{coat.Paint!.Lead.Sheen.ToString().ToLowerInvariant()}";

    // Nothing but the wanted coat goes between a fluid or crackle medium and what it works on, nor between a marking and its streaking.
    private static bool MayGo(Reading reading, int index)
    {
        var below = reading.FilmBelow(index);
        if (below < 0 || reading.Draft.Coats.Count >= StackDraft.MostCoats)
        {
            return false;
        }

        var role = reading.Coat(below).How.Role;
        if (role == Role.Fluid || role == Role.CrackleMedium || (role == Role.Drawing && reading.Coat(index).How.Role == Role.WetStreak) || reading.Coat(index).WhileWet || reading.Coat(index).How.Hand is not null)
        {
            return false;
        }

        var fluid = reading.Laid(Role.Fluid).LastOrDefault(f => f < index, -1);
        var opened = reading.Laid(Role.Opening).Any(o => o > fluid && o < index);
        return fluid < 0 || opened || !reading.Laid(Role.Opening).Any(o => o >= index);
    }
}
