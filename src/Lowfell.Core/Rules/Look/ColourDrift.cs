using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>The face ends farther than the tolerance from the zone's target.</summary>
public static class ColourDrift
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("colour-drift", "Ends off its target", [Severity.Risk], Reads.Look,
        "The finished face is farther from the wanted colour than you allow.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Most colours of the shelf that are tried as a base.</summary>
    private const int MostTried = 12;

    private static readonly double[] LighterWashes = [0.7, 0.5, 0.35];

    private static IEnumerable<Fault> Find(Reading reading)
    {
        if (reading.Zone.Target is null || reading.Applied.Count == 0 || Bare(reading).Top.Face.DeltaTarget is not { } off || off <= reading.Zone.Tolerance)
        {
            yield break;
        }

        var at = ColourHelp.BaseCoat(reading.Draft);
        yield return new(Severity.Risk, at >= 0 ? at : reading.Applied[^1], "The face ends in another colour than you want.", "The coats over the base move its colour; the base has to make up for them.")
        {
            Gap = reading.Draft.Coats.Count,
            Figure = $"{off:0.0} dE00 from the target; you allow {reading.Zone.Tolerance:0.#}.",
        };
    }

    // Wear and weather leave the wanted colour on purpose: it is held against what lies beside them.
    private static PredictedStack Bare(Reading reading) =>
        reading.Draft.Coats.Any(c => !c.Skipped && c.Marks?.Kind is not null) ? Predictor.PredictMiddle(reading.Draft with { Coats = [.. reading.Draft.Coats.Select(c => c.Marks?.Kind is null ? c : c with { Skipped = true })] }) : reading.Prediction;

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, at) = (context.Draft, ColourHelp.BaseCoat(context.Draft));
        if (at >= 0)
        {
            var coat = draft.Coats[at];
            if (ColourHelp.BaseForTarget(draft, at) is { } solved && solved.LeftDeltaE <= draft.Zone.Tolerance)
            {
                yield return new("base", $"Mix the base to {solved.Colour}", draft.Replace((coat with { MixedTo = solved.Colour }).Of(coat.Material ?? coat.Paint!.Lead)));
            }

            foreach (var near in ColourHelp.NearestOnShelf(draft, at, context.Shelf, 1, MostTried))
            {
                if (near.DeltaE <= draft.Zone.Tolerance && near.Material.Id != coat.Material?.Id)
                {
                    yield return new("shelf", $"Use {near.Material.Name} as the base", draft.Replace((coat with { MixedTo = null }).Of(near.Material))) { GivesUpChoice = true };
                }
            }
        }

        foreach (var fraction in LighterWashes)
        {
            var lighter = draft with { Coats = [.. draft.Coats.Select((c, i) => i > at && c.How.Role == Role.AllOverWash ? Thinned(c, fraction) : c)] };
            if (!lighter.Coats.SequenceEqual(draft.Coats))
            {
                yield return new($"lighter-{fraction * 100:0}", $"Thin the wash to {fraction * 100:0} % paint", lighter);
            }
        }
    }

    private static Coat Thinned(Coat coat, double fraction)
    {
        var least = coat.What?.ThinnedTo(coat.How.Role).Least ?? 1;
        return fraction < coat.Dilution.PaintFraction && fraction >= least ? coat with { Dilution = Dilution.Of(fraction) } : coat;
    }
}
