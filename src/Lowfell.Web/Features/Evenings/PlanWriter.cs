using Lowfell.Core.Evenings.Scheduling;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Stack;

namespace Lowfell.Web.Features.Evenings;

/// <summary>Puts plans into words, colours and drops.</summary>
internal sealed class PlanWriter(Planner planner)
{
    private readonly OpenWork work = planner.Work;

    /// <summary>A plan that was made now.</summary>
    public PlanView View(SolveState state)
    {
        var evenings = Evenings(state.Best, planner.Evenings);
        return new(
            Summary(state, Ml(evenings)),
            planner.Task.Plan.PieceSteps,
            Problem(state.Best),
            planner.Task.Waiting,
            Left(state.Best.Lots.SelectMany(l => l.Lot.Copies.Select(copy => l.Lot.Id.On(copy)))),
            Due(state.Best, planner.Evenings),
            Later(),
            Findings(state.Best),
            Copies(),
            evenings,
            Drying(),
            planner.Calendar.TimeZone,
            planner.Day(planner.Origin.ToDateTimeOffset()),
            LearnedView.Of(work.Learned, id => planner.Source.Shelf.Find(id)?.Name),
            null,
            Cautions.Defer);
    }

    /// <summary>What a plan comes to.</summary>
    public PlanSummary Summary(SolveState state) => Summary(state, Ml(Evenings(state.Best, planner.Evenings)));

    /// <summary>What is left of a kept plan: steps that are done, or are no longer in their stacks, are off.</summary>
    /// <param name="held">The plan.</param>
    /// <param name="summary">What it came to when it was made.</param>
    /// <param name="same">What there is to do is what it was made for: what was proved of it still holds.</param>
    public PlanView ViewKept(HeldPlan held, PlanSummary summary, bool same)
    {
        var (plan, sessions) = (held.AsPlan(), held.Evenings());
        var evenings = Evenings(plan, sessions);
        return new(
            summary with
            {
                DoneOn = sessions.Count > 0 ? sessions[^1].Day : summary.DoneOn,
                NotBefore = same ? summary.NotBefore : Day(ListScheduler.EarliestFinish(planner.Task.Plan)),
                NotBeforeGrouped = same ? summary.NotBeforeGrouped : null,
                Evenings = sessions.Count,
                WorkMin = Math.Round(plan.WorkMin),
                SetUps = plan.SetUps,
                IdleMin = Math.Round(plan.IdleMin),
                PaintMl = Ml(evenings),
                LeastEvenings = same ? summary.LeastEvenings : null,
                LeastSetUps = same ? summary.LeastSetUps : null,
            },
            held.Left.Sum(l => l.Copies.Count),
            null,
            planner.Task.Waiting,
            Left(held.Left.SelectMany(l => l.Copies.Select(copy => l.Id.On(copy)))),
            Due(plan, sessions),
            Later(),
            Findings(plan),
            Copies(),
            evenings,
            Drying(),
            planner.Calendar.TimeZone,
            planner.Day(planner.Origin.ToDateTimeOffset()),
            LearnedView.Of(work.Learned, id => planner.Source.Shelf.Find(id)?.Name),
            null,
            Cautions.Defer);
    }

    // When sets that have to be done by a day are done; one of which something is not planned has no day.
    private List<SetDueView> Due(Plan plan, IReadOnlyList<Evening> sessions)
    {
        var due = new List<SetDueView>();
        foreach (var set in planner.Source.Due)
        {
            bool Of(StepId id) => (id.IsFit ? work.Part(id)?.Host.SetId : work.Zone(id.ZoneId)?.Zone.Piece.SetId) == set.Id;
            var own = plan.Lots.Where(l => Of(l.Lot.Id)).ToList();
            var open = planner.Task.Steps.Count(step => Of(step.Step));
            if (open == 0)
            {
                continue;
            }

            DateOnly? done = own.Sum(l => l.Lot.Copies.Count) == open ? sessions[own.Max(l => l.Session)].Day : null;
            due.Add(new(set.Id, set.Name, set.ReadyBy, done, done is null || done > set.ReadyBy, []));
        }

        return due;
    }

