using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Hosting;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Where plans are made, held and looked up for the bench of a request or a job.</summary>
/// <param name="db">Database.</param>
/// <param name="services">Services of the request.</param>
/// <param name="scope">The bench.</param>
/// <param name="shelves">Shelves.</param>
/// <param name="clock">Time.</param>
public sealed class PlanDesk(LowfellDb db, IServiceProvider services, IBenchScope scope, ShelfCache shelves, TimeProvider clock)
{
    private const int SearchMs = 400;
    private const int MostMoved = 200;

    /// <summary>The bench.</summary>
    internal Task<Bench> BenchAsync(CancellationToken cancel) => BenchEndpoints.OpenBench(db, scope, cancel);

    /// <summary>Reads what is to be planned, from this minute on.</summary>
    internal async Task<Planner> OpenAsync(PlanRequest request, CancellationToken cancel)
    {
        await CheckAsync(request, cancel);
        var bench = await BenchAsync(cancel);
        var shelf = await shelves.OpenAsync(scope, services, cancel);
        // Whole minutes: an evening begins at half past seven, not twelve seconds later.
        var now = Instant.FromUnixTimeSeconds(clock.GetUtcNow().ToUnixTimeSeconds() / 60 * 60);
        return await Planner.OpenAsync(request, bench, shelf, db, now, cancel);
    }

    /// <summary>The held plan, as far as it is still to be done; else one made now.</summary>
    internal async Task<PlanView> CurrentAsync(PlanRequest request, CancellationToken cancel)
    {
        if (await HeldAsync(cancel) is { } held)
        {
            return await ViewAsync(held, cancel);
        }

        var planner = await OpenAsync(request, cancel);
        return new PlanWriter(planner).View(planner.AtOnce(SearchMs));
    }

    /// <summary>Refuses a request that names what is not there.</summary>
    internal async Task CheckAsync(PlanRequest request, CancellationToken cancel)
    {
        var checks = new Checks();
        if (request.MostCopies is { } most)
        {
            checks.Within("", "mostCopies", most, 1, 1000, " copies");
        }

        checks.Enforce();
        foreach (var id in request.SetIds ?? [])
        {
            if (!await db.Sets.AnyAsync(s => s.Id == id && s.DeletedAt == null, cancel))
            {
                throw RefusedException.NotFound("setIds", id);
            }
        }
    }

    /// <summary>The plan that is held; null where none is.</summary>
    internal Task<PlanRow?> HeldAsync(CancellationToken cancel) => db.Plans.SingleOrDefaultAsync(p => p.InForce, cancel);

    /// <summary>A row for a plan; not held yet.</summary>
    internal PlanRow Row(Planner planner, PlanRequest request, Core.Evenings.Solving.SolveState state)
    {
        var writer = new PlanWriter(planner);
        return new()
        {
            Id = Guid.CreateVersion7(),
            MadeAt = clock.GetUtcNow(),
            Request = MaterialSnapshot.Write(request),
            Lots = MaterialSnapshot.Write(writer.Keep(state.Best)),
            Summary = MaterialSnapshot.Write(writer.Summary(state)),
        };
    }

    /// <summary>Holds a plan made now.</summary>
    internal async Task<PlanView> HoldNewAsync(PlanRequest request, CancellationToken cancel)
    {
        var planner = await OpenAsync(request, cancel);
        var before = await HeldAsync(cancel) is { } held ? MaterialSnapshot.Read<List<KeptLot>>(held.Lots) : null;
        var state = planner.AtOnce(SearchMs, before);
        if (state.Best.Lots.Count == 0)
        {
            throw new RefusedException("request", "There is nothing to hold: no coat is open, or no evening is set.");
        }

        var row = Row(planner, request, state);
        db.Plans.Add(row);
        await HoldAsync(row, cancel);
        return await ViewAsync(row, cancel);
    }

    /// <summary>Holds a plan in the place of the one that is held.</summary>
    internal async Task HoldAsync(PlanRow row, CancellationToken cancel)
    {
        await using var both = await db.Database.BeginTransactionAsync(cancel);
        if (await HeldAsync(cancel) is { } before && before.Id != row.Id)
        {
            before.InForce = false;
            row.ReplacesId = before.Id;
            await db.SaveChangesAsync(cancel);
        }

        row.InForce = true;
        await db.SaveChangesAsync(cancel);
        await both.CommitAsync(cancel);
    }

    /// <summary>A kept plan as it stands now.</summary>
    internal async Task<PlanView> ViewAsync(PlanRow row, CancellationToken cancel)
    {
        var request = MaterialSnapshot.Read<PlanRequest>(row.Request);
        var alive = await db.Sets.Where(s => s.DeletedAt == null).Select(s => s.Id).ToListAsync(cancel);
        var planner = await OpenAsync(request with { SetIds = request.SetIds is null ? null : [.. request.SetIds.Intersect(alive)] }, cancel);
        var writer = new PlanWriter(planner);
        var lots = MaterialSnapshot.Read<List<KeptLot>>(row.Lots);
        var summary = MaterialSnapshot.Read<PlanSummary>(row.Summary);
        var view = writer.ViewKept(lots, summary);
        var now = clock.GetUtcNow();
        var planned = lots.SelectMany(l => l.Copies.Select(c => writer.Key(l, c))).ToHashSet();
        var open = planner.Task.Chains.SelectMany(c => c).SelectMany(l => l.Copies.Select(copy => planner.Work.Parts.Any(p => p.Part.Id == l.CoatId) ? OpenWork.FitKey(l.CoatId, copy) : new StepKey(l.ZoneId, l.CoatId, l.Pass, copy)));
        return view with
        {
            Kept = new(
                row.Id,
                row.MadeAt,
                request,
                lots.Where(l => l.CloseUtc <= now && writer.Knows(l)).Sum(l => l.Copies.Count(copy => writer.IsOpen(l, copy))),
                open.Count(key => !planned.Contains(key)),
                lots.Where(l => !writer.Knows(l)).Sum(l => l.Copies.Count),
                await CompareAsync(row, lots, summary, writer, cancel),
                PlanFacts.Of(lots, writer, planner.Work, now)),
        };
    }

    private async Task<PlanComparison?> CompareAsync(PlanRow row, List<KeptLot> lots, PlanSummary summary, PlanWriter writer, CancellationToken cancel)
    {
        if (row.ReplacesId is not { } id || await db.Plans.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) is not { } before)
        {
            return null;
        }

        // Steps that were done meanwhile have not moved.
        Dictionary<(Guid, Guid, int), (KeptLot Lot, DateOnly Day)> Days(IEnumerable<KeptLot> of) => of.Where(l => writer.Knows(l) && l.Copies.Any(copy => writer.IsOpen(l, copy)))
            .GroupBy(l => (l.ZoneId, l.CoatId, l.Pass)).ToDictionary(g => g.Key, g => (g.First(), g.Max(l => l.Day)));
        var (was, now) = (Days(MaterialSnapshot.Read<List<KeptLot>>(before.Lots)), Days(lots));
        var moved = was.Keys.Union(now.Keys)
            .Select(key => (Lot: now.TryGetValue(key, out var n) ? n.Lot : was[key].Lot, From: was.TryGetValue(key, out var w) ? w.Day : (DateOnly?)null, To: now.TryGetValue(key, out var t) ? t.Day : (DateOnly?)null))
            .Where(m => m.From != m.To).OrderBy(m => m.To ?? m.From).Take(MostMoved).Select(m => new MovedStep(writer.Label(m.Lot), m.From, m.To));
        return new(MaterialSnapshot.Read<PlanSummary>(before.Summary), summary, [.. moved]);
    }
}
