using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>Mends on some copies, among the steps of a zone.</summary>
public sealed class RepairTests
{
    private static Coat Wash => Build.Coat(Technique.Wash, Build.KelpWash);

    private static RepairStep ByHand(double wait = 720) => new(new Coat { Id = Guid.NewGuid(), Technique = Technique.Mend }, 1, 3, wait);

    private static RepairStep Patch => new(Build.Coat(Technique.BaseCoat, Build.RopeTan), 0.2, 6, 0);

    private static (Bench Bench, WorkZone Zone) Wall()
    {
        var bench = new Bench();
        return (bench, bench.Zone(Bench.Piece("Wall", 3), "Face", Build.Coat(Technique.BaseCoat, Build.RopeTan), Wash, Build.Coat(Technique.DryBrush, Build.SaltWhite)));
    }

    [Fact]
    public void It_comes_after_its_coat_on_its_copies_alone()
    {
        var (bench, zone) = Wall();
        bench.Mends(zone, zone.Stack.Coats[1].Id, [2], ByHand(), Patch);
        var work = bench.Work();
        Assert.Equal([null, null, "mend", "mend", null], work.Zones[0].Steps.Select(s => s.Mends is null ? null : "mend"));
        Assert.Equal(["..--.", ".....", "..--."], work.Progress(work.Zones[0]));
        Assert.Equal((0, 11), work.Count());
        Assert.All(work.Zones[0].Steps, s => Assert.InRange(work.Zones[0].StackPlace(s), 0, 2));
        Assert.Equal([("1,3", 3), ("2", 5)], bench.Task().Plan.Chains.Select(c => (string.Join(",", c[0].Copies), c.Count)).Order());
    }

    [Fact]
    public void Its_rest_holds_up_its_copies_and_no_others()
    {
        var (bench, zone) = Wall();
        var rest = ByHand();
        bench.Mends(zone, zone.Stack.Coats[1].Id, [2], rest);
        foreach (var copy in new[] { 1, 2 })
        {
            bench.Done(zone, 0, copy, -300).Done(zone, 1, copy, -60);
        }

        bench.Wrote(LogKind.Done, StepId.Coat(zone.Id, rest.Coat.Id, 1), 2, -10);
        var task = bench.Task();
        var (open, brush) = (task.Work.Zones[0], 3);
        Assert.Equal(710, task.Ready.NotBefore(open, brush, [2]), 6);
        Assert.Equal(Math.Max(0, open.Steps[1].LagMin - 60), task.Ready.NotBefore(open, brush, [1]), 6);
        Assert.Equal(-60, task.Ready.DoneBefore(open, brush, 1));
        Assert.Equal(-10, task.Ready.DoneBefore(open, brush, 2));
    }

    [Fact]
    public void A_window_of_its_coat_still_counts_on_the_other_copies()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Hatch", 2), "Face", Build.Coat(Technique.ChippingFluid, Build.Of(Family.ChippingMedium)), Build.Coat(Technique.Airbrush, Build.RopeTan), Build.Coat(Technique.OpenChips));
        bench.Mends(zone, zone.Stack.Coats[1].Id, [2], ByHand(0)).Done(zone, 0, 1, -60).Done(zone, 1, 1, -10);
        var task = bench.Task();
        var open = task.Work.Zones[0];
        Assert.Equal(open.Steps[1].MostLagMin - 10, task.Ready.DueBy(open, open.Steps.Count - 1, [1]));
    }

    [Fact]
    public void Stripping_comes_before_all_and_a_mend_of_a_coat_that_is_gone_after_the_lowest()
    {
        var (bench, zone) = Wall();
        bench.Mends(zone, Guid.NewGuid(), [1], Patch).Mends(zone, Guid.Empty, [3], ByHand());
        var steps = bench.Work().Zones[0].Steps;
        Assert.Equal([3], steps[0].Mends!.Copies);
        Assert.Equal(zone.Stack.Coats[0].Id, steps[1].Coat.Id);
        Assert.Equal([1], steps[2].Mends!.Copies);
        Assert.Equal(-1, steps.Before(0, 3));
        Assert.Equal(-1, steps.Before(1, 1));
        Assert.Equal(0, steps.Before(1, 3));
    }

    [Fact]
    public void What_it_lays_is_mixed_for_its_share_of_its_copies()
    {
        var (bench, zone) = Wall();
        bench.Mends(zone, zone.Stack.Coats[0].Id, [1, 2], Patch);
        var open = bench.Work().Zones[0];
        var step = open.Steps.Single(s => s.Mends is not null);
        Assert.Equal("Mend: base coat", StepWords.Of(step));
        Assert.True(open.MixFor(step, 2)!.TotalMl < open.MixFor(open.Steps[0], 2)!.TotalMl);
    }

    [Fact]
    public void A_zone_without_coats_has_nothing_to_mend()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Bare"), "Face");
        Assert.Empty(bench.Mends(zone, Guid.NewGuid(), [1], ByHand()).Work().Zones[0].Steps);
    }
}
