using Lowfell.Core.Evenings.Steps;
namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>Plans the evenings as a painter would: forward through the sessions, always the most pressing thing that can be done now.</summary>
/// <remarks>
/// Chronological list scheduling: at each moment, among the lots whose copies are dry enough and that fit before the session ends, the one of
/// highest priority is taken; keeping the set-up counts for something. Where nothing is ready, time goes on to the moment at which something
/// is. Lots with a window are placed together with the lot that must follow them. A few rules of priority are tried, then shuffled ones for
/// as long as there is time; the best plan by finish, set-ups, idle minutes is kept (Kolisch 1996 for the scheme; priorities by longest tail).
/// </remarks>
public static partial class ListScheduler
{
    private const double Tolerance = Lots.Tolerance;

    /// <summary>A plan at once.</summary>
    public static Plan Immediate(PlanTask task) => Improve(task, static _ => false, 0);

    /// <summary>A plan, tried again with shuffled priorities while <paramref name="goOn"/> says so.</summary>
    /// <param name="task">What is to be planned.</param>
    /// <param name="goOn">Asked before each try, with the best plan so far.</param>
    /// <param name="seed">Seed of the shuffling: the same seed and number of tries give the same plan.</param>
    /// <param name="wish">Starts of steps in an earlier plan, by zone, coat and pass: its order is tried first, so that no more is moved than has to be.</param>
    public static Plan Improve(PlanTask task, Func<Plan, bool> goOn, int seed, IReadOnlyDictionary<StepId, double>? wish = null)
    {
        var split = Lots.Split(task);
        var kinds = new LotKinds(split);
        var wanted = split.PieceSteps;
        (Plan Plan, (int, int, int, int, int, int, (int, double)) Rank)? best = null;
        var bestOrder = new Order([.. split.Chains.Select(_ => 1.0)], 0);
        void Try(Order order)
        {
            var plan = new Run(split, kinds, order).Go();
            // Of two alike the earlier order stays where a plan is followed, else the newer one, to move on.
            var rank = plan.Rank(wanted);
            if (best is null || rank.CompareTo(best.Value.Rank) < (wish is null ? 1 : 0))
            {
                (best, bestOrder) = ((plan, rank), order);
            }
        }

        if (wish is not null)
        {
            Try(bestOrder with { Wish = wish });
        }

        foreach (var keep in new[] { 0.0, 60, 600, 6000 })
        {
            Try(new([.. split.Chains.Select(_ => 1.0)], keep));
        }

        // What has a day to be done by goes first, the nearest before all else.
        if (split.Chains.Any(c => c.Any(l => l.Deadline is not null)))
        {
            foreach (var keep in new[] { 0.0, 600 })
            {
                Try(new([.. split.Chains.Select(c => c is [{ Deadline: { } by }, ..] ? 1 + (DeadlinePress / Math.Max(1, by.ByMin / (24 * 60))) : 1.0)], keep));
            }
        }

        // Every few tries from scratch; else a step from the best, in which some chains press more or less.
        var random = new Random(seed);
        for (var tries = 0; goOn(best!.Value.Plan); tries++)
        {
            Try(tries % FromScratchEvery == 0 ? Shuffled(split, random) : Neighbour(bestOrder, random));
        }

        return best!.Value.Plan;
    }

    private const int FromScratchEvery = 8;
    private const double DeadlinePress = 1000;

    private static Order Shuffled(PlanTask split, Random random) => new([.. split.Chains.Select(_ => 0.6 + (0.8 * random.NextDouble()))], Math.Pow(10, 4 * random.NextDouble()));

    private static Order Neighbour(Order from, Random random)
    {
        double[] pressing = [.. from.Pressing];
        for (var change = 1 + random.Next(Math.Max(1, pressing.Length / 6)); change > 0 && pressing.Length > 0; change--)
        {
            pressing[random.Next(pressing.Length)] *= Math.Exp(random.NextDouble() - 0.5);
        }

        return new(pressing, random.Next(3) == 0 ? Math.Max(1, from.KeepSetUp) * Math.Exp(2 * (random.NextDouble() - 0.5)) : from.KeepSetUp);
    }

    /// <summary>How much each chain presses, and what keeping a set-up is worth.</summary>
    private sealed record Order(double[] Pressing, double KeepSetUp, IReadOnlyDictionary<StepId, double>? Wish = null);

    /// <summary>One pass through the calendar.</summary>
    private sealed class Run
    {
        private readonly PlanTask task;
        private readonly LotKinds kinds;
        private readonly Order order;
        private readonly int[] next;
        private readonly double[][] tail;
        private readonly double[] ready;
        private readonly List<PlannedLot> done = [];
        private readonly List<int>[] touches;
        private readonly double[] wetUntil;
        private readonly List<int>[] after;
        private readonly List<int>[] then;
        private readonly NextLots nextLots;

