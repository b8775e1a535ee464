using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Shelf;

/// <summary>A stripe as it was painted and read.</summary>
/// <param name="OverBlack">What it looks like over black, #rrggbb.</param>
/// <param name="OverWhite">What it looks like over white, #rrggbb.</param>
/// <param name="BlackField">The bare black field, #rrggbb.</param>
/// <param name="WhiteField">The bare white field, #rrggbb.</param>
/// <param name="DryFilmUm">Dry film of the stripe, um.</param>
public sealed record StripeDraft([ColourBound] string OverBlack, [ColourBound] string OverWhite, [ColourBound] string BlackField = "#1a1a1a", [ColourBound] string WhiteField = "#ececea", [StripeFilmBound] double DryFilmUm = 20);

/// <summary>How a finished zone changes.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Label">Piece and zone.</param>
/// <param name="Before">Recess, face, edge as predicted now.</param>
/// <param name="After">The same with the stripe in force.</param>
/// <param name="DeltaE">dE00 between the two at each height.</param>
public sealed record ZoneShift(Guid ZoneId, string Label, IReadOnlyList<string> Before, IReadOnlyList<string> After, IReadOnlyList<double> DeltaE);

/// <summary>What a stripe comes to.</summary>
/// <param name="ContrastRatio">Contrast ratio at the material's reference film.</param>
/// <param name="Masstone">So thick that it hides.</param>
/// <param name="OverBlack">Over black in 1, 2 and 3 passes.</param>
/// <param name="OverWhite">Over white in 1, 2 and 3 passes.</param>
/// <param name="BackDeltaE">dE00 of the stripe predicted from it to the stripe as it was read: how well it fits.</param>
/// <param name="Zones">How finished zones change, the most first.</param>
public sealed record StripeView(double ContrastRatio, string Masstone, IReadOnlyList<string> OverBlack, IReadOnlyList<string> OverWhite, double BackDeltaE, IReadOnlyList<ZoneShift> Zones);

/// <summary>A kept stripe.</summary>
/// <param name="Id">Its id.</param>
/// <param name="At">When it was accepted.</param>
/// <param name="OverBlack">Over black.</param>
/// <param name="OverWhite">Over white.</param>
/// <param name="DryFilmUm">Dry film, um.</param>
/// <param name="InForce">Whether predictions follow it.</param>
public sealed record CalibrationView(Guid Id, DateTimeOffset At, string OverBlack, string OverWhite, double DryFilmUm, bool InForce);

/// <summary>Which stripe shall be in force.</summary>
/// <param name="CalibrationId">A kept stripe; none for the film that follows from the swatch.</param>
public sealed record CalibrationChoice(Guid? CalibrationId = null);

