
namespace Lowfell.Core.Rules.Place;

/// <summary>A chip that is too big for the scale.</summary>
public static class ChipTooBig
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("chip-too-big", "Chip too big for the scale", [Severity.Note], Reads.Order,
        "A chip of paint is larger than paint breaks off in life.")
    {
        Schools = ["contrast"],
        Check = static r => MarkSizes.TooLarge(r, MarkSizes.IsChip, "These chips are too big for the scale.", "At this scale whole plates of paint would have to come off."),
        Mends = static c => MarkSizes.Smaller(c, "Keep them under"),
    };
}
