using Google.OrTools.Sat;
using Google.OrTools.Util;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Solving;

/// <summary>An answer of the solver: a plan, or that there is none, or neither in the time.</summary>
internal readonly record struct Answer(Plan? Plan, bool Impossible);

/// <summary>The evenings as a constraint model: lots are placed in visits, a visit being one set-up with the lots done in it.</summary>
/// <remarks>
/// Times are in tenths of a minute, on which <see cref="Lots.Snap"/> puts the task: plans of the list scheduler fit the model as they are.
/// A lot's start has as its domain the places of the sessions that its chain leaves it. Lots do not overlap; visits do not overlap; each lot
/// is in one visit of its station and colour. Redundant sums of visits and sessions tighten the bound (docs/model.md).
/// </remarks>
internal sealed partial class VisitModel
{
    /// <summary>Units in a minute: the task comes on this grid.</summary>
    public const int PerMinute = Placement.PerMinute;

    /// <summary>Above so many lots a set-up has but one visit in a session.</summary>
    private const int ManyLots = 60;

    private readonly CpModel model = new();
    private readonly PlanTask task;
    private readonly int horizon;
    private readonly Placement placement;
    private readonly Dictionary<PlacedLot, IntVar> starts = [];
    private readonly Dictionary<PlacedLot, LinearExpr> sessionOf = [];
    private readonly Dictionary<PlacedLot, List<(Visit Visit, BoolVar In)>> inside = [];
    private readonly List<Visit> visits = [];
    private readonly List<Evening> evenings = [];
    private readonly Dictionary<(int Session, (Station, string) Kind), int> roundsHinted;

    private VisitModel(PlanTask task, int horizon, Plan hint)
    {
        (this.task, this.horizon) = (task, horizon);
        placement = new(task, horizon);
        roundsHinted = Rounds(hint);
    }

    private IReadOnlyList<PlacedLot> Items => placement.Lots;

    /// <summary>One set-up and the lots done in it.</summary>
    private sealed record Visit(int Session, (Station Station, string Colour) Kind, int Round, BoolVar Made, IntVar From, IntVar To, long SetUp);

    /// <summary>A session's use.</summary>
    private sealed record Evening(int Session, BoolVar Used, IntVar From, IntVar To);

    /// <summary>The model of plans that end within the first sessions.</summary>
    /// <param name="task">What is to be planned, split and on the grid.</param>
    /// <param name="horizon">So many sessions there are.</param>
    /// <param name="hint">The best plan so far: the model has room for its visits at least.</param>
    public static VisitModel Build(PlanTask task, int horizon, Plan hint)
    {
        var model = new VisitModel(task, horizon, hint);
        if (model.placement.Fits)
        {
            model.AddVisits();
            model.AddWaits();
            model.AddOrder();
        }

        return model;
    }

    /// <summary>Whether each lot has a place within these sessions at all: else there is no plan, and nothing in the model.</summary>
    public bool Fits => placement.Fits;

    /// <summary>Any plan at all.</summary>
    public Answer AnyPlan(Plan hint, double seconds, SolveLimits limits, CancellationToken cancel)
    {
        if (!placement.Fits)
        {
            return new(null, true);
        }

        Hint(hint);
        var result = CpSearch.Run(model, seconds, limits, "stop_after_first_solution:true", null, cancel);
        return new(result.Value is { } value ? Read(value) : null, result.Status == CpSolverStatus.Infeasible);
    }

    /// <summary>Whether a plan, as it is hinted, holds in the model: else the search begins from nothing.</summary>
    internal CpSolverStatus HintStatus(Plan hint)
    {
        Hint(hint);
        return CpSearch.Run(model, 5, new(), "fix_variables_to_their_hinted_value:true", null, CancellationToken.None).Status;
    }

