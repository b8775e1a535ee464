using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>One coat in the course of the work on a piece, on all the zones that get it together.</summary>
/// <param name="On">Zones by place, each with the place of the coat in its stack.</param>
public sealed record PieceTask((int Zone, int Coat)[] On)
{
    /// <summary>Whether a zone gets it.</summary>
    public bool IsOn(int zone)
    {
        for (var i = 0; i < On.Length; i++)
        {
            if (On[i].Zone == zone)
            {
                return true;
            }
        }

        return false;
    }
}

/// <summary>A piece as the rules read it: what is painted when, with coats that several zones share done together.</summary>
public sealed class PieceReading
{
    private readonly Lazy<Reading[]> readings;
    private readonly ZoneFacts[] zones;

    /// <summary>Reads a piece.</summary>
    public PieceReading(PieceStacks piece)
        : this(piece, ZoneFacts.Of(piece))
    {
    }

    private PieceReading(PieceStacks piece, ZoneFacts[] zones)
    {
        (Piece, this.zones) = (piece, zones);
        readings = new(() => [.. piece.Zones.Select(z => new Reading(z.Stack, Predictor.PredictMiddle(z.Stack)))]);
        Tasks = InOrder();
    }

    /// <summary>The piece.</summary>
    public PieceStacks Piece { get; }

    /// <summary>What is painted, in its order.</summary>
    public IReadOnlyList<PieceTask> Tasks { get; }

    /// <summary>The stack of a zone as it is read.</summary>
    public Reading Stack(int zone) => readings.Value[zone];

    /// <summary>The coat of a zone.</summary>
    public Coat Coat(int zone, int coat) => Piece.Zones[zone].Stack.Coats[coat];

    /// <summary>Whether a coat is messy and colours what it hits.</summary>
    public bool IsMessy(int zone, int coat) => zones[zone].Messy[coat];

    /// <summary>Minutes to touch a zone up on all its copies, where messy work beside it has caught it.</summary>
    public double RepaintMin(int zone) => zones[zone].RepaintMin;

    /// <summary>Place of a zone; -1 where it is not of this piece.</summary>
    public int Place(Guid id)
    {
        for (var z = 0; z < Piece.Zones.Count; z++)
        {
            if (Piece.Zones[z].Id == id)
            {
                return z;
            }
        }

        return -1;
    }

    /// <summary>Whether two zones touch.</summary>
    public bool Touch(int a, int b) => a != b && (Piece.Zones[a].Touches.Contains(Piece.Zones[b].Id) || Piece.Zones[b].Touches.Contains(Piece.Zones[a].Id));

    /// <summary>Where in the work the last coat that colours a zone is laid; -1 where none is.</summary>
    public int LastColour(int zone)
    {
        for (var t = Tasks.Count - 1; t >= 0; t--)
        {
            foreach (var (z, c) in Tasks[t].On)
            {
                if (z == zone && zones[z].Colours[c])
                {
                    return t;
                }
            }
        }

        return -1;
    }

    /// <summary>The same piece with its zones painted in another order.</summary>
    internal PieceReading Ordered(IReadOnlyList<int> order) => new(Piece with { Zones = [.. order.Select(z => Piece.Zones[z])] }, [.. order.Select(z => zones[z])]);

    // The first zone's coats, then zone by zone: what is shared is done at once, the rest in the order of the zones.
    private List<PieceTask> InOrder()
    {
        var tasks = new List<PieceTask>();
        for (var z = 0; z < Piece.Zones.Count; z++)
        {
            var stack = Piece.Zones[z].Stack.Coats;
            var own = Enumerable.Range(0, stack.Count).Where(i => !stack[i].Skipped).ToList();
            tasks = Merge(tasks, [.. own.Select(c => new PieceTask([(z, c)]))]);
        }

        return tasks;
    }

    // The longest run of coats that both have in common, in their order (Wagner and Fischer 1974).
    private List<PieceTask> Merge(List<PieceTask> before, List<PieceTask> own)
    {
        var common = new int[before.Count + 1, own.Count + 1];
        for (var i = before.Count - 1; i >= 0; i--)
        {
            for (var j = own.Count - 1; j >= 0; j--)
            {
                common[i, j] = Alike(before[i], own[j]) ? common[i + 1, j + 1] + 1 : Math.Max(common[i + 1, j], common[i, j + 1]);
            }
        }

        var merged = new List<PieceTask>(before.Count + own.Count);
        var (a, b) = (0, 0);
        while (a < before.Count || b < own.Count)
        {
            if (a < before.Count && b < own.Count && Alike(before[a], own[b]))
            {
                merged.Add(new([.. before[a++].On, .. own[b++].On]));
            }
            else if (a < before.Count && (b == own.Count || common[a + 1, b] >= common[a, b + 1]))
            {
                merged.Add(before[a++]);
            }
            else
            {
                merged.Add(own[b++]);
            }
        }

        return merged;
    }

    private bool Alike(PieceTask one, PieceTask other) => Kind(one) is >= 0 and var kind && kind == Kind(other);

    private int Kind(PieceTask task) => zones[task.On[0].Zone].Kinds[task.On[0].Coat];

    // What of a zone does not depend on the order in which zones are painted: worked out once, however many orders are tried.
    private sealed record ZoneFacts(int[] Kinds, bool[] Colours, bool[] Messy, double RepaintMin)
    {
        public static ZoneFacts[] Of(PieceStacks piece)
        {
            // Coats of one kind are the same paint laid in the same way.
            var kinds = new Dictionary<object, int>();
            int KindOf(Coat c)
            {
                if (!c.LeavesFilm)
                {
                    return -1;
                }

                var key = (c.Technique, c.Paint!.Name, c.Paint.Lead.Id, c.MixedTo, c.Paint.Lead.Colour);
                return kinds.TryGetValue(key, out var known) ? known : kinds[key] = kinds.Count;
            }

            return [.. piece.Zones.Select(z => new ZoneFacts(
                [.. z.Stack.Coats.Select(KindOf)],
                [.. z.Stack.Coats.Select(c => c is { LeavesFilm: true, What.Clear: false } && !c.How.ColourFree)],
                [.. z.Stack.Coats.Select(c => c is { LeavesFilm: true, How.Messy: true, What.Clear: false })],
                Overspray.RepaintMinutes(StackSteps.Of(z.Stack)) * z.Stack.Zone.Copies))];
        }
    }
}
