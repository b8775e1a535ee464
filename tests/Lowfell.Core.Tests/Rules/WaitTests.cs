using CsCheck;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Tests.Mending;
using Xunit;

namespace Lowfell.Core.Tests.Rules;

/// <summary>What each coat waits for, and how long in the air of the room.</summary>
public sealed class WaitTests
{
    private static readonly Zone Plate = new() { Substrate = Substrate.Resin, Relief = Relief.Panelled, AreaMm2 = 4000 };

    private static StackWait Last(params Coat[] coats) => new Reading(Build.Stack(Plate, coats)).Waits[coats.Length - 1];

    private static Coat Of(Technique technique, Family family, string colour = "#7d7a5c") => Cases.Craft.Coat(technique, Cases.Craft.Of(family, colour)) with { Id = Guid.NewGuid() };

    private static Coat Varnish(Family family, Technique by = Technique.VarnishSpray) => Cases.Craft.Varnish(Sheen.Satin, by, family) with { Id = Guid.NewGuid() };

    // What lies below, what comes, and the state that it waits for.
    public static TheoryData<Technique, Family, Technique, Family, WaitKind> States => new()
    {
        { Technique.BaseCoat, Family.AcrylicPaint, Technique.BaseCoat, Family.AcrylicPaint, WaitKind.Recoat },
        { Technique.BaseCoat, Family.AcrylicPaint, Technique.Wash, Family.AcrylicWash, WaitKind.Recoat },
        { Technique.SprayCan, Family.PrimerAerosol, Technique.BaseCoat, Family.AcrylicPaint, WaitKind.Recoat },
        { Technique.Varnish, Family.VarnishLacquer, Technique.PinWash, Family.EnamelWash, WaitKind.Recoat },
        { Technique.BaseCoat, Family.EnamelWash, Technique.Streak, Family.EnamelWash, WaitKind.Overnight },
        { Technique.BaseCoat, Family.EnamelWash, Technique.VarnishSpray, Family.VarnishLacquer, WaitKind.Overnight },
        { Technique.BaseCoat, Family.OilPaint, Technique.Streak, Family.EnamelWash, WaitKind.Cured },
        { Technique.BaseCoat, Family.OilPaint, Technique.VarnishSpray, Family.VarnishLacquer, WaitKind.Cured },
        { Technique.BaseCoat, Family.VarnishWater, Technique.PinWash, Family.EnamelWash, WaitKind.Overnight },
        { Technique.BaseCoat, Family.EnamelWash, Technique.Pigment, Family.Pigment, WaitKind.Touch },
    };

    [Theory]
    [MemberData(nameof(States))]
    public void A_coat_waits_for_the_least_age_that_the_film_below_bears_it_at(Technique below, Family film, Technique technique, Family family, WaitKind kind)
    {
        var wait = Last(Of(below, film), Of(technique, family));
        Assert.Equal(kind, wait.Kind);
        Assert.Equal(0, wait.From);
        Assert.True(wait.Minutes >= 0 && !wait.IsShort);
    }

    [Fact]
    public void A_night_is_twelve_hours_at_least()
    {
        var wait = Last(Of(Technique.BaseCoat, Family.EnamelWash), Varnish(Family.VarnishLacquer));
        Assert.InRange(wait.Minutes, 12 * 60, 24 * 60);
    }

    [Fact]
    public void A_varnish_between_shields_what_is_below()
    {
        var bare = Last(Of(Technique.BaseCoat, Family.OilPaint), Of(Technique.Streak, Family.EnamelWash));
        var sealed_ = Last(Of(Technique.BaseCoat, Family.OilPaint), Varnish(Family.VarnishWater, Technique.Varnish), Of(Technique.Streak, Family.EnamelWash));
        Assert.Equal(WaitKind.Cured, bare.Kind);
        Assert.Equal((WaitKind.Recoat, 1), (sealed_.Kind, sealed_.From));
    }

    [Fact]
    public void Each_film_has_its_own_clock_since_it_was_laid()
    {
        // The enamel's night has partly gone by while the glaze over it, which shields nothing, was waited for.
        var enamel = Of(Technique.BaseCoat, Family.EnamelWash);
        var glaze = Of(Technique.Glaze, Family.AcrylicPaint) with { OwnWaitMin = 300 };
        var direct = Last(enamel, Varnish(Family.VarnishLacquer));
        var later = Last(enamel, glaze, Varnish(Family.VarnishLacquer));
        Assert.Equal(0, later.From);
        Assert.Equal(direct.Minutes - 300, later.Minutes, 1);
    }

