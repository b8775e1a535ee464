using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Films;
using Lowfell.Core.Rules;

namespace Lowfell.Core.Evenings.Findings;

/// <summary>Spray that lands on a finished neighbour: masked, or repainted.</summary>
public static class OversprayNeighbour
{
    /// <summary>The rule.</summary>
    public static readonly PieceRule Rule = new("overspray-neighbour", "Spray on a finished neighbour", [Severity.Note],
        "A spray lands on a touching zone that is finished: the minutes of masking stand beside those of repainting.")
    {
        Check = Find,
    };

    private static IEnumerable<PieceFault> Find(PieceReading reading)
    {
        for (var zone = 0; zone < reading.Piece.Zones.Count; zone++)
        {
            for (var near = 0; near < reading.Piece.Zones.Count; near++)
            {
                if (reading.Touch(zone, near) && First(reading, zone, near) is { } coat && Judged(reading, zone, coat, near) is { } fault)
                {
                    yield return fault;
                }
            }
        }
    }

    // The first spray after the neighbour is finished; a clear one counts where its sheen is not the neighbour's own.
    private static int? First(PieceReading reading, int zone, int near)
    {
        var finished = reading.LastColour(near);
        for (var t = finished + 1; finished >= 0 && t < reading.Tasks.Count; t++)
        {
            if (reading.Tasks[t].IsOn(near))
            {
                continue;
            }

            foreach (var (z, c) in reading.Tasks[t].On)
            {
                if (z == zone && reading.Coat(z, c) is { LeavesFilm: true, How.Oversprays: true } coat
                    && (!coat.What!.Clear || coat.Paint!.Lead.Sheen.StepsTo(reading.Piece.Zones[near].Stack.Zone.Finish) != 0))
                {
                    return c;
                }
            }
        }

        return null;
    }

    private static PieceFault? Judged(PieceReading reading, int zone, int coat, int near)
    {
        var (here, there) = (reading.Piece.Zones[zone], reading.Piece.Zones[near]);
        var copies = there.Stack.Zone.Copies;
        var mask = Overspray.MaskMinutes(here.Stack.Zone, there.Stack.Zone) * copies;
        var repaint = reading.RepaintMin(near);
        if (repaint < PieceJudge.LeastMinutes)
        {
            return null;
        }

        return new(
            Severity.Note,
            zone,
            coat,
            $"This {reading.Coat(zone, coat).Word} also lands on {there.Name}.",
            "Fine mist settles on everything beside it that nothing covers.",
            mask <= repaint ? $"Mask {there.Name}: that is quicker than repainting it." : $"Spray, then touch {there.Name} up: that is quicker than masking.")
        {
            With = near,
            Minutes = Math.Min(mask, repaint),
            Figure = $"Masking takes about {mask:0} min on all copies, touching up {repaint:0} min.",
        };
    }
}
