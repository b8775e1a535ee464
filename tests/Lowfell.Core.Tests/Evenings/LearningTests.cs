using CsCheck;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class LearningTests
{
    [Fact]
    public void Two_readings_correct_nothing_three_give_their_median()
    {
        Assert.Null(Correction.Of([1.5, 1.6]));
        Assert.Equal(1.6, Correction.Of([1.5, 1.6, 1.8])!.Factor, 9);
        Assert.Equal(3, Correction.Of([1.5, 1.6, 1.8, 0, double.NaN])!.Readings);
    }

    [Fact]
    public void One_wild_reading_hardly_moves_it() => Gen.Double[0.8, 1.2].Array[6, 20].Sample(ratios =>
    {
        var (calm, wild) = (Correction.Of(ratios)!, Correction.Of([.. ratios, 9.0])!);
        Assert.InRange(wild.Factor, calm.Factor, ratios.Max());
        Assert.InRange(calm.Factor, calm.Low, calm.High);
    });

    [Fact]
    public void What_is_more_than_three_times_off_is_asked_about()
    {
        Assert.Equal([false, true, false, true], new[] { 3.0, 3.01, 0.34, 0.33 }.Select(f => Correction.Of([f, f, f])!.IsFar));
        Assert.Equal(9, Correction.Of([9, 9, 9])!.Factor);
    }

    [Fact]
    public void A_slip_of_the_finger_is_no_reading() => Assert.Null(Correction.Of([1.1, 1.2, 0.002, 60]));

    [Fact]
    public void A_stack_becomes_steps_that_wait_for_each_other()
    {
        var fluid = Build.Of(Family.ChippingMedium);
        var stack = Build.Stack(
            Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2),
            Build.Coat(Technique.ChippingFluid, fluid, fraction: 1),
            Build.Coat(Technique.Airbrush, Build.SaltWhite),
            Build.Coat(Technique.OpenChips),
            Build.Coat(Technique.PinWash, Build.TarWash),
            Build.Coat(Technique.VarnishSpray, Build.Varnish(Core.Films.Sheen.Matt, Family.VarnishLacquer), fraction: 1),
            Build.Coat(Technique.DryBrush, Build.SaltWhite) with { Skipped = true });
        var steps = StackSteps.Of(stack);
        Assert.Equal([1, 2, 1, 1, 1, 1, Step.CleanUpPass, 1], steps.Select(s => s.Pass));
        Assert.Equal([Station.Brush, Station.Brush, Station.Brush, Station.Airbrush, Station.Brush, Station.Spirit, Station.Spirit, Station.Can], steps.Select(s => s.Station));
        Assert.Equal(steps[0].Times.RecoatMin, steps[0].LagMin);
        Assert.Equal((steps[3].Times.TouchMin + 15, steps[3].Times.TouchMin + 120), (steps[3].LagMin, steps[3].MostLagMin));

        // The wash waits ten minutes to be cleaned up, and no longer than it stays soft.
        Assert.Equal((10, 180), (steps[5].LagMin, steps[5].MostLagMin));
        Assert.True(steps[6].IsCleanUp);
        Assert.All(steps.Where((_, i) => i is not (3 or 5)), s => Assert.Null(s.MostLagMin));

        // A can would stir the enamel up: it waits for a night since it was laid.
        Assert.Equal(steps[5].Times.OvernightMin - 10, steps[6].LagMin);
        Assert.Equal(0, steps[7].LagMin);
    }
}
