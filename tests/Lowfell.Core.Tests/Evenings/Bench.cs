using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Tests.Evenings;

/// <summary>A small bench with a log made by hand.</summary>
internal sealed class Bench
{
    public static readonly Guid SetId = new(9, 0, 0, 0, 0, 0, 0, 0, 0, 0, 9);

    private readonly List<WorkZone> zones = [];
    private readonly List<LogFact> log = [];

    /// <summary>Two hours every evening, from the first minute on.</summary>
    public IReadOnlyList<Session> Evenings { get; set; } = [.. Enumerable.Range(0, 14).Select(i => new Session(i * 1440, (i * 1440) + 120))];

    public WorkWay Way { get; set; } = new();

    /// <summary>What the painter said of following learned figures.</summary>
    public Dictionary<string, bool> Answers { get; } = [];

    public static WorkPiece Piece(string name, int copies = 2, Guid? partOf = null) => new(Guid.NewGuid(), SetId, name, copies, partOf);

    public WorkZone Zone(WorkPiece piece, string name, params Coat[] coats) => Zone(piece, name, Fitting.Free, [], coats);

    public WorkZone Zone(WorkPiece piece, string name, Fitting fitting, Guid[] touches, params Coat[] coats)
    {
        var zone = new WorkZone(Guid.NewGuid(), piece, name, Build.Stack(Build.Zone() with { AreaMm2 = 4000, Copies = piece.Copies }, coats), touches, fitting);
        zones.Add(zone);
        return zone;
    }

    /// <summary>Takes a mend up on some copies of a zone; empty for one that comes before all of its stack.</summary>
    public Bench Mends(WorkZone zone, Guid after, int[] copies, params RepairStep[] steps)
    {
        var at = zones.FindIndex(z => z.Id == zone.Id);
        zones[at] = zones[at] with { Repairs = [.. zones[at].Repairs, new(after, copies, steps)] };
        return this;
    }

    public Bench Wrote(LogKind kind, StepId step, int copy, double atMin, double? minutes = null, double? setUp = null, Guid press = default, StepThen? then = null)
    {
        log.Add(new(step.On(copy), kind, atMin, minutes, setUp, press, then));
        return this;
    }

    public Bench Done(WorkZone zone, int coat, int copy, double atMin, double? minutes = null, int pass = 1) => Wrote(LogKind.Done, Id(zone, coat, pass), copy, atMin, minutes);

    public static StepId Id(WorkZone zone, int coat, int pass = 1) => StepId.Coat(zone.Id, zone.Stack.Coats[coat].Id, pass);

    public OpenWork Work(params Guid[] sets) => OpenWork.Of([.. zones.Where(z => sets.Length == 0 || sets.Contains(z.Piece.SetId))], log, Way, log, Answers);

    public WorkTask Task() => new(Work(), Evenings, Way);

    public static Coat[] Wall => [Build.Coat(Technique.SprayCan, Build.Of(Core.Materials.Family.PrimerAerosol)), Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2), Build.Coat(Technique.DryBrush, Build.SaltWhite)];
}
