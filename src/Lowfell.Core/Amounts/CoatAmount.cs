using Lowfell.Core.Stacks;

namespace Lowfell.Core.Amounts;

/// <summary>What a painter mixes on.</summary>
public enum Palette
{
    /// <summary>Damp paper under the paint: hours.</summary>
    Wet,

    /// <summary>A tile or a saucer: minutes.</summary>
    Dry,
}

/// <summary>How much of its mix a coat takes over all zones that share it, term by term.</summary>
/// <param name="AreaMm2">Area over all zones and copies, mm2.</param>
/// <param name="MeanWetUm">Wet film of one pass, mean of that area with its coverage, um.</param>
/// <param name="Passes">Passes.</param>
/// <param name="OnPieceMl">What ends up on the pieces, ml.</param>
/// <param name="TransferMl">What stays in brush, sponge or the air on the way, ml.</param>
/// <param name="LossMl">Left behind in each batch, ml, all batches together.</param>
/// <param name="Minutes">Hands-on time without set-up, min.</param>
/// <param name="PaletteMin">Minutes that a batch stays workable; 0 where it does not go off.</param>
/// <param name="Batches">Batches that the palette life asks for, from 1.</param>
public sealed record CoatAmount(
    double AreaMm2, double MeanWetUm, int Passes, double OnPieceMl, double TransferMl, double LossMl, double Minutes, int PaletteMin, int Batches)
{
    /// <summary>Handling of one copy, min. Craft estimate.</summary>
    public const double HandlingMin = 0.3;

    // um x mm2 = 1e-3 mm3 = 1e-6 ml.
    private const double MlPerUmMm2 = 1e-6;

    /// <summary>Everything together, ml.</summary>
    public double TotalMl => OnPieceMl + TransferMl + LossMl;

    /// <summary>The amount of one coat on the zones that share it.</summary>
    /// <remarks>
    /// <c>ml = area x wet film x passes x coverage / transfer / 1e6 + loss per batch</c>, with film and coverage at the three heights
    /// weighted by their shares. A pin wash or edge highlight follows the measured creases or edges of a zone, where it has any:
    /// <c>length x width x film</c>. Craft estimates throughout.
    /// </remarks>
    public static CoatAmount Of(Coat coat, IReadOnlyList<Zone> zones, Palette palette)
    {
        var facts = coat.Technique.Facts();
        double area = 0, laid = 0, minutes = 0;
        foreach (var zone in zones)
        {
            var zoneArea = zone.AreaMm2 * zone.Copies;
            area += zoneArea;
            minutes += HandlingMin * zone.Copies;
            if (coat.OwnDeposit is null && facts.Along is { } line && (line.IsCrease ? zone.CreaseMm : zone.EdgeMm) is { } length)
            {
                laid += length * zone.Copies * line.WidthMm * line.WetFilmUm * coat.Hand * coat.Passes;
                minutes += length * zone.Copies * coat.Passes / line.RateMmPerMin;
            }
            else
            {
                laid += zoneArea * WetUm(coat, zone) * coat.Passes;
                minutes += zoneArea / 100 * coat.Passes / facts.RateCm2PerMin;
            }
        }

        var life = palette == Palette.Wet ? facts.WetPaletteMin : facts.DryPaletteMin;
        var batches = life == 0 ? 1 : Math.Max(1, (int)Math.Ceiling((minutes / life) - 1e-9));
        var onPiece = laid * MlPerUmMm2;
        return new(area, area > 0 ? laid / area / coat.Passes : 0, coat.Passes, onPiece, (onPiece / facts.Transfer) - onPiece, facts.LossMl * batches, minutes, life, batches);
    }

    private static double WetUm(Coat coat, Zone zone)
    {
        var deposit = coat.OwnDeposit ?? Kernels.Deposit(coat.Technique, zone.Relief, zone.Facing);
        var shares = zone.HeightShares;
        var wet = 0.0;
        for (var h = 0; h < shares.Length; h++)
        {
            wet += shares[h] * deposit.WetFilmUm[h] * deposit.Coverage[h];
        }

        return wet * coat.Hand;
    }
}
