using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules.Order;

/// <summary>Brittle texture at a rim that hands hold.</summary>
public static class BrittleEdge
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("brittle-edge", "Brittle texture at the rim", [Severity.Risk, Severity.Note], Reads.Order,
        "Crackle, or thick paste or skim, reaches a handled rim without two coats of varnish.")
    {
        Schools = ["brittle"],
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Wet film from which paste and skim are brittle at a rim, um. Craft estimate.</summary>
    private const double ThickUm = 1000;

    private const int EnoughVarnish = 2;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (!reading.Zone.Rim || !reading.Zone.Handled)
        {
            yield break;
        }

        var thick = 0.0;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.LeavesFilm)
            {
                continue;
            }

            thick += coat.What!.Weakness == Weakness.BrittleWhereThick ? coat.How.AppliedUm * coat.Hand * coat.Passes : 0;
            var brittle = coat.What.Weakness == Weakness.Brittle || (coat.What.Weakness == Weakness.BrittleWhereThick && thick > ThickUm);
            if (brittle && reading.Applied.Where(k => k > i && reading.IsVarnish(k)).Sum(k => reading.Coat(k).Passes) < EnoughVarnish)
            {
                var strict = reading.Schools.Brittle == BrittleSchool.SealFirst;
                yield return new(strict ? Severity.Risk : Severity.Note, i, $"This {coat.Word} may chip off at the rim.", "What is brittle and overhangs is knocked off first; thin it out toward the rim, or varnish it twice.")
                {
                    School = strict ? "Your school seals brittle texture first." : "",
                };
                yield break;
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (reading, draft) = (context.Reading, context.Draft);
        if (reading.LastVarnish() is >= 0 and var last && last > context.At)
        {
            yield return new("twice", "Varnish it twice in the end", draft.Replace(draft.Coats[last] with { Passes = EnoughVarnish }));
            yield break;
        }

        foreach (var varnish in Barriers.Candidates(context, [draft.Zone.Finish.AsFilm()]))
        {
            yield return new("seal-" + Barriers.Key(varnish), $"End with two coats of {varnish.Material!.Name}", draft.InsertNew(draft.Coats.Count, varnish with { Passes = EnoughVarnish }, draft.Coats[^1].Id, Salt.Seal));
        }
    }
}
