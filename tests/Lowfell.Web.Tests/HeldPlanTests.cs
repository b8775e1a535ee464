using System.Net;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Extensions.DependencyInjection;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>A host whose time can be moved on.</summary>
public sealed class ClockHost : TestHost
{
    private readonly MovedClock clock = new();

    /// <summary>The time it has.</summary>
    public DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>Lets time pass.</summary>
    public void PassTo(DateTimeOffset moment) => clock.Ahead += moment - Now;

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(clock));
    }

    private sealed class MovedClock : TimeProvider
    {
        public TimeSpan Ahead { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Ahead;
    }
}

public sealed class HeldPlanTests(ClockHost host) : IClassFixture<ClockHost>
{
    private async Task<string> SetAsync(string name) => (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == name)!["id"]!;

    private static List<JsonNode> Steps(JsonNode plan) => [.. plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).Select(s => s!)];

    private static string Times(JsonNode plan) => string.Join("|", Steps(plan).Select(s => $"{s["zoneId"]} {s["coatId"]} {s["pass"]} {s["startAt"]}"));

    private async Task DoneAsync(JsonNode step, DateTimeOffset at, double? minutes = null) => await host.PostAsync("/api/log", new
    {
        id = Guid.NewGuid(),
        kind = "done",
        zoneId = (string)step["zoneId"]!,
        coatId = (string)step["coatId"]!,
        pass = (int)step["pass"]!,
        copies = step["copies"]!.AsArray().Select(c => (int)c!).ToArray(),
        at,
        minutes,
    });

    [Fact]
    public async Task A_held_plan_stays_is_met_by_facts_slips_and_is_planned_again()
    {
        var request = new { setIds = new[] { await SetAsync("Brine pans") } };
        var held = await host.PutAsync("/api/plan/held", new { request });
        var id = (string)held["kept"]!["id"]!;

        // Whatever is asked for, the held plan is the answer, and the same each time.
        var again = await host.PostAsync("/api/plan", new { });
        Assert.Equal(id, (string)again["kept"]!["id"]!);
        Assert.Equal(Times(held), Times(again));
        Assert.Equal((0, 0, 0), ((int)again["kept"]!["slipped"]!, (int)again["kept"]!["missing"]!, (int)again["kept"]!["gone"]!));
        Assert.Equal(held["calendar"]!.AsArray().Count, Ical.Net.Calendar.Load(await host.Http.GetStringAsync("/api/plan/evenings.ics", TestContext.Current.CancellationToken))!.Events.Count);

        // Planned again while nothing has slipped, it stays as it is.
        var same = await host.PostAsync(await host.AsKeptAsync("/api/plan/held/again"), null);
        Assert.Equal(Times(held), Times(same));
        Assert.Empty(same["kept"]!["compared"]!["moved"]!.AsArray());
        await host.PostAsync(await host.AsKeptAsync("/api/plan/held/back"), null);

        // The first evening: one step is done, the others are not.
        var evening = held["calendar"]![0]!;
        var first = evening["steps"]![0]!;
        var count = first["copies"]!.AsArray().Count;
        host.PassTo(DateTimeOffset.Parse((string)first["endAt"]!));
        await DoneAsync(first, host.Now, minutes: 12);
        Assert.Equal((int)held["steps"]! - count, (int)(await host.PostAsync("/api/plan", new { }))["steps"]!);
        host.PassTo(DateTimeOffset.Parse((string)evening["closeAt"]!).AddHours(1));
        var slipped = (await host.PostAsync("/api/plan", new { }))["kept"]!;
        var planned = evening["steps"]!.AsArray().Sum(s => s!["copies"]!.AsArray().Count);
        Assert.Equal(planned - count, (int)slipped["slipped"]!);
        var fact = Assert.Single(slipped["facts"]!.AsArray())!;
        Assert.Equal((planned, count, 0, 0), ((int)fact["planned"]!, (int)fact["done"]!, (int)fact["later"]!, (int)fact["extra"]!));
        Assert.Equal(12, (double)fact["realMin"]!);

        // Planned again from now: nothing is late any more, and what has moved is told.
        var anew = await host.PostAsync(await host.AsKeptAsync("/api/plan/held/again"), null);
        Assert.Equal(0, (int)anew["kept"]!["slipped"]!);
        Assert.NotEqual(id, (string)anew["kept"]!["id"]!);
        Assert.All(Steps(anew), s => Assert.True(DateTimeOffset.Parse((string)s["startAt"]!) > host.Now));
        var compared = anew["kept"]!["compared"]!;
        Assert.NotEmpty(compared["moved"]!.AsArray());
        Assert.Equal((string)held["summary"]!["doneOn"]!, (string)compared["before"]!["doneOn"]!);
        Assert.DoesNotContain(compared["moved"]!.AsArray(), m => (string)m!["what"]! == $"{first["what"]} {first["paint"]}, {first["piece"]}, {first["zone"]}" && count == 3);

        // And back, and let go.
        Assert.Equal(id, (string)(await host.PostAsync(await host.AsKeptAsync("/api/plan/held/back"), null))["kept"]!["id"]!);
        await host.RefusesAsync(HttpMethod.Post, await host.AsKeptAsync("/api/plan/held/back"), null, "id");
        await host.DeleteAsync("/api/plan/held");
        Assert.Null((await host.PostAsync("/api/plan", new { }))["kept"]);
        await host.RefusesAsync(HttpMethod.Post, await host.AsKeptAsync("/api/plan/held/again"), null, "id");
    }

    [Fact]
    public async Task A_search_is_followed_ends_with_a_plan_that_is_no_worse_and_is_held()
    {
        var request = new { setIds = new[] { await SetAsync("Pan house") } };
        var atOnce = await host.PostAsync("/api/plan", request);
        var begun = await host.PostAsync("/api/plan/solves", new { request, seconds = 3 }, HttpStatusCode.Accepted);
        using var events = await host.Http.GetAsync($"/api/plan/solves/{begun["id"]}/events", HttpCompletionOption.ResponseHeadersRead, TestContext.Current.CancellationToken);
        Assert.Equal("text/event-stream", events.Content.Headers.ContentType!.MediaType);
        using var lines = new StreamReader(await events.Content.ReadAsStreamAsync(TestContext.Current.CancellationToken));
        List<JsonNode> seen = [];
        var clock = System.Diagnostics.Stopwatch.StartNew();
        var (last, longest) = (0.0, 0.0);
        while (await lines.ReadLineAsync(TestContext.Current.CancellationToken) is { } line)
        {
            if (line.StartsWith("data: ", StringComparison.Ordinal))
            {
                seen.Add(JsonNode.Parse(line[6..])!);
                longest = Math.Max(longest, clock.Elapsed.TotalSeconds - last);
                last = clock.Elapsed.TotalSeconds;
            }
        }

        // Twice a second is meant; the bound here is wide, as the machine of a test may be busy.
        Assert.InRange(longest, 0, 4);
        Assert.True(seen.Count >= 4);
        var end = seen[^1];
        Assert.Equal("ended", (string)end["status"]!);
        var (found, first) = (end["progress"]!["summary"]!, atOnce["summary"]!);
        Assert.True(string.CompareOrdinal((string)found["doneOn"]!, (string)first["doneOn"]!) <= 0);
        Assert.True(string.CompareOrdinal((string)found["notBefore"]!, (string)found["doneOn"]!) <= 0);
        var held = await host.PutAsync("/api/plan/held", new { planId = (string)end["planId"]! });
        Assert.Equal((string)found["doneOn"]!, (string)held["summary"]!["doneOn"]!);
        Assert.Equal((int)atOnce["steps"]!, (int)held["steps"]!);

        // What a search has found is not lost by planning again.
        var again = await host.PostAsync(await host.AsKeptAsync("/api/plan/held/again"), null);
        Assert.True((int)again["summary"]!["setUps"]! <= (int)held["summary"]!["setUps"]!);
        Assert.Equal((string)held["summary"]!["doneOn"]!, (string)again["summary"]!["doneOn"]!);
        await host.DeleteAsync("/api/plan/held");
    }

    [Fact]
    public async Task A_search_that_is_stopped_keeps_its_best_and_a_new_one_ends_the_old()
    {
        var set = await SetAsync("Sea wall");
        var first = await host.PostAsync("/api/plan/solves", new { request = new { setIds = new[] { set } }, seconds = 120 }, HttpStatusCode.Accepted);
        await UntilAsync((string)first["id"]!, v => v["progress"] is not null);
        var second = await host.PostAsync("/api/plan/solves", new { request = new { setIds = new[] { set } }, seconds = 120 }, HttpStatusCode.Accepted);
        var ended = await UntilAsync((string)first["id"]!, v => (string)v["status"]! == "cancelled");
        Assert.NotNull(ended["planId"]);
        await UntilAsync((string)second["id"]!, v => (string)v["status"]! == "running");
        await host.DeleteAsync($"/api/plan/solves/{second["id"]}", HttpStatusCode.OK);
        Assert.NotNull((await UntilAsync((string)second["id"]!, v => (string)v["status"]! == "cancelled"))["planId"]);
    }

    [Fact]
    public async Task What_cannot_be_held_or_searched_for_is_refused()
    {
        await host.RefusesAsync(HttpMethod.Put, "/api/plan/held", new { }, "planId");
        await host.RefusesAsync(HttpMethod.Put, "/api/plan/held", new { planId = Guid.NewGuid() }, "planId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/plan/solves", new { request = new { }, seconds = 0.5 }, "seconds");
        await host.RefusesAsync(HttpMethod.Post, "/api/plan/solves", new { request = new { setIds = new[] { Guid.NewGuid() } }, seconds = 5 }, "setIds", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/plan/solves/{Guid.NewGuid()}", null, "id", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/plan/solves/{Guid.NewGuid()}/events", null, "id", HttpStatusCode.NotFound);
    }

    private async Task<JsonNode> UntilAsync(string id, Func<JsonNode, bool> reached)
    {
        for (var tries = 0; tries < 300; tries++)
        {
            var view = await host.GetAsync($"/api/plan/solves/{id}");
            if (reached(view))
            {
                return view;
            }

            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        Assert.Fail($"The search never came so far: {await host.GetAsync($"/api/plan/solves/{id}")}");
        return null!;
    }
}
