using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Prediction;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Log;

/// <summary>A step of a zone, as it is counted copy by copy.</summary>
/// <param name="CoatId">Coat; none where a part is fitted.</param>
/// <param name="PartId">The piece that is fitted; none where a coat is laid.</param>
/// <param name="Pass">Which pass.</param>
/// <param name="What">What is done.</param>
/// <param name="Paint">Paint.</param>
/// <param name="Look">Recess, face and edge once it is on; none for a part.</param>
public sealed record ProgressStep(Guid? CoatId, Guid? PartId, int Pass, string What, string? Paint, IReadOnlyList<string> Look);

/// <summary>How far the copies of a zone are.</summary>
/// <param name="ZoneId">Zone.</param>
/// <param name="PieceId">Piece.</param>
/// <param name="SetId">Set.</param>
/// <param name="Piece">Name of the piece.</param>
/// <param name="Zone">Name of the zone, or that the piece is fitted.</param>
/// <param name="Bare">Recess, face and edge of the bare substrate.</param>
/// <param name="Steps">Its steps in order.</param>
/// <param name="Copies">For each copy from 1 on, a letter a step: d done, s left out, . open, - not for this copy.</param>
public sealed record ZoneProgress(Guid ZoneId, Guid PieceId, Guid SetId, string Piece, string Zone, IReadOnlyList<string> Bare, IReadOnlyList<ProgressStep> Steps, IReadOnlyList<string> Copies);

/// <summary>Copies by coats: what is on, what is open.</summary>
public static class ProgressEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/log/progress", Progress).WithTags("Log").ProducesValidationProblem().WithSummary("How far every copy of the zones of a set is, or of all sets; of one zone where it is named.");

    private static async Task<Ok<List<ZoneProgress>>> Progress(LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel, Guid? setId = null, Guid? zoneId = null)
    {
        if (setId is { } id && !await db.Sets.AnyAsync(s => s.Id == id && s.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("setId", id);
        }

        // A zone with its piece and what is fitted on that, or what it is fitted on.
        var piece = zoneId is { } only ? await db.Zones.Where(z => z.Id == only).Select(z => (Guid?)z.PieceId).SingleOrDefaultAsync(cancel) ?? throw RefusedException.NotFound("zoneId", only) : (Guid?)null;
        var (bench, shelf, now) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel), clock.GetUtcNow());
        var work = piece is { } of ? await WorkReader.OfPieceAsync(of, now, bench, shelf, db, cancel)
            : setId is { } set ? await WorkReader.ReadAsync(set, now, bench, shelf, db, cancel)
            : await WorkReader.ReadAsync(now, bench, shelf, db, cancel);
        var zones = work.Zones.Where(z => (zoneId == null || z.Zone.Id == zoneId) && (setId == null || z.Zone.Piece.SetId == setId)).Select(z => new ZoneProgress(
            z.Zone.Id,
            z.Zone.Piece.Id,
            z.Zone.Piece.SetId,
            z.Zone.Piece.Name,
            z.Zone.Name,
            Look(z.Prediction.Substrate),
            [.. z.Steps.Select(s => new ProgressStep(s.Coat.Id, null, s.Pass, StepWords.Of(s), s.Coat.Paint?.Name, Look(z.Prediction.Strata[z.StackPlace(s)])))],
            work.Progress(z)));
        var parts = work.Parts.Where(p => (zoneId == null || p.AnchorZoneId == zoneId) && (setId == null || p.Host.SetId == setId)).Select(p => new ZoneProgress(
            p.AnchorZoneId, p.Host.Id, p.Host.SetId, p.Host.Name, StepWords.Fit(p.Part.Name), [], [new(null, p.Part.Id, 1, StepWords.Fit(p.Part.Name), null, [])], work.Progress(p)));
        return TypedResults.Ok(zones.Concat(parts).ToList());
    }

    private static IReadOnlyList<string> Look(Stratum s) => [s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString()];
}
