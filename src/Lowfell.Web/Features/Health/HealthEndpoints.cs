using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql;

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

    // Asked by every open page every few seconds: one query. Migrations are applied in their order, so the newest stands for all.
    private static async Task<Results<Ok<HealthView>, ProblemHttpResult>> Health(LowfellDb db, CancellationToken cancel)
    {
        var newest = db.GetService<IMigrationsAssembly>().Migrations.Keys.Max();
        return await IsAppliedAsync(newest, db, cancel)
            ? TypedResults.Ok(new HealthView("ready", AppVersion.Now))
            : TypedResults.Problem(statusCode: 503, title: "The database is not migrated yet.");
    }

    private static async Task<bool> IsAppliedAsync(string? migration, LowfellDb db, CancellationToken cancel)
    {
        try
        {
            return await db.Database.SqlQuery<bool>($"""SELECT EXISTS (SELECT 1 FROM "__EFMigrationsHistory" WHERE "MigrationId" = {migration}) AS "Value" """).SingleAsync(cancel);
        }
        catch (PostgresException bare) when (bare.SqlState == PostgresErrorCodes.UndefinedTable)
        {
            return false;
        }
    }
}
