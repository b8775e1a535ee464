namespace Lowfell.Core.Boards;

/// <summary>How a join came out.</summary>
/// <param name="Join">The join.</param>
/// <param name="StepMm">Foot of the other over foot of the one, as it was measured or follows from how both stand, mm.</param>
/// <param name="MissMm">How far the heights that were found are from that, mm.</param>
public sealed record JoinStep(BoardJoin Join, double StepMm, double MissMm);

/// <summary>How high each copy stands.</summary>
/// <param name="ByCopy">Left foot above the table, mm, by copy.</param>
/// <param name="Joins">The joins.</param>
/// <param name="Groups">What hangs together, each with a height of its own to begin with.</param>
/// <param name="Faults">Measures that do not agree.</param>
public sealed record Feet(IReadOnlyDictionary<Guid, double> ByCopy, IReadOnlyList<JoinStep> Joins, IReadOnlyList<IReadOnlyList<Guid>> Groups, IReadOnlyList<BoardFault> Faults)
{
    /// <summary>
    /// Foot heights by least squares over the steps: <c>z_b + foot_b - z_a - foot_a = step</c>, the first copy of each group as it is set
    /// up. A measure that goes round and does not close by more than a millimetre is a fault; less is shared among its joins.
    /// </summary>
    /// <param name="copies">Copies on the board, none in another.</param>
    /// <param name="joins">Joins between them.</param>
    public static Feet Of(IReadOnlyList<PlacedCopy> copies, IReadOnlyList<BoardJoin> joins)
    {
        ArgumentNullException.ThrowIfNull(copies);
        ArgumentNullException.ThrowIfNull(joins);
        var place = copies.Index().ToDictionary(c => c.Item.Id, c => c.Index);

        // Left foot of the one to left foot of the other.
        var links = joins.Select(j =>
        {
            var (a, b) = (copies[place[j.A]], copies[place[j.B]]);
            var (rise, other) = (a.Rise(j.At(a)), b.Rise(j.At(b)));
            var step = j.StepMm ?? (b.OnMm + other - a.OnMm - rise);
            return (Join: j, A: place[j.A], B: place[j.B], Step: step, Lifts: step + rise - other);
        }).ToList();
        var z = new double[copies.Count];
        var touching = links.SelectMany((l, i) => new[] { (Copy: l.A, Link: i), (Copy: l.B, Link: i) }).ToLookup(x => x.Copy, x => x.Link);
        var groups = new List<IReadOnlyList<Guid>>();
        var faults = new List<BoardFault>();
        var seen = new bool[copies.Count];
        var order = new List<int>();
        for (var first = 0; first < copies.Count; first++)
        {
            if (seen[first])
            {
                continue;
            }

            var start = order.Count;
            (seen[first], z[first]) = (true, copies[first].OnMm);
            order.Add(first);
            for (var at = start; at < order.Count; at++)
            {
                foreach (var link in touching[order[at]].Select(i => links[i]))
                {
                    var (to, lifts) = link.A == order[at] ? (link.B, link.Lifts) : (link.A, -link.Lifts);
                    if (!seen[to])
                    {
                        (seen[to], z[to]) = (true, z[order[at]] + lifts);
                        order.Add(to);
                    }
                }
            }

            groups.Add([.. order.Skip(start).Select(i => copies[i].Id)]);
        }

        // What does not lie on the way that heights were first carried goes round.
        foreach (var (number, link) in links.Index())
        {
            var round = z[link.A] + link.Lifts - z[link.B];
            if (Math.Abs(round) > BoardTable.MissMm)
            {
                faults.Add(new($"joins[{number}]", FormattableString.Invariant($"{copies[link.A].Name} to {copies[link.B].Name}: the feet meet {Math.Abs(round):0.#} mm apart when you go round. Measure the steps again.")));
            }
        }

        var firsts = groups.Select(g => place[g[0]]).ToHashSet();
        Share(z, [.. links.Select(l => (l.A, l.B, l.Lifts))], firsts);
        return new(
            copies.Index().ToDictionary(c => c.Item.Id, c => z[c.Index]),
            [.. links.Select(l => new JoinStep(l.Join, l.Step, z[l.B] - z[l.A] - l.Lifts))], groups, faults);
    }

    // Conjugate gradients on the normal equations (Hestenes and Stiefel 1952): from heights that are nearly right already.
    private static void Share(double[] z, IReadOnlyList<(int A, int B, double Lifts)> links, HashSet<int> firsts)
    {
        double[] Apply(double[] x, bool withSteps)
        {
            var to = new double[x.Length];
            foreach (var (a, b, lifts) in links)
            {
                var miss = (withSteps ? lifts : 0) - (x[b] - x[a]);
                to[b] += withSteps ? miss : -miss;
                to[a] -= withSteps ? miss : -miss;
            }

            foreach (var i in firsts)
            {
                to[i] = 0;
            }

            return to;
        }

        static double Dot(double[] a, double[] b) => a.Zip(b, (x, y) => x * y).Sum();
        var rest = Apply(z, true);
        var way = (double[])rest.Clone();
        var left = Dot(rest, rest);
        for (var i = 0; i < 4 * z.Length && left > 1e-18; i++)
        {
            var bent = Apply(way, false);
            var far = left / Dot(way, bent);
            for (var k = 0; k < z.Length; k++)
            {
                z[k] += far * way[k];
                rest[k] -= far * bent[k];
            }

            var now = Dot(rest, rest);
            for (var k = 0; k < z.Length; k++)
            {
                way[k] = rest[k] + (now / left * way[k]);
            }

            left = now;
        }
    }
}
