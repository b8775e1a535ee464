using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Shelf;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using static Lowfell.Web.Features.Mixes.MixRecordViews;

namespace Lowfell.Web.Features.Mixes;

/// <summary>Mixes that were made: recorded, used on copies, topped up, made again.</summary>
public static class MixRecordEndpoints
{
    private const int MostLines = 400;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapPost("/api/mixes/{id:guid}/records", Make).WithTags("Mixes").ProducesValidationProblem().WithSummary("Records a mix that was made, and takes what went in from the bottles.");
        var group = app.MapGroup("/api/mix-records").WithTags("Mixes").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("Mixes that were made, the newest first.");
        group.MapPost("{id:guid}/top-ups", TopUpWith).WithSummary("Puts more in: of the recipe as it was, or of one thing.");
        group.MapPost("{id:guid}/uses", Use).WithSummary("Notes what some of it was used on.");
        group.MapDelete("{id:guid}", TakeBack).WithSummary("Takes a record back: what went in is in its bottles again. One of which some was used stays.").ProducesProblem(409);
        group.MapGet("{id:guid}/again", Compare).WithSummary("What has changed since, and how the colour would stand to what it was.");
        group.MapPost("{id:guid}/again", Again).WithSummary("Makes it again from today's shelf, as a record of its own.").ProducesProblem(409);
    }

    private static async Task<Ok<List<MixRecordView>>> List(LowfellDb db, CancellationToken cancel)
    {
        var records = await db.MixRecords.AsNoTracking().Include(r => r.Lines).Include(r => r.Uses).AsSplitQuery().OrderByDescending(r => r.MadeAt).Take(500).ToListAsync(cancel);
        var names = await NamesAsync(records, db, cancel);
        return TypedResults.Ok(records.Select(r => View(r, names)).ToList());
    }

    private static async Task<Created<MixRecordView>> Make(Guid id, MixMade made, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var book = await RecipeBook.OpenAsync(db, cancel);
        var row = book.Mixes.GetValueOrDefault(id) ?? throw RefusedException.NotFound("id", id);
        var draft = RecipeBook.Draft(row);
        CheckMade(made, draft.Components.Count);
        var mix = book.Recipe(draft);
        if (made.Drops is { } drops)
        {
            mix = mix with { Components = [.. mix.Components.Zip(drops, (c, n) => c with { Unit = MixUnit.Drops, Amount = n })] };
        }

        var total = made.TotalMl ?? mix.Components.Sum(c => c.Ml);
        var record = new MixRecordRow
        {
            Id = Guid.CreateVersion7(),
            MixId = id,
            Name = row.Name,
            CountsAs = row.CountsAs,
            MadeAt = clock.GetUtcNow(),
            Note = made.Note,
            Recipe = Kept.Write(draft),
        };
        db.MixRecords.Add(record);
        var less = await PourAsync(record, MixContent.Of(mix), total, clock.GetUtcNow(), db, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/mix-records/{record.Id}", View(record, await NamesAsync([record], db, cancel), less));
    }

    private static async Task<Ok<MixRecordView>> TopUpWith(Guid id, TopUp more, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var checks = new Checks();
        if (more.MaterialId is not null && more.Thinner is not null)
        {
            checks.Fault("thinner", "Top up with the recipe, with one material or with one thinner, not with two of them.");
        }

        checks.Enforce();
        var record = await RecordAsync(id, db, cancel);
        if (record.Lines.Count >= MostLines)
        {
            throw new RefusedException("id", $"Make the mix anew: {MostLines} lines are the most that a record holds.");
        }

        var book = await RecipeBook.OpenAsync(db, cancel);
        var content = more switch
        {
            { MaterialId: { } material } => new MixContent([(book.Materials.GetValueOrDefault(material) ?? throw RefusedException.NotFound("materialId", material), 1)], []),
            { Thinner: { } thinner } => new MixContent([], [(thinner, 1)]),
            _ => Today(record, book) ?? throw new RefusedException("id", $"{string.Join(", ", Gone(record, book))} is no longer on the shelf; top up with what is.", 409),
        };
        var less = await PourAsync(record, content, more.Ml, clock.GetUtcNow(), db, cancel);
        db.Entry(record).State = EntityState.Modified;
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(record, await NamesAsync([record], db, cancel), less));
    }

    private static async Task<NoContent> TakeBack(Guid id, int version, LowfellDb db, CancellationToken cancel)
    {
        var record = await RecordAsync(id, db, cancel);
        if (record.Uses.Count > 0)
        {
            throw new RefusedException("id", $"{record.Uses.Sum(u => u.Ml):0.##} ml of {record.Name} were used already: it was made, and can't be taken back.", 409);
        }

        Versions.Check(version, record.Version);
        await Pouring.BackAsync([.. record.Lines.Where(l => l.MaterialId is not null).Select(l => new Poured(l.MaterialId!.Value, l.BottleId, l.Ml))], db, cancel);
        db.MixRecords.Remove(record);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<MixRecordView>> Use(Guid id, MixUse use, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var record = await RecordAsync(id, db, cancel);
        var checks = new Checks();
        checks.Within("ml", use.Ml, 0, Math.Max(0.001, record.LeftMl + 1e-9), $" ml: {record.LeftMl:0.##} ml are left in the pot");
        checks.Enforce();
        if (use.PieceId is { } pieceId)
        {
            var copies = await db.Pieces.Where(p => p.Id == pieceId && p.DeletedAt == null).Select(p => (int?)p.Copies).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("pieceId", pieceId);
            if (use.Copies?.FirstOrDefault(c => c < 1 || c > copies) is { } wrong and not 0)
            {
                throw new RefusedException("copies", $"Copy {wrong} is outside 1 to {copies}.");
            }
        }

        var row = new MixUseRow { Id = Guid.CreateVersion7(), RecordId = id, At = clock.GetUtcNow(), PieceId = use.PieceId, Copies = [.. (use.Copies ?? []).Distinct().Order()], Ml = use.Ml, Note = use.Note };
        record.Uses.Add(row);
        db.Add(row);
        record.LeftMl = Math.Max(0, record.LeftMl - use.Ml);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(record, await NamesAsync([record], db, cancel)));
    }

    private static async Task<Ok<MixAgainView>> Compare(Guid id, [MixedVolumeBound] double totalMl, LowfellDb db, CancellationToken cancel)
    {
        var record = await RecordAsync(id, db, cancel);
        var book = await RecipeBook.OpenAsync(db, cancel);
        var then = Then(record);
        var today = Today(record, book);
        var compared = today is null ? null : MixThenNow.Compare(PaintOf(record, then), PaintOf(record, today));
        return TypedResults.Ok(new MixAgainView(
            compared?.Then.ToString() ?? ColourOf(record),
            compared?.Now.ToString(),
            compared is null ? null : Math.Round(compared.DeltaE, 2),
            await ChangesAsync(record, then, book, totalMl, db, cancel),
            [
                .. then.Materials.Select(m => new MixAgainLine(m.Material.Name, Math.Round(m.Share * totalMl, 3), Math.Round(m.Share * totalMl / m.Material.DropMl, 1), !book.Materials.ContainsKey(m.Material.Id))),
                .. then.Thinners.Select(t => new MixAgainLine(t.Thinner.Word(), Math.Round(t.Share * totalMl, 3), Math.Round(t.Share * totalMl / t.Thinner.DropMl(), 1), false)),
            ]));
    }

    private static async Task<Created<MixRecordView>> Again(Guid id, MixAgain again, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        var before = await RecordAsync(id, db, cancel);
        var book = await RecipeBook.OpenAsync(db, cancel);
        var content = Today(before, book) ?? throw new RefusedException("id", $"{string.Join(", ", Gone(before, book))} is no longer on the shelf.", 409);
        var record = new MixRecordRow
        {
            Id = Guid.CreateVersion7(),
            MixId = before.MixId,
            Name = before.Name,
            CountsAs = before.CountsAs,
            MadeAt = clock.GetUtcNow(),
            Recipe = before.Recipe,
            Note = $"Made again, as on {before.MadeAt:yyyy-MM-dd}.",
        };
        db.MixRecords.Add(record);
        var less = await PourAsync(record, content, again.TotalMl, clock.GetUtcNow(), db, cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/mix-records/{record.Id}", View(record, await NamesAsync([record], db, cancel), less));
    }

    // What goes in comes out of the bottles, the first opened first; where they hold less, they are empty now, and it is said.
    private static async Task<List<string>> PourAsync(MixRecordRow record, MixContent content, double totalMl, DateTimeOffset at, LowfellDb db, CancellationToken cancel)
    {
        var poured = await Pouring.OutAsync([.. content.Materials.Select(m => (m.Material.Id, m.Share * totalMl))], at, db, cancel);
        void Line(MixRecordLineRow line)
        {
            line.Position = record.Lines.Count;
            record.Lines.Add(line);
            db.Add(line);
        }

        foreach (var (material, _) in content.Materials)
        {
            var snapshot = Kept.Write(MaterialSnapshot.Of(material));
            foreach (var some in poured.Where(p => p.MaterialId == material.Id))
            {
                Line(new()
                {
                    Id = Guid.CreateVersion7(),
                    RecordId = record.Id,
                    At = at,
                    MaterialId = material.Id,
                    BottleId = some.BottleId,
                    Name = material.Name,
                    Ml = some.Ml,
                    Lot = some.Lot,
                    Snapshot = snapshot,
                });
            }
        }

        foreach (var (thinner, share) in content.Thinners)
        {
            Line(new() { Id = Guid.CreateVersion7(), RecordId = record.Id, At = at, Name = thinner.Word(), Thinner = thinner, Ml = share * totalMl });
        }

        record.LeftMl += totalMl;
        return [.. content.Materials.Where(m => poured.Exists(p => p.MaterialId == m.Material.Id && p.BottleId is null)).Select(m => m.Material.Name)];
    }

    private static async Task<List<string>> ChangesAsync(MixRecordRow record, MixContent then, RecipeBook book, double totalMl, LowfellDb db, CancellationToken cancel)
    {
        var changes = new List<string>();
        var ids = then.Materials.Select(m => m.Material.Id).ToList();
        var bottles = await db.Bottles.AsNoTracking().Where(b => ids.Contains(b.MaterialId) && b.LeftMl > 0).OrderBy(b => b.OpenedOn ?? DateOnly.MaxValue).ToListAsync(cancel);
        foreach (var (material, share) in then.Materials)
        {
            if (!book.Materials.TryGetValue(material.Id, out var now))
            {
                changes.Add($"{material.Name} is no longer on the shelf.");
                continue;
            }

            changes.AddRange(MixThenNow.Edits(material, now).Select(e => $"{now.Name}: {e}."));
            var lots = record.Lines.Where(l => l.MaterialId == material.Id && l.Lot.Length > 0).Select(l => l.Lot).Distinct().ToList();
            var there = bottles.Where(b => b.MaterialId == material.Id).ToList();
            var today = there.Select(b => b.Lot).Where(l => l.Length > 0).Distinct().ToList();
            if (lots.Count > 0 && today.Count > 0 && !today.Intersect(lots).Any())
            {
                changes.Add($"{now.Name}: lot {string.Join(", ", lots)} then, {string.Join(", ", today)} now; compare a dab of each.");
            }

            if (there.Sum(b => b.LeftMl) is var left && left < share * totalMl)
            {
                changes.Add($"{now.Name}: {share * totalMl:0.##} ml are needed, {left:0.##} ml are left.");
            }
        }

        return changes;
    }

    private static void CheckMade(MixMade made, int components)
    {
        var checks = new Checks();
        if (made.TotalMl is null == made.Drops is null)
        {
            checks.Fault("totalMl", "Give either the ml that were made or the drops that were counted.");
        }

        if (made.Drops is { } drops && drops.Count != components)
        {
            checks.Fault("drops", $"{drops.Count} counts; one is needed for each of the {components} components.");
        }

        checks.Enforce();
    }

    private static async Task<MixRecordRow> RecordAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.MixRecords.Include(r => r.Lines).Include(r => r.Uses).AsSplitQuery().SingleOrDefaultAsync(r => r.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
}
