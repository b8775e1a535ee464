using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mending;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Mending;

/// <summary>Mends by what there is to paint with.</summary>
public sealed class OwnToolsTests
{
    private static readonly StackDraft Matt = Build.Stack(
        Build.Zone(Relief.Panelled, Substrate.Polystyrene),
        Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol)), Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.PinWash, Build.TarWash), Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Matt)));

    [Fact]
    public void A_bench_without_can_and_airbrush_is_offered_no_sprayed_barrier()
    {
        Assert.Contains(Mends(Tools.All), m => m.Mend.Id.StartsWith("barrier-spray", StringComparison.Ordinal));
        var brushed = Mends(new Tools(Cans: false, Oils: true));
        Assert.NotEmpty(brushed);
        Assert.DoesNotContain(brushed, m => m.Mend.Draft.Coats.Any(c => c.How.Sprayed && Matt.Coats.All(o => o.Id != c.Id)));
    }

    [Fact]
    public void What_the_painter_planned_stays_although_the_tool_is_not_told() =>
        Assert.All(Mends(new Tools(Cans: false)), m => Assert.Contains(m.Mend.Draft.Coats, c => c.Technique == Technique.SprayCan));

    [Fact]
    public void All_mends_at_once_keep_to_the_tools_too()
    {
        var mended = MendAll.Of(Matt, Build.Shelf with { Tools = new Tools(Cans: false) });
        Assert.DoesNotContain(mended.Draft.Coats, c => c.How.Sprayed && Matt.Coats.All(o => o.Id != c.Id));
        Assert.True(mended.After.Stops + mended.After.Risks < mended.Before.Stops + mended.Before.Risks);
    }

    [Theory]
    [InlineData(Technique.SprayCan, Family.PrimerAerosol, Tool.Cans)]
    [InlineData(Technique.Zenithal, Family.PrimerAerosol, Tool.Cans)]
    [InlineData(Technique.Zenithal, Family.AcrylicPaint, Tool.Airbrush)]
    [InlineData(Technique.VarnishSpray, Family.VarnishWater, Tool.Airbrush)]
    [InlineData(Technique.VarnishSpray, Family.VarnishLacquer, Tool.Cans)]
    [InlineData(Technique.PinWash, Family.EnamelWash, Tool.Oils)]
    [InlineData(Technique.PinWash, Family.AcrylicWash, Tool.Brushes)]
    [InlineData(Technique.SpongeChipping, Family.AcrylicPaint, Tool.Sponge)]
    [InlineData(Technique.DryBrush, Family.AcrylicPaint, Tool.Brushes)]
    public void A_coat_needs_the_tool_that_lays_it(Technique technique, Family family, Tool tool) => Assert.Equal(tool, technique.Needs(family));

    private static IReadOnlyList<RankedMend> Mends(Tools tools)
    {
        var reading = new Reading(Matt, Core.Prediction.Predictor.PredictMiddle(Matt));
        return RankedMends.Of(reading, RuleBook.Read(reading).First(f => f.Rule.Id == "sheen-under-pin-wash"), Build.Shelf with { Tools = tools });
    }
}
