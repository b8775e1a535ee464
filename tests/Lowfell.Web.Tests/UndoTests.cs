using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What is deleted can be put back, and then everything is as it was: read through the API, field by field.</summary>
public sealed class UndoTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonNode> FirstAsync(string path) => (await host.GetAsync(path)).AsArray().First(m => (int?)m!["usedIn"] is null or 0)!;

    // Versions count every change, a deletion too; what was worked out beside may be on its way.
    private static JsonNode Bare(JsonNode node)
    {
        switch (node)
        {
            case JsonObject fields:
                foreach (var passing in new[] { "version", "current", "sample", "findings", "judgement" })
                {
                    fields.Remove(passing);
                }

                foreach (var (_, value) in fields)
                {
                    _ = value is null ? null : Bare(value);
                }

                break;
            case JsonArray list:
                foreach (var item in list)
                {
                    _ = item is null ? null : Bare(item);
                }

                break;
            default:
                break;
        }

        return node;
    }

    private async Task<string> AllAsync()
    {
        var all = new JsonObject();
        foreach (var path in new[] { "/api/sets", "/api/materials", "/api/mixes", "/api/mix-records", "/api/tiles", "/api/painted", "/api/schemes", "/api/log/progress" })
        {
            all[path] = Bare(await host.GetAsync(path));
        }

        return all.ToJsonString();
    }

    private async Task BackAsync(string path)
    {
        var before = await AllAsync();
        await host.SendAsync(HttpMethod.Delete, path, null, HttpStatusCode.NoContent);
        Assert.NotEqual(before, await AllAsync());
        await host.SendAsync(HttpMethod.Post, path + "/restore", null, HttpStatusCode.NoContent);
        Assert.Equal(before, await AllAsync());
    }

    [Fact]
    public async Task A_set_a_piece_a_zone_a_tile_and_a_painted_set_come_back_whole()
    {
        var set = (await host.GetAsync("/api/sets"))[1]!;
        await BackAsync($"/api/sets/{set["id"]}");
        await BackAsync($"/api/pieces/{set["pieces"]![0]!["id"]}");
        await BackAsync($"/api/zones/{set["pieces"]![0]!["zones"]![0]!["id"]}");
        await BackAsync($"/api/tiles/{(await FirstAsync("/api/tiles"))["id"]}");
        await BackAsync($"/api/painted/{(await FirstAsync("/api/painted"))["id"]}");
    }

    [Fact]
    public async Task A_material_comes_back_with_its_bottles_and_drop_size()
    {
        var material = (await host.GetAsync("/api/materials")).AsArray().First(m => (int)m!["usedIn"]! == 0 && m["stock"]!["bottles"]!.AsArray().Count > 0)!;
        var id = (string)material["id"]!;
        await host.SendAsync(HttpMethod.Put, $"/api/materials/{id}", new { version = (int)material["version"]!, material = material["material"]!.DeepClone().With("dropsPerMl", 31) }, HttpStatusCode.OK);
        await BackAsync($"/api/materials/{id}");
    }

    [Fact]
    public async Task A_mix_comes_back_with_what_was_recorded_of_it_and_its_name_is_free_meanwhile()
    {
        var paint = await host.MaterialAsync("Rope Tan");
        var recipe = new { name = "Undone Grey", components = new[] { new { amount = 2.0, unit = "parts", materialId = (string)paint["id"]! } } };
        var mix = await host.SendAsync(HttpMethod.Post, "/api/mixes", recipe, HttpStatusCode.Created);
        await host.SendAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/records", new { totalMl = 2 }, HttpStatusCode.Created);
        await BackAsync($"/api/mixes/{mix["id"]}");
        await host.SendAsync(HttpMethod.Delete, $"/api/mixes/{mix["id"]}", null, HttpStatusCode.NoContent);
        await host.SendAsync(HttpMethod.Post, "/api/mixes", recipe, HttpStatusCode.Created);
        Assert.Equal("taken", (string)(await host.SendAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/restore", null, HttpStatusCode.Conflict))["code"]!);
    }

    [Fact]
    public async Task No_coat_takes_a_deleted_mix_and_one_that_is_put_back_may_be_taken()
    {
        var paint = await host.MaterialAsync("Rope Tan");
        var mix = await host.SendAsync(HttpMethod.Post, "/api/mixes", new { name = "Leaving Grey", components = new[] { new { amount = 1.0, unit = "parts", materialId = (string)paint["id"]! } } }, HttpStatusCode.Created);
        var zone = await host.ZoneAsync("Walkway");
        var scheme = zone["scheme"]!;
        object Stack() => new { version = (int)scheme["version"]!, coats = new[] { new { id = Guid.NewGuid(), technique = "baseCoat", mixId = (string)mix["id"]! } } };
        await host.SendAsync(HttpMethod.Delete, $"/api/mixes/{mix["id"]}", null, HttpStatusCode.NoContent);
        await host.RefusesAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/stack", Stack(), "coats[0].mixId");
        await host.SendAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/restore", null, HttpStatusCode.NoContent);
        await host.SendAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/stack", Stack(), HttpStatusCode.OK);
        Assert.Equal("inUse", (string)(await host.SendAsync(HttpMethod.Delete, $"/api/mixes/{mix["id"]}", null, HttpStatusCode.Conflict))["code"]!);

        // Two windows: one deletes it in the moment in which the other kept it; the stack is read on, and may be kept on.
        await host.ExecuteAsync($"UPDATE mixes SET \"DeletedAt\" = now() WHERE \"Id\" = '{mix["id"]}'");
        var again = await host.ZoneAsync("Walkway");
        await host.SendAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/stack", new { version = (int)again["scheme"]!["version"]!, coats = again["scheme"]!["coats"] }, HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_mix_does_not_come_back_without_what_goes_into_it()
    {
        var paint = await host.SendAsync(HttpMethod.Post, "/api/materials", new { name = "Passing Green", family = "acrylicPaint", colour = "#3a5f40" }, HttpStatusCode.Created);
        var mix = await host.SendAsync(HttpMethod.Post, "/api/mixes", new { name = "Passing Wash", components = new[] { new { amount = 1.0, unit = "parts", materialId = (string)paint["id"]! } } }, HttpStatusCode.Created);
        Assert.Equal(HttpStatusCode.Conflict, (await host.Http.DeleteAsync(new Uri(await host.AsKeptAsync($"/api/materials/{paint["id"]}"), UriKind.Relative), TestContext.Current.CancellationToken)).StatusCode);
        await host.SendAsync(HttpMethod.Delete, $"/api/mixes/{mix["id"]}", null, HttpStatusCode.NoContent);
        await host.SendAsync(HttpMethod.Delete, $"/api/materials/{paint["id"]}", null, HttpStatusCode.NoContent);
        Assert.Equal("gone", (string)(await host.SendAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/restore", null, HttpStatusCode.Conflict))["code"]!);
        await host.SendAsync(HttpMethod.Post, $"/api/materials/{paint["id"]}/restore", null, HttpStatusCode.NoContent);
        await host.SendAsync(HttpMethod.Post, $"/api/mixes/{mix["id"]}/restore", null, HttpStatusCode.NoContent);
    }
}
