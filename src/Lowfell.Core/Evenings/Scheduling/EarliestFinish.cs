using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Scheduling;

// The bound: no plan that keeps lots whole can finish sooner.
public static partial class ListScheduler
{
    /// <summary>The first session in which everything can be done at the earliest, however copies are grouped: no plan can finish before.</summary>
    public static int EarliestFinish(PlanTask task) => EarliestOf(Lots.Singles(task));

    /// <summary>The same of plans that keep copies together as the task has them.</summary>
    public static int EarliestGrouped(PlanTask task) => EarliestOf(Lots.Split(task));

    // The largest of two bounds: each chain, with the chains joined before it, alone through the calendar; and all work with a set-up for each
    // station, and a change for each colour more, against the minutes there are.
    private static int EarliestOf(PlanTask split)
    {
        var bound = -1;
        var seen = new HashSet<IReadOnlyList<Lot>>(new AsFar());
        foreach (var path in Lots.Paths(split))
        {
            // Copies that have come equally far are alike.
            if (path.All(l => l.Copies.Count == 1) && !seen.Add(path))
            {
                continue;
            }

            var task = new PlanTask([path], split.Sessions, []);
            var alone = new Run(task, new(task), new([1], 0)).Go();
            bound = Math.Max(bound, alone.Problem is null ? alone.LastSession : split.Sessions.Count);
        }

        var lots = split.Chains.SelectMany(c => c).ToList();
        var work = lots.Sum(l => l.Minutes) + lots.GroupBy(l => l.Station).Sum(LeastSetUp);
        var minutes = 0.0;
        for (var s = 0; s < split.Sessions.Count; s++)
        {
            minutes += split.Sessions[s].Minutes;
            if (minutes >= work - Tolerance)
            {
                return Math.Max(bound, lots.Count == 0 ? -1 : s);
            }
        }

        return split.Sessions.Count;
    }

    // Once from nothing, and then from colour to colour.
    private static double LeastSetUp(IGrouping<Station, Lot> station)
    {
        var first = station.Min(l => l.SetUpMin);
        return first + ((station.Select(l => l.Colour).Distinct().Count() - 1) * station.Min(l => l.ChangeMin));
    }

    /// <summary>Paths of the same steps that may begin and have to begin at the same moments.</summary>
    private sealed class AsFar : IEqualityComparer<IReadOnlyList<Lot>>
    {
        public bool Equals(IReadOnlyList<Lot>? x, IReadOnlyList<Lot>? y) =>
            ReferenceEquals(x, y) || (x is not null && y is not null && x.Select(Key).SequenceEqual(y.Select(Key)));

        public int GetHashCode(IReadOnlyList<Lot> path)
        {
            var hash = default(HashCode);
            foreach (var lot in path)
            {
                hash.Add(Key(lot));
            }

            return hash.ToHashCode();
        }

        private static (StepId, double, double?) Key(Lot lot) => (lot.Id, lot.NotBefore, lot.DueBy);
    }
}
