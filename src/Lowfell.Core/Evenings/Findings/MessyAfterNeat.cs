using Lowfell.Core.Rules;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>Messy work beside a zone that is finished.</summary>
public static class MessyAfterNeat
{
    /// <summary>The rule.</summary>
    public static readonly PieceRule Rule = new("messy-after-neat", "Messy work after neat", [Severity.Note],
        "A spray, dry brush or wash comes after a touching zone has had its last colour.")
    {
        Check = Find,
    };

    /// <summary>Minutes of touching up that the order of the zones makes, on all copies.</summary>
    internal static double TouchUpMin(PieceReading reading) => Caught(reading).Sum(c => reading.RepaintMin(c.Near));

    private static IEnumerable<PieceFault> Find(PieceReading reading)
    {
        foreach (var (zone, near, coat) in Caught(reading))
        {
            var (here, there, minutes) = (reading.Piece.Zones[zone].Name, reading.Piece.Zones[near].Name, reading.RepaintMin(near));
            yield return new(
                Severity.Note,
                zone,
                coat,
                $"This {reading.Coat(zone, coat).Word} lands on {there}, which is finished by then.",
                "Messy work goes before neat: what it hits is painted over anyway.",
                $"Paint {here} first, or mask {there}.")
            {
                With = near,
                Minutes = minutes,
                Figure = $"About {minutes:0} min of touching up on all copies.",
            };
        }
    }

    // Each zone that is caught, by the first messy coat of another.
    private static IEnumerable<(int Zone, int Near, int Coat)> Caught(PieceReading reading)
    {
        for (var near = 0; near < reading.Piece.Zones.Count; near++)
        {
            var finished = reading.RepaintMin(near) < PieceJudge.LeastMinutes ? -1 : reading.LastColour(near);
            for (var zone = 0; finished >= 0 && zone < reading.Piece.Zones.Count; zone++)
            {
                if (reading.Touch(zone, near) && First(reading, zone, near, finished) is { } coat)
                {
                    yield return (zone, near, coat);
                }
            }
        }
    }

    // The first messy coat of a zone after the other is finished; a shade or dust that both get is meant.
    private static int? First(PieceReading reading, int zone, int near, int finished)
    {
        for (var t = finished + 1; t < reading.Tasks.Count; t++)
        {
            var task = reading.Tasks[t];
            if (task.IsOn(near))
            {
                continue;
            }

            foreach (var (z, c) in task.On)
            {
                if (z == zone && reading.IsMessy(z, c))
                {
                    return c;
                }
            }
        }

        return null;
    }
}
