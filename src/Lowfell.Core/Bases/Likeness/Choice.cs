using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Likeness;

/// <summary>Chooses one roll for each copy, so that the tray differs and yet belongs together.</summary>
public static class Choice
{
    // How fast likeness weighs less as distance grows, and how much a point of score weighs beside it.
    private const double Falls = 12;
    private const double ScoreWeight = 0.002;

    /// <summary>What a roll that reads as a ring or row, or does not belong, costs: more than any likeness can gain.</summary>
    private const double Barred = 100;

    private const int MostRounds = 20;

    /// <summary>Chooses; gives the place of the chosen roll of each copy.</summary>
    /// <param name="rolls">Rolls of each copy with their impressions; at least one a copy.</param>
    /// <param name="cancel">Cancels.</param>
    public static int[] Of(IReadOnlyList<IReadOnlyList<(Layout Layout, Impression Impression)>> rolls, CancellationToken cancel = default)
    {
        var copies = rolls.Count;
        if (copies == 0)
        {
            return [];
        }

        int[] first = new int[copies + 1];
        for (var c = 0; c < copies; c++)
        {
            first[c + 1] = first[c] + rolls[c].Count;
        }

        List<(int Copy, Layout Layout, Impression Impression)> all = [.. rolls.SelectMany((r, c) => r.Select(x => (c, x.Layout, x.Impression)))];
        var near = Near(all, cancel);
        double[] own = [.. all.Select(r => (ScoreWeight * Math.Min(10, r.Layout.Score)) + (IsBarred(r.Layout) ? Barred : 0))];
        var chosen = new int[copies];

        // The best first, then for each copy the roll that is farthest from those chosen; then one at a time until nothing gets better.
        for (var c = 0; c < copies; c++)
        {
            chosen[c] = Enumerable.Range(first[c], rolls[c].Count).MinBy(r => own[r] + Enumerable.Range(0, c).Sum(k => (double)near[r, chosen[k]]));
        }

        for (var round = 0; round < MostRounds; round++)
        {
            cancel.ThrowIfCancellationRequested();
            var changed = false;
            for (var c = 0; c < copies; c++)
            {
                var best = Enumerable.Range(first[c], rolls[c].Count).MinBy(r => own[r] + Enumerable.Range(0, copies).Where(k => k != c).Sum(k => (double)near[r, chosen[k]]));
                changed |= best != chosen[c];
                chosen[c] = best;
            }

            if (!changed)
            {
                break;
            }
        }

        return [.. chosen.Select((r, c) => r - first[c])];
    }

    /// <summary>Whether a roll may not be chosen while there is another.</summary>
    public static bool IsBarred(Layout layout) => layout.Ring is not null || layout.Row is not null || Resemblance.Of(layout) < Resemblance.Belongs || layout.Cover.CalmShare < BaseFamily.LeastCalm;

    private static float[,] Near(List<(int Copy, Layout Layout, Impression Impression)> all, CancellationToken cancel)
    {
        var near = new float[all.Count, all.Count];
        Parallel.For(0, all.Count, new ParallelOptions { CancellationToken = cancel }, i =>
        {
            for (var j = i + 1; j < all.Count; j++)
            {
                if (all[i].Copy != all[j].Copy)
                {
                    near[i, j] = near[j, i] = (float)Steady.Exp(-Falls * all[i].Impression.From(all[j].Impression));
                }
            }
        });
        return near;
    }
}
