namespace Lowfell.Core.Mixes;

/// <summary>Whole drops of paint and thinner, with the dilution that they truly make.</summary>
/// <param name="Paint">Drops of paint.</param>
/// <param name="Thinner">Drops of thinner.</param>
/// <param name="TruePaintFraction">Paint fraction by volume, as drops of different liquids differ in size.</param>
public readonly record struct DropCount(int Paint, int Thinner, double TruePaintFraction)
{
    private const int MostDrops = 24;

    /// <summary>The fewest drops whose true dilution is within <paramref name="tolerance"/> (of the paint fraction) of the wanted one.</summary>
    /// <remarks>Tate's law gives the drop sizes. Where no count of 24 drops at most comes within the tolerance, the nearest is given.</remarks>
    public static DropCount For(Dilution dilution, double paintDropMl, double thinnerDropMl, double tolerance = 0.05)
    {
        var wanted = dilution.PaintFraction;
        if (wanted >= 1)
        {
            return new(1, 0, 1);
        }

        DropCount best = default;
        var bestError = double.MaxValue;
        for (var total = 1; total <= MostDrops; total++)
        {
            for (var paint = 1; paint <= total; paint++)
            {
                var made = Fraction(paint, total - paint, paintDropMl, thinnerDropMl);
                var error = Math.Abs(made - wanted) / wanted;
                if (error < bestError - 1e-12)
                {
                    best = new(paint, total - paint, made);
                    bestError = error;
                }
            }

            if (bestError <= tolerance)
            {
                return best;
            }
        }

        return best;
    }

    /// <summary>Paint fraction by volume of so many drops.</summary>
    public static double Fraction(int paintDrops, int thinnerDrops, double paintDropMl, double thinnerDropMl)
    {
        var paint = paintDrops * paintDropMl;
        return paint / (paint + (thinnerDrops * thinnerDropMl));
    }
}
