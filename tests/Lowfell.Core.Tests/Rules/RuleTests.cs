using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Xunit;

namespace Lowfell.Core.Tests.Rules;

/// <summary>Every rule with a stack that has it and one that has not.</summary>
public sealed class RuleTests
{
    private static readonly Coat Base = Build.Coat(Technique.BaseCoat, Build.RopeTan, 3, 0.75);
    private static readonly Coat Satin = Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Satin));

    private static Coat Cured(Coat coat) => coat with { Wait = Wait.Cured };

    [Fact]
    public void Every_rule_has_an_id_of_its_own() => Assert.Equal(22, RuleBook.Ids.Distinct().Count());

    [Fact]
    public void A_bare_stack_has_nothing_to_find() => Assert.Empty(Build.Stack(Build.Zone() with { Handled = true, Target = Srgb.Parse("#000000") }).Read());

    [Fact]
    public void Spirit_in_a_pin_wash_lifts_acrylic_paint()
    {
        var pin = Build.Coat(Technique.PinWash, Build.TarWash);
        var found = Assert.Single(Build.Stack(Base, pin).Read(), f => f.Rule == "solvent-lifts-film");
        Assert.Equal(Severity.Stop, found.Severity);
        Assert.Equal(1, found.Gap);
        Assert.Equal("barrier", found.Mends[0].Id);
        Assert.False(Build.Stack(Base, Satin, Cured(pin)).Has("solvent-lifts-film"));
    }

    [Fact]
    public void Aerosol_over_fresh_acrylic_wants_a_cure()
    {
        var can = Build.Coat(Technique.VarnishSpray, Build.Varnish(Sheen.Matt, Family.VarnishLacquer), fraction: 1);
        Assert.True(Build.Stack(Base, can).Has("solvent-lifts-film"));
        Assert.False(Build.Stack(Base, Cured(can)).Has("solvent-lifts-film"));
    }

    [Fact]
    public void A_thin_dry_brush_does_not_shield_what_is_under_it()
    {
        var spirit = Build.Coat(Technique.Streak, Build.TarWash);
        var resists = Build.Coat(Technique.BaseCoat, Build.Of(Family.PrimerAerosol), 3, 1);
        Assert.False(Build.Stack(resists, spirit).Has("solvent-lifts-film"));
        Assert.True(Build.Stack(resists, Build.Coat(Technique.DryBrush, Build.SaltWhite), spirit).Has("solvent-lifts-film"));
    }

    [Fact]
    public void A_painter_may_overrule_the_matrix_for_a_material()
    {
        var tough = Build.RopeTan with { OwnResistance = Resistance.Fixed(3, 3, 3, 3) };
        Assert.False(Build.Stack(Build.Coat(Technique.BaseCoat, tough, 3), Build.Coat(Technique.PinWash, Build.TarWash)).Has("solvent-lifts-film"));
    }

    [Fact]
    public void Spirit_does_not_thin_acrylic_paint()
    {
        Assert.True(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 1, 0.75, Thinner.WhiteSpirit)).Has("thinner-mismatch"));
        Assert.False(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 1, 0.75, Thinner.AcrylicMedium)).Has("thinner-mismatch"));
        Assert.False(Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 1, 1, Thinner.WhiteSpirit)).Has("thinner-mismatch"));
    }

    [Fact]
    public void A_mix_of_oil_and_acrylic_curdles()
    {
        var curd = new Mix("curd", [new(2, MixUnit.Parts, Material: Build.RopeTan), new(1, MixUnit.Parts, Material: Build.Of(Family.OilPaint))]);
        var coat = new Coat { Id = Guid.NewGuid(), Technique = Technique.BaseCoat, Paint = Paint.Of(curd) };
        Assert.True(Build.Stack(coat).Has("thinner-mismatch"));
    }

    [Theory]
    [InlineData(0.4, Thinner.Water, true)]
    [InlineData(0.4, Thinner.AcrylicMedium, false)]
    [InlineData(0.5, Thinner.Water, false)]
    public void Acrylic_thinned_past_half_with_water_loses_its_binder(double fraction, Thinner thinner, bool found) =>
        Assert.Equal(found, Build.Stack(Build.Coat(Technique.BaseCoat, Build.RopeTan, 1, fraction, thinner)).Has("over-thinned"));

    [Fact]
    public void A_mix_that_holds_water_already_counts_as_thinned()
    {
        var thin = new Mix("thin", [new(1, MixUnit.Parts, Material: Build.RopeTan), new(0.6, MixUnit.Parts, Thinner: Thinner.Water)]);
        Coat Of(double fraction) => new() { Id = Guid.NewGuid(), Technique = Technique.BaseCoat, Paint = Paint.Of(thin), Dilution = Dilution.Of(fraction) };
        Assert.False(Build.Stack(Of(1)).Has("over-thinned"));
        Assert.True(Build.Stack(Of(0.7)).Has("over-thinned"));
    }

    [Fact]
    public void A_pin_wash_over_matt_asks_for_a_barrier()
    {
        var pin = Build.Coat(Technique.PinWash, Build.KelpWash);
        Assert.True(Build.Stack(Base, pin).Has("sheen-under-pin-wash"));
        Assert.False(Build.Stack(Base, Satin, pin).Has("sheen-under-pin-wash"));
    }

    [Fact]
    public void By_the_gloss_school_satin_is_too_dull_for_a_pin_wash()
    {
        var pin = Build.Coat(Technique.PinWash, Build.KelpWash);
        var gloss = new Schools { PinWashVarnish = Sheen.Gloss };
        Assert.True((Build.Stack(Base, Satin, pin) with { Schools = gloss }).Has("sheen-under-pin-wash"));
        Assert.False((Build.Stack(Base, Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Gloss)), pin) with { Schools = gloss }).Has("sheen-under-pin-wash"));
    }

    [Theory]
    [InlineData(Relief.Smooth, 4000, true)]
    [InlineData(Relief.Smooth, 900, false)]
    [InlineData(Relief.Textured, 4000, false)]
    public void A_wash_pools_on_a_large_flat(Relief relief, double area, bool found) =>
        Assert.Equal(found, Build.Stack(Build.Zone(relief) with { AreaMm2 = area }, Base, Build.Coat(Technique.ThinnedWash, Build.KelpWash)).Has("wash-on-flat"));

    [Fact]
    public void One_generous_wash_is_heavy_where_the_school_says_two_thin()
    {
        var stack = Build.Stack(Base, Build.Coat(Technique.Wash, Build.KelpWash, 1, 1));
        Assert.True(stack.Has("heavy-wash"));
        Assert.False((stack with { Schools = new Schools { Wash = WashSchool.OneGenerous } }).Has("heavy-wash"));
        Assert.False(Build.Stack(Base, Build.Coat(Technique.ThinnedWash, Build.KelpWash, 2)).Has("heavy-wash"));
    }

    [Fact]
    public void Chipping_fluid_wants_a_sealed_ground_a_water_borne_top_and_an_opening()
    {
        Coat sealing = Build.Coat(Technique.VarnishSpray, Build.Varnish(Sheen.Satin, Family.VarnishLacquer), fraction: 1) with { Wait = Wait.Cured };
        var fluid = Build.Coat(Technique.ChippingFluid, Build.Of(Family.ChippingMedium));
        var top = Build.Coat(Technique.Airbrush, Build.SaltWhite);
        var open = Build.Coat(Technique.OpenChips);
        Assert.False(Build.Stack(Base, sealing, fluid, top, open).Has("chipping-sandwich"));
        Assert.True(Build.Stack(Base, fluid, top, open).Has("chipping-sandwich"), "unsealed undercoat");
        Assert.True(Build.Stack(Base, sealing, fluid, top, Satin, open).Has("chipping-sandwich"), "varnished before it is opened");
        Assert.True(Build.Stack(Base, sealing, fluid, top).Has("chipping-sandwich"), "never opened");
        Assert.True(Build.Stack(Base, sealing, fluid, open).Has("chipping-sandwich"), "nothing on top");
        Assert.True(Build.Stack(Base, sealing, fluid, Build.Coat(Technique.Airbrush, Build.Of(Family.Lacquer)), open).Has("chipping-sandwich"), "lacquer on top");
        Assert.True(Build.Stack(Base, open).Has("chipping-sandwich"), "no fluid");
    }

    [Fact]
    public void A_washable_marking_wants_a_seal_that_does_not_move_it()
    {
        var mark = Build.Coat(Technique.Marking, Build.Of(Family.WashableMarking));
        var can = Build.Coat(Technique.VarnishSpray, Build.Varnish(Sheen.Matt, Family.VarnishLacquer), fraction: 1) with { Wait = Wait.Cured };
        Assert.True(Build.Stack(Base, mark).Has("soluble-marking"));
        Assert.True(Build.Stack(Base, mark, Satin).Has("soluble-marking"));
        Assert.False(Build.Stack(Base, mark, can).Has("soluble-marking"));
    }

    [Fact]
    public void A_wash_on_loose_grit_floats_it_off()
    {
        var grit = Build.Coat(Technique.GritInGlue, Build.Of(Family.Grit));
        var wash = Build.Coat(Technique.ThinnedWash, Build.KelpWash);
        var drip = Build.Coat(Technique.DripGlue, Build.Of(Family.Pva), fraction: 0.4);
        Assert.Contains(Build.Stack(grit, wash).Read(), f => f is { Rule: "texture-unsealed", Severity: Severity.Stop });
        Assert.False(Build.Stack(grit, drip, Cured(wash)).Has("texture-unsealed"));
        Assert.False((Build.Stack(grit, wash) with { Schools = new Schools { GritGlue = GritGlueSchool.SuperGlue } }).Has("texture-unsealed"));
    }

    [Fact]
    public void A_wash_on_bare_texture_paste_soaks_in()
    {
        var paste = Build.Coat(Technique.Texture, Build.Of(Family.TexturePaste));
        var wash = Build.Coat(Technique.ThinnedWash, Build.KelpWash);
        Assert.Contains(Build.Stack(paste, wash).Read(), f => f is { Rule: "texture-unsealed", Severity: Severity.Risk });
        Assert.False(Build.Stack(paste, Satin with { Passes = 2 }, wash).Has("texture-unsealed"));
    }

    [Theory]
    [InlineData(Substrate.Mdf, true)]
    [InlineData(Substrate.Cork, true)]
    [InlineData(Substrate.Resin, false)]
    public void A_thirsty_ground_wants_a_sealer(Substrate substrate, bool found)
    {
        Assert.Equal(found, Build.Stack(Build.Zone(substrate: substrate), Base).Has("absorbent-unsealed"));
        Assert.False(Build.Stack(Build.Zone(substrate: substrate), Build.Coat(Technique.Seal, Build.Varnish(Sheen.Satin), fraction: 0.8), Base).Has("absorbent-unsealed"));
    }

    [Fact]
    public void Cut_edges_want_a_second_pass_of_sealer()
    {
        var edges = Build.Zone(substrate: Substrate.Mdf) with { CutEdges = true };
        var seal = Build.Coat(Technique.Seal, Build.Varnish(Sheen.Satin), fraction: 0.8);
        Assert.True(Build.Stack(edges, seal, Base).Has("absorbent-unsealed"));
        Assert.False(Build.Stack(edges, seal with { Passes = 2 }, Base).Has("absorbent-unsealed"));
    }

    [Fact]
    public void Aerosol_eats_bare_foam()
    {
        var foam = Build.Zone(substrate: Substrate.Foam);
        var can = Build.Coat(Technique.SprayCan, Build.Of(Family.PrimerAerosol), fraction: 1);
        Assert.True(Build.Stack(foam, can).Has("foam-solvent"));
        Assert.False(Build.Stack(foam, Build.Coat(Technique.Seal, Build.Of(Family.Pva), 2, 0.8), can).Has("foam-solvent"));
        Assert.False(Build.Stack(foam, Base).Has("foam-solvent"));
    }

    [Fact]
    public void An_opaque_coat_buries_the_light_from_above()
    {
        var zone = Build.Zone() with { Facing = Facing.Up };
        Coat[] shaded = [Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), Build.Coat(Technique.Zenithal, Build.SaltWhite, 2)];
        Assert.True(Build.Stack(zone, [.. shaded, Build.Coat(Technique.BaseCoat, Build.Lampblack, 4, 0.8)]).Has("shading-lost"));
        Assert.False(Build.Stack(zone, [.. shaded, Build.Coat(Technique.Airbrush, Build.RopeTan)]).Has("shading-lost"));
        Assert.False(Build.Stack(zone, Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), Build.Coat(Technique.BaseCoat, Build.Lampblack, 4)).Has("shading-lost"));
    }

    [Fact]
    public void Modulation_over_a_pre_shade_cancels_it()
    {
        var shade = Build.Coat(Technique.PreShade, Build.Lampblack);
        var modulation = Build.Coat(Technique.Modulation, Build.SaltWhite);
        Assert.True(Build.Stack(Base, shade, modulation).Has("modulation-over-preshade"));
        Assert.False(Build.Stack(Base, modulation).Has("modulation-over-preshade"));
        var byModulation = Build.Stack(Base, shade, modulation) with { Schools = new Schools { Shading = ShadingSchool.Modulation } };
        Assert.Equal("modulation", byModulation.Read().Single(f => f.Rule == "modulation-over-preshade").Mends[0].Id);
    }

    [Fact]
    public void A_face_off_its_target_is_told_and_the_base_mended()
    {
        var zone = Build.Zone() with { Target = Srgb.Parse("#b59a6b"), Tolerance = 3 };
        Assert.False(Build.Stack(zone, Base).Has("colour-drift"));
        var washed = Build.Stack(zone, Base, Build.Coat(Technique.ThinnedWash, Build.KelpWash, 3));
        var found = washed.Read().Single(f => f.Rule == "colour-drift");
        var mended = found.Mends.Single(m => m.Id == "base").Apply();
        Assert.InRange(Predictor.Predict(mended).Top.Face.DeltaTarget!.Value, 0, 1);
    }

    [Fact]
    public void Yellow_over_black_wants_a_lighter_ground()
    {
        var yellow = Build.Coat(Technique.BaseCoat, Build.BuoyYellow, 2, 0.75);
        var found = Build.Stack(Build.Coat(Technique.BaseCoat, Build.Lampblack, 2), yellow).Read().Single(f => f.Rule == "needs-light-ground");
        Assert.Contains("saved", found.Mends.Single().Label, StringComparison.Ordinal);
        Assert.DoesNotContain(Build.Stack(Build.Coat(Technique.BaseCoat, Build.SaltWhite, 3), yellow).Read(), f => f.Rule == "needs-light-ground" && f.CoatId == yellow.Id);
    }

    [Fact]
    public void A_strong_filter_is_a_glaze()
    {
        Coat Filter(double fraction) => Build.Coat(Technique.Filter, Build.Paint("#3b2a1c", 0.9, family: Family.AcrylicWash, sheen: Sheen.Satin), 1, fraction, Thinner.AcrylicMedium);
        Assert.True(Build.Stack(Build.Coat(Technique.BaseCoat, Build.SaltWhite, 3), Filter(0.8)).Has("filter-too-strong"));
        Assert.False(Build.Stack(Build.Coat(Technique.BaseCoat, Build.SaltWhite, 3), Filter(0.01)).Has("filter-too-strong"));
    }

    [Fact]
    public void The_same_colour_again_is_not_seen()
    {
        Assert.True(Build.Stack(Base, Base with { Id = Guid.NewGuid() }).Has("no-visible-change"));
        Assert.False(Build.Stack(Base, Build.Coat(Technique.DryBrush, Build.SaltWhite)).Has("no-visible-change"));
        Assert.False(Build.Stack(Base, Satin).Has("no-visible-change"));
    }

    [Fact]
    public void Many_coats_fill_a_fine_line()
    {
        Coat[] thick = [Build.Coat(Technique.BaseCoat, Build.RopeTan, 6, 0.9), Build.Coat(Technique.BaseCoat, Build.SaltWhite, 6, 0.9)];
        Assert.True(Build.Stack(Build.Zone(Relief.Panelled) with { SmallestDetailMm = 0.3 }, thick).Has("build-fills-detail"));
        Assert.False(Build.Stack(Build.Zone(Relief.Panelled) with { SmallestDetailMm = 2 }, thick).Has("build-fills-detail"));
        Assert.False(Build.Stack(Build.Zone(Relief.Panelled), thick).Has("build-fills-detail"));
    }

    [Fact]
    public void Matt_varnish_takes_the_shine_off_metal()
    {
        var metal = Build.Coat(Technique.DryBrush, Build.Paint("#8a8a8a", 0.95, sheen: Sheen.Gloss) with { Effect = Effect.Metallic });
        var matt = Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Matt));
        Assert.True(Build.Stack(Base, metal, matt).Has("gloss-lost"));
        Assert.False(Build.Stack(Base, metal, Satin).Has("gloss-lost"));
        Assert.False(Build.Stack(Base, matt).Has("gloss-lost"));
    }

    [Fact]
    public void Pigment_under_varnish_goes_by_school()
    {
        var dust = Build.Coat(Technique.Pigment, Build.Of(Family.Pigment, sheen: Sheen.Velvet));
        var fix = Build.Coat(Technique.FixPigment, Build.Of(Family.AcrylicMedium), fraction: 0.3);
        var loose = new Schools { Pigments = PigmentSchool.Loose };
        Assert.True(Build.Stack(Base, dust, Satin).Has("pigment-under-varnish"));
        Assert.False(Build.Stack(Base, dust, fix, Satin).Has("pigment-under-varnish"));
        var handled = Build.Zone() with { Handled = true };
        Assert.True(Build.Stack(handled, Base, Satin, dust).Has("pigment-under-varnish"));
        Assert.False((Build.Stack(handled, Base, Satin, dust) with { Schools = loose }).Has("pigment-under-varnish"));
        Assert.True((Build.Stack(Base, dust, Satin) with { Schools = loose }).Has("pigment-under-varnish"));
    }

    [Fact]
    public void What_is_handled_wants_a_final_varnish_of_the_right_sheen()
    {
        var handled = Build.Zone() with { Handled = true };
        var matt = Build.Coat(Technique.Varnish, Build.Varnish(Sheen.Matt));
        Assert.True(Build.Stack(handled, Base).Has("final-seal-missing"));
        Assert.False(Build.Stack(handled, Base, matt).Has("final-seal-missing"));
        Assert.True(Build.Stack(handled, Base, Satin).Has("final-seal-missing"));
        Assert.False(Build.Stack(handled with { Finish = Sheen.Satin }, Base, Satin).Has("final-seal-missing"));
        Assert.True(Build.Stack(handled, Base, matt, Build.Coat(Technique.Speckle, Build.SaltWhite)).Has("final-seal-missing"));
        Assert.False(Build.Stack(Base).Has("final-seal-missing"));
    }

    [Fact]
    public void Warm_air_is_for_base_coats_and_textures_alone()
    {
        static Coat Hurried(Coat coat) => coat with { Hurried = true };
        Assert.False(Build.Stack(Hurried(Base)).Has("hot-air-not-here"));
        Assert.Contains(Build.Stack(Base, Hurried(Build.Coat(Technique.Wash, Build.KelpWash))).Read(), f => f is { Rule: "hot-air-not-here", Severity: Severity.Risk });
        Assert.Contains(Build.Stack(Hurried(Build.Coat(Technique.BaseCoat, Build.Of(Family.EnamelPaint)))).Read(), f => f is { Rule: "hot-air-not-here", Severity: Severity.Stop });
        Assert.Contains(Build.Stack(Build.Zone(substrate: Substrate.Foam), Hurried(Base)).Read(), f => f is { Rule: "hot-air-not-here", Severity: Severity.Stop });
        Assert.True((Build.Stack(Hurried(Base)) with { Schools = new Schools { WarmAir = WarmAirSchool.Never } }).Has("hot-air-not-here"));
    }

    [Fact]
    public void A_skipped_coat_is_not_read_by_any_rule() =>
        Assert.False(Build.Stack(Base, Build.Coat(Technique.PinWash, Build.TarWash) with { Skipped = true }).Has("solvent-lifts-film"));

    [Fact]
    public void The_worst_comes_first()
    {
        var severities = Build.Stack(Build.Zone() with { Handled = true }, Base, Build.Coat(Technique.Wash, Build.KelpWash, 1, 1), Build.Coat(Technique.PinWash, Build.TarWash), Base with { Id = Guid.NewGuid() }).Read().Select(f => f.Severity).ToList();
        Assert.Equal(severities.Order(), severities);
        Assert.True(severities.Count > 2);
    }
}
