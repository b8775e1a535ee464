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
        Assert.Equal(2, work.Learned.Minutes[Technique.BaseCoat].Correction.Factor, 6);
        Assert.Equal(2 * step.MinutesPerCopy, work.Zones[0].Steps[1].MinutesPerCopy, 6);
        Assert.Equal(StackSteps.Of(zone.Stack)[0].MinutesPerCopy, work.Zones[0].Steps[0].MinutesPerCopy);
        bench.Way = new() { Learn = false };
        Assert.Equal(step.MinutesPerCopy, bench.Work().Zones[0].Steps[1].MinutesPerCopy, 6);
        Assert.Equal(2, bench.Work().Learned.Minutes[Technique.BaseCoat].Correction.Factor, 6);
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
        Assert.Equal((1.5, 3), (Math.Round(work.Learned.Drying[paint.Id].Correction.Factor, 6), work.Learned.Drying[paint.Id].Correction.Readings));
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

    [Fact]
    public void One_press_is_one_reading_however_many_copies()
    {
        var (bench, zone, step) = Wall(9);
        for (var press = 0; press < 3; press++)
        {
            var id = Guid.NewGuid();
            for (var copy = 1; copy <= 3; copy++)
            {
                bench.Wrote(LogKind.Done, Bench.Id(zone, 1), (3 * press) + copy, -100 + press, 1.5 * step.MinutesPerCopy, press: id);
            }

            Assert.Equal(press == 2 ? 3 : 0, bench.Work().Learned.Minutes.GetValueOrDefault(Technique.BaseCoat)?.Correction.Readings ?? 0);
        }

        Assert.Equal(1.5, bench.Work().Learned.Minutes[Technique.BaseCoat].Correction.Factor, 9);
    }

    [Fact]
    public void What_was_taken_back_or_done_again_teaches_nothing()
    {
        var (bench, zone, step) = Wall();
        foreach (var copy in new[] { 1, 2, 3 })
        {
            bench.Wrote(LogKind.Done, Bench.Id(zone, 1), copy, -100 + copy, 2 * step.MinutesPerCopy, 3 * step.Station.SetUpMin(), Guid.NewGuid());
        }

        Assert.Single(bench.Work().Learned.Minutes);
        Assert.Single(bench.Work().Learned.SetUps);
        bench.Wrote(LogKind.TakenBack, Bench.Id(zone, 1), 2, -50);
        Assert.Empty(bench.Work().Learned.Minutes);
        Assert.Empty(bench.Work().Learned.SetUps);

        // Written down anew, with other minutes: that counts, and the first time does not.
        bench.Wrote(LogKind.Done, Bench.Id(zone, 1), 2, -40, 2 * step.MinutesPerCopy).Wrote(LogKind.Done, Bench.Id(zone, 1), 3, -30, 1.2 * step.MinutesPerCopy);
        Assert.Equal((2, 3), (bench.Work().Learned.Minutes[Technique.BaseCoat].Correction.Factor, bench.Work().Learned.Minutes[Technique.BaseCoat].Correction.Readings));
        Assert.InRange(bench.Work().Learned.Minutes[Technique.BaseCoat].Correction.Low, 1.2, 1.99);
    }

    [Fact]
    public void A_reading_is_measured_against_the_step_as_it_was_then()
    {
        var (bench, zone, step) = Wall();
        var (then, felt) = (StepFacts.Then(step, 2 * step.MinutesPerCopy), StepFacts.Then(step, 3 * step.Times.RecoatMin));
        foreach (var copy in new[] { 1, 2, 3 })
        {
            // Twice the area then, in air that dried three times slower: both as they were planned.
            bench.Wrote(LogKind.Done, Bench.Id(zone, 1), copy, -5000, 2 * step.MinutesPerCopy, then: then);
            bench.Wrote(LogKind.Dry, Bench.Id(zone, 1), copy, -5000 + (3 * step.Times.RecoatMin), then: felt);
        }

        var learned = bench.Work().Learned;
        Assert.Equal((1, 1), (learned.Minutes[Technique.BaseCoat].Correction.Factor, Math.Round(learned.Drying.Values.Single().Correction.Factor, 9)));
        Assert.Equal(step.LagMin, bench.Work().Zones[0].Steps[1].LagMin, 6);
    }

    [Fact]
    public void Steps_that_are_in_no_stack_any_more_still_teach_what_they_were()
    {
        var (bench, zone, step) = Wall();
        foreach (var copy in new[] { 1, 2, 3 })
        {
            bench.Wrote(LogKind.Done, StepId.Coat(Guid.NewGuid(), Guid.NewGuid(), 1), copy, -100, 1.5 * step.MinutesPerCopy, then: StepFacts.Then(step, step.MinutesPerCopy));
        }

        Assert.Equal(1.5 * step.MinutesPerCopy, bench.Work().Zones[0].Steps[1].MinutesPerCopy, 6);
        Assert.Equal(zone.Id, bench.Work().Zones[0].Zone.Id);
    }

    [Theory]
    [InlineData(2.9, null, true)]
    [InlineData(3.1, null, false)]
    [InlineData(0.3, null, false)]
    [InlineData(3.1, true, true)]
    [InlineData(3.1, false, false)]
    [InlineData(1.5, false, false)]
    public void Beyond_three_times_the_painter_is_asked_first(double factor, bool? answer, bool follows)
    {
        var (bench, zone, step) = Wall();
        foreach (var copy in new[] { 1, 2, 3 })
        {
            bench.Done(zone, 1, copy, -100, factor * step.MinutesPerCopy);
        }

        if (answer is { } said)
        {
            bench.Answers["minutes/BaseCoat"] = said;
        }

        var work = bench.Work();
        Assert.Equal(follows, work.Learned.Minutes[Technique.BaseCoat].Rules);
        Assert.Equal((follows ? factor : 1) * step.MinutesPerCopy, work.Zones[0].Steps[1].MinutesPerCopy, 6);
    }

    [Fact]
    public void Air_that_changes_dries_by_its_shares()
    {
        Assert.Equal(60, StepFacts.DryingMin([60]));
        // Half the time in air of 30 minutes and half in air of 90: one share of a third, of 1 in 45.
        Assert.Equal(45, StepFacts.DryingMin([30, 90]), 9);
        Assert.InRange(StepFacts.DryingMin([20, 50, 80, 110]), 20, 110);
    }

    [Theory]
    [InlineData("minutes/DryBrush", true)]
    [InlineData("setUp/Can", true)]
    [InlineData("drying/9b2c0e46-8f5e-4f0f-9a3e-000000000001", true)]
    [InlineData("minutes/Painting", false)]
    [InlineData("drying/soon", false)]
    [InlineData("", false)]
    public void A_figure_is_known_by_its_key(string key, bool known) => Assert.Equal(known, LearnedFigures.IsKey(key));
}
