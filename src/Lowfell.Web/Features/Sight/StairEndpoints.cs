using Lowfell.Core.Finishing;
using Lowfell.Core.Prediction;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sight;

/// <summary>A coat that is left out, with those that are nothing without it.</summary>
/// <param name="ZoneId">Its zone.</param>
/// <param name="Zone">Name of the zone.</param>
/// <param name="CoatIds">The coat, then those that go with it.</param>
/// <param name="What">Technique and paint.</param>
/// <param name="Minutes">Hands-on minutes of them over all copies.</param>
/// <param name="MinutesLeft">Of the whole piece once it is gone, over all copies.</param>
/// <param name="Word">How what it adds is seen from there.</param>
public sealed record StairStep(Guid ZoneId, string Zone, IReadOnlyList<Guid> CoatIds, string What, double Minutes, double MinutesLeft, SightWord Word);

/// <summary>Colours of a zone before and after.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="Zone">Its name.</param>
/// <param name="Before">Recess, face and edge as they are planned.</param>
/// <param name="After">Recess, face and edge without what is left out.</param>
public sealed record StairColours(Guid ZoneId, string Zone, IReadOnlyList<string> Before, IReadOnlyList<string> After);

/// <summary>What a finish, or so many minutes, leaves out.</summary>
/// <param name="Finish">The finish; none where minutes were asked for.</param>
/// <param name="Metres">Distance that it is looked at from, m.</param>
/// <param name="Minutes">Hands-on minutes a copy that are left.</param>
/// <param name="Enough">It comes down to what was asked for.</param>
/// <param name="Steps">What is left out, in order.</param>
/// <param name="Colours">Colours of the zones that change.</param>
public sealed record StairCut(Finish? Finish, double Metres, double Minutes, bool Enough, IReadOnlyList<StairStep> Steps, IReadOnlyList<StairColours> Colours);

/// <summary>Which coats make a piece good enough.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Copies">Its copies.</param>
/// <param name="Minutes">Hands-on minutes a copy now.</param>
/// <param name="Stairs">Coat by coat down, the one first that gives least for its minutes.</param>
/// <param name="Finishes">What each finish leaves out.</param>
/// <param name="Within">What so many minutes leave out, where they were asked for.</param>
/// <param name="AlsoOn">Other pieces that the coats are of: they change with it.</param>
public sealed record PieceStairs(Guid PieceId, int Copies, double Minutes, IReadOnlyList<StairStep> Stairs, IReadOnlyList<StairCut> Finishes, StairCut? Within, IReadOnlyList<string> AlsoOn);

/// <summary>A coat of a zone.</summary>
/// <param name="ZoneId">The zone.</param>
/// <param name="CoatId">The coat.</param>
public sealed record CutCoat(Guid ZoneId, Guid CoatId);

/// <summary>Coats that are left out, or put back, together.</summary>
/// <param name="Coats">The coats.</param>
/// <param name="Skip">Left out; else put back.</param>
public sealed record CutChange([CutCoatsBound] IReadOnlyList<CutCoat> Coats, bool Skip = true);

