using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class BasesTests(TestHost host) : IClassFixture<TestHost>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static readonly object Round25 = new { shape = "round", lengthMm = 25, widthMm = 25 };

    [Fact]
    public async Task The_demos_tray_keeps_every_rule_and_takes_no_more_than_there_is()
    {
        var tray = await DemoTrayAsync();
        var bases = tray["bases"]!.AsArray();
        Assert.Equal(18, bases.Count);
        Assert.All(bases.SelectMany(b => b!["elements"]!.AsArray()), e => Assert.Equal("", (string)e!["fault"]!));
        Assert.All(bases, b => Assert.Empty(b!["marks"]!.AsArray()));
        Assert.All(bases, b => Assert.True((double)b!["calm"]! >= 0.33));
        Assert.All(tray["boxes"]!.AsArray(), b => Assert.Equal(0, (int)b!["short"]!));
        Assert.True((double)tray["takes"]!["pasteMl"]! > 10);
        Assert.Equal(18, tray["rows"]!.AsArray().Sum(r => r!.AsArray().Count));
        Assert.All(bases, b => Assert.Contains("tips at", (string)b!["steady"]!["verdict"]!, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_tray_is_begun_rolled_locked_moved_undone_and_taken_away()
    {
        var (piece, tray) = await BeginAsync(3);
        Assert.Equal(3, (int)(await host.GetAsync($"/api/pieces/{piece}"))["piece"]!["piece"]!["copies"]!);
        var rolled = await RollAsync(tray, 7);
        Assert.All(rolled["bases"]!.AsArray(), b => Assert.NotEmpty(b!["elements"]!.AsArray()));

        // The same seed gives the same, though the version is another.
        var again = await RollAsync(rolled, 7);
        Assert.Equal(Kept(rolled).ToJsonString(), Kept(again).ToJsonString());
        Assert.Equal((int)rolled["version"]! + 1, (int)again["version"]!);

        // What is locked stays; a locked base too.
        var copies = Kept(again);
        copies[0]!["elements"]![0]!["locked"] = true;
        copies[1]!["locked"] = true;
        var locked = await PutAsync(again, copies);
        var other = Kept(await RollAsync(locked, 8));
        Assert.Contains(other[0]!["elements"]!.AsArray(), e => JsonNode.DeepEquals(e, copies[0]!["elements"]![0]));
        Assert.True(JsonNode.DeepEquals(copies[1], other[1]));
        Assert.False(JsonNode.DeepEquals(copies[2], other[2]));

        // Moved by hand onto a foot it is kept, and told of.
        var now = await host.GetAsync($"/api/pieces/{piece}/tray");
        var moved = Kept(now["tray"]!);
        (moved[2]!["elements"]![0]!["x"], moved[2]!["elements"]![0]!["y"]) = (-4.2, -0.8);
        var told = await PutAsync(now["tray"]!, moved);
        Assert.Contains("would stand", (string)told["bases"]![2]!["elements"]![0]!["fault"]!, StringComparison.Ordinal);

        // Undone it is as it was, to the last figure.
        var back = await PutAsync(told, Kept(now["tray"]!));
        Assert.Equal(Kept(now["tray"]!).ToJsonString(), Kept(back).ToJsonString());
        Assert.Equal((string)now["tray"]!["bases"]![2]!["picture"]!, (string)back["bases"]![2]!["picture"]!);

        // A stale window gets 409, and nothing is lost.
        await host.RefusesAsync(HttpMethod.Put, $"/api/trays/{tray["id"]}", new { version = 1, tray = new { familyId = (string)tray["familyId"]!, copies } }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/trays/{tray["id"]}");
        Assert.Null((await host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]);
    }

    [Fact]
    public async Task A_whole_tray_is_rolled_as_a_job_that_can_be_ended()
    {
        var (piece, tray) = await BeginAsync(6);
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/roll", new { version = (int)tray["version"]!, seed = 3 }, "copies");
        var ended = await JobAsync(tray, new { version = (int)tray["version"]!, seed = 3, rolls = 4 });
        Assert.Equal("ended", (string)ended["status"]!);
        Assert.Equal(24, (int)ended["done"]!);
        var laid = (await host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.All(laid["bases"]!.AsArray(), b => Assert.NotEmpty(b!["elements"]!.AsArray()));
        Assert.True((double)laid["leastDifference"]! > 0.25);

        var asked = await host.PostAsync($"/api/trays/{tray["id"]}/rolls", new { version = (int)laid["version"]!, seed = 4, rolls = 24 }, HttpStatusCode.Accepted);
        await host.DeleteAsync($"/api/trays/{tray["id"]}/rolls/{asked["id"]}");
        Assert.Contains((string)(await EndOfAsync(tray, asked))["status"]!, new[] { "cancelled", "ended" });

        // What was asked for of an older version changes nothing.
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/rolls", new { version = 1, seed = 3 }, "version", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task Two_alike_are_made_less_alike_in_one_press()
    {
        var (_, tray) = await BeginAsync(2);
        var copies = Kept(await RollAsync(tray, 5));
        var twin = copies[0]!.DeepClone();
        var alike = await PutAsync((await host.GetAsync($"/api/pieces/{tray["pieceId"]}/tray"))["tray"]!, [copies[0]!.DeepClone(), twin]);
        var pair = alike["differences"]!.AsArray().Single()!;
        Assert.Equal("nearCopy", (string)pair["judged"]!);
        var apart = await host.PostAsync($"/api/trays/{tray["id"]}/roll", new { version = (int)alike["version"]!, seed = 11, copies = new[] { 2 }, awayFrom = 1, rolls = 12 });
        Assert.True((double)apart["differences"]![0]!["distance"]! > 0.3);
        Assert.True(JsonNode.DeepEquals(Kept(alike)[0], Kept(apart)[0]));
    }

    [Fact]
    public async Task Ground_says_where_a_hand_may_put_something()
    {
        var (_, tray) = await BeginAsync(1);
        var rolled = await RollAsync(tray, 5);
        var ground = await host.PostAsync($"/api/trays/{tray["id"]}/ground", new { copy = 1, element = 0, angleDeg = 0 });
        var cells = (string)ground["cells"]!;
        Assert.Equal((int)ground["columns"]! * (int)ground["rows"]!, cells.Length);
        Assert.Contains('.', cells);
        Assert.All(cells.Distinct().Where(c => c != '.'), c => Assert.NotNull(ground["reasons"]![c.ToString()]));
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/ground", new { copy = 1, element = rolled["bases"]![0]!["elements"]!.AsArray().Count, angleDeg = 0 }, "element", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_with_what_would_make_it_possible()
    {
        var (piece, tray) = await BeginAsync(1);
        var copies = Kept(tray);
        copies[0]!["figure"]!["spreadMm"] = 22;
        await host.RefusesAsync(HttpMethod.Put, $"/api/trays/{tray["id"]}", new { version = (int)tray["version"]!, tray = new { familyId = (string)tray["familyId"]!, copies } }, "tray.copies[0].figure");
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/tray", new { familyId = (string)tray["familyId"]!, groups = new[] { new { form = Round25, stance = "twoFeet", copies = 1 } } }, "pieceId", HttpStatusCode.Conflict);
        var other = await PieceAsync();
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = (string)tray["familyId"]!, groups = Enumerable.Repeat(new { form = Round25, stance = "none", copies = 200 }, 25) }, "groups");
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = (string)tray["familyId"]!, groups = new[] { new { form = new { shape = "round", lengthMm = 25, widthMm = 30 }, stance = "none", copies = 1 } } }, "copies[0].form.widthMm");
        await host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = Guid.NewGuid(), groups = new[] { new { form = Round25, stance = "none", copies = 1 } } }, "familyId", HttpStatusCode.NotFound);
        copies = Kept(tray);
        copies[0]!["locked"] = true;
        var locked = await PutAsync(tray, copies);
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/roll", new { version = (int)locked["version"]!, seed = 1 }, "copies");
    }

    [Fact]
    public async Task A_family_is_changed_and_its_trays_follow()
    {
        var own = (await host.GetAsync("/api/base-families/starters"))[0]!;
        own["name"] = "Crust of our own";
        await host.PostAsync("/api/base-families", own, HttpStatusCode.Created);
        var (piece, tray) = await BeginAsync(1, "Crust of our own");
        var rolled = await RollAsync(tray, 5);
        Task<double> LaidAsync() => host.ScalarAsync<double>($"SELECT \"LaidPasteMl\" FROM pieces WHERE \"Id\" = '{piece}'");
        var laid = await LaidAsync();
        var family = (await host.GetAsync("/api/base-families")).AsArray().Single(f => (string)f!["id"]! == (string)tray["familyId"]!)!;
        var rules = family["family"]!.DeepClone();
        rules["skimMm"] = 1.4;
        var changed = await host.PutAsync($"/api/base-families/{family["id"]}", new { version = (int)family["version"]!, family = rules });
        var after = (await host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.True((double)after["takes"]!["pasteMl"]! > (double)rolled["takes"]!["pasteMl"]!);

        // What the coats are laid with follows too.
        Assert.Equal((double)after["bases"]![0]!["takes"]!["pasteMl"]!, await LaidAsync(), 0.006);
        Assert.True(await LaidAsync() > laid);
        rules["shares"] = new JsonArray(0.5, 0.5, 0.5, 0, 0);
        await host.RefusesAsync(HttpMethod.Put, $"/api/base-families/{family["id"]}", new { version = (int)changed["version"]!, family = rules }, "family.shares");
        await host.RefusesAsync(HttpMethod.Delete, $"/api/base-families/{family["id"]}", null, "id", HttpStatusCode.Conflict);
        var starters = await host.GetAsync("/api/base-families/starters");
        Assert.Equal(3, starters.AsArray().Count);
        var added = await host.PostAsync("/api/base-families", starters[2]!, HttpStatusCode.Created);
        await host.DeleteAsync($"/api/base-families/{added["id"]}");
        Assert.DoesNotContain((await host.GetAsync("/api/base-families")).AsArray(), f => (string)f!["id"]! == (string)added["id"]!);
        using var back = await host.Http.PostAsync(new Uri($"/api/base-families/{added["id"]}/restore", UriKind.Relative), null, Cancel);
        Assert.Equal(HttpStatusCode.NoContent, back.StatusCode);
    }

    [Fact]
    public async Task Stones_leave_their_boxes_when_they_are_glued_down_and_come_back()
    {
        var sets = await host.GetAsync("/api/sets");
        var set = sets.AsArray().Single(s => (string)s!["name"]! == "Salt-crust bases")!;
        var zone = await host.ZoneAsync("Crust");
        var coats = zone["scheme"]!["coats"]!.AsArray();
        var paste = coats.Single(c => (string)c!["technique"]! == "texture")!;
        var tufts = coats.Single(c => (string)c!["technique"]! == "tufts")!;
        var before = await BoxesAsync();
        var tray = await DemoTrayAsync();
        int Wanted(int copy, bool tufts) => tray["bases"]![copy - 1]!["elements"]!.AsArray().Count(e => ((string)e!["element"]!["kind"]! == "tuft") == tufts);
        async Task LogAsync(string kind, JsonNode coat) => await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind, zoneId = (string)zone["id"]!, coatId = (string)coat["id"]!, pass = 1, copies = new[] { 1, 2 } });

        // The card tells what goes where: stones with the paste, tufts last, nothing with what lies between.
        async Task<JsonArray> PlacesAsync(JsonNode coat) => (await host.GetAsync($"/api/zones/{zone["id"]}/placement?coatId={coat["id"]}&copies=1&copies=2&copies=99")).AsArray();
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
        Assert.NotNull(set);
    }

    [Fact]
    public async Task Amounts_of_paste_are_those_of_the_tray()
    {
        var tray = await DemoTrayAsync();
        var amounts = await host.PostAsync("/api/amounts", new { pieceId = (string)tray["pieceId"]! });
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
        Assert.Null((await host.GetAsync($"/api/trays/{tray["id"]}/steps"))["zoneId"]);
        var scheme = (await host.GetAsync("/api/schemes")).AsArray().First(s => (string)s!["name"]! == "Salt crust")!;
        var copy = await host.PostAsync($"/api/schemes/{scheme["id"]}/copy", new { name = "Crust by the tray" }, HttpStatusCode.Created);
        var bare = copy["coats"]!.AsArray().Where(c => (string)c!["technique"]! is not ("texture" or "gritInGlue" or "tufts" or "cracklePaste")).Select(c => c!.DeepClone()).ToArray();
        await host.PutAsync($"/api/schemes/{copy["id"]}/stack", new { version = (int)copy["version"]!, coats = bare });
        await host.PostAsync($"/api/pieces/{piece}/zones", new { schemeId = (string)copy["id"]!, name = "Top", areaShare = 1, relief = "rough", facing = "up" }, HttpStatusCode.Created);
        var steps = await host.GetAsync($"/api/trays/{tray["id"]}/steps");
        Assert.Equal("Top", (string)steps["zone"]!);
        var all = steps["steps"]!.AsArray();
        Assert.Equal(["texture", "gritInGlue", "dripGlue", "cracklePaste", "varnish", "tufts"], all.Select(s => (string)s!["technique"]!).Where(t => t != "seal"));
        Assert.True((bool)all.Single(s => (string)s!["technique"]! == "varnish")!["inStack"]!);
        Assert.All(all, s => Assert.NotEqual("", (string)s!["material"]!));
        var after = await host.PostAsync($"/api/trays/{tray["id"]}/steps", new { zoneId = (string)steps["zoneId"]!, schemeVersion = (int)steps["schemeVersion"]!, techniques = new[] { "texture", "gritInGlue", "cracklePaste", "tufts" } });
        var coats = (await host.GetAsync($"/api/schemes/{copy["id"]}"))["coats"]!.AsArray();
        Assert.Equal(["texture", "gritInGlue", "sprayCan", "cracklePaste"], coats.Take(4).Select(c => (string)c!["technique"]!));
        Assert.Equal("tufts", (string)coats[^1]!["technique"]!);
        var film = (double)all.Single(s => (string)s!["technique"]! == "cracklePaste")!["filmMm"]!;
        Assert.Equal(1000 * film, (double)coats[3]!["deposit"]!["wetFilmUm"]![0]!, 1);
        Assert.All(after["steps"]!.AsArray().Where(s => (string)s!["technique"]! is "texture" or "tufts"), s => Assert.True((bool)s!["inStack"]!));
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/steps", new { zoneId = (string)steps["zoneId"]!, schemeVersion = (int)steps["schemeVersion"]!, techniques = new[] { "seal" } }, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/steps", new { zoneId = Guid.NewGuid(), schemeVersion = 1, techniques = new[] { "seal" } }, "zoneId", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Grounds_of_two_browns_differ_between_neighbours_and_change_the_pictures()
    {
        var (_, tray) = await BeginAsync(4);
        var (a, b) = ((string)(await host.MaterialAsync("Wet Sand"))["id"]!, (string)(await host.MaterialAsync("Rope Tan"))["id"]!);
        var path = $"/api/trays/{tray["id"]}/grounds";
        var three = await host.PutAsync(path, new { version = (int)tray["version"]!, aId = a, bId = b, count = 3 });
        var mixes = three["grounds"]!["mixes"]!.AsArray();
        Assert.Equal([(4, 1), (1, 4)], new[] { mixes[0]!, mixes[^1]! }.Select(m => ((int)m["partsA"]!, (int)m["partsB"]!)));
        Assert.Equal(Enumerable.Range(1, 4), mixes.SelectMany(m => m!["copies"]!.AsArray().Select(c => (int)c!)).Order());
        var bases = three["bases"]!.AsArray();
        Assert.All(three["differences"]!.AsArray().Where(d => (bool)d!["beside"]!), d => Assert.NotEqual((string)bases[(int)d!["a"]! - 1]!["ground"]!, (string)bases[(int)d["b"]! - 1]!["ground"]!));
        Assert.NotEqual((string)tray["bases"]![0]!["picture"]!, (string)bases[0]!["picture"]!);
        Assert.Equal("", (string)three["grounds"]!["fault"]!);
        three = await host.PutAsync(path, new { version = (int)three["version"]!, aId = (string)(await host.MaterialAsync("Tarred Oak"))["id"]!, bId = b, count = 3 });
        Assert.Contains("read as two grounds", (string)three["grounds"]!["fault"]!, StringComparison.Ordinal);
        await host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, bId = a, count = 3 }, "bId");
        await host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, bId = b, count = 2 }, "count");
        await host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, count = 3 }, "bId");
        var one = await host.PutAsync(path, new { version = (int)three["version"]!, count = 0 });
        Assert.Null(one["grounds"]);
        Assert.Equal((string)tray["bases"]![0]!["picture"]!, (string)one["bases"]![0]!["picture"]!);
    }

    [Fact]
    public async Task Crackle_is_laid_as_thick_as_the_cracks_are_wanted()
    {
        var plain = await host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 1 });
        Assert.InRange((double)plain["spacingMm"]!, 4, 4.4);
        var wanted = await host.PostAsync("/api/preview/crackle", new { ground = "primed", widthMm = 0.64 });
        Assert.Equal(2, (double)wanted["mm"]!, 0.01);
        Assert.True((double)wanted["dryMin"]! > 2 * (double)plain["dryMin"]!);
        Assert.StartsWith("Too thin", (string)(await host.PostAsync("/api/preview/crackle", new { ground = "primed", mm = 0.2 }))["verdict"]!, StringComparison.Ordinal);
        Assert.True((double)(await host.PostAsync("/api/preview/crackle", new { ground = "sealed", mm = 1 }))["spacingMm"]! > (double)plain["spacingMm"]!);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/crackle", new { ground = "primed", mm = 0 }, "mm");
    }

    [Fact]
    public async Task Dust_goes_up_a_zone_as_high_as_its_scale_says()
    {
        var zone = await host.ZoneAsync("Hull panels");
        var (first, second) = ((string)(await host.MaterialAsync("Wet Sand"))["id"]!, (string)(await host.MaterialAsync("Pale Shell"))["id"]!);
        object Wish(bool dryRun, int version, bool drives = false) => new { zoneId = (string)zone["id"]!, schemeVersion = version, from = "drySand", firstId = first, secondId = second, drives, dryRun };
        var look = await host.PostAsync("/api/base-dust", Wish(true, 0));
        Assert.Equal((3.6, 2.0), ((double)look["firstMm"]!, (double)look["secondMm"]!));
        Assert.True((double)(await host.PostAsync("/api/base-dust", Wish(true, 0, drives: true)))["firstMm"]! > 3.6);
        var version = (int)look["schemeVersion"]!;
        await host.RefusesAsync(HttpMethod.Post, "/api/base-dust", Wish(false, version + 5), "version", HttpStatusCode.Conflict);
        var taken = await host.PostAsync("/api/base-dust", Wish(false, version));
        Assert.Equal(version + 1, (int)taken["schemeVersion"]!);
        var coats = (await host.GetAsync($"/api/zones/{zone["id"]}"))["scheme"]!["coats"]!.AsArray();
        Assert.Equal([3.6, 2.0], coats.TakeLast(2).Select(c => (double)c!["fade"]!["noneMm"]!));
        await host.RefusesAsync(HttpMethod.Post, "/api/base-dust", new { zoneId = Guid.NewGuid(), schemeVersion = 1, from = "mud", firstId = first, secondId = second }, "zoneId", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_preview_rolls_and_reads_without_keeping()
    {
        var family = (await host.GetAsync("/api/base-families/starters"))[0]!;
        var stock = (await host.GetAsync("/api/element-boxes")).AsArray();
        object Base(int seed) => new { form = Round25, figure = new { stance = "twoFeet", landingMm = 7, landingWidthMm = 3.6, spreadMm = 8.4, hemMm = 5.5, overhangMm = 6 }, seed, elements = Array.Empty<object>() };
        var look = await host.PostAsync("/api/preview/bases", new { family, bases = new[] { Base(1), Base(2) }, stock, seed = 9 });
        Assert.Equal(2, look["bases"]!.AsArray().Count);
        Assert.Single(look["differences"]!.AsArray());
        Assert.True((double)look["takes"]!["pasteMl"]! > 0);
        var read = await host.PostAsync("/api/preview/bases", new { family, bases = look["bases"]!.AsArray().Select(b => b!["kept"]), stock, seed = 9, roll = false });
        Assert.Equal((double)look["differences"]![0]!["distance"]!, (double)read["differences"]![0]!["distance"]!);
        var bare = await host.PostAsync("/api/preview/bases", new { family, bases = new[] { Base(1) }, stock = Array.Empty<object>(), seed = 9 });
        Assert.Empty(bare["bases"]![0]!["elements"]!.AsArray());
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/bases", new { family, bases = Enumerable.Repeat(Base(1), 5), stock, seed = 9 }, "bases");
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/bases", new { family, bases = new[] { Base(1) }, stock = stock.Concat([stock[0]]).Select(s => s!.DeepClone()), seed = 9 }, "stock");
    }

    [Fact]
    public async Task Pictures_sheets_and_lists_are_of_the_tray()
    {
        var tray = await DemoTrayAsync();
        using var picture = await host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/copies/13.png?px=4", UriKind.Relative), Cancel);
        Assert.Equal("image/png", picture.Content.Headers.ContentType!.MediaType);
        Assert.True(picture.Headers.CacheControl!.MaxAge > TimeSpan.FromDays(1));
        var bytes = await picture.Content.ReadAsByteArrayAsync(Cancel);
        Assert.Equal(160, (bytes[18] << 8) + bytes[19]);
        using var whole = await host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/tray.png?px=2", UriKind.Relative), Cancel);
        Assert.Equal(HttpStatusCode.OK, whole.StatusCode);
        Assert.Contains("id=\"copy-18\"", await host.Http.GetStringAsync(new Uri($"/api/trays/{tray["id"]}/sheet.svg", UriKind.Relative), Cancel), StringComparison.Ordinal);
        var list = (await host.Http.GetStringAsync(new Uri($"/api/trays/{tray["id"]}/placement.csv", UriKind.Relative), Cancel)).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.StartsWith("base,no,element,x_mm,y_mm,angle_deg,height_mm,stands_at_mm,cluster,locked,instead_of", list[0], StringComparison.Ordinal);
        Assert.Equal(1 + tray["bases"]!.AsArray().Sum(b => b!["elements"]!.AsArray().Count), list.Length);
        using var none = await host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/copies/19.png", UriKind.Relative), Cancel);
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
    }

    [Fact]
    public async Task A_tray_goes_out_as_a_file_and_comes_in_again()
    {
        var tray = await DemoTrayAsync();
        var file = await host.GetAsync($"/api/trays/{tray["id"]}/tray.json");
        var schema = await host.GetAsync("/api/trays/schema.json");
        Assert.All(file.AsObject(), f => Assert.NotNull(schema["properties"]![f.Key]));
        var piece = await PieceAsync();
        var taken = await host.PutAsync($"/api/pieces/{piece}/tray/file", file);
        Assert.Equal(Kept(tray).ToJsonString(), Kept(taken).ToJsonString());
        Assert.Equal((string)tray["familyId"]!, (string)taken["familyId"]!);
        var other = file.DeepClone();
        other["formatVersion"] = 2;
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "formatVersion");
        other = file.DeepClone();
        other["format"] = "a list";
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "format");
        other = file.DeepClone();
        other["copies"]![0]!["elements"]![0]!["lengthMm"] = -3;
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "copies[0].elements[0].lengthMm");
        other["copies"] = new JsonArray([.. Enumerable.Range(0, 5000).Select(_ => file["copies"]![0]!.DeepClone())]);
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "copies");
        Assert.Equal(Kept(tray).ToJsonString(), Kept((await host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!).ToJsonString());
    }

    [Fact]
    public async Task Boxes_are_put_on_the_shelf_changed_and_taken_off()
    {
        var box = await host.PostAsync("/api/element-boxes", new { name = "Reed stubs", kind = "debris", lengthMm = 7, widthMm = 1, heightMm = 1, spread = 0.2, count = 30 }, HttpStatusCode.Created);
        var changed = await host.PutAsync($"/api/element-boxes/{box["id"]}", new { version = (int)box["version"]!, box = new { name = "Reed stubs", kind = "debris", lengthMm = 7, widthMm = 1, heightMm = 1, spread = 0.2, count = 12 } });
        Assert.Equal(12, (int)changed["box"]!["count"]!);
        await host.RefusesAsync(HttpMethod.Put, $"/api/element-boxes/{box["id"]}", new { version = (int)box["version"]!, box = changed["box"] }, "version", HttpStatusCode.Conflict);
        await host.DeleteAsync($"/api/element-boxes/{box["id"]}");
        using var back = await host.Http.PostAsync(new Uri($"/api/element-boxes/{box["id"]}/restore", UriKind.Relative), null, Cancel);
        Assert.Equal(HttpStatusCode.NoContent, back.StatusCode);
        var count = (await host.GetAsync("/api/element-boxes")).AsArray().Count;
        using var starters = await host.Http.PostAsync(new Uri("/api/element-boxes/starters", UriKind.Relative), null, Cancel);
        Assert.Equal(count, (await starters.Content.ReadFromJsonAsync<JsonArray>(Cancel))!.Count);
        await host.DeleteAsync($"/api/element-boxes/{box["id"]}");
    }

    private static JsonArray Kept(JsonNode tray) => [.. tray["bases"]!.AsArray().Select(b => b!["kept"]!.DeepClone())];

    private async Task<JsonNode> PutAsync(JsonNode tray, JsonArray copies) =>
        await host.PutAsync($"/api/trays/{tray["id"]}", new { version = (int)tray["version"]!, tray = new { familyId = (string)tray["familyId"]!, copies } });

    private async Task<JsonNode> RollAsync(JsonNode tray, int seed) => await host.PostAsync($"/api/trays/{tray["id"]}/roll", new { version = (int)tray["version"]!, seed, rolls = 3 });

    private async Task<JsonNode> JobAsync(JsonNode tray, object request) => await EndOfAsync(tray, await host.PostAsync($"/api/trays/{tray["id"]}/rolls", request, HttpStatusCode.Accepted));

    private async Task<JsonNode> EndOfAsync(JsonNode tray, JsonNode roll)
    {
        for (var tries = 0; tries < 300; tries++)
        {
            var now = await host.GetAsync($"/api/trays/{tray["id"]}/rolls/{roll["id"]}");
            if ((string)now["status"]! is not ("waiting" or "running"))
            {
                return now;
            }

            await Task.Delay(100, Cancel);
        }

        throw new TimeoutException("The roll did not end.");
    }

    private async Task<string> PieceAsync()
    {
        var set = await host.PostAsync("/api/sets", new { name = $"Tray {Guid.NewGuid():n}"[..12] }, HttpStatusCode.Created);
        var piece = await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name = "Plinths", kind = "base", substrate = "polystyrene", shape = "disc", lengthMm = 25, widthMm = 25, heightMm = 4, copies = 5 }, HttpStatusCode.Created);
        return (string)piece["id"]!;
    }

    private async Task<(string Piece, JsonNode Tray)> BeginAsync(int copies, string name = "Salt crust")
    {
        var piece = await PieceAsync();
        var family = (await host.GetAsync("/api/base-families")).AsArray().First(f => (string)f!["family"]!["name"]! == name)!;
        return (piece, await host.PostAsync($"/api/pieces/{piece}/tray", new { familyId = (string)family["id"]!, groups = new[] { new { form = Round25, stance = "twoFeet", copies } } }, HttpStatusCode.Created));
    }

    private async Task<JsonNode> DemoTrayAsync()
    {
        var piece = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Salt-crust bases")!["pieces"]![0]!;
        return (await host.GetAsync($"/api/pieces/{piece["id"]}/tray"))["tray"]!;
    }

    private async Task<SortedDictionary<string, int>> BoxesAsync() => new((await host.GetAsync("/api/element-boxes")).AsArray().ToDictionary(b => (string)b!["box"]!["name"]!, b => (int)b!["box"]!["count"]!));
}
