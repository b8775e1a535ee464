using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>Where zones lie on the sides of a piece, and what they carry.</summary>
public sealed class FaceMapTests
{
    private static readonly PieceBox Box = new(150, 14, 70, []);

    private static Zone Zone(double areaMm2, Facing facing = Facing.Side, double? from = null, double? to = null) => new() { AreaMm2 = areaMm2, Facing = facing, HeightFromMm = from, HeightToMm = to };

    [Fact]
    public void A_wall_lies_all_round_a_walkway_on_top_and_what_looks_down_nowhere()
    {
        Assert.Equal(328, FaceMap.Round(FaceMap.Of(Box, Zone(22_960))), 9);
        Assert.Equal(new FacePart(MarkSide.Top, 0, 150, 0, 14), FaceMap.Of(Box, Zone(2100, Facing.Up)).Single());
        Assert.Empty(FaceMap.Of(Box, Zone(2100, Facing.Under)));
    }

    [Fact]
    public void What_is_smaller_than_the_front_is_a_part_of_it()
    {
        var door = FaceMap.Of(Box, Zone(2100)).Single();
        Assert.Equal((MarkSide.Front, 60.0, 90.0), (door.Side, door.FromX, door.ToX));
        Assert.Equal(2100, door.Width * door.Height, 6);
        var hatch = FaceMap.Of(Box, Zone(1, Facing.Up)).Single();
        Assert.Equal(FaceMap.LeastMm, hatch.Width, 9);
    }

    [Fact]
    public void Heights_bound_it_and_those_that_make_no_sense_do_not()
    {
        Assert.All(FaceMap.Of(Box, Zone(7000, from: 10, to: 32)), p => Assert.Equal((10.0, 32.0), (p.FromY, p.ToY)));
        Assert.All(FaceMap.Of(Box, Zone(22_960, from: 90, to: 120)), p => Assert.Equal((0.0, 70.0), (p.FromY, p.ToY)));
    }

    [Fact]
    public void Hosts_are_guessed_from_creases_and_a_count_counts_for_more()
    {
        WeatherZone Of(Zone zone, HostCounts hosts) => new(Guid.Empty, "stone", new(zone, new(), []), hosts);
        Assert.Equal((14, true), Of(Zone(100) with { CreaseMm = 350 }, new()).HostsOf(MarkHost.Ledge));
        Assert.Equal((5, true), Of(Zone(100) with { CreaseMm = 350 }, new()).HostsOf(MarkHost.Iron));
        Assert.Equal((9, false), Of(Zone(100) with { CreaseMm = 350 }, new(Ledges: 9)).HostsOf(MarkHost.Ledge));
        Assert.Equal((0, false), Of(Zone(100), new(Perches: 0)).HostsOf(MarkHost.Perch));
        Assert.Equal((8, true), Of(Zone(10_000), new()).HostsOf(MarkHost.Ledge));
        Assert.Equal((420, false), Of(Zone(19_000), new(HotEdgeMm: 420)).HotEdge);
        Assert.Equal((260, true), Of(Zone(19_000) with { EdgeMm = 260 }, new()).HotEdge);
        Assert.All(Enum.GetValues<MarkHost>().Where(h => h != MarkHost.None), h => Assert.True(Of(Zone(19_000) with { CreaseMm = 2000 }, new()).HostsOf(h).Count > 0));
    }

    [Fact]
    public void A_strip_is_cut_to_its_zone_soot_lies_over_one_mouth_and_feet_go_down_the_middle()
    {
        WeatherZone Of(Zone zone) => new(Guid.Empty, "stone", new(zone, new(), []), new());
        MarkEntry Entry(MarkKind kind, double? from = null, double? to = null, double width = 0) => new(Guid.Empty, Guid.Empty, kind, 1, width, 0) { FromMm = from, ToMm = to };
        var weed = Variation.Parts(Box, Of(Zone(7000, from: 0, to: 18)), Entry(MarkKind.Damp, 10, 40));
        Assert.All(weed, p => Assert.Equal((10.0, 18.0), (p.FromY, p.ToY)));
        Assert.Empty(Variation.Parts(Box, Of(Zone(7000, from: 0, to: 18)), Entry(MarkKind.Damp, 20, 40)));
        Assert.Equal(700 / 56.0, Variation.Parts(Box, Of(Zone(22_960)), Entry(MarkKind.Soot, 40, 70)).Single().Width, 9);
        var path = Variation.Parts(Box, Of(Zone(2100, Facing.Up)), Entry(MarkKind.Foot, width: 6)).Single();
        Assert.Equal((4.0, 10.0, 150.0), (path.FromY, path.ToY, path.Width));

        // Single marks need room beside the ends of a side; a strip does not.
        var thin = Box with { WidthMm = 5 };
        Assert.Equal(2, Variation.Parts(thin, Of(Zone(22_960)), new(Guid.Empty, Guid.Empty, MarkKind.Rain, 3, 0.5, 10)).Count);
        Assert.Equal(4, Variation.Parts(thin, Of(Zone(22_960)), Entry(MarkKind.Damp, 0, 20)).Count);
    }
}
