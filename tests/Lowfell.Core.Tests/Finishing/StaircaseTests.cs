using Lowfell.Core.Finishing;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;
using static Lowfell.Core.Tests.Build;

namespace Lowfell.Core.Tests.Finishing;

public sealed class StaircaseTests
{
    private static readonly SightFrom Table = new(1);

    // A wall on four copies: a wash and a dry brush that are seen, a glaze and a filter that hardly are, pigment that is fixed, a varnish.
    private static StackDraft Wall()
    {
        var zone = Zone(Relief.Textured, Substrate.Polystyrene) with { Copies = 4, AreaMm2 = 12_000, Finish = Sheen.Matt, Handled = true };
        return Stack(
            zone,
            Coat(Technique.BaseCoat, Of(Family.PrimerWater, "#6a6a66")),
            Coat(Technique.BaseCoat, RopeTan, 2),
            Coat(Technique.Wash, KelpWash),
            Coat(Technique.DryBrush, SaltWhite),
            Coat(Technique.Glaze, Paint("#b39968", name: "Near Tan"), fraction: 0.1),
            Coat(Technique.Pigment, Of(Family.Pigment, "#b59a6b")),
            Coat(Technique.FixPigment, Of(Family.AcrylicMedium, "#f1f0ea")),
            Coat(Technique.Varnish, Varnish(Sheen.Matt), fraction: 1));
    }

    private static IEnumerable<Technique> Gone(StackDraft whole, Cut cut) => cut.Drops.SelectMany(d => d.CoatIds).Select(id => whole.Coats[whole.IndexOf(id)].Technique);

    [Fact]
    public void What_gives_least_for_its_minutes_goes_first_and_what_protects_stays()
    {
        var wall = Wall();
        var cut = Staircase.Of([wall], Table);
        Assert.Equal(Technique.Glaze, Gone(wall, cut).First());
        Assert.DoesNotContain(Technique.Varnish, Gone(wall, cut));
        Assert.Contains(cut.Stacks[0].Coats, c => !c.Skipped && c.How.Covers);
        Assert.Equal(cut.Minutes - cut.Drops.Sum(d => d.Minutes), cut.MinutesLeft, 6);
        Assert.Equal(Staircase.Minutes(cut.Stacks[0]), cut.MinutesLeft, 6);
    }

    [Fact]
    public void Pigment_goes_with_what_fixes_it()
    {
        var wall = Wall();
        var drop = Staircase.Of([wall], Table).Drops.Single(d => wall.Coats[wall.IndexOf(d.CoatIds[0])].Technique == Technique.Pigment);
        Assert.Equal([Technique.Pigment, Technique.FixPigment], drop.CoatIds.Select(id => wall.Coats[wall.IndexOf(id)].Technique));
    }

    [Fact]
    public void A_finish_leaves_out_only_what_is_hardly_seen_from_its_distance_and_the_nearer_the_less()
    {
        var wall = Wall();
        var cuts = Enum.GetValues<Finish>().ToDictionary(f => f, f => Staircase.For([wall], f, new(2)));
        Assert.All(cuts, c => Assert.All(c.Value.Drops, d => Assert.True(d.Word < SightWord.Seen)));
        Assert.True(cuts[Finish.Table].MinutesLeft <= cuts[Finish.Good].MinutesLeft);
        Assert.True(cuts[Finish.Good].MinutesLeft <= cuts[Finish.Show].MinutesLeft);
        Assert.Contains(Technique.Glaze, Gone(wall, cuts[Finish.Table]));
        Assert.Equal([2, 0.6, 0.3], Enum.GetValues<Finish>().Select(f => f.Metres(2)));
        Assert.Equal([0.2, 0.2, 0.2], Enum.GetValues<Finish>().Select(f => f.Metres(0.2)));
    }

    [Fact]
    public void What_a_finish_leaves_is_not_told_from_what_was_planned_from_its_distance()
    {
        // Many faint coats in one direction: each by itself is hardly seen, all of them together are.
        var zone = Zone(Relief.Textured, Substrate.Polystyrene) with { Copies = 2, AreaMm2 = 12_000 };
        var stack = Stack(zone, [Coat(Technique.BaseCoat, Of(Family.PrimerWater)), Coat(Technique.BaseCoat, RopeTan, 2), .. Enumerable.Range(0, 6).Select(_ => Coat(Technique.Glaze, Paint("#6a3a20", name: "Warm"), fraction: 0.1))]);
        foreach (var finish in Enum.GetValues<Finish>())
        {
            var cut = Staircase.For([stack], finish, Table);
            var (planned, left) = (Core.Prediction.Predictor.PredictMiddle(stack).Top, Core.Prediction.Predictor.PredictMiddle(cut.Stacks[0]).Top);
            Assert.All(ZoneDetails.Between(zone, planned, left), d => Assert.True(Sights.At(d, new(finish.Metres(1))).Word < SightWord.Seen));
            Assert.InRange(cut.Drops.Count, 1, 5);
        }
    }

    [Fact]
    public void So_many_minutes_leave_out_no_more_than_it_takes()
    {
        var wall = Wall();
        var whole = Staircase.Of([wall], Table);
        var wanted = whole.Minutes - (whole.Drops[0].Minutes / 2);
        var cut = Staircase.Within([wall], wanted, Table);
        Assert.Single(cut.Drops);
        Assert.True(cut.MinutesLeft <= wanted);
        Assert.Empty(Staircase.Within([wall], whole.Minutes + 1, Table).Drops);

        // Below what cannot be left out it comes down as far as it goes.
        Assert.Equal(whole.MinutesLeft, Staircase.Within([wall], 0, Table).MinutesLeft, 6);
    }

    [Fact]
    public void No_cut_brings_a_stop_or_a_risk()
    {
        var fluid = Stack(
            Zone(Relief.Panelled, Substrate.Polystyrene) with { Copies = 2 },
            Coat(Technique.BaseCoat, Of(Family.PrimerWater)), Coat(Technique.BaseCoat, Paint("#5a3a2a")), Coat(Technique.Varnish, Varnish(Sheen.Satin), fraction: 1),
            Coat(Technique.ChippingFluid, Of(Family.ChippingMedium)), Coat(Technique.Airbrush, RopeTan), Coat(Technique.OpenChips), Coat(Technique.Varnish, Varnish(Sheen.Matt), fraction: 1));
        foreach (var stack in new[] { Wall(), fluid })
        {
            var alarms = stack.Read().Where(f => f.Severity != Core.Rules.Severity.Note).ToList();
            var cut = Staircase.Of([stack], Table);
            Assert.DoesNotContain(cut.Stacks[0].Read(), f => f.Severity != Core.Rules.Severity.Note && !alarms.Any(a => a.SameAs(f)));
        }
    }

    [Fact]
    public void A_bare_or_empty_piece_has_nothing_to_leave_out()
    {
        Assert.Empty(Staircase.Of([], Table).Drops);
        Assert.Empty(Staircase.Of([Stack()], Table).Drops);
        var basis = Stack(Coat(Technique.BaseCoat, RopeTan));
        Assert.Empty(Staircase.For([basis], Finish.Table, Table).Drops);
    }
}
