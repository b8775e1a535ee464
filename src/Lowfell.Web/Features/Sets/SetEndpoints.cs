using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sets;

/// <summary>Sets of pieces.</summary>
public static class SetEndpoints
{
    private const int MostSets = 500;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/sets").WithTags("Sets").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every set with its pieces and zones, a small core sample of each, and what the rules find.");
        group.MapPost("", Add).WithSummary("Makes a set.");
        group.MapPut("order", Reorder).WithSummary("Puts the sets in another order.");
        group.MapPut("{id:guid}", Change).WithSummary("Renames a set.").ProducesProblem(409);
        group.MapPost("{id:guid}/copy", Copy).WithSummary("Copies a set with its pieces and zones; they share the schemes.");
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a set; it can be restored.");
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Undoes a deletion.");
    }

    private static async Task<Ok<List<SetView>>> List(LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var sets = await db.Sets.AsNoTracking().Where(s => s.DeletedAt == null).OrderBy(s => s.Position).ThenBy(s => s.Id)
            .Include(s => s.Pieces.Where(p => p.DeletedAt == null).OrderBy(p => p.Position))
            .ThenInclude(p => p.Zones.Where(z => z.DeletedAt == null).OrderBy(z => z.Position))
            .AsSplitQuery().ToListAsync(cancel);
        var schemes = await db.Schemes.AsNoTracking().Include(s => s.Coats).ToDictionaryAsync(s => s.Id, cancel);
        var shelf = await shelves.OpenAsync(scope, services, cancel);
        var schools = SchoolsView.Of(await BenchEndpoints.OpenBench(db, scope, cancel));
        return TypedResults.Ok(sets.Select(s => new SetView(s.Id, s.Version, s.Name, [.. s.Pieces.Select(p => Piece(p, schemes, schools, shelf))])).ToList());
    }

    private static PieceView Piece(PieceRow p, Dictionary<Guid, SchemeRow> schemes, SchoolsView schools, OpenShelf shelf) =>
        new(p.Id, p.Version, PieceDraft.Of(p), Math.Round(p.AreaMm2, 1), [.. p.Zones.Select(z => Zone(z, p, schemes[z.SchemeId], schools, shelf))]);

    private static ZoneView Zone(ZoneRow z, PieceRow piece, SchemeRow scheme, SchoolsView schools, OpenShelf shelf)
    {
        z.Piece = piece;
        var zone = z.ToCore();
        var draft = StackReader.Read(ZoneEndpoints.Draft(z), [.. scheme.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], schools, shelf) with { Zone = zone };
        var prediction = Predictor.Predict(draft);
        var findings = RuleBook.Read(draft, prediction, shelf.Shelf);
        return new(
            z.Id,
            z.Version,
            ZoneSettings.Of(z),
            Math.Round(zone.AreaMm2, 1),
            scheme.Name,
            SampleStratum.Of(draft, prediction, draft.Coats.Count),
            new(findings.Count(f => f.Severity == Severity.Stop), findings.Count(f => f.Severity == Severity.Risk), findings.Count(f => f.Severity == Severity.Note)));
    }

    private static async Task<Created<Created>> Add(SetDraft draft, LowfellDb db, CancellationToken cancel)
    {
        var row = new SetRow { Id = Guid.CreateVersion7(), Name = Tree.CheckName(draft.Name), Position = await NextPosition(db, cancel) };
        db.Sets.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/sets/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Change(Guid id, SetChange change, LowfellDb db, CancellationToken cancel)
    {
        var row = await Tree.SetAsync(db, id, cancel);
        Tree.CheckVersion(change.Version, row.Version);
        row.Name = Tree.CheckName(change.Name);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Created<Created>> Copy(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var source = await db.Sets.AsNoTracking().Include(s => s.Pieces.Where(p => p.DeletedAt == null)).ThenInclude(p => p.Zones).SingleOrDefaultAsync(s => s.Id == id, cancel)
            ?? throw Hosting.RefusedException.NotFound("id", id);
        var row = new SetRow { Id = Guid.CreateVersion7(), Name = Tree.CopyName(source.Name), Position = await NextPosition(db, cancel) };
        var copies = source.Pieces.ToDictionary(p => p.Id, p => Tree.Copy(p, row.Id, p.Position, rename: false));
        foreach (var copy in copies.Values)
        {
            // A part of the copy is fitted on the copy.
            copy.PartOfId = copy.PartOfId is { } on && copies.TryGetValue(on, out var host) ? host.Id : null;
        }

        row.Pieces = [.. copies.Values];
        db.Sets.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/sets/{row.Id}", new Created(row.Id));
    }

    private static async Task<NoContent> Reorder(Order order, LowfellDb db, CancellationToken cancel)
    {
        var rows = await db.Sets.Where(s => s.DeletedAt == null).ToListAsync(cancel);
        Tree.Reorder(order.Ids, rows, r => r.Id, (r, i) => r.Position = i);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static Task<NoContent> Remove(Guid id, LowfellDb db, TimeProvider clock, CancellationToken cancel) => Mark(id, clock.GetUtcNow(), db, cancel);

    private static Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel) => Mark(id, null, db, cancel);

    private static async Task<NoContent> Mark(Guid id, DateTimeOffset? deleted, LowfellDb db, CancellationToken cancel)
    {
        (await Tree.SetAsync(db, id, cancel)).DeletedAt = deleted;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<int> NextPosition(LowfellDb db, CancellationToken cancel)
    {
        var positions = await db.Sets.Where(s => s.DeletedAt == null).Select(s => s.Position).ToListAsync(cancel);
        return positions.Count < MostSets
            ? positions.DefaultIfEmpty(-1).Max() + 1
            : throw new Hosting.RefusedException("name", $"{MostSets} sets are the most that a bench holds.");
    }
}
