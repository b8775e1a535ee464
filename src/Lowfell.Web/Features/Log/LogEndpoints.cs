using System.Globalization;
using CsvHelper;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Files;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Log;

/// <summary>The log: only ever added to; what was wrong is put right by another entry.</summary>
public static class LogEndpoints
{
    private const int MostShown = 500;
    private const int MostFound = 100;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/log").WithTags("Log").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Entries by words, zone, piece and kind, the newest first; those after one of them, page by page.");
        group.MapPost("", Add).WithSummary("Writes an action down, an entry for each copy. Sent twice, it is written once; another one under its id gets 409.").ProducesProblem(409);
        group.MapGet("log.csv", Csv).WithSummary("The log as CSV.").Produces<string>(200, "text/csv");
        group.MapGet("log.json", (LowfellDb db) => TypedResults.Ok(All(db).AsAsyncEnumerable().Select(l => View(l)))).WithSummary("The log as JSON, the newest first.");
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
        var later = await TakenBackAsync(page, db, cancel);
        return TypedResults.Ok(page.ConvertAll(l => View(l, later.TryGetValue(l.Id, out var kind) ? kind : null)));
    }

    private static async Task<Ok<List<LogEntry>>> Add(LogAction action, LogDesk desk, CancellationToken cancel) =>
        TypedResults.Ok((await desk.SentAsync(action, cancel)).ConvertAll(l => View(l)));

    private static IQueryable<LogRow> All(LowfellDb db) => db.Log.AsNoTracking().OrderByDescending(l => l.At).ThenByDescending(l => l.Id);

    // Written while it is read: a log of any length takes no more memory than a page of it.
    private static PushStreamHttpResult Csv(LowfellDb db, CancellationToken cancel) => TypedResults.Stream(
        async stream =>
        {
            await using var writer = new StreamWriter(stream, leaveOpen: true);
            await using var csv = new CsvWriter(writer, CultureInfo.InvariantCulture);
            await csv.WriteRecordsAsync(All(db).AsAsyncEnumerable().Select(l => new
            {
                at = l.At.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture),
                kind = l.Kind.ToString(),
                zone = CsvCells.Write(l.Label),
                paint = CsvCells.Write(l.Paint),
                pass = l.Pass,
                copy = l.Copy,
                minutes = l.Minutes,
                room_c = l.RoomC,
                room_humidity = l.RoomHumidity,
                set_up_minutes = l.SetUpMinutes,
                who = CsvCells.Write(l.Who),
                paint_fraction = l.PaintFraction,
                notice = CsvCells.Write(l.Notice),
                deviation = CsvCells.Write(l.Deviation),
                cause = CsvCells.Write(l.Cause),
                remedy = CsvCells.Write(l.Remedy),
                symptom = l.Symptom,
                cause_key = l.CauseKey,
                worked_with = l.WorkedWith == WorkedWith.Unsaid ? "" : l.WorkedWith.ToString(),
                photo = l.PhotoId,
                note = CsvCells.Write(l.Note),
            }), cancel);
        },
        "text/csv; charset=utf-8",
        "lowfell-log.csv");

    // Problems and remarks may be taken back, or said anew, by an entry that names them.
    private static async Task<Dictionary<Guid, LogKind>> TakenBackAsync(List<LogRow> page, LowfellDb db, CancellationToken cancel)
    {
        var ids = page.Where(l => l.Kind is LogKind.Problem or LogKind.Note).Select(l => l.Id).ToList();
        var later = ids.Count == 0 ? [] : await db.Log.AsNoTracking().Where(l => l.OfId != null && ids.Contains(l.OfId.Value)).OrderBy(l => l.At).Select(l => new { l.OfId, l.Kind }).ToListAsync(cancel);
        return later.GroupBy(l => l.OfId!.Value).ToDictionary(g => g.Key, g => g.Last().Kind);
    }

    private static LogEntry View(LogRow l, LogKind? after = null) => new(
        l.Id, l.At, l.Kind, l.ZoneId, l.Label, l.CoatId, l.PartId, l.Paint, l.Pass, l.Copy, l.Minutes is { } m ? Math.Round(m, 1) : null, l.RoomC, l.RoomHumidity,
        l.SetUpMinutes is { } s ? Math.Round(s, 1) : null, l.Who, l.PaintFraction, l.MixRecordId, l.Notice, l.Deviation, l.Cause, l.Remedy, l.PhotoId, l.Note,
        l.Press, Ticks(l.WorkedWith), l.OfId, l.Symptom, l.CauseKey, after);

    private static IReadOnlyList<WorkedWith> Ticks(WorkedWith all) => [.. Enum.GetValues<WorkedWith>().Where(t => t != WorkedWith.Unsaid && all.HasFlag(t))];
}
