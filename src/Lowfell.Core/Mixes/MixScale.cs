namespace Lowfell.Core.Mixes;

/// <summary>One component of a scaled mix, in every unit that it can be measured in.</summary>
/// <param name="Component">The component.</param>
/// <param name="Share">Its share of the volume.</param>
/// <param name="Ml">Ml.</param>
/// <param name="Drops">Drops, not rounded.</param>
/// <param name="Grams">Grams.</param>
public sealed record MixLine(MixComponent Component, double Share, double Ml, double Drops, double Grams);

/// <summary>A mix brought to a volume.</summary>
public static class MixScale
{
    /// <summary>How full a jar is made, so that it can still be shaken. Craft estimate.</summary>
    public const double JarFill = 0.9;

    /// <summary>What goes into so many ml; shares stay as they are.</summary>
    /// <exception cref="ArgumentOutOfRangeException"><paramref name="totalMl"/> is not above 0.</exception>
    public static IReadOnlyList<MixLine> To(Mix mix, double totalMl)
    {
        if (!(totalMl > 0))
        {
            throw new ArgumentOutOfRangeException(nameof(totalMl), totalMl, "A volume above 0 ml is needed.");
        }

        var volumes = mix.Components.Select(c => c.Ml).ToArray();
        var total = volumes.Sum();
        return [.. mix.Components.Select((c, i) =>
        {
            var share = volumes[i] / total;
            var ml = share * totalMl;
            return new MixLine(c, share, ml, ml / c.DropMl, ml * c.DensityGPerMl);
        })];
    }

    /// <summary>A counted recipe repeated until it comes to a volume, the last round up.</summary>
    public static DropRecipe Rounds(DropRecipe recipe, double totalMl)
    {
        var rounds = Math.Max(1, (int)Math.Ceiling((totalMl / recipe.Ml) - 1e-9));
        return recipe with { Drops = [.. recipe.Drops.Select(d => d * rounds)], Ml = recipe.Ml * rounds };
    }
}
