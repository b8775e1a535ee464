using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>Lots of a task that take the same room in an evening after whatever went before: what was set up for one is set up for all of them.</summary>
internal sealed class LotKinds
{
    private readonly int[][] of;
    private readonly List<Kind> all = [];

    /// <summary>The kinds of a task.</summary>
    public LotKinds(PlanTask task)
    {
        var known = new Dictionary<Key, int>();
        of = new int[task.Chains.Count][];
        for (var c = 0; c < of.Length; c++)
        {
            var chain = task.Chains[c];
            of[c] = new int[chain.Count];

            // Minutes that must be free: the lot, and all lots that must follow it within a window.
            var span = 0.0;
            for (var i = chain.Count - 1; i >= 0; i--)
            {
                var lot = chain[i];
                span = lot.MostLagMin is not null && i + 1 < chain.Count ? Lots.Offset(lot, chain[i + 1]) + span : lot.Minutes;
                var key = new Key(lot.Station, lot.Colour, lot.SetUpMin, lot.ChangeMin, span);
                if (!known.TryGetValue(key, out var number))
                {
                    known.Add(key, number = all.Count);
                    all.Add(new(lot, key.SetUpMin, key.ChangeMin, span));
                }

                of[c][i] = number;
            }
        }
    }

    /// <summary>How many there are.</summary>
    public int Count => all.Count;

    /// <summary>A kind by its number.</summary>
    public Kind this[int number] => all[number];

    /// <summary>Number of the kind of a lot.</summary>
    public int Of(int chain, int place) => of[chain][place];

    /// <summary>One kind.</summary>
    /// <param name="Like">A lot of it.</param>
    /// <param name="SetUpMin">Minutes to set its station up.</param>
    /// <param name="ChangeMin">Minutes for its colour at a station that stands ready with another.</param>
    /// <param name="SpanMin">Minutes that must be free before the session ends.</param>
    public sealed record Kind(Lot Like, double SetUpMin, double ChangeMin, double SpanMin)
    {
        /// <summary>Minutes of setting up before it.</summary>
        public double SetUpAfter(Lot? before) => Like.SetUpAfter(before, SetUpMin, ChangeMin);
    }

    private readonly record struct Key(Station Station, string Colour, double SetUpMin, double ChangeMin, double SpanMin);
}
