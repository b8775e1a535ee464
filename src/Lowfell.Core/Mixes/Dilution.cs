using Lowfell.Core.Wording;

namespace Lowfell.Core.Mixes;

/// <summary>How the painter said it; all ways become the fraction of paint in the mix.</summary>
public enum DilutionForm
{
    /// <summary>Parts a : b of paint to thinner.</summary>
    [Said("parts")]
    Parts,

    /// <summary>Percent of thinner in the whole mix.</summary>
    [Said("% of the whole")]
    ThinnerOfWhole,

    /// <summary>Percent of thinner added to the paint.</summary>
    [Said("% added")]
    ThinnerAdded,
}

/// <summary>How much thinner goes into a paint, by volume.</summary>
public readonly record struct Dilution
{
    private Dilution(double paintFraction) => PaintFraction = paintFraction;

    /// <summary>Straight from the bottle.</summary>
    public static Dilution Neat { get; } = new(1);

    /// <summary>Volume of paint over volume of the whole mix, 0 &lt; value &lt;= 1.</summary>
    public double PaintFraction { get; }

    /// <summary>Share of thinner in the whole mix, 0 &lt;= value &lt; 1.</summary>
    public double ThinnerOfWhole => 1 - PaintFraction;

    /// <summary>Thinner added over paint, 0 and up: 1 is as much thinner as paint.</summary>
    public double ThinnerAdded => (1 / PaintFraction) - 1;

    /// <summary>Whether a paint fraction is above 0 and at most 1.</summary>
    public static bool IsValid(double paintFraction) => paintFraction is > 0 and <= 1;

    /// <summary>From the fraction of paint in the mix.</summary>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="paintFraction"/> is not in (0, 1].</exception>
    public static Dilution Of(double paintFraction) => IsValid(paintFraction)
        ? new(paintFraction)
        : throw new ArgumentOutOfRangeException(nameof(paintFraction), paintFraction, "Paint fraction is above 0 and at most 1.");

    /// <summary>"a : b", paint to thinner.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Paint is not above 0, or thinner is below 0.</exception>
    public static Dilution OfParts(double paint, double thinner)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(paint);
        ArgumentOutOfRangeException.ThrowIfNegative(thinner);
        return new(paint / (paint + thinner));
    }

    /// <summary>"Thinned 30 %" as a share of the whole mix: 0.30 gives 70 paint to 30 thinner.</summary>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="share"/> is not in [0, 1).</exception>
    public static Dilution OfThinnerInWhole(double share) => share is >= 0 and < 1
        ? new(1 - share)
        : throw new ArgumentOutOfRangeException(nameof(share), share, "Thinner in the whole is at least 0 and below 1.");

    /// <summary>"30 % thinner added": 0.30 gives 100 paint and 30 thinner.</summary>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="share"/> is below 0.</exception>
    public static Dilution OfThinnerAdded(double share)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(share);
        return new(1 / (1 + share));
    }

    /// <summary>As parts a : b with a or b up to 20 whole, to within 1 %; else with one decimal.</summary>
    public (double Paint, double Thinner) WholeParts()
    {
        const int Most = 20;
        var added = ThinnerAdded;
        for (var paint = 1; paint <= Most; paint++)
        {
            var thinner = Math.Round(paint * added);
            if (thinner <= Most * 2 && Math.Abs((paint / (paint + thinner)) - PaintFraction) <= 0.01 * PaintFraction && (thinner > 0 || added < 1e-9))
            {
                return (paint, thinner);
            }
        }

        return added < 1 ? (Math.Round(1 / added), 1) : (1, Math.Round(added, 1));
    }
}
