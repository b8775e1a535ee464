using System.Runtime.Intrinsics;

namespace Lowfell.Core.Colour;

/// <summary>How different two colours look.</summary>
public static class ColourDifference
{
    private const double Degree = Math.PI / 180;
    private const double Pow25To7 = 6103515625.0;

    /// <summary>CIEDE2000 with unit weights: under 1 is hardly seen side by side, 2 is seen, 10 is another colour.</summary>
    /// <remarks>Sharma, Wu and Dalal 2005, equations 2-22; matches their 34 published pairs to four decimals.</remarks>
    public static double Ciede2000(Lab first, Lab second)
    {
        double c1 = first.Chroma, c2 = second.Chroma;
        var cBar7 = Power7((c1 + c2) / 2);
        var g = 0.5 * (1 - Math.Sqrt(cBar7 / (cBar7 + Pow25To7)));
        double a1 = (1 + g) * first.A, a2 = (1 + g) * second.A;
        double cp1 = Math.Sqrt((a1 * a1) + (first.B * first.B)), cp2 = Math.Sqrt((a2 * a2) + (second.B * second.B));
        double h1 = Hue(first.B, a1), h2 = Hue(second.B, a2);

        var deltaL = second.L - first.L;
        var deltaC = cp2 - cp1;
        double hueStep = 0, hueSum = h1 + h2;
        if (cp1 * cp2 != 0)
        {
            hueStep = h2 - h1;
            var apart = Math.Abs(hueStep);
            hueStep = apart <= 180 ? hueStep : hueStep > 180 ? hueStep - 360 : hueStep + 360;
            hueSum = apart <= 180 ? hueSum / 2 : hueSum < 360 ? (hueSum + 360) / 2 : (hueSum - 360) / 2;
        }

        var deltaH = 2 * Math.Sqrt(cp1 * cp2) * Math.Sin(hueStep / 2 * Degree);
        double lBar = (first.L + second.L) / 2, cpBar = (cp1 + cp2) / 2;
        var cosines = Vector256.Cos(Vector256.Create(hueSum - 30, 2 * hueSum, (3 * hueSum) + 6, (4 * hueSum) - 63) * Degree);
        var t = 1 + Vector256.Sum(cosines * Vector256.Create(-0.17, 0.24, 0.32, -0.20));
        var cpBar7 = Power7(cpBar);
        var rotation = -2 * Math.Sqrt(cpBar7 / (cpBar7 + Pow25To7))
            * Math.Sin(60 * Math.Exp(-Square((hueSum - 275) / 25)) * Degree);
        var sl = 1 + (0.015 * Square(lBar - 50) / Math.Sqrt(20 + Square(lBar - 50)));
        var sc = 1 + (0.045 * cpBar);
        var sh = 1 + (0.015 * cpBar * t);
        double l = deltaL / sl, c = deltaC / sc, h = deltaH / sh;
        return Math.Sqrt(Math.Max(0, (l * l) + (c * c) + (h * h) + (rotation * c * h)));
    }

    private static double Hue(double b, double a)
    {
        if (a == 0 && b == 0)
        {
            return 0;
        }

        var angle = Math.Atan2(b, a) / Degree;
        return angle < 0 ? angle + 360 : angle;
    }

    private static double Square(double v) => v * v;

    private static double Power7(double v)
    {
        var cube = v * v * v;
        return cube * cube * v;
    }
}
