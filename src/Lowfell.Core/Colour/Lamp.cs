using Lowfell.Core.Wording;

namespace Lowfell.Core.Colour;

/// <summary>Light that something is looked at under.</summary>
public enum Lamp
{
    /// <summary>Daylight, D65.</summary>
    [Said("daylight")]
    Daylight,

    /// <summary>A neutral lamp, 4000 K.</summary>
    [Said("neutral lamp, 4000 K")]
    Neutral,

    /// <summary>A warm lamp, 2700 K.</summary>
    [Said("warm lamp, 2700 K")]
    Warm,
}

/// <summary>Colours under a lamp, as an eye that has got used to it sees them.</summary>
/// <remarks>
/// Lamps are radiators by Planck's law. What they show is adapted to D65 by CAT16 (Li et al. 2017), to the degree
/// F (1 - exp((-L_A - 42) / 92) / 3.6) with F 1 and L_A 60 cd/m2: 0.91, so that a warm lamp stays a little warm.
/// </remarks>
public static class Lamps
{
    // Adapting luminance of a lit bench, cd/m2. Craft estimate.
    private const double AdaptingLuminance = 60;

    // Second radiation constant, nm K.
    private const double Planck = 1.4387769e7;

    private static readonly double[,] Cat16 = { { 0.401288, 0.650173, -0.051461 }, { -0.250268, 1.204414, 0.045854 }, { -0.002079, 0.048952, 0.953127 } };

    private static readonly float[][] Rows = [.. Enum.GetValues<Lamp>().Select(Row)];

    /// <summary>Degree of adaptation, 0..1.</summary>
    public static double Adapted => 1 - (Math.Exp((-AdaptingLuminance - 42) / 92) / 3.6);

    /// <summary>Linear light of a reflectance spectrum under a lamp.</summary>
    /// <param name="reflectance">36 reflectances.</param>
    /// <param name="lamp">The lamp.</param>
    public static LinearRgb ToLinear(ReadOnlySpan<float> reflectance, Lamp lamp)
    {
        var row = Rows[(int)lamp];
        Span<double> sum = stackalloc double[3];
        for (var channel = 0; channel < 3; channel++)
        {
            for (var i = 0; i < Spectra.Bands; i++)
            {
                sum[channel] += reflectance[i] * row[(channel * Spectra.Bands) + i];
            }
        }

        return new(sum[0], sum[1], sum[2]);
    }

    /// <summary>Temperature of a lamp, K; 0 for daylight, which is no radiator.</summary>
    public static double Kelvin(Lamp lamp) => lamp switch { Lamp.Neutral => 4000, Lamp.Warm => 2700, _ => 0 };

    // Weights from reflectance to linear sRGB: through the lamp and the observer, adapted, through the display.
    private static float[] Row(Lamp lamp)
    {
        if (Kelvin(lamp) <= 0)
        {
            return [.. CieTables.Rows.SelectMany(r => r).Select(w => (float)w)];
        }

        var (cmf, weights) = (CieTables.Observer, new double[Spectra.Bands, 3]);
        Span<double> white = stackalloc double[3];
        for (var i = 0; i < Spectra.Bands; i++)
        {
            var nm = 380 + (10.0 * i);
            var power = Math.Pow(nm / 560, -5) / (Math.Exp(Planck / (nm * Kelvin(lamp))) - 1);
            for (var k = 0; k < 3; k++)
            {
                weights[i, k] = power * cmf[k][i];
                white[k] += weights[i, k];
            }
        }

        Span<double> source = stackalloc double[3];
        Span<double> wanted = stackalloc double[3];
        Cone([white[0] / white[1], 1, white[2] / white[1]], source);
        Cone([CieTables.White.X, CieTables.White.Y, CieTables.White.Z], wanted);
        var adapt = new double[3];
        for (var k = 0; k < 3; k++)
        {
            adapt[k] = (Adapted * wanted[k] / source[k]) + 1 - Adapted;
        }

        var back = Inverse(Cat16);
        var row = new float[3 * Spectra.Bands];
        Span<double> cone = stackalloc double[3];
        Span<double> xyz = stackalloc double[3];
        for (var i = 0; i < Spectra.Bands; i++)
        {
            Cone([weights[i, 0] / white[1], weights[i, 1] / white[1], weights[i, 2] / white[1]], cone);
            for (var k = 0; k < 3; k++)
            {
                xyz[k] = (back[k, 0] * cone[0] * adapt[0]) + (back[k, 1] * cone[1] * adapt[1]) + (back[k, 2] * cone[2] * adapt[2]);
            }

            var rgb = CieTables.Rgb(xyz[0], xyz[1], xyz[2]);
            (row[i], row[Spectra.Bands + i], row[(2 * Spectra.Bands) + i]) = ((float)rgb.R, (float)rgb.G, (float)rgb.B);
        }

        return row;
    }

    private static void Cone(ReadOnlySpan<double> xyz, Span<double> cone)
    {
        for (var k = 0; k < 3; k++)
        {
            cone[k] = (Cat16[k, 0] * xyz[0]) + (Cat16[k, 1] * xyz[1]) + (Cat16[k, 2] * xyz[2]);
        }
    }

    private static double[,] Inverse(double[,] m)
    {
        double Minor(int r, int c)
        {
            var (r0, r1, c0, c1) = ((r + 1) % 3, (r + 2) % 3, (c + 1) % 3, (c + 2) % 3);
            return (m[r0, c0] * m[r1, c1]) - (m[r0, c1] * m[r1, c0]);
        }

        var whole = (m[0, 0] * Minor(0, 0)) + (m[0, 1] * Minor(0, 1)) + (m[0, 2] * Minor(0, 2));
        var inverse = new double[3, 3];
        for (var r = 0; r < 3; r++)
        {
            for (var c = 0; c < 3; c++)
            {
                inverse[c, r] = Minor(r, c) / whole;
            }
        }

        return inverse;
    }
}
