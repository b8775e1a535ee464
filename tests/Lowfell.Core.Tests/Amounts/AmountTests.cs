using CsCheck;
using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Amounts;

public sealed class AmountTests
{
    private static readonly Zone Wall = new() { Relief = Relief.Textured, AreaMm2 = 10_000, Copies = 4 };

    [Fact]
    public void A_smooth_base_coat_comes_to_area_times_film_over_transfer_and_what_the_brush_keeps()
    {
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2) with { OwnDeposit = new([60, 60, 60], [1, 1, 1]) };
        var amount = CoatAmount.Of(coat, [Wall], Palette.Wet);
        Assert.Equal(40_000 * 60 * 2 / 1e6, amount.OnPieceMl, 9);
        Assert.Equal((4.8 / 0.85) - 4.8, amount.TransferMl, 9);
        Assert.Equal((4 * 0.3) + (400 * 2 / 15.0), amount.Minutes, 9);
        Assert.Equal(1, amount.Batches);
        Assert.Equal(amount.OnPieceMl + amount.TransferMl + 0.3, amount.TotalMl, 9);
    }

    [Fact]
    public void A_dry_palette_asks_for_more_batches_and_each_loses_its_share()
    {
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan);
        var (wet, dry) = (CoatAmount.Of(coat, [Wall], Palette.Wet), CoatAmount.Of(coat, [Wall], Palette.Dry));
        Assert.Equal(20, dry.PaletteMin);
        Assert.Equal((int)Math.Ceiling(dry.Minutes / 20), dry.Batches);
        Assert.Equal(0.3 * dry.Batches, dry.LossMl, 9);
        Assert.True(dry.TotalMl > wet.TotalMl);
    }

    [Fact]
    public void A_pin_wash_follows_the_creases_where_they_are_measured()
    {
        var coat = Build.Coat(Technique.PinWash, Build.TarWash);
        var amount = CoatAmount.Of(coat, [Wall with { CreaseMm = 800 }], Palette.Wet);
        Assert.Equal(4 * 800 * 0.5 * 60 / 1e6, amount.OnPieceMl, 9);
        Assert.Equal((4 * 0.3) + (4 * 800 / 200.0), amount.Minutes, 9);
        Assert.NotEqual(amount.OnPieceMl, CoatAmount.Of(coat, [Wall], Palette.Wet).OnPieceMl);
    }

    [Fact]
    public void Copies_and_zones_add_up() => Gen.Select(Gen.Int[1, 40], Gen.Int[1, 40], Gen.Double[100, 90_000]).Sample((a, b, area) =>
    {
        var coat = Build.Coat(Technique.Wash, Build.KelpWash);
        CoatAmount Of(params int[] copies) => CoatAmount.Of(coat, [.. copies.Select(c => Wall with { AreaMm2 = area, Copies = c })], Palette.Wet);
        Assert.Equal(Of(a).OnPieceMl + Of(b).OnPieceMl, Of(a, b).OnPieceMl, 1e-9);
        Assert.Equal(Of(a + b).OnPieceMl, Of(a, b).OnPieceMl, 1e-9);
    });

    [Fact]
    public void What_comes_from_the_bottles_and_the_thinner_is_all_that_is_mixed()
    {
        Material tan = Build.RopeTan, white = Build.SaltWhite;
        var mix = new Mix("stone", [new(3, MixUnit.Parts, tan), new(1, MixUnit.Parts, white), new(1, MixUnit.Parts, Thinner: Thinner.AcrylicMedium)]);
        var coats = new[]
        {
            Build.Coat(Technique.BaseCoat, tan, fraction: 0.75),
            Build.Coat(Technique.BaseCoat) with { Paint = Paint.Of(mix), Dilution = Dilution.Of(0.8) },
            Build.Coat(Technique.DryBrush, white) with { Skipped = true },
        };
        var amounts = SetAmounts.Of([.. coats.Select(c => new SharedCoat(c, [Wall]))], Palette.Wet);
        Assert.Equal(2, amounts.Coats.Count);
        Assert.Equal(amounts.Coats.Sum(c => c.Amount.TotalMl), amounts.Materials.Sum(m => m.Ml) + amounts.Thinners.Sum(t => t.Ml), 9);
        Assert.Equal(amounts.Coats[1].Amount.TotalMl * 0.8 * 0.2, amounts.Materials.Single(m => m.Material == white).Ml, 9);
        Assert.Equal(2, amounts.Materials.Single(m => m.Material == tan).Coats);
        Assert.Equal((int)Math.Ceiling(amounts.Materials[0].Ml / 0.05), amounts.Materials[0].Drops);
    }

    [Fact]
    public void Nobody_counts_drops_of_a_spray_can()
    {
        var can = Build.Of(Family.PrimerAerosol);
        var amounts = SetAmounts.Of([new(Build.Coat(Technique.SprayCan, can, fraction: 1), [Wall])], Palette.Wet);
        Assert.Null(amounts.Materials.Single().Drops);
        Assert.Empty(amounts.Thinners);
    }

    [Fact]
    public void A_drop_is_what_was_measured_over_what_was_counted()
    {
        Assert.Equal(0.04, DropSize.Ml(25, 1), 12);
        Assert.Throws<ArgumentOutOfRangeException>(() => DropSize.Ml(0, 1));
        Assert.Throws<ArgumentOutOfRangeException>(() => DropSize.Ml(20, 0));
    }
}
