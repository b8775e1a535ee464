using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class LearnedFiguresTests
{
    private static (Bench Bench, WorkZone Zone, Step Base) Wall(int copies = 5)
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Wall", copies), "Face", Bench.Wall);
        return (bench, zone, StackSteps.Of(zone.Stack)[1]);
    }

    [Fact]
    public void Three_measured_copies_make_the_plan_follow_their_median_where_it_is_wanted()
    {
        var (bench, zone, step) = Wall();
        foreach (var (copy, times) in new[] { (1, 2.0), (2, 1.8), (3, 5.0) })
        {
            bench.Done(zone, 1, copy, -100, times * step.MinutesPerCopy);
        }

        var work = bench.Work();
        Assert.Equal(2, work.Learned.Minutes[Technique.BaseCoat].Factor, 6);
        Assert.Equal(2 * step.MinutesPerCopy, work.Zones[0].Steps[1].MinutesPerCopy, 6);
        Assert.Equal(StackSteps.Of(zone.Stack)[0].MinutesPerCopy, work.Zones[0].Steps[0].MinutesPerCopy);
        bench.Way = new() { Learn = false };
        Assert.Equal(step.MinutesPerCopy, bench.Work().Zones[0].Steps[1].MinutesPerCopy, 6);
        Assert.Equal(2, bench.Work().Learned.Minutes[Technique.BaseCoat].Factor, 6);
    }

    [Fact]
    public void Drying_is_learned_from_the_end_of_the_coat_to_the_touch_and_only_from_coats_that_are_on()
    {
        var (bench, zone, step) = Wall();
        for (var copy = 1; copy <= 4; copy++)
        {
            bench.Done(zone, 1, copy, -1000);
            bench.Wrote(LogKind.Dry, Bench.Id(zone, 1), copy, -1000 + (1.5 * step.Times.RecoatMin));
        }

        // Felt on a copy whose coat was taken back, and felt before it was laid: neither is a reading.
        bench.Wrote(LogKind.TakenBack, Bench.Id(zone, 1), 4, -10).Wrote(LogKind.Dry, Bench.Id(zone, 1), 5, -2000);
        var work = bench.Work();
        var paint = zone.Stack.Coats[1].Paint!.Lead;
        Assert.Equal((paint.Name, 1.5, 3), (work.Learned.Drying[paint.Id].Name, Math.Round(work.Learned.Drying[paint.Id].Correction.Factor, 6), work.Learned.Drying[paint.Id].Correction.Readings));
        Assert.Equal(1.5 * step.LagMin, work.Zones[0].Steps[1].LagMin, 6);
    }

    [Fact]
    public void A_window_is_not_learned_as_it_opens_by_touch()
    {
        var bench = new Bench();
        var zone = bench.Zone(Bench.Piece("Hull", 5), "Panels", Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.PinWash, Build.TarWash), Build.Coat(Technique.Varnish, Build.Varnish(Films.Sheen.Matt)));
        var steps = StackSteps.Of(zone.Stack);
        var laid = steps.First(s => s.MostLagMin is not null);
        for (var copy = 1; copy <= 3; copy++)
        {
            bench.Done(zone, 1, copy, -1000).Wrote(LogKind.Dry, laid.Id(zone.Id), copy, -1000 + (3 * laid.Times.RecoatMin));
        }

        var now = bench.Work().Zones[0].Steps;
        Assert.Equal((laid.LagMin, laid.MostLagMin), (now.First(s => s.MostLagMin is not null).LagMin, now.First(s => s.MostLagMin is not null).MostLagMin));
    }

    [Fact]
    public void Setting_up_is_learned_by_station()
    {
        var (bench, zone, step) = Wall();
        for (var copy = 1; copy <= 3; copy++)
        {
            bench.Wrote(LogKind.Done, Bench.Id(zone, 1), copy, -100, setUp: 3 * step.Station.SetUpMin());
        }

        Assert.Equal(3 * step.Station.SetUpMin(), bench.Work().Learned.SetUpMin(step.Station)!.Value, 6);
        Assert.Null(bench.Work().Learned.SetUpMin(Station.Can));
        Assert.Contains(bench.Task().Plan.Chains.SelectMany(c => c), l => l.Station == step.Station && l.OwnSetUpMin == 3 * step.Station.SetUpMin());
    }

    [Fact]
    public void What_names_no_step_of_any_stack_teaches_nothing()
    {
        var (bench, zone, _) = Wall();
        for (var copy = 1; copy <= 5; copy++)
        {
            bench.Wrote(LogKind.Done, StepId.Coat(zone.Id, Guid.NewGuid(), 1), copy, -100, 50);
        }

        Assert.Empty(bench.Work().Learned.Minutes);
    }
}
