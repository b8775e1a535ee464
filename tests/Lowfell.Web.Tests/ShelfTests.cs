using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class ShelfTests(TestHost host) : IClassFixture<TestHost>
{
    private const string OwnResistance = """
        {
          "water": { "mist": "recoatDry", "laid": "overnight", "scrubbed": "cured" },
          "alcohol": { "mist": "note", "laid": "risk", "scrubbed": "stop" },
          "whiteSpirit": { "mist": "recoatDry", "laid": "riskUntilCured", "scrubbed": "risk" },
          "lacquerThinner": { "mist": "stop", "laid": "stop", "scrubbed": "stop" }
        }
        """;

    [Fact]
    public async Task The_starter_shelf_covers_every_family()
    {
        var shelf = (await host.GetAsync("/api/materials")).AsArray();
        Assert.True(shelf.Count >= 60);
        Assert.Equal(23, shelf.Select(m => (string)m!["material"]!["family"]!).Distinct().Count());
        Assert.All(shelf, m => Assert.Equal(4, m!["facts"]!["resistance"]!.AsObject().Count));
    }

    [Fact]
    public async Task A_material_is_added_changed_and_taken_off()
    {
        var draft = Drafts.Material("Eel Green", colour: "#556B4F").With("dropsPerMl", 22).With("resistance", JsonNode.Parse(OwnResistance))
            .With("drying", JsonNode.Parse("{\"touchMin\":5,\"recoatMin\":15,\"curedH\":20,\"referenceWetFilmUm\":60,\"exponent\":1.1,\"warmAirFactor\":0.3}"));
        var added = await host.PostAsync("/api/materials", draft, HttpStatusCode.Created);
        Assert.Equal("#556b4f", (string)added["material"]!["colour"]!);
        Assert.Equal(22, (double)added["facts"]!["dropsPerMl"]!);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(OwnResistance), added["facts"]!["resistance"]), added.ToJsonString());
        Assert.Equal(15, (double)added["facts"]!["drying"]!["recoatMin"]!);
        var url = $"/api/materials/{added["id"]}";
        var changed = await host.PutAsync(url, new { version = 1, material = Drafts.Material("Eel Grey") });
        Assert.Equal(2, (int)changed["version"]!);
        Assert.Null(changed["material"]!["drying"]);
        await host.RefusesAsync(HttpMethod.Put, url, new { version = 1, material = Drafts.Material("Late") }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync(url);
        await host.RefusesAsync(HttpMethod.Delete, url, null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_changed_material_moves_the_prediction_at_once()
    {
        var zone = await host.ZoneAsync("Cut edges");
        var request = new JsonObject { ["zone"] = zone["zone"]!.DeepClone(), ["coats"] = zone["scheme"]!["coats"]!.DeepClone() };
        var before = (string)(await host.PostAsync("/api/preview/stack", request))["strata"]![1]!["face"]!["hex"]!;
        var oak = await host.MaterialAsync("Tarred Oak");
        var lighter = ((JsonObject)oak["material"]!.DeepClone()).With("colour", "#b0a090");
        await host.PutAsync($"/api/materials/{oak["id"]}", new { version = (int)oak["version"]!, material = lighter });
        var after = (string)(await host.PostAsync("/api/preview/stack", request))["strata"]![1]!["face"]!["hex"]!;
        Assert.NotEqual(before, after);
    }

    [Fact]
    public async Task A_material_in_use_stays()
    {
        var tan = await host.MaterialAsync("Slate Ground");
        Assert.True((int)tan["usedIn"]! > 0);
        await host.DeleteAsync($"/api/materials/{tan["id"]}", HttpStatusCode.Conflict);
        await host.MaterialAsync("Slate Ground");
    }

    [Fact]
    public async Task A_taken_name_and_faulty_figures_are_refused()
    {
        await host.RefusesAsync(HttpMethod.Post, "/api/materials", Drafts.Material("Rope Tan"), "name", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, "/api/materials", Drafts.Material("").With("colour", "blue"), "colour");
        await host.RefusesAsync(HttpMethod.Post, "/api/materials", Drafts.Material("New").With("volumeSolids", 3), "volumeSolids");
        await host.RefusesAsync(HttpMethod.Post, "/api/materials", Drafts.Material("New").With("dropsPerMl", 0), "dropsPerMl");
        await host.RefusesAsync(HttpMethod.Post, "/api/materials", Drafts.Material("New").With("drying", JsonNode.Parse("{\"touchMin\":-5,\"recoatMin\":15,\"curedH\":20,\"referenceWetFilmUm\":60,\"exponent\":1}")), "drying.touchMin");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/swatch", Drafts.Material("New").With("contrastRatio", 0), "contrastRatio");
    }

    [Fact]
    public async Task A_mix_nests_tells_its_true_ratio_and_refuses_to_contain_itself()
    {
        var tan = (string)(await host.MaterialAsync("Rope Tan"))["id"]!;
        var white = (string)(await host.MaterialAsync("Salt White"))["id"]!;
        var inner = await host.PostAsync("/api/mixes", new { name = "Shell sand", components = new object[] { new { amount = 1, unit = "parts", materialId = tan }, new { amount = 3, unit = "parts", materialId = white } } }, HttpStatusCode.Created);
        var outer = await host.PostAsync("/api/mixes", new { name = "Pale shell sand", components = new object[] { new { amount = 1, unit = "ml", mixId = (string)inner["id"]! }, new { amount = 1, unit = "ml", thinner = "water" } } }, HttpStatusCode.Created);
        Assert.Equal(0.5, (double)outer["preview"]!["paintFraction"]!);
        Assert.Equal(0.125, (double)outer["preview"]!["shares"]!.AsArray().Single(s => (string)s!["name"]! == "Rope Tan")!["share"]!);
        await host.RefusesAsync(HttpMethod.Put, $"/api/mixes/{inner["id"]}", new { version = 1, mix = new { name = "Shell sand", components = new[] { new { amount = 1, unit = "parts", mixId = (string)outer["id"]! } } } }, "mix.components[0].mixId");
        await host.RefusesAsync(HttpMethod.Put, $"/api/mixes/{inner["id"]}", new { version = 1, mix = new { name = "Shell sand", components = new[] { new { amount = 1, unit = "parts", mixId = (string)inner["id"]! } } } }, "mix.components[0].mixId");
        await host.DeleteAsync($"/api/mixes/{inner["id"]}", HttpStatusCode.Conflict);
        var changed = await host.PutAsync($"/api/mixes/{outer["id"]}", new { version = 1, mix = new { name = "Thin shell", components = new object[] { new { amount = 2, unit = "drops", materialId = tan }, new { amount = 1, unit = "drops", thinner = "acrylicMedium" } } } });
        Assert.Equal(2, (int)changed["version"]!);
        await host.RefusesAsync(HttpMethod.Put, $"/api/mixes/{outer["id"]}", new { version = 1, mix = new { name = "Late", components = new[] { new { amount = 1, unit = "parts", materialId = tan } } } }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/mixes/{outer["id"]}");
        await host.DeleteAsync($"/api/mixes/{inner["id"]}");
        Assert.DoesNotContain((await host.GetAsync("/api/mixes")).AsArray(), m => (string)m!["mix"]!["name"]! == "Shell sand");
    }

    [Fact]
    public async Task Faulty_mixes_are_refused()
    {
        var tan = (string)(await host.MaterialAsync("Rope Tan"))["id"]!;
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "None", components = Array.Empty<object>() }, "components");
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "Zero", components = new[] { new { amount = 0, unit = "parts", materialId = tan } } }, "components[0].amount");
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "Nothing", components = new[] { new { amount = 1, unit = "parts" } } }, "components[0].materialId");
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "Hole", components = new object?[] { null } }, "components[0]");
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "Ghost", components = new[] { new { amount = 1, unit = "parts", materialId = Guid.NewGuid() } } }, "components[0].materialId");
        await host.RefusesAsync(HttpMethod.Post, "/api/mixes", new { name = "Water", components = new[] { new { amount = 1, unit = "parts", thinner = "water" } } }, "components");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mix", new { components = new[] { new { amount = 1, unit = "cups", materialId = tan } } }, "components[0].unit");
    }
}
