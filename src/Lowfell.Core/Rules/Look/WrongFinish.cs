using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>The zone ends in another sheen than is wanted.</summary>
public static class WrongFinish
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("wrong-finish", "Ends in another sheen", [Severity.Risk, Severity.Note], Reads.Order,
        "The last varnish, or without one the last paint, leaves another sheen than the zone should have.")
    {
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Applied.Count == 0 || End(reading) is not { } end)
        {
            yield break;
        }

        var wanted = reading.Zone.Finish.AsFilm();
        var steps = end.StepsTo(wanted);
        if (steps > 0)
        {
            yield return new(steps > 1 ? Severity.Risk : Severity.Note, reading.Applied[^1], $"It ends {end.Word()} where you want {wanted.Word()}.", "What lies on top sets the sheen of the whole zone.") { Gap = reading.Draft.Coats.Count };
        }
    }

    // By the last varnish, else by the last paint that covers; null for a zone that nothing covers yet.
    private static Sheen? End(Reading reading)
    {
        var varnish = reading.LastVarnish();
        var powder = reading.Laid(Role.Powder).LastOrDefault(-1);
        if (powder > varnish)
        {
            return Sheen.Matt;
        }

        Sheen? end = varnish >= 0 ? reading.Coat(varnish).Paint!.Lead.Sheen.AsFilm() : null;
        var dulled = false;
        foreach (var i in reading.Applied.Where(i => i > varnish))
        {
            var coat = reading.Coat(i);
            if (reading.Shields(i) && coat.Marks?.Kind is null && coat.How is { SetsSheen: true, Builds: false } && !coat.What!.Clear)
            {
                end = coat.Paint!.Lead.Sheen.AsFilm();
                dulled = false;
            }

            // A wash or dry brushes over a gloss leave it satin; metal drawn on the edges is meant.
            dulled |= coat.LeavesFilm && coat.Marks?.Kind is null && (coat.How.Role == Role.AllOverWash || coat.How.Role == Role.DryBrush) && coat.Effect == Effect.Plain;
        }

        return end == Sheen.Gloss && dulled ? Sheen.Satin : end;
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft) = (context.Reading, context.Draft);
        var finish = draft.Zone.Finish.AsFilm();
        var varnish = reading.LastVarnish();

        // A varnish with more over it than pigment and metal edges is a barrier: it stays, and a last one is added.
        if (varnish >= 0 && !Barriers.Protects(reading, varnish))
        {
            var coat = draft.Coats[varnish];
            foreach (var same in context.Shelf.Varnishes(finish).Where(m => m.Family == coat.Family).Take(1))
            {
                yield return new("swap", $"Use {same.Name} for the last coat", draft.Replace(coat.Of(same)));
            }
        }

        foreach (var last in Barriers.Candidates(context, [finish]))
        {
            yield return new("last-" + Barriers.Key(last), $"End with {last.Material!.Name}", draft.InsertNew(draft.Coats.Count, last, draft.Coats[^1].Id, Salt.Seal));
        }
    }
}
