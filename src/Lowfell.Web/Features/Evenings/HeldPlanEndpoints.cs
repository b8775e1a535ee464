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
        group.MapGet("", Now).WithSummary("Which plan is held, by its id.");
        group.MapPut("", Hold).WithSummary("Holds a plan: one that a search found, or one made now. It takes the place of the one that was held when it was chosen; 409 where that is another one now.").ProducesProblem(409);
        group.MapPost("again", Again).WithSummary("Plans what is left from now on, and holds that; the one before can be put back. 409 where another one is held now.").ProducesProblem(409);
        group.MapPost("back", Back).WithSummary("Puts the plan back that was held before; 409 where another one is held now.").ProducesProblem(409);
        group.MapGet("{id:guid}", Look).WithSummary("A plan that was kept, held or not, as it stands now; 202 while what it is made of is being read.");
        group.MapDelete("", LetGo).WithSummary("Holds no plan: it is made anew each time. 409 where another one is held now.").ProducesProblem(409);
    }

    private static async Task<Ok<HeldNow>> Now(PlanDesk desk, CancellationToken cancel) => TypedResults.Ok(new HeldNow((await desk.HeldAsync(cancel))?.Id));

    private static async Task<Ok<PlanView>> Hold(KeepRequest keep, PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        if (keep.PlanId is null == keep.Request is null)
        {
            throw new RefusedException("planId", "Say either which plan to hold, or what to plan now.");
        }

        if (keep.Request is { } request)
        {
            return TypedResults.Ok(await desk.HoldNewAsync(request, keep.Instead, cancel));
        }

        var row = await db.Plans.SingleOrDefaultAsync(p => p.Id == keep.PlanId, cancel) ?? throw RefusedException.NotFound("planId", keep.PlanId!.Value);
        await desk.HoldAsync(row, keep.Instead, cancel);
        return TypedResults.Ok(await desk.ViewAsync(row, cancel));
    }

    private static async Task<Ok<PlanView>> Look(Guid id, PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        desk.AnswerSoon();
        return TypedResults.Ok(await desk.ViewAsync(await db.Plans.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw RefusedException.NotFound("id", id), cancel));
    }

    private static async Task<Ok<PlanView>> Again(Guid held, PlanDesk desk, CancellationToken cancel)
    {
        var row = await HeldAsync(held, desk, cancel) ?? throw None();
        return TypedResults.Ok(await desk.HoldNewAsync(Kept.Read<PlanRequest>(row.Request), held, cancel));
    }

    private static async Task<Ok<PlanView>> Back(Guid held, PlanDesk desk, LowfellDb db, CancellationToken cancel)
    {
        var row = await HeldAsync(held, desk, cancel) ?? throw None();
        var before = row.ReplacesId is { } id ? await db.Plans.SingleOrDefaultAsync(p => p.Id == id, cancel) : null;
        if (before is null)
        {
            throw new RefusedException("id", "No plan was held before this one.");
        }

        // Back is back: the one before has its own one before again.
        await desk.HoldAsync(before, held, cancel, isBack: true);
        return TypedResults.Ok(await desk.ViewAsync(before, cancel));
    }

    private static async Task<NoContent> LetGo(Guid held, PlanDesk desk, CancellationToken cancel)
    {
        if (await HeldAsync(held, desk, cancel) is not null)
        {
            await desk.LetGoAsync(held, cancel);
        }

        return TypedResults.NoContent();
    }

    // The held plan, where it is the one that was looked at; null where none is.
    private static async Task<PlanRow?> HeldAsync(Guid held, PlanDesk desk, CancellationToken cancel) =>
        await desk.HeldAsync(cancel) is { } row ? row.Id == held ? row : throw PlanDesk.AnotherIsHeld() : null;

    private static RefusedException None() => new("id", "No plan is held.");
}
