namespace Lowfell.Core.Colour;

/// <summary>How different two colours look.</summary>
public static class ColourDifference
{
    private const double Degree = Math.PI / 180;
    private const double Pow25To7 = 6103515625.0;
    private const double BlueHue = 275;

    // So many degrees from 275 and further the blue term is under 1e-11.
    private static readonly double FarFromBlue = Math.Cos(125 * Degree);
    private static readonly double CosBlue = Math.Cos(BlueHue * Degree);
    private static readonly double SinBlue = Math.Sin(BlueHue * Degree);
    private static readonly double Cos30 = Math.Cos(30 * Degree);
    private static readonly double Cos6 = Math.Cos(6 * Degree);
    private static readonly double Sin6 = Math.Sin(6 * Degree);
    private static readonly double Cos63 = Math.Cos(63 * Degree);
    private static readonly double Sin63 = Math.Sin(63 * Degree);

    /// <summary>CIEDE2000 with unit weights: under 1 is hardly seen side by side, 2 is seen, 10 is another colour.</summary>
    /// <remarks>
    /// Sharma, Wu and Dalal 2005, equations 2-22; matches their 34 published pairs to four decimals. The mean hue is taken as the
    /// bisector of the two hues, so that all its cosines follow by multiple-angle formulas instead of an arc tangent each.
    /// </remarks>
    public static double Ciede2000(Lab first, Lab second)
    {
        var cBar7 = Power7((first.Chroma + second.Chroma) / 2);
        var stretch = 1.5 - (0.5 * Math.Sqrt(cBar7 / (cBar7 + Pow25To7)));
        double a1 = stretch * first.A, a2 = stretch * second.A;
        double c1 = Math.Sqrt((a1 * a1) + (first.B * first.B)), c2 = Math.Sqrt((a2 * a2) + (second.B * second.B));
        var cBar = (c1 + c2) / 2;
        double lBar = (first.L + second.L) / 2, offMiddle = Square(lBar - 50);
        var l = (second.L - first.L) / (1 + (0.015 * offMiddle / Math.Sqrt(20 + offMiddle)));
        var c = (c2 - c1) / (1 + (0.045 * cBar));
        if (c1 == 0 || c2 == 0)
        {
            return Math.Sqrt((l * l) + (c * c));
        }

        // 2 sqrt(C1 C2) sin(dh/2), squared: twice what the product of the chromas exceeds the inner product by.
        var deltaH = Math.Sqrt(Math.Max(0, 2 * ((c1 * c2) - (a1 * a2) - (first.B * second.B))));
        if ((a1 * second.B) - (a2 * first.B) < 0)
        {
            deltaH = -deltaH;
        }

        var (cos, sin) = Bisector((a1 / c1) + (a2 / c2), (first.B / c1) + (second.B / c2), first.B, a1, second.B, a2);
        double cos2 = (2 * cos * cos) - 1, sin2 = 2 * sin * cos;
        double cos3 = (cos2 * cos) - (sin2 * sin), sin3 = (sin2 * cos) + (cos2 * sin);
        double cos4 = (2 * cos2 * cos2) - 1, sin4 = 2 * sin2 * cos2;
        var t = 1 - (0.17 * ((cos * Cos30) + (sin * 0.5))) + (0.24 * cos2) + (0.32 * ((cos3 * Cos6) - (sin3 * Sin6))) - (0.20 * ((cos4 * Cos63) + (sin4 * Sin63)));
        var h = deltaH / (1 + (0.015 * cBar * t));
        return Math.Sqrt(Math.Max(0, (l * l) + (c * c) + (h * h) + (Rotation(cos, sin, cBar) * c * h)));
    }

    // Unit vector halfway between the two hues. Exactly opposite hues have no bisector; there the standard takes the mean of the angles.
    private static (double Cos, double Sin) Bisector(double x, double y, double b1, double a1, double b2, double a2)
    {
        var length = Math.Sqrt((x * x) + (y * y));
        if (length > 1e-9)
        {
            return (x / length, y / length);
        }

        var (sin, cos) = Math.SinCos((Hue(b1, a1) + Hue(b2, a2)) / 2 * Degree);
        return (cos, sin);
    }

    private static double Rotation(double cos, double sin, double cBar)
    {
        if ((CosBlue * cos) + (SinBlue * sin) < FarFromBlue)
        {
            return 0;
        }

        var cBar7 = Power7(cBar);
        return -2 * Math.Sqrt(cBar7 / (cBar7 + Pow25To7)) * Math.Sin(60 * Math.Exp(-Square((Hue(sin, cos) - BlueHue) / 25)) * Degree);
    }

    private static double Hue(double b, double a)
    {
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
