using System.Globalization;
using System.Xml.Linq;
using Lowfell.Core.Bases.Drawing;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Bases.Sheets;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class MakingTests
{
    private static readonly BaseFamily Flat = StarterFamilies.WetSand with { RiseMm = 0, SkimMm = 1, Shares = [0, 1, 0, 0, 0] };

    [Theory]
    [InlineData(40)]
    [InlineData(25)]
    public void Paste_is_the_integral_of_the_height_field_and_grit_goes_by_its_area(double mm)
    {
        var form = new BaseForm(BaseShape.Round, mm, mm);
        var takes = BaseQuantities.Of(Roller.Read(new(new(form, Figure.None), [], 3), Flat));

        // Round the middle in rings: 0.2 mm at the edge, a millimetre more from a margin and a half inward.
        var volume = 0.0;
        const double Step = 0.001;
        for (var r = Step / 2; r < form.A; r += Step)
        {
            var t = Math.Clamp((form.A - r) / (form.MarginMm + 1.5), 0, 1);
            volume += 2 * Math.PI * r * Step * (0.2 + (t * t * (3 - (2 * t))));
        }

        Assert.Equal(1, takes.PasteMl * 1000 / volume, 0.02);
        var inner = Math.PI * Math.Pow(form.A - (0.6 * form.MarginMm), 2);
        Assert.Equal(1, takes.CoarseG / (inner * 1.6 / 1000), 0.03);
        Assert.Equal(1, takes.SandG / (((Math.PI * form.A * form.A) - inner) * 1.6 * 0.15 / 1000), 0.1);
        Assert.Equal(0, takes.CrackleMl);
    }

    [Fact]
    public void A_stone_takes_the_place_of_paste_and_drops_of_glue_and_loss_come_on_top()
    {
        var seat = new Seat(Trays.Round40, Figure.None);
        var slate = Trays.At("slate M", 3, 4);
        var (bare, with) = (BaseQuantities.Of(Roller.Read(new(seat, [], 3), Flat)), BaseQuantities.Of(Roller.Read(new(seat, [slate], 3), Flat)));
        var area = Outlines.Area(slate.Shape());
        Assert.Equal(0.7 * 1.2 * area / 1000, bare.PasteMl - with.PasteMl, 0.004);
        Assert.Equal(Math.Max(0.5, area * 0.1 / 20), with.SuperGlueDrops, 1e-9);
        Assert.True(with.MassG > bare.MassG);
        var tray = BaseQuantities.Of([with, with, with]);
        Assert.Equal((3 * with.PasteMl * 1.1) + 1, tray.PasteMl, 1e-9);
        Assert.Equal(3 * with.CoarseG * 1.3, tray.CoarseG, 1e-9);
        Assert.Equal(0, tray.CrackleMl);
    }

    [Theory]
    [InlineData(12.5, 48, 64, 71, 0, 3, 16, 1.5, 2)]
    [InlineData(12.5, 32, 47, 57, 4.0, 4.5, 26, 1.5, 2)]
    public void Leaning_agrees_with_worked_figures(double radius, double alone, double withFive, double withTen, double needed, double figureG, double figureMm, double baseG, double baseMm)
    {
        var form = new BaseForm(BaseShape.Round, 2 * radius, 2 * radius);
        List<Weight> masses = [new(figureG, figureMm), new(baseG, baseMm)];
        var found = Steadiness.Of(form, masses, 45);
        Assert.Equal(alone, found.TipsAtDeg, 0.5);
        Assert.Equal(withFive, Steadiness.Of(form, [.. masses, new(5, 1.2)], 45).TipsAtDeg, 0.5);
        Assert.Equal(withTen, Steadiness.Of(form, [.. masses, new(10, 1.2)], 45).TipsAtDeg, 0.5);
        Assert.Equal(needed, found.WeightG!.Value, 0.05);
    }

    [Fact]
    public void A_flier_that_needs_more_steel_than_fits_is_told_of()
    {
        var found = Steadiness.Of(Trays.Round32, [new(12, 62), new(2.2, 2), new(0.6, 30)], 45);
        Assert.Equal(17, found.TipsAtDeg, 0.5);
        Assert.Equal(36, found.WeightG!.Value, 0.5);
        Assert.Equal(10, found.FitsG, 0.5);
        Assert.Contains("10 g fit. Take a wider base or a shorter stem.", found.Verdict, StringComparison.Ordinal);
        Assert.Null(Steadiness.Of(Trays.Round25, [new(10, 20, 13)], 30).WeightG);
        Assert.Equal(6, Steadiness.Fits(Trays.Round25), 0.5);
    }

    [Fact]
    public void Cracks_follow_the_reference_values_and_grow_with_thickness()
    {
        Assert.Equal((4, 0.32), (Math.Round(new Crackle().Look(1, 56).SpacingMm, 6), Math.Round(new Crackle().Look(1, 56).WidthMm, 6)));
        Assert.Equal((8, 0.64), (Math.Round(new Crackle().Look(2, 56).SpacingMm, 6), Math.Round(new Crackle().Look(2, 56).WidthMm, 6)));
        for (var mm = 0.5; mm < 3; mm += 0.1)
        {
            Assert.True(new Crackle().Spacing(mm + 0.1) > new Crackle().Spacing(mm));
            Assert.True(Crackle.On(CrackleGround.Rough).Spacing(mm) < Crackle.On(CrackleGround.Primed).Spacing(mm));
            Assert.True(Crackle.On(CrackleGround.Primed).Spacing(mm) < Crackle.On(CrackleGround.Sealed).Spacing(mm));
            Assert.True(new Crackle().Spacing(mm, 2) < new Crackle().Spacing(mm));
            Assert.Equal(mm, new Crackle().ThicknessFor(new Crackle().Look(mm, 56).WidthMm), 1e-9);
        }

        Assert.StartsWith("Too thin", new Crackle().Look(0.3, 56).Verdict, StringComparison.Ordinal);
        Assert.StartsWith("Too thick", new Crackle().Look(2.6, 56).Verdict, StringComparison.Ordinal);
        Assert.Contains("22 cm in life, cracks of 18 mm", new Crackle().Look(1, 56).Verdict, StringComparison.Ordinal);
        var own = new CrackleTile(0.8, 20 / 2.4, 1.6, 20 / 4.8, 0.4).Law;
        Assert.Equal((3, 1, 0.0833), (Math.Round(own.PerMm, 3), Math.Round(own.Power, 3), Math.Round(own.Shrinks, 4)));
    }

    [Fact]
    public void A_tile_of_the_painters_own_rules_the_crackle_of_its_family()
    {
        var wide = StarterFamilies.SaltCrust with { Tile = new(0.6, 10, 1.2, 5, 0.6) };
        Assert.Equal(20 / 5.0, wide.Law.Spacing(1.2), 1e-9);
        Assert.Equal(20 / 10.0, wide.Law.Spacing(0.6), 1e-9);
        Assert.Equal(0.15, wide.Law.Shrinks, 1e-9);

        // What a tile of a law shows leads back to that law.
        foreach (var law in new[] { new Crackle(), Crackle.On(CrackleGround.Rough), Crackle.On(CrackleGround.Sealed) with { Power = 0.8 } })
        {
            var back = CrackleTile.Of(law).Law;
            Assert.Equal((law.PerMm, law.Power, law.Shrinks), (Math.Round(back.PerMm, 9), Math.Round(back.Power, 9), Math.Round(back.Shrinks, 9)));
        }

        // Plates three times as large leave slivers that the usual law would have kept.
        var large = StarterFamilies.SaltCrust with { Tile = new(0.5, 4, 1, 2, 0.5) };
        var (usual, own) = (Trays.Rolled(Trays.Round40, Stance.TwoFeet, 5), Trays.Rolled(Trays.Round40, Stance.TwoFeet, 5, large));
        Assert.True(own.Cover.LeastPatchMm == 0 || own.Cover.LeastPatchMm >= 1.25 * large.Law.Spacing(large.CrackleMm));
        Assert.True(usual.Cover.LeastPatchMm >= 1.25 * StarterFamilies.SaltCrust.Law.Spacing(StarterFamilies.SaltCrust.CrackleMm));
    }

    [Fact]
    public void A_landing_kept_bare_takes_no_paste_and_the_rest_as_much_as_before()
    {
        var bare = StarterFamilies.SaltCrust with { BareLandings = true };
        var (usual, free) = (Trays.Rolled(Trays.Round40, Stance.TwoFeet, 5), Trays.Rolled(Trays.Round40, Stance.TwoFeet, 5, bare));
        Assert.Equal(0, free.Terrain.LandingMm);
        var foot = free.Plot.Seat.Landings[0].Outline;
        Assert.Equal(0, free.Terrain.At(foot.Average(p => p.X), foot.Average(p => p.Y)), 1e-9);
        Assert.True(usual.Terrain.LandingMm > 0.3);

        // Ground farther than the slope round a landing is not touched by it.
        Assert.Equal(usual.Terrain.At(0, 16), free.Terrain.At(0, 16), 1e-9);
        Assert.True(BaseQuantities.Of(free).PasteMl < BaseQuantities.Of(usual).PasteMl);
    }

    [Fact]
    public void A_foot_on_a_flat_stone_stands_as_high_as_it_is_thick_and_paste_stays_the_same()
    {
        var seat = Trays.Seat(Trays.Round40, Stance.TwoFeet);
        Layout On(params double[] stones) => Roller.Read(new(new(seat.Form, seat.Figure with { StonesMm = stones }), [], 11), StarterFamilies.SaltCrust);
        var (flat, one, both) = (On(), On(0, 2), On(1.5, 2));
        Assert.Equal([0.0, 2.0], one.Plot.Seat.Landings.Select(l => l.StoneMm));
        Assert.Equal(flat.Plot.Seat.Free[0].Mm, one.Plot.Seat.Free[0].Mm);
        Assert.Equal(flat.Plot.Seat.Free[0].Mm + 1.5, both.Plot.Seat.Free[0].Mm);
        var cells = Enumerable.Range(0, one.Cover.Cells.Length).Where(i => one.Cover.At(i) == Cover.Plinth).ToList();
        Assert.True(cells.Count * Cover.StepMm * Cover.StepMm > Lowfell.Core.Bases.Plane.Outlines.Area(seat.Landings[1].Outline));
        Assert.All(cells, i => Assert.Equal(flat.Cover.HeightMm[i] + 2, one.Cover.HeightMm[i], 1e-4));
        var (without, with) = (BaseQuantities.Of(flat), BaseQuantities.Of(one));
        Assert.Equal(without.PasteMl, with.PasteMl, 0.03 * without.PasteMl);
        Assert.Equal(with.SuperGlueDrops, BaseQuantities.DropsUnder([], one.Plot.Seat.Landings), 1e-9);
        Assert.True(with.MassG > without.MassG + 0.1 && with.SuperGlueDrops >= without.SuperGlueDrops + 0.5);
    }

    [Fact]
    public void Rims_are_painted_by_school_and_numbered_where_a_number_fits()
    {
        static Material Of(string name, string colour, Family family = Family.AcrylicPaint, Effect effect = Effect.Plain) => new() { Id = Guid.NewGuid(), Name = name, Family = family, Colour = Srgb.Parse(colour), Effect = effect };
        Material[] shelf = [Of("Bone", "#d8cba8"), Of("Pier Grey", "#3c3d40"), Of("Signal Red", "#b3201f"), Of("Night Blue", "#101a50"), Of("Gun steel", "#202020", effect: Effect.Metallic), Of("Soot wash", "#050505", Family.AcrylicWash)];
        Assert.Equal("Pier Grey", Rims.PaintOf(RimSchool.NeutralDark, shelf)!.Name);
        Assert.Equal("Signal Red", Rims.PaintOf(RimSchool.TeamColour, shelf)!.Name);
        Assert.Equal("Bone", Rims.NumberOn(shelf[1], shelf)!.Name);
        Assert.Null(Rims.PaintOf(RimSchool.NeutralDark, []));
        Assert.Null(Rims.VarnishOf(shelf));
        Assert.Equal("dull", Rims.VarnishOf([Of("shiny", "#ffffff", Family.VarnishWater) with { OwnSheen = Sheen.Gloss }, Of("dull", "#ffffff", Family.VarnishWater) with { OwnSheen = Sheen.Matt }])!.Name);
        Assert.Equal(2.8, Rims.NumberMm([Trays.Round25, Trays.Round60]), 1e-9);
        Assert.Equal(0, Rims.NumberMm([Trays.Round25 with { HeightMm = 1.5 }]));
        Assert.Equal(2 * Rims.NumberWidthMm(9, 2), Rims.NumberWidthMm(10, 2), 1e-12);

        // A cylinder's side: 2 pi r h, where there is no bevel.
        Assert.Equal(Math.PI * 25 * 3.2, Rims.MeanMm2([Trays.Round25 with { BevelMm = 0 }]), 1e-6);
    }

    [Theory]
    [InlineData(0.15, 56, "8 mm gravel")]
    [InlineData(1.0, 56, "56 mm coarse gravel")]
    [InlineData(2.3, 56, "13 cm cobble")]
    [InlineData(6, 56, "34 cm boulder")]
    public void Grains_stand_for_what_they_are_in_life(double mm, double scale, string said) => Assert.Equal(said, Grain.StandsFor(mm, scale));

    [Theory]
    [InlineData(DustFrom.DrySand, 56, 3.6)]
    [InlineData(DustFrom.DrySand, 35, 5.7)]
    [InlineData(DustFrom.DrySand, 72, 2.8)]
    [InlineData(DustFrom.Mud, 56, 8.0)]
    [InlineData(DustFrom.Mud, 35, 12.9)]
    [InlineData(DustFrom.Mud, 72, 6.3)]
    public void Dust_goes_as_high_as_the_scale_says(DustFrom from, double scale, double mm)
    {
        var dust = DustUp.Of(from, scale);
        Assert.Equal(mm, dust.FirstMm, 0.06);
        Assert.Equal(0.55 * dust.FirstMm, dust.SecondMm, 1e-9);
        Assert.Equal(10, DustUp.Of(from, 200, 40).FirstMm, 1e-9);
    }

    [Fact]
    public void The_sheet_is_true_to_size()
    {
        List<NumberedBase> bases = [.. Enumerable.Range(1, 9).Select(i => new NumberedBase(i, Trays.Rolled(Trays.Ten[i % 10].Form, Trays.Ten[i % 10].Stance, (ulong)i, effort: 0.05)))];
        var svg = XDocument.Parse(PlacementSheet.Svg(bases)).Root!;
        double Number(XElement e, string name) => double.Parse(e.Attribute(name)!.Value, CultureInfo.InvariantCulture);
        var box = svg.Attribute("viewBox")!.Value.Split(' ').Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToList();
        Assert.Equal("210mm", svg.Attribute("width")!.Value);
        Assert.Equal($"{box[3]}mm", svg.Attribute("height")!.Value);
        Assert.Contains(svg.Elements(), e => e.Attribute("class")?.Value == "measure" && e.Attribute("d")!.Value.StartsWith("M10 8h50", StringComparison.Ordinal));
        foreach (var b in bases)
        {
            var group = svg.Elements().Single(e => e.Attribute("id")?.Value == $"copy-{b.Copy}");
            var foot = group.Elements().First(e => e.Attribute("class")?.Value == "foot");
            Assert.Equal(b.Layout.Form.LengthMm, foot.Name.LocalName == "rect" ? Number(foot, "width") : 2 * Number(foot, "rx"), 0.01);
            Assert.Equal(b.Layout.Form.WidthMm, foot.Name.LocalName == "rect" ? Number(foot, "height") : 2 * Number(foot, "ry"), 0.01);
            Assert.Equal(b.Layout.Elements.Count, group.Elements().Count(e => e.Attribute("class")?.Value == "element"));
            Assert.Equal(b.Layout.Plot.Seat.Landings.Length, group.Elements().Count(e => e.Attribute("class")?.Value == "landing"));
            var first = group.Elements().First(e => e.Attribute("class")?.Value == "element").Attribute("points")!.Value.Split(' ')[0].Split(',').Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToList();
            Assert.Equal(b.Layout.Elements[0].Outline()[0].X, first[0], 0.01);
            Assert.Equal(-b.Layout.Elements[0].Outline()[0].Y, first[1], 0.01);
        }

        Assert.Equal(bases[0].Layout.Elements.Count, Placing.Of(bases[0].Layout).Count);
    }

    [Fact]
    public void A_picture_shows_rim_stone_and_shadow_where_they_are()
    {
        var form = Trays.Round40;
        var stone = Trays.At("slate L", 0, 4) with { HeightMm = 6 };
        var picture = BasePicture.Of(Roller.Read(new(new(form, Figure.None), [stone], 3), StarterFamilies.WetSand with { RiseMm = 0 }), 6, "#805f40");
        Assert.Equal((240, 240), (picture.Width, picture.Height));
        (int R, int G, int B, int A) At(double x, double y)
        {
            var i = 4 * (((int)((20 - y) * 6) * 240) + (int)((x + 20) * 6));
            return (picture.Rgba[i], picture.Rgba[i + 1], picture.Rgba[i + 2], picture.Rgba[i + 3]);
        }

        double Mean(double x, double y) => Enumerable.Range(0, 49).Average(k => At(x + ((k % 7) - 3) * 0.25, y + ((k / 7) - 3) * 0.25).R);
        Assert.Equal(0, At(-19.8, 19.8).A);
        Assert.Equal(255, At(0, 0).A);
        Assert.True(At(0, -19.6).R < 90, "the rim is dark");

        // Slate is grey, the ground brown; to the front right of what stands lies its shadow.
        var (slate, ground) = (At(0, 4), At(-12, -6));
        Assert.True(Math.Abs(slate.R - slate.B) < 30 && ground.R - ground.B > 25, $"{slate} {ground}");
        var edge = stone.Outline().Max(v => v.X);
        Assert.True(Mean(edge + 1.6, 1.5) < 0.85 * Mean(-12, -6), $"{Mean(edge + 1.6, 1.5)} and {Mean(-12, -6)}");
    }

    [Fact]
    public void Kinds_and_families_are_whole()
    {
        Assert.All(Enum.GetValues<ElementKind>(), k => Assert.True(k.Facts().Density > 0));
        Assert.All(StarterFamilies.All, f =>
        {
            Assert.Equal(1, f.Shares.Sum(), 1e-9);
            foreach (var (form, _) in Trays.Ten)
            {
                Assert.NotEmpty(f.For(form));
            }
        });
        Assert.Equal(StarterBoxes.All.Count, StarterBoxes.All.Select(b => b.Class.Id).Distinct().Count());
    }
}
