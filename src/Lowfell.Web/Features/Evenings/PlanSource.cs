using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Sets;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A set that is not in a plan, as the evenings ahead are full.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
internal sealed record SetLater(Guid Id, string Name);

/// <summary>A set that has to be done by a day.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="ReadyBy">The day.</param>
internal sealed record SetDue(Guid Id, string Name, DateOnly ReadyBy);

/// <summary>
/// What plans are made of, as it was read: the sets that come first, as many as the evenings ahead can hold; what comes after them is not read, but named.
/// </summary>
/// <param name="Origin">The moment that minutes are counted from.</param>
/// <param name="Calendar">The evenings there are, and the room.</param>
/// <param name="Work">What there is to do.</param>
/// <param name="Shelf">The shelf.</param>
/// <param name="Due">Sets that have to be done by a day.</param>
/// <param name="Later">Sets that wait until the evenings ahead are over.</param>
internal sealed record PlanSource(Instant Origin, CalendarView Calendar, WorkSource Work, OpenShelf Shelf, IReadOnlyList<SetDue> Due, IReadOnlyList<SetLater> Later)
{
    private const int SetsAtATime = 4;

    /// <summary>Minutes for which a plan that has begun is not made anew, where nothing else changes.</summary>
    private const int StaysMin = 10;

    /// <summary>Until when it holds, where nothing changes: its next evening begins.</summary>
    public Instant Until { get; } = Origin + Duration.FromMinutes(Fresh(Calendar, Origin));

    /// <summary>Reads it.</summary>
    /// <param name="sets">The sets that are to be planned; all where none are named.</param>
    /// <param name="now">Now.</param>
    /// <param name="open">The bench.</param>
    /// <param name="db">Database.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<PlanSource> ReadAsync(IReadOnlyCollection<Guid>? sets, Instant now, OpenBench open, LowfellDb db, CancellationToken cancel)
    {
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var calendar = CalendarEndpoints.Of(bench);
        var origin = now.ToDateTimeOffset();
        var wanted = await db.Sets.AsNoTracking().Where(s => s.DeletedAt == null && (sets == null || sets.Contains(s.Id)))
            .OrderBy(s => s.ReadyBy ?? DateOnly.MaxValue).ThenBy(s => s.Position).ThenBy(s => s.Id).ToListAsync(cancel);
        if (wanted.Count > SetsAtATime)
        {
            var done = await SetCards.DoneAsync(db, open, cancel);
            wanted.RemoveAll(s => done.Contains(s.Id));
        }

        var (readings, answers) = await WorkReader.LearnedAsync(origin, db, cancel);
        var work = new WorkSource([], [], readings, answers);
        var room = calendar.ToCore().Sessions(now).Sum(s => (double)s.Session.Minutes);
        var read = 0;
        foreach (var some in wanted.Chunk(SetsAtATime))
        {
            if (room <= 0)
            {
                break;
            }

            var ids = some.Select(s => s.Id).ToList();
            var more = await WorkReader.ReadAsync(ids, origin, bench, shelf, db, cancel) with { Readings = readings, Answers = answers };
            work = work.And(more);
            room -= OpenMinutes(more);
            read += some.Length;
        }

        // On the screen sets stand in their own order.
        var place = wanted.Select(s => (s.Id, s.Position)).ToDictionary(s => s.Id, s => s.Position);
        work = work with { Zones = [.. work.Zones.OrderBy(z => place[z.Piece.SetId])] };
        return new(now, calendar, work, shelf, [.. wanted.Take(read).Where(s => s.ReadyBy is not null).Select(s => new SetDue(s.Id, s.Name, s.ReadyBy!.Value))], [.. wanted.Skip(read).Select(s => new SetLater(s.Id, s.Name))]);
    }

    private static double OpenMinutes(WorkSource source)
    {
        var work = source.Of(new());
        return work.Zones.Sum(z => Enumerable.Range(1, z.Zone.Piece.Copies).Sum(copy => work.Left(z, copy).Sum(place => z.Steps[place].MinutesPerCopy)));
    }

    private static double Fresh(CalendarView calendar, Instant origin)
    {
        const int Day = 24 * 60;
        Session? next = calendar.ToCore().Sessions(origin).Select(s => (Session?)s.Session).FirstOrDefault();
        return next is not { } first ? Day : Math.Min(Day, first.Open > 0 ? first.Open : Math.Min(StaysMin, first.Close));
    }
}
