using Lowfell.Core.Materials;
using Lowfell.Core.Ready;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Ready;

/// <summary>Which primer saves passes for what a zone is to look like.</summary>
public sealed class PrimerChooserTests
{
    private static readonly Material Black = Build.Paint("#222224", 0.98, 5, "Black can", Family.PrimerAerosol);
    private static readonly Material White = Build.Paint("#ecebe6", 0.88, 20, "White can", Family.PrimerAerosol);
    private static readonly Material Bone = Build.Paint("#d9cfb4", 0.9, 20, "Bone primer", Family.PrimerWater);
    private static readonly Shelf Three = new([Black, White, Bone, Build.RopeTan]);

    private static StackDraft Yellow(Material? primer) => Build.Stack(
        Build.Zone(Relief.Textured, Substrate.Polystyrene),
        primer is null ? [Build.Coat(Technique.BaseCoat, Build.BuoyYellow)] : [Build.Coat(Technique.SprayCan, primer), Build.Coat(Technique.BaseCoat, Build.BuoyYellow)]);

    [Fact]
    public void Under_yellow_a_pale_primer_saves_passes()
    {
        var ranked = PrimerChooser.Rank(Yellow(Black) with { Zone = Build.Zone() with { Target = Core.Colour.Srgb.Parse("#f0c020"), Substrate = Substrate.Polystyrene } }, Three);
        Assert.Equal(3, ranked.Count);
        Assert.Equal("Black can", ranked[^1].Material.Name);
        Assert.True(ranked[^1].IsNow);
        Assert.True(ranked[0].Passes < ranked[^1].Passes);
        Assert.True(ranked[0].Minutes < ranked[^1].Minutes);
        Assert.All(ranked, r => Assert.Equal(Math.Clamp(r.Passes, 1, 12), r.Draft.Coats[1].Passes));
    }

    [Fact]
    public void A_dark_primer_leaves_more_in_the_recess_under_a_coat_that_mists_over_it()
    {
        var misted = Build.Stack(Build.Coat(Technique.SprayCan, White), Build.Coat(Technique.Airbrush, Build.Paint("#a98a5c", 0.7)));
        var ranked = PrimerChooser.Rank(misted, Three);
        double Shading(string primer) => ranked.Single(r => r.Material.Name == primer).Shading;
        Assert.True(Shading("Black can") > Shading("White can") + 0.1, $"{Shading("Black can")} over black, {Shading("White can")} over white");
    }

    [Fact]
    public void Without_a_primer_it_comes_first_and_the_rest_stays()
    {
        var ranked = PrimerChooser.Rank(Yellow(null), Three);
        Assert.All(ranked, r => Assert.Equal(2, r.Draft.Coats.Count));
        Assert.All(ranked, r => Assert.Equal(Kind.Primer, r.Draft.Coats[0].What!.Kind));
        Assert.All(ranked, r => Assert.False(r.IsNow));
    }

    [Fact]
    public void Only_what_can_be_laid_is_offered()
    {
        Assert.Equal(["Bone primer"], PrimerChooser.Rank(Yellow(Black), Three with { Tools = new Tools(Cans: false) }).Select(r => r.Material.Name));
        var foam = Yellow(null) with { Zone = Build.Zone(Relief.Textured, Substrate.Foam) };
        Assert.Equal(["Bone primer"], PrimerChooser.Rank(foam, Three).Select(r => r.Material.Name));
        Assert.Empty(PrimerChooser.Rank(Build.Stack(Build.Coat(Technique.SprayCan, Black)), Three));
        Assert.Empty(PrimerChooser.Rank(Yellow(Black), new Shelf([Build.RopeTan])));
    }
}
