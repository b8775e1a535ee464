using System.Diagnostics;
using Lowfell.Core.Evenings;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Store;
using Lowfell.Web.Features.Shelf;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A session with the local day that it is on.</summary>
internal readonly record struct Evening(Session Session, LocalDate Day);

/// <summary>Puts the open work of sets into a plan of the evenings.</summary>
internal sealed class Planner
{
    private readonly PlanRequest request;
    private readonly List<IReadOnlyList<Lot>> chains = [];
    private readonly List<Guid> pieceOf = [];
    private readonly List<(int A, int B)> touching = [];
    private readonly List<(int Before, int After)> joins = [];
    private readonly List<string> waiting = [];

    // Chains of a zone, and copies of it that can't be finished yet.
    private readonly Dictionary<Guid, List<int>> chainsOf = [];
    private readonly HashSet<(Guid Zone, int Copy)> held = [];

    private Planner(PlanRequest request, Instant origin, CalendarView calendar, OpenWork work)
    {
        (this.request, Origin, Calendar, Work) = (request, origin, calendar, work);
        Evenings = [.. calendar.Sessions(origin).Select(s => new Evening(s.Session, s.Day))];
        foreach (var zone in work.Zones.Where(z => z.Zone.Fitting != Core.Pieces.Fitting.After || FittedOn(z).Count == 0))
        {
            // What a fitted part has shut is out of reach.
            var shut = zone.Zone.Fitting == Core.Pieces.Fitting.Before ? FittedOn(zone) : [];
            AddZone(zone, copy => shut.TrueForAll(p => !IsFitted(p, copy)));
        }

        AddParts();
        AddTouching();
        Task = new(chains, [.. Evenings.Select(e => e.Session)], touching, joins);
    }

    /// <summary>The moment that minutes are counted from.</summary>
    public Instant Origin { get; }

    /// <summary>The evenings there are, and the room.</summary>
    public CalendarView Calendar { get; }

    /// <summary>What there is to do.</summary>
    public OpenWork Work { get; }

    /// <summary>Sessions ahead.</summary>
    public IReadOnlyList<Evening> Evenings { get; }

    /// <summary>It, as Core plans it.</summary>
    public PlanTask Task { get; }

    /// <summary>What can't be planned yet, and why.</summary>
    public IReadOnlyList<string> Waiting => waiting;

    /// <summary>Reads what is to be planned.</summary>
    public static async Task<Planner> OpenAsync(PlanRequest request, Bench bench, OpenShelf shelf, LowfellDb db, Instant now, CancellationToken cancel)
    {
        var calendar = CalendarEndpoints.Of(bench);
        if (request.OneMore is { } more)
        {
            calendar = calendar with { Weekly = [.. calendar.Weekly, more] };
        }

        return new(request, now, calendar, await OpenWork.ReadAsync(request, bench, shelf, db, cancel));
    }

    /// <summary>A plan at once, looked at again for some milliseconds.</summary>
    /// <param name="searchMs">Milliseconds of looking.</param>
    /// <param name="before">A plan whose order is followed as far as it is as good.</param>
    public SolveState AtOnce(int searchMs, IReadOnlyList<KeptLot>? before = null)
    {
        var clock = Stopwatch.StartNew();
        var wish = before?.GroupBy(l => (l.ZoneId, l.CoatId, l.Pass)).ToDictionary(g => g.Key, g => Minutes(g.Min(l => l.StartUtc)));
        var plan = ListScheduler.Improve(Task, _ => clock.ElapsedMilliseconds < searchMs, seed: 1, wish);
        if (before is not null && Standing(before) is { } standing && (plan.Problem is not null || Order(standing).CompareTo(Order(plan)) <= 0))
        {
            plan = standing;
        }

        Check(plan);
        return new(SolveStage.Ended, plan, new(ListScheduler.EarliestFinish(Task)));
    }

