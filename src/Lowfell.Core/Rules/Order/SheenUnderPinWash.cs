using Lowfell.Core.Films;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>A pin wash, or a spirit filter, on a ground too matt for it: it creeps, stains and rings.</summary>
public static class SheenUnderPinWash
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("sheen-under-pin-wash", "Sheen under a pin wash", [Severity.Risk, Severity.Note], Reads.Order,
        "A pin wash or spirit filter goes on a matt ground, where it creeps and stains.")
    {
        Schools = ["pinWashVarnish"],
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var spirit = coat.Carrier == Carrier.WhiteSpirit;
            if (coat.WhileWet || !coat.LeavesFilm || !(coat.How.Role == Role.PinWash || (coat.How.Role == Role.Filter && spirit)))
            {
                continue;
            }

            var sheen = reading.SheenUnder(i);
            if (sheen == Sheen.Matt)
            {
                yield return spirit
                    ? new(Severity.Risk, i, $"This {coat.Word} goes on matt paint.", "On matt it creeps sideways, stains the face and leaves rings.")
                    : new(Severity.Note, i, $"This {coat.Word} goes on matt paint.", "It runs better, and comes off better, on a satin or gloss ground.");
            }
            else if (sheen == Sheen.Satin && reading.Schools.PinWashSheen == Sheen.Gloss && coat.How.Role == Role.PinWash)
            {
                yield return new(Severity.Note, i, $"This {coat.Word} goes on satin.", "On gloss it would run along the crease by itself.") { School = "Your school runs a pin wash on gloss." };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        foreach (var barrier in Barriers.Under(context, context.At, [context.Reading.Schools.PinWashSheen]))
        {
            yield return barrier;
        }

        if (context.Coat.How.Role == Role.Filter)
        {
            foreach (var other in Alternatives.OtherMaterial(context))
            {
                yield return other;
            }
        }
    }
}
