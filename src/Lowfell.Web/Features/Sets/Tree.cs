using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>What sets, pieces and zones have in common: versions, order, copies.</summary>
internal static class Tree
{
    /// <summary>"Straight copy" for "Straight", never longer than a name may be.</summary>
    public static string CopyName(string name) => name.Length > NameBoundAttribute.Longest - 5 ? name : name + " copy";

    /// <summary>Puts rows in a new order; what is to be done is done where they stand so already.</summary>
    /// <param name="order">The wanted order, and the one that it was made on.</param>
    /// <param name="rows">Rows as they stand.</param>
    /// <param name="id">Id of one.</param>
    /// <param name="place">Puts one at its place.</param>
    /// <exception cref="RefusedException">Not each is named once; or they stand in another order by now (409).</exception>
    public static void Reorder<T>(Order order, IReadOnlyList<T> rows, Func<T, Guid> id, Action<T, int> place)
    {
        var ids = order.Ids;
        var stand = rows.Select(id).ToList();
        if (!stand.SequenceEqual(order.Was) && !stand.SequenceEqual(ids))
        {
            throw Versions.Stale("they were put in another order, or there are others,");
        }

        var byId = rows.ToDictionary(id);
        if (ids.Count != byId.Count || ids.Distinct().Count() != ids.Count || !ids.All(byId.ContainsKey))
        {
            throw new RefusedException("ids", $"The order must name each of the {byId.Count} once.");
        }

        for (var i = 0; i < ids.Count; i++)
        {
            place(byId[ids[i]], i);
        }
    }

    /// <summary>Marks what is deleted, or takes the mark off; what is so already stays as it is, so that whoever asks again gets the same answer.</summary>
    /// <param name="row">The set, piece or zone.</param>
    /// <param name="version">The version that was looked at; null where none matters.</param>
    /// <param name="deleted">When; null where it comes back.</param>
    /// <param name="db">Database.</param>
    /// <param name="cancel">Ends it.</param>
    public static async Task<NoContent> MarkAsync<T>(T row, int? version, DateTimeOffset? deleted, LowfellDb db, CancellationToken cancel)
        where T : IDeletableRow, IVersionedRow
    {
        if (row.DeletedAt is null != deleted is null)
        {
            Versions.Check(version ?? row.Version, row.Version);
            row.DeletedAt = deleted;
            await db.SaveChangesAsync(cancel);
        }

        return TypedResults.NoContent();
    }

    public static async Task<SetRow> SetAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Sets.SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    public static async Task<PieceRow> PieceAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Pieces.Include(p => p.Zones.Where(z => z.DeletedAt == null)).SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    public static async Task<ZoneRow> ZoneAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Zones.Include(z => z.Piece!.Set).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    /// <summary>New ids for copies of zones.</summary>
    public static Dictionary<Guid, Guid> NewIds(IEnumerable<ZoneRow> zones) => zones.ToDictionary(z => z.Id, _ => Guid.CreateVersion7());

    /// <summary>A copy of a piece with its zones, which go on using the same schemes.</summary>
    /// <param name="source">The piece, its zones loaded.</param>
    /// <param name="setId">The set that the copy belongs to.</param>
    /// <param name="position">Its place there.</param>
    /// <param name="name">What it is called.</param>
    /// <param name="ids">Ids of the copied zones, by those of their sources; joins between them are copied too.</param>
    public static PieceRow Copy(PieceRow source, Guid setId, int position, string name, IReadOnlyDictionary<Guid, Guid> ids)
    {
        var piece = new PieceRow { Id = Guid.CreateVersion7(), SetId = setId, Name = name, Position = position };
        (PieceDraft.Of(source) with { Name = name }).CopyTo(piece);
        piece.Zones = [.. source.Zones.Where(z => z.DeletedAt is null).Select(z =>
        {
            var zone = new ZoneRow { Id = ids[z.Id], Name = z.Name, SchemeId = z.SchemeId, Position = z.Position };
            ZoneSettings.Of(z).CopyTo(zone);
            zone.Neighbours = [.. z.Neighbours.Where(ids.ContainsKey).Select(n => ids[n])];
            zone.Mates = [.. z.Mates.Where(m => ids.ContainsKey(m.ZoneId)).Select(m => m with { ZoneId = ids[m.ZoneId] })];
            return zone;
        })];
        return piece;
    }

    /// <summary>What is kept beside pieces goes with their copies: trays of bases, with nothing glued down on them yet, and what the pieces are shown as. Saved with the copies.</summary>
    /// <param name="copies">The copies, by the ids of their sources.</param>
    /// <param name="ids">Ids of the copied zones, by those of their sources.</param>
    /// <param name="db">Database.</param>
    /// <param name="cancel">Ends it.</param>
    public static async Task CopyBesideAsync(IReadOnlyDictionary<Guid, PieceRow> copies, IReadOnlyDictionary<Guid, Guid> ids, LowfellDb db, CancellationToken cancel)
    {
        foreach (var tray in await db.Trays.AsNoTracking().Include(t => t.Piece).Where(t => copies.Keys.Contains(t.PieceId)).ToListAsync(cancel))
        {
            var (from, to) = (tray.Piece!, copies[tray.PieceId]);
            (to.LaidPasteMl, to.LaidCrackleMl, to.LaidGlueMl, to.LaidGritMl, to.LaidDripMl) = (from.LaidPasteMl, from.LaidCrackleMl, from.LaidGlueMl, from.LaidGritMl, from.LaidDripMl);
            db.Trays.Add(new TrayRow
            {
                Id = Guid.CreateVersion7(),
                PieceId = to.Id,
                FamilyId = tray.FamilyId,
                Copies = tray.Copies,
                Lacking = tray.Lacking,
                GroundAId = tray.GroundAId,
                GroundBId = tray.GroundBId,
                Grounds = tray.Grounds,
            });
        }

        foreach (var plan in await db.Weatherings.AsNoTracking().Where(w => copies.Keys.Contains(w.PieceId)).ToListAsync(cancel))
        {
            // Zones are named anew; coats keep their ids in the copy's stacks as long as it shares them.
            db.Weatherings.Add(new WeatheringRow
            {
                Id = Guid.CreateVersion7(),
                PieceId = copies[plan.PieceId].Id,
                Plan = ids.Aggregate(plan.Plan, (text, zone) => text.Replace(zone.Key.ToString(), zone.Value.ToString(), StringComparison.OrdinalIgnoreCase)),
            });
        }

        db.PieceLooks.AddRange((await db.PieceLooks.AsNoTracking().Where(l => copies.Keys.Contains(l.PieceId)).ToListAsync(cancel)).Select(l => new PieceLookRow
        {
            Id = Guid.CreateVersion7(),
            PieceId = copies[l.PieceId].Id,
            Kind = l.Kind,
            Zones = [.. l.Zones.Select(z => ids.GetValueOrDefault(z))],
        }));
    }

    /// <summary>A board with its pieces named anew, as those of a copy are. Ids of what stands on it stay: they are its own.</summary>
    /// <param name="kept">The board, as it is kept.</param>
    /// <param name="copies">The copies, by the ids of their sources.</param>
    public static string CopyBoard(string kept, IReadOnlyDictionary<Guid, PieceRow> copies) =>
        copies.Aggregate(kept, (text, copy) => text.Replace(copy.Key.ToString(), copy.Value.Id.ToString(), StringComparison.OrdinalIgnoreCase));
}
