using CsCheck;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Sight;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>What a piece's history leaves, and where its coats go.</summary>
public sealed class ProposalTests
{
    private static readonly PieceBox Wall = new(150, 14, 70, []);
    private static readonly SightFrom Table = new(1);

    private static readonly Shelf Shelf = new(
    [
        .. Shelf.Staples.Materials, Build.RopeTan, Build.Lampblack, Build.SaltWhite, Build.KelpWash, Build.TarWash,
        Build.Paint("#7a4420", name: "Pan Rust"), Build.Paint("#44502c", name: "Weed Green"), Build.Paint("#5a4834", name: "Mud"),
        Build.Of(Family.Pigment, "#c4b494"), Build.Of(Family.EnamelWash, "#7c431f"),
    ]);

    private static StackDraft Painted(Facing facing, Relief relief = Relief.Panelled) => new(
        new() { Name = "stone", AreaMm2 = 22_960, Copies = 6, Facing = facing, Relief = relief, Substrate = Substrate.Polystyrene },
        new(),
        [Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol)), Build.Coat(Technique.BaseCoat, Build.RopeTan, 2), Build.Coat(Technique.DryBrush, Build.SaltWhite), Build.Coat(Technique.VarnishSpray, Build.Varnish(Sheen.Matt, Family.VarnishLacquer))]);

    private static WeatherZone Zone(int id, Facing facing, StackDraft? stack = null) => new(new(id, 0, 0, 0, 0, 0, 0, 0, 0, 0, 8), facing.ToString(), stack ?? Painted(facing), new(Ledges: 14, Iron: 7, HotEdgeMm: 400));

    private static WeatherPiece Piece => new("row", "wall", 6, Wall);

    private static PieceHistory History(params WentThrough[] went) => new(WeatherAge.TenYears, went);

    private static IReadOnlyList<Proposal> Of(PieceHistory history, params WeatherZone[] zones) => Proposals.Of(Piece, zones, history, Shelf, Table, []);

    [Fact]
    public void Each_kind_goes_where_its_rule_of_place_lets_it()
    {
        var all = Of(History([.. Enum.GetValues<WentThrough>()]) with { LevelMm = 20 }, Zone(1, Facing.Side), Zone(2, Facing.Up), Zone(3, Facing.Overhang), Zone(4, Facing.Under));
        Assert.NotEmpty(all);
        Assert.All(all, p => Assert.Contains(new[] { Facing.Side, Facing.Up, Facing.Overhang, Facing.Under }[BitConverter.ToInt32(p.Entry.ZoneId.ToByteArray()) - 1], p.Entry.How.Facings));
        Assert.DoesNotContain(all, p => p.Entry.ZoneId == Zone(4, Facing.Under).Id);
        Assert.DoesNotContain(all, p => p.Entry.ZoneId == Zone(3, Facing.Overhang).Id && p.Entry.Kind is MarkKind.Rain or MarkKind.Rust && p.Entry.ZoneId == Zone(3, Facing.Overhang).Id);
        Assert.All(all, p => Assert.Contains(p.Entry.How.Place, p.Why, StringComparison.Ordinal));
        Assert.All(all.Where(p => p.Entry.How.Width is not null && p.Entry.WidthMm > 0), p => Assert.NotEqual(WidthVerdict.TooWide, MarkScale.Verdict(p.Entry.Kind, p.Entry.WidthMm, 56, new Schools())));
    }

    [Fact]
    public void Age_makes_more_of_old_damage_and_none_of_what_is_loose()
    {
        double Rain(WeatherAge age) => Of(History(WentThrough.Rain) with { Age = age }, Zone(1, Facing.Side)).Single(p => p.Entry.Kind == MarkKind.Rain).Entry.Count;
        Assert.True(Rain(WeatherAge.Season) < Rain(WeatherAge.Years) && Rain(WeatherAge.Years) < Rain(WeatherAge.TenYears) && Rain(WeatherAge.TenYears) < Rain(WeatherAge.Decades));
        Assert.Equal(7, Rain(WeatherAge.TenYears));
        (double?, double?) Dust(WeatherAge age) => Of(History(WentThrough.DryDust) with { Age = age }, Zone(1, Facing.Side)).Single().Entry is var e ? (e.FromMm, e.ToMm) : default;
        Assert.Equal(Dust(WeatherAge.Season), Dust(WeatherAge.Decades));
        Assert.Equal(17.86, Of(History(WentThrough.DryDust) with { Thrown = ThrownBy.Tracks }, Zone(1, Facing.Side)).Single().Entry.ToMm);
    }

    [Fact]
    public void Strips_follow_the_water_line()
    {
        var all = Of(History(WentThrough.TideWater) with { LevelMm = 22 }, Zone(1, Facing.Side)).ToDictionary(p => p.Entry.Kind, p => p.Entry);
        Assert.Equal((0, 22), (all[MarkKind.Damp].FromMm, all[MarkKind.Damp].ToMm));
        Assert.Equal((9.5, 22), (all[MarkKind.Weed].FromMm, all[MarkKind.Weed].ToMm));
        Assert.Equal((22, 25.04), (all[MarkKind.Tide].FromMm, all[MarkKind.Tide].ToMm));
        Assert.Equal((22, 28.25), (all[MarkKind.Salt].FromMm, all[MarkKind.Salt].ToMm));

        // A line over everything leaves no room for what lies over it.
        Assert.DoesNotContain(Of(History(WentThrough.TideWater) with { LevelMm = 95 }, Zone(1, Facing.Side)), p => p.Entry.Kind is MarkKind.Tide or MarkKind.Salt);
    }

    [Fact]
    public void Every_proposals_stack_passes_the_judge() =>
        Gen.Select(Gen.Enum<WentThrough>().Array[1, 6], Gen.Enum<WeatherAge>(), Gen.Enum<Facing>(), Gen.Enum<Relief>()).Sample((went, age, facing, relief) =>
        {
            var zone = Zone(1, facing, Painted(facing, relief));
            var entries = Of(new(age, went, null, ThrownBy.Wheels, 20), zone).Select(p => p.Entry).ToList();
            var read = WeatherReading.Of(Piece, [zone], entries, new Dictionary<Guid, Material>(), Shelf, Table);
            foreach (var stack in read.Stacks.Values)
            {
                Assert.True(WeatherCoats.Alarms(stack.Draft) <= WeatherCoats.Alarms(zone.Stack));
                Assert.All(read.Entries.Where(e => e.Coat is not null), e => Assert.True(stack.Draft.IndexOf(e.Entry.Id) >= 0));

                // Wear below fields below runs below spots below what is loose.
                int[] stages = [.. stack.Draft.Coats.Where(c => c.Marks?.Kind is not null && c.How.Role != Core.Wording.Role.Varnish).Select(c => c.Marks!.Kind!.Value.Facts().Stage)];
                Assert.Equal(stages.Order(), stages);
            }
        }, iter: 15);

    [Fact]
    public void Painting_at_random_needs_no_hosts_and_says_so()
    {
        var piece = Piece with { AtRandom = true };
        var bare = Zone(1, Facing.Side) with { Hosts = new(Ledges: 20) };
        var proposal = Proposals.Of(piece, [bare], History(WentThrough.Rain), Shelf, Table, []).Single(p => p.Entry.Kind == MarkKind.Rain);
        Assert.StartsWith("Rolled", proposal.Why, StringComparison.Ordinal);
        Assert.All(Variation.Of(piece, bare, proposal.Entry).SelectMany(c => c), m => Assert.Equal(-1, m.Host));
    }

    [Fact]
    public void A_shelf_without_anything_for_it_is_said_and_the_rest_goes_on()
    {
        var zone = Zone(1, Facing.Side);
        var entries = Of(History(WentThrough.Rain, WentThrough.DryDust), zone).Select(p => p.Entry).ToList();
        var read = WeatherReading.Of(Piece, [zone], entries, new Dictionary<Guid, Material>(), new([Build.Of(Family.Pigment, "#c4b494")]), Table);
        Assert.Contains(MarkKind.Rain, read.Stacks[zone.Id].Missing);
        Assert.Contains(read.Stacks[zone.Id].Draft.Coats, c => c.Marks?.Kind == MarkKind.Kick);
    }
}
