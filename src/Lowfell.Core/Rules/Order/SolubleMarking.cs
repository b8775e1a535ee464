using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>A washable marking that water reaches, or that nothing seals.</summary>
public static class SolubleMarking
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("soluble-marking", "Marking that washes off", [Severity.Stop], Reads.Order,
        "A washable marking meets a wet brush, or nothing seals it in the end.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string Open = "open";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            if (reading.Coat(i) is not { LeavesFilm: true, What: { Kind: Kind.Marking, Weakness: Weakness.Soluble } })
            {
                continue;
            }

            var (end, spoiler) = Fate(reading, i);
            if (spoiler >= 0)
            {
                yield return new(Severity.Stop, i, $"The {reading.Coat(spoiler).Word} takes the marking away.", "It is still open to water; it wants a mist of varnish first.") { Gap = spoiler, With = spoiler };
            }
            else if (!end)
            {
                yield return new(Severity.Stop, i, "Nothing seals the washable marking.", "The first damp finger takes it off.") { Gap = reading.Draft.Coats.Count, Aspect = Open };
            }
        }
    }

    // Sealed or buried, or what spoils it first.
    private static (bool Safe, int Spoiler) Fate(Reading reading, int marking)
    {
        for (var k = reading.Next(marking); k >= 0; k = reading.Next(k))
        {
            var coat = reading.Coat(k);
            if (!coat.LeavesFilm || coat.Impact == Impact.None)
            {
                continue;
            }

            if (coat.Brings(Carrier.Water) && coat.Impact >= Impact.Laid)
            {
                return (false, k);
            }

            if (reading.IsVarnish(k) || reading.Shields(k))
            {
                return (true, -1);
            }
        }

        return (false, -1);
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft, at) = (context.Reading, context.Draft, context.At);

        // What is drawn down with water is sealed after it.
        var last = at;
        for (var k = reading.Next(at); k >= 0 && reading.Coat(k).How.Role == Role.WetStreak; k = reading.Next(k))
        {
            last = k;
        }

        foreach (var mist in Barriers.Mists(context.Shelf, draft.Zone.Finish))
        {
            yield return new("seal-" + mist.Material!.Id.ToString("n"), $"Mist {mist.Material.Name} over it", draft.InsertNew(last + 1, mist, draft.Coats[last].Id, Salt.Seal));
        }

        var spoiler = context.Finding.Fault.With;
        if (spoiler < 0)
        {
            yield break;
        }

        if (reading.IsVarnish(spoiler))
        {
            yield return new("spray", "Spray this varnish instead of brushing it", draft.Replace(draft.Coats[spoiler] with { Technique = Technique.VarnishSpray }));
        }

        var varnish = reading.LastVarnish();
        if (varnish > last)
        {
            yield return new("move", "Move the marking up, under the last varnish", draft.MoveRunBelow(at, last - at + 1, draft.Coats[varnish].Id));
        }
    }
}