/// <summary>Colour calibration from a painted stripe.</summary>
public static class CalibrationEndpoints
{
    private const int MostKept = 50;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/materials/{id:guid}").WithTags("Shelf").ProducesValidationProblem();
        group.MapPost("stripe", Preview).WithSummary("Solves a painted stripe, and shows how stacks would change; nothing is kept.");
        group.MapGet("calibrations", List).WithSummary("Stripes of a material, the newest first.");
        group.MapPost("calibrations", Accept).WithSummary("Keeps a stripe and puts it in force; the one before is kept too. 409 when somebody else has changed the material meanwhile.").ProducesProblem(409);
        group.MapPut("calibration", Choose).WithSummary("Goes back to a kept stripe, or to the film that follows from the swatch; 409 when somebody else has changed the material meanwhile.").ProducesProblem(409);
    }

    private static async Task<Ok<StripeView>> Preview(Guid id, StripeDraft draft, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var row = await RowAsync(id, db, cancel);
        var (solved, material) = Solve(draft, row.ToCore());
        var shelf = await open.ShelfAsync(cancel);
        var stacks = await ZoneStacks.UsingAsync(id, db, open, shelf, cancel);
        var paint = Paint.Of(material);
        return TypedResults.Ok(new StripeView(
            Math.Round(solved.ContrastRatio(material.ReferenceFilmUm), 3),
            Cards.Masstone(material),
            Cards.OverBlack(paint),
            Cards.OverWhite(paint),
            Math.Round(Math.Max(Off(draft.OverBlack, draft.BlackField, solved, draft.DryFilmUm), Off(draft.OverWhite, draft.WhiteField, solved, draft.DryFilmUm)), 2),
            [.. stacks.Select(s => Shift(s, id, material)).OrderByDescending(z => z.DeltaE.Max())]));
    }

    private static async Task<Ok<List<CalibrationView>>> List(Guid id, LowfellDb db, CancellationToken cancel)
    {
        var row = await RowAsync(id, db, cancel);
        var kept = await db.Calibrations.AsNoTracking().Where(c => c.MaterialId == id).OrderByDescending(c => c.At).ToListAsync(cancel);
        return TypedResults.Ok(kept.Select(c => View(c, row)).ToList());
    }

    private static async Task<Created<CalibrationView>> Accept(Guid id, int version, StripeDraft draft, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var row = await RowAsync(id, db, cancel);
        Versions.Check(version, row.Version);
        if (await db.Calibrations.CountAsync(c => c.MaterialId == id, cancel) >= MostKept)
        {
            throw new RefusedException("id", $"Remove a stripe first: {MostKept} of one material are the most.");
        }

        var (solved, _) = Solve(draft, row.ToCore());
        var kept = new CalibrationRow
        {
            Id = Guid.CreateVersion7(),
            MaterialId = id,
            At = clock.GetUtcNow(),
            OverBlack = draft.OverBlack.ToLowerInvariant(),
            OverWhite = draft.OverWhite.ToLowerInvariant(),
            DryFilmUm = draft.DryFilmUm,
            Absorption = solved.AbsorptionPerUm.ToArray(),
            Scattering = solved.ScatteringPerUm.ToArray(),
            Surface = solved.SurfaceTerm,
            Kappa = solved.Kappa,
        };
        db.Calibrations.Add(kept);
        row.Take(kept);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Created($"/api/materials/{id}/calibrations", View(kept, row));
    }

    private static async Task<NoContent> Choose(Guid id, int version, CalibrationChoice choice, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var row = await RowAsync(id, db, cancel);
        Versions.Check(version, row.Version);
        var kept = choice.CalibrationId is { } wanted
            ? await db.Calibrations.SingleOrDefaultAsync(c => c.Id == wanted && c.MaterialId == id, cancel) ?? throw RefusedException.NotFound("calibrationId", wanted)
            : null;
        row.Take(kept);
        await open.TouchShelfAsync(cancel);
        await db.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<MaterialRow> RowAsync(Guid id, LowfellDb db, CancellationToken cancel) =>
        await db.Materials.SingleOrDefaultAsync(m => m.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);

    private static (FilmOptics Film, Material Material) Solve(StripeDraft draft, Material material)
    {
        var checks = new Checks();
        if (material.Clear || material.Effect == Effect.Metallic)
        {
            checks.Fault("id", $"{material.Name} is {(material.Clear ? "clear" : "metal flake")}: a stripe tells nothing of it.");
        }

        checks.Enforce();
        var stripe = new Stripe(
            Srgb.Parse(draft.OverBlack), Srgb.Parse(draft.OverWhite), Srgb.Parse(draft.BlackField), Srgb.Parse(draft.WhiteField), Sheen.Gloss, material.Sheen, draft.DryFilmUm);
        (string Field, string Message)? fault = StripeCalibration.Check(stripe) switch
        {
            StripeFault.DarkerOverWhite => ("overWhite", $"{draft.OverWhite} over white is darker than {draft.OverBlack} over black; are the two exchanged?"),
            StripeFault.FieldsAlike => ("whiteField", $"The fields {draft.BlackField} and {draft.WhiteField} are too alike; use a black and a white card."),
            StripeFault.Hides => ("overWhite", "The stripe hides both fields almost fully, so nothing shows how it scatters. Paint a thinner one."),
            StripeFault.Bare => ("overBlack", "The stripe hardly changes the fields. Paint a thicker one, and give its dry film."),
            _ => null,
        };
        if (fault is { } wrong)
        {
            throw new RefusedException(wrong.Field, wrong.Message);
        }

        var solved = StripeCalibration.Solve(stripe);
        var film = new MeasuredFilm(solved.AbsorptionPerUm, solved.ScatteringPerUm, solved.SurfaceTerm, solved.Kappa);
        return (film.Optics, material with { OwnFilm = film });
    }

    private static double Off(string read, string field, FilmOptics film, double dryFilmUm) =>
        ColourDifference.Ciede2000(Srgb.Parse(read).ToLab(), StackedCard.Film(Srgb.Parse(field), film, dryFilmUm).ToLab());

    private static ZoneShift Shift(ZoneStack stack, Guid materialId, Material calibrated)
    {
        var before = Predictor.Predict(stack.Draft).Top;
        var after = Predictor.Predict(Substitutes.InPlaceOf(stack.Draft, materialId, calibrated)).Top;
        return new(
            stack.ZoneId,
            stack.Label,
            [before.Recess.Colour.ToString(), before.Face.Colour.ToString(), before.Edge.Colour.ToString()],
            [after.Recess.Colour.ToString(), after.Face.Colour.ToString(), after.Edge.Colour.ToString()],
            [.. new[] { (before.Recess, after.Recess), (before.Face, after.Face), (before.Edge, after.Edge) }.Select(h => Math.Round(ColourDifference.Ciede2000(h.Item1.Lab, h.Item2.Lab), 2))]);
    }

    private static CalibrationView View(CalibrationRow c, MaterialRow m) => new(c.Id, c.At, c.OverBlack, c.OverWhite, c.DryFilmUm, m.CalibrationId == c.Id);
}
