using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Xunit;

namespace Lowfell.Core.Tests.Weathering;

/// <summary>The two worked plans: a sea wall of six, a carrier of four.</summary>
public sealed class WorkedTests
{
    private static readonly PieceBox Wall = new(150, 14, 70, []);
    private static readonly PieceBox Carrier = new(110, 52, 42, []);

    private static Material Of(Family family, string colour) => new() { Id = new((int)family, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), Name = family.ToString(), Family = family, Colour = Core.Colour.Srgb.Parse(colour) };

    private static WeatherZone Zone(double areaMm2, int copies, HostCounts? hosts = null) => new(new(5, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1), "all", new(new() { AreaMm2 = areaMm2, Copies = copies, Relief = Relief.Panelled }, new(), []), hosts ?? new());

    private static MarkWork Work(PieceBox box, WeatherZone zone, MarkKind kind, Technique technique, Family family, double count = 1, double width = 0, double length = 0, double? from = null, double? to = null)
    {
        var entry = new MarkEntry(Guid.NewGuid(), zone.Id, kind, count, width, length) { FromMm = from, ToMm = to };
        var marks = WeatherCoats.MarksOf(entry, Variation.Parts(box, zone, entry));
        return MarkWork.Of(Coat.Usual(technique, Of(family, "#808080")) with { Id = entry.Id, Marks = marks }, zone.Surface);
    }

    // What a strip of so many mm by so many takes of patches that cover a share.
    private static double Patches(double areaMm2, double share, double width, double length) => areaMm2 * share / (width * length * 0.7);

    [Fact]
    public void The_sea_wall_takes_what_was_reckoned()
    {
        var zone = Zone(22_960, 6);
        var minutes = 0.0;
        void Row(MarkWork work, double ml, double each)
        {
            Assert.Equal(ml, work.Ml, 0.06);
            Assert.Equal(each, work.MinutesEach, 0.06);
            minutes += work.Minutes;
        }

        Row(Work(Wall, zone, MarkKind.Damp, Technique.Glaze, Family.AcrylicWash, from: 0, to: 22), 1.0, 3.2);
        Row(Work(Wall, zone, MarkKind.Weed, Technique.Stipple, Family.AcrylicPaint, Patches(328 * 12, 0.35, 1.5, 1.5), 1.5, 1.5, 10, 22), 0.7, 4.2);
        Row(Work(Wall, zone, MarkKind.Tide, Technique.Glaze, Family.AcrylicWash, from: 22, to: 25), 0.4, 2.3);
        Row(Work(Wall, zone, MarkKind.Salt, Technique.Sponge, Family.AcrylicPaint, Patches(328 * 6, 0.25, 3, 3), 3, 3, 22, 28), 1.0, 1.0);
        Row(Work(Wall, zone, MarkKind.Rain, Technique.Streak, Family.AcrylicWash, 7, 0.48, 12), 0.2, 2.55);
        Row(Work(Wall, zone, MarkKind.Rust, Technique.Streak, Family.AcrylicWash, 3, 0.6, 9), 0.2, 1.6);
        Row(Work(Wall, zone, MarkKind.Lime, Technique.Streak, Family.AcrylicPaint, 2, 0.9, 2.5), 0.2, 0.53);
        Row(Work(Wall, zone, MarkKind.Kick, Technique.Pigment, Family.Pigment, from: 0, to: 4), 0.4, 0.8);

        // The rest of the hundred and ten minutes is the can.
        Assert.Equal(110 - 13, minutes, 1.0);

        // Forty-two streaks are a few thousandths of a millilitre: what stays in the brush rules.
        Assert.Equal(0.0034, Work(Wall, zone, MarkKind.Rain, Technique.Streak, Family.AcrylicWash, 7, 0.48, 12).OnPieceMl, 0.0001);
    }

