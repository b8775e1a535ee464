namespace Lowfell.Core.Sight;

/// <summary>One detail that a painter looked at from the table.</summary>
/// <param name="J">Times the laboratory's threshold, as it is reckoned without a factor.</param>
/// <param name="Seen">It was seen without searching.</param>
public readonly record struct TrialTick(double J, bool Seen);

/// <summary>A painter's own trial: the piece in the middle of the table, and what is seen of it.</summary>
public static class Trial
{
    /// <summary>Fewer ticks fit nothing.</summary>
    public const int LeastTicks = 10;

    // What is seen rises with the fourth power about the threshold of the word; a factor is not trusted far from 1: one octave. Craft estimates.
    private const double Steepness = 4, OctavesTrusted = 1;

    // Eighths of an octave, two octaves either way.
    private const int Steps = 16, StepsPerOctave = 8;

    /// <summary>The factor on J that agrees best with the ticks; 1 where there are too few.</summary>
    public static double Factor(IReadOnlyCollection<TrialTick> ticks)
    {
        ArgumentNullException.ThrowIfNull(ticks);
        return ticks.Count < LeastTicks ? 1 : Enumerable.Range(-Steps, (2 * Steps) + 1).Select(step => Math.Pow(2, (double)step / StepsPerOctave)).MaxBy(factor => Likelihood(ticks, factor));
    }

    // Logarithm of how likely the ticks are, with how far a factor is trusted.
    private static double Likelihood(IReadOnlyCollection<TrialTick> ticks, double factor)
    {
        var octaves = Math.Log2(factor) / OctavesTrusted;
        return ticks.Sum(t => Math.Log(t.Seen ? Seen(t.J * factor) : 1 - Seen(t.J * factor))) - (octaves * octaves / 2);
    }

    // A slip of the finger is never impossible.
    private static double Seen(double j) => Math.Clamp(1 / (1 + Math.Pow(SightTable.SeenJ / Math.Max(1e-6, j), Steepness)), 0.02, 0.98);
}
