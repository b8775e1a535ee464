using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class MatchTests(TestHost host) : IClassFixture<TestHost>
{
    [Fact]
    public async Task The_demos_first_box_is_matched_with_stand_ins_filter_and_dust()
    {
        var first = (await host.GetAsync("/api/painted")).AsArray().Single(p => (string)p!["name"]! == "Sea wall, first box")!;
        var match = await host.GetAsync($"/api/painted/{first["id"]}/match");
        Assert.Equal(["Otter Wash", "Skua Brown"], match["standIns"]!.AsArray().Select(s => (string)s!["then"]!).Order());
        Assert.All(match["standIns"]!.AsArray(), s => Assert.NotNull(s!["now"]));
        Assert.Equal((int)first["coats"]!, match["coats"]!.AsArray().Count);
        var unifier = match["unifier"]!;
        Assert.True((double)unifier["after"]![1]! <= (double)unifier["before"]![1]!);
        Assert.Equal(match["closest"]!.ToJsonString(), unifier["before"]!.ToJsonString());
    }

    [Fact]
    public async Task A_painted_zone_is_kept_matched_and_adopted_although_a_mix_has_gone()
    {
        var paint = await host.PostAsync("/api/materials", Drafts.Material("Kiln Brown", colour: "#7a5a40"), HttpStatusCode.Created);
        var mix = await host.PostAsync("/api/mixes", new { name = "Kiln mix", components = new object[] { new { amount = 1, unit = "parts", materialId = (string)paint["id"]! }, new { amount = 1, unit = "parts", materialId = (string)(await host.MaterialAsync("Salt White"))["id"]! } } }, HttpStatusCode.Created);
        var zone = await host.ZoneAsync("Cut edges");
        var coat = new JsonObject { ["id"] = Guid.NewGuid().ToString(), ["technique"] = "baseCoat", ["mixId"] = (string)mix["id"]!, ["passes"] = 2, ["paintFraction"] = 0.8 };
        var scheme = await host.PutAsync($"/api/schemes/{zone["scheme"]!["id"]}/stack", new JsonObject { ["version"] = (int)zone["scheme"]!["version"]!, ["coats"] = new JsonArray(coat) });
        var kept = await host.PostAsync("/api/painted", new { zoneId = (string)zone["id"]!, name = "Edges as they were", paintedOn = "2026-01-05" }, HttpStatusCode.Created);
        var same = await host.GetAsync($"/api/painted/{kept["id"]}/match");
        Assert.All(same["closest"]!.AsArray(), d => Assert.Equal(0, (double)d!));

        await host.PutAsync($"/api/schemes/{zone["scheme"]!["id"]}/stack", new { version = (int)scheme["version"]!, coats = Array.Empty<object>() });
        await host.DeleteAsync($"/api/mixes/{mix["id"]}");
        await host.DeleteAsync($"/api/materials/{paint["id"]}");
        var match = await host.GetAsync($"/api/painted/{kept["id"]}/match");
        Assert.Equal("Kiln Brown", (string)Assert.Single(match["standIns"]!.AsArray())!["then"]!);
        Assert.Equal((string)kept["face"]!, (string)match["then"]![1]!);
        var now = await host.ZoneAsync("Cut edges");
        await host.PostAsync($"/api/painted/{kept["id"]}/adopt", new { zoneId = (string)now["id"]!, schemeVersion = (int)now["scheme"]!["version"]!, withUnifier = true }, HttpStatusCode.NoContent);
        var adopted = await host.ZoneAsync("Cut edges");
        Assert.NotNull(adopted["scheme"]!["coats"]![0]!["mixId"]);
        Assert.Contains((await host.GetAsync("/api/mixes")).AsArray(), m => (string)m!["mix"]!["name"]! == "Kiln mix (matched)");
        await host.RefusesAsync(HttpMethod.Post, $"/api/painted/{kept["id"]}/adopt", new { zoneId = (string)now["id"]!, schemeVersion = (int)now["scheme"]!["version"]! }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/painted/{kept["id"]}");
        await host.RefusesAsync(HttpMethod.Get, $"/api/painted/{kept["id"]}/match", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Only_a_painted_zone_with_a_name_and_a_day_is_kept()
    {
        var zone = (string)(await host.ZoneAsync("Brine"))["id"]!;
        await host.RefusesAsync(HttpMethod.Post, "/api/painted", new { zoneId = zone, name = "", paintedOn = "2026-01-05" }, "name");
        await host.RefusesAsync(HttpMethod.Post, "/api/painted", new { zoneId = zone, name = "Later", paintedOn = "2099-01-05" }, "paintedOn");
        await host.RefusesAsync(HttpMethod.Post, "/api/painted", new { zoneId = Guid.NewGuid(), name = "Nowhere", paintedOn = "2026-01-05" }, "id", HttpStatusCode.NotFound);
    }
}
