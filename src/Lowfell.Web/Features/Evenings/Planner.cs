using System.Diagnostics;
using Lowfell.Core.Evenings;
using Lowfell.Core.Mixes;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A zone with what is still to be done on it.</summary>
internal sealed record OpenZone(ZoneRow Zone, StackDraft Stack, Prediction Prediction, IReadOnlyList<Step> Steps);

/// <summary>Puts the open work of sets into a plan of the evenings, and the plan into words.</summary>
internal sealed class Planner
{
    private readonly Instant origin;
    private readonly CalendarView calendar;
    private readonly List<OpenZone> zones;
    private readonly Dictionary<(Guid Zone, Guid Coat, int Pass, int Copy), DateTimeOffset> done;

    private readonly Dictionary<Technique, Correction> learned;

    private Planner(Instant origin, CalendarView calendar, List<OpenZone> zones, Dictionary<(Guid Zone, Guid Coat, int Pass, int Copy), DateTimeOffset> done, Dictionary<Technique, Correction> learned) =>
        (this.origin, this.calendar, this.zones, this.done, this.learned) = (origin, calendar, zones, done, learned);

    /// <summary>Reads what is to be planned.</summary>
    public static async Task<Planner> OpenAsync(PlanRequest request, Bench bench, OpenShelf shelf, LowfellDb db, Instant now, CancellationToken cancel)
    {
        var calendar = CalendarEndpoints.Of(bench);
        if (request.OneMore is { } more)
        {
            calendar = calendar with { Weekly = [.. calendar.Weekly, more] };
        }

        var rows = await db.Zones.AsNoTracking().Include(z => z.Piece).Include(z => z.Scheme!.Coats).AsSplitQuery()
            .Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && db.Sets.Any(s => s.Id == z.Piece.SetId && s.DeletedAt == null))
            .OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var schools = Benches.SchoolsView.Of(bench);
        var climate = calendar.Room.ToCore();
        var zones = rows.Select(z =>
        {
            var stack = StackReader.Read(ZoneEndpoints.Draft(z), [.. z.Scheme!.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], schools, shelf);
            stack = stack with { Coats = [.. stack.Coats.Select(c => Varied(c, request))] };
            return new OpenZone(z, stack, Predictor.Predict(stack), Steps.Of(stack, climate));
        }).ToList();
        var ids = rows.Select(r => r.Id).ToList();
        var log = await db.Log.AsNoTracking().Where(l => ids.Contains(l.ZoneId) && l.CoatId != null && (l.Kind == LogKind.Done || l.Kind == LogKind.TakenBack)).OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        var done = new Dictionary<(Guid, Guid, int, int), DateTimeOffset>();
        foreach (var entry in log)
        {
            var key = (entry.ZoneId, entry.CoatId!.Value, entry.Pass, entry.Copy);
            if (entry.Kind == LogKind.Done)
            {
                done[key] = entry.At;
            }
            else
            {
                done.Remove(key);
            }
        }

