using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Facts;

/// <summary>A figure of the painter's own.</summary>
/// <param name="Key">What it is known by: <c>minutes/DryBrush</c>, <c>setUp/Brush</c>, <c>drying/</c> and the id of a material.</param>
/// <param name="Correction">What the readings say.</param>
/// <param name="Answer">What the painter said of following it; null where nothing was said.</param>
public sealed record LearnedFigure(string Key, Correction Correction, bool? Answer)
{
    /// <summary>Whether the plan follows it: unless the painter said otherwise, and where it is far off only when the painter said so.</summary>
    public bool Rules => Answer ?? !Correction.IsFar;
}

/// <summary>The painter's own figures, from the log: medians of what was over what was planned.</summary>
/// <remarks>
/// One press is one reading, on however many copies; what was taken back, or done again, teaches nothing. Each reading is divided by the figure
/// of the step as it was then, and a drying by that in the air that it dried in: a plan that changes, a room that cools, is no reading.
/// </remarks>
public sealed class LearnedFigures
{
    private LearnedFigures(Dictionary<Technique, LearnedFigure> minutes, Dictionary<Station, LearnedFigure> setUps, Dictionary<Guid, LearnedFigure> drying) =>
        (Minutes, SetUps, Drying) = (minutes, setUps, drying);

    /// <summary>Nothing is known yet.</summary>
    public static LearnedFigures None { get; } = new([], [], []);

    /// <summary>Hands-on minutes, by technique.</summary>
    public IReadOnlyDictionary<Technique, LearnedFigure> Minutes { get; }

    /// <summary>Minutes of setting up, by station.</summary>
    public IReadOnlyDictionary<Station, LearnedFigure> SetUps { get; }

    /// <summary>Minutes until the next coat, by leading material.</summary>
    public IReadOnlyDictionary<Guid, LearnedFigure> Drying { get; }

    /// <summary>All of them.</summary>
    public IEnumerable<LearnedFigure> All => [.. Minutes.Values, .. SetUps.Values, .. Drying.Values];

    /// <summary>Whether something is the key of a figure, whether or not anything is known of it.</summary>
    public static bool IsKey(string key) => key.Split('/') switch
    {
        ["minutes", var technique] => Enum.GetNames<Technique>().Contains(technique),
        ["setUp", var station] => Enum.GetNames<Station>().Contains(station),
        ["drying", var material] => Guid.TryParse(material, out _),
        _ => false,
    };

    /// <summary>Learns from a log.</summary>
    /// <param name="log">Its entries in the order of their times, with what came after each on the same copy.</param>
    /// <param name="answers">What the painter said of following a figure, by its key.</param>
    /// <param name="now">The step as it is now, for entries that do not tell what it was then.</param>
    public static LearnedFigures From(IReadOnlyList<LogFact> log, IReadOnlyDictionary<string, bool>? answers = null, Func<StepId, Step?>? now = null)
    {
        var readings = Standing(log).Select(f => (Fact: f, Then: f.Then ?? ThenOf(f, now?.Invoke(f.On.Step)))).Where(r => r.Then is { Minutes: > 0 })
            .GroupBy(r => r.Fact.Press == Guid.Empty ? (object)r.Fact : (r.Fact.Press, r.Fact.Kind))
            .Select(press => Reading.Of([.. press.Select(r => (r.Fact, r.Then!))])).ToList();
        var done = readings.FindAll(r => r.Kind == LogKind.Done);
        return new(
            Figures(done.Where(r => r.Minutes > 0).Select(r => (r.Then.Technique, r.Minutes / r.Planned)), t => $"minutes/{t}", answers),
            Figures(done.Where(r => r.SetUpMin > 0).Select(r => (r.Then.Station, r.SetUpMin / r.Then.Station.SetUpMin())), s => $"setUp/{s}", answers),
            Figures(readings.Where(r => r is { Kind: LogKind.Dry, Minutes: > 0, Then.LeadId: not null }).Select(r => (r.Then.LeadId!.Value, r.Minutes / r.Planned)), id => $"drying/{id}", answers));
    }

