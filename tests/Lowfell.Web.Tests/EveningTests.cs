using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

public sealed class EveningTests(TestHost host) : IClassFixture<TestHost>
{
    private static JsonObject Calendar(int version, string zone = "Europe/London", params (string Day, int From, int To)[] weekly) => new()
    {
        ["version"] = version,
        ["timeZone"] = zone,
        ["weekly"] = new JsonArray([.. weekly.Select(w => new JsonObject { ["day"] = w.Day, ["startMin"] = w.From, ["endMin"] = w.To })]),
        ["exceptions"] = new JsonArray(),
        ["room"] = new JsonObject { ["temperatureC"] = 17, ["humidity"] = 0.6, ["fan"] = false, ["cansFit"] = true },
    };

    private async Task<int> VersionAsync() => (int)(await host.GetAsync("/api/calendar"))["version"]!;

    private async Task KeepAsync(JsonObject calendar) => await host.PutAsync("/api/calendar", calendar);

    private async Task<string> SetAsync(string name) => (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == name)!["id"]!;

    [Fact]
    public async Task The_evenings_are_kept_by_version_and_follow_a_change_of_clocks()
    {
        var calendar = Calendar(await VersionAsync(), "Europe/London", ("tuesday", 1170, 1320), ("sunday", 570, 750));
        calendar["exceptions"]!.AsArray().Add(new JsonObject { ["date"] = "2027-01-05" });
        var kept = await host.PutAsync("/api/calendar", calendar);
        Assert.Equal(2, kept["weekly"]!.AsArray().Count);
        await host.RefusesAsync(HttpMethod.Put, "/api/calendar", calendar, "version", HttpStatusCode.Conflict);
        var plan = await host.PostAsync("/api/plan", new { });
        foreach (var evening in plan["calendar"]!.AsArray())
        {
            var day = DateOnly.Parse((string)evening!["day"]!);
            Assert.NotEqual(new DateOnly(2027, 1, 5), day);
            Assert.Contains(day.DayOfWeek, new[] { DayOfWeek.Tuesday, DayOfWeek.Sunday });
            var local = TimeZoneInfo.ConvertTime(DateTimeOffset.Parse((string)evening["openUtc"]!), TimeZoneInfo.FindSystemTimeZoneById("Europe/London"));
            Assert.Equal(day.DayOfWeek == DayOfWeek.Tuesday ? new TimeOnly(19, 30) : new TimeOnly(9, 30), TimeOnly.FromTimeSpan(local.TimeOfDay));
        }
    }

    [Fact]
    public async Task Evenings_that_cannot_be_are_refused()
    {
        var version = await VersionAsync();
        async Task Refused(JsonObject calendar, string field) => await host.RefusesAsync(HttpMethod.Put, "/api/calendar", calendar, field);
        await Refused(Calendar(version, "Nowhere/Much"), "timeZone");
        await Refused(Calendar(version, "Etc/UTC", ("monday", 1200, 1205)), "weekly[0].endMin");
        await Refused(Calendar(version, "Etc/UTC", ("monday", 1200, 1100)), "weekly[0].endMin");
        await Refused(Calendar(version, "Etc/UTC", ("monday", 1000, 1200), ("monday", 1100, 1300)), "weekly[1].startMin");
        await Refused(Calendar(version).With("room.humidity", 1.2), "room.humidity");
        await Refused(Calendar(version).With("exceptions", JsonNode.Parse("""[{"date":"2027-01-05"},{"date":"2027-01-05"}]""")), "exceptions[1].date");
        await Refused(Calendar(version).With("exceptions", JsonNode.Parse("""[{"date":"2027-01-05","startMin":600}]""")), "exceptions[0].endMin");
        Assert.Equal(version, await VersionAsync());
    }

