namespace Lowfell.Core.Sight;

/// <summary>What the eye does with a detail.</summary>
public static class Eye
{
    // Line spread of the eye, x in minutes of arc (Westheimer 1986): a Gauss and an exponential.
    private const double Narrow = 0.47, NarrowFall = 3.3, Wide = 0.53, WideFall = 0.93;

    // Of the luminance filter (Watson and Ahumada 2005), which was measured at 30 cd/m2.
    private const double Gain = 373.08, Fall = 4.1726, Power = 0.7786, Low = 0.8493, LowFall = 1.3625;
    private const double MeasuredCdM2 = 30, RoomCycles = 3;

    // What the pooling makes of a Gabor patch of a standard deviation of half a degree behind the aperture: its closed form.
    private const double GaborPooled = 0.492;
    private const double LeastThreshold = 1e-3, MostHidden = 4, MostCycles = 12, OctavesHidden = 1.5, HiddenPower = 0.7;

    private static readonly double Whole = (Narrow * Math.Sqrt(Math.PI / NarrowFall)) + (2 * Wide / WideFall);

    /// <summary>Angle of a size at a distance, minutes of arc.</summary>
    public static double Arcmin(double mm, double metres) => 2 * Math.Atan(mm / 2000 / metres) * 180 / Math.PI * 60;

    /// <summary>Distance to which a width can be told, m: one minute of arc.</summary>
    public static double FormM(double mm, double acuity = 1) => mm / 2000 / Math.Tan(Math.PI / 180 / 60 / acuity / 2);

    /// <summary>How strongly the eye spreads a line to so far from it, 1 on it.</summary>
    /// <param name="arcmin">How far, minutes of arc.</param>
    public static double Spread(double arcmin) => (Narrow * Math.Exp(-NarrowFall * arcmin * arcmin)) + (Wide * Math.Exp(-WideFall * Math.Abs(arcmin)));

    /// <summary>Share of its contrast that a long line of this width keeps.</summary>
    public static double Kept(double arcmin)
    {
        var half = arcmin / 2;
        return ((Narrow * Math.Sqrt(Math.PI / NarrowFall) * Erf(Math.Sqrt(NarrowFall) * half)) + (2 * Wide / WideFall * (1 - Math.Exp(-WideFall * half)))) / Whole;
    }

    /// <summary>How much better or worse than at 30 cd/m2 tones are told on a ground of this luminance (Barten 2003 at 3 cycles a degree).</summary>
    public static double RoomShare(double cdM2) => Barten(Math.Max(0.5, cdM2)) / Barten(MeasuredCdM2);

    /// <summary>Least contrast of a Gabor patch that is noticed, by cycles a degree.</summary>
    public static double Threshold(double cycles) => Math.Max(LeastThreshold, 1 / (GaborPooled * Filter(cycles)));

    /// <summary>How many times weaker tone is on a ground whose own relief is near it in size; 1 where it hides nothing (power of Legge and Foley 1980).</summary>
    /// <param name="contrast">Contrast of the relief, root of the mean square.</param>
    /// <param name="pitchMm">From one feature of it to the next, mm; 0 for none.</param>
    /// <param name="arcmin">Width of the detail, minutes of arc.</param>
    /// <param name="metres">Distance, m.</param>
    /// <param name="acuity">Of the eyes.</param>
    public static double Hidden(double contrast, double pitchMm, double arcmin, double metres, double acuity)
    {
        if (contrast <= 0 || pitchMm <= 0)
        {
            return 1;
        }

        var ground = 60 / (Arcmin(pitchMm, metres) * acuity);
        var detail = Math.Clamp(30 / arcmin, 1, MostCycles);
        var octaves = Math.Log2(ground / detail) / OctavesHidden;
        var over = contrast * Math.Sqrt(2) / Threshold(ground) * Math.Exp(-octaves * octaves);
        return Math.Min(MostHidden, Math.Pow(Math.Max(1, over), HiddenPower));
    }

    private static double Filter(double cycles) => Gain * ((1 / Math.Cosh(Math.Pow(cycles / Fall, Power))) - (Low / Math.Cosh(cycles / LowFall)));

    private static double Barten(double cdM2) => Math.Exp(-0.0016 * RoomCycles * RoomCycles * Math.Pow(1 + (100 / cdM2), 0.08)) / Math.Sqrt((63 / Math.Pow(cdM2, 0.83)) + (1 / (1 - Math.Exp(-0.02 * RoomCycles * RoomCycles))));

    // Abramowitz and Stegun 1964, 7.1.26: to 1.5e-7.
    private static double Erf(double x)
    {
        var t = 1 / (1 + (0.3275911 * x));
        return 1 - (t * (0.254829592 + (t * (-0.284496736 + (t * (1.421413741 + (t * (-1.453152027 + (t * 1.061405429)))))))) * Math.Exp(-x * x));
    }
}