    // Open steps that a plan does not have, by piece and zone.
    private NotPlanned Left(IEnumerable<CopyStep> planned)
    {
        const int MostNamed = 6;
        var has = planned.ToHashSet();
        var left = planner.Task.Steps.Where(step => !has.Contains(step)).ToList();
        var named = left.GroupBy(step => step.Step.IsFit ? work.Part(step.Step)!.Host.Name : work.Zone(step.Step.ZoneId) is { } zone ? $"{zone.Zone.Piece.Name}, {zone.Zone.Name}" : "")
            .Select(g => new NotPlannedZone(g.Key, g.Count())).OrderByDescending(z => z.Steps).ToList();
        return new(left.Count, [.. named.Take(MostNamed)], Math.Max(0, named.Count - MostNamed));
    }

    // By the log, so that every browser shows the same; a plan that is kept tells the moments, and they do not move.
    private List<DryingLot> Drying() => [.. DryingStep.Of(work, planner.Source.Work.Log, 0).Select(d => new DryingLot(
        d.Zone.Zone.Id, d.Step.Coat.Id, d.Step.Pass, $"{StepWords.Of(d.Step)} {d.Step.Coat.Paint?.Name}".TrimEnd(), $"{d.Zone.Zone.Piece.Name}, {d.Zone.Zone.Name}", d.Copies, planner.At(d.DryAtMin)))];

    private List<string> Later() => [.. planner.Source.Later.Select(s => s.Name)];

    private DateOnly? Day(int session) => session >= 0 && session < planner.Evenings.Count ? planner.Evenings[session].Day : null;

    private string? Problem(Plan plan)
    {
        if (planner.Task.Plan.PieceSteps == 0 && planner.Source.Later.Count == 0)
        {
            return null;
        }

        if (planner.Evenings.Count == 0)
        {
            return planner.Calendar.Weekly.Count == 0 && planner.Calendar.Exceptions.Count == 0
                ? "There is no evening yet. Say when you paint."
                : $"No evening falls into the next {planner.Calendar.WeeksAhead} weeks. Add one, or plan further ahead.";
        }

        var left = planner.Task.Plan.PieceSteps - plan.Lots.Sum(l => l.Lot.Copies.Count);
        return plan.Problem is { Kind: not PlanProblemKind.CalendarEnds } problem ? Words(problem)
            : left == 0 && planner.Source.Later.Count == 0 ? null
            : $"Not done within {planner.Calendar.WeeksAhead} weeks: {(left > 0 ? $"{left} steps are left" : "")}{(left > 0 && planner.Source.Later.Count > 0 ? ", and " : "")}{(planner.Source.Later.Count > 0 ? Sets(planner.Source.Later.Count) : "")}. More or longer evenings help, fewer sets at once{(planner.Calendar.WeeksAhead < EveningCalendar.UsualWeeks * 2 ? ", or planning further ahead" : "")}.";
    }

    private static string Sets(int n) => n == 1 ? "one set is not begun" : $"{n} sets are not begun";

    private List<PlanFinding> Findings(Plan plan) => [.. PlanTimes.Judge(plan, planner.Task).Select(f => new PlanFinding(
        f.Finding.Rule.Id, f.Finding.Rule.Title, f.Finding.Severity, f.Zone.Zone.Id, f.Step.Coat.Id, f.Zone.Zone.Piece.Name, f.Zone.Zone.Name, f.Copies, planner.At(f.StartMin),
        f.Finding.What, f.Finding.Why, f.Finding.Figure, f.Finding.Remedy))];

