using Lowfell.Core.Evenings;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Store;
using Lowfell.Web.Features.Benches;
using Lowfell.Web.Features.Sets;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Features.Evenings;

/// <summary>A zone with the steps of its stack.</summary>
internal sealed record OpenZone(ZoneRow Zone, StackDraft Stack, Prediction Prediction, IReadOnlyList<Step> Steps);

/// <summary>A piece that is fitted on another, both as drawn up.</summary>
internal sealed record OpenPart(PieceRow Part, PieceRow Host, Guid AnchorZoneId);

/// <summary>One step on one copy, as the log knows it. Of a part, the zone does not matter.</summary>
internal readonly record struct StepKey(Guid ZoneId, Guid CoatId, int Pass, int Copy);

/// <summary>When a step was done, or left out for good.</summary>
internal readonly record struct StepDone(DateTimeOffset At, bool Skipped, double? Minutes);

/// <summary>What there is to do on the chosen sets, what is done of it, and what the log says of the painter's own figures.</summary>
internal sealed class OpenWork
{
    private OpenWork(IReadOnlyList<OpenZone> zones, IReadOnlyList<OpenPart> parts, Dictionary<StepKey, StepDone> done, LearnedFigures learned) =>
        (Zones, Parts, Done, Learned) = (zones, parts, done, learned);

    /// <summary>Zones with their steps, in the order of the screen.</summary>
    public IReadOnlyList<OpenZone> Zones { get; }

    /// <summary>Parts that are fitted.</summary>
    public IReadOnlyList<OpenPart> Parts { get; }

    /// <summary>Steps that are done or left out.</summary>
    public IReadOnlyDictionary<StepKey, StepDone> Done { get; }

    /// <summary>The painter's own figures.</summary>
    public LearnedFigures Learned { get; }

    /// <summary>How a part's fitting is known in the log.</summary>
    public static StepKey FitKey(Guid partId, int copy) => new(Guid.Empty, partId, 1, copy);

    /// <summary>Reads it.</summary>
    public static async Task<OpenWork> ReadAsync(PlanRequest request, Bench bench, OpenShelf shelf, LowfellDb db, CancellationToken cancel)
    {
        var rows = await db.Zones.AsNoTracking().Include(z => z.Piece).Include(z => z.Scheme!.Coats).AsSplitQuery()
            .Where(z => z.DeletedAt == null && z.Piece!.DeletedAt == null && db.Sets.Any(s => s.Id == z.Piece.SetId && s.DeletedAt == null))
            .OrderBy(z => z.Piece!.Position).ThenBy(z => z.Position).ToListAsync(cancel);
        var pieces = rows.Select(r => r.Piece!).DistinctBy(p => p.Id).ToDictionary(p => p.Id);
        var schools = SchoolsView.Of(bench);
        var climate = CalendarEndpoints.Of(bench).Room.ToCore();
        var zones = rows.Select(z =>
        {
            var stack = StackReader.Read(ZoneEndpoints.Draft(z), [.. z.Scheme!.Coats.OrderBy(c => c.Position).Select(CoatRows.Write)], schools, shelf);
            stack = stack with { Coats = [.. stack.Coats.Select(c => Varied(c, request, bench.Wash))] };
            return new OpenZone(z, stack, Predictor.Predict(stack), Steps.Of(stack, climate));
        }).ToList();
        var ids = zones.ConvertAll(z => z.Zone.Id);
        var log = await db.Log.AsNoTracking().Where(l => ids.Contains(l.ZoneId) && l.CoatId != null && l.Kind != LogKind.Problem && l.Kind != LogKind.Note)
            .OrderBy(l => l.At).ThenBy(l => l.Id).ToListAsync(cancel);
        var done = Replay(log, [.. pieces.Keys]);
        var learned = LearnedFigures.From(log, done, zones);
        if (request.Learn)
        {
            zones = [.. zones.Select(z => z with { Steps = [.. z.Steps.Select(learned.Correct)] })];
        }

        bool Wanted(PieceRow p) => request.SetIds == null || request.SetIds.Contains(p.SetId);
        var parts = pieces.Values.Where(p => p.PartOfId is { } on && pieces.ContainsKey(on) && Wanted(p))
            .Select(p => new OpenPart(p, pieces[p.PartOfId!.Value], rows.First(r => r.PieceId == p.Id).Id)).ToList();
        zones = Sprayed([.. zones.Where(z => Wanted(z.Zone.Piece!))], request.Overspray);
        return new(zones, parts, done, learned);
    }

