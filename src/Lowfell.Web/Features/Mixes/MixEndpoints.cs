using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Store;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mixes;

/// <summary>Named recipes.</summary>
public static class MixEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/mixes").WithTags("Mixes").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every mix, by name.");
        group.MapPost("", Add).WithSummary("Keeps a mix.");
        group.MapPut("{id:guid}", Change).WithSummary("Changes a mix; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a mix; 409 while something uses it.").ProducesProblem(409);
        app.MapPost("/api/preview/mix", Preview).WithTags("Preview").WithSummary("True ratio and colour of a recipe that need not be kept.").ProducesValidationProblem();
    }

    private static async Task<Ok<List<MixView>>> List(LowfellDb db, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        var coats = await db.Coats.Where(c => c.MixId != null).GroupBy(c => c.MixId).Select(g => new { g.Key, Count = g.Select(c => c.SchemeId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        return TypedResults.Ok(book.Mixes.Values.OrderBy(m => m.Name, StringComparer.Ordinal).Select(m => View(m, book, coats.GetValueOrDefault(m.Id))).ToList());
    }

    private static async Task<Created<MixView>> Add(MixDraft draft, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        book.Check(draft, null, "");
        var row = new MixRow { Id = Guid.CreateVersion7(), Name = draft.Name.Trim(), Components = Rows(draft) };
        db.Mixes.Add(row);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/mixes/{row.Id}", View(row, await RecipeBook.OpenAsync(db, cancel), 0));
    }

    private static async Task<Ok<MixView>> Change(Guid id, MixChange change, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        var row = await db.Mixes.Include(m => m.Components).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        book.Check(change.Mix, id, "mix.");
        if (row.Version != change.Version)
        {
            throw new RefusedException("version", $"You changed version {change.Version}; version {row.Version} is kept now.", 409);
        }

        row.Name = change.Mix.Name.Trim();
        db.Entry(row).State = EntityState.Modified;
        db.RemoveRange(row.Components);
        row.Components = Rows(change.Mix);
        db.AddRange(row.Components);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        var used = await db.Coats.Where(c => c.MixId == id).Select(c => c.SchemeId).Distinct().CountAsync(cancel);
        return TypedResults.Ok(View(row, await RecipeBook.OpenAsync(db, cancel), used));
    }

    private static async Task<NoContent> Remove(Guid id, LowfellDb db, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var row = await db.Mixes.Include(m => m.Components).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        db.Mixes.Remove(row);
        await shelves.TouchAsync(db, scope, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<MixPreview>> Preview(MixDraft draft, LowfellDb db, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        book.Check(draft, null, "");
        return TypedResults.Ok(PreviewOf(book.Recipe(draft)));
    }

    private static List<MixComponentRow> Rows(MixDraft draft) =>
        [.. draft.Components.Select((c, i) => new MixComponentRow
        {
            Id = Guid.CreateVersion7(), Position = i, Amount = c.Amount, Unit = c.Unit, MaterialId = c.MaterialId, InnerMixId = c.MixId, Thinner = c.Thinner,
        })];

    private static MixView View(MixRow row, RecipeBook book, int usedIn)
    {
        var draft = RecipeBook.Draft(row);
        var inner = book.Mixes.Values.Count(m => m.Components.Any(c => c.InnerMixId == row.Id));
        return new(row.Id, row.Version, draft, PreviewOf(book.Recipe(draft)), usedIn + inner);
    }

    private static MixPreview PreviewOf(Mix mix)
    {
        var content = MixContent.Of(mix);
        var paint = Paint.Of(mix);
        return new(
            [
                .. content.Materials.Select(m => new MixShare(m.Material.Name, m.Material.Colour.ToString(), Math.Round(m.Share, 4))),
                .. content.Thinners.Select(t => new MixShare(t.Thinner.Word(), null, Math.Round(t.Share, 4))),
            ],
            Math.Round(content.PaintFraction, 4),
            Cards.OverBlack(paint),
            Cards.OverWhite(paint),
            paint.MixesCarriers);
    }
}
