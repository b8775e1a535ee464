using Lowfell.Core.Wording;
using Lowfell.Core.Rules.Look;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sight;

/// <summary>What is to be done about a coat that is hardly seen: one of these.</summary>
/// <param name="ZoneId">Its zone.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="MaterialId">The paint that it is painted with instead.</param>
/// <param name="WidthMm">How wide its marks are drawn instead, mm.</param>
/// <param name="Keep">Why it stays as it is; nothing more is said of it until it changes. Empty to have it judged again.</param>
/// <param name="Back">The coat as it was: takes back what was done.</param>
/// <param name="From">With that, the coat as it was left: 409 where somebody has changed it since.</param>
public sealed record SightChange(Guid ZoneId, Guid CoatId, Guid? MaterialId = null, [MarkWidthBound] double? WidthMm = null, [RemarkBound] string? Keep = null, CoatDraft? Back = null, CoatDraft? From = null);

/// <summary>A coat that was changed.</summary>
/// <param name="Was">As it was.</param>
/// <param name="Now">As it is kept now.</param>
public sealed record SightChanged(CoatDraft Was, CoatDraft Now);

/// <summary>Makes a coat show, or lets it stay.</summary>
public static class SightChangeEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapPost("/api/pieces/{id:guid}/sight/change", Change).WithTags("Sight").ProducesValidationProblem().ProducesProblem(409)
        .WithSummary("Another paint or wider marks for a coat that is hardly seen, or word that it stays. Answers the coat as it was and as it is, which takes it back.");

    private static async Task<Ok<SightChanged>> Change(Guid id, SightChange change, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        if (new[] { change.MaterialId is not null, change.WidthMm is not null, change.Keep is not null, change.Back is not null }.Count(b => b) != 1)
        {
            throw new RefusedException("coatId", "Say one thing: another paint, another width, why it stays, or the coat as it was.");
        }

        var zone = await ZoneStacks.Rows(db).SingleOrDefaultAsync(z => z.Id == change.ZoneId && z.PieceId == id, cancel) ?? throw RefusedException.NotFound("zoneId", change.ZoneId);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        if (change.MaterialId is { } paint && !shelf.Materials.ContainsKey(paint))
        {
            throw RefusedException.NotFound("materialId", paint);
        }

        var stack = ZoneStacks.Read(zone, bench, shelf);
        var at = stack.IndexOf(change.CoatId);
        if (at < 0 || (change.Back is { } back && back.Id != change.CoatId))
        {
            throw RefusedException.NotFound("coatId", change.CoatId);
        }

        if (change.From is { } left && Kept.Write(left) != Kept.Write(CoatRows.Write(zone.Scheme!.Coats.Single(c => c.Id == change.CoatId))))
        {
            throw new RefusedException("coatId", $"{stack.Coats[at].Label} was changed since: it stays as it is now.", 409);
        }

        CoatDraft? was = null;
        await SchemeEndpoints.TakeCoatsAsync(zone.SchemeId, zone.Scheme!.Version, coats => [.. coats.Select(c => c.Id == change.CoatId ? Changed(was = c, change, stack, at) : c)], shelf, db, clock.GetUtcNow(), cancel);
        return TypedResults.Ok(new SightChanged(was!, (await SchemeEndpoints.ViewAsync(zone.SchemeId, db, cancel)).Coats.First(c => c.Id == change.CoatId)));
    }

    private static CoatDraft Changed(CoatDraft coat, SightChange change, StackDraft stack, int at) =>
        change.Back ?? (change.MaterialId is { } other ? coat with { MaterialId = other, MixId = null, MixedTo = null, PaintFraction = null, Thinner = null }
            : change.WidthMm is { } width ? coat with { Marks = Wider(stack, at, width) }
            : coat with { Known = [.. coat.Known.Where(k => k.Rule != UnseenWork.Rule.Id), .. string.IsNullOrWhiteSpace(change.Keep) ? Array.Empty<KnownFinding>() : [UnseenWork.Keep(stack, at, change.Keep.Trim())]] });

    // Marks that the painter counted stay so many; else they go by what they cover: fewer of them, as wide.
    private static Marks Wider(StackDraft stack, int at, double widthMm)
    {
        var (coat, now) = (stack.Coats[at], CoatMarks.Of(stack.Coats[at], stack.Zone));
        var length = now.LengthMm > now.WidthMm ? Math.Max(now.LengthMm, widthMm) : widthMm;
        return new(coat.Marks?.Count ?? Math.Max(1, (int)Math.Round(now.AreaMm2 / (widthMm * length))), widthMm, length);
    }
}
