using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>What steps are called.</summary>
public static class StepWords
{
    /// <summary>A step of a stack.</summary>
    public static string Of(Step step) => step.IsCleanUp ? "Clean up the " + step.Coat.How.Word : Of(step.Coat.Technique);

    /// <summary>A technique at the start of a line.</summary>
    public static string Of(Technique technique) => Words.Capital(technique.Facts().Word);

    /// <summary>A station at the start of a line.</summary>
    public static string Of(Station station) => Words.Capital(station.Word());

    /// <summary>The fitting of a part.</summary>
    public static string Fit(string part) => $"Fit {part}";
}
