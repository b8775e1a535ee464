using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Work;

/// <summary>The open work of sets as a task that can be planned: chains of lots, what touches, what waits for what.</summary>
public sealed class WorkTask
{
    private readonly WorkWay way;
    private readonly IReadOnlyList<Session> sessions;
    private readonly List<IReadOnlyList<Lot>> chains = [];
    private readonly List<Guid> pieceOf = [];
    private readonly List<(int A, int B)> touching = [];
    private readonly List<(int Before, int After)> joins = [];
    private readonly List<string> waiting = [];

    // Chains by the zone or part that they are of and the copies, and copies of zones that can't be finished yet.
    private readonly Dictionary<(Guid Place, int Copy), List<int>> chainsAt = [];
    private readonly HashSet<(Guid Zone, int Copy)> held = [];

    /// <summary>Makes it.</summary>
    /// <param name="work">What there is to do.</param>
    /// <param name="sessions">Time at the table, in order.</param>
    /// <param name="way">How it is to be done.</param>
    public WorkTask(OpenWork work, IReadOnlyList<Session> sessions, WorkWay way)
    {
        (Work, this.sessions, this.way) = (work, sessions, way);
        Ready = new(work);
        foreach (var zone in work.Zones.Where(z => z.Zone.Fitting != Fitting.After || Ready.FittedOn(z).Count == 0))
        {
            // What a fitted part has shut is out of reach.
            var shut = zone.Zone.Fitting == Fitting.Before ? Ready.FittedOn(zone) : [];
            AddZone(zone, copy => shut.TrueForAll(p => !IsFitted(p, copy)));
        }

        AddParts();
        AddTouching();
        Plan = new(chains, sessions, touching, joins);
    }

    /// <summary>What there is to do.</summary>
    public OpenWork Work { get; }

    /// <summary>When steps may and must be begun.</summary>
    public ReadyTimes Ready { get; }

    /// <summary>It, as it is planned.</summary>
    public PlanTask Plan { get; }

    /// <summary>What can't be planned yet, and why.</summary>
    public IReadOnlyList<string> Waiting => waiting;

    /// <summary>The steps of it, copy by copy.</summary>
    public IEnumerable<CopyStep> Steps => chains.SelectMany(c => c).SelectMany(l => l.Copies.Select(copy => l.Id.On(copy)));

    // A chain for each lot of copies that have come equally far; gives the chains that were made.
    private List<int> AddZone(OpenZone zone, Func<int, bool> wanted)
    {
        var made = new List<int>();
        var copies = Enumerable.Range(1, zone.Zone.Piece.Copies).Where(wanted).GroupBy(copy => string.Join(",", Work.Left(zone, copy)));
        foreach (var group in copies.Where(g => g.Key.Length > 0))
        {
            var left = Work.Left(zone, group.First()).ToList();
            if (!way.CansFit && left.FindIndex(i => zone.Steps[i].Station == Station.Can) is var can and >= 0)
            {
                waiting.Add($"{zone.Zone.Piece.Name}, {zone.Zone.Name}: {zone.Steps[left[can]].Coat.Paint?.Name} waits until cans may be sprayed.");
                held.UnionWith(group.Select(copy => (zone.Zone.Id, copy)));
                left = [.. left.Take(can)];
            }

            if (left.Count == 0)
            {
                continue;
            }

            foreach (var part in group.Chunk(MostAtOnce(zone, left)))
            {
                made.Add(AddChain(zone.Zone.Piece.Id, [.. left.Select((i, place) => LotOf(zone, i, part, place == 0 ? Ready.NotBefore(zone, i, part) : 0))]));
            }
        }

        return made;
    }

    // As many as the painter wants in one go, and no more than are done in a sitting.
    private int MostAtOnce(OpenZone zone, List<int> left)
    {
        var most = way.MostCopies ?? int.MaxValue;
        return way.SittingMin is { } sitting ? Math.Min(most, Math.Max(1, (int)(sitting / left.Max(i => zone.Steps[i].MinutesPerCopy)))) : most;
    }

    private double Pause(double minutes) => minutes > way.SittingMin / 2 ? way.PauseMin : 0;

    private Deadline? By(Guid set) => way.ReadyBy.TryGetValue(set, out var by) ? new(set, by) : null;

    private int AddChain(Guid piece, IReadOnlyList<Lot> lots)
    {
        var chain = chains.Count;
        chains.Add([.. lots.Select(l => l with { Chain = chain })]);
        pieceOf.Add(piece);
        foreach (var copy in lots[0].Copies)
        {
            var key = (lots[0].Id.Place, copy);
            if (!chainsAt.TryGetValue(key, out var known))
            {
                chainsAt.Add(key, known = []);
            }

            known.Add(chain);
        }

        return chain;
    }

