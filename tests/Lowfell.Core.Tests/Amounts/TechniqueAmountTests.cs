using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Amounts;

/// <summary>What each technique takes on 10,000 mm2, against the figures written down a second time.</summary>
public sealed class TechniqueAmountTests
{
    private const double Within = 0.05;
    private static readonly Zone Plate = new() { Relief = Relief.Smooth, Facing = Facing.Up, AreaMm2 = 10_000 };

    // Film that is brushed or sprayed on, transfer, loss of a batch, cm2 a minute.
    public static TheoryData<Technique, Family, double, double, double, double> ByArea => new()
    {
        { Technique.BaseCoat, Family.AcrylicPaint, 60, 0.85, 0.3, 15 },
        { Technique.SprayCan, Family.PrimerAerosol, 50, 0.35, 0, 150 },
        { Technique.Airbrush, Family.AcrylicPaint, 25, 0.5, 0.6, 60 },
        { Technique.Overbrush, Family.AcrylicPaint, 30, 0.5, 0.4, 40 },
        { Technique.DryBrush, Family.AcrylicPaint, 12, 0.2, 0.4, 40 },
        { Technique.Sponge, Family.AcrylicPaint, 30, 0.4, 0.8, 30 },
        { Technique.Stipple, Family.AcrylicPaint, 30, 0.6, 0.3, 10 },
        { Technique.Wash, Family.AcrylicWash, 80, 0.9, 0.3, 40 },
        { Technique.ThinnedWash, Family.AcrylicWash, 80, 0.9, 0.3, 40 },
        { Technique.Glaze, Family.AcrylicPaint, 20, 0.85, 0.3, 25 },
        { Technique.Filter, Family.EnamelWash, 20, 0.85, 0.3, 25 },
        { Technique.Speckle, Family.AcrylicPaint, 60, 0.3, 0.5, 60 },
        { Technique.Pigment, Family.Pigment, 20, 0.5, 0.2, 25 },
        { Technique.Varnish, Family.VarnishWater, 50, 0.9, 0.3, 30 },
        { Technique.VarnishSpray, Family.VarnishWater, 40, 0.35, 0, 150 },
        { Technique.Texture, Family.TexturePaste, 800, 0.9, 1, 10 },
        { Technique.GritInGlue, Family.Pva, 200, 0.8, 0.5, 20 },
    };

    [Theory]
    [MemberData(nameof(ByArea))]
    public void By_area_it_is_film_times_coverage_over_transfer(Technique technique, Family family, double filmUm, double transfer, double lossMl, double rate)
    {
        var coat = Build.Coat(technique, Build.Of(family));
        var amount = CoatAmount.Of(coat, [Plate], Palette.Wet);
        var deposit = Kernels.Deposit(technique, Plate.Relief, Plate.Facing);
        var shares = Plate.HeightShares;
        var coverage = (shares[0] * deposit.Coverage[0]) + (shares[1] * deposit.Coverage[1]) + (shares[2] * deposit.Coverage[2]);
        var onPiece = 10_000 * filmUm * coverage / 1e6;
        Near(onPiece, amount.OnPieceMl);
        Near((onPiece / transfer) + (lossMl * amount.Batches), amount.TotalMl);
        Near((100 / rate) + CoatAmount.HandlingMin, amount.Minutes);
    }

    [Theory]
    [InlineData(Relief.Smooth, 1)]
    [InlineData(Relief.Panelled, 1)]
    [InlineData(Relief.Textured, 1.2)]
    [InlineData(Relief.Rough, 1.5)]
    public void A_rough_ground_drinks(Relief relief, double times) => Assert.Equal(times, (Plate with { Relief = relief }).Drinks);

    [Fact]
    public void A_pin_wash_along_1200_mm_takes_its_cleaning_too()
    {
        var steps = Core.Evenings.Steps.StackSteps.Of(Build.Stack(Plate with { CreaseMm = 1200, Copies = 1 }, Build.Coat(Technique.PinWash, Build.TarWash)));

        // 1,200 mm at 200 a minute and at 120, with the handling of both.
        Assert.Equal([6.3, 10.3], steps.Select(s => Math.Round(s.MinutesPerCopy, 6)));
    }

