using Lowfell.Core.Amounts;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>Steps beside the coats: masks, the other side, what lies drying, the air of a spray.</summary>
public sealed class BesideTests
{
    private static Bench Hull(OversprayWay way, int passes = 1)
    {
        var bench = new Bench { Way = new() { Overspray = way } };
        var piece = Bench.Piece("Hull", 2);
        var bed = bench.Zone(piece, "Bed", Build.Coat(Technique.BaseCoat, Build.RopeTan));
        bench.Zone(piece, "Panels", Fitting.Free, [bed.Id], Build.Coat(Technique.Airbrush, Build.SaltWhite, passes: passes), Build.Coat(Technique.BaseCoat, Build.RopeTan));
        return bench;
    }

    [Fact]
    public void A_spray_is_masked_before_it_and_unmasked_within_its_window()
    {
        var steps = Hull(OversprayWay.Mask, passes: 2).Work().Zones[1].Steps;
        Assert.Equal([Step.MaskPass, 1, 2, Step.UnmaskPass, 1], steps.Select(s => s.Pass));
        Assert.Equal([Station.Masking, Station.Airbrush, Station.Airbrush, Station.Masking, Station.Brush], steps.Select(s => s.Station));

        // A border of a side of the smaller zone at 60 mm a minute, and what it takes to begin and end.
        Assert.Equal(1.5 + (Math.Sqrt(4000) / 60), steps[0].MinutesPerCopy, 6);
        Assert.Equal((steps[2].Times.TouchMin, 24 * 60.0), (steps[2].LagMin, steps[2].MostLagMin!.Value));
        Assert.All(steps.Where(s => s.IsBeside), s => Assert.Null(Hull(OversprayWay.Mask, 2).Work().Zones[1].MixFor(s, 2)));
        Assert.Equal([1, 1], Hull(OversprayWay.Care).Work().Zones[1].Steps.Select(s => s.Pass));
    }

    [Fact]
    public void What_is_masked_has_to_bear_the_tape_first_and_the_plan_keeps_to_it()
    {
        var bench = Hull(OversprayWay.Mask);
        var under = bench.Work().Zones[0].Steps[0];
        Assert.Equal(under.Times.OvernightMin, under.Times.TouchMin);
        var task = bench.Task();
        var plan = PlanMaker.AtOnce(task, () => false).Best;
        Assert.Null(plan.Problem);
        var (laid, mask) = (plan.Lots.Single(l => l.Lot.Id.ZoneId == task.Work.Zones[0].Zone.Id), plan.Lots.Single(l => l.Lot.Id.Pass == Step.MaskPass));
        Assert.True(mask.Start >= laid.End + under.Times.OvernightMin || laid.Start >= mask.End, "the tape went on too soon");
        Assert.Equal("Mask for the airbrushed coat", StepWords.Of(task.Work.StepOf(mask.Lot.Id)!));
    }

    [Fact]
    public void A_mask_is_off_the_list_once_its_spray_is_written_down()
    {
        var bench = Hull(OversprayWay.Mask);
        var panels = bench.Work().Zones[1];
        bench.Wrote(LogKind.Done, panels.Id(1), 1, -100);
        var work = bench.Work();
        Assert.Equal(["dd..", "...."], work.Progress(work.Zones[1]));
        bench.Wrote(LogKind.TakenBack, panels.Id(1), 1, -50);
        Assert.Equal(["....", "...."], bench.Work().Progress(bench.Work().Zones[1]));
    }

    [Fact]
    public void What_lies_flat_is_laid_on_one_side_and_after_a_turn_on_the_other()
    {
        var bench = new Bench();
        var stands = bench.Zone(Bench.Piece("Stands", 1), "Face", Bench.Wall);
        var flat = bench.Zone(Bench.Piece("Lies", 1) with { LiesFlat = true }, "Face", Bench.Wall);
        var work = bench.Work();
        var (one, two) = (work.Zone(stands.Id)!, work.Zone(flat.Id)!);
        Assert.Equal([1, -3, 1, -3, 2, -4, 1, -3], two.Steps.Select(s => s.Pass));
        Assert.Equal(two.Steps.Count, two.Steps.Select(s => s.Id(flat.Id)).Distinct().Count());
        Assert.Equal(one.Steps.Sum(s => s.MinutesPerCopy) + (4 * TwoSided.TurnMin), two.Steps.Sum(s => s.MinutesPerCopy), 6);
        Assert.Equal(two.Steps[0].Times.TouchMin, two.Steps[0].LagMin);
        Assert.EndsWith("the other side:", StepWords.Of(two.Steps[1]), StringComparison.Ordinal);

        // Both sides together are the coat, with what stays in the brush twice.
        double Ml(OpenZone z) => z.Steps.Sum(s => z.MixFor(s, 1)?.TotalMl ?? 0);
        var loss = two.Steps.Sum(s => s.Coat.How.LossMl) / 2;
        Assert.Equal(Ml(one) + loss, Ml(two), 6);
        Assert.Empty(PlanCheck.Faults(bench.Task().Plan, PlanMaker.AtOnce(bench.Task(), () => false).Best));
    }

