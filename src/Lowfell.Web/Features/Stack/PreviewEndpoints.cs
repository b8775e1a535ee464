using Lowfell.Core.Wording;
using Lowfell.Core.Ready;
using Lowfell.Core.Colour;
using Microsoft.EntityFrameworkCore;
using Lowfell.Store;
using System.Text.Json;
using Lowfell.Core.Mending;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Lowfell.Web.Features.Stack;

/// <summary>Stateless computation on a whole stack draft: nothing is stored.</summary>
public static class PreviewEndpoints
{
    private const int NearestCount = 3;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/preview").WithTags("Preview").ProducesValidationProblem();
        group.MapPost("stack", Stack).Accepts<StackRequest>("application/json").Produces<StackPreview>().WithSummary("Predicts a stack and reads it with the layer rules.");

        // What reading such a body costs by itself: the measure that the preview's throughput is held against.
        group.MapPost("stack/bound", (StackRequest request) => TypedResults.NoContent()).ExcludeFromDescription();
        group.MapPost("mends", Mends).WithSummary("The mends of one finding with what each costs and leads to, the best first.").ProducesProblem(409);
        group.MapPost("mend-all", MendAllOf).WithSummary("Looks for the mends that leave no stop and no risk at the least cost.");
        group.MapPost("cost", CostOf).WithSummary("What a stack costs on all copies: waits, hands-on minutes, paint.");
        group.MapPost("piece", Piece).WithSummary("What the rules find over all zones of a piece, and a better order of them.");
        group.MapPost("primers", Primers).WithSummary("The primers and undercoats of the shelf under the base of a stack, the best for its look first: passes to cover, minutes, depth left.");
        group.MapPost("wet", Wet).WithSummary("One coat of a stack while it is wet, and once it is dry; nothing for what is never wet.");
        app.MapGet("/api/zones/{id:guid}/coats/{coatId:guid}/wet", WetOf).WithTags("Zones").WithSummary("A coat of a zone while it is wet, and once it is dry; nothing for what is never wet.").ProducesValidationProblem();
        group.MapPost("help", Help).WithSummary("Passes to cover, the base for the target, and the nearest on the shelf.");
    }

    private static async Task<IResult> Stack(HttpContext context, OpenBench open, PreviewMemory memory, IOptions<JsonOptions> json)
    {
        var (request, cancel) = (context.Request, context.RequestAborted);
        var question = await PreviewMemory.ReadAsync(request, open.BenchId, cancel);
        var answer = question is null ? null : await memory.RecallAsync(question, () => open.ShelfAsync(cancel));
        if (answer is null)
        {
            var asked = await ParseAsync(request, json.Value.SerializerOptions, cancel);
            Bounds.Enforce(asked);
            var (draft, shelf) = await ReadAsync(asked.Zone, asked.Coats, asked.Schools, open, cancel);
            answer = PreviewText.Json(draft);
            if (question is not null)
            {
                memory.Keep(question, shelf, answer);
            }
        }

        return Results.Bytes(answer, "application/json; charset=utf-8");
    }

    private static async ValueTask<StackRequest> ParseAsync(HttpRequest request, JsonSerializerOptions options, CancellationToken cancel)
    {
        try
        {
            return await JsonSerializer.DeserializeAsync<StackRequest>(request.BodyReader, options, cancel)
                ?? throw new BadHttpRequestException("A stack is needed, not null.");
        }
        catch (JsonException fault)
        {
            throw new BadHttpRequestException(fault.Message, fault);
        }
    }

    private static async Task<Ok<PieceJudgement>> Piece(PieceRequest request, OpenBench open, CancellationToken cancel)
    {
        var shelf = request.Zones.Any(z => StackReader.NamesShelf(z.Coats)) ? await open.ShelfAsync(cancel) : null;
        return TypedResults.Ok(PieceJudgement.Of(PieceReader.Read(request, shelf)));
    }

    private static async Task<Ok<MendsView>> Mends(MendsRequest request, OpenBench open, CancellationToken cancel)
    {
        if (RuleBook.Of(request.Rule) is null)
        {
            throw new RefusedException("rule", $"'{request.Rule}' is no rule of the book; {string.Join(", ", RuleBook.All.Select(r => r.Id))} are.");
        }

        var (draft, shelf) = await ReadAsync(request.Zone, request.Coats, request.Schools, open, cancel);
        var reading = new Reading(draft, Predictor.Predict(draft));
        var finding = RuleBook.Read(reading).FirstOrDefault(f => f.Is(request.Rule, request.CoatId, request.Aspect))
            ?? throw new RefusedException("rule", $"The stack has no finding of '{request.Rule}' on this coat any more.", 409) { Code = ProblemCode.Gone };
        var before = request.Coats.ToDictionary(c => c.Id);
        return TypedResults.Ok(new MendsView(
        [
            .. RankedMends.Of(reading, finding, shelf?.Shelf ?? Core.Materials.Shelf.Staples).Select(m => new MendView(
                m.Mend.Id, m.Mend.Label, OutcomeView.Of(m.After), CostView.Of(m.Added), MovedView.Of(m.Moved), Coats(m.Mend.Draft, before, shelf))),
        ]));
    }

    private static async Task<Ok<MendedAllView>> MendAllOf(StackRequest request, OpenBench open, CancellationToken cancel)
    {
        var (draft, shelf) = await ReadAsync(request.Zone, request.Coats, request.Schools, open, cancel);
        var mended = MendAll.Of(draft, shelf?.Shelf ?? Core.Materials.Shelf.Staples);
        return TypedResults.Ok(new MendedAllView(
            [.. mended.Steps.Select(s => new MendStepView(s.Finding.Rule.Id, s.Finding.Fault.What, s.Label))],
            OutcomeView.Of(mended.Before),
            OutcomeView.Of(mended.After),
            CostView.Of(mended.CostBefore),
            CostView.Of(mended.CostAfter),
            MovedView.Of(mended.Moved),
            Coats(mended.Draft, request.Coats.ToDictionary(c => c.Id), shelf)));
    }

    private static async Task<Ok<CostView>> CostOf(StackRequest request, OpenBench open, CancellationToken cancel)
    {
        var (draft, _) = await ReadAsync(request.Zone, request.Coats, request.Schools, open, cancel);
        return TypedResults.Ok(CostView.Of(StackCost.Of(new Reading(draft, Predictor.Predict(draft)))));
    }

    private static IReadOnlyList<CoatDraft> Coats(StackDraft draft, Dictionary<Guid, CoatDraft> before, OpenShelf? shelf) =>
        [.. draft.Coats.Select(c => StackReader.Write(c, before, shelf))];

    private static async Task<Ok<List<PrimerView>>> Primers(StackRequest request, OpenBench open, CancellationToken cancel)
    {
        var shelf = await open.ShelfAsync(cancel);
        var draft = StackReader.Read(request.Zone, request.Coats, request.Schools, shelf);
        var before = request.Coats.ToDictionary(c => c.Id);
        var goal = draft.Zone.Target?.ToLab() ?? Predictor.PredictMiddle(draft).Top.Face.Lab;
        return TypedResults.Ok(PrimerChooser.Rank(draft, shelf.Shelf).Select(p => new PrimerView(
            p.Material.Id,
            p.Material.Name,
            p.Material.Colour.ToString(),
            p.Technique,
            p.Passes,
            Math.Round(p.Minutes, 1),
            Math.Round(p.OffDeltaE, 1),
            [p.Look.Recess.ToString(), p.Look.Face.ToString(), p.Look.Edge.ToString()],
            $"{Words.Capital(DifferenceWords.Of(goal, p.Look.Face.ToLab()))}; {p.Depth}",
            p.IsNow,
            Coats(p.Draft, before, shelf))).ToList());
    }

    private static async Task<Results<Ok<WetView>, NoContent>> Wet(HelpRequest request, OpenBench open, CancellationToken cancel)
    {
        var (draft, _) = await ReadAsync(request.Zone, request.Coats, request.Schools, open, cancel);
        return WetIn(draft, request.CoatId);
    }

    private static async Task<Results<Ok<WetView>, NoContent>> WetOf(Guid id, Guid coatId, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        return WetIn(ZoneStacks.Read(zone, await open.RowAsync(cancel), await open.ShelfAsync(cancel)), coatId);
    }

    private static Results<Ok<WetView>, NoContent> WetIn(StackDraft draft, Guid coatId)
    {
        var index = draft.IndexOf(coatId);
        return index < 0 ? throw new RefusedException("coatId", $"Coat {coatId} is not in this stack.", 404)
            : WetCoat.Of(draft, index) is { } wet ? TypedResults.Ok(WetView.Of(wet))
            : TypedResults.NoContent();
    }

    private static async Task<Ok<HelpView>> Help(HelpRequest request, OpenBench open, CancellationToken cancel)
    {
        var (draft, shelf) = await ReadAsync(request.Zone, request.Coats, request.Schools, open, cancel);
        var index = draft.IndexOf(request.CoatId);
        if (index < 0)
        {
            throw new RefusedException("coatId", $"Coat {request.CoatId} is not in this stack.");
        }

        var solved = ColourHelp.BaseForTarget(draft, index);
        int[] passes = [.. Enum.GetValues<ReliefHeight>().Select(h => ColourHelp.PassesToCover(draft, index, h))];
        var aim = draft.Zone.Target?.ToLab() ?? Predictor.PredictMiddle(draft).Top.Face.Lab;
        var nearest = shelf is null ? [] : ColourHelp.NearestOnShelf(draft, index, shelf.Shelf, NearestCount);
        return TypedResults.Ok(new HelpView(
            passes,
            solved?.Colour.ToString(),
            solved is null ? null : Math.Round(solved.LeftDeltaE, 2),
            solved is null ? null : solved.LeftDeltaE <= 1,
            [.. nearest.Select(n => new NearView(n.Material.Id, n.Material.Name, n.Material.Colour.ToString(), n.Result.ToString(), Math.Round(n.DeltaE, 2), DifferenceWords.Of(aim, n.Result.ToLab())))]));
    }

    private static async ValueTask<(StackDraft Draft, OpenShelf? Shelf)> ReadAsync(
        ZoneDraft zone, IReadOnlyList<CoatDraft> coats, Schools? schools, OpenBench open, CancellationToken cancel)
    {
        var shelf = StackReader.NamesShelf(coats) ? await open.ShelfAsync(cancel) : null;
        return (StackReader.Read(zone, coats, schools, shelf), shelf);
    }
}
