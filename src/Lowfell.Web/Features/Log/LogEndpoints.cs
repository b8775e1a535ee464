using System.Globalization;
using System.Security.Cryptography;
using CsvHelper.Configuration;
using CsvHelper;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Log;

/// <summary>The log: only ever added to; what was wrong is put right by another entry.</summary>
public static class LogEndpoints
{
    private const int MostShown = 500;
    private const int MostFound = 100;
    private static readonly TimeSpan Around = TimeSpan.FromMinutes(30);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/log").WithTags("Log").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Entries by words, zone, piece and kind, the newest first; those after one of them, page by page.");
        group.MapPost("", Add).WithSummary("Writes an action down, an entry for each copy. Sent twice, it is written once.");
        group.MapGet("log.csv", Csv).WithSummary("The log as CSV.").Produces<string>(200, "text/csv");
        group.MapGet("log.json", (LowfellDb db) => TypedResults.Ok(All(db).AsAsyncEnumerable().Select(View))).WithSummary("The log as JSON, the newest first.");
    }

    private static async Task<Ok<List<LogEntry>>> List(
        LowfellDb db, CancellationToken cancel, [NoteBound] string search = "", Guid? zoneId = null, Guid? pieceId = null, string? kind = null, [CopiesBound] int? copy = null, Guid? after = null)
    {
        var wanted = QueryWord.Parse<LogKind>("kind", kind);
        var words = SearchWords.Of(search);
        if (words.Count == 0 && search.Trim().Length > 0)
        {
            return TypedResults.Ok(new List<LogEntry>());
        }

        // Zones that were deleted since were painted all the same.
        var zones = pieceId is { } piece ? await db.Zones.Where(z => z.PieceId == piece).Select(z => z.Id).ToListAsync(cancel) : null;
        (DateTimeOffset At, Guid Id)? from = after is not { } last ? null
            : (await db.Log.AsNoTracking().Where(l => l.Id == last).Select(l => (DateTimeOffset?)l.At).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("after", last), last);
        var page = await db.FindAsync(
            words,
            from,
            words.Count == 0 ? MostShown : MostFound,
            entries => entries.Where(l => (zoneId == null || l.ZoneId == zoneId) && (zones == null || zones.Contains(l.ZoneId)) && (wanted == null || l.Kind == wanted) && (copy == null || l.Copy == copy)),
            cancel);
        return TypedResults.Ok(page.ConvertAll(View));
    }

    private static async Task<Ok<List<LogEntry>>> Add(LogAction action, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == action.ZoneId, cancel)
            ?? throw RefusedException.NotFound("zoneId", action.ZoneId);
        action = OfToday(action, zone);
        Check(action, zone, now);
        await CheckLinksAsync(action, db, cancel);
        var paint = await PaintAsync(action, zone, open, cancel);
        var air = await AirAsync((action.At ?? now).ToUniversalTime(), db, open, cancel);
        var notices = await NoticesAsync(action, zone, (action.At ?? now).ToUniversalTime(), db, open, cancel);
        var rows = action.Copies.Distinct().Order().Select(copy => new LogRow
        {
            Id = EntryId(action.Id, copy),
            BenchId = open.BenchId,
            At = (action.At ?? now).ToUniversalTime(),
            Kind = action.Kind,
            ZoneId = zone.Id,
            CoatId = action.CoatId,
            PartId = action.PartId,
            Pass = action.Pass,
            Copy = copy,
            Minutes = action.Minutes is { } minutes ? minutes / action.Copies.Count : null,
            Paint = paint,
            Label = $"{zone.Piece!.Name}, {zone.Name}",
            RoomC = air.C,
            RoomHumidity = air.Humidity,
            SetUpMinutes = copy == action.Copies.Min() ? action.SetUpMinutes : null,
            Who = action.Who.Trim(),
            PaintFraction = action.PaintFraction,
            Notice = notices.GetValueOrDefault(copy, ""),
            MixRecordId = action.MixRecordId,
            Deviation = action.Deviation.Trim(),
            Cause = action.Cause.Trim(),
            Remedy = action.Remedy.Trim(),
            PhotoId = action.PhotoId,
            Note = action.Note.Trim(),
        }).ToList();
        var ids = rows.Select(r => r.Id).ToList();
        var known = await db.Log.Where(l => ids.Contains(l.Id)).Select(l => l.Id).ToListAsync(cancel);
        db.Log.AddRange(rows.Where(r => !known.Contains(r.Id)));
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException twice) when (twice.InnerException is Npgsql.PostgresException { SqlState: Npgsql.PostgresErrorCodes.UniqueViolation })
        {
            // The same action came twice at once; the other one has written it down.
            db.ChangeTracker.Clear();
        }

        return TypedResults.Ok(rows.ConvertAll(View));
    }

    // The room then: as the sensor read it, where it did around that time; else as it is set.
    private static async Task<(double C, double Humidity)> AirAsync(DateTimeOffset at, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var (from, to) = (at - Around, at + Around);
        if (await db.RoomReadings.AsNoTracking().Where(r => r.At >= from && r.At <= to).OrderByDescending(r => r.At).FirstOrDefaultAsync(cancel) is { } reading)
        {
            return (reading.TemperatureC, reading.Humidity);
        }

        var bench = await open.RowAsync(cancel);
        return (bench.RoomC, bench.RoomHumidity);
    }

    // Until version 0.9 a part was named as the coat: an action that has waited in a browser since then is read on.
    private static LogAction OfToday(LogAction action, ZoneRow zone) =>
        action.CoatId == zone.PieceId && zone.Scheme!.Coats.All(c => c.Id != action.CoatId) ? action with { CoatId = null, PartId = action.CoatId } : action;

    // What it was painted with: a coat's paint, or the part that was fitted.
    private static async Task<string> PaintAsync(LogAction action, ZoneRow zone, OpenBench open, CancellationToken cancel)
    {
        if (action.PartId is { } part)
        {
            return part == zone.PieceId && zone.Piece!.PartOfId is not null ? zone.Piece.Name : throw RefusedException.NotFound("partId", part);
        }

        if (action.CoatId is not { } id)
        {
            return "";
        }

        var coat = zone.Scheme!.Coats.SingleOrDefault(c => c.Id == id) ?? throw RefusedException.NotFound("coatId", id);
        return (await open.ShelfAsync(cancel)).Paints.GetValueOrDefault(coat.MaterialId ?? coat.MixId ?? Guid.Empty)?.Name ?? "";
    }

    // What is noticed of the time of a step that is written down: how long it comes after the one before it on the same copy.
    private static async Task<Dictionary<int, string>> NoticesAsync(
        LogAction action, ZoneRow zone, DateTimeOffset at, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        if (action.Kind != LogKind.Done || zone.Scheme!.Coats.All(c => c.Id != action.CoatId))
        {
            return [];
        }

        var bench = await open.RowAsync(cancel);
        var stack = ZoneStacks.Read(zone, bench, await open.ShelfAsync(cancel));
        var before = await db.Log.AsNoTracking()
            .Where(l => l.ZoneId == zone.Id && l.CoatId != null && action.Copies.Contains(l.Copy) && l.At <= at && (l.Kind == LogKind.Done || l.Kind == LogKind.TakenBack || l.Kind == LogKind.Skipped))
            .OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        var done = new DoneSteps(before.Select(l => WorkReader.Fact(l, at)));
        return PlanTimes.Notice(stack.Zone, StackSteps.Of(stack), StepId.Coat(zone.Id, action.CoatId!.Value, action.Pass), action.Copies, 0, done).ToDictionary(n => n.Key, n => $"{n.Value.What} {n.Value.Figure}");
    }

    private static async Task CheckLinksAsync(LogAction action, LowfellDb db, CancellationToken cancel)
    {
        if (action.MixRecordId is { } mix && !await db.MixRecords.AnyAsync(r => r.Id == mix, cancel))
        {
            throw RefusedException.NotFound("mixRecordId", mix);
        }

        if (action.PhotoId is { } photo && !await db.Photos.AnyAsync(p => p.Id == photo, cancel))
        {
            throw RefusedException.NotFound("photoId", photo);
        }
    }

    private static IQueryable<LogRow> All(LowfellDb db) => db.Log.AsNoTracking().OrderByDescending(l => l.At).ThenByDescending(l => l.Id);

    // Written while it is read: a log of any length takes no more memory than a page of it.
    private static PushStreamHttpResult Csv(LowfellDb db, CancellationToken cancel) => TypedResults.Stream(
        async stream =>
        {
            await using var writer = new StreamWriter(stream, leaveOpen: true);
            await using var csv = new CsvWriter(writer, new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape, InjectionEscapeCharacter = '\'' });
            await csv.WriteRecordsAsync(All(db).AsAsyncEnumerable().Select(l => new
            {
                at = l.At.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture),
                kind = l.Kind.ToString(),
                zone = l.Label,
                paint = l.Paint,
                pass = l.Pass,
                copy = l.Copy,
                minutes = l.Minutes,
                room_c = l.RoomC,
                room_humidity = l.RoomHumidity,
                set_up_minutes = l.SetUpMinutes,
                who = l.Who,
                paint_fraction = l.PaintFraction,
                notice = l.Notice,
                deviation = l.Deviation,
                cause = l.Cause,
                remedy = l.Remedy,
                photo = l.PhotoId,
                note = l.Note,
            }), cancel);
        },
        "text/csv; charset=utf-8",
        "lowfell-log.csv");

    private static void Check(LogAction action, ZoneRow zone, DateTimeOffset now)
    {
        var checks = new Checks();
        if (action.Id == Guid.Empty)
        {
            checks.Fault("id", "An action has an id of its own.");
        }

        if (action is { CoatId: null, PartId: null } && action.Kind is not (LogKind.Problem or LogKind.Note))
        {
            checks.Fault("coatId", "Say which coat, or which part.");
        }
        else if (action is { CoatId: not null, PartId: not null })
        {
            checks.Fault("partId", "A step is a coat or a part, not both.");
        }

        if (action.Kind is LogKind.Problem or LogKind.Note && action.Note.Trim().Length == 0 && action.PhotoId is null)
        {
            checks.Fault("note", "Say what happened.");
        }

        if (action.Copies.FirstOrDefault(c => c < 1 || c > zone.Piece!.Copies) is var gone and not 0)
        {
            checks.Fault("copies", $"There is no copy {gone} of {zone.Piece!.Name}; 1 to {zone.Piece.Copies} are there.");
        }

        if (action.At > now.AddMinutes(10) || action.At < now.AddYears(-20))
        {
            checks.Fault("at", $"{action.At:yyyy-MM-dd HH:mm} is not in the past.");
        }

        checks.Enforce();
    }

    private static Guid EntryId(Guid action, int copy)
    {
        Span<byte> text = stackalloc byte[20];
        action.TryWriteBytes(text);
        BitConverter.TryWriteBytes(text[16..], copy);
        return new Guid(SHA256.HashData(text).AsSpan(0, 16));
    }

    private static LogEntry View(LogRow l) => new(
        l.Id, l.At, l.Kind, l.ZoneId, l.Label, l.CoatId, l.PartId, l.Paint, l.Pass, l.Copy, l.Minutes is { } m ? Math.Round(m, 1) : null, l.RoomC, l.RoomHumidity,
        l.SetUpMinutes is { } s ? Math.Round(s, 1) : null, l.Who, l.PaintFraction, l.MixRecordId, l.Notice, l.Deviation, l.Cause, l.Remedy, l.PhotoId, l.Note);
}
