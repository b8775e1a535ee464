using Lowfell.Core.Bases.Elements;
using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Families of bases, and the boxes of elements on the shelf.</summary>
public static class FamilyEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var families = app.MapGroup("/api/base-families").WithTags("Bases").ProducesValidationProblem();
        families.MapGet("", Families).WithSummary("Families of bases, by name.");
        families.MapGet("starters", Starters).WithSummary("Families to begin with.");
        families.MapPost("", AddFamily).WithSummary("Keeps a family.");
        families.MapPut("{id:guid}", ChangeFamily).WithSummary("Changes a family; 409 when somebody else has meanwhile.").ProducesProblem(409);
        families.MapDelete("{id:guid}", RemoveFamily).WithSummary("Deletes a family that no tray uses.").ProducesProblem(409);
        families.MapPost("{id:guid}/restore", RestoreFamily).WithSummary("Puts a deleted family back.");
        var boxes = app.MapGroup("/api/element-boxes").WithTags("Bases").ProducesValidationProblem();
        boxes.MapGet("", Boxes).WithSummary("Boxes of elements on the shelf, by kind and size.");
        boxes.MapPost("", AddBox).WithSummary("Puts a box on the shelf.");
        boxes.MapPost("starters", AddStarters).WithSummary("Puts the usual boxes on an empty shelf of elements.");
        boxes.MapPut("{id:guid}", ChangeBox).WithSummary("Changes a box; 409 when somebody else has meanwhile.").ProducesProblem(409);
        boxes.MapDelete("{id:guid}", RemoveBox).WithSummary("Deletes a box; what lies on trays stays there.");
        boxes.MapPost("{id:guid}/restore", RestoreBox).WithSummary("Puts a deleted box back.");
    }

    private static async Task<Ok<List<BaseFamilyView>>> Families(LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok((await db.BaseFamilies.AsNoTracking().OrderBy(f => f.Name).ToListAsync(cancel)).ConvertAll(View));

    private static Ok<List<BaseFamilyDraft>> Starters() => TypedResults.Ok(Core.Bases.Layouts.StarterFamilies.All.Select(BaseFamilyDraft.Of).ToList());

    private static async Task<Created<BaseFamilyView>> AddFamily(BaseFamilyDraft draft, LowfellDb db, CancellationToken cancel)
    {
        Check(draft, "");
        var row = new BaseFamilyRow { Id = Guid.CreateVersion7(), Name = draft.Name.Trim(), Rules = Kept.Write(draft) };
        db.BaseFamilies.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/base-families/{row.Id}", View(row));
    }

    private static async Task<Ok<BaseFamilyView>> ChangeFamily(Guid id, BaseFamilyChange change, LowfellDb db, TrayDesk desk, CancellationToken cancel)
    {
        Check(change.Family, "family.");
        var row = await db.BaseFamilies.SingleOrDefaultAsync(f => f.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(change.Version, row.Version);
        (row.Name, row.Rules) = (change.Family.Name.Trim(), Kept.Write(change.Family));
        await desk.FollowAsync(row, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row));
    }

    private static async Task<NoContent> RemoveFamily(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.BaseFamilies.SingleOrDefaultAsync(f => f.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        if (await db.Trays.Where(t => t.FamilyId == id).Select(t => t.Piece!.Name).FirstOrDefaultAsync(cancel) is { } piece)
        {
            throw new RefusedException("id", $"The tray of {piece} is of this family. Give it another one first.", 409);
        }

        Versions.Check(version, row.Version);
        row.DeletedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> RestoreFamily(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.BaseFamilies.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(f => f.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        row.DeletedAt = null;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<List<BoxView>>> Boxes(LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok((await db.ElementBoxes.AsNoTracking().OrderBy(b => b.Kind).ThenByDescending(b => b.LengthMm).ThenBy(b => b.Name).ToListAsync(cancel)).ConvertAll(View));

    private static async Task<Created<BoxView>> AddBox(BoxDraft draft, LowfellDb db, CancellationToken cancel)
    {
        var row = new ElementBoxRow { Id = Guid.CreateVersion7(), Name = "" };
        Take(row, draft);
        db.ElementBoxes.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/element-boxes/{row.Id}", View(row));
    }

    private static async Task<Ok<List<BoxView>>> AddStarters(LowfellDb db, CancellationToken cancel)
    {
        var names = await db.ElementBoxes.Select(b => b.Name).ToListAsync(cancel);
        db.ElementBoxes.AddRange(StarterBoxes.All.Where(s => !names.Contains(s.Class.Name)).Select(s => new ElementBoxRow
        {
            Id = Guid.CreateVersion7(),
            Name = s.Class.Name,
            Kind = s.Class.Kind,
            LengthMm = s.Class.LengthMm,
            WidthMm = s.Class.WidthMm,
            HeightMm = s.Class.HeightMm,
            Spread = s.Class.Spread,
            Count = s.Count,
        }));
        await db.SaveChangesAsync(cancel);
        return await Boxes(db, cancel);
    }

    private static async Task<Ok<BoxView>> ChangeBox(Guid id, BoxChange change, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.ElementBoxes.SingleOrDefaultAsync(b => b.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(change.Version, row.Version);
        Take(row, change.Box);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row));
    }

    private static async Task<NoContent> RemoveBox(Guid id, int version, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.ElementBoxes.SingleOrDefaultAsync(b => b.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(version, row.Version);
        row.DeletedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> RestoreBox(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.ElementBoxes.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(b => b.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        row.DeletedAt = null;
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static void Check(BaseFamilyDraft draft, string path)
    {
        var checks = new Checks();
        draft.Check(checks, path);
        checks.Enforce();
    }

    private static void Take(ElementBoxRow row, BoxDraft d) =>
        (row.Name, row.Kind, row.LengthMm, row.WidthMm, row.HeightMm, row.Spread, row.Count) = (d.Name.Trim(), d.Kind, d.LengthMm, d.WidthMm, d.HeightMm, d.Spread, d.Count);

    private static BaseFamilyView View(BaseFamilyRow row) => new(row.Id, row.Version, Kept.Read<BaseFamilyDraft>(row.Rules) with { Name = row.Name });

    private static BoxView View(ElementBoxRow b) => new(b.Id, b.Version, new(b.Name, b.Kind, b.LengthMm, b.WidthMm, b.HeightMm, b.Spread, b.Count));
}
