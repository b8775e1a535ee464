using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>A needed wait of more than a night that a barrier would shorten.</summary>
public static class LongWait
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("long-wait", "A long wait", [Severity.Note], Reads.Waits,
        "A film has to cure before the next coat, where a barrier would be quicker.")
    {
        Check = Find,
        Mends = static c => Barriers.Under(c, c.At, Barriers.Sheens(c)),
    };

    /// <summary>Longer than a night and the morning after it, minutes.</summary>
    private const double LongMin = 13 * 60;

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var wait = reading.Waits[i];
            if (wait is { NeededMin: > LongMin, Kind: WaitKind.Cured or WaitKind.Overnight, From: >= 0 } && reading.Coat(i).OwnWaitMin is null && reading.Coat(i).Wait == Wait.RecoatDry
                && Barriers.Quickest(reading, i) is { } quicker && quicker < wait.NeededMin)
            {
                yield return new(Severity.Note, i, $"This {reading.Coat(i).Word} waits {Words.Duration(wait.NeededMin)} for the {reading.Word(wait.From)} below.",
                    $"With a varnish between it could go on after {Words.Duration(quicker)}.")
                { With = wait.From };
            }
        }
    }
}
