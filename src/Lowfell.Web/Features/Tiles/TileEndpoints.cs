using Lowfell.Core.Colour;
using Lowfell.Core.Tiles;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Tiles;

/// <summary>A look that is wanted, at any of the three heights.</summary>
/// <param name="Recess">Recess, #rrggbb.</param>
/// <param name="Face">Face, #rrggbb.</param>
/// <param name="Edge">Edge, #rrggbb.</param>
public sealed record LookDraft([ColourBound] string? Recess = null, [ColourBound] string? Face = null, [ColourBound] string? Edge = null);

/// <summary>What is painted where on a test tile.</summary>
/// <param name="Zone">What the scrap stands for: substrate, relief, facing.</param>
/// <param name="Under">Coats under the whole tile.</param>
/// <param name="Rows">The coat of each row.</param>
/// <param name="Columns">The coat of each column; it goes on last.</param>
/// <param name="Look">The look that is wanted.</param>
public sealed record TilePlan(ZoneDraft Zone, [TileGroundBound] IReadOnlyList<CoatDraft> Under, [TileLinesBound] IReadOnlyList<CoatDraft> Rows, [TileLinesBound] IReadOnlyList<CoatDraft> Columns, LookDraft? Look = null);

/// <summary>A cell as it came out on the real scrap.</summary>
/// <param name="Row">Row, from 0.</param>
/// <param name="Column">Column, from 0.</param>
/// <param name="Face">Its face, #rrggbb.</param>
/// <param name="Note">Note.</param>
public sealed record PaintedCell([TileLineBound] int Row, [TileLineBound] int Column, [ColourBound] string Face, [RemarkBound] string Note = "");

/// <summary>A tile as it is drawn up.</summary>
/// <param name="Name">Name, as written on the scrap.</param>
/// <param name="Plan">What is painted where.</param>
/// <param name="Painted">What came out.</param>
public sealed record TileDraft([NameBound] string Name, TilePlan Plan, [TileCellsBound] IReadOnlyList<PaintedCell> Painted);

/// <summary>A tile of the bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Version to send back with a change.</param>
/// <param name="Tile">The tile.</param>
public sealed record TileView(Guid Id, int Version, TileDraft Tile);

/// <summary>A change of a tile.</summary>
/// <param name="Version">The version that was changed.</param>
/// <param name="Tile">What it should be.</param>
public sealed record TileChange([VersionBound] int Version, TileDraft Tile);

/// <summary>A predicted cell.</summary>
/// <param name="Row">Row, from 0.</param>
/// <param name="Column">Column, from 0.</param>
/// <param name="Recess">Recess.</param>
/// <param name="Face">Face.</param>
/// <param name="Edge">Edge.</param>
/// <param name="DeWanted">dE00 to the wanted look, what was painted before what was predicted; none where no look is wanted.</param>
/// <param name="DePainted">dE00 of the predicted face to what came out; none where nothing was noted.</param>
public sealed record CellView(int Row, int Column, string Recess, string Face, string Edge, double? DeWanted, double? DePainted);

/// <summary>A predicted tile.</summary>
/// <param name="Cells">Cells, row by row.</param>
/// <param name="NearestRow">Row of the cell nearest to the wanted look.</param>
/// <param name="NearestColumn">Its column.</param>
public sealed record TilePreview(IReadOnlyList<CellView> Cells, int? NearestRow, int? NearestColumn);

/// <summary>A cell to be taken into a stack.</summary>
/// <param name="Row">Row, from 0.</param>
/// <param name="Column">Column, from 0.</param>
/// <param name="ZoneId">The zone.</param>
/// <param name="SchemeVersion">Version of its scheme.</param>
/// <param name="Instead">In place of the coats that are there; else on top of them.</param>
public sealed record CellAdoption([TileLineBound] int Row, [TileLineBound] int Column, Guid ZoneId, [VersionBound] int SchemeVersion, bool Instead = true);

