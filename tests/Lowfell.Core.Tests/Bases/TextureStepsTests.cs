using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Bases.Plane;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Bases;

public sealed class TextureStepsTests
{
    private static readonly Material Paste = Build.Of(Family.TexturePaste), Grit = Build.Of(Family.Grit), Glue = Build.Of(Family.Pva),
        Crust = Build.Of(Family.CracklePaste), Tufts = Build.Of(Family.Tufts);

    private static IReadOnlyList<TextureStep> Of(BaseFamily family, bool crackleShows = true, params Element[] elements) =>
        TextureSteps.Of(family, [Roller.Read(new(new(Trays.Round40, Figure.None), elements, 3), family)], crackleShows);

    [Fact]
    public void Each_element_and_texture_brings_its_step_in_the_order_of_the_work()
    {
        var all = Of(StarterFamilies.SaltCrust, true, Trays.At("cork M", 0, 8), Trays.At("tuft 4", -8, 0));
        Assert.Equal([Technique.Texture, Technique.GritInGlue, Technique.DripGlue, Technique.Seal, Technique.CracklePaste, Technique.Varnish, Technique.Tufts], all.Select(s => s.Technique));
        Assert.Equal([Technique.DripGlue, Technique.Seal, Technique.Varnish], all.Where(s => s.IsNote).Select(s => s.Technique));

        // No cork, no sealing; no crackle, no varnish under the wash; no tufts, none at the end.
        Assert.Equal([Technique.Texture, Technique.GritInGlue, Technique.DripGlue], Of(StarterFamilies.WetSand, true, Trays.At("stone M", 0, 8)).Select(s => s.Technique));
        Assert.Equal([Technique.Texture], Of(StarterFamilies.WetSand with { Shares = [0, 0, 0, 0, 1] }).Select(s => s.Technique));
    }

    [Fact]
    public void Paste_is_as_thick_as_the_ground_and_crackle_as_the_family_lays_it()
    {
        var thin = Of(StarterFamilies.SaltCrust with { RiseMm = 0, SkimMm = 0.5, CrackleMm = 1.2 });
        var thick = Of(StarterFamilies.SaltCrust with { RiseMm = 0, SkimMm = 2, CrackleMm = 1.2 });
        Assert.InRange(thin[0].FilmMm, 0.5, 0.85);
        Assert.InRange(thick[0].FilmMm, 1.5, 2.4);
        Assert.Equal(1.2, thin.Single(s => s.Technique == Technique.CracklePaste).FilmMm);
    }

    [Fact]
    public void Crackle_that_shows_goes_over_the_primer_and_crackle_as_texture_below_it()
    {
        Technique[] painted = [Technique.SprayCan, Technique.Wash, Technique.DryBrush];
        Technique[] Put(bool shows)
        {
            var steps = Of(StarterFamilies.SaltCrust, shows, Trays.At("tuft 4", -8, 0));
            List<Technique> stack = [.. painted];
            foreach (var step in steps.Where(s => !s.IsNote))
            {
                stack.Insert(TextureSteps.PlaceOf(step, stack, [.. steps.Select(s => s.Technique)]), step.Technique);
            }

            return [.. stack];
        }

        Assert.Equal([Technique.Texture, Technique.GritInGlue, Technique.SprayCan, Technique.CracklePaste, Technique.Wash, Technique.DryBrush, Technique.Tufts], Put(true));
        Assert.Equal([Technique.Texture, Technique.GritInGlue, Technique.CracklePaste, Technique.SprayCan, Technique.Wash, Technique.DryBrush, Technique.Tufts], Put(false));

        // On a stack without a primer, or with nothing in it, every place is one of the stack.
        foreach (var step in Of(StarterFamilies.SaltCrust, true))
        {
            Assert.Equal(0, TextureSteps.PlaceOf(step, [], []));
            Assert.InRange(TextureSteps.PlaceOf(step, [Technique.Wash], [Technique.Texture, Technique.CracklePaste]), 0, 1);
        }
    }

