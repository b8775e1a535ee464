using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Ready;

/// <summary>One paint for two: what is painted with it in place of another.</summary>
/// <param name="Keep">The one that is kept.</param>
/// <param name="Drop">The one that is done without.</param>
/// <param name="Stacks">Places of the stacks that change, in the list that was given.</param>
/// <param name="WorstDeltaE">The largest difference at recess, face or edge of any of them, dE00.</param>
/// <param name="WorstStack">Place of that stack.</param>
public sealed record OneForBoth(Material Keep, Material Drop, IReadOnlyList<int> Stacks, double WorstDeltaE, int WorstStack)
{
    /// <summary>A stack with the one in place of the other.</summary>
    public StackDraft On(StackDraft stack) => Substitutes.InPlaceOf(stack, Drop.Id, Keep);
}

/// <summary>Pairs of paints whose finished zones no one would tell apart.</summary>
/// <remarks>Two that are in one stack are there to differ, as a light over its base or rust in three tones. Judged by the finished look of every stack that changes, never by the swatches; a pair that brings a finding is none, nor one that changes the sheen of what is finished.</remarks>
public static class FewerPaints
{
    // Swatches that are farther apart are not tried, dE00: under washes much is alike, but no painter would take a red for a blue.
    private const double FarthestSwatch = 10;

    /// <summary>The pairs, the least seen first; of two directions the one that is seen less, else the one that keeps what is used in more coats.</summary>
    /// <param name="stacks">The stacks of a set, each different one once.</param>
    /// <param name="bound">Paints that have to stay: what is painted with them is on already, or they are in a mix.</param>
    public static IReadOnlyList<OneForBoth> Pairs(IReadOnlyList<StackDraft> stacks, IReadOnlySet<Guid> bound)
    {
        ArgumentNullException.ThrowIfNull(stacks);
        ArgumentNullException.ThrowIfNull(bound);
        var uses = stacks.SelectMany((s, i) => s.Coats.Where(c => !c.Skipped && c.Material is { Clear: false }).Select(c => (Coat: c, Stack: i))).ToLookup(u => u.Coat.Material!.Id);
        var paints = uses.Select(u => u.First().Coat.Material!).ToList();
        var fixedOnes = stacks.SelectMany(s => s.Coats).SelectMany(InMixes).Concat(bound).ToHashSet();
        var before = new (PredictedStack Look, Dictionary<string, int> Findings)?[stacks.Count];
        (PredictedStack Look, Dictionary<string, int> Findings) Before(int stack) => before[stack] ??= Read(stacks[stack]);
        OneForBoth? Try(Material keep, Material drop)
        {
            if (fixedOnes.Contains(drop.Id) || uses[drop.Id].Any(u => uses[keep.Id].Any(k => k.Stack == u.Stack)))
            {
                return null;
            }

            var places = uses[drop.Id].Select(u => u.Stack).Distinct().ToList();
            var tried = new OneForBoth(keep, drop, places, 0, places[0]);
            foreach (var place in places)
            {
                var (look, findings) = Read(tried.On(stacks[place]));
                var was = Before(place);
                var off = Enumerable.Range(0, 3).Max(h => ColourDifference.Ciede2000(was.Look.Top.At(h).Lab, look.Top.At(h).Lab));
                off = was.Look.Strata.Zip(look.Strata).Where(s => s.First.Mark is not null && s.Second.Mark is not null)
                    .Aggregate(off, (most, s) => Math.Max(most, ColourDifference.Ciede2000(s.First.Mark!.Value.ToLab(), s.Second.Mark!.Value.ToLab())));
                if (DifferenceWords.Unlike(off) || findings.Any(f => f.Value > was.Findings.GetValueOrDefault(f.Key)) || LastSheen(tried.On(stacks[place])) != LastSheen(stacks[place]))
                {
                    return null;
                }

                if (off > tried.WorstDeltaE)
                {
                    tried = tried with { WorstDeltaE = off, WorstStack = place };
                }
            }

            return tried;
        }

        var pairs = new List<OneForBoth>();
        for (var a = 0; a < paints.Count; a++)
        {
            for (var b = a + 1; b < paints.Count; b++)
            {
                if (paints[a].Family == paints[b].Family && paints[a].Effect == paints[b].Effect && ColourDifference.Ciede2000(paints[a].Colour.ToLab(), paints[b].Colour.ToLab()) <= FarthestSwatch)
                {
                    pairs.AddRange(new[] { Try(paints[a], paints[b]), Try(paints[b], paints[a]) }.OfType<OneForBoth>()
                        .OrderBy(p => Math.Round(p.WorstDeltaE, 1)).ThenByDescending(p => uses[p.Keep.Id].Count()).Take(1));
                }
            }
        }

        return [.. pairs.OrderBy(p => p.WorstDeltaE)];
    }

    // What is one of several in a mix, or is mixed to another colour, is not simply another paint.
    private static IEnumerable<Guid> InMixes(Coat coat) =>
        coat.Paint is { } paint && (coat.Material is null || coat.MixedTo is not null) ? paint.Content.Materials.Select(m => m.Material.Id) : [];

    private static Films.Sheen? LastSheen(StackDraft stack) => stack.FilmBelow(stack.Coats.Count) is >= 0 and var last ? stack.Coats[last].Paint?.Lead.Sheen : null;

    private static (PredictedStack Look, Dictionary<string, int> Findings) Read(StackDraft stack)
    {
        var look = Predictor.PredictMiddle(stack);
        return (look, RuleBook.Read(stack, look).GroupBy(f => f.Rule.Id).ToDictionary(g => g.Key, g => g.Count()));
    }
}
