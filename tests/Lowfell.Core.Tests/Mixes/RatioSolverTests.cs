using Lowfell.Core.Colour;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Mixes;

public sealed class RatioSolverTests
{
    [Theory]
    [InlineData(3, 1)]
    [InlineData(5, 7)]
    [InlineData(12, 1)]
    [InlineData(1, 0)]
    public void A_known_ratio_of_two_paints_is_found_again(int tan, int rust)
    {
        var paints = new[] { Build.RopeTan, Build.Paint("#8a3a22", name: "Pan Rust") };
        var colour = RatioColour(paints, [tan, rust]);
        var best = RatioSolver.Solve(paints, colour)[0];
        Assert.True(best.DeltaE < 0.3, $"{best.DeltaE} dE are left at {string.Join(":", best.Parts)}");
        Assert.Equal((double)tan / (tan + rust), (double)best.Parts[0] / best.Total, 0.03);
    }

    [Fact]
    public void A_known_ratio_of_four_paints_comes_within_half_a_dE()
    {
        var paints = new[] { Build.RopeTan, Build.SaltWhite, Build.Lampblack, Build.BuoyYellow };
        Assert.True(RatioSolver.Solve(paints, RatioColour(paints, [4, 3, 1, 2]))[0].DeltaE < 0.5);
    }

    [Fact]
    public void Simpler_ratios_are_offered_while_they_are_nearly_as_good()
    {
        var found = RatioSolver.Solve([Build.RopeTan, Build.SaltWhite], Srgb.Parse("#cdbd9a"));
        Assert.Equal(found.Min(r => r.DeltaE), found[0].DeltaE);
        for (var i = 1; i < found.Count; i++)
        {
            Assert.True(found[i].Total < found[i - 1].Total);
            Assert.InRange(found[i].DeltaE, found[0].DeltaE, found[0].DeltaE + 1.5);
        }
    }

    [Fact]
    public void No_ratio_has_a_part_over_twelve_or_a_common_divisor()
    {
        foreach (var ratio in RatioSolver.Solve([Build.RopeTan, Build.SaltWhite, Build.Lampblack], Srgb.Parse("#6f6a60")))
        {
            Assert.All(ratio.Parts, p => Assert.InRange(p, 0, 12));
            Assert.DoesNotContain(Enumerable.Range(2, 11), d => ratio.Parts.All(p => p % d == 0));
        }
    }

    [Fact]
    public void A_mix_made_again_tells_what_was_edited_and_how_far_it_is_off()
    {
        var then = Build.RopeTan;
        Assert.Empty(MixThenNow.Edits(then, then with { }));
        Assert.Equal(0, MixThenNow.Compare(Paint.Of(then), Paint.Of(then)).DeltaE);
        var now = then with { Colour = Srgb.Parse("#a0825a"), OwnVolumeSolids = 0.4 };
        Assert.Equal(["colour #b59a6b is #a0825a now", "volume solids 0.36 are 0.4 now"], MixThenNow.Edits(then, now));
        Assert.InRange(MixThenNow.Compare(Paint.Of(then), Paint.Of(now)).DeltaE, 5, 15);
    }

    private static Srgb RatioColour(Core.Materials.Material[] paints, int[] parts)
    {
        var mix = new Mix("known", [.. paints.Zip(parts, (p, n) => new MixComponent(n, MixUnit.Parts, p)).Where(c => c.Amount > 0)]);
        return StackedCard.Colour(Srgb.Parse("#808080"), Paint.Of(mix), Technique.BaseCoat, new Zone { Relief = Relief.Smooth, Facing = Facing.Up }, 200);
    }
}
