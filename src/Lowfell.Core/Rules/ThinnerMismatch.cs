using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The thinner, or a component of the mix, is of another family than the paint.</summary>
internal static class ThinnerMismatch
{
    public const string Id = "thinner-mismatch";

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Paint is not { } paint)
            {
                continue;
            }

            var family = paint.Lead.Family;
            if (paint.MixesCarriers)
            {
                findings.Add(new(
                    Id,
                    Severity.Stop,
                    coat.Id,
                    i,
                    $"{paint.Name} brings together liquids that do not mix.",
                    "Water and spirit part in the pot; the paint curdles or never binds.",
                    () => [new("lead", $"Use {paint.Lead.Name} alone", () => reading.Draft.Replace((coat with { Thinner = family.Facts().OwnThinner }).Of(paint.Lead)))]));
            }
            else if (coat.Dilution.PaintFraction < 1 && !family.Takes(coat.Thinner))
            {
                var right = family.Facts().OwnThinner;
                findings.Add(new(
                    Id,
                    Severity.Stop,
                    coat.Id,
                    i,
                    $"{Words.Capital(coat.Thinner.Word())} does not thin {family.Facts().Word}.",
                    $"It curdles or will not bind; {family.Facts().Word} is thinned with {right.Word()}.",
                    () => [new("thinner", $"Thin with {right.Word()}", () => reading.Draft.Replace(coat with { Thinner = right }))]));
            }
        }
    }
}
