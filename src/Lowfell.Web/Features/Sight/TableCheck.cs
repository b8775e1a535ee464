using Lowfell.Core.Colour;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Wording;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Sight;

/// <summary>A bare detail, or a whole stack, and where it is looked at from.</summary>
/// <param name="WidthMm">Width of a detail, mm.</param>
/// <param name="LengthMm">Its length, mm; its width where none is given.</param>
/// <param name="Colour">Its colour.</param>
/// <param name="Ground">Colour that it lies on.</param>
/// <param name="DistanceM">Distance, m; that of the zone where none is given.</param>
/// <param name="WhiteCdM2">White of the room, cd/m2.</param>
/// <param name="Acuity">Of the eyes: 1 sees a minute of arc.</param>
/// <param name="Zone">The zone of a stack.</param>
/// <param name="Coats">Its coats, from the substrate up.</param>
/// <param name="Schools">Preferences.</param>
public sealed record TableCheckDraft(
    [DetailWidthBound] double? WidthMm = null,
    [DetailWidthBound] double? LengthMm = null,
    [ColourBound] string? Colour = null,
    [ColourBound] string? Ground = null,
    [SightMetresBound] double? DistanceM = null,
    [WhiteBound] double? WhiteCdM2 = null,
    [AcuityBound] double? Acuity = null,
    ZoneDraft? Zone = null,
    [CoatsBound] IReadOnlyList<CoatDraft>? Coats = null,
    Schools? Schools = null);

/// <summary>One detail, checked.</summary>
/// <param name="What">What it is.</param>
/// <param name="CoatId">Its coat; none for the finished zone, or a bare detail.</param>
/// <param name="J">Times the threshold of being noticed.</param>
/// <param name="Left">What is left of the difference, dE00.</param>
/// <param name="FormM">To which distance its width can be told, m.</param>
/// <param name="There">Its colour as it is seen from there.</param>
/// <param name="Word">In a word.</param>
/// <param name="Verdict">From where it is seen.</param>
/// <param name="Minutes">Hands-on minutes over all copies; 0 for what no coat makes by itself.</param>
public sealed record TableCheck(string What, Guid? CoatId, double J, double Left, double FormM, string There, SightWord Word, SightVerdict Verdict, double Minutes);

/// <summary>Whether anyone sees a draft: nothing is kept.</summary>
public static class TableCheckEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapPost("/api/preview/table-check", Check).WithTags("Preview").ProducesValidationProblem()
        .WithSummary("A bare detail, or all details of a stack, seen from a distance, in a light, by eyes.");

    private static async Task<Ok<IReadOnlyList<TableCheck>>> Check(TableCheckDraft draft, OpenBench open, CancellationToken cancel)
    {
        SightFrom Stand(double metres) => new(metres) { MeasuredCdM2 = draft.WhiteCdM2, KnownAcuity = draft.Acuity };
        if (draft.Zone is { } zone)
        {
            var shelf = StackReader.NamesShelf(draft.Coats ?? []) ? await open.ShelfAsync(cancel) : null;
            var stack = StackReader.Read(zone, draft.Coats ?? [], draft.Schools, shelf);
            if (stack.Coats.All(c => c.Skipped))
            {
                throw new RefusedException("coats", "Paint the zone in the plan first: there is no face to see it on.");
            }

            var metres = draft.DistanceM ?? stack.Zone.ViewingMm / 1000;
            return TypedResults.Ok<IReadOnlyList<TableCheck>>([.. ZoneDetails.Of(stack).Select(d => Row(SightEndpoints.What(stack, d), d.CoatId, d, Stand(metres)))]);
        }

        var checks = new Checks();
        foreach (var (field, missing) in new[] { ("widthMm", draft.WidthMm is null), ("colour", draft.Colour is null), ("ground", draft.Ground is null) })
        {
            if (missing)
            {
                checks.Fault(field, "A bare detail has a width, a colour and a ground; or give a zone with its coats.");
            }
        }

        checks.Enforce();
        var bare = new SightDetail(draft.WidthMm!.Value, draft.LengthMm ?? draft.WidthMm.Value, Srgb.Parse(draft.Colour!).ToLinear(), Srgb.Parse(draft.Ground!).ToLinear());
        return TypedResults.Ok<IReadOnlyList<TableCheck>>([Row("detail", null, new(SightKind.Mark, null, bare, [], 0, 0), Stand(draft.DistanceM ?? Core.Surfaces.Zone.UsualViewingMm / 1000))]);
    }

    private static TableCheck Row(string what, Guid? coat, ZoneDetail detail, SightFrom stand)
    {
        var seen = detail.At(stand);
        return new(
            what, coat, Math.Round(seen.J, 3), Math.Round(seen.Left, 3), Math.Round(Eye.FormM(detail.Detail.WidthMm, stand.Acuity), 3), seen.There.ToSrgb().ToString(), seen.Word,
            Sights.Verdict(m => detail.At(stand with { Metres = m }).Word, stand.Metres), Math.Round(detail.Minutes, 2));
    }
}
