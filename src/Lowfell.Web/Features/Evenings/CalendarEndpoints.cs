using System.Globalization;
using System.Text;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Devices;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The evenings there are, and the room.</summary>
public static class CalendarEndpoints
{
    private const int MostReadings = 20_000;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/calendar").WithTags("Evenings").ProducesValidationProblem();
        group.MapGet("", Get).WithSummary("The evenings and the room.");
        group.MapPut("", Put).WithSummary("Changes the evenings and the room; 409 when somebody else has meanwhile.").ProducesProblem(409);
        var room = app.MapGroup("/api/room").WithTags("Devices").ProducesValidationProblem();
        room.MapPost("reading", Read).WithSummary("Reads the room sensor, and keeps the reading; a simulated one ships with the application.");
        room.MapGet("readings.csv", Readings).WithSummary("The kept readings as CSV, the newest first.").Produces<string>(200, "text/csv");
    }

    /// <summary>The calendar of a bench.</summary>
    internal static CalendarView Of(Bench bench)
    {
        var room = new RoomView(bench.RoomC, bench.RoomHumidity, bench.RoomFan, bench.CansFit);
        return bench.Calendar.Length == 0
            ? new(bench.CalendarVersion, bench.TimeZone, [], [], room)
            : Kept.Read<CalendarView>(bench.Calendar) with { Version = bench.CalendarVersion, TimeZone = bench.TimeZone, Room = room };
    }

    private static async Task<Ok<CalendarView>> Get(LowfellDb db, OpenBench open, CancellationToken cancel) =>
        TypedResults.Ok(Of(await open.RowAsync(cancel)));

    private static async Task<Ok<CalendarView>> Put(CalendarView calendar, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var checks = new Checks();
        calendar.Check(checks);
        checks.Enforce();
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var bench = await open.LockedRowAsync(cancel);
        Versions.Check(calendar.Version, bench.CalendarVersion);
        Keep(bench, calendar);
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(Of(bench));
    }

    /// <summary>Puts a calendar on a bench.</summary>
    internal static void Keep(Bench bench, CalendarView calendar)
    {
        (bench.TimeZone, bench.RoomC, bench.RoomHumidity, bench.RoomFan, bench.CansFit) =
            (calendar.TimeZone, calendar.Room.TemperatureC, calendar.Room.Humidity, calendar.Room.Fan, calendar.Room.CansFit);
        bench.Calendar = Kept.Write(calendar);
        bench.CalendarVersion++;
    }

    private static async Task<Ok<RoomReading>> Read(IRoomSensor sensor, LowfellDb db, CancellationToken cancel)
    {
        var reading = sensor.Read();
        await RoomWatch.KeepAsync(db, reading, cancel);
        return TypedResults.Ok(reading);
    }

    private static async Task<ContentHttpResult> Readings(LowfellDb db, CancellationToken cancel)
    {
        var text = new StringBuilder("at,temperature_c,humidity\r\n");
        foreach (var r in await db.RoomReadings.AsNoTracking().OrderByDescending(r => r.At).Take(MostReadings).ToListAsync(cancel))
        {
            text.Append(CultureInfo.InvariantCulture, $"{r.At:yyyy-MM-ddTHH:mm:ssZ},{r.TemperatureC},{r.Humidity}\r\n");
        }

        return TypedResults.Text(text.ToString(), "text/csv", Encoding.UTF8);
    }
}
