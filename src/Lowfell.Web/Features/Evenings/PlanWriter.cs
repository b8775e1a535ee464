using Lowfell.Core.Evenings;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Stack;
using NodaTime;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A lot of a kept plan.</summary>
/// <param name="ZoneId">Zone; of a part the part.</param>
/// <param name="CoatId">Coat; of a part the part.</param>
/// <param name="Pass">Pass.</param>
/// <param name="Copies">Copies in their order.</param>
/// <param name="StartUtc">Hands-on work begins.</param>
/// <param name="MinutesPerCopy">Minutes a copy.</param>
/// <param name="SetUpMin">Setting up before it.</param>
/// <param name="Day">Day of its evening.</param>
/// <param name="OpenUtc">Its evening begins.</param>
/// <param name="CloseUtc">Its evening ends.</param>
internal sealed record KeptLot(
    Guid ZoneId, Guid CoatId, int Pass, IReadOnlyList<int> Copies, DateTimeOffset StartUtc, double MinutesPerCopy, double SetUpMin, DateOnly Day, DateTimeOffset OpenUtc, DateTimeOffset CloseUtc);

/// <summary>Puts plans into words, colours and drops.</summary>
internal sealed class PlanWriter(Planner planner)
{
    private readonly Dictionary<Guid, OpenZone> zones = planner.Work.Zones.ToDictionary(z => z.Zone.Id);
    private readonly Dictionary<Guid, OpenPart> parts = planner.Work.Parts.ToDictionary(p => p.Part.Id);

    /// <summary>A plan that was made now.</summary>
    public PlanView View(SolveState state)
    {
        var evenings = Evenings(state.Best, planner.Evenings);
        return new(
            Summary(state, Ml(evenings)),
            planner.Task.PieceSteps,
            planner.Evenings.Count == 0 && planner.Task.PieceSteps > 0 ? "There is no evening yet. Say when you paint." : state.Best.Problem is { } problem ? Words(problem) : null,
            planner.Waiting,
            evenings,
            planner.Calendar.TimeZone,
            planner.Work.Learned.View(),
            null,
            Cautions.Defer);
    }

    /// <summary>What a plan comes to.</summary>
    public PlanSummary Summary(SolveState state) => Summary(state, Ml(Evenings(state.Best, planner.Evenings)));

    /// <summary>A plan as it is kept.</summary>
    public IReadOnlyList<KeptLot> Keep(Plan plan) => [.. plan.Lots.Select(l =>
    {
        var (session, day) = planner.Evenings[l.Session];
        // To the tick, not to the hundredth of a minute: it must still hold when it is checked again.
        return new KeptLot(l.Lot.ZoneId, l.Lot.CoatId, l.Lot.Pass, l.Lot.Copies, (planner.Origin + Duration.FromMinutes(l.Start)).ToDateTimeOffset(), l.Lot.MinutesPerCopy, l.SetUpMin, day.ToDateOnly(), At(session.Open), At(session.Close));
    })];

    /// <summary>What is left of a kept plan: steps that are done, or are no longer in their stacks, are off.</summary>
    public PlanView ViewKept(IReadOnlyList<KeptLot> lots, PlanSummary summary)
    {
        var open = lots.Select(l => l with { Copies = [.. l.Copies.Where(copy => IsOpen(l, copy))] }).Where(l => l.Copies.Count > 0 && Knows(l)).ToList();
        var sessions = open.Select(l => (l.OpenUtc, l.CloseUtc, l.Day)).Distinct().OrderBy(s => s.OpenUtc).ToList();
        var plan = new Plan([.. open.Select(l => new PlannedLot(LotOf(l), sessions.IndexOf((l.OpenUtc, l.CloseUtc, l.Day)), Minutes(l.StartUtc), l.SetUpMin))], null);
        var evenings = Evenings(plan, [.. sessions.Select(s => new Evening(new((int)Minutes(s.OpenUtc), (int)Minutes(s.CloseUtc)), LocalDate.FromDateOnly(s.Day)))]);
        return new(
            summary with
            {
                DoneOn = sessions.Count > 0 ? sessions[^1].Day : summary.DoneOn,
                Evenings = sessions.Count,
                WorkMin = Math.Round(plan.WorkMin),
                SetUps = plan.SetUps,
                IdleMin = summary.IdleMin,
                PaintMl = Ml(evenings),
                LeastEvenings = null,
                LeastSetUps = null,
            },
            open.Sum(l => l.Copies.Count),
            null,
            planner.Waiting,
            evenings,
            planner.Calendar.TimeZone,
            planner.Work.Learned.View(),
            null,
            Cautions.Defer);
    }

