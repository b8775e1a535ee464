using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;

namespace Lowfell.Core.Mixes;

/// <summary>A ratio of paints in whole parts.</summary>
/// <param name="Parts">Parts of each paint, 0 and up; their greatest common divisor is 1.</param>
/// <param name="Colour">The dry, hiding mix.</param>
/// <param name="DeltaE">dE00 of it to what is wanted.</param>
public sealed record SolvedRatio(IReadOnlyList<int> Parts, Srgb Colour, double DeltaE)
{
    /// <summary>All parts together: the fewer, the easier to count.</summary>
    public int Total => Parts.Sum();
}

/// <summary>Finds the ratio of a few paints that comes nearest to a colour.</summary>
public static class RatioSolver
{
    /// <summary>Most paints that are mixed.</summary>
    public const int MostPaints = 4;

    /// <summary>Most parts of one paint.</summary>
    public const int MostParts = 12;

    /// <summary>A simpler ratio is worth showing while it is no worse than the best by this, dE00.</summary>
    private const double WorthSimpler = 1.5;

    private const double HidingUm = 2000;

    /// <summary>The best ratio, then simpler ones that come near it, the fewest parts last.</summary>
    /// <remarks>Every ratio in lowest terms is tried: at most 28,560, each a mixture of K and S by parts x volume solids, laid so thick that it hides.</remarks>
    /// <param name="paints">Two to four paints.</param>
    /// <param name="target">Wanted colour of the dry, hiding mix.</param>
    /// <param name="mostParts">Most parts of one paint.</param>
    public static IReadOnlyList<SolvedRatio> Solve(IReadOnlyList<Material> paints, Srgb target, int mostParts = MostParts)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(paints.Count, 2);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(paints.Count, MostPaints);
        var goal = target.ToLab();
        FilmOptics[] films = [.. paints.Select(p => p.Optics()[1])];
        double[] solids = [.. paints.Select(p => p.VolumeSolids)];
        var bestOfTotal = new SolvedRatio?[(mostParts * paints.Count) + 1];
        var parts = new int[paints.Count];
        while (Next(parts, mostParts))
        {
            if (Divisor(parts) != 1)
            {
                continue;
            }

            var colour = Masstone(films, solids, parts);
            var off = ColourDifference.Ciede2000(colour.ToLab(), goal);
            ref var best = ref bestOfTotal[parts.Sum()];
            if (best is null || off < best.DeltaE)
            {
                best = new([.. parts], colour.ToSrgb(), off);
            }
        }

        var ranked = bestOfTotal.OfType<SolvedRatio>().OrderBy(r => r.DeltaE).ThenBy(r => r.Total).ToList();
        var answer = new List<SolvedRatio> { ranked[0] };
        foreach (var simpler in ranked.Skip(1))
        {
            if (simpler.Total < answer[^1].Total && simpler.DeltaE <= ranked[0].DeltaE + WorthSimpler)
            {
                answer.Add(simpler);
            }
        }

        return answer;
    }

    // Counts like a clock, the first place fastest.
    private static bool Next(int[] parts, int most)
    {
        for (var i = 0; i < parts.Length; i++)
        {
            if (++parts[i] <= most)
            {
                return true;
            }

            parts[i] = 0;
        }

        return false;
    }

    private static int Divisor(int[] parts)
    {
        var divisor = 0;
        foreach (var part in parts)
        {
            var (a, b) = (divisor, part);
            while (b != 0)
            {
                (a, b) = (b, a % b);
            }

            divisor = a;
        }

        return divisor;
    }

    private static LinearRgb Masstone(FilmOptics[] films, double[] solids, int[] parts)
    {
        var mixed = FilmOptics.Mixture([.. films.Select((f, i) => (f, parts[i] * solids[i]))]);
        Span<double> body = stackalloc double[Spectra.Bands];
        body.Fill(0.2);
        mixed.Lay(body, HidingUm, 1, 1);
        return Spectra.ToLinear(body).Plus(mixed.SurfaceTerm);
    }
}
