namespace Lowfell.Core.Evenings;

/// <summary>Where a step is done, and so what has to be set up for it.</summary>
public enum Station
{
    /// <summary>Brush and palette.</summary>
    Brush,

    /// <summary>Sponge.</summary>
    Sponge,

    /// <summary>Dry brush.</summary>
    DryBrush,

    /// <summary>Airbrush.</summary>
    Airbrush,

    /// <summary>Oils and enamels with their spirit.</summary>
    Spirit,

    /// <summary>Spray can.</summary>
    Can,

    /// <summary>Putting parts together: glue and clamps.</summary>
    Assembly,
}

/// <summary>Facts of the stations.</summary>
public static class Stations
{
    /// <summary>Minutes to set up, by station. Craft estimates; a colour change at the airbrush costs less than setting it up.</summary>
    public static int SetUpMin(this Station station) => station switch
    {
        Station.Brush => 1,
        Station.Sponge or Station.DryBrush or Station.Assembly => 2,
        Station.Airbrush => 6,
        Station.Spirit => 5,
        _ => 8,
    };
}

/// <summary>One coat on some identical copies, painted one after the other without a break.</summary>
public sealed record Lot
{
    /// <summary>Its coat.</summary>
    public required Guid CoatId { get; init; }

    /// <summary>Which pass of it, from 1.</summary>
    public int Pass { get; init; } = 1;

    /// <summary>The zone it is on.</summary>
    public required Guid ZoneId { get; init; }

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

    /// <summary>Minutes to set its station up, where the painter's own are known; else those of <see cref="Stations.SetUpMin"/>.</summary>
    public double? OwnSetUpMin { get; init; }

    /// <summary>Minutes to set its station up.</summary>
    public double SetUpMin => OwnSetUpMin ?? Station.SetUpMin();

    /// <summary>Minutes that it takes.</summary>
    public double Minutes => MinutesPerCopy * Copies.Count;

    /// <summary>Minutes of setting up before it, after a lot or at the start of a session.</summary>
    public double SetUpAfter(Lot? before) => before is not null && before.Station == Station && before.Colour == Colour ? 0 : SetUpMin;
}

/// <summary>Time at the table, in minutes from the plan's origin.</summary>
/// <param name="Open">It begins.</param>
/// <param name="Close">It ends; nothing runs past it.</param>
public readonly record struct Session(int Open, int Close)
{
    /// <summary>Minutes of it.</summary>
    public int Minutes => Close - Open;
}

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

    /// <summary>What makes a plan better, first things first: all in it, done early, few sessions, few set-ups, little waiting.</summary>
    /// <param name="wanted">Lots that there are to plan.</param>
    public (int Left, int Last, int Sessions, int SetUps, double Idle) Rank(int wanted) => (wanted - Lots.Count, LastSession, SessionsUsed, SetUps, Math.Round(IdleMin, 3));
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