    [Fact]
    public void A_step_is_laid_with_what_the_shelf_has_for_it()
    {
        Material[] shelf = [Tufts, Crust, Glue, Grit, Paste, Build.RopeTan];
        Assert.Equal(Paste, TextureSteps.LaidWithOf(Technique.Texture, shelf));
        Assert.Equal(Grit, TextureSteps.LaidWithOf(Technique.GritInGlue, shelf));
        Assert.Equal(Glue, TextureSteps.LaidWithOf(Technique.GritInGlue, [Glue, Paste]));
        Assert.Equal(Glue, TextureSteps.LaidWithOf(Technique.DripGlue, shelf));
        Assert.Equal(Crust, TextureSteps.LaidWithOf(Technique.CracklePaste, shelf));
        Assert.Equal(Tufts, TextureSteps.LaidWithOf(Technique.Tufts, shelf));
        Assert.Null(TextureSteps.LaidWithOf(Technique.Varnish, shelf));
        Assert.All(Of(StarterFamilies.SaltCrust, true, Trays.At("cork M", 0, 8), Trays.At("tuft 4", -8, 0)), s => Assert.True(s.Technique == Technique.Varnish || TextureSteps.LaidWithOf(s.Technique, shelf) is not null, s.Technique.ToString()));
    }

    [Fact]
    public void Stones_go_on_with_the_first_coat_that_takes_them_and_tufts_with_the_planting()
    {
        var (glued, paste, grit, tufts, wash) = (Build.Coat(Technique.GluePart, Glue), Build.Coat(Technique.Texture, Paste), Build.Coat(Technique.GritInGlue, Grit), Build.Coat(Technique.Tufts, Tufts), Build.Coat(Technique.Wash, Build.RopeTan));
        bool? Lays(Coat coat, params Coat[] stack) => TextureSteps.PlantsOrSets(coat, Build.Stack(Build.Zone(), stack));
        Assert.True(Lays(tufts, paste, tufts));
        Assert.False(Lays(paste, paste, grit, tufts)!.Value);
        Assert.Null(Lays(grit, paste, grit, tufts));
        Assert.Null(Lays(wash, paste, wash));

        // Gluing comes before paste, wherever it stands; what is left out takes nothing.
        Assert.False(Lays(glued, paste, glued)!.Value);
        Assert.Null(Lays(paste, paste, glued));
        Assert.False(Lays(grit, paste with { Skipped = true }, grit)!.Value);
    }

    [Fact]
    public void A_sprayed_varnish_seals_as_a_brushed_one_does_and_nothing_else_is_taken_for_another()
    {
        Assert.True(TextureSteps.IsSame(Technique.VarnishSpray, Technique.Varnish));
        Assert.True(TextureSteps.IsSame(Technique.Texture, Technique.Texture));
        Assert.False(TextureSteps.IsSame(Technique.Seal, Technique.Varnish));
        Assert.False(TextureSteps.IsSame(Technique.StaticGrass, Technique.Tufts));
    }

    [Theory]
    [InlineData(25, 0.8, 1.6)]
    [InlineData(60, 4, 7)]
    public void A_bare_base_weighs_what_such_bases_weigh_and_stands_by_itself(double mm, double least, double most)
    {
        var form = new BaseForm(BaseShape.Round, mm, mm);
        var shell = Steadiness.Shell(form);
        Assert.InRange(shell.G, least, most);
        Assert.InRange(shell.AboveTableMm, 0, form.HeightMm);
        Assert.Equal(0, Steadiness.Of(form, [shell], 35).WeightG);
    }

    [Fact]
    public void A_seed_of_an_id_is_the_same_in_every_process()
    {
        var id = new Guid("0c9e1f5e-3d2b-4a6c-8f10-5b7a9d3e2c11");
        Assert.Equal(Seeds.Of(id, 3), Seeds.Of(new Guid(id.ToByteArray()), 3));
        Assert.NotEqual(Seeds.Of(id, 3), Seeds.Of(id, 4));
        Assert.Equal(Seeds.Of(0x4A6C3D2B0C9E1F5E, 0x112C3E9D7A5B108F, 3), Seeds.Of(id, 3));
    }
}