    [Fact]
    public void The_air_of_the_room_counts()
    {
        var stack = Build.Stack(Plate, Of(Technique.BaseCoat, Family.AcrylicPaint), Of(Technique.Wash, Family.AcrylicWash));
        double Minutes(Climate air) => new Reading(stack with { Climate = air }).Waits[1].Minutes;
        Assert.True(Minutes(new(12, 0.75)) > 2.5 * Minutes(new(20, 0.5)));
        Assert.True(Minutes(new(20, 0.5, Fan: true)) < Minutes(new(20, 0.5)));
    }

    [Fact]
    public void Warm_air_shortens_what_may_be_hurried()
    {
        var paint = Of(Technique.BaseCoat, Family.AcrylicPaint);
        Assert.True(Last(paint with { Hurried = true }, Of(Technique.Wash, Family.AcrylicWash)).Minutes < 0.5 * Last(paint, Of(Technique.Wash, Family.AcrylicWash)).Minutes);
    }

    [Fact]
    public void The_painter_may_wait_longer_and_shorter()
    {
        var paint = Of(Technique.BaseCoat, Family.AcrylicPaint);
        var wash = Of(Technique.Wash, Family.AcrylicWash);
        var usual = Last(paint, wash);
        Assert.Equal((600, false), (Last(paint, wash with { OwnWaitMin = 600 }).Minutes, Last(paint, wash with { OwnWaitMin = 600 }).IsShort));
        var shorter = Last(paint, wash with { OwnWaitMin = 2 });
        Assert.Equal((2, true, usual.NeededMin), (shorter.Minutes, shorter.IsShort, shorter.NeededMin));
        Assert.True(Last(paint, wash with { Wait = Wait.Cured }).Minutes > 20 * usual.Minutes);
        Assert.True(Last(paint, wash with { Wait = Wait.Overnight }).Minutes >= 12 * 60);
    }

    [Fact]
    public void Into_wet_paint_there_is_a_last_moment_and_no_wait()
    {
        var wait = Last(Of(Technique.BaseCoat, Family.AcrylicPaint), Of(Technique.BaseCoat, Family.AcrylicPaint, "#d8cfb4") with { WhileWet = true });
        Assert.Equal((WaitKind.WhileWet, 0), (wait.Kind, wait.Minutes));
        Assert.InRange(wait.MostMin!.Value, 1, 60);
    }

    [Fact]
    public void Chips_wait_for_a_top_that_is_touch_dry_and_not_for_long()
    {
        var wait = Last(
            Of(Technique.BaseCoat, Family.AcrylicPaint),
            Of(Technique.ChippingFluid, Family.ChippingMedium, "#f2f1ec"),
            Of(Technique.Airbrush, Family.AcrylicPaint, "#d8cfb4"),
            Cases.Craft.Coat(Technique.OpenChips) with { Id = Guid.NewGuid() });
        Assert.Equal(WaitKind.Touch, wait.Kind);
        Assert.InRange(wait.Minutes, 15, 60);
        Assert.InRange(wait.MostMin!.Value, wait.Minutes + 30, 240);
    }

    [Fact]
    public void Oil_thinned_to_a_filter_dries_by_the_paint_that_is_in_it()
    {
        var thin = Last(Of(Technique.Filter, Family.OilPaint), Of(Technique.BaseCoat, Family.AcrylicPaint));
        var thick = Last(Of(Technique.BaseCoat, Family.OilPaint), Of(Technique.BaseCoat, Family.AcrylicPaint));
        Assert.True(thin.Minutes < 0.3 * thick.Minutes, $"{thin.Minutes} against {thick.Minutes}");
    }

    [Fact]
    public void A_skipped_coat_neither_waits_nor_is_waited_for()
    {
        var reading = new Reading(Build.Stack(Plate, Of(Technique.BaseCoat, Family.AcrylicPaint), Of(Technique.BaseCoat, Family.OilPaint) with { Skipped = true }, Of(Technique.Wash, Family.AcrylicWash)));
        Assert.Equal(0, reading.Waits[2].From);
    }

    [Fact]
    public void No_wait_of_any_stack_is_below_nothing_or_without_end() => Gen.Int[1, 400].Sample(seed =>
    {
        var stack = FaultyStacks.Of(seed).Stack;
        var reading = new Reading(stack);
        Assert.All(reading.Applied, i =>
        {
            var wait = reading.Waits[i];
            Assert.InRange(wait.Minutes, 0, 60 * 24 * 60);
            Assert.True(wait.MostMin is not { } most || most >= 0);
            Assert.True(wait.From < i);
        });
        Assert.InRange(reading.WaitingMin, 0, 60 * 24 * 60 * stack.Coats.Count);
    });
}
