
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
    }
}
