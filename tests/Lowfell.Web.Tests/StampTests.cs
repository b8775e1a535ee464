using System.Net;
using System.Text.Json.Nodes;
using Lowfell.Web.Benches;
using Lowfell.Web.Features.Sets;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What a list shows is kept, and is never taken for today's where something has changed.</summary>
public sealed class StampTests(TestHost host) : IClassFixture<TestHost>
{
    // A cold host may need more than a moment: the list is asked for until all of it is of today.
    private async Task<JsonNode> ListAsync()
    {
        for (var i = 0; ; i++)
        {
            var sets = await host.GetAsync("/api/sets");
            if (i == 50 || sets.AsArray().All(s => s!["pieces"]!.AsArray().All(p => (bool)p!["current"]! && p["zones"]!.AsArray().All(z => (bool)z!["current"]!))))
            {
                return sets;
            }

            await Task.Delay(100, TestContext.Current.CancellationToken);
        }
    }

    private async Task<(JsonNode Piece, JsonNode Zone)> OfAsync(string zone)
    {
        var sets = await ListAsync();
        return sets.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray().Select(z => (p, z!))).First(z => (string)z.Item2["settings"]!["name"]! == zone);
    }

    private Task<long> StampsAsync() => host.ScalarAsync<long>("SELECT count(*) FROM stamps");

    private async Task<string> SumAsync() => await host.ScalarAsync<string>("SELECT md5(string_agg(\"Source\" || \"Content\", '' ORDER BY \"Kind\", \"OfId\")) FROM stamps");

    private async Task<JsonNode> PutAsync(JsonNode page, JsonArray coats)
    {
        var scheme = page["scheme"]!;
        return await host.PutAsync($"/api/schemes/{scheme["id"]}/stack", new { version = (int)scheme["version"]!, coats });
    }

    [Fact]
    public async Task A_list_that_is_asked_for_again_works_nothing_out_and_says_the_same()
    {
        var first = await ListAsync();
        Assert.True(await StampsAsync() >= 40);
        var sum = await SumAsync();
        Assert.True(JsonNode.DeepEquals(first, await host.GetAsync("/api/sets")));
        Assert.Equal(sum, await SumAsync());
    }

    [Fact]
    public async Task A_stack_that_was_kept_answers_with_its_version_and_changes_its_own_zones_alone()
    {
        var page = await host.ZoneAsync("Roof boards");
        var (_, before) = await OfAsync("Roof boards");
        var other = (await OfAsync("Walkway")).Zone.ToJsonString();
        var coats = page["scheme"]!["coats"]!.DeepClone().AsArray();
        coats.RemoveAt(coats.Count - 1);
        var kept = await PutAsync(page, coats);
        Assert.Equal((int)page["scheme"]!["version"]! + 1, (int)kept["version"]!);
        Assert.Single(kept.AsObject());
        var (_, after) = await OfAsync("Roof boards");
        Assert.Equal(before["sample"]!.AsArray().Count - 1, after["sample"]!.AsArray().Count);
        Assert.True((bool)after["current"]!);
        Assert.Equal(other, (await OfAsync("Walkway")).Zone.ToJsonString());
    }

    // Each of these changes what a list shows, without a coat being touched.
    [Theory]
    [InlineData("shelf")]
    [InlineData("school")]
    [InlineData("zone")]
    [InlineData("piece")]
    [InlineData("set")]
    [InlineData("room")]
    public async Task What_a_stamp_came_from_makes_it_stale(string what)
    {
        var (piece, zone) = await OfAsync("Hull panels");
        var set = (await host.GetAsync("/api/sets")).AsArray().First(s => s!["pieces"]!.AsArray().Any(p => (string)p!["id"]! == (string)piece["id"]!))!;
        string Source() => $"SELECT \"Source\" FROM stamps WHERE \"OfId\" = '{zone["id"]}'";
        var before = await host.ScalarAsync<string>(Source());
        switch (what)
        {
            case "shelf":
                var paint = await host.MaterialAsync("Rope Tan");
                await host.PutAsync($"/api/materials/{paint["id"]}", new { version = (int)paint["version"]!, material = paint["material"]!.DeepClone().With("colour", "#b09a6c") });
                break;
            case "school":
                var schools = (await host.GetAsync("/api/bench"))["schools"]!.AsObject().DeepClone();
                await host.PutAsync(await host.AsKeptAsync("/api/bench/schools"), schools.With("dryBrush", (string)schools["dryBrush"]! == "keep" ? "clean" : "keep"), HttpStatusCode.OK);
                break;
            case "zone":
                await host.PutAsync($"/api/zones/{zone["id"]}", new { version = (int)zone["version"]!, settings = zone["settings"]!.DeepClone().With("handled", !(bool)zone["settings"]!["handled"]!) }, HttpStatusCode.NoContent);
                break;
            case "piece":
                await host.PutAsync($"/api/pieces/{piece["id"]}", new { version = (int)piece["version"]!, piece = piece["piece"]!.DeepClone().With("lengthMm", 99) }, HttpStatusCode.NoContent);
                break;
            case "set":
                await host.PutAsync($"/api/sets/{set["id"]}", new { version = (int)set["version"]!, name = (string)set["name"]!, scale = 48, viewingMm = 900 }, HttpStatusCode.NoContent);
                break;
            default:
                var calendar = (await host.GetAsync("/api/calendar")).DeepClone();
                calendar["room"]!["temperatureC"] = 26;
                await host.PutAsync("/api/calendar", calendar);
                break;
        }

        Assert.True((bool)(await OfAsync("Hull panels")).Zone["current"]!);
        Assert.NotEqual(before, await host.ScalarAsync<string>(Source()));
    }

    [Fact]
    public async Task What_is_behind_says_so_and_is_not_taken_for_today_s()
    {
        // A stamp of another day: its content stands, its source does not; then it is worked out again.
        var (_, zone) = await OfAsync("Walkway");
        await host.ExecuteAsync($"UPDATE stamps SET \"Source\" = 'another day', \"Content\" = '{{\"version\":2,\"content\":{{\"sample\":[],\"findings\":{{\"stops\":9,\"risks\":0,\"notes\":0}}}}}}' WHERE \"OfId\" = '{zone["id"]}'");
        var (_, again) = await OfAsync("Walkway");
        Assert.True((bool)again["current"]!);
        Assert.Equal(zone["findings"]!.ToJsonString(), again["findings"]!.ToJsonString());
    }

    [Fact]
    public async Task What_does_not_fit_into_a_moment_is_said_to_be_behind_and_caught_up_by_a_job()
    {
        await ListAsync();
        await host.ExecuteAsync("UPDATE stamps SET \"Source\" = 'another day'");
        await using (var scope = host.Services.CreateAsyncScope())
        {
            scope.ServiceProvider.GetRequiredService<OpenBench>().Open(OpenBench.Home);
            var stamps = scope.ServiceProvider.GetRequiredService<SetStamps>();
            var sets = await stamps.ReadAsync(TimeSpan.Zero, TestContext.Current.CancellationToken);
            Assert.True(stamps.IsBehind);
            var (stamp, current) = stamps.Of(sets[0].Pieces[0].Zones[0]);
            Assert.False(current);
            Assert.NotEmpty(stamp.Sample);
        }

        Assert.Equal(await StampsAsync(), await host.ScalarAsync<long>("SELECT count(*) FROM stamps WHERE \"Source\" = 'another day'"));
        Task<long> Jobs() => host.ScalarAsync<long>("SELECT count(*) FROM jobs.job WHERE invocationdata::text LIKE '%StampJob%'");
        var jobs = await Jobs();
        var queue = host.Services.GetRequiredService<StampQueue>();
        queue.Ask(OpenBench.Home);
        queue.Ask(OpenBench.Home);
        for (var i = 0; i < 200 && await host.ScalarAsync<long>("SELECT count(*) FROM stamps WHERE \"Source\" = 'another day'") > 0; i++)
        {
            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        Assert.Equal(0, await host.ScalarAsync<long>("SELECT count(*) FROM stamps WHERE \"Source\" = 'another day'"));
        Assert.InRange(await Jobs(), jobs, jobs + 1);
    }

    [Fact]
    public async Task Lists_that_are_asked_for_at_once_agree()
    {
        await host.ExecuteAsync("DELETE FROM stamps");
        var lists = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => host.GetAsync("/api/sets")));
        string Zones(JsonNode list) => string.Concat(list.AsArray().SelectMany(s => s!["pieces"]!.AsArray()).SelectMany(p => p!["zones"]!.AsArray()).Where(z => (bool)z!["current"]!).Select(z => z!.ToJsonString()));
        var last = Zones(await ListAsync());
        Assert.All(lists.Where(l => l.AsArray().All(s => s!["pieces"]!.AsArray().All(p => (bool)p!["current"]!))), l => Assert.Equal(last, Zones(l)));
        Assert.True(await StampsAsync() > 0);
    }
}
