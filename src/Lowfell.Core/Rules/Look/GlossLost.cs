using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Rules.Look;

/// <summary>Matt varnish over what should shine: metal, glass, wet effects.</summary>
public static class GlossLost
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("gloss-lost", "Shine taken by matt varnish", [Severity.Note], Reads.Order,
        "A matt varnish lies on metal, glass or a wet effect, and nothing shines after it.")
    {
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var (shine, varnish) = (-1, -1);
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.LeavesFilm)
            {
                continue;
            }

            if (coat.Effect == Effect.Metallic)
            {
                (shine, varnish) = (i, -1);
            }
            else if (reading.IsVarnish(i))
            {
                varnish = coat.Paint!.Lead.Sheen.AsFilm() == Sheen.Matt && shine >= 0 ? i : -1;
            }
            else if (reading.Shields(i) && coat.How.Covers)
            {
                (shine, varnish) = (-1, -1);
            }
        }

        if (varnish >= 0)
        {
            yield return new(Severity.Note, varnish, "Matt varnish takes the shine off what lies below.", "Metal, glass and wet ground want their gloss back after the matt coat, or a mask before it.") { With = shine };
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat, shine) = (context.Draft, context.Coat, context.Draft.Coats[context.Finding.Fault.With]);
        if (draft.Coats.Count < StackDraft.MostCoats)
        {
            var edge = shine with { Id = Guid.Empty, Technique = Technique.EdgeHighlight, Passes = 1, Dilution = Dilution.Neat, Hurried = false, WhileWet = false, OwnDeposit = null, OwnWaitMin = null, Wait = Wait.RecoatDry, Known = [] };
            yield return new("re-edge", $"Draw the edges again with {shine.Paint!.Name}", draft.InsertNew(context.At + 1, edge, shine.Id, Salt.Edge));
        }

        foreach (var satin in context.Shelf.Varnishes(Sheen.Satin).Where(m => m.Family == coat.Family).Take(1))
        {
            yield return new("satin", $"Use {satin.Name} instead", draft.Replace(coat.Of(satin)));
        }
    }
}
