using Lowfell.Core.Sight;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Sight;

/// <summary>A detail to look for on the piece.</summary>
/// <param name="ZoneId">Its zone.</param>
/// <param name="Zone">Name of the zone.</param>
/// <param name="CoatId">Its coat; none for what is of the finished zone.</param>
/// <param name="Kind">What of it.</param>
/// <param name="What">What it is called.</param>
public sealed record TrialDetail(Guid ZoneId, string Zone, Guid? CoatId, SightKind Kind, string What);

/// <summary>A painter's own trial.</summary>
/// <param name="Ticks">Details that were looked at so far.</param>
/// <param name="LeastTicks">Fewer fit nothing.</param>
/// <param name="Factor">How much more, or less, than usual is noticed; 1 until there are enough.</param>
/// <param name="Details">What to look for on the piece next, those near the threshold.</param>
public sealed record SightTrialView(int Ticks, int LeastTicks, double Factor, IReadOnlyList<TrialDetail> Details);

/// <summary>Whether a detail was seen.</summary>
/// <param name="ZoneId">Its zone.</param>
/// <param name="Kind">What of it.</param>
/// <param name="Seen">It was seen without searching.</param>
/// <param name="CoatId">Its coat; none for what is of the finished zone.</param>
public sealed record TrialTickDraft(Guid ZoneId, SightKind Kind, bool Seen, Guid? CoatId = null);

/// <summary>A look at a piece in the middle of the table.</summary>
/// <param name="Id">Given by who sends it: the same sent twice is one.</param>
/// <param name="Metres">Distance, m.</param>
/// <param name="Ticks">What was looked for.</param>
/// <param name="Room">Room.</param>
/// <param name="Eyes">Eyes.</param>
public sealed record TrialDraft(Guid Id, [SightMetresBound] double Metres, [TrialTicksBound] IReadOnlyList<TrialTickDraft> Ticks, SightRoom Room = SightRoom.ClubHall, Eyes Eyes = Eyes.Sharp);

