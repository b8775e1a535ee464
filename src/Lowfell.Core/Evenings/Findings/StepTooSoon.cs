using Lowfell.Core.Rules;
using Lowfell.Core.Rules.Order;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A step that comes too soon after the one before: what <see cref="CoatTooSoon"/> says of a stack, said of an evening.</summary>
public static class StepTooSoon
{
    /// <summary>The rule; null where a step comes when it should, or another rule speaks of it.</summary>
    public static readonly EveningRule Rule = new(CoatTooSoon.Rule.Id, CoatTooSoon.Rule.Title, CoatTooSoon.Rule.Severities, "A coat goes on before the one below is dry enough for it.")
    {
        Check = static s => s.Before.MostLagMin is not null || s.GapMin >= s.Before.NeededMin - StackWait.Slack ? null : Judged(s),
    };

    private static TimeFinding Judged(TimedStep s)
    {
        var wet = s.GapMin < s.Before.Times.TouchMin - StackWait.Slack && s.Before.WaitFor != WaitKind.WhileWet;
        var film = s.Before.Coat.What?.Word ?? s.Before.Coat.Word;
        return new(Rule, wet ? Severity.Stop : Severity.Risk, CoatTooSoon.TooSoon(s.Next.Coat.Word, film), wet ? CoatTooSoon.Wet : CoatTooSoon.DryOnTop,
            $"Needs {Words.Duration(s.Before.NeededMin)} in this room; {CoatTooSoon.Given(s.GapMin)} between.", "");
    }
}
