using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>The next coat's liquid beats the film below it, at any age that the film can reach.</summary>
public static class SolventLiftsFilm
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("solvent-lifts-film", "Solvent lifts the film below", [Severity.Stop, Severity.Risk, Severity.Note], Reads.Waits,
        "A liquid in the coat softens a film that it touches, however long that has dried.")
    {
        Check = Find,
        Mends = Mend,
    };

    // One fault a coat: the worst of all films and liquids.
    private static IEnumerable<Fault> Find(Reading reading)
    {
        var clashes = reading.Clashes;
        for (var k = 0; k < clashes.Count; k++)
        {
            var worst = clashes[k];
            if (k > 0 && clashes[k - 1].At == worst.At)
            {
                continue;
            }

            for (var next = k + 1; next < clashes.Count && clashes[next].At == worst.At; next++)
            {
                worst = clashes[next].Severity < worst.Severity ? clashes[next] : worst;
            }

            yield return Said(reading, worst);
        }
    }

    private static Fault Said(Reading reading, Clash clash)
    {
        var coat = reading.Coat(clash.At);
        var film = reading.Word(clash.Film);
        var (verb, why) = clash.Severity switch
        {
            Severity.Stop => ("takes up", $"{Words.Capital(clash.Carrier.Word())} dissolves {film} at any age."),
            Severity.Risk => ("may lift", $"{Words.Capital(film)} gives when {clash.Carrier.Word()} is {How(coat.Impact)}."),
            _ => ("may stir", $"{Words.Capital(film)} holds {clash.Carrier.Word()} if you go over it lightly, and once."),
        };
        return new(clash.Severity, clash.At, $"This {coat.Word} {verb} the {film} below.", why)
        {
            With = clash.Film,
            Figure = clash.UntilCured ? $"Held better by a cured film than by a dry one ({clash.Carrier.Word()}, {How(coat.Impact)})." : $"{Words.Capital(clash.Carrier.Word())}, {How(coat.Impact)}.",
        };
    }

    private static string How(Impact impact) => impact switch { Impact.Mist => "misted on it", Impact.Laid => "brushed on it", _ => "scrubbed on it" };

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat, at) = (context.Draft, context.Coat, context.At);
        if (coat.Wait != Wait.Cured && context.Reading.Clashes.Any(c => c.At == at && c.UntilCured))
        {
            yield return new("wait", "Wait until what is below has cured", draft.Replace(coat with { Wait = Wait.Cured, OwnWaitMin = null }));
        }

        foreach (var lighter in Alternatives.Lighter(context))
        {
            yield return lighter;
        }

        foreach (var moved in Alternatives.PowderMoved(context))
        {
            yield return moved;
        }

        foreach (var other in Alternatives.OtherMaterial(context))
        {
            yield return other;
        }

        if (!context.Reading.IsVarnish(at))
        {
            foreach (var barrier in Barriers.Under(context, at, Barriers.Sheens(context)))
            {
                yield return barrier;
            }
        }
    }
}
