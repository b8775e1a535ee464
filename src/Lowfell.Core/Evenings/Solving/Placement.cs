using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Solving;

/// <summary>A lot with the part of the calendar that its chain leaves it; times in tenths of a minute.</summary>
internal sealed class PlacedLot
{
    /// <summary>The lot.</summary>
    public required Lot Lot { get; init; }

    /// <summary>Its chain.</summary>
    public required int Chain { get; init; }

    /// <summary>Its place in the chain.</summary>
    public required int Place { get; init; }

    /// <summary>How long it takes.</summary>
    public required long Size { get; init; }

    /// <summary>How long its station takes to set up.</summary>
    public long SetUp => Placement.Up(Lot.SetUpMin);

    /// <summary>What is set up for it.</summary>
    public (Station Station, string Colour) Kind => (Lot.Station, Lot.Colour);

    /// <summary>Earliest start.</summary>
    public long Head { get; set; }

    /// <summary>Latest start.</summary>
    public long Tail { get; set; } = long.MaxValue / 4;

    /// <summary>First session that it can be in.</summary>
    public int FirstSession { get; set; }
}

/// <summary>Where the lots of a task can be within the first sessions of the calendar, and what follows for any plan: how many sessions and set-ups it has at least.</summary>
internal sealed class Placement
{
    /// <summary>Units in a minute.</summary>
    public const int PerMinute = 10;

    private readonly PlanTask task;
    private readonly int horizon;
    private readonly List<PlacedLot> lots = [];

    /// <summary>Places the lots.</summary>
    /// <param name="task">The task, on the grid of tenths of a minute.</param>
    /// <param name="horizon">So many sessions there are.</param>
    public Placement(PlanTask task, int horizon)
    {
        (this.task, this.horizon) = (task, horizon);
        foreach (var c in Scheduling.Lots.InOrder(task))
        {
            for (var p = 0; p < task.Chains[c].Count; p++)
            {
                var lot = task.Chains[c][p];
                lots.Add(At[(c, p)] = new() { Lot = lot, Chain = c, Place = p, Size = Up(lot.Minutes), Head = Up(lot.NotBefore) });
            }
        }

        Fits = lots.TrueForAll(PlaceHead) && Enumerable.Reverse(lots).All(PlaceTail);
    }

    /// <summary>Lots, each after those that it waits for.</summary>
    public IReadOnlyList<PlacedLot> Lots => lots;

    /// <summary>Lots by chain and place.</summary>
    public Dictionary<(int Chain, int Place), PlacedLot> At { get; } = [];

    /// <summary>Whether each lot has a place at all: else no plan ends within these sessions.</summary>
    public bool Fits { get; }

    /// <summary>Work in all.</summary>
    public long WorkUnits => lots.Sum(i => i.Size);

    /// <summary>On the grid, not shorter.</summary>
    public static long Up(double minutes) => (long)Math.Ceiling((minutes * PerMinute) - Scheduling.Lots.Tolerance);

    /// <summary>On the grid, not longer.</summary>
    public static long Down(double minutes) => (long)Math.Floor((minutes * PerMinute) + Scheduling.Lots.Tolerance);

    /// <summary>When a session begins.</summary>
    public long Open(int session) => (long)task.Sessions[session].Open * PerMinute;

    /// <summary>When it ends.</summary>
    public long Close(int session) => (long)task.Sessions[session].Close * PerMinute;

    private bool PlaceHead(PlacedLot lot)
    {
        foreach (var (before, lag) in Before(lot))
        {
            lot.Head = Math.Max(lot.Head, before.Head + lag);
        }

        lot.FirstSession = Enumerable.Range(0, horizon).FirstOrDefault(s => Math.Max(lot.Head, Open(s) + lot.SetUp) + lot.Size <= Close(s), horizon);
        if (lot.FirstSession == horizon)
        {
            return false;
        }

        lot.Head = Math.Max(lot.Head, Open(lot.FirstSession) + lot.SetUp);
        return true;
    }

    private bool PlaceTail(PlacedLot lot)
    {
        var last = Enumerable.Range(0, horizon).Reverse().FirstOrDefault(s => Math.Min(lot.Tail, Close(s) - lot.Size) >= Open(s) + lot.SetUp, -1);
        lot.Tail = last < 0 ? -1 : Math.Min(lot.Tail, Close(last) - lot.Size);
        foreach (var (before, lag) in Before(lot))
        {
            before.Tail = Math.Min(before.Tail, lot.Tail - lag);
        }

        return lot.Tail >= lot.Head;
    }

    /// <summary>Set-ups that any plan has at least.</summary>
    public int LeastSetUps() => Lots.GroupBy(i => i.Kind).Sum(kind => LeastVisits([.. kind]));

    /// <summary>Pairs of lots of one station and colour that can't share a set-up.</summary>
    public IEnumerable<(PlacedLot One, PlacedLot Other)> Apart(IEnumerable<PlacedLot> kind) =>
        from chain in kind.GroupBy(l => l.Chain)
        from one in chain
        from other in chain
        where one.Place < other.Place && AreApart(one, other)
        select (one, other);