    /// <summary>Minimises one figure, the earlier ones held where the best plan has them.</summary>
    /// <returns>The bound of the figure.</returns>
    public double Minimise(SolveStage stage, Plan best, double seconds, SolveLimits limits, Func<Plan, bool> take, CancellationToken cancel)
    {
        var sessions = LinearExpr.Sum(evenings.Select(e => e.Used));
        var setUps = LinearExpr.Sum(visits.Select(v => v.Made));
        var idle = LinearExpr.WeightedSum(
            [.. evenings.Select(e => e.To), .. evenings.Select(e => e.From), .. visits.Select(v => v.Made)],
            [.. evenings.Select(_ => 1L), .. evenings.Select(_ => -1L), .. visits.Select(v => -v.SetUp)]);
        var (aim, scale) = stage switch
        {
            SolveStage.Sessions => (sessions, 1.0),
            SolveStage.SetUps => (setUps, 1.0),
            _ => (idle, PerMinute),
        };
        if (stage >= SolveStage.SetUps)
        {
            model.Add(sessions <= best.SessionsUsed);
        }

        if (stage >= SolveStage.Idle)
        {
            model.Add(setUps <= best.SetUps);
        }

        model.Minimize(aim);
        Hint(best);
        var result = CpSearch.Run(model, seconds, limits, "", value => take(Read(value)), cancel);
        if (result.Value is { } last)
        {
            take(Read(last));
        }

        var found = stage == SolveStage.Idle ? result.Bound - placement.WorkUnits : result.Bound;
        var known = stage switch
        {
            SolveStage.Sessions => placement.LeastSessions(),
            SolveStage.SetUps => placement.LeastSetUps(),
            _ => 0,
        };
        return Math.Max(known, double.IsFinite(found) ? found / scale : 0);
    }

    private void AddVisits()
    {
        foreach (var item in Items)
        {
            var places = Enumerable.Range(0, horizon)
                .Select(s => (From: Math.Max(placement.Open(s) + item.SetUp, item.Head), To: Math.Min(placement.Close(s) - item.Size, item.Tail)))
                .Where(place => place.From <= place.To).Select(place => new[] { place.From, place.To }).ToArray();
            starts[item] = model.NewIntVarFromDomain(Domain.FromIntervals(places), "");
            inside[item] = [];
        }

        model.AddNoOverlap(Items.Select(i => model.NewFixedSizeIntervalVar(starts[i], i.Size + Placement.Up(i.Lot.PauseMin), "")));
        var rounds = Items.Count > ManyLots ? 1 : 2;
        var intervals = new List<IntervalVar>();
        for (var s = 0; s < horizon; s++)
        {
            var (open, close) = (placement.Open(s), placement.Close(s));
            var here = Items.Where(i => Math.Max(open + i.SetUp, i.Head) <= Math.Min(close - i.Size, i.Tail)).ToList();
            var evening = new Evening(s, model.NewBoolVar(""), model.NewIntVar(open, close, ""), model.NewIntVar(open, close, ""));
            evenings.Add(evening);
            model.Add(evening.To - evening.From >= 0);
            model.Add(evening.To - evening.From <= (close - open) * evening.Used);
            List<IntVar> filled = [];
            List<long> minutes = [];
            foreach (var kind in here.GroupBy(i => (i.Lot.Station, i.Lot.Colour)))
            {
                Visit? earlier = null;
                var most = Math.Max(rounds, roundsHinted.GetValueOrDefault((s, kind.Key)));
                for (var round = 0; round < Math.Min(most, kind.Count()); round++)
                {
                    var visit = AddVisit(evening, kind.Key, round, [.. kind], intervals, filled, minutes);
                    if (earlier is not null)
                    {
                        model.AddImplication(visit.Made, earlier.Made);
                        model.Add(visit.From >= earlier.To).OnlyEnforceIf(visit.Made);
                    }

                    earlier = visit;
                }
            }

            model.Add(evening.To - evening.From >= LinearExpr.WeightedSum(filled, minutes));
        }

        model.AddNoOverlap(intervals);
        model.Add(LinearExpr.Sum(evenings.Select(e => e.Used)) >= placement.LeastSessions());
        foreach (var item in Items)
        {
            model.AddExactlyOne(inside[item].Select(v => v.In));
            sessionOf[item] = LinearExpr.WeightedSum(inside[item].Select(v => v.In), inside[item].Select(v => (long)v.Visit.Session));
        }

        foreach (var kind in Items.GroupBy(i => (i.Lot.Station, i.Lot.Colour)))
        {
            var least = placement.LeastVisits([.. kind]);
            model.Add(LinearExpr.Sum(visits.Where(v => v.Kind == kind.Key).Select(v => v.Made)) >= least);
        }
    }

