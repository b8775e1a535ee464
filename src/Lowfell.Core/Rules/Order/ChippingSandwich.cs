using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>Chipping fluid wants paint that holds below, water-borne paint above, and nothing else until it is opened.</summary>
public static class ChippingSandwich
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("chipping-sandwich", "Chipping in the wrong order", [Severity.Stop, Severity.Note], Reads.Order,
        "Chipping fluid lies on something that does not hold, under something that water does not open, or is sealed in.")
    {
        Check = Find,
        Mends = Mend,
    };

    private const string NoFluid = "no-fluid", Ground = "ground", NoTop = "no-top", Top = "top", Locked = "locked", Unopened = "unopened";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var fluid = false;
        foreach (var i in reading.Applied)
        {
            var role = reading.Coat(i).How.Role;
            if (role == Role.Fluid)
            {
                fluid = true;
                foreach (var fault in OfFluid(reading, i))
                {
                    yield return fault;
                }
            }
            else if (role == Role.Opening && !fluid)
            {
                yield return new(Severity.Stop, i, "There is no chipping fluid below to open.", "Without the soluble layer you would scrape the paint down to the ground.") { Aspect = NoFluid };
            }
        }
    }

    private static IEnumerable<Fault> OfFluid(Reading reading, int i)
    {
        var below = reading.FilmBelow(i);
        if (below < 0 || reading.Resistance(below, i).Against(Carrier.Water, Impact.Scrubbed) > Bears.Cured)
        {
            yield return new(Severity.Stop, i, $"The {reading.Word(below)} under the chipping fluid does not hold.", "The damp brush that opens the chips goes right through it.") { Aspect = Ground, With = below };
        }

        var top = NextFilm(reading, i);
        var open = Opening(reading, i);
        if (top < 0 || (open >= 0 && open < top))
        {
            yield return new(Severity.Stop, i, "No paint lies on the chipping fluid.", "It opens the water-borne coat over it; with none there is nothing to chip.") { Aspect = NoTop };
            yield break;
        }

        if (!IsWaterPaint(reading, top))
        {
            yield return new(Severity.Stop, top, $"Water does not open {reading.Word(top)} over chipping fluid.", "Only a water-borne coat lets the damp brush through to the fluid.") { Aspect = Top, With = i };
            yield break;
        }

        for (var k = reading.Next(top); k >= 0 && (open < 0 || k < open); k = reading.Next(k))
        {
            if (reading.IsVarnish(k) || (reading.Coat(k).LeavesFilm && reading.Coat(k).BringsSolvent))
            {
                yield return new(Severity.Stop, k, $"This {reading.Coat(k).Word} shuts the chipping fluid in before it is opened.", "Varnish and solvent keep the water out.") { Aspect = Locked, With = i };
                yield break;
            }
        }

        if (open < 0)
        {
            yield return new(Severity.Note, i, "The chipping fluid is never opened.", "Its window closes within about two hours of the coat over it.") { Aspect = Unopened };
        }
    }

    private static bool IsWaterPaint(Reading reading, int i) => !reading.IsVarnish(i) && reading.Coat(i).Carrier == Carrier.Water;

    private static int NextFilm(Reading reading, int i)
    {
        var next = reading.Next(i);
        while (next >= 0 && !reading.Coat(next).LeavesFilm && reading.Coat(next).How.Role != Role.Opening)
        {
            next = reading.Next(next);
        }

        return next >= 0 && reading.Coat(next).LeavesFilm ? next : -1;
    }

    private static int Opening(Reading reading, int fluid) => reading.Laid(Role.Opening).FirstOrDefault(o => o > fluid, -1);

    private static Coat Open => new() { Id = Guid.Empty, Technique = Technique.OpenChips };

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft, at) = (context.Reading, context.Draft, context.At);
        switch (context.Finding.Fault.Aspect)
        {
            case NoFluid:
                yield return new("drop", "Leave the opening out", draft.Remove(c => c.Id == context.Coat.Id)) { GivesUpChoice = true };
                break;
            case Ground:
                foreach (var mend in Under(context))
                {
                    yield return mend;
                }

                break;
            case NoTop:
                yield return Dropped(context, at);
                if (reading.Applied.FirstOrDefault(k => k > at && reading.Coat(k) is { LeavesFilm: true, What.Kind: Kind.Paint, Carrier: Carrier.Water }, -1) is >= 0 and var later)
                {
                    yield return new("move", "Move the fluid under the next water-borne coat", draft.MoveBelow(context.Coat.Id, draft.Coats[later].Id));
                }

                break;
            case Top:
                foreach (var mend in Over(context))
                {
                    yield return mend;
                }

                break;
            case Locked:
                foreach (var mend in Unlocked(context))
                {
                    yield return mend;
                }

                break;
            default:
                if (NextFilm(reading, at) is >= 0 and var top)
                {
                    yield return new("open", "Open the chips after the coat over it", draft.InsertNew(top + 1, Open, draft.Coats[top].Id, Salt.Open));
                }

                break;
        }
    }

    private static Mend Dropped(MendContext context, int fluid)
    {
        var (id, open) = (context.Draft.Coats[fluid].Id, Opening(context.Reading, fluid));
        var opening = open >= 0 ? context.Draft.Coats[open].Id : Guid.Empty;
        return new("drop", "Leave the chipping out", context.Draft.Remove(c => c.Id == id || c.Id == opening)) { GivesUpChoice = true };
    }

    private static IEnumerable<Mend> Under(MendContext context)
    {
        if (context.Reading.FilmBelow(context.At) < 0 && context.Shelf.Nearest(context.Draft.Zone.Target ?? context.Draft.Zone.Substrate.Facts().Colour, m => m.Family.IsPrimer()) is { } primer)
        {
            yield return new("prime", $"Prime with {primer.Name} first", context.Draft.InsertNew(context.At, Coat.Usual(primer.Family.Proposed(), primer), context.Coat.Id, Salt.Prime));
        }

        foreach (var barrier in Barriers.Under(context, context.At, [Sheen.Satin, Sheen.Gloss, Sheen.Matt]))
        {
            yield return barrier;
        }

        yield return Dropped(context, context.At);
    }

    private static IEnumerable<Mend> Over(MendContext context)
    {
        var (reading, draft, coat, fluid) = (context.Reading, context.Draft, context.Coat, context.Finding.Fault.With);
        if (reading.IsVarnish(context.At))
        {
            yield return new("move", "Move the varnish under the fluid", draft.MoveBelow(coat.Id, draft.Coats[fluid].Id));
        }
        else if (coat.Paint is { } paint && context.Shelf.Nearest(paint.Lead.Colour, m => m.Family.Facts() is { Kind: Kind.Paint, Carrier: Carrier.Water }) is { } water)
        {
            yield return new("swap", $"Use {water.Name} over the fluid", draft.Replace(coat.InsteadOf(water, coat.How.Covers ? coat.Technique : Technique.Airbrush))) { GivesUpChoice = true };
        }

        if (reading.Applied.FirstOrDefault(k => k > context.At && reading.Coat(k) is { LeavesFilm: true, What.Kind: Kind.Paint, Carrier: Carrier.Water }, -1) is >= 0 and var later)
        {
            yield return new("fluid", "Move the fluid under the next water-borne coat", draft.MoveBelow(draft.Coats[fluid].Id, draft.Coats[later].Id));
        }

        yield return Dropped(context, fluid);
    }

    private static IEnumerable<Mend> Unlocked(MendContext context)
    {
        var (reading, draft, fluid) = (context.Reading, context.Draft, context.Finding.Fault.With);
        var top = NextFilm(reading, fluid);
        if (Opening(reading, fluid) is >= 0 and var open)
        {
            yield return new("open", "Open the chips before it", draft.MoveAbove(draft.Coats[open].Id, draft.Coats[top].Id));
            yield return new("move", "Move it above the opened chips", draft.MoveAbove(context.Coat.Id, draft.Coats[open].Id));
        }
        else
        {
            yield return new("open", "Open the chips before it", draft.InsertNew(top + 1, Open, draft.Coats[top].Id, Salt.Open));
        }
    }
}
