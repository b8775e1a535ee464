using Lowfell.Core.Colour;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Lowfell.Core.Tiles;
using Xunit;

namespace Lowfell.Core.Tests.Tiles;

public sealed class TestTileTests
{
    private readonly TestTile tile = new(
        Build.Zone(),
        new Schools(),
        [],
        [Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.BaseCoat, Build.SaltWhite, 2)],
        [Build.Coat(Technique.Wash, Build.KelpWash), Build.Coat(Technique.Wash, Build.Paint("#26402c", 0.6, family: Core.Materials.Family.AcrylicWash, solids: 0.12)), Build.Coat(Technique.Wash, Build.KelpWash)]);

    [Fact]
    public void Every_cell_is_the_stack_that_it_stands_for()
    {
        var cells = tile.Predict();
        Assert.Equal(6, cells.Count);
        Assert.All(cells, c => Assert.Equal(Predictor.Predict(tile.Stack(c.Row, c.Column)).Top.Face, c.Top.Face));
        Assert.Equal(cells.Single(c => (c.Row, c.Column) == (1, 0)).Top.Recess.Colour, cells.Single(c => (c.Row, c.Column) == (1, 2)).Top.Recess.Colour);
    }

    [Fact]
    public void The_cell_that_was_wanted_is_the_nearest()
    {
        var cells = tile.Predict();
        var wanted = cells.Single(c => (c.Row, c.Column) == (0, 1)).Top;
        var nearest = TestTile.Nearest(cells, new WantedLook(wanted.Recess.Colour, wanted.Face.Colour, wanted.Edge.Colour))[0];
        Assert.Equal((0, 1), (nearest.Cell.Row, nearest.Cell.Column));
        Assert.True(nearest.DeltaE < 0.5);
    }

    [Fact]
    public void What_came_out_counts_before_what_was_predicted()
    {
        var cells = tile.Predict();
        var look = new WantedLook(null, Srgb.Parse("#204080"), null);
        var nearest = TestTile.Nearest(cells, look, new Dictionary<(int, int), Srgb> { [(1, 2)] = Srgb.Parse("#204080") })[0];
        Assert.Equal((1, 2), (nearest.Cell.Row, nearest.Cell.Column));
        Assert.Equal(0, nearest.DeltaE, 4);
    }

    [Fact]
    public void A_look_without_any_height_is_a_bug() => Assert.Throws<InvalidOperationException>(() => new WantedLook(null, null, null).DeltaE(tile.Predict()[0].Top));
}
