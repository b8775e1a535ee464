using CsCheck;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>Lettering and patterns.</summary>
public sealed class DrawnTests
{
    private static readonly PieceBox Box = new(110, 52, 42, []);
    private static readonly Guid Side = new(3, 0, 0, 0, 0, 0, 0, 0, 0, 0, 3);

    private static WeatherPiece Piece(int copies = 4) => new("crawlers", "hull", copies, Box);

    private static Lettering Number(LetteredBy by = LetteredBy.Hand, double tall = 7, params string[] texts) => new(new(4, 0, 0, 0, 0, 0, 0, 0, 0, 0, 4), Side, texts.Length == 0 ? ["11", "12", "13", "14"] : texts, MarkSide.Front, 55, 20, tall, by);

    private static Pattern Two(double first = 0.3, double second = 0.25, double gap = 0) => new(new(6, 0, 0, 0, 0, 0, 0, 0, 0, 0, 6), [Side], [new(Guid.Empty, first), new(Guid.Empty, second)], 700, 1.6, gap);

    [Fact]
    public void A_letter_is_read_from_where_its_stroke_is_a_minute_of_arc()
    {
        var read = Letters.Read(Number(), new() { Relief = Relief.Smooth }, Box);
        Assert.Equal(1.0, read.StrokeMm, 9);
        Assert.Equal(3.44, read.LegibleM, 0.01);
        Assert.Equal(7 * 56, read.LifeMm, 9);
        Assert.Equal("round brush", read.Tool);
        Assert.Empty(read.Faults);
        Assert.True(Letters.Read(Number(tall: 14), new() { Relief = Relief.Smooth }, Box).LegibleM > read.LegibleM);
    }

    [Fact]
    public void What_no_brush_draws_there_is_said()
    {
        Assert.Contains("can't be drawn by hand on rough", Letters.Read(Number(tall: 3), new() { Relief = Relief.Rough }, Box).Faults.Single(), StringComparison.Ordinal);
        Assert.Empty(Letters.Read(Number(LetteredBy.Decal, 3), new() { Relief = Relief.Rough }, Box).Faults);
        Assert.Contains("reaches over the front", Letters.Read(Number(texts: "DO NOT STAND ON THE HATCH COVERS"), new() { Relief = Relief.Smooth }, Box).Faults.Single(), StringComparison.Ordinal);
        Assert.Contains("no text", Letters.Read(Number(texts: " "), new() { Relief = Relief.Smooth }, Box).Faults.Single(), StringComparison.Ordinal);
    }

    [Fact]
    public void Texts_are_shared_out_without_one_twice()
    {
        Assert.Equal(["11", "12", "13", "14"], Letters.Shared(Number(), Piece()).Order());
        var few = Letters.Shared(Number(texts: ["7", "8"]), Piece(5));
        Assert.All(Enumerable.Range(0, 4), i => Assert.NotEqual(few[i], few[i + 1]));
        Assert.Equal(Letters.Shared(Number(), Piece()), Letters.Shared(Number(), Piece()));
        Assert.All(Letters.Shared(Number(texts: ""), Piece()), t => Assert.Equal("", t));
    }

    [Fact]
    public void A_decal_lies_between_gloss_and_the_sheen_that_is_wanted()
    {
        var coats = Letters.Coats(Number(LetteredBy.Decal), new() { Finish = Sheen.Matt }, null, default, Shelf.Staples);
        Assert.Equal([Sheen.Gloss, Sheen.Matt], coats.Select(c => c.Material!.Sheen));
        Assert.Empty(Letters.Coats(Number(LetteredBy.Decal), new(), null, default, new([])));
        var painted = Letters.Coats(Number(), new(), Build.SaltWhite, default, new([])).Single();
        Assert.Equal((Technique.EdgeHighlight, MarkKind.Letter, 2), (painted.Technique, painted.Marks!.Kind, painted.Marks.Count));
    }

    [Fact]
    public void Each_tone_has_its_share_and_the_rest_is_ground() =>
        Gen.Select(Gen.Double[0.1, 0.45], Gen.Double[0.1, 0.4], Gen.Int[1, 50]).Sample((first, second, copy) =>
        {
            var field = Camouflage.Of(Two(first, second), Piece(50), 56, copy);
            int[] found = [0, 0, 0];
            for (var i = 0; i < 90 * 90; i++)
            {
                // Round the piece and up, over its top.
                var (u, v) = (324 * ((i % 90) + 0.5) / 90, 94 * ((i / 90) + 0.5) / 90);
                found[1 + field.At(Box, MarkSide.Front, u, v)]++;
            }

            Assert.Equal(first, found[1] / 8100.0, 0.04);
            Assert.Equal(second, found[2] / 8100.0, 0.04);
        }, iter: 6);

    [Fact]
    public void A_pattern_runs_on_round_corners_and_differs_from_copy_to_copy()
    {
        var field = Camouflage.Of(Two(), Piece(), 56, 1);
        var differ = 0;
        for (var y = 0.5; y < 42; y++)
        {
            Assert.Equal(field.At(Box, MarkSide.Front, 110, y), field.At(Box, MarkSide.Right, 0, y));
            Assert.Equal(field.At(Box, MarkSide.Back, 110, y), field.At(Box, MarkSide.Left, 0, y));
            differ += field.At(Box, MarkSide.Left, 52, y) == field.At(Box, MarkSide.Front, 0, y) ? 0 : 1;
        }

        Assert.Equal(0, differ);
        Assert.All(Enumerable.Range(0, 110), x => Assert.Equal(field.At(Box, MarkSide.Front, x, 42), field.At(Box, MarkSide.Top, x, 0)));
        static string Drawn(int copy)
        {
            var of = Camouflage.Of(Two(), Piece(), 56, copy);
            return string.Concat(Enumerable.Range(0, 400).Select(i => of.At(Box, MarkSide.Front, i % 20 * 5, i / 20 * 2) + 1));
        }

        Assert.Equal(Drawn(2), Drawn(2));
        Assert.NotEqual(Drawn(1), Drawn(2));
    }

    [Fact]
    public void Ground_is_left_between_two_tones()
    {
        var field = Camouflage.Of(Two(gap: 2), Piece(), 56, 1);
        for (var i = 0; i < 100 * 40; i++)
        {
            var (x, y) = (i % 100 + 0.5, i / 100 + 0.5);
            Assert.False(field.At(Box, MarkSide.Front, x, y) == 0 && field.At(Box, MarkSide.Front, x + 1.9, y) == 1 && field.At(Box, MarkSide.Front, x + 1, y) != 0 && field.At(Box, MarkSide.Front, x + 1, y) != -1);
            Assert.False(field.At(Box, MarkSide.Front, x, y) == 0 && field.At(Box, MarkSide.Front, x + 0.5, y) == 1);
        }
    }
}
