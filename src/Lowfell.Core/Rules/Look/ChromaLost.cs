using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Rules.Look;

/// <summary>A strong colour goes chalky, pink or grey where it is lightened.</summary>
public static class ChromaLost
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("chroma-lost", "Colour gone chalky", [Severity.Note], Reads.Look,
        "A lighter tone over a strong colour takes much of its strength.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Chroma from which a colour is strong.</summary>
    private const double Strong = 35;

    /// <summary>Share of it that may go.</summary>
    private const double MostLost = 0.25;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (!coat.LeavesFilm || coat.How.Covers || coat.How.Builds || coat.What!.Clear || coat.Effect != Effect.Plain || coat.How.Weathers)
            {
                continue;
            }

            var (before, after) = (reading.Prediction.Below(i), reading.Prediction.Strata[i]);
            for (var h = 2; h >= 1; h--)
            {
                Lab was = before.At(h).Lab, now = after.At(h).Lab;
                if (was.Chroma > Strong && now.L > was.L + 2 && now.Chroma < was.Chroma * (1 - MostLost))
                {
                    yield return new(Severity.Note, i, $"This {coat.Word} turns the strong colour below chalky.", "Lightened with a pale tone, a strong colour goes pink or grey.") { Figure = $"Chroma {was.Chroma:0} becomes {now.Chroma:0}." };
                    break;
                }
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        var below = context.Reading.Prediction.Below(context.At).Face.Lab;

        // Lighter by the hue that is there, not by white.
        var warmer = new Lab(Math.Min(95, below.L + 15), below.A * 0.9, below.B * 1.1).ToLinear().ToSrgb();
        var nearest = context.Shelf.Nearest(warmer, m => m.Family == coat.Family && m.Effect == Effect.Plain);
        if (nearest is not null && nearest.Id != coat.Material?.Id)
        {
            yield return new("tone", $"Use {nearest.Name}, a tone of the same hue", draft.Replace((coat with { MixedTo = null }).Of(nearest))) { GivesUpChoice = true };
        }

        if (draft.FilmBelow(context.At) is >= 0 and var under && draft.Coats[under].Material is { Clear: false } pure && pure.Family.Takes(Thinner.AcrylicMedium))
        {
            var filter = Coat.Usual(Technique.Filter, pure) with { Thinner = Thinner.AcrylicMedium, Dilution = Dilution.Of(0.1) };
            yield return new("filter", $"A filter of {pure.Name} over it", draft.InsertNew(context.At + 1, filter, coat.Id, Salt.Filter));
        }
    }
}
