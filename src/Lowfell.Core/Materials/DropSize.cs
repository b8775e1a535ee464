namespace Lowfell.Core.Materials;

/// <summary>The size of a bottle's drops.</summary>
public static class DropSize
{
    /// <summary>Volume of one drop, ml, from drops counted and their volume.</summary>
    /// <param name="drops">Drops counted, from 1.</param>
    /// <param name="ml">What they came to, ml, above 0.</param>
    /// <exception cref="ArgumentOutOfRangeException">Nothing was counted or measured.</exception>
    public static double Ml(int drops, double ml)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(drops, 1);
        if (!(ml > 0))
        {
            throw new ArgumentOutOfRangeException(nameof(ml), ml, "A volume above 0 ml is needed.");
        }

        return ml / drops;
    }
}
