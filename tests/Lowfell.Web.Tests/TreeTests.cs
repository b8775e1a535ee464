using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class TreeTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<(JsonNode Set, JsonNode Piece, JsonNode Zone)> NewTreeAsync(string name)
    {
        var set = await host.PostAsync("/api/sets", new { name }, HttpStatusCode.Created);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Post", shape = "box", lengthMm = 10, widthMm = 10, heightMm = 60, copies = 3 }, HttpStatusCode.Created);
        var zone = await host.PostAsync($"/api/pieces/{piece["id"]}/zones", new { name = "Timber", areaShare = 0.5 }, HttpStatusCode.Created);
        return (set, piece, zone);
    }

    private async Task<JsonNode?> SetAsync(JsonNode id) => (await host.GetAsync("/api/sets")).AsArray().FirstOrDefault(s => (string)s!["id"]! == (string)id!);

    [Fact]
    public async Task A_set_is_made_renamed_copied_ordered_deleted_and_restored()
    {
        var (set, _, _) = await NewTreeAsync("Mooring posts");
        var id = set["id"]!;
        await host.PutAsync($"/api/sets/{id}", new { version = 1, name = "Mooring stakes" }, HttpStatusCode.NoContent);
        await host.RefusesAsync(HttpMethod.Put, $"/api/sets/{id}", new { version = 1, name = "Late" }, "version", HttpStatusCode.Conflict);
        var copy = await host.PostAsync($"/api/sets/{id}/copy", null, HttpStatusCode.Created);
        var copied = await SetAsync(copy["id"]!);
        Assert.Equal("Mooring stakes copy", (string)copied!["name"]!);
        Assert.Equal("Timber", (string)copied["pieces"]![0]!["zones"]![0]!["settings"]!["name"]!);

        var was = (await host.GetAsync("/api/sets")).AsArray().Select(s => (string)s!["id"]!).ToList();
        List<string> ids = [.. was.AsEnumerable().Reverse()];
        await host.PutAsync("/api/sets/order", new { ids, was }, HttpStatusCode.NoContent);
        Assert.Equal(ids, (await host.GetAsync("/api/sets")).AsArray().Select(s => (string)s!["id"]!));
        await host.RefusesAsync(HttpMethod.Put, "/api/sets/order", new { ids = ids.Take(1), was = ids }, "ids");
        await host.RefusesAsync(HttpMethod.Put, "/api/sets/order", new { ids = was.Skip(1).Append(was[0]), was }, "version", HttpStatusCode.Conflict);

        await host.DeleteAsync($"/api/sets/{id}");
        Assert.Null(await SetAsync(id));
        await host.PostAsync($"/api/sets/{id}/restore", null, HttpStatusCode.NoContent);
        Assert.NotNull(await SetAsync(id));
    }

    [Fact]
    public async Task A_piece_that_has_no_zone_yet_stands_in_the_list_and_in_every_plan()
    {
        var set = await host.PostAsync("/api/sets", new { name = "Bollards" }, HttpStatusCode.Created);
        await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Bollard", shape = "box", lengthMm = 10, widthMm = 10, heightMm = 12, copies = 3 }, HttpStatusCode.Created);
        var piece = (await SetAsync(set["id"]!))!["pieces"]![0]!;
        Assert.Empty(piece["zones"]!.AsArray());
        await host.PostAsync("/api/plan", new { setIds = new[] { (string)set["id"]! } });
        await host.PostAsync("/api/amounts", new { setId = (string)set["id"]! });
    }

    [Fact]
    public async Task A_piece_is_changed_copied_ordered_deleted_and_restored()
    {
        var (set, piece, zone) = await NewTreeAsync("Jetty");
        var other = await host.PostAsync($"/api/pieces/{piece["id"]}/copy", null, HttpStatusCode.Created);
        var both = (await SetAsync(set["id"]!))!["pieces"]!.AsArray();
        Assert.Equal(["Post", "Post copy"], both.Select(p => (string)p!["piece"]!["name"]!));
        await host.PutAsync($"/api/pieces/{piece["id"]}", new { version = 1, piece = new { name = "Pile", shape = "free", freeAreaMm2 = 900, copies = 4 } }, HttpStatusCode.NoContent);
        var page = await host.GetAsync($"/api/zones/{zone["id"]}");
        Assert.Equal(450, (double)page["zone"]!["areaMm2"]!);
        Assert.Equal(4, (int)page["zone"]!["copies"]!);
        await host.PutAsync($"/api/sets/{set["id"]}/pieces/order", new { ids = new[] { (string)other["id"]!, (string)piece["id"]! }, was = new[] { (string)piece["id"]!, (string)other["id"]! } }, HttpStatusCode.NoContent);
        Assert.Equal("Post copy", (string)(await SetAsync(set["id"]!))!["pieces"]![0]!["piece"]!["name"]!);
        await host.DeleteAsync($"/api/pieces/{piece["id"]}");
        await host.SendAsync(HttpMethod.Get, $"/api/zones/{zone["id"]}", null, HttpStatusCode.NotFound);
        await host.PostAsync($"/api/pieces/{piece["id"]}/restore", null, HttpStatusCode.NoContent);
        await host.GetAsync($"/api/zones/{zone["id"]}");
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece["id"]}", new { version = 1, piece = new { name = "Late" } }, "version", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_zone_is_changed_copied_ordered_deleted_and_restored_and_touches_both_ways()
    {
        var (_, piece, zone) = await NewTreeAsync("Boathouse");
        var iron = await host.PostAsync($"/api/pieces/{piece["id"]}/zones", new { name = "Iron", ownAreaMm2 = 40, neighbours = new[] { (string)zone["id"]! } }, HttpStatusCode.Created);
        var timber = await host.GetAsync($"/api/zones/{zone["id"]}");
        Assert.Equal("Iron", (string)timber["neighbours"]![0]!["name"]!);
        await host.PutAsync($"/api/zones/{zone["id"]}", new { version = (int)timber["version"]!, settings = new { name = "Planks", areaShare = 0.9, relief = "smooth", handled = true, target = "#AABBCC" } }, HttpStatusCode.NoContent);
        var changed = await host.GetAsync($"/api/zones/{zone["id"]}");
        Assert.Equal("#aabbcc", (string)changed["zone"]!["target"]!);
        Assert.Empty((await host.GetAsync($"/api/zones/{iron["id"]}"))["neighbours"]!.AsArray());
        var copy = await host.PostAsync($"/api/zones/{zone["id"]}/copy", null, HttpStatusCode.Created);
        Assert.Equal(2, (await host.GetAsync($"/api/zones/{copy["id"]}"))["scheme"]!["uses"]!.AsArray().Count);
        await host.PutAsync($"/api/pieces/{piece["id"]}/zones/order", new { ids = new[] { (string)copy["id"]!, (string)iron["id"]!, (string)zone["id"]! }, was = new[] { (string)zone["id"]!, (string)iron["id"]!, (string)copy["id"]! } }, HttpStatusCode.NoContent);
        await host.DeleteAsync($"/api/zones/{zone["id"]}");
        await host.SendAsync(HttpMethod.Get, $"/api/zones/{zone["id"]}", null, HttpStatusCode.NotFound);
        await host.PostAsync($"/api/zones/{zone["id"]}/restore", null, HttpStatusCode.NoContent);
        await host.GetAsync($"/api/zones/{zone["id"]}");
    }

    [Fact]
    public async Task Faulty_trees_are_refused_and_nothing_is_stored()
    {
        var (set, piece, zone) = await NewTreeAsync("Groyne");
        var before = (await host.GetAsync("/api/sets")).ToJsonString();
        var pieces = $"/api/sets/{set["id"]}/pieces";
        var zones = $"/api/pieces/{piece["id"]}/zones";
        await host.RefusesAsync(HttpMethod.Post, "/api/sets", new { name = " " }, "name");
        await host.RefusesAsync(HttpMethod.Post, "/api/sets", new { name = new string('x', 10_000) }, "name");
        await host.RefusesAsync(HttpMethod.Post, "/api/sets", new { name = "a\0b" }, "name");
        await host.RefusesAsync(HttpMethod.Post, pieces, new { name = "x", copies = -1 }, "copies");
        await host.RefusesAsync(HttpMethod.Post, pieces, new { name = "x", lengthMm = -4 }, "lengthMm");
        await host.RefusesAsync(HttpMethod.Post, pieces, new { name = "x", shape = "free", freeAreaMm2 = 1e15 }, "freeAreaMm2");
        await host.RefusesAsync(HttpMethod.Post, pieces, new { name = "x", shape = "sphere" }, "shape");
        await host.RefusesAsync(HttpMethod.Post, zones, new { name = "x", areaShare = 2 }, "areaShare");
        await host.RefusesAsync(HttpMethod.Post, zones, new { name = "x" }, "areaShare");
        await host.RefusesAsync(HttpMethod.Post, zones, new { name = "x", ownAreaMm2 = -2 }, "ownAreaMm2");
        await host.RefusesAsync(HttpMethod.Post, zones, new { name = "x", areaShare = 0.1, neighbours = new[] { Guid.NewGuid() } }, "neighbours");
        await host.RefusesAsync(HttpMethod.Post, zones, new { name = "x", areaShare = 0.1, schemeId = Guid.NewGuid() }, "schemeId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{Guid.NewGuid()}/pieces", new { name = "x" }, "id", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Delete, $"/api/zones/{Guid.NewGuid()}", null, "id", HttpStatusCode.NotFound);
        await host.SendAsync(HttpMethod.Get, "/api/zones/not-an-id", null, HttpStatusCode.NotFound);
        Assert.Equal(before, (await host.GetAsync("/api/sets")).ToJsonString());
        await host.GetAsync($"/api/zones/{zone["id"]}");
    }
}
