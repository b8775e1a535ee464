using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Stacks;

/// <summary>Marks of coats that go on by marks.</summary>
public static class CoatMarks
{
    // What a mark measures where neither painter nor technique says, mm. Craft estimates.
    private const double UsualWidthMm = 0.8, UsualLengthMm = 1.1, DotMm = 0.45;

    /// <summary>How many marks of a coat there are on one copy, and what one measures: as the painter says, else what its cover makes at the usual size.</summary>
    public static Marks Of(Coat coat, Zone zone)
    {
        ArgumentNullException.ThrowIfNull(coat);
        ArgumentNullException.ThrowIfNull(zone);
        if (coat.Marks is { } told)
        {
            return told;
        }

        var (width, length) = coat.How.Stroke is { LengthMm: > 0 } s ? (s.WidthMm, s.LengthMm) : coat.Shape == MarkShape.Dot ? (DotMm, DotMm) : (UsualWidthMm, UsualLengthMm);
        return new(Math.Max(1, (int)Math.Min(1e6, Covered(coat, zone) * zone.AreaMm2 / (width * length))), width, length);
    }

    /// <summary>Share of a zone that a coat covers with all its passes, 0..1.</summary>
    public static double Covered(Coat coat, Zone zone)
    {
        ArgumentNullException.ThrowIfNull(coat);
        ArgumentNullException.ThrowIfNull(zone);
        var deposit = coat.DepositOn(zone);
        var shares = zone.HeightShares;
        var covered = 0.0;
        for (var h = 0; h < shares.Length; h++)
        {
            covered += shares[h] * (1 - Math.Pow(1 - Math.Min(1, deposit.Coverage[h]), coat.Passes));
        }

        return covered;
    }
}
