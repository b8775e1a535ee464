using System.Text.Json;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Shelf;
using Lowfell.Web.Features.Stack;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Kept documents: what older versions wrote is read on, and nothing of it is lost.</summary>
public sealed class KeptTests
{
    // As version 1 wrote it: no envelope, all figures, a resistance of eight.
    private const string MaterialOfBefore = """
        {"id":"01a20000-0000-7000-8000-000000000001","material":{"name":"Jetty Red","house":"Skerrow","family":"acrylicPaint","colour":"#8a3a2a","contrastRatio":0.9,"referenceFilmUm":20,"volumeSolids":0.36,
        "sheen":"matt","undertonePower":0,"effect":"plain","dropsPerMl":22,"resistance":[3,3,2,2,1,1,0,0],"shininess":7}}
        """;

    private const string CoatsOfBefore = """
        [{"id":"01a20000-0000-7000-8000-000000000002","technique":"crackleMedium","materialId":"01a20000-0000-7000-8000-000000000003","passes":1,"paintFraction":1,"dilutionForm":"parts","thinner":"water","hand":1,
        "hurried":false,"optional":false,"skipped":false,"wait":"cured","note":"One way only."},
        {"id":"01a20000-0000-7000-8000-000000000004","technique":"openChips","passes":1,"wait":"recoatDry"}]
        """;

    [Fact]
    public void A_material_of_version_1_is_read_with_what_its_figures_meant()
    {
        var material = Kept.Read<MaterialSnapshot>(MaterialOfBefore).ToCore();
        Assert.Equal(("Jetty Red", Family.AcrylicPaint, 0.9), (material.Name, material.Family, material.ContrastRatio));
        Assert.Equal(Bears.RecoatDry, material.Resistance.Water.Scrubbed);
        Assert.Equal((Bears.RecoatDry, Bears.Risk), (material.Resistance.Alcohol.Laid, material.Resistance.Alcohol.Scrubbed));
        Assert.Equal(Bears.Risk, material.Resistance.WhiteSpirit.Laid);
        Assert.Equal(Bears.Stop, material.Resistance.LacquerThinner.Mist);
    }

    [Fact]
    public void A_stack_of_before_is_read_on_with_its_waits_and_techniques()
    {
        var coats = Kept.Read<List<CoatDraft>>(CoatsOfBefore);
        Assert.Equal([Technique.CrackleMedium, Technique.OpenChips], coats.Select(c => c.Technique));
        Assert.Equal((Wait.Cured, "One way only."), (coats[0].Wait, coats[0].Note));
        Assert.Empty(coats[1].Known);
        Assert.False(coats[1].WhileWet);
    }

    [Fact]
    public void What_is_written_names_its_version_and_is_read_back()
    {
        var snapshot = Kept.Read<MaterialSnapshot>(MaterialOfBefore);
        var text = Kept.Write(snapshot);
        using var json = JsonDocument.Parse(text);
        Assert.Equal(Kept.Version, json.RootElement.GetProperty("version").GetInt32());
        Assert.Equal(text, Kept.Write(Kept.Read<MaterialSnapshot>(text)));
        Assert.Equal(snapshot.ToCore().Resistance, Kept.Read<MaterialSnapshot>(text).ToCore().Resistance);
    }

    [Theory]
    [InlineData("""{"version":99,"content":{}}""")]
    [InlineData("""{"version":0,"content":{}}""")]
    [InlineData("null")]
    [InlineData("{")]
    public void What_no_version_wrote_is_refused(string text) => Assert.ThrowsAny<JsonException>(() => Kept.Read<MaterialSnapshot>(text));
}