    /// <summary>A step with the painter's own minutes and drying, as far as they are followed. A window stays as it is: it opens by touch, not by recoat.</summary>
    public Step Correct(Step step)
    {
        var own = Minutes.TryGetValue(step.Coat.Technique, out var pace) && pace.Rules ? step with { MinutesPerCopy = step.MinutesPerCopy * pace.Correction.Factor } : step;
        if (step.Coat.Paint is not { } paint || step.MostLagMin is not null || !Drying.TryGetValue(paint.Lead.Id, out var dry) || !dry.Rules)
        {
            return own;
        }

        var factor = dry.Correction.Factor;
        return own with { LagMin = own.LagMin * factor, Times = own.Times with { RecoatMin = own.Times.RecoatMin * factor, CuredMin = own.Times.CuredMin * factor } };
    }

    /// <summary>Own minutes of setting a station up; null where they are not known or not followed.</summary>
    public double? SetUpMin(Station station) => SetUps.TryGetValue(station, out var own) && own.Rules ? station.SetUpMin() * own.Correction.Factor : null;

    // What still stands: a coat that is on as it was written down, and a touch of a coat that was neither taken off nor laid again since.
    private static IEnumerable<LogFact> Standing(IReadOnlyList<LogFact> log)
    {
        var last = new Dictionary<CopyStep, int>();
        for (var i = 0; i < log.Count; i++)
        {
            if (log[i].Kind is LogKind.Done or LogKind.Skipped or LogKind.TakenBack)
            {
                last[log[i].On] = i;
            }
        }

        var felt = new HashSet<CopyStep>();
        for (var i = 0; i < log.Count; i++)
        {
            var fact = log[i];
            if (!last.TryGetValue(fact.On, out var at) || log[at].Kind != LogKind.Done)
            {
                continue;
            }

            if (at == i)
            {
                yield return fact;
            }
            else if (fact.Kind == LogKind.Dry && fact.AtMin > log[at].AtMin && at < i && felt.Add(fact.On))
            {
                yield return fact with { Minutes = fact.AtMin - log[at].AtMin };
            }
        }
    }

    private static StepThen? ThenOf(LogFact fact, Step? step) => step is null ? null : StepFacts.Then(step, fact.Kind == LogKind.Dry ? step.Times.RecoatMin : step.MinutesPerCopy);

    private static Dictionary<TKey, LearnedFigure> Figures<TKey>(IEnumerable<(TKey Key, double Ratio)> ratios, Func<TKey, string> name, IReadOnlyDictionary<string, bool>? answers)
        where TKey : notnull
    {
        var figures = new Dictionary<TKey, LearnedFigure>();
        foreach (var group in ratios.GroupBy(r => r.Key, r => r.Ratio))
        {
            if (Correction.Of(group) is { } correction)
            {
                var key = name(group.Key);
                figures[group.Key] = new(key, correction, answers is not null && answers.TryGetValue(key, out var said) ? said : null);
            }
        }

        return figures;
    }

    // One press: the minutes of all copies that were measured, over those that were planned for them.
    private sealed record Reading(LogKind Kind, StepThen Then, double Minutes, double Planned, double SetUpMin)
    {
        public static Reading Of(IReadOnlyList<(LogFact Fact, StepThen Then)> press)
        {
            var measured = press.Where(p => p.Fact.Minutes > 0).ToList();
            return new(press[0].Fact.Kind, press[0].Then, measured.Sum(p => p.Fact.Minutes!.Value), measured.Sum(p => p.Then.Minutes), press.Max(p => p.Fact.SetUpMinutes ?? 0));
        }
    }
}

/// <summary>What is written down of a step beside an entry of the log.</summary>
public static class StepFacts
{
    /// <summary>What a step is, with the figure that its entry is measured against.</summary>
    public static StepThen Then(Step step, double minutes) => new(step.Coat.Technique, step.Station, step.Coat.Paint?.Lead.Id, minutes);

    /// <summary>Minutes that something dries in air that changes: each reading of the air dries its share.</summary>
    /// <param name="inEach">Minutes that it would take in the air of each reading, evenly spaced, above 0; at least one.</param>
    /// <remarks>Of equal times in air i the share 1/t_i dries in each; it is dry when these add up to one, so after the harmonic mean.</remarks>
    public static double DryingMin(IReadOnlyCollection<double> inEach) => inEach.Count / inEach.Sum(t => 1 / t);
}
