using CsCheck;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Mixes;

public sealed class DropRecipeTests
{
    private static readonly Gen<Mix> Recipes = Gen.Double[0.2, 9].Array[2, 5].Select(amounts => new Mix(
        "any",
        [.. amounts.Select((a, i) => i == 1 ? new MixComponent(a, MixUnit.Parts, Thinner: Thinner.WhiteSpirit) : new MixComponent(a, MixUnit.Parts, Build.RopeTan))]));

    [Fact]
    public void Counted_drops_keep_every_share_within_what_is_said() => Recipes.Sample(mix =>
    {
        foreach (var tolerance in new[] { 0.02, 0.05 })
        {
            if (DropRecipe.Within(mix, tolerance) is not { } recipe)
            {
                continue;
            }

            var ml = recipe.Drops.Zip(mix.Components, (n, c) => n * c.DropMl).ToList();
            var wanted = mix.Components.Sum(c => c.Ml);
            var worst = mix.Components.Select((c, i) => Math.Abs((ml[i] / ml.Sum() / (c.Ml / wanted)) - 1)).Max();
            Assert.Equal(worst, recipe.WorstError, 9);
            Assert.True(worst <= tolerance, $"{worst} is over {tolerance}");
            Assert.Equal(ml.Sum(), recipe.Ml, 9);
        }
    });

    [Fact]
    public void No_fewer_drops_of_two_liquids_would_do() => Gen.Select(Gen.Double[0.2, 9], Gen.Double[0.2, 9]).Sample((a, b) =>
    {
        var mix = new Mix("two", [new(a, MixUnit.Parts, Build.RopeTan), new(b, MixUnit.Parts, Thinner: Thinner.WhiteSpirit)]);
        var found = DropRecipe.Within(mix, 0.05)!;
        for (var total = 2; total < found.Total; total++)
        {
            for (var first = 1; first < total; first++)
            {
                Assert.True(DropRecipe.Of(mix, [first, total - first]).WorstError > 0.05, $"{first} + {total - first} would have been enough instead of {found.Total}");
            }
        }
    });

    [Fact]
    public void Two_drops_of_paint_to_one_of_spirit_are_not_two_to_one()
    {
        // Tate: a drop of white spirit is 0.6 of a drop of paint.
        var mix = new Mix("wash", [new(2, MixUnit.Drops, Build.TarWash), new(1, MixUnit.Drops, Thinner: Thinner.Water)]);
        Assert.Equal(2 * 0.6 / ((2 * 0.6) + 1.4), MixContent.Of(mix).PaintFraction, 9);
        Assert.Equal([2, 1], DropRecipe.Within(mix, 0.02)!.Drops);
    }

    [Fact]
    public void A_ratio_too_uneven_for_four_hundred_drops_has_no_count() =>
        Assert.Null(DropRecipe.Within(new Mix("trace", [new(1000, MixUnit.Ml, Build.RopeTan), new(1, MixUnit.Ml, Build.SaltWhite)]), 0.02));

    [Fact]
    public void Scaling_keeps_the_ratio_and_conserves_volume_and_mass() => Gen.Select(Recipes, Gen.Double[0.1, 500]).Sample((mix, ml) =>
    {
        var lines = MixScale.To(mix, ml);
        var total = mix.Components.Sum(c => c.Ml);
        Assert.Equal(ml, lines.Sum(l => l.Ml), 9);
        Assert.All(lines, l => Assert.Equal(l.Component.Ml / total, l.Ml / ml, 9));
        Assert.All(lines, l => Assert.Equal(l.Ml, l.Drops * l.Component.DropMl, 9));
        Assert.Equal(lines.Sum(l => l.Ml * l.Component.DensityGPerMl), lines.Sum(l => l.Grams), 9);
    });

    [Fact]
    public void Rounds_of_a_count_reach_the_volume_and_no_round_is_too_many()
    {
        var recipe = DropRecipe.Within(new Mix("stone", [new(3, MixUnit.Parts, Build.RopeTan), new(1, MixUnit.Parts, Build.SaltWhite)]), 0.02)!;
        var rounds = MixScale.Rounds(recipe, 1.5);
        Assert.True(rounds.Ml >= 1.5 && rounds.Ml - recipe.Ml < 1.5);
        Assert.Equal(recipe.Drops.Select(d => d * 8), rounds.Drops);
    }

    [Fact]
    public void Grams_of_a_nested_mix_go_by_what_is_in_it()
    {
        var inner = new Mix("half", [new(1, MixUnit.Ml, Build.RopeTan), new(1, MixUnit.Ml, Thinner: Thinner.Water)]);
        var component = new MixComponent(11, MixUnit.Grams, Mix: inner);
        Assert.Equal(1.1, component.DensityGPerMl, 9);
        Assert.Equal(10, component.Ml, 9);
        Assert.Equal(0.05 * (1 + 1.4) / 2, component.DropMl, 9);
    }

    [Theory]
    [InlineData(0.5, Core.Techniques.Technique.Airbrush, ToolFit.Right)]
    [InlineData(1.0, Core.Techniques.Technique.DryBrush, ToolFit.Right)]
    [InlineData(1.0, Core.Techniques.Technique.Airbrush, ToolFit.TooThick)]
    [InlineData(0.3, Core.Techniques.Technique.BaseCoat, ToolFit.TooThin)]
    public void Thickness_is_told_for_each_tool(double paint, Core.Techniques.Technique tool, ToolFit fit)
    {
        var components = new List<MixComponent> { new(paint, MixUnit.Ml, Build.RopeTan) };
        if (paint < 1)
        {
            components.Add(new(1 - paint, MixUnit.Ml, Thinner: Thinner.Water));
        }

        Assert.Equal(fit, Consistency.Of(Paint.Of(new Mix("any", components))).Single(t => t.Technique == tool).Fit);
    }

    [Fact]
    public void A_mix_warns_of_what_the_rules_would_find()
    {
        Mix With(params MixComponent[] rest) => new("any", [new(1, MixUnit.Ml, Build.RopeTan), .. rest]);
        Assert.Empty(Consistency.Warnings(With()));
        Assert.Contains(Consistency.Warnings(With(new MixComponent(1, MixUnit.Ml, Build.TarWash))), w => w.Contains("curdle", StringComparison.Ordinal));
        Assert.Contains(Consistency.Warnings(With(new MixComponent(2, MixUnit.Ml, Thinner: Thinner.Water))), w => w.Contains("too thin", StringComparison.Ordinal));
        Assert.Empty(Consistency.Warnings(With(new MixComponent(2, MixUnit.Ml, Thinner: Thinner.AcrylicMedium))));
    }

    [Fact]
    public void A_wash_made_at_home_is_read_as_a_wash()
    {
        var mix = new Mix("house wash", [new(2, MixUnit.Parts, Build.RopeTan), new(3, MixUnit.Parts, Thinner: Thinner.Water)], Family.AcrylicWash);
        Assert.Equal(Family.AcrylicWash, Paint.Of(mix).Lead.Family);
        Assert.Empty(Consistency.Warnings(mix));
        Assert.Equal(Family.AcrylicWash, Paint.Of(mix).With(Guid.NewGuid(), Build.SaltWhite).Lead.Family);
    }
}
