using Lowfell.Core.Colour;

namespace Lowfell.Core.Films;

/// <summary>A stripe of one paint, painted over a black and a white field.</summary>
/// <param name="OverBlack">What it looks like over black.</param>
/// <param name="OverWhite">What it looks like over white.</param>
/// <param name="BlackField">The bare black field.</param>
/// <param name="WhiteField">The bare white field.</param>
/// <param name="FieldSheen">Sheen of the fields.</param>
/// <param name="Sheen">Sheen of the dry paint.</param>
/// <param name="DryFilmUm">Dry film of the stripe, um.</param>
public sealed record Stripe(Srgb OverBlack, Srgb OverWhite, Srgb BlackField, Srgb WhiteField, Sheen FieldSheen, Sheen Sheen, double DryFilmUm);

/// <summary>Why a stripe can't be solved.</summary>
public enum StripeFault
{
    /// <summary>It can.</summary>
    None,

    /// <summary>Darker over white than over black.</summary>
    DarkerOverWhite,

    /// <summary>The fields are too alike.</summary>
    FieldsAlike,

    /// <summary>Hides the fields almost fully: nothing shows how it scatters.</summary>
    Hides,

    /// <summary>Hardly changes the fields: nothing shows what it is.</summary>
    Bare,
}

/// <summary>What a stripe comes to.</summary>
/// <param name="AbsorptionPerUm">K, 36 bands, per um.</param>
/// <param name="ScatteringPerUm">S, 36 bands, per um.</param>
/// <param name="SurfaceTerm">Reflectance of the surface.</param>
/// <param name="Kappa">Surface term over the nominal one of the sheen.</param>
public sealed record SolvedStripe(double[] AbsorptionPerUm, double[] ScatteringPerUm, double SurfaceTerm, double Kappa);

/// <summary>Solves K and S from one film over two backings.</summary>
public static class StripeCalibration
{
    /// <summary>Difference of the white- from the black-backed reflectance at which a band counts in full. Craft estimate.</summary>
    private const double FullWeightAt = 0.04;

    /// <summary>Below this largest difference the stripe hides its backing.</summary>
    private const double LeastShowing = 0.02;

    /// <summary>dE00 to the bare fields under which nothing has been painted.</summary>
    private const double LeastChange = 1.5;

    /// <summary>Weight of the first differences of log SX. Craft estimate.</summary>
    private const double Smoothing = 0.3;

    private const double LeastFieldContrast = 0.25;

    /// <summary>Why a stripe can't be solved, if so.</summary>
    public static StripeFault Check(Stripe stripe)
    {
        double black = stripe.OverBlack.ToLinear().Luminance, white = stripe.OverWhite.ToLinear().Luminance;
        if (stripe.WhiteField.ToLinear().Luminance - stripe.BlackField.ToLinear().Luminance < LeastFieldContrast)
        {
            return StripeFault.FieldsAlike;
        }

        if (white < black)
        {
            return StripeFault.DarkerOverWhite;
        }

        double Off(Srgb a, Srgb b) => ColourDifference.Ciede2000(a.ToLab(), b.ToLab());
        if (Off(stripe.OverBlack, stripe.BlackField) < LeastChange && Off(stripe.OverWhite, stripe.WhiteField) < LeastChange)
        {
            return StripeFault.Bare;
        }

        var rb = Spectra.FromSrgb(stripe.OverBlack);
        var rw = Spectra.FromSrgb(stripe.OverWhite);
        var most = 0.0;
        for (var i = 0; i < Spectra.Bands; i++)
        {
            most = Math.Max(most, rw[i] - rb[i]);
        }

        return most < LeastShowing ? StripeFault.Hides : StripeFault.None;
    }

