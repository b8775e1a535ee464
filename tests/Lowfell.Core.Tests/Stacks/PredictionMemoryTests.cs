using CsCheck;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Tests.Mending;
using Xunit;

namespace Lowfell.Core.Tests.Stacks;

/// <summary>An edit that is predicted from the coat that changed is what would be predicted anew.</summary>
public sealed class PredictionMemoryTests
{
    // Other ids stand in another place of the memory; what is predicted does not depend on them.
    private static StackDraft Unknown(StackDraft draft) => draft with { Coats = [.. draft.Coats.Select(c => c with { Id = Guid.NewGuid() })] };

    private static string[] Look(PredictedStack stack) => [.. stack.Strata.Select(s => string.Join(" ", new[] { s.Recess, s.Face, s.Edge }.Select(h => $"{h.Colour} {h.FilmUm:R} {h.DeltaBelow:R} {h.Light} {h.Heavy}")) + $" {s.Mean} {s.Mark} {s.TotalFilmUm:R}")];

    [Fact]
    public void Edits_one_after_the_other_are_predicted_as_if_for_the_first_time() => Gen.Select(Gen.Int[1, 300], Gen.Int[0, 40].Array[12]).Sample((seed, edits) =>
    {
        var stack = FaultyStacks.Of(seed).Stack;
        foreach (var edit in edits)
        {
            stack = Edited(stack, edit);
            Assert.Equal(Look(Predictor.Predict(Unknown(stack))), Look(Predictor.Predict(stack)));
        }
    }, iter: Long.Times(60));

    [Fact]
    public void Handwork_that_comes_to_the_coat_above_does_not_disturb_it()
    {
        var stack = Build.Stack(
            Build.Coat(Technique.BaseCoat, Build.RopeTan),
            Build.Coat(Technique.Wash, Build.KelpWash),
            Build.Coat(Technique.DryBrush, Build.SaltWhite),
            Build.Coat(Technique.Glaze, Build.KelpWash),
            Build.Coat(Technique.Wash, Build.KelpWash),
            Build.Coat(Technique.DryBrush, Build.SaltWhite));
        Predictor.Predict(stack);
        var lifted = stack.Insert(5, Build.Coat(Technique.Lift));
        Assert.Equal(Look(Predictor.Predict(Unknown(lifted))), Look(Predictor.Predict(lifted)));
    }

    [Theory]
    [InlineData(5)]
    [InlineData(8)]
    [InlineData(9)]
    [InlineData(12)]
    public void A_coat_on_top_of_all_the_others_goes_on_from_there(int coats)
    {
        var stack = Build.Stack([.. Enumerable.Range(0, coats).Select(i => Build.Coat(i % 2 == 0 ? Technique.BaseCoat : Technique.Glaze, i % 3 == 0 ? Build.RopeTan : Build.KelpWash))]);
        for (var more = 0; more < 6; more++)
        {
            Predictor.Predict(stack);
            stack = stack.Insert(stack.Coats.Count, Build.Coat(Technique.DryBrush, Build.SaltWhite));
            Assert.Equal(Look(Predictor.Predict(Unknown(stack))), Look(Predictor.Predict(stack)));
        }

        for (var fewer = stack.Coats.Count; fewer > 0; fewer--)
        {
            stack = stack.Remove(c => c.Id == stack.Coats[^1].Id);
            Assert.Equal(Look(Predictor.Predict(Unknown(stack))), Look(Predictor.Predict(stack)));
        }
    }

    [Fact]
    public void Another_ground_or_school_is_another_stack()
    {
        var stack = FaultyStacks.Of(7).Stack;
        Predictor.Predict(stack);
        var rough = stack with { Zone = stack.Zone with { Relief = Relief.Rough, Substrate = Substrate.Metal } };
        Assert.Equal(Look(Predictor.Predict(Unknown(rough))), Look(Predictor.Predict(rough)));
        var clean = stack with { Schools = stack.Schools with { DryBrush = ResidueSchool.Clean } };
        Assert.Equal(Look(Predictor.Predict(Unknown(clean))), Look(Predictor.Predict(clean)));
    }

    private static StackDraft Edited(StackDraft stack, int edit)
    {
        var at = edit % stack.Coats.Count;
        var coat = stack.Coats[at];
        return (edit % 5) switch
        {
            0 => stack.Replace(coat with { Hand = 1 + (0.01 * edit) }),
            1 => stack.Replace(coat with { Skipped = !coat.Skipped }),
            2 when stack.Coats.Count > 3 => stack.Remove(c => c.Id == coat.Id),
            3 when stack.Coats.Count < 14 => stack.Insert(at, coat with { Id = Guid.NewGuid() }),
            _ => stack.Replace(coat with { Passes = 1 + (edit % 3) }),
        };
    }
}
