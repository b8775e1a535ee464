
namespace Lowfell.Core.Rules.Place;

/// <summary>A streak that is too fat for the scale.</summary>
public static class StreakTooWide
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("streak-too-wide", "Streak too wide for the scale", [Severity.Note], Reads.Order,
        "A streak is wider than rain, rust or grime runs down in life.")
    {
        Schools = ["contrast"],
        Check = static r => MarkSizes.TooLarge(r, MarkSizes.IsStreak, "These streaks are too wide for the scale.", "At this scale they read as bands of paint, not as something that ran down."),
        Mends = static c => MarkSizes.Smaller(c, "Draw them no wider than"),
    };
}
