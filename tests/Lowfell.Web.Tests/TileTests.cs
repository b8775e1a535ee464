using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class TileTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonObject> DraftAsync(string name)
    {
        async Task<JsonObject> Coat(string technique, string material) => new() { ["id"] = Guid.NewGuid().ToString(), ["technique"] = technique, ["materialId"] = (string)(await host.MaterialAsync(material))["id"]! };
        return new()
        {
            ["name"] = name,
            ["plan"] = new JsonObject
            {
                ["zone"] = new JsonObject { ["relief"] = "textured" },
                ["under"] = new JsonArray(),
                ["rows"] = new JsonArray(await Coat("baseCoat", "Pier Grey"), await Coat("baseCoat", "Rope Tan")),
                ["columns"] = new JsonArray(await Coat("wash", "Kelp Wash"), await Coat("wash", "Soot Wash")),
                ["look"] = new JsonObject { ["face"] = "#9a8c6c" },
            },
            ["painted"] = new JsonArray(),
        };
    }

    [Fact]
    public async Task A_tile_is_predicted_kept_painted_and_a_cell_adopted()
    {
        var draft = await DraftAsync("Trial");
        var preview = await host.PostAsync("/api/preview/tile", draft);
        Assert.Equal(4, preview["cells"]!.AsArray().Count);
        var nearest = preview["cells"]!.AsArray().MinBy(c => (double)c!["deWanted"]!)!;
        Assert.Equal(((int)nearest["row"]!, (int)nearest["column"]!), ((int)preview["nearestRow"]!, (int)preview["nearestColumn"]!));
        var kept = await host.PostAsync("/api/tiles", draft, HttpStatusCode.Created);
        draft["painted"] = new JsonArray(new JsonObject { ["row"] = 0, ["column"] = 1, ["face"] = "#9a8c6c", ["note"] = "just so" });
        var changed = await host.PutAsync($"/api/tiles/{kept["id"]}", new JsonObject { ["version"] = 1, ["tile"] = draft.DeepClone() });
        Assert.Equal("just so", (string)changed["tile"]!["painted"]![0]!["note"]!);
        var seen = await host.PostAsync("/api/preview/tile", draft);
        Assert.Equal((0, 1), ((int)seen["nearestRow"]!, (int)seen["nearestColumn"]!));
        var zone = await host.ZoneAsync("Cut edges");
        var version = (int)zone["scheme"]!["version"]!;
        await host.PostAsync($"/api/tiles/{kept["id"]}/adopt", new { row = 0, column = 1, zoneId = (string)zone["id"]!, schemeVersion = version }, HttpStatusCode.NoContent);
        var coats = (await host.ZoneAsync("Cut edges"))["scheme"]!["coats"]!.AsArray();
        Assert.Equal(["baseCoat", "wash"], coats.Select(c => (string)c!["technique"]!));
        await host.RefusesAsync(HttpMethod.Post, $"/api/tiles/{kept["id"]}/adopt", new { row = 0, column = 1, zoneId = (string)zone["id"]!, schemeVersion = version }, "version", HttpStatusCode.Conflict);
        await host.PostAsync($"/api/tiles/{kept["id"]}/adopt", new { row = 1, column = 0, zoneId = (string)zone["id"]!, schemeVersion = version + 1, instead = false }, HttpStatusCode.NoContent);
        Assert.Equal(4, (await host.ZoneAsync("Cut edges"))["scheme"]!["coats"]!.AsArray().Count);
        await host.RefusesAsync(HttpMethod.Post, $"/api/tiles/{kept["id"]}/adopt", new { row = 2, column = 0, zoneId = (string)zone["id"]!, schemeVersion = version + 2 }, "row");
        await host.RefusesAsync(HttpMethod.Put, $"/api/tiles/{kept["id"]}", new JsonObject { ["version"] = 1, ["tile"] = draft.DeepClone() }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/tiles/{kept["id"]}");
        await host.RefusesAsync(HttpMethod.Delete, $"/api/tiles/{kept["id"]}", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_tile_out_of_bounds_is_refused()
    {
        var draft = await DraftAsync("Faulty");
        JsonObject With(string path, JsonNode? value) => ((JsonObject)draft.DeepClone()).With(path, value);
        await host.RefusesAsync(HttpMethod.Post, "/api/tiles", With("name", " "), "name");
        await host.RefusesAsync(HttpMethod.Post, "/api/tiles", With("plan.rows", new JsonArray()), "plan.rows");
        await host.RefusesAsync(HttpMethod.Post, "/api/tiles", With("plan.look.face", "sand"), "plan.look.face");
        await host.RefusesAsync(HttpMethod.Post, "/api/tiles", With("painted", new JsonArray(new JsonObject { ["row"] = 5, ["column"] = 0, ["face"] = "#112233" })), "painted[0].row");
        Assert.DoesNotContain((await host.GetAsync("/api/tiles")).AsArray(), t => (string)t!["tile"]!["name"]! == "Faulty");
    }
}
