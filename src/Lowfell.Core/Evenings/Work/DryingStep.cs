using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;

namespace Lowfell.Core.Evenings.Work;

/// <summary>What lies drying: a step that is done and that something waits for.</summary>
/// <param name="Zone">Where.</param>
/// <param name="Step">The step.</param>
/// <param name="Copies">Copies, each as dry as the others.</param>
/// <param name="DryAtMin">When the next step may come, minutes from the origin; it may be over.</param>
public sealed record DryingStep(OpenZone Zone, Step Step, IReadOnlyList<int> Copies, double DryAtMin)
{
    /// <summary>Once it is dry it is told of for so long, minutes.</summary>
    public const double ToldMin = 3 * 60;

    /// <summary>What takes longer is no wait at the bench, minutes.</summary>
    public const double LongestMin = 24 * 60;

    private const double LeastMin = 1;

    /// <summary>What lies drying by the log, the soonest first; what was felt to be dry is off.</summary>
    /// <param name="work">The work.</param>
    /// <param name="log">What was written down of it, in the order of its times.</param>
    /// <param name="nowMin">Now.</param>
    public static IReadOnlyList<DryingStep> Of(OpenWork work, IReadOnlyList<LogFact> log, double nowMin)
    {
        var felt = log.Where(f => f.Kind == LogKind.Dry).GroupBy(f => f.On).ToDictionary(g => g.Key, g => g.Max(f => f.AtMin));
        var found = new List<DryingStep>();
        foreach (var zone in work.Zones)
        {
            for (var place = 0; place + 1 < zone.Steps.Count; place++)
            {
                var step = zone.Steps[place];
                if (step.LagMin is < LeastMin or > LongestMin)
                {
                    continue;
                }

                var here = zone.Id(place);
                var copies = Enumerable.Range(1, zone.Zone.Piece.Copies).Where(copy => NextOn(zone, place, copy) is { } next && !work.IsOff(zone, next, copy))
                    .Select(copy => (Copy: copy, Done: work.Done.DoneAt(here.On(copy))))
                    .Where(c => c.Done is { } done && done + step.LagMin > nowMin - ToldMin && done <= nowMin + LeastMin && !(felt.TryGetValue(here.On(c.Copy), out var at) && at > done));
                found.AddRange(copies.GroupBy(c => Math.Round(c.Done!.Value)).Select(g => new DryingStep(zone, step, [.. g.Select(c => c.Copy)], g.Max(c => c.Done!.Value) + step.LagMin)));
            }
        }

        return [.. found.OrderBy(d => d.DryAtMin)];
    }

    private static int? NextOn(OpenZone zone, int place, int copy)
    {
        for (var next = place + 1; next < zone.Steps.Count; next++)
        {
            if (zone.Steps[next].Concerns(copy))
            {
                return next;
            }
        }

        return null;
    }
}
