namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>Lots: how copies are grouped, and what lots ask of each other.</summary>
internal static class Lots
{
    /// <summary>Minutes below which two moments are the same.</summary>
    public const double Tolerance = 1e-6;

    /// <summary>Whole lots are kept as long as any session holds them; else they are split into as few and as equal parts as fit.</summary>
    public static PlanTask Split(PlanTask task)
    {
        var longest = task.Sessions.Count == 0 ? 0 : task.Sessions.Max(s => s.Minutes);
        List<IReadOnlyList<Lot>> chains = [];
        var origin = new List<int>();
        for (var c = 0; c < task.Chains.Count; c++)
        {
            var chain = task.Chains[c];
            var copies = chain.Count == 0 ? [] : chain[0].Copies;
            var parts = Math.Max(1, (int)Math.Ceiling((double)copies.Count / MostAtOnce(chain, longest)));
            for (var p = 0; p < parts; p++)
            {
                var own = copies.Skip(p * copies.Count / parts).Take(((p + 1) * copies.Count / parts) - (p * copies.Count / parts)).ToList();
                var number = chains.Count;
                chains.Add([.. chain.Select(l => l with { Chain = number, Copies = own })]);
                origin.Add(c);
            }
        }

        // Parts of a chain touch, and are joined to, what the whole was.
        var meeting = (from a in Enumerable.Range(0, chains.Count)
                       from b in Enumerable.Range(0, chains.Count)
                       where a != b && chains[a].Count > 0 && chains[b].Count > 0
                       where task.Touching.Contains((origin[a], origin[b])) || task.Joins.Contains((origin[a], origin[b]))
                       where chains[a][0].Copies.Intersect(chains[b][0].Copies).Any()
                       select (A: a, B: b)).ToList();
        return new(
            chains,
            task.Sessions,
            [.. meeting.Where(m => task.Touching.Contains((origin[m.A], origin[m.B])))],
            [.. meeting.Where(m => task.Joins.Contains((origin[m.A], origin[m.B])))]);
    }

    /// <summary>Start of the second lot over the start of the first: every copy waits long enough, and the hands are free.</summary>
    public static double Offset(Lot first, Lot second) => Math.Max(Lag(first, second), first.Minutes + second.SetUpAfter(first));

    /// <summary>Start to start of a lot and the next on the same copies: every copy waits long enough.</summary>
    public static double Lag(Lot first, Lot second) =>
        first.MinutesPerCopy + first.LagMin + Math.Max(0, (first.Copies.Count - 1) * (first.MinutesPerCopy - second.MinutesPerCopy));

    /// <summary>Most from start to start, where there is a window: every copy is still within it.</summary>
    public static double? MostLag(Lot first, Lot second) =>
        first.MostLagMin is { } most ? first.MinutesPerCopy + most + Math.Min(0, (first.Copies.Count - 1) * (first.MinutesPerCopy - second.MinutesPerCopy)) : null;

    /// <summary>Chains with the earlier of joined ones first. Joins that run in a circle are cut.</summary>
    public static IEnumerable<int> InOrder(PlanTask task)
    {
        var seen = new bool[task.Chains.Count];
        var order = new List<int>(task.Chains.Count);
        void Visit(int chain)
        {
            if (seen[chain])
            {
                return;
            }

            seen[chain] = true;
            foreach (var (before, _) in task.Joins.Where(j => j.After == chain))
            {
                Visit(before);
            }

            order.Add(chain);
        }

        for (var c = 0; c < task.Chains.Count; c++)
        {
            Visit(c);
        }

        return order;
    }

    /// <summary>Every chain with, before it, the longest of the paths that are joined to it.</summary>
    public static IEnumerable<IReadOnlyList<Lot>> Paths(PlanTask task)
    {
        var path = new List<Lot>[task.Chains.Count];
        static double Length(List<Lot> lots) => lots.Sum(l => l.Minutes + l.LagMin);
        foreach (var c in InOrder(task))
        {
            var before = task.Joins.Where(j => j.After == c && path[j.Before] is not null).Select(j => path[j.Before]).DefaultIfEmpty([]).MaxBy(Length)!;
            path[c] = [.. before, .. task.Chains[c]];
        }

        return path.Where(p => p.Count > 0);
    }

    /// <summary>The task on a grid of time: durations, waits and set-ups are rounded up and windows down, so that a plan of it is one of the task too.</summary>
    /// <param name="task">The task, split.</param>
    /// <param name="perMinute">Marks of the grid in a minute.</param>
    public static PlanTask Snap(PlanTask task, int perMinute)
    {
        double Up(double minutes) => Math.Ceiling((minutes * perMinute) - Tolerance) / perMinute;
        double Down(double minutes) => Math.Floor((minutes * perMinute) + Tolerance) / perMinute;
        return task with
        {
            Chains = [.. task.Chains.Select(chain => (IReadOnlyList<Lot>)[.. chain.Select((lot, place) =>
            {
                var next = place + 1 < chain.Count ? chain[place + 1] : null;
                var own = Up(lot.Minutes) / lot.Copies.Count;
                var lead = next is null ? 0 : own + Math.Max(0, (lot.Copies.Count - 1) * (own - (Up(next.Minutes) / next.Copies.Count)));
                var trail = next is null ? 0 : own + Math.Min(0, (lot.Copies.Count - 1) * (own - (Up(next.Minutes) / next.Copies.Count)));
                return lot with
                {
                    MinutesPerCopy = own,
                    OwnSetUpMin = Up(lot.SetUpMin),
                    LagMin = next is null ? Up(lot.LagMin) : Up(Lag(lot, next)) - lead,
                    MostLagMin = next is null || MostLag(lot, next) is not { } most ? lot.MostLagMin : Down(most) - trail,
                    TouchMin = Up(lot.TouchMin),
                    NotBefore = Up(lot.NotBefore),
                };
            })])],
        };
    }

    private static int MostAtOnce(IReadOnlyList<Lot> chain, int longest)
    {
        if (chain.Count == 0)
        {
            return int.MaxValue;
        }

        var most = chain.Min(l => Math.Max(1, (int)((longest - l.SetUpMin) / l.MinutesPerCopy)));
        for (var i = 0; i + 1 < chain.Count; i++)
        {
            most = Math.Min(most, MostInWindow(chain[i], chain[i + 1], longest));
        }

        return most;
    }

    // Copies that a windowed pair can take at once: the last copy's second step must begin in its window, and all within one session.
    private static int MostInWindow(Lot first, Lot second, int longest)
    {
        if (first.MostLagMin is null)
        {
            return int.MaxValue;
        }

        for (var n = first.Copies.Count; n > 1; n--)
        {
            if (PairMinutes(first with { Copies = [.. first.Copies.Take(n)] }, second with { Copies = [.. second.Copies.Take(n)] }) is { } minutes && minutes <= longest)
            {
                return n;
            }
        }

        return 1;
    }

    // From the first set-up to the end of the second lot; null where the window can't be kept for every copy.
    private static double? PairMinutes(Lot first, Lot second) =>
        Offset(first, second) is var offset && offset <= MostLag(first, second) + Tolerance ? first.SetUpMin + offset + second.Minutes : null;
}
