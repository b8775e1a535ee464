using Lowfell.Core.Rules;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>A coat on a zone that a fitted part has closed.</summary>
public static class BlockedAfterAssembly
{
    /// <summary>The rule.</summary>
    public static readonly PieceRule Rule = new("blocked-after-assembly", "Closed by assembly", [Severity.Stop],
        "A coat is to go on a zone that no brush reaches any more once a part is fitted.")
    {
        Check = Find,
    };

    private static IEnumerable<PieceFault> Find(PieceReading reading)
    {
        foreach (var step in reading.Piece.Steps)
        {
            var moment = Moment(reading, step);
            foreach (var closed in step.Closes.Select(reading.Place).Where(z => z >= 0))
            {
                for (var t = moment; t < reading.Tasks.Count; t++)
                {
                    if (reading.Tasks[t].IsOn(closed))
                    {
                        var coat = reading.Tasks[t].On.First(o => o.Zone == closed).Coat;
                        yield return new(
                            Severity.Stop,
                            closed,
                            coat,
                            $"No brush reaches {reading.Piece.Zones[closed].Name} for this {reading.Coat(closed, coat).Word} any more.",
                            $"{step.Name} is fitted before it, and closes it.",
                            $"Paint it before {step.Name} is fitted, or keep the part off until then.");
                        break;
                    }
                }
            }
        }
    }

    // The task before which a part is fitted.
    private static int Moment(PieceReading reading, AssemblyStep step)
    {
        if (step.AfterZone is not { } id || reading.Place(id) is not (>= 0 and var zone))
        {
            return 0;
        }

        for (var t = reading.Tasks.Count - 1; t >= 0; t--)
        {
            if (reading.Tasks[t].On.Any(o => o.Zone == zone && (step.AfterCoat is null || reading.Coat(zone, o.Coat).Id == step.AfterCoat)))
            {
                return t + 1;
            }
        }

        return 0;
    }
}
