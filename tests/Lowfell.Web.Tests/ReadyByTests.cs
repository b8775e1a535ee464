using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>A set that has a day to be ready by; another way and a found plan, looked at before they are held; the first copy of a batch.</summary>
public sealed class ReadyByTests(TestHost host) : IClassFixture<TestHost>
{
    private async Task<JsonNode> SetAsync(string name) => (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == name)!;

    private static object Changed(JsonNode set, string? readyBy) => new { version = (int)set["version"]!, name = (string)set["name"]!, scale = (double)set["scale"]!, viewingMm = (double)set["viewingMm"]!, readyBy };

    private static string Day(int ahead) => $"{DateTime.UtcNow.AddDays(ahead):yyyy-MM-dd}";

    [Fact]
    public async Task A_day_that_has_gone_by_is_refused_but_stays_where_it_stands()
    {
        var set = await SetAsync("Brine pans");
        await host.RefusesAsync(HttpMethod.Put, $"/api/sets/{set["id"]}", Changed(set, Day(-3)), "readyBy");
        await host.RefusesAsync(HttpMethod.Post, "/api/sets", new { name = "Late", readyBy = "1999-01-01" }, "readyBy");
        await host.ExecuteAsync($"UPDATE sets SET \"ReadyBy\" = '{Day(-30)}' WHERE \"Id\" = '{set["id"]}'");
        await host.PutAsync($"/api/sets/{set["id"]}", Changed(await SetAsync("Brine pans"), Day(-30)), HttpStatusCode.NoContent);
        await host.PutAsync($"/api/sets/{set["id"]}", Changed(await SetAsync("Brine pans"), null), HttpStatusCode.NoContent);
        Assert.Null((await SetAsync("Brine pans"))["readyBy"]);
    }

    [Fact]
    public async Task The_plan_keeps_the_day_or_says_what_would_have_to_go()
    {
        var set = await SetAsync("Pan house");
        var plain = await host.PostAsync("/api/plan", new { });
        Assert.Empty(plain["due"]!.AsArray());
        var by = await host.GetAsync("/api/plan/done-by");
        var free = (string)by.AsArray().Single(d => (string)d!["setId"]! == (string)set["id"]!)!["doneOn"]!;
        await host.PutAsync($"/api/sets/{set["id"]}", Changed(set, free), HttpStatusCode.NoContent);
        var kept = (await host.PostAsync("/api/plan", new { }))["due"]!.AsArray().Single()!;
        Assert.False((bool)kept["late"]!);
        Assert.True(string.CompareOrdinal((string)kept["doneOn"]!, free) <= 0);

        // Tomorrow is not to be done; alone it is done sooner than among the others.
        await host.PutAsync($"/api/sets/{set["id"]}", Changed(await SetAsync("Pan house"), Day(1)), HttpStatusCode.NoContent);
        var plan = await host.PostAsync("/api/plan", new { });
        var late = plan["due"]!.AsArray().Single()!;
        Assert.True((bool)late["late"]!);
        Assert.True((int)plan["summary"]!["lateDays"]! > 0);
        Assert.All(late["help"]!.AsArray(), h => Assert.Matches(@": \d{4}-\d\d-\d\d$", (string)h!));
        await host.PutAsync($"/api/sets/{set["id"]}", Changed(await SetAsync("Pan house"), null), HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task Another_way_is_beside_the_plan_in_force_and_a_kept_plan_is_looked_at_without_being_held()
    {
        var set = new[] { (string)(await SetAsync("Marsh crawler"))["id"]! };
        await host.PutAsync("/api/plan/held", new { request = new { setIds = set } });
        var held = await host.PostAsync("/api/plan", new { });
        var ways = (await host.PostAsync("/api/plan/what-ifs", new { }))["ways"]!.AsArray();
        Assert.Equal((string)held["summary"]!["doneOn"]!, (string)ways[0]!["summary"]!["doneOn"]!);
        Assert.Equal("planned anew from now on", (string)ways[1]!["name"]!);
        var way = ways[2]!;
        var looked = await host.PostAsync("/api/plan/look", way["request"]!.DeepClone());
        Assert.Null(looked["kept"]);
        Assert.Equal((string)way["summary"]!["doneOn"]!, (string)looked["summary"]!["doneOn"]!);
        Assert.Equal((string)held["kept"]!["id"]!, (string)(await host.PostAsync("/api/plan", new { }))["kept"]!["id"]!);
        await host.PutAsync("/api/plan/held", new { request = way["request"]!.DeepClone(), instead = (string)held["kept"]!["id"]! });
        var before = await host.GetAsync($"/api/plan/held/{held["kept"]!["id"]}");
        Assert.Equal((string)held["kept"]!["id"]!, (string)before["kept"]!["id"]!);
        Assert.NotEqual((string)held["kept"]!["id"]!, (string)(await host.PostAsync("/api/plan", new { }))["kept"]!["id"]!);
        await host.RefusesAsync(HttpMethod.Get, $"/api/plan/held/{Guid.NewGuid()}", null, "id", HttpStatusCode.NotFound);
        await host.DeleteAsync("/api/plan/held");
    }

    [Fact]
    public async Task What_was_proved_of_a_held_plan_falls_when_something_is_done()
    {
        var set = new[] { (string)(await SetAsync("Salt-crust bases"))["id"]! };
        var held = await host.PutAsync("/api/plan/held", new { request = new { setIds = set } });
        await host.ExecuteAsync("UPDATE plans SET \"Summary\" = replace(\"Summary\", '\"doneOn\"', '\"leastEvenings\":1,\"doneOn\"') WHERE \"InForce\"");
        async Task<JsonNode> Summary() => (await host.PostAsync("/api/plan", new { }))["summary"]!;
        Assert.Equal(1, (int)(await Summary())["leastEvenings"]!);
        var step = held["calendar"]![0]!["steps"]![0]!;
        var action = new { id = Guid.NewGuid(), kind = "done", zoneId = (string)step["zoneId"]!, coatId = (string)step["coatId"]!, pass = (int)step["pass"]!, copies = new[] { (int)step["copies"]![0]! } };
        await host.PostAsync("/api/log", action);
        Assert.Null((await Summary())["leastEvenings"]);
        await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "takenBack", action.zoneId, action.coatId, action.pass, action.copies });
        Assert.Equal(1, (int)(await Summary())["leastEvenings"]!);
        await host.DeleteAsync("/api/plan/held");
    }

    [Fact]
    public async Task The_first_copy_is_told_once_it_is_finished()
    {
        var pieces = (await host.GetAsync("/api/sets")).AsArray().SelectMany(s => s!["pieces"]!.AsArray()).ToList();
        var hull = pieces.Single(p => (string)p!["piece"]!["name"]! == "Hull")!;
        var first = await host.GetAsync($"/api/pieces/{hull["id"]}/first-copy");
        Assert.Equal((1, 2), ((int)first["copy"]!, (int)first["rest"]![0]!));
        Assert.Equal((double)first["realMin"]!, first["steps"]!.AsArray().Sum(s => (double?)s!["realMin"] ?? 0), 0.9);
        Assert.Contains(first["said"]!.AsArray(), s => ((string)s!["said"]!).StartsWith("Tide mark", StringComparison.Ordinal));
        using var none = await host.Http.GetAsync($"/api/pieces/{pieces.Single(p => (string)p!["piece"]!["name"]! == "Sluice")!["id"]}/first-copy", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.NoContent, none.StatusCode);
        await host.RefusesAsync(HttpMethod.Get, $"/api/pieces/{Guid.NewGuid()}/first-copy", null, "id", HttpStatusCode.NotFound);
    }
}
