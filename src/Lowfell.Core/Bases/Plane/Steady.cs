namespace Lowfell.Core.Bases.Plane;

/// <summary>Functions that give the same bits on every machine: sums, products, quotients and roots only, which IEEE 754 settles to the last bit.</summary>
/// <remarks>The library's sine, exponential and their like come from the machine's own mathematics and may differ in the last place; a layout grown from a seed must not.</remarks>
public static class Steady
{
    private const double HalfPi = Math.PI / 2;
    private const double Ln2 = 0.693147180559945309417;

    /// <summary>Sine; angle in radians, error below 1e-14 for angles up to 1e6.</summary>
    public static double Sin(double angle)
    {
        var turns = Math.Round(angle / HalfPi);
        var (r, quarter) = (angle - (turns * HalfPi), ((long)turns) & 3);
        return quarter switch { 0 => SinNear(r), 1 => CosNear(r), 2 => -SinNear(r), _ => -CosNear(r) };
    }

    /// <summary>Cosine; angle in radians.</summary>
    public static double Cos(double angle) => Sin(angle + HalfPi);

    /// <summary>Angle of a direction from the x axis, radians, -pi..pi.</summary>
    public static double Atan2(double y, double x)
    {
        if (x == 0 && y == 0)
        {
            return 0;
        }

        var (ax, ay) = (Math.Abs(x), Math.Abs(y));
        var a = ax >= ay ? Atan(ay / ax) : HalfPi - Atan(ax / ay);
        a = x < 0 ? Math.PI - a : a;
        return y < 0 ? -a : a;
    }

    /// <summary>Exponential function; 0 below -700.</summary>
    public static double Exp(double x)
    {
        if (x < -700)
        {
            return 0;
        }

        var k = Math.Round(x / Ln2);
        var r = x - (k * Ln2);
        double sum = 1, term = 1;
        for (var i = 1; i <= 14; i++)
        {
            term *= r / i;
            sum += term;
        }

        return Math.ScaleB(sum, (int)k);
    }

    /// <summary>Natural logarithm of a number above 0.</summary>
    public static double Log(double x)
    {
        var bits = BitConverter.DoubleToInt64Bits(x);
        var exponent = (int)((bits >> 52) & 0x7FF) - 1023;
        var m = BitConverter.Int64BitsToDouble((bits & 0xFFFFFFFFFFFFF) | 0x3FF0000000000000);
        if (m > 1.4142135623730951)
        {
            (m, exponent) = (m / 2, exponent + 1);
        }

        var s = (m - 1) / (m + 1);
        double sum = 0, power = s;
        for (var i = 1; i <= 19; i += 2)
        {
            sum += power / i;
            power *= s * s;
        }

        return (2 * sum) + (exponent * Ln2);
    }

    /// <summary>Smooth step from 0 to 1 over 0..1.</summary>
    public static double Smooth(double t)
    {
        var u = t < 0 ? 0 : t > 1 ? 1 : t;
        return u * u * (3 - (2 * u));
    }

    private static double Atan(double x)
    {
        // Halved twice: the series is short then.
        var h = x / (1 + Math.Sqrt(1 + (x * x)));
        h /= 1 + Math.Sqrt(1 + (h * h));
        var q = h * h;
        double sum = 0;
        for (var i = 19; i >= 1; i -= 2)
        {
            sum = (1.0 / i) - (q * sum);
        }

        return 4 * h * sum;
    }

    private static double SinNear(double r)
    {
        var q = r * r;
        return r * (1 - (q / 6 * (1 - (q / 20 * (1 - (q / 42 * (1 - (q / 72 * (1 - (q / 110 * (1 - (q / 156 * (1 - (q / 210))))))))))))));
    }

    private static double CosNear(double r)
    {
        var q = r * r;
        return 1 - (q / 2 * (1 - (q / 12 * (1 - (q / 30 * (1 - (q / 56 * (1 - (q / 90 * (1 - (q / 132 * (1 - (q / 182 * (1 - (q / 240)))))))))))))));
    }
}
