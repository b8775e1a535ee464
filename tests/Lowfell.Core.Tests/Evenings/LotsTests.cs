using CsCheck;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class LotsTests
{
    private static readonly Session[] Evenings = [.. Enumerable.Range(0, 10).Select(i => new Session(i * 1440, (i * 1440) + 120))];

    private static Lot Of(double minutes, int copies, double lag = 0, double? most = null, string colour = "c", Station station = Station.Brush) => new()
    {
        Id = StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1),
        Chain = 0,
        Copies = [.. Enumerable.Range(1, copies)],
        MinutesPerCopy = minutes,
        Station = station,
        Colour = colour,
        LagMin = lag,
        MostLagMin = most,
    };

    private static PlanTask Chain(params Lot[] lots) => new([lots], Evenings, []);

    // For every copy: it has waited long enough when the second lot comes to it, and one of them only just.
    [Fact]
    public void The_lag_from_lot_to_lot_is_what_the_most_pressed_copy_needs() => Gen.Select(Gen.Double[0.5, 10], Gen.Double[0.5, 10], Gen.Int[1, 20], Gen.Double[0, 300]).Sample((p, q, n, wait) =>
    {
        var (first, second) = (Of(p, n, wait), Of(q, n));
        var lag = Lots.Lag(first, second);
        var waits = Enumerable.Range(0, n).Select(k => lag + (k * q) - ((k + 1) * p)).ToList();
        Assert.Equal(wait, waits.Min(), 1e-6);
    });

    [Fact]
    public void The_most_lag_keeps_the_last_copy_to_wait_within_its_window() => Gen.Select(Gen.Double[0.5, 10], Gen.Double[0.5, 10], Gen.Int[1, 20]).Sample((p, q, n) =>
    {
        var (first, second) = (Of(p, n, 10, most: 90), Of(q, n));
        var most = Lots.MostLag(first, second)!.Value;
        var waits = Enumerable.Range(0, n).Select(k => most + (k * q) - ((k + 1) * p)).ToList();
        Assert.Equal(90, waits.Max(), 1e-6);
    });

    [Fact]
    public void Copies_that_no_session_holds_together_are_parted_evenly_and_none_is_lost() => Gen.Select(Gen.Int[1, 60], Gen.Double[0.5, 30]).Sample((n, minutes) =>
    {
        var split = Lots.Split(Chain(Of(minutes, n)));
        Assert.Equal(Enumerable.Range(1, n), split.Chains.SelectMany(c => c[0].Copies));
        Assert.InRange(split.Chains.Max(c => c[0].Copies.Count) - split.Chains.Min(c => c[0].Copies.Count), 0, 1);
        Assert.All(split.Chains, c => Assert.True(c[0].Minutes + c[0].SetUpMin <= 120 + 1e-6));
        Assert.Equal(Enumerable.Range(0, split.Chains.Count), split.Chains.Select(c => c[0].Chain));
    });

    [Fact]
    public void Parts_touch_and_are_joined_as_the_whole_was()
    {
        var (gear, hull) = (Of(30, 8), Of(3, 8));
        var fit = Of(2, 8, station: Station.Assembly);
        var split = Lots.Split(new([[gear], [hull], [fit]], Evenings, [(0, 1)], [(0, 2)]));

        // Eight copies of half an hour are three lots; the others are one each.
        var parts = split.Chains.Index().Where(c => c.Item[0].Id.Place == gear.Id.Place).Select(c => c.Index).ToList();
        Assert.Equal(3, parts.Count);
        Assert.Equal(parts, split.Touching.Select(t => t.A));
        Assert.Equal(parts, split.Joins.Select(j => j.Before));
        Assert.Single(split.Joins.Select(j => j.After).Distinct());
    }

    [Fact]
    public void Joined_chains_come_in_order_and_a_circle_does_not_hang()
    {
        var chains = Enumerable.Range(0, 3).Select(_ => (IReadOnlyList<Lot>)[Of(5, 1)]).ToList();
        Assert.Equal([2, 1, 0], Lots.InOrder(new(chains, Evenings, [], [(2, 1), (1, 0)])));
        Assert.Equal(3, Lots.InOrder(new(chains, Evenings, [], [(0, 1), (1, 0)])).Distinct().Count());
        Assert.Equal([3, 2, 1], Lots.Paths(new(chains, Evenings, [], [(2, 1), (1, 0)])).Select(p => p.Count));
    }

    [Fact]
    public void On_the_grid_nothing_is_shorter_no_window_wider_and_all_fall_on_its_marks() => Gen.Select(Gen.Double[0.5, 9], Gen.Double[0.5, 9], Gen.Int[1, 12], Gen.Double[15, 40]).Sample((p, q, n, wait) =>
    {
        var exact = new PlanTask([[Of(p, n, wait, most: 200), Of(q, n)]], Evenings, []);
        var grid = Lots.Snap(exact, 10).Chains[0];
        var (first, second) = (exact.Chains[0][0], exact.Chains[0][1]);
        Assert.True(grid[0].Minutes >= first.Minutes - 1e-9 && grid[0].Minutes < first.Minutes + 0.1);
        Assert.True(Lots.Lag(grid[0], grid[1]) >= Lots.Lag(first, second) - 1e-9);
        Assert.True(Lots.MostLag(grid[0], grid[1]) <= Lots.MostLag(first, second) + 1e-9);
        foreach (var marks in new[] { grid[0].Minutes, Lots.Lag(grid[0], grid[1]), Lots.MostLag(grid[0], grid[1])!.Value })
        {
            Assert.Equal(Math.Round(marks * 10), marks * 10, 6);
        }
    });

    [Fact]
    public void Set_ups_that_can_not_be_shared_are_counted_and_those_that_can_are_not()
    {
        // The same colour twice at once: one set-up. With another between: three. With a night between: two.
        int Least(params Lot[] lots) => new Placement(Chain(lots), Evenings.Length).LeastSetUps();
        Assert.Equal(1, Least(Of(10, 1), Of(10, 1)));
        Assert.Equal(3, Least(Of(10, 1), Of(10, 1, colour: "d"), Of(10, 1)));
        Assert.Equal(2, Least(Of(10, 1, lag: 600), Of(10, 1)));

        // A wait that the first of three can't share with the last, but the second can.
        Assert.Equal(2, Least(Of(10, 1, lag: 60), Of(10, 1, lag: 60), Of(10, 1)));
        var three = new Placement(Chain(Of(10, 1, lag: 60), Of(10, 1, lag: 60), Of(10, 1)), Evenings.Length);
        Assert.Equal([(0, 2)], three.Apart(three.Lots).Select(p => (p.One.Place, p.Other.Place)));
    }

    [Fact]
    public void What_has_no_place_in_so_few_sessions_is_known_without_a_search()
    {
        var task = Chain(Of(10, 1, lag: 3000), Of(10, 1));
        Assert.False(new Placement(task, 3).Fits);
        Assert.True(new Placement(task, 4).Fits);
        Assert.Equal(2, new Placement(task, 4).LeastSessions());
    }
}