/// <summary>Test tiles: a grid of coats, predicted, painted, compared, adopted.</summary>
public static class TileEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapPost("/api/preview/tile", Preview).WithTags("Preview").ProducesValidationProblem().WithSummary("Predicts every cell of a test tile, and finds the one nearest to a wanted look.");
        var group = app.MapGroup("/api/tiles").WithTags("Tiles").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Test tiles, by name.");
        group.MapPost("", Add).WithSummary("Keeps a test tile.");
        group.MapPut("{id:guid}", Change).WithSummary("Changes a test tile, or notes what came out; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a test tile.");
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Puts a deleted tile back.");
        group.MapPost("{id:guid}/adopt", Adopt).WithSummary("Makes a cell the coats of a zone's stack.").ProducesProblem(409);
    }

    private static async Task<Ok<TilePreview>> Preview(TileDraft draft, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var shelf = await open.ShelfAsync(cancel);
        var tile = await ReadAsync(draft, "", db, open, shelf, cancel);
        var painted = draft.Painted.ToDictionary(p => (p.Row, p.Column), p => Srgb.Parse(p.Face));
        var cells = tile.Predict();
        var look = draft.Plan.Look is { } l && (l.Recess ?? l.Face ?? l.Edge) is not null ? new WantedLook(Colour(l.Recess), Colour(l.Face), Colour(l.Edge)) : null;
        var nearest = look is null ? [] : TestTile.Nearest(cells, look, painted);
        var off = nearest.ToDictionary(n => (n.Cell.Row, n.Cell.Column), n => n.DeltaE);
        return TypedResults.Ok(new TilePreview(
            [.. cells.Select(c => new CellView(
                c.Row,
                c.Column,
                c.Top.Recess.Colour.ToString(),
                c.Top.Face.Colour.ToString(),
                c.Top.Edge.Colour.ToString(),
                off.TryGetValue((c.Row, c.Column), out var d) ? Math.Round(d, 2) : null,
                painted.TryGetValue((c.Row, c.Column), out var seen) ? Math.Round(ColourDifference.Ciede2000(seen.ToLab(), c.Top.Face.Lab), 2) : null))],
            nearest.Count > 0 ? nearest[0].Cell.Row : null,
            nearest.Count > 0 ? nearest[0].Cell.Column : null));
    }

    private static async Task<Ok<List<TileView>>> List(LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok((await db.Tiles.AsNoTracking().OrderBy(t => t.Name).ToListAsync(cancel)).Select(View).ToList());

    private static async Task<Created<TileView>> Add(TileDraft draft, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await ReadAsync(draft, "", db, open, await open.ShelfAsync(cancel), cancel);
        var row = new TileRow { Id = Guid.CreateVersion7(), Name = draft.Name.Trim(), Plan = Kept.Write(draft.Plan), Painted = Kept.Write(draft.Painted) };
        db.Tiles.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/tiles/{row.Id}", View(row));
    }

    private static async Task<Ok<TileView>> Change(Guid id, TileChange change, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await ReadAsync(change.Tile, "tile.", db, open, await open.ShelfAsync(cancel), cancel);
        var row = await RowAsync(id, db, cancel);
        Versions.Check(change.Version, row.Version);
        (row.Name, row.Plan, row.Painted) = (change.Tile.Name.Trim(), Kept.Write(change.Tile.Plan), Kept.Write(change.Tile.Painted));
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row));
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await RowAsync(id, db, cancel);
        Versions.Check(version, row.Version);
        row.DeletedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.Tiles.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(t => t.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        row.DeletedAt = null;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Adopt(Guid id, CellAdoption cell, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var plan = View(await RowAsync(id, db, cancel)).Tile.Plan;
        var checks = new Checks();
        checks.Within("row", cell.Row, 0, plan.Rows.Count - 1);
        checks.Within("column", cell.Column, 0, plan.Columns.Count - 1);
        checks.Enforce();
        var zone = await Tree.ZoneAsync(db, cell.ZoneId, cancel);
        var coats = plan.Under.Append(plan.Rows[cell.Row]).Append(plan.Columns[cell.Column]).Select(c => c with { Id = Guid.CreateVersion7() }).ToList();
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, cell.SchemeVersion, kept => cell.Instead ? coats : [.. kept, .. coats], await open.ShelfAsync(cancel), db, clock.GetUtcNow(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<TestTile> ReadAsync(TileDraft draft, string prefix, LowfellDb db, OpenBench open, OpenShelf shelf, CancellationToken cancel)
    {
        var checks = new Checks();
        var plan = draft.Plan;
        for (var i = 0; i < draft.Painted.Count; i++)
        {
            var cell = draft.Painted[i];
            checks.Within($"{prefix}painted[{i}].row", cell.Row, 0, plan.Rows.Count - 1);
            checks.Within($"{prefix}painted[{i}].column", cell.Column, 0, plan.Columns.Count - 1);
            if (draft.Painted.Take(i).Any(p => (p.Row, p.Column) == (cell.Row, cell.Column)))
            {
                checks.Fault($"{prefix}painted[{i}].row", "This cell stands here twice.");
            }
        }

        checks.Enforce();
        var schools = (await open.RowAsync(cancel)).Schools;
        var all = StackReader.Read(plan.Zone, [.. plan.Under, .. plan.Rows, .. plan.Columns], schools, shelf);
        var under = plan.Under.Count;
        return new(all.Zone, all.Schools, [.. all.Coats.Take(under)], [.. all.Coats.Skip(under).Take(plan.Rows.Count)], [.. all.Coats.Skip(under + plan.Rows.Count)]);
    }

    private static Srgb? Colour(string? text) => text is null ? null : Srgb.Parse(text);

    private static async Task<TileRow> RowAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.Tiles.SingleOrDefaultAsync(t => t.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    private static TileView View(TileRow t) => new(t.Id, t.Version, new(t.Name, Kept.Read<TilePlan>(t.Plan), Kept.Read<List<PaintedCell>>(t.Painted)));
}
