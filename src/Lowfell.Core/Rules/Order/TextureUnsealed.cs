using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>A brush on loose grit, or a wash on brittle crackle.</summary>
public static class TextureUnsealed
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("texture-unsealed", "Texture that is not bound", [Severity.Risk, Severity.Note], Reads.Order,
        "Loose grit meets a brush, or brittle crackle a wash or dry brush, before anything binds it.")
    {
        Schools = ["brittle", "grit", "gritGlue"],
        Check = Find,
        Mends = Mend,
    };

    private const string Brittle = "brittle";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var (gluesFirst, sealsFirst) = (reading.Schools.Grit == GritSchool.GlueFirst, reading.Schools.Brittle == BrittleSchool.SealFirst);
        var (told, toldBadly) = (-1, false);
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.LeavesFilm || WeakUnder(reading, i) is not (>= 0 and var weak) || !Disturbs(coat, IsLoose(reading, weak)))
            {
                continue;
            }

            // The first brush that meets it is told of, and a worse one after it.
            var badly = coat.How.KnocksGrain && IsLoose(reading, weak);
            if (weak == told && (toldBadly || !badly))
            {
                continue;
            }

            (told, toldBadly) = (weak, badly);
            if (IsLoose(reading, weak))
            {
                yield return coat.How.KnocksGrain
                    ? new(Severity.Risk, i, $"This {coat.Word} knocks loose grit off.", "Brush off what is loose and bind the rest first, or it lands in the paint.") { With = weak }
                    : new(gluesFirst ? Severity.Risk : Severity.Note, i, $"This {coat.Word} may float loose grit.", "Load the brush well and touch it down; thinned glue dripped on first holds every grain.")
                    {
                        With = weak,
                        School = gluesFirst ? "Your school drips thinned glue over grit first." : "",
                    };
            }
            else
            {
                yield return new(sealsFirst ? Severity.Risk : Severity.Note, i, $"This {coat.Word} goes on bare crackle.", "It is brittle: a flake may come off under the brush. Two coats of varnish hold it.")
                {
                    With = weak,
                    Aspect = Brittle,
                    School = sealsFirst ? "Your school seals brittle texture first." : "Your school goes on gently.",
                };
            }
        }
    }

    private static bool Disturbs(Coat coat, bool loose) => coat.How.KnocksGrain || (loose ? coat.How.FloatsGrain : coat.How.Stains);

    private static int WeakUnder(Reading reading, int i)
    {
        foreach (var film in reading.Exposed(i))
        {
            if (film >= 0 && (IsLoose(reading, film) || reading.Coat(film).What!.Weakness == Weakness.Brittle))
            {
                return Bound(reading, film, i) ? -1 : film;
            }
        }

        return -1;
    }

    private static bool IsLoose(Reading reading, int film)
    {
        var coat = reading.Coat(film);
        return coat.How.Role == Role.Grit && (coat.What!.Kind == Kind.Grit ? reading.Schools.GritGlue == GritGlueSchool.Pva : coat.What.Carrier != Surfaces.Carrier.None);
    }

    // Dripped glue, a varnish or sealer, or anything that covers it.
    private static bool Bound(Reading reading, int film, int before)
    {
        var varnishes = 0;
        var brittle = !IsLoose(reading, film);
        for (var k = reading.Next(film); k >= 0 && k < before; k = reading.Next(k))
        {
            var coat = reading.Coat(k);
            varnishes += reading.IsVarnish(k) ? coat.Passes : 0;
            if (!brittle && (coat.How.BindsGrain || (reading.Shields(k) && coat.What!.BindsGrain)))
            {
                return true;
            }
        }

        return varnishes > 0;
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, weak) = (context.Draft, context.Finding.Fault.With);
        var id = draft.Coats[weak].Id;
        if (context.Finding.Fault.Aspect != Brittle)
        {
            var glue = context.Shelf.First(Family.Pva) ?? Shelf.Staples.First(Family.Pva)!;
            yield return new("glue", $"Drip thinned {glue.Name} on it first", draft.InsertNew(weak + 1, Coat.Usual(Technique.DripGlue, glue) with { Dilution = Dilution.Of(0.4) }, id, Salt.Glue));
            yield break;
        }

        foreach (var varnish in Barriers.Candidates(context, [Sheen.Matt, Sheen.Satin]))
        {
            yield return new("seal-" + Barriers.Key(varnish), $"Seal it twice with {varnish.Material!.Name}", draft.InsertNew(weak + 1, varnish with { Passes = 2 }, id, Salt.Seal));
        }
    }
}