    // A part waits for what no brush reaches once it is on, and what runs over the join waits for its glue.
    private void AddParts()
    {
        var ready = Work.Parts.ToDictionary(p => p.Part.Id, CopiesReady);
        foreach (var part in Work.Parts)
        {
            var behind = Behind(part);
            foreach (var group in ready[part.Part.Id].GroupBy(copy => string.Join(",", behind.SelectMany(z => ChainsAt(z.Zone.Id, [copy])))))
            {
                foreach (var copies in group.Chunk(way.MostCopies ?? int.MaxValue))
                {
                    AddFit(part, copies, behind);
                }
            }
        }

        foreach (var zone in Work.Zones.Where(z => z.Zone.Fitting == Fitting.After && Ready.FittedOn(z).Count > 0))
        {
            foreach (var chain in AddZone(zone, copy => Ready.FittedOn(zone).TrueForAll(p => ready[p.Part.Id].Contains(copy) || IsFitted(p, copy))))
            {
                joins.AddRange(Ready.FittedOn(zone).SelectMany(p => ChainsAt(p.Id.Place, chains[chain][0].Copies)).Order().Select(fit => (fit, chain)));
            }
        }
    }

    private bool IsFitted(OpenPart part, int copy) => Work.Done.Knows(part.Id.On(copy));

    private List<OpenZone> Behind(OpenPart part) =>
    [
        .. Work.Zones.Where(z => z.Zone.Piece.Id == part.Part.Id && z.Zone.Fitting != Fitting.After),
        .. Work.Zones.Where(z => z.Zone.Piece.Id == part.Host.Id && z.Zone.Fitting == Fitting.Before),
    ];

    private IEnumerable<int> ChainsAt(Guid place, IEnumerable<int> copies) => copies.SelectMany(copy => chainsAt.GetValueOrDefault((place, copy), [])).Distinct().Order();

    // Copies that a part can be fitted on, once what is planned behind it is done; what stands in the way is said.
    private HashSet<int> CopiesReady(OpenPart part)
    {
        var name = $"{part.Host.Name}: {StepWords.Fit(part.Part.Name)}";
        if (part.Part.Copies != part.Host.Copies)
        {
            waiting.Add($"{name} waits: there are {part.Part.Copies} of {part.Part.Name} and {part.Host.Copies} of {part.Host.Name}; a part has one copy for each.");
            return [];
        }

        var behind = Behind(part);
        var copies = Enumerable.Range(1, part.Part.Copies).ToList();
        foreach (var shut in behind.Where(z => z.Zone.Fitting == Fitting.Before && copies.Exists(copy => IsFitted(part, copy) && Work.Left(z, copy).Any())))
        {
            waiting.Add($"{shut.Zone.Piece.Name}, {shut.Zone.Name} still has coats on a copy that {part.Part.Name} is fitted on: take it off again, or skip them.");
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
        var fit = AddChain(part.Host.Id, [new()
        {
            Id = part.Id,
            Chain = chains.Count,
            Copies = copies,
            MinutesPerCopy = part.Part.FitMin,
            Station = Station.Assembly,
            OwnSetUpMin = OwnSetUp(Station.Assembly),
            Colour = "",
            LagMin = part.Part.GlueMin,
            Deadline = By(part.Host.SetId),
            NotBefore = before.Select(z => Ready.Handled(z, copies)).DefaultIfEmpty(0).Max(),
        }]);
        foreach (var chain in before.SelectMany(z => ChainsAt(z.Zone.Id, copies)))
        {
            // What is handled has to be recoat-dry first.
            var zone = Work.Zone(chains[chain][0].Id.ZoneId)!;
            chains[chain] = [.. chains[chain].SkipLast(1), chains[chain][^1] with { LagMin = zone.Steps[^1].Times.RecoatMin }];
            joins.Add((chain, fit));
        }
    }

    private void AddTouching()
    {
        var pairs = from a in Enumerable.Range(0, chains.Count)
                    let zone = Work.Zone(chains[a][0].Id.ZoneId)
                    where zone is not null
                    from near in zone.Zone.Touches
                    from b in ChainsAt(near, chains[a][0].Copies)
                    where a != b && pieceOf[a] == pieceOf[b]
                    select (Math.Min(a, b), Math.Max(a, b));
        touching.AddRange(pairs.Distinct().Order());
    }

    private double? OwnSetUp(Station station) => way.Learn ? Work.Learned.SetUpMin(station) : null;

    private Lot LotOf(OpenZone zone, int place, IReadOnlyList<int> copies, double notBefore)
    {
        var step = zone.Steps[place];
        var due = Ready.DueBy(zone, place, copies);

        // What has set before any evening comes can be cleaned all the same; it takes longer.
        var late = step.IsCleanUp && due is { } by && !sessions.Any(s => s.Open <= by && s.Close >= notBefore);
        return new()
        {
            Id = zone.Id(place),
            Chain = chains.Count,
            Copies = copies,
            MinutesPerCopy = step.MinutesPerCopy * (late ? CleanUpWindow.Late(zone.Stack.Zone.Relief) : 1),
            Station = step.Station,
            OwnSetUpMin = OwnSetUp(step.Station),
            Colour = step.Coat.Paint?.Name ?? "",
            LagMin = step.LagMin,
            MostLagMin = step.MostLagMin,
            TouchMin = step.Times.TouchMin,
            NotBefore = notBefore,
            DueBy = late ? null : due,
            Deadline = By(zone.Zone.Piece.SetId),
            PauseMin = Pause(step.MinutesPerCopy * copies.Count),
            WantsNight = !step.IsBeside && step.Coat.How.WantsNight,
            Messy = !step.IsBeside && step.Coat.How.Messy,
        };
    }
}
