using Lowfell.Core.Colour;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Ready;
using Lowfell.Core.Wording;
using Lowfell.Store;
using Lowfell.Web.Api;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Evenings;
using Lowfell.Web.Features.Stack;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Matching;

/// <summary>The version of a scheme that a question was answered for.</summary>
/// <param name="SchemeId">The scheme.</param>
/// <param name="Version">Its version.</param>
public sealed record SchemeAt(Guid SchemeId, [VersionBound] int Version);

/// <summary>One paint that would do for two.</summary>
/// <param name="KeepId">The one that is kept.</param>
/// <param name="Keep">Its name.</param>
/// <param name="KeepColour">Its colour.</param>
/// <param name="DropId">The one that is done without.</param>
/// <param name="Drop">Its name.</param>
/// <param name="DropColour">Its colour.</param>
/// <param name="Words">What is seen of it where most is.</param>
/// <param name="DeltaE">The same as dE00.</param>
/// <param name="Where">Where that is: piece and zone.</param>
/// <param name="Zones">How many zones change.</param>
/// <param name="Elsewhere">How many of them are of other sets, which share the scheme.</param>
/// <param name="SetUps">So many set-ups fewer.</param>
/// <param name="Minutes">So many minutes of setting up less.</param>
/// <param name="Schemes">The schemes that change.</param>
public sealed record FewerView(
    Guid KeepId, string Keep, string KeepColour, Guid DropId, string Drop, string DropColour, string Words, double DeltaE, string Where, int Zones, int Elsewhere, int SetUps, double Minutes, IReadOnlyList<SchemeAt> Schemes);

/// <summary>One paint is taken for two.</summary>
/// <param name="KeepId">The one that is kept.</param>
/// <param name="DropId">The one that is done without.</param>
/// <param name="Schemes">The schemes that change, as they were when it was asked.</param>
public sealed record FewerChange(Guid KeepId, Guid DropId, [ManyBound] IReadOnlyList<SchemeAt> Schemes);

/// <summary>What a scheme was before, by a zone of it.</summary>
/// <param name="ZoneId">A zone that it is of.</param>
/// <param name="Coats">Its coats.</param>
public sealed record CoatsBefore(Guid ZoneId, IReadOnlyList<CoatDraft> Coats);

