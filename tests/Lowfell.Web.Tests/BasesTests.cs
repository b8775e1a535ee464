using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class BasesTests(TestHost host) : TraysOn(host), IClassFixture<TestHost>
{
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
        Assert.Equal(3, (int)(await Host.GetAsync($"/api/pieces/{piece}"))["piece"]!["piece"]!["copies"]!);
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
        var now = await Host.GetAsync($"/api/pieces/{piece}/tray");
        var moved = Kept(now["tray"]!);
        (moved[2]!["elements"]![0]!["x"], moved[2]!["elements"]![0]!["y"]) = (-4.2, -0.8);
        var told = await PutAsync(now["tray"]!, moved);
        Assert.Contains("would stand", (string)told["bases"]![2]!["elements"]![0]!["fault"]!, StringComparison.Ordinal);

        // Undone it is as it was, to the last figure.
        var back = await PutAsync(told, Kept(now["tray"]!));
        Assert.Equal(Kept(now["tray"]!).ToJsonString(), Kept(back).ToJsonString());
        Assert.Equal((string)now["tray"]!["bases"]![2]!["picture"]!, (string)back["bases"]![2]!["picture"]!);

        // A stale window gets 409, and nothing is lost.
        await Host.RefusesAsync(HttpMethod.Put, $"/api/trays/{tray["id"]}", new { version = 1, tray = new { familyId = (string)tray["familyId"]!, copies } }, "version", HttpStatusCode.Conflict);
        await Host.DeleteAsync($"/api/trays/{tray["id"]}");
        Assert.Null((await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]);
    }

    [Fact]
    public async Task A_copy_of_a_piece_and_of_a_set_has_its_tray_with_nothing_glued_down()
    {
        var (piece, tray) = await BeginAsync(3);
        var rolled = await RollAsync(tray, 5);
        await Host.ExecuteAsync($"UPDATE trays SET \"StonesLaid\" = ARRAY[1] WHERE \"Id\" = '{tray["id"]}'");
        var set = (string)(await Host.GetAsync($"/api/pieces/{piece}"))["setId"]!;
        var copy = (string)(await Host.PostAsync($"/api/pieces/{piece}/copy", null, HttpStatusCode.Created))["id"]!;
        var copied = (await Host.GetAsync($"/api/pieces/{copy}/tray"))["tray"]!;
        Assert.Equal(Kept(rolled).ToJsonString(), Kept(copied).ToJsonString());
        Assert.All(copied["bases"]!.AsArray(), b => Assert.False((bool)b!["laid"]!));
        var other = await Host.GetAsync($"/api/sets/{(await Host.PostAsync($"/api/sets/{set}/copy", null, HttpStatusCode.Created))["id"]}");
        foreach (var p in other["pieces"]!.AsArray())
        {
            Assert.Equal(3, (await Host.GetAsync($"/api/pieces/{p!["id"]}/tray"))["tray"]!["bases"]!.AsArray().Count);
        }

        // Each is a tray of its own.
        await RollAsync(copied, 9);
        Assert.Equal(Kept(rolled).ToJsonString(), Kept((await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!).ToJsonString());
    }

    [Fact]
    public async Task A_whole_tray_is_rolled_as_a_job_that_can_be_ended()
    {
        var (piece, tray) = await BeginAsync(6);
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/roll", new { version = (int)tray["version"]!, seed = 3 }, "copies");
        var ended = await JobAsync(tray, new { version = (int)tray["version"]!, seed = 3, rolls = 4 });
        Assert.Equal("ended", (string)ended["status"]!);
        Assert.Equal(24, (int)ended["done"]!);
        var laid = (await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.All(laid["bases"]!.AsArray(), b => Assert.NotEmpty(b!["elements"]!.AsArray()));
        Assert.True((double)laid["leastDifference"]! > 0.25);

        // Ended by the painter the tray is as it was; where it was quicker than that, it is another.
        var asked = await Host.PostAsync($"/api/trays/{tray["id"]}/rolls", new { version = (int)laid["version"]!, seed = 4, rolls = 24 }, HttpStatusCode.Accepted);
        await Host.DeleteAsync($"/api/trays/{tray["id"]}/rolls/{asked["id"]}");
        var cut = (string)(await EndOfAsync(tray, asked))["status"]! == "cancelled";
        var then = (await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.Equal(cut, (int)then["version"]! == (int)laid["version"]!);
        Assert.Equal(cut, Kept(then).ToJsonString() == Kept(laid).ToJsonString());

        // What was asked for of an older version changes nothing.
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/rolls", new { version = 1, seed = 3 }, "version", HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_roll_whose_host_has_died_is_taken_up_again_and_holds_up_no_other_for_long()
    {
        var (piece, tray) = await BeginAsync(5);
        var asked = await JobAsync(tray, new { version = (int)tray["version"]!, seed = 3, rolls = 1 });
        await Host.ExecuteAsync($"UPDATE tray_rolls SET \"Status\" = 'Running', \"EndedAt\" = NULL, \"SeenAt\" = now() - interval '5 seconds' WHERE \"Id\" = '{asked["id"]}'");
        var now = (await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.Equal("running", (string)(await Host.GetAsync($"/api/trays/{tray["id"]}/rolls/{asked["id"]}"))["status"]!);
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/rolls", new { version = (int)now["version"]!, seed = 3 }, "id", HttpStatusCode.Conflict);
        await Host.ExecuteAsync($"UPDATE tray_rolls SET \"SeenAt\" = now() - interval '30 seconds' WHERE \"Id\" = '{asked["id"]}'");

        // It was done already when its host died, so what is taken up again is of an older tray, and says so.
        var ended = await EndOfAsync(tray, asked);
        Assert.Equal("failed", (string)ended["status"]!);
        Assert.Contains("Roll it again", (string)ended["message"]!, StringComparison.Ordinal);
        Assert.Equal("ended", (string)(await JobAsync(now, new { version = (int)now["version"]!, seed = 9, rolls = 1 }))["status"]!);
    }

    [Fact]
    public async Task Two_rolls_of_one_version_lay_the_tray_once()
    {
        var (piece, tray) = await BeginAsync(2);
        object Wish(int seed) => new { version = (int)tray["version"]!, seed, rolls = 2 };
        var answers = await Task.WhenAll(Enumerable.Range(1, 4).Select(seed => Host.Http.PostAsJsonAsync($"/api/trays/{tray["id"]}/roll", Wish(seed), Cancel)));
        Assert.Single(answers, a => a.StatusCode == HttpStatusCode.OK);
        Assert.Equal(3, answers.Count(a => a.StatusCode == HttpStatusCode.Conflict));
        var laid = JsonNode.Parse(await answers.Single(a => a.IsSuccessStatusCode).Content.ReadAsStringAsync(Cancel))!;
        Assert.Equal(Kept(laid).ToJsonString(), Kept((await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!).ToJsonString());
    }

    [Fact]
    public async Task A_picture_that_is_asked_for_too_large_is_drawn_coarser()
    {
        var piece = await PieceAsync();
        var family = (await Host.GetAsync("/api/base-families"))[0]!;
        var form = new { shape = "rectangle", lengthMm = 200, widthMm = 200 };
        var tray = await Host.PostAsync($"/api/pieces/{piece}/tray", new { familyId = (string)family["id"]!, groups = new[] { new { form, stance = "none", copies = 2 } } }, HttpStatusCode.Created);
        async Task<(int Width, int Height)> SizeAsync(string picture)
        {
            var bytes = await Host.Http.GetByteArrayAsync(new Uri($"/api/trays/{tray["id"]}/{picture}", UriKind.Relative), Cancel);
            return ((bytes[16] << 24) + (bytes[17] << 16) + (bytes[18] << 8) + bytes[19], (bytes[20] << 24) + (bytes[21] << 16) + (bytes[22] << 8) + bytes[23]);
        }

        var (width, height) = await SizeAsync("copies/1.png?px=24");
        Assert.InRange(width * height, 1_000_000, 1_510_000);
        Assert.Equal(width, height);
        Assert.Equal((400, 400), await SizeAsync("copies/1.png?px=2"));
        var all = await SizeAsync("tray.png?px=24");
        Assert.InRange((long)all.Width * all.Height, 8_000_000, 12_050_000);
    }

    [Fact]
    public async Task Plates_of_crackle_are_told_in_the_sets_own_scale()
    {
        var (piece, tray) = await BeginAsync(1);
        string Note(JsonNode t) => t["bases"]![0]!["notes"]!.AsArray().Select(n => (string)n!).Single(n => n.StartsWith("Crackle: ", StringComparison.Ordinal));
        Assert.Contains("18 cm in life", Note(await RollAsync(tray, 5)), StringComparison.Ordinal);
        await Host.ExecuteAsync($"UPDATE sets SET \"Scale\" = 28 WHERE \"Id\" = (SELECT \"SetId\" FROM pieces WHERE \"Id\" = '{piece}')");
        Assert.Contains("9 cm in life", Note((await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_alike_are_made_less_alike_in_one_press()
    {
        var (_, tray) = await BeginAsync(2);
        var copies = Kept(await RollAsync(tray, 5));
        var twin = copies[0]!.DeepClone();
        var alike = await PutAsync((await Host.GetAsync($"/api/pieces/{tray["pieceId"]}/tray"))["tray"]!, [copies[0]!.DeepClone(), twin]);
        var pair = alike["differences"]!.AsArray().Single()!;
        Assert.Equal("nearCopy", (string)pair["judged"]!);
        var apart = await Host.PostAsync($"/api/trays/{tray["id"]}/roll", new { version = (int)alike["version"]!, seed = 11, copies = new[] { 2 }, awayFrom = 1, rolls = 12 });
        Assert.True((double)apart["differences"]![0]!["distance"]! > 0.3);
        Assert.True(JsonNode.DeepEquals(Kept(alike)[0], Kept(apart)[0]));
    }

    [Fact]
    public async Task Ground_says_where_a_hand_may_put_something()
    {
        var (_, tray) = await BeginAsync(1);
        var rolled = await RollAsync(tray, 5);
        var ground = await Host.PostAsync($"/api/trays/{tray["id"]}/ground", new { copy = 1, element = 0, angleDeg = 0 });
        var cells = (string)ground["cells"]!;
        Assert.Equal((int)ground["columns"]! * (int)ground["rows"]!, cells.Length);
        Assert.Contains('.', cells);
        Assert.All(cells.Distinct().Where(c => c != '.'), c => Assert.NotNull(ground["reasons"]![c.ToString()]));
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/ground", new { copy = 1, element = rolled["bases"]![0]!["elements"]!.AsArray().Count, angleDeg = 0 }, "element", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_with_what_would_make_it_possible()
    {
        var (piece, tray) = await BeginAsync(1);
        var copies = Kept(tray);
        copies[0]!["figure"]!["spreadMm"] = 22;
        await Host.RefusesAsync(HttpMethod.Put, $"/api/trays/{tray["id"]}", new { version = (int)tray["version"]!, tray = new { familyId = (string)tray["familyId"]!, copies } }, "tray.copies[0].figure");
        await Host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{piece}/tray", new { familyId = (string)tray["familyId"]!, groups = new[] { new { form = Round25, stance = "twoFeet", copies = 1 } } }, "pieceId", HttpStatusCode.Conflict);
        var other = await PieceAsync();
        await Host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = (string)tray["familyId"]!, groups = Enumerable.Repeat(new { form = Round25, stance = "none", copies = 200 }, 25) }, "groups");
        await Host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = (string)tray["familyId"]!, groups = new[] { new { form = new { shape = "round", lengthMm = 25, widthMm = 30 }, stance = "none", copies = 1 } } }, "copies[0].form.widthMm");
        await Host.RefusesAsync(HttpMethod.Post, $"/api/pieces/{other}/tray", new { familyId = Guid.NewGuid(), groups = new[] { new { form = Round25, stance = "none", copies = 1 } } }, "familyId", HttpStatusCode.NotFound);
        copies = Kept(tray);
        copies[0]!["locked"] = true;
        var locked = await PutAsync(tray, copies);
        await Host.RefusesAsync(HttpMethod.Post, $"/api/trays/{tray["id"]}/roll", new { version = (int)locked["version"]!, seed = 1 }, "copies");
    }

    [Fact]
    public async Task A_family_is_changed_and_its_trays_follow()
    {
        var own = (await Host.GetAsync("/api/base-families/starters"))[0]!;
        own["name"] = "Crust of our own";
        await Host.PostAsync("/api/base-families", own, HttpStatusCode.Created);
        var (piece, tray) = await BeginAsync(1, "Crust of our own");
        var rolled = await RollAsync(tray, 5);
        Task<double> LaidAsync() => Host.ScalarAsync<double>($"SELECT \"LaidPasteMl\" FROM pieces WHERE \"Id\" = '{piece}'");
        var laid = await LaidAsync();
        var family = (await Host.GetAsync("/api/base-families")).AsArray().Single(f => (string)f!["id"]! == (string)tray["familyId"]!)!;
        var rules = family["family"]!.DeepClone();
        rules["skimMm"] = 1.4;
        var changed = await Host.PutAsync($"/api/base-families/{family["id"]}", new { version = (int)family["version"]!, family = rules });
        var after = (await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!;
        Assert.True((double)after["takes"]!["pasteMl"]! > (double)rolled["takes"]!["pasteMl"]!);

        // What the coats are laid with follows too.
        Assert.Equal((double)after["bases"]![0]!["takes"]!["pasteMl"]!, await LaidAsync(), 0.006);
        Assert.True(await LaidAsync() > laid);
        rules["shares"] = new JsonArray(0.5, 0.5, 0.5, 0, 0);
        await Host.RefusesAsync(HttpMethod.Put, $"/api/base-families/{family["id"]}", new { version = (int)changed["version"]!, family = rules }, "family.shares");
        await Host.RefusesAsync(HttpMethod.Delete, $"/api/base-families/{family["id"]}", null, "id", HttpStatusCode.Conflict);
        var starters = await Host.GetAsync("/api/base-families/starters");
        Assert.Equal(3, starters.AsArray().Count);
        var added = await Host.PostAsync("/api/base-families", starters[2]!, HttpStatusCode.Created);
        await Host.DeleteAsync($"/api/base-families/{added["id"]}");
        Assert.DoesNotContain((await Host.GetAsync("/api/base-families")).AsArray(), f => (string)f!["id"]! == (string)added["id"]!);
        using var back = await Host.Http.PostAsync(new Uri($"/api/base-families/{added["id"]}/restore", UriKind.Relative), null, Cancel);
        Assert.Equal(HttpStatusCode.NoContent, back.StatusCode);
    }

    [Fact]
    public async Task Grounds_of_two_browns_differ_between_neighbours_and_change_the_pictures()
    {
        var (_, tray) = await BeginAsync(4);
        var (a, b) = ((string)(await Host.MaterialAsync("Wet Sand"))["id"]!, (string)(await Host.MaterialAsync("Rope Tan"))["id"]!);
        var path = $"/api/trays/{tray["id"]}/grounds";
        var three = await Host.PutAsync(path, new { version = (int)tray["version"]!, aId = a, bId = b, count = 3 });
        var mixes = three["grounds"]!["mixes"]!.AsArray();
        Assert.Equal([(4, 1), (1, 4)], new[] { mixes[0]!, mixes[^1]! }.Select(m => ((int)m["partsA"]!, (int)m["partsB"]!)));
        Assert.Equal(Enumerable.Range(1, 4), mixes.SelectMany(m => m!["copies"]!.AsArray().Select(c => (int)c!)).Order());
        var bases = three["bases"]!.AsArray();
        Assert.All(three["differences"]!.AsArray().Where(d => (bool)d!["beside"]!), d => Assert.NotEqual((string)bases[(int)d!["a"]! - 1]!["ground"]!, (string)bases[(int)d["b"]! - 1]!["ground"]!));
        Assert.NotEqual((string)tray["bases"]![0]!["picture"]!, (string)bases[0]!["picture"]!);
        Assert.Equal("", (string)three["grounds"]!["fault"]!);
        three = await Host.PutAsync(path, new { version = (int)three["version"]!, aId = (string)(await Host.MaterialAsync("Tarred Oak"))["id"]!, bId = b, count = 3 });
        Assert.Contains("read as two grounds", (string)three["grounds"]!["fault"]!, StringComparison.Ordinal);
        await Host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, bId = a, count = 3 }, "bId");
        await Host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, bId = b, count = 2 }, "count");
        await Host.RefusesAsync(HttpMethod.Put, path, new { version = (int)three["version"]!, aId = a, count = 3 }, "bId");
        var one = await Host.PutAsync(path, new { version = (int)three["version"]!, count = 0 });
        Assert.Null(one["grounds"]);
        Assert.Equal((string)tray["bases"]![0]!["picture"]!, (string)one["bases"]![0]!["picture"]!);
    }

    [Fact]
    public async Task A_preview_rolls_and_reads_without_keeping()
    {
        var family = (await Host.GetAsync("/api/base-families/starters"))[0]!;
        var stock = (await Host.GetAsync("/api/element-boxes")).AsArray();
        object Base(int seed) => new { form = Round25, figure = new { stance = "twoFeet", landingMm = 7, landingWidthMm = 3.6, spreadMm = 8.4, hemMm = 5.5, overhangMm = 6 }, seed, elements = Array.Empty<object>() };
        var look = await Host.PostAsync("/api/preview/bases", new { family, bases = new[] { Base(1), Base(2) }, stock, seed = 9 });
        Assert.Equal(2, look["bases"]!.AsArray().Count);
        Assert.Single(look["differences"]!.AsArray());
        Assert.True((double)look["takes"]!["pasteMl"]! > 0);
        var read = await Host.PostAsync("/api/preview/bases", new { family, bases = look["bases"]!.AsArray().Select(b => b!["kept"]), stock, seed = 9, roll = false });
        Assert.Equal((double)look["differences"]![0]!["distance"]!, (double)read["differences"]![0]!["distance"]!);
        var bare = await Host.PostAsync("/api/preview/bases", new { family, bases = new[] { Base(1) }, stock = Array.Empty<object>(), seed = 9 });
        Assert.Empty(bare["bases"]![0]!["elements"]!.AsArray());
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/bases", new { family, bases = Enumerable.Repeat(Base(1), 5), stock, seed = 9 }, "bases");
        await Host.RefusesAsync(HttpMethod.Post, "/api/preview/bases", new { family, bases = new[] { Base(1) }, stock = stock.Concat([stock[0]]).Select(s => s!.DeepClone()), seed = 9 }, "stock");
    }

    [Fact]
    public async Task Pictures_sheets_and_lists_are_of_the_tray()
    {
        var tray = await DemoTrayAsync();
        using var picture = await Host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/copies/13.png?px=4", UriKind.Relative), Cancel);
        Assert.Equal("image/png", picture.Content.Headers.ContentType!.MediaType);
        Assert.True(picture.Headers.CacheControl!.MaxAge > TimeSpan.FromDays(1));
        var bytes = await picture.Content.ReadAsByteArrayAsync(Cancel);
        Assert.Equal(160, (bytes[18] << 8) + bytes[19]);
        using var whole = await Host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/tray.png?px=2", UriKind.Relative), Cancel);
        Assert.Equal(HttpStatusCode.OK, whole.StatusCode);
        Assert.Contains("id=\"copy-18\"", await Host.Http.GetStringAsync(new Uri($"/api/trays/{tray["id"]}/sheet.svg", UriKind.Relative), Cancel), StringComparison.Ordinal);
        var list = (await Host.Http.GetStringAsync(new Uri($"/api/trays/{tray["id"]}/placement.csv", UriKind.Relative), Cancel)).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.StartsWith("base,no,element,x_mm,y_mm,angle_deg,height_mm,stands_at_mm,cluster,locked,instead_of", list[0], StringComparison.Ordinal);
        Assert.Equal(1 + tray["bases"]!.AsArray().Sum(b => b!["elements"]!.AsArray().Count), list.Length);
        using var none = await Host.Http.GetAsync(new Uri($"/api/trays/{tray["id"]}/copies/19.png", UriKind.Relative), Cancel);
        Assert.Equal(HttpStatusCode.NotFound, none.StatusCode);
    }

    [Fact]
    public async Task A_tray_goes_out_as_a_file_and_comes_in_again()
    {
        var tray = await DemoTrayAsync();
        var file = await Host.GetAsync($"/api/trays/{tray["id"]}/tray.json");
        var schema = await Host.GetAsync("/api/trays/schema.json");
        Assert.All(file.AsObject(), f => Assert.NotNull(schema["properties"]![f.Key]));
        var piece = await PieceAsync();
        var taken = await Host.PutAsync($"/api/pieces/{piece}/tray/file", file);
        Assert.Equal(Kept(tray).ToJsonString(), Kept(taken).ToJsonString());
        Assert.Equal((string)tray["familyId"]!, (string)taken["familyId"]!);
        var other = file.DeepClone();
        other["formatVersion"] = 2;
        await Host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "formatVersion");
        other = file.DeepClone();
        other["format"] = "a list";
        await Host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "format");
        other = file.DeepClone();
        other["copies"]![0]!["elements"]![0]!["lengthMm"] = -3;
        await Host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "copies[0].elements[0].lengthMm");
        other["copies"] = new JsonArray([.. Enumerable.Range(0, 5000).Select(_ => file["copies"]![0]!.DeepClone())]);
        await Host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{piece}/tray/file", other, "copies");
        Assert.Equal(Kept(tray).ToJsonString(), Kept((await Host.GetAsync($"/api/pieces/{piece}/tray"))["tray"]!).ToJsonString());
    }
}
