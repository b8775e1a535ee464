using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>Past the family's limit the film will not bind, or breaks into beads.</summary>
internal static class OverThinned
{
    public const string Id = "over-thinned";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Paint is not { } paint || coat.Thinner == Thinner.AcrylicMedium || coat.Technique is Technique.FixPigment)
            {
                continue;
            }

            var least = paint.Lead.Family.Facts().LeastPaintFraction;
            var fraction = coat.Dilution.PaintFraction * paint.PaintShare;
            if (fraction >= least - 1e-9)
            {
                continue;
            }

            findings.Add(new(
                Id,
                Severity.Risk,
                coat.Id,
                i,
                $"{fraction * 100:0} % paint is too thin for {paint.Lead.Family.Facts().Word} in {coat.Thinner.Word()}.",
                $"Below {least * 100:0} % there is too little binder: the film stays soft or breaks into beads.",
                () => Mends(reading, coat, least)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, Coat coat, double least)
    {
        if (coat.Paint!.Lead.Family.Takes(Thinner.AcrylicMedium))
        {
            yield return new("medium", "Thin with acrylic medium instead", () => reading.Draft.Replace(coat with { Thinner = Thinner.AcrylicMedium }));
        }

        var limit = least / coat.Paint!.PaintShare;
        if (limit <= 1)
        {
            yield return new("less", $"Thin to {least * 100:0} % paint only", () => reading.Draft.Replace(coat with { Dilution = Dilution.Of(limit) }));
        }
    }
}
