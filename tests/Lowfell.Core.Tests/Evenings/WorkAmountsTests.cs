using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class WorkAmountsTests
{
    private static Plan Planned(WorkTask task) => PlanMaker.AtOnce(task, () => false).Best;

    private static (double Ml, double Minutes) Sum(WorkTask task, Plan plan, Palette palette = Palette.Wet)
    {
        var lots = WorkAmounts.Of(task.Work, WorkAmounts.ToDo(task, plan), palette);
        return (lots.Sum(l => l.Amount?.TotalMl ?? 0), lots.Sum(l => l.Minutes));
    }

    [Fact]
    public void What_is_to_be_mixed_is_what_the_plan_mixes_before_and_after_the_log_and_after_it_is_taken_back()
    {
        var bench = new Bench();
        var wall = bench.Zone(Bench.Piece("Wall", 6), "Face", Bench.Wall);
        bench.Zone(Bench.Piece("Post", 3), "Timber", Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.PinWash, Build.TarWash));
        void Agrees()
        {
            var task = bench.Task();
            var plan = Planned(task);
            Assert.Null(plan.Problem);
            var mixed = plan.Lots.Sum(l => task.Work.Zone(l.Lot.Id.ZoneId)!.MixFor(task.Work.StepOf(l.Lot.Id)!, l.Lot.Copies.Count)?.TotalMl ?? 0);
            var sum = Sum(task, plan);
            Assert.Equal(mixed, sum.Ml, 9);
            Assert.Equal(plan.WorkMin, sum.Minutes, 9);

            // Without a plan the lots are the same.
            Assert.Equal(sum.Ml, Sum(task, new([], null)).Ml, 9);
        }

        Agrees();
        var before = Sum(bench.Task(), Planned(bench.Task()));
        foreach (var copy in new[] { 1, 2, 3 })
        {
            bench.Done(wall, 0, copy, -100).Done(wall, 1, copy, -50);
        }

        Agrees();
        Assert.True(Sum(bench.Task(), Planned(bench.Task())).Ml < before.Ml);
        foreach (var copy in new[] { 1, 2, 3 })
        {
            bench.Wrote(LogKind.TakenBack, Bench.Id(wall, 0), copy, -10).Wrote(LogKind.TakenBack, Bench.Id(wall, 1), copy, -10);
        }

        Agrees();
        Assert.Equal(before, Sum(bench.Task(), Planned(bench.Task())));
    }

    [Fact]
    public void What_a_plan_does_not_have_is_counted_too()
    {
        var bench = new Bench();
        bench.Zone(Bench.Piece("Wall", 4), "Face", Bench.Wall);
        var task = bench.Task();
        var plan = Planned(task);
        var half = plan with { Lots = [.. plan.Lots.Take(plan.Lots.Count / 2)] };
        Assert.Equal(task.Steps.Count(), WorkAmounts.ToDo(task, half).Sum(l => l.Copies.Count));
        Assert.Equal(Sum(task, plan).Ml, Sum(task, half).Ml, 9);
    }

    [Fact]
    public void Only_a_base_coat_with_neat_work_along_it_or_marks_over_it_keeps_some_for_slips()
    {
        var bench = new Bench();
        var piece = Bench.Piece("Wall", 4);
        var neighbour = Guid.NewGuid();
        var face = bench.Zone(piece, "Face", Fitting.Free, [], Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2));
        var lots = WorkAmounts.Of(bench.Work(), WorkAmounts.ToDo(bench.Task(), new([], null)), Palette.Wet);
        Assert.Equal(0, WorkAmounts.ReserveMl(bench.Work(), lots.ToList()));
        Assert.NotEqual(neighbour, face.Id);

        var both = new Bench();
        var wall = both.Zone(piece, "Face", Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2), Build.Coat(Technique.SpongeChipping, Build.SaltWhite) with { Marks = new(200, 1, 1.5) });
        both.Zone(piece, "Beam", Fitting.Free, [wall.Id], Build.Coat(Technique.BaseCoat, Build.SaltWhite), Build.Coat(Technique.EdgeHighlight, Build.SaltWhite));
        var work = both.Work();
        double Reserve(WorkZone zone) => WorkAmounts.ReserveMl(work, [.. WorkAmounts.Of(work, WorkAmounts.ToDo(both.Task(), new([], null)), Palette.Wet).Where(l => l.Zone.Zone.Id == zone.Id && l.Step.Coat.Technique == Technique.BaseCoat)]);

        // Four copies, ten marks of each that go wrong; 40 mm2 of 60 um through a transfer of 0.85, and what the brush keeps.
        Assert.Equal(0.1 + (4 * 10 * 40 * 60 / 0.85 * 1e-6), Reserve(wall), 6);
        Assert.Equal(0, TouchUp.Ml(0));
        Assert.True(TouchUp.Ml(2) > TouchUp.Ml(1));
    }

    [Fact]
    public void The_border_is_counted_from_the_zone_that_names_its_neighbour()
    {
        var bench = new Bench();
        var piece = Bench.Piece("Wall", 1);
        var beam = bench.Zone(piece, "Beam", Build.Coat(Technique.BaseCoat, Build.SaltWhite), Build.Coat(Technique.EdgeHighlight, Build.SaltWhite));
        var face = bench.Zone(piece, "Face", Fitting.Free, [beam.Id], Build.Coat(Technique.BaseCoat, Build.RopeTan));
        var work = bench.Work();
        var lots = WorkAmounts.Of(work, WorkAmounts.ToDo(bench.Task(), new([], null)), Palette.Wet).Where(l => l.Zone.Zone.Id == face.Id).ToList();
        var slips = Math.Sqrt(4000) * 2 / TouchUp.MmPerSlip;
        Assert.Equal(TouchUp.Ml(slips), WorkAmounts.ReserveMl(work, lots), 9);
    }
}
