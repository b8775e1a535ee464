using Lowfell.Core.Films;
using Lowfell.Core.Matching;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Matching;

public sealed class SetMatchTests
{
    private readonly Material tan = Build.RopeTan;
    private readonly Material wash = Build.KelpWash;
    private readonly Material dust = Build.Paint("#b8ab94", 0.8, family: Family.Pigment, name: "Dust", sheen: Sheen.Velvet, solids: 0.45);

    private StackDraft Old => Build.Stack(Build.Coat(Technique.BaseCoat, tan, 2), Build.Coat(Technique.ThinnedWash, wash, 2));

    [Fact]
    public void A_stack_whose_materials_are_all_there_stays_as_it_was()
    {
        var closest = SetMatch.Closest(Old, new Shelf([tan, wash, Build.SaltWhite]));
        Assert.Empty(closest.StandIns);
        Assert.All(closest.DeltaE, d => Assert.Equal(0, d, 6));
    }

    [Fact]
    public void What_is_gone_gets_the_stand_in_that_changes_the_zone_least()
    {
        var near = Build.Paint("#b39a70", name: "Near Tan");
        var closest = SetMatch.Closest(Old, new Shelf([wash, Build.Lampblack, near, Build.SaltWhite]));
        var standIn = Assert.Single(closest.StandIns);
        Assert.Equal((tan.Name, near), (standIn.Then.Name, standIn.Now));
        Assert.Equal(near, closest.Draft.Coats[0].Material);
        Assert.InRange(closest.DeltaE.Max(), 0.1, 3);
    }

    [Fact]
    public void Two_that_are_gone_get_the_pair_that_is_nearest_together()
    {
        var paints = new[] { "#c2a67a", "#a88c60", "#b59f74", "#8f7a52", "#d2bd92" }.Select((c, i) => Build.Paint(c, 0.8 + (0.03 * i), name: $"Paint {i}")).ToList();
        var washes = new[] { "#4a2c10", "#6b4a20", "#3a3018", "#7a5a30" }.Select((c, i) => Build.KelpWash with { Id = Guid.NewGuid(), Name = $"Wash {i}", Colour = Core.Colour.Srgb.Parse(c) }).ToList();
        var closest = SetMatch.Closest(Old, new Shelf([.. paints, .. washes]));
        var shares = Old.Zone.HeightShares.ToArray();
        var wanted = Predictor.Predict(Old).Top;
        double Off(StackDraft draft) => SetMatch.Differences(wanted, Predictor.Predict(draft).Top).Zip(shares, (d, share) => d * share).Sum();
        var all = from one in paints from two in washes select Off(Substitutes.InPlaceOf(Substitutes.InPlaceOf(Old, tan.Id, one), wash.Id, two));
        Assert.InRange(Off(closest.Draft), 0, all.Min() + 1e-9);
    }

    [Fact]
    public void With_nothing_of_its_family_left_it_says_so()
    {
        var standIn = Assert.Single(SetMatch.Closest(Old, new Shelf([tan])).StandIns);
        Assert.Equal((wash.Name, (Material?)null), (standIn.Then.Name, standIn.Now));
    }

    [Fact]
    public void Filter_and_dust_bring_two_sets_nearer_and_leave_the_old_one_recognisable()
    {
        var fresh = Build.Stack(Build.Coat(Technique.BaseCoat, Build.Paint("#a88f6c"), 2), Build.Coat(Technique.ThinnedWash, wash, 2));
        var unifier = SetMatch.Unify(Old, fresh, new Shelf([tan, wash, dust, Build.SaltWhite, Build.Lampblack]));
        Assert.True(unifier.Filter is not null || unifier.Dust is not null);
        Assert.True(unifier.After[1] < unifier.Before[1] - 0.5, $"{unifier.Before[1]:0.0} became {unifier.After[1]:0.0}");
        Assert.InRange(unifier.Shift, 0, 6);

        // What is told is what predicting both with these coats on top gives.
        StackDraft With(StackDraft s) => s with { Coats = [.. s.Coats, .. new[] { unifier.Filter, unifier.Dust }.OfType<Coat>()] };
        Assert.Equal(unifier.After[1], SetMatch.Differences(Predictor.Predict(With(Old)).Top, Predictor.Predict(With(fresh)).Top)[1], 2);
    }

    [Fact]
    public void Two_sets_that_match_already_are_left_alone()
    {
        var unifier = SetMatch.Unify(Old, Old, new Shelf([tan, wash, dust]));
        Assert.Null(unifier.Filter);
        Assert.Null(unifier.Dust);
        Assert.Equal(0, unifier.Shift, 6);
    }
}
