using Lowfell.Core.Mixes;
using Lowfell.Store;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>Materials on the shelf.</summary>
public static class ShelfEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/materials").WithTags("Shelf").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every material on the shelf, by name.");
        group.MapPost("", Add).WithSummary("Puts a material on the shelf.");
        group.MapPut("{id:guid}", Change).WithSummary("Changes a material; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapDelete("{id:guid}", Remove).WithSummary("Takes a material off the shelf; 409 while something uses it.").ProducesProblem(409);
        app.MapPost("/api/preview/swatch", Swatch).WithTags("Preview").WithSummary("A material over black and over white, by passes.").ProducesValidationProblem();
    }

    private static async Task<Ok<List<MaterialView>>> List(LowfellDb db, CancellationToken cancel)
    {
        var coats = await db.Coats.Where(c => c.MaterialId != null).GroupBy(c => c.MaterialId).Select(g => new { g.Key, Count = g.Select(c => c.SchemeId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        var mixes = await db.Set<MixComponentRow>().Where(c => c.MaterialId != null).GroupBy(c => c.MaterialId).Select(g => new { g.Key, Count = g.Select(c => c.MixId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        var rows = await db.Materials.AsNoTracking().OrderBy(m => m.Name).ToListAsync(cancel);
        return TypedResults.Ok(rows.Select(r => View(r, coats.GetValueOrDefault(r.Id) + mixes.GetValueOrDefault(r.Id))).ToList());
    }

    private static async Task<Created<MaterialView>> Add(MaterialDraft draft, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        Check(draft, "");
        var row = new MaterialRow { Id = Guid.CreateVersion7(), Name = draft.Name, Colour = draft.Colour };
        Copy(draft, row);
        db.Materials.Add(row);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/materials/{row.Id}", View(row, 0));
    }

    private static async Task<Ok<MaterialView>> Change(Guid id, MaterialChange change, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        Check(change.Material, "material.");
        var row = await db.Materials.SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        if (row.Version != change.Version)
        {
            throw new RefusedException("version", $"You changed version {change.Version}; version {row.Version} is on the shelf now.", 409);
        }

        Copy(change.Material, row);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        var used = await db.Coats.Where(c => c.MaterialId == id).Select(c => c.SchemeId).Distinct().CountAsync(cancel);
        return TypedResults.Ok(View(row, used));
    }

    private static async Task<NoContent> Remove(Guid id, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var row = await db.Materials.SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        db.Materials.Remove(row);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static Ok<SwatchView> Swatch(MaterialDraft draft)
    {
        Check(draft, "");
        var material = draft.ToCore();
        var paint = Paint.Of(material);
        return TypedResults.Ok(new SwatchView(Cards.OverBlack(paint), Cards.OverWhite(paint), Cards.Masstone(material), MaterialFacts.Of(material)));
    }

    private static void Check(MaterialDraft draft, string prefix)
    {
        var checks = new Checks();
        draft.Check(checks, prefix);
        checks.Enforce();
    }

    private static void Copy(MaterialDraft draft, MaterialRow row)
    {
        (row.Name, row.House, row.Family, row.Colour) = (draft.Name.Trim(), draft.House.Trim(), draft.Family, draft.Colour.ToLowerInvariant());
        (row.ContrastRatio, row.ReferenceFilmUm, row.VolumeSolids) = (draft.ContrastRatio, draft.ReferenceFilmUm, draft.VolumeSolids);
        (row.Sheen, row.UndertonePower, row.Effect, row.DropsPerMl) = (draft.Sheen, draft.UndertonePower, draft.Effect, draft.DropsPerMl);
        row.Drying = draft.Drying is { } d ? [d.TouchMin, d.RecoatMin, d.CuredH, d.ReferenceWetFilmUm, d.Exponent, d.WarmAirFactor ?? 0] : null;
        row.Resistance = draft.Resistance is null ? null : [.. draft.Resistance];
    }

    private static MaterialView View(MaterialRow row, int usedIn)
    {
        var core = row.ToCore();
        return new(row.Id, row.Version, MaterialDraft.Of(core) with { House = row.House }, MaterialFacts.Of(core), usedIn);
    }
}
