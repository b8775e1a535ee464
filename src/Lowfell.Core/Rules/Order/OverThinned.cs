using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Rules.Order;

/// <summary>Past the family's limit for what it is used for, the film will not bind, or breaks into beads.</summary>
public static class OverThinned
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("over-thinned", "Thinned too far", [Severity.Risk, Severity.Note], Reads.Order,
        "So little paint is left in its thinner that the film lacks binder for what it is used for.")
    {
        Check = Find,
        Mends = Mend,
    };

    private static IEnumerable<Fault> Find(Reading reading)
    {
        var onGrain = false;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);

            // Thin paint is to run on grit and texture, and to blend wet in wet.
            if (coat is { LeavesFilm: true, Paint: { } paint, What: { } what } && !onGrain && !coat.WhileWet && coat.Impact != Impact.None)
            {
                var thinned = what.ThinnedTo(coat.How.Role);
                var share = Bound(coat, paint);
                if (share < thinned.Least - 1e-9)
                {
                    yield return share < thinned.RiskBelow - 1e-9
                        ? new(Severity.Risk, i, $"This {coat.Word} is thinned too far.", "With so little binder the film stays soft, or breaks into beads.") { Figure = Figure(share, thinned.RiskBelow, what) }
                        : new(Severity.Note, i, $"This {coat.Word} is very thin for {coat.Thinner.Word()} alone.", "A little medium in it keeps it from breaking into beads or rubbing off.") { Figure = Figure(share, thinned.Least, what) };
                }
            }

            onGrain |= coat.How.Builds;
        }
    }

    // Medium binds: only what is thinned with something else counts as thin.
    private static double Bound(Coat coat, Paint paint) =>
        coat.Thinner.Facts().Binds ? 1 : coat.Dilution.PaintFraction * Math.Min(1, paint.PaintShare + paint.MediumShare);

    private static string Figure(double share, double least, FamilyFacts what) => $"{share * 100:0} % {what.Word}; {least * 100:0} % is the least for this use.";

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (coat, what) = (context.Coat, context.Coat.What!);
        if (coat.Paint!.Lead.Family.Takes(Thinner.AcrylicMedium) && !coat.Thinner.Facts().Binds)
        {
            yield return new("medium", "Thin with acrylic medium instead", context.Draft.Replace(coat with { Thinner = Thinner.AcrylicMedium }));
        }

        var limit = what.ThinnedTo(coat.How.Role).Least / Math.Min(1, coat.Paint.PaintShare + coat.Paint.MediumShare);
        if (limit <= 1)
        {
            yield return new("less", $"Thin it to {limit * 100:0} % paint only", context.Draft.Replace(coat with { Dilution = Dilution.Of(limit) }));
        }
    }
}