    /// <summary>Whether a step of a kept plan is still to be done on a copy.</summary>
    public bool IsOpen(KeptLot lot, int copy) => !planner.Work.Done.ContainsKey(Key(lot, copy));

    /// <summary>How the log knows a step of a kept plan.</summary>
    public StepKey Key(KeptLot lot, int copy) => parts.ContainsKey(lot.CoatId) ? OpenWork.FitKey(lot.CoatId, copy) : new(lot.ZoneId, lot.CoatId, lot.Pass, copy);

    /// <summary>Whether a step of a kept plan is still in its stack.</summary>
    public bool Knows(KeptLot lot) => parts.ContainsKey(lot.CoatId) || StepOf(lot.ZoneId, lot.CoatId, lot.Pass) is not null;

    /// <summary>A step in words: what, on which piece and zone.</summary>
    public string Label(KeptLot lot) => parts.TryGetValue(lot.CoatId, out var part)
        ? $"{Labels.Fit(part.Part.Name)}, {part.Host.Name}"
        : StepOf(lot.ZoneId, lot.CoatId, lot.Pass) is { } step
            ? $"{Labels.Of(step.Coat.Technique)} {step.Coat.Paint?.Name}, {zones[lot.ZoneId].Zone.Piece!.Name}, {zones[lot.ZoneId].Zone.Name}"
            : "";

    private Step? StepOf(Guid zoneId, Guid coatId, int pass) => zones.TryGetValue(zoneId, out var zone) ? zone.Steps.FirstOrDefault(s => s.Coat.Id == coatId && s.Pass == pass) : null;

    private Lot LotOf(KeptLot kept)
    {
        var step = StepOf(kept.ZoneId, kept.CoatId, kept.Pass);
        return new()
        {
            CoatId = kept.CoatId,
            Pass = kept.Pass,
            ZoneId = kept.ZoneId,
            Chain = 0,
            Copies = kept.Copies,
            MinutesPerCopy = kept.MinutesPerCopy,
            Station = step?.Station ?? Station.Assembly,
            Colour = step?.Coat.Paint?.Name ?? "",
            LagMin = step?.LagMin ?? parts[kept.CoatId].Part.GlueMin,
            MostLagMin = step?.MostLagMin,
        };
    }

    private PlanSummary Summary(SolveState state, double ml)
    {
        DateOnly? Day(int session) => session >= 0 && session < planner.Evenings.Count ? planner.Evenings[session].Day.ToDateOnly() : null;
        var (plan, bounds) = (state.Best, state.Bounds);
        return new(
            plan.Problem is null ? Day(plan.LastSession) : null,
            Day(bounds.LastSession),
            plan.SessionsUsed,
            Math.Round(plan.WorkMin),
            plan.SetUps,
            Math.Round(plan.IdleMin),
            ml,
            bounds.Sessions,
            bounds.SetUps);
    }

    private static double Ml(IEnumerable<PlannedEvening> evenings) => Math.Round(evenings.SelectMany(e => e.Steps).Sum(s => s.Mix?.TotalMl ?? 0), 1);

    private List<PlannedEvening> Evenings(Plan plan, IReadOnlyList<Evening> sessions) => [.. plan.Lots.GroupBy(l => l.Session).OrderBy(g => g.Key).Select(g => new PlannedEvening(
        sessions[g.Key].Day.ToDateOnly(), At(sessions[g.Key].Session.Open), At(sessions[g.Key].Session.Close), [.. g.OrderBy(l => l.Start).Select(l => parts.TryGetValue(l.Lot.CoatId, out var part) ? Fit(l, part) : Coat(l))]))];

