using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>A zone that another touches, as it will look.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Name.</param>
/// <param name="Recess">Finished recess.</param>
/// <param name="Face">Finished face.</param>
/// <param name="Edge">Finished edge.</param>
public sealed record NeighbourView(Guid Id, string Name, string Recess, string Face, string Edge);

/// <summary>Everything that the stack screen opens with.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Version">Its version.</param>
/// <param name="SetId">Its set.</param>
/// <param name="SetName">Name of its set.</param>
/// <param name="PieceId">Its piece.</param>
/// <param name="Piece">Figures of the piece.</param>
/// <param name="Settings">Its settings.</param>
/// <param name="Zone">As previews take it.</param>
/// <param name="Scheme">Its scheme.</param>
/// <param name="Schools">The bench's preferences.</param>
/// <param name="Neighbours">Zones that it touches.</param>
/// <param name="Around">The zones of its piece and what they are joined to, as the rules over a piece take them.</param>
public sealed record ZonePage(
    Guid Id, int Version, Guid SetId, string SetName, Guid PieceId, PieceDraft Piece, ZoneSettings Settings, ZoneDraft Zone, SchemeView Scheme, Schools Schools, IReadOnlyList<NeighbourView> Neighbours, PieceRequest Around);

/// <summary>Zones of a piece.</summary>
public static class ZoneEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var inPiece = app.MapGroup("/api/pieces/{pieceId:guid}/zones").WithTags("Zones").ProducesValidationProblem();
        inPiece.MapPost("", Add).WithSummary("Adds a zone to a piece.");
        inPiece.MapPut("order", Reorder).WithSummary("Puts the zones of a piece in another order; 409 when somebody else has meanwhile.").ProducesProblem(409);
        app.MapGet("/api/zones", Names).WithTags("Zones").WithSummary("Every zone by its names, in the order of the sets.");
        app.MapPut("/api/zones", ChangeAll).WithTags("Zones").ProducesValidationProblem().WithSummary("Changes several zones: all of them, or none.").ProducesProblem(409);
        var group = app.MapGroup("/api/zones/{id:guid}").WithTags("Zones").ProducesValidationProblem();
        group.MapGet("", Get).WithSummary("A zone with its scheme, ready for the stack screen.");
        group.MapPut("", Change).WithSummary("Changes a zone.").ProducesProblem(409);
        group.MapPost("copy", Copy).WithSummary("Copies a zone on its piece; it shares the scheme.");
        group.MapDelete("", Remove).WithSummary("Deletes a zone; it can be restored. 409 when somebody else has changed it meanwhile.").ProducesProblem(409);
        group.MapPost("restore", Restore).WithSummary("Undoes a deletion.");
    }

    private static async Task<Ok<List<ZoneName>>> Names(LowfellDb db, CancellationToken cancel) => TypedResults.Ok(await db.Zones
        .Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null)
        .OrderBy(z => z.Piece!.Set!.Position).ThenBy(z => z.Piece!.SetId).ThenBy(z => z.Piece!.Position).ThenBy(z => z.PieceId).ThenBy(z => z.Position)
        .Select(z => new ZoneName(z.Id, z.Name, z.PieceId, z.Piece!.Name, z.Piece.SetId, z.Piece.Set!.Name, z.Piece.Copies, z.Piece.Substrate, z.Relief, z.Piece.Set.Scale)).ToListAsync(cancel));

    /// <summary>A zone as previews take it; its piece and set have to be loaded.</summary>
    public static ZoneDraft Draft(ZoneRow z) => new()
    {
        Substrate = z.Piece!.Substrate,
        Relief = z.Relief,
        Facing = z.Facing,
        AreaMm2 = Math.Clamp(Math.Round(PieceArea.ZoneMm2(z.Piece.AreaMm2, z.AreaShare, z.OwnAreaMm2), 1), 1, 10_000_000),
        Copies = z.Piece.Copies,
        SmallestDetailMm = z.SmallestDetailMm,
        CreaseMm = z.CreaseMm,
        EdgeMm = z.EdgeMm,
        LitEdges = z.LitEdges,
        Unseen = z.Unseen,
        HeightFromMm = z.HeightFromMm,
        HeightToMm = z.HeightToMm,
        PieceHeightMm = z.Piece.TallMm,
        Handled = z.Handled,
        Rim = z.Rim,
        CutEdges = z.CutEdges,
        Finish = z.Finish,
        Target = z.Target,
        TargetRecess = z.TargetRecess,
        TargetEdge = z.TargetEdge,
        Tolerance = z.Tolerance,
        CrackColour = z.CrackColour,
        Scale = z.Piece.Set!.Scale,
        ViewingMm = z.Piece.Set.ViewingMm,
    };

    private static async Task<Ok<ZonePage>> Get(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var zone = await Tree.ZoneAsync(db, id, cancel);
        var set = zone.Piece!.Set!;
        if (zone.DeletedAt is not null || zone.Piece.DeletedAt is not null || set.DeletedAt is not null)
        {
            throw RefusedException.NotFound("id", id);
        }

        var scheme = await SchemeEndpoints.ViewAsync(zone.SchemeId, db, cancel);
        var bench = await open.RowAsync(cancel);
        var schools = bench.Schools;
        var draft = Draft(zone) with { Air = new(bench.RoomC, bench.RoomHumidity, bench.RoomFan), TrialFactor = bench.TrialFactor };
        var shelf = await open.ShelfAsync(cancel);
        var pieceId = zone.PieceId;
        var ofPiece = await ZoneStacks.Rows(db).Where(z => z.PieceId == pieceId).OrderBy(z => z.Position).ToListAsync(cancel);
        var neighbours = ofPiece.Where(z => zone.Neighbours.Contains(z.Id));
        return TypedResults.Ok(new ZonePage(
            zone.Id, zone.Version, set.Id, set.Name, zone.PieceId, PieceDraft.Of(zone.Piece), ZoneSettings.Of(zone), draft, scheme, schools, [.. neighbours.Select(n => Neighbour(n, bench, shelf))], await AroundAsync(zone, draft, ofPiece, db, cancel)));
    }

    // The stacks as they are kept, so that the one being worked on can be put in its place.
    private static async Task<PieceRequest> AroundAsync(ZoneRow zone, ZoneDraft draft, IReadOnlyList<ZoneRow> ofPiece, LowfellDb db, CancellationToken cancel)
    {
        var (setId, pieceId) = (zone.Piece!.SetId, zone.PieceId);
        Guid[] mates = [.. ofPiece.SelectMany(z => z.Mates).Select(m => m.ZoneId).Except(ofPiece.Select(z => z.Id))];
        var elsewhere = mates is [] ? [] : await ZoneStacks.Rows(db).Where(z => z.Piece!.SetId == setId && mates.Contains(z.Id)).ToListAsync(cancel);
        ZoneRow[] around = [.. ofPiece, .. elsewhere];
        var parts = await db.Pieces.Where(p => p.PartOfId == pieceId && p.DeletedAt == null).Select(p => p.Name).ToListAsync(cancel);
        var (joins, assembly) = PieceReader.Around(around, parts);
        return new(
            [.. around.Select(z => new PieceZoneDraft(z.Id, z.Name, Draft(z) with { Air = draft.Air, TrialFactor = draft.TrialFactor }, [.. z.Scheme!.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], z.Neighbours))],
            joins,
            assembly);
    }

    private static NeighbourView Neighbour(ZoneRow zone, Bench bench, OpenShelf shelf)
    {
        var top = Predictor.PredictMiddle(ZoneStacks.Read(zone, bench, shelf)).Top;
        return new(zone.Id, zone.Name, top.Recess.Colour.ToString(), top.Face.Colour.ToString(), top.Edge.Colour.ToString());
    }

    private static async Task<Created<Created>> Add(Guid pieceId, ZoneSettings settings, LowfellDb db, CancellationToken cancel)
    {
        var piece = await Tree.PieceAsync(db, pieceId, cancel);
        settings.Check(piece, [.. piece.Zones.Select(z => z.Id)], null);
        var row = new ZoneRow { Id = Guid.CreateVersion7(), PieceId = pieceId, Name = settings.Name, Position = piece.Zones.Select(z => z.Position).DefaultIfEmpty(-1).Max() + 1 };
        settings.CopyTo(row);
        row.SchemeId = await SchemeFor(settings, piece, db, cancel);
        db.Zones.Add(row);
        Mirror(row, piece.Zones);
        await MirrorMatesAsync(row, piece.SetId, db, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/zones/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Change(Guid id, ZoneChange change, LowfellDb db, CancellationToken cancel)
    {
        await ApplyAsync(id, change.Version, change.Settings, db, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> ChangeAll(ZoneChanges change, LowfellDb db, CancellationToken cancel)
    {
        foreach (var zone in change.Zones.DistinctBy(z => z.Id))
        {
            await ApplyAsync(zone.Id, zone.Version, zone.Settings, db, cancel);
        }

        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task ApplyAsync(Guid id, int version, ZoneSettings settings, LowfellDb db, CancellationToken cancel)
    {
        var row = await Tree.ZoneAsync(db, id, cancel);
        var piece = await Tree.PieceAsync(db, row.PieceId, cancel);
        settings.Check(piece, [.. piece.Zones.Select(z => z.Id)], id);
        Versions.Check(version, row.Version);
        settings.CopyTo(row);
        row.SchemeId = settings.SchemeId is null ? row.SchemeId : await SchemeFor(settings, piece, db, cancel);
        Mirror(row, piece.Zones);
        await MirrorMatesAsync(row, piece.SetId, db, cancel);
    }

    // Touching goes both ways.
    private static void Mirror(ZoneRow row, IEnumerable<ZoneRow> siblings)
    {
        foreach (var sibling in siblings.Where(s => s.Id != row.Id))
        {
            var touches = row.Neighbours.Contains(sibling.Id);
            if (touches != sibling.Neighbours.Contains(row.Id))
            {
                sibling.Neighbours = touches ? [.. sibling.Neighbours, row.Id] : [.. sibling.Neighbours.Where(n => n != row.Id)];
            }
        }
    }

    // What fits against another has it fit against itself, with the same room.
    private static async Task MirrorMatesAsync(ZoneRow row, Guid setId, LowfellDb db, CancellationToken cancel)
    {
        var others = await db.Zones.Where(z => z.Id != row.Id && z.Piece!.SetId == setId && z.DeletedAt == null && z.Piece.DeletedAt == null).ToListAsync(cancel);
        if (row.Mates.FirstOrDefault(m => others.All(o => o.Id != m.ZoneId)) is { } stranger)
        {
            throw new RefusedException("mates", $"{stranger.ZoneId} is no other zone of this set.");
        }

        foreach (var other in others)
        {
            var mine = row.Mates.FirstOrDefault(m => m.ZoneId == other.Id);
            var theirs = other.Mates.FirstOrDefault(m => m.ZoneId == row.Id);
            if (mine?.ClearanceMm != theirs?.ClearanceMm)
            {
                other.Mates = [.. other.Mates.Where(m => m.ZoneId != row.Id), .. mine is null ? Array.Empty<Mate>() : [new Mate(row.Id, mine.ClearanceMm)]];
            }
        }
    }

    private static async Task<Guid> SchemeFor(ZoneSettings settings, PieceRow piece, LowfellDb db, CancellationToken cancel)
    {
        if (settings.SchemeId is { } given)
        {
            return await db.Schemes.AnyAsync(s => s.Id == given, cancel) ? given : throw RefusedException.NotFound("schemeId", given);
        }

        var name = $"{piece.Name}: {settings.Name.Trim()}";
        var scheme = new SchemeRow { Id = Guid.CreateVersion7(), Name = name.Length > NameBoundAttribute.Longest ? name[..NameBoundAttribute.Longest] : name };
        db.Schemes.Add(scheme);
        return scheme.Id;
    }

    private static async Task<Created<Created>> Copy(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var source = await Tree.ZoneAsync(db, id, cancel);
        var piece = await Tree.PieceAsync(db, source.PieceId, cancel);
        var row = new ZoneRow { Id = Guid.CreateVersion7(), PieceId = source.PieceId, Name = source.Name, SchemeId = source.SchemeId, Position = piece.Zones.Select(z => z.Position).DefaultIfEmpty(-1).Max() + 1 };
        (ZoneSettings.Of(source) with { Name = Tree.CopyName(source.Name), Neighbours = [], Mates = [] }).CopyTo(row);
        db.Zones.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/zones/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Reorder(Guid pieceId, Order order, LowfellDb db, CancellationToken cancel)
    {
        var piece = await Tree.PieceAsync(db, pieceId, cancel);
        Tree.Reorder(order, [.. piece.Zones.OrderBy(z => z.Position).ThenBy(z => z.Id)], r => r.Id, (r, i) => r.Position = i);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.ZoneAsync(db, id, cancel), version, clock.GetUtcNow(), db, cancel);

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.ZoneAsync(db, id, cancel), null, null, db, cancel);
}
