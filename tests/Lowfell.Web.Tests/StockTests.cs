using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class StockTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<(string Url, JsonNode Material)> NewAsync(string name, string family = "acrylicPaint", string colour = "#6f8f7a")
    {
        var added = await host.PostAsync("/api/materials", Drafts.Material(name, family, colour).With("lowStockMl", 5), HttpStatusCode.Created);
        return ($"/api/materials/{added["id"]}", added);
    }

    [Fact]
    public async Task Bottles_are_added_changed_thrown_away_and_counted()
    {
        var (url, material) = await NewAsync("Counted Green");
        Assert.True((bool)material["stock"]!["low"]!);
        var bottle = await host.PostAsync(url + "/bottles", new { sizeMl = 17, leftMl = 9.5, openedOn = "2026-03-01", lot = "T9" }, HttpStatusCode.Created);
        await host.PostAsync(url + "/bottles", new { sizeMl = 17, leftMl = 17 }, HttpStatusCode.Created);
        var stock = (await host.MaterialAsync("Counted Green"))["stock"]!;
        Assert.Equal(26.5, (double)stock["leftMl"]!);
        Assert.False((bool)stock["low"]!);
        Assert.Equal("T9", (string)stock["bottles"]![0]!["bottle"]!["lot"]!);
        var at = $"/api/bottles/{bottle["id"]}";
        await host.PutAsync(at, new { version = 1, bottle = new { sizeMl = 17, leftMl = 1 } });
        await host.RefusesAsync(HttpMethod.Put, at, new { version = 1, bottle = new { sizeMl = 17, leftMl = 2 } }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync(at);
        await host.RefusesAsync(HttpMethod.Delete, at, null, "id", HttpStatusCode.NotFound);
        Assert.Equal(17, (double)(await host.MaterialAsync("Counted Green"))["stock"]!["leftMl"]!);
    }

    [Theory]
    [InlineData("leftMl", -1)]
    [InlineData("leftMl", 18)]
    [InlineData("sizeMl", 0)]
    [InlineData("openedOn", "2099-01-01")]
    public async Task Stock_that_cannot_be_is_refused(string field, object value)
    {
        var bone = await host.MaterialAsync("Bone Shell");
        var before = bone["stock"]!.ToJsonString();
        await host.RefusesAsync(HttpMethod.Post, $"/api/materials/{bone["id"]}/bottles", new JsonObject { ["sizeMl"] = 17, ["leftMl"] = 9 }.With(field, JsonValue.Create(value)), field);
        Assert.Equal(before, (await host.MaterialAsync("Bone Shell"))["stock"]!.ToJsonString());
    }

    [Fact]
    public async Task Drops_are_calibrated_by_measure_and_on_the_scale()
    {
        var (url, material) = await NewAsync("Dripped Green");
        var measured = await host.PostAsync(url + "/calibration", new { drops = 25, ml = 1 });
        Assert.Equal(25, (double)measured["dropsPerMl"]!);
        var weighed = await host.PostAsync(url + "/calibration", new { drops = 20, grams = 1.2 });
        Assert.Equal(20, (double)weighed["dropsPerMl"]!);
        await host.RefusesAsync(HttpMethod.Post, url + "/calibration", new { drops = 20 }, "ml");
        await host.RefusesAsync(HttpMethod.Post, url + "/calibration", new { drops = 1, ml = 40 }, "drops");
        await host.PostAsync("/api/devices/scale", new { materialId = (string)material["id"]!, drops = 40 }, HttpStatusCode.NoContent);
        var early = await host.GetAsync("/api/devices/scale");
        Assert.False((bool)early["steady"]!);
        await Task.Delay(2200, TestContext.Current.CancellationToken);
        var late = await host.GetAsync("/api/devices/scale");
        Assert.True((bool)late["steady"]!);
        Assert.InRange((double)late["grams"]!, 40 * 0.05 * 1.2 * 0.8, 40 * 0.05 * 1.2 * 1.2);
    }

    [Fact]
    public async Task A_picked_colour_sorts_the_shelf_by_nearness()
    {
        var near = (await host.GetAsync("/api/materials/near?colour=%23b59a6b")).AsArray();
        var offs = near.Select(n => (double)n!["deltaE"]!).ToList();
        Assert.Equal(offs.Order(), offs);
        Assert.Equal((await host.MaterialAsync("Rope Tan"))["id"]!.ToString(), near[0]!["id"]!.ToString());
        await host.RefusesAsync(HttpMethod.Get, "/api/materials/near?colour=tan", null, "colour");
    }

    [Fact]
    public async Task Stand_ins_are_judged_in_the_stacks_that_use_it()
    {
        var wash = await host.MaterialAsync("Kelp Wash");
        var found = await host.GetAsync($"/api/materials/{wash["id"]}/substitutes");
        Assert.True((int)found["stacks"]! > 3);
        var offs = found["items"]!.AsArray().Select(i => (double)i!["meanDeltaE"]!).ToList();
        Assert.NotEmpty(offs);
        Assert.Equal(offs.Order(), offs);
        Assert.DoesNotContain(found["items"]!.AsArray(), i => (string)i!["name"]! == "Kelp Wash");
        var (url, _) = await NewAsync("Unused Green");
        Assert.Equal(0, (int)(await host.GetAsync(url + "/substitutes"))["stacks"]!);
        await host.RefusesAsync(HttpMethod.Get, $"/api/materials/{Guid.NewGuid()}/substitutes", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_is_taken_off_the_shelf_comes_back_with_bottles_stripes_and_calibration()
    {
        var id = (string)(await host.PostAsync("/api/materials", Drafts.Material("Harbour Rust"), HttpStatusCode.Created))["id"]!;
        var url = $"/api/materials/{id}";
        await host.PostAsync(url + "/bottles", new { sizeMl = 20, leftMl = 12 }, HttpStatusCode.Created);
        await host.PostAsync(url + "/calibration", new { drops = 25, ml = 1 });
        var stripe = await host.PostAsync(await host.AsKeptAsync(url + "/calibrations"), new { overBlack = "#3a3128", overWhite = "#6a5846", dryFilmUm = 15 }, HttpStatusCode.Created);
        var before = await host.MaterialAsync("Harbour Rust");

        await host.DeleteAsync(url);
        Assert.DoesNotContain("Harbour Rust", (await host.GetAsync("/api/materials")).AsArray().Select(m => (string)m!["material"]!["name"]!));
        await host.RefusesAsync(HttpMethod.Post, url + "/calibration", new { drops = 25, ml = 1 }, "id", HttpStatusCode.NotFound);

        await host.SendAsync(HttpMethod.Post, url + "/restore", null, HttpStatusCode.NoContent);
        var after = await host.MaterialAsync("Harbour Rust");
        Assert.Equal(before["material"]!.ToJsonString(), after["material"]!.ToJsonString());
        Assert.Equal(12.0, (double)after["stock"]!["leftMl"]!);
        Assert.Equal((string)stripe["id"]!, (string)(await host.GetAsync(url + "/calibrations"))[0]!["id"]!);

        // While its name is taken by another it stays where it is.
        await host.DeleteAsync(url);
        var other = (string)(await host.PostAsync("/api/materials", Drafts.Material("Harbour Rust"), HttpStatusCode.Created))["id"]!;
        await host.RefusesAsync(HttpMethod.Post, url + "/restore", null, "name", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/materials/{other}");
        await host.SendAsync(HttpMethod.Post, url + "/restore", null, HttpStatusCode.NoContent);
        await host.DeleteAsync(url);
        await host.RefusesAsync(HttpMethod.Post, url + "/bottles", new { sizzeMl = 20 }, "sizzeMl");
        await host.RefusesAsync(HttpMethod.Post, $"/api/materials/{Guid.NewGuid()}/restore", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_coat_that_names_what_was_taken_off_in_the_same_moment_is_read_on()
    {
        // As two windows at once would leave it: the coat is there, and its paint is off the shelf.
        await host.ExecuteAsync("UPDATE materials SET \"DeletedAt\" = now() WHERE \"Name\" = 'Tar Wash'; UPDATE benches SET \"ShelfVersion\" = \"ShelfVersion\" + 1");
        try
        {
            var zone = await host.ZoneAsync("Hull panels");
            var answer = await host.PostAsync("/api/preview/stack", new JsonObject { ["zone"] = zone["zone"]!.DeepClone(), ["coats"] = zone["scheme"]!["coats"]!.DeepClone() });
            Assert.Equal(zone["scheme"]!["coats"]!.AsArray().Count, answer["strata"]!.AsArray().Count);
            await host.PostAsync("/api/plan", new { });
            var names = (await host.GetAsync("/api/materials")).AsArray().Select(m => (string)m!["material"]!["name"]!);
            Assert.DoesNotContain("Tar Wash", names);
            var scheme = zone["scheme"]!;
            await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]!, coats = scheme["coats"] });
        }
        finally
        {
            await host.ExecuteAsync("UPDATE materials SET \"DeletedAt\" = NULL WHERE \"Name\" = 'Tar Wash'; UPDATE benches SET \"ShelfVersion\" = \"ShelfVersion\" + 1");
        }
    }

    [Fact]
    public async Task A_painted_stripe_moves_predictions_when_it_is_accepted_and_back_when_it_is_given_up()
    {
        var oak = await host.MaterialAsync("Tarred Oak");
        var url = $"/api/materials/{oak["id"]}";
        var zone = await host.ZoneAsync("Timber frame");
        var request = new JsonObject { ["zone"] = zone["zone"]!.DeepClone(), ["coats"] = zone["scheme"]!["coats"]!.DeepClone() };
        async Task<string> Face() => (string)(await host.PostAsync("/api/preview/stack", request))["strata"]![1]!["face"]!["hex"]!;
        var before = await Face();
        var stripe = new { overBlack = "#3a3128", overWhite = "#6a5846", dryFilmUm = 15 };
        var solved = await host.PostAsync(url + "/stripe", stripe);
        Assert.InRange((double)solved["backDeltaE"]!, 0, 2);
        Assert.True((double)solved["zones"]![0]!["deltaE"]!.AsArray().Max(d => (double)d!)! > 0.5);
        Assert.Equal(before, await Face());
        var kept = await host.PostAsync(await host.AsKeptAsync(url + "/calibrations"), stripe, HttpStatusCode.Created);
        var after = await Face();
        Assert.NotEqual(before, after);
        await host.PutAsync(await host.AsKeptAsync(url + "/calibration"), new { }, HttpStatusCode.NoContent);
        Assert.Equal(before, await Face());
        await host.PutAsync(await host.AsKeptAsync(url + "/calibration"), new { calibrationId = (string)kept["id"]! }, HttpStatusCode.NoContent);
        Assert.Equal(after, await Face());
        Assert.True((bool)(await host.GetAsync(url + "/calibrations"))[0]!["inForce"]!);
        await host.PutAsync(await host.AsKeptAsync(url + "/calibration"), new { }, HttpStatusCode.NoContent);
        await host.RefusesAsync(HttpMethod.Put, await host.AsKeptAsync(url + "/calibration"), new { calibrationId = Guid.NewGuid() }, "calibrationId", HttpStatusCode.NotFound);
    }

    [Theory]
    [InlineData("#6a5846", "#3a3128", "overWhite")]
    [InlineData("#5a4a3a", "#5a4a3b", "overWhite")]
    [InlineData("#1a1a1a", "#ececea", "overBlack")]
    [InlineData("brown", "#6a5846", "overBlack")]
    public async Task A_stripe_that_tells_nothing_is_refused(string overBlack, string overWhite, string field)
    {
        var oak = await host.MaterialAsync("Tarred Oak");
        foreach (var path in new[] { "stripe", "calibrations" })
        {
            await host.RefusesAsync(HttpMethod.Post, await host.AsKeptAsync($"/api/materials/{oak["id"]}/{path}"), new { overBlack, overWhite }, field);
        }
    }

    [Fact]
    public async Task The_colour_reader_settles_on_what_it_is_aimed_at()
    {
        await host.PostAsync("/api/devices/reader", new { whiteField = true }, HttpStatusCode.NoContent);
        await Task.Delay(1800, TestContext.Current.CancellationToken);
        var bare = await host.GetAsync("/api/devices/reader");
        Assert.True((bool)bare["steady"]!);
        Assert.Matches("^#e[0-9a-f]e[0-9a-f]e[0-9a-f]$", (string)bare["colour"]!);
        var oak = await host.MaterialAsync("Tarred Oak");
        await host.PostAsync("/api/devices/reader", new { whiteField = true, materialId = (string)oak["id"]!, dryFilmUm = 20 }, HttpStatusCode.NoContent);
        await Task.Delay(1800, TestContext.Current.CancellationToken);
        Assert.NotEqual((string)bare["colour"]!, (string)(await host.GetAsync("/api/devices/reader"))["colour"]!);
        await host.RefusesAsync(HttpMethod.Post, "/api/devices/reader", new { whiteField = true, dryFilmUm = 0 }, "dryFilmUm");
    }
}
