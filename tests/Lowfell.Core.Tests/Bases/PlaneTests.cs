using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class PlaneTests
{
    [Fact]
    public void Functions_agree_with_the_librarys()
    {
        var random = new Random(4);
        for (var i = 0; i < 20_000; i++)
        {
            var x = (random.NextDouble() - 0.5) * 60;
            var y = (random.NextDouble() - 0.5) * 60;
            Assert.Equal(Math.Sin(x), Steady.Sin(x), 1e-13);
            Assert.Equal(Math.Cos(x), Steady.Cos(x), 1e-13);
            Assert.Equal(Math.Atan2(y, x), Steady.Atan2(y, x), 1e-13);
            Assert.Equal(1, Steady.Exp(x) / Math.Exp(x), 1e-13);
            var positive = random.NextDouble() * Math.Pow(10, random.Next(-6, 6)) + 1e-9;
            Assert.Equal(Math.Log(positive), Steady.Log(positive), 1e-12);
        }
    }

    [Fact]
    public void Seeds_are_those_of_the_published_generator()
    {
        // SplitMix64 from 1234567, as its authors' code prints it.
        var seeds = new Seeds(1234567);
        ulong[] published = [6457827717110365317, 3203168211198807973, 9817491932198370423, 4593380528125082431, 16408922859458223821];
        Assert.All(published, p => Assert.Equal(p, seeds.Next()));
    }

    [Fact]
    public void The_gap_between_outlines_is_never_more_than_their_distance_and_tells_overlap()
    {
        var random = new Random(8);
        for (var i = 0; i < 400; i++)
        {
            var a = Outlines.Placed(Outlines.Rectangle(4 + (4 * random.NextDouble()), 3), new(0, 0), random.NextDouble() * 6);
            var b = Outlines.Placed(Outlines.Disc(2 + random.NextDouble(), 9), new((random.NextDouble() - 0.5) * 16, (random.NextDouble() - 0.5) * 16), random.NextDouble() * 6);
            var gap = Outlines.Gap(a, b);
            var nearest = Edge(a).Min(p => Outlines.Distance(b, p));
            Assert.True(gap <= nearest + 0.02, $"{gap} and {nearest}");
            Assert.True(gap < 0.001 || nearest > 0, "apart, yet one lies in the other");
            Assert.True(nearest > 0 || gap < 0, "one lies in the other, yet apart");
        }
    }

    [Fact]
    public void An_oval_is_never_told_wider_than_it_is()
    {
        foreach (var form in new[] { new BaseForm(BaseShape.Oval, 60, 35), new BaseForm(BaseShape.Oval, 42, 75), new BaseForm(BaseShape.Oval, 120, 92) })
        {
            var random = new Random(3);
            for (var i = 0; i < 2000; i++)
            {
                var t = random.NextDouble() * 2 * Math.PI;
                var q = Math.Sqrt(random.NextDouble());
                var (x, y) = (q * form.A * Math.Cos(t), q * form.B * Math.Sin(t));
                var true_ = Enumerable.Range(0, 720).Min(k => Math.Sqrt(Math.Pow(x - (form.A * Math.Cos(k * Math.PI / 360)), 2) + Math.Pow(y - (form.B * Math.Sin(k * Math.PI / 360)), 2)));
                Assert.True(form.Within(x, y) <= true_ + 1e-9);
                Assert.True(form.Within(x, y) >= true_ - 0.25, $"{form.Word}: {form.Within(x, y)} of {true_}");
            }
        }
    }

    private static IEnumerable<Point> Edge(Point[] outline) => outline.Index().SelectMany(v => Enumerable.Range(0, 60).Select(k =>
    {
        var next = outline[(v.Index + 1) % outline.Length];
        return v.Item + (k / 60.0 * (next - v.Item));
    }));
}