        // Real minutes over planned, whichever set they were taken on: a painter has one pair of hands.
        var planned = zones.SelectMany(z => z.Steps.Select(s => (Key: (z.Zone.Id, s.Coat.Id, s.Pass), Step: s))).ToDictionary(s => s.Key, s => s.Step);
        var learned = log.Where(l => l.Kind == LogKind.Done && l.Minutes > 0 && planned.ContainsKey((l.ZoneId, l.CoatId!.Value, l.Pass)))
            .Select(l => (Step: planned[(l.ZoneId, l.CoatId!.Value, l.Pass)], l.Minutes))
            .GroupBy(l => l.Step.Coat.Technique, l => l.Minutes!.Value / l.Step.MinutesPerCopy)
            .Select(g => (g.Key, Correction: Correction.Of(g))).Where(g => g.Correction is not null).ToDictionary(g => g.Key, g => g.Correction!);
        zones = [.. zones.Where(z => request.SetIds == null || request.SetIds.Contains(z.Zone.Piece!.SetId)).Select(z => !request.Learn ? z : z with
        {
            Steps = [.. z.Steps.Select(s => learned.TryGetValue(s.Coat.Technique, out var c) ? s with { MinutesPerCopy = s.MinutesPerCopy * c.Factor } : s)],
        })];
        return new(now, calendar, zones, done, learned);
    }

    /// <summary>Plans it.</summary>
    /// <param name="request">What is wanted.</param>
    /// <param name="searchMs">Milliseconds to look for a better plan than the first.</param>
    public PlanView Plan(PlanRequest request, int searchMs)
    {
        var sessions = calendar.Sessions(origin);
        var waiting = new List<string>();
        var (chains, touching) = Chains(request, waiting);
        var task = new PlanTask(chains, [.. sessions.Select(s => s.Session)], touching);
        var clock = Stopwatch.StartNew();
        var plan = ListScheduler.Improve(task, _ => clock.ElapsedMilliseconds < searchMs, seed: 1);
        if (PlanCheck.Faults(task, plan) is { Count: > 0 } faults)
        {
            throw new InvalidOperationException("A plan broke its own rules: " + string.Join("; ", faults));
        }

        var bound = ListScheduler.EarliestFinish(task);
        DateOnly? Day(int session) => session >= 0 && session < sessions.Count ? sessions[session].Day.ToDateOnly() : null;
        var evenings = plan.Lots.GroupBy(l => l.Session).OrderBy(g => g.Key).Select(g => new PlannedEvening(
            sessions[g.Key].Day.ToDateOnly(), At(sessions[g.Key].Session.Open), At(sessions[g.Key].Session.Close), [.. g.OrderBy(l => l.Start).Select(View)])).ToList();
        return new(
            new(
                plan.Problem is null ? Day(plan.LastSession) : null,
                Day(bound),
                evenings.Count,
                Math.Round(plan.WorkMin),
                plan.SetUps,
                Math.Round(plan.IdleMin),
                Math.Round(evenings.SelectMany(e => e.Steps).Sum(s => s.Mix?.TotalMl ?? 0), 1)),
            task.PieceSteps,
            sessions.Count == 0 && task.PieceSteps > 0 ? "There is no evening yet. Say when you paint." : plan.Problem is { } problem ? Words(problem) : null,
            waiting,
            evenings,
            calendar.TimeZone,
            [.. learned.OrderByDescending(l => l.Value.Readings).Select(l => new LearnedMinutes(l.Key, Math.Round(l.Value.Factor, 2), l.Value.Readings, Math.Round(l.Value.Low, 2), Math.Round(l.Value.High, 2)))],
            Cautions.Defer);
    }

    private static Coat Varied(Coat coat, PlanRequest request)
    {
        var skipped = coat.Skipped || (request.WithoutOptional && coat.Optional);
        var hurried = coat.Hurried || (request.WarmAir && coat.Paint?.Lead.Drying.WarmAirFactor is not null);
        return coat with { Skipped = skipped, Hurried = hurried };
    }

    // A chain for each zone and each lot of copies that have come equally far.
    private (List<IReadOnlyList<Lot>> Chains, List<(int A, int B)> Touching) Chains(PlanRequest request, List<string> waiting)
    {
        var chains = new List<IReadOnlyList<Lot>>();
        var zoneOf = new List<OpenZone>();
        foreach (var zone in zones)
        {
            var copies = Enumerable.Range(1, zone.Zone.Piece!.Copies).GroupBy(copy => string.Join(",", Left(zone, copy)));
            foreach (var group in copies.Where(g => g.Key.Length > 0))
            {
                var left = Left(zone, group.First()).ToList();
                if (!calendar.Room.CansFit && left.FindIndex(i => zone.Steps[i].Station == Station.Can) is var can and >= 0)
                {
                    waiting.Add($"{zone.Zone.Piece.Name}, {zone.Zone.Name}: {zone.Steps[left[can]].Coat.Paint?.Name} waits until cans may be sprayed.");
                    left = [.. left.Take(can)];
                }

                if (left.Count == 0)
                {
                    continue;
                }

                foreach (var part in group.Chunk(request.MostCopies ?? int.MaxValue))
                {
                    chains.Add([.. left.Select((i, place) => LotOf(zone, i, chains.Count, part, place == 0 ? NotBefore(zone, i, part) : 0))]);
                    zoneOf.Add(zone);
                }
            }
        }

        var touching = new List<(int, int)>();
        for (var a = 0; a < chains.Count; a++)
        {
            for (var b = a + 1; b < chains.Count; b++)
            {
                if (zoneOf[a].Zone.PieceId == zoneOf[b].Zone.PieceId && zoneOf[a].Zone.Neighbours.Contains(zoneOf[b].Zone.Id) && chains[a][0].Copies.Intersect(chains[b][0].Copies).Any())
                {
                    touching.Add((a, b));
                }
            }
        }

        return (chains, touching);
    }

    private IEnumerable<int> Left(OpenZone zone, int copy) =>
        Enumerable.Range(0, zone.Steps.Count).Where(i => !done.ContainsKey((zone.Zone.Id, zone.Steps[i].Coat.Id, zone.Steps[i].Pass, copy)));

    private double NotBefore(OpenZone zone, int step, IReadOnlyList<int> copies)
    {
        if (step == 0)
        {
            return 0;
        }

        var before = zone.Steps[step - 1];
        var last = copies.Select(c => done.TryGetValue((zone.Zone.Id, before.Coat.Id, before.Pass, c), out var at) ? (Instant.FromDateTimeOffset(at) - origin).TotalMinutes + before.LagMin : 0).Max();
        return Math.Max(0, last);
    }

    private static Lot LotOf(OpenZone zone, int index, int chain, IReadOnlyList<int> copies, double notBefore)
    {
        var step = zone.Steps[index];
        return new()
        {
            CoatId = step.Coat.Id,
            Pass = step.Pass,
            ZoneId = zone.Zone.Id,
            Chain = chain,
            Copies = copies,
            MinutesPerCopy = step.MinutesPerCopy,
            Station = step.Station,
            Colour = step.Coat.Paint?.Name ?? "",
            LagMin = step.LagMin,
            MostLagMin = step.MostLagMin,
            TouchMin = step.Times.TouchMin,
            NotBefore = notBefore,
        };
    }

    private PlannedStep View(PlannedLot planned)
    {
        var zone = zones.First(z => z.Zone.Id == planned.Lot.ZoneId);
        var step = zone.Steps.First(s => s.Coat.Id == planned.Lot.CoatId && s.Pass == planned.Lot.Pass);
        var index = zone.Stack.IndexOf(step.Coat.Id);
        var (coat, end) = (step.Coat, planned.End);
        string[] Look(Stratum s) => [s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString()];
        return new(
            zone.Zone.Id,
            coat.Id,
            step.Pass,
            coat.Passes,
            zone.Zone.Piece!.Name,
            zone.Zone.Name,
            coat.Technique,
            coat.Paint?.Name,
            (coat.MixedTo ?? coat.Paint?.Lead.Colour)?.ToString(),
            planned.Lot.Copies,
            step.Station,
            At(planned.Start),
            At(end),
            planned.SetUpMin,
            At(end + step.Times.RecoatMin),
            At(end + step.LagMin),
            step.MostLagMin is { } most ? At(planned.Start + step.MinutesPerCopy + most) : null,
            Look(zone.Prediction.Below(index)),
            Look(zone.Prediction.Strata[index]),
            StackWriter.Mix(CoatMix.For(coat with { Passes = 1 }, zone.Stack.Zone with { Copies = planned.Lot.Copies.Count })),
            [.. Cautions.For(coat).Select(c => c.Text)]);
    }

    private DateTimeOffset At(double minutes) => (origin + Duration.FromMinutes(Math.Round(minutes, 2))).ToDateTimeOffset();

    private string Words(PlanProblem problem)
    {
        var zone = zones.First(z => z.Zone.Id == problem.Lot.ZoneId);
        var what = $"{zone.Zone.Piece!.Name}, {zone.Zone.Name}: {problem.Lot.Colour}";
        return problem.Kind switch
        {
            PlanProblemKind.LongerThanAnySession => $"{what} takes {problem.Lot.MinutesPerCopy:0} minutes for one copy, longer than any evening. Make an evening longer, or split the zone.",
            PlanProblemKind.WindowDoesNotFit => $"{what} must be followed within {problem.Lot.MostLagMin:0} minutes, and both don't fit into one evening. Make an evening longer.",
            _ => $"{what} does not fit into the next {CalendarView.Weeks} weeks. Add evenings, or plan fewer sets.",
        };
    }
}
