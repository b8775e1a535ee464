using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Materials;

/// <summary>A material that is told by family and colour alone.</summary>
public sealed class FamilyDefaultTests
{
    private static Material Of(Family family, string colour = "#7d7a5c") => new() { Name = "it", Family = family, Colour = Srgb.Parse(colour) };

    [Theory]
    [InlineData(Family.AcrylicPaint, Thinner.Water, Technique.BaseCoat)]
    [InlineData(Family.AcrylicWash, Thinner.Water, Technique.Wash)]
    [InlineData(Family.Ink, Thinner.Water, Technique.Wash)]
    [InlineData(Family.Lacquer, Thinner.LacquerThinner, Technique.BaseCoat)]
    [InlineData(Family.EnamelPaint, Thinner.WhiteSpirit, Technique.BaseCoat)]
    [InlineData(Family.EnamelWash, Thinner.WhiteSpirit, Technique.PinWash)]
    [InlineData(Family.OilPaint, Thinner.WhiteSpirit, Technique.PinWash)]
    [InlineData(Family.VarnishWater, Thinner.Water, Technique.Varnish)]
    [InlineData(Family.PrimerAerosol, Thinner.LacquerThinner, Technique.SprayCan)]
    [InlineData(Family.PrimerWater, Thinner.Water, Technique.BaseCoat)]
    [InlineData(Family.TexturePaste, Thinner.Water, Technique.Texture)]
    [InlineData(Family.CracklePaste, Thinner.Water, Technique.CracklePaste)]
    [InlineData(Family.CrackleMedium, Thinner.Water, Technique.CrackleMedium)]
    [InlineData(Family.Grit, Thinner.Water, Technique.GritInGlue)]
    [InlineData(Family.ChippingMedium, Thinner.Water, Technique.ChippingFluid)]
    [InlineData(Family.WashableMarking, Thinner.Water, Technique.Marking)]
    [InlineData(Family.Pencil, Thinner.Water, Technique.Marking)]
    [InlineData(Family.Pigment, Thinner.WhiteSpirit, Technique.Pigment)]
    [InlineData(Family.Tufts, Thinner.Water, Technique.Tufts)]
    public void It_comes_with_its_thinner_and_proposes_its_technique(Family family, Thinner thinner, Technique technique)
    {
        Assert.Equal(thinner, family.Facts().OwnThinner);
        Assert.Equal(technique, family.Proposed());
    }

    [Theory]
    [InlineData(Technique.BaseCoat, Family.AcrylicPaint)]
    [InlineData(Technique.SprayCan, Family.PrimerAerosol)]
    [InlineData(Technique.DryBrush, Family.AcrylicPaint)]
    [InlineData(Technique.Wash, Family.AcrylicWash)]
    [InlineData(Technique.PinWash, Family.AcrylicWash)]
    [InlineData(Technique.Varnish, Family.VarnishWater)]
    [InlineData(Technique.Pigment, Family.Pigment)]
    [InlineData(Technique.GritInGlue, Family.Grit)]
    [InlineData(Technique.ChippingFluid, Family.ChippingMedium)]
    public void A_technique_proposes_its_material_the_most_usual_first(Technique technique, Family family) => Assert.Equal(family, technique.Suits()[0]);

    [Fact]
    public void A_can_is_not_brushed_and_what_a_family_proposes_suits_it()
    {
        foreach (var technique in Enum.GetValues<Technique>())
        {
            Assert.True(technique.Facts().Role is Core.Wording.Role.Assembly or Core.Wording.Role.Preparing || technique.Facts().NeedsMaterial == technique.Suits().Count > 0, technique.ToString());
            Assert.All(technique.Suits(), f => Assert.Contains(f, technique.Takes()));
            Assert.All(technique.Suits(), f => Assert.True(technique.Facts().FromCan || technique == Technique.SprayCan || !f.Facts().InCan, $"{technique} {f}"));
        }

        Assert.All(Enum.GetValues<Family>().Where(f => f.Facts().Kind is not Kind.Additive and not Kind.Primer), f => Assert.True(f.Proposed().Suits().Contains(f), $"{f} {f.Proposed()}"));
        Assert.Equal((1, 1, 1), (Technique.DryBrush.UsualFraction(Family.AcrylicPaint), Technique.Wash.UsualFraction(Family.AcrylicWash), Technique.SprayCan.UsualFraction(Family.PrimerAerosol)));
    }

    [Theory]
    [InlineData("#1c1c1e", 0.98)]
    [InlineData("#f2f0ea", 0.85)]
    [InlineData("#f0c020", 0.75)]
    public void A_paint_hides_by_its_colour(string colour, double about) => Assert.InRange(Of(Family.AcrylicPaint, colour).ContrastRatio, about - 0.1, Math.Min(0.999, about + 0.1));

    [Fact]
    public void A_wash_is_no_paint()
    {
        var wash = Of(Family.AcrylicWash, "#3b2a1c");
        var paint = Of(Family.AcrylicPaint, "#3b2a1c");
        Assert.True(wash.ContrastRatio < paint.ContrastRatio);
        Assert.True(wash.VolumeSolids < paint.VolumeSolids);
        Assert.Equal(Sheen.Satin, wash.Sheen);
        Assert.Equal(Sheen.Matt, paint.Sheen);
    }

