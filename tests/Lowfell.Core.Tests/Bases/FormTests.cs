using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class FormTests
{
    [Fact]
    public void Areas_agree_with_closed_forms()
    {
        var round = new BaseForm(BaseShape.Round, 40, 40, 0, 4);
        Assert.Equal(Math.PI * 400, round.TopMm2, 1e-9);
        Assert.Equal(Math.PI * 40 * 4, round.RimMm2, 1e-6);
        var square = new BaseForm(BaseShape.Rectangle, 50, 50, 3, 4);
        Assert.Equal(44 * 44, square.TopMm2, 1e-9);

        // A frustum: four trapezes between 50 and 44 mm, 5 mm of slant (3, 4, 5).
        Assert.Equal(4 * 5 * 47, square.RimMm2, 1e-9);
        var oval = new BaseForm(BaseShape.Oval, 60, 35, 0, 1);
        var around = Enumerable.Range(0, 20_000).Sum(i =>
        {
            var (a, b) = (2 * Math.PI * i / 20_000, 2 * Math.PI * (i + 1) / 20_000);
            return Math.Sqrt(Math.Pow(30 * (Math.Cos(a) - Math.Cos(b)), 2) + Math.Pow(17.5 * (Math.Sin(a) - Math.Sin(b)), 2));
        });
        Assert.Equal(around, oval.RimMm2, 0.01);
    }

    [Theory]
    [InlineData(25, 1.5)]
    [InlineData(27, 1.5)]
    [InlineData(28.5, 2)]
    [InlineData(40, 2)]
    [InlineData(60, 3)]
    public void The_rim_that_stays_free_goes_by_size(double mm, double margin) => Assert.Equal(margin, new BaseForm(BaseShape.Round, mm, mm).MarginMm);

    [Theory]
    [InlineData(BaseShape.Round, 25, 25, "25 mm round")]
    [InlineData(BaseShape.Oval, 60, 35, "60 x 35 mm oval")]
    [InlineData(BaseShape.Rectangle, 25, 25, "25 mm square")]
    [InlineData(BaseShape.Rectangle, 100, 30, "100 x 30 mm long")]
    [InlineData(BaseShape.Rectangle, 50, 40, "50 x 40 mm rectangular")]
    public void A_form_is_called_as_painters_call_it(BaseShape shape, double length, double width, string word) => Assert.Equal(word, new BaseForm(shape, length, width).Word);

    [Fact]
    public void From_the_middle_to_the_edge_is_where_nothing_is_left_within()
    {
        foreach (var (form, _) in Trays.Ten)
        {
            for (var degrees = 0; degrees < 360; degrees += 7)
            {
                var edge = form.Reach(degrees * Math.PI / 180) * Point.Towards(degrees * Math.PI / 180);
                Assert.Equal(0, form.Within(edge.X, edge.Y), 0.26);
                Assert.True(form.Within(0.9 * edge.X, 0.9 * edge.Y) > form.Within(edge.X, edge.Y));
                Assert.True(form.Within(1.1 * edge.X, 1.1 * edge.Y) < 0);
            }
        }
    }

    [Fact]
    public void What_usually_stands_on_a_base_fits_there_on_every_form_it_is_for()
    {
        foreach (var stance in Enum.GetValues<Stance>())
        {
            foreach (var form in new[] { Trays.Round25, Trays.Round32, Trays.Round40, Trays.Round60, new(BaseShape.Oval, 60, 35), new(BaseShape.Oval, 42, 75), new(BaseShape.Rectangle, 25, 25), new(BaseShape.Rectangle, 50, 50), new(BaseShape.Rectangle, 100, 30) })
            {
                var seat = Trays.Seat(form, stance);
                Assert.True(seat.Fault() is null, $"{stance} on {form.Word}: {seat.Fault()}");
                Assert.Equal(stance == Stance.None, seat.Landings.Length == 0);
                Assert.All(seat.Landings, l => Assert.True(Outlines.Area(l.Outline) > 0, "told clockwise"));
                Assert.All(seat.Landings, l => Assert.All(l.Outline, v => Assert.True(Outlines.Distance(seat.Hull, v) <= 1e-9)));
            }
        }
    }

    [Fact]
    public void The_ground_is_thin_at_the_edge_flat_where_something_stands_and_steady_between()
    {
        foreach (var (form, stance) in Trays.Ten)
        {
            var seat = Trays.Seat(form, stance);
            var terrain = new Terrain(seat, 0.7, 2.2, 1.9);
            Assert.True(terrain.LandingMm <= 0.7 + 0.2 + 1e-9);
            for (var degrees = 0; degrees < 360; degrees += 11)
            {
                var edge = form.Reach(degrees * Math.PI / 180) * Point.Towards(degrees * Math.PI / 180);
                Assert.Equal(0.2, terrain.At(edge.X, edge.Y), 0.06);
                var last = terrain.At(0, 0);
                for (var part = 0.01; part <= 1; part += 0.01)
                {
                    // No step that paste would not hold: at most 2.2 mm over a few mm, nowhere a cliff.
                    var here = terrain.At(part * edge.X, part * edge.Y);
                    Assert.True(Math.Abs(here - last) < 0.02 + (2.0 * 0.01 * edge.Length), $"{form.Word}, {degrees} degrees, {part}: {last} to {here}");
                    Assert.InRange(here, 0, 0.2 + 0.7 + 2.2 + 1e-9);
                    last = here;
                }
            }
        }
    }

    [Fact]
    public void The_grid_never_tells_the_ground_lower_than_the_cell_that_it_stands_in()
    {
        var terrain = new Terrain(Trays.Seat(Trays.Round40, Stance.TwoFeet), 0.7, 2.2, 1.2);
        var random = new Random(2);
        for (var i = 0; i < 3000; i++)
        {
            var (x, y) = ((random.NextDouble() - 0.5) * 36, (random.NextDouble() - 0.5) * 36);
            Assert.True(terrain.Near(x, y) >= terrain.At(x, y) - 0.08, $"{x}, {y}");
        }
    }

    [Fact]
    public void Stand_ins_are_of_another_kind_and_like_length_first_then_two_of_the_next_smaller()
    {
        List<ElementClass> boxes = [.. StarterBoxes.All.Select(b => b.Class)];
        ElementClass Box(string name) => boxes.Single(b => b.Name == name);
        string[] For(string name) => [.. StandIns.For(Box(name), boxes).Select(s => $"{s.Pieces} {s.Class.Name}")];
        Assert.Equal("1 cork L", For("slate L")[0]);
        Assert.Contains("2 slate M", For("slate L"));
        Assert.Equal(["1 cork M", "1 bark M"], For("slate M").Take(2));
        Assert.Equal(["2 tuft 4"], For("tuft 6"));
        Assert.Contains("3 driftwood", For("rusted pipe"));
        Assert.All(boxes, b => Assert.All(StandIns.For(b, boxes), s => Assert.True(s.Class.Id != b.Id && (s.Class.Kind == ElementKind.Tuft) == (b.Kind == ElementKind.Tuft), $"{s.Class.Name} for {b.Name}")));
        Assert.Null(StandIns.Smaller(Box("pebble"), boxes));
    }

    [Fact]
    public void Elements_of_a_box_differ_within_its_spread_and_the_same_seed_is_the_same_stone()
    {
        var box = StarterBoxes.All.Single(b => b.Class.Name == "slate M").Class;
        for (ulong seed = 1; seed < 200; seed++)
        {
            var one = Element.From(box, seed);
            Assert.InRange(one.LengthMm, box.LengthMm * (1 - box.Spread) - 0.01, box.LengthMm * (1 + box.Spread) + 0.01);
            Assert.InRange(one.HeightMm, box.HeightMm * (1 - box.Spread) - 0.01, box.HeightMm * (1 + box.Spread) + 0.01);
            Assert.Equal(one.Shape(), Element.From(box, seed).Shape());
            Assert.True(Outlines.Area(one.Shape()) > 0.4 * one.LengthMm * one.WidthMm);
            Assert.All(one.Shape(), v => Assert.True(Math.Abs(v.X) <= (one.LengthMm / 2) + 1e-9 && Math.Abs(v.Y) <= (one.WidthMm / 2) + 1e-9));
        }
    }
}
