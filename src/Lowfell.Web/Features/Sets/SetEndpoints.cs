using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>Sets of pieces.</summary>
public static class SetEndpoints
{
    // A shelf that changes makes thousands of stacks stale: nobody waits longer than this for a list.
    internal static readonly TimeSpan Moment = TimeSpan.FromMilliseconds(250);

    private const int MostSets = 500;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/sets").WithTags("Sets").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every set with its pieces and zones, a small core sample of each, and what the rules find.");
        group.MapGet("cards", Cards).WithSummary("Every set as its card shows it: core sample, progress, what comes next, and what the rules find; without its pieces.");
        group.MapGet("{id:guid}", One).WithSummary("A set with its pieces and zones.");
        group.MapPost("", Add).WithSummary("Makes a set.");
        group.MapPut("order", Reorder).WithSummary("Puts the sets in another order; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapPut("{id:guid}", Change).WithSummary("Changes a set: its name, scale and viewing distance.").ProducesProblem(409);
        group.MapPost("{id:guid}/copy", Copy).WithSummary("Copies a set with its pieces and zones; they share the schemes.");
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a set; it can be restored. 409 when somebody else has changed it meanwhile.").ProducesProblem(409);
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Undoes a deletion.");
    }

    private static async Task<Ok<List<SetView>>> List(SetStamps stamps, StampQueue queue, OpenBench open, CancellationToken cancel)
    {
        var sets = await stamps.ReadAsync(Moment, cancel);
        if (stamps.IsBehind)
        {
            queue.Ask(open.BenchId);
        }

        return TypedResults.Ok(sets.ConvertAll(s => View(s, stamps)));
    }

    private static async Task<Ok<List<SetCard>>> Cards(SetCards cards, StampQueue queue, OpenBench open, CancellationToken cancel)
    {
        var all = await cards.ReadAsync(Moment, cancel);
        if (cards.IsBehind)
        {
            queue.Ask(open.BenchId);
        }

        return TypedResults.Ok(all);
    }

    private static async Task<Ok<SetView>> One(Guid id, SetStamps stamps, StampQueue queue, OpenBench open, CancellationToken cancel)
    {
        var set = (await stamps.ReadAsync(Moment, cancel, id)).SingleOrDefault() ?? throw RefusedException.NotFound("id", id);
        if (stamps.IsBehind)
        {
            queue.Ask(open.BenchId);
        }

        return TypedResults.Ok(View(set, stamps));
    }

    internal static SetView View(SetRow s, SetStamps stamps) => new(s.Id, s.Version, s.Name, s.Scale, s.ViewingMm, s.ReadyBy, [.. s.Pieces.Select(p => Piece(p, stamps))]);

    private static PieceView Piece(PieceRow p, SetStamps stamps)
    {
        var (judgement, current) = stamps.Of(p);
        return new(p.Id, p.Version, PieceDraft.Of(p), Math.Round(p.AreaMm2, 1), [.. p.Zones.Select(z => Zone(z, stamps, stamps.SchemeNames[z.SchemeId]))], judgement, current);
    }

    private static ZoneView Zone(ZoneRow z, SetStamps stamps, string scheme)
    {
        var (stamp, current) = stamps.Of(z);
        return new(z.Id, z.Version, ZoneSettings.Of(z), Math.Round(PieceArea.ZoneMm2(z.Piece!.AreaMm2, z.AreaShare, z.OwnAreaMm2), 1), scheme, stamp.Sample, stamp.Findings, current);
    }

    private static async Task<Created<Created>> Add(SetDraft draft, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = new SetRow { Id = Guid.CreateVersion7(), Name = draft.Name, Position = await NextPosition(db, cancel) };
        draft.CopyTo(row, Today(clock));
        db.Sets.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/sets/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Change(Guid id, SetChange change, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await Tree.SetAsync(db, id, cancel);
        Versions.Check(change.Version, row.Version);
        change.CopyTo(row, Today(clock));
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);

    private static async Task<Created<Created>> Copy(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var source = await db.Sets.AsNoTracking().Include(s => s.Pieces.Where(p => p.DeletedAt == null)).ThenInclude(p => p.Zones).SingleOrDefaultAsync(s => s.Id == id, cancel)
            ?? throw RefusedException.NotFound("id", id);
        var row = new SetRow { Id = Guid.CreateVersion7(), Name = Tree.CopyName(source.Name), Scale = source.Scale, ViewingMm = source.ViewingMm, Position = await NextPosition(db, cancel) };
        var ids = Tree.NewIds(source.Pieces.SelectMany(p => p.Zones));
        var copies = source.Pieces.ToDictionary(p => p.Id, p => Tree.Copy(p, row.Id, p.Position, p.Name, ids));
        foreach (var copy in copies.Values)
        {
            // A part of the copy is fitted on the copy.
            copy.PartOfId = copy.PartOfId is { } on && copies.TryGetValue(on, out var host) ? host.Id : null;
        }

        row.Pieces = [.. copies.Values];
        db.Sets.Add(row);
        await Tree.CopyBesideAsync(copies, ids, db, cancel);
        if (await db.Boards.AsNoTracking().SingleOrDefaultAsync(b => b.SetId == id, cancel) is { } board)
        {
            db.Boards.Add(new() { Id = Guid.CreateVersion7(), SetId = row.Id, Board = Tree.CopyBoard(board.Board, copies) });
        }

        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/sets/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Reorder(Order order, LowfellDb db, CancellationToken cancel)
    {
        var rows = await db.Sets.Where(s => s.DeletedAt == null).OrderBy(s => s.Position).ThenBy(s => s.Id).ToListAsync(cancel);
        Tree.Reorder(order, rows, r => r.Id, (r, i) => r.Position = i);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.SetAsync(db, id, cancel), version, clock.GetUtcNow(), db, cancel);

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel) =>
        await Tree.MarkAsync(await Tree.SetAsync(db, id, cancel), null, null, db, cancel);

    private static async Task<int> NextPosition(LowfellDb db, CancellationToken cancel)
    {
        var positions = await db.Sets.Where(s => s.DeletedAt == null).Select(s => s.Position).ToListAsync(cancel);
        return positions.Count < MostSets
            ? positions.DefaultIfEmpty(-1).Max() + 1
            : throw new RefusedException("name", $"Delete a set first: {MostSets} are the most that a bench holds.");
    }
}
