using Lowfell.Core.Films;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>Varnish or wash so heavy that it stands in the recesses.</summary>
public static class Pooling
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("pooling", "Pools in the recess", [Severity.Note], Reads.Order,
        "A varnish or wash is laid with a heavy hand, or matt is brushed on twice, over relief that holds it.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Hand from which it is heavy. Craft estimate.</summary>
    private const double Heavy = 1.25;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Zone.Relief == Relief.Smooth)
        {
            yield break;
        }

        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var varnish = coat.How.Role == Role.Varnish;
            if (!coat.LeavesFilm || (!varnish && coat.How.Role != Role.AllOverWash))
            {
                continue;
            }

            var brushedTwice = varnish && !coat.How.Sprayed && coat.Passes > 1 && coat.Paint!.Lead.Sheen.AsFilm() == Sheen.Matt && reading.Zone.Drinks > 1;
            if (brushedTwice || coat.Hand >= Heavy)
            {
                yield return varnish
                    ? new(Severity.Note, i, "So much varnish stands in the recesses.", "Where matt varnish pools it dries white; lift the excess with the brush.")
                    : new(Severity.Note, i, "So much wash stands in pools.", "It dries in rings; lift the excess before it sets.");
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var coat = context.Coat;
        yield return coat.Hand >= Heavy
            ? new("hand", "Lay it with a middle hand", context.Draft.Replace(coat with { Hand = 1 }))
            : new("once", "Brush it on once", context.Draft.Replace(coat with { Passes = 1 }));
    }
}
