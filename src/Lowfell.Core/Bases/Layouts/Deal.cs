using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Bases.Layouts;

/// <summary>A copy that elements are dealt to.</summary>
/// <param name="Seat">Form and figure.</param>
/// <param name="Locked">What stands locked on it; it counts against the stock and its cluster is left as it is.</param>
/// <param name="Number">Number that it is told by; 0 for its place in the list, from 1.</param>
public sealed record DealTo(Seat Seat, IReadOnlyList<Element> Locked, int Number = 0);

/// <summary>What was dealt.</summary>
/// <param name="ByCopy">Elements of each copy, those that are locked first.</param>
/// <param name="Left">What is left in each box.</param>
/// <param name="Notes">What lacked, and what stands in for it.</param>
/// <param name="Lacking">What lacked by name, with how many, and which copies wait for it.</param>
public sealed record Dealt(IReadOnlyList<IReadOnlyList<Element>> ByCopy, IReadOnlyDictionary<Guid, int> Left, IReadOnlyList<string> Notes, IReadOnlyList<Lack> Lacking);

/// <summary>Something of which the shelf has too few.</summary>
/// <param name="Name">What.</param>
/// <param name="Missing">How many are missing, and nothing stands in for them.</param>
/// <param name="StoodIn">How many something else stands in for.</param>
/// <param name="With">What stands in.</param>
/// <param name="Copies">Copies that go without, numbered from 1.</param>
public sealed record Lack(string Name, int Missing, int StoodIn, IReadOnlyList<string> With, IReadOnlyList<int> Copies);

/// <summary>Shares the stock out before anything is placed: a tray never uses more than there is, by construction.</summary>
public sealed class Deal
{
    private readonly BaseFamily family;
    private readonly ulong seed;
    private readonly List<ElementClass> boxes;
    private readonly Dictionary<Guid, int> left;
    private readonly List<List<Element>> dealt;
    private readonly IReadOnlyList<DealTo> copies;
    private readonly SortedDictionary<string, (int Missing, int StoodIn, SortedSet<string> With, SortedSet<int> Copies)> lacks = new(StringComparer.Ordinal);
    private readonly Dictionary<(string Seat, Guid Class), bool> fits = [];
    private int bareOfTufts;

    private Deal(IReadOnlyList<DealTo> copies, IReadOnlyList<ElementStock> stock, BaseFamily family, ulong seed)
    {
        (this.copies, this.family, this.seed) = (copies, family, seed);
        boxes = [.. stock.Select(s => s.Class).OrderBy(c => c.Name, StringComparer.Ordinal).ThenBy(c => c.Id)];
        left = stock.ToDictionary(s => s.Class.Id, s => s.Count);
        dealt = [.. copies.Select(c => c.Locked.ToList())];
        foreach (var element in copies.SelectMany(c => c.Locked).Where(e => left.ContainsKey(e.ClassId)))
        {
            left[element.ClassId]--;
        }
    }

    private sealed record Wish(ElementClass Class, int Cluster, bool Heart);

    /// <summary>Deals.</summary>
    public static Dealt Of(IReadOnlyList<DealTo> copies, IReadOnlyList<ElementStock> stock, BaseFamily family, ulong seed) => new Deal(copies, stock, family, seed).Run();

    private Dealt Run()
    {
        List<List<Wish>> wishes = [.. copies.Select((c, i) => Wishes(c, i))];
        List<int> order = [.. Enumerable.Range(0, copies.Count).OrderBy(i => Seeds.Of(seed, (ulong)i, 77))];
        foreach (var hearts in new[] { true, false })
        {
            foreach (var copy in order)
            {
                foreach (var wish in wishes[copy].Where(w => w.Heart == hearts && w.Class.Kind.IsRigid()))
                {
                    Give(copy, wish);
                }
            }
        }

        Tufts(wishes, order);
        for (var copy = 0; copy < copies.Count; copy++)
        {
            Even(copy);
            GiveHearts(copy);
        }

        List<Lack> lacking = [.. lacks.Select(l => new Lack(l.Key, l.Value.Missing, l.Value.StoodIn, [.. l.Value.With], [.. l.Value.Copies]))];
        return new([.. dealt], left, Notes(lacking), lacking);
    }

