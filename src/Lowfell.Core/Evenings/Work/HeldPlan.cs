using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Work;

/// <summary>A lot of a plan that was kept, in minutes from the origin of today.</summary>
/// <param name="Id">The step.</param>
/// <param name="Copies">Copies in their order.</param>
/// <param name="StartMin">Hands-on work begins.</param>
/// <param name="MinutesPerCopy">Minutes a copy.</param>
/// <param name="SetUpMin">Setting up before it.</param>
/// <param name="OpenMin">Its evening begins.</param>
/// <param name="CloseMin">Its evening ends.</param>
/// <param name="Day">The day of its evening.</param>
public sealed record HeldLot(StepId Id, IReadOnlyList<int> Copies, double StartMin, double MinutesPerCopy, double SetUpMin, double OpenMin, double CloseMin, DateOnly Day);

/// <summary>A step that another plan has on another day.</summary>
/// <param name="Id">The step.</param>
/// <param name="From">Its day before; null where it was not planned.</param>
/// <param name="To">Its day now; null where it is not planned any more.</param>
public sealed record MovedLot(StepId Id, DateOnly? From, DateOnly? To);

/// <summary>An evening that is over: what was planned, and what was done.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Planned">Steps planned, copy by copy.</param>
/// <param name="Done">Of these done by its end.</param>
/// <param name="Later">Done afterwards.</param>
/// <param name="Extra">Done that evening without being planned for it.</param>
/// <param name="PlannedMin">Hands-on minutes planned.</param>
/// <param name="RealMin">Hands-on minutes taken, where they were measured.</param>
/// <param name="MeasuredPlanMin">Minutes that were planned for what was measured.</param>
public sealed record EveningDone(DateOnly Day, int Planned, int Done, int Later, int Extra, double PlannedMin, double? RealMin, double? MeasuredPlanMin);

/// <summary>A plan that was kept, against what is to be done now.</summary>
/// <param name="lots">Its lots.</param>
/// <param name="task">What there is to do now.</param>
public sealed class HeldPlan(IReadOnlyList<HeldLot> lots, WorkTask task)
{
    // Work that begins early or runs late still belongs to its evening.
    private const double EarlyMin = 3 * 60;
    private const double LateMin = 6 * 60;
    private const int MostEvenings = 12;

    // Two moments that were rounded to whole ticks are the same.
    private const double SameMoment = 1e-3;

    private readonly OpenWork work = task.Work;

    /// <summary>What is left of it: steps that are done, or are no longer in their stacks, are off.</summary>
    public IReadOnlyList<HeldLot> Left { get; } =
        [.. lots.Select(l => l with { Copies = [.. l.Copies.Where(copy => task.Work.IsOpen(l.Id.On(copy)))] }).Where(l => l.Copies.Count > 0 && task.Work.Knows(l.Id))];

    /// <summary>Steps, copy by copy, whose evening is over and that are not done.</summary>
    /// <param name="nowMin">Now.</param>
    public int Slipped(double nowMin) => lots.Where(l => l.CloseMin <= nowMin && work.Knows(l.Id)).Sum(l => l.Copies.Count(copy => work.IsOpen(l.Id.On(copy))));

    /// <summary>Open steps, copy by copy, that it does not have.</summary>
    public int Missing()
    {
        var planned = lots.SelectMany(l => l.Copies.Select(copy => l.Id.On(copy))).ToHashSet();
        return task.Steps.Count(step => !planned.Contains(step));
    }

    /// <summary>Steps, copy by copy, that it has and that are no longer in their stacks.</summary>
    public int Gone() => lots.Where(l => !work.Knows(l.Id)).Sum(l => l.Copies.Count);

    /// <summary>The evenings that are used by what is left, in order.</summary>
    public IReadOnlyList<Evening> Evenings() => [.. Left.Select(EveningOf).Distinct().OrderBy(e => e.Session.Open)];

    /// <summary>What is left of it as a plan of those evenings.</summary>
    public Plan AsPlan()
    {
        var evenings = Evenings().ToList();
        return new([.. Left.Select(l => new PlannedLot(LotOf(l), evenings.IndexOf(EveningOf(l)), l.StartMin, l.SetUpMin))], null);
    }