/// <summary>The painter's own eyes: ten ticks fit a factor.</summary>
public static class SightTrial
{
    // Older ticks say little of the eyes and lamp of today; a look goes over so many details, of which these are near enough to tell.
    private const int MostTicks = 200, MostDetails = 12, EnoughDetails = 6;
    private const double LeastJ = 0.3, MostJ = 25;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/pieces/{id:guid}/sight/trial").WithTags("Sight").ProducesValidationProblem();
        group.MapGet("", Of).WithSummary("What to look for on a piece in the middle of the table, and what earlier looks gave.");
        group.MapPost("", Add).WithSummary("Writes down what was seen; from ten ticks on the verdicts follow it.");
        app.MapDelete("/api/sight/trial", Forget).WithTags("Sight").WithSummary("Forgets what was seen: the usual eyes again.");
    }

    /// <summary>A stand, with what the painter's trials gave.</summary>
    internal static SightFrom Stand(Bench bench, double metres, string? room, string? eyes) => SightEndpoints.Stand(metres, room, eyes) with { TrialFactor = bench.TrialFactor };

    private static async Task<List<TrialTick>> TicksAsync(LowfellDb db, CancellationToken cancel) =>
        (await db.SightTicks.AsNoTracking().OrderByDescending(t => t.At).Take(MostTicks).Select(t => new { t.J, t.Seen }).ToListAsync(cancel)).ConvertAll(t => new TrialTick(t.J, t.Seen));

    private static async Task<Ok<SightTrialView>> Of(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel, double? metres = null, string? room = null, string? eyes = null)
    {
        var piece = await db.Pieces.AsNoTracking().Include(p => p.Set).SingleOrDefaultAsync(p => p.Id == id && p.DeletedAt == null && p.Set!.DeletedAt == null, cancel) ?? throw RefusedException.NotFound("id", id);
        return TypedResults.Ok(await ViewAsync(id, SightEndpoints.Stand(metres ?? piece.Set!.ViewingMm / 1000, room, eyes), db, open, cancel));
    }

    private static async Task<SightTrialView> ViewAsync(Guid id, SightFrom stand, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var ticks = await TicksAsync(db, cancel);
        var near = (await DetailsAsync(id, db, open, cancel)).Select(d => (d.Zone, d.Stack, d.Detail, d.Detail.At(stand).J)).Where(d => d.J is >= LeastJ and <= MostJ).ToList();

        // Marks, edges and recesses are seen by themselves; a coat all over only beside the piece without it.
        var details = (near.Count(d => d.Detail.Kind != SightKind.Coat) >= EnoughDetails ? near.FindAll(d => d.Detail.Kind != SightKind.Coat) : near).OrderBy(d => Math.Abs(Math.Log(d.J / SightTable.SeenJ))).Take(MostDetails).OrderBy(d => d.Zone.Position).ThenBy(d => d.Detail.CoatId);
        return new(
            ticks.Count, Trial.LeastTicks, Math.Round(Trial.Factor(ticks), 2),
            [.. details.Select(d => new TrialDetail(d.Zone.Id, d.Zone.Name, d.Detail.CoatId, d.Detail.Kind, SightEndpoints.What(d.Stack, d.Detail)))]);
    }

    private static async Task<Ok<SightTrialView>> Add(Guid id, TrialDraft draft, LowfellDb db, OpenBench open, SentActions sent, TimeProvider clock, CancellationToken cancel)
    {
        if (!await db.Pieces.AnyAsync(p => p.Id == id && p.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }

        var stand = new SightFrom(draft.Metres, draft.Room, draft.Eyes);
        var details = await DetailsAsync(id, db, open, cancel);
        var now = clock.GetUtcNow();
        var first = DerivedId.Of(draft.Id, 0);
        var known = await db.SightTicks.AnyAsync(t => t.Id == first, cancel);
        foreach (var (number, tick) in draft.Ticks.Index().TakeWhile(_ => !known))
        {
            var of = details.Find(d => d.Zone.Id == tick.ZoneId && d.Detail.CoatId == tick.CoatId && d.Detail.Kind == tick.Kind);
            if (of.Detail is null)
            {
                throw RefusedException.NotFound("ticks", tick.CoatId ?? tick.ZoneId);
            }

            db.Add(new SightTickRow { Id = DerivedId.Of(draft.Id, number), At = now, J = of.Detail.At(stand).J, Seen = tick.Seen });
        }

        await using var all = await db.Database.BeginTransactionAsync(cancel);
        if (await sent.TakeAsync(draft.Id, SentActions.HashOf(draft), cancel))
        {
            await db.SaveChangesAsync(cancel);
        }

        await FitAsync(db, open, cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(await ViewAsync(id, stand, db, open, cancel));
    }

    // What is said of every stack follows the bench's own figure; one look at a time changes it.
    private static async Task FitAsync(LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await db.Database.ExecuteSqlAsync($"SELECT 1 FROM benches WHERE \"Id\" = {open.BenchId} FOR UPDATE", cancel);
        var factor = Math.Round(Trial.Factor(await TicksAsync(db, cancel)), 4);
        await db.Benches.Where(b => b.Id == open.BenchId).ExecuteUpdateAsync(b => b.SetProperty(x => x.TrialFactor, factor), cancel);
    }

    private static async Task<NoContent> Forget(LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        await using var all = await db.Database.BeginTransactionAsync(cancel);
        await db.SightTicks.ExecuteDeleteAsync(cancel);
        await FitAsync(db, open, cancel);
        await all.CommitAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<List<(ZoneRow Zone, Core.Stacks.StackDraft Stack, ZoneDetail Detail)>> DetailsAsync(Guid id, LowfellDb db, OpenBench open, CancellationToken cancel)
    {
        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var zones = await ZoneStacks.Rows(db).Where(z => z.PieceId == id).OrderBy(z => z.Position).ToListAsync(cancel);
        return [.. zones.Select(z => (Zone: z, Stack: ZoneStacks.Read(z, bench, shelf))).SelectMany(z => ZoneDetails.Of(z.Stack).Select(d => (z.Zone, z.Stack, d)))];
    }
}