    // What has to start before an item, and by how much.
    public IEnumerable<(PlacedLot Item, long Lag)> Before(PlacedLot item)
    {
        if (item.Place > 0)
        {
            var before = At[(item.Chain, item.Place - 1)];
            yield return (before, Math.Max(Up(Scheduling.Lots.Lag(before.Lot, item.Lot)), before.Size));
        }
        else
        {
            foreach (var (chain, _) in task.Joins.Where(j => j.After == item.Chain && task.Chains[j.Before].Count > 0))
            {
                var before = At[(chain, task.Chains[chain].Count - 1)];
                var sameCopies = before.Lot.Copies.SequenceEqual(item.Lot.Copies);
                yield return (before, sameCopies ? Math.Max(Up(Scheduling.Lots.Lag(before.Lot, item.Lot)), before.Size) : before.Size + Up(before.Lot.LagMin));
            }
        }
    }

    // Visits that a station and colour needs at least: for its work against the longest session; for lots of one chain that can't share a
    // set-up, as another one comes between or a session can't hold both; and for lots whose sessions do not meet.
    public int LeastVisits(IReadOnlyList<PlacedLot> kind)
    {
        var longest = Enumerable.Range(0, horizon).Max(s => Close(s) - Open(s)) - kind[0].SetUp;
        var byWork = (kind.Sum(i => i.Size) + longest - 1) / longest;
        var apart = kind.GroupBy(i => i.Chain).Max(Separate);
        return (int)Math.Max(Math.Max(byWork, apart), Disjoint(kind));
    }

    // Lots of a chain and kind of which no two can share a set-up: each the first that its forerunner can't take along.
    private int Separate(IEnumerable<PlacedLot> ofChain)
    {
        var (count, first) = (0, (PlacedLot?)null);
        foreach (var lot in ofChain.OrderBy(l => l.Place))
        {
            if (first is null || AreApart(first, lot))
            {
                (count, first) = (count + 1, lot);
            }
        }

        return count;
    }

    // Whether two lots of a chain, of one station and colour, can't share a set-up: another one comes between, or no session holds both.
    private bool AreApart(PlacedLot first, PlacedLot second)
    {
        for (var p = first.Place + 1; p < second.Place; p++)
        {
            if (At[(first.Chain, p)].Kind != first.Kind)
            {
                return true;
            }
        }

        return Gap(first, second) > 0;
    }

    // Most lots of which no two can be in one session, by their first and last sessions.
    private int Disjoint(IEnumerable<PlacedLot> lots)
    {
        var (count, last) = (0, -1);
        foreach (var item in lots.OrderBy(LastSession))
        {
            if (item.FirstSession > last)
            {
                count++;
                last = LastSession(item);
            }
        }

        return count;
    }

    private int LastSession(PlacedLot item) => Enumerable.Range(0, horizon).Last(s => Open(s) + item.SetUp <= Math.Min(item.Tail, Close(s) - item.Size));

    // Sessions used at least: by work with the least set-ups, and by lots whose sessions do not meet.
    public int LeastSessions()
    {
        var units = WorkUnits + Lots.GroupBy(i => i.Kind).Sum(k => LeastVisits([.. k]) * k.First().SetUp);
        var count = 0;
        foreach (var minutes in Enumerable.Range(0, horizon).Select(s => Close(s) - Open(s)).OrderDescending())
        {
            if (units <= 0)
            {
                break;
            }

            units -= minutes;
            count++;
        }

        // A chain is spread over as many sessions as its waits force apart.
        var spread = Lots.GroupBy(i => i.Chain).Max(chain =>
        {
            var (sessions, first) = (1, chain.First());
            foreach (var item in chain.Where(item => Gap(first, item) > 0))
            {
                (sessions, first) = (sessions + 1, item);
            }

            return sessions;
        });
        return Math.Max(Math.Max(count, units > 0 ? horizon : 0), Math.Max(Disjoint(Lots), spread));
    }

    // Sessions that lie at least between two items of a chain.
    private int Gap(PlacedLot first, PlacedLot second)
    {
        long lag = 0;
        for (var p = first.Place; p < second.Place; p++)
        {
            var (a, b) = (At[(first.Chain, p)], At[(first.Chain, p + 1)]);
            lag += Math.Max(Up(Scheduling.Lots.Lag(a.Lot, b.Lot)), a.Size);
        }

        return SessionsApart(first, second, lag);
    }

    public int SessionsApart(PlacedLot first, PlacedLot second, long lag)
    {
        var least = int.MaxValue;
        for (var s = first.FirstSession; s < horizon; s++)
        {
            var from = Math.Max(Open(s) + first.SetUp, first.Head);
            if (from > Math.Min(Close(s) - first.Size, first.Tail))
            {
                continue;
            }

            for (var t = s; t < horizon; t++)
            {
                if (Math.Max(from + lag, Math.Max(Open(t) + second.SetUp, second.Head)) <= Math.Min(Close(t) - second.Size, second.Tail))
                {
                    least = Math.Min(least, t - s);
                    break;
                }
            }
        }

        return least == int.MaxValue ? 0 : least;
    }
}
