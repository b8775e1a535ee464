using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using Lowfell.Core.Colour;

namespace Lowfell.Core.Films;

/// <summary>What a dry film does to light: absorption and scattering per micrometre in 36 bands, and its surface.</summary>
public sealed partial class FilmOptics
{
    /// <summary>Contrast ratio of the lightest film that can be declared: nearly nothing hides less.</summary>
    public const double LeastContrastRatio = 0.03;

    private const double BlackGroundY = 0.015;
    private const double WhiteGroundY = 0.80;
    private readonly double[] absorption;
    private readonly double[] scattering;
    private readonly double[] beta;
    private float[]? walked;

    private FilmOptics(double[] absorption, double[] scattering, double surface, double kappa, bool clear)
    {
        this.absorption = absorption;
        this.scattering = scattering;
        SurfaceTerm = surface;
        Kappa = kappa;
        Clear = clear;
        beta = new double[Spectra.Bands];
        for (var i = 0; i < beta.Length; i++)
        {
            absorption[i] = Math.Max(absorption[i], 1e-9);
            beta[i] = Math.Sqrt(absorption[i] * (absorption[i] + (2 * scattering[i])));
        }
    }

    /// <summary>Absorption K per um, 36 bands.</summary>
    public ReadOnlySpan<double> AbsorptionPerUm => absorption;

    /// <summary>Scattering S per um, 36 bands.</summary>
    public ReadOnlySpan<double> ScatteringPerUm => scattering;

    /// <summary>Reflectance added by the surface of the bare film.</summary>
    public double SurfaceTerm { get; }

    /// <summary>Surface term over the nominal one of its sheen; below 1 for very dark swatches.</summary>
    public double Kappa { get; }

    /// <summary>True for a varnish or medium: it takes on the kappa of what is under it.</summary>
    public bool Clear { get; }

    /// <summary>K and S of a paint from its declared swatch.</summary>
    /// <param name="colour">The dry, hiding paint.</param>
    /// <param name="contrastRatio">Y over black (0.015) by Y over white (0.80) of a film of <paramref name="referenceFilmUm"/>, 0.03..0.9999.</param>
    /// <param name="referenceFilmUm">Dry film that the contrast ratio was seen at, um.</param>
    /// <param name="sheen">Sheen of the dry paint.</param>
    /// <param name="undertonePower">p in <c>S = S0 Ri^p</c>: 0 flat; about 0.5 for brown washes.</param>
    public static FilmOptics FromSwatch(Srgb colour, double contrastRatio, double referenceFilmUm, Sheen sheen, double undertonePower)
        => FromSpectrum(Spectra.FromSrgb(colour), contrastRatio, referenceFilmUm, sheen, undertonePower);

    /// <summary>A clear film: no absorption, and a trace of scattering from its matting agent.</summary>
    public static FilmOptics Varnish(Sheen sheen)
    {
        // Craft estimate: matting silica scatters .0005 per um, satin half of it.
        var s = sheen switch { Sheen.Gloss => 0, Sheen.Satin => 0.00025, _ => 0.0005 };
        var scattering = new double[Spectra.Bands];
        Array.Fill(scattering, s);
        return new FilmOptics(new double[Spectra.Bands], scattering, Surface.Term(sheen), 1, true);
    }

