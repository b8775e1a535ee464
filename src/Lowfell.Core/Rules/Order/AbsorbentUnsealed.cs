using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>The first coat on a ground that drinks, without a sealer; or cut edges without their own pass.</summary>
public static class AbsorbentUnsealed
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("absorbent-unsealed", "Thirsty ground without a sealer", [Severity.Stop, Severity.Risk, Severity.Note], Reads.Order,
        "The first coat goes on a ground that drinks it, or cut edges get no pass of their own.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string Edges = "edges";
    private const int EdgePasses = 2;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var ground = reading.Zone.Substrate.Facts();
        if (ground.Thirst == Thirst.None || FirstFilm(reading) is not (>= 0 and var i))
        {
            yield break;
        }

        var coat = reading.Coat(i);
        if (coat.What!.Seals && coat.How.Role != Role.Grit)
        {
            if (reading.Zone.CutEdges && coat.Passes < EdgePasses)
            {
                yield return new(Severity.Note, i, "The cut edges get no pass of their own.", "They drink far more than the face, and stand out later.") { Aspect = Edges };
            }

            yield break;
        }

        var severity = Judged(ground.Thirst, coat);
        yield return new(severity, i, $"This {coat.Word} goes on {reading.Word(-1)}.", severity == Severity.Note
            ? "It soaks in: the first film counts for about half."
            : $"{Words.Capital(ground.Word)} drinks it: it dries patchy and rough, and its cut edges swell.");
    }

    private static int FirstFilm(Reading reading) => reading.Applied.FirstOrDefault(i => reading.Coat(i).LeavesFilm && reading.Coat(i).Impact != Impact.None, -1);

    private static Severity Judged(Thirst thirst, Coat coat)
    {
        if (coat.How.Role == Role.Grit)
        {
            return Severity.Note;
        }

        if (thirst == Thirst.Drinks)
        {
            return coat.How.Builds || coat.Carrier != Carrier.Water ? Severity.Risk : Severity.Stop;
        }

        var stained = coat.How.Stains || coat.Passes >= 2 || coat.Station == Station.Can;
        return stained || coat.How.Builds ? Severity.Note : Severity.Risk;
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        if (context.Finding.Fault.Aspect == Edges)
        {
            yield return new("edges", "Give the edges a second pass", draft.Replace(coat with { Passes = EdgePasses }));
            yield break;
        }

        var passes = draft.Zone.CutEdges ? EdgePasses : 1;
        foreach (var sealer in Barriers.Sealers(context.Shelf, passes))
        {
            yield return new("seal-" + Barriers.Key(sealer), $"Seal with {sealer.Material!.Name} first", draft.InsertNew(context.At, sealer, coat.Id, Salt.Seal));
        }
    }
}
