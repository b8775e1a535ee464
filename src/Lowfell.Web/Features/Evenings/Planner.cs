using System.Diagnostics;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Work;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The open work of sets and the evenings of the calendar, from a moment on: minutes of Core and moments of the painter's clock. Any number of requests may ask it at once.</summary>
internal sealed class Planner
{
    private const double AfterMidnightMin = 4 * 60;
    private readonly Lock planning = new();
    private readonly DateTimeZone zone;
    private (int Ms, SolveState State)? made;
    private (SolveState Of, PlanView View)? shown;

    /// <summary>Makes it.</summary>
    /// <param name="source">What was read.</param>
    /// <param name="request">What is to be planned of it, and how.</param>
    public Planner(PlanSource source, PlanRequest request)
    {
        var calendar = source.Calendar;
        if (request.OneMore is { } more)
        {
            calendar = calendar with { Weekly = [.. calendar.Weekly, more] };
        }

        var hours = calendar.ToCore();
        (Source, Origin, Calendar, zone) = (source, source.Origin, calendar, hours.Zone);
        Evenings = [.. hours.Sessions(Origin).Select(s => new Evening(s.Session, s.Day.ToDateOnly()))];
        Way = request.Way(calendar.Room.CansFit || source.Shelf.Booth) with
        {
            SittingMin = calendar.SittingMin,
            PauseMin = calendar.PauseMin,

            // By the end of its day, the night after it counted to the evening.
            ReadyBy = source.Due.ToDictionary(d => d.Id, d => (LocalDate.FromDateOnly(d.ReadyBy).PlusDays(1).AtStartOfDayInZone(hours.Zone).ToInstant() - Origin).TotalMinutes + AfterMidnightMin),
        };
        Task = new(source.Work.Of(Way), [.. Evenings.Select(e => e.Session)], Way);
    }

    /// <summary>What was read.</summary>
    public PlanSource Source { get; }

    /// <summary>How it is to be done.</summary>
    public WorkWay Way { get; }

    /// <summary>The moment that minutes are counted from.</summary>
    public Instant Origin { get; }

    /// <summary>The evenings there are, and the room.</summary>
    public CalendarView Calendar { get; }

    /// <summary>Sessions ahead.</summary>
    public IReadOnlyList<Evening> Evenings { get; }

    /// <summary>What there is to do, as Core plans it.</summary>
    public WorkTask Task { get; }

    /// <summary>What there is to do.</summary>
    public OpenWork Work => Task.Work;

    /// <summary>A plan at once, looked at again for some milliseconds; one that was looked at for as long is kept.</summary>
    /// <param name="searchMs">Milliseconds of looking.</param>
    /// <param name="cancel">Nobody waits for it any more.</param>
    public SolveState AtOnce(int searchMs, CancellationToken cancel = default)
    {
        lock (planning)
        {
            if (made is not { } kept || kept.Ms < searchMs)
            {
                var state = Look(searchMs, null, cancel);

                // One that was broken off is none that was looked at for as long.
                cancel.ThrowIfCancellationRequested();
                made = (searchMs, state);
            }

            return made.Value.State;
        }
    }

    /// <summary>The plan at once as it is shown; kept with it.</summary>
    /// <param name="searchMs">Milliseconds of looking.</param>
    /// <param name="cancel">Nobody waits for it any more.</param>
    public PlanView Show(int searchMs, CancellationToken cancel)
    {
        var state = AtOnce(searchMs, cancel);
        lock (planning)
        {
            if (shown is not { } kept || kept.Of != state)
            {
                shown = (state, new PlanWriter(this).View(state));
            }

            return shown.Value.View;
        }
    }

    /// <summary>A plan at once that follows another one's order as far as it is as good.</summary>
    /// <param name="searchMs">Milliseconds of looking.</param>
    /// <param name="before">The other one's lots.</param>
    /// <param name="cancel">Nobody waits for it any more.</param>
    public SolveState AtOnce(int searchMs, IReadOnlyList<KeptLot> before, CancellationToken cancel = default) => Look(searchMs, Held(before), cancel);

    /// <summary>The best plan that can be found in the time.</summary>
    public SolveState Solve(double seconds, Action<SolveState> tell, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        return PlanMaker.Solve(Task, seconds, () => clock.Elapsed, tell, cancel);
    }

    /// <summary>Lots of a kept plan, counted from this origin.</summary>
    public IReadOnlyList<HeldLot> Held(IEnumerable<KeptLot> lots) =>
        [.. lots.Select(l => new HeldLot(l.Id, l.Copies, Minutes(l.StartUtc), l.MinutesPerCopy, l.SetUpMin, Minutes(l.OpenUtc), Minutes(l.CloseUtc), l.Day))];

    /// <summary>The task as it would be with other zones.</summary>
    /// <param name="change">What a zone would be.</param>
    public WorkTask TaskOf(Func<WorkZone, WorkZone> change) =>
        new((Source.Work with { Zones = [.. Source.Work.Zones.Select(change)] }).Of(Way), [.. Evenings.Select(e => e.Session)], Way);

    /// <summary>A plan as it is kept.</summary>
    public IReadOnlyList<KeptLot> Keep(Plan plan) => [.. plan.Lots.Select(l =>
    {
        var (session, day) = Evenings[l.Session];
        // To the tick, not to the hundredth of a minute: it must still hold when it is checked again.
        return KeptLot.Of(l, (Origin + Duration.FromMinutes(l.Start)).ToDateTimeOffset(), day, At(session.Open).ToUniversalTime(), At(session.Close).ToUniversalTime());
    })];

    /// <summary>A moment by the minutes from the origin, as the painter's clock tells it: no other table of time zones is asked.</summary>
    public DateTimeOffset At(double minutes) => (Origin + Duration.FromMinutes(Math.Round(minutes, 2))).InZone(zone).ToDateTimeOffset();

    /// <summary>Minutes from the origin to a moment.</summary>
    public double Minutes(DateTimeOffset at) => (Instant.FromDateTimeOffset(at) - Origin).TotalMinutes;

    /// <summary>Mark of the task as far as a plan of it goes: what was proved holds as long as it is the same.</summary>
    /// <param name="untilMin">End of the plan.</param>
    public string Mark(double untilMin) => TaskMark.Of(Task, Origin.ToUnixTimeSeconds() / 60, untilMin);

    /// <summary>The painter's day at a moment.</summary>
    public DateOnly Day(DateTimeOffset at) => Instant.FromDateTimeOffset(at).InZone(zone).Date.ToDateOnly();

    private SolveState Look(int searchMs, IReadOnlyList<HeldLot>? before, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        return PlanMaker.AtOnce(Task, () => clock.ElapsedMilliseconds < searchMs && !cancel.IsCancellationRequested, before);
    }
}
