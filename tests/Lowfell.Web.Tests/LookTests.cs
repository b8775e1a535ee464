using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using Lowfell.Web.Api;
using Lowfell.Web.Features.Looks;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Looks of pieces over the API: surfaces, tables, pictures, choices.</summary>
public sealed class LookTests(TestHost host) : IClassFixture<TestHost>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private async Task<JsonNode> PieceAsync(string name) => (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).Single(p => (string)p!["piece"]!["name"]! == name)!;

    private async Task<HttpResponseMessage> RawAsync(string path, string? encoding = null, string? tag = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, new Uri(path, UriKind.Relative));
        if (encoding is not null)
        {
            request.Headers.AcceptEncoding.Add(new StringWithQualityHeaderValue(encoding));
        }

        if (tag is not null)
        {
            request.Headers.TryAddWithoutValidation("If-None-Match", tag);
        }

        return await host.Http.SendAsync(request, Cancel);
    }

    private async Task<string> NewPieceAsync(string name, string kind = "wall", double length = 40)
    {
        var set = await host.PostAsync("/api/sets", new { name = $"Look {Guid.NewGuid():n}"[..12] }, HttpStatusCode.Created);
        return (string)(await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name, kind, substrate = "polystyrene", shape = "wall", lengthMm = length, widthMm = 10, heightMm = 30, copies = 1 }, HttpStatusCode.Created))["id"]!;
    }

    [Fact]
    public async Task Every_piece_of_the_demo_has_its_look_and_its_picture()
    {
        foreach (var piece in (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).Where(p => p!["zones"]!.AsArray().Count > 0))
        {
            var look = await host.GetAsync($"/api/pieces/{piece!["id"]}/look");
            var rows = (int)look["rows"]!;
            Assert.Equal(rows * 16 * 4 * 2, Convert.FromBase64String((string)look["table"]!).Length);
            Assert.All(look["parts"]!.AsArray(), p => Assert.NotNull(p!["zoneId"]));
            Assert.Contains(look["zones"]!.AsArray(), z => (bool)z!["shown"]!);
            using var picture = await RawAsync($"/api/pieces/{piece["id"]}/picture.png?w=96&h=64");
            Assert.Equal("image/png", picture.Content.Headers.ContentType!.MediaType);
            var png = await picture.Content.ReadAsByteArrayAsync(Cancel);
            Assert.Equal([0x89, 0x50, 0x4E, 0x47], png[..4]);
            Assert.True(png.Length > 300);

            // Asked again it has not changed.
            using var again = await RawAsync($"/api/pieces/{piece["id"]}/picture.png?w=96&h=64", tag: picture.Headers.ETag!.Tag);
            Assert.Equal(HttpStatusCode.NotModified, again.StatusCode);
        }
    }

    [Fact]
    public async Task A_surface_goes_over_packed_once_and_for_ever()
    {
        var look = await host.GetAsync($"/api/pieces/{(await PieceAsync("Hull"))["id"]}/look");
        using var packed = await RawAsync($"/api/meshes/{look["mesh"]}", "br");
        Assert.Contains("br", packed.Content.Headers.ContentEncoding);
        Assert.Contains("immutable", packed.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
        var small = (await packed.Content.ReadAsByteArrayAsync(Cancel)).Length;
        using var plain = await RawAsync($"/api/meshes/{look["mesh"]}");
        var glb = await plain.Content.ReadAsByteArrayAsync(Cancel);
        Assert.Equal("glTF"u8.ToArray(), glb[..4]);
        Assert.True(small < 2_000_000 && small < glb.Length);
        using var none = await RawAsync($"/api/meshes/{Guid.NewGuid()}");
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);

        // The running gear is a piece of its own that fits on it.
        Assert.Contains(look["zones"]!.AsArray(), z => ((string)z!["name"]!).StartsWith("Running gear: ", StringComparison.Ordinal));
        var apart = await host.GetAsync($"/api/pieces/{(await PieceAsync("Hull"))["id"]}/look?apart=true");
        Assert.DoesNotContain(apart["zones"]!.AsArray(), z => ((string)z!["name"]!).Contains(": ", StringComparison.Ordinal));
        Assert.Equal((string)look["mesh"]!, (string)apart["mesh"]!);
    }

    [Fact]
    public async Task What_a_piece_is_shown_as_is_chosen_kept_and_refused_by_name()
    {
        var id = await NewPieceAsync("Old dyke");
        var bare = await host.GetAsync($"/api/pieces/{id}/look");
        Assert.Equal(("straightWall", false, 0), ((string)bare["kind"]!, (bool)bare["chosen"]!, (int)bare["version"]!));
        Assert.Empty(bare["zones"]!.AsArray());
        Assert.Equal(0, (int)bare["rows"]!);
        using var picture = await RawAsync($"/api/pieces/{id}/picture.png?w=60&h=40");
        Assert.Equal(HttpStatusCode.OK, picture.StatusCode);
        var scheme = (string)(await host.ZoneAsync("Roof boards"))["scheme"]!["id"]!;
        async Task<string> ZoneAsync(string name) => (string)(await host.PostAsync($"/api/pieces/{id}/zones", new { name, areaShare = 0.3, schemeId = scheme }, HttpStatusCode.Created))["id"]!;
        var (one, two) = (await ZoneAsync("Left"), await ZoneAsync("Right"));
        async Task<JsonNode> ChosenAsync(object choice)
        {
            await host.PutAsync($"/api/pieces/{id}/look", choice, HttpStatusCode.NoContent);
            return await host.GetAsync($"/api/pieces/{id}/look");
        }

        var chosen = await ChosenAsync(new { version = 0, kind = "ruinedWall" });
        Assert.Equal(("ruinedWall", true, 1), ((string)chosen["kind"]!, (bool)chosen["chosen"]!, (int)chosen["version"]!));
        Assert.NotEqual((string)bare["mesh"]!, (string)chosen["mesh"]!);
        Assert.Equal(2, chosen["parts"]!.AsArray().Select(p => (string)p!["zoneId"]!).Distinct().Count());
        var mapped = await ChosenAsync(new { version = 1, kind = "ruinedWall", zoneIds = new[] { two, two, two, one } });
        Assert.Equal([two, two, two, one], mapped["parts"]!.AsArray().Select(p => (string)p!["zoneId"]!));
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{id}/look", new { version = 1, kind = "rock" }, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{id}/look", new { version = 2, kind = "rock", zoneIds = new[] { one } }, "zoneIds");
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{id}/look", new { version = 2, kind = "block", zoneIds = new[] { one, Guid.NewGuid().ToString() } }, "zoneIds", HttpStatusCode.NotFound);

        // A zone that goes leaves its part to what is nearest.
        await host.DeleteAsync($"/api/zones/{two}");
        var left = await host.GetAsync($"/api/pieces/{id}/look");
        Assert.All(left["parts"]!.AsArray(), p => Assert.Equal(one, (string)p!["zoneId"]!));
        Assert.All((await host.GetAsync("/api/stand-ins")).AsArray(), k => Assert.NotEmpty(k!["parts"]!.AsArray()));
    }

    [Fact]
    public async Task Colours_follow_the_light_and_another_paint_without_another_surface()
    {
        var piece = await PieceAsync("Straight");
        var day = await host.GetAsync($"/api/pieces/{piece["id"]}/look");
        var warm = await host.GetAsync($"/api/pieces/{piece["id"]}/look?lamp=warm");
        Assert.Equal((string)day["mesh"]!, (string)warm["mesh"]!);
        Assert.NotEqual((string)day["table"]!, (string)warm["table"]!);
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece["id"]}/look?lamp=candle", null, "lamp");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece["id"]}/picture.png?w=99999", null, "w");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece["id"]}/picture.png?h=2", null, "h");
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{Guid.NewGuid()}/look", null, "id", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/zones/{Guid.NewGuid()}/picture.png", null, "id", HttpStatusCode.NotFound);

        // Before a coat and after it are two pictures; before the first it is bare.
        var zone = day["zones"]!.AsArray().First(z => z!["coats"]!.AsArray().Count > 3)!;
        async Task<string> TagAsync(string query)
        {
            using var picture = await RawAsync($"/api/zones/{zone["id"]}/picture.png?w=60&h=40&{query}");
            Assert.Equal(HttpStatusCode.OK, picture.StatusCode);
            return picture.Headers.ETag!.Tag;
        }

        var coats = zone["coats"]!.AsArray().Where(c => !(bool)c!["skipped"]!).Select(c => (string)c!["id"]!).ToList();
        Assert.NotEqual(await TagAsync($"coatId={coats[0]}&before=true"), await TagAsync($"coatId={coats[0]}"));
        Assert.Equal(await TagAsync($"coatId={coats[0]}"), await TagAsync($"coatId={coats[1]}&before=true"));
        Assert.Equal(await TagAsync(""), await TagAsync($"coatId={Guid.NewGuid()}"));
        using var painted = await RawAsync($"/api/pieces/{piece["id"]}/look.glb");
        Assert.Equal("model/gltf-binary", painted.Content.Headers.ContentType!.MediaType);
        Assert.Contains("COLOR_0", System.Text.Encoding.ASCII.GetString(await painted.Content.ReadAsByteArrayAsync(Cancel)), StringComparison.Ordinal);
        Assert.Equal("straight.glb", painted.Content.Headers.ContentDisposition!.FileName);
    }

    [Fact]
    public async Task Another_paint_hand_or_scheme_is_looked_at_without_being_kept()
    {
        var piece = (string)(await PieceAsync("Straight"))["id"]!;
        var kept = await host.GetAsync($"/api/pieces/{piece}/look");
        var zone = kept["zones"]!.AsArray().First(z => z!["coats"]!.AsArray().Count > 3)!;
        var paint = (await host.GetAsync("/api/materials")).AsArray().First(m => (string)m!["material"]!["name"]! == "Storm Blue")!["id"];
        var coat = zone["coats"]!.AsArray().First(c => ((string)c!["what"]!).StartsWith("Base coat", StringComparison.Ordinal))!["id"];
        async Task<JsonNode> TriedAsync(string query) => await host.GetAsync($"/api/pieces/{piece}/look?tryZoneId={zone["id"]}{query}");
        var blue = await TriedAsync($"&tryCoatId={coat}&tryMaterialId={paint}");
        Assert.Equal(((string)kept["mesh"]!, (int)kept["rows"]!), ((string)blue["mesh"]!, (int)blue["rows"]!));
        Assert.NotEqual((string)kept["table"]!, (string)blue["table"]!);
        Assert.Contains("Storm Blue", blue["zones"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.NotEqual((string)kept["table"]!, (string)(await TriedAsync($"&tryCoatId={coat}&tryHand=1.6"))["table"]!);
        Assert.Equal((string)kept["table"]!, (string)(await TriedAsync($"&tryCoatId={coat}&tryHand=1"))["table"]!);
        var other = (await host.GetAsync("/api/schemes")).AsArray().First(s => ((string)s!["name"]!).Contains("hull", StringComparison.OrdinalIgnoreCase))!["id"];
        Assert.NotEqual((int)kept["rows"]!, (int)(await TriedAsync($"&trySchemeId={other}"))["rows"]!);
        Assert.Equal((string)kept["table"]!, (string)(await host.GetAsync($"/api/pieces/{piece}/look"))["table"]!);

        Task RefusesAsync(string query, string field, HttpStatusCode status = HttpStatusCode.BadRequest) => host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/look?{query}", null, field, status);
        await RefusesAsync($"tryZoneId={Guid.NewGuid()}", "tryZoneId", HttpStatusCode.NotFound);
        await RefusesAsync($"tryZoneId={zone["id"]}&tryCoatId={Guid.NewGuid()}", "tryCoatId", HttpStatusCode.NotFound);
        await RefusesAsync($"tryZoneId={zone["id"]}&tryCoatId={coat}&tryMaterialId={Guid.NewGuid()}", "tryMaterialId", HttpStatusCode.NotFound);
        await RefusesAsync($"tryZoneId={zone["id"]}&trySchemeId={Guid.NewGuid()}", "trySchemeId", HttpStatusCode.NotFound);
        await RefusesAsync($"tryZoneId={zone["id"]}&tryCoatId={coat}&tryHand=9", "tryHand");
        await RefusesAsync($"tryCoatId={coat}&tryHand=1.2", "tryZoneId");
        await RefusesAsync($"trySchemeId={other}", "tryZoneId");
        await RefusesAsync($"tryZoneId={zone["id"]}&tryMaterialId={paint}", "tryCoatId");
    }

    [Fact]
    public async Task Marks_are_told_one_by_one_within_the_box_and_otherwise_on_another_copy()
    {
        var piece = (string)(await PieceAsync("Straight"))["id"]!;
        var (one, two, again) = (await host.GetAsync($"/api/pieces/{piece}/look"), await host.GetAsync($"/api/pieces/{piece}/look?copy=2"), await host.GetAsync($"/api/pieces/{piece}/look"));
        var marks = one["marks"]!.AsArray();
        Assert.NotEmpty(marks);
        Assert.Equal(marks.ToJsonString(), again["marks"]!.ToJsonString());
        Assert.NotEqual(marks.ToJsonString(), two["marks"]!.ToJsonString());
        var wide = (double)one["box"]!["high"]![0]! - (double)one["box"]!["low"]![0]!;
        Assert.All(marks.Where(m => (string)m!["side"]! == "front"), m => Assert.InRange((double)m!["x"]!, -0.1, wide + 0.1));
        Assert.All(marks, m => Assert.Contains(one["zones"]![(int)m!["zone"]!]!["layers"]!.AsArray(), l => (int)l!["coat"]! >= 0));
        async Task<string> TagAsync(int copy)
        {
            using var picture = await RawAsync($"/api/pieces/{piece}/picture.png?w=60&h=40&copy={copy}");
            return picture.Headers.ETag!.Tag;
        }

        Assert.NotEqual(await TagAsync(1), await TagAsync(2));

        // A larger zone has more marks: the picture of before is none of it.
        var before = await TagAsync(1);
        var page = await host.GetAsync($"/api/pieces/{piece}");
        var zone = page["piece"]!["zones"]!.AsArray().First(z => (string)z!["id"]! == (string)one["zones"]![(int)marks[0]!["zone"]!]!["id"]!)!;
        var settings = zone["settings"]!.DeepClone();
        settings["areaShare"] = (double)settings["areaShare"]! * 0.5;
        await host.PutAsync($"/api/zones/{zone["id"]}", new { version = (int)zone["version"]!, settings }, HttpStatusCode.NoContent);
        Assert.NotEqual(before, await TagAsync(1));
        Assert.True((await host.GetAsync($"/api/pieces/{piece}/look"))["marks"]!.AsArray().Count < marks.Count);
    }

    [Fact]
    public async Task Small_pictures_can_be_left_out_and_large_ones_not()
    {
        await using var without = host.WithWebHostBuilder(b => b.UseSetting("Looks:SmallPictures", "false"));
        using var client = without.CreateClient();
        await without.Services.GetRequiredService<Readiness>().Done;
        var piece = (string)(await PieceAsync("Straight"))["id"]!;
        using var small = await client.GetAsync(new Uri($"/api/pieces/{piece}/picture.png?w=96&h=64", UriKind.Relative), Cancel);
        using var large = await client.GetAsync(new Uri($"/api/pieces/{piece}/picture.png?w=360&h=240", UriKind.Relative), Cancel);
        Assert.Equal((HttpStatusCode.NoContent, HttpStatusCode.OK), (small.StatusCode, large.StatusCode));
    }

    [Fact]
    public async Task As_it_is_seen_from_afar_it_is_another_picture_and_a_distance_has_its_bounds()
    {
        var piece = (string)(await PieceAsync("Straight"))["id"]!;
        async Task<byte[]> FromAsync(string query)
        {
            using var answer = await RawAsync($"/api/pieces/{piece}/picture.png?w=360&h=240{query}");
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            return await answer.Content.ReadAsByteArrayAsync(Cancel);
        }

        var (sharp, near, far) = (await FromAsync(""), await FromAsync("&fromM=1"), await FromAsync("&fromM=5"));
        Assert.NotEqual(sharp, near);
        Assert.NotEqual(near, far);
        Assert.Equal(near, await FromAsync("&fromM=1"));
        foreach (var wrong in new[] { "9", "-1", "NaN", "0.01" })
        {
            await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{piece}/picture.png?fromM={wrong}", null, "fromM");
        }
    }

    [Fact]
    public async Task Many_at_once_make_one_surface_and_it_outlives_what_the_bench_lets_go()
    {
        var id = await NewPieceAsync("Long dyke", length: 77);
        var all = await Task.WhenAll(Enumerable.Range(0, 6).Select(i => RawAsync($"/api/pieces/{id}/picture.png?w={60 + i}&h=40")));
        Assert.All(all, a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        foreach (var answer in all)
        {
            answer.Dispose();
        }

        var mesh = (string)(await host.GetAsync($"/api/pieces/{id}/look"))["mesh"]!;
        Assert.Equal(1, await host.ScalarAsync<long>($"SELECT count(*) FROM meshes WHERE \"Id\" = '{mesh}'"));

        // Unused for a month it leaves the bench; memory still has it, and it is kept again. So do pictures, which are drawn again.
        await host.ExecuteAsync("UPDATE meshes SET \"UsedAt\" = now() - interval '31 days'; UPDATE look_pictures SET \"UsedAt\" = now() - interval '31 days'");
        await host.EmptyBinAsync();
        Assert.Equal(0, await host.ScalarAsync<long>("SELECT count(*) FROM meshes") + await host.ScalarAsync<long>("SELECT count(*) FROM look_pictures"));
        using var surface = await RawAsync($"/api/meshes/{mesh}");
        Assert.Equal(HttpStatusCode.OK, surface.StatusCode);
        Assert.Equal(1, await host.ScalarAsync<long>($"SELECT count(*) FROM meshes WHERE \"Id\" = '{mesh}'"));
        using var drawn = await RawAsync($"/api/pieces/{id}/picture.png?w=60&h=40");
        Assert.Equal(HttpStatusCode.OK, drawn.StatusCode);

        // What was asked for after some days stays.
        await host.ExecuteAsync("UPDATE meshes SET \"UsedAt\" = now() - interval '20 days'; UPDATE look_pictures SET \"UsedAt\" = now() - interval '20 days'");
        using var again = await RawAsync($"/api/meshes/{mesh}");
        using var shown = await RawAsync($"/api/pieces/{id}/picture.png?w=60&h=40");
        Assert.Equal(1, await host.ScalarAsync<long>("SELECT count(*) FROM meshes WHERE \"UsedAt\" > now() - interval '1 hour'"));
        Assert.Equal(1, await host.ScalarAsync<long>("SELECT count(*) FROM look_pictures WHERE \"UsedAt\" > now() - interval '1 hour'"));
    }

    [Fact]
    public async Task What_takes_longer_than_an_answer_is_made_once_for_all_who_ask_again()
    {
        await using var hurried = host.WithWebHostBuilder(b => b.UseSetting("Looks:PatienceMs", "0"));
        using var client = hurried.CreateClient();
        await hurried.Services.GetRequiredService<Readiness>().Done;
        var id = await NewPieceAsync("Slow dyke", length: 83);

        // The queue is held: nothing is made before all have asked.
        using var go = new ManualResetEventSlim();
        var held = hurried.Services.GetRequiredService<LookQueue>().RunAsync(() => true, () => go.Wait(TimeSpan.FromMinutes(1), Cancel), Cancel);
        string[] paths = [$"/api/pieces/{id}/look", $"/api/pieces/{id}/look.glb", $"/api/pieces/{id}/picture.png?w=64&h=40", $"/api/pieces/{id}/picture.png?w=66&h=40"];
        var first = await Task.WhenAll(paths.Select(p => client.GetAsync(new Uri(p, UriKind.Relative), Cancel)));
        Assert.All(first, a => Assert.Equal((HttpStatusCode.Accepted, TimeSpan.FromSeconds(1), true), (a.StatusCode, a.Headers.RetryAfter?.Delta, a.Headers.CacheControl?.NoStore)));
        Assert.All(first, a => Assert.Null(a.Headers.ETag));
        Assert.Equal("beingMade", (string)JsonNode.Parse(await first[0].Content.ReadAsStringAsync(Cancel))!["code"]!);
        Assert.Equal(3, hurried.Services.GetRequiredService<LookWorks>().Count);
        go.Set();
        Assert.True(await held);

        async Task<HttpContent> MadeAsync(string path)
        {
            for (var tries = 0; tries < 600; tries++)
            {
                var answer = await client.GetAsync(new Uri(path, UriKind.Relative), Cancel);
                if (answer.StatusCode != HttpStatusCode.Accepted)
                {
                    Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                    return answer.Content;
                }

                await Task.Delay(100, Cancel);
            }

            throw new TimeoutException($"{path} was never made.");
        }

        var mesh = (string)JsonNode.Parse(await (await MadeAsync(paths[0])).ReadAsStringAsync(Cancel))!["mesh"]!;
        Assert.Equal(1, await host.ScalarAsync<long>($"SELECT count(*) FROM meshes WHERE \"Id\" = '{mesh}'"));
        foreach (var path in paths)
        {
            Assert.NotEmpty(await (await MadeAsync(path)).ReadAsByteArrayAsync(Cancel));
        }

        Assert.Equal(0, hurried.Services.GetRequiredService<LookWorks>().Count);
    }

    [Fact]
    public async Task A_choice_is_kept_at_once_though_its_surface_is_not_made_yet()
    {
        await using var hurried = host.WithWebHostBuilder(b => b.UseSetting("Looks:PatienceMs", "0"));
        using var client = hurried.CreateClient();
        await hurried.Services.GetRequiredService<Readiness>().Done;
        var id = await NewPieceAsync("Chosen dyke", length: 87);
        using var answer = await System.Net.Http.Json.HttpClientJsonExtensions.PutAsJsonAsync(client, new Uri($"/api/pieces/{id}/look", UriKind.Relative), new { version = 0, kind = "ruinedWall" }, Cancel);
        Assert.Equal(HttpStatusCode.NoContent, answer.StatusCode);
        Assert.Equal("ruinedWall", (string)(await host.GetAsync($"/api/pieces/{id}/look"))["kind"]!);
    }

    [Fact]
    public async Task Of_two_windows_that_choose_first_one_is_told_and_copies_take_the_choice_along()
    {
        var id = await NewPieceAsync("Twice chosen");
        var scheme = (string)(await host.ZoneAsync("Roof boards"))["scheme"]!["id"]!;
        var zone = (string)(await host.PostAsync($"/api/pieces/{id}/zones", new { name = "All of it", areaShare = 1, schemeId = scheme }, HttpStatusCode.Created))["id"]!;
        async Task<HttpStatusCode> ChooseAsync(string kind)
        {
            using var answer = await System.Net.Http.Json.HttpClientJsonExtensions.PutAsJsonAsync(host.Http, new Uri($"/api/pieces/{id}/look", UriKind.Relative), new { version = 0, kind, zoneIds = new[] { zone, zone } }, Cancel);
            return answer.StatusCode;
        }

        Assert.Equal([HttpStatusCode.NoContent, HttpStatusCode.Conflict], (await Task.WhenAll(ChooseAsync("block"), ChooseAsync("gate"))).Order());
        var kind = (string)(await host.GetAsync($"/api/pieces/{id}/look"))["kind"]!;
        var copy = await host.GetAsync($"/api/pieces/{(await host.PostAsync($"/api/pieces/{id}/copy", null, HttpStatusCode.Created))["id"]}/look");
        Assert.Equal((kind, true), ((string)copy["kind"]!, (bool)copy["chosen"]!));
        Assert.All(copy["parts"]!.AsArray(), p => Assert.Equal((string)copy["zones"]![0]!["id"]!, (string)p!["zoneId"]!));
    }
}