    // Later entries count over earlier ones; nothing is ever taken out of the log.
    private static Dictionary<StepKey, StepDone> Replay(IEnumerable<LogRow> log, HashSet<Guid> pieces)
    {
        var done = new Dictionary<StepKey, StepDone>();
        foreach (var entry in log)
        {
            var key = pieces.Contains(entry.CoatId!.Value) ? FitKey(entry.CoatId.Value, entry.Copy) : new(entry.ZoneId, entry.CoatId.Value, entry.Pass, entry.Copy);
            switch (entry.Kind)
            {
                case LogKind.Done or LogKind.Skipped:
                    done[key] = new(entry.At, entry.Kind == LogKind.Skipped, entry.Minutes);
                    break;
                case LogKind.TakenBack:
                    done.Remove(key);
                    break;
            }
        }

        return done;
    }

    private static Coat Varied(Coat coat, PlanRequest request, WashSchool school)
    {
        var skipped = coat.Skipped || (request.WithoutOptional && coat.Optional) || request.WithoutCoats?.Contains(coat.Id) == true;
        var hurried = coat.Hurried || (request.WarmAir && coat.Paint?.Lead.Drying.WarmAirFactor is not null);
        var passes = request.OtherWash && coat.Technique == Technique.Wash ? (school == WashSchool.TwoThin ? 1 : Math.Max(2, coat.Passes)) : coat.Passes;
        return coat with { Skipped = skipped, Hurried = hurried, Passes = passes };
    }

    // Minutes for masking go to the step that is sprayed, those for touching up to the last step of the zone that is caught.
    private static List<OpenZone> Sprayed(List<OpenZone> zones, OversprayWay way)
    {
        if (way == OversprayWay.Care)
        {
            return zones;
        }

        var more = new Dictionary<(Guid Zone, int Step), double>();
        foreach (var zone in zones)
        {
            foreach (var near in zones.Where(n => zone.Zone.Neighbours.Contains(n.Zone.Id) && n.Steps.Count > 0))
            {
                foreach (var (i, _) in zone.Steps.Index().Where(s => Overspray.Endangers(s.Item, near.Steps)))
                {
                    var (key, minutes) = way == OversprayWay.Mask
                        ? ((zone.Zone.Id, i), Overspray.MaskMinutes(zone.Stack.Zone, near.Stack.Zone))
                        : ((near.Zone.Id, near.Steps.Count - 1), Overspray.RepaintMinutes(near.Steps));
                    more[key] = more.GetValueOrDefault(key) + minutes;
                }
            }
        }

        return zones.ConvertAll(z => z with { Steps = [.. z.Steps.Select((s, i) => s with { MinutesPerCopy = s.MinutesPerCopy + more.GetValueOrDefault((z.Zone.Id, i)) })] });
    }

    /// <summary>What to mix for a step on some copies.</summary>
    public static CoatMix? MixFor(OpenZone zone, Step step, int copies) => CoatMix.For(step.Coat with { Passes = 1 }, zone.Stack.Zone with { Copies = copies });
}

/// <summary>The painter's own figures, from the log: medians of what was over what was planned.</summary>
internal sealed class LearnedFigures
{
    private LearnedFigures(Dictionary<Technique, Correction> minutes, Dictionary<Station, Correction> setUps, Dictionary<Guid, (string Name, Correction Correction)> drying) =>
        (Minutes, SetUps, Drying) = (minutes, setUps, drying);

    public IReadOnlyDictionary<Technique, Correction> Minutes { get; }

    public IReadOnlyDictionary<Station, Correction> SetUps { get; }

    /// <summary>By leading material.</summary>
    public IReadOnlyDictionary<Guid, (string Name, Correction Correction)> Drying { get; }

