using System.Text;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using Lowfell.Core.Ready;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Begin;

/// <summary>Ready schemes: looked at, put on a zone, kept of one's own, given to others and taken from them.</summary>
public static class ReadyEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/ready").WithTags("Begin").ProducesValidationProblem();
        group.MapGet("", List).WithSummary("The ready schemes, one's own among them, as this bench would paint them: from its shelf, with its tools and by its schools.");
        group.MapPost("", Keep).WithSummary("Keeps the coats of a zone as a scheme of one's own, told by roles.").ProducesProblem(409);
        group.MapPost("file", Take).Accepts<string>("application/lowfell-scheme+json").WithSummary("Takes a scheme that somebody else has kept as a file.").ProducesProblem(409);
        group.MapGet("schema.json", Schema).WithSummary("What the file of a scheme holds, as JSON Schema.").Produces<string>(200, "application/schema+json");
        group.MapGet("{id:guid}/scheme.json", File).WithSummary("A scheme of one's own as a file to give to others.").Produces<ReadyScheme>(200);
        group.MapDelete("{id:guid}", Remove).WithSummary("Deletes a scheme of one's own; zones that were painted by it stay as they are.");
        app.MapPost("/api/zones/{id:guid}/ready", Put).WithTags("Begin").ProducesValidationProblem().ProducesProblem(409)
            .WithSummary("Puts a ready scheme on a zone in place of its coats, filled from the shelf; what nothing stands in for goes on the shelf empty, to be bought.");
    }

    private static async Task<Ok<List<ReadySchemeView>>> List(LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var from = shelf.Shelf.Materials.Count > 0 ? shelf.Shelf : StarterShelf.Shelf with { Tools = shelf.Shelf.Tools };
        return TypedResults.Ok((await ReadyDesk.AllAsync(db, cancel)).Select(s =>
        {
            var filled = SchemeFiller.Fill(s.Scheme, s.Scheme.Zone(), from, bench.Schools);
            return new ReadySchemeView(s.Id, s.Scheme.Name, s.Scheme.About, s.Scheme.Suits, BeginDesk.Written(filled), LookView.Of(filled.Look), filled.Words, Math.Round(filled.Farthest, 1), BeginDesk.Roles(filled));
        }).ToList());
    }

    private static async Task<Created<Sets.Created>> Keep(OwnSchemeDraft draft, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == draft.ZoneId, cancel) ?? throw RefusedException.NotFound("zoneId", draft.ZoneId);
        var stack = ZoneStacks.Read(zone, await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        if (stack.Coats.All(c => c.Skipped))
        {
            throw new RefusedException("zoneId", "Plan the coats first: there are none on this zone.");
        }

        var kind = Things.All.FirstOrDefault(t => SaidAttribute.Of(typeof(ThingKind))[t.Kind.ToString()] == zone.Piece!.Kind) ?? Things.Guess(zone.Piece!.Name);
        return await AddAsync(SchemeWriting.Of(draft.Name.Trim(), stack, [kind.Kind]), db, cancel);
    }

    private static async Task<Created<Sets.Created>> Take(HttpRequest request, LowfellDb db, CancellationToken cancel)
    {
        using var reader = new StreamReader(request.Body, Encoding.UTF8);
        var room = new char[ReadyDesk.LongestFile + 1];
        var length = await reader.ReadBlockAsync(room, cancel);
        return length > ReadyDesk.LongestFile
            ? throw new RefusedException("file", $"Choose the file of a scheme: this one is longer than {ReadyDesk.LongestFile / 1000} kB.")
            : await AddAsync(ReadyDesk.ReadFile(new string(room, 0, length)), db, cancel);
    }

    private static async Task<Created<Sets.Created>> AddAsync(ReadyScheme scheme, LowfellDb db, CancellationToken cancel)
    {
        var names = await db.OwnSchemes.Select(s => s.Name).ToListAsync(cancel);
        if (names.Count >= ReadyDesk.MostOwn)
        {
            throw new RefusedException("name", $"Delete one first: {ReadyDesk.MostOwn} schemes of your own are the most.");
        }

        if (names.Contains(scheme.Name, StringComparer.OrdinalIgnoreCase) || ReadySchemes.All.Any(s => string.Equals(s.Name, scheme.Name, StringComparison.OrdinalIgnoreCase)))
        {
            throw new RefusedException("name", $"Give it another name: a ready scheme is called '{scheme.Name}' already.", 409);
        }

        var row = new OwnSchemeRow { Id = Guid.CreateVersion7(), Name = scheme.Name, Document = ReadyDesk.Write(scheme) };
        db.OwnSchemes.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/ready/{row.Id}/scheme.json", new Sets.Created(row.Id));
    }

    private static ContentHttpResult Schema()
    {
        var schema = ReadySchemes.Json.GetJsonSchemaAsNode(typeof(ReadyScheme)).AsObject();
        var told = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = $"{ReadyScheme.FormatName}, version {ReadyScheme.CurrentVersion}" };
        foreach (var (key, value) in schema)
        {
            told[key] = value?.DeepClone();
        }

        return TypedResults.Text(told.ToJsonString(ReadySchemes.Json), "application/schema+json");
    }

    private static async Task<FileContentHttpResult> File(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.OwnSchemes.AsNoTracking().SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        return TypedResults.File(Encoding.UTF8.GetBytes(row.Document), "application/json", string.Concat(row.Name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')) + ".lowfell-scheme.json");
    }

    private static async Task<NoContent> Remove(Guid id, LowfellDb db, CancellationToken cancel)
    {
        db.OwnSchemes.Remove(await db.OwnSchemes.SingleOrDefaultAsync(s => s.Id == id, cancel) ?? throw RefusedException.NotFound("id", id));
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<TakenScheme>> Put(Guid id, TakeScheme take, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var scheme = ReadyDesk.Named("scheme", await ReadyDesk.AllAsync(db, cancel), take.Scheme);
        var filled = SchemeFiller.Fill(scheme, zone.ToCore() with { TrialFactor = bench.TrialFactor }, shelf.Shelf, bench.Schools);
        var bought = filled.Roles.Where(r => r.Filling == Filling.ToBuy).Select(r => r.Coat!.Material!).DistinctBy(m => m.Id).ToDictionary(m => m.Id, m => PaintDesk.ToBuy(m, shelf.Shelf.Materials.Select(s => s.Name)));
        if (!take.DryRun)
        {
            Versions.Check(take.Version, zone.Scheme!.Version);
            db.Materials.AddRange(bought.Values);
            if (bought.Count > 0)
            {
                await open.TouchShelfAsync(cancel);
            }

            await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, take.Version, _ => [.. filled.Draft.Coats.Select(c => BeginDesk.Draft(c, bought))], shelf, db, clock.GetUtcNow(), cancel);
        }

        return TypedResults.Ok(new TakenScheme(BeginDesk.View(zone.Name, filled), [.. bought.Values.Select(b => b.Name)]));
    }
}
