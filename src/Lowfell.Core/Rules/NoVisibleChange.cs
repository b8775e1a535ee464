using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A coat that changes recess, face and edge by less than 1 dE00.</summary>
internal static class NoVisibleChange
{
    public const string Id = "no-visible-change";

    /// <summary>Least step that is seen side by side, dE00.</summary>
    private const double Least = 1;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var facts = coat.Technique.Facts();
            if (coat.Paint is not { } paint || facts.ColourFree || facts.Builds || paint.Lead.Clear || paint.Lead.Family.IsPrimer())
            {
                continue;
            }

            var stratum = reading.Prediction.Strata[i];
            var step = stratum.LargestStep;
            if (stratum.Mark is { } mark)
            {
                step = Math.Max(step, ColourDifference.Ciede2000(mark.ToLab(), reading.Prediction.Below(i).Face.Lab));
            }

            if (step < Least)
            {
                findings.Add(new(
                    Id,
                    Severity.Note,
                    coat.Id,
                    i,
                    $"Nobody will see this {facts.Word}: it changes nothing by more than {step:0.0} dE.",
                    "A step under 1 dE is not seen even side by side.",
                    () => [new("drop", "Leave it out", () => reading.Draft.Remove(c => c.Id == coat.Id))]));
            }
        }
    }
}
