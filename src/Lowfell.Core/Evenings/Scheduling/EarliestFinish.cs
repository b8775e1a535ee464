namespace Lowfell.Core.Evenings.Scheduling;

// The bound: no plan that keeps lots whole can finish sooner.
public static partial class ListScheduler
{
    /// <summary>The first session in which everything can be done at the earliest by plans that keep lots whole: none of them can finish before.</summary>
    /// <remarks>
    /// The largest of two bounds: each chain, with the chains joined before it, alone through the calendar; and all work with a set-up for each
    /// station and colour against the minutes there are.
    /// </remarks>
    public static int EarliestFinish(PlanTask task)
    {
        var split = Lots.Split(task);
        var bound = -1;
        foreach (var path in Lots.Paths(split))
        {
            var alone = new Run(new([path], split.Sessions, [], []), [1], 0).Go();
            bound = Math.Max(bound, alone.Problem is null ? alone.LastSession : split.Sessions.Count);
        }

        var lots = split.Chains.SelectMany(c => c).ToList();
        var work = lots.Sum(l => l.Minutes) + lots.GroupBy(l => (l.Station, l.Colour)).Sum(g => g.Min(l => l.SetUpMin));
        var minutes = 0.0;
        for (var s = 0; s < split.Sessions.Count; s++)
        {
            minutes += split.Sessions[s].Minutes;
            if (minutes >= work - Tolerance)
            {
                return Math.Max(bound, lots.Count == 0 ? -1 : s);
            }
        }

        return split.Sessions.Count;
    }
}
