using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;

namespace Lowfell.Core.Weathering;

/// <summary>What on a zone can carry marks, on one copy: counted by the painter; none where it was not.</summary>
/// <param name="Ledges">Sills, copings, bars, rivets that water runs off.</param>
/// <param name="Iron">Bare iron.</param>
/// <param name="Lips">Lower lips of overhangs.</param>
/// <param name="Bolts">Bolts and plugs that hold liquid.</param>
/// <param name="Fillers">Fillers, hinges, axles.</param>
/// <param name="Perches">Perches.</param>
/// <param name="Corners">Corners that hold water.</param>
/// <param name="HotEdgeMm">Raised edges that hands, feet and travel reach, mm.</param>
public sealed record HostCounts(int? Ledges = null, int? Iron = null, int? Lips = null, int? Bolts = null, int? Fillers = null, int? Perches = null, int? Corners = null, double? HotEdgeMm = null)
{
    /// <summary>As it was counted; null where it was not.</summary>
    public int? Counted(MarkHost host) => host switch
    {
        MarkHost.Ledge => Ledges,
        MarkHost.Iron => Iron,
        MarkHost.Lip => Lips,
        MarkHost.Bolt => Bolts,
        MarkHost.Filler => Fillers,
        MarkHost.Perch => Perches,
        MarkHost.Corner => Corners,
        _ => 0,
    };
}

/// <summary>A zone that is to be weathered.</summary>
/// <param name="Id">The zone.</param>
/// <param name="Name">Its name.</param>
/// <param name="Stack">Its surface, and the coats that it has so far.</param>
/// <param name="Hosts">What can carry marks.</param>
public sealed record WeatherZone(Guid Id, string Name, StackDraft Stack, HostCounts Hosts)
{
    // Crease to each that can carry a mark, mm, where none were counted; creases of a plain body by its size. Craft estimates.
    private const double CreasePerHostMm = 25, CreaseOfSide = 2, EdgeOfSide = 3;

    /// <summary>Its surface.</summary>
    public Zone Surface => Stack.Zone;

    /// <summary>How many of a kind of host there are on one copy, and whether that is a guess: crease length over 25 mm, of the rarer ones a part of that.</summary>
    public (int Count, bool Guess) HostsOf(MarkHost host)
    {
        if (Hosts.Counted(host) is { } counted)
        {
            return (counted, false);
        }

        var ledges = (Surface.CreaseMm ?? (CreaseOfSide * Math.Sqrt(Surface.AreaMm2))) / CreasePerHostMm;
        return ((int)Math.Round(ledges * Part(host)), true);
    }

    /// <summary>Length of hot edges on one copy, mm, and whether that is a guess.</summary>
    public (double Mm, bool Guess) HotEdge => Hosts.HotEdgeMm is { } told ? (told, false) : (Surface.EdgeMm ?? (EdgeOfSide * Math.Sqrt(Surface.AreaMm2)), true);

    // Of the horizontals that water runs off, what part as many there are of the others. Craft estimates.
    private static double Part(MarkHost host) => host switch { MarkHost.Ledge => 1, MarkHost.Iron => 0.35, MarkHost.Lip => 0.4, MarkHost.Bolt => 0.4, MarkHost.Filler => 0.1, MarkHost.Perch => 0.5, MarkHost.Corner => 0.5, _ => 0 };
}