/// <summary>Which coats make it good enough.</summary>
public static class StairEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/pieces/{id:guid}/sight").WithTags("Sight").ProducesValidationProblem();
        group.MapGet("stairs", Stairs).WithSummary("What each coat adds to what is seen, over its minutes; what a finish or so many minutes a copy leave out.");
        group.MapPost("cut", Cut).WithSummary("Leaves coats out, or puts them back, in all zones at once.").ProducesProblem(409);
    }

    private static async Task<Ok<PieceStairs>> Stairs(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel, double? metres = null, string? room = null, string? eyes = null, double? minutes = null)
    {
        var piece = await db.Pieces.AsNoTracking().Include(p => p.Set).SingleOrDefaultAsync(p => p.Id == id && p.DeletedAt == null && p.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var stand = SightTrial.Stand(bench, metres ?? piece.Set!.ViewingMm / 1000, room, eyes);
        stand = stand with { Metres = bench.Schools.WantedM(stand.Metres) };
        if (minutes is { } wanted && !(wanted >= 0 && wanted <= MostMinutes))
        {
            throw new RefusedException("minutes", FormattableString.Invariant($"Minutes a copy go from 0 to {MostMinutes}, not {wanted}."));
        }

        var zones = await ZoneStacks.Rows(db).Where(z => z.PieceId == id).OrderBy(z => z.Position).ToListAsync(cancel);
        StackDraft[] stacks = [.. zones.Select(z => ZoneStacks.Read(z, bench, shelf))];
        var all = Staircase.Of(stacks, stand);
        StairCut View(Cut cut, Finish? finish, double from, bool enough) => new(finish, from, PerCopy(cut.MinutesLeft), enough, Steps(cut), Colours(cut));
        double PerCopy(double whole) => Math.Round(whole / Math.Max(1, piece.Copies), 2);
        IReadOnlyList<StairStep> Steps(Cut cut)
        {
            var left = cut.Minutes;
            return [.. cut.Drops.Select(d => new StairStep(zones[d.Zone].Id, zones[d.Zone].Name, d.CoatIds, stacks[d.Zone].Coats.First(c => c.Id == d.CoatIds[0]).Label, Math.Round(d.Minutes, 2), Math.Round(left -= d.Minutes, 2), d.Word))];
        }

        IReadOnlyList<StairColours> Colours(Cut cut) => [.. cut.Drops.Select(d => d.Zone).Distinct().Order().Select(z => new StairColours(zones[z].Id, zones[z].Name, Look(stacks[z]), Look(cut.Stacks[z])))];
        var schemes = zones.Select(z => z.SchemeId).ToHashSet();
        var others = await db.Zones.AsNoTracking().Where(z => schemes.Contains(z.SchemeId) && z.PieceId != id && z.DeletedAt == null && z.Piece!.DeletedAt == null && z.Piece.Set!.DeletedAt == null).Select(z => z.Piece!.Name).Distinct().OrderBy(n => n).ToListAsync(cancel);
        return TypedResults.Ok(new PieceStairs(
            id, piece.Copies, PerCopy(all.Minutes), Steps(all),
            [.. Enum.GetValues<Finish>().Select(f => View(Staircase.For(stacks, f, stand), f, f.Metres(stand.Metres), true))],
            minutes is { } most && Staircase.Within(stacks, most * piece.Copies, stand) is var within ? View(within, null, stand.Metres, within.MinutesLeft <= (most * piece.Copies) + 0.05) : null,
            others));
    }

    private const double MostMinutes = 10_000;

    private static string[] Look(StackDraft stack)
    {
        var top = Predictor.PredictMiddle(stack).Top;
        return [.. Enum.GetValues<ReliefHeight>().Select(h => top.At((int)h).Colour.ToString())];
    }

    private static async Task<NoContent> Cut(Guid id, CutChange change, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var zones = await db.Zones.AsNoTracking().Where(z => z.PieceId == id && z.DeletedAt == null && z.Piece!.DeletedAt == null).Select(z => new { z.Id, z.SchemeId }).ToListAsync(cancel);
        if (zones.Count == 0)
        {
            throw RefusedException.NotFound("id", id);
        }

        var shelf = await open.ShelfAsync(cancel);
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        foreach (var of in change.Coats.GroupBy(c => zones.Find(z => z.Id == c.ZoneId)?.SchemeId ?? throw RefusedException.NotFound("coats", c.ZoneId)))
        {
            var ids = of.Select(c => c.CoatId).ToHashSet();
            var scheme = await db.Schemes.AsNoTracking().Where(s => s.Id == of.Key).Select(s => new { s.Version, Coats = s.Coats.Select(c => c.Id).ToList() }).SingleAsync(cancel);
            if (ids.FirstOrDefault(c => !scheme.Coats.Contains(c)) is var gone && gone != Guid.Empty)
            {
                throw RefusedException.NotFound("coats", gone);
            }

            await SchemeEndpoints.TakeCoatsAsync(of.Key, scheme.Version, coats => [.. coats.Select(c => ids.Contains(c.Id) ? c with { Skipped = change.Skip } : c)], shelf, db, clock.GetUtcNow(), cancel);
        }

        await all.CommitAsync(cancel);
        return TypedResults.NoContent();
    }
}
