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
        var wanted = split.PieceSteps;
        Plan? best = null;
        var bestOrder = new Order([.. split.Chains.Select(_ => 1.0)], 0);
        void Try(Order order)
        {
            var plan = new Run(split, order.Pressing, order.KeepSetUp, order.Wish).Go();
            // Of two alike the earlier order stays where a plan is followed, else the newer one, to move on.
            if (best is null || plan.Rank(wanted).CompareTo(best.Rank(wanted)) < (wish is null ? 1 : 0))
            {
                (best, bestOrder) = (plan, order);
            }
        }

        if (wish is not null)
        {
            Try(bestOrder with { Wish = wish });
        }

        var looks = (double)split.Chains.Count * split.Chains.Sum(c => c.Count);
        foreach (var keep in looks > MostLooks ? new[] { 0.0, 600 } : new[] { 0.0, 60, 600, 6000 })
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
        for (var tries = 0; goOn(best!); tries++)
        {
            Try(tries % FromScratchEvery == 0 ? Shuffled(split, random) : Neighbour(bestOrder, random));
        }

        return best!;
    }

    private const int FromScratchEvery = 8;

    // Looks of one try at the next lot of a chain: of more than these fewer tries are made at once, as nobody waits longer for hundreds of copies one by one.
    private const double MostLooks = 20_000_000;
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
        private readonly double[] pressing;
        private readonly double keepSetUp;
        private readonly int[] next;
        private readonly double[][] tail;
        private readonly double[] ready;
        private readonly List<PlannedLot> done = [];
        private readonly List<int>[] touches;
        private readonly double[] wetUntil;
        private readonly List<int>[] after;
        private readonly List<int>[] then;

        // What the next lot of each chain asks for: read anew only where something it hangs on was placed.
        private readonly Head[] heads;

        private readonly IReadOnlyDictionary<StepId, double>? wish;

        public Run(PlanTask task, double[] pressing, double keepSetUp, IReadOnlyDictionary<StepId, double>? wish = null)
        {
            (this.task, this.pressing, this.keepSetUp, this.wish) = (task, pressing, keepSetUp, wish);
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

            heads = [.. task.Chains.Select((_, c) => HeadOf(c))];
        }

        public Plan Go()
        {
            for (var s = 0; s < task.Sessions.Count && Left(); s++)
            {
                var session = task.Sessions[s];
                double now = session.Open;
                Lot? before = null;
                while (Best(now, session, before) is { } choice)
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

        // The chain to go on with: of those that can start by the earliest moment at which any can, the most pressing.
        private (int Chain, double Start)? Best(double now, Session session, Lot? before)
        {
            var earliest = double.MaxValue;
            Span<double> starts = next.Length <= 512 ? stackalloc double[next.Length] : new double[next.Length];
            for (var c = 0; c < next.Length; c++)
            {
                starts[c] = double.MaxValue;
                ref readonly var head = ref heads[c];
                if (head.Lot is null)
                {
                    continue;
                }

                var start = Math.Max(now + head.SetUpAfter(before), head.Ready);
                if (start + head.Span <= session.Close + Tolerance)
                {
                    starts[c] = start;
                    earliest = Math.Min(earliest, start);
                }
            }

            if (earliest == double.MaxValue)
            {
                return null;
            }

            // What starts within a few minutes of the first is as good as at once.
            const double Soon = 6;
            var best = -1;
            var most = double.NegativeInfinity;
            for (var c = 0; c < next.Length; c++)
            {
                if (starts[c] > earliest + Soon)
                {
                    continue;
                }

                ref readonly var head = ref heads[c];
                var urge = head.Lot!.DueBy is not null
                    ? double.MaxValue
                    : wish is not null
                    ? -wish.GetValueOrDefault(head.Lot.Id, double.MaxValue)
                    : (tail[c][next[c]] * pressing[c]) + (head.SetUpAfter(before) == 0 ? keepSetUp : 0);
                if (urge > most)
                {
                    (best, most) = (c, urge);
                }
            }

            return (best, starts[best]);
        }

        private Head HeadOf(int chain)
        {
            if (next[chain] >= task.Chains[chain].Count || Blocked(chain))
            {
                return default;
            }

            var lot = task.Chains[chain][next[chain]];
            return new(lot, Ready(chain), Span(chain), lot.SetUpMin, lot.ChangeMin);
        }

        // What was placed in a chain changes what it asks for next, and what those do that touch it or come after it.
        private void Refresh(int chain)
        {
            heads[chain] = HeadOf(chain);
            foreach (var other in touches[chain])
            {
                heads[other] = HeadOf(other);
            }

            foreach (var later in then[chain])
            {
                heads[later] = HeadOf(later);
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

        // Minutes that must be free: the lot, and all lots that must follow it within a window.
        private double Span(int chain)
        {
            var lots = task.Chains[chain];
            var minutes = 0.0;
            var i = next[chain];
            while (lots[i].MostLagMin is not null && i + 1 < lots.Count)
            {
                minutes += Lots.Offset(lots[i], lots[i + 1]);
                i++;
            }

            return minutes + lots[i].Minutes;
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
                    Refresh(chain);
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
                    : Span(c) + lot.SetUpMin > longest + Tolerance ? PlanProblemKind.WindowDoesNotFit
                    : PlanProblemKind.CalendarEnds;
                return new(kind, lot);
            }

            return null;
        }

        /// <summary>The next lot of a chain; none where it is done, or waits for another.</summary>
        private readonly record struct Head(Lot? Lot, double Ready, double Span, double SetUpMin, double ChangeMin)
        {
            /// <summary>Minutes of setting up before it.</summary>
            public double SetUpAfter(Lot? before) => Lot!.SetUpAfter(before, SetUpMin, ChangeMin);
        }
    }
}
