using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A step of the first copy against what was planned for it.</summary>
/// <param name="ZoneId">Zone.</param>
/// <param name="CoatId">Coat.</param>
/// <param name="Pass">Pass.</param>
/// <param name="Zone">Name of the zone.</param>
/// <param name="What">What was done, with what.</param>
/// <param name="PlannedMin">Minutes that were planned.</param>
/// <param name="RealMin">Minutes that it took; none where nobody took them.</param>
/// <param name="Skipped">It was left out.</param>
/// <param name="DeltaE">How much the coat changes what is seen; none for what lays nothing.</param>
public sealed record FirstStepView(Guid ZoneId, Guid CoatId, int Pass, string Zone, string What, double PlannedMin, double? RealMin, bool Skipped, double? DeltaE);

/// <summary>Something that was said of the first copy: done otherwise, gone wrong, noticed of its time.</summary>
/// <param name="At">When.</param>
/// <param name="Kind">What it tells.</param>
/// <param name="What">Of what.</param>
/// <param name="Said">What was said.</param>
public sealed record FirstSaid(DateTimeOffset At, LogKind Kind, string What, string Said);

/// <summary>How a zone of it looks, as it is predicted.</summary>
/// <param name="Zone">Name of the zone.</param>
/// <param name="Look">Recess, face and edge.</param>
public sealed record FirstLook(string Zone, IReadOnlyList<string> Look);

/// <summary>An offer to leave a coat out of the rest.</summary>
/// <param name="ZoneId">Zone.</param>
/// <param name="CoatId">Coat.</param>
/// <param name="Passes">Its passes.</param>
/// <param name="What">The coat, with its zone.</param>
/// <param name="DeltaE">How much it changes what is seen.</param>
/// <param name="SavedMin">Minutes that it saves on the rest.</param>
public sealed record DropOfferView(Guid ZoneId, Guid CoatId, int Passes, string What, double DeltaE, double SavedMin);

/// <summary>The first finished copy of a batch, and what it says of the rest.</summary>
/// <param name="Copy">Its number.</param>
/// <param name="Rest">Numbers of the copies that are not finished.</param>
/// <param name="PlannedMin">Minutes that were planned, of what was measured.</param>
/// <param name="RealMin">Minutes that it took; none where nothing was measured.</param>
/// <param name="Steps">Step by step.</param>
/// <param name="Looks">How it looks, as it is predicted.</param>
/// <param name="Said">What was said of it.</param>
/// <param name="Drop">A coat that the rest could do without; none where each is worth its minutes.</param>
/// <param name="MaskSavesMin">Minutes that masking saves on the rest; none where nothing is sprayed beside another zone.</param>
/// <param name="Batch">Copies at a time that hide the waits of an evening.</param>
public sealed record FirstCopyView(
    int Copy,
    IReadOnlyList<int> Rest,
    double PlannedMin,
    double? RealMin,
    IReadOnlyList<FirstStepView> Steps,
    IReadOnlyList<FirstLook> Looks,
    IReadOnlyList<FirstSaid> Said,
    DropOfferView? Drop,
    double? MaskSavesMin,
    int Batch);

/// <summary>After the first copy of a batch: what it took, and what that says of the rest.</summary>
public static class FirstCopyEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapGet("/api/pieces/{id:guid}/first-copy", Of).WithTags("Evenings").ProducesProblem(404)
        .WithSummary("The first finished copy of a piece against its plan, and what that says of the rest; nothing until one is finished, or where all are.");

    private static async Task<Results<Ok<FirstCopyView>, NoContent>> Of(Guid id, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        if (!await db.Pieces.AnyAsync(p => p.Id == id && p.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }

        var work = await WorkReader.OfPieceAsync(id, clock.GetUtcNow(), await open.RowAsync(cancel), await open.ShelfAsync(cancel), db, cancel);
        if (FirstCopy.Of(work, id) is not { } first)
        {
            return TypedResults.NoContent();
        }

        var zones = work.Zones.Where(z => z.Zone.Piece.Id == id && z.Steps.Count > 0).ToList();
        var ids = zones.ConvertAll(z => z.Zone.Id);
        var said = await db.Log.AsNoTracking().Where(l => ids.Contains(l.ZoneId) && l.Copy == first.Copy && (l.Kind == LogKind.Problem || l.Kind == LogKind.Note || l.Deviation != "" || l.Notice != ""))
            .OrderBy(l => l.At).ToListAsync(cancel);
        var measured = first.Steps.Where(s => s.RealMin is not null).ToList();
        return TypedResults.Ok(new FirstCopyView(
            first.Copy,
            first.Rest,
            Math.Round(measured.Sum(s => s.PlannedMin), 1),
            measured.Count == 0 ? null : Math.Round(measured.Sum(s => s.RealMin!.Value), 1),
            [.. first.Steps.Select(s => s.Zone.Steps[s.Place] is var step ? new FirstStepView(
                s.Zone.Zone.Id, step.Coat.Id, step.Pass, s.Zone.Zone.Name, $"{StepWords.Of(step)} {step.Coat.Paint?.Name}".TrimEnd(), Math.Round(s.PlannedMin, 1), s.RealMin is { } real ? Math.Round(real, 1) : null, s.Skipped, s.DeltaE is { } d ? Math.Round(d, 1) : null) : null!)],
            [.. zones.Select(z => new FirstLook(z.Zone.Name, [z.Prediction.Top.Recess.Colour.ToString(), z.Prediction.Top.Face.Colour.ToString(), z.Prediction.Top.Edge.Colour.ToString()]))],
            [.. said.Select(l => new FirstSaid(l.At, l.Kind, $"{l.Paint} {l.Label}".TrimStart(), string.Join(" ", new[] { l.Note, l.Deviation, l.Notice }.Where(t => t.Length > 0))))],
            first.Drop is { } drop ? new(drop.Zone.Zone.Id, drop.Coat.Id, drop.Coat.Passes, $"{StepWords.Of(drop.Coat.Technique)} {drop.Coat.Paint?.Name}, {drop.Zone.Zone.Name}", Math.Round(drop.DeltaE, 1), Math.Round(drop.SavedMin)) : null,
            first.MaskSavesMin is { } mask ? Math.Round(mask) : null,
            first.Batch));
    }
}
