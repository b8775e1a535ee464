using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Work;
using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>Reads what there is to do, and what was done, into Core's terms.</summary>
internal static class WorkReader
{
    /// <summary>The work of a bench.</summary>
    /// <param name="way">How it is to be done.</param>
    /// <param name="sets">The sets that are to be done; all where none are named.</param>
    /// <param name="origin">The moment that minutes are counted from.</param>
    /// <param name="bench">The bench.</param>
    /// <param name="shelf">Its shelf.</param>
    /// <param name="db">Database.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<OpenWork> ReadAsync(WorkWay way, IReadOnlyCollection<Guid>? sets, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        return await OfAsync(ZoneStacks.Rows(db), way, sets, origin, bench, shelf, db, cancel);
    }

    /// <summary>The work of one set, read by itself: how far it is, without the painter's figures that are learned from all sets.</summary>
    public static Task<OpenWork> ReadAsync(Guid set, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel) =>
        OfAsync(ZoneStacks.Rows(db).Where(z => z.Piece!.SetId == set), new WorkWay(), [set], origin, bench, shelf, db, cancel);

    private static async Task<OpenWork> OfAsync(
        IQueryable<ZoneRow> zonesOf, WorkWay way, IReadOnlyCollection<Guid>? sets, DateTimeOffset origin, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        var rows = await zonesOf.OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var pieces = rows.Select(r => r.Piece!).DistinctBy(p => p.Id).ToDictionary(p => p.Id, Piece);
        var zones = rows.ConvertAll(z => Zone(z, pieces[z.PieceId], bench, shelf));
        var ids = rows.ConvertAll(z => z.Id);
        var log = await db.Log.AsNoTracking().Where(l => ids.Contains(l.ZoneId) && (l.CoatId != null || l.PartId != null) && l.Kind != LogKind.Problem && l.Kind != LogKind.Note)
            .OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        return OpenWork.Of(zones, log.ConvertAll(l => Fact(l, origin)), way, sets);
    }

    /// <summary>A piece.</summary>
    public static WorkPiece Piece(PieceRow p) => new(p.Id, p.SetId, p.Name, p.Copies, p.PartOfId, p.FitMin, p.GlueMin);

    /// <summary>A zone; its scheme with the coats, its piece and its set have to be loaded.</summary>
    public static WorkZone Zone(ZoneRow z, WorkPiece piece, Bench bench, OpenShelf shelf) => new(z.Id, piece, z.Name, ZoneStacks.Read(z, bench, shelf), z.Neighbours, z.Fitting);

    /// <summary>An entry of the log that names a step.</summary>
    /// <param name="l">The entry.</param>
    /// <param name="origin">The moment that minutes are counted from.</param>
    public static LogFact Fact(LogRow l, DateTimeOffset origin) =>
        new(l.Step!.Value.On(l.Copy), l.Kind, (l.At - origin).TotalMinutes, l.Minutes, l.SetUpMinutes);
}
