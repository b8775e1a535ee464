namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>The next lot of each chain, so kept that the one to go on with is found among the kinds of lots and not among all chains.</summary>
/// <remarks>
/// A few lots of a kind are just looked at. Of more, those that are ready stand in the order of their urge, and those that are not in the order in
/// which they will be. What has changed since it was put there is known by its stamp, and left out when it comes up.
/// </remarks>
internal sealed class NextLots(LotKinds kinds, int chains)
{
    // What starts within a few minutes of the first is as good as at once.
    private const double SoonMin = 6;

    // As many of a kind are looked at one by one as quickly as they would be put in order.
    private const int Few = 8;

    private readonly Head[] heads = new Head[chains];
    private readonly Waiting?[] waiting = new Waiting?[kinds.Count];
    private readonly List<Waiting> present = [];

    /// <summary>Says what a chain goes on with.</summary>
    /// <param name="chain">The chain.</param>
    /// <param name="place">Place of its next lot; null where it is done, or waits for another chain.</param>
    /// <param name="ready">Moment from which the lot may begin, minutes from the origin.</param>
    /// <param name="urge">What it presses: the highest goes first.</param>
    public void Set(int chain, int? place, double ready, double urge)
    {
        ref var head = ref heads[chain];
        var kind = place is { } at ? kinds.Of(chain, at) : -1;
        if (head.In is { } before)
        {
            if (before.Number == kind && head.Ready == ready && head.Urge == urge)
            {
                return;
            }

            before.IsOpen = true;
            if (--before.Count == 0)
            {
                Leave(before);
            }
        }

        head = new(kind < 0 ? null : waiting[kind] ??= new(kind, kinds[kind]), ready, urge, head.Stamp + 1);
        if (head.In is { } now)
        {
            if (now.Count++ == 0)
            {
                now.Place = present.Count;
                present.Add(now);
            }

            now.Add(new(chain, head.Stamp), ready);
        }
    }

    /// <summary>The chain to go on with: of those that can start by the earliest moment at which any can, and end in the session, the most pressing.</summary>
    /// <param name="now">Minutes from the origin.</param>
    /// <param name="close">The session ends.</param>
    /// <param name="before">What was done before in it.</param>
    /// <param name="keepSetUp">What keeping the set-up is worth, in minutes of urge.</param>
    /// <returns>The chain and its start; null where nothing can be begun in the session any more.</returns>
    public (int Chain, double Start)? Choose(double now, double close, Lot? before, double keepSetUp)
    {
        var earliest = double.MaxValue;

        // A rest after the last lot of a session may reach beyond the moment at which the next opens.
        var reached = Math.Min(now, close);
        foreach (var at in present)
        {
            at.SetUpMin = at.Kind.SetUpAfter(before);
            if (at.IsOpen)
            {
                Sort(at, reached);
            }

            var start = Math.Max(now + at.SetUpMin, at.Ready);
            if (start + at.Kind.SpanMin <= close + Lots.Tolerance)
            {
                earliest = Math.Min(earliest, start);
            }
        }

        if (earliest == double.MaxValue)
        {
            return null;
        }

        var by = earliest + SoonMin;
        var (best, bestStart, most) = (-1, 0.0, double.NegativeInfinity);
        foreach (var at in present)
        {
            var begin = now + at.SetUpMin;
            if (begin > by || at.Ready > by)
            {
                continue;
            }

            void Consider(int chain)
            {
                ref readonly var head = ref heads[chain];
                var start = Math.Max(begin, head.Ready);
                var urge = head.Urge + (at.SetUpMin == 0 ? keepSetUp : 0);
                if (start <= by && start + at.Kind.SpanMin <= close + Lots.Tolerance && (urge > most || (urge == most && chain < best)))
                {
                    (best, bestStart, most) = (chain, start, urge);
                }
            }

            foreach (var entry in at.Near)
            {
                Consider(entry.Chain);
            }

            if (at.Free is { Count: > 0 } free)
            {
                Consider(free.Peek().Chain);
            }

            while (at.Later is { } later && later.TryPeek(out var next, out var ready) && ready <= by)
            {
                later.Dequeue();
                if (Holds(next))
                {
                    at.Near.Add(next);
                    Consider(next.Chain);
                }
            }
        }

        return (best, bestStart);
    }

