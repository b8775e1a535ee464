using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Stacks;

public sealed class SubstituteTests
{
    private readonly Material tan = Build.RopeTan;

    [Fact]
    public void The_finished_zone_ranks_stand_ins_not_the_swatch()
    {
        // Under an opaque coat the first coat hardly matters; as the last one it decides.
        var far = Build.Paint("#5a6b7c", name: "Far");
        var buried = Build.Stack(Build.Zone(Relief.Smooth), Build.Coat(Technique.BaseCoat, tan), Build.Coat(Technique.BaseCoat, Build.Lampblack, passes: 3));
        var shown = Build.Stack(Build.Zone(Relief.Smooth), Build.Coat(Technique.BaseCoat, tan, passes: 3));
        Assert.True(Substitutes.Rank(tan.Id, [buried], [far], 1)[0].MeanDeltaE < 1);
        Assert.True(Substitutes.Rank(tan.Id, [shown], [far], 1)[0].MeanDeltaE > 15);
        var both = Substitutes.Rank(tan.Id, [buried, shown], [far], 1)[0];
        Assert.Equal(1, both.WorstStack);
        Assert.True(both.WorstDeltaE > both.MeanDeltaE);
    }

    [Fact]
    public void A_twin_changes_nothing_and_comes_first()
    {
        var twin = tan with { Id = Guid.NewGuid(), Name = "Twin" };
        var stack = Build.Stack(Build.Coat(Technique.BaseCoat, tan), Build.Coat(Technique.Wash, Build.KelpWash), Build.Coat(Technique.DryBrush, tan), Build.Coat(Technique.DryBrush, Build.SaltWhite));
        var ranked = Substitutes.Rank(tan.Id, [stack], [Build.SaltWhite, twin, Build.Paint("#a88c60"), Build.KelpWash], 10);
        Assert.Equal(twin, ranked[0].Material);
        Assert.Equal(0, ranked[0].MeanDeltaE, 5);
        Assert.Equal(3, ranked.Count);
    }

    [Fact]
    public void The_ranking_is_what_predicting_the_whole_stack_anew_would_give()
    {
        var other = Build.Paint("#8a7a60", 0.7, name: "Other");
        var stack = Build.Stack(Build.Coat(Technique.BaseCoat, tan), Build.Coat(Technique.ThinnedWash, Build.KelpWash, 2), Build.Coat(Technique.DryBrush, tan), Build.Coat(Technique.DryBrush, Build.SaltWhite));
        var (before, after) = (Predictor.Predict(stack).Top, Predictor.Predict(Substitutes.InPlaceOf(stack, tan.Id, other)).Top);
        var shares = stack.Zone.HeightShares;
        var expected = 0.0;
        for (var h = 0; h < 3; h++)
        {
            expected += shares[h] * ColourDifference.Ciede2000(before.At(h).Lab, after.At(h).Lab);
        }

        Assert.Equal(expected, Substitutes.Rank(tan.Id, [stack], [other], 1)[0].MeanDeltaE, 2);
    }

    [Fact]
    public void It_is_replaced_within_a_mix_too()
    {
        var mix = Paint.Of(new Mix("stone", [new(1, MixUnit.Parts, tan), new(1, MixUnit.Parts, Build.SaltWhite), new(1, MixUnit.Parts, Thinner: Thinner.Water)]));
        var stack = Build.Stack(Build.Coat(Technique.BaseCoat, passes: 2) with { Paint = mix, Dilution = Dilution.Of(0.8) });
        var other = Build.Paint("#203040");
        Assert.True(Substitutes.Rank(tan.Id, [stack], [other], 1)[0].MeanDeltaE > 5);
        var changed = mix.With(tan.Id, other);
        Assert.Equal(mix.Content.Materials.Select(m => m.Share), changed.Content.Materials.Select(m => m.Share));
        Assert.Equal(mix.PaintShare, changed.PaintShare, 9);
        Assert.DoesNotContain(changed.Content.Materials, m => m.Material.Id == tan.Id);
    }

    [Fact]
    public void Without_a_stack_that_uses_it_there_is_nothing_to_judge_by() =>
        Assert.Empty(Substitutes.Rank(tan.Id, [Build.Stack(Build.Coat(Technique.BaseCoat, Build.SaltWhite))], [Build.Lampblack], 5));
}
