namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>Looks for places at which a group of copies is better parted: where an evening ends, a mix goes off, or half way.</summary>
/// <remarks>
/// A search around the list scheduler: whole groups first, then a cut at a time, kept where the plan is done in an earlier session, in fewer
/// sessions, or with fewer days late. At most <see cref="MostCuts"/> cuts a group: what is parted into single copies is painted worse.
/// </remarks>
public static class LotCuts
{
    /// <summary>Most cuts of one group.</summary>
    public const int MostCuts = 3;

    private const int MostTries = 200;

    /// <summary>The best grouping found, as a task of its own, with its plan.</summary>
    /// <param name="task">The task, with copies grouped as they came equally far.</param>
    /// <param name="goOn">Asked before each try.</param>
    /// <param name="bound">No plan can be done before this session: nothing is looked for once it is reached.</param>
    public static (PlanTask Task, Plan Plan) Improve(PlanTask task, Func<bool> goOn, int bound)
    {
        var whole = Lots.Split(task);
        var wanted = whole.PieceSteps;
        var cuts = new SortedSet<int>[whole.Chains.Count];
        for (var c = 0; c < cuts.Length; c++)
        {
            cuts[c] = [];
        }

        PlanTask Parted() => Lots.Part(whole, c => Parts(whole.Chains[c], cuts[c]));
        static (int, int, int, int, int) Worth(Plan plan, int wanted) => plan.Rank(wanted) is var rank ? (rank.Left, rank.Missed, rank.Late, rank.Last, rank.Sessions) : default;
        var best = (Task: whole, Plan: ListScheduler.Immediate(whole));
        var tried = new HashSet<(int Chain, int At)>();
        for (var tries = 0; tries < MostTries && goOn() && (best.Plan.Problem is not null || best.Plan.LastSession > bound || best.Plan.Late > 0); tries++)
        {
            if (Candidates(best.Plan, best.Task, whole).FirstOrDefault(c => cuts[c.Chain].Count < MostCuts && !cuts[c.Chain].Contains(c.At) && !tried.Contains(c), (Chain: -1, At: 0)) is not { Chain: >= 0 } cut)
            {
                break;
            }

            tried.Add(cut);
            cuts[cut.Chain].Add(cut.At);
            var parted = Parted();
            var plan = ListScheduler.Immediate(parted);
            if (Worth(plan, wanted).CompareTo(Worth(best.Plan, wanted)) < 0)
            {
                best = (parted, plan);
                tried.Clear();
            }
            else
            {
                cuts[cut.Chain].Remove(cut.At);
            }
        }

        return best;
    }

    private static IReadOnlyList<IReadOnlyList<int>> Parts(IReadOnlyList<Lot> chain, SortedSet<int> cuts)
    {
        if (chain.Count == 0)
        {
            return [[]];
        }

        var copies = chain[0].Copies;
        int[] ends = [0, .. cuts.Where(at => at < copies.Count), copies.Count];
        return [.. ends.Zip(ends.Skip(1), (from, to) => (IReadOnlyList<int>)[.. copies.Skip(from).Take(to - from)])];
    }

    // Where so many copies of a later lot fill what an evening has left; then half of the longest lots.
    private static IEnumerable<(int Chain, int At)> Candidates(Plan plan, PlanTask parted, PlanTask whole)
    {
        var chainOf = new Dictionary<(Guid Place, int Copy), int>();
        foreach (var (chain, number) in whole.Chains.Select((chain, number) => (chain, number)))
        {
            foreach (var copy in chain.Count == 0 ? [] : chain[0].Copies)
            {
                chainOf.TryAdd((chain[0].Id.Place, copy), number);
            }
        }

        // Places of a lot's copies within the whole group that it is of.
        (int Chain, int From) Place(Lot lot)
        {
            var chain = chainOf[(lot.Id.Place, lot.Copies[0])];
            return (chain, whole.Chains[chain][0].Copies.ToList().IndexOf(lot.Copies[0]));
        }

        var ends = plan.Lots.GroupBy(l => l.Session).OrderBy(g => g.Key).Select(g => g.MaxBy(l => l.End)!).ToList();
        foreach (var last in ends)
        {
            var free = parted.Sessions[last.Session].Close - last.End - last.Lot.PauseMin;
            foreach (var next in plan.Lots.Where(l => l.Session > last.Session && l.Lot.Copies.Count > 1).OrderBy(l => l.Start))
            {
                var fits = (int)((free - next.Lot.SetUpAfter(last.Lot)) / next.Lot.MinutesPerCopy);
                if (fits > 0 && fits < next.Lot.Copies.Count && next.Lot.NotBefore <= last.End)
                {
                    var (chain, from) = Place(next.Lot);
                    yield return (chain, from + fits);
                }
            }
        }

        foreach (var lot in plan.Lots.Where(l => l.Lot.Copies.Count > 1).OrderByDescending(l => l.Lot.Minutes))
        {
            var (chain, from) = Place(lot.Lot);
            yield return (chain, from + (lot.Lot.Copies.Count / 2));
        }
    }
}
