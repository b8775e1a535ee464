using Lowfell.Core.Drying;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>A step of a mend on the copies concerned.</summary>
/// <param name="Coat">What is laid, or the work by hand.</param>
/// <param name="Share">Share of the zone.</param>
/// <param name="Minutes">Hands-on minutes a copy.</param>
/// <param name="WaitMin">Minutes that the copy then rests, over what the coat needs to dry.</param>
public sealed record RepairStep(Coat Coat, double Share, double Minutes, double WaitMin);

/// <summary>A mend on some copies of a zone: steps that come after a coat of its stack, before the next.</summary>
/// <param name="AfterCoatId">The coat; the lowest of the stack where it is gone from it; empty for what comes before all of it, as stripping does.</param>
/// <param name="Copies">Numbers of the copies.</param>
/// <param name="Steps">Its steps, in order.</param>
public sealed record Repair(Guid AfterCoatId, IReadOnlyList<int> Copies, IReadOnlyList<RepairStep> Steps);

/// <summary>Which copies a step of a mend is for, and which coat it comes after.</summary>
/// <param name="AfterCoatId">The coat of the stack, whose look stands for it.</param>
/// <param name="Copies">Numbers of the copies.</param>
public sealed record MendOn(Guid AfterCoatId, IReadOnlyList<int> Copies);

/// <summary>Puts mends among the steps of a zone.</summary>
public static class Repairs
{
    /// <summary>The steps with those of mends, each after the last step of its coat.</summary>
    /// <param name="steps">Steps of the stack.</param>
    /// <param name="stack">The stack in the room's air.</param>
    /// <param name="repairs">Mends, in the order in which they were taken up.</param>
    public static IReadOnlyList<Step> Among(IReadOnlyList<Step> steps, StackDraft stack, IReadOnlyList<Repair> repairs)
    {
        if (repairs.Count == 0 || steps.Count == 0)
        {
            return steps;
        }

        var all = steps.ToList();
        foreach (var repair in repairs)
        {
            var on = new MendOn(all.Exists(s => s.Coat.Id == repair.AfterCoatId) ? repair.AfterCoatId : steps[0].Coat.Id, repair.Copies);

            // A later mend of the same coat comes after an earlier one.
            var after = repair.AfterCoatId == Guid.Empty ? -1 : all.FindLastIndex(s => s.Coat.Id == on.AfterCoatId || s.Mends?.AfterCoatId == on.AfterCoatId);
            all.InsertRange(after + 1, repair.Steps.Select(s => Of(s, on, stack)));
        }

        return all;
    }

    /// <summary>Place of the step before one on a copy; -1 where there is none: a mend of other copies is passed over.</summary>
    public static int Before(this IReadOnlyList<Step> steps, int place, int copy)
    {
        for (var i = place - 1; i >= 0; i--)
        {
            if (steps[i].Concerns(copy))
            {
                return i;
            }
        }

        return -1;
    }

    private static Step Of(RepairStep step, MendOn on, StackDraft stack)
    {
        var times = DryingTimes.Of(step.Coat, stack.Zone, stack.Climate);
        var lag = Math.Max(times.RecoatMin, step.WaitMin);
        return new(step.Coat, 1, step.Minutes, step.Coat.Station, times, lag, null) { Share = step.Share, NeededMin = lag, Mends = on };
    }
}