    /// <summary>A film whose absorption and scattering are known, as from a painted stripe.</summary>
    /// <param name="absorptionPerUm">K, 36 bands, per um.</param>
    /// <param name="scatteringPerUm">S, 36 bands, per um, each above 0.</param>
    /// <param name="surfaceTerm">Reflectance of its surface.</param>
    /// <param name="kappa">Surface term over the nominal one of its sheen.</param>
    public static FilmOptics Measured(ReadOnlySpan<double> absorptionPerUm, ReadOnlySpan<double> scatteringPerUm, double surfaceTerm, double kappa)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(absorptionPerUm.Length, Spectra.Bands);
        ArgumentOutOfRangeException.ThrowIfNotEqual(scatteringPerUm.Length, Spectra.Bands);
        return new FilmOptics(absorptionPerUm.ToArray(), scatteringPerUm.ToArray(), surfaceTerm, kappa, false);
    }

    /// <summary>The film of a mixture: K, S and the surface averaged by share of the dry volume.</summary>
    /// <param name="parts">Components with their dry volume (wet volume x volume solids), at least one above 0.</param>
    public static FilmOptics Mixture(IReadOnlyList<(FilmOptics Optics, double DryVolume)> parts)
    {
        var total = parts.Sum(p => p.DryVolume);
        if (!(total > 0))
        {
            throw new ArgumentException("A mixture needs some dry volume.", nameof(parts));
        }

        var k = new double[Spectra.Bands];
        var s = new double[Spectra.Bands];
        double surface = 0, kappa = 0;
        var clear = true;
        foreach (var (optics, dryVolume) in parts)
        {
            var share = dryVolume / total;
            for (var i = 0; i < k.Length; i++)
            {
                k[i] += share * optics.absorption[i];
                s[i] += share * optics.scattering[i];
            }

            surface += share * optics.SurfaceTerm;
            kappa += share * optics.Kappa;
            clear &= optics.Clear || share == 0;
        }

        return new FilmOptics(k, s, surface, kappa, clear);
    }

    /// <summary>The film thinned with clear medium: the same pigment in <paramref name="share"/> of the dry volume.</summary>
    public FilmOptics Let(double share, FilmOptics medium) => share >= 1 ? this : Mixture([(this, share), (medium, 1 - share)]);

    /// <summary>The same film while it is wet.</summary>
    /// <param name="scatter">How much it scatters against the dry one.</param>
    /// <param name="surfaceTerm">Reflectance that a wet surface adds.</param>
    public FilmOptics Wet(double scatter, double surfaceTerm) => new([.. absorption], [.. scattering.Select(s => s * scatter)], Clear ? surfaceTerm : Kappa * surfaceTerm, Kappa, Clear);

    internal static FilmOptics FromSpectrum(ReadOnlySpan<double> reflectance, double contrastRatio, double referenceFilmUm, Sheen sheen, double undertonePower)
    {
        var nominal = Surface.Term(sheen);
        var surface = Math.Min(nominal, Spectra.Lowest(reflectance) / 2);
        var ratio = new double[Spectra.Bands];
        var shape = new double[Spectra.Bands];
        var logSum = 0.0;
        for (var i = 0; i < ratio.Length; i++)
        {
            var inner = Math.Clamp(Surface.Internal(reflectance[i] - surface), 1e-4, 0.9995);
            ratio[i] = (1 - inner) * (1 - inner) / (2 * inner);
            shape[i] = Math.Pow(inner, undertonePower);
            logSum += Math.Log(shape[i]);
        }

        var mean = Math.Exp(logSum / Spectra.Bands);
        for (var i = 0; i < shape.Length; i++)
        {
            shape[i] /= mean;
        }

        FilmOptics At(double s0)
        {
            var s = new double[Spectra.Bands];
            var k = new double[Spectra.Bands];
            for (var i = 0; i < s.Length; i++)
            {
                s[i] = s0 * shape[i];
                k[i] = s[i] * ratio[i];
            }

            return new FilmOptics(k, s, surface, surface / nominal, false);
        }

        return At(Math.Exp(RootOfContrast(logS0 => At(Math.Exp(logS0)).ContrastRatio(referenceFilmUm) - contrastRatio)));
    }

    // Contrast ratio rises with scattering: bracketed secant steps (Illinois) on its logarithm.
    private static double RootOfContrast(Func<double, double> error)
    {
        double low = Math.Log(1e-8), high = Math.Log(1e3);
        double below = error(low), above = error(high);
        if (below >= 0)
        {
            return low;
        }

        if (above <= 0)
        {
            return high;
        }

        var side = 0;
        for (var step = 0; step < 80 && high - low > 1e-9; step++)
        {
            // The curve is flat at both ends: halve first, then follow the chord.
            var middle = step < 5 ? (low + high) / 2 : ((low * above) - (high * below)) / (above - below);
            var off = error(middle);
            if (Math.Abs(off) < 1e-10)
            {
                return middle;
            }

            if (off < 0)
            {
                (low, below) = (middle, off);
                above = side == -1 ? above / 2 : above;
                side = -1;
            }
            else
            {
                (high, above) = (middle, off);
                below = side == 1 ? below / 2 : below;
                side = 1;
            }
        }

        return (low + high) / 2;
    }

    /// <summary>Y over a black by Y over a white card of a dry film of this thickness: what lies on the card shows its own surface, and the card none.</summary>
    public double ContrastRatio(double dryFilmUm) => CardLuminance(BlackGroundY, dryFilmUm) / CardLuminance(WhiteGroundY, dryFilmUm);

    /// <summary>Lays <paramref name="passes"/> films of this paint on a ground.</summary>
    /// <remarks>
    /// Kubelka 1948, Rg and R seen through the surface (Saunderson 1942), cleared of internal reflectances: with
    /// <c>e = exp(-2 beta d)</c>, <c>m = 1 - e</c>, <c>p = beta (1 + e)</c> a body b becomes
    /// <c>(m S q + (p + m U) b) / (p - m U + m V b)</c>, where <c>U = k2 S - a</c>, <c>V = (2 k2 a - (1 + k2^2) S)/q</c>, <c>a = K + S</c>.
    /// Nothing overflows for thick films. Then mixed with the ground by coverage in air (Murray and Davies 1936).
    /// </remarks>
    /// <param name="body">Body reflectance in air of the ground, 36 bands; becomes that of the coated ground.</param>
    /// <param name="dryFilmUm">Dry film of one pass where it lies, um.</param>
    /// <param name="coverage">Share of the area that one pass covers, 0..1.</param>
    /// <param name="passes">Number of passes.</param>
    public void Lay(Span<double> body, double dryFilmUm, double coverage, int passes)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(body.Length, Spectra.Bands);
        if (dryFilmUm <= 0 || coverage <= 0)
        {
            return;
        }

        var c = Vector256.Create(coverage);
        var one = Vector256<double>.One;
        var exponent = Vector256.Create(-2 * dryFilmUm);
        ref var light = ref MemoryMarshal.GetReference(body);
        ref var scatter = ref MemoryMarshal.GetArrayDataReference(scattering);
        ref var absorb = ref MemoryMarshal.GetArrayDataReference(absorption);
        ref var roots = ref MemoryMarshal.GetArrayDataReference(beta);
        for (nuint i = 0; i < Spectra.Bands; i += 4)
        {
            var b = Vector256.LoadUnsafe(ref light, i);
            var s = Vector256.LoadUnsafe(ref scatter, i);
            var root = Vector256.LoadUnsafe(ref roots, i);
            var a = Vector256.LoadUnsafe(ref absorb, i) + s;
            var e = Vector256.Exp(exponent * root);
            var m = one - e;
            var p = root * (one + e);
            var n0 = m * s * Surface.Q;
            var mu = m * ((s * Surface.K2) - a);
            var d1 = m * ((a * (2 * Surface.K2)) - (s * (1 + (Surface.K2 * Surface.K2)))) / Surface.Q;
            for (var pass = 0; pass < passes; pass++)
            {
                var film = (n0 + ((p + mu) * b)) / (p - mu + (d1 * b));
                b += c * (film - b);
            }

            b.StoreUnsafe(ref light, i);
        }
    }

    private double CardLuminance(double groundY, double dryFilmUm)
    {
        Span<double> body = stackalloc double[Spectra.Bands];
        body.Fill(groundY);
        Lay(body, dryFilmUm, 1, 1);
        return Spectra.ToLinear(body).Luminance + SurfaceTerm;
    }
}
