using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Work;
using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>What there is to do and what was done, in Core's terms, as it was read.</summary>
/// <param name="Zones">Zones in the order of the screen.</param>
/// <param name="Log">What was written down of them, in the order of its times.</param>
/// <param name="Readings">Entries of the whole log that may be learned from.</param>
/// <param name="Answers">What the painter said of following a learned figure.</param>
internal sealed record WorkSource(IReadOnlyList<WorkZone> Zones, IReadOnlyList<LogFact> Log, IReadOnlyList<LogFact> Readings, IReadOnlyDictionary<string, bool> Answers)
{
    /// <summary>The work, as it is to be done.</summary>
    public OpenWork Of(WorkWay way) => OpenWork.Of(Zones, Log, way, Readings, Answers);

    /// <summary>With the zones and the log of another.</summary>
    public WorkSource And(WorkSource other) => this with { Zones = [.. Zones, .. other.Zones], Log = [.. Log, .. other.Log] };
}

/// <summary>Reads what there is to do, and what was done, into Core's terms.</summary>
internal static class WorkReader
{
    // Older ones say little of the hands that paint today.
    private const int MostReadings = 1000;

    /// <summary>The work of some sets.</summary>
    /// <param name="sets">The sets that are to be done.</param>
    /// <param name="origin">The moment that minutes are counted from.</param>
    /// <param name="bench">The bench.</param>
    /// <param name="shelf">Its shelf.</param>
    /// <param name="db">Database.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task<WorkSource> ReadAsync(IReadOnlyCollection<Guid> sets, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel) =>
        OfAsync(ZoneStacks.Rows(db).Where(z => sets.Contains(z.Piece!.SetId)), origin, bench, shelf, db, cancel);

    /// <summary>The work of one set by itself: how far it is, without the painter's own figures.</summary>
    public static async Task<OpenWork> ReadAsync(Guid set, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel) =>
        (await ReadAsync([set], origin, bench, shelf, db, cancel)).Of(new() { Learn = false });

    /// <summary>The work of one piece with what is fitted on it, or what it is fitted on and all that goes on that: how far it is, without the painter's own figures.</summary>
    public static async Task<OpenWork> OfPieceAsync(Guid piece, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        var whole = await db.Pieces.Where(p => p.Id == piece).Select(p => p.PartOfId).SingleOrDefaultAsync(cancel) ?? piece;
        return (await OfAsync(ZoneStacks.Rows(db).Where(z => z.PieceId == whole || z.Piece!.PartOfId == whole), origin, bench, shelf, db, cancel)).Of(new() { Learn = false });
    }

    /// <summary>All work of the bench, without the painter's own figures: how far it is.</summary>
    public static async Task<OpenWork> ReadAsync(DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel) =>
        (await OfAsync(ZoneStacks.Rows(db), origin, bench, shelf, db, cancel)).Of(new() { Learn = false });

    /// <summary>What may be learned from, whichever sets it is of: a painter has one pair of hands. With each reading comes what was written down of its step on that copy.</summary>
    public static async Task<(IReadOnlyList<LogFact> Readings, IReadOnlyDictionary<string, bool> Answers)> LearnedAsync(DateTimeOffset origin, LowfellDb db, CancellationToken cancel)
    {
        var rows = await db.Log.FromSql(
            $"""
            SELECT l.* FROM log l
            JOIN (
              SELECT DISTINCT r."BenchId", r."ZoneId", r."CoatId", r."Pass", r."Copy" FROM (
                SELECT * FROM log WHERE "BenchId" = {db.BenchId} AND ("Minutes" > 0 OR "SetUpMinutes" > 0 OR "Kind" = 'Dry') ORDER BY "At" DESC LIMIT {MostReadings}) r
              WHERE r."CoatId" IS NOT NULL) k
              ON l."BenchId" = k."BenchId" AND l."ZoneId" = k."ZoneId" AND l."CoatId" = k."CoatId" AND l."Pass" = k."Pass" AND l."Copy" = k."Copy"
            WHERE l."Kind" IN ('Done', 'TakenBack', 'Skipped', 'Dry')
            """).AsNoTracking().OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        return (rows.ConvertAll(l => Fact(l, origin)), await db.LearnedAnswers.AsNoTracking().ToDictionaryAsync(a => a.Key, a => a.Follow, cancel));
    }

    private static async Task<WorkSource> OfAsync(IQueryable<ZoneRow> zonesOf, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        var rows = await zonesOf.OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var pieces = rows.Select(r => r.Piece!).DistinctBy(p => p.Id).ToDictionary(p => p.Id, Piece);
        var zones = rows.ConvertAll(z => Zone(z, pieces[z.PieceId], bench, shelf));
        var ids = rows.ConvertAll(z => z.Id);
        var log = await db.Log.AsNoTracking().Where(l => ids.Contains(l.ZoneId) && (l.CoatId != null || l.PartId != null) && l.Kind != LogKind.Problem && l.Kind != LogKind.Note)
            .OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        foreach (var stripped in rows.Where(z => z.Repairs.Exists(r => r.Strips)))
        {
            var still = Stripped.Without(log.FindAll(l => l.ZoneId == stripped.Id), stripped).Select(l => l.Id).ToHashSet();
            log.RemoveAll(l => l.ZoneId == stripped.Id && !still.Contains(l.Id));
        }

        return new(zones, log.ConvertAll(l => Fact(l, origin)), [], new Dictionary<string, bool>());
    }

    /// <summary>A piece.</summary>
    public static WorkPiece Piece(PieceRow p) => new(p.Id, p.SetId, p.Name, p.Copies, p.PartOfId, p.FitMin, p.GlueMin, p.LiesFlat);

    /// <summary>A zone; its scheme with the coats, its piece and its set have to be loaded.</summary>
    public static WorkZone Zone(ZoneRow z, WorkPiece piece, Bench bench, OpenShelf shelf) => new(z.Id, piece, z.Name, ZoneStacks.Read(z, bench, shelf), z.Neighbours, z.Fitting) { SchemeId = z.SchemeId, Repairs = ZoneStacks.Repairs(z, shelf) };

    /// <summary>An entry of the log that names a step.</summary>
    /// <param name="l">The entry.</param>
    /// <param name="origin">The moment that minutes are counted from.</param>
    public static LogFact Fact(LogRow l, DateTimeOffset origin) =>
        new(l.Step!.Value.On(l.Copy), l.Kind, (l.At - origin).TotalMinutes, l.Minutes, l.SetUpMinutes, l.Press ?? Guid.Empty, l.Then);
}
