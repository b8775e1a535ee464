using Lowfell.Store;
using Lowfell.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>What sets, pieces and zones have in common: versions, order, copies.</summary>
internal static class Tree
{
    /// <summary>Refuses a change that was made on another version.</summary>
    public static void CheckVersion(int changed, int kept)
    {
        if (changed != kept)
        {
            throw new RefusedException("version", $"You changed version {changed}; version {kept} is kept now.", 409);
        }
    }

    /// <summary>Checks a name that stands alone.</summary>
    public static string CheckName(string name)
    {
        var checks = new Checks();
        checks.Name("", "name", name);
        checks.Enforce();
        return name.Trim();
    }

    /// <summary>"Straight copy" for "Straight", never longer than a name may be.</summary>
    public static string CopyName(string name) => name.Length > Checks.LongestName - 5 ? name : name + " copy";

    /// <summary>Puts rows in a new order.</summary>
    public static void Reorder<T>(IReadOnlyList<Guid> ids, IReadOnlyCollection<T> rows, Func<T, Guid> id, Action<T, int> place)
    {
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

    public static async Task<SetRow> SetAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Sets.SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    public static async Task<PieceRow> PieceAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Pieces.Include(p => p.Zones.Where(z => z.DeletedAt == null)).SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    public static async Task<ZoneRow> ZoneAsync(LowfellDb db, Guid id, CancellationToken cancel) =>
        await db.Zones.Include(z => z.Piece).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    /// <summary>A copy of a piece with its zones, which go on using the same schemes.</summary>
    public static PieceRow Copy(PieceRow source, Guid setId, int position, bool rename)
    {
        var ids = source.Zones.ToDictionary(z => z.Id, _ => Guid.CreateVersion7());
        var piece = new PieceRow { Id = Guid.CreateVersion7(), SetId = setId, Name = source.Name, Position = position };
        (PieceDraft.Of(source) with { Name = rename ? CopyName(source.Name) : source.Name }).CopyTo(piece);
        piece.Zones = [.. source.Zones.Where(z => z.DeletedAt is null).Select(z =>
        {
            var zone = new ZoneRow { Id = ids[z.Id], Name = z.Name, SchemeId = z.SchemeId, Position = z.Position };
            ZoneSettings.Of(z).CopyTo(zone);
            zone.Neighbours = [.. z.Neighbours.Where(ids.ContainsKey).Select(n => ids[n])];
            return zone;
        })];
        return piece;
    }
}
