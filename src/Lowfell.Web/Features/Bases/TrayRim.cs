using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Bases;

/// <summary>The rims of a tray: their zone where they have one, else what would be painted on them by school.</summary>
/// <param name="ZoneId">The zone of the rims; null where the piece has none.</param>
/// <param name="Zone">Its name.</param>
/// <param name="AreaMm2">Rim of a copy, mm2, the mean.</param>
/// <param name="School">The school that the bench follows.</param>
/// <param name="PaintId">Paint of the shelf that the school would take; null where the shelf has none.</param>
/// <param name="NumberId">Paint that copy numbers read in on it; null where the shelf has none, or the school paints none.</param>
/// <param name="NumberMm">Height of a copy number that fits, mm; 0 where it goes underneath.</param>
public sealed record TrayRimView(Guid? ZoneId, string Zone, double AreaMm2, RimSchool School, Guid? PaintId, Guid? NumberId, double NumberMm);

/// <summary>A rim to be painted.</summary>
/// <param name="PaintId">Its paint.</param>
/// <param name="NumberId">Paint of the copy numbers; null where none are painted.</param>
public sealed record TrayRimDraft(Guid PaintId, Guid? NumberId = null);

/// <summary>Rims of bases as a zone of their own: two coats, and copy numbers where the school paints them.</summary>
public static class TrayRim
{
    private const string Name = "Rim";

    // An area within a part in a thousand of what the tray says was not given by hand.
    private const double Same = 1e-3;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var rims = app.MapGroup("/api/trays/{id:guid}/rim").WithTags("Bases").ProducesValidationProblem();
        rims.MapGet("", Read).WithSummary("The rims of a tray: their zone, or what the school would paint on them.");
        rims.MapPost("", Take).WithSummary("Gives the piece a zone for its rims, with two coats and, where wanted, copy numbers.").ProducesProblem(409);
    }

    /// <summary>The zone of the rims follows forms that change, unless its area was given by hand.</summary>
    internal static async Task FollowAsync(Guid pieceId, IReadOnlyList<TrayCopyDraft> before, IReadOnlyList<TrayCopyDraft> copies, LowfellDb db, CancellationToken cancel)
    {
        var (was, now) = (Area(before), Area(copies));
        if (before.Count == 0 || Math.Abs(now - was) <= Same * was)
        {
            return;
        }

        foreach (var zone in await db.Zones.Where(z => z.PieceId == pieceId && z.Rim && z.Facing == Facing.Side && z.OwnAreaMm2 != null && z.DeletedAt == null).ToListAsync(cancel))
        {
            zone.OwnAreaMm2 = Math.Abs(zone.OwnAreaMm2!.Value - was) <= Same * was ? now : zone.OwnAreaMm2;
        }
    }

    private static double Area(IReadOnlyList<TrayCopyDraft> copies) => Math.Round(Rims.MeanMm2(Forms(copies)), 1);

    private static List<BaseForm> Forms(IEnumerable<TrayCopyDraft> copies) => [.. copies.Select(c => c.Form.ToCore())];

    private static Task<ZoneRow?> ZoneAsync(Guid pieceId, LowfellDb db, CancellationToken cancel) =>
        db.Zones.AsNoTracking().Where(z => z.PieceId == pieceId && z.Rim && z.Facing == Facing.Side && z.DeletedAt == null).OrderBy(z => z.Position).FirstOrDefaultAsync(cancel);

    private static async Task<Ok<TrayRimView>> Read(Guid id, TrayDesk desk, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var copies = TrayDesk.Copies(tray);
        var school = (await open.RowAsync(cancel)).Schools.Rim;
        var shelf = (await open.ShelfAsync(cancel)).Materials.Values;
        var zone = await ZoneAsync(tray.PieceId, db, cancel);
        var paint = Rims.PaintOf(school, shelf);
        return TypedResults.Ok(new TrayRimView(
            zone?.Id, zone?.Name ?? "", Area(copies), school, paint?.Id, school == RimSchool.TeamColour && paint is not null ? Rims.NumberOn(paint, shelf)?.Id : null, Math.Round(Rims.NumberMm(Forms(copies)), 1)));
    }

    private static async Task<Ok<TrayRimView>> Take(Guid id, TrayRimDraft draft, TrayDesk desk, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var tray = await desk.RowAsync(id, cancel);
        var shelf = await open.ShelfAsync(cancel);
        if (!shelf.Materials.ContainsKey(draft.PaintId))
        {
            throw RefusedException.NotFound("paintId", draft.PaintId);
        }

        if (draft.NumberId is { } number && !shelf.Materials.ContainsKey(number))
        {
            throw RefusedException.NotFound("numberId", number);
        }

        if (await ZoneAsync(tray.PieceId, db, cancel) is { } there)
        {
            throw new RefusedException("id", $"The piece has its rims as the zone {there.Name} already.", 409);
        }

        var copies = TrayDesk.Copies(tray);
        var tall = Rims.NumberMm(Forms(copies));
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        var place = await db.Zones.Where(z => z.PieceId == tray.PieceId).Select(z => (int?)z.Position).MaxAsync(cancel) ?? -1;
        var title = $"{tray.Piece!.Name}: {Name}";
        var scheme = new SchemeRow { Id = Guid.CreateVersion7(), Name = title.Length > NameBoundAttribute.Longest ? title[..NameBoundAttribute.Longest] : title };
        db.Schemes.Add(scheme);
        db.Zones.Add(new ZoneRow
        {
            Id = Guid.CreateVersion7(),
            PieceId = tray.PieceId,
            SchemeId = scheme.Id,
            Name = Name,
            Position = place + 1,
            OwnAreaMm2 = Area(copies),
            Relief = Relief.Smooth,
            Facing = Facing.Side,
            Rim = true,
            Handled = true,
        });
        await db.SaveChangesAsync(cancel);
        List<CoatDraft> coats = [new() { Id = Guid.CreateVersion7(), Technique = Technique.BaseCoat, MaterialId = draft.PaintId, Passes = Rims.Passes, Note = "The rim all round; the edge of the ground wiped clean." }];
        var varnish = (await open.RowAsync(cancel)).Schools.FinalVarnish == FinalVarnishSchool.None ? null : Rims.VarnishOf(shelf.Materials.Values);
        if (draft.NumberId is { } paint)
        {
            coats.Add(new()
            {
                Id = Guid.CreateVersion7(),
                Technique = Technique.Marking,
                MaterialId = paint,
                Marks = tall > 0 ? new(1, Rims.NumberWidthMm(copies.Count, tall), tall) : null,
                Note = tall > 0 ? FormattableString.Invariant($"Number of the copy, 1 to {copies.Count}, at the rear, {tall:0.#} mm high.") : $"Number of the copy, 1 to {copies.Count}, underneath: the rim is too low for it.",
            });
        }

        // Hands hold a base by its rim: who varnishes what is held, varnishes that.
        if (varnish is not null)
        {
            coats.Add(new() { Id = Guid.CreateVersion7(), Technique = Technique.Varnish, MaterialId = varnish.Id });
        }

        await SchemeEndpoints.TakeCoatsAsync(scheme.Id, scheme.Version, _ => coats, shelf, db, clock.GetUtcNow(), cancel);
        await all.CommitAsync(cancel);
        return await Read(id, desk, db, open, cancel);
    }
}
