using Lowfell.Core.Evenings.Scheduling;

namespace Lowfell.Core.Evenings.Solving;

/// <summary>Looks for the best plan of the evenings: first by list scheduling, then by constraint programming.</summary>
/// <remarks>
/// In order: the bound; a better grouping of copies (<see cref="LotCuts"/>); list scheduling with shuffled priorities; the horizon stepped down, one session at a time, until a plan with one
/// session less is shown not to be; then, with the finish held, fewer sessions, fewer set-ups, less idle time, each from the last plan found.
/// The answer is never worse than <see cref="ListScheduler.Immediate"/>.
/// </remarks>
public sealed class PlanSolver
{
    // Shares of the time: orders of priority, and stepping down the horizon.
    private const double OrdersShare = 0.12;
    private const double OrdersMostSeconds = 2;

    // So large a model is slow to improve: trying orders gets more of the time.
    private const int ManyLots = 120;
    private const double OrdersShareOfMany = 0.35;

    private const double FinishShare = 0.45;
    private const double UngroupedShare = 0.65;
    private const double LeastSeconds = 0.05;
    private const double CutsShare = 0.1;

    /// <summary>Up to so many steps, copy by copy, a finish is looked for and proved over every grouping of copies.</summary>
    public const int MostUngrouped = 150;

    private readonly PlanTask whole;
    private readonly PlanTask exact;

    // The model takes a whole set-up for each colour, the painter less at an airbrush: what it can't do may be possible.
    private readonly bool strict;
    private readonly PlanTask task;
    private readonly SolveLimits limits;
    private readonly Func<TimeSpan> elapsed;
    private readonly Action<SolveState> tell;
    private readonly CancellationToken cancel;
    private readonly int wanted;

    // The best plan, and the best on the solver's grid, which is where the next search begins.
    private Plan best;
    private Plan onGrid;
    private PlanBounds bounds;
    private bool isGrouped = true;

    private PlanSolver(PlanTask task, SolveLimits limits, Func<TimeSpan> elapsed, Action<SolveState> tell, CancellationToken cancel)
    {
        var bound = ListScheduler.EarliestFinish(task);
        whole = task;
        exact = LotCuts.Improve(task, () => elapsed().TotalSeconds < limits.Seconds * CutsShare && !cancel.IsCancellationRequested, bound).Task;
        strict = Lots.HasCheapChanges(exact);
        (this.task, this.limits, this.elapsed, this.tell, this.cancel) = (Lots.Snap(exact, VisitModel.PerMinute), limits, elapsed, tell, cancel);
        wanted = exact.PieceSteps;
        best = ListScheduler.Immediate(exact);
        onGrid = ListScheduler.Immediate(this.task);
        bounds = new(bound, Math.Max(bound, ListScheduler.EarliestGrouped(exact)));
    }

    /// <summary>Looks for a plan until none better can be, the time is up or it is cancelled; the best so far is the answer in each case.</summary>
    /// <param name="task">What is to be planned.</param>
    /// <param name="limits">Time and threads.</param>
    /// <param name="elapsed">Time since the search began: Core has no clock of its own.</param>
    /// <param name="tell">Told of each new stage and better plan, on a thread of the search. What it throws ends the search.</param>
    /// <param name="cancel">Ends the search early.</param>
    public static SolveState Solve(PlanTask task, SolveLimits limits, Func<TimeSpan> elapsed, Action<SolveState> tell, CancellationToken cancel)
    {
        if (limits.Seconds is not (>= 0.1 and <= 600) || limits.Workers is not (>= 1 and <= 64))
        {
            throw new ArgumentOutOfRangeException(nameof(limits), limits, "A search takes 0.1 to 600 seconds on 1 to 64 threads.");
        }

        return new PlanSolver(task, limits, elapsed, tell, cancel).Run();
    }

    private double Left => limits.Seconds - elapsed().TotalSeconds;

    private SolveState Run()
    {
        Tell(SolveStage.Orders);
        Orders();
        if (wanted > 0 && best.Problem is null or { Kind: PlanProblemKind.CalendarEnds })
        {
            Finish();
            Ungrouped();
            if (best.Problem is null)
            {
                Refine();
            }
        }

        return Tell(SolveStage.Ended);
    }

    private SolveState Tell(SolveStage stage)
    {
        var state = new SolveState(stage, best, bounds);
        tell(state);
        return state;
    }

    private bool Take(Plan plan, SolveStage stage)
    {
        if (plan.Rank(wanted).CompareTo(onGrid.Rank(wanted)) < 0)
        {
            onGrid = plan;
        }

        var real = Exact(plan, exact);
        if (real.Rank(wanted).CompareTo(best.Rank(wanted)) >= 0 || PlanCheck.Faults(exact, real).Count > 0)
        {
            return false;
        }

        best = real;
        Tell(stage);
        return true;
    }

    // A plan of the grid with the task's own figures: the same starts, in which everything takes a little less.
    private static Plan Exact(Plan plan, PlanTask exact)
    {
        var lots = exact.Chains.SelectMany(c => c).ToDictionary(l => (l.Chain, l.Id));
        Lot? before = null;
        var session = -1;
        return plan with
        {
            Lots = [.. plan.Lots.OrderBy(l => l.Start).Select(planned =>
            {
                var lot = lots[(planned.Lot.Chain, planned.Lot.Id)];
                var real = planned with { Lot = lot, SetUpMin = lot.SetUpAfter(session == planned.Session ? before : null) };
                (before, session) = (lot, planned.Session);
                return real;
            })],
        };
    }

