using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Work;

/// <summary>What could be done otherwise, as far as the open work has it.</summary>
/// <param name="task">What there is to do.</param>
public sealed class OtherWays(WorkTask task)
{
    private const int MostOptional = 2;
    private const int MostNamed = 2;

    /// <summary>Whether spray lands on a touching zone.</summary>
    public bool Sprays => task.Work.Zones.Any(z => task.Work.Zones.Any(n => z.Zone.Touches.Contains(n.Zone.Id) && z.Steps.Any(s => Overspray.Endangers(s, n.Steps))));

    /// <summary>Whether anything is washed.</summary>
    public bool Washes => task.Work.Zones.Any(z => z.Steps.Any(s => s.Coat.Technique == Technique.Wash));

    /// <summary>Coats that may be left out, those first that take longest over all open copies.</summary>
    public IReadOnlyList<(Coat Coat, OpenZone Zone)> Optional()
    {
        var open = task.Plan.Chains.SelectMany(c => c).Where(l => !l.Id.IsFit).GroupBy(l => l.Id.CoatId).ToDictionary(g => g.Key, g => g.Sum(l => l.Minutes));
        return [.. task.Work.Zones.SelectMany(z => z.Stack.Coats.Where(c => c.Optional && open.ContainsKey(c.Id)).Select(c => (Coat: c, Zone: z))).DistinctBy(c => c.Coat.Id)
            .OrderByDescending(c => open[c.Coat.Id]).Take(MostOptional)];
    }

    /// <summary>Copies in one go: about half of the largest lot, and one.</summary>
    public IReadOnlyList<int> Batches()
    {
        var largest = task.Plan.Chains.Select(c => c[0].Copies.Count).DefaultIfEmpty(1).Max();
        return largest < 2 ? [] : largest < 4 ? [1] : [largest / 2, 1];
    }

    /// <summary>The paints that a way is about, those first that take longest; a few of many.</summary>
    public string Named(Func<Step, bool> which)
    {
        string[] names = [.. task.Work.Zones.SelectMany(z => z.Steps.Where(which)).GroupBy(s => s.Coat.Paint?.Name ?? StepWords.Of(s.Coat.Technique)).OrderByDescending(g => g.Sum(s => s.MinutesPerCopy)).Select(g => g.Key)];
        return names.Length switch
        {
            0 => "nothing that is open",
            <= MostNamed => string.Join(" and ", names),
            _ => $"{string.Join(", ", names.Take(MostNamed))} and {names.Length - MostNamed} more",
        };
    }
}
