using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Techniques;

/// <summary>How hard each technique works on what lies below.</summary>
public sealed class ImpactTests
{
    [Theory]
    [InlineData(Technique.SprayCan, Impact.Mist)]
    [InlineData(Technique.Airbrush, Impact.Mist)]
    [InlineData(Technique.Zenithal, Impact.Mist)]
    [InlineData(Technique.PreShade, Impact.Mist)]
    [InlineData(Technique.Modulation, Impact.Mist)]
    [InlineData(Technique.VarnishSpray, Impact.Mist)]
    [InlineData(Technique.DryBrush, Impact.Mist)]
    [InlineData(Technique.Speckle, Impact.Mist)]
    [InlineData(Technique.BaseCoat, Impact.Laid)]
    [InlineData(Technique.Layer, Impact.Laid)]
    [InlineData(Technique.Overbrush, Impact.Laid)]
    [InlineData(Technique.Sponge, Impact.Laid)]
    [InlineData(Technique.SpongeChipping, Impact.Laid)]
    [InlineData(Technique.Stipple, Impact.Laid)]
    [InlineData(Technique.EdgeHighlight, Impact.Laid)]
    [InlineData(Technique.Wash, Impact.Laid)]
    [InlineData(Technique.ThinnedWash, Impact.Laid)]
    [InlineData(Technique.Glaze, Impact.Laid)]
    [InlineData(Technique.Filter, Impact.Laid)]
    [InlineData(Technique.Streak, Impact.Laid)]
    [InlineData(Technique.Seal, Impact.Laid)]
    [InlineData(Technique.Varnish, Impact.Laid)]
    [InlineData(Technique.Texture, Impact.Laid)]
    [InlineData(Technique.GritInGlue, Impact.Laid)]
    [InlineData(Technique.CracklePaste, Impact.Laid)]
    [InlineData(Technique.CrackleMedium, Impact.Laid)]
    [InlineData(Technique.ChippingFluid, Impact.Laid)]
    [InlineData(Technique.PinWash, Impact.Laid)]
    [InlineData(Technique.WetStreak, Impact.Scrubbed)]
    [InlineData(Technique.Pigment, Impact.None)]
    [InlineData(Technique.Marking, Impact.None)]
    [InlineData(Technique.FixPigment, Impact.None)]
    [InlineData(Technique.DripGlue, Impact.None)]
    public void It_works_as_hard_as_painters_say(Technique technique, Impact impact) => Assert.Equal(impact, technique.Facts().Impact);

    [Theory]
    [InlineData(Family.EnamelWash, Impact.Scrubbed)]
    [InlineData(Family.OilWash, Impact.Scrubbed)]
    [InlineData(Family.AcrylicWash, Impact.Laid)]
    public void A_pin_wash_in_spirit_is_scrubbed_off_the_face(Family family, Impact impact) =>
        Assert.Equal(impact, Build.Coat(Technique.PinWash, Build.Of(family)).Impact);

    [Fact]
    public void Every_technique_is_whole()
    {
        Assert.Equal(Enum.GetValues<Technique>().Length, Enum.GetValues<Technique>().Select(t => t.Facts().Label).Distinct().Count());
        foreach (var technique in Enum.GetValues<Technique>())
        {
            var how = technique.Facts();
            Assert.NotEmpty(how.Group);
            Assert.NotEmpty(how.Tool);
            Assert.InRange(how.Transfer, 0.05, 1);
            Assert.InRange(how.Strength, 0, 1);
            Assert.True(how.AppliedUm > 0 || how.Stroke is not null || !how.NeedsMaterial || how.Kernel is null || how.GoesBy == GoesBy.Copies, technique.ToString());
        }
    }
}
