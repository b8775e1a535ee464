using Lowfell.Core.Ready;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Begin;

/// <summary>The first hour.</summary>
public static class BeginEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapPost("/api/begin", async (BeginRequest request, BeginDesk desk, CancellationToken cancel) => TypedResults.Ok(await desk.BeginAsync(request, cancel)))
            .WithTags("Begin").ProducesValidationProblem()
            .WithSummary("Makes a set of pieces told by their names, with ready schemes filled from pasted, ticked and kept paints; all of it in one go, or nothing. Sent twice with one set's id it is made once.");
        app.MapGet("/api/ready", Ready).WithTags("Begin")
            .WithSummary("The ready schemes as this bench would paint them: from its shelf, with its tools and by its schools.");
    }

    private static async Task<Ok<List<ReadySchemeView>>> Ready(OpenBench open, CancellationToken cancel)
    {
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var from = shelf.Shelf.Materials.Count > 0 ? shelf.Shelf : StarterShelf.Shelf with { Tools = shelf.Shelf.Tools };
        return TypedResults.Ok(ReadySchemes.All.Select(s =>
        {
            var filled = SchemeFiller.Fill(s, s.Zone(), from, bench.Schools);
            return new ReadySchemeView(s.Name, s.About, s.Suits, BeginDesk.Written(filled), LookView.Of(filled.Look), filled.Words, Math.Round(filled.Farthest, 1), BeginDesk.Roles(filled));
        }).ToList());
    }
}