    /// <summary>It as it stands, as a plan of the task; null where something of it has slipped, or something has come to it.</summary>
    public Plan? Standing()
    {
        var known = task.Plan.Chains.SelectMany(c => c).ToLookup(l => l.Id);
        var planned = new List<PlannedLot>();
        foreach (var kept in lots.OrderBy(l => l.StartMin))
        {
            foreach (var lot in known[kept.Id].Select(l => l with { Copies = [.. kept.Copies.Intersect(l.Copies)] }).Where(l => l.Copies.Count > 0))
            {
                var session = task.Plan.Sessions.Index().FirstOrDefault(s => kept.StartMin >= s.Item.Open - SameMoment && kept.StartMin + lot.Minutes <= s.Item.Close + SameMoment, (-1, default)).Item1;
                var last = planned.Count > 0 && planned[^1].Session == session ? planned[^1].Lot : null;
                planned.Add(new(lot, session, kept.StartMin, lot.SetUpAfter(last)));
            }
        }

        var plan = new Plan(planned, null);
        return planned.TrueForAll(l => l.Session >= 0) && PlanCheck.Faults(task.Plan, plan).Count == 0 ? plan : null;
    }

    /// <summary>Steps that it has on another day than a plan before it, the earliest first; what was done meanwhile has not moved.</summary>
    public IReadOnlyList<MovedLot> MovedSince(IReadOnlyList<HeldLot> before)
    {
        Dictionary<StepId, DateOnly> Days(IEnumerable<HeldLot> of) =>
            of.Where(l => work.Knows(l.Id) && l.Copies.Any(copy => work.IsOpen(l.Id.On(copy)))).GroupBy(l => l.Id).ToDictionary(g => g.Key, g => g.Max(l => l.Day));
        var (was, now) = (Days(before), Days(lots));
        return [.. was.Keys.Union(now.Keys).Select(id => new MovedLot(id, was.TryGetValue(id, out var w) ? w : null, now.TryGetValue(id, out var n) ? n : null))
            .Where(m => m.From != m.To).OrderBy(m => m.To ?? m.From)];
    }

    /// <summary>Its evenings that are over, against what the log says was done; the last first.</summary>
    /// <param name="nowMin">Now.</param>
    public IReadOnlyList<EveningDone> Over(double nowMin) =>
        [.. lots.GroupBy(l => (l.Day, l.OpenMin, l.CloseMin)).Where(g => g.Key.CloseMin <= nowMin).OrderByDescending(g => g.Key.OpenMin).Take(MostEvenings).Select(g => Fact(g.Key.Day, g.Key.OpenMin, g.Key.CloseMin, g))];

    private EveningDone Fact(DateOnly day, double open, double close, IEnumerable<HeldLot> evening)
    {
        var (from, to) = (open - EarlyMin, close + LateMin);
        var planned = evening.SelectMany(l => l.Copies.Select(copy => (Step: l.Id.On(copy), l.MinutesPerCopy))).ToDictionary(p => p.Step, p => p.MinutesPerCopy);
        var done = planned.Keys.Where(work.Done.Knows).Select(step => (Step: step, Done: work.Done.All[step])).ToList();
        var measured = done.FindAll(d => d.Done.Minutes > 0);
        return new(
            day,
            planned.Count,
            done.Count(d => d.Done.AtMin <= to),
            done.Count(d => d.Done.AtMin > to),
            work.Done.All.Count(d => d.Value.AtMin >= from && d.Value.AtMin <= to && !d.Value.Skipped && !planned.ContainsKey(d.Key)),
            planned.Values.Sum(),
            measured.Count > 0 ? measured.Sum(d => d.Done.Minutes!.Value) : null,
            measured.Count > 0 ? measured.Sum(d => planned[d.Step]) : null);
    }

    private static Evening EveningOf(HeldLot lot) => new(new((int)lot.OpenMin, (int)lot.CloseMin), lot.Day);

    private Lot LotOf(HeldLot kept)
    {
        var step = work.StepOf(kept.Id);
        return new()
        {
            Id = kept.Id,
            Chain = 0,
            Copies = kept.Copies,
            MinutesPerCopy = kept.MinutesPerCopy,
            Station = step?.Station ?? Station.Assembly,
            Colour = step?.Coat.Paint?.Name ?? "",
            LagMin = step?.LagMin ?? work.Part(kept.Id)!.Part.GlueMin,
            MostLagMin = step?.MostLagMin,
        };
    }
}
