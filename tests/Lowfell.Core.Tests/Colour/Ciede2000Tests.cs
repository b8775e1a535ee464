using CsCheck;
using Lowfell.Core.Colour;
using Xunit;

namespace Lowfell.Core.Tests.Colour;

public sealed class Ciede2000Tests
{
    /// <summary>The pairs of Sharma, Wu and Dalal 2005, table 1.</summary>
    public static TheoryData<double, double, double, double, double, double, double> Pairs => new()
    {
        { 50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425 },
        { 50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615 },
        { 50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412 },
        { 50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0000 },
        { 50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0000 },
        { 50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0000 },
        { 50, 0, 0, 50, -1, 2, 2.3669 },
        { 50, -1, 2, 50, 0, 0, 2.3669 },
        { 50, 2.4900, -0.0010, 50, -2.4900, 0.0009, 7.1792 },
        { 50, 2.4900, -0.0010, 50, -2.4900, 0.0010, 7.1792 },
        { 50, 2.4900, -0.0010, 50, -2.4900, 0.0011, 7.2195 },
        { 50, 2.4900, -0.0010, 50, -2.4900, 0.0012, 7.2195 },
        { 50, -0.0010, 2.4900, 50, 0.0009, -2.4900, 4.8045 },
        { 50, -0.0010, 2.4900, 50, 0.0010, -2.4900, 4.8045 },
        { 50, -0.0010, 2.4900, 50, 0.0011, -2.4900, 4.7461 },
        { 50, 2.5, 0, 50, 0, -2.5, 4.3065 },
        { 50, 2.5, 0, 73, 25, -18, 27.1492 },
        { 50, 2.5, 0, 61, -5, 29, 22.8977 },
        { 50, 2.5, 0, 56, -27, -3, 31.9030 },
        { 50, 2.5, 0, 58, 24, 15, 19.4535 },
        { 50, 2.5, 0, 50, 3.1736, 0.5854, 1.0000 },
        { 50, 2.5, 0, 50, 3.2972, 0, 1.0000 },
        { 50, 2.5, 0, 50, 1.8634, 0.5757, 1.0000 },
        { 50, 2.5, 0, 50, 3.2592, 0.3350, 1.0000 },
        { 60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644 },
        { 63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630 },
        { 61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731 },
        { 35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645 },
        { 22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373 },
        { 36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146 },
        { 90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441 },
        { 90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381 },
        { 6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377 },
        { 2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082 },
    };

    [Theory]
    [MemberData(nameof(Pairs))]
    public void Matches_the_published_pair_both_ways(double l1, double a1, double b1, double l2, double a2, double b2, double expected)
    {
        Lab first = new(l1, a1, b1), second = new(l2, a2, b2);
        Assert.Equal(expected, ColourDifference.Ciede2000(first, second), 4);
        Assert.Equal(expected, ColourDifference.Ciede2000(second, first), 4);
    }

    [Fact]
    public void The_bisector_of_the_hues_says_the_same_as_their_mean_angle()
    {
        var lab = Gen.Select(Gen.Double[0, 100], Gen.Double[-110, 110], Gen.Double[-110, 110], (l, a, b) => new Lab(l, a, b));

        // Hues that are exactly opposite have no bisector; any rounding tips the mean either way.
        Gen.Select(lab, lab).Where((x, y) => (x.A * y.A) + (x.B * y.B) > -0.999999 * x.Chroma * y.Chroma).Sample((first, second) => Assert.Equal(ByAngles(first, second), ColourDifference.Ciede2000(first, second), 6));
    }

    // Equations 2-22 of the paper, letter by letter.
    private static double ByAngles(Lab first, Lab second)
    {
        static double Seventh(double c) => Math.Sqrt(Math.Pow(c, 7) / (Math.Pow(c, 7) + Math.Pow(25, 7)));
        static double Cos(double degrees) => Math.Cos(degrees * Math.PI / 180);
        static double Sin(double degrees) => Math.Sin(degrees * Math.PI / 180);
        var g = 0.5 * (1 - Seventh((Math.Sqrt((first.A * first.A) + (first.B * first.B)) + Math.Sqrt((second.A * second.A) + (second.B * second.B))) / 2));
        (double C, double H) Polar(Lab lab)
        {
            var a = (1 + g) * lab.A;
            var h = Math.Atan2(lab.B, a) * 180 / Math.PI;
            return (Math.Sqrt((a * a) + (lab.B * lab.B)), h < 0 ? h + 360 : h);
        }

        var ((c1, h1), (c2, h2)) = (Polar(first), Polar(second));
        var step = h2 - h1;
        step = step > 180 ? step - 360 : step < -180 ? step + 360 : step;
        var mean = Math.Abs(h1 - h2) <= 180 ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
        var deltaH = 2 * Math.Sqrt(c1 * c2) * Sin(step / 2);
        double l = (first.L + second.L) / 2, c = (c1 + c2) / 2;
        var t = 1 - (0.17 * Cos(mean - 30)) + (0.24 * Cos(2 * mean)) + (0.32 * Cos((3 * mean) + 6)) - (0.20 * Cos((4 * mean) - 63));
        var turn = 30 * Math.Exp(-Math.Pow((mean - 275) / 25, 2));
        double kl = (second.L - first.L) / (1 + (0.015 * Math.Pow(l - 50, 2) / Math.Sqrt(20 + Math.Pow(l - 50, 2))));
        double kc = (c2 - c1) / (1 + (0.045 * c)), kh = deltaH / (1 + (0.015 * c * t));
        return Math.Sqrt((kl * kl) + (kc * kc) + (kh * kh) - (Sin(2 * turn) * 2 * Seventh(c) * kc * kh));
    }
}
