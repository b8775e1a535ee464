using Lowfell.Core.Rules;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>Chips that are opened too early or too late.</summary>
public static class ChippingWindow
{
    /// <summary>The rule.</summary>
    public static readonly EveningRule Rule = new("chipping-window", "Chips outside their window", [Severity.Risk],
        "The coat over chipping fluid is opened before it is dry on top, or after the fluid has locked.")
    {
        Check = static s => s.Next.Coat.How.Role != Role.Opening || s.Before.MostLagMin is not { } most ? null
            : s.GapMin < s.Before.NeededMin - StackWait.Slack
                ? new(Rule!, Severity.Risk, "The chips are opened before the coat over the fluid is dry on top.", "It comes off in sheets instead of chips.", $"From {Words.Duration(s.Before.NeededMin)} after it on; {Words.Duration(s.GapMin)} is planned.", "")
            : s.GapMin > most + StackWait.Slack
                ? new(Rule!, Severity.Risk, "The chips are opened after the fluid has locked.", "The coat over it has hardened through: hardly anything comes off any more.", $"Until {Words.Duration(most)} after it; {Words.Duration(s.GapMin)} have gone by.", "Warm water and a stiff brush may still open it; else sponge the chips on.")
            : null,
    };
}
