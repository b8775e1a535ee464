using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Ready;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Ready;

/// <summary>One paint for two, where no one would tell.</summary>
public sealed class FewerPaintsTests
{
    private static readonly HashSet<Guid> None = [];
    private readonly Material tan = Build.RopeTan;
    private readonly Material nearTan = Build.Paint("#b39a6e", name: "Net Tan");
    private readonly Material wash = Build.KelpWash;

    private StackDraft Washed(Material paint) => Build.Stack(Build.Coat(Technique.BaseCoat, paint, 2), Build.Coat(Technique.Wash, wash));

    [Fact]
    public void Two_tans_under_the_same_wash_are_one_for_both()
    {
        var pair = Assert.Single(FewerPaints.Pairs([Washed(tan), Washed(tan), Washed(nearTan)], None));
        Assert.True(pair.WorstDeltaE is > 0 and <= 2.5);
        var changed = pair.On(Washed(pair.Drop));
        Assert.Equal(pair.Keep, changed.Coats[0].Material);
        Assert.Equal(wash, changed.Coats[1].Material);

        // Of two that are seen as little, the one that is used more stays.
        Assert.Equal((tan, nearTan), (pair.Keep, pair.Drop));
        Assert.Equal([2], pair.Stacks);
    }

    [Fact]
    public void The_figure_is_the_largest_of_all_heights_of_all_stacks()
    {
        StackDraft[] stacks = [Washed(tan), Washed(nearTan), Build.Stack(Build.Coat(Technique.BaseCoat, nearTan, 2))];
        var pair = Assert.Single(FewerPaints.Pairs(stacks, None));
        var worst = pair.Stacks.Max(i => Enumerable.Range(0, 3).Max(h => ColourDifference.Ciede2000(Predictor.PredictMiddle(stacks[i]).Top.At(h).Lab, Predictor.PredictMiddle(pair.On(stacks[i])).Top.At(h).Lab)));
        Assert.Equal(worst, pair.WorstDeltaE, 9);
    }

    [Fact]
    public void Colours_that_are_told_apart_are_none()
    {
        Assert.Empty(FewerPaints.Pairs([Washed(tan), Washed(Build.Paint("#8a5a3b", name: "Pan Rust"))], None));
        Assert.Empty(FewerPaints.Pairs([], None));
    }

    [Fact]
    public void A_light_over_its_own_base_is_not_taken_for_it()
    {
        var light = Build.Paint("#bea374", name: "Pale Rope");
        var lit = Build.Stack(Build.Coat(Technique.BaseCoat, tan, 2), Build.Coat(Technique.DryBrush, light));
        Assert.Empty(FewerPaints.Pairs([lit], None));
        Assert.Empty(FewerPaints.Pairs([lit, Washed(light)], None));
    }

    [Fact]
    public void Single_chips_are_told_apart_where_the_zone_as_a_whole_is_not()
    {
        var white = Build.SaltWhite;
        StackDraft Chipped(Material chip) => Build.Stack(Build.Coat(Technique.BaseCoat, white, 3), Build.Coat(Technique.Speckle, chip));
        var (dark, lighter) = (Build.Paint("#3b2c22", name: "Tar Brown"), Build.Paint("#4b3a2e", name: "Kelp Brown"));
        Assert.Empty(FewerPaints.Pairs([Chipped(dark), Chipped(lighter)], None));
    }

    [Fact]
    public void What_is_painted_already_or_mixed_stays()
    {
        Assert.Equal(nearTan, Assert.Single(FewerPaints.Pairs([Washed(tan), Washed(nearTan)], new HashSet<Guid> { nearTan.Id })).Keep);
        Assert.Empty(FewerPaints.Pairs([Washed(tan), Washed(nearTan)], new HashSet<Guid> { tan.Id, nearTan.Id }));
        var mixed = Build.Stack(Build.Coat(Technique.BaseCoat, nearTan, 2) with { MixedTo = Srgb.Parse("#b39a6e") });
        Assert.DoesNotContain(FewerPaints.Pairs([Washed(tan), Washed(nearTan), mixed], None), p => p.Drop == nearTan);
    }

    [Fact]
    public void Another_sheen_on_top_is_seen()
    {
        var satin = Build.Paint("#b59a6b", name: "Satin Tan", sheen: Sheen.Satin);
        StackDraft Bare(Material m) => Build.Stack(Build.Coat(Technique.BaseCoat, m, 2));
        Assert.Empty(FewerPaints.Pairs([Bare(tan), Bare(satin)], None));
    }

    [Fact]
    public void A_family_is_never_taken_for_another()
    {
        Assert.Empty(FewerPaints.Pairs([Washed(tan), Washed(Build.Paint("#b59a6b", name: "Tan Ink", family: Family.OilPaint))], None));
    }
}
