using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>What steps are called.</summary>
public static class StepWords
{
    /// <summary>A step of a stack.</summary>
    public static string Of(Step step) => step.Pass switch
    {
        Step.CleanUpPass => "Clean up the " + step.Coat.Word,
        Step.MaskPass => "Mask for the " + step.Coat.Word,
        Step.UnmaskPass => "Unmask after the " + step.Coat.Word,
        <= Step.OtherSidePass => Words.Capital(step.Coat.Word) + ", the other side:",
        _ when step.Mends is not null && step.Coat.Technique != Technique.Mend => $"Mend: {step.Coat.Word}",
        _ => step.Coat.Primes ? Priming.Label : Of(step.Coat.Technique),
    };

    /// <summary>A technique at the start of a line.</summary>
    public static string Of(Technique technique) => Words.Capital(technique.Facts().Word);

    /// <summary>A station at the start of a line.</summary>
    public static string Of(Station station) => Words.Capital(station.Word());

    /// <summary>The fitting of a part.</summary>
    public static string Fit(string part) => $"Fit {part}";
}
