using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Scheduling;

/// <summary>A moment by which something has to be done.</summary>
/// <param name="Of">What: the lots of one deadline are done together.</param>
/// <param name="ByMin">When, minutes from the plan's origin.</param>
public readonly record struct Deadline(Guid Of, double ByMin);

/// <summary>One step on some identical copies, painted one after the other without a break.</summary>
public sealed record Lot
{
    /// <summary>The step.</summary>
    public required StepId Id { get; init; }

    /// <summary>Chain that it belongs to: lots of one chain follow each other, copy by copy.</summary>
    public required int Chain { get; init; }

    /// <summary>Numbers of the copies, in the order in which they are painted.</summary>
    public required IReadOnlyList<int> Copies { get; init; }

    /// <summary>Hands-on minutes a copy, above 0.</summary>
    public required double MinutesPerCopy { get; init; }

    /// <summary>Station.</summary>
    public required Station Station { get; init; }

    /// <summary>What is in the brush: another one wants a clean brush.</summary>
    public required string Colour { get; init; }

    /// <summary>Minutes from the end of a copy to the start of the next coat on it.</summary>
    public double LagMin { get; init; }

    /// <summary>Most minutes from the end of a copy to the start of the next coat on it; null without a window.</summary>
    public double? MostLagMin { get; init; }

    /// <summary>Earliest start, minutes from the plan's origin: what was painted before it has to be dry.</summary>
    public double NotBefore { get; init; }

    /// <summary>Minutes until a touching zone may be worked on: touch-dry.</summary>
    public double TouchMin { get; init; }

    /// <summary>It has to be begun by then, minutes from the plan's origin: what was painted before it sets; null without such a moment.</summary>
    public double? DueBy { get; init; }

    /// <summary>Best laid as the last thing of an evening.</summary>
    public bool WantsNight { get; init; }

    /// <summary>Hits what lies beside it.</summary>
    public bool Messy { get; init; }

    /// <summary>By when what it belongs to has to be done; null where there is no such day.</summary>
    public Deadline? Deadline { get; init; }

    /// <summary>Minutes that hands and eyes rest after it, before anything else is begun in the same session.</summary>
    public double PauseMin { get; init; }

    /// <summary>Minutes to set its station up, where the painter's own are known; else those of <see cref="Stations.SetUpMin"/>.</summary>
    public double? OwnSetUpMin { get; init; }

    /// <summary>Minutes to set its station up.</summary>
    public double SetUpMin => OwnSetUpMin ?? Station.SetUpMin();

    /// <summary>Minutes that it takes.</summary>
    public double Minutes => MinutesPerCopy * Copies.Count;

    /// <summary>Minutes for its colour at a station that stands ready with another, where it is not the station's own.</summary>
    public double? OwnChangeMin { get; init; }

    /// <summary>Minutes for its colour at a station that stands ready with another: no more than setting that up.</summary>
    public double ChangeMin => OwnChangeMin ?? Math.Min(SetUpMin, Station.ChangeMin() * (OwnSetUpMin is { } own ? own / Station.SetUpMin() : 1));

    /// <summary>Minutes of setting up before it, after a lot or at the start of a session.</summary>
    public double SetUpAfter(Lot? before) => SetUpAfter(before, SetUpMin, ChangeMin);

    /// <summary>The same with its minutes reckoned beforehand.</summary>
    internal double SetUpAfter(Lot? before, double setUpMin, double changeMin) => before is null || before.Station != Station ? setUpMin : before.Colour == Colour ? 0 : changeMin;
}

/// <summary>Time at the table, in minutes from the plan's origin.</summary>
/// <param name="Open">It begins.</param>
/// <param name="Close">It ends; nothing runs past it.</param>
public readonly record struct Session(int Open, int Close)
{
    /// <summary>Minutes of it.</summary>
    public int Minutes => Close - Open;
}

/// <summary>A session with the day that it is on.</summary>
/// <param name="Session">The session.</param>
/// <param name="Day">The painter's own day.</param>
public readonly record struct Evening(Session Session, DateOnly Day);

/// <summary>A lot with its time.</summary>
/// <param name="Lot">The lot.</param>
/// <param name="Session">Place of its session in the calendar.</param>
/// <param name="Start">Hands-on work begins, minutes from the origin.</param>
/// <param name="SetUpMin">Minutes of setting up right before it.</param>
public sealed record PlannedLot(Lot Lot, int Session, double Start, double SetUpMin)
{
    /// <summary>Hands-on work ends.</summary>
    public double End => Start + Lot.Minutes;

    /// <summary>When the copy at a place of the lot is begun.</summary>
    public double CopyStart(int place) => Start + (place * Lot.MinutesPerCopy);
}

