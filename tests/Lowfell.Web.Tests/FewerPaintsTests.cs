using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Fewer paints and the ground of a setting, over the API.</summary>
public sealed class FewerPaintsTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<string> SetAsync(string name) => (string)(await host.GetAsync("/api/sets/cards")).AsArray().Single(s => (string)s!["name"]! == name)!["id"]!;

    private async Task<List<string>> PaintsAsync(string zone)
    {
        var names = (await host.GetAsync("/api/materials")).AsArray().ToDictionary(m => (string)m!["id"]!, m => (string)m!["material"]!["name"]!);
        return [.. (await host.ZoneAsync(zone))["scheme"]!["coats"]!.AsArray().Select(c => (string?)c!["materialId"]).OfType<string>().Select(id => names[id])];
    }

    [Fact]
    public async Task One_paint_is_taken_for_two_and_put_back_again()
    {
        var set = await SetAsync("Brine pans");
        var pair = Assert.Single((await host.GetAsync($"/api/sets/{set}/fewer")).AsArray())!;
        Assert.Equal(("Fresh Rust", "Furnace Orange", "Shallow pan, Furnace mouth"), ((string)pair["keep"]!, (string)pair["drop"]!, (string)pair["where"]!));
        Assert.InRange((double)pair["deltaE"]!, 0, 2.5);
        Assert.Equal((1, 0), ((int)pair["zones"]!, (int)pair["elsewhere"]!));

        var before = await PaintsAsync("Furnace mouth");
        object Taking(JsonNode schemes) => new { keepId = (string)pair["keepId"]!, dropId = (string)pair["dropId"]!, schemes };
        var old = pair["schemes"]!.DeepClone();
        old[0]!["version"] = 7777;
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{set}/fewer", Taking(old), "version", HttpStatusCode.Conflict);
        Assert.Equal(before, await PaintsAsync("Furnace mouth"));

        var was = Assert.Single((await host.PostAsync($"/api/sets/{set}/fewer", Taking(pair["schemes"]!.DeepClone()))).AsArray())!;
        Assert.Equal(before.Select(p => p == "Furnace Orange" ? "Fresh Rust" : p), await PaintsAsync("Furnace mouth"));
        Assert.Empty((await host.GetAsync($"/api/sets/{set}/fewer")).AsArray());
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{set}/fewer", Taking(pair["schemes"]!.DeepClone()), "dropId", HttpStatusCode.Conflict);

        var now = await host.GetAsync($"/api/zones/{was["zoneId"]}");
        await host.PutAsync($"/api/schemes/{now["scheme"]!["id"]}/stack", new { version = (int)now["scheme"]!["version"]!, coats = was["coats"]!.DeepClone() });
        Assert.Equal(before, await PaintsAsync("Furnace mouth"));

        // What is on a copy already is what it is.
        var coat = now["scheme"]!["coats"]!.AsArray().Single(c => (string?)c!["materialId"] == (string)pair["keepId"]!)!;
        await host.PostAsync("/api/log", new { id = Guid.CreateVersion7(), kind = "done", zoneId = (string)now["id"]!, coatId = (string)coat["id"]!, pass = 1, copies = new[] { 1 } });
        Assert.DoesNotContain((await host.GetAsync($"/api/sets/{set}/fewer")).AsArray(), p => (string)p!["drop"]! == "Furnace Orange");
        await host.RefusesAsync(HttpMethod.Get, $"/api/sets/{Guid.NewGuid()}/fewer", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_ground_of_a_setting_is_looked_at_and_put_on_a_zone()
    {
        var zone = await host.ZoneAsync("Walkway");
        var looked = await host.PostAsync($"/api/zones/{zone["id"]}/ground", new { setting = "paleClay", dryRun = true });
        Assert.Equal(["deep", "ground", "mid", "light", "dust"], looked["tones"]!.AsArray().Select(t => (string)t!["tone"]!));
        Assert.Equal((int)zone["scheme"]!["version"]!, (int)(await host.ZoneAsync("Walkway"))["scheme"]!["version"]!);

        await host.RefusesAsync(HttpMethod.Post, $"/api/zones/{zone["id"]}/ground", new { setting = "paleClay", version = 7777 }, "version", HttpStatusCode.Conflict);
        await host.PostAsync($"/api/zones/{zone["id"]}/ground", new { setting = "paleClay", version = (int)zone["scheme"]!["version"]! });
        var coats = (await host.ZoneAsync("Walkway"))["scheme"]!["coats"]!.AsArray();

        // The ground that it stands on stays, with its own id; the mixed tones say of what.
        var kept = zone["scheme"]!["coats"]![0]!;
        Assert.Equal((string)kept["id"]!, (string)coats[0]!["id"]!);
        Assert.Equal(["pigment", "dryBrush", "overbrush"], coats.Reverse().Take(3).Select(c => (string)c!["technique"]!));
        Assert.Contains(coats, c => (string?)c!["mixedTo"] is { Length: 7 } && ((string)c["note"]!).Contains("part", StringComparison.Ordinal));
        Assert.Equal(coats.Count, coats.Select(c => (string)c!["id"]!).Distinct().Count());
        await host.RefusesAsync(HttpMethod.Post, $"/api/zones/{Guid.NewGuid()}/ground", new { setting = "peat", dryRun = true }, "id", HttpStatusCode.NotFound);
    }
}
