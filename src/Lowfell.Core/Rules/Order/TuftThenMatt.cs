using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>Varnish sprayed over tufts or static grass.</summary>
public static class TuftThenMatt
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("tuft-then-matt", "Varnish over tufts", [Severity.Note], Reads.Order,
        "Varnish is sprayed after tufts or static grass are on.")
    {
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Laid(Role.Planting))
        {
            if (reading.Applied.LastOrDefault(k => k > i && reading.Coat(k) is { How: { Role: Role.Varnish, Sprayed: true } }, -1) is >= 0 and var varnish)
            {
                yield return new(Severity.Note, i, $"Varnish is sprayed over the {reading.Coat(i).What!.Word}.", "It frosts and stiffens them; they go on last.") { Gap = varnish, With = varnish };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        yield return new("move", "Put them on after the varnish", context.Draft.MoveAbove(context.Coat.Id, context.Draft.Coats[context.Finding.Fault.With].Id));
    }
}
