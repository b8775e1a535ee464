using Lowfell.Store;
using Lowfell.Web.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bin;

/// <summary>What kind of thing was deleted.</summary>
public enum BinKind
{
    /// <summary>A set with its pieces.</summary>
    Set,

    /// <summary>A piece with its zones.</summary>
    Piece,

    /// <summary>A zone.</summary>
    Zone,

    /// <summary>A material of the shelf with its bottles.</summary>
    Material,

    /// <summary>A mix.</summary>
    Mix,

    /// <summary>A test tile.</summary>
    Tile,

    /// <summary>A scheme as it was painted.</summary>
    Painted,

    /// <summary>A box of stones, slates or tufts.</summary>
    Box,

    /// <summary>A family of bases.</summary>
    Family,

    /// <summary>A reference picture.</summary>
    Reference,
}

/// <summary>Something that was deleted and waits.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Within">Where it was; empty where it was in nothing.</param>
/// <param name="DeletedAt">When it was deleted.</param>
/// <param name="UntilAt">Until when it waits.</param>
public sealed record BinItem(BinKind Kind, Guid Id, string Name, string Within, DateTimeOffset DeletedAt, DateTimeOffset UntilAt);

/// <summary>What was deleted waits here, and can be put back.</summary>
public static class BinEndpoints
{
    private const int MostShown = 500;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/bin", List).WithTags("Bin").WithSummary("What was deleted in the last 30 days, the latest first; what belongs to something deleted comes back with that.");

    private static async Task<Ok<List<BinItem>>> List(LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var since = clock.GetUtcNow() - BinWatch.Stay;
        var found = new List<BinItem>();
        void Add(BinKind kind, IEnumerable<(Guid Id, string Name, string Within, DateTimeOffset At)> rows) => found.AddRange(rows.Select(r => new BinItem(kind, r.Id, r.Name, r.Within, r.At, r.At + BinWatch.Stay)));
        Add(BinKind.Set, (await db.Sets.Where(s => s.DeletedAt > since).Select(s => new { s.Id, s.Name, s.DeletedAt }).ToListAsync(cancel)).Select(s => (s.Id, s.Name, "", s.DeletedAt!.Value)));
        Add(BinKind.Piece, (await db.Pieces.Where(p => p.DeletedAt > since && p.Set!.DeletedAt == null).Select(p => new { p.Id, p.Name, Within = p.Set!.Name, p.DeletedAt }).ToListAsync(cancel))
            .Select(p => (p.Id, p.Name, p.Within, p.DeletedAt!.Value)));
        Add(BinKind.Zone, (await db.Zones.Where(z => z.DeletedAt > since && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null).Select(z => new { z.Id, z.Name, Within = z.Piece!.Set!.Name + ", " + z.Piece.Name, z.DeletedAt }).ToListAsync(cancel))
            .Select(z => (z.Id, z.Name, z.Within, z.DeletedAt!.Value)));
        Add(BinKind.Material, (await db.Materials.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(m => m.DeletedAt > since).Select(m => new { m.Id, m.Name, m.House, m.DeletedAt }).ToListAsync(cancel)).Select(m => (m.Id, m.Name, m.House, m.DeletedAt!.Value)));
        Add(BinKind.Mix, (await db.Mixes.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(m => m.DeletedAt > since).Select(m => new { m.Id, m.Name, m.DeletedAt }).ToListAsync(cancel)).Select(m => (m.Id, m.Name, "", m.DeletedAt!.Value)));
        Add(BinKind.Tile, (await db.Tiles.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(t => t.DeletedAt > since).Select(t => new { t.Id, t.Name, t.DeletedAt }).ToListAsync(cancel)).Select(t => (t.Id, t.Name, "", t.DeletedAt!.Value)));
        Add(BinKind.Painted, (await db.Painted.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(p => p.DeletedAt > since).Select(p => new { p.Id, p.Name, p.DeletedAt }).ToListAsync(cancel)).Select(p => (p.Id, p.Name, "", p.DeletedAt!.Value)));
        Add(BinKind.Box, (await db.ElementBoxes.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(b => b.DeletedAt > since).Select(b => new { b.Id, b.Name, b.DeletedAt }).ToListAsync(cancel)).Select(b => (b.Id, b.Name, "", b.DeletedAt!.Value)));
        Add(BinKind.Family, (await db.BaseFamilies.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(f => f.DeletedAt > since).Select(f => new { f.Id, f.Name, f.DeletedAt }).ToListAsync(cancel)).Select(f => (f.Id, f.Name, "", f.DeletedAt!.Value)));
        Add(BinKind.Reference, (await db.References.IgnoreQueryFilters([LowfellDb.NotDeleted]).Where(r => r.DeletedAt > since).Select(r => new { r.Id, r.Name, Within = db.Sets.Where(s => s.Id == r.SetId).Select(s => s.Name).First(), r.DeletedAt }).ToListAsync(cancel)).Select(r => (r.Id, r.Name, r.Within, r.DeletedAt!.Value)));
        return TypedResults.Ok(found.OrderByDescending(f => f.DeletedAt).ThenBy(f => f.Id).Take(MostShown).ToList());
    }
}
