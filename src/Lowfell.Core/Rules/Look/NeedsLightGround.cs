using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>More than three passes to cover on this ground, where an undercoat would save some.</summary>
public static class NeedsLightGround
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("needs-light-ground", "A ground that costs passes", [Severity.Note], Reads.Look,
        "A colour that hides little needs many passes on this ground, and another ground would save some.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Passes that a painter puts up with.</summary>
    private const int Most = 3;

    /// <summary>Fewest passes that another ground has to save.</summary>
    private const int WorthSaving = 2;

    /// <summary>Undercoats of the shelf that are tried, the nearest in colour.</summary>
    private const int MostTried = 4;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var shaded = false;
        StackWalk? ground = null;
        var laid = 0;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            shaded |= coat.How.Role == Role.Shade;

            // Over a pre-shade the coat is thin on purpose.
            if (shaded || !coat.How.Covers || coat is not { LeavesFilm: true, What.Kind: Kind.Paint } || coat.WhileWet)
            {
                continue;
            }

            ground ??= new StackWalk(reading.Zone);
            for (; laid < i; laid++)
            {
                Predictor.LayOn(ground, reading.Draft, laid, faceOnly: true);
            }

            var passes = ColourHelp.PassesToCover(ground, coat, reading.Zone, ReliefHeight.Face);
            if (passes > Most && Best(reading.Draft, i, passes, Shelf.Staples) is not null)
            {
                yield return new(Severity.Note, i, "This colour needs many passes to cover here.", "It hides little, and the ground is far from its colour; a nearer ground saves passes.") { Figure = passes > ColourHelp.MostPasses ? $"More than {ColourHelp.MostPasses} passes." : $"{passes} passes." };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var passes = ColourHelp.PassesToCover(context.Draft, context.At, ReliefHeight.Face);
        if (Best(context.Draft, context.At, passes, context.Shelf) is { } found)
        {
            var material = found.Draft.Coats[context.At].Material!;
            yield return new("undercoat", $"Put {material.Name} under it: {found.Total} passes in all instead of {passes}", found.Draft);
        }
    }

    private static (StackDraft Draft, int Total)? Best(StackDraft draft, int at, int passes, Shelf shelf)
    {
        if (draft.Coats.Count >= StackDraft.MostCoats)
        {
            return null;
        }

        (StackDraft Draft, int Total)? best = null;
        foreach (var ground in Candidates(draft.Coats[at], shelf))
        {
            var tried = draft.InsertNew(at, Coat.Usual(ground.Family.Proposed(), ground), draft.Coats[at].Id, Salt.Undercoat);
            var own = Math.Min(2, ColourHelp.PassesToCover(tried, at, ReliefHeight.Face));
            tried = tried.Replace(tried.Coats[at] with { Passes = own });
            var then = ColourHelp.PassesToCover(tried, at + 1, ReliefHeight.Face);
            if (then <= Most && own + then <= passes - WorthSaving && (best is null || own + then < best.Value.Total))
            {
                best = (tried.Replace(tried.Coats[at + 1] with { Passes = Math.Min(tried.Coats[at + 1].Passes, then) }), own + then);
            }
        }

        return best;
    }

    private static IEnumerable<Material> Candidates(Coat coat, Shelf shelf)
    {
        const double Hides = 0.85;
        var lab = coat.Paint!.Lead.Colour.ToLab();
        var primers = shelf.Materials.Where(m => m.Family.IsPrimer());
        var undercoats = shelf.Materials
            .Where(m => m.Family == Family.AcrylicPaint && m.ContrastRatio >= Hides && m.Effect == Effect.Plain && m.Id != coat.Material?.Id)
            .OrderBy(m => ColourDifference.Ciede2000(m.Colour.ToLab(), lab)).Take(MostTried);
        return primers.Concat(undercoats);
    }
}