    // On a long base clusters are drawn for either half; a cluster of which something is locked is not drawn again.
    private List<Wish> Wishes(DealTo to, int copy)
    {
        var random = new Seeds(Seeds.Of(seed, (ulong)copy, 5));
        var wishes = new List<Wish>();
        var taken = to.Locked.Select(e => e.Cluster).ToHashSet();
        var cluster = 0;
        for (var half = 0; half < (to.Seat.Form.IsLong ? 2 : 1); half++)
        {
            foreach (var group in family.For(to.Seat.Form))
            {
                var draw = random.Unit() * group.Sum(c => c.Weight);
                var rule = group.First();
                foreach (var candidate in group)
                {
                    rule = candidate;
                    draw -= candidate.Weight;
                    if (draw < 0)
                    {
                        break;
                    }
                }

                if (!taken.Contains(cluster))
                {
                    wishes.AddRange(rule.Elements.Select((e, i) => (Class: Nearest(e, to.Seat), i)).Where(e => e.Class is not null).Select(e => new Wish(e.Class!, cluster, e.i == 0)));
                }

                cluster++;
            }
        }

        return wishes;
    }

    // The box of the kind that comes nearest; what does not fit alone gives way to the next smaller.
    private ElementClass? Nearest(WishedElement wished, Seat seat)
    {
        var box = boxes.Where(b => b.Kind == wished.Kind).MinBy(b => Math.Abs(b.LengthMm - wished.LengthMm))
            ?? (wished.Kind.IsRigid() ? boxes.Where(b => wished.Kind.Facts().StandsIn.Contains(b.Kind)).MinBy(b => Math.Abs(b.LengthMm - wished.LengthMm)) : null);
        while (box is not null && !Fits(box, seat))
        {
            box = StandIns.Smaller(box, boxes) ?? StandIns.Smaller(box, boxes.Where(b => box.Kind.Facts().StandsIn.Contains(b.Kind)).Select(b => b with { Kind = box.Kind }));
            box = box is null ? null : boxes.Single(b => b.Id == box.Id);
        }

        return box;
    }

    private bool Fits(ElementClass box, Seat seat)
    {
        const int Darts = 400, Least = 8;
        var key = ($"{seat.Form} {seat.Figure}", box.Id);
        if (fits.TryGetValue(key, out var known))
        {
            return known;
        }

        var terrain = new Terrain(seat, family.SkimMm, family.RiseMm * BaseFamily.RiseOf(seat.Form.Size), Math.PI / 2, family.BareLandings);
        var place = new Placement(seat, terrain, family.RimMm, 0);
        var large = 1 + (0.7 * box.Spread);
        var body = new Body(Element.From(box with { LengthMm = box.LengthMm * large, WidthMm = box.WidthMm * large, HeightMm = box.HeightMm * large, Spread = 0 }, 1));
        var random = new Seeds(9);
        var hits = 0;
        for (var dart = 0; dart < Darts && hits < Least; dart++)
        {
            var way = Point.Towards(random.In(0, 2 * Math.PI));
            var far = Math.Sqrt(random.Unit()) * seat.Form.Reach(way);
            body.Put(far * way.X, far * way.Y, random.In(0, 2 * Math.PI));
            hits += place.Of(body, out _) == Hindrance.None ? 1 : 0;
        }

        return fits[key] = hits >= Least;
    }

    private void Give(int copy, Wish wish)
    {
        if (Take(wish.Class.Id, 1))
        {
            Put(copy, wish.Class, wish, null, wish.Heart);
            return;
        }

        foreach (var (box, pieces) in StandIns.For(wish.Class, boxes).Where(s => Fits(s.Class, copies[copy].Seat)))
        {
            if (Take(box.Id, pieces))
            {
                for (var k = 0; k < pieces; k++)
                {
                    Put(copy, box, wish, wish.Class.Name, wish.Heart && k == 0);
                }

                Lacks(wish.Class.Name, copy, $"{(pieces > 1 ? $"{pieces} " : "")}{box.Name}");
                return;
            }
        }

        Lacks(wish.Class.Name, copy, null);
    }

    // Tufts come in clusters, or not at all: fewer than the family wants look lost.
    private void Tufts(List<List<Wish>> wishes, List<int> order)
    {
        var most = wishes.Select(w => w.Where(e => !e.Class.Kind.IsRigid()).Select(e => e.Cluster).Distinct().Count()).DefaultIfEmpty(0).Max();
        for (var rank = 0; rank < most; rank++)
        {
            foreach (var copy in order)
            {
                var clusters = wishes[copy].Where(w => !w.Class.Kind.IsRigid()).GroupBy(w => w.Cluster).ToList();
                if (rank < clusters.Count)
                {
                    TuftCluster(copy, [.. clusters[rank]]);
                }
            }
        }
    }

