using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Health;

/// <summary>Whether this host can work.</summary>
/// <param name="Status">"ready", or "live".</param>
/// <param name="Version">Version of Lowfell.</param>
public sealed record HealthView(string Status, string Version);

/// <summary>Health of the host.</summary>
public static class HealthEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapGet("/api/health", Health).WithTags("Health").WithSummary("200 only when the database answers and is migrated.").ProducesProblem(503);
        app.MapGet("/api/health/ready", Health).WithTags("Health").WithSummary("The same: whether this host can serve.").ProducesProblem(503);
        app.MapGet(ReadyGate.Live, () => TypedResults.Ok(new HealthView("live", AppVersion.Now))).WithTags("Health").WithSummary("200 as long as this host runs, whatever the database does.");
        app.MapPost("/api/health/empty", () => TypedResults.NoContent()).ExcludeFromDescription();
    }

    private static async Task<Results<Ok<HealthView>, ProblemHttpResult>> Health(LowfellDb db, CancellationToken cancel)
    {
        var missing = await db.Database.GetPendingMigrationsAsync(cancel);
        return missing.Any()
            ? TypedResults.Problem(statusCode: 503, title: "The database is not migrated yet.")
            : TypedResults.Ok(new HealthView("ready", AppVersion.Now));
    }
}
