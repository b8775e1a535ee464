using Lowfell.Core.Colour;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>Materials on the shelf.</summary>
public static class ShelfEndpoints
{
    private const int SubstitutesShown = 8;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/materials").WithTags("Shelf").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every material on the shelf, by name.");
        group.MapPost("", Add).WithSummary("Puts a material on the shelf.");
        group.MapPut("{id:guid}", Change).WithSummary("Changes a material; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapGet("near", Near).WithSummary("Every material that has a colour, by how near its swatch is to one.");
        group.MapGet("{id:guid}/substitutes", SubstitutesOf).WithSummary("What could stand in for a material, by what the stacks that use it would look like.");
        group.MapDelete("{id:guid}", Remove).WithSummary("Takes a material off the shelf; 409 while something uses it.").ProducesProblem(409);
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Puts a material back with its bottles, stripes and calibration.").ProducesProblem(409);
        app.MapPost("/api/preview/wet-scatter", WetScatter).WithTags("Preview").WithSummary("How milky a paint is while it is wet, from a stripe over black that was read wet.").ProducesValidationProblem();
        app.MapPost("/api/preview/swatch", Swatch).WithTags("Preview").WithSummary("A material over black and over white, by passes; with the painted stripe of the kept one, if it is named.").ProducesValidationProblem();
    }

    private static Ok<WetStripeView> WetScatter(WetStripe stripe)
    {
        Check(stripe.Material, "material.");
        return TypedResults.Ok(new WetStripeView(Math.Round(WetCoat.ScatterFrom(stripe.Material.ToCore(), Srgb.Parse(stripe.WetOverBlack), stripe.DryFilmUm), 2)));
    }

    private static async Task<Ok<List<MaterialView>>> List(LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var coats = await db.Coats.Where(c => c.MaterialId != null).GroupBy(c => c.MaterialId).Select(g => new { g.Key, Count = g.Select(c => c.SchemeId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        var mixes = await db.Mixes.SelectMany(m => m.Components).Where(c => c.MaterialId != null).GroupBy(c => c.MaterialId).Select(g => new { g.Key, Count = g.Select(c => c.MixId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        var rows = await db.Materials.AsNoTracking().Include(m => m.Bottles).OrderBy(m => m.Name).ToListAsync(cancel);
        return TypedResults.Ok(rows.Select(r => View(r, Today(clock), coats.GetValueOrDefault(r.Id) + mixes.GetValueOrDefault(r.Id))).ToList());
    }

    private static async Task<Ok<List<NearSwatch>>> Near([ColourBound] string colour, OpenBench open, CancellationToken cancel)
    {
        var wanted = Srgb.Parse(colour).ToLab();
        var shelf = await open.ShelfAsync(cancel);
        return TypedResults.Ok(shelf.Materials.Values.Where(m => !m.Clear)
            .Select(m => new NearSwatch(m.Id, Math.Round(ColourDifference.Ciede2000(wanted, m.Colour.ToLab()), 2))).OrderBy(n => n.DeltaE).ToList());
    }

    private static async Task<Ok<SubstitutesView>> SubstitutesOf(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var shelf = await open.ShelfAsync(cancel);
        if (!shelf.Materials.ContainsKey(id))
        {
            throw RefusedException.NotFound("id", id);
        }

        var stacks = await ZoneStacks.UsingAsync(id, db, open, shelf, cancel);
        var ranked = Substitutes.Rank(id, [.. stacks.Select(s => s.Draft)], shelf.Shelf.Materials, SubstitutesShown);
        var left = await db.Bottles.GroupBy(b => b.MaterialId).Select(g => new { g.Key, Ml = g.Sum(b => b.LeftMl) }).ToDictionaryAsync(g => g.Key, g => g.Ml, cancel);
        return TypedResults.Ok(new SubstitutesView(
            stacks.Count,
            [.. ranked.Select(r => new SubstituteView(
                r.Material.Id,
                r.Material.Name,
                r.Material.Colour.ToString(),
                Math.Round(r.MeanDeltaE, 2),
                Math.Round(r.WorstDeltaE, 2),
                stacks[r.WorstStack].Label,
                Math.Round(left.GetValueOrDefault(r.Material.Id), 1)))]));
    }

    private static async Task<Created<MaterialView>> Add(MaterialDraft draft, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        Check(draft, "");
        var row = new MaterialRow { Id = Guid.CreateVersion7(), Name = draft.Name, Colour = "" };
        draft.CopyTo(row);
        db.Materials.Add(row);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/materials/{row.Id}", View(row, Today(clock), 0));
    }

    private static async Task<Ok<MaterialView>> Change(Guid id, MaterialChange change, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        Check(change.Material, "material.");
        var row = await db.Materials.Include(m => m.Bottles).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(change.Version, row.Version);

        change.Material.CopyTo(row);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        var used = await db.Coats.Where(c => c.MaterialId == id).Select(c => c.SchemeId).Distinct().CountAsync(cancel);
        return TypedResults.Ok(View(row, Today(clock), used));
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.Materials.SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        if (await db.Coats.AnyAsync(c => c.MaterialId == id, cancel) || await db.Mixes.SelectMany(m => m.Components).AnyAsync(c => c.MaterialId == id, cancel))
        {
            throw new RefusedException("id", $"Take it out there first: {row.Name} is still used in a stack or a mix.", 409);
        }

        Versions.Check(version, row.Version);

        // A coat that another window adds in this very moment is read on all the same.
        row.DeletedAt = clock.GetUtcNow();
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var row = await db.Materials.IgnoreQueryFilters([LowfellDb.NotDeleted]).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        row.DeletedAt = null;
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<SwatchView>> Swatch(MaterialDraft draft, Guid? of, LowfellDb db, CancellationToken cancel)
    {
        Check(draft, "");
        var kept = of is { } id ? await db.Materials.AsNoTracking().SingleOrDefaultAsync(m => m.Id == id, cancel) : null;
        var material = draft.ToCore() with { OwnFilm = kept?.ToCore().OwnFilm };
        var paint = Paint.Of(material);
        return TypedResults.Ok(new SwatchView(Cards.OverBlack(paint), Cards.OverWhite(paint), Cards.Masstone(material), MaterialFacts.Of(material)));
    }

    private static void Check(MaterialDraft draft, string prefix)
    {
        var checks = new Checks();
        draft.Check(checks, prefix);
        checks.Enforce();
    }

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);

    private static MaterialView View(MaterialRow row, DateOnly today, int usedIn)
    {
        var core = row.ToCore();
        return new(row.Id, row.Version, MaterialDraft.Of(core) with { House = row.House, LowStockMl = row.LowStockMl }, MaterialFacts.Of(core), usedIn, StockView.Of(row, today), row.CalibrationId);
    }
}
