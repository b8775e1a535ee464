namespace Lowfell.Core.Mixes;

/// <summary>A mix in whole drops.</summary>
/// <param name="Drops">Drops of each component, at least one each.</param>
/// <param name="WorstError">Largest error that rounding makes: of a component's true share, over the wanted share.</param>
/// <param name="Ml">What they come to, ml.</param>
public sealed record DropRecipe(IReadOnlyList<int> Drops, double WorstError, double Ml)
{
    /// <summary>The search ends here: nobody counts more.</summary>
    public const int MostDrops = 400;

    /// <summary>All drops together.</summary>
    public int Total => Drops.Sum();

    /// <summary>The fewest whole drops whose shares are within a tolerance of the wanted ones.</summary>
    /// <remarks>
    /// For a mix of scale s, component i wants <c>s v_i / d_i</c> drops of volume d_i for its share v_i. Rounded counts change only where one of
    /// these passes a half, so the scales between such places are all the mixes that there are: each is tried once, from the smallest.
    /// </remarks>
    /// <param name="mix">The recipe.</param>
    /// <param name="tolerance">Largest error allowed for any component, over its share; 0.02 is two percent.</param>
    /// <returns>Null where 400 drops are not enough.</returns>
    public static DropRecipe? Within(Mix mix, double tolerance)
    {
        var volumes = mix.Components.Select(c => c.Ml).ToArray();
        var total = volumes.Sum();
        double[] drops = [.. mix.Components.Select(c => c.DropMl)];
        double[] shares = [.. volumes.Select(v => v / total)];
        double[] rates = [.. shares.Select((v, i) => v / drops[i])];
        var most = MostDrops / rates.Sum();
        var places = new List<double> { 1e-9 };
        foreach (var rate in rates)
        {
            for (var half = 0.5; half / rate <= most; half++)
            {
                places.Add(half / rate);
            }
        }

        places.Sort();
        DropRecipe? best = null;
        for (var i = 0; i < places.Count; i++)
        {
            var scale = i + 1 < places.Count ? (places[i] + places[i + 1]) / 2 : places[i] * 1.0001;
            var counts = rates.Select(r => Math.Max(1, (int)Math.Round(scale * r))).ToArray();
            if (best is not null && counts.Sum() >= best.Total)
            {
                continue;
            }

            var made = Made(counts, drops, shares);
            if (made.WorstError <= tolerance)
            {
                best = made;
            }
            else if (best is not null && scale * rates.Sum() > best.Total + mix.Components.Count)
            {
                break;
            }
        }

        return best?.Total <= MostDrops ? best : null;
    }

    /// <summary>So many drops of each component, with the error that they make.</summary>
    public static DropRecipe Of(Mix mix, IReadOnlyList<int> counts)
    {
        var volumes = mix.Components.Select(c => c.Ml).ToArray();
        var total = volumes.Sum();
        return Made(counts, [.. mix.Components.Select(c => c.DropMl)], [.. volumes.Select(v => v / total)]);
    }

    private static DropRecipe Made(IReadOnlyList<int> counts, double[] drops, double[] shares)
    {
        var ml = 0.0;
        for (var i = 0; i < drops.Length; i++)
        {
            ml += counts[i] * drops[i];
        }

        var worst = 0.0;
        for (var i = 0; i < drops.Length; i++)
        {
            worst = Math.Max(worst, Math.Abs((counts[i] * drops[i] / ml / shares[i]) - 1));
        }

        return new(counts, worst, ml);
    }
}
