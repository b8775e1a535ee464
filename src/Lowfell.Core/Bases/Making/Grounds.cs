using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Colour;

namespace Lowfell.Core.Bases.Making;

/// <summary>A ground of a tray: two browns in a proportion.</summary>
/// <param name="PartsA">Parts of the first.</param>
/// <param name="PartsB">Parts of the second.</param>
/// <param name="Colour">What it looks like.</param>
public sealed record GroundMix(int PartsA, int PartsB, Srgb Colour);

/// <summary>Related grounds: from 4 to 1 of two browns to 1 to 4, in steps that look equal, so that bases differ and yet belong.</summary>
public static class Grounds
{
    /// <summary>Steps between neighbouring grounds that are seen and do not jump, dE00. Craft estimate.</summary>
    public const double LeastStep = 2.5, MostStep = 5;

    /// <summary>First and last may lie so far from each other, dE00. Craft estimate.</summary>
    public const double MostSpread = 9;

    private static readonly (int A, int B)[] Mixes = [(4, 1), (3, 1), (2, 1), (3, 2), (1, 1), (2, 3), (1, 2), (1, 3), (1, 4)];

    /// <summary>So many grounds out of two paints.</summary>
    /// <param name="count">How many, 3 to 5.</param>
    /// <param name="mixed">Colour of a mix by the share of the first paint, 0..1.</param>
    public static IReadOnlyList<GroundMix> Of(int count, Func<double, Srgb> mixed)
    {
        var all = Mixes.Select(m => new GroundMix(m.A, m.B, mixed(m.A / (double)(m.A + m.B)))).ToList();

        // Places along the way from first to last, in equal steps of difference; of each the mix that comes nearest.
        List<double> far = [.. all.Select(m => ColourDifference.Ciede2000(all[0].Colour.ToLab(), m.Colour.ToLab()))];
        var chosen = new SortedSet<int> { 0, all.Count - 1 };
        for (var i = 1; i < count - 1; i++)
        {
            var wanted = far[^1] * i / (count - 1);
            chosen.Add(Enumerable.Range(1, all.Count - 2).Where(k => !chosen.Contains(k)).MinBy(k => Math.Abs(far[k] - wanted)));
        }

        return [.. chosen.Select(k => all[k])];
    }

    /// <summary>How the grounds go together, in the painter's words; null where all is well.</summary>
    public static string? Fault(IReadOnlyList<GroundMix> grounds)
    {
        double Between(int a, int b) => ColourDifference.Ciede2000(grounds[a].Colour.ToLab(), grounds[b].Colour.ToLab());
        var spread = Between(0, grounds.Count - 1);
        var least = Enumerable.Range(1, grounds.Count - 1).Min(i => Between(i - 1, i));
        return spread > MostSpread ? FormattableString.Invariant($"The two lie {spread:0.0} dE apart in these mixes: they read as two grounds. Take browns that are nearer to each other.")
            : least < LeastStep * 0.6 ? FormattableString.Invariant($"Steps of {least:0.0} dE are hardly seen. Take browns that differ more, or fewer grounds.")
            : null;
    }

    /// <summary>A ground for each copy, so that none is like its neighbours.</summary>
    /// <param name="neighbours">Pairs of copies that stand beside each other, from 0.</param>
    /// <param name="copies">Copies.</param>
    /// <param name="grounds">Grounds there are, at least 3.</param>
    /// <param name="seed">Seed.</param>
    public static IReadOnlyList<int> Shared(IReadOnlyCollection<(int A, int B)> neighbours, int copies, int grounds, ulong seed)
    {
        var random = new Seeds(Seeds.Of(seed, 4242));
        var beside = neighbours.Concat(neighbours.Select(n => (A: n.B, B: n.A))).ToLookup(n => n.A, n => n.B);
        var ground = new int[copies];
        Array.Fill(ground, -1);
        var used = new int[grounds];
        for (var copy = 0; copy < copies; copy++)
        {
            var taken = beside[copy].Select(n => ground[n]).Where(g => g >= 0).ToHashSet();

            // The rarest that no neighbour has; chance decides between equals.
            ground[copy] = Enumerable.Range(0, grounds).OrderBy(g => taken.Contains(g)).ThenBy(g => used[g]).ThenBy(_ => random.Next()).First();
            used[ground[copy]]++;
        }

        return ground;
    }
}
