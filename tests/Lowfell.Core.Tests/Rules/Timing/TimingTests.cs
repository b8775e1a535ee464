using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Rules.Timing;

/// <summary>Times between steps: planned, about to be done, or written down.</summary>
public sealed class TimingTests
{
    private static readonly Zone Plate = Build.Zone(Relief.Smooth);

    private static IReadOnlyList<Step> Washed { get; } = StackSteps.Of(Build.Stack(
        Plate,
        Build.Coat(Technique.BaseCoat, Build.RopeTan),
        Build.Coat(Technique.VarnishSpray, Build.Varnish(Core.Films.Sheen.Satin, Family.VarnishLacquer), fraction: 1),
        Build.Coat(Technique.PinWash, Build.TarWash),
        Build.Coat(Technique.VarnishSpray, Build.Varnish(Core.Films.Sheen.Matt), fraction: 1)));

    private static IReadOnlyList<Step> Chipped { get; } = StackSteps.Of(Build.Stack(
        Plate,
        Build.Coat(Technique.BaseCoat, Build.RopeTan),
        Build.Coat(Technique.ChippingFluid, Build.Of(Family.ChippingMedium), fraction: 1),
        Build.Coat(Technique.Airbrush, Build.SaltWhite),
        Build.Coat(Technique.OpenChips)));

    private static string[] Judge(IReadOnlyList<Step> steps, int before, double gapMin, Relief relief = Relief.Smooth) =>
        [.. StepTiming.Judge(new(steps[before], steps[before + 1], gapMin, Plate with { Relief = relief })).Select(f => f.Rule.Id)];

    [Fact]
    public void A_coat_that_comes_when_it_should_is_left_in_peace()
    {
        Assert.Empty(Judge(Washed, 0, Washed[0].NeededMin));
        Assert.Empty(Judge(Washed, 0, 5 * 24 * 60));
        Assert.Empty(Judge(Washed, 2, 30));
        Assert.Empty(Judge(Chipped, 2, Chipped[2].NeededMin + 10));
    }

    [Theory]
    [InlineData(0.5, Severity.Risk)]
    [InlineData(0.02, Severity.Stop)]
    public void A_coat_that_is_laid_within_its_wait_is_found(double share, Severity severity)
    {
        var finding = Assert.Single(StepTiming.Judge(new(Washed[0], Washed[1], Washed[0].NeededMin * share, Plate)));
        Assert.Equal(("coat-too-soon", severity), (finding.Rule.Id, finding.Severity));
        Assert.Contains("min", finding.Figure, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(2, false)]
    [InlineData(10, true)]
    [InlineData(180, true)]
    [InlineData(240, false)]
    public void A_pin_wash_is_cleaned_up_within_its_window(double gapMin, bool inTime)
    {
        Assert.True(Washed[3].IsCleanUp);
        Assert.Equal(inTime ? [] : ["clean-up-window"], Judge(Washed, 2, gapMin));
    }

    [Theory]
    [InlineData(Relief.Smooth, "1.5")]
    [InlineData(Relief.Panelled, "2")]
    [InlineData(Relief.Textured, "3")]
    [InlineData(Relief.Rough, "4")]
    public void A_wash_that_has_set_takes_longer_the_rougher_the_casting(Relief relief, string times)
    {
        var finding = Assert.Single(StepTiming.Judge(new(Washed[2], Washed[3], 600, Plate with { Relief = relief })));
        Assert.Contains($"{times} times", finding.Figure, StringComparison.Ordinal);
        Assert.Contains("Fresh thinner", finding.Remedy, StringComparison.Ordinal);
    }

    [Fact]
    public void Chips_are_opened_once_the_top_is_dry_and_before_the_fluid_has_locked()
    {
        Assert.Equal(["chipping-window"], Judge(Chipped, 2, 5));
        Assert.Equal(["chipping-window"], Judge(Chipped, 2, Chipped[2].MostLagMin!.Value + 60));
    }

    [Fact]
    public void The_chipping_window_moves_with_the_air()
    {
        var stack = Build.Stack(
            Plate,
            Build.Coat(Technique.BaseCoat, Build.RopeTan),
            Build.Coat(Technique.ChippingFluid, Build.Of(Family.ChippingMedium), fraction: 1),
            Build.Coat(Technique.Airbrush, Build.SaltWhite),
            Build.Coat(Technique.OpenChips));
        var cold = StackSteps.Of(stack with { Climate = new(12, 0.75) })[2];
        Assert.True(cold.LagMin > Chipped[2].LagMin);
        Assert.True(cold.MostLagMin > Chipped[2].MostLagMin);
    }

    [Fact]
    public void A_clean_up_of_ones_own_is_not_done_twice()
    {
        var steps = StackSteps.Of(Build.Stack(
            Plate,
            Build.Coat(Technique.BaseCoat, Build.RopeTan),
            Build.Coat(Technique.PinWash, Build.TarWash),
            Build.Coat(Technique.CleanUp)));
        Assert.DoesNotContain(steps, s => s.IsCleanUp);
        Assert.Equal(Technique.CleanUp, steps[^1].Coat.Technique);
    }
}

/// <summary>What one copy costs, and how many at a time hide the waiting.</summary>
public sealed class CopyCostTests
{
    [Theory]
    [InlineData(0, 10, 1)]
    [InlineData(20, 10, 3)]
    [InlineData(25, 10, 4)]
    [InlineData(60, 5, 13)]
    public void So_many_copies_hide_a_wait(double waitMin, double handsOnMin, int copies) => Assert.Equal(copies, CopyCost.Hides(waitMin, handsOnMin));

    [Fact]
    public void Zones_are_worked_on_side_by_side()
    {
        var wall = StackSteps.Of(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2), Build.Coat(Technique.Wash, Build.KelpWash)));
        var trim = StackSteps.Of(Build.Stack(Build.Coat(Technique.BaseCoat, Build.Lampblack)));
        var cost = CopyCost.Of([wall, trim])!;
        Assert.Equal(wall.Concat(trim).Sum(s => s.MinutesPerCopy), cost.HandsOnMin, 9);
        Assert.Equal(wall.Sum(s => s.LagMin), cost.WaitingMin, 9);
        Assert.True(cost.BreakEven >= 1);
        Assert.True(cost.PaletteMost >= 1);
        Assert.Null(CopyCost.Of([]));
    }

    [Fact]
    public void A_night_is_slept_through_whatever_the_batch()
    {
        var slow = StackSteps.Of(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.Wash, Build.KelpWash) with { Wait = Wait.Cured }));
        Assert.True(slow[0].LagMin > 600);
        Assert.Equal(1, CopyCost.Of([slow])!.BreakEven);
    }
}
