using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.References;

/// <summary>Pictures pinned to a set or a piece, and the colours that are picked from them.</summary>
public static class ReferenceEndpoints
{
    private const int MostOfSet = 40;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api").WithTags("References").ProducesValidationProblem();
        group.MapGet("sets/{id:guid}/references", List).WithSummary("The pictures of a set and its pieces, the latest first, with what was picked from them and how the zones stand to it.");
        group.MapPost("sets/{id:guid}/references", Pin).WithSummary("Pins a picture to a set or a piece of it.");
        group.MapPut("references/{id:guid}", Change).ProducesProblem(409).WithSummary("Changes a pinned picture: its grey, its spots. What is picked becomes what the zones want; what is given up is wanted no more.");
        group.MapDelete("references/{id:guid}", Remove).WithSummary("Takes a picture off; what was picked from it stays wanted.");
        group.MapPost("references/{id:guid}/restore", Restore).WithSummary("Pins a picture again that was taken off.");
    }

    private static async Task<Ok<IReadOnlyList<ReferenceView>>> List(Guid id, ReferenceDesk desk, LowfellDb db, CancellationToken cancel)
    {
        await CheckSetAsync(id, db, cancel);
        var rows = await db.References.AsNoTracking().Where(r => r.SetId == id).OrderByDescending(r => r.At).ThenBy(r => r.Id).ToListAsync(cancel);
        return TypedResults.Ok(await desk.ViewAsync(rows, cancel));
    }

    private static async Task<Results<Created<ReferenceView>, Ok<ReferenceView>>> Pin(Guid id, ReferenceDraft draft, ReferenceDesk desk, LowfellDb db, SentActions sent, TimeProvider clock, CancellationToken cancel)
    {
        await CheckSetAsync(id, db, cancel);
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await sent.TakeAsync(draft.Id, SentActions.HashOf(new { id, draft }), cancel);
        if (await db.References.IgnoreQueryFilters([LowfellDb.NotDeleted]).AsNoTracking().SingleOrDefaultAsync(r => r.Id == draft.Id, cancel) is { } known)
        {
            return (known.SetId, known.PhotoId) == (id, draft.PhotoId)
                ? TypedResults.Ok((await desk.ViewAsync([known], cancel))[0])
                : throw new RefusedException("id", "Pin it anew: another picture was pinned under this id.", 409);
        }

        await CheckPieceAsync(id, draft.PieceId, db, cancel);
        if (!await db.Photos.AnyAsync(p => p.Id == draft.PhotoId, cancel))
        {
            throw RefusedException.NotFound("photoId", draft.PhotoId);
        }

        if (await db.References.CountAsync(r => r.SetId == id, cancel) >= MostOfSet)
        {
            throw new RefusedException("name", $"Take one off first: {MostOfSet} pictures of a set are the most.");
        }

        var row = new ReferenceRow { Id = draft.Id, SetId = id, PieceId = draft.PieceId, PhotoId = draft.PhotoId, Name = draft.Name.Trim(), At = clock.GetUtcNow() };
        db.References.Add(row);
        await db.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Created($"/api/references/{row.Id}", (await desk.ViewAsync([row], cancel))[0]);
    }

    private static async Task<Ok<ReferenceView>> Change(Guid id, ReferenceChange change, ReferenceDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.References.SingleOrDefaultAsync(r => r.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(change.Version, row.Version);
        await CheckPieceAsync(row.SetId, change.PieceId, db, cancel);
        var checks = new Checks();
        foreach (var twice in change.Picks.GroupBy(p => (p.ZoneId, p.Height)).Where(g => g.Count() > 1))
        {
            checks.Fault("picks", $"Pick one spot for the {twice.Key.Height.ToString().ToLowerInvariant()} of a zone: there are {twice.Count()}.");
        }

        checks.Enforce();
        (row.PieceId, row.Name) = (change.PieceId, change.Name.Trim());
        await desk.PickAsync(row, change, cancel);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            throw new RefusedException("version", "Look at it again: somebody else changed this picture, or a zone that was picked for, meanwhile.", 409);
        }

        return TypedResults.Ok((await desk.ViewAsync([row], cancel))[0]);
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.References.SingleOrDefaultAsync(r => r.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(version, row.Version);
        row.DeletedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel)
    {
        (await db.References.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(r => r.Id == id, cancel) ?? throw RefusedException.NotFound("id", id)).DeletedAt = null;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task CheckSetAsync(Guid id, LowfellDb db, CancellationToken cancel)
    {
        if (!await db.Sets.AnyAsync(s => s.Id == id && s.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }
    }

    private static async Task CheckPieceAsync(Guid set, Guid? piece, LowfellDb db, CancellationToken cancel)
    {
        if (piece is { } of && !await db.Pieces.AnyAsync(p => p.Id == of && p.SetId == set && p.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("pieceId", of);
        }
    }
}
