using Lowfell.Core.Amounts;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;

namespace Lowfell.Core.Weathering;

/// <summary>What the marks of one kind take, over all copies.</summary>
/// <param name="Ml">Paint, ml.</param>
/// <param name="OnPieceMl">Of that on the pieces, ml.</param>
/// <param name="DownMinutesEach">Minutes more for one copy of drawing down and cleaning what was placed in spirit, in a visit of its own.</param>
/// <param name="MinutesEach">Hands-on minutes for one copy, with those.</param>
/// <param name="Minutes">For all copies.</param>
public sealed record MarkWork(double Ml, double OnPieceMl, double MinutesEach, double Minutes, double DownMinutesEach)
{
    /// <summary>Reckons a coat of marks as amounts and evenings do: <c>ml = sum n w l fill film / 1e6 / transfer + loss</c>, <c>minutes = n s / 60 + more + 0.3</c> for each copy, strips by area over the rate.</summary>
    public static MarkWork Of(Coat coat, Zone zone)
    {
        ArgumentNullException.ThrowIfNull(zone);
        var amount = CoatAmount.Of(coat, [zone], Palette.Wet);
        var all = amount.Minutes + amount.CleanUpMinutes;
        return new(amount.TotalMl, amount.OnPieceMl, all / zone.Copies, all, amount.CleanUpMinutes / zone.Copies);
    }
}
