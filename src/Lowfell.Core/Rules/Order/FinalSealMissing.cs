using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>A handled zone without a final varnish, or with paint after it.</summary>
public static class FinalSealMissing
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("final-seal-missing", "No final varnish", [Severity.Risk, Severity.Note], Reads.Order,
        "A zone that hands hold ends without a varnish, or with paint on it.")
    {
        Schools = ["finalVarnish", "pigments"],
        Check = Find,
        Mends = Mend,
    };

    private const string Powder = "powder";

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var school = reading.Schools.FinalVarnish;
        if (school == FinalVarnishSchool.None || !reading.Zone.Handled || reading.Applied.Count == 0)
        {
            yield break;
        }

        var varnish = reading.LastVarnish();
        var open = reading.Applied.LastOrDefault(i => i > varnish && StaysBare(reading, i), -1);
        var powder = reading.Laid(Role.Powder).LastOrDefault(i => i > varnish && !IsFixed(reading, i), -1);
        var bare = varnish < 0 && !reading.Laid(Role.Fixer).Any();
        if (!bare && open < 0 && powder < 0)
        {
            yield break;
        }

        var always = school == FinalVarnishSchool.Always;
        var told = bare ? "This zone is handled and has no final varnish." : open >= 0 ? $"The {reading.Coat(open).Word} on top lies bare." : "The pigment on top lies loose.";
        yield return new(always ? Severity.Risk : Severity.Note, reading.Applied[^1], told, "Fingers wear paint off edges first; a varnish takes the wear.")
        {
            Gap = reading.Draft.Coats.Count,
            Aspect = !bare && open < 0 ? Powder : "",
            School = always ? "Your school varnishes all that is handled, always." : "Your school varnishes where hands hold it.",
        };
    }

    // Pigment may lie on the varnish by school, and is told apart; metal drawn after it, weather laid on it, or a rim painted last, is meant; what is fixed after it counts as sealed.
    private static bool StaysBare(Reading reading, int i)
    {
        var coat = reading.Coat(i);
        var meant = reading.Zone.Rim || coat.Marks?.Kind is not null || (coat.How.Role == Role.Edge && coat.Effect == Effect.Metallic);
        return coat.LeavesFilm && coat.What!.Kind != Kind.Powder && coat.How.Role != Role.Fixer && coat.How.Role != Role.Planting && !meant && !reading.Laid(Role.Fixer).Any(f => f > i);
    }

    private static bool IsFixed(Reading reading, int powder) => reading.Schools.Pigments != PigmentSchool.Fixed || reading.Laid(Role.Fixer).Any(f => f > powder);

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft) = (context.Reading, context.Draft);
        if (context.Finding.Fault.Aspect == Powder)
        {
            var powder = reading.Laid(Role.Powder).Last();
            yield return Alternatives.Fixed(draft, powder, context.Shelf);
            yield break;
        }

        var varnish = reading.LastVarnish();
        if (varnish >= 0 && varnish < reading.Applied[^1] && !Barriers.Protects(reading, varnish))
        {
            yield return new("move", "Move the varnish to the end", draft.MoveAbove(draft.Coats[varnish].Id, draft.Coats[reading.Applied[^1]].Id));
        }

        if (reading.Applied[^1] != varnish)
        {
            foreach (var last in Barriers.Candidates(context, [draft.Zone.Finish.AsFilm()]))
            {
                yield return new("seal-" + Barriers.Key(last), $"End with {last.Material!.Name}", draft.InsertNew(draft.Coats.Count, last, draft.Coats[^1].Id, Salt.Seal));
            }
        }

        // A varnish over pigment would spoil it: fixing is enough.
        if (reading.Laid(Role.Powder).Any() && reading.Laid(Role.Powder).Last() > varnish)
        {
            yield return Alternatives.Fixed(draft, reading.Laid(Role.Powder).Last(), context.Shelf);
        }
    }
}
