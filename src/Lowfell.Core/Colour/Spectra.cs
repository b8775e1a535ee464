using System.Collections.Concurrent;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Lowfell.Core.Colour;

/// <summary>Between display colours and reflectance spectra of 36 bands (380-730 nm by 10).</summary>
public static class Spectra
{
    /// <summary>Number of bands in every spectrum.</summary>
    public const int Bands = CieTables.Bands;

    /// <summary>Room for a spectrum in single precision: the bands, and zeros up to whole vectors.</summary>
    internal const int Room = 40;

    private const double Darkest = 0.0015;
    private const double Lightest = 0.94;
    private const int MostSteps = 60;
    private const double Converged = 1e-9;
    private const int CacheLimit = 8192;
    private static readonly ConcurrentDictionary<Srgb, double[]> Cache = new();

    /// <summary>The smoothest reflectance that shows this colour under D65.</summary>
    /// <remarks>
    /// Burns 2017, least hyperbolic-tangent slope squared. Linear light is clamped to 0.0015..0.94, so the darkest and
    /// lightest display colours come back slightly lifted or lowered. Results are kept by colour.
    /// </remarks>
    /// <returns>36 reflectances, each strictly between 0 and 1.</returns>
    public static ReadOnlySpan<double> FromSrgb(Srgb colour)
    {
        if (Cache.TryGetValue(colour, out var known))
        {
            return known;
        }

        if (Cache.Count >= CacheLimit)
        {
            Cache.Clear();
        }

        var spectrum = FromLinear(colour.ToLinear());
        Cache[colour] = spectrum;
        return spectrum;
    }

    /// <summary>As <see cref="FromSrgb"/>, for linear light, computed each time.</summary>
    public static double[] FromLinear(LinearRgb light)
    {
        Span<double> z = stackalloc double[Bands];
        Span<double> multipliers = stackalloc double[3];
        z.Clear();
        multipliers.Clear();
        Solve(light, z, multipliers);
        return ToReflectance(z);
    }

    /// <summary>Linear light of a reflectance spectrum under D65.</summary>
    /// <param name="reflectance">36 reflectances.</param>
    public static LinearRgb ToLinear(ReadOnlySpan<double> reflectance) => Weigh(reflectance);

    /// <summary>As <see cref="ToLinear(ReadOnlySpan{double})"/>, of a spectrum in single precision.</summary>
    /// <param name="reflectance">36 reflectances and what fills the room.</param>
    internal static LinearRgb ToLinear(ReadOnlySpan<float> reflectance)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(reflectance.Length, Room);
        ref var light = ref MemoryMarshal.GetReference(reflectance);
        ref var weights = ref MemoryMarshal.GetArrayDataReference(CieTables.SingleRows);
        Vector256<float> r = default, g = default, b = default;
        for (nuint i = 0; i < Room; i += 8)
        {
            var band = Vector256.LoadUnsafe(ref light, i);
            r = Vector256.FusedMultiplyAdd(band, Vector256.LoadUnsafe(ref weights, i), r);
            g = Vector256.FusedMultiplyAdd(band, Vector256.LoadUnsafe(ref weights, i + Room), g);
            b = Vector256.FusedMultiplyAdd(band, Vector256.LoadUnsafe(ref weights, i + (2 * Room)), b);
        }

        return new(Vector256.Sum(r), Vector256.Sum(g), Vector256.Sum(b));
    }

    /// <summary>The lowest reflectance of a spectrum.</summary>
    internal static double Lowest(ReadOnlySpan<double> reflectance)
    {
        var lowest = double.MaxValue;
        foreach (var r in reflectance)
        {
            lowest = Math.Min(lowest, r);
        }

        return lowest;
    }

    /// <summary>Newton steps toward the spectrum, starting from <paramref name="z"/>: near a solution three are enough.</summary>
    internal static void Solve(LinearRgb light, Span<double> z, Span<double> multipliers)
    {
        Span<double> target =
        [
            Math.Clamp(light.R, Darkest, Lightest), Math.Clamp(light.G, Darkest, Lightest), Math.Clamp(light.B, Darkest, Lightest),
        ];
        var system = new BorderedSystem(stackalloc double[BorderedSystem.Size]);
        for (var step = 0; step < MostSteps; step++)
        {
            if (Fill(target, z, multipliers, system) < Converged)
            {
                return;
            }

            system.Solve();
            var largest = 0.0;
            foreach (var change in system.Rhs)
            {
                largest = Math.Max(largest, Math.Abs(change));
            }

            var limit = largest > 1 ? 1 / largest : 1;
            for (var i = 0; i < Bands; i++)
            {
                z[i] += limit * system.Rhs[i];
            }

            for (var k = 0; k < 3; k++)
            {
                multipliers[k] += limit * system.CornerRhs[k];
            }
        }
    }

    internal static double[] ToReflectance(ReadOnlySpan<double> z)
    {
        var reflectance = new double[Bands];
        for (var i = 0; i < Bands; i++)
        {
            reflectance[i] = (Math.Tanh(z[i]) + 1) / 2;
        }

        return reflectance;
    }

    // The KKT system of the constrained minimum; returns the largest residual.
    private static double Fill(ReadOnlySpan<double> target, ReadOnlySpan<double> z, ReadOnlySpan<double> multipliers, BorderedSystem system)
    {
        Span<double> reached = stackalloc double[3];
        reached.Clear();
        var largest = 0.0;
        for (var i = 0; i < Bands; i++)
        {
            var tanh = Math.Tanh(z[i]);
            var slope = (1 - (tanh * tanh)) / 2;
            var curve = -2 * slope * tanh;
            var own = i is 0 or Bands - 1 ? 2 : 4;
            var gradient = (own * z[i]) - (i > 0 ? 2 * z[i - 1] : 0) - (i < Bands - 1 ? 2 * z[i + 1] : 0);
            var pull = 0.0;
            for (var k = 0; k < 3; k++)
            {
                var weight = CieTables.Rows[k][i];
                pull += multipliers[k] * weight;
                reached[k] += weight * (tanh + 1) / 2;
                system.Border[(i * 3) + k] = slope * weight;
            }

            gradient += slope * pull;
            system.Diagonal[i] = own + (curve * pull);
            system.Rhs[i] = -gradient;
            largest = Math.Max(largest, Math.Abs(gradient));
        }

        for (var k = 0; k < 3; k++)
        {
            system.CornerRhs[k] = target[k] - reached[k];
            largest = Math.Max(largest, Math.Abs(system.CornerRhs[k]));
        }

        return largest;
    }

    // The three sums share the loads of the spectrum.
    private static LinearRgb Weigh(ReadOnlySpan<double> reflectance)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(reflectance.Length, Bands);
        ref var light = ref MemoryMarshal.GetReference(reflectance);
        ref var red = ref MemoryMarshal.GetArrayDataReference(CieTables.Rows[0]);
        ref var green = ref MemoryMarshal.GetArrayDataReference(CieTables.Rows[1]);
        ref var blue = ref MemoryMarshal.GetArrayDataReference(CieTables.Rows[2]);
        Vector256<double> r = default, g = default, b = default;
        for (nuint i = 0; i < Bands; i += 4)
        {
            var band = Vector256.LoadUnsafe(ref light, i);
            r += band * Vector256.LoadUnsafe(ref red, i);
            g += band * Vector256.LoadUnsafe(ref green, i);
            b += band * Vector256.LoadUnsafe(ref blue, i);
        }

        return new(Vector256.Sum(r), Vector256.Sum(g), Vector256.Sum(b));
    }
}
