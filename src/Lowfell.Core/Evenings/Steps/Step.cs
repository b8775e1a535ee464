using Lowfell.Core.Amounts;
using Lowfell.Core.Drying;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>One pass of one coat, or the cleaning up of one, as a step of the work on a zone.</summary>
/// <param name="Coat">The coat.</param>
/// <param name="Pass">Which pass, from 1; <see cref="CleanUpPass"/> for its clean-up.</param>
/// <param name="MinutesPerCopy">Hands-on minutes a copy, handling counted.</param>
/// <param name="Station">Where it is done.</param>
/// <param name="Times">How it dries.</param>
/// <param name="LagMin">Minutes until the next step may begin on the same copy.</param>
/// <param name="MostLagMin">Minutes within which it must; null without a window.</param>
public sealed record Step(Coat Coat, int Pass, double MinutesPerCopy, Station Station, DryingTimes Times, double LagMin, double? MostLagMin)
{
    /// <summary>The pass that stands for the cleaning up of a coat, so that a coat that gets another pass keeps it.</summary>
    public const int CleanUpPass = 0;

    /// <summary>The pass that stands for masking what touches, before a coat is sprayed.</summary>
    public const int MaskPass = -1;

    /// <summary>The pass that stands for taking the mask off again.</summary>
    public const int UnmaskPass = -2;

    /// <summary>The pass that stands for turning a piece that lies flat, when one side of it is done.</summary>
    public const int OtherSidePass = -3;

    /// <summary>Whether a pass lays something: one of the coat, on either side.</summary>
    public static bool Lays(int pass) => pass is > 0 or <= OtherSidePass;

    /// <summary>What it is known by on a zone.</summary>
    public StepId Id(Guid zoneId) => StepId.Coat(zoneId, Coat.Id, Pass);

    /// <summary>Whether it cleans up what the passes before it have laid.</summary>
    public bool IsCleanUp => Pass == CleanUpPass;

    /// <summary>Whether nothing is laid by it: it cleans up, masks or unmasks.</summary>
    public bool IsBeside => Pass is CleanUpPass or MaskPass or UnmaskPass;

    /// <summary>Share of the zone that it is about: half of it where the piece lies flat and is turned.</summary>
    public double Share { get; init; } = 1;

    /// <summary>The mend that it is of; null for a step of the stack, which every copy gets.</summary>
    public MendOn? Mends { get; init; }

    /// <summary>Whether a copy gets it.</summary>
    public bool Concerns(int copy) => Mends is null || Mends.Copies.Contains(copy);

    /// <summary>The coat of the stack whose look stands for it.</summary>
    public Guid LooksAs => Mends?.AfterCoatId ?? Coat.Id;

    /// <summary>What the next step waits for.</summary>
    public WaitKind WaitFor { get; init; } = WaitKind.Recoat;

    /// <summary>Minutes that the next step needs, where the painter has set another wait.</summary>
    public double NeededMin { get; init; }
}

/// <summary>Steps of a stack.</summary>
public static class StackSteps
{
    private const double LeastMinutes = 0.2;

    /// <summary>Place of a step among those of its zone; -1 where it is not one of them.</summary>
    public static int Place(this IReadOnlyList<Step> steps, StepId id)
    {
        for (var i = 0; i < steps.Count; i++)
        {
            if (steps[i].Coat.Id == id.CoatId && steps[i].Pass == id.Pass)
            {
                return i;
            }
        }

        return -1;
    }

    /// <summary>The steps of a stack in order: a pass each, as a second pass waits for the first; what is cleaned up is two steps, to lay it and to clean it within its window.</summary>
    /// <param name="stack">The stack in the room's air; skipped coats are left out.</param>
    public static IReadOnlyList<Step> Of(StackDraft stack)
    {
        var reading = new Reading(stack);
        var one = stack.Zone with { Copies = 1 };
        var steps = new List<Step>();
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var times = reading.Times(i);
            var next = reading.Next(i);
            var amount = CoatAmount.Of(coat with { Passes = 1 }, [one], Palette.Wet, stack.Schools.Highlights);
            var minutes = Math.Max(LeastMinutes, amount.Minutes);
            var wait = next < 0 ? default : reading.Waits[next];
            for (var pass = 1; pass < coat.Passes; pass++)
            {
                steps.Add(new(coat, pass, minutes, coat.Station, times, times.RecoatMin, null) { NeededMin = times.RecoatMin });
            }

            var last = new Step(coat, coat.Passes, minutes, coat.Station, times, wait.Minutes, next < 0 ? null : wait.MostMin) { WaitFor = wait.Kind, NeededMin = wait.NeededMin };
            if (amount.CleanUpMinutes > 0 && times is { CleanFromMin: { } from, CleanToMin: { } to } && !IsCleanedUpBy(reading, next))
            {
                // The next coat waits since this one was laid, not since it was cleaned.
                steps.Add(last with { LagMin = from, MostLagMin = to, WaitFor = WaitKind.WhileWet, NeededMin = from });
                steps.Add(last with { Pass = Step.CleanUpPass, MinutesPerCopy = Math.Max(LeastMinutes, amount.CleanUpMinutes), LagMin = Math.Max(0, wait.Minutes - from), NeededMin = Math.Max(0, wait.NeededMin - from) });
            }
            else
            {
                steps.Add(last);
            }
        }

        return steps;
    }

    // A clean-up that stands in the stack as a coat of its own is not done twice.
    private static bool IsCleanedUpBy(Reading reading, int next) => next >= 0 && reading.Coat(next).How.Role == Role.CleanUp;
}
