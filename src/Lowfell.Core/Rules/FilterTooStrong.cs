using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>A filter that moves the face by more than 5 dE00 is a glaze.</summary>
internal static class FilterTooStrong
{
    public const string Id = "filter-too-strong";

    /// <summary>Most that a filter moves the face, dE00.</summary>
    private const double Most = 5;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var step = reading.Prediction.Strata[i].Face.DeltaBelow;
            if (coat.Technique != Technique.Filter || step <= Most)
            {
                continue;
            }

            findings.Add(new(
                Id,
                Severity.Note,
                coat.Id,
                i,
                $"This filter moves the face by {step:0.0} dE: that is a glaze.",
                "A filter unifies without being seen as a coat of its own; it stays under 5 dE.",
                () => Mends(reading, i)));
        }
    }

    private static IEnumerable<Mend> Mends(StackReading reading, int i)
    {
        var coat = reading.Coat(i);
        double low = 0.005, high = coat.Dilution.PaintFraction;
        double Step(double fraction) => reading.Of(reading.Draft.Replace(coat with { Dilution = Dilution.Of(fraction) })).Prediction.Strata[i].Face.DeltaBelow;
        if (Step(low) <= Most * 0.9)
        {
            for (var step = 0; step < 16; step++)
            {
                var middle = (low + high) / 2;
                (low, high) = Step(middle) <= Most * 0.9 ? (middle, high) : (low, middle);
            }

            var reached = Math.Max(0.005, Math.Floor(low * 200) / 200);
            yield return new("dilute", $"Thin it to {reached * 100:0.#} % paint", () => reading.Draft.Replace(coat with { Dilution = Dilution.Of(reached) }));
        }

        yield return new("glaze", "Call it a glaze", () => reading.Draft.Replace(coat with { Technique = Technique.Glaze }));
    }
}
