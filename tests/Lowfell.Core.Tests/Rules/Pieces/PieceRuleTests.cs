using Lowfell.Core.Evenings.Findings;
using Lowfell.Core.Materials;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Rules.Pieces;

/// <summary>Rules over all zones of a piece.</summary>
public sealed class PieceRuleTests
{
    private static readonly Guid Wall = new(1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 5);
    private static readonly Guid Trim = new(2, 0, 0, 0, 0, 0, 0, 0, 0, 0, 5);

    private static PieceZone Zone(Guid id, string name, Guid[] touches, params Coat[] coats) =>
        new(id, name, Build.Stack(new Zone { Relief = Relief.Textured, AreaMm2 = 9000, Copies = 3 }, coats), touches);

    private static PieceZone WallBy(Technique technique, Material? paint = null) => Zone(Wall, "Wall", [Trim], Build.Coat(technique, paint ?? Build.RopeTan));

    private static readonly PieceZone NeatTrim = Zone(Trim, "Trim", [Wall], Build.Coat(Technique.BaseCoat, Build.Lampblack), Build.Coat(Technique.EdgeHighlight, Build.SaltWhite));

    private static string[] Found(params PieceZone[] zones) => [.. PieceJudge.Read(new(new(zones, [], []))).Select(f => f.Rule.Id).Distinct()];

    [Theory]
    [InlineData(Technique.Airbrush, new[] { "messy-after-neat", "overspray-neighbour" })]
    [InlineData(Technique.SprayCan, new[] { "messy-after-neat", "overspray-neighbour" })]
    [InlineData(Technique.DryBrush, new[] { "messy-after-neat" })]
    [InlineData(Technique.Wash, new[] { "messy-after-neat" })]
    [InlineData(Technique.BaseCoat, new string[0])]
    [InlineData(Technique.EdgeHighlight, new string[0])]
    public void Messy_work_beside_a_finished_zone_is_found(Technique technique, string[] rules) => Assert.Equal(rules, Found(NeatTrim, WallBy(technique)).Order());

    [Fact]
    public void Messy_before_neat_is_how_painters_go() => Assert.Empty(Found(WallBy(Technique.Airbrush), NeatTrim));

    [Fact]
    public void Zones_that_do_not_touch_are_no_neighbours() => Assert.Empty(Found(NeatTrim with { Touches = [] }, WallBy(Technique.Airbrush) with { Touches = [] }));

    [Fact]
    public void A_shade_that_all_zones_get_is_meant_for_all()
    {
        var wash = Build.Coat(Technique.Wash, Build.KelpWash);
        var trim = Zone(Trim, "Trim", [Wall], Build.Coat(Technique.BaseCoat, Build.Lampblack), wash);
        var wall = Zone(Wall, "Wall", [Trim], Build.Coat(Technique.BaseCoat, Build.RopeTan), wash);
        Assert.Empty(Found(trim, wall));
    }

    [Fact]
    public void A_better_order_says_what_it_saves_and_saves_it()
    {
        var reading = new PieceReading(new([NeatTrim, WallBy(Technique.Airbrush)], [], []));
        var better = PieceJudge.BetterOrder(reading)!;
        Assert.Equal([Wall, Trim], better.Zones);
        Assert.InRange(better.SavesMin, PieceJudge.LeastMinutes, 600);
        Assert.Null(PieceJudge.BetterOrder(new(new([WallBy(Technique.Airbrush), NeatTrim], [], []))));
    }

    [Fact]
    public void A_piece_without_zones_has_nothing_to_be_found_or_put_in_order()
    {
        var empty = new PieceReading(new([], [], []));
        Assert.Empty(PieceJudge.Read(empty));
        Assert.Null(PieceJudge.BetterOrder(empty));
    }

    [Fact]
    public void Many_zones_are_put_in_order_too()
    {
        // Nine neat zones before the one that is sprayed: it belongs to the front.
        var neat = Enumerable.Range(3, 9).Select(n => Zone(new(n, 0, 0, 0, 0, 0, 0, 0, 0, 0, 5), $"Trim {n}", [Wall], NeatTrim.Stack.Coats.ToArray())).ToArray();
        var better = PieceJudge.BetterOrder(new(new([.. neat.Select(z => z with { Stack = z.Stack with { Coats = [.. z.Stack.Coats.Select(c => c with { Id = Guid.NewGuid() })] } }), WallBy(Technique.Airbrush)], [], [])))!;
        Assert.Equal(Wall, better.Zones[0]);
    }

    [Theory]
    [InlineData(true, true)]
    [InlineData(false, false)]
    public void A_zone_that_a_part_closes_is_painted_before_it(bool closedFirst, bool blocked)
    {
        var wall = WallBy(Technique.BaseCoat);
        PieceZone[] zones = [wall, NeatTrim];
        var step = new AssemblyStep("roof", [Trim], closedFirst ? Wall : Trim, null);
        var found = PieceJudge.Read(new(new(zones, [], [step])));
        Assert.Equal(blocked, found.Any(f => f.Rule.Id == "blocked-after-assembly" && f.Fault.Severity == Severity.Stop));
    }

    [Theory]
    [InlineData(0.005, true)]
    [InlineData(1, false)]
    public void A_join_has_to_have_room_for_both_films(double clearanceMm, bool binds)
    {
        PieceZone[] zones = [WallBy(Technique.BaseCoat), NeatTrim];
        var found = PieceJudge.Read(new(new(zones, [new(Wall, Trim, clearanceMm)], [])));
        Assert.Equal(binds, found.Any(f => f.Rule.Id == "joint-clearance"));
    }

    [Fact]
    public void The_copies_count_in_what_it_costs()
    {
        double Minutes(int copies)
        {
            PieceZone Of(PieceZone z) => z with { Stack = z.Stack with { Zone = z.Stack.Zone with { Copies = copies } } };
            return PieceJudge.Read(new(new([Of(NeatTrim), Of(WallBy(Technique.DryBrush))], [], []))).Single().Fault.Minutes;
        }

        Assert.Equal(4 * Minutes(3), Minutes(12), 6);
    }

    [Fact]
    public void What_is_said_is_short_and_says_what_to_do() => Assert.All(PieceJudge.Read(new(new([NeatTrim, WallBy(Technique.Airbrush)], [], []))), f =>
    {
        Assert.InRange(f.Fault.What.Length, 10, 120);
        Assert.InRange(f.Fault.Why.Length, 10, 120);
        Assert.NotEmpty(f.Fault.Advice);
    });
}