    private bool Holds(Entry entry) => heads[entry.Chain].Stamp == entry.Stamp;

    // What has become ready goes over to what is, and what has changed goes; then it is known when the first is ready. Moments never go back.
    private void Sort(Waiting at, double now)
    {
        var first = double.MaxValue;
        for (var i = at.Near.Count - 1; i >= 0; i--)
        {
            var entry = at.Near[i];
            ref readonly var head = ref heads[entry.Chain];
            if (head.Stamp == entry.Stamp && (head.Ready > now || at.Near.Count <= Few))
            {
                first = Math.Min(first, head.Ready);
                continue;
            }

            Free(at, entry);
            at.Near[i] = at.Near[^1];
            at.Near.RemoveAt(at.Near.Count - 1);
        }

        while (at.Later is { } later && later.TryPeek(out var next, out var ready))
        {
            if (ready > now && Holds(next))
            {
                first = Math.Min(first, ready);
                break;
            }

            Free(at, later.Dequeue());
        }

        while (at.Free is { Count: > 0 } free && !Holds(free.Peek()))
        {
            free.Dequeue();
        }

        if (at.Free is { Count: > 0 } turns)
        {
            first = Math.Min(first, heads[turns.Peek().Chain].Ready);
        }

        at.Sorted(first);
    }

    private void Free(Waiting at, Entry entry)
    {
        if (Holds(entry))
        {
            (at.Free ??= new()).Enqueue(entry, new(heads[entry.Chain].Urge, entry.Chain));
        }
    }

    private void Leave(Waiting kind)
    {
        var last = present[^1];
        present[kind.Place] = last;
        last.Place = kind.Place;
        present.RemoveAt(present.Count - 1);
        kind.Clear();
    }

    private readonly record struct Head(Waiting? In, double Ready, double Urge, int Stamp);

    private readonly record struct Entry(int Chain, int Stamp);

    /// <summary>The order of what is ready: the most pressing first, of equals the first chain.</summary>
    private readonly record struct Turn(double Urge, int Chain) : IComparable<Turn>
    {
        public int CompareTo(Turn other) => Urge != other.Urge ? other.Urge.CompareTo(Urge) : Chain.CompareTo(other.Chain);
    }

    /// <summary>Next lots of one kind.</summary>
    private sealed class Waiting(int number, LotKinds.Kind kind)
    {
        public int Number => number;

        public LotKinds.Kind Kind => kind;

        /// <summary>Those that are looked at: a few, and what is ready within minutes.</summary>
        public List<Entry> Near { get; } = [];

        /// <summary>More that can begin at once.</summary>
        public PriorityQueue<Entry, Turn>? Free { get; set; }

        /// <summary>More that have to wait.</summary>
        public PriorityQueue<Entry, double>? Later { get; private set; }

        /// <summary>Chains that go on with one.</summary>
        public int Count { get; set; }

        /// <summary>Where it stands among the kinds that there are now.</summary>
        public int Place { get; set; }

        /// <summary>Minutes of setting up before it, at the moment that is looked at.</summary>
        public double SetUpMin { get; set; }

        /// <summary>Whether it has to be sorted before it is asked: something has changed, or more wait than are just looked at.</summary>
        public bool IsOpen { get; set; }

        /// <summary>When the first of them is ready.</summary>
        public double Ready { get; private set; }

        public void Sorted(double ready)
        {
            Ready = ready;
            IsOpen = Near.Count > Few || Free is { Count: > 0 } || Later is { Count: > 0 };
        }

        public void Add(Entry entry, double ready)
        {
            IsOpen = true;
            if (Near.Count < Few)
            {
                Near.Add(entry);
            }
            else
            {
                (Later ??= new()).Enqueue(entry, ready);
            }
        }

        public void Clear()
        {
            Near.Clear();
            Free?.Clear();
            Later?.Clear();
        }
    }
}
