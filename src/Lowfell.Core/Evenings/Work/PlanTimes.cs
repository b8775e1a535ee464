using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A planned step that comes too soon or too late, with the copies that it is about.</summary>
/// <param name="Zone">Where.</param>
/// <param name="Step">The step.</param>
/// <param name="Copies">Copies.</param>
/// <param name="StartMin">When it is planned, minutes from the origin.</param>
/// <param name="Finding">What is wrong.</param>
public sealed record LateOrSoon(OpenZone Zone, Step Step, IReadOnlyList<int> Copies, double StartMin, TimeFinding Finding);

/// <summary>The times between steps, judged.</summary>
public static class PlanTimes
{
    /// <summary>Steps of a plan that come too soon or too late for what is below, each once with the copies it is about.</summary>
    public static IReadOnlyList<LateOrSoon> Judge(Plan plan, WorkTask task)
    {
        var ends = new Dictionary<CopyStep, double>();
        foreach (var planned in plan.Lots)
        {
            for (var place = 0; place < planned.Lot.Copies.Count; place++)
            {
                ends[planned.Lot.Id.On(planned.Lot.Copies[place])] = planned.CopyStart(place) + planned.Lot.MinutesPerCopy;
            }
        }

        var found = new List<LateOrSoon>();
        foreach (var planned in plan.Lots)
        {
            if (task.Work.Zone(planned.Lot.Id.ZoneId) is not { } zone || zone.Place(planned.Lot.Id) is not (> 0 and var index))
            {
                continue;
            }

            var judged = planned.Lot.Copies.SelectMany((copy, place) =>
                zone.Steps.Before(index, copy) is >= 0 and var earlier && (ends.TryGetValue(zone.Id(earlier).On(copy), out var end) ? end : task.Ready.DoneBefore(zone, index, copy)) is { } before
                    ? StepTiming.Judge(new(zone.Steps[earlier], zone.Steps[index], planned.CopyStart(place) - before, zone.Stack.Zone)).Select(f => (Copy: copy, Finding: f))
                    : []);
            found.AddRange(judged.GroupBy(j => j.Finding.Rule.Id).Select(same => new LateOrSoon(zone, zone.Steps[index], [.. same.Select(j => j.Copy)], planned.Start, same.First().Finding)));
        }

        return found;
    }

    /// <summary>What is noticed of the time of a step that is written down, copy by copy: how long it comes after the one before it.</summary>
    /// <param name="zone">The zone.</param>
    /// <param name="steps">Its steps.</param>
    /// <param name="id">The step.</param>
    /// <param name="copies">The copies that it was done on.</param>
    /// <param name="atMin">When it ended, minutes from any origin.</param>
    /// <param name="done">What was done by then, from the same origin.</param>
    public static IReadOnlyDictionary<int, TimeFinding> Notice(Zone zone, IReadOnlyList<Step> steps, StepId id, IReadOnlyList<int> copies, double atMin, DoneSteps done)
    {
        var notices = new Dictionary<int, TimeFinding>();
        if (steps.Place(id) is not (> 0 and var place))
        {
            return notices;
        }

        foreach (var copy in copies)
        {
            if (steps.Before(place, copy) is not (>= 0 and var earlier))
            {
                continue;
            }

            var before = steps[earlier];
            if (before.IsCleanUp && !done.Knows(before.Id(id.ZoneId).On(copy)))
            {
                // Nobody wrote down that it was cleaned up: the wait counts from the laying.
                var laid = steps[earlier - 1];
                before = laid with { NeededMin = laid.NeededMin + before.NeededMin, MostLagMin = null };
            }

            if (done.DoneAt(before.Id(id.ZoneId).On(copy)) is { } ended
                && StepTiming.Judge(new(before, steps[place], Math.Max(0, atMin - ended - steps[place].MinutesPerCopy), zone)) is [var first, ..])
            {
                notices[copy] = first;
            }
        }

        return notices;
    }
}
