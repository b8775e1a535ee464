using CsCheck;
using Lowfell.Core.Evenings;
using Lowfell.Core.Drying;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
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
    public void Nothing_is_believed_beyond_four_times() => Assert.Equal((4, 0.25), (Correction.Of([9, 9, 9])!.Factor, Correction.Of([0.11, 0.12, 0.13])!.Factor));

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
            Build.Coat(Technique.Varnish, Build.Varnish(Core.Colour.Sheen.Matt)),
            Build.Coat(Technique.DryBrush, Build.SaltWhite) with { Skipped = true });
        var steps = Steps.Of(stack, Climate.Reference);
        Assert.Equal([1, 2, 1, 1, 1, 1, 1], steps.Select(s => s.Pass));
        Assert.Equal([Station.Brush, Station.Brush, Station.Brush, Station.Airbrush, Station.Brush, Station.Spirit, Station.Brush], steps.Select(s => s.Station));
        Assert.Equal(steps[0].Times.RecoatMin, steps[0].LagMin);
        Assert.Equal((steps[3].Times.TouchMin + 15, steps[3].Times.TouchMin + 120), (steps[3].LagMin, steps[3].MostLagMin));
        Assert.All(steps.Where((_, i) => i != 3), s => Assert.Null(s.MostLagMin));

        // Varnish would shut the enamel in: it waits for the cure.
        Assert.Equal(steps[5].Times.CuredMin, steps[5].LagMin);
        Assert.Equal(0, steps[6].LagMin);
    }
}