    /// <summary>From all zones, whichever are planned: a painter has one pair of hands.</summary>
    public static LearnedFigures From(IReadOnlyList<LogRow> log, IReadOnlyDictionary<StepKey, StepDone> done, IReadOnlyList<OpenZone> zones)
    {
        var planned = zones.SelectMany(z => z.Steps.Select(s => (Key: (z.Zone.Id, s.Coat.Id, s.Pass), Step: s))).ToDictionary(s => s.Key, s => s.Step);
        var known = log.Where(l => planned.ContainsKey((l.ZoneId, l.CoatId!.Value, l.Pass))).Select(l => (Entry: l, Step: planned[(l.ZoneId, l.CoatId!.Value, l.Pass)])).ToList();
        static Dictionary<TKey, Correction> Corrections<TKey>(IEnumerable<(TKey Key, double Ratio)> ratios)
            where TKey : notnull =>
            ratios.GroupBy(r => r.Key, r => r.Ratio).Select(g => (g.Key, Correction: Correction.Of(g))).Where(g => g.Correction is not null).ToDictionary(g => g.Key, g => g.Correction!);

        var minutes = Corrections(known.Where(k => k.Entry.Kind == LogKind.Done && k.Entry.Minutes > 0).Select(k => (k.Step.Coat.Technique, k.Entry.Minutes!.Value / k.Step.MinutesPerCopy)));
        var setUps = Corrections(known.Where(k => k.Entry.SetUpMinutes > 0).Select(k => (k.Step.Station, k.Entry.SetUpMinutes!.Value / k.Step.Station.SetUpMin())));

        // From the end of the coat on that copy to the moment at which it was felt to be dry.
        var dry = from k in known
                  where k.Entry.Kind == LogKind.Dry && k.Step.Coat.Paint is not null && k.Step.Times.RecoatMin > 0
                  let coat = done.GetValueOrDefault(new StepKey(k.Entry.ZoneId, k.Entry.CoatId!.Value, k.Entry.Pass, k.Entry.Copy))
                  where coat.At != default && !coat.Skipped && k.Entry.At > coat.At
                  select (k.Step.Coat.Paint!.Lead, Ratio: (k.Entry.At - coat.At).TotalMinutes / k.Step.Times.RecoatMin);
        var readings = dry.ToList();
        var drying = Corrections(readings.Select(r => (r.Lead.Id, r.Ratio))).ToDictionary(d => d.Key, d => (readings.First(r => r.Lead.Id == d.Key).Lead.Name, d.Value));
        return new(minutes, setUps, drying);
    }

    /// <summary>A step with the painter's own minutes and drying. A window stays as it is: it opens by touch, not by recoat.</summary>
    public Step Correct(Step step)
    {
        var own = Minutes.TryGetValue(step.Coat.Technique, out var pace) ? step with { MinutesPerCopy = step.MinutesPerCopy * pace.Factor } : step;
        return step.Coat.Paint is { } paint && step.MostLagMin is null && Drying.TryGetValue(paint.Lead.Id, out var dry)
            ? own with { LagMin = own.LagMin * dry.Correction.Factor, Times = own.Times with { RecoatMin = own.Times.RecoatMin * dry.Correction.Factor, CuredMin = own.Times.CuredMin * dry.Correction.Factor } }
            : own;
    }

    /// <summary>Own minutes of setting a station up; null where they are not known.</summary>
    public double? SetUpMin(Station station) => SetUps.TryGetValue(station, out var c) ? station.SetUpMin() * c.Factor : null;

    /// <summary>As it is sent.</summary>
    public LearnedView View()
    {
        static IReadOnlyList<Learned> Most(IEnumerable<(string Of, Correction Correction)> all) => [.. all.OrderByDescending(l => l.Correction.Readings).ThenBy(l => l.Of).Select(l => Learned.From(l.Of, l.Correction))];
        return new(
            Most(Minutes.Select(m => (Labels.Of(m.Key), m.Value))),
            Most(SetUps.Select(s => (Labels.Of(s.Key), s.Value))),
            Most(Drying.Values.Select(d => (d.Name, d.Correction))));
    }
}
