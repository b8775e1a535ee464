using System.Text.Json;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Lowfell.Web.Features.Stack;

/// <summary>Stateless computation on a whole stack draft: nothing is stored.</summary>
public static class PreviewEndpoints
{
    private const int NearestCount = 3;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(WebApplication app)
    {
        var group = app.MapGroup("/api/preview").WithTags("Preview").ProducesValidationProblem();
        group.MapPost("stack", Stack).Accepts<StackRequest>("application/json").Produces<StackPreview>().WithSummary("Predicts a stack and reads it with the layer rules.");
        group.MapPost("mend", Mend).WithSummary("Makes one mend of one finding, and previews the mended stack.").ProducesProblem(409);
        group.MapPost("help", Help).WithSummary("Passes to cover, the base for the target, and the nearest on the shelf.");
    }

    private static async Task<IResult> Stack(HttpContext context, IBenchScope scope, ShelfCache shelves, PreviewMemory memory, IOptions<JsonOptions> json)
    {
        var (request, services, cancel) = (context.Request, context.RequestServices, context.RequestAborted);
        var question = await PreviewMemory.ReadAsync(request, scope.BenchId, cancel);
        var answer = question is null ? null : await memory.RecallAsync(question, () => shelves.OpenAsync(scope, services, cancel));
        if (answer is null)
        {
            var asked = await ParseAsync(request, json.Value.SerializerOptions, cancel);
            var (draft, shelf) = await ReadAsync(asked.Zone, asked.Coats, asked.Schools, services, scope, shelves, cancel);
            answer = PreviewText.Json(draft, shelf?.Shelf ?? Core.Rules.Shelf.Staples);
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

    private static async Task<Ok<MendedStack>> Mend(MendRequest request, IServiceProvider services, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var (draft, shelf) = await ReadAsync(request.Zone, request.Coats, request.Schools, services, scope, shelves, cancel);
        var reach = shelf?.Shelf ?? Core.Rules.Shelf.Staples;
        var found = RuleBook.Read(draft, Predictor.Predict(draft), reach).Where(f => f.Rule == request.Rule && f.CoatId == request.CoatId).ToList();
        if (found.Count == 0)
        {
            throw new RefusedException("rule", $"The stack has no finding of '{request.Rule}' on this coat any more.", 409);
        }

        var mends = found.SelectMany(f => f.Mends).ToList();
        var mend = mends.FirstOrDefault(m => m.Id == request.Mend)
            ?? throw new RefusedException("mend", $"'{request.Mend}' is no mend of this finding; {string.Join(", ", mends.Select(m => m.Id))} are.", 409);
        var mended = mend.Apply();
        var before = request.Coats.ToDictionary(c => c.Id);
        return TypedResults.Ok(new MendedStack([.. mended.Coats.Select(c => StackReader.Write(c, before, shelf))], StackWriter.Preview(mended, reach)));
    }

    private static async Task<Ok<HelpView>> Help(HelpRequest request, IServiceProvider services, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var (draft, shelf) = await ReadAsync(request.Zone, request.Coats, request.Schools, services, scope, shelves, cancel);
        var index = draft.IndexOf(request.CoatId);
        if (index < 0)
        {
            throw new RefusedException("coatId", $"Coat {request.CoatId} is not in this stack.");
        }

        var solved = ColourHelp.BaseForTarget(draft, index);
        int[] passes = [.. Enum.GetValues<ReliefHeight>().Select(h => ColourHelp.PassesToCover(draft, index, h))];
        var nearest = shelf is null ? [] : ColourHelp.NearestOnShelf(draft, index, shelf.Shelf, NearestCount);
        return TypedResults.Ok(new HelpView(
            passes,
            solved?.Colour.ToString(),
            solved is null ? null : Math.Round(solved.LeftDeltaE, 2),
            solved is null ? null : solved.LeftDeltaE <= 1,
            [.. nearest.Select(n => new NearView(n.Material.Id, n.Material.Name, n.Material.Colour.ToString(), n.Result.ToString(), Math.Round(n.DeltaE, 2)))]));
    }

    private static async ValueTask<(StackDraft Draft, OpenShelf? Shelf)> ReadAsync(
        ZoneDraft zone, IReadOnlyList<CoatDraft> coats, SchoolsView? schools, IServiceProvider services, IBenchScope scope, ShelfCache shelves, CancellationToken cancel)
    {
        var shelf = StackReader.NamesShelf(coats) ? await shelves.OpenAsync(scope, services, cancel) : null;
        return (StackReader.Read(zone, coats, schools, shelf), shelf);
    }
}
