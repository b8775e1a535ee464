using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Facts;

/// <summary>The painter's own figures, from the log: medians of what was over what was planned.</summary>
public sealed class LearnedFigures
{
    private LearnedFigures(Dictionary<Technique, Correction> minutes, Dictionary<Station, Correction> setUps, Dictionary<Guid, (string Name, Correction Correction)> drying) =>
        (Minutes, SetUps, Drying) = (minutes, setUps, drying);

    /// <summary>Hands-on minutes, by technique.</summary>
    public IReadOnlyDictionary<Technique, Correction> Minutes { get; }

    /// <summary>Minutes of setting up, by station.</summary>
    public IReadOnlyDictionary<Station, Correction> SetUps { get; }

    /// <summary>Minutes until the next coat, by leading material.</summary>
    public IReadOnlyDictionary<Guid, (string Name, Correction Correction)> Drying { get; }

    /// <summary>Learns from a log.</summary>
    /// <param name="log">Its entries in the order of their times.</param>
    /// <param name="done">What it says is done.</param>
    /// <param name="zones">All zones with their steps as they are planned, whichever are to be planned now: a painter has one pair of hands.</param>
    public static LearnedFigures From(IReadOnlyList<LogFact> log, DoneSteps done, IEnumerable<(Guid ZoneId, IReadOnlyList<Step> Steps)> zones)
    {
        var planned = zones.SelectMany(z => z.Steps.Select(s => (Id: s.Id(z.ZoneId), Step: s))).ToDictionary(s => s.Id, s => s.Step);
        var known = log.Where(l => planned.ContainsKey(l.On.Step)).Select(l => (Entry: l, Step: planned[l.On.Step])).ToList();
        var minutes = Corrections(known.Where(k => k.Entry.Kind == LogKind.Done && k.Entry.Minutes > 0).Select(k => (k.Step.Coat.Technique, k.Entry.Minutes!.Value / k.Step.MinutesPerCopy)));
        var setUps = Corrections(known.Where(k => k.Entry.SetUpMinutes > 0).Select(k => (k.Step.Station, k.Entry.SetUpMinutes!.Value / k.Step.Station.SetUpMin())));
        var readings = Dried(known, done).ToList();
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

    // From the end of the coat on that copy to the moment at which it was felt to be dry.
    private static IEnumerable<(Material Lead, double Ratio)> Dried(IEnumerable<(LogFact Entry, Step Step)> known, DoneSteps done) =>
        from k in known
        where k.Entry.Kind == LogKind.Dry && k.Step.Coat.Paint is not null && k.Step.Times.RecoatMin > 0
        let laid = done.DoneAt(k.Entry.On)
        where k.Entry.AtMin > laid
        select (k.Step.Coat.Paint!.Lead, (k.Entry.AtMin - laid.Value) / k.Step.Times.RecoatMin);

    private static Dictionary<TKey, Correction> Corrections<TKey>(IEnumerable<(TKey Key, double Ratio)> ratios)
        where TKey : notnull =>
        ratios.GroupBy(r => r.Key, r => r.Ratio).Select(g => (g.Key, Correction: Correction.Of(g))).Where(g => g.Correction is not null).ToDictionary(g => g.Key, g => g.Correction!);
}