    [Fact]
    public async Task A_plan_says_when_it_is_done_and_before_when_it_can_not_be()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("thursday", 1170, 1320), ("sunday", 570, 750)));
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { await SetAsync("Marsh crawler") } });
        var summary = plan["summary"]!;
        Assert.True(string.CompareOrdinal((string)summary["notBefore"]!, (string)summary["doneOn"]!) <= 0);
        var steps = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).ToList();
        Assert.Equal((int)plan["steps"]!, steps.Sum(s => s!["copies"]!.AsArray().Count));
        Assert.All(steps, s => Assert.Equal([2], s!["copies"]!.AsArray().Select(c => (int)c!)));

        // Chips are opened in their window after the coat over the fluid.
        var open = steps.FindIndex(s => (string)s!["technique"]! == "openChips");
        var top = steps.Last(s => steps.IndexOf(s) < open && (string)s!["zone"]! == "Cargo bed")!;
        Assert.InRange(DateTimeOffset.Parse((string)steps[open]!["startUtc"]!), DateTimeOffset.Parse((string)top["nextFromUtc"]!).AddSeconds(-1), DateTimeOffset.Parse((string)top["nextByUtc"]!).AddSeconds(1));

        var ways = (await host.PostAsync("/api/plan/what-ifs", new { setIds = new[] { await SetAsync("Marsh crawler") } })).AsArray();
        Assert.Equal("as planned", (string)ways[0]!["name"]!);
        Assert.True(ways.Count >= 4);
        await host.RefusesAsync(HttpMethod.Post, "/api/plan", new { setIds = new[] { Guid.NewGuid() } }, "setIds", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/plan", new { mostCopies = 0 }, "mostCopies");
    }

    [Fact]
    public async Task Without_evenings_or_with_too_short_ones_the_plan_says_what_is_in_the_way()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC"));
        Assert.Equal("There is no evening yet. Say when you paint.", (string)(await host.PostAsync("/api/plan", new { }))["problem"]!);
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("monday", 1200, 1212)));
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { await SetAsync("Pan house") } });
        Assert.Contains("longer than any evening", (string)plan["problem"]!, StringComparison.Ordinal);
        Assert.Null(plan["summary"]!["doneOn"]);
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)).With("room.cansFit", false));
        var waiting = (await host.PostAsync("/api/plan", new { setIds = new[] { await SetAsync("Brine pans") } }))["waiting"]!.AsArray();
        Assert.Contains(waiting, w => ((string)w!).Contains("waits until cans may be sprayed", StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_is_done_leaves_the_plan_once_and_comes_back_when_it_is_taken_back()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var set = new { setIds = new[] { await SetAsync("Salt-crust bases") } };
        var before = await host.PostAsync("/api/plan", set);
        var step = before["calendar"]![0]!["steps"]![0]!;
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToArray();
        var action = new { id = Guid.NewGuid(), kind = "done", zoneId = (string)step["zoneId"]!, coatId = (string)step["coatId"]!, pass = (int)step["pass"]!, copies, minutes = 2.0 * copies.Length };
        var written = await host.PostAsync("/api/log", action);
        Assert.All(written.AsArray(), e => Assert.Equal(2, (double)e!["minutes"]!));
        await host.PostAsync("/api/log", action);
        Assert.Equal((int)before["steps"]! - copies.Length, (int)(await host.PostAsync("/api/plan", set))["steps"]!);
        var entries = (await host.GetAsync($"/api/log?zoneId={step["zoneId"]}&kind=done")).AsArray();
        Assert.Equal(copies.Length, entries.Count(e => e!["coatId"]!.ToString() == step["coatId"]!.ToString()));
        await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "takenBack", zoneId = (string)step["zoneId"]!, coatId = (string)step["coatId"]!, pass = (int)step["pass"]!, copies });
        Assert.Equal((int)before["steps"]!, (int)(await host.PostAsync("/api/plan", set))["steps"]!);
    }

    [Fact]
    public async Task Real_minutes_correct_the_next_plan_from_the_third_reading_on_unless_switched_off()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var set = new[] { await SetAsync("Pan house") };
        var plan = await host.PostAsync("/api/plan", new { setIds = set });
        var texture = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).First(s => (string)s!["technique"]! == "texture")!;
        var planned = (DateTimeOffset.Parse((string)texture["endUtc"]!) - DateTimeOffset.Parse((string)texture["startUtc"]!)).TotalMinutes / texture["copies"]!.AsArray().Count;
        async Task<JsonNode> Taken() => await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)texture["zoneId"]!, coatId = (string)texture["coatId"]!, copies = new[] { 1 }, minutes = 2 * planned });
        await Taken();
        await Taken();
        Assert.DoesNotContain((await host.PostAsync("/api/plan", new { setIds = set }))["learned"]!.AsArray(), l => (string)l!["technique"]! == "texture");
        await Taken();
        var learned = await host.PostAsync("/api/plan", new { setIds = set });
        var texts = learned["learned"]!.AsArray().Single(l => (string)l!["technique"]! == "texture")!;
        Assert.Equal(2, (double)texts["factor"]!, 1);
        Assert.Equal(3, (int)texts["readings"]!);
        Assert.True((double)learned["summary"]!["workMin"]! > (double)(await host.PostAsync("/api/plan", new { setIds = set, learn = false }))["summary"]!["workMin"]!);
    }

    [Fact]
    public async Task The_log_is_searched_exported_and_refuses_what_cannot_be()
    {
        var found = (await host.GetAsync("/api/log?search=tide+mark")).AsArray();
        Assert.Equal("problem", (string)Assert.Single(found)!["kind"]!);
        Assert.Empty((await host.GetAsync("/api/log?search=%25")).AsArray());
        await host.RefusesAsync(HttpMethod.Get, "/api/log?kind=porridge", null, "kind");
        Assert.Contains("Tide mark on the left flank", await host.Http.GetStringAsync("/api/log/log.csv", TestContext.Current.CancellationToken), StringComparison.Ordinal);
        Assert.True((await host.GetAsync("/api/log/log.json")).AsArray().Count > 50);
        var zone = await host.ZoneAsync("Brine");
        var coat = (string)zone["scheme"]!["coats"]![0]!["id"]!;
        JsonObject Entry() => new() { ["id"] = Guid.NewGuid().ToString(), ["kind"] = "done", ["zoneId"] = (string)zone["id"]!, ["coatId"] = coat, ["copies"] = new JsonArray(1) };
        async Task Refused(JsonObject entry, string field, HttpStatusCode status = HttpStatusCode.BadRequest) => await host.RefusesAsync(HttpMethod.Post, "/api/log", entry, field, status);
        await Refused(Entry().With("copies", new JsonArray(9)), "copies");
        await Refused(Entry().With("copies", new JsonArray()), "copies");
        await Refused(Entry().With("zoneId", Guid.NewGuid().ToString()), "zoneId", HttpStatusCode.NotFound);
        await Refused(Entry().With("coatId", Guid.NewGuid().ToString()), "coatId", HttpStatusCode.NotFound);
        await Refused(Entry().With("coatId", null), "coatId");
        await Refused(Entry().With("at", "2099-01-01T00:00:00Z"), "at");
        await Refused(Entry().With("kind", "problem"), "note");
        await Refused(Entry().With("minutes", -1), "minutes");
    }

    [Fact]
    public async Task The_calendar_file_reads_back_with_the_same_uids()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Europe/London", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var set = await SetAsync("Brine pans");
        async Task<Ical.Net.Calendar> File() => Ical.Net.Calendar.Load(await host.Http.GetStringAsync($"/api/plan/evenings.ics?sets={set}", TestContext.Current.CancellationToken))!;
        var (first, second) = (await File(), await File());
        Assert.NotEmpty(first.Events);
        Assert.Equal(first.Events.Select(e => e.Uid), second.Events.Select(e => e.Uid));
        Assert.Equal(first.Events.Count, first.Events.Select(e => e.Uid).Distinct().Count());
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { set } });
        Assert.Equal(plan["calendar"]!.AsArray().Select(e => DateTimeOffset.Parse((string)e!["openUtc"]!).UtcDateTime), first.Events.Select(e => e.Start!.AsUtc));
    }

    [Fact]
    public async Task The_room_sensor_is_read_kept_and_exported()
    {
        var reading = await host.PostAsync("/api/room/reading", null);
        Assert.InRange((double)reading["temperatureC"]!, 14, 20);
        Assert.InRange((double)reading["humidity"]!, 0.5, 0.7);
        var csv = await host.Http.GetStringAsync("/api/room/readings.csv", TestContext.Current.CancellationToken);
        Assert.StartsWith("at,temperature_c,humidity\r\n", csv.TrimStart('\ufeff'), StringComparison.Ordinal);
        Assert.Contains($",{reading["temperatureC"]},", csv, StringComparison.Ordinal);
    }
}
