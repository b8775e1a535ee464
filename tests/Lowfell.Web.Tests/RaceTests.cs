using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Two windows change the same thing, or one changes what the other deletes; and what is sent twice, in a row or at once.</summary>
public sealed class RaceTests(TestHost host) : IClassFixture<TestHost>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    // A PNG of one pixel, and another.
    private static readonly byte[] Red = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVR4nGP4z8AAAAMBAQDJ/pLvAAAAAElFTkSuQmCC");

    [Fact]
    public async Task Whatever_is_deleted_by_a_window_that_has_not_seen_a_change_stays()
    {
        var set = await MadeAsync("/api/sets", new { name = "Tide gauges" });
        var piece = await MadeAsync($"/api/sets/{set}/pieces", new { name = "Gauge", shape = "box", lengthMm = 10, widthMm = 10, heightMm = 30, copies = 2 });
        var zone = await MadeAsync($"/api/pieces/{piece}/zones", new { name = "Board", areaShare = 0.5 });
        var paint = await MadeAsync("/api/materials", Drafts.Material("Gauge White"));
        var bottle = await MadeAsync($"/api/materials/{paint}/bottles", new { sizeMl = 20, leftMl = 12 });
        var used = await MadeAsync("/api/materials", Drafts.Material("Gauge Black"));
        var mix = await MadeAsync("/api/mixes", new { name = "Gauge grey", components = new[] { new { materialId = used, amount = 1.0, unit = "parts" } } });
        var family = await MadeAsync("/api/base-families", (await host.GetAsync("/api/base-families/starters"))[0]!.DeepClone().With("name", "Gauge feet"));
        var box = await MadeAsync("/api/element-boxes", new { name = "Shingle", kind = "pebble", lengthMm = 3, widthMm = 2, heightMm = 1, spread = 0.1, count = 10 });
        foreach (var path in new[] { $"/api/zones/{zone}", $"/api/pieces/{piece}", $"/api/sets/{set}", $"/api/bottles/{bottle}", $"/api/mixes/{mix}", $"/api/materials/{paint}", $"/api/base-families/{family}", $"/api/element-boxes/{box}" })
        {
            // Another window keeps a change in between.
            var seen = await host.AsKeptAsync(path);
            await host.ExecuteAsync($"UPDATE {path.Split('/')[2].Replace('-', '_')} SET \"Version\" = \"Version\" + 1 WHERE \"Id\" = '{path.Split('/')[3]}'");
            var refused = await host.SendAsync(HttpMethod.Delete, seen, null, HttpStatusCode.Conflict);
            Assert.Equal("stale", (string)refused["code"]!);
            Assert.Equal(HttpStatusCode.BadRequest, (await host.Http.DeleteAsync(new Uri(path, UriKind.Relative), Cancel)).StatusCode);
            Assert.NotEqual(seen, await host.AsKeptAsync(path));
        }

        foreach (var path in new[] { $"/api/bottles/{bottle}", $"/api/mixes/{mix}", $"/api/materials/{paint}", $"/api/zones/{zone}", $"/api/pieces/{piece}", $"/api/sets/{set}" })
        {
            await host.DeleteAsync(path);
        }

        // Sent again, as the answer was lost: it is gone, as was asked for.
        foreach (var path in new[] { $"/api/zones/{zone}", $"/api/pieces/{piece}", $"/api/sets/{set}" })
        {
            await host.SendAsync(HttpMethod.Delete, path + "?version=1", null, HttpStatusCode.NoContent);
        }
    }

    [Fact]
    public async Task Of_two_windows_that_change_the_same_settings_the_second_is_told()
    {
        var bench = await host.GetAsync("/api/bench");
        var version = (int)bench["version"]!;
        var schools = bench["schools"]!.AsObject();
        var tools = new { airbrush = true };
        var changed = await host.PutAsync($"/api/bench/schools?version={version}", schools.DeepClone().AsObject().With("wash", "oneGenerous"));
        Assert.Equal(version + 1, (int)changed["version"]!);
        await host.RefusesAsync(HttpMethod.Put, $"/api/bench/schools?version={version}", schools.DeepClone().AsObject().With("wash", "twoThin"), "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Put, $"/api/bench/tools?version={version}", tools, "version", HttpStatusCode.Conflict);
        Assert.Equal("oneGenerous", (string)(await host.GetAsync("/api/bench"))["schools"]!["wash"]!);

        var feed = (int)(await host.GetAsync("/api/plan/feed"))["version"]!;
        var first = await host.PostAsync($"/api/plan/feed?version={feed}", null);
        await host.RefusesAsync(HttpMethod.Post, $"/api/plan/feed?version={feed}", null, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Delete, $"/api/plan/feed?version={feed}", null, "version", HttpStatusCode.Conflict);
        Assert.Equal(HttpStatusCode.OK, (await host.Http.GetAsync(new Uri((string)first["path"]!, UriKind.Relative), Cancel)).StatusCode);

        var scheme = (await host.ZoneAsync("Walkway"))["scheme"]!;
        await host.PutAsync($"/api/schemes/{scheme["id"]}/name", new { name = "Ash walk", version = (int)scheme["version"]! });
        await host.RefusesAsync(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/name", new { name = "Tar walk", version = (int)scheme["version"]! }, "version", HttpStatusCode.Conflict);

        var oak = await host.MaterialAsync("Tarred Oak");
        var calibration = $"/api/materials/{oak["id"]}/calibration";
        await host.PutAsync($"{calibration}?version={oak["version"]}", new { }, HttpStatusCode.NoContent);
        await host.PostAsync($"{calibration}s?version={await VersionOfAsync(calibration)}", new { overBlack = "#3a3128", overWhite = "#6a5846", dryFilmUm = 15 }, HttpStatusCode.Created);
        await host.RefusesAsync(HttpMethod.Put, $"{calibration}?version={oak["version"]}", new { }, "version", HttpStatusCode.Conflict);

        var key = "/api/plan/learned";
        await host.PutAsync(key, new { key = "minutes/Wash", follow = true }, HttpStatusCode.NoContent);
        await host.PutAsync(key, new { key = "minutes/Wash", follow = true }, HttpStatusCode.NoContent);
        await host.RefusesAsync(HttpMethod.Put, key, new { key = "minutes/Wash", follow = false }, "version", HttpStatusCode.Conflict);
        await host.PutAsync(key, new { key = "minutes/Wash", follow = (bool?)null, was = true }, HttpStatusCode.NoContent);
    }

    private async Task<int> VersionOfAsync(string path) => int.Parse((await host.AsKeptAsync(path)).Split('=')[1], System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public async Task Of_two_windows_that_hold_a_plan_the_second_is_told_which_way_it_ever_goes()
    {
        var request = new { setIds = new[] { (string)(await host.GetAsync("/api/sets"))[0]!["id"]! } };
        await host.PutAsync("/api/plan/held", new { request });
        var held = (string)(await host.GetAsync("/api/plan/held"))["id"]!;
        var other = Guid.NewGuid();
        await host.RefusesAsync(HttpMethod.Put, "/api/plan/held", new { request }, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Put, "/api/plan/held", new { request, instead = other }, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"/api/plan/held/again?held={other}", null, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Post, $"/api/plan/held/back?held={other}", null, "version", HttpStatusCode.Conflict);
        await host.RefusesAsync(HttpMethod.Delete, $"/api/plan/held?held={other}", null, "version", HttpStatusCode.Conflict);
        Assert.Equal(held, (string)(await host.GetAsync("/api/plan/held"))["id"]!);
        await host.DeleteAsync("/api/plan/held");
        Assert.Null((await host.GetAsync("/api/plan/held"))["id"]);
    }

    [Fact]
    public async Task Of_twelve_racing_changes_of_one_version_one_is_taken()
    {
        var calendar = await host.GetAsync("/api/calendar");
        var bench = await host.GetAsync("/api/bench");
        var scheme = (await host.ZoneAsync("Walkway"))["scheme"]!;
        var feed = await host.AsKeptAsync("/api/plan/feed");
        var sets = (await host.GetAsync("/api/sets")).AsArray().Select(s => (string)s!["id"]!).ToList();
        var tests = new (string What, Func<int, HttpRequestMessage> Change)[]
        {
            ("the calendar", i => Request(HttpMethod.Put, "/api/calendar", calendar.DeepClone().AsObject().With("room.temperatureC", 18 + i))),
            ("the schools", i => Request(HttpMethod.Put, $"/api/bench/schools?version={bench["version"]}", bench["schools"]!.DeepClone().AsObject().With("wash", i % 2 == 0 ? "twoThin" : "oneGenerous"))),
            ("a scheme's name", i => Request(HttpMethod.Put, $"/api/schemes/{scheme["id"]}/name", new { name = $"Walk {i}", version = (int)scheme["version"]! })),
            ("the feed", _ => Request(HttpMethod.Post, feed, null)),
            ("the held plan", _ => Request(HttpMethod.Put, "/api/plan/held", new { request = new { setIds = sets.Take(1) } })),
            ("the order", i => Request(HttpMethod.Put, "/api/sets/order", new { ids = sets.Skip(1 + (i % 2)).Concat(sets.Take(1 + (i % 2))).Select((id, n) => id), was = sets })),
        };
        foreach (var (what, change) in tests)
        {
            var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => host.Http.SendAsync(change(i), Cancel)));
            var taken = answers.Count(a => a.IsSuccessStatusCode);
            Assert.All(answers.Where(a => !a.IsSuccessStatusCode), a => Assert.True(a.StatusCode == HttpStatusCode.Conflict, $"{what}: {(int)a.StatusCode}"));

            // The same order wished for again is no other one.
            Assert.True(what == "the order" ? taken is >= 1 and < 12 : taken == 1, $"{what}: {taken} of 12 were taken");
        }

        await host.DeleteAsync("/api/plan/held");
    }

    private static HttpRequestMessage Request(HttpMethod method, string path, object? body) => new(method, path) { Content = body is null ? null : JsonContent.Create(body) };

    [Fact]
    public async Task An_action_that_is_sent_again_is_answered_as_it_was_and_another_under_its_id_is_refused()
    {
        var zone = await host.ZoneAsync("Hull panels");
        JsonObject Action(Guid id, string note) => new() { ["id"] = id, ["kind"] = "note", ["zoneId"] = (string)zone["id"]!, ["copies"] = new JsonArray(1, 2), ["note"] = note };
        var one = Guid.NewGuid();
        var first = await host.PostAsync("/api/log", Action(one, "Chalked the joint."));
        var again = await host.PostAsync("/api/log", Action(one, "Chalked the joint."));
        Assert.Equal(first.ToJsonString(), again.ToJsonString());
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Action(one, "Chalked no joint."), "id", HttpStatusCode.Conflict);
        Assert.Equal(2, (int)await host.ScalarAsync<long>($"SELECT count(*) FROM log WHERE \"Press\" = '{one}' AND \"Note\" = 'Chalked the joint.'"));

        // Refused for another reason it was not taken, and may be mended and sent under its id.
        var two = Guid.NewGuid();
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Action(two, "Copy 99.").With("copies", new JsonArray(99)), "copies");
        await host.PostAsync("/api/log", Action(two, "Copy 1."));

        // Twelve at once of two contents: one content is in the log, once.
        var three = Guid.NewGuid();
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => host.Http.PostAsJsonAsync("/api/log", Action(three, i % 2 == 0 ? "Even." : "Odd."), Cancel)));
        Assert.Equal(6, answers.Count(a => a.StatusCode == HttpStatusCode.OK));
        Assert.Equal(6, answers.Count(a => a.StatusCode == HttpStatusCode.Conflict));
        Assert.Equal(2, (int)await host.ScalarAsync<long>($"SELECT count(*) FROM log WHERE \"Press\" = '{three}'"));
    }

    [Fact]
    public async Task A_picture_that_is_sent_at_once_twice_is_one_picture_and_another_under_its_id_is_refused()
    {
        var path = $"/api/photos/{Guid.NewGuid()}";
        Task<HttpResponseMessage> Send(byte[] file) => host.Http.PutAsync(new Uri(path, UriKind.Relative), new ByteArrayContent(file) { Headers = { ContentType = new("image/png") } }, Cancel);
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Send(Red)));
        Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        Assert.Equal(1, (int)await host.ScalarAsync<long>($"SELECT count(*) FROM photos WHERE \"Id\" = '{path[^36..]}'"));
        Assert.Equal(HttpStatusCode.Conflict, (await Send([.. Red, 0])).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Send(Red)).StatusCode);
    }

    [Fact]
    public async Task What_a_change_has_read_that_was_given_up_nobody_else_sees()
    {
        await host.ShelfAsync();
        await using (var scope = host.Services.CreateAsyncScope())
        {
            var open = scope.ServiceProvider.GetRequiredService<OpenBench>();
            open.Open(OpenBench.Home);
            var db = scope.ServiceProvider.GetRequiredService<LowfellDb>();
            await using var given = await db.Database.BeginTransactionAsync(Cancel);
            await db.Materials.Where(m => m.Name == "Slate Ground").ExecuteUpdateAsync(m => m.SetProperty(x => x.Name, "Given Up"), Cancel);
            var bench = await open.LockedRowAsync(Cancel);
            bench.ShelfVersion++;
            await db.SaveChangesAsync(Cancel);
            host.Services.GetRequiredService<ShelfNews>().Note(bench.Id, bench.ShelfVersion);
            Assert.Contains((await open.ShelfAsync(Cancel)).Materials.Values, m => m.Name == "Given Up");
            await given.RollbackAsync(Cancel);
        }

        Assert.DoesNotContain((await host.ShelfAsync()).Materials.Values, m => m.Name == "Given Up");
    }

    private async Task<string> MadeAsync(string path, object body)
    {
        var answer = await host.Http.PostAsJsonAsync(path, body, Cancel);
        return answer.IsSuccessStatusCode ? (string)JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!["id"]! : throw new InvalidOperationException(path + ": " + await answer.Content.ReadAsStringAsync(Cancel));
    }
}