    // What makes one whole plan better than another, however its lots are parted.
    private static (int, int, int, double) Order(Plan plan) => (plan.LastSession, plan.SessionsUsed, plan.SetUps, Math.Round(plan.IdleMin, 1));

    // An earlier plan as it stands, where nothing of it has slipped and nothing has come to it.
    private Plan? Standing(IReadOnlyList<KeptLot> before)
    {
        const double Soon = 1e-3;
        var known = Task.Chains.SelectMany(c => c).ToLookup(l => (l.ZoneId, l.CoatId, l.Pass));
        var planned = new List<PlannedLot>();
        foreach (var kept in before.OrderBy(l => l.StartUtc))
        {
            foreach (var lot in known[(kept.ZoneId, kept.CoatId, kept.Pass)].Select(l => l with { Copies = [.. kept.Copies.Intersect(l.Copies)] }).Where(l => l.Copies.Count > 0))
            {
                var start = Minutes(kept.StartUtc);
                var session = Evenings.Index().FirstOrDefault(e => start >= e.Item.Session.Open - Soon && start + lot.Minutes <= e.Item.Session.Close + Soon, (-1, default)).Item1;
                var last = planned.Count > 0 && planned[^1].Session == session ? planned[^1].Lot : null;
                planned.Add(new(lot, session, start, lot.SetUpAfter(last)));
            }
        }

        var plan = new Plan(planned, null);
        return planned.TrueForAll(l => l.Session >= 0) && PlanCheck.Faults(Task, plan).Count == 0 ? plan : null;
    }

    /// <summary>The best plan that can be found in the time.</summary>
    public SolveState Solve(double seconds, Action<SolveState> tell, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        var state = PlanSolver.Solve(Task, new(seconds), () => clock.Elapsed, tell, cancel);
        Check(state.Best);
        return state;
    }

    private void Check(Plan plan)
    {
        if (PlanCheck.Faults(Task, plan) is { Count: > 0 } faults)
        {
            throw new InvalidOperationException("A plan broke its own rules: " + string.Join("; ", faults));
        }
    }

    private List<OpenPart> FittedOn(OpenZone zone) => [.. Work.Parts.Where(p => p.Host.Id == zone.Zone.PieceId || p.Part.Id == zone.Zone.PieceId)];

    // A chain for each lot of copies that have come equally far; gives the chains that were made.
    private List<int> AddZone(OpenZone zone, Func<int, bool> wanted)
    {
        var made = new List<int>();
        var copies = Enumerable.Range(1, zone.Zone.Piece!.Copies).Where(wanted).GroupBy(copy => string.Join(",", Left(zone, copy)));
        foreach (var group in copies.Where(g => g.Key.Length > 0))
        {
            var left = Left(zone, group.First()).ToList();
            if (!Calendar.Room.CansFit && left.FindIndex(i => zone.Steps[i].Station == Station.Can) is var can and >= 0)
            {
                waiting.Add($"{zone.Zone.Piece.Name}, {zone.Zone.Name}: {zone.Steps[left[can]].Coat.Paint?.Name} waits until cans may be sprayed.");
                held.UnionWith(group.Select(copy => (zone.Zone.Id, copy)));
                left = [.. left.Take(can)];
            }

            if (left.Count == 0)
            {
                continue;
            }

            foreach (var part in group.Chunk(request.MostCopies ?? int.MaxValue))
            {
                made.Add(AddChain(zone.Zone.PieceId, [.. left.Select((i, place) => LotOf(zone, i, part, place == 0 ? NotBefore(zone, i, part) : 0))]));
            }
        }

        chainsOf[zone.Zone.Id] = [.. chainsOf.GetValueOrDefault(zone.Zone.Id, []), .. made];
        return made;
    }

    private int AddChain(Guid piece, IReadOnlyList<Lot> lots)
    {
        chains.Add([.. lots.Select(l => l with { Chain = chains.Count })]);
        pieceOf.Add(piece);
        return chains.Count - 1;
    }

