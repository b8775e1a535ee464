using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>Pieces of a set.</summary>
public static class PieceEndpoints
{
    /// <summary>The most pieces that a set holds.</summary>
    public const int MostPieces = 500;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var inSet = app.MapGroup("/api/sets/{setId:guid}/pieces").WithTags("Pieces").ProducesValidationProblem();
        inSet.MapPost("", Add).WithSummary("Adds a piece to a set.");
        inSet.MapPut("order", Reorder).WithSummary("Puts the pieces of a set in another order; 409 when somebody else has meanwhile.").ProducesProblem(409);
        var group = app.MapGroup("/api/pieces/{id:guid}").WithTags("Pieces").ProducesValidationProblem();
        group.MapGet("", Page).WithSummary("A piece with its set's other pieces, its zones, what the rules find, and how far it is.");
        group.MapPut("", Change).WithSummary("Changes a piece.").ProducesProblem(409);
        group.MapPost("copy", Copy).WithSummary("Copies a piece with its zones; they share the schemes.");
        group.MapDelete("", Remove).WithSummary("Deletes a piece; it can be restored. 409 when somebody else has changed it meanwhile.").ProducesProblem(409);
        group.MapPost("restore", Restore).WithSummary("Undoes a deletion.");
    }

    private static async Task<Ok<PiecePage>> Page(Guid id, SetStamps stamps, StampQueue queue, OpenBench open, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var setId = await db.Pieces.Where(p => p.Id == id && p.DeletedAt == null).Select(p => (Guid?)p.SetId).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("id", id);
        var set = (await stamps.ReadAsync(SetEndpoints.Moment, cancel, setId)).SingleOrDefault() ?? throw RefusedException.NotFound("id", id);
        if (stamps.IsBehind)
        {
            queue.Ask(open.BenchId);
        }

        var view = SetEndpoints.View(set, stamps);
        var work = await WorkReader.OfPieceAsync(id, clock.GetUtcNow(), await open.RowAsync(cancel), await open.ShelfAsync(cancel), db, cancel);
        var (done, steps) = work.Count(id);
        return TypedResults.Ok(new PiecePage(setId, view.Name, view.Scale, view.Pieces.Single(p => p.Id == id), [.. view.Pieces.Select(p => new PieceName(p.Id, p.Piece.Name))], done, steps, await db.Trays.AnyAsync(t => t.PieceId == id, cancel)));
    }

    private static async Task<Created<Created>> Add(Guid setId, PieceDraft draft, LowfellDb db, CancellationToken cancel)
    {
        await Tree.SetAsync(db, setId, cancel);
        await CheckPartAsync(draft, setId, null, db, cancel);
        var row = new PieceRow { Id = Guid.CreateVersion7(), SetId = setId, Name = draft.Name, Position = await NextPosition(setId, db, cancel) };
        draft.CopyTo(row);
        db.Pieces.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/pieces/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Change(Guid id, PieceChange change, LowfellDb db, CancellationToken cancel)
    {
        var row = await Tree.PieceAsync(db, id, cancel);
        Versions.Check(change.Version, row.Version);
        await CheckPartAsync(change.Piece, row.SetId, id, db, cancel);
        change.Piece.CopyTo(row);
        if (row.Zones.FirstOrDefault(z => z.HeightToMm > row.TallMm) is { } tall)
        {
            throw new RefusedException("heightMm", $"Change {tall.Name} first: it reaches up to {tall.HeightToMm} mm, and {row.TallMm} mm is too low for it.");
        }

        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    // A part is fitted on another piece of its set that is no part itself, copy by copy.
    private static async Task CheckPartAsync(PieceDraft draft, Guid setId, Guid? self, LowfellDb db, CancellationToken cancel)
    {
        if (draft.PartOfId is not { } on)
        {
            return;
        }

        var host = await db.Pieces.AsNoTracking().SingleOrDefaultAsync(p => p.Id == on && p.SetId == setId && p.DeletedAt == null, cancel);
        if (host is null || on == self)
        {
            throw new RefusedException("partOfId", $"Choose another piece of this set: {on} is none.");
        }

        if (host.PartOfId is not null || await db.Pieces.AnyAsync(p => self != null && p.PartOfId == self && p.DeletedAt == null, cancel))
        {
            throw new RefusedException("partOfId", $"A part is fitted on a whole, and a part has no parts of its own: put it on the piece that {host.Name} is fitted on.");
        }

        if (host.Copies != draft.Copies)
        {
            throw new RefusedException("copies", $"{draft.Copies} copies can't be fitted on {host.Copies} of {host.Name}: a part has one copy for each; draw up all that goes on one as one part.");
        }
    }

    private static async Task<Created<Created>> Copy(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var source = await Tree.PieceAsync(db, id, cancel);
        var ids = Tree.NewIds(source.Zones);
        var copy = Tree.Copy(source, source.SetId, await NextPosition(source.SetId, db, cancel), Tree.CopyName(source.Name), ids);
        db.Pieces.Add(copy);
        await Tree.CopyBesideAsync(new Dictionary<Guid, PieceRow> { [id] = copy }, ids, db, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/pieces/{copy.Id}", new Created(copy.Id));
    }

    private static async Task<NoContent> Reorder(Guid setId, Order order, LowfellDb db, CancellationToken cancel)
    {
        var rows = await db.Pieces.Where(p => p.SetId == setId && p.DeletedAt == null).OrderBy(p => p.Position).ThenBy(p => p.Id).ToListAsync(cancel);
        Tree.Reorder(order, rows, r => r.Id, (r, i) => r.Position = i);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.PieceAsync(db, id, cancel), version, clock.GetUtcNow(), db, cancel);

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.PieceAsync(db, id, cancel), null, null, db, cancel);

    private static async Task<int> NextPosition(Guid setId, LowfellDb db, CancellationToken cancel)
    {
        var positions = await db.Pieces.Where(p => p.SetId == setId && p.DeletedAt == null).Select(p => p.Position).ToListAsync(cancel);
        return positions.Count < MostPieces
            ? positions.DefaultIfEmpty(-1).Max() + 1
            : throw new RefusedException("name", $"Delete a piece first: {MostPieces} are the most that a set holds.");
    }
}
