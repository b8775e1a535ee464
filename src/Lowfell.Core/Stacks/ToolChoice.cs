using Lowfell.Core.Materials;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Stacks;

/// <summary>What a coat is laid with on a zone: kind and size of brush, needle and pressure of an airbrush.</summary>
/// <remarks>Craft estimates for the common gear of the hobby; the leaflet of the airbrush and the label of the paint come first.</remarks>
public static class ToolChoice
{
    // Breadths of brushes that are sold, mm.
    private static readonly int[] Breadths = [3, 6, 10, 15, 20, 25, 40];

    // Rounds by the smallest detail that they follow, mm.
    private static readonly (double DetailMm, string Size)[] Rounds = [(0.3, "000"), (0.5, "00"), (0.8, "0"), (1.2, "1"), (2, "2"), (double.MaxValue, "3")];

    // Of a zone that nobody measured, the detail of a 28 mm piece.
    private const double UsualDetailMm = 0.7;

    // Needle, mm, and pressure, bar: the thicker what is sprayed, the more of both.
    private static readonly Dictionary<Kind, (string NeedleMm, string Bar)> Sprays = new()
    {
        [Kind.Primer] = ("0.4 to 0.5", "1.6 to 2"),
        [Kind.Varnish] = ("0.4 to 0.5", "1.4 to 1.8"),
        [Kind.Fluid] = ("0.4 to 0.5", "1.4 to 1.8"),
        [Kind.Wash] = ("0.2 to 0.3", "0.8 to 1.1"),
        [Kind.Paint] = ("0.3 to 0.4", "1.2 to 1.5"),
    };

    // Flake clogs what is finer.
    private static readonly (string NeedleMm, string Bar) Flake = ("0.4 to 0.5", "1.4 to 1.8");

    // Along seams and within panels it is held close.
    private static readonly (string NeedleMm, string Bar) Close = ("0.2 to 0.3", "0.8 to 1.1");

    /// <summary>In words: "flat brush 15 mm", "fine brush size 0", "airbrush with a 0.3 to 0.4 mm needle at 1.2 to 1.5 bar".</summary>
    /// <param name="coat">The coat.</param>
    /// <param name="zone">The zone, of one copy.</param>
    public static string Words(Coat coat, Zone zone)
    {
        ArgumentNullException.ThrowIfNull(coat);
        ArgumentNullException.ThrowIfNull(zone);
        var how = coat.How;
        if (how.FromCan && coat.What?.InCan == true)
        {
            return Behind("can", how);
        }

        if (how.Sprayed)
        {
            var (needle, bar) = how.Close ? Close : coat.Effect == Effect.Metallic ? Flake : Sprays.GetValueOrDefault(coat.What?.Kind ?? Kind.Paint, Sprays[Kind.Paint]);
            return Behind($"airbrush with a {needle} mm needle at {bar} bar", how);
        }

        var size = how.Fine ? $" size {Round(zone)}" : how.Breadth > 0 ? $" {BreadthMm(how.Breadth, zone)} mm" : "";
        var comma = how.Tool.IndexOf(',', StringComparison.Ordinal);
        return comma < 0 ? how.Tool + size : how.Tool[..comma] + size + how.Tool[comma..];
    }

    /// <summary>The brush whose breadth is nearest to a share of the zone's side, mm.</summary>
    /// <param name="share">Share of the side of a square as large as the zone.</param>
    /// <param name="zone">The zone.</param>
    public static int BreadthMm(double share, Zone zone) => Breadths.MinBy(b => Math.Abs(Math.Log(b / (share * Math.Sqrt(Math.Max(zone.AreaMm2, 1))))));

    // "Can or airbrush, from above" keeps what is behind the comma.
    private static string Behind(string tool, TechniqueFacts how) => how.Tool.IndexOf(',', StringComparison.Ordinal) is >= 0 and var comma ? tool + how.Tool[comma..] : tool;

    private static string Round(Zone zone) => Rounds.First(r => (zone.SmallestDetailMm ?? UsualDetailMm) <= r.DetailMm).Size;
}
