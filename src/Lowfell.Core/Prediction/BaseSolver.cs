using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Prediction;

/// <summary>Levenberg-Marquardt for the colour of one coat, given what the rest of the stack makes of it.</summary>
/// <param name="paint">Whose hiding and sheen the coat keeps.</param>
/// <param name="end">The finished face for given optics of the coat.</param>
/// <param name="goal">Where it should end.</param>
internal sealed class BaseSolver(Material paint, Func<FilmOptics, Lab> end, Lab goal)
{
    private const double Darkest = 0.0015;
    private const double Lightest = 0.94;
    private readonly double[] z = new double[Spectra.Bands];
    private readonly double[] multipliers = new double[3];

    /// <summary>Solves from a first guess.</summary>
    public LinearRgb Solve(LinearRgb guess)
    {
        Span<double> x = [Logit(guess.R), Logit(guess.G), Logit(guess.B)];
        Span<double> residual = stackalloc double[3];
        Span<double> trial = stackalloc double[3];
        Span<double> jacobian = stackalloc double[9];
        Span<double> next = stackalloc double[3];
        var cost = Residual(x, residual);
        var damping = 1e-2;
        for (var step = 0; step < 24 && cost > 1e-4; step++)
        {
            for (var k = 0; k < 3; k++)
            {
                x.CopyTo(next);
                next[k] += 1e-3;
                Residual(next, trial);
                for (var r = 0; r < 3; r++)
                {
                    jacobian[(r * 3) + k] = (trial[r] - residual[r]) / 1e-3;
                }
            }

            var better = false;
            for (var attempt = 0; attempt < 6 && !better; attempt++)
            {
                Step(jacobian, residual, damping, x, next);
                var tried = Residual(next, trial);
                better = tried < cost;
                damping = better ? damping / 5 : damping * 5;
                if (better)
                {
                    var gain = cost - tried;
                    cost = tried;
                    next.CopyTo(x);
                    trial.CopyTo(residual);
                    if (gain < 1e-6)
                    {
                        return Light(x);
                    }
                }
            }

            if (!better)
            {
                break;
            }
        }

        return Light(x);
    }

    private static void Step(ReadOnlySpan<double> jacobian, ReadOnlySpan<double> residual, double damping, ReadOnlySpan<double> x, Span<double> next)
    {
        Span<double> system = stackalloc double[12];
        for (var i = 0; i < 3; i++)
        {
            for (var j = 0; j < 3; j++)
            {
                for (var r = 0; r < 3; r++)
                {
                    system[(i * 4) + j] += jacobian[(r * 3) + i] * jacobian[(r * 3) + j];
                }
            }

            for (var r = 0; r < 3; r++)
            {
                system[(i * 4) + 3] -= jacobian[(r * 3) + i] * residual[r];
            }
        }

        for (var i = 0; i < 3; i++)
        {
            system[(i * 4) + i] += damping * (system[(i * 4) + i] + 1e-6);
        }

        Gauss.SolveInPlace(system, 3);
        for (var i = 0; i < 3; i++)
        {
            next[i] = Math.Clamp(x[i] + Math.Clamp(system[(i * 4) + 3], -2, 2), -12, 12);
        }
    }

    private double Residual(ReadOnlySpan<double> x, Span<double> residual)
    {
        Spectra.Solve(Light(x), z, multipliers);
        var optics = FilmOptics.FromSpectrum(Spectra.ToReflectance(z), paint.ContrastRatio, paint.ReferenceFilmUm, paint.Sheen, paint.UndertonePower);
        var lab = end(optics);
        residual[0] = lab.L - goal.L;
        residual[1] = lab.A - goal.A;
        residual[2] = lab.B - goal.B;
        return (residual[0] * residual[0]) + (residual[1] * residual[1]) + (residual[2] * residual[2]);
    }

    private static LinearRgb Light(ReadOnlySpan<double> x) => new(Value(x[0]), Value(x[1]), Value(x[2]));

    private static double Value(double logit) => Darkest + ((Lightest - Darkest) / (1 + Math.Exp(-logit)));

    private static double Logit(double value)
    {
        var share = Math.Clamp((value - Darkest) / (Lightest - Darkest), 1e-4, 1 - 1e-4);
        return Math.Log(share / (1 - share));
    }
}
