using Lowfell.Core.Prediction;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Mixes;

/// <summary>Named recipes.</summary>
public static class MixEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/mixes").WithTags("Mixes").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Every mix, by name.");
        group.MapPost("", Add).WithSummary("Keeps a mix.");
        group.MapPut("{id:guid}", Change).WithSummary("Changes a mix; 409 when somebody else has meanwhile.").ProducesProblem(409);
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a mix; 409 while something uses it.").ProducesProblem(409);
        group.MapPost("{id:guid}/restore", Restore).WithSummary("Puts a deleted mix back, with what was recorded of it.").ProducesProblem(409);
        var preview = app.MapGroup("/api/preview").WithTags("Preview").ProducesValidationProblem();
        preview.MapPost("mix", Preview).WithSummary("True ratio, colour, thickness, warnings and scaling of a recipe that need not be kept.");
        preview.MapPost("ratio", Ratio).WithSummary("The ratio of two to four paints in whole parts that comes nearest to a colour, and simpler ones near it.");
    }

    private static async Task<Ok<List<MixView>>> List(LowfellDb db, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        var coats = await db.Coats.Where(c => c.MixId != null).GroupBy(c => c.MixId).Select(g => new { g.Key, Count = g.Select(c => c.SchemeId).Distinct().Count() }).ToDictionaryAsync(g => g.Key!.Value, g => g.Count, cancel);
        return TypedResults.Ok(book.Mixes.Values.OrderBy(m => m.Name, StringComparer.Ordinal).Select(m => View(m, book, coats.GetValueOrDefault(m.Id))).ToList());
    }

    private static async Task<Created<MixView>> Add(MixDraft draft, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        book.Check(draft, null, "");
        var row = new MixRow { Id = Guid.CreateVersion7(), Name = draft.Name.Trim(), CountsAs = draft.CountsAs, Components = Rows(draft) };
        db.Mixes.Add(row);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/mixes/{row.Id}", View(row, await RecipeBook.OpenAsync(db, cancel), 0));
    }

    private static async Task<Ok<MixView>> Change(Guid id, MixChange change, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        var row = await db.Mixes.Include(m => m.Components).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        book.Check(change.Mix, id, "mix.");
        Versions.Check(change.Version, row.Version);

        (row.Name, row.CountsAs) = (change.Mix.Name.Trim(), change.Mix.CountsAs);
        db.Entry(row).State = EntityState.Modified;
        db.RemoveRange(row.Components);
        row.Components = Rows(change.Mix);
        db.AddRange(row.Components);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        var used = await db.Coats.Where(c => c.MixId == id).Select(c => c.SchemeId).Distinct().CountAsync(cancel);
        return TypedResults.Ok(View(row, await RecipeBook.OpenAsync(db, cancel), used));
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var row = await db.Mixes.SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        if (await db.Coats.AnyAsync(c => c.MixId == id, cancel) || await db.Mixes.SelectMany(m => m.Components).AnyAsync(c => c.InnerMixId == id, cancel))
        {
            throw new RefusedException("id", $"Take it out there first: {row.Name} is still used in a stack or in another mix.", 409) { Code = ProblemCode.InUse };
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
        var row = await db.Mixes.IgnoreQueryFilters([LowfellDb.NotDeleted]).Include(m => m.Components).SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        var book = await RecipeBook.OpenAsync(db, cancel);
        if (row.Components.Exists(c => (c.MaterialId is { } m && !book.Materials.ContainsKey(m)) || (c.InnerMixId is { } inner && !book.Mixes.ContainsKey(inner))))
        {
            throw new RefusedException("id", $"Put back first what goes into {row.Name}: something of it was deleted meanwhile.", 409) { Code = ProblemCode.Gone };
        }

        row.DeletedAt = null;
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<MixSheet>> Preview(MixQuestion question, LowfellDb db, CancellationToken cancel)
    {
        var draft = new MixDraft("mix", question.Components, question.CountsAs);
        var book = await RecipeBook.OpenAsync(db, cancel);
        book.Check(draft, null, "");
        return TypedResults.Ok(Sheet(book.Recipe(draft), Srgb.Parse(question.Ground), question.TotalMl));
    }

    private static async Task<Ok<List<RatioView>>> Ratio(RatioQuestion question, LowfellDb db, CancellationToken cancel)
    {
        if (question.MaterialIds.Distinct().Count() != question.MaterialIds.Count)
        {
            throw new RefusedException("materialIds", "Choose different paints: one of them stands here twice.");
        }

        var book = await RecipeBook.OpenAsync(db, cancel);
        var paints = question.MaterialIds.Select((id, i) => book.Materials.TryGetValue(id, out var m) ? m : throw new RefusedException($"materialIds[{i}]", $"There is no material {id} on this shelf.")).ToList();
        if (paints.FindIndex(p => p.Clear) is var clear and >= 0)
        {
            throw new RefusedException($"materialIds[{clear}]", $"{paints[clear].Name} is clear: it changes no ratio of colour. Choose paints.");
        }

        return TypedResults.Ok(RatioSolver.Solve(paints, Srgb.Parse(question.Target)).Select(r => new RatioView(r.Parts, r.Colour.ToString(), Math.Round(r.DeltaE, 2))).ToList());
    }

    private static MixSheet Sheet(Mix mix, Srgb ground, double totalMl)
    {
        var paint = Paint.Of(mix);
        DropRecipeView? Counted(double tolerance)
        {
            if (DropRecipe.Within(mix, tolerance) is not { } recipe)
            {
                return null;
            }

            var rounds = MixScale.Rounds(recipe, totalMl);
            return new(recipe.Drops, Math.Round(recipe.Ml, 3), Math.Round(recipe.WorstError * 100, 1), rounds.Drops, Math.Round(rounds.Ml, 2));
        }

        return new(
            PreviewOf(mix),
            Cards.Over(ground, paint, 2),
            Consistency.Warnings(mix),
            [.. Consistency.Of(paint).Select(t => new ToolView(t.Technique, t.Fit, t.Least, t.Most))],
            [.. MixScale.To(mix, totalMl).Select(l => new MixLineView(l.Component.Name, Math.Round(l.Share, 4), Math.Round(l.Ml, 3), Math.Round(l.Drops, 1), Math.Round(l.Grams, 3)))],
            Counted(0.02),
            Counted(0.05));
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
