using Lowfell.Store;
using Lowfell.Web.Api;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>The plan that the painter holds to: pinned, made anew after a slip, compared with the one before.</summary>
public static class HeldPlanEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/plan/held").WithTags("Evenings").ProducesValidationProblem().ProducesProblem(404);
        group.MapPut("", Hold).WithSummary("Holds a plan: one that a search found, or one made now. It takes the place of the one before.");
        group.MapPost("again", Again).WithSummary("Plans what is left from now on, and holds that; the one before can be put back.");
        group.MapPost("back", Back).WithSummary("Puts the plan back that was held before.");
        group.MapGet("{id:guid}", Look).WithSummary("A plan that was kept, held or not, as it stands now.");
        group.MapDelete("", LetGo).WithSummary("Holds no plan: it is made anew each time.");
    }

    private static async Task<Ok<PlanView>> Hold(KeepRequest keep, PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        if (keep.PlanId is null == keep.Request is null)
        {
            throw new RefusedException("planId", "Say either which plan to hold, or what to plan now.");
        }

        if (keep.Request is { } request)
        {
            return TypedResults.Ok(await desk.HoldNewAsync(request, cancel));
        }

        var row = await db.Plans.SingleOrDefaultAsync(p => p.Id == keep.PlanId, cancel) ?? throw RefusedException.NotFound("planId", keep.PlanId!.Value);
        await desk.HoldAsync(row, cancel);
        return TypedResults.Ok(await desk.ViewAsync(row, cancel));
    }

    private static async Task<Ok<PlanView>> Look(Guid id, PlanDesk desk, LowfellDb db, CancellationToken cancel) =>
        TypedResults.Ok(await desk.ViewAsync(await db.Plans.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id), cancel));

    private static async Task<Ok<PlanView>> Again(PlanDesk desk, CancellationToken cancel)
    {
        var held = await desk.HeldAsync(cancel) ?? throw None();
        return TypedResults.Ok(await desk.HoldNewAsync(Kept.Read<PlanRequest>(held.Request), cancel));
    }

    private static async Task<Ok<PlanView>> Back(PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var held = await desk.HeldAsync(cancel) ?? throw None();
        var before = held.ReplacesId is { } id ? await db.Plans.SingleOrDefaultAsync(p => p.Id == id, cancel) : null;
        if (before is null)
        {
            throw new RefusedException("id", "No plan was held before this one.");
        }

        var earlier = before.ReplacesId;
        await desk.HoldAsync(before, cancel);

        // Back is back: the one before has its own one before again.
        before.ReplacesId = earlier;
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(await desk.ViewAsync(before, cancel));
    }

    private static async Task<NoContent> LetGo(PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        if (await desk.HeldAsync(cancel) is { } held)
        {
            held.InForce = false;
            await db.SaveChangesAsync(cancel);
        }

        return TypedResults.NoContent();
    }

    private static RefusedException None() => new("id", "No plan is held.");
}