    [Fact]
    public void Lines_go_by_their_length()
    {
        var pin = CoatAmount.Of(Build.Coat(Technique.PinWash, Build.TarWash), [Plate with { CreaseMm = 1000 }], Palette.Wet);
        Near(1000 * 0.5 * 60 / 1e6, pin.OnPieceMl);
        Near(1000 / 200.0 + 0.3, pin.Minutes);
        Near(1000 / 120.0 + 0.3, pin.CleanUpMinutes);
        var edge = CoatAmount.Of(Build.Coat(Technique.EdgeHighlight, Build.RopeTan), [Plate with { EdgeMm = 1500 }], Palette.Wet);
        Near(1500 * 0.3 * 25 / 1e6, edge.OnPieceMl);
        Near(1500 / 150.0 + 0.3, edge.Minutes);
    }

    [Fact]
    public void Marks_go_by_number()
    {
        var streaks = Build.Coat(Technique.Streak, Build.TarWash) with { Marks = new(12, 0.6, 10) };
        var amount = CoatAmount.Of(streaks, [Plate], Palette.Wet);
        Near(12 * 0.6 * 10 * 30 / 1e6, amount.OnPieceMl);
        Near(12 / 3.0 + 0.3, amount.Minutes);
    }

    [Fact]
    public void Marks_that_are_counted_cover_what_they_measure_in_the_prediction_too()
    {
        var marks = Build.Coat(Technique.Marking, Build.Of(Family.WashableMarking, "#f0efe9")) with { Marks = new(6, 1.5, 4) };
        var deposit = marks.DepositOn(Plate);
        var shares = Plate.HeightShares;
        Near(36.0 / 10_000, (shares[0] * deposit.Coverage[0]) + (shares[1] * deposit.Coverage[1]) + (shares[2] * deposit.Coverage[2]));
        Assert.True(deposit.Coverage[1] < Kernels.Deposit(Technique.Marking, Plate.Relief, Plate.Facing).Coverage[1]);
        Assert.All((marks with { Marks = new(100_000, 20, 20) }).DepositOn(Plate).Coverage, c => Assert.InRange(c, 0, 1));
    }

    [Fact]
    public void Edges_that_face_the_light_are_painted_alone_where_the_school_says_so()
    {
        var coat = Build.Coat(Technique.EdgeHighlight, Build.RopeTan);
        var zone = Plate with { EdgeMm = 1000, LitEdges = 0.4 };
        var (lit, all) = (CoatAmount.Of(coat, [zone], Palette.Wet), CoatAmount.Of(coat, [zone], Palette.Wet, Core.Stacks.HighlightSchool.All));
        Near(0.4 * all.OnPieceMl, lit.OnPieceMl);
        Near(all.Minutes - (600 / 150.0), lit.Minutes);
    }

    [Fact]
    public void What_nobody_sees_or_reaches_takes_nothing()
    {
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan);
        Near(0.75 * CoatAmount.Of(coat, [Plate], Palette.Wet).OnPieceMl, CoatAmount.Of(coat, [Plate with { Unseen = 0.25 }], Palette.Wet).OnPieceMl);
    }

    [Fact]
    public void A_coat_that_fades_takes_its_mean()
    {
        var zone = Plate with { HeightFromMm = 0, HeightToMm = 40 };
        var coat = Build.Coat(Technique.BaseCoat, Build.RopeTan);
        var full = CoatAmount.Of(coat, [zone], Palette.Wet).OnPieceMl;
        Near(full / 2, CoatAmount.Of(coat with { Fade = new(0, 40) }, [zone], Palette.Wet).OnPieceMl);
        Near(full / 4, CoatAmount.Of(coat with { Fade = new(0, 20) }, [zone], Palette.Wet).OnPieceMl);
        Near(full * 3 / 4, CoatAmount.Of(coat with { Fade = new(20, 40) }, [zone], Palette.Wet).OnPieceMl);
    }

    [Fact]
    public void Black_from_a_can_covers_grey_resin_in_one_coat_and_white_over_white_in_two()
    {
        var black = Build.Stack(Build.Zone(Relief.Smooth), Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol, "#161618")));
        Assert.Equal(1, Core.Prediction.ColourHelp.PassesToCover(black, 0, ReliefHeight.Face));
        var white = Build.Stack(
            Build.Zone(Relief.Smooth),
            Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol, "#f2f0ea")),
            Build.Coat(Technique.BaseCoat, Build.Of(Family.AcrylicPaint, "#f4f3ee")));
        Assert.InRange(Core.Prediction.ColourHelp.PassesToCover(white, 1, ReliefHeight.Face), 1, 2);
    }

    private static void Near(double expected, double actual) => Assert.InRange(actual, expected * (1 - Within), expected * (1 + Within));
}