    private void Orders()
    {
        var until = wanted > ManyLots ? limits.Seconds * OrdersShareOfMany : Math.Min(OrdersMostSeconds, limits.Seconds * OrdersShare);
        bool GoOn(Plan soFar)
        {
            Take(soFar, SolveStage.Orders);
            return elapsed().TotalSeconds < until && !cancel.IsCancellationRequested;
        }

        Take(ListScheduler.Improve(task, GoOn, limits.Seed), SolveStage.Orders);
    }

    // Is a plan with one session less possible? That there is none proves the finish.
    private void Finish()
    {
        Tell(SolveStage.Finish);
        var until = limits.Seconds * FinishShare;
        while (!cancel.IsCancellationRequested && until - elapsed().TotalSeconds > LeastSeconds)
        {
            var horizon = best.Problem is null ? best.LastSession : task.Sessions.Count;
            if (horizon <= bounds.Grouped)
            {
                return;
            }

            var model = VisitModel.Build(task, horizon, onGrid);
            var answer = model.AnyPlan(onGrid, until - elapsed().TotalSeconds, limits, cancel);
            if (answer.Impossible)
            {
                if (!strict || VisitModel.Build(Lots.Snap(Lots.Eased(exact), VisitModel.PerMinute), horizon, onGrid).AnyPlan(onGrid, until - elapsed().TotalSeconds, limits, cancel).Impossible)
                {
                    bounds = bounds with { Grouped = horizon };
                    Tell(SolveStage.Finish);
                }

                return;
            }

            if (answer.Plan is null || !Take(answer.Plan, SolveStage.Finish))
            {
                return;
            }
        }
    }

    // A bound over groups is none over the work: is a plan with one session less possible where every copy goes its own way?
    private void Ungrouped()
    {
        var singles = Lots.Singles(whole);
        if (singles.PieceSteps > MostUngrouped || singles.PieceSteps == exact.Chains.Sum(c => c.Count))
        {
            // Each lot is one copy already: what holds for the groups holds for all.
            bounds = singles.PieceSteps == exact.Chains.Sum(c => c.Count) ? bounds with { LastSession = Math.Max(bounds.LastSession, bounds.Grouped) } : bounds;
            return;
        }

        var until = limits.Seconds * UngroupedShare;
        var none = new Plan([], null);
        while (!cancel.IsCancellationRequested && until - elapsed().TotalSeconds > LeastSeconds)
        {
            var horizon = best.Problem is null ? best.LastSession : whole.Sessions.Count;
            if (horizon <= bounds.LastSession)
            {
                return;
            }

            // First whether there is none at all, with everything rounded in its favour; then one that holds as it is.
            var eased = Lots.Snap(Lots.Eased(singles), VisitModel.PerMinute, eased: true);
            if (VisitModel.Build(eased, horizon, none).AnyPlan(none, (until - elapsed().TotalSeconds) / 2, limits, cancel).Impossible)
            {
                bounds = bounds with { LastSession = horizon, Grouped = Math.Max(bounds.Grouped, horizon) };
                Tell(SolveStage.Finish);
                return;
            }

            var answer = VisitModel.Build(Lots.Snap(singles, VisitModel.PerMinute), horizon, none).AnyPlan(none, until - elapsed().TotalSeconds, limits, cancel);
            if (answer.Plan is not { } found || Joined(Exact(found, singles), singles) is var real && (real.Rank(wanted).CompareTo(best.Rank(wanted)) >= 0 || PlanCheck.Faults(singles, real).Count > 0))
            {
                return;
            }

            (best, isGrouped) = (real, false);
            Tell(SolveStage.Finish);
        }
    }

    // Copies that are painted one after the other are one lot again, where no wait is broken by the tenths of a minute between them.
    private static Plan Joined(Plan plan, PlanTask singles)
    {
        var lots = plan.Lots.OrderBy(l => l.Start).ToList();
        for (var i = 0; i + 1 < lots.Count;)
        {
            var (one, next) = (lots[i], lots[i + 1]);
            if (one.Lot.Id == next.Lot.Id && one.Session == next.Session && next.SetUpMin == 0 && next.Start - one.End < 1)
            {
                var joined = one with { Lot = one.Lot with { Copies = [.. one.Lot.Copies, .. next.Lot.Copies] } };
                List<PlannedLot> tried = [.. lots[..i], joined, .. lots[(i + 2)..]];
                if (PlanCheck.Faults(singles, plan with { Lots = tried }).Count == 0)
                {
                    lots = tried;
                    continue;
                }
            }

            i++;
        }

        return plan with { Lots = lots };
    }

    private void Refine()
    {
        // A plan of single copies is not one of the groups that are made better here.
        if (!isGrouped || cancel.IsCancellationRequested || Left < LeastSeconds)
        {
            return;
        }

        // On the grid everything takes a little longer: it may have no plan that ends as soon, and then none to make better.
        var model = VisitModel.Build(task, best.LastSession + 1, onGrid);
        if (!model.Fits)
        {
            return;
        }

        foreach (var (stage, share) in new[] { (SolveStage.Sessions, 0.35), (SolveStage.SetUps, 0.85), (SolveStage.Idle, 1.0) })
        {
            if (cancel.IsCancellationRequested || Left * share < LeastSeconds)
            {
                return;
            }

            Tell(stage);
            var bound = model.Minimise(stage, onGrid, Left * share, limits, plan => Take(plan, stage), cancel);
            bounds = strict ? bounds : stage switch
            {
                SolveStage.Sessions => bounds with { Sessions = Math.Min(best.SessionsUsed, (int)Math.Ceiling(bound - Lots.Tolerance)) },
                SolveStage.SetUps => bounds with { SetUps = Math.Min(best.SetUps, (int)Math.Ceiling(bound - Lots.Tolerance)) },
                _ => bounds with { IdleMin = Math.Min(best.IdleMin, Math.Max(0, bound)) },
            };
            Tell(stage);
        }
    }
}
