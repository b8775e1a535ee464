using Lowfell.Core.Materials;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Devices;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>Bottles of a material, and how large its drops are.</summary>
public static class BottleEndpoints
{
    private const int MostBottles = 100;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var shelf = app.MapGroup("/api/materials/{id:guid}").WithTags("Shelf").ProducesValidationProblem();
        shelf.MapPost("bottles", Add).WithSummary("Adds a bottle of a material.");
        shelf.MapPost("calibration", Calibrate).WithSummary("Drops to the ml from drops counted and measured or weighed; nothing is kept.");
        var bottles = app.MapGroup("/api/bottles/{id:guid}").WithTags("Shelf").ProducesValidationProblem();
        bottles.MapPut("", Change).WithSummary("Changes a bottle; 409 when somebody else has meanwhile.").ProducesProblem(409);
        bottles.MapDelete("", Remove).WithSummary("Throws a bottle away.");
        var scale = app.MapGroup("/api/devices/scale").WithTags("Devices").ProducesValidationProblem();
        scale.MapGet("", async (IBenchScale device, CancellationToken cancel) => TypedResults.Ok(await device.ReadAsync(cancel))).WithSummary("What the bench scale shows; a simulated one ships with the application.");
        scale.MapPost("", Load).WithSummary("Lets so many drops of a material fall on the simulated scale.");
        var reader = app.MapGroup("/api/devices/reader").WithTags("Devices").ProducesValidationProblem();
        reader.MapGet("", async (IColourReader device, CancellationToken cancel) => TypedResults.Ok(await device.ReadAsync(cancel))).WithSummary("What the colour reader shows; a simulated one ships with the application.");
        reader.MapPost("", Aim).WithSummary("Aims the simulated colour reader at a bare field or at a stripe of a material on it.");
    }

    private static async Task<Created<BottleView>> Add(Guid id, BottleDraft draft, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        Check(draft, "", clock);
        if (!await db.Materials.AnyAsync(m => m.Id == id, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }

        if (await db.Bottles.CountAsync(b => b.MaterialId == id, cancel) >= MostBottles)
        {
            throw new RefusedException("id", $"Throw the empty ones away: {MostBottles} bottles of one material are the most.");
        }

        var row = new BottleRow { Id = Guid.CreateVersion7(), MaterialId = id };
        draft.CopyTo(row);
        db.Bottles.Add(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/bottles/{row.Id}", BottleView.Of(row, Today(clock)));
    }

    private static async Task<Ok<BottleView>> Change(Guid id, BottleChange change, LowfellDb db, TimeProvider clock, CancellationToken cancel)
    {
        Check(change.Bottle, "bottle.", clock);
        var row = await db.Bottles.SingleOrDefaultAsync(b => b.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(change.Version, row.Version);
        change.Bottle.CopyTo(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(BottleView.Of(row, Today(clock)));
    }

    private static async Task<NoContent> Remove(Guid id, int version, LowfellDb db, CancellationToken cancel)
    {
        var row = await db.Bottles.SingleOrDefaultAsync(b => b.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        Versions.Check(version, row.Version);
        db.Bottles.Remove(row);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<CalibratedDrop>> Calibrate(Guid id, DropCalibration step, LowfellDb db, CancellationToken cancel)
    {
        var checks = new Checks();
        if (step.Ml is null == step.Grams is null)
        {
            checks.Fault("ml", "Give either the ml or the grams that the drops came to.");
        }

        checks.Enforce();
        var material = await MaterialAsync(id, db, cancel);
        var dropMl = DropSize.Ml(step.Drops, step.Ml ?? (step.Grams!.Value / material.DensityGPerMl));
        if (1 / dropMl is < DropsPerMlBoundAttribute.Fewest or > DropsPerMlBoundAttribute.Most)
        {
            throw new RefusedException("drops", $"Check the count and the reading: {step.Drops} drops would make {1 / dropMl:0.#} to the ml, {DropsPerMlBoundAttribute.Fewest} to {DropsPerMlBoundAttribute.Most} are possible.");
        }

        return TypedResults.Ok(new CalibratedDrop(Math.Round(1 / dropMl, 1), Math.Round(dropMl, 4), material.DensityGPerMl));
    }

    private static async Task<NoContent> Load(ScaleLoad load, IBenchScale device, LowfellDb db, CancellationToken cancel)
    {
        await device.DripAsync(await MaterialAsync(load.MaterialId, db, cancel), load.Drops, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Aim(ReaderAim aim, IColourReader device, LowfellDb db, CancellationToken cancel)
    {
        await device.AimAsync(aim.MaterialId is { } id ? await MaterialAsync(id, db, cancel) : null, aim.WhiteField, aim.DryFilmUm, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Material> MaterialAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        (await db.Materials.AsNoTracking().SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id)).ToCore();

    private static void Check(BottleDraft bottle, string prefix, TimeProvider clock)
    {
        var checks = new Checks();
        bottle.Check(checks, prefix, Today(clock));
        checks.Enforce();
    }

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);
}
