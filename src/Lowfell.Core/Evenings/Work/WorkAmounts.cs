using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A lot of the work with what is mixed for it.</summary>
/// <param name="Zone">Its zone.</param>
/// <param name="Step">Its step.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Amount">The mix; null where nothing is laid.</param>
/// <param name="Minutes">Hands-on minutes, all copies together, as they are planned.</param>
/// <param name="SetUpMin">Minutes of setting up before it, where it is known after what it comes.</param>
public sealed record MixedLot(OpenZone Zone, Step Step, IReadOnlyList<int> Copies, CoatAmount? Amount, double Minutes, double SetUpMin);

/// <summary>A lot that there is to do.</summary>
/// <param name="Id">The step.</param>
/// <param name="Copies">Copies.</param>
/// <param name="Minutes">Hands-on minutes, all copies together.</param>
/// <param name="SetUpMin">Minutes of setting up before it.</param>
public readonly record struct LotToDo(StepId Id, IReadOnlyList<int> Copies, double Minutes, double SetUpMin);

/// <summary>What the open work takes: the very lots that a plan tells to mix.</summary>
public static class WorkAmounts
{
    /// <summary>Lots of a plan, and after them what of the task it does not have, lot by lot as a plan would part it.</summary>
    public static IReadOnlyList<LotToDo> ToDo(WorkTask task, Plan plan)
    {
        var all = plan.Lots.Select(l => new LotToDo(l.Lot.Id, l.Lot.Copies, l.Lot.Minutes, l.SetUpMin)).ToList();
        var has = all.SelectMany(l => l.Copies.Select(copy => l.Id.On(copy))).ToHashSet();
        foreach (var lot in Lots.Split(task.Plan).Chains.SelectMany(c => c))
        {
            var left = lot.Copies.Where(copy => !has.Contains(lot.Id.On(copy))).ToList();
            if (left.Count > 0)
            {
                all.Add(new(lot.Id, left, left.Count * lot.MinutesPerCopy, lot.SetUpMin));
            }
        }

        return all;
    }

    /// <summary>What is mixed for lots; parts that are fitted take none and are left out.</summary>
    /// <param name="work">The work.</param>
    /// <param name="lots">Its lots.</param>
    /// <param name="palette">What is mixed on.</param>
    public static IReadOnlyList<MixedLot> Of(OpenWork work, IEnumerable<LotToDo> lots, Palette palette)
    {
        var mixed = new List<MixedLot>();
        foreach (var lot in lots)
        {
            if (work.Zone(lot.Id.ZoneId) is { } zone && work.StepOf(lot.Id) is { } step)
            {
                var amount = step.IsBeside || !step.Coat.LeavesFilm ? null
                    : CoatAmount.Of(step.Coat with { Passes = 1 }, [zone.ZoneOf(step, lot.Copies.Count)], palette, zone.Stack.Schools.Highlights);
                mixed.Add(new(zone, step, lot.Copies, amount, lot.Minutes, lot.SetUpMin));
            }
        }

        return mixed;
    }

    /// <summary>Ml of its mix that is kept for touch-ups of a base coat that is still to be laid; 0 for what is no base, or where nothing is likely to slip.</summary>
    /// <param name="work">The work.</param>
    /// <param name="lots">The open lots of the coat, in whichever zones.</param>
    public static double ReserveMl(OpenWork work, IReadOnlyCollection<MixedLot> lots)
    {
        var slips = 0.0;
        foreach (var lot in lots.Where(l => l.Step is { Mends: null } && l.Step.Coat is { How.Covers: true, What.Kind: Kind.Paint } && l.Step.Pass == l.Step.Coat.Passes))
        {
            var zone = lot.Zone;
            var place = zone.StackPlace(lot.Step);
            var own = TouchUp.OfMarks(zone.Stack.Coats.Skip(place + 1).Where(c => !c.Skipped));
            var beside = zone.Zone.Touches.Select(work.Zone).OfType<OpenZone>()
                .Sum(n => TouchUp.AlongBorder(TouchUp.BorderMm(zone.Stack.Zone, n.Stack.Zone), n.Steps.Count(IsNeat)));
            slips += lot.Copies.Count * (own + beside);
        }

        return TouchUp.Ml(slips);
    }

    // What is laid up to a border by hand; spray and messy work is masked or comes before.
    private static bool IsNeat(Step step) => step is { IsBeside: false, Pass: 1 } && step.Station == Station.Brush && step.Coat is { LeavesFilm: true, How: { Messy: false, ColourFree: false } };
}
