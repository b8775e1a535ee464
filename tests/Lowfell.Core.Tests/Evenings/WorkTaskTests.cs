using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>Which steps are open, and the task they make.</summary>
public sealed class WorkTaskTests
{
    private static Coat Base => Build.Coat(Technique.BaseCoat, Build.RopeTan);

    [Fact]
    public void Copies_that_have_come_equally_far_are_one_chain()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Wall", 4), "Face", Bench.Wall);
        bench.Done(zone, 0, 1, -500).Done(zone, 0, 2, -480).Done(zone, 1, 2, -400);
        var chains = bench.Task().Plan.Chains.OrderBy(c => c.Count).ToList();
        Assert.Equal(["2", "1", "3,4"], chains.Select(c => string.Join(",", c[0].Copies)));
        Assert.Equal([2, 3, 4], chains.Select(c => c.Count));
        Assert.Equal((zone.Stack.Coats[1].Id, 2), (chains[0][0].Id.CoatId, chains[0][0].Id.Pass));
    }

    [Fact]
    public void What_is_left_waits_for_what_was_laid_and_what_is_long_dry_holds_nothing_up()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Wall", 2), "Face", Bench.Wall);
        bench.Done(zone, 0, 1, -5).Done(zone, 0, 2, -50_000);
        var lag = bench.Work().Zones[0].Steps[0].LagMin;
        var task = bench.Task();
        Assert.Equal(lag - 5, Assert.Single(task.Plan.Chains)[0].NotBefore, 6);
        Assert.Equal(0, task.Ready.NotBefore(task.Work.Zones[0], 1, [2]));
        Assert.Equal(-5, task.Ready.DoneBefore(task.Work.Zones[0], 1, 1));
    }

    [Fact]
    public void What_is_done_is_counted_copy_by_copy_and_the_first_open_step_comes_next()
    {
        var bench = new Bench();
        var (wall, gate) = (Bench.Piece("Wall", 2), Bench.Piece("Gate", 1));
        var face = bench.Zone(wall, "Face", Bench.Wall);
        bench.Zone(gate, "Planks", Bench.Wall);
        Assert.Equal((0, 12), bench.Work().Count());
        Assert.Equal((face.Id, 0), (bench.Work().FirstOpen()!.Value.Zone.Zone.Id, bench.Work().FirstOpen()!.Value.Place));
        bench.Done(face, 0, 1, -30).Done(face, 0, 2, -30).Wrote(LogKind.Skipped, Bench.Id(face, 1, 1), 1, -20);
        Assert.Equal((3, 8), bench.Work().Count(wall.Id));
        Assert.Equal((0, 4), bench.Work().Count(gate.Id));
        Assert.Equal((3, 12), bench.Work().Count());
        Assert.Equal((face.Id, 2), (bench.Work().FirstOpen()!.Value.Zone.Zone.Id, bench.Work().FirstOpen()!.Value.Place));
        bench.Wrote(LogKind.TakenBack, Bench.Id(face, 0), 1, -10);
        Assert.Equal((2, 12), bench.Work().Count());
        Assert.Null(new Bench().Work().FirstOpen());
    }

    [Fact]
    public void A_coat_left_out_on_a_copy_is_off_and_does_not_have_to_dry()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Wall", 1), "Face", Bench.Wall);
        bench.Wrote(LogKind.Skipped, Bench.Id(zone, 0), 1, -1);
        Assert.Equal(0, Assert.Single(bench.Task().Plan.Chains)[0].NotBefore);
        Assert.Equal(["s..."], bench.Work().Progress(bench.Work().Zones[0]));
    }

    [Fact]
    public void A_wash_that_was_laid_has_to_be_cleaned_within_its_window_or_takes_longer()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Hull", 1), "Panels", Base, Build.Coat(Technique.PinWash, Build.TarWash), Build.Coat(Technique.Varnish, Build.Varnish(Films.Sheen.Matt)));
        var laid = bench.Work().Zones[0].Steps.Index().First(s => s.Item.MostLagMin is not null);
        bench.Done(zone, 0, 1, -3000).Done(zone, 1, 1, -10);
        var due = Assert.Single(bench.Task().Plan.Chains)[0];
        Assert.Equal(Step.CleanUpPass, due.Id.Pass);
        Assert.Equal(laid.Item.MostLagMin - 10, due.DueBy);

        // No evening before it sets: it is cleaned all the same, with more work.
        bench.Evenings = [new(3 * 1440, (3 * 1440) + 120)];
        var late = Assert.Single(bench.Task().Plan.Chains)[0];
        Assert.Null(late.DueBy);
        Assert.True(late.MinutesPerCopy > due.MinutesPerCopy);
    }

    [Fact]
    public void Cans_wait_for_weather_and_what_lies_over_them_with_them()
    {
        var bench = new Bench { Way = new() { CansFit = false } };
        var can = Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol));
        bench.Zone(Bench.Piece("Wall", 2), "Face", can, Base);
        var task = bench.Task();
        Assert.Empty(task.Plan.Chains);
        Assert.Contains("waits until cans may be sprayed", Assert.Single(task.Waiting));
        bench.Way = new();
        Assert.Equal(2, Assert.Single(bench.Task().Plan.Chains).Count);
    }

    [Fact]
    public void A_part_is_fitted_after_what_it_shuts_and_before_what_runs_over_its_join()
    {
        var bench = new Bench();
        var hull = Bench.Piece("Hull", 2);
        var gear = Bench.Piece("Running gear", 2, hull.Id);
        var shut = bench.Zone(hull, "Inside", Fitting.Before, [], Base);
        bench.Zone(gear, "Wheels", Base);
        var over = bench.Zone(hull, "Dust", Fitting.After, [], Base);
        var task = bench.Task();
        var fit = task.Plan.Chains.Index().Single(c => c.Item[0].Id.IsFit);
        Assert.Equal(StepId.Fit(gear.Id), fit.Item[0].Id);
        int Chain(WorkZone zone) => task.Plan.Chains.Index().Single(c => c.Item[0].Id.ZoneId == zone.Id).Index;
        Assert.Contains((Chain(shut), fit.Index), task.Plan.Joins);
        Assert.Contains((fit.Index, Chain(over)), task.Plan.Joins);
        Assert.Empty(PlanCheck.Faults(task.Plan, PlanMaker.AtOnce(task, static () => false).Best));

        // Fitted on one copy: what it has shut there is out of reach, what runs over waits for its glue.
        bench.Wrote(LogKind.Done, StepId.Fit(gear.Id), 1, -10).Done(shut, 0, 1, -2000);
        var now = bench.Task();
        Assert.Equal(["d", "."], now.Work.Progress(now.Work.Parts[0]));
        Assert.Equal((1, 4), now.Work.Count(gear.Id));
        Assert.All(now.Plan.Chains.Where(c => c[0].Id.ZoneId == shut.Id), c => Assert.Equal([2], c[0].Copies));
        Assert.Equal(50, now.Ready.NotBefore(now.Work.Zone(over.Id)!, 0, [1]));
    }

    [Fact]
    public void A_part_that_has_not_a_copy_for_each_is_said_and_left()
    {
        var bench = new Bench();
        var hull = Bench.Piece("Hull", 2);
        bench.Zone(hull, "Panels", Base);
        bench.Zone(Bench.Piece("Running gear", 3, hull.Id), "Wheels", Base);
        var task = bench.Task();
        Assert.DoesNotContain(task.Plan.Chains, c => c[0].Id.IsFit);
        Assert.Contains("there are 3 of Running gear and 2 of Hull", Assert.Single(task.Waiting));
    }

    [Fact]
    public void Zones_that_touch_on_the_same_copies_keep_out_of_each_other_s_way()
    {
        var bench = new Bench();
        var wall = Bench.Piece("Wall", 2);
        var trim = bench.Zone(wall, "Trim", Base);
        bench.Zone(wall, "Face", Fitting.Free, [trim.Id], Base);
        Assert.Single(bench.Task().Plan.Touching);
    }

    [Fact]
    public void Ways_leave_out_hurry_and_part_what_they_say()
    {
        var bench = new Bench();
        var optional = Build.Coat(Technique.DryBrush, Build.SaltWhite) with { Optional = true };
        var wash = Build.Coat(Technique.Wash, Build.KelpWash, passes: 2);
        var zone = bench.Zone(Bench.Piece("Wall", 5), "Face", Base, wash, optional);
        int Steps() => bench.Task().Steps.Count();
        var all = Steps();
        Assert.Equal([optional.Id], new OtherWays(bench.Task()).Optional().Select(o => o.Coat.Id));
        bench.Way = new() { WithoutOptional = true };
        Assert.Equal(all - 5, Steps());
        bench.Way = new() { WithoutCoats = [wash.Id, optional.Id] };
        Assert.Equal(all - 15, Steps());
        bench.Way = new() { OtherWash = true };
        Assert.NotEqual(all, Steps());
        bench.Way = new() { MostCopies = 2 };
        Assert.Equal([2, 2, 1], bench.Task().Plan.Chains.Select(c => c[0].Copies.Count));
        bench.Way = new() { WarmAir = true };
        Assert.True(bench.Work().Zones[0].Steps[0].LagMin < StackSteps.Of(zone.Stack)[0].LagMin);
    }

    [Fact]
    public void Sets_that_are_not_asked_for_are_learned_from_but_not_planned()
    {
        var bench = new Bench();
        bench.Zone(Bench.Piece("Wall"), "Face", Base);
        var other = new WorkPiece(Guid.NewGuid(), Guid.NewGuid(), "Post", 3);
        var post = bench.Zone(other, "Timber", Base);
        for (var copy = 1; copy <= 3; copy++)
        {
            var step = StackSteps.Of(post.Stack)[0];
            bench.Wrote(LogKind.Done, Bench.Id(post, 0), copy, -10, 2 * step.MinutesPerCopy, then: StepFacts.Then(step, step.MinutesPerCopy));
        }

        var work = bench.Work(Bench.SetId);
        Assert.Equal("Wall", Assert.Single(work.Zones).Zone.Piece.Name);
        Assert.True(work.Learned.Minutes.ContainsKey(Technique.BaseCoat));
    }
}
