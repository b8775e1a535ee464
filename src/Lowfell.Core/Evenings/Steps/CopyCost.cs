namespace Lowfell.Core.Evenings.Steps;

/// <summary>What one copy costs, and how many at a time hide the waiting.</summary>
/// <param name="HandsOnMin">Hands-on minutes a copy.</param>
/// <param name="WaitingMin">Minutes that its coats wait for each other.</param>
/// <param name="BreakEven">Copies at a time that hide the waits of an evening behind the work.</param>
/// <param name="PaletteMost">Copies that the palette lasts for; null where nothing on it goes off.</param>
public sealed record CopyCost(double HandsOnMin, double WaitingMin, int BreakEven, int? PaletteMost)
{
    /// <summary>Longer waits are slept through, whatever the batch.</summary>
    private const double EveningMin = 180;

    /// <summary>Copies at a time whose work hides a wait.</summary>
    /// <remarks><c>n &gt;= 1 + d/h</c>: while the first dries, the others are painted.</remarks>
    /// <param name="waitMin">d, minutes.</param>
    /// <param name="handsOnMin">h, minutes a copy, above 0.</param>
    public static int Hides(double waitMin, double handsOnMin) => (int)Math.Ceiling(1 + (waitMin / handsOnMin) - 1e-9);

    /// <summary>Of the steps of a piece's zones. Zones are worked on side by side, so that the longest of their waits counts; their work adds up.</summary>
    /// <param name="zones">Steps by zone.</param>
    public static CopyCost? Of(IReadOnlyList<IReadOnlyList<Step>> zones)
    {
        var steps = zones.SelectMany(z => z).ToList();
        if (steps.Count == 0)
        {
            return null;
        }

        var work = steps.Sum(s => s.MinutesPerCopy);
        var evening = zones.Max(z => z.Where(s => s.LagMin <= EveningMin).Sum(s => s.LagMin));
        var onPalette = steps.Where(s => !s.IsBeside && s.Coat.How.WetPaletteMin > 0).ToList();
        return new(
            work,
            zones.Max(z => z.Sum(s => s.LagMin)),
            Hides(evening, work),
            onPalette.Count == 0 ? null : onPalette.Min(s => Math.Max(1, (int)(s.Coat.How.WetPaletteMin / s.MinutesPerCopy))));
    }
}
