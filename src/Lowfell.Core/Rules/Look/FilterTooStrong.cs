using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Look;

/// <summary>A filter that moves the face so far that it is a glaze.</summary>
public static class FilterTooStrong
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("filter-too-strong", "A filter that is a glaze", [Severity.Note], Reads.Look,
        "A filter changes the face so much that it is seen as a coat of its own.")
    {
        Check = Find,
        Mends = Mend,
    };

    /// <summary>Most that a filter moves the face, dE00.</summary>
    private const double Most = 5;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Laid(Role.Filter))
        {
            var step = reading.Prediction.Strata[i].Face.DeltaBelow;
            if (step > Most)
            {
                yield return new(Severity.Note, i, "This filter changes the colour so much that it is a glaze.", "A filter unifies without being seen as a coat of its own.") { Figure = $"Moves the face by {step:0.0} dE00; up to {Most:0} is a filter." };
            }
        }
    }

    private static IEnumerable<Mend> Mend(MendContext context)
    {
        var (draft, coat) = (context.Draft, context.Coat);
        double Step(double fraction) => Predictor.PredictMiddle(draft.Replace(coat with { Dilution = Dilution.Of(fraction) })).Strata[context.At].Face.DeltaBelow;
        double low = 0.005, high = coat.Dilution.PaintFraction;
        if (Step(low) <= Most * 0.9)
        {
            for (var step = 0; step < 12; step++)
            {
                var middle = (low + high) / 2;
                (low, high) = Step(middle) <= Most * 0.9 ? (middle, high) : (low, middle);
            }

            var reached = Math.Max(0.005, Math.Floor(low * 200) / 200);
            yield return new("dilute", $"Thin it to {reached * 100:0.#} % paint", draft.Replace(coat with { Dilution = Dilution.Of(reached) }));
        }

        yield return new("glaze", "Call it a glaze", draft.Replace(coat with { Technique = Technique.Glaze }));
    }
}
