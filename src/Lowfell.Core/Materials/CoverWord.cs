using Lowfell.Core.Wording;

namespace Lowfell.Core.Materials;

/// <summary>How well a paint covers, as painters say it.</summary>
public enum CoverWord
{
    /// <summary>One coat hides what is below.</summary>
    [Said("well: one coat hides")]
    Well,

    /// <summary>Two coats do.</summary>
    [Said("fairly: two coats")]
    Fairly,

    /// <summary>It takes three and more.</summary>
    [Said("poorly: three and more")]
    Poorly,
}

/// <summary>Covering in figures.</summary>
public static class CoverWords
{
    // Contrast ratios at the usual 20 um dry, between those of known paints: a dark brown, a blue, a clear red. Craft estimates.
    private static readonly double[] Ratios = [0.97, 0.88, 0.7];

    /// <summary>The contrast ratio at 20 um dry that a word stands for.</summary>
    public static double ContrastRatio(this CoverWord word) => Ratios[(int)word];

    /// <summary>The word that is nearest to a contrast ratio.</summary>
    public static CoverWord Of(double contrastRatio) => Enum.GetValues<CoverWord>().MinBy(w => Math.Abs(w.ContrastRatio() - contrastRatio));
}
