using CsCheck;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class PlanSolverTests
{
    private static readonly Session[] Evenings = [.. Enumerable.Range(0, 14).Select(i => new Session((i * 2 * 1440) + 1170, (i * 2 * 1440) + 1320))];

    /// <summary>Chains with windows, touching zones, and parts that are fitted between some of them.</summary>
    private static PlanTask Generated(int seed, int chains, int coats, int copies)
    {
        var random = new Random(seed);
        List<IReadOnlyList<Lot>> all = [.. Enumerable.Range(0, chains).Select(c => Chain(random, c, coats, copies))];
        List<(int, int)> joins = [];
        if (chains > 2 && random.Next(2) == 0)
        {
            // Two zones, the part that is fitted when both are done, and a zone painted over the join.
            var fit = new Lot
            {
                Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
                Chain = chains,
                Copies = all[0][0].Copies,
                MinutesPerCopy = 3,
                Station = Station.Assembly,
                Colour = "",
                LagMin = 60,
            };
            all[1] = [.. all[1].Select(l => l with { Copies = all[0][0].Copies })];
            all[2] = [.. all[2].Select(l => l with { Copies = all[0][0].Copies })];
            all.Add([fit]);
            joins = [(0, chains), (1, chains), (chains, 2)];
        }

        return new(all, Evenings, chains > 1 && all[0][0].Copies.Count == all[1][0].Copies.Count ? [(0, 1)] : [], joins);
    }

    private static IReadOnlyList<Lot> Chain(Random random, int number, int coats, int copies)
    {
        var zone = Guid.NewGuid();
        var own = Enumerable.Range(1, 1 + random.Next(copies)).ToList();
        return [.. Enumerable.Range(0, 1 + random.Next(coats)).Select(i =>
        {
            var windowed = random.Next(7) == 0;
            return new Lot
            {
                Id = StepId.Coat(zone, Guid.NewGuid(), 1),
                Chain = number,
                Copies = own,
                MinutesPerCopy = 0.5 + (7 * random.NextDouble()),
                Station = (Station)random.Next(6),
                Colour = $"c{random.Next(3)}",
                LagMin = windowed ? 20 : Math.Pow(10, 1 + (2.3 * random.NextDouble())),
                MostLagMin = windowed ? 100 : null,
                TouchMin = 10,
                NotBefore = i == 0 && random.Next(3) == 0 ? random.Next(4000) : 0,
            };
        })];
    }

    private static SolveState Solve(PlanTask task, double seconds, Action<SolveState>? tell = null, CancellationToken cancel = default)
    {
        // Counted, not timed: what is found and shown does not hang on how busy the machine is.
        var looks = 0;
        return PlanSolver.Solve(task, new(seconds, Workers: 1, Counted: true), () => TimeSpan.FromMilliseconds(++looks), tell ?? (_ => { }), cancel);
    }

    [Fact]
    public void A_solved_plan_keeps_every_wait_window_session_join_and_the_one_pair_of_hands_and_is_never_worse() => Gen.Select(Gen.Int[0, 1_000_000], Gen.Int[1, 4], Gen.Int[1, 7], Gen.Int[1, 6]).Sample(
        (seed, chains, coats, copies) =>
        {
            var task = Generated(seed, chains, coats, copies);
            var wanted = task.PieceSteps;
            var first = ListScheduler.Immediate(task);
            Assert.Empty(PlanCheck.Faults(task, first));
            var state = Solve(task, 0.5);
            Assert.Empty(PlanCheck.Faults(task, state.Best));
            Assert.True(state.Best.Rank(wanted).CompareTo(first.Rank(wanted)) <= 0 || state.Best.Lots.Count > first.Lots.Count);
            if (state.Best.Problem is null)
            {
                Assert.InRange(state.Bounds.LastSession, -1, state.Best.LastSession);
                Assert.True(state.Bounds.Sessions is not { } s || s <= state.Best.SessionsUsed);
                Assert.True(state.Bounds.SetUps is not { } k || k <= state.Best.SetUps);
                Assert.True(state.Bounds.IdleMin is not { } idle || idle <= state.Best.IdleMin + 1e-6);
            }
        },
        iter: Long.Times(24),
        threads: 2);

    [Fact]
    public void A_tiny_plan_is_the_best_of_all_that_there_are() => Gen.Int[0, 1_000_000].Sample(
        seed =>
        {
            var random = new Random(seed);
            // Few stations and colours, and waits of all lengths: set-ups can be shared over chains, along them, or not at all.
            var task = new PlanTask(
                [.. Enumerable.Range(0, 3).Select(c => (IReadOnlyList<Lot>)[.. Chain(random, c, 3, 1).Select(l => l with
                {
                    MostLagMin = null,
                    MinutesPerCopy = 10 + random.Next(30),
                    Station = (Station)random.Next(2),
                    Colour = "c",
                    LagMin = random.Next(3) * 40,
                })])],
                [new(0, 90), new(1440, 1530), new(2880, 2970), new(4320, 4410), new(5760, 5850), new(7200, 7290)],
                []);
            var state = Solve(task, 2);
            Assert.Null(state.Best.Problem);
            Assert.Equal(Exhaustive(task), (state.Best.LastSession, state.Best.SessionsUsed, state.Best.SetUps));
            Assert.Equal((state.Best.LastSession, state.Best.SessionsUsed, state.Best.SetUps), (state.Bounds.LastSession, state.Bounds.Sessions!.Value, state.Bounds.SetUps!.Value));
        },
        iter: Long.Times(16),
        threads: 1);

    [Fact]
    public void A_plan_on_the_grid_of_time_is_a_plan_of_the_task_and_holds_in_the_model() => Gen.Select(Gen.Int[0, 1_000_000], Gen.Int[1, 5], Gen.Int[1, 8], Gen.Int[1, 8]).Sample(
        (seed, chains, coats, copies) =>
        {
            var exact = Lots.Split(Generated(seed, chains, coats, copies));
            var grid = Lots.Snap(exact, VisitModel.PerMinute);
            var plan = ListScheduler.Immediate(grid);
            Assert.All(plan.Lots, l => Assert.Equal(Math.Round(l.Start * VisitModel.PerMinute), l.Start * VisitModel.PerMinute, 6));
            var lots = exact.Chains.SelectMany(c => c).ToDictionary(l => (l.Chain, l.Id));
            var real = plan with { Lots = [.. plan.Lots.Select(l => l with { Lot = lots[(l.Lot.Chain, l.Lot.Id)] })] };
            Assert.Empty(PlanCheck.Faults(exact, real));

            // Else every search would begin from nothing.
            if (plan.Problem is null && plan.Lots.Count > 0)
            {
                Assert.Equal("Optimal", VisitModel.Build(grid, plan.LastSession + 1, plan).HintStatus(plan).ToString());
            }
        },
        iter: Long.Times(40),
        threads: 2);

    [Fact]
    public async Task A_search_that_is_cancelled_goes_no_further_and_answers_with_the_best_so_far()
    {
        var task = Generated(7, 6, 12, 8);
        using var stop = new CancellationTokenSource();
        var stages = new List<SolveStage>();
        var state = await Task.Run(
            () => Solve(task, 60, s =>
            {
                stages.Add(s.Stage);
                if (s.Stage >= SolveStage.Finish)
                {
                    stop.Cancel();
                }
            }, stop.Token),
            TestContext.Current.CancellationToken);
        Assert.Equal([SolveStage.Orders, SolveStage.Finish, SolveStage.Ended], stages.Distinct());
        Assert.Empty(PlanCheck.Faults(task, state.Best));
        Assert.Equal(SolveStage.Ended, state.Stage);
    }

    [Theory]
    [InlineData(162018, 4, 5, 3)]
    public void A_plan_that_ends_sooner_than_the_grid_can_is_kept(int seed, int chains, int coats, int copies)
    {
        var task = Generated(seed, chains, coats, copies);
        var wanted = task.PieceSteps;
        var state = Solve(task, 0.5);
        Assert.Empty(PlanCheck.Faults(task, state.Best));
        Assert.True(state.Best.Rank(wanted).CompareTo(ListScheduler.Immediate(task).Rank(wanted)) <= 0);
    }

    [Fact]
    public void A_counted_search_finds_the_same_plan_again()
    {
        var task = Generated(33, 4, 7, 5);
        var (one, other) = (Solve(task, 0.5), Solve(task, 0.5));
        Assert.Equal(one.Best.Lots.Select(l => (l.Lot.Id, l.Start)), other.Best.Lots.Select(l => (l.Lot.Id, l.Start)));
        Assert.Equal(one.Bounds, other.Bounds);
    }

    [Fact]
    public void Its_stages_follow_each_other_and_its_plans_only_get_better()
    {
        var task = Generated(21, 4, 8, 5);
        var wanted = task.PieceSteps;
        List<SolveState> told = [];
        var last = Solve(task, 0.6, told.Add);
        Assert.Equal(SolveStage.Orders, told[0].Stage);
        Assert.Same(told[^1], last);
        Assert.All(told.Zip(told.Skip(1)), pair =>
        {
            Assert.True(pair.First.Stage <= pair.Second.Stage);
            Assert.True(pair.Second.Best.Rank(wanted).CompareTo(pair.First.Best.Rank(wanted)) <= 0);
            Assert.True(pair.First.Bounds.LastSession <= pair.Second.Bounds.LastSession);
        });
    }

    [Fact]
    public void A_listener_that_fails_ends_the_search_and_not_the_process()
    {
        Assert.ThrowsAny<InvalidOperationException>(() => Solve(Generated(3, 3, 5, 3), 1, state => { if (state.Stage == SolveStage.Finish) { throw new InvalidOperationException("gone"); } }));

        // On the solver's own thread too.
        var model = new Google.OrTools.Sat.CpModel();
        model.Maximize(model.NewIntVar(0, 9, "x"));
        var failed = Assert.Throws<InvalidOperationException>(() => CpSearch.Run(model, 5, new(), "", _ => throw new ArgumentException("gone"), TestContext.Current.CancellationToken));
        Assert.IsType<ArgumentException>(failed.InnerException);
    }

    [Fact]
    public void A_search_that_is_cancelled_before_it_begins_knows_nothing()
    {
        var result = CpSearch.Run(new(), 5, new(), "", null, new CancellationToken(canceled: true));
        Assert.Equal((0, null), (result.Bound, result.Value));
    }

    [Fact]
    public void A_search_without_time_is_refused() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Solve(Generated(3, 1, 1, 1), 0));

    [Fact]
    public void Nothing_to_plan_and_nothing_that_fits_are_answers_too()
    {
        Assert.Empty(Solve(new([], Evenings, []), 0.2).Best.Lots);
        var lot = Chain(new(1), 0, 1, 1)[0] with { MinutesPerCopy = 200 };
        Assert.Equal(PlanProblemKind.LongerThanAnySession, Solve(new([[lot]], Evenings, []), 0.2).Best.Problem!.Kind);
        Assert.NotNull(Solve(new([[lot with { MinutesPerCopy = 5 }]], [], []), 0.2).Best.Problem);
    }

    // A part is fitted when what lies behind it is dry, and what goes over the join waits for the glue.
    [Fact]
    public void A_part_is_fitted_between_what_lies_behind_it_and_what_goes_over_it()
    {
        Lot Of(int chain, double minutes, double lag, Station station) => new()
        {
            Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
            Chain = chain,
            Copies = [1, 2],
            MinutesPerCopy = minutes,
            Station = station,
            Colour = "",
            LagMin = lag,
        };
        var task = new PlanTask([[Of(0, 10, 45, Station.Brush)], [Of(1, 2, 240, Station.Assembly)], [Of(2, 5, 0, Station.Brush)]], Evenings, [], [(0, 1), (1, 2)]);
        foreach (var plan in new[] { ListScheduler.Immediate(task), Solve(task, 1).Best })
        {
            Assert.Empty(PlanCheck.Faults(task, plan));
            Assert.Equal([0, 1, 2], plan.Lots.Select(l => l.Lot.Chain));

            // The glue wants four hours: the last coat is for another evening.
            Assert.True(plan.Lots[1].Start >= plan.Lots[0].CopyStart(0) + 10 + 45 - 0.1);
            Assert.Equal((0, 1), (plan.Lots[1].Session, plan.Lots[2].Session));
        }

        var early = ListScheduler.Immediate(task);
        Assert.NotEmpty(PlanCheck.Faults(task, early with { Lots = [early.Lots[0], early.Lots[1], early.Lots[2] with { Start = early.Lots[1].End + 20, Session = 0 }] }));
        Assert.Equal(1, ListScheduler.EarliestFinish(task));
    }

    [Fact]
    public void Three_pieces_of_two_copies_are_done_in_two_evenings_where_whole_groups_need_three()
    {
        var evenings = Enumerable.Range(0, 6).Select(i => new Session(i * 1440, (i * 1440) + 95)).ToArray();
        var task = new PlanTask([.. Enumerable.Range(0, 3).Select(c => (IReadOnlyList<Lot>)[new Lot
        {
            Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
            Chain = c,
            Copies = [1, 2],
            MinutesPerCopy = 29.6,
            Station = Station.Brush,
            Colour = "c",
            OwnSetUpMin = 1,
        }])], evenings, []);
        Assert.Equal((1, 2), (ListScheduler.EarliestFinish(task), ListScheduler.Immediate(task).LastSession));
        var state = Solve(task, 2);
        Assert.Equal((1, true), (state.Best.LastSession, state.FinishProven));
        Assert.Empty(PlanCheck.Faults(task, state.Best));

        // Around the model it is found at once, with one cut.
        var (parted, plan) = LotCuts.Improve(task, () => true, 1);
        Assert.Equal((1, 4), (plan.LastSession, parted.Chains.Count));
    }

    [Fact]
    public void However_its_copies_are_grouped_a_tiny_task_is_finished_as_soon_as_any_plan_is() => Gen.Int[0, 1_000_000].Sample(
        seed =>
        {
            var random = new Random(seed);
            var task = new PlanTask(
                [.. Enumerable.Range(0, 2).Select(c => (IReadOnlyList<Lot>)[.. Chain(random, c, 2, 2).Select(l => l with
                {
                    MostLagMin = null,
                    NotBefore = 0,
                    MinutesPerCopy = 14 + random.Next(30),
                    Station = Station.Brush,
                    Colour = $"c{random.Next(2)}",
                    LagMin = random.Next(3) * 40,
                })])],

                // An evening for each step of each copy, if need be: where two do not fit one, there is a plan all the same.
                [.. Enumerable.Range(0, 8).Select(day => new Session(day * 1440, (day * 1440) + 75))],
                []);
            var state = Solve(task, 3);
            Assert.Null(state.Best.Problem);
            Assert.Empty(PlanCheck.Faults(task, state.Best));
            Assert.Equal(Exhaustive(Lots.Singles(task)).Last, state.Best.LastSession);
            Assert.True(state.FinishProven);
        },
        iter: Long.Times(16),
        threads: 1);

    [Fact]
    public void What_has_to_be_done_by_a_day_goes_first_and_is_told_late_by_days()
    {
        Lot Work(int chain, double minutes, Deadline? by) => new()
        {
            Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
            Chain = chain,
            Copies = [1],
            MinutesPerCopy = minutes,
            Station = Station.Brush,
            Colour = "c",
            Deadline = by,
        };
        var evenings = Enumerable.Range(0, 6).Select(i => new Session(i * 1440, (i * 1440) + 100)).ToArray();
        Plan Of(double byMin) => Solve(new([[Work(0, 90, null)], [Work(1, 80, new(Guid.Empty, byMin))], [Work(2, 85, new(Guid.Empty, byMin))]], evenings, []), 1).Best;
        var kept = Of(2 * 1440);
        Assert.Equal((0, 2), (kept.Late, kept.LastSession));
        Assert.All(kept.Lots.Where(l => l.Lot.Deadline is not null), l => Assert.True(l.Session < 2));

        // Two evenings of work by tomorrow: one of them comes a day late, and the rest waits for it.
        Assert.Equal(1, Of(1440).Late);
    }

    [Fact]
    public void Hands_and_eyes_rest_between_lots_but_not_after_the_last_of_an_evening()
    {
        Lot Work(int chain) => new()
        {
            Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
            Chain = chain,
            Copies = [1],
            MinutesPerCopy = 30,
            Station = Station.Brush,
            Colour = "c",
            OwnSetUpMin = 1,
            PauseMin = 10,
        };
        PlanTask Evening(int minutes) => new([[Work(0)], [Work(1)]], [new(0, minutes), new(1440, 1440 + minutes)], []);
        var task = Evening(71);
        var plan = Solve(task, 1).Best;
        Assert.Equal((0, 10.0), (plan.LastSession, plan.Lots[1].Start - plan.Lots[0].End));
        Assert.Equal(1, Solve(Evening(70), 1).Best.LastSession);
        Assert.NotEmpty(PlanCheck.Faults(task, plan with { Lots = [plan.Lots[0], plan.Lots[1] with { Start = plan.Lots[0].End + 5 }] }));
    }

    [Fact]
    public void Another_colour_at_an_airbrush_that_stands_ready_costs_four_minutes_and_the_first_with_its_cleaning_twelve()
    {
        Lot Of(string colour, Station station = Station.Airbrush) => new() { Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1), Chain = 0, Copies = [1], MinutesPerCopy = 5, Station = station, Colour = colour };
        Assert.Equal([12, 0, 4, 12], new[] { Of("a").SetUpAfter(null), Of("a").SetUpAfter(Of("a")), Of("b").SetUpAfter(Of("a")), Of("a").SetUpAfter(Of("a", Station.Brush)) });
        Assert.Equal(10, (Of("b") with { OwnSetUpMin = 30 }).SetUpAfter(Of("a")));
        var evenings = new[] { new Session(0, 32), new Session(1440, 1472) };
        var state = Solve(new([[Of("a")], [Of("b") with { Chain = 1 }], [Of("a") with { Chain = 2 }]], evenings, []), 1);
        Assert.Equal((0, 16.0), (state.Best.LastSession, state.Best.Lots.Sum(l => l.SetUpMin)));
    }

    // Every order of the lots, each in this session or a later one, as early as it may be.
    private static (int Last, int Sessions, int SetUps) Exhaustive(PlanTask task)
    {
        var best = (int.MaxValue, int.MaxValue, int.MaxValue);
        var next = new int[task.Chains.Count];
        var ready = task.Chains.Select(c => c[0].NotBefore).ToArray();
        void Go(int session, double now, Lot? before, (int Last, int Sessions, int SetUps) soFar, bool used)
        {
            if (soFar.CompareTo(best) >= 0)
            {
                return;
            }

            if (next.Zip(task.Chains).All(n => n.First == n.Second.Count))
            {
                best = soFar;
                return;
            }

            for (var c = 0; c < next.Length; c++)
            {
                if (next[c] == task.Chains[c].Count)
                {
                    continue;
                }

                var lot = task.Chains[c][next[c]];
                var start = Math.Max(now + lot.SetUpAfter(before), ready[c]);
                if (start + lot.Minutes > task.Sessions[session].Close)
                {
                    continue;
                }

                var was = ready[c];
                ready[c] = start + lot.Minutes + lot.LagMin;
                next[c]++;
                Go(session, start + lot.Minutes, lot, (session, soFar.Sessions + (used ? 0 : 1), soFar.SetUps + (lot.SetUpAfter(before) > 0 ? 1 : 0)), true);
                next[c]--;
                ready[c] = was;
            }

            if (session + 1 < task.Sessions.Count)
            {
                Go(session + 1, task.Sessions[session + 1].Open, null, soFar, false);
            }
        }

        Go(0, task.Sessions[0].Open, null, (-1, 0, 0), false);
        return best;
    }
}
