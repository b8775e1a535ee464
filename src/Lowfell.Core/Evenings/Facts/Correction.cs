namespace Lowfell.Core.Evenings.Facts;

/// <summary>What readings say of a figure of the plan.</summary>
/// <param name="Factor">Median of the ratios of what was to what was planned; the plan takes its figure times this.</param>
/// <param name="Readings">How many there are.</param>
/// <param name="Low">A quarter of them are below this.</param>
/// <param name="High">A quarter of them are above this.</param>
public sealed record Correction(double Factor, int Readings, double Low, double High)
{
    /// <summary>Fewer readings correct nothing.</summary>
    public const int LeastReadings = 3;

    /// <summary>Beyond so many times, either way, something else may have been measured: the painter is asked before the plan follows.</summary>
    public const double Far = 3;

    // A reading so far off is a slip of the finger, not of the plan.
    private const double Slip = 10;

    /// <summary>Whether it is so far off that the painter is asked first.</summary>
    public bool IsFar => Factor is > Far or < 1 / Far;

    /// <summary>A robust correction from ratios; null where there are too few.</summary>
    /// <param name="ratios">Real over planned, each above 0.</param>
    public static Correction? Of(IEnumerable<double> ratios)
    {
        var sorted = ratios.Where(r => r is > 1 / Slip and < Slip).Order().ToArray();
        return sorted.Length < LeastReadings ? null : new(At(sorted, 0.5), sorted.Length, At(sorted, 0.25), At(sorted, 0.75));
    }

    // Linear between the two nearest.
    private static double At(double[] sorted, double share)
    {
        var place = share * (sorted.Length - 1);
        var below = (int)place;
        return below + 1 < sorted.Length ? sorted[below] + ((place - below) * (sorted[below + 1] - sorted[below])) : sorted[below];
    }
}