    [Fact]
    public void What_is_said_stands_before_what_the_family_says()
    {
        var own = Of(Family.AcrylicWash) with { OwnContrastRatio = 0.5, OwnReferenceFilmUm = 30, OwnVolumeSolids = 0.2, OwnSheen = Sheen.Gloss, OwnUndertonePower = 0.7, OwnDropsPerMl = 33 };
        Assert.Equal((0.5, 30, 0.2, Sheen.Gloss, 0.7), (own.ContrastRatio, own.ReferenceFilmUm, own.VolumeSolids, own.Sheen, own.UndertonePower));
        Assert.Equal(1.0 / 33, own.DropMl, 6);
    }

    [Fact]
    public void Every_family_is_whole()
    {
        foreach (var family in Enum.GetValues<Family>())
        {
            var material = Of(family);
            Assert.NotEmpty(family.Facts().Label);
            Assert.InRange(material.ContrastRatio, 0, 1);
            Assert.InRange(material.VolumeSolids, 0.01, 1);
            Assert.InRange(material.UndertonePower, 0, 1);
            Assert.InRange(material.DropMl, 0.005, 0.2);
            Assert.True(material.Drying.TouchMin >= 0 && material.Drying.RecoatMin >= material.Drying.TouchMin, family.ToString());
            Assert.InRange(family.Proposed().UsualFraction(family), 0.01, 1);
        }
    }

    [Theory]
    [InlineData(Technique.BaseCoat, 0.7, 0.85)]
    [InlineData(Technique.Airbrush, 0.4, 0.6)]
    [InlineData(Technique.DryBrush, 1, 1)]
    [InlineData(Technique.Glaze, 0.1, 0.2)]
    [InlineData(Technique.SprayCan, 1, 1)]
    [InlineData(Technique.Pigment, 1, 1)]
    public void A_technique_proposes_its_usual_dilution_of_acrylic(Technique technique, double least, double most) =>
        Assert.InRange(technique.UsualFraction(Family.AcrylicPaint), least, most);

    [Theory]
    [InlineData(Family.OilPaint, Technique.Filter, 0.02, 0.05)]
    [InlineData(Family.EnamelPaint, Technique.Filter, 0.05, 0.1)]
    [InlineData(Family.Lacquer, Technique.Airbrush, 0.3, 0.5)]
    public void A_spirit_family_is_thinned_as_it_wants(Family family, Technique technique, double least, double most) =>
        Assert.InRange(technique.UsualFraction(family), least, most);

    [Theory]
    [InlineData(Technique.DryBrush, Family.AcrylicPaint, 1, 1)]
    [InlineData(Technique.Wash, Family.AcrylicWash, 1, 1)]
    [InlineData(Technique.SprayCan, Family.PrimerAerosol, 1, 1)]
    [InlineData(Technique.Pigment, Family.Pigment, 1, 1)]
    [InlineData(Technique.BaseCoat, Family.AcrylicPaint, 0.7, 0.9)]
    [InlineData(Technique.Airbrush, Family.AcrylicPaint, 0.4, 0.7)]
    [InlineData(Technique.EdgeHighlight, Family.AcrylicPaint, 0.6, 0.9)]
    [InlineData(Technique.Glaze, Family.AcrylicPaint, 0.1, 0.4)]
    [InlineData(Technique.ThinnedWash, Family.AcrylicWash, 0.3, 0.6)]
    [InlineData(Technique.Filter, Family.EnamelPaint, 0.05, 0.1)]
    [InlineData(Technique.Filter, Family.OilPaint, 0.02, 0.1)]
    [InlineData(Technique.PinWash, Family.EnamelWash, 0.3, 1)]
    [InlineData(Technique.Varnish, Family.VarnishWater, 0.75, 1)]
    public void A_technique_proposes_its_dilution(Technique technique, Family family, double least, double most) =>
        Assert.InRange(technique.UsualFraction(family), least, most);

    [Fact]
    public void Each_family_by_each_technique_has_a_dilution_that_the_rules_bear()
    {
        foreach (var technique in Enum.GetValues<Technique>())
        {
            foreach (var family in technique.Takes())
            {
                var usual = technique.UsualFraction(family);
                Assert.InRange(usual, 0.01, 1);
                Assert.True(technique.Facts().Thins || usual == 1, $"{technique} of {family} is used as it comes");
                var stack = Build.Stack(Build.Zone(), [Build.Coat(Technique.BaseCoat, Build.Paint("#8a8070")), Build.Coat(technique, Build.Of(family))]);
                Assert.False(Core.Rules.RuleBook.Read(stack, Core.Prediction.Predictor.PredictMiddle(stack)).Any(f => f.Rule.Id == "over-thinned" && f.Severity != Core.Rules.Severity.Note), $"{technique} of {family} at {usual}");
            }
        }
    }
}
