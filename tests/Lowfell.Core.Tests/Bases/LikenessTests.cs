using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Colour;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class LikenessTests
{
    // No crackle: what a seed lays cannot be turned along with the elements.
    private static readonly BaseFamily Bare = StarterFamilies.WetSand;

    [Fact]
    public void The_same_base_turned_or_mirrored_is_nearly_a_copy_and_another_is_not()
    {
        var others = new List<double>();
        for (ulong seed = 1; seed <= 8; seed++)
        {
            var layout = Trays.Rolled(Trays.Round40, Stance.None, seed, Bare);
            var own = Impression.Of(layout);
            Assert.Equal(0, own.From(own), 1e-6);
            foreach (var turn in new[] { 0.4, 1.7, 2.9, 4.4 })
            {
                var turned = own.From(Impression.Of(Moved(layout, p => new((p.X * Math.Cos(turn)) - (p.Y * Math.Sin(turn)), (p.X * Math.Sin(turn)) + (p.Y * Math.Cos(turn))), turn)), out var asTheyStand);
                Assert.True(turned < Impression.NearCopyBelow, $"turned by {turn}: {turned}");
                Assert.True(asTheyStand > turned);
            }

            others.Add(own.From(Impression.Of(Trays.Rolled(Trays.Round40, Stance.None, seed + 100, Bare))));
        }

        Assert.True(others.Average() > 0.35, $"{others.Average()}");
        Assert.Equal(Alikeness.NearCopy, Impression.Judge(0.05));
        Assert.Equal(Alikeness.Alike, Impression.Judge(0.2));
        Assert.Equal(Alikeness.Different, Impression.Judge(0.3));
    }

    [Fact]
    public void A_long_base_is_not_turned_by_a_quarter()
    {
        var form = new BaseForm(BaseShape.Oval, 60, 35);
        var one = Roller.Read(new(new(form, Figure.None), [Trays.At("slate L", 16, 0)], 1), Bare);
        var across = Roller.Read(new(new(form, Figure.None), [Trays.At("slate L", 0, 9)], 1), Bare);
        var half = Roller.Read(new(new(form, Figure.None), [Trays.At("slate L", -16, 0, 180)], 1), Bare);
        Assert.True(Impression.Of(one).From(Impression.Of(across)) > 0.5);
        Assert.True(Impression.Of(one).From(Impression.Of(half)) < Impression.NearCopyBelow);
    }

    [Fact]
    public void Rings_and_rows_made_on_purpose_are_found()
    {
        var random = new Random(5);
        for (var i = 0; i < 40; i++)
        {
            var form = i % 2 == 0 ? Trays.Round40 : Trays.Round32;
            var (count, far, from) = (5 + random.Next(4), form.Radius * (0.62 + (0.14 * random.NextDouble())), random.NextDouble() * 6);
            List<Element> ring = [.. Enumerable.Range(0, count).Select(k =>
            {
                var angle = from + (2 * Math.PI * k / count) + (0.05 * (random.NextDouble() - 0.5));
                return Trays.At("stone S", far * Math.Cos(angle), far * Math.Sin(angle), 0, (uint)k);
            })];
            Assert.NotNull(Roller.Read(new(new(form, Figure.None), ring, 1), Bare).Ring);
            var (way, step) = (random.NextDouble() * 6, 4.6 + (2 * random.NextDouble()));
            List<Element> row = [.. Enumerable.Range(-1, 3).Select(k => Trays.At("stone S", k * step * Math.Cos(way), k * step * Math.Sin(way), 0, (uint)(k + 9)))];
            Assert.NotNull(Roller.Read(new(new(form, Figure.None), row, 1), Bare).Row);
        }
    }

    [Fact]
    public void Three_on_an_arc_along_the_rim_are_a_row_too()
    {
        Element At(double degrees, double far) => Trays.At("stone S", far * Math.Cos(degrees * Math.PI / 180), far * Math.Sin(degrees * Math.PI / 180));
        var seat = new Seat(Trays.Round40, Figure.None);
        Assert.NotNull(Roller.Read(new(seat, [At(20, 14), At(65, 14), At(110, 14)], 1), Bare).Row);
        Assert.Null(Roller.Read(new(seat, [At(20, 14), At(50, 6), At(150, 11)], 1), Bare).Row);
    }

    [Fact]
    public void A_chosen_tray_differs_and_belongs()
    {
        const int Copies = 10, Rolls = 6;
        List<Seat> seats = [.. Enumerable.Range(0, Copies).Select(i => Trays.Seat(i < 6 ? Trays.Round25 : i < 9 ? Trays.Round32 : Trays.Round40, Stance.TwoFeet))];
        var dealt = Deal.Of([.. seats.Select(s => new DealTo(s, []))], Trays.Stock(1), StarterFamilies.SaltCrust, 42);
        var rolls = new (Layout Layout, Impression Impression)[Copies * Rolls];
        Parallel.For(0, rolls.Length, j =>
        {
            var layout = Roller.Roll(seats[j / Rolls], dealt.ByCopy[j / Rolls], Seeds.Of(42, (ulong)j), StarterFamilies.SaltCrust);
            rolls[j] = (layout, Impression.Of(layout));
        });
        List<IReadOnlyList<(Layout Layout, Impression Impression)>> byCopy = [.. rolls.Chunk(Rolls)];
        var places = Choice.Of(byCopy);
        List<(Layout Layout, Impression Impression)> chosen = [.. places.Select((p, c) => byCopy[c][p])];
        double Least(IReadOnlyList<(Layout Layout, Impression Impression)> tray) => Enumerable.Range(0, tray.Count).Min(a => Enumerable.Range(0, tray.Count).Where(b => b != a).Min(b => tray[a].Impression.From(tray[b].Impression)));
        Assert.True(Least(chosen) >= 0.3, $"{Least(chosen)}");
        Assert.True(Least(chosen) >= Least([.. byCopy.Select(c => c[0])]));
        Assert.All(chosen, c => Assert.False(Choice.IsBarred(c.Layout)));
        Assert.Equal(places, Choice.Of(byCopy));
    }

    [Fact]
    public void Neighbours_are_those_side_by_side_and_share_no_ground()
    {
        List<BaseForm> forms = [.. Enumerable.Repeat(Trays.Round25, 12), .. Enumerable.Repeat(Trays.Round40, 4)];
        var order = TrayOrder.Of(forms);
        Assert.Equal(Enumerable.Range(0, 16), order.Rows.SelectMany(r => r));
        Assert.All(order.Rows, r => Assert.True(r.Sum(i => forms[i].LengthMm + TrayOrder.GapMm) <= 230 + TrayOrder.GapMm));
        Assert.Contains((0, 1), order.Neighbours);
        for (ulong seed = 0; seed < 30; seed++)
        {
            var grounds = Grounds.Shared(order.Neighbours, forms.Count, 3 + (int)(seed % 3), seed);
            Assert.All(order.Neighbours, n => Assert.NotEqual(grounds[n.A], grounds[n.B]));
        }
    }

    [Fact]
    public void Grounds_go_from_four_to_one_of_one_brown_to_one_to_four_in_even_steps()
    {
        // Two browns mixed in light: the order and the ends are what counts.
        var grounds = Grounds.Of(4, a => new Srgb((byte)(90 + (30 * a)), (byte)(75 + (22 * a)), (byte)(60 + (14 * a))));
        Assert.Equal((4, 1), (grounds[0].PartsA, grounds[0].PartsB));
        Assert.Equal((1, 4), (grounds[^1].PartsA, grounds[^1].PartsB));
        List<double> steps = [.. Enumerable.Range(1, 3).Select(i => ColourDifference.Ciede2000(grounds[i - 1].Colour.ToLab(), grounds[i].Colour.ToLab()))];
        Assert.True(steps.Max() < 2 * steps.Min(), string.Join(", ", steps));
        Assert.Contains("read as two grounds", Grounds.Fault(Grounds.Of(3, a => new Srgb((byte)(255 * a), 0, 0))), StringComparison.Ordinal);
        Assert.Contains("are hardly seen", Grounds.Fault(Grounds.Of(5, _ => new Srgb(90, 70, 50))), StringComparison.Ordinal);
    }

    private static Layout Moved(Layout layout, Func<Point, Point> to, double turn) => Roller.Read(
        layout.Plot with { Elements = [.. layout.Elements.Select(e => (Element: e, At: to(new(e.X, e.Y)))).Select(e => e.Element with { X = e.At.X, Y = e.At.Y, AngleDeg = e.Element.AngleDeg + (turn * 180 / Math.PI) })] }, layout.Family);
}
