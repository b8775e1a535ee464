using CsCheck;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class ListSchedulerTests
{
    private static readonly Session[] Evenings = [.. Enumerable.Range(0, 21).Select(i => new Session((i * 2 * 1440) + 1170, (i * 2 * 1440) + 1320))];

    private static readonly Gen<PlanTask> Tasks = Gen.Select(Gen.Int[1, 6], Gen.Int[1, 9], Gen.Int[1, 10], Gen.Int[0, 1_000_000]).Select((chains, coats, copies, seed) => Task(chains, coats, copies, seed));

    private static PlanTask Task(int chains, int coats, int copies, int seed)
    {
        var random = new Random(seed);
        List<IReadOnlyList<Lot>> all = [];
        for (var c = 0; c < chains; c++)
        {
            var zone = Guid.NewGuid();
            var own = Enumerable.Range(1, 1 + random.Next(copies)).ToList();
            all.Add([.. Enumerable.Range(0, 1 + random.Next(coats)).Select(i =>
            {
                var lag = Math.Pow(10, 1 + (2.3 * random.NextDouble()));
                return new Lot
                {
                    Id = StepId.Coat(zone, Guid.NewGuid(), 1),
                    Chain = c,
                    Copies = own,
                    MinutesPerCopy = 0.5 + (12 * random.NextDouble()),
                    Station = (Station)random.Next(6),
                    Colour = $"c{random.Next(5)}",
                    LagMin = random.Next(12) == 0 ? 20 : lag,
                    MostLagMin = random.Next(8) == 0 ? Math.Min(lag, 20) + 60 : null,
                    TouchMin = lag / 3,
                    NotBefore = i == 0 ? random.Next(4000) : 0,
                };
            }).Select(l => l with { LagMin = l.MostLagMin is null ? l.LagMin : Math.Min(l.LagMin, 20) })]);
        }

        var touching = chains > 2 ? new[] { (0, 1) } : [];
        return new(all, Evenings, touching);
    }

    [Fact]
    public void Every_plan_keeps_every_wait_window_session_and_the_one_pair_of_hands() => Tasks.Sample(task =>
    {
        var plan = ListScheduler.Immediate(task);
        var faults = PlanCheck.Faults(task, plan);
        Assert.True(faults.Count == 0, string.Join("; ", faults));
    });

    [Fact]
    public void No_plan_is_done_before_the_bound() => Tasks.Sample(task =>
    {
        var plan = ListScheduler.Immediate(task);
        if (plan.Problem is null)
        {
            Assert.True(plan.LastSession >= ListScheduler.EarliestFinish(task));
        }
    });

    [Fact]
    public void Trying_longer_never_makes_it_worse() => Tasks.Sample(
        task =>
        {
            var first = ListScheduler.Immediate(task);
            var tries = 0;
            var better = ListScheduler.Improve(task, _ => tries++ < 15, 3);
            Assert.Empty(PlanCheck.Faults(task, better));
            if (first.Problem is null)
            {
                Assert.True(better.Rank(first.Lots.Sum(l => l.Lot.Copies.Count)).CompareTo(first.Rank(first.Lots.Sum(l => l.Lot.Copies.Count))) <= 0);
            }
        },
        iter: Long.Times(40));

    [Fact]
    public void A_plan_made_again_moves_less_than_one_made_from_nothing()
    {
        // Of many sets: one by one a step may have to move.
        var (again, anew) = (0, 0);
        foreach (var seed in Enumerable.Range(1, 40))
        {
            var task = Task(5, 8, 6, seed);
            var tries = 0;
            var before = ListScheduler.Improve(task, _ => tries++ < 30, seed);
            var wish = before.Lots.GroupBy(l => l.Lot.Id).ToDictionary(g => g.Key, g => g.Min(l => l.Start));
            var follows = ListScheduler.Improve(task, static _ => false, 1, wish);
            Assert.Empty(PlanCheck.Faults(task, follows));
            int Moved(Plan plan) => plan.Lots.Count(l => before.Lots.First(b => b.Lot.Id == l.Lot.Id && b.Lot.Chain == l.Lot.Chain).Session != l.Session);
            again += Moved(follows);
            anew += Moved(ListScheduler.Immediate(task));
        }

        Assert.True(again < anew, $"{again} moved, {anew} from nothing");
    }

    [Fact]
    public void The_checker_sees_a_coat_that_comes_too_soon_and_one_that_runs_over()
    {
        var task = Task(1, 1, 4, 5) with { Touching = [] };
        var chain = new[] { task.Chains[0][0] with { LagMin = 60, MostLagMin = null }, task.Chains[0][0] with { Id = StepId.Coat(task.Chains[0][0].Id.ZoneId, Guid.NewGuid(), 1), LagMin = 0 } };
        task = task with { Chains = [chain] };
        var plan = ListScheduler.Immediate(task);
        Assert.Empty(PlanCheck.Faults(task, plan));
        Assert.NotEmpty(PlanCheck.Faults(task, plan with { Lots = [plan.Lots[0], plan.Lots[1] with { Start = plan.Lots[0].End + plan.Lots[1].SetUpMin, Session = plan.Lots[0].Session }] }));
        Assert.NotEmpty(PlanCheck.Faults(task, plan with { Lots = [plan.Lots[0] with { Start = Evenings[0].Close - 0.1 }, plan.Lots[1]] }));
        Assert.NotEmpty(PlanCheck.Faults(task, plan with { Lots = [plan.Lots[0]] }));
    }

    // Three lots that can go in any order, one session each way: all orders are tried by hand.
    [Fact]
    public void A_tiny_plan_is_as_good_as_any_order_of_it() => Gen.Int[0, 100_000].Sample(
        seed =>
        {
            var random = new Random(seed);
            Lot Lot(int chain) => new()
            {
                Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
                Chain = chain,
                Copies = [1],
                MinutesPerCopy = 5 + random.Next(40),
                Station = (Station)random.Next(3),
                Colour = $"c{random.Next(2)}",
            };
            var lots = Enumerable.Range(0, 4).Select(Lot).ToArray();
            var task = new PlanTask([.. lots.Select(l => (IReadOnlyList<Lot>)[l])], [new(0, 400)], []);
            var tries = 0;
            var plan = ListScheduler.Improve(task, _ => tries++ < 200, 1);
            var fewest = Orders(lots).Min(order => order.Select((l, i) => l.SetUpAfter(i == 0 ? null : order[i - 1]) > 0 ? 1 : 0).Sum());
            Assert.Equal(fewest, plan.SetUps);
        },
        iter: Long.Times(60));

    [Fact]
    public void What_cannot_be_planned_says_why()
    {
        var lot = new Lot { Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1), Chain = 0, Copies = [1], MinutesPerCopy = 200, Station = Station.Brush, Colour = "c" };
        Assert.Equal(PlanProblemKind.LongerThanAnySession, ListScheduler.Immediate(new([[lot]], Evenings, [])).Problem!.Kind);
        var pair = new[] { lot with { MinutesPerCopy = 80, LagMin = 30, MostLagMin = 60 }, lot with { Id = StepId.Coat(lot.Id.ZoneId, Guid.NewGuid(), 1), MinutesPerCopy = 60 } };
        Assert.Equal(PlanProblemKind.WindowDoesNotFit, ListScheduler.Immediate(new([pair], Evenings, [])).Problem!.Kind);
        var slow = new[] { lot with { MinutesPerCopy = 10, LagMin = 60 * 1440 }, lot with { Id = StepId.Coat(lot.Id.ZoneId, Guid.NewGuid(), 1), MinutesPerCopy = 10 } };
        Assert.Equal(PlanProblemKind.CalendarEnds, ListScheduler.Immediate(new([slow], Evenings, [])).Problem!.Kind);
        Assert.NotNull(ListScheduler.Immediate(new([slow], [], [])).Problem);
        Assert.Null(ListScheduler.Immediate(new([], Evenings, [])).Problem);
    }

    [Fact]
    public void A_long_set_is_split_into_parts_that_fit()
    {
        var lot = new Lot { Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1), Chain = 0, Copies = [.. Enumerable.Range(1, 40)], MinutesPerCopy = 10, Station = Station.Brush, Colour = "c" };
        var task = new PlanTask([[lot]], Evenings, []);
        var plan = ListScheduler.Immediate(task);
        Assert.Null(plan.Problem);
        Assert.Equal(40, plan.Lots.Sum(l => l.Lot.Copies.Count));
        Assert.Empty(PlanCheck.Faults(task, plan));
        Assert.Equal(2, plan.LastSession);
        Assert.Equal(2, ListScheduler.EarliestFinish(task));
    }

    private static IEnumerable<Lot[]> Orders(Lot[] lots)
    {
        if (lots.Length <= 1)
        {
            yield return lots;
            yield break;
        }

        for (var i = 0; i < lots.Length; i++)
        {
            var first = lots[i];
            foreach (var rest in Orders([.. lots.Where((_, j) => j != i)]))
            {
                yield return [first, .. rest];
            }
        }
    }

    [Fact]
    public void Hundreds_of_copies_one_by_one_are_planned_whole_with_all_their_waits()
    {
        const int Copies = 750, Coats = 9;
        var (hull, deck) = (Guid.NewGuid(), Guid.NewGuid());
        List<Lot> Chain(int number, Guid zone, int copy) =>
        [
            .. Enumerable.Range(0, Coats).Select(n => new Lot
            {
                Id = StepId.Coat(zone, DerivedCoat(n), 1),
                Chain = number,
                Copies = [copy],
                MinutesPerCopy = 1 + (n % 3),
                Station = n == 0 ? Station.Airbrush : Station.Brush,
                Colour = $"{n}",
                LagMin = 20,
                TouchMin = 5,
            }),
        ];
        static Guid DerivedCoat(int n) => new(n, 0, 0, new byte[8]);
        List<IReadOnlyList<Lot>> chains = [.. Enumerable.Range(0, Copies).SelectMany(c => new[] { Chain(2 * c, hull, c + 1), Chain((2 * c) + 1, deck, c + 1) })];
        List<Session> sessions = [.. Enumerable.Range(0, 400).Select(d => new Session(d * 1440, (d * 1440) + 180))];
        var task = new PlanTask(chains, sessions, [.. Enumerable.Range(0, Copies / 2).Select(c => (2 * c, (2 * c) + 1))], [.. Enumerable.Range(Copies / 2, Copies / 2).Select(c => (2 * c, (2 * c) + 1))]);
        Assert.True((double)chains.Count * task.PieceSteps > 20_000_000);
        var plan = ListScheduler.Immediate(task);
        Assert.Null(plan.Problem);
        Assert.Equal(task.PieceSteps, plan.Lots.Count);
        Assert.Empty(PlanCheck.Faults(task, plan));
        Assert.InRange(plan.LastSession, ListScheduler.EarliestFinish(task), sessions.Count);

        // What is alike is done together: far fewer set-ups than steps.
        Assert.InRange(plan.SetUps, Coats, task.PieceSteps / 10);
    }
}
