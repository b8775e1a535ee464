using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>When a plan that was kept still holds.</summary>
public sealed class HeldPlanTests
{
    private static readonly DateOnly First = new(2026, 5, 4);

    private readonly Bench bench = new();
    private readonly WorkZone wall;

    public HeldPlanTests() => wall = bench.Zone(Bench.Piece("Wall", 2), "Face", Bench.Wall);

    private IReadOnlyList<HeldLot> Keep(double shift = 0)
    {
        var task = bench.Task();
        return [.. PlanMaker.AtOnce(task, static () => false).Best.Lots.Select(l => new HeldLot(
            l.Lot.Id, l.Lot.Copies, l.Start + shift, l.Lot.MinutesPerCopy, l.SetUpMin, bench.Evenings[l.Session].Open + shift, bench.Evenings[l.Session].Close + shift, First.AddDays((bench.Evenings[l.Session].Open + (int)shift) / 1440)))];
    }

    private HeldPlan Held(IReadOnlyList<HeldLot> lots) => new(lots, bench.Task());

    [Fact]
    public void A_plan_of_which_nothing_has_changed_stands_as_it_is()
    {
        var lots = Keep();
        var held = Held(lots);
        Assert.Equal(lots.Select(l => (l.Id, l.StartMin)), held.Standing()!.Lots.Select(l => (l.Lot.Id, l.Start)));
        Assert.Equal((0, 0, 0), (held.Slipped(0), held.Missing(), held.Gone()));
        Assert.Equal(lots, PlanMaker.AtOnce(bench.Task(), static () => false, lots).Best.Lots.Zip(lots, (planned, kept) => kept with { StartMin = planned.Start }));
    }

    [Fact]
    public void What_is_done_comes_off_and_the_rest_still_stands()
    {
        var lots = Keep();
        bench.Done(wall, 0, 1, 1).Done(wall, 0, 2, 2);
        var held = Held(lots);
        Assert.DoesNotContain(held.Left, l => l.Id == Bench.Id(wall, 0));
        Assert.Equal(lots.Count - 1, held.Left.Count);
        Assert.NotNull(held.Standing());
    }

    [Fact]
    public void An_evening_that_went_by_without_the_work_has_slipped_and_the_plan_no_longer_stands()
    {
        var lots = Keep(-2 * 1440);
        var held = Held(lots);
        Assert.Equal(lots.Where(l => l.CloseMin <= 0).Sum(l => l.Copies.Count), held.Slipped(0));
        Assert.True(held.Slipped(0) > 0);
        Assert.Null(held.Standing());
    }

    [Fact]
    public void A_coat_that_came_is_missing_and_one_that_went_is_gone()
    {
        var lots = Keep();
        bench.Zone(wall.Piece, "Trim", Build.Coat(Technique.BaseCoat, Build.Lampblack));
        Assert.Equal(2, Held(lots).Missing());
        Assert.Null(Held(lots).Standing());
        bench.Way = new() { WithoutCoats = [wall.Stack.Coats[2].Id] };
        Assert.Equal(2, Held(lots).Gone());
        Assert.DoesNotContain(Held(lots).Left, l => l.Id == Bench.Id(wall, 2));
    }

    [Fact]
    public void Steps_on_another_day_are_told_and_those_done_meanwhile_are_not()
    {
        var before = Keep();
        var after = Keep(1440);
        var moved = Held(after).MovedSince(before);
        Assert.Equal(before.Select(l => l.Id).Distinct().Order(Comparer<StepId>.Create((a, b) => a.GetHashCode().CompareTo(b.GetHashCode()))), moved.Select(m => m.Id).Order(Comparer<StepId>.Create((a, b) => a.GetHashCode().CompareTo(b.GetHashCode()))));
        Assert.All(moved, m => Assert.Equal(m.From!.Value.AddDays(1), m.To));
        bench.Done(wall, 0, 1, 5).Done(wall, 0, 2, 8);
        Assert.DoesNotContain(Held(after).MovedSince(before), m => m.Id == Bench.Id(wall, 0));
    }

    [Fact]
    public void An_evening_that_is_over_is_set_against_the_log()
    {
        // Both copies of the first coat on Monday from 0 to 120, one painted then, one the day after; the dry brush came early.
        HeldLot[] lots = [new(Bench.Id(wall, 0), [1, 2], -2880, 6, 1, -2880, -2760, First)];
        bench.Done(wall, 0, 1, -2870, 9).Done(wall, 0, 2, -1400).Done(wall, 2, 1, -2800);
        var fact = Assert.Single(Held(lots).Over(0));
        Assert.Equal((First, 2, 1, 1, 1), (fact.Day, fact.Planned, fact.Done, fact.Later, fact.Extra));
        Assert.Equal((12.0, 9.0, 6.0), (fact.PlannedMin, fact.RealMin, fact.MeasuredPlanMin));
        Assert.Empty(Held(lots).Over(-2800));
    }

    [Fact]
    public void A_step_that_comes_too_soon_for_the_one_below_is_told_with_its_copies()
    {
        var task = bench.Task();
        var lots = Keep();

        // The dry brush right after the second pass.
        var last = lots.Single(l => l.Id == Bench.Id(wall, 1, 2));
        var soon = lots.Select(l => l.Id == Bench.Id(wall, 2) ? l with { StartMin = last.StartMin + (last.Copies.Count * last.MinutesPerCopy) } : l).ToList();
        Assert.Empty(PlanTimes.Judge(Held(lots).AsPlan(), task));
        var told = Assert.Single(PlanTimes.Judge(Held(soon).AsPlan(), task));
        Assert.Equal("coat-too-soon", told.Finding.Rule.Id);
        Assert.Equal(2, told.Copies[^1]);
    }

    [Theory]
    [InlineData(5, true)]
    [InlineData(3000, false)]
    public void What_is_written_down_too_soon_is_noticed_on_its_copy_alone(double gap, bool noticed)
    {
        var steps = StackSteps.Of(wall.Stack);
        var done = new DoneSteps([new(Bench.Id(wall, 0).On(1), LogKind.Done, -gap), new(Bench.Id(wall, 0).On(2), LogKind.Done, -5000), new(Bench.Id(wall, 0).On(3), LogKind.Skipped, -1)]);
        var notices = PlanTimes.Notice(wall.Stack.Zone, steps, Bench.Id(wall, 1), [1, 2, 3, 4], 0, done);
        Assert.Equal(noticed ? [1] : [], notices.Keys);
        Assert.Empty(PlanTimes.Notice(wall.Stack.Zone, steps, Bench.Id(wall, 0), [1], 0, done));
    }

    [Fact]
    public void A_plan_at_once_keeps_the_order_of_the_plan_before_where_it_is_as_good()
    {
        var lots = Keep();
        bench.Done(wall, 0, 1, 1).Done(wall, 0, 2, 2);
        var again = PlanMaker.AtOnce(bench.Task(), static () => false, lots).Best;
        Assert.Equal(lots.Skip(1).Select(l => l.StartMin), again.Lots.Select(l => l.Start));
    }
}