    [Fact]
    public void The_carrier_takes_what_was_reckoned()
    {
        var zone = Zone(19_000, 4, new(Ledges: 20, Iron: 7, HotEdgeMm: 420));
        double Each(MarkKind kind, Technique technique, Family family, double count, double width, double length, double? from = null, double? to = null) => Work(Carrier, zone, kind, technique, family, count, width, length, from, to).MinutesEach;

        // 147 mm of the 420 are worn in lines of six; of chips of 0.6 there are seventy on a tenth.
        IReadOnlyList<FacePart> parts = FaceMap.Of(Carrier, zone.Surface);
        Assert.Equal((24, false), Proposals.Count(MarkKind.Wear, zone, parts, 0.35, 0.3, 6));
        Assert.Equal((70, false), Proposals.Count(MarkKind.Chip, zone, parts, 0.1, 0.5, 0.6));
        Assert.Equal((24, false), Proposals.Count(MarkKind.Scratch, zone, parts, 0.001, 0.2, 4));
        Assert.Equal((10, false), Proposals.Count(MarkKind.Rain, zone, parts, 0.5, 0.5, 10));
        Assert.Equal((3, false), Proposals.Count(MarkKind.Rust, zone, parts, 0.4, 0.5, 10));
        Assert.Equal(1.7, Each(MarkKind.Wear, Technique.EdgeHighlight, Family.AcrylicPaint, 24, 0.3, 6), 0.06);
        Assert.Equal(2.7, Each(MarkKind.Chip, Technique.SpongeChipping, Family.AcrylicPaint, 70, 0.5, 0.6), 0.06);
        Assert.Equal(2.7, Each(MarkKind.Scratch, Technique.EdgeHighlight, Family.AcrylicPaint, 24, 0.2, 4), 0.06);
        Assert.Equal(1.5, Each(MarkKind.Oil, Technique.Glaze, Family.OilWash, 2, 4, 7), 0.06);

        // Mud to 14 mm, a twentieth of an hour to flick it.
        Assert.Equal(2.3, Each(MarkKind.Mud, Technique.Speckle, Family.AcrylicPaint, Patches(324 * 14, 0.12, 0.5, 0.5), 0.5, 0.5, 0, 14), 0.3);
    }

    [Fact]
    public void Amounts_are_the_closed_sum()
    {
        var zone = Zone(22_960, 6);
        Assert.Equal((6 * 7 * 0.48 * 12 * 0.7 * 20 / 1e6 / 0.6) + 0.2, Work(Wall, zone, MarkKind.Rain, Technique.Streak, Family.AcrylicWash, 7, 0.48, 12).Ml, 1e-9);
        Assert.Equal((6 * 328 * 22 * 14 / 1e6 / 0.85) + 0.3, Work(Wall, zone, MarkKind.Damp, Technique.Glaze, Family.AcrylicWash, from: 0, to: 22).Ml, 1e-9);
        Assert.Equal((6 * 328 * 4 * 0.6 * 16 / 1e6 / 0.5) + 0.2, Work(Wall, zone, MarkKind.Kick, Technique.Pigment, Family.Pigment, from: 0, to: 4).Ml, 1e-9);
    }

    [Fact]
    public void What_runs_in_spirit_is_placed_and_drawn_down_within_its_window()
    {
        var zone = Zone(22_960, 6);
        var placed = Work(Wall, zone, MarkKind.Rain, Technique.Streak, Family.EnamelWash, 13, 0.48, 12);
        Assert.Equal((13 * 12 / 60.0) + 0.6, placed.DownMinutesEach, 9);
        Assert.Equal(3.2, placed.DownMinutesEach, 0.01);
        Assert.Equal((13 * 10 / 60.0) + 0.8, placed.MinutesEach - placed.DownMinutesEach, 9);
        var drawn = Work(Wall, zone, MarkKind.Rain, Technique.Streak, Family.AcrylicWash, 7, 0.48, 12);
        Assert.Equal(((7 * 15 / 60.0) + 0.8, 0), (drawn.MinutesEach, drawn.DownMinutesEach));

        // The evening has two visits of it.
        var coat = Build.Coat(Technique.Streak, Of(Family.EnamelWash, "#57513f")) with { Marks = new(13, 0.48, 12, MarkKind.Rain) };
        var steps = Core.Evenings.Steps.StackSteps.Of(new(zone.Surface, new(), [Build.Coat(Technique.BaseCoat, Build.RopeTan), coat]));
        Assert.Equal([1, Core.Evenings.Steps.Step.CleanUpPass], steps.Where(s => s.Coat.Id == coat.Id).Select(s => s.Pass));
    }
}
