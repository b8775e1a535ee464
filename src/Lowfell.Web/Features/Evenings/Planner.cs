using System.Diagnostics;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Work;
using Lowfell.Store;
using Lowfell.Web.Benches;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The open work of sets and the evenings of the calendar, from a moment on: minutes of Core and moments of the painter's clock.</summary>
internal sealed class Planner
{
    private Planner(Instant origin, CalendarView calendar, OpenWork work, WorkWay way)
    {
        (Origin, Calendar) = (origin, calendar);
        Evenings = [.. calendar.ToCore().Sessions(origin).Select(s => new Evening(s.Session, s.Day.ToDateOnly()))];
        Task = new(work, [.. Evenings.Select(e => e.Session)], way);
    }

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

    /// <summary>Reads what is to be planned.</summary>
    public static async Task<Planner> OpenAsync(PlanRequest request, Bench bench, OpenShelf shelf, LowfellDb db, Instant now, CancellationToken cancel)
    {
        var calendar = CalendarEndpoints.Of(bench);
        if (request.OneMore is { } more)
        {
            calendar = calendar with { Weekly = [.. calendar.Weekly, more] };
        }

        var way = request.Way(calendar.Room.CansFit);
        return new(now, calendar, await WorkReader.ReadAsync(way, request.SetIds, now.ToDateTimeOffset(), bench, shelf, db, cancel), way);
    }

    /// <summary>A plan at once, looked at again for some milliseconds.</summary>
    /// <param name="searchMs">Milliseconds of looking.</param>
    /// <param name="before">A plan whose order is followed as far as it is as good.</param>
    public SolveState AtOnce(int searchMs, IReadOnlyList<KeptLot>? before = null)
    {
        var clock = Stopwatch.StartNew();
        return PlanMaker.AtOnce(Task, () => clock.ElapsedMilliseconds < searchMs, before is null ? null : Held(before));
    }

    /// <summary>The best plan that can be found in the time.</summary>
    public SolveState Solve(double seconds, Action<SolveState> tell, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        return PlanMaker.Solve(Task, seconds, () => clock.Elapsed, tell, cancel);
    }

    /// <summary>Lots of a kept plan, counted from this origin.</summary>
    public IReadOnlyList<HeldLot> Held(IEnumerable<KeptLot> lots) =>
        [.. lots.Select(l => new HeldLot(l.Id, l.Copies, Minutes(l.StartUtc), l.MinutesPerCopy, l.SetUpMin, Minutes(l.OpenUtc), Minutes(l.CloseUtc), l.Day))];

    /// <summary>A plan as it is kept.</summary>
    public IReadOnlyList<KeptLot> Keep(Plan plan) => [.. plan.Lots.Select(l =>
    {
        var (session, day) = Evenings[l.Session];
        // To the tick, not to the hundredth of a minute: it must still hold when it is checked again.
        return KeptLot.Of(l, (Origin + Duration.FromMinutes(l.Start)).ToDateTimeOffset(), day, At(session.Open), At(session.Close));
    })];

    /// <summary>A moment by the minutes from the origin.</summary>
    public DateTimeOffset At(double minutes) => (Origin + Duration.FromMinutes(Math.Round(minutes, 2))).ToDateTimeOffset();

    /// <summary>Minutes from the origin to a moment.</summary>
    public double Minutes(DateTimeOffset at) => (Instant.FromDateTimeOffset(at) - Origin).TotalMinutes;
}
