using Lowfell.Core.Materials;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Sight;

/// <summary>What there is to see on a zone.</summary>
public sealed class ZoneDetailTests
{
    private static Coat Coat(Technique technique, string colour, Family family = Family.AcrylicPaint, Marks? marks = null) =>
        Build.Coat(technique, Build.Of(family, colour), fraction: 1) with { Marks = marks };

    private static StackDraft Stack(params Coat[] coats) =>
        new(new Zone { Name = "hull", Substrate = Substrate.Resin, Relief = Relief.Panelled, Facing = Facing.Side, AreaMm2 = 6000, Copies = 4, ViewingMm = 1000 }, new Schools(), coats);

    [Fact]
    public void Recesses_edges_marks_and_coats_are_listed_with_their_minutes_and_varnish_is_not()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#7a7a5c"), Coat(Technique.PinWash, "#1c1712", Family.OilWash), Coat(Technique.Streak, "#3a3020", Family.OilWash, new(30, 0.5, 9)), Coat(Technique.Varnish, "#ffffff", Family.VarnishWater));
        var details = ZoneDetails.Of(stack);
        Assert.Equal([SightKind.Recess, SightKind.Edge, SightKind.Coat, SightKind.Coat, SightKind.Mark], details.Select(d => d.Kind));
        Assert.DoesNotContain(details, d => d.CoatId == stack.Coats[3].Id);
        var streak = details[^1];
        Assert.Equal((0.5, 9.0, stack.Coats[2].Id), (streak.Detail.WidthMm, streak.Detail.LengthMm, streak.CoatId!.Value));
        Assert.True(streak.Minutes > 0 && details[2].Minutes > 0);
        Assert.Equal((0.0, 0.0), (details[0].Minutes, details[1].Minutes));
        Assert.Empty(ZoneDetails.Of(Stack()));
        Assert.Empty(ZoneDetails.Of(Stack(stack.Coats[0] with { Skipped = true })));
    }

    [Fact]
    public void A_base_is_seen_from_far_and_a_second_coat_of_the_same_is_not()
    {
        var first = Coat(Technique.BaseCoat, "#7a2020");
        var details = ZoneDetails.Of(Stack(first, first with { Id = Guid.NewGuid(), Passes = 2 }, Coat(Technique.DryBrush, "#e8e0d0")));
        SightVerdict Of(ZoneDetail d) => Sights.Verdict(m => d.At(new(m)).Word, 1);
        var coats = details.Where(d => d.Kind == SightKind.Coat).ToList();

        // The first is a ground: nobody is told that it is not seen. The second covers what looks the same.
        Assert.Equal(2, coats.Count);
        Assert.DoesNotContain(details, d => d.CoatId == first.Id);
        Assert.True(Of(coats[0]) is SightVerdict.Never or SightVerdict.InHand or SightVerdict.BarelyAtTable, $"on its like it is {Of(coats[0])}");
        Assert.Equal(SightVerdict.FarOff, Of(ZoneDetails.Of(Stack(first)).Single(d => d.Kind == SightKind.Coat)));
        Assert.True(Of(coats[1]) is SightVerdict.FarOff or SightVerdict.AtTable, $"a dry brush is {Of(coats[1])}");
    }

    [Fact]
    public void A_verdict_falls_with_the_distance_and_a_hand_that_changes_it_leaves_it_unsure()
    {
        var details = ZoneDetails.Of(Stack(Coat(Technique.BaseCoat, "#7a7a5c"), Coat(Technique.Filter, "#8a6a40", Family.OilWash)));
        var order = Enum.GetValues<SightVerdict>().ToList();
        foreach (var detail in details)
        {
            var (near, far) = (Sights.Verdict(m => detail.At(new(m)).Word, 0.4), Sights.Verdict(m => detail.At(new(m)).Word, 1.8));
            Assert.True(order.IndexOf(near) <= order.IndexOf(far) || near == SightVerdict.FarOff);
        }

        var edge = details.Single(d => d.Kind == SightKind.Edge);
        Assert.True((edge with { ByHands = [(new(1, 1, 1), edge.Detail.Ground)], Detail = edge.Detail with { Colour = edge.Detail.Ground } }).Unsure(new(1)));
        Assert.False((edge with { ByHands = [] }).Unsure(new(1)));
    }

    [Fact]
    public void A_coat_that_fades_is_a_band_as_wide_as_half_its_film_reaches()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#7a7a5c"), Coat(Technique.Airbrush, "#c8b890") with { Fade = new(0, 20) });
        Assert.DoesNotContain(ZoneDetails.Of(stack), d => d.Kind == SightKind.Band);
        stack = stack with { Zone = stack.Zone with { HeightFromMm = 0, HeightToMm = 60 } };
        var band = ZoneDetails.Of(stack).Single(d => d.Kind == SightKind.Band);
        Assert.Equal((stack.Coats[1].Id, 10.0, 100.0), (band.CoatId!.Value, band.Detail.WidthMm, band.Detail.LengthMm));
        Assert.True(band.At(new(1)).Left > 1);

        // A narrower one is seen less; one that ends below the zone is not there.
        var narrow = ZoneDetails.Of(stack with { Coats = [stack.Coats[0], stack.Coats[1] with { Fade = new(0, 1) }] }).Single(d => d.Kind == SightKind.Band);
        Assert.True(narrow.At(new(1)).J < band.At(new(1)).J);
        Assert.DoesNotContain(ZoneDetails.Of(stack with { Zone = stack.Zone with { HeightFromMm = 30 } }), d => d.Kind == SightKind.Band);
    }

    [Fact]
    public void Zones_that_touch_are_told_apart_by_their_faces_alike_both_ways()
    {
        var (tan, near, grey) = (Stack(Coat(Technique.BaseCoat, "#b59a6b")), Stack(Coat(Technique.BaseCoat, "#b49b6d")), Stack(Coat(Technique.BaseCoat, "#5a6068")));
        Assert.Null(ZoneDetails.Border(tan, Stack()));
        Assert.Equal(SightWord.Lost, ZoneDetails.Border(tan, near)!.At(new(1)).Word);
        Assert.True(ZoneDetails.Border(tan, grey)!.At(new(1)).Word >= SightWord.Seen);
        Assert.Equal(ZoneDetails.Border(grey, tan)!.At(new(1)).Word, ZoneDetails.Border(tan, grey)!.At(new(1)).Word);
    }

    [Fact]
    public void By_schools_it_has_to_be_seen_from_the_table_from_close_by_or_in_the_hand()
    {
        Assert.Equal(1.2, new Schools().WantedM(1.2));
        Assert.Equal(0.6, new Schools { Contrast = ContrastSchool.ToScale }.WantedM(1.2));
        Assert.Equal(0.4, new Schools { Contrast = ContrastSchool.ToScale }.WantedM(0.4));
        Assert.Equal(0.3, new Schools { Contrast = ContrastSchool.ToScale, Fidelity = FidelitySchool.AsReference }.WantedM(1.2));
    }
}
