using Lowfell.Core.Amounts;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Evenings.Steps;

/// <summary>What to do about spray that lands on a finished neighbour.</summary>
public enum OversprayWay
{
    /// <summary>Nothing is planned for it: the painter sprays with care.</summary>
    Care,

    /// <summary>Touching zones are masked before each spray.</summary>
    Mask,

    /// <summary>Touching zones are touched up afterwards.</summary>
    Repaint,
}

/// <summary>Minutes of masking against minutes of repainting. All figures are craft estimates.</summary>
public static class Overspray
{
    /// <summary>Minutes to begin with a mask and to take it off again, for each zone it covers.</summary>
    private const double MaskFixedMin = 1.5;

    /// <summary>Tape or putty laid along a border, mm a minute.</summary>
    private const double MaskMmPerMin = 60;

    /// <summary>Share of a touching zone that is touched up where nothing covered it.</summary>
    private const double CaughtShare = 0.25;

    /// <summary>Minutes to mask one zone against another, on one copy. The border is taken as a side of the smaller one.</summary>
    public static double MaskMinutes(Zone zone, Zone neighbour) => MaskFixedMin + (TouchUp.BorderMm(zone, neighbour) / MaskMmPerMin);

    /// <summary>Minutes to take the masks of one zone off again, on one copy, for each zone that they cover.</summary>
    public const double UnmaskMin = 1;

    /// <summary>A mask is taken off before what was sprayed over its edge has hardened, minutes.</summary>
    public const double PeelWithinMin = 24 * 60;

    /// <summary>Minutes after which a film bears tape: a night, scaled like its drying.</summary>
    public static double BearsTapeMin(Step under) => under.Times.OvernightMin;

    /// <summary>Minutes to touch up a zone that was caught, on one copy: a share of its brush work.</summary>
    /// <param name="neighbour">Steps of the zone that was caught.</param>
    public static double RepaintMinutes(IEnumerable<Step> neighbour) => CaughtShare * neighbour.Where(s => !IsSpray(s)).Sum(s => s.MinutesPerCopy);

    /// <summary>Whether a step on a zone endangers what a touching zone has: it is sprayed, and the neighbour does not get the same coat.</summary>
    public static bool Endangers(Step step, IReadOnlyList<Step> neighbour) =>
        IsSpray(step) && neighbour.Any(n => !IsSpray(n)) && !neighbour.Any(n => n.Station == step.Station && n.Coat.Paint?.Name == step.Coat.Paint?.Name);

    private static bool IsSpray(Step step) => step.Station is Station.Airbrush or Station.Can;
}
