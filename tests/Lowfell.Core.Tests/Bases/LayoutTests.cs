using System.Text.Json;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class LayoutTests
{
    [Fact]
    public void No_rolled_base_breaks_a_rule_by_a_checker_with_its_own_geometry()
    {
        var layouts = new Layout[Long.Times(40)];
        Parallel.For(0, layouts.Length, i => layouts[i] = Trays.Rolled(Trays.Ten[i % 10].Form, Trays.Ten[i % 10].Stance, Seeds.Of(556, (ulong)i), StarterFamilies.All[i / 10 % 3]));
        Assert.Empty(layouts.SelectMany(l => Faults(l).Select(f => $"{l.Form.Word}: {f}")));
        Assert.True(layouts.Sum(l => l.Elements.Count) > 8 * layouts.Length);
        Assert.All(layouts, l => Assert.True(l.Cover.CalmShare >= BaseFamily.LeastCalm));
    }

    [Fact]
    public void The_same_seed_gives_the_same_bytes_and_another_one_another_layout()
    {
        string Text(ulong seed)
        {
            var layout = Trays.Rolled(Trays.Round40, Stance.TwoFeet, seed);
            return JsonSerializer.Serialize(layout.Elements) + Convert.ToBase64String(layout.Cover.Cells) + string.Join(' ', layout.Cover.HeightMm);
        }

        Assert.Equal(Text(77), Text(77));
        Assert.NotEqual(Text(77), Text(78));
    }

    [Fact]
    public void A_layout_that_is_kept_reads_as_it_was_rolled()
    {
        for (ulong seed = 0; seed < 6; seed++)
        {
            var rolled = Trays.Rolled(Trays.Ten[(int)seed].Form, Trays.Ten[(int)seed].Stance, seed);
            var read = Roller.Read(rolled.Plot, StarterFamilies.SaltCrust);
            Assert.Equal(rolled.Score, read.Score, 1e-12);
            Assert.Equal(rolled.Cover.Cells, read.Cover.Cells);
            Assert.DoesNotContain(read.Notes, n => n.Element is not null);
        }
    }

    [Fact]
    public void What_is_locked_stays_and_counts()
    {
        var seat = Trays.Seat(Trays.Round40, Stance.TwoFeet);
        var dealt = Trays.Dealt(seat, 5).ToList();
        var first = Roller.Roll(seat, dealt, 5, StarterFamilies.SaltCrust);
        List<Element> locked = [.. first.Elements.Select((e, i) => i < 3 ? e with { Locked = true } : e)];
        for (ulong seed = 10; seed < 14; seed++)
        {
            var again = Roller.Roll(seat, locked, seed, StarterFamilies.SaltCrust);
            Assert.All(locked.Take(3), e => Assert.Contains(e, again.Elements));
            Assert.Empty(Faults(again));
        }
    }

    [Fact]
    public void A_lock_that_stands_in_the_way_is_told_and_stays()
    {
        var seat = Trays.Seat(Trays.Round25, Stance.TwoFeet);
        var stone = Trays.At("stone M", -4, -1) with { Locked = true, Heart = true };
        var layout = Roller.Roll(seat, [stone], 5, StarterFamilies.SaltCrust);
        Assert.Contains(layout.Notes, n => n.Text.StartsWith("The locked stone M at -4.0, -1.0 stands in the way (it would stand on a landing)", StringComparison.Ordinal));
        Assert.Equal(stone, Assert.Single(layout.Elements));
    }

    [Fact]
    public void What_does_not_fit_is_left_out_with_its_reason()
    {
        var layout = Roller.Roll(Trays.Seat(Trays.Round25, Stance.TwoFeet), [Trays.At("slate L", 0, 0) with { Heart = true }], 5, StarterFamilies.SaltCrust);
        Assert.Empty(layout.Elements);
        Assert.StartsWith("No room for slate L: ", Assert.Single(layout.Notes).Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_tray_of_any_order_never_takes_more_than_there_is()
    {
        for (ulong seed = 0; seed < 12; seed++)
        {
            var random = new Random((int)seed);
            List<ElementStock> stock = [.. StarterBoxes.All.Select(s => s with { Count = random.Next(0, 9) })];
            List<DealTo> copies = [.. Enumerable.Range(0, 12).Select(_ => Trays.Ten[random.Next(10)]).Select(t => new DealTo(Trays.Seat(t.Form, t.Stance), []))];
            var dealt = Deal.Of(copies, stock, StarterFamilies.SaltCrust, seed);
            Assert.All(stock, s => Assert.Equal(s.Count, dealt.Left[s.Class.Id] + dealt.ByCopy.Sum(c => c.Count(e => e.ClassId == s.Class.Id))));
            Assert.All(dealt.Left.Values, left => Assert.True(left >= 0));

            // Tufts come together or not at all.
            Assert.All(dealt.ByCopy.SelectMany(c => c.Where(e => e.Kind == ElementKind.Tuft).GroupBy(e => e.Cluster)), g => Assert.True(g.Count() >= 3));
            Assert.NotEmpty(dealt.Notes);
        }
    }

    [Fact]
    public void An_empty_shelf_leaves_the_ground_bare_and_says_so()
    {
        var dealt = Deal.Of([new(Trays.Seat(Trays.Round32, Stance.TwoFeet), [])], Trays.Stock(0), StarterFamilies.SaltCrust, 1);
        Assert.Empty(dealt.ByCopy[0]);
        Assert.Contains(dealt.Notes, n => n.Contains("lacking, nothing that fits is left; those places stay calm (base 1).", StringComparison.Ordinal));
        Assert.All(dealt.Lacking, l => Assert.Equal([1], l.Copies));
    }

    [Fact]
    public void What_lacks_is_stood_in_for_by_what_is_alike()
    {
        List<ElementStock> stock = [.. Trays.Stock().Select(s => s.Class.Name is "slate M" or "slate S" ? s with { Count = 0 } : s)];
        var dealt = Deal.Of([.. Enumerable.Range(0, 6).Select(_ => new DealTo(Trays.Seat(Trays.Round60, Stance.Stem), []))], stock, StarterFamilies.SaltCrust, 3);
        Assert.Contains(dealt.ByCopy.SelectMany(c => c), e => e.InsteadOf == "slate M" && e.Kind is ElementKind.Cork or ElementKind.Bark);
        Assert.Contains(dealt.Notes, n => n.StartsWith("Short of slate M: ", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(Stance.TwoFeet, 7, 3.6, 22, "stands")]
    [InlineData(Stance.OneFoot, 40, 26, 0, "is larger than the top of the 25 mm round base (23 x 23 mm)")]
    [InlineData(Stance.Stem, 18.6, 18.6, 0, "% of the 25 mm round base; at most 60 % leaves room for a third of calm ground.")]
    public void What_cannot_stand_is_told_with_what_would_make_it_possible(Stance stance, double length, double width, double spread, string said)
    {
        Assert.Contains(said, new Seat(Trays.Round25, new(stance, length, width, spread)).Fault(), StringComparison.Ordinal);
        Assert.Null(Trays.Seat(Trays.Round25, Stance.TwoFeet).Fault());
    }

    [Fact]
    public void A_hand_may_put_an_element_where_a_roll_might_and_nowhere_else()
    {
        var layout = Trays.Rolled(Trays.Round40, Stance.TwoFeet, 9);
        var open = OpenGround.Of(layout.Plot, StarterFamilies.SaltCrust, 0, layout.Elements[0].AngleDeg);
        Assert.Contains(Hindrance.None, open.Cells);
        Assert.Contains(Hindrance.Rim, open.Cells);
        Assert.Contains(Hindrance.Landing, open.Cells);
        for (var i = 0; i < open.Cells.Count; i += 7)
        {
            var moved = layout.Elements[0] with { X = ((i % open.Columns) * OpenGround.StepMm) - layout.Form.A, Y = ((i / open.Columns) * OpenGround.StepMm) - layout.Form.B };
            var read = Roller.Read(layout.Plot with { Elements = [moved, .. layout.Elements.Skip(1)] }, StarterFamilies.SaltCrust);
            Assert.True(open.Cells[i] != Hindrance.None || read.Notes.All(n => n.Element != 0), $"{moved.X}, {moved.Y}: {string.Join(' ', read.Notes.Select(n => n.Text))}");
        }
    }

    // Points all over an element, by ray crossing; the rim by the true outline of the face.
    private static IEnumerable<string> Faults(Layout l)
    {
        var seat = l.Plot.Seat;
        foreach (var e in l.Elements.Where(e => !e.Locked))
        {
            var outline = e.Outline();
            var margin = e.Kind == ElementKind.Tuft ? Math.Max(1, l.Form.MarginMm + l.Family.RimMm - 0.5) : l.Form.MarginMm + l.Family.RimMm;
            foreach (var v in outline.Where(v => Edge(l.Form, v) < margin - 0.02))
            {
                yield return $"{e.Name} is {Edge(l.Form, v):0.00} mm from the edge";
                break;
            }

            var top = ((e.Kind == ElementKind.Tuft ? 0.6 : 1) * e.HeightMm) + outline.Max(v => l.Terrain.At(v.X, v.Y));
            foreach (var p in Points(outline))
            {
                if (seat.Landings.Any(g => In(g.Outline, p)))
                {
                    yield return $"{e.Name} stands on a landing";
                    break;
                }

                if (seat.Free.Any(f => top > f.Mm - 0.4 && In(f.Outline, p)))
                {
                    yield return $"{e.Name} is too high";
                    break;
                }

                if (l.Elements.Any(o => o != e && In(o.Outline(), p)))
                {
                    yield return $"{e.Name} stands in another";
                    break;
                }
            }
        }

        foreach (var landing in seat.Landings)
        {
            List<double> heights = [.. Points(landing.Outline).Select(p => l.Terrain.At(p.X, p.Y))];
            if (heights.Max() - heights.Min() > 0.05)
            {
                yield return "a landing is not flat";
            }
        }
    }

    private static double Edge(BaseForm form, Point p) => form.Shape == BaseShape.Rectangle
        ? Math.Min(form.A - Math.Abs(p.X), form.B - Math.Abs(p.Y))
        : (p.X * p.X / (form.A * form.A)) + (p.Y * p.Y / (form.B * form.B)) > 1 ? -1
        : Enumerable.Range(0, 720).Min(k => new Point((form.A * Math.Cos(k * Math.PI / 360)) - p.X, (form.B * Math.Sin(k * Math.PI / 360)) - p.Y).Length);

    private static IEnumerable<Point> Points(Point[] outline)
    {
        const double Step = 0.3;
        for (var x = outline.Min(v => v.X); x <= outline.Max(v => v.X); x += Step)
        {
            for (var y = outline.Min(v => v.Y); y <= outline.Max(v => v.Y); y += Step)
            {
                if (In(outline, new(x, y)))
                {
                    yield return new(x, y);
                }
            }
        }
    }

    private static bool In(Point[] outline, Point p)
    {
        var inside = false;
        for (int i = 0, j = outline.Length - 1; i < outline.Length; j = i++)
        {
            if (outline[i].Y > p.Y != outline[j].Y > p.Y && p.X < ((outline[j].X - outline[i].X) * (p.Y - outline[i].Y) / (outline[j].Y - outline[i].Y)) + outline[i].X)
            {
                inside = !inside;
            }
        }

        return inside;
    }
}
