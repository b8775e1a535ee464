using Lowfell.Core.Materials;
using Lowfell.Core.Prediction;
using Lowfell.Core.Ready;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Ready;

/// <summary>Deep, ground, mid, light and dust of a setting.</summary>
public sealed class GroundPaletteTests
{
    public static TheoryData<GroundSetting> Settings => [.. Enum.GetValues<GroundSetting>()];

    private static IReadOnlyList<GroundPick> Of(GroundSetting setting, Shelf? shelf = null) => GroundPalette.From(setting.Colour(), shelf ?? StarterShelf.Shelf);

    [Theory]
    [MemberData(nameof(Settings))]
    public void Five_tones_climb_in_one_hue_family(GroundSetting setting)
    {
        var picks = Of(setting);
        Assert.Equal(Enum.GetValues<GroundTone>(), picks.Select(p => p.Tone));
        Assert.All(picks.Zip(picks.Skip(1)), p => Assert.True(p.Second.Colour.ToLab().L >= p.First.Colour.ToLab().L + 4, $"{setting}: {p.First.Tone} {p.First.Says} to {p.Second.Tone} {p.Second.Says}"));
        Assert.All(picks, p => Assert.True(p.DeltaE <= 9, $"{setting}: {p.Tone} {p.Says} is {p.DeltaE:0.0} off"));
        Assert.Equal(picks.Count, picks.Select(p => p.Says).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(Settings))]
    public void As_coats_it_holds_and_shows_the_ground(GroundSetting setting)
    {
        var zone = new Zone { Name = "Ground", Relief = Relief.Rough, Facing = Facing.Up };
        foreach (var tools in new[] { Tools.All, new Tools(), new Tools(Cans: false, Sponge: false) })
        {
            var shelf = StarterShelf.Shelf with { Tools = tools };
            var stack = GroundPalette.On(new(zone, new Schools(), []), Of(setting, shelf), shelf);
            var look = Predictor.PredictMiddle(stack);
            Assert.Empty(RuleBook.Read(stack, look).Where(f => f.Severity != Severity.Note).Select(f => f.Rule.Id));
            Assert.Equal(stack.Coats.Count, stack.Coats.Select(c => c.Id).Distinct().Count());
            Assert.Equal(Kind.Primer, stack.Coats[0].What!.Kind);

            // Dust lies in the recesses again.
            var light = look.Strata[^2];
            Assert.True(light.Recess.Lab.L < light.Face.Lab.L && light.Face.Lab.L < light.Edge.Lab.L, "the light falls from edge to recess");
        }
    }

    [Fact]
    public void What_prepares_a_zone_stays()
    {
        var sand = Build.Coat(Technique.GritInGlue, Build.Of(Family.Grit));
        var primer = Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol, "#222222"));
        var old = Build.Coat(Technique.BaseCoat, Build.BuoyYellow);
        var stack = GroundPalette.On(Build.Stack(sand, primer, old), Of(GroundSetting.Slate), StarterShelf.Shelf);
        Assert.Equal([sand, primer], stack.Coats.Take(2));
        Assert.Equal(7, stack.Coats.Count);
        Assert.DoesNotContain(old, stack.Coats);
    }

    [Fact]
    public void Where_no_paint_is_near_two_are_mixed_in_a_few_parts()
    {
        Material[] few = [Build.Paint("#1d1d1f", 0.98, 5, "Lampblack"), Build.Paint("#f2f1ec", name: "Salt White"), Build.Paint("#8a7350", name: "Mud")];
        var picks = Of(GroundSetting.WetSand, new Shelf(few));
        Assert.Equal("Mud", picks[1].Says);
        var light = picks.Single(p => p.Tone == GroundTone.Light);
        Assert.NotNull(light.Other);
        Assert.InRange(light.Parts.First + light.Parts.Second, 2, 8);
        Assert.Matches("^[1-4] parts? .+, [1-4] parts? .+$", light.Says);
        var coat = GroundPalette.On(Build.Stack(), picks, new Shelf(few)).Coats.Single(c => c.Note == light.Says);
        Assert.Equal(light.Colour, coat.MixedTo);
    }

    [Fact]
    public void The_dust_may_be_a_powder_and_an_empty_shelf_has_none()
    {
        var wanted = Of(GroundSetting.PaleClay).Single(p => p.Tone == GroundTone.Dust).Wanted;
        var powder = Build.Paint(wanted.ToString(), name: "Clay Dust", family: Family.Pigment);
        var picks = Of(GroundSetting.PaleClay, new Shelf([.. StarterShelf.Materials, powder]));
        Assert.Equal("Clay Dust", picks.Single(p => p.Tone == GroundTone.Dust).Says);
        Assert.All(picks.Where(p => p.Tone != GroundTone.Dust), p => Assert.Equal(Family.AcrylicPaint, p.Paint.Family));
        Assert.Empty(Of(GroundSetting.Peat, new Shelf([])));
        Assert.Empty(Of(GroundSetting.Peat, new Shelf([Build.KelpWash])));
    }

    [Fact]
    public void A_shelf_of_one_bright_paint_still_answers_with_what_there_is()
    {
        var picks = Of(GroundSetting.Slate, new Shelf([Build.BuoyYellow]));
        Assert.All(picks, p => Assert.Equal("Buoy Yellow", p.Says));
    }
}