    private void TuftCluster(int copy, List<Wish> cluster)
    {
        var got = new List<(ElementClass Box, string? For)>();
        foreach (var wish in cluster)
        {
            if (Take(wish.Class.Id, 1))
            {
                got.Add((wish.Class, null));
            }
            else if (StandIns.For(wish.Class, boxes).FirstOrDefault(s => !s.Class.Kind.IsRigid() && left[s.Class.Id] >= s.Pieces) is { } other)
            {
                Take(other.Class.Id, other.Pieces);
                got.AddRange(Enumerable.Repeat((other.Class, (string?)wish.Class.Name), other.Pieces));
            }
        }

        if (got.Count < Math.Min(family.LeastTufts, cluster.Count))
        {
            got.ForEach(g => left[g.Box.Id]++);
            bareOfTufts++;
            foreach (var lacking in cluster.Skip(got.Count))
            {
                Lacks(lacking.Class.Name, copy, null);
            }

            return;
        }

        if (got.Count % 2 == 0 && family.LeastTufts > 1)
        {
            left[got[^1].Box.Id]++;
            got.RemoveAt(got.Count - 1);
        }

        foreach (var (i, (box, instead)) in got.Index())
        {
            Put(copy, box, cluster[0], instead, i == 0);
            if (instead is not null)
            {
                Lacks(instead, copy, box.Name);
            }
        }
    }

    // Odd numbers look grown, even ones set: an even cluster gives its smallest back.
    private void Even(int copy)
    {
        foreach (var cluster in dealt[copy].Where(e => e.Kind.IsRigid()).GroupBy(e => e.Cluster).Where(g => g.Count() % 2 == 0).ToList())
        {
            if (cluster.Where(e => !e.Heart && !e.Locked).MinBy(e => e.LengthMm * e.WidthMm) is { } smallest)
            {
                dealt[copy].Remove(smallest);
                left[smallest.ClassId] = left.GetValueOrDefault(smallest.ClassId) + 1;
            }
        }
    }

    private void GiveHearts(int copy)
    {
        foreach (var cluster in dealt[copy].GroupBy(e => e.Cluster).Where(g => !g.Any(e => e.Heart)).ToList())
        {
            var first = cluster.First();
            dealt[copy][dealt[copy].IndexOf(first)] = first with { Heart = true };
        }
    }

    private void Put(int copy, ElementClass box, Wish wish, string? instead, bool heart) =>
        dealt[copy].Add(Element.From(box, Seeds.Of(seed, (ulong)copy, (ulong)dealt[copy].Count, 31)) with { Cluster = wish.Cluster, Heart = heart, InsteadOf = instead });

    private bool Take(Guid box, int pieces)
    {
        if (left.GetValueOrDefault(box) < pieces)
        {
            return false;
        }

        left[box] -= pieces;
        return true;
    }

    private void Lacks(string name, int copy, string? with)
    {
        if (!lacks.TryGetValue(name, out var lack))
        {
            lack = (0, 0, new(StringComparer.Ordinal), []);
        }

        if (with is null)
        {
            lack.Copies.Add(copies[copy].Number > 0 ? copies[copy].Number : copy + 1);
            lacks[name] = lack with { Missing = lack.Missing + 1 };
        }
        else
        {
            lack.With.Add(with);
            lacks[name] = lack with { StoodIn = lack.StoodIn + 1 };
        }
    }

    private List<string> Notes(List<Lack> lacking)
    {
        List<string> notes = [.. lacking.Where(l => l.StoodIn > 0).Select(l => $"Short of {l.Name}: {string.Join(" or ", l.With)} instead, {Words.Counted(l.StoodIn, "time", "times")}.")];
        notes.AddRange(lacking.Where(l => l.Missing > 0).Select(l => $"{l.Missing} {l.Name} lacking, nothing that fits is left; those places stay calm (base {string.Join(", ", l.Copies)})."));
        if (bareOfTufts > 0)
        {
            notes.Add($"{Words.Counted(bareOfTufts, "cluster", "clusters")} of tufts left out: fewer than {family.LeastTufts} were left, and a lone tuft looks out of place.");
        }

        return notes;
    }
}