    // A part waits for what no brush reaches once it is on, and what runs over the join waits for its glue.
    private void AddParts()
    {
        var ready = Work.Parts.ToDictionary(p => p.Part.Id, Ready);
        foreach (var part in Work.Parts)
        {
            var behind = Behind(part);
            foreach (var group in ready[part.Part.Id].GroupBy(copy => string.Join(",", ChainsOf(behind).Where(c => chains[c][0].Copies.Contains(copy)))))
            {
                foreach (var copies in group.Chunk(request.MostCopies ?? int.MaxValue))
                {
                    AddFit(part, copies, behind);
                }
            }
        }

        foreach (var zone in Work.Zones.Where(z => z.Zone.Fitting == Core.Pieces.Fitting.After && FittedOn(z).Count > 0))
        {
            foreach (var chain in AddZone(zone, copy => FittedOn(zone).TrueForAll(p => ready[p.Part.Id].Contains(copy) || IsFitted(p, copy))))
            {
                joins.AddRange(from fit in Enumerable.Range(0, chains.Count)
                               where FittedOn(zone).Exists(p => p.Part.Id == chains[fit][0].CoatId) && chains[fit][0].Copies.Intersect(chains[chain][0].Copies).Any()
                               select (fit, chain));
            }
        }
    }

    private bool IsFitted(OpenPart part, int copy) => Work.Done.ContainsKey(OpenWork.FitKey(part.Part.Id, copy));

    private List<OpenZone> Behind(OpenPart part) =>
    [
        .. Work.Zones.Where(z => z.Zone.PieceId == part.Part.Id && z.Zone.Fitting != Core.Pieces.Fitting.After),
        .. Work.Zones.Where(z => z.Zone.PieceId == part.Host.Id && z.Zone.Fitting == Core.Pieces.Fitting.Before),
    ];

    private IEnumerable<int> ChainsOf(IEnumerable<OpenZone> of) => of.SelectMany(z => chainsOf.GetValueOrDefault(z.Zone.Id, []));

    // Copies that a part can be fitted on, once what is planned behind it is done; what stands in the way is said.
    private HashSet<int> Ready(OpenPart part)
    {
        var name = $"{part.Host.Name}: {Labels.Fit(part.Part.Name)}";
        if (part.Part.Copies != part.Host.Copies)
        {
            waiting.Add($"{name} waits: there are {part.Part.Copies} of {part.Part.Name} and {part.Host.Copies} of {part.Host.Name}; a part has one copy for each.");
            return [];
        }

        var behind = Behind(part);
        var copies = Enumerable.Range(1, part.Part.Copies).ToList();
        foreach (var shut in behind.Where(z => z.Zone.Fitting == Core.Pieces.Fitting.Before && copies.Exists(copy => IsFitted(part, copy) && Left(z, copy).Any())))
        {
            waiting.Add($"{shut.Zone.Piece!.Name}, {shut.Zone.Name} still has coats on a copy that {part.Part.Name} is fitted on: take it off again, or skip them.");
        }

        // What waits for cans behind the part holds the part and all that goes over it.
        var open = copies.FindAll(copy => !IsFitted(part, copy));
        var ready = open.Where(copy => !behind.Exists(z => held.Contains((z.Zone.Id, copy)))).ToHashSet();
        if (ready.Count < open.Count)
        {
            waiting.Add($"{name} waits for what lies behind it.");
        }

        return ready;
    }