/// <summary>What is to be planned.</summary>
/// <param name="Chains">Lots by chain, each in the order of its coats.</param>
/// <param name="Sessions">The calendar, in order, without overlap.</param>
/// <param name="Touching">Pairs of chains whose zones touch on the same copies.</param>
/// <param name="Joins">Pairs of chains of which the second begins, copy by copy, after the first is done and its last wait is over.</param>
public sealed record PlanTask(
    IReadOnlyList<IReadOnlyList<Lot>> Chains, IReadOnlyList<Session> Sessions, IReadOnlyList<(int A, int B)> Touching, IReadOnlyList<(int Before, int After)> Joins)
{
    /// <summary>Without joins.</summary>
    public PlanTask(IReadOnlyList<IReadOnlyList<Lot>> chains, IReadOnlyList<Session> sessions, IReadOnlyList<(int A, int B)> touching)
        : this(chains, sessions, touching, [])
    {
    }

    /// <summary>Steps counted copy by copy.</summary>
    public int PieceSteps => Chains.Sum(c => c.Sum(l => l.Copies.Count));
}

/// <summary>A plan of the evenings.</summary>
/// <param name="Lots">Lots in the order of their times.</param>
/// <param name="Problem">Why it could not be finished; null where it was.</param>
public sealed record Plan(IReadOnlyList<PlannedLot> Lots, PlanProblem? Problem)
{
    /// <summary>Last session used; -1 for nothing to do.</summary>
    public int LastSession => Lots.Count == 0 ? -1 : Lots.Max(l => l.Session);

    /// <summary>Sessions in which something is done.</summary>
    public int SessionsUsed => Lots.Select(l => l.Session).Distinct().Count();

    /// <summary>How often something is set up.</summary>
    public int SetUps => Lots.Count(l => l.SetUpMin > 0);

    /// <summary>Minutes at the table between first and last work of each session in which nothing is done.</summary>
    public double IdleMin => Lots.GroupBy(l => l.Session).Sum(s => s.Max(l => l.End) - s.Min(l => l.Start - l.SetUpMin) - s.Sum(l => l.Lot.Minutes + l.SetUpMin));

    /// <summary>Hands-on minutes.</summary>
    public double WorkMin => Lots.Sum(l => l.Lot.Minutes);

    /// <summary>Days, over all that have to be done by one, on which they are late.</summary>
    public int Late => Lots.Where(l => l.Lot.Deadline is not null).GroupBy(l => l.Lot.Deadline!.Value.Of)
        .Sum(g => (int)Math.Ceiling(Math.Max(0, g.Max(l => l.End) - g.Min(l => l.Lot.Deadline!.Value.ByMin)) / (24 * 60)));

    /// <summary>Lots that come too late for what was painted before them.</summary>
    public int Missed => Lots.Count(l => l.Start > l.Lot.DueBy + 1e-6);

    /// <summary>What a painter would do otherwise for comfort: evenings before the last that end on a coat which does not want the night, and messy work right after neat.</summary>
    public int Uneasy
    {
        get
        {
            var (count, last) = (0, LastSession);
            PlannedLot? before = null;
            foreach (var lot in Lots)
            {
                if (before is not null && before.Session != lot.Session)
                {
                    count += before.Lot.WantsNight ? 0 : 1;
                }
                else if (before is { Lot.Messy: false } && lot.Lot.Messy)
                {
                    count++;
                }

                before = lot;
            }

            return count;
        }
    }

    /// <summary>What makes a plan better, first things first: all in it, nothing missed, no day late, done early, few sessions, few set-ups, evenings that end well, little waiting.</summary>
    /// <param name="wanted">Steps that there are to plan, copy by copy: however they are parted into lots.</param>
    public (int Left, int Missed, int Late, int Last, int Sessions, int SetUps, (int Uneasy, double Idle) Comfort) Rank(int wanted) =>
        (wanted - Lots.Sum(l => l.Lot.Copies.Count), Missed, Late, LastSession, SessionsUsed, SetUps, (Uneasy, Math.Round(IdleMin, 3)));
}

/// <summary>What stands in the way of a plan.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Lot">The lot that could not be placed.</param>
public sealed record PlanProblem(PlanProblemKind Kind, Lot Lot);

/// <summary>Kinds of things that stand in the way.</summary>
public enum PlanProblemKind
{
    /// <summary>The calendar ends first.</summary>
    CalendarEnds,

    /// <summary>One copy takes longer than any session.</summary>
    LongerThanAnySession,

    /// <summary>The step and the one that must follow it in its window do not fit into any session together.</summary>
    WindowDoesNotFit,
}
