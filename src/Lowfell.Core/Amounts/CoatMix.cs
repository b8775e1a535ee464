using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Amounts;

/// <summary>What to mix for one coat of one zone, over all its copies.</summary>
/// <param name="Dilution">Said three ways by its members.</param>
/// <param name="Drops">Whole drops with the dilution that they truly make.</param>
/// <param name="TotalMl">Paint and thinner together, with loss, ml.</param>
/// <param name="PaintMl">Paint in it, ml.</param>
/// <param name="ThinnerMl">Thinner in it, ml.</param>
/// <param name="Times">How often these drops are counted out until there is enough.</param>
public sealed record CoatMix(Dilution Dilution, DropCount Drops, double TotalMl, double PaintMl, double ThinnerMl, int Times)
{
    /// <summary>The mix of a coat; null for a coat without paint.</summary>
    /// <remarks>See <see cref="CoatAmount"/>; on a wet palette.</remarks>
    public static CoatMix? For(Coat coat, Zone zone, HighlightSchool highlights = HighlightSchool.FacingLight)
    {
        if (!coat.LeavesFilm)
        {
            return null;
        }

        var total = CoatAmount.Of(coat, [zone], Palette.Wet, highlights).TotalMl;
        var fraction = coat.Dilution.PaintFraction;
        var drops = DropCount.For(coat.Dilution, coat.Paint!.DropMl, coat.Thinner.DropMl());
        var once = (drops.Paint * coat.Paint.DropMl) + (drops.Thinner * coat.Thinner.DropMl());
        return new(coat.Dilution, drops, total, total * fraction, total * (1 - fraction), Math.Max(1, (int)Math.Ceiling((total / once) - 1e-9)));
    }
}