    private PlannedStep Coat(PlannedLot planned)
    {
        var zone = zones[planned.Lot.ZoneId];
        var step = zone.Steps.First(s => s.Coat.Id == planned.Lot.CoatId && s.Pass == planned.Lot.Pass);
        var index = zone.Stack.IndexOf(step.Coat.Id);
        var (coat, end) = (step.Coat, planned.End);
        return new(
            zone.Zone.Id,
            coat.Id,
            step.Pass,
            coat.Passes,
            zone.Zone.Piece!.Name,
            zone.Zone.Name,
            Labels.Of(coat.Technique),
            coat.Technique,
            coat.Paint?.Name,
            (coat.MixedTo ?? coat.Paint?.Lead.Colour)?.ToString(),
            planned.Lot.Copies,
            step.Station,
            At(planned.Start),
            At(end),
            Math.Round(planned.SetUpMin, 1),
            At(end + step.Times.RecoatMin),
            At(end + step.LagMin),
            step.MostLagMin is { } most ? At(planned.Start + step.MinutesPerCopy + most) : null,
            Look(zone.Prediction.Strata[index]),
            SampleStratum.Of(zone.Stack, zone.Prediction, index),
            StackWriter.Mix(OpenWork.MixFor(zone, step, planned.Lot.Copies.Count)),
            coat.Paint is null ? null : Math.Round(coat.Dilution.PaintFraction, 3),
            [.. Cautions.For(coat).Select(c => c.Text)]);
    }

    // A part as it looks when it is painted; the glue shows nothing.
    private PlannedStep Fit(PlannedLot planned, OpenPart part)
    {
        var zone = zones.GetValueOrDefault(part.AnchorZoneId);
        var look = zone is null ? [] : Look(zone.Prediction.Top);
        return new(
            part.AnchorZoneId,
            part.Part.Id,
            1,
            1,
            part.Host.Name,
            part.Part.Name,
            Labels.Fit(part.Part.Name),
            null,
            null,
            null,
            planned.Lot.Copies,
            Station.Assembly,
            At(planned.Start),
            At(planned.End),
            Math.Round(planned.SetUpMin, 1),
            At(planned.End + part.Part.GlueMin),
            At(planned.End + part.Part.GlueMin),
            null,
            look,
            zone is null ? [] : SampleStratum.Of(zone.Stack, zone.Prediction, zone.Stack.Coats.Count),
            null,
            null,
            [Cautions.Glue]);
    }

    private static string[] Look(Stratum s) => [s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString()];

    private DateTimeOffset At(double minutes) => (planner.Origin + Duration.FromMinutes(Math.Round(minutes, 2))).ToDateTimeOffset();

    private double Minutes(DateTimeOffset at) => (Instant.FromDateTimeOffset(at) - planner.Origin).TotalMinutes;

    private string Words(PlanProblem problem)
    {
        var (what, next) = zones.TryGetValue(problem.Lot.ZoneId, out var zone)
            ? ($"{zone.Zone.Piece!.Name}, {zone.Zone.Name}: {problem.Lot.Colour}", Next(zone, problem.Lot))
            : (parts.TryGetValue(problem.Lot.CoatId, out var part) ? $"{part.Host.Name}: {Labels.Fit(part.Part.Name)}" : "", "");
        return problem.Kind switch
        {
            PlanProblemKind.LongerThanAnySession => $"{what} takes {problem.Lot.MinutesPerCopy:0} minutes for one copy, longer than any evening. Make an evening longer, or split the zone.",
            PlanProblemKind.WindowDoesNotFit => $"{what} must be followed by {next} {problem.Lot.LagMin:0} to {problem.Lot.MostLagMin:0} minutes later, and both don't fit into one evening. Make an evening longer.",
            _ => $"{what} does not fit into the next {CalendarView.Weeks} weeks. Add evenings, or plan fewer sets.",
        };
    }

    private static string Next(OpenZone zone, Lot lot)
    {
        var at = zone.Steps.Index().First(s => s.Item.Coat.Id == lot.CoatId && s.Item.Pass == lot.Pass).Index;
        return at + 1 < zone.Steps.Count ? Labels.Of(zone.Steps[at + 1].Coat.Technique).ToLowerInvariant() : "the next coat";
    }
}
