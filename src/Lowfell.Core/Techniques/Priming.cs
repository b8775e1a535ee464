namespace Lowfell.Core.Techniques;

/// <summary>What painters call a covering coat of a primer, whether it is brushed, sprayed from a can or airbrushed.</summary>
public static class Priming
{
    /// <summary>Within a sentence.</summary>
    public const string Word = "primer";

    /// <summary>At the start of a line.</summary>
    public const string Label = "Prime";
}
