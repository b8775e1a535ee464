using Lowfell.Core.Amounts;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Mixes;

/// <summary>What to mix for one coat of one zone, over all its copies.</summary>
/// <param name="Dilution">Said three ways by its members.</param>
/// <param name="Drops">Whole drops with the dilution that they truly make.</param>
/// <param name="TotalMl">Paint and thinner together, with loss, ml.</param>
/// <param name="PaintMl">Paint in it, ml.</param>
/// <param name="ThinnerMl">Thinner in it, ml.</param>
public sealed record CoatMix(Dilution Dilution, DropCount Drops, double TotalMl, double PaintMl, double ThinnerMl)
{
    /// <summary>The mix of a coat; null for a coat without paint.</summary>
    /// <remarks>See <see cref="CoatAmount"/>; on a wet palette.</remarks>
    public static CoatMix? For(Coat coat, Zone zone)
    {
        if (coat.Paint is not { } paint)
        {
            return null;
        }

        var total = CoatAmount.Of(coat, [zone], Palette.Wet).TotalMl;
        var fraction = coat.Dilution.PaintFraction;
        var drops = DropCount.For(coat.Dilution, paint.DropMl, coat.Thinner.DropMl());
        return new(coat.Dilution, drops, total, total * fraction, total * (1 - fraction));
    }

    /// <summary>Wet film of one pass where it stands thickest, um: what drying goes by. Heights that it hardly touches do not count.</summary>
    public static double ThickestWetFilmUm(Coat coat, Zone zone)
    {
        const double LeastCoverage = 0.1;
        var deposit = coat.OwnDeposit ?? Kernels.Deposit(coat.Technique, zone.Relief, zone.Facing);
        var thickest = 0.0;
        for (var h = 0; h < 3; h++)
        {
            thickest = deposit.Coverage[h] >= LeastCoverage ? Math.Max(thickest, deposit.WetFilmUm[h]) : thickest;
        }

        return thickest * coat.Hand;
    }
}
