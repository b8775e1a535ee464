using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using Lowfell.Core.Colour;

namespace Lowfell.Core.Films;

// The same film laid on several grounds at once, eight bands at a time.
public sealed partial class FilmOptics
{
    /// <summary>As <see cref="Lay(Span{double}, double, double, int)"/>, in single precision on several grounds at once, each under its own film.</summary>
    /// <param name="bodies">So many bodies of <see cref="Spectra.Room"/> each.</param>
    /// <param name="dryFilmsUm">Dry film of one pass on each body, um.</param>
    /// <param name="coverage">Share of the area that one pass covers, 0..1.</param>
    /// <param name="passes">Number of passes.</param>
    internal void Lay(Span<float> bodies, ReadOnlySpan<float> dryFilmsUm, float coverage, int passes)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(bodies.Length, dryFilmsUm.Length * Spectra.Room);
        if (coverage <= 0)
        {
            return;
        }

        const int Room = Spectra.Room;
        ref var light = ref MemoryMarshal.GetReference(bodies);
        ref var film = ref MemoryMarshal.GetArrayDataReference(walked ??= Walked());
        var one = Vector256<float>.One;
        for (nuint i = 0; i < Room; i += 8)
        {
            var root = Vector256.LoadUnsafe(ref film, i);
            var n = Vector256.LoadUnsafe(ref film, i + Room);
            var u = Vector256.LoadUnsafe(ref film, i + (2 * Room));
            var v = Vector256.LoadUnsafe(ref film, i + (3 * Room));
            for (var ground = 0; ground < dryFilmsUm.Length; ground++)
            {
                var at = i + (nuint)(ground * Room);
                var e = Decay(root * (-2 * MathF.Log2(MathF.E) * dryFilmsUm[ground]));
                var m = one - e;
                var p = Vector256.FusedMultiplyAdd(root, e, root);
                var n0 = m * n;
                var mu = m * u;
                var d1 = m * v;
                var above = p + mu;
                var below = p - mu;
                var b = Vector256.LoadUnsafe(ref light, at);
                for (var pass = 0; pass < passes; pass++)
                {
                    var coated = Vector256.FusedMultiplyAdd(above, b, n0) / Vector256.FusedMultiplyAdd(d1, b, below);
                    b = Vector256.FusedMultiplyAdd(coated - b, Vector256.Create(coverage), b);
                }

                b.StoreUnsafe(ref light, at);
            }
        }
    }

    // 2^x for x of 0 and less to seven digits: the whole part goes to the exponent bits, the rest (-1/2..1/2) through the series of 2^x.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<float> Decay(Vector256<float> x)
    {
        var bounded = Vector256.MaxNative(x, Vector256.Create(-126f));
        var whole = Vector256.Round(bounded);
        var rest = bounded - whole;
        var series = Vector256.FusedMultiplyAdd(rest, Vector256.Create(1.5403530e-4f), Vector256.Create(1.3333558e-3f));
        series = Vector256.FusedMultiplyAdd(rest, series, Vector256.Create(9.6181291e-3f));
        series = Vector256.FusedMultiplyAdd(rest, series, Vector256.Create(5.5504109e-2f));
        series = Vector256.FusedMultiplyAdd(rest, series, Vector256.Create(2.4022651e-1f));
        series = Vector256.FusedMultiplyAdd(rest, series, Vector256.Create(6.9314718e-1f));
        series = Vector256.FusedMultiplyAdd(rest, series, Vector256<float>.One);
        var power = (Vector256.ConvertToInt32Native(whole) + Vector256.Create(127)) << 23;
        return series * power.AsSingle();
    }

    // Four rows: beta, S q, U and V.
    private float[] Walked()
    {
        var rows = new float[4 * Spectra.Room];
        for (var i = 0; i < Spectra.Room; i++)
        {
            // Beyond the last band lies a film that does nothing.
            rows[i] = i < Spectra.Bands ? (float)beta[i] : 1;
            if (i < Spectra.Bands)
            {
                double s = scattering[i], a = absorption[i] + s;
                rows[i + Spectra.Room] = (float)(s * Surface.Q);
                rows[i + (2 * Spectra.Room)] = (float)((Surface.K2 * s) - a);
                rows[i + (3 * Spectra.Room)] = (float)(((2 * Surface.K2 * a) - ((1 + (Surface.K2 * Surface.K2)) * s)) / Surface.Q);
            }
        }

        return rows;
    }
}
