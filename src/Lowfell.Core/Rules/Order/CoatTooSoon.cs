using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Rules.Order;

/// <summary>The painter hurries past a wait.</summary>
public static class CoatTooSoon
{
    /// <summary>The rule.</summary>
    public static readonly Rule Rule = new("coat-too-soon", "Coat too soon", [Severity.Stop, Severity.Risk], Reads.Waits,
        "A wait was made shorter than the film below needs.")
    {
        Check = Find,
        Mends = static c => [new("wait", $"Wait {Words.Duration(c.Reading.Waits[c.At].NeededMin)}, as it needs", c.Draft.Replace(c.Coat with { OwnWaitMin = null }))],
    };

    /// <summary>Why, where the film is wet to the touch.</summary>
    internal const string Wet = "It is still wet to the touch: the brush drags it up.";

    /// <summary>Why, where it is dry on top only.</summary>
    internal const string DryOnTop = "It is dry on top only: it wrinkles, lifts or never hardens.";

    /// <summary>What is found.</summary>
    internal static string TooSoon(string coat, string film) => $"This {coat} comes too soon for the {film} below.";

    /// <summary>The minutes that there are, in words.</summary>
    internal static string Given(double minutes) => minutes < 1 ? "no time" : Words.Duration(minutes);

    private static IEnumerable<Fault> Find(Reading reading)
    {
        foreach (var i in reading.Applied)
        {
            var wait = reading.Waits[i];
            if (!wait.IsShort)
            {
                continue;
            }

            var film = reading.Word(wait.From);
            var wet = wait.From >= 0 && wait.Minutes < reading.Times(wait.From).TouchMin - StackWait.Slack && wait.Kind != WaitKind.WhileWet;
            yield return new(wet ? Severity.Stop : Severity.Risk, i, TooSoon(reading.Coat(i).Word, film), wet ? Wet : DryOnTop)
            {
                With = wait.From,
                Figure = $"Needs {Words.Duration(wait.NeededMin)} in this room; {Given(wait.Minutes)} is planned.",
            };
        }
    }
}