    // What one copy of each piece costs, and how many at a time hide the waiting.
    private List<CopyCostView> Copies()
    {
        var open = planner.Task.Plan.Chains.SelectMany(c => c).Select(l => l.Id.ZoneId).ToHashSet();
        return
        [
            .. work.Zones.GroupBy(z => z.Zone.Piece).Where(g => g.Any(z => open.Contains(z.Zone.Id)))
                .Select(g => (Piece: g.Key, Cost: CopyCost.Of([.. g.Select(z => z.Steps).Where(s => s.Count > 0)])))
                .Where(p => p.Cost is not null)
                .Select(p => new CopyCostView(p.Piece.Id, p.Piece.Name, p.Piece.Copies, Math.Round(p.Cost!.HandsOnMin), Math.Round(p.Cost.WaitingMin), p.Cost.BreakEven, p.Cost.PaletteMost)),
        ];
    }

    /// <summary>A step in words: what, on which piece and zone.</summary>
    public string Label(StepId id) => work.Part(id) is { } part
        ? $"{StepWords.Fit(part.Part.Name)}, {part.Host.Name}"
        : work.Zone(id.ZoneId) is { } zone && work.StepOf(id) is { } step
            ? $"{StepWords.Of(step)} {step.Coat.Paint?.Name}, {zone.Zone.Piece.Name}, {zone.Zone.Name}"
            : "";

    private PlanSummary Summary(SolveState state, double ml)
    {
        var (plan, bounds) = (state.Best, state.Bounds);
        return new(
            plan.Problem is null && planner.Source.Later.Count == 0 ? Day(plan.LastSession) : null,
            Day(bounds.LastSession),
            plan.SessionsUsed,
            Math.Round(plan.WorkMin),
            plan.SetUps,
            Math.Round(plan.IdleMin),
            ml,
            bounds.Sessions,
            bounds.SetUps,
            Day(bounds.Grouped),
            plan.Late);
    }

    private static double Ml(IEnumerable<PlannedEvening> evenings) => Math.Round(evenings.SelectMany(e => e.Steps).Sum(s => s.Mix?.TotalMl ?? 0), 1);

    private List<PlannedEvening> Evenings(Plan plan, IReadOnlyList<Evening> sessions) => [.. plan.Lots.GroupBy(l => l.Session).OrderBy(g => g.Key).Select(g => new PlannedEvening(
        sessions[g.Key].Day, planner.At(sessions[g.Key].Session.Open), planner.At(sessions[g.Key].Session.Close), [.. g.OrderBy(l => l.Start).Select(l => work.Part(l.Lot.Id) is { } part ? Fit(l, part) : Coat(l))]))];

    private PlannedStep Coat(PlannedLot planned)
    {
        var zone = work.Zone(planned.Lot.Id.ZoneId)!;
        var place = zone.Place(planned.Lot.Id);
        var step = zone.Steps[place];
        var index = zone.StackPlace(step);
        var (coat, end) = (step.Coat, planned.End);
        var ready = planner.Task.Ready.NotBefore(zone, place, planned.Lot.Copies);
        var due = planner.Task.Ready.DueBy(zone, place, planned.Lot.Copies);
        var (tool, seen) = step.Pass switch
        {
            Step.CleanUpPass => (Technique.CleanUp.Facts().Tool, Technique.CleanUp.Handiwork()),
            Step.MaskPass or Step.UnmaskPass => (Handiworks.MaskTool, Handiworks.Masking),
            _ when coat.Technique == Technique.Mend => (coat.How.Tool, Handiworks.Mending),
            _ => (ToolChoice.Words(coat, zone.Stack.Zone), coat.Technique.Handiwork()),
        };
        var readying = step.IsBeside || coat.What is null ? Readying.None : coat.What.Readying;
        return new(
            zone.Zone.Id,
            coat.Id,
            null,
            step.Pass,
            coat.Passes,
            zone.Zone.Piece.Name,
            zone.Zone.Name,
            StepWords.Of(step),
            coat.Technique,
            coat.Paint?.Name,
            (coat.MixedTo ?? coat.Paint?.Lead.Colour)?.ToString(),
            planned.Lot.Copies,
            step.Station,
            planner.At(planned.Start),
            planner.At(end),
            Math.Round(planned.Lot.Minutes, 4),
            Math.Round(planned.SetUpMin, 1),
            ready > 0 ? planner.At(ready) : null,
            due is { } by ? planner.At(by) : null,
            planner.At(end + step.Times.RecoatMin),
            planner.At(end + step.LagMin),
            step.MostLagMin is { } most ? planner.At(planned.Start + step.MinutesPerCopy + most) : null,
            Look(zone.Prediction.Strata[index]),
            SampleStratum.Of(zone.Stack, zone.Prediction, index),
            StackWriter.Mix(zone.MixFor(step, planned.Lot.Copies.Count)),
            coat.Paint is null || step.IsBeside ? null : Math.Round(coat.Dilution.PaintFraction, 3),
            tool,
            [.. Readyings.Words(readying)],
            coat.Note,
            step.IsBeside || coat.Paint is null || coat.Dilution.PaintFraction >= 1 ? null : coat.Thinner.Word(),
            seen.Right,
            step.IsBeside || coat.What is null ? null : WhenDry.Words(coat.Family!.Value),
            Math.Round(step.Times.TouchMin),
            seen.Faults,
            SprayAir.Told(step.Station, zone.Stack.Climate),
            step.Pass is Step.MaskPass or Step.UnmaskPass ? [] : [.. Cautions.For(coat).Select(c => c.Text)],
            step.LooksAs);
    }

