using CsCheck;
using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Mixes;

public sealed class MixTests
{
    private static MixComponent Of(Material material, double amount, MixUnit unit = MixUnit.Parts) => new(amount, unit, Material: material);

    [Fact]
    public void Three_ways_of_saying_a_dilution_agree() => Gen.Double[0.02, 1].Sample(fraction =>
    {
        var d = Dilution.Of(fraction);
        Assert.Equal(fraction, Dilution.OfThinnerInWhole(d.ThinnerOfWhole).PaintFraction, 12);
        Assert.Equal(fraction, Dilution.OfThinnerAdded(d.ThinnerAdded).PaintFraction, 12);
        Assert.Equal(fraction, Dilution.OfParts(1, d.ThinnerAdded).PaintFraction, 12);
    });

    [Fact]
    public void Thirty_percent_means_two_different_things()
    {
        Assert.Equal(0.70, Dilution.OfThinnerInWhole(0.30).PaintFraction, 12);
        Assert.Equal(1 / 1.3, Dilution.OfThinnerAdded(0.30).PaintFraction, 12);
        Assert.Equal(0.75, Dilution.OfParts(3, 1).PaintFraction, 12);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-0.1)]
    [InlineData(1.0001)]
    [InlineData(double.NaN)]
    public void A_dilution_outside_its_bounds_is_refused(double fraction) => Assert.Throws<ArgumentOutOfRangeException>(() => Dilution.Of(fraction));

    [Fact]
    public void Whole_parts_are_within_a_percent_of_what_is_meant() => Gen.Double[0.1, 1].Sample(fraction =>
    {
        var (paint, thinner) = Dilution.Of(fraction).WholeParts();
        Assert.Equal(fraction, paint / (paint + thinner), 0.02);
    });

    [Fact]
    public void Mixing_conserves_volume() => Gen.Double[0.1, 20].Array[1, 8].Sample(amounts =>
    {
        var mix = new Mix("any", [.. amounts.Select((a, i) => Of(Build.Paint($"#{i:x1}05070"), a))]);
        var content = MixContent.Of(mix);
        Assert.Equal(1, content.Materials.Sum(m => m.Share), 9);
        Assert.All(content.Materials.Zip(amounts), p => Assert.Equal(p.Second / amounts.Sum(), p.First.Share, 9));
    });

    [Fact]
    public void A_nested_mix_is_its_unfolded_self()
    {
        Material tan = Build.RopeTan, white = Build.SaltWhite;
        var inner = new Mix("stone", [Of(tan, 1), Of(white, 3)]);
        var outer = new Mix("pale", [new MixComponent(2, MixUnit.Ml, Mix: inner), Of(white, 2, MixUnit.Ml)]);
        var content = MixContent.Of(outer);
        Assert.Equal(0.125, content.Materials.Single(m => m.Material == tan).Share, 12);
        Assert.Equal(0.875, content.Materials.Single(m => m.Material == white).Share, 12);
        var flat = Paint.Of(new Mix("flat", [Of(tan, 1), Of(white, 7)]));
        Assert.Equal(flat.Optics[1].ScatteringPerUm[10], Paint.Of(outer).Optics[1].ScatteringPerUm[10], 9);
    }

    [Fact]
    public void A_mix_in_itself_is_refused_rather_than_followed_for_ever()
    {
        List<MixComponent> components = [Of(Build.RopeTan, 1)];
        var mix = new Mix("snake", components);
        components.Add(new MixComponent(1, MixUnit.Parts, Mix: mix));
        Assert.Throws<ArgumentException>(() => MixContent.Of(mix));
    }

    [Fact]
    public void Two_drops_of_paint_to_one_of_spirit_is_not_two_to_one()
    {
        var enamel = Build.Of(Family.EnamelPaint);
        var fraction = DropCount.Fraction(2, 1, Build.RopeTan.DropMl, 0.050 * Thinner.WhiteSpirit.Facts().DropFactor);
        Assert.Equal(2 / 2.6, fraction, 9);
        Assert.Equal(0.030, enamel.DropMl, 9);
    }

    [Fact]
    public void Whole_drops_come_within_the_tolerance_they_were_asked_for() => Gen.Select(Gen.Double[0.2, 0.95], Gen.OneOf(0.5, 0.6, 1, 1.4)).Sample((fraction, size) =>
    {
        var drops = DropCount.For(Dilution.Of(fraction), 0.05, 0.05 * size);
        Assert.InRange(Math.Abs(drops.TruePaintFraction - fraction) / fraction, 0, 0.05);
        Assert.Equal(DropCount.Fraction(drops.Paint, drops.Thinner, 0.05, 0.05 * size), drops.TruePaintFraction, 12);
    });

    [Fact]
    public void Drops_add_up_to_the_ratio_of_their_sizes()
    {
        var mix = new Mix("skim", [Of(Build.RopeTan, 10, MixUnit.Drops), new MixComponent(10, MixUnit.Drops, Thinner: Thinner.Water)]);
        Assert.Equal(1 / 2.4, MixContent.Of(mix).PaintFraction, 9);
    }

    [Fact]
    public void Amount_is_area_times_film_over_transfer_and_loss()
    {
        var zone = Build.Zone(Relief.Smooth) with { AreaMm2 = 10_000, Copies = 4 };
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan, 2, 0.5) with { OwnDeposit = new Deposit([50, 50, 50], [1, 1, 1]) };
        var mix = CoatMix.For(coat, zone)!;
        Assert.Equal((10_000 * 4 * 50 * 2 / 0.85 / 1e6) + 0.3, mix.TotalMl, 9);
        Assert.Equal(mix.TotalMl, mix.PaintMl + mix.ThinnerMl, 9);
        Assert.Equal(mix.PaintMl, mix.ThinnerMl, 9);
    }

    [Fact]
    public void Paint_of_liquids_that_do_not_mix_says_so()
    {
        Assert.True(Paint.Of(new Mix("curd", [Of(Build.RopeTan, 1), new MixComponent(1, MixUnit.Parts, Thinner: Thinner.WhiteSpirit)])).MixesCarriers);
        Assert.False(Paint.Of(new Mix("fine", [Of(Build.RopeTan, 1), new MixComponent(1, MixUnit.Parts, Thinner: Thinner.AcrylicMedium)])).MixesCarriers);
    }
}
