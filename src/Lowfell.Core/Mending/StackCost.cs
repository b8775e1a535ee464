using Lowfell.Core.Amounts;
using Lowfell.Core.Rules;

namespace Lowfell.Core.Mending;

/// <summary>What a stack costs to paint on all copies.</summary>
/// <param name="WaitingMin">Minutes that its coats wait for each other.</param>
/// <param name="HandsOnMin">Hands-on minutes, cleaning up counted.</param>
/// <param name="Ml">Paint and thinner, ml.</param>
/// <param name="Coats">Coats.</param>
public sealed record StackCost(double WaitingMin, double HandsOnMin, double Ml, int Coats)
{
    /// <summary>Of a reading.</summary>
    public static StackCost Of(Reading reading)
    {
        double minutes = 0, ml = 0;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            var amount = CoatAmount.Of(coat, [reading.Zone], Palette.Wet, reading.Schools.Highlights);
            minutes += amount.Minutes + amount.CleanUpMinutes;
            ml += coat.LeavesFilm ? amount.TotalMl : 0;
        }

        return new(reading.WaitingMin, minutes, ml, reading.Applied.Count);
    }

    /// <summary>What another costs more than this one; less than nothing where it costs less.</summary>
    public StackCost To(StackCost other) => new(other.WaitingMin - WaitingMin, other.HandsOnMin - HandsOnMin, other.Ml - Ml, other.Coats - Coats);
}
