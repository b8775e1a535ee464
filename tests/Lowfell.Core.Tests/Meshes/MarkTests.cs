using System.Numerics;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Meshes.Fields;
using Lowfell.Core.Meshes.Geometry;
using Lowfell.Core.Meshes.Looks;
using Lowfell.Core.Meshes.Screen;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Meshes;

/// <summary>Marks one by one: where they lie, what they cover, and that their mean is the predicted one.</summary>
public sealed class MarkTests
{
    // Its place follows from its id: the same in each run.
    private static Coat Coat(Technique technique, string colour, Family family = Family.AcrylicPaint, Marks? marks = null) =>
        Build.Coat(technique, Build.Of(family, colour), fraction: 1) with { Marks = marks, Id = new((int)technique + 1, 7, 3, [1, 2, 3, 4, 5, 6, 7, 8]) };

    private static StackDraft Stack(params Coat[] coats) => new(new Zone { Name = "hull", Substrate = Substrate.Resin, Relief = Relief.Panelled, Facing = Facing.Side, AreaMm2 = 6000, Copies = 1 }, new Schools(), coats);

    private static readonly Lazy<ShownMesh> Block = new(() =>
    {
        var mesh = Orientation.Mend(StandIn.Build(new(StandInKind.Block, 60, 30, 40, false, 7)), out _);
        return ShownMesh.Of(mesh, SurfaceFields.Of(mesh));
    });

    private static LookMark Mark(MarkShape shape, float width = 2, float length = 8, float angle = 0) => new(0, 0, MarkSide.Front, shape, 20, 15, width, length, angle, 0.3f);

    [Fact]
    public void A_coat_of_counted_marks_is_drawn_by_as_many_of_that_size_the_same_each_time_and_otherwise_on_another_copy()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#506070"), Coat(Technique.SpongeChipping, "#302018", marks: new(60, 1, 1.5)), Coat(Technique.Streak, "#201810", marks: new(12, 0.6, 9)));
        PlacedMarks Placed(ulong seed) => MarkPlaces.Place(Block.Value, [0, 0, 0], [stack], seed);
        var (one, two, other) = (Placed(1), Placed(1), Placed(2));
        Assert.Equal(one.Marks, two.Marks);
        Assert.NotEqual(one.Marks, other.Marks);
        Assert.Equal(60, one.Marks.Count(m => m is { Layer: 0, Shape: MarkShape.Chip }));
        Assert.Equal(12, one.Marks.Count(m => m is { Layer: 1, Shape: MarkShape.Streak }));
        Assert.InRange(one.Marks.Where(m => m.Layer == 0).Average(m => m.WidthMm), 0.9, 1.1);

        // A streak is upright, never on the top, and ends at the foot.
        Assert.All(one.Marks.Where(m => m.Layer == 1), m => Assert.True(m.Side != MarkSide.Top && m.AngleDeg == 0 && m.YMm - (m.LengthMm / 2) >= -0.35f, m.ToString()));

