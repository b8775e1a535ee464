using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using SkiaSharp;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Pictures pinned to a set, and what is picked from them.</summary>
public sealed class ReferenceTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    // Four fields: a grey card, and three tones as a warm lamp shows them.
    private static readonly string[] Fields = ["#8a7760", "#5a4630", "#a98a5c", "#dcc9a0"];

    private static double At(int field) => (field + 0.5) / Fields.Length;

    private async Task<string> PictureAsync()
    {
        using var bitmap = new SKBitmap(400, 60);
        using var canvas = new SKCanvas(bitmap);
        for (var i = 0; i < Fields.Length; i++)
        {
            using var paint = new SKPaint { Color = SKColor.Parse(Fields[i]) };
            canvas.DrawRect(i * 100, 0, 100, 60, paint);
        }

        canvas.Flush();
        var id = Guid.CreateVersion7().ToString();
        using var body = new ByteArrayContent(bitmap.Encode(SKEncodedImageFormat.Png, 100).ToArray());
        body.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        using var answer = await host.Http.PutAsync($"/api/photos/{id}", body, Cancel);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return id;
    }

    private static object Pick(JsonNode zone, string height, int field, string why = "") => new { zoneId = (string)zone["id"]!, height, x = At(field), y = 0.5, onPurpose = why };

    private async Task<(JsonNode Zone, string Set, string Id, JsonNode View)> PinnedAsync(string name)
    {
        var zone = await host.ZoneAsync(name);
        var set = (string)(await host.GetAsync("/api/zones")).AsArray().First(z => (string)z!["id"]! == (string)zone["id"]!)!["setId"]!;
        var id = Guid.CreateVersion7().ToString();
        var view = await host.PostAsync($"/api/sets/{set}/references", new { id, photoId = await PictureAsync(), pieceId = (string)zone["pieceId"]!, name = "Harbour wall at low tide" }, HttpStatusCode.Created);
        return (zone, set, id, view);
    }

    [Fact]
    public async Task Colours_are_picked_become_wanted_and_are_let_go_again()
    {
        var (zone, set, id, pinned) = await PinnedAsync("Hull panels");
        Assert.Equal((400, 60, 1), ((int)pinned["width"]!, (int)pinned["height"]!, (int)pinned["version"]!));
        var picked = await host.PutAsync($"/api/references/{id}", new { version = 1, name = "Harbour wall", picks = new[] { Pick(zone, "recess", 1), Pick(zone, "face", 2), Pick(zone, "edge", 3, "bleached less, it is a hull") } });
        Assert.Equal(["#5a4630", "#a98a5c", "#dcc9a0"], picked["picks"]!.AsArray().Select(p => (string)p!["colour"]!));
        Assert.All(picked["picks"]!.AsArray(), p => Assert.NotEqual("", (string)p!["words"]!));
        Assert.Equal("bleached less, it is a hull", (string)picked["picks"]![2]!["onPurpose"]!);

        // Where it departs on purpose it is not judged by.
        var wants = (await host.ZoneAsync("Hull panels"))["settings"]!;
        Assert.Equal(("#5a4630", "#a98a5c", null), ((string)wants["targetRecess"]!, (string)wants["target"]!, (string?)wants["targetEdge"]));

        // A known grey takes the lamp out of all of them at once.
        var balanced = await host.PutAsync($"/api/references/{id}", new { version = (int)picked["version"]!, name = "Harbour wall", grey = new { x = At(0), y = 0.5, @is = "#777777" }, picks = new[] { Pick(zone, "face", 2), Pick(zone, "edge", 0) } });
        Assert.Equal("#777777", (string)balanced["picks"]![1]!["colour"]!);
        Assert.NotEqual("#a98a5c", (string)balanced["picks"]![0]!["colour"]!);
        wants = (await host.ZoneAsync("Hull panels"))["settings"]!;
        Assert.Null((string?)wants["targetRecess"]);
        Assert.Equal((string)balanced["picks"]![0]!["colour"]!, (string)wants["target"]!);

        var listed = Assert.Single((await host.GetAsync($"/api/sets/{set}/references")).AsArray(), r => (string)r!["id"]! == id)!;
        Assert.Equal(balanced.ToJsonString(), listed.ToJsonString());
        await host.RefusesAsync(HttpMethod.Put, $"/api/references/{id}", new { version = 1, name = "Older", picks = Array.Empty<object>() }, "version", HttpStatusCode.Conflict);

        // Given up, they are wanted no more.
        await host.PutAsync($"/api/references/{id}", new { version = (int)balanced["version"]!, name = "Harbour wall", picks = Array.Empty<object>() });
        Assert.Null((string?)(await host.ZoneAsync("Hull panels"))["settings"]!["target"]);
    }

    [Fact]
    public async Task It_is_pinned_once_taken_off_and_pinned_again()
    {
        var (_, set, id, view) = await PinnedAsync("Cargo bed");
        var again = await host.PostAsync($"/api/sets/{set}/references", new { id, photoId = (string)view["photoId"]!, name = "Harbour wall at low tide", pieceId = (string?)view["pieceId"] });
        Assert.Equal("Harbour wall at low tide", (string)again["name"]!);
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{set}/references", new { id, photoId = await PictureAsync(), name = "Another" }, "id", HttpStatusCode.Conflict);

        await host.DeleteAsync($"/api/references/{id}");
        Assert.DoesNotContain((await host.GetAsync($"/api/sets/{set}/references")).AsArray(), r => (string)r!["id"]! == id);
        Assert.Contains((await host.GetAsync("/api/bin")).AsArray(), b => (string)b!["id"]! == id && (string)b["kind"]! == "reference");
        await host.PostAsync($"/api/references/{id}/restore", null, HttpStatusCode.NoContent);
        Assert.Contains((await host.GetAsync($"/api/sets/{set}/references")).AsArray(), r => (string)r!["id"]! == id);
    }

    [Fact]
    public async Task What_cannot_be_picked_is_refused_and_nothing_is_wanted()
    {
        var (zone, set, id, _) = await PinnedAsync("Brine");
        var target = (string?)zone["settings"]!["target"];
        object Change(object[] picks, object? grey = null) => new { version = 1, name = "Pan", picks, grey };
        await host.RefusesAsync(HttpMethod.Put, $"/api/references/{id}", Change([Pick(zone, "face", 1), Pick(zone, "face", 2)]), "picks");
        await host.RefusesAsync(HttpMethod.Put, $"/api/references/{id}", Change([new { zoneId = Guid.NewGuid(), height = "face", x = 0.5, y = 0.5 }]), "picks", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Put, $"/api/references/{id}", Change([new { zoneId = (string)zone["id"]!, height = "face", x = 1.5, y = 0.5 }]), "picks[0].x");
        await host.RefusesAsync(HttpMethod.Put, $"/api/references/{id}", Change([Pick(zone, "face", 1)], new { x = 0.1, y = 0.5, @is = "#b9652d" }), "grey");
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{set}/references", new { id = Guid.NewGuid(), photoId = Guid.NewGuid(), name = "No picture" }, "photoId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, $"/api/sets/{set}/references", new { id = Guid.NewGuid(), photoId = await PictureAsync(), pieceId = Guid.NewGuid(), name = "No piece" }, "pieceId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/sets/{Guid.NewGuid()}/references", null, "id", HttpStatusCode.NotFound);
        Assert.Equal(target, (string?)(await host.ZoneAsync("Brine"))["settings"]!["target"]);
    }

    [Fact]
    public async Task What_somebody_wanted_otherwise_since_stays()
    {
        var (zone, _, id, _) = await PinnedAsync("Pan iron");
        var picked = await host.PutAsync($"/api/references/{id}", new { version = 1, name = "Pan", picks = new[] { Pick(zone, "face", 2) } });
        var now = await host.ZoneAsync("Pan iron");
        var settings = now["settings"]!.DeepClone();
        settings["target"] = "#123456";
        await host.PutAsync($"/api/zones/{now["id"]}", new JsonObject { ["version"] = (int)now["version"]!, ["settings"] = settings }, HttpStatusCode.NoContent);

        // Neither another spot nor giving this one up takes it back; picked anew it is wanted again.
        async Task<string?> WantedAsync() => (string?)(await host.ZoneAsync("Pan iron"))["settings"]!["target"];
        picked = await host.PutAsync($"/api/references/{id}", new { version = (int)picked["version"]!, name = "Pan", picks = new[] { Pick(zone, "face", 2), Pick(zone, "edge", 3) } });
        Assert.Equal("#123456", await WantedAsync());
        Assert.Equal("#dcc9a0", (string)(await host.ZoneAsync("Pan iron"))["settings"]!["targetEdge"]!);
        picked = await host.PutAsync($"/api/references/{id}", new { version = (int)picked["version"]!, name = "Pan", picks = new[] { Pick(zone, "edge", 3) } });
        Assert.Equal("#123456", await WantedAsync());
        await host.PutAsync($"/api/references/{id}", new { version = (int)picked["version"]!, name = "Pan", picks = new[] { Pick(zone, "edge", 3), Pick(zone, "face", 1) } });
        Assert.Equal("#5a4630", await WantedAsync());
    }

    [Fact]
    public async Task A_zone_that_is_deleted_and_put_back_has_its_spot_again()
    {
        var (zone, set, id, _) = await PinnedAsync("Rim");
        var other = await host.ZoneAsync("Crust");
        var picked = await host.PutAsync($"/api/references/{id}", new { version = 1, name = "Rim", picks = new[] { Pick(zone, "face", 2), Pick(other, "face", 3) } });
        await host.DeleteAsync($"/api/zones/{zone["id"]}");
        var left = await host.PutAsync($"/api/references/{id}", new { version = (int)picked["version"]!, name = "Rim", picks = new[] { Pick(other, "face", 1) } });
        Assert.Single(left["picks"]!.AsArray());
        await host.PostAsync($"/api/zones/{zone["id"]}/restore", null, HttpStatusCode.NoContent);
        var again = Assert.Single((await host.GetAsync($"/api/sets/{set}/references")).AsArray(), r => (string)r!["id"]! == id)!;
        Assert.Equal(2, again["picks"]!.AsArray().Count);
    }
}
