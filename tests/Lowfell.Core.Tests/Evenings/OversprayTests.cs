using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class OversprayTests
{
    private static IReadOnlyList<Step> Of(params Coat[] coats) => StackSteps.Of(Build.Stack(coats));

    [Fact]
    public void A_spray_endangers_brush_work_beside_it_but_not_the_same_coat_over_both()
    {
        var spray = Of(Build.Coat(Technique.Airbrush, Build.SaltWhite))[0];
        Assert.True(Overspray.Endangers(spray, Of(Build.Coat(Technique.BaseCoat, Build.RopeTan))));
        Assert.False(Overspray.Endangers(spray, Of(Build.Coat(Technique.Airbrush, Build.SaltWhite), Build.Coat(Technique.BaseCoat, Build.RopeTan))));
        Assert.False(Overspray.Endangers(spray, Of(Build.Coat(Technique.Airbrush, Build.RopeTan))));
        Assert.False(Overspray.Endangers(Of(Build.Coat(Technique.BaseCoat, Build.SaltWhite))[0], Of(Build.Coat(Technique.BaseCoat, Build.RopeTan))));
    }

    [Fact]
    public void Masking_grows_with_the_border_and_repainting_with_the_brush_work()
    {
        var zone = Build.Stack().Zone;
        double Mask(double mm2) => Overspray.MaskMinutes(zone with { AreaMm2 = mm2 }, zone with { AreaMm2 = 40_000 });
        Assert.True(Mask(100) < Mask(900));

        // A side of the smaller zone at 60 mm a minute, after a minute and a half.
        Assert.Equal(1.5 + (30 / 60.0), Mask(900), 9);
        Assert.Equal(Mask(40_000), Mask(90_000), 9);
        var brush = Of(Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2));
        Assert.Equal(0.25 * brush.Sum(s => s.MinutesPerCopy), Overspray.RepaintMinutes(brush), 9);
        Assert.Equal(0, Overspray.RepaintMinutes(Of(Build.Coat(Technique.Airbrush, Build.RopeTan))));
    }
}