    private void AddFit(OpenPart part, IReadOnlyList<int> copies, List<OpenZone> before)
    {
        var last = before.Where(z => z.Steps.Count > 0).SelectMany(z => copies.Select(copy => EndOf(z, z.Steps.Count, copy, z.Steps[^1].Times.RecoatMin))).DefaultIfEmpty(0).Max();
        var fit = AddChain(part.Host.Id, [new()
        {
            CoatId = part.Part.Id,
            ZoneId = part.Part.Id,
            Chain = chains.Count,
            Copies = copies,
            MinutesPerCopy = part.Part.FitMin,
            Station = Station.Assembly,
            OwnSetUpMin = request.Learn ? Work.Learned.SetUpMin(Station.Assembly) : null,
            Colour = "",
            LagMin = part.Part.GlueMin,
            NotBefore = Math.Max(0, last),
        }]);
        foreach (var chain in ChainsOf(before).Where(c => chains[c][0].Copies.Intersect(copies).Any()))
        {
            // What is handled has to be recoat-dry first.
            var zone = Work.Zones.First(z => z.Zone.Id == chains[chain][0].ZoneId);
            chains[chain] = [.. chains[chain].SkipLast(1), chains[chain][^1] with { LagMin = zone.Steps[^1].Times.RecoatMin }];
            joins.Add((chain, fit));
        }
    }

    private void AddTouching()
    {
        var zoneOf = Work.Zones.ToDictionary(z => z.Zone.Id, z => z.Zone);
        for (var a = 0; a < chains.Count; a++)
        {
            for (var b = a + 1; b < chains.Count; b++)
            {
                if (pieceOf[a] == pieceOf[b]
                    && zoneOf.TryGetValue(chains[a][0].ZoneId, out var zone)
                    && zone.Neighbours.Contains(chains[b][0].ZoneId)
                    && chains[a][0].Copies.Intersect(chains[b][0].Copies).Any())
                {
                    touching.Add((a, b));
                }
            }
        }
    }

    private IEnumerable<int> Left(OpenZone zone, int copy) =>
        Enumerable.Range(0, zone.Steps.Count).Where(i => !Work.Done.ContainsKey(new(zone.Zone.Id, zone.Steps[i].Coat.Id, zone.Steps[i].Pass, copy)));

    private double NotBefore(OpenZone zone, int step, IReadOnlyList<int> copies)
    {
        var glue = zone.Zone.Fitting != Core.Pieces.Fitting.After ? 0 : FittedOn(zone).SelectMany(p => copies.Select(copy =>
            Work.Done.TryGetValue(OpenWork.FitKey(p.Part.Id, copy), out var fitted) ? Minutes(fitted.At) + p.Part.GlueMin : 0)).DefaultIfEmpty(0).Max();
        return Math.Max(glue, copies.Max(copy => step == 0 ? 0 : EndOf(zone, step, copy, zone.Steps[step - 1].LagMin)));
    }

    // When the last step that was really done before a place is dry, minutes from the origin; 0 for long ago.
    private double EndOf(OpenZone zone, int place, int copy, double lagMin)
    {
        for (var i = place - 1; i >= 0; i--)
        {
            if (Work.Done.TryGetValue(new(zone.Zone.Id, zone.Steps[i].Coat.Id, zone.Steps[i].Pass, copy), out var done) && !done.Skipped)
            {
                return Math.Max(0, Minutes(done.At) + (i == place - 1 ? lagMin : zone.Steps[i].Times.RecoatMin));
            }
        }

        return 0;
    }

    private double Minutes(DateTimeOffset at) => (Instant.FromDateTimeOffset(at) - Origin).TotalMinutes;

    private Lot LotOf(OpenZone zone, int index, IReadOnlyList<int> copies, double notBefore)
    {
        var step = zone.Steps[index];
        return new()
        {
            CoatId = step.Coat.Id,
            Pass = step.Pass,
            ZoneId = zone.Zone.Id,
            Chain = chains.Count,
            Copies = copies,
            MinutesPerCopy = step.MinutesPerCopy,
            Station = step.Station,
            OwnSetUpMin = request.Learn ? Work.Learned.SetUpMin(step.Station) : null,
            Colour = step.Coat.Paint?.Name ?? "",
            LagMin = step.LagMin,
            MostLagMin = step.MostLagMin,
            TouchMin = step.Times.TouchMin,
            NotBefore = notBefore,
        };
    }
}
