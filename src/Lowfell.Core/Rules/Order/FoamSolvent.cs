using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Rules.Order;

/// <summary>Aerosol, lacquer, white spirit or super glue on bare foam eats it.</summary>
public static class FoamSolvent
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("foam-solvent", "Solvent on bare foam", [Severity.Stop], Reads.Order,
        "A can, lacquer, spirit or super glue reaches foam that nothing water-borne has closed.")
    {
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (!reading.Zone.Substrate.Facts().Melts)
        {
            yield break;
        }

        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.LeavesFilm && Eats(coat) && reading.Exposed(i)[^1] < 0)
            {
                yield return new(Severity.Stop, i, $"This {coat.Word} eats into the bare foam.", "Foam has to be closed with something water-borne before solvent or super glue comes near it.") { Gap = i };
            }
        }
    }

    private static bool Eats(Coat coat)
    {
        if (coat.What!.EatsFoam && coat.How.Impact != Impact.None)
        {
            return true;
        }

        foreach (var carrier in Enum.GetValues<Carrier>())
        {
            if (carrier.EatsFoam() && coat.Brings(carrier))
            {
                return true;
            }
        }

        return false;
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        foreach (var sealer in Barriers.Sealers(context.Shelf, passes: 2).Where(s => s.Carrier == Carrier.Water))
        {
            yield return new("seal-" + Barriers.Key(sealer), $"Seal with {sealer.Material!.Name} first", context.Draft.InsertNew(0, sealer, context.Draft.Coats[0].Id, Salt.Seal));
        }

        if (context.Coat.What is { EatsFoam: true } && (context.Shelf.First(Family.Pva) ?? Shelf.Staples.First(Family.Pva)) is { } pva)
        {
            yield return new("pva", $"Use {pva.Name} instead", context.Draft.Replace(context.Coat.InsteadOf(pva, context.Coat.Technique))) { GivesUpChoice = true };
        }
    }
}
