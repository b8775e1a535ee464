using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;

namespace Lowfell.Core.Evenings.Work;

/// <summary>Makes plans of a task, and lets none go that breaks its rules.</summary>
public static class PlanMaker
{
    /// <summary>A plan at once, looked at again for as long as the caller likes.</summary>
    /// <param name="task">The task.</param>
    /// <param name="goOn">Asked before each look.</param>
    /// <param name="before">A plan whose order is followed as far as it is as good; it stands where nothing better is found.</param>
    /// <exception cref="InvalidOperationException">The plan broke a rule of the task.</exception>
    public static SolveState AtOnce(WorkTask task, Func<bool> goOn, IReadOnlyList<HeldLot>? before = null)
    {
        var wish = before?.GroupBy(l => l.Id).ToDictionary(g => g.Key, g => g.Min(l => l.StartMin));
        var bound = ListScheduler.EarliestFinish(task.Plan);
        var parted = before is null ? LotCuts.Improve(task.Plan, goOn, bound) : (Task: task.Plan, Plan: null!);
        // Where there is no time to look again, the plan of these parts is what it would find.
        var plan = before is null && !goOn() ? parted.Plan : ListScheduler.Improve(parted.Task, _ => goOn(), seed: 1, wish);
        if (before is null && Order(parted.Plan).CompareTo(Order(plan)) < 0)
        {
            plan = parted.Plan;
        }

        if (before is not null && new HeldPlan(before, task).Standing() is { } standing && (plan.Problem is not null || Order(standing).CompareTo(Order(plan)) <= 0))
        {
            plan = standing;
        }

        return new(SolveStage.Ended, Checked(task, plan), new(bound, Math.Max(bound, ListScheduler.EarliestGrouped(parted.Task))));
    }

    /// <summary>The best plan that can be found in a time.</summary>
    /// <param name="task">The task.</param>
    /// <param name="seconds">Seconds that it may take.</param>
    /// <param name="elapsed">How long it has taken, by the caller's clock.</param>
    /// <param name="tell">Told of every step forward.</param>
    /// <param name="cancel">Ends it with what it has.</param>
    /// <exception cref="InvalidOperationException">The plan broke a rule of the task.</exception>
    public static SolveState Solve(WorkTask task, double seconds, Func<TimeSpan> elapsed, Action<SolveState> tell, CancellationToken cancel)
    {
        var state = PlanSolver.Solve(task.Plan, new(seconds), elapsed, tell, cancel);
        Checked(task, state.Best);
        return state;
    }

    private static Plan Checked(WorkTask task, Plan plan) => PlanCheck.Faults(task.Plan, plan) is { Count: > 0 } faults
        ? throw new InvalidOperationException("A plan broke its own rules: " + string.Join("; ", faults))
        : plan;

    // What makes one whole plan better than another, however its lots are parted.
    private static (int, int, int, int, int, int, (int, double)) Order(Plan plan) => (-plan.Lots.Sum(l => l.Lot.Copies.Count), plan.Missed, plan.Late, plan.LastSession, plan.SessionsUsed, plan.SetUps, (plan.Uneasy, Math.Round(plan.IdleMin, 1)));
}