    /// <summary>Solves a stripe.</summary>
    /// <remarks>
    /// Kubelka 1948, linear per band: with <c>c = b coth(bSX)</c>, <c>a (R + Rg) + c (R - Rg) = 1 + R Rg</c> over both backings gives a and c;
    /// then <c>b = sqrt(a^2 - 1)</c>, <c>SX = artanh(b/c)/b</c>, <c>KX = (a - 1) SX</c>. Bands in which the backing hardly shows say little of SX,
    /// so its logarithm is smoothed over the bands by first differences, each band weighing <c>min(1, ((Rw - Rb)/.04)^2)</c>.
    /// </remarks>
    /// <exception cref="ArgumentException">The stripe has a fault: see <see cref="Check"/>.</exception>
    public static SolvedStripe Solve(Stripe stripe)
    {
        if (Check(stripe) is var fault and not StripeFault.None)
        {
            throw new ArgumentException($"The stripe can't be solved: {fault}.", nameof(stripe));
        }

        var nominal = Surface.Term(stripe.Sheen);
        var seenBlack = Spectra.FromSrgb(stripe.OverBlack);
        var seenWhite = Spectra.FromSrgb(stripe.OverWhite);
        var surface = Math.Min(nominal, Math.Min(Spectra.Lowest(seenBlack), Spectra.Lowest(seenWhite)) / 2);
        var (black, white) = (Field(stripe.BlackField, stripe.FieldSheen), Field(stripe.WhiteField, stripe.FieldSheen));
        Span<double> logSx = stackalloc double[Spectra.Bands];
        Span<double> weight = stackalloc double[Spectra.Bands];
        Span<double> aOf = stackalloc double[Spectra.Bands];
        for (var i = 0; i < Spectra.Bands; i++)
        {
            double rb = Inner(seenBlack[i] - surface), rw = Inner(seenWhite[i] - surface);
            double a1 = rb + black[i], c1 = rb - black[i], d1 = 1 + (rb * black[i]);
            double a2 = rw + white[i], c2 = rw - white[i], d2 = 1 + (rw * white[i]);
            var det = (a1 * c2) - (a2 * c1);
            var a = Math.Max(1 + 1e-9, ((d1 * c2) - (d2 * c1)) / det);
            var c = ((a1 * d2) - (a2 * d1)) / det;
            var b = Math.Sqrt((a * a) - 1);
            aOf[i] = a;
            var solvable = double.IsFinite(a) && double.IsFinite(c) && c > b * (1 + 1e-9);
            logSx[i] = solvable ? Math.Log(Math.Max(1e-9, Math.Atanh(b / c) / b)) : 0;
            var showing = Math.Max(0, seenWhite[i] - seenBlack[i]) / FullWeightAt;
            weight[i] = solvable ? Math.Min(1, showing * showing) : 0;
        }

        Smooth(logSx, weight);
        var k = new double[Spectra.Bands];
        var s = new double[Spectra.Bands];
        for (var i = 0; i < Spectra.Bands; i++)
        {
            s[i] = Math.Exp(logSx[i]) / stripe.DryFilmUm;
            k[i] = (aOf[i] - 1) * s[i];
        }

        return new(k, s, surface, surface / nominal);
    }

    private static double[] Field(Srgb colour, Sheen sheen)
    {
        var seen = Spectra.FromSrgb(colour);
        var surface = Math.Min(Surface.Term(sheen), Spectra.Lowest(seen) / 2);
        var inner = new double[Spectra.Bands];
        for (var i = 0; i < inner.Length; i++)
        {
            inner[i] = Inner(seen[i] - surface);
        }

        return inner;
    }

    private static double Inner(double body) => Math.Clamp(Surface.Internal(body), 1e-5, 0.9995);

    // Least squares of sum w (x - y)^2 + lambda sum (x[i+1] - x[i])^2: tridiagonal (Thomas).
    private static void Smooth(Span<double> values, ReadOnlySpan<double> weights)
    {
        var n = values.Length;
        Span<double> upper = stackalloc double[n];
        Span<double> right = stackalloc double[n];
        for (var i = 0; i < n; i++)
        {
            var diagonal = weights[i] + 1e-9 + (i is 0 || i == n - 1 ? Smoothing : 2 * Smoothing);
            var below = i == 0 ? 0 : -Smoothing;
            var pivot = diagonal - (i == 0 ? 0 : below * upper[i - 1]);
            upper[i] = i == n - 1 ? 0 : -Smoothing / pivot;
            right[i] = ((weights[i] * values[i]) - (i == 0 ? 0 : below * right[i - 1])) / pivot;
        }

        values[n - 1] = right[n - 1];
        for (var i = n - 2; i >= 0; i--)
        {
            values[i] = right[i] - (upper[i] * values[i + 1]);
        }
    }
}