    // A part as it looks when it is painted; the glue shows nothing.
    private PlannedStep Fit(PlannedLot planned, OpenPart part)
    {
        var zone = work.Zone(part.AnchorZoneId);
        var look = zone is null ? [] : Look(zone.Prediction.Top);
        return new(
            part.AnchorZoneId,
            null,
            part.Part.Id,
            1,
            1,
            part.Host.Name,
            part.Part.Name,
            StepWords.Fit(part.Part.Name),
            null,
            null,
            null,
            planned.Lot.Copies,
            Station.Assembly,
            planner.At(planned.Start),
            planner.At(planned.End),
            Math.Round(planned.Lot.Minutes, 4),
            Math.Round(planned.SetUpMin, 1),
            planned.Lot.NotBefore > 0 ? planner.At(planned.Lot.NotBefore) : null,
            null,
            planner.At(planned.End + part.Part.GlueMin),
            planner.At(planned.End + part.Part.GlueMin),
            null,
            look,
            zone is null ? [] : SampleStratum.Of(zone.Stack, zone.Prediction, zone.Stack.Coats.Count),
            null,
            null,
            Technique.GluePart.Facts().Tool,
            [],
            "",
            null,
            Technique.GluePart.Handiwork().Right,
            null,
            0,
            Technique.GluePart.Handiwork().Faults,
            null,
            [Cautions.Glue],
            null);
    }

    private static string[] Look(Stratum s) => [s.Recess.Colour.ToString(), s.Face.Colour.ToString(), s.Edge.Colour.ToString()];

    private string Words(PlanProblem problem)
    {
        var (what, next) = work.Zone(problem.Lot.Id.ZoneId) is { } zone
            ? ($"{zone.Zone.Piece.Name}, {zone.Zone.Name}: {problem.Lot.Colour}", Next(zone, problem.Lot))
            : (work.Part(problem.Lot.Id) is { } part ? $"{part.Host.Name}: {StepWords.Fit(part.Part.Name)}" : "", "");
        return problem.Kind switch
        {
            PlanProblemKind.LongerThanAnySession => $"{what} takes {problem.Lot.MinutesPerCopy:0} minutes for one copy, longer than any evening. Make an evening longer, or split the zone.",
            PlanProblemKind.WindowDoesNotFit => $"{what} must be followed by {next} {problem.Lot.LagMin:0} to {problem.Lot.MostLagMin:0} minutes later, and both don't fit into one evening. Make an evening longer.",
            _ => $"{what} does not fit into the evenings ahead.",
        };
    }

    private static string Next(OpenZone zone, Lot lot)
    {
        var at = zone.Place(lot.Id);
        return at + 1 < zone.Steps.Count ? StepWords.Of(zone.Steps[at + 1]).ToLowerInvariant() : "the next coat";
    }
}
