using Lowfell.Core.Colour;
using Lowfell.Core.Prediction;
using Lowfell.Core.Ready;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Begin;

/// <summary>A ground palette for a zone.</summary>
/// <param name="Setting">What the ground is.</param>
/// <param name="Version">Version of the zone's scheme.</param>
/// <param name="DryRun">It is only looked at.</param>
public sealed record GroundRequest(GroundSetting Setting, [VersionBound] int Version = 0, bool DryRun = false);

/// <summary>A tone of a ground with what is taken for it.</summary>
/// <param name="Tone">The tone in a word.</param>
/// <param name="Says">The paint, or parts of two.</param>
/// <param name="Colour">What comes of it.</param>
/// <param name="Wanted">What it should be.</param>
/// <param name="Words">How it differs from that.</param>
/// <param name="DeltaE">The same as dE00.</param>
public sealed record GroundToneView(string Tone, string Says, string Colour, string Wanted, string Words, double DeltaE);

/// <summary>A ground palette on a zone.</summary>
/// <param name="Tones">Deep, ground, mid, light and dust.</param>
/// <param name="Look">What the zone would look like.</param>
/// <param name="Coats">Its coats, from the ground up.</param>
public sealed record GroundPaletteView(IReadOnlyList<GroundToneView> Tones, LookView Look, IReadOnlyList<string> Coats);

/// <summary>The ground palette of a setting, from the shelf.</summary>
public static class GroundEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapPost("/api/zones/{id:guid}/ground", Put).WithTags("Begin").ProducesValidationProblem().ProducesProblem(409)
            .WithSummary("Puts deep, ground, mid, light and dust of a setting on a zone, from the shelf in one hue family; what prepares and primes the zone stays.");

    private static async Task<Ok<GroundPaletteView>> Put(Guid id, GroundRequest request, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == id, cancel) ?? throw RefusedException.NotFound("id", id);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var picks = GroundPalette.From(request.Setting.Colour(), shelf.Shelf);
        if (picks.Count == 0)
        {
            throw new RefusedException("setting", "Put an acrylic paint on the shelf first: a ground is made of what is there.");
        }

        var stack = GroundPalette.On(ZoneStacks.Read(zone, bench, shelf), picks, shelf.Shelf);
        if (!request.DryRun)
        {
            await SchemeEndpoints.TakeCoatsAsync(
                zone.SchemeId,
                request.Version,
                before =>
                {
                    var old = before.ToDictionary(c => c.Id);
                    return [.. stack.Coats.Select(c => StackReader.Write(old.ContainsKey(c.Id) ? c : c with { Id = Guid.CreateVersion7() }, old, shelf))];
                },
                shelf,
                db,
                clock.GetUtcNow(),
                cancel);
        }

        var top = Predictor.PredictMiddle(stack).Top;
        return TypedResults.Ok(new GroundPaletteView(
            [.. picks.Select(p => new GroundToneView(SaidAttribute.Of(typeof(GroundTone))[p.Tone.ToString()], p.Says, p.Colour.ToString(), p.Wanted.ToString(), DifferenceWords.Of(p.Wanted.ToLab(), p.Colour.ToLab()), Math.Round(p.DeltaE, 1)))],
            LookView.Of(new(top.Recess.Colour, top.Face.Colour, top.Edge.Colour)),
            [.. stack.Coats.Where(c => !c.Skipped).Select(c => c.MixedTo is null ? c.Label : $"{c.Title}, {c.Note}")]));
    }
}