    [Fact]
    public void What_looks_up_has_no_other_side()
    {
        var zone = Build.Zone() with { Facing = Facing.Up };
        var steps = StackSteps.Of(Build.Stack(zone, Bench.Wall));
        Assert.Equal(steps, TwoSided.Of(steps, zone));
    }

    [Fact]
    public void What_lies_drying_is_told_by_the_log_until_it_was_felt_or_painted_over()
    {
        var bench = new Bench();
        var wall = bench.Zone(Bench.Piece("Wall", 4), "Face", Bench.Wall);
        var lag = StackSteps.Of(wall.Stack)[1].LagMin;
        bench.Done(wall, 1, 1, -5).Done(wall, 1, 2, -5).Done(wall, 1, 3, -2000).Done(wall, 1, 4, -8);
        var work = bench.Work();
        IReadOnlyList<DryingStep> Now(params LogFact[] more) => DryingStep.Of(bench.Work(), [.. more], 0);
        Assert.Equal([(4, lag - 8), (1, lag - 5)], Now().Select(d => (d.Copies[0], d.DryAtMin)));
        Assert.Equal([1, 2], Now()[1].Copies);
        Assert.Single(Now(new LogFact(work.Zones[0].Id(1).On(4), LogKind.Dry, -1)));
        bench.Done(wall, 1, 1, -1, pass: 2);
        Assert.DoesNotContain(Now(), d => d.Step.Pass == 1 && d.Copies.Contains(1));
    }

    [Theory]
    [InlineData(Station.Can, 20, 0.6, null)]
    [InlineData(Station.Can, 8, 0.82, "At 8 °C and 82 % humidity a can sputters and its film turns cloudy. Wait for 10 °C and less than 70 %, or spray in a heated booth.")]
    [InlineData(Station.Airbrush, 9.5, 0.5, "At 9.5 °C and 50 % humidity the airbrush spits and its film turns cloudy. Wait for 10 °C, or spray in a heated booth.")]
    [InlineData(Station.Brush, 5, 0.9, null)]
    public void Air_that_is_too_damp_or_cold_is_told_of_a_spray_alone(Station station, double c, double humidity, string? told) =>
        Assert.Equal(told, SprayAir.Told(station, new Climate(c, humidity)));

    [Fact]
    public void What_was_proved_holds_for_the_same_task_an_hour_later_and_for_no_other()
    {
        var bench = new Bench();
        var wall = bench.Zone(Bench.Piece("Wall", 4), "Face", Bench.Wall);
        string Mark(long origin = 1000, double shift = 0) => TaskMark.Of(new(bench.Work(), [.. bench.Evenings.Select(s => new Session(Math.Max(0, (int)(s.Open - shift)), (int)(s.Close - shift)))], bench.Way), origin, 5 * 1440);
        var before = Mark();
        Assert.Equal(before, Mark(1060, 60));
        bench.Way = new() { WarmAir = true };
        Assert.NotEqual(before, Mark());
        bench.Way = new();
        Assert.Equal(before, Mark());
        bench.Done(wall, 0, 1, -10);
        Assert.NotEqual(before, Mark());
        bench.Wrote(LogKind.TakenBack, Bench.Id(wall, 0), 1, -5);
        Assert.Equal(before, Mark());
        bench.Evenings = [.. bench.Evenings.Skip(1)];
        Assert.NotEqual(before, Mark());
    }

    [Fact]
    public void No_lot_is_longer_than_a_sitting_and_long_ones_are_followed_by_a_pause()
    {
        var bench = new Bench { Way = new() { SittingMin = 12, PauseMin = 5 } };
        bench.Zone(Bench.Piece("Wall", 9), "Face", Bench.Wall);
        var task = bench.Task();
        Assert.All(task.Plan.Chains.SelectMany(c => c), l => Assert.True(l.Minutes <= 12 || l.Copies.Count == 1));
        Assert.Contains(task.Plan.Chains.SelectMany(c => c), l => l.PauseMin == 5);
        Assert.All(task.Plan.Chains.SelectMany(c => c), l => Assert.Equal(l.Minutes > 6 ? 5 : 0, l.PauseMin));
        Assert.Equal(0, TouchUp.Ml(0));
    }
}
