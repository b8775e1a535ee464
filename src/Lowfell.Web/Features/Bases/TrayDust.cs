using Lowfell.Core.Bases.Making;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>Dust of a base's two dry-brush colours up what stands on it.</summary>
/// <param name="ZoneId">Zone of the figure, vehicle or wall.</param>
/// <param name="SchemeVersion">Version of its scheme.</param>
/// <param name="From">The ground that throws it.</param>
/// <param name="FirstId">The first dry-brush colour.</param>
/// <param name="SecondId">The second, lighter one.</param>
/// <param name="Drives">It drives: dust goes to a quarter of its height at least.</param>
/// <param name="DryRun">Only says how high it goes.</param>
public sealed record DustRequest(Guid ZoneId, [VersionBound] int SchemeVersion, DustFrom From, Guid FirstId, Guid SecondId, bool Drives = false, bool DryRun = false);

/// <summary>How high dust goes.</summary>
/// <param name="FirstMm">Top of the first colour, mm.</param>
/// <param name="SecondMm">Top of the second, mm.</param>
/// <param name="Scheme">Scheme that takes it.</param>
/// <param name="SchemeVersion">Its version now.</param>
/// <param name="Zones">Zones that share the scheme.</param>
public sealed record DustAnswer(double FirstMm, double SecondMm, string Scheme, int SchemeVersion, int Zones);

/// <summary>Dust up legs, wheels and walls: coats that fade out with height, in the colours of the base.</summary>
public static class TrayDust
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapPost("/api/base-dust", Take).WithTags("Bases").ProducesValidationProblem().ProducesProblem(409).WithSummary("How high dust of a ground goes up a zone by its scale; puts it into the zone's stack unless it is only looked at.");

    private static async Task<Ok<DustAnswer>> Take(DustRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == request.ZoneId, cancel) ?? throw RefusedException.NotFound("zoneId", request.ZoneId);
        var shelf = await open.ShelfAsync(cancel);
        foreach (var (field, id) in new[] { ("firstId", request.FirstId), ("secondId", request.SecondId) })
        {
            if (!shelf.Materials.ContainsKey(id))
            {
                throw RefusedException.NotFound(field, id);
            }
        }

        var dust = DustUp.Of(request.From, zone.Piece!.Set!.Scale, request.Drives ? zone.Piece.TallMm ?? 0 : 0);
        if (!request.DryRun)
        {
            CoatDraft Coat(Guid paint, double top, string note) => new() { Id = Guid.CreateVersion7(), Technique = Technique.DryBrush, MaterialId = paint, Fade = new(0, Math.Round(top, 1)), Note = note };
            await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, request.SchemeVersion, kept => [.. kept, Coat(request.FirstId, dust.FirstMm, "Dust of the base, up from the foot."), Coat(request.SecondId, dust.SecondMm, "Its lighter colour, lower.")], shelf, db, clock.GetUtcNow(), cancel);
        }

        var scheme = await db.Schemes.AsNoTracking().Where(s => s.Id == zone.SchemeId).Select(s => new { s.Name, s.Version }).SingleAsync(cancel);
        var zones = await db.Zones.CountAsync(z => z.SchemeId == zone.SchemeId && z.DeletedAt == null && z.Piece!.DeletedAt == null, cancel);
        return TypedResults.Ok(new DustAnswer(Math.Round(dust.FirstMm, 1), Math.Round(dust.SecondMm, 1), scheme.Name, scheme.Version, zones));
    }
}