        // All lie on the body.
        Assert.All(one.Marks, m => Assert.InRange(m.XMm, -0.01f, one.Frame.Across(m.Side) + 0.01f));
    }

    [Fact]
    public void Marks_of_a_plan_lie_where_it_has_them_and_one_beside_the_surface_is_moved_onto_it()
    {
        var streaks = Coat(Technique.Streak, "#201810", marks: new(12, 0.6, 9, MarkKind.Rain));
        var stack = Stack(Coat(Technique.BaseCoat, "#506070"), streaks);
        LookMark[] planned = [Mark(MarkShape.Streak, 0.6f), Mark(MarkShape.Streak, 0.6f) with { XMm = 200, YMm = 20 }, Mark(MarkShape.Band, 60, 8) with { XMm = 30, YMm = 4 }];
        var placed = MarkPlaces.Place(Block.Value, [0, 0, 0], [stack], 1, new Dictionary<Guid, IReadOnlyList<LookMark>> { [streaks.Id] = planned }).Marks;
        Assert.Equal(3, placed.Count);
        Assert.All(placed, m => Assert.Equal((0, 0), (m.Zone, m.Layer)));
        Assert.Equal((30f, 4f), (placed[2].XMm, placed[2].YMm));
        Assert.InRange(placed[1].XMm, 59, 60.1f);

        // A plan of another coat changes nothing.
        var others = MarkPlaces.Place(Block.Value, [0, 0, 0], [stack], 1, new Dictionary<Guid, IReadOnlyList<LookMark>> { [Guid.NewGuid()] = planned }).Marks;
        Assert.Equal(MarkPlaces.Place(Block.Value, [0, 0, 0], [stack], 1).Marks, others);
    }

    [Fact]
    public void Chips_are_at_edges_more_than_chance_would_have_them_and_dots_are_not()
    {
        static double AtEdges(Technique technique)
        {
            var mesh = Block.Value;
            var placed = MarkPlaces.Place(mesh, [0, 0, 0], [Stack(Coat(Technique.BaseCoat, "#506070"), Coat(technique, "#302018", marks: new(200, 0.5, 0.5)))], 3);
            var (edge, all) = (0, 0);
            foreach (var mark in placed.Marks.Where(m => m.Side == MarkSide.Front))
            {
                var off = Math.Min(Math.Min(mark.XMm, placed.Frame.Across(MarkSide.Front) - mark.XMm), Math.Min(mark.YMm, placed.Frame.High.Z - mark.YMm));
                (edge, all) = (edge + (off < 1.2 ? 1 : 0), all + 1);
            }

            return (double)edge / all;
        }

        Assert.True(AtEdges(Technique.SpongeChipping) > 1.8 * AtEdges(Technique.Speckle), $"{AtEdges(Technique.SpongeChipping):0.00} of chips, {AtEdges(Technique.Speckle):0.00} of dots");
    }

    [Fact]
    public void A_mark_drawn_down_by_water_begins_where_it_was_drawn()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#506070"), Coat(Technique.Marking, "#a04020", Family.Pencil, new(20, 0.5, 4)), Coat(Technique.WetStreak, "#a04020", Family.Pencil, new(20, 0.6, 12)));
        var marks = MarkPlaces.Place(Block.Value, [0, 0, 0], [stack], 5).Marks;
        var (drawn, down) = (marks.Where(m => m.Layer == 0).ToList(), marks.Where(m => m.Layer == 1).ToList());
        Assert.Equal(drawn.Count, down.Count);
        Assert.All(drawn.Zip(down), pair =>
        {
            Assert.Equal((pair.First.Side, pair.First.XMm), (pair.Second.Side, pair.Second.XMm));
            Assert.Equal(pair.First.YMm + (pair.First.LengthMm / 2), pair.Second.YMm + (pair.Second.LengthMm / 2), 1e-3f);
        });
    }

    [Theory]
    [InlineData(MarkShape.Line, 16)]
    [InlineData(MarkShape.Dot, 12.6)]
    [InlineData(MarkShape.Chip, 12.6)]
    [InlineData(MarkShape.Band, 16)]
    public void A_mark_covers_what_it_measures_whichever_way_it_is_turned(MarkShape shape, double area)
    {
        foreach (var angle in new[] { 0f, 30, 90 })
        {
            var mark = Mark(shape, angle: angle);
            var covered = 0.0;
            for (var x = 5.0; x < 35; x += 0.1)
            {
                for (var y = 0.0; y < 30; y += 0.1)
                {
                    covered += 0.01 * mark.Covers(new((float)x, (float)y));
                }
            }

            Assert.InRange(covered, area * 0.7, area * 1.12);
        }

        Assert.Equal(0, Mark(shape).Covers(new(20, 24)));
        Assert.True(Mark(shape).Covers(new(20, 15)) > 0.9);
    }

    [Fact]
    public void A_streak_is_wide_above_and_faint_below()
    {
        var mark = Mark(MarkShape.Streak, 2, 10);
        double Row(float y) => Enumerable.Range(0, 200).Sum(i => (double)mark.Covers(new(18 + (i * 0.02f), y))) * 0.02;
        Assert.True(Row(19) > 1.8 * Row(12), $"{Row(19):0.00} above, {Row(12):0.00} below");
        Assert.Equal(0, Row(20.1f));
        Assert.Equal(0, Row(9.9f));
    }

    [Fact]
    public void Beside_and_within_marks_mix_to_what_is_predicted_of_the_zone()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#506070"), Coat(Technique.SpongeChipping, "#302018"), Coat(Technique.Filter, "#806020", Family.OilWash));
        var table = LookTable.Of([stack], Lamp.Daylight);
        var rows = table.Zones[0];
        Assert.Equal(1, Assert.Single(rows.Layers).Coat);
        var predicted = Predictor.PredictMiddle(stack);
        var share = stack.Coats[1].DepositOn(stack.Zone).Coverage;
        foreach (var height in Enum.GetValues<ReliefHeight>())
        {
            (double R, double G, double B) At(int row) => table.At(row, LookTable.Column(height, (int)Facing.Side)) is var c ? (c.R, c.G, c.B) : default;
            var (beside, within) = (At(rows.At(2, 0, false)), At(rows.At(rows.Layers[0], 2, 0, false)));
            var s = share[(int)height];
            var mean = new LinearRgb(beside.R + (s * (within.R - beside.R)), beside.G + (s * (within.G - beside.G)), beside.B + (s * (within.B - beside.B)));
            Assert.True(ColourDifference.Ciede2000(mean.ToLab(), predicted.Strata[1].At((int)height).Lab) < 0.3, height.ToString());

            // Before it is laid there is no difference, and a filter goes over both.
            Assert.Equal(At(rows.At(1, 0, false)), At(rows.At(rows.Layers[0], 1, 0, false)));
            Assert.NotEqual(within, At(rows.At(rows.Layers[0], 3, 0, false)));
        }
    }

    [Fact]
    public void A_picture_shows_single_marks_once_their_coat_is_laid()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#c0c0c0"), Coat(Technique.SpongeChipping, "#101010", marks: new(40, 2.5, 2.5)));
        var mesh = Block.Value;
        var marks = MarkPlaces.Place(mesh, [0, 0, 0], [stack], 9).Index();
        int Dark(float laid, MarkIndex? placed)
        {
            var picture = LookPicture.Draw(new(mesh, LookTable.Of([stack], Lamp.Daylight), [0, 0, 0], [laid], Placed: placed), new(), 200, 140);
            return Enumerable.Range(0, 200 * 140).Count(i => picture.Rgba[(4 * i) + 3] == 255 && picture.Rgba[4 * i] < 90);
        }

        var (none, half, all) = (Dark(1, marks), Dark(1.2f, marks), Dark(2, marks));
        Assert.True(all > none + 60 && all > half, $"{none} dark points before, {half} at a fifth, {all} after");
        Assert.Equal(none, Dark(2, null));
    }

    [Fact]
    public void Many_coats_of_marks_are_drawn_up_to_four_and_the_rest_lies_as_a_film()
    {
        Coat[] coats = [Coat(Technique.BaseCoat, "#506070"), .. Enumerable.Range(0, 6).Select(_ => Coat(Technique.Speckle, "#f0f0f0"))];
        Assert.Equal([3, 4, 5, 6], MarkPlaces.Layers(Stack(coats)));
        Assert.Equal([2], MarkPlaces.Layers(Stack(coats[0], coats[1] with { Skipped = true }, coats[2])));
        Assert.Empty(MarkPlaces.Layers(Stack(coats[0])));

        // More than are drawn stand for all by being larger, up to a point.
        var many = MarkPlaces.Of(Coat(Technique.Speckle, "#f0f0f0", marks: new(4000, 0.5, 0.5)), Stack().Zone);
        Assert.Equal((MarkPlaces.MostOfCoat, 0.8), (many.Count, Math.Round(many.WidthMm, 3)));
    }

    [Fact]
    public void A_wash_leaves_upright_recesses_for_flat_ones_and_plain_colours_do_not_know_of_it()
    {
        var stack = Stack(Coat(Technique.BaseCoat, "#c0b090"), Coat(Technique.Wash, "#101008", Family.AcrylicWash));
        var scene = new LookScene(Block.Value, LookTable.Of([stack], Lamp.Daylight), [0], [2]);
        float Light(float above, float run, LookMode mode = LookMode.Lit) => LookPicture.Colour(scene, new(0, 0.6f, 0, above, run, new(3, 4, 5), -Vector3.UnitY), mode, out _, out _).Y;
        var dry = new LookScene(Block.Value, LookTable.Of([stack], Lamp.Daylight), [0], [1]);
        float Under(float above) => LookPicture.Colour(dry, new(0, 0.6f, 0, above, 0, new(3, 4, 5), -Vector3.UnitY), LookMode.Lit, out _, out _).Y;

        // As a share of what lies below it: the wash darkens the flat recess more.
        Assert.True(Light(1, 0) / Under(1) < Light(0.3f, 0) / Under(0.3f));
        Assert.True(Light(0.3f, 1) <= Light(0.3f, 0));
        Assert.Equal(Light(0.3f, 1, LookMode.Plain), Light(0.3f, 0, LookMode.Plain));
    }
}
