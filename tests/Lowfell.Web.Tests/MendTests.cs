using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>From what is seen to what is done, over the API.</summary>
public sealed class MendTests(TestHost host) : IClassFixture<TestHost>
{
    private sealed record Wall(string Set, string Piece, string Zone, string Scheme, string Base, string Wash);

    // Three copies of a panelled wall: a base and a wash on it, in a scheme of their own.
    private async Task<Wall> WallAsync(string name)
    {
        var paint = (string)(await host.MaterialAsync("Rope Tan"))["id"]!;
        var stain = (string)(await host.MaterialAsync("Kelp Wash"))["id"]!;
        var set = await host.PostAsync("/api/sets", new { name }, HttpStatusCode.Created);
        var piece = (string)(await host.PostAsync($"/api/sets/{set["id"]}/pieces", new { name, substrate = "polystyrene", shape = "box", lengthMm = 80, widthMm = 30, heightMm = 50, copies = 3 }, HttpStatusCode.Created))["id"]!;
        var first = await host.ZoneAsync("Planks");
        var scheme = await host.PostAsync($"/api/schemes/{first["scheme"]!["id"]}/copy", new { name = name + " coats" }, HttpStatusCode.Created);
        var (basis, wash) = (Guid.NewGuid(), Guid.NewGuid());
        await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new
        {
            version = (int)scheme["version"]!,
            coats = new object[] { new { id = basis, technique = "baseCoat", materialId = paint }, new { id = wash, technique = "wash", materialId = stain } },
        });
        var zone = await host.PostAsync($"/api/pieces/{piece}/zones", new { name, areaShare = 1, relief = "panelled", facing = "side", schemeId = (string)scheme["id"]! }, HttpStatusCode.Created);
        return new((string)set["id"]!, piece, (string)zone["id"]!, (string)scheme["id"]!, basis.ToString(), wash.ToString());
    }

    private Task<JsonNode> LogAsync(Wall wall, string coat, DateTimeOffset at, string kind, params int[] copies) =>
        host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind, zoneId = wall.Zone, coatId = coat, copies, at });

    // The second copy was washed far too soon.
    private async Task<Wall> HurriedAsync(string name)
    {
        var wall = await WallAsync(name);
        var begin = DateTimeOffset.UtcNow.AddHours(-5);
        await LogAsync(wall, wall.Base, begin, "done", 1, 2, 3);
        await LogAsync(wall, wall.Wash, begin.AddMinutes(5), "done", 2);
        await LogAsync(wall, wall.Wash, begin.AddMinutes(120), "done", 1);
        return wall;
    }

    private Task<JsonNode> CaseAsync(Wall wall, string symptom, params int[] copies) => host.PostAsync("/api/mend/case", new { symptom, zoneId = wall.Zone, copies });

    private async Task<JsonArray> StepsAsync(Wall wall) => (await host.GetAsync($"/api/log/progress?zoneId={wall.Zone}")).AsArray().Single()!["steps"]!.AsArray();

    private async Task<string[]> CopiesAsync(Wall wall) => [.. (await host.GetAsync($"/api/log/progress?zoneId={wall.Zone}")).AsArray().Single()!["copies"]!.AsArray().Select(c => (string)c!)];

    private async Task<string> AllOfAsync(Wall wall) =>
        string.Join('\n', (await host.GetAsync($"/api/schemes/{wall.Scheme}"))["coats"]!.ToJsonString(), string.Join(',', await CopiesAsync(wall)), (await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).ToJsonString());

    [Fact]
    public async Task The_copy_that_was_hurried_is_told_from_the_one_that_was_not()
    {
        var wall = await HurriedAsync("Told apart");
        var said = await CaseAsync(wall, "lifted", 2);
        Assert.Equal("hurried", (string)said["causes"]![0]!["key"]!);
        Assert.True((double)said["causes"]![0]!["share"]! > 0.9);
        Assert.Contains("5 min after", (string)said["causes"]![0]!["for"]![0]!, StringComparison.Ordinal);
        Assert.Equal(wall.Wash, (string)said["coatId"]!);
        Assert.Equal([true, true, false], said["copies"]!.AsArray().Select(c => (bool)c!["reached"]!));
        Assert.Equal(1, (int)said["nextCopies"]!);
        Assert.Contains(said["next"]!.AsArray(), e => (string)e!["sign"]! == "hurried");
        Assert.Equal("wait", (string)said["offers"]![0]!["kind"]!);

        // Seen on both alike it tells little.
        var both = await CaseAsync(wall, "lifted", 1, 2);
        Assert.True((double)both["causes"]![0]!["share"]! < (double)said["causes"]![0]!["share"]!);
    }

    [Fact]
    public async Task Whether_another_varnish_was_used_is_read_from_zones_of_the_set_that_are_finished()
    {
        var wall = await WallAsync("Matched");
        var (matt, gloss) = ((string)(await host.MaterialAsync("Tarnside Matt Varnish"))["id"]!, (string)(await host.MaterialAsync("Tarnside Gloss Varnish"))["id"]!);
        async Task<string> SealedAsync(string scheme, string varnish)
        {
            var now = await host.GetAsync($"/api/schemes/{scheme}");
            var coats = now["coats"]!.AsArray().Select(c => c!.DeepClone()).ToList();
            var seal = Guid.NewGuid().ToString();
            coats.Add(new JsonObject { ["id"] = seal, ["technique"] = "varnish", ["materialId"] = varnish });
            await host.PutAsync($"/api/schemes/{scheme}/stack", new { version = (int)now["version"]!, coats });
            return seal;
        }

        // The zone beside it has a scheme of its own, and is finished with matt.
        var other = await host.PostAsync($"/api/schemes/{wall.Scheme}/copy", new { name = "Old coats" }, HttpStatusCode.Created);
        var old = (string)(await host.PostAsync($"/api/pieces/{wall.Piece}/zones", new { name = "Old face", areaShare = 0.1, relief = "panelled", facing = "side", schemeId = (string)other["id"]! }, HttpStatusCode.Created))["id"]!;
        var last = await SealedAsync((string)other["id"]!, matt);
        await SealedAsync(wall.Scheme, gloss);
        async Task<JsonNode> VarnishAsync() => (await CaseAsync(wall, "match", 1))["causes"]!.AsArray().Single(c => (string)c!["key"]! == "varnish")!;
        var unknown = await VarnishAsync();
        Assert.Empty(unknown["for"]!.AsArray());
        await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = old, coatId = last, copies = new[] { 1 } });
        var known = await VarnishAsync();
        Assert.True((double)known["share"]! > (double)unknown["share"]!);
        Assert.Contains("Matched, Old face has Tarnside Matt Varnish", (string)known["for"]![0]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_remedy_is_steps_on_its_copies_a_change_of_the_plan_and_an_entry_and_goes_back_as_one()
    {
        var wall = await HurriedAsync("Taken up");
        var before = await AllOfAsync(wall);
        var said = await CaseAsync(wall, "lifted", 2);
        var patch = said["offers"]!.AsArray().Single(o => (string)o!["kind"]! == "coats")!;
        Assert.True((double)patch["ml"]! > 0);
        var id = Guid.NewGuid();
        var action = new { id, zoneId = wall.Zone, symptom = "lifted", copies = new[] { 2 }, remedy = (int)patch["remedy"]!, edits = new[] { "hurried" }, note = "Came up grey" };
        var taken = await host.PostAsync("/api/mend/repairs", action);
        Assert.Equal((2, 0, true), ((int)taken["steps"]!, (int)taken["done"]!, (bool)taken["planChanged"]!));

        // Copy 2 gets two steps, the others none; the plan says to keep the wait.
        Assert.Equal(4, (await StepsAsync(wall)).Count);
        Assert.Equal(["dd--", "dd..", "d.--"], await CopiesAsync(wall));
        Assert.Contains("ait", (string)(await host.GetAsync($"/api/schemes/{wall.Scheme}"))["coats"]![1]!["note"]!, StringComparison.Ordinal);
        var entry = (await host.GetAsync($"/api/log?zoneId={wall.Zone}&kind=problem")).AsArray().Single()!;
        Assert.Equal(("lifted", 2, ""), ((string)entry["symptom"]!, (int)entry["copy"]!, (string)entry["remedy"]!));
        Assert.StartsWith("Came up grey To do: ", (string)entry["note"]!, StringComparison.Ordinal);

        // Sent again it is the same.
        await host.PostAsync("/api/mend/repairs", action);
        Assert.Equal(4, (await StepsAsync(wall)).Count);
        Assert.Single((await host.GetAsync($"/api/log?zoneId={wall.Zone}&kind=problem")).AsArray());

        // Planned for that copy alone, before anything that comes after.
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { wall.Set } });
        var planned = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).Where(s => (string)s!["zoneId"]! == wall.Zone && ((string)s["what"]!).StartsWith("Mend", StringComparison.Ordinal)).ToList();
        Assert.Equal(2, planned.Count);
        Assert.All(planned, s => Assert.Equal([2], s!["copies"]!.AsArray().Select(c => (int)c!)));
        Assert.All(planned, s => Assert.NotNull(s!["mix"]));

        var back = await host.SendAsync(HttpMethod.Delete, $"/api/mend/repairs/{wall.Zone}/{id}", null, HttpStatusCode.OK);
        Assert.Equal("", (string)back["left"]!);
        Assert.Equal(before, await AllOfAsync(wall));
        Assert.Equal("takenBack", (string)(await host.GetAsync($"/api/log?zoneId={wall.Zone}&kind=problem")).AsArray().Single()!["after"]!);

        // The longest note is kept whole.
        var longest = new string('x', 2000);
        await host.PostAsync("/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "lifted", copies = new[] { 2 }, remedy = 0, note = longest });
        Assert.Contains((await host.GetAsync($"/api/log?zoneId={wall.Zone}&kind=problem")).AsArray(), e => (string)e!["note"]! == longest);

        // And once more is nothing.
        await host.SendAsync(HttpMethod.Delete, $"/api/mend/repairs/{wall.Zone}/{id}", null, HttpStatusCode.OK);
    }

    [Fact]
    public async Task What_is_begun_is_not_taken_back_and_what_comes_new_is_not_for_copies_that_are_past_it()
    {
        var wall = await WallAsync("Past it");
        var begin = DateTimeOffset.UtcNow.AddHours(-5);
        await LogAsync(wall, wall.Base, begin, "done", 1, 2);

        // No final seal on a wall that is handled: a varnish comes into the plan for the third alone.
        await LogAsync(wall, wall.Wash, begin.AddMinutes(90), "done", 1, 2);
        var said = await CaseAsync(wall, "ruboff", 1);
        var seal = said["next"]!.AsArray().SingleOrDefault(e => (string)e!["sign"]! == "noFinalSeal");
        Assert.NotNull(seal);
        var (id, touch) = (Guid.NewGuid(), said["offers"]!.AsArray().Single(o => (string)o!["kind"]! == "coats")!);
        await host.PostAsync("/api/mend/repairs", new { id, zoneId = wall.Zone, symptom = "ruboff", copies = new[] { 1 }, remedy = (int)touch["remedy"]!, edits = new[] { "noFinalSeal" } });
        var coats = (await host.GetAsync($"/api/schemes/{wall.Scheme}"))["coats"]!.AsArray();
        Assert.Equal(3, coats.Count);
        var steps = await StepsAsync(wall);
        var mend = steps.First(s => ((string)s!["what"]!).StartsWith("Mend", StringComparison.Ordinal))!;
        await LogAsync(wall, (string)mend["coatId"]!, DateTimeOffset.UtcNow, "done", 1);
        Assert.Equal(1, (int)(await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray().Single()!["done"]!);
        await host.RefusesAsync(HttpMethod.Delete, $"/api/mend/repairs/{wall.Zone}/{id}", null, "id", HttpStatusCode.Conflict);
        await LogAsync(wall, (string)mend["coatId"]!, DateTimeOffset.UtcNow, "takenBack", 1);

        // A plan that was changed since stays as it is, and that is said.
        var scheme = await host.GetAsync($"/api/schemes/{wall.Scheme}");
        await host.PutAsync($"/api/schemes/{wall.Scheme}/stack", new { version = (int)scheme["version"]!, coats = scheme["coats"] });
        var back = await host.SendAsync(HttpMethod.Delete, $"/api/mend/repairs/{wall.Zone}/{id}", null, HttpStatusCode.OK);
        Assert.Contains("stays as it is", (string)back["left"]!, StringComparison.Ordinal);
        Assert.Equal(3, (await host.GetAsync($"/api/schemes/{wall.Scheme}"))["coats"]!.AsArray().Count);
        Assert.Empty((await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray());
    }

    [Fact]
    public async Task What_helped_moves_the_priors_of_the_bench()
    {
        var wall = await HurriedAsync("Learned");
        var before = await host.PostAsync("/api/mend/case", new { symptom = "ring" });
        Assert.Equal("flat", (string)before["causes"]![0]!["key"]!);
        for (var n = 0; n < 6; n++)
        {
            var id = Guid.NewGuid();
            await host.PostAsync("/api/mend/repairs", new { id, zoneId = wall.Zone, symptom = "ring", copies = new[] { 1, 2 }, remedy = 0 });
            var outcome = await host.PostAsync($"/api/mend/repairs/{wall.Zone}/{id}/outcome", new { helped = true, cause = "heavy" });
            Assert.True((bool)outcome["helped"]!);
            Assert.Contains((await host.GetAsync($"/api/log?zoneId={wall.Zone}&kind=problem")).AsArray(), e => ((string)e!["remedy"]!).StartsWith("Re-wet", StringComparison.Ordinal));

            // Said twice it counts once.
            await host.PostAsync($"/api/mend/repairs/{wall.Zone}/{id}/outcome", new { helped = true, cause = "heavy" });
        }

        var after = await host.PostAsync("/api/mend/case", new { symptom = "ring" });
        Assert.Equal(("heavy", 6, 6), ((string)after["causes"]![0]!["key"]!, (int)after["causes"]![0]!["hits"]!, (int)after["cases"]!));
        var any = (await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray()[0]!;
        await host.RefusesAsync(HttpMethod.Post, $"/api/mend/repairs/{wall.Zone}/{any["id"]}/outcome", new { helped = true, cause = "moon" }, "cause");
        await host.RefusesAsync(HttpMethod.Post, $"/api/mend/repairs/{wall.Zone}/{Guid.NewGuid()}/outcome", new { helped = true }, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task What_was_on_a_stripped_copy_is_open_again_once_it_is_stripped_and_its_paint_stays_gone()
    {
        var wall = await HurriedAsync("Stripped");
        async Task<double> LeftAsync() => (double)(await host.MaterialAsync("Rope Tan"))["stock"]!["leftMl"]!;
        var said = await CaseAsync(wall, "lifted", 2);
        var strip = said["offers"]!.AsArray().Single(o => (string)o!["kind"]! == "strip")!;
        Assert.Contains("bears", (string)strip["does"]!, StringComparison.Ordinal);
        Assert.Contains(strip["cautions"]!.AsArray(), c => ((string)c!).Contains("hidden spot", StringComparison.Ordinal));
        var id = Guid.NewGuid();
        await host.PostAsync("/api/mend/repairs", new { id, zoneId = wall.Zone, symptom = "lifted", copies = new[] { 2 }, remedy = (int)strip["remedy"]! });

        // Planned before all else of that copy; until it is done its coats are on.
        Assert.Equal(["-dd", ".dd", "-d."], await CopiesAsync(wall));
        var step = (string)(await StepsAsync(wall))[0]!["coatId"]!;
        await LogAsync(wall, step, DateTimeOffset.UtcNow.AddMinutes(-20), "done", 2);
        Assert.Equal(["-dd", "d..", "-d."], await CopiesAsync(wall));
        Assert.Equal([true, false, false], (await CaseAsync(wall, "lifted", 1))["copies"]!.AsArray().Select(c => (bool)c!["reached"]!));

        // Laid again it takes paint anew, and what was stripped off is not put back.
        var left = await LeftAsync();
        await LogAsync(wall, wall.Base, DateTimeOffset.UtcNow.AddMinutes(-5), "done", 2);
        Assert.Equal("dd.", (await CopiesAsync(wall))[1]);
        Assert.True(await LeftAsync() < left);
        await LogAsync(wall, wall.Base, DateTimeOffset.UtcNow.AddMinutes(-4), "takenBack", 2);
        Assert.Equal(left, await LeftAsync(), 1e-6);

        // It was not stripped after all: everything is as it was.
        await LogAsync(wall, step, DateTimeOffset.UtcNow.AddMinutes(-3), "takenBack", 2);
        await host.SendAsync(HttpMethod.Delete, $"/api/mend/repairs/{wall.Zone}/{id}", null, HttpStatusCode.OK);
        Assert.Equal("d.", (await CopiesAsync(wall))[2]);
    }

    [Fact]
    public async Task An_entry_of_a_coat_that_has_left_the_plan_or_of_a_mend_still_leads_somewhere()
    {
        var wall = await HurriedAsync("Left the plan");
        var gone = await host.PostAsync("/api/mend/case", new { symptom = "lifted", zoneId = wall.Zone, coatId = Guid.NewGuid(), copies = new[] { 2 } });
        Assert.Equal(wall.Wash, (string)gone["coatId"]!);
        Assert.Contains(gone["notices"]!.AsArray(), n => ((string)n!).Contains("no longer in the plan", StringComparison.Ordinal));
        await host.PostAsync("/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "lifted", copies = new[] { 2 }, remedy = 1 });
        var step = (string)(await StepsAsync(wall)).First(s => ((string)s!["what"]!).StartsWith("Mend", StringComparison.Ordinal))!["coatId"]!;
        var ofMend = await host.PostAsync("/api/mend/case", new { symptom = "lifted", zoneId = wall.Zone, coatId = step, copies = new[] { 2 } });
        Assert.Equal(wall.Wash, (string)ofMend["coatId"]!);
        Assert.DoesNotContain(ofMend["notices"]!.AsArray(), n => ((string)n!).Contains("no longer in the plan", StringComparison.Ordinal));
    }

    [Fact]
    public async Task With_fewer_copies_than_before_a_mend_of_one_that_is_gone_has_nothing_left_to_do()
    {
        var wall = await HurriedAsync("Fewer copies");
        await host.PostAsync("/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "ring", copies = new[] { 2, 3 }, remedy = 0 });
        Assert.Equal(2, (int)(await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray().Single()!["steps"]!);
        await host.ExecuteAsync($"UPDATE pieces SET \"Copies\" = 2 WHERE \"Id\" = '{wall.Piece}'");
        Assert.Equal(1, (int)(await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray().Single()!["steps"]!);
        Assert.Equal(2, (await CopiesAsync(wall)).Length);
    }

    [Fact]
    public async Task Two_windows_that_take_the_same_mend_up_make_one()
    {
        var wall = await HurriedAsync("Twice at once");
        var action = new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "lifted", copies = new[] { 2 }, remedy = 1, edits = new[] { "hurried" } };
        await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => host.PostAsync("/api/mend/repairs", action)));
        Assert.Single((await host.GetAsync($"/api/mend/repairs?pieceId={wall.Piece}")).AsArray());
        Assert.Equal(4, (await StepsAsync(wall)).Count);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_by_name()
    {
        var wall = await WallAsync("Refused");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "gremlins" }, "symptom");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "frost", zoneId = Guid.NewGuid() }, "zoneId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "frost", zoneId = wall.Zone, copies = new[] { 4 } }, "copies");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "frost", answers = new[] { new { question = 3, yes = true } } }, "answers");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "frost", answers = new[] { new { question = 1, yes = true }, new { question = 1, yes = false } } }, "answers");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/case", new { symptom = "frost", told = new[] { new { sign = "notShaken", yes = true }, new { sign = "notShaken", yes = false } } }, "told");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "ring", copies = new[] { 1 } }, "remedy");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "ring", copies = Array.Empty<int>(), remedy = 0 }, "copies");
        await host.RefusesAsync(HttpMethod.Post, "/api/mend/repairs", new { id = Guid.NewGuid(), zoneId = wall.Zone, symptom = "ring", copies = new[] { 1 }, remedy = 19 }, "remedy", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", new { id = Guid.NewGuid(), kind = "problem", zoneId = wall.Zone, copies = new[] { 1 }, note = "?", symptom = "gremlins" }, "symptom");
        await host.RefusesAsync(HttpMethod.Post, "/api/log", new { id = Guid.NewGuid(), kind = "problem", zoneId = wall.Zone, copies = new[] { 1 }, note = "?", symptom = "frost", causeKey = "moon" }, "causeKey");
        await host.RefusesAsync(HttpMethod.Get, $"/api/mend/repairs?pieceId={Guid.NewGuid()}", null, "pieceId", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_whole_draft_is_answered_without_anything_kept()
    {
        var (basis, wash) = (Guid.NewGuid(), Guid.NewGuid());
        var said = await host.PostAsync("/api/preview/mending", new
        {
            symptom = "lifted",
            zone = new { relief = "panelled", substrate = "polystyrene", copies = 3 },
            coats = new object[]
            {
                new { id = basis, technique = "baseCoat", material = new { name = "Tan", family = "acrylicPaint", colour = "#b59a6b" } },
                new { id = wash, technique = "wash", material = new { name = "Kelp", family = "acrylicWash", colour = "#3b2a1c" } },
            },
            copies = new[] { 2 },
            sound = new[] { 1, 3 },
            log = new object[]
            {
                new { copy = 1, coatId = basis, atMin = 0, roomC = 17, roomHumidity = 0.6 }, new { copy = 2, coatId = basis, atMin = 2, roomC = 17, roomHumidity = 0.6 }, new { copy = 3, coatId = basis, atMin = 4, roomC = 17, roomHumidity = 0.6 },
                new { copy = 2, coatId = wash, atMin = 20 }, new { copy = 1, coatId = wash, atMin = 34 }, new { copy = 3, coatId = wash, atMin = 45 },
            },
        });
        Assert.Equal(0.97, (double)said["causes"]![0]!["share"]!, 0.01);
        Assert.Contains("18 min after", (string)said["causes"]![0]!["for"]![0]!, StringComparison.Ordinal);
        var general = await host.PostAsync("/api/preview/mending", new { symptom = "silver" });
        Assert.Contains("No piece is named", (string)general["notices"]![0]!, StringComparison.Ordinal);
        await host.RefusesAsync(HttpMethod.Post, "/api/preview/mending", new { symptom = "lifted", log = new[] { new { copy = 1, coatId = wash, atMin = 3 } } }, "log");
    }

    [Fact]
    public async Task Symptoms_say_whether_a_zone_has_what_they_are_about()
    {
        var wall = await WallAsync("Fits");
        var all = (await host.GetAsync("/api/mend/symptoms")).AsArray();
        Assert.Equal(40, all.Count);
        Assert.All(all, s => Assert.True((bool)s!["fits"]!));
        var here = (await host.GetAsync($"/api/mend/symptoms?zoneId={wall.Zone}")).AsArray();
        Assert.True((bool)here.Single(s => (string)s!["key"]! == "ring")!["fits"]!);
        Assert.False((bool)here.Single(s => (string)s!["key"]! == "silver")!["fits"]!);
    }
}