/// <summary>Fewer paints: pairs in a set whose finished zones no one would tell apart.</summary>
public static class FewerEndpoints
{
    private const int MostShown = 8, Tries = 12;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var group = app.MapGroup("/api/sets/{id:guid}/fewer").WithTags("Matching").ProducesValidationProblem();
        group.MapGet("", Pairs).WithSummary("Pairs of paints of a set whose finished zones no one would tell apart, with the set-ups that one for both would save; at most 8, the least seen first.");
        group.MapPost("", Take).WithSummary("Takes one paint for both in every scheme of the set; gives what the schemes were before.").ProducesProblem(409);
    }

    private sealed record Stacks(IReadOnlyList<ZoneRow> Zones, IReadOnlyList<OneForBoth> Pairs, IReadOnlyList<IReadOnlyList<ZoneRow>> ZonesOf);

    private static async Task<Ok<List<FewerView>>> Pairs(Guid id, LowfellDb db, OpenBench open, PlanDesk desk, TimeProvider clock, CancellationToken cancel)
    {
        var stacks = await ReadAsync(id, db, open, clock, cancel);
        if (stacks.Pairs.Count == 0)
        {
            return TypedResults.Ok(new List<FewerView>());
        }

        var planner = await desk.OpenAsync(new() { SetIds = [id] }, cancel);
        var now = SetUps(planner.Task);
        return TypedResults.Ok(stacks.Pairs.Take(MostShown).Select(pair =>
        {
            var zones = stacks.Zones.Where(z => z.Scheme!.Coats.Any(c => !c.Skipped && c.MaterialId == pair.Drop.Id)).ToList();
            var with = SetUps(planner.TaskOf(z => z with { Stack = pair.On(z.Stack) }));
            var worst = stacks.ZonesOf[pair.WorstStack][0];
            return new FewerView(
                pair.Keep.Id, pair.Keep.Name, pair.Keep.Colour.ToString(), pair.Drop.Id, pair.Drop.Name, pair.Drop.Colour.ToString(),
                DifferenceWords.Amount(pair.WorstDeltaE), Math.Round(pair.WorstDeltaE, 2), $"{worst.Piece!.Name}, {worst.Name}",
                zones.Count, zones.Count(z => z.Piece!.SetId != id), Math.Max(0, now.Count - with.Count), Math.Max(0, Math.Round(now.Minutes - with.Minutes)),
                [.. zones.Select(z => z.Scheme!).DistinctBy(s => s.Id).Select(s => new SchemeAt(s.Id, s.Version))]);
        }).ToList());
    }

    private static async Task<Ok<List<CoatsBefore>>> Take(Guid id, FewerChange change, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        var stacks = await ReadAsync(id, db, open, clock, cancel);
        var pair = stacks.Pairs.FirstOrDefault(p => (p.Keep.Id, p.Drop.Id) == (change.KeepId, change.DropId))
            ?? throw new RefusedException("dropId", "Look again: the coats of this set were changed meanwhile, and these two are not alike any more.", 409);
        var schemes = stacks.Zones.Where(z => z.Scheme!.Coats.Any(c => !c.Skipped && c.MaterialId == pair.Drop.Id)).DistinctBy(z => z.SchemeId).ToList();
        var asked = change.Schemes.GroupBy(s => s.SchemeId).ToDictionary(g => g.Key, g => g.Last().Version);
        var shelf = await open.ShelfAsync(cancel);
        var before = new List<CoatsBefore>();
        await using var whole = await db.Database.BeginTransactionAsync(cancel);
        foreach (var zone in schemes)
        {
            await SchemeEndpoints.TakeCoatsAsync(
                zone.SchemeId,
                asked.GetValueOrDefault(zone.SchemeId),
                coats =>
                {
                    before.Add(new(zone.Id, coats));
                    return [.. coats.Select(c => !c.Skipped && c.MaterialId == pair.Drop.Id ? c with { MaterialId = pair.Keep.Id } : c)];
                },
                shelf,
                db,
                clock.GetUtcNow(),
                cancel);
        }

        await whole.CommitAsync(cancel);
        return TypedResults.Ok(before);
    }

    // Zones of other sets that share a scheme change with it: they are judged with the set's own. What is on a copy already stays what it is.
    private static async Task<Stacks> ReadAsync(Guid id, LowfellDb db, OpenBench open, TimeProvider clock, CancellationToken cancel)
    {
        if (!await db.Sets.AnyAsync(s => s.Id == id && s.DeletedAt == null, cancel))
        {
            throw RefusedException.NotFound("id", id);
        }

        var (bench, shelf) = (await open.RowAsync(cancel), await open.ShelfAsync(cancel));
        var zones = await ZoneStacks.Rows(db).Where(z => db.Zones.Any(o => o.SchemeId == z.SchemeId && o.DeletedAt == null && o.Piece!.DeletedAt == null && o.Piece.SetId == id))
            .OrderBy(z => z.Piece!.SetId != id).ThenBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var work = (await WorkReader.ReadAsync([.. zones.Select(z => z.Piece!.SetId).Distinct()], clock.GetUtcNow(), bench, shelf, db, cancel)).Of(new() { Learn = false });
        var bound = zones.Select(z => work.Zone(z.Id)).OfType<OpenZone>().SelectMany(Begun).ToHashSet();
        IEnumerable<Guid> Begun(OpenZone zone) =>
            from place in Enumerable.Range(0, zone.Steps.Count)
            where Enumerable.Range(1, zone.Zone.Piece.Copies).Any(copy => work.IsOff(zone, place, copy))
            select zone.Steps[place].Coat.Material?.Id into painted
            where painted is not null
            select painted.Value;

        // What looks the same need not be looked at twice.
        var alike = zones.GroupBy(z => (z.SchemeId, z.ToCore() with { Name = "", Copies = 1, AreaMm2 = 1000, CreaseMm = null, EdgeMm = null })).ToList();
        var stacks = alike.ConvertAll(g => ZoneStacks.Read(g.First(), bench, shelf));
        return new(zones, FewerPaints.Pairs(stacks, bound), alike.ConvertAll(g => (IReadOnlyList<ZoneRow>)[.. g]));
    }

    // Looked at so many times and no more, so that the same question gets the same answer.
    private static (int Count, double Minutes) SetUps(WorkTask task)
    {
        var tries = 0;
        var plan = PlanMaker.AtOnce(task, () => tries++ < Tries).Best;
        return (plan.SetUps, plan.Lots.Sum(l => l.SetUpMin));
    }
}
