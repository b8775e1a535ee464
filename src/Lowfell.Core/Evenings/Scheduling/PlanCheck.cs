namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>Looks a plan over, independently of how it was made: every plan passes this before it is shown.</summary>
public static class PlanCheck
{
    private const double Tolerance = 1e-4;

    /// <summary>What is wrong with a plan, in words for developers; empty where it keeps every wait, window, session and the one pair of hands.</summary>
    public static IReadOnlyList<string> Faults(PlanTask task, Plan plan)
    {
        var faults = new List<string>();
        var hands = plan.Lots.OrderBy(l => l.Start).ToList();
        for (var i = 0; i < hands.Count; i++)
        {
            var lot = hands[i];
            var session = task.Sessions[lot.Session];
            if (lot.Start - lot.SetUpMin < session.Open - Tolerance || lot.End > session.Close + Tolerance)
            {
                faults.Add($"lot {i} runs from {lot.Start - lot.SetUpMin:0.##} to {lot.End:0.##}, outside its session {session.Open} to {session.Close}");
            }

            if (lot.Start < lot.Lot.NotBefore - Tolerance)
            {
                faults.Add($"lot {i} begins before what was painted earlier is dry");
            }

            var before = i > 0 && hands[i - 1].Session == lot.Session ? hands[i - 1] : null;
            if (before is not null && lot.Start - lot.SetUpMin < before.End + before.Lot.PauseMin - Tolerance)
            {
                faults.Add($"lot {i} begins before lot {i - 1} ends");
            }

            if (lot.SetUpMin < lot.Lot.SetUpAfter(before?.Lot))
            {
                faults.Add($"lot {i} has no time to set up");
            }
        }

        Chains(task, plan, faults);
        return faults;
    }

    private static void Chains(PlanTask task, Plan plan, List<string> faults)
    {
        // Copy by copy: the coats in order, each after its wait and within its window.
        var ended = new Dictionary<(Guid Zone, int Copy), List<(double Start, double End, Lot Lot)>>();
        foreach (var planned in plan.Lots.OrderBy(l => l.Start))
        {
            for (var place = 0; place < planned.Lot.Copies.Count; place++)
            {
                var key = (planned.Lot.Id.Place, planned.Lot.Copies[place]);
                var start = planned.CopyStart(place);
                ended.TryAdd(key, []);
                if (ended[key] is [.., var last])
                {
                    var lag = start - last.End;
                    if (lag < last.Lot.LagMin - Tolerance || lag > (last.Lot.MostLagMin ?? double.MaxValue) + Tolerance)
                    {
                        faults.Add($"copy {key.Item2}: {lag:0.##} min after the coat before, {last.Lot.LagMin:0.##} to {last.Lot.MostLagMin?.ToString("0.##") ?? "any"} are right");
                    }
                }

                ended[key].Add((start, start + planned.Lot.MinutesPerCopy, planned.Lot));
            }
        }

        foreach (var chain in task.Chains.Where(c => c.Count > 0))
        {
            foreach (var copy in chain[0].Copies)
            {
                var coats = ended.GetValueOrDefault((chain[0].Id.Place, copy), []).Select(e => e.Lot.Id).ToList();
                if (!chain.Select(l => l.Id).Take(coats.Count).SequenceEqual(coats) || (plan.Problem is null && coats.Count != chain.Count))
                {
                    faults.Add($"copy {copy}: coats are missing or out of order");
                }
            }
        }

        foreach (var (before, after) in task.Joins)
        {
            foreach (var copy in task.Chains[before][0].Copies.Intersect(task.Chains[after][0].Copies))
            {
                var first = ended.GetValueOrDefault((task.Chains[before][0].Id.Place, copy), []);
                var second = ended.GetValueOrDefault((task.Chains[after][0].Id.Place, copy), []);
                if (second.Count > 0 && (first.Count < task.Chains[before].Count || second[0].Start < first[^1].End + first[^1].Lot.LagMin - Tolerance))
                {
                    faults.Add($"copy {copy}: something begins before what is joined ahead of it is done");
                }
            }
        }

        foreach (var (a, b) in task.Touching)
        {
            foreach (var copy in task.Chains[a][0].Copies.Intersect(task.Chains[b][0].Copies))
            {
                var both = ended.GetValueOrDefault((task.Chains[a][0].Id.Place, copy), []).Concat(ended.GetValueOrDefault((task.Chains[b][0].Id.Place, copy), [])).OrderBy(e => e.Start).ToList();
                for (var i = 1; i < both.Count; i++)
                {
                    if (both[i].Lot.Id.Place != both[i - 1].Lot.Id.Place && both[i].Start < both[i - 1].End + both[i - 1].Lot.TouchMin - Tolerance)
                    {
                        faults.Add($"copy {copy}: a touching zone is worked on while its neighbour is wet");
                    }
                }
            }
        }
    }
}
