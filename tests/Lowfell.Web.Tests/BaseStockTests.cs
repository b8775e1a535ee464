using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What bases take from the shelf and bring into stacks.</summary>
public sealed class BaseStockTests(TestHost host) : TraysOn(host), IClassFixture<TestHost>
{
    [Fact]
    public async Task Stones_leave_their_boxes_when_they_are_glued_down_and_come_back()
    {
        var zone = await Host.ZoneAsync("Crust");
        var coats = zone["scheme"]!["coats"]!.AsArray();
        var paste = coats.Single(c => (string)c!["technique"]! == "texture")!;
        var tufts = coats.Single(c => (string)c!["technique"]! == "tufts")!;
        var before = await BoxesAsync();
        var tray = await DemoTrayAsync();
        int Wanted(int copy, bool tufts) => tray["bases"]![copy - 1]!["elements"]!.AsArray().Count(e => ((string)e!["element"]!["kind"]! == "tuft") == tufts);
        async Task LogAsync(string kind, JsonNode coat) => await Host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind, zoneId = (string)zone["id"]!, coatId = (string)coat["id"]!, pass = 1, copies = new[] { 1, 2 } });

        // The card tells what goes where: stones with the paste, tufts last, nothing with what lies between.
        async Task<JsonArray> PlacesAsync(JsonNode coat) => (await Host.GetAsync($"/api/zones/{zone["id"]}/placement?coatId={coat["id"]}&copies=1&copies=2&copies=99")).AsArray();
        Assert.Equal([Wanted(1, false), Wanted(2, false)], (await PlacesAsync(paste)).Select(c => c!["lines"]!.AsArray().Count));
        Assert.Equal([Wanted(1, true), Wanted(2, true)], (await PlacesAsync(tufts)).Select(c => c!["lines"]!.AsArray().Count));
        Assert.Empty(await PlacesAsync(coats.Single(c => (string)c!["technique"]! == "dryBrush")!));
        await LogAsync("done", paste);
        var laid = await BoxesAsync();
        Assert.Equal(before.Values.Sum() - Wanted(1, false) - Wanted(2, false), laid.Values.Sum());
        var now = await DemoTrayAsync();
        Assert.True((bool)now["bases"]![0]!["laid"]!);
        Assert.False((bool)now["bases"]![2]!["laid"]!);
        Assert.All(now["boxes"]!.AsArray(), b => Assert.Equal(0, (int)b!["short"]!));
        await LogAsync("done", tufts);
        Assert.Equal(laid.Values.Sum() - Wanted(1, true) - Wanted(2, true), (await BoxesAsync()).Values.Sum());

        // Done twice it takes nothing twice; what is taken back is in its box again.
        await LogAsync("done", paste);
        Assert.Equal(laid.Values.Sum() - Wanted(1, true) - Wanted(2, true), (await BoxesAsync()).Values.Sum());
        await LogAsync("takenBack", tufts);
        await LogAsync("takenBack", paste);
        Assert.Equal(before, await BoxesAsync());
        Assert.False((bool)(await DemoTrayAsync())["bases"]![0]!["laid"]!);
    }

    [Fact]
    public async Task Rims_become_a_zone_by_school_and_follow_the_forms()
    {
        var tray = (await BeginAsync(3)).Tray;
        var at = $"/api/trays/{tray["id"]}/rim";
        var offered = await Host.GetAsync(at);
        Assert.Null(offered["zoneId"]);
        Assert.Equal("neutralDark", (string)offered["school"]!);
        Assert.Null(offered["numberId"]);
        Assert.Equal(2.8, (double)offered["numberMm"]!);
        await Host.RefusesAsync(HttpMethod.Post, at, new { paintId = Guid.NewGuid() }, "paintId", HttpStatusCode.NotFound);
        Assert.Null((await Host.GetAsync(at))["zoneId"]);
        var taken = await Host.PostAsync(at, new { paintId = (string)offered["paintId"]!, numberId = (string)offered["paintId"]! });
        var zone = await Host.GetAsync($"/api/zones/{taken["zoneId"]}");
        var coats = zone["scheme"]!["coats"]!.AsArray();
        Assert.Equal(["baseCoat", "marking", "varnish"], coats.Select(c => (string)c!["technique"]!));

        // What the product proposes comes without a warning.
        var findings = (await Host.GetAsync($"/api/pieces/{tray["pieceId"]}"))["piece"]!["zones"]!.AsArray().Single(z => (string)z!["id"]! == (string)taken["zoneId"]!)!["findings"]!;
        Assert.Equal((0, 0), ((int)findings["stops"]!, (int)findings["risks"]!));
        Assert.Equal(2, (int)coats[0]!["passes"]!);
        Assert.Contains("1 to 3, at the rear", (string)coats[1]!["note"]!, StringComparison.Ordinal);
        Assert.Equal((double)taken["areaMm2"]!, (double)zone["zone"]!["areaMm2"]!, 0.1);
        Assert.True((bool)zone["settings"]!["rim"]!);
        await Host.RefusesAsync(HttpMethod.Post, at, new { paintId = (string)offered["paintId"]! }, "id", HttpStatusCode.Conflict);

        // Wider bases, wider rims; an area given by hand stays.
        var wider = Kept(tray);
        foreach (var copy in wider)
        {
            (copy!["form"]!["lengthMm"], copy["form"]!["widthMm"]) = (32, 32);
        }

        var changed = await PutAsync(tray, wider);
        zone = await Host.GetAsync($"/api/zones/{taken["zoneId"]}");
        Assert.Equal((double)(await Host.GetAsync(at))["areaMm2"]!, (double)zone["settings"]!["ownAreaMm2"]!, 0.1);
        var settings = zone["settings"]!.DeepClone();
        settings["ownAreaMm2"] = 400;
        await Host.PutAsync($"/api/zones/{taken["zoneId"]}", new { version = (int)zone["version"]!, settings }, HttpStatusCode.NoContent);
        await PutAsync(changed, Kept(tray));
        Assert.Equal(400, (double)(await Host.GetAsync($"/api/zones/{taken["zoneId"]}"))["settings"]!["ownAreaMm2"]!);
    }

    [Fact]
    public async Task Related_grounds_become_mixes_and_one_coat_that_names_the_copies_of_each()
    {
        var (piece, tray) = await BeginAsync(5);
        var scheme = await Host.PostAsync($"/api/schemes/{(await Host.ZoneAsync("Crust"))["scheme"]!["id"]}/copy", new { name = "Grounds tried" }, HttpStatusCode.Created);
        var zone = (string)(await Host.PostAsync($"/api/pieces/{piece}/zones", new { name = "Top", facing = "up", areaShare = 1, schemeId = (string)scheme["id"]! }, HttpStatusCode.Created))["id"]!;
        var at = $"/api/trays/{tray["id"]}/grounds";
        await Host.RefusesAsync(HttpMethod.Post, $"{at}/stack", new { zoneId = zone, schemeVersion = (int)scheme["version"]! }, "id");
        var paints = (await Host.GetAsync("/api/materials")).AsArray().Where(m => (string)m!["material"]!["family"]! == "acrylicPaint").OrderBy(m => (string)m!["material"]!["name"]!).ToList();
        var (a, b) = (paints[0]!["id"]!, paints[^1]!["id"]!);
        var grounded = await Host.PutAsync(at, new { version = (int)tray["version"]!, count = 3, aId = (string)a!, bId = (string)b! });
        var mixes = grounded["grounds"]!["mixes"]!.AsArray();
        await Host.PostAsync($"{at}/stack", new { zoneId = zone, schemeVersion = (int)scheme["version"]! });
        var page = await Host.GetAsync($"/api/zones/{zone}");
        var coats = page["scheme"]!["coats"]!.AsArray();
        var coat = Assert.Single(coats, c => ((string?)c!["note"] ?? "").StartsWith("Grounds: ", StringComparison.Ordinal))!;
        Assert.All(mixes, m => Assert.Contains($"{m!["partsA"]}:{m["partsB"]} on {string.Join(", ", m["copies"]!.AsArray())}", (string)coat["note"]!, StringComparison.Ordinal));
        Assert.True(coats.IndexOf(coat) < coats.Select((c, i) => ((string)c!["technique"]!, i)).First(t => t.Item1 == "tufts").i);
        var made = (await Host.GetAsync("/api/mixes")).AsArray().Count;

        // Again it is the same coat, and no mix is made twice; a stale window changes nothing.
        await Host.RefusesAsync(HttpMethod.Post, $"{at}/stack", new { zoneId = zone, schemeVersion = (int)scheme["version"]! }, "version", HttpStatusCode.Conflict);
        await Host.PostAsync($"{at}/stack", new { zoneId = zone, schemeVersion = (int)page["scheme"]!["version"]! });
        Assert.Equal(made, (await Host.GetAsync("/api/mixes")).AsArray().Count);
        Assert.Equal(coats.Count, (await Host.GetAsync($"/api/zones/{zone}"))["scheme"]!["coats"]!.AsArray().Count);
    }

    [Fact]
    public async Task What_bases_still_take_stands_in_amounts_and_shopping_list()
    {
        var (piece, tray) = await BeginAsync(2);
        var box = await Host.PostAsync("/api/element-boxes", new { name = "Wreck ribs", kind = "post", lengthMm = 6, widthMm = 1, heightMm = 2, spread = 0.1, count = 1 }, HttpStatusCode.Created);
        object Rib(double x) => new { boxId = (string)box["id"]!, name = "Wreck ribs", kind = "post", seed = 5, lengthMm = 6, widthMm = 1, heightMm = 2, x, y = 7, angleDeg = 0 };
        var copies = Kept(tray);
        foreach (var copy in copies)
        {
            copy!["elements"] = System.Text.Json.JsonSerializer.SerializeToNode(new[] { Rib(0) });
        }

        await PutAsync(tray, copies);

        // Nothing is counted of a piece that is not planned.
        Assert.Empty((await Host.PostAsync("/api/amounts", new { pieceId = piece }))["elements"]!.AsArray());
        await Host.PostAsync($"/api/pieces/{piece}/zones", new { name = "Top", facing = "up", areaShare = 1, schemeId = (string)(await Host.ZoneAsync("Crust"))["scheme"]!["id"]! }, HttpStatusCode.Created);
        var amounts = await Host.PostAsync("/api/amounts", new { pieceId = piece });
        var need = Assert.Single(amounts["elements"]!.AsArray())!;
        Assert.Equal(("Wreck ribs", 2, 1, 1), ((string)need["name"]!, (int)need["needed"]!, (int)need["left"]!, (int)need["short"]!));
        var glue = amounts["materials"]!.AsArray().Where(m => ((string)m!["name"]!).Contains("glue", StringComparison.OrdinalIgnoreCase)).ToList();
        Assert.True((double)amounts["superGlueDrops"]! >= 1 || glue.Count > 0);
        using var answer = await Host.Http.PostAsJsonAsync(new Uri("/api/amounts/shopping.csv", UriKind.Relative), new { pieceId = piece }, Cancel);
        var list = await answer.Content.ReadAsStringAsync(Cancel);
        Assert.Contains("price,pieces", list, StringComparison.Ordinal);
        Assert.Contains("Wreck ribs,,,,,,,,,1", list, StringComparison.Ordinal);
        await Host.DeleteAsync($"/api/element-boxes/{box["id"]}");
    }

    [Fact]
    public async Task Steps_tell_how_long_they_dry_and_a_tile_how_its_paste_cracks()
    {
        var tray = await DemoTrayAsync();
        var steps = (await Host.GetAsync($"/api/trays/{tray["id"]}/steps"))["steps"]!.AsArray();
        var paste = steps.Single(s => (string)s!["technique"]! == "texture")!;
        Assert.True((double)paste["waitMin"]! > 60);
        Assert.All(steps.Where(s => (string)s!["technique"]! == "tufts"), s => Assert.Equal(0, (double?)s!["waitMin"] ?? 0));
        var usual = await Host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 1.0 });
        Assert.Equal(4, (double)usual["spacingMm"]!, 0.5);
        var own = await Host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 1.2, tile = new { thinMm = 0.6, thinCells = 10, thickMm = 1.2, thickCells = 5, crackMm = 0.6 } });
        Assert.Equal((double)usual["spacingMm"]!, (double)own["spacingMm"]!, 0.05);
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/crackle", new { ground = "primed", tile = new { thinMm = 1.0, thinCells = 10, thickMm = 1.1, thickCells = 5, crackMm = 0.6 } }, "tile.thickMm");
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/crackle", new { ground = "primed", tile = new { thinMm = 0.5, thinCells = 5, thickMm = 1.1, thickCells = 10, crackMm = 0.6 } }, "tile.thickCells");
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/crackle", new { ground = "primed", tile = new { thinMm = 0.5, thinCells = 0, thickMm = 1.1, thickCells = 10, crackMm = 0.6 } }, "tile.thinCells");
    }

    [Fact]
    public async Task Boxes_are_put_on_the_shelf_changed_and_taken_off()
    {
        var box = await Host.PostAsync("/api/element-boxes", new { name = "Reed stubs", kind = "debris", lengthMm = 7, widthMm = 1, heightMm = 1, spread = 0.2, count = 30 }, HttpStatusCode.Created);
        var changed = await Host.PutAsync($"/api/element-boxes/{box["id"]}", new { version = (int)box["version"]!, box = new { name = "Reed stubs", kind = "debris", lengthMm = 7, widthMm = 1, heightMm = 1, spread = 0.2, count = 12 } });
        Assert.Equal(12, (int)changed["box"]!["count"]!);
        await Host.RefusesAsync(HttpMethod.Put, $"/api/element-boxes/{box["id"]}", new { version = (int)box["version"]!, box = changed["box"] }, "version", HttpStatusCode.Conflict);
        await Host.DeleteAsync($"/api/element-boxes/{box["id"]}");
        Assert.Contains((await Host.GetAsync("/api/bin")).AsArray(), i => (string)i!["kind"]! == "box" && (string)i["name"]! == "Reed stubs");
        using var back = await Host.Http.PostAsync(new Uri($"/api/element-boxes/{box["id"]}/restore", UriKind.Relative), null, Cancel);
        Assert.Equal(HttpStatusCode.NoContent, back.StatusCode);
        var count = (await Host.GetAsync("/api/element-boxes")).AsArray().Count;
        using var starters = await Host.Http.PostAsync(new Uri("/api/element-boxes/starters", UriKind.Relative), null, Cancel);
        Assert.Equal(count, (await starters.Content.ReadFromJsonAsync<JsonArray>(Cancel))!.Count);
        await Host.DeleteAsync($"/api/element-boxes/{box["id"]}");
    }

    [Fact]
    public async Task Amounts_of_paste_are_those_of_the_tray()
    {
        var tray = await DemoTrayAsync();
        var amounts = await Host.PostAsync("/api/amounts", new { pieceId = (string)tray["pieceId"]! });
        var coats = amounts["coats"]!.AsArray();
        double OnPiece(string technique) => (double)coats.Single(c => (string)c!["technique"]! == technique)!["onPieceMl"]!;
        double Sum(string field) => tray["bases"]!.AsArray().Sum(b => (double)b!["takes"]![field]!);
        Assert.Equal(Sum("pasteMl"), OnPiece("texture"), 0.1);
        Assert.Equal(Sum("crackleMl"), OnPiece("cracklePaste"), 0.1);
    }

    [Fact]
    public async Task A_trays_texture_comes_into_the_stack_at_its_places()
    {
        var (piece, tray) = await BeginAsync(2);
        await RollAsync(tray, 5);
        Assert.Null((await Host.GetAsync($"/api/trays/{tray["id"]}/steps"))["zoneId"]);
        var scheme = (await Host.GetAsync("/api/schemes")).AsArray().First(s => (string)s!["name"]! == "Salt crust")!;
        var copy = await Host.PostAsync($"/api/schemes/{scheme["id"]}/copy", new { name = "Crust by the tray" }, HttpStatusCode.Created);
        var bare = copy["coats"]!.AsArray().Where(c => (string)c!["technique"]! is not ("texture" or "gritInGlue" or "tufts" or "cracklePaste")).Select(c => c!.DeepClone()).ToArray();
        await Host.PutAsync($"/api/schemes/{copy["id"]}/stack", new { version = (int)copy["version"]!, coats = bare });
        await Host.PostAsync($"/api/pieces/{piece}/zones", new { schemeId = (string)copy["id"]!, name = "Top", areaShare = 1, relief = "rough", facing = "up" }, HttpStatusCode.Created);
        var steps = await Host.GetAsync($"/api/trays/{tray["id"]}/steps");
        Assert.Equal("Top", (string)steps["zone"]!);
        var all = steps["steps"]!.AsArray();
        Assert.Equal(["texture", "gritInGlue", "dripGlue", "cracklePaste", "varnish", "tufts"], all.Select(s => (string)s!["technique"]!).Where(t => t != "seal"));
        Assert.True((bool)all.Single(s => (string)s!["technique"]! == "varnish")!["inStack"]!);
        Assert.All(all, s => Assert.NotEqual("", (string)s!["material"]!));
        var after = await Host.PostAsync($"/api/trays/{tray["id"]}/steps", new { zoneId = (string)steps["zoneId"]!, schemeVersion = (int)steps["schemeVersion"]!, techniques = new[] { "texture", "gritInGlue", "cracklePaste", "tufts" } });
        var coats = (await Host.GetAsync($"/api/schemes/{copy["id"]}"))["coats"]!.AsArray();
        Assert.Equal(["texture", "gritInGlue", "sprayCan", "cracklePaste"], coats.Take(4).Select(c => (string)c!["technique"]!));
        Assert.Equal("tufts", (string)coats[^1]!["technique"]!);
        var film = (double)all.Single(s => (string)s!["technique"]! == "cracklePaste")!["filmMm"]!;
        Assert.Equal(1000 * film, (double)coats[3]!["deposit"]!["wetFilmUm"]![0]!, 1);
        Assert.All(after["steps"]!.AsArray().Where(s => (string)s!["technique"]! is "texture" or "tufts"), s => Assert.True((bool)s!["inStack"]!));
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/steps", new { zoneId = (string)steps["zoneId"]!, schemeVersion = (int)steps["schemeVersion"]!, techniques = new[] { "seal" } }, "version", HttpStatusCode.Conflict);
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/steps", new { zoneId = Guid.NewGuid(), schemeVersion = 1, techniques = new[] { "seal" } }, "zoneId", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Dust_goes_up_a_zone_as_high_as_its_scale_says()
    {
        var zone = await Host.ZoneAsync("Hull panels");
        var (first, second) = ((string)(await Host.MaterialAsync("Wet Sand"))["id"]!, (string)(await Host.MaterialAsync("Pale Shell"))["id"]!);
        object Wish(bool dryRun, int version, bool drives = false) => new { zoneId = (string)zone["id"]!, schemeVersion = version, from = "drySand", firstId = first, secondId = second, drives, dryRun };
        var look = await Host.PostAsync("/api/base-dust", Wish(true, 0));
        Assert.Equal((3.6, 2.0), ((double)look["firstMm"]!, (double)look["secondMm"]!));
        Assert.True((double)(await Host.PostAsync("/api/base-dust", Wish(true, 0, drives: true)))["firstMm"]! > 3.6);
        var version = (int)look["schemeVersion"]!;
        await Host.RefusesAsync(HttpMethod.Post, "/api/base-dust", Wish(false, version + 5), "version", HttpStatusCode.Conflict);
        var taken = await Host.PostAsync("/api/base-dust", Wish(false, version));
        Assert.Equal(version + 1, (int)taken["schemeVersion"]!);
        var coats = (await Host.GetAsync($"/api/zones/{zone["id"]}"))["scheme"]!["coats"]!.AsArray();
        Assert.Equal([3.6, 2.0], coats.TakeLast(2).Select(c => (double)c!["fade"]!["noneMm"]!));
        await Host.RefusesAsync(HttpMethod.Post, "/api/base-dust", new { zoneId = Guid.NewGuid(), schemeVersion = 1, from = "mud", firstId = first, secondId = second }, "zoneId", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Crackle_is_laid_as_thick_as_the_cracks_are_wanted()
    {
        var plain = await Host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 1 });
        Assert.InRange((double)plain["spacingMm"]!, 4, 4.4);
        var wanted = await Host.PostAsync("/api/preview/crackle", new { ground = "primed", widthMm = 0.64 });
        Assert.Equal(2, (double)wanted["mm"]!, 0.01);
        Assert.True((double)wanted["dryMin"]! > 2 * (double)plain["dryMin"]!);
        Assert.StartsWith("Too thin", (string)(await Host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 0.2 }))["verdict"]!, StringComparison.Ordinal);
        Assert.True((double)(await Host.PostAsync("/api/preview/crackle", new { ground = "sealed", mm = 1 }))["spacingMm"]! > (double)plain["spacingMm"]!);
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/crackle", new { ground = "primed", mm = 0 }, "mm");
    }

    [Fact]
    public async Task What_is_glued_down_stays_whatever_an_older_window_says()
    {
        var zone = await Host.ZoneAsync("Crust");
        var paste = zone["scheme"]!["coats"]!.AsArray().Single(c => (string)c!["technique"]! == "texture")!;
        async Task LogAsync(string kind, params int[] copies) => await Host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind, zoneId = (string)zone["id"]!, coatId = (string)paste["id"]!, pass = 1, copies });
        var tray = await DemoTrayAsync();
        var before = Kept(tray);
        await LogAsync("done", 3, 18);

        // An undo of all that was rolled, made by a window that knew nothing of the log: two stay, the rest follows.
        var wanted = Kept(tray);
        foreach (var copy in wanted)
        {
            copy!["elements"] = new JsonArray();
        }

        var after = Kept(await PutAsync(tray, wanted));
        Assert.All(after.Index(), c => Assert.Equal(c.Index is 2 or 17, c.Item!["elements"]!.AsArray().Count > 0));
        Assert.True(JsonNode.DeepEquals(before[2], after[2]));

        // Nor does a roll touch them, and none of them can be taken off the tray.
        tray = await DemoTrayAsync();
        var rolled = await Host.PostAsync($"/api/trays/{tray["id"]}/roll", new { version = (int)tray["version"]!, seed = 3, copies = new[] { 3, 4 }, rolls = 1 });
        Assert.True(JsonNode.DeepEquals(before[2], Kept(rolled)[2]));
        Assert.NotEmpty(Kept(rolled)[3]!["elements"]!.AsArray());
        await Host.RefusesAsync(HttpMethod.Put, $"/api/trays/{tray["id"]}", new { version = (int)rolled["version"]!, tray = new { familyId = (string)tray["familyId"]!, copies = new JsonArray([.. Kept(rolled).Take(17).Select(c => c!.DeepClone())]) } }, "tray.copies");
        await LogAsync("takenBack", 3, 18);
        Assert.Equal(17, (await PutAsync(rolled, [.. Kept(rolled).Take(17).Select(c => c!.DeepClone())]))["bases"]!.AsArray().Count);
        var restored = await PutAsync(await DemoTrayAsync(), before);
        Assert.Equal(before.ToJsonString(), Kept(restored).ToJsonString());
    }

    [Fact]
    public async Task A_bare_base_is_never_glued_down_and_a_box_that_is_gone_gives_nothing_and_gets_nothing_back()
    {
        var zone = await Host.ZoneAsync("Crust");
        var paste = zone["scheme"]!["coats"]!.AsArray().Single(c => (string)c!["technique"]! == "texture")!;
        async Task LogAsync(string kind, int copy) => await Host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind, zoneId = (string)zone["id"]!, coatId = (string)paste["id"]!, pass = 1, copies = new[] { copy } });
        var tray = await DemoTrayAsync();
        var before = Kept(tray);
        var bare = Kept(tray);
        bare[5]!["elements"] = new JsonArray();
        await PutAsync(tray, bare);
        await LogAsync("done", 6);
        Assert.False((bool)(await DemoTrayAsync())["bases"]![5]!["laid"]!);
        await LogAsync("takenBack", 6);

        // All of what stands on base 7 comes from boxes that are off the shelf by now.
        var ids = bare[6]!["elements"]!.AsArray().Where(e => (string)e!["kind"]! != "tuft").Select(e => (string)e!["boxId"]!).Distinct().ToList();
        foreach (var id in ids)
        {
            await Host.DeleteAsync($"/api/element-boxes/{id}");
        }

        await LogAsync("done", 7);
        Assert.True((bool)(await DemoTrayAsync())["bases"]![6]!["laid"]!);
        await LogAsync("takenBack", 7);
        Assert.False((bool)(await DemoTrayAsync())["bases"]![6]!["laid"]!);
        foreach (var id in ids)
        {
            using var back = await Host.Http.PostAsync(new Uri($"/api/element-boxes/{id}/restore", UriKind.Relative), null, Cancel);
            Assert.Equal(HttpStatusCode.NoContent, back.StatusCode);
        }

        await PutAsync(await DemoTrayAsync(), before);
        Assert.All((await DemoTrayAsync())["boxes"]!.AsArray(), b => Assert.Equal(0, (int)b!["short"]!));
    }

    [Fact]
    public async Task Boxes_and_families_that_were_deleted_long_ago_leave_the_database_but_for_what_trays_need()
    {
        var box = await Host.PostAsync("/api/element-boxes", new { name = "Old shells", kind = "pebble", lengthMm = 3, widthMm = 2, heightMm = 1, spread = 0.1, count = 4 }, HttpStatusCode.Created);
        var family = await Host.PostAsync("/api/base-families", (await Host.GetAsync("/api/base-families/starters"))[1]!, HttpStatusCode.Created);
        await Host.DeleteAsync($"/api/element-boxes/{box["id"]}");
        await Host.DeleteAsync($"/api/base-families/{family["id"]}");
        await Host.ExecuteAsync("UPDATE element_boxes SET \"DeletedAt\" = now() - interval '40 days' WHERE \"DeletedAt\" IS NOT NULL; UPDATE base_families SET \"DeletedAt\" = now() - interval '40 days' WHERE \"DeletedAt\" IS NOT NULL");
        await Host.EmptyBinAsync();
        await Host.RefusesAsync(HttpMethod.Post, $"/api/element-boxes/{box["id"]}/restore", null, "id", HttpStatusCode.NotFound);
        await Host.RefusesAsync(HttpMethod.Post, $"/api/base-families/{family["id"]}/restore", null, "id", HttpStatusCode.NotFound);
        Assert.NotEmpty((await DemoTrayAsync())["bases"]!.AsArray());
    }
}
