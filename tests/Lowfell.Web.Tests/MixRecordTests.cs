using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class MixRecordTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonNode> PaintAsync(string name, string colour, double leftMl, string lot)
    {
        var added = await host.PostAsync("/api/materials", Drafts.Material(name, colour: colour), HttpStatusCode.Created);
        await host.PostAsync($"/api/materials/{added["id"]}/bottles", new { sizeMl = 20, leftMl, lot }, HttpStatusCode.Created);
        return added;
    }

    private async Task<JsonNode> MixAsync(string name, JsonNode a, JsonNode b) => await host.PostAsync(
        "/api/mixes",
        new { name, components = new object[] { new { amount = 3, unit = "parts", materialId = (string)a["id"]! }, new { amount = 1, unit = "parts", materialId = (string)b["id"]! }, new { amount = 1, unit = "parts", thinner = "water" } } },
        HttpStatusCode.Created);

    private async Task<double> LeftAsync(string name) => (double)(await host.MaterialAsync(name))["stock"]!["leftMl"]!;

    [Fact]
    public async Task A_made_mix_takes_from_the_bottles_is_used_and_topped_up()
    {
        var (a, b) = (await PaintAsync("Made A", "#6a5a4a", 10, "L1"), await PaintAsync("Made B", "#c0b090", 10, "L2"));
        var mix = await MixAsync("Made mix", a, b);
        var record = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { totalMl = 5, note = "for the wall" }, HttpStatusCode.Created);
        Assert.Equal((5.0, 5.0), ((double)record["madeMl"]!, (double)record["leftMl"]!));
        Assert.Equal((7.0, 9.0), (await LeftAsync("Made A"), await LeftAsync("Made B")));
        Assert.Equal(["L1", "L2", ""], record["lines"]!.AsArray().Select(l => (string)l!["lot"]!));
        var url = $"/api/mix-records/{record["id"]}";
        var sets = await host.GetAsync("/api/sets");
        var piece = sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).First(p => (int)p!["piece"]!["copies"]! == 8)!;
        var used = await host.PostAsync(url + "/uses", new { ml = 2, pieceId = (string)piece["id"]!, copies = new[] { 3, 1, 2 }, note = "first coat" });
        Assert.Equal(3, (double)used["leftMl"]!);
        Assert.Equal([1, 2, 3], used["uses"]![0]!["copies"]!.AsArray().Select(c => (int)c!));
        await host.RefusesAsync(HttpMethod.Post, url + "/uses", new { ml = 4 }, "ml");
        await host.RefusesAsync(HttpMethod.Post, url + "/uses", new { ml = 1, pieceId = (string)piece["id"]!, copies = new[] { 9 } }, "copies");
        var topped = await host.PostAsync(url + "/top-ups", new { ml = 1, thinner = "water" });
        Assert.Equal((6.0, 4.0), ((double)topped["madeMl"]!, (double)topped["leftMl"]!));
        topped = await host.PostAsync(url + "/top-ups", new { ml = 6 });
        Assert.Equal(12, (double)topped["madeMl"]!);

        // The recipe as it stands in the pot, its extra water counted: of six ml, half is the first paint.
        Assert.Equal(7 - 3, await LeftAsync("Made A"), 6);
    }

    [Fact]
    public async Task Counted_drops_are_written_down_as_what_they_truly_are()
    {
        var (a, b) = (await PaintAsync("Drop A", "#6a5a4a", 10, ""), await PaintAsync("Drop B", "#c0b090", 10, ""));
        var mix = await MixAsync("Drop mix", a, b);
        var record = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { drops = new[] { 6, 2, 1 } }, HttpStatusCode.Created);
        Assert.Equal((8 * 0.05) + (1 * 0.07), (double)record["madeMl"]!, 3);
        await host.RefusesAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/records", new { drops = new[] { 6, 2 } }, "drops");
        await host.RefusesAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/records", new { }, "totalMl");
        await host.RefusesAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/records", new { totalMl = 0 }, "totalMl");
    }

    [Fact]
    public async Task Where_the_shelf_held_less_the_bottles_are_empty_and_it_is_said()
    {
        var (a, b) = (await PaintAsync("Short A", "#6a5a4a", 1, "L1"), await PaintAsync("Short B", "#c0b090", 10, ""));
        var mix = await MixAsync("Short mix", a, b);
        var record = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { totalMl = 5 }, HttpStatusCode.Created);
        Assert.Equal(["Short A"], record["shelfSaidLess"]!.AsArray().Select(s => (string)s!));
        Assert.Equal(0, await LeftAsync("Short A"));
        Assert.Equal(3, record["lines"]!.AsArray().Where(l => (string)l!["name"]! == "Short A").Sum(l => (double)l!["ml"]!), 6);
    }

    [Fact]
    public async Task Made_again_it_says_what_changed_and_how_far_the_colour_is_off()
    {
        var (a, b) = (await PaintAsync("Again A", "#6a5a4a", 10, "L1"), await PaintAsync("Again B", "#c0b090", 10, "L2"));
        var mix = await MixAsync("Again mix", a, b);
        var record = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { totalMl = 5 }, HttpStatusCode.Created);
        var url = $"/api/mix-records/{record["id"]}/again";
        var same = await host.GetAsync(url + "?totalMl=5");
        Assert.Empty(same["changes"]!.AsArray());
        Assert.Equal(0, (double)same["deltaE"]!);
        var material = await host.MaterialAsync("Again A");
        await host.PutAsync($"/api/materials/{a["id"]}", new { version = (int)material["version"]!, material = Drafts.Material("Again A", colour: "#7a5a3a") });
        var bottle = material["stock"]!["bottles"]![0]!;
        await host.PutAsync($"/api/bottles/{bottle["id"]}", new { version = (int)bottle["version"]!, bottle = new { sizeMl = 20, leftMl = 2, lot = "L7" } });
        var changed = await host.GetAsync(url + "?totalMl=5");
        Assert.True((double)changed["deltaE"]! > 1);
        var words = string.Join(" ", changed["changes"]!.AsArray().Select(c => (string)c!));
        Assert.Contains("#6a5a4a is #7a5a3a now", words, StringComparison.Ordinal);
        Assert.Contains("lot L1 then, L7 now", words, StringComparison.Ordinal);
        Assert.Contains("3 ml are needed, 2 ml are left", words, StringComparison.Ordinal);
        var again = await host.PostAsync(url, new { totalMl = 2 }, HttpStatusCode.Created);
        Assert.Equal(2, (double)again["madeMl"]!);
        Assert.Equal("L7", (string)again["lines"]![0]!["lot"]!);
        await host.RefusesAsync(HttpMethod.Post, url, new { totalMl = -1 }, "totalMl");
    }

    [Fact]
    public async Task A_material_that_is_gone_is_named_and_the_rest_stays_readable()
    {
        var (a, b) = (await PaintAsync("Gone A", "#6a5a4a", 10, "L1"), await PaintAsync("Gone B", "#c0b090", 10, "L2"));
        var mix = await MixAsync("Gone mix", a, b);
        var record = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { totalMl = 5 }, HttpStatusCode.Created);
        await host.DeleteAsync($"/api/mixes/{mix["id"]}");
        await host.DeleteAsync($"/api/materials/{a["id"]}");
        var again = await host.GetAsync($"/api/mix-records/{record["id"]}/again?totalMl=5");
        Assert.Null(again["now"]);
        Assert.Contains("Gone A is no longer on the shelf.", again["changes"]!.AsArray().Select(c => (string)c!));
        Assert.True((bool)again["lines"]![0]!["gone"]!);
        await host.RefusesAsync(HttpMethod.Post, $"/api/mix-records/{record["id"]}/again", new { totalMl = 5 }, "id", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"/api/mix-records/{record["id"]}/top-ups", new { ml = 5 }, "id", HttpStatusCode.Conflict);
        Assert.Contains((await host.GetAsync("/api/mix-records")).AsArray(), r => (string)r!["name"]! == "Gone mix" && r["mixId"] is null);
    }

    [Fact]
    public async Task A_recipe_is_told_in_every_unit_with_whole_drops_and_tools()
    {
        var tan = (string)(await host.MaterialAsync("Rope Tan"))["id"]!;
        var sheet = await host.PostAsync("/api/preview/mix", new { components = new object[] { new { amount = 1, unit = "parts", materialId = tan }, new { amount = 1, unit = "parts", thinner = "water" } }, totalMl = 7, ground = "#303030" });
        Assert.Equal(7, sheet["lines"]!.AsArray().Sum(l => (double)l!["ml"]!), 6);
        Assert.Equal([7, 5], sheet["within2"]!["drops"]!.AsArray().Select(d => (int)d!));
        Assert.Equal([3, 2], sheet["within5"]!["drops"]!.AsArray().Select(d => (int)d!));
        Assert.Equal("right", (string)sheet["tools"]!.AsArray().Single(t => (string)t!["technique"]! == "airbrush")!["fit"]!);
        Assert.Equal(2, sheet["overGround"]!.AsArray().Count);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mix", new { components = new object[] { new { amount = 1, unit = "parts", materialId = tan } }, totalMl = 0 }, "totalMl");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mix", new { components = Array.Empty<object>() }, "components");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mix", new { components = new object[] { new { amount = 0, unit = "ml", materialId = tan } } }, "components[0].amount");
    }

    [Fact]
    public async Task A_ratio_is_solved_and_nonsense_refused()
    {
        var ids = new[] { (string)(await host.MaterialAsync("Rope Tan"))["id"]!, (string)(await host.MaterialAsync("Salt White"))["id"]! };
        var found = await host.PostAsync("/api/preview/ratio", new { materialIds = ids, target = "#d0c0a0" });
        Assert.InRange((double)found[0]!["deltaE"]!, 0, 6);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/ratio", new { materialIds = ids[..1], target = "#d0c0a0" }, "materialIds");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/ratio", new { materialIds = new[] { ids[0], ids[0] }, target = "#d0c0a0" }, "materialIds");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/ratio", new { materialIds = ids, target = "sand" }, "target");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/ratio", new { materialIds = new[] { ids[0], Guid.NewGuid().ToString() }, target = "#d0c0a0" }, "materialIds[1]");
        var varnish = (string)(await host.MaterialAsync("Tarnside Satin Varnish"))["id"]!;
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/ratio", new { materialIds = new[] { ids[0], varnish }, target = "#d0c0a0" }, "materialIds[1]");
    }
}