    private Visit AddVisit(Evening evening, (Station, string) kind, int round, List<PlacedLot> lots, List<IntervalVar> intervals, List<IntVar> filled, List<long> minutes)
    {
        var (open, close) = (placement.Open(evening.Session), placement.Close(evening.Session));
        var visit = new Visit(evening.Session, kind, round, model.NewBoolVar(""), model.NewIntVar(open, close, ""), model.NewIntVar(open, close, ""), lots.Max(l => l.SetUp));
        visits.Add(visit);
        intervals.Add(model.NewOptionalIntervalVar(visit.From, model.NewIntVar(0, close - open, ""), visit.To, visit.Made, ""));
        model.AddImplication(visit.Made, evening.Used);
        model.Add(visit.From >= evening.From).OnlyEnforceIf(visit.Made);
        model.Add(visit.To <= evening.To).OnlyEnforceIf(visit.Made);
        List<IntVar> own = [visit.Made];
        List<long> sizes = [visit.SetUp];
        foreach (var item in lots)
        {
            var within = model.NewBoolVar("");
            inside[item].Add((visit, within));
            own.Add(within);
            sizes.Add(item.Size);
            model.AddImplication(within, visit.Made);
            model.Add(starts[item] >= visit.From + visit.SetUp).OnlyEnforceIf(within);
            model.Add(starts[item] + item.Size <= visit.To).OnlyEnforceIf(within);
        }

        foreach (var (one, other) in placement.Apart(lots))
        {
            model.AddAtMostOne([inside[one][^1].In, inside[other][^1].In]);
        }

        model.AddBoolOr(own.Skip(1).Select(o => (ILiteral)(BoolVar)o)).OnlyEnforceIf(visit.Made);
        model.Add(visit.To - visit.From >= LinearExpr.WeightedSum(own, sizes));
        filled.AddRange(own);
        minutes.AddRange(sizes);
        return visit;
    }

    private static Dictionary<(int Session, (Station, string) Kind), int> Rounds(Plan plan)
    {
        var rounds = new Dictionary<(int, (Station, string)), int>();
        foreach (var lot in plan.Lots.Where(l => l.SetUpMin > 0))
        {
            var key = (lot.Session, (lot.Lot.Station, lot.Lot.Colour));
            rounds[key] = rounds.GetValueOrDefault(key) + 1;
        }

        return rounds;
    }

    private void AddWaits()
    {
        foreach (var item in Items)
        {
            foreach (var (before, lag) in placement.Before(item))
            {
                model.Add(starts[item] - starts[before] >= lag);
                model.Add(sessionOf[item] - sessionOf[before] >= placement.SessionsApart(before, item, lag));
            }

            if (item.Place > 0 && placement.At[(item.Chain, item.Place - 1)] is var windowed && Lots.MostLag(windowed.Lot, item.Lot) is { } most)
            {
                model.Add(starts[item] - starts[windowed] <= Placement.Down(most));
            }
        }

        // A touching zone has to be touch-dry: the copies of a lot are under the hand one after the other.
        foreach (var (a, b) in task.Touching.Where(t => task.Chains[t.A].Count > 0 && task.Chains[t.B].Count > 0))
        {
            var both = Items.Where(i => i.Chain == a || i.Chain == b).ToList();
            var same = task.Chains[a][0].Copies.SequenceEqual(task.Chains[b][0].Copies);
            var quickest = both.Min(i => i.Lot.MinutesPerCopy);
            model.AddNoOverlap(both.Select(i =>
            {
                var copies = i.Lot.Copies.Count;
                var until = same ? Math.Max(i.Lot.MinutesPerCopy, i.Lot.Minutes - ((copies - 1) * quickest)) + i.Lot.TouchMin : i.Lot.Minutes + i.Lot.TouchMin;
                return model.NewFixedSizeIntervalVar(starts[i], Math.Max(i.Size, Math.Min(Placement.Up(until), OwnWait(i))), "");
            }));
        }
    }

    // The chain's own next lot is in the same no-overlap: it may come as soon as its own wait allows.
    private long OwnWait(PlacedLot item) => placement.At.TryGetValue((item.Chain, item.Place + 1), out var next) ? Placement.Up(Lots.Lag(item.Lot, next.Lot)) : long.MaxValue / 8;

    // Parts of one lot are alike: the first is begun first.
    private void AddOrder()
    {
        foreach (var (first, second) in Alike())
        {
            for (var p = 0; p < task.Chains[first].Count; p++)
            {
                model.Add(starts[placement.At[(first, p)]] <= starts[placement.At[(second, p)]]);
            }
        }
    }

    // The order and sessions of a solution, with the exact minutes, each lot as early as it may be within its visit.
    private Plan Read(Func<IntVar, long> value)
    {
        var planned = new List<PlannedLot>(Items.Count);
        PlannedLot? before = null;
        foreach (var (item, start) in Items.Select(i => (i, Start: value(starts[i]))).OrderBy(i => i.Start))
        {
            var session = inside[item].First(v => value(v.In) != 0).Visit.Session;
            var last = before?.Session == session ? before.Lot : null;
            before = new(item.Lot, session, start / (double)PerMinute, item.Lot.SetUpAfter(last));
            planned.Add(before);
        }

        return new(planned, null);
    }
}
