using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>What is done to the bare piece before it is painted is planned like its coats.</summary>
public sealed class PrepareTests
{
    private static readonly Core.Stacks.Coat[] Painted = [Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol), fraction: 1), Build.Coat(Technique.BaseCoat, Build.RopeTan)];

    [Fact]
    public void A_washed_piece_dries_and_a_filled_one_sets_before_the_primer_comes()
    {
        var steps = StackSteps.Of(Build.Stack(Build.Zone() with { AreaMm2 = 6000 }, [Build.Coat(Technique.WashPiece), Build.Coat(Technique.Sand), Build.Coat(Technique.FillGaps), .. Painted]));
        Assert.Equal([Station.Preparing, Station.Preparing, Station.Preparing, Station.Can, Station.Brush], steps.Select(s => s.Station));
        Assert.Equal([120, 0, 180], steps.Take(3).Select(s => s.LagMin));

        // 60 cm2 at 60, 30 and 25 a minute, and the handling.
        Assert.Equal([1.3, 2.3, 2.7], steps.Take(3).Select(s => Math.Round(s.MinutesPerCopy, 6)));
    }

    private static IEnumerable<string> Found(Core.Stacks.StackDraft stack) => RuleBook.Read(stack, Predictor.Predict(stack)).Select(f => f.Rule.Id);

    [Fact]
    public void It_changes_no_colour_and_the_judge_has_nothing_against_it()
    {
        var plain = Build.Stack(Build.Zone(), Painted);
        var prepared = Build.Stack(Build.Zone(), [Build.Coat(Technique.WashPiece), Build.Coat(Technique.Sand), .. Painted]);
        Assert.Equal(Predictor.Predict(plain).Top.Face.Colour, Predictor.Predict(prepared).Top.Face.Colour);
        var found = Found(prepared).Except(Found(plain));
        Assert.Empty(found);
        Assert.Equal(Relief.Textured, plain.Zone.Relief);
    }
}
