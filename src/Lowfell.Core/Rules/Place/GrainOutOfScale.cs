
namespace Lowfell.Core.Rules.Place;

/// <summary>Grit that is too coarse for the scale.</summary>
public static class GrainOutOfScale
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("grain-out-of-scale", "Grain too coarse for the scale", [Severity.Note], Reads.Order,
        "A grain of grit stands for a stone larger than one walks over.")
    {
        Schools = ["contrast"],
        Check = static r => MarkSizes.TooLarge(r, MarkSizes.IsGrain, "This grit is coarse for the scale.", "Each grain reads as a boulder; fine sand reads as ground."),
        Mends = static c => MarkSizes.Smaller(c, "Use grains no larger than"),
    };
}
