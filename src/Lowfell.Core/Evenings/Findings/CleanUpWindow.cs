using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A wash that is cleaned up too early or too late.</summary>
public static class CleanUpWindow
{
    // By relief: how much longer cleaning takes once it has set. Craft estimates.
    private static readonly double[] LateFactor = [1.5, 2, 3, 4];

    /// <summary>The rule.</summary>
    public static readonly EveningRule Rule = new("clean-up-window", "Cleaned up outside its window", [Severity.Risk],
        "A wash that is to be cleaned off the face is left until it has set, or is wiped while it still runs.")
    {
        Check = static s => !IsCleaning(s) || s.Before.MostLagMin is not { } most ? null
            : s.GapMin < s.Before.NeededMin - StackWait.Slack
                ? new(Rule!, Severity.Risk, $"The {s.Before.Coat.Word} is cleaned up while it still runs.", "It smears over the face instead of staying in the crease.", $"From {Words.Duration(s.Before.NeededMin)} after it on; {Words.Duration(s.GapMin)} is planned.", "")
            : s.GapMin > most + StackWait.Slack
                ? new(Rule!, Severity.Risk, $"The {s.Before.Coat.Word} has set: cleaning it up takes longer now.", "It comes off with fresh thinner and a stiff brush, and less evenly.", $"Until {Words.Duration(most)} after it; {Words.Duration(s.GapMin)} have gone by. About {Late(s.Zone.Relief):0.#} times the work here.", "Fresh thinner, a stiff brush and swabs; or hide the rest under dust or oil stains.")
            : null,
    };

    /// <summary>How many times as long cleaning up takes once its window has closed.</summary>
    public static double Late(Relief relief) => LateFactor[(int)relief];

    private static bool IsCleaning(TimedStep s) => s.Next.IsCleanUp || s.Next.Coat.How.Role == Role.CleanUp;
}