        public Run(PlanTask task, LotKinds kinds, Order order)
        {
            (this.task, this.kinds, this.order) = (task, kinds, order);
            next = new int[task.Chains.Count];
            ready = new double[task.Chains.Count];
            wetUntil = new double[task.Chains.Count];
            touches = [.. task.Chains.Select(_ => new List<int>())];
            foreach (var (a, b) in task.Touching)
            {
                touches[a].Add(b);
                touches[b].Add(a);
            }

            after = [.. task.Chains.Select(_ => new List<int>())];
            then = [.. task.Chains.Select(_ => new List<int>())];
            foreach (var (earlier, later) in task.Joins)
            {
                after[later].Add(earlier);
                then[earlier].Add(later);
            }

            // What hangs on a chain presses too: chains are joined forward, so the later ones are known first.
            tail = new double[task.Chains.Count][];
            foreach (var c in Lots.InOrder(task).Reverse())
            {
                var sums = new double[task.Chains[c].Count + 1];
                sums[^1] = then[c].Select(later => tail[later][0]).DefaultIfEmpty().Max();
                for (var i = sums.Length - 2; i >= 0; i--)
                {
                    sums[i] = sums[i + 1] + task.Chains[c][i].Minutes + task.Chains[c][i].LagMin;
                }

                tail[c] = sums;
            }

            nextLots = new(kinds, task.Chains.Count);
            for (var c = 0; c < task.Chains.Count; c++)
            {
                Refresh(c);
            }
        }

        public Plan Go()
        {
            for (var s = 0; s < task.Sessions.Count && Left(); s++)
            {
                var session = task.Sessions[s];
                double now = session.Open;
                Lot? before = null;
                while (nextLots.Choose(now, session.Close, before, order.Wish is null ? order.KeepSetUp : 0) is { } choice)
                {
                    (now, before) = Place(choice.Chain, choice.Start, s, before);
                }
            }

            return new([.. done.OrderBy(l => l.Start)], Problem());
        }

        private bool Left()
        {
            for (var c = 0; c < next.Length; c++)
            {
                if (next[c] < task.Chains[c].Count)
                {
                    return true;
                }
            }

            return false;
        }

        private void Refresh(int chain)
        {
            if (next[chain] >= task.Chains[chain].Count || Blocked(chain))
            {
                nextLots.Set(chain, null, 0, 0);
                return;
            }

            var lot = task.Chains[chain][next[chain]];
            var urge = lot.DueBy is not null
                ? double.MaxValue
                : order.Wish is { } wish
                ? -wish.GetValueOrDefault(lot.Id, double.MaxValue)
                : tail[chain][next[chain]] * order.Pressing[chain];
            nextLots.Set(chain, next[chain], Ready(chain), urge);
        }

        // What was placed in a chain changes what it asks for next, and what those do that touch it or come after it.
        private void RefreshAround(int chain)
        {
            Refresh(chain);
            foreach (var other in touches[chain])
            {
                Refresh(other);
            }

            foreach (var later in then[chain])
            {
                Refresh(later);
            }
        }

        // A chain begins when all that is joined before it is done.
        private bool Blocked(int chain) => next[chain] == 0 && after[chain].Exists(e => next[e] < task.Chains[e].Count);

        private double Ready(int chain)
        {
            var moment = Math.Max(ready[chain], task.Chains[chain][next[chain]].NotBefore);
            if (next[chain] == 0)
            {
                foreach (var earlier in after[chain])
                {
                    moment = Math.Max(moment, ready[earlier]);
                }
            }

            foreach (var other in touches[chain])
            {
                moment = Math.Max(moment, wetUntil[other]);
            }

            return moment;
        }

        private (double Now, Lot Last) Place(int chain, double start, int session, Lot? before)
        {
            while (true)
            {
                var lots = task.Chains[chain];
                var lot = lots[next[chain]];
                var planned = new PlannedLot(lot, session, start, lot.SetUpAfter(before));
                done.Add(planned);
                next[chain]++;
                var follows = next[chain] < lots.Count ? lots[next[chain]] : null;
                wetUntil[chain] = planned.End + lot.TouchMin;
                ready[chain] = follows is null ? planned.End + lot.LagMin : start + lot.MinutesPerCopy + lot.LagMin + Math.Max(0, (lot.Copies.Count - 1) * (lot.MinutesPerCopy - follows.MinutesPerCopy));
                if (lot.MostLagMin is null || follows is null)
                {
                    RefreshAround(chain);
                    return (planned.End + lot.PauseMin, lot);
                }

                start += Lots.Offset(lot, follows);
                before = lot;
            }
        }

        private PlanProblem? Problem()
        {
            for (var c = 0; c < next.Length; c++)
            {
                if (next[c] >= task.Chains[c].Count || Blocked(c))
                {
                    continue;
                }

                var lot = task.Chains[c][next[c]];
                var longest = task.Sessions.Count == 0 ? 0 : task.Sessions.Max(s => s.Minutes);
                var kind = lot.Minutes + lot.SetUpMin > longest + Tolerance ? PlanProblemKind.LongerThanAnySession
                    : kinds[kinds.Of(c, next[c])].SpanMin + lot.SetUpMin > longest + Tolerance ? PlanProblemKind.WindowDoesNotFit
                    : PlanProblemKind.CalendarEnds;
                return new(kind, lot);
            }

            return null;
        }
    }
}
