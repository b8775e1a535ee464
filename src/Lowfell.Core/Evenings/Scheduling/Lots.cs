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
        return Part(task, c =>
        {
            var chain = task.Chains[c];
            var copies = chain.Count == 0 ? [] : chain[0].Copies;
            var parts = Math.Max(1, (int)Math.Ceiling((double)copies.Count / MostAtOnce(chain, longest)));
            return [.. Enumerable.Range(0, parts).Select(p => (IReadOnlyList<int>)[.. copies.Skip(p * copies.Count / parts).Take(((p + 1) * copies.Count / parts) - (p * copies.Count / parts))])];
        });
    }

    /// <summary>Every copy by itself: each plan of the task, however its copies are grouped, is one of this.</summary>
    public static PlanTask Singles(PlanTask task) => Part(task, c => task.Chains[c].Count == 0 ? [[]] : [.. task.Chains[c][0].Copies.Select(copy => (IReadOnlyList<int>)[copy])]);

    /// <summary>The task with the copies of its chains parted.</summary>
    /// <param name="task">The task.</param>
    /// <param name="parts">Parts of the copies of a chain, in their order.</param>
    public static PlanTask Part(PlanTask task, Func<int, IReadOnlyList<IReadOnlyList<int>>> parts)
    {
        List<IReadOnlyList<Lot>> chains = [];
        var partsOf = new List<int>[task.Chains.Count];
        for (var c = 0; c < task.Chains.Count; c++)
        {
            partsOf[c] = [];
            foreach (var own in parts(c))
            {
                var number = chains.Count;
                var whole = task.Chains[c];
                chains.Add(whole is [{ } first, ..] && first.Chain == number && first.Copies.Count == own.Count ? whole : [.. whole.Select(l => l with { Chain = number, Copies = own })]);
                partsOf[c].Add(number);
            }
        }

        // Parts of a chain touch, and are joined to, what the whole was: those of the same copies.
        var byCopy = partsOf.Select(own => (from part in own where chains[part].Count > 0 from copy in chains[part][0].Copies select (copy, part)).ToLookup(p => p.copy, p => p.part)).ToList();
        IEnumerable<(int A, int B)> Meeting(IEnumerable<(int A, int B)> pairs) =>
            from pair in pairs
            from a in partsOf[pair.A]
            where chains[a].Count > 0
            from b in chains[a][0].Copies.SelectMany(copy => byCopy[pair.B][copy]).Distinct().Order()
            select (a, b);
        return new(chains, task.Sessions, [.. Meeting(task.Touching)], [.. Meeting(task.Joins)]);
    }

    /// <summary>Start of the second lot over the start of the first: every copy waits long enough, and the hands are free.</summary>
    public static double Offset(Lot first, Lot second) => Math.Max(Lag(first, second), first.Minutes + first.PauseMin + second.SetUpAfter(first));

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
        var before = task.Joins.ToLookup(j => j.After, j => j.Before);
        void Visit(int chain)
        {
            if (seen[chain])
            {
                return;
            }

            seen[chain] = true;
            foreach (var earlier in before[chain])
            {
                Visit(earlier);
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
        var joined = task.Joins.ToLookup(j => j.After, j => j.Before);
        foreach (var c in InOrder(task))
        {
            var before = joined[c].Where(b => path[b] is not null).Select(b => path[b]).DefaultIfEmpty([]).MaxBy(Length)!;
            path[c] = [.. before, .. task.Chains[c]];
        }

        return path.Where(p => p.Count > 0);
    }

    /// <summary>Whether another colour costs less than setting a station up anew, at a station that has several: a model with one set-up for each is then too strict.</summary>
    public static bool HasCheapChanges(PlanTask task) => task.Chains.SelectMany(c => c).GroupBy(l => l.Station)
        .Any(g => g.Select(l => l.Colour).Distinct().Skip(1).Any() && g.Any(l => l.ChangeMin < l.SetUpMin));

    /// <summary>The task with set-ups that are never dearer than what any order of the work needs.</summary>
    public static PlanTask Eased(PlanTask task) =>
        task with { Chains = [.. task.Chains.Select(c => (IReadOnlyList<Lot>)[.. c.Select(l => l with { OwnSetUpMin = l.ChangeMin, OwnChangeMin = l.ChangeMin })])] };

    /// <summary>The task on a grid of time: durations, waits and set-ups are rounded up and windows down, so that a plan of it is one of the task too.</summary>
    /// <param name="task">The task, split.</param>
    /// <param name="perMinute">Marks of the grid in a minute.</param>
    /// <param name="eased">Rounds the other way: a plan of the task is one of it too, and where it has none the task has none.</param>
    public static PlanTask Snap(PlanTask task, int perMinute, bool eased = false)
    {
        double Ceiling(double minutes) => Math.Ceiling((minutes * perMinute) - Tolerance) / perMinute;
        double Floor(double minutes) => Math.Floor((minutes * perMinute) + Tolerance) / perMinute;
        double Up(double minutes) => eased ? Floor(minutes) : Ceiling(minutes);
        double Down(double minutes) => eased ? Ceiling(minutes) : Floor(minutes);
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

                    // The model has one set-up for each colour: on the grid another colour is set up like the first.
                    OwnChangeMin = Up(lot.SetUpMin),
                    PauseMin = Up(lot.PauseMin),
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
