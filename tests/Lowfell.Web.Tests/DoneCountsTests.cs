using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What is written down at the bench counts: for the painter's own figures, for the shelf, for the plan.</summary>
public sealed class DoneCountsTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly string[] Ticked = ["shaken", "heavyHand"];

    private async Task<string> SetAsync(string name) => (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == name)!["id"]!;

    private async Task RoomAsync(double c, double humidity)
    {
        var calendar = (await host.GetAsync("/api/calendar")).AsObject();
        calendar["room"] = new JsonObject { ["temperatureC"] = c, ["humidity"] = humidity, ["fan"] = false, ["cansFit"] = true };
        await host.PutAsync("/api/calendar", calendar);
    }

    private async Task<List<JsonNode>> StepsAsync(string set, bool learn = true) =>
        [.. (await host.PostAsync("/api/plan", new { setIds = new[] { await SetAsync(set) }, learn }))["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).Select(s => s!)];

    private static JsonObject Action(JsonNode step, string kind, params int[] copies) => new()
    {
        ["id"] = Guid.NewGuid(),
        ["kind"] = kind,
        ["zoneId"] = (string)step["zoneId"]!,
        ["coatId"] = (string)step["coatId"]!,
        ["pass"] = (int)step["pass"]!,
        ["copies"] = new JsonArray([.. copies.Select(c => JsonValue.Create(c))]),
    };

    private static double Minutes(JsonNode step, string from, string to) => (DateTimeOffset.Parse((string)step[to]!) - DateTimeOffset.Parse((string)step[from]!)).TotalMinutes;

    [Fact]
    public async Task A_planted_pace_is_learned_while_the_air_gets_damper()
    {
        const double Pace = 1.4;
        await host.ForgetReadingsAsync();
        await RoomAsync(20, 0.4);
        var first = (await StepsAsync("Salt-crust bases", learn: false)).First(s => s["copies"]!.AsArray().Count >= 12 && (string?)s["technique"] is "baseCoat" or "wash" && s["nextBy"] is null);
        bool Same(JsonNode s) => (string)s["coatId"]! == (string)first["coatId"]! && (int)s["pass"]! == (int)first["pass"]! && (string)s["zoneId"]! == (string)first["zoneId"]!;
        for (var copy = 1; copy <= 10; copy++)
        {
            await RoomAsync(20 - copy, 0.4 + (0.045 * copy));
            var step = (await StepsAsync("Salt-crust bases", learn: false)).First(Same);
            var (work, dry, at) = (Minutes(step, "startAt", "endAt") / step["copies"]!.AsArray().Count, Minutes(step, "endAt", "dryAt"), DateTimeOffset.UtcNow.AddDays(-20 + copy));
            await host.PostAsync("/api/log", Action(step, "done", copy).With("at", JsonValue.Create(at)).With("minutes", JsonValue.Create(Pace * work)));
            await host.PostAsync("/api/log", Action(step, "dry", copy).With("at", JsonValue.Create(at.AddMinutes(Pace * dry))));
        }

        var learned = (await host.PostAsync("/api/plan", new { }))["learned"]!;
        var drying = learned["drying"]!.AsArray().Single(l => (string)l!["of"]! == (string)first["paint"]!)!;
        Assert.Equal(10, (int)drying["readings"]!);
        Assert.InRange((double)drying["factor"]!, 0.95 * Pace, 1.05 * Pace);
        Assert.InRange((double)learned["minutes"]!.AsArray().Single(l => (string)l!["of"]! == (string)first["what"]!)!["factor"]!, 0.95 * Pace, 1.05 * Pace);

        // What it dries in now is what the plan says of this air, times the factor.
        var (own, plain) = ((await StepsAsync("Salt-crust bases")).First(Same), (await StepsAsync("Salt-crust bases", learn: false)).First(Same));
        Assert.Equal((double)drying["factor"]!, Minutes(own, "endAt", "dryAt") / Minutes(plain, "endAt", "dryAt"), 0.02);
    }

    [Fact]
    public async Task A_coat_is_written_down_though_its_bottle_is_changed_elsewhere_meanwhile()
    {
        const string Left = "SELECT sum(\"LeftMl\") FROM bottles";
        var step = (await StepsAsync("Sea wall")).First(s => (string?)s["technique"] == "baseCoat");
        var before = await host.ScalarAsync<double>(Left);
        var elsewhere = host.ExecuteAsync("UPDATE bottles SET \"Version\" = \"Version\" + 1; SELECT pg_sleep(3)");
        while (await host.ScalarAsync<long>("SELECT count(*) FROM pg_stat_activity WHERE state = 'active' AND wait_event = 'PgSleep'") == 0)
        {
            await Task.Delay(20);
        }

        await host.PostAsync("/api/log", Action(step, "done", (int)step["copies"]![0]!));
        await elsewhere;
        Assert.True(await host.ScalarAsync<double>(Left) < before);
    }

    [Fact]
    public async Task A_figure_that_is_far_off_rules_only_once_the_painter_says_so()
    {
        await host.ForgetReadingsAsync();
        var step = (await StepsAsync("Sea wall")).First(s => s["copies"]!.AsArray().Count >= 4 && (string?)s["technique"] == "baseCoat");
        var work = Minutes(step, "startAt", "endAt") / step["copies"]!.AsArray().Count;
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToList();
        foreach (var copy in copies.Take(3))
        {
            await host.PostAsync("/api/log", Action(step, "done", copy).With("minutes", JsonValue.Create(4 * work)));
        }

        async Task<JsonNode> Figure() => (await host.PostAsync("/api/plan", new { }))["learned"]!["minutes"]!.AsArray().Single(l => (string)l!["of"]! == "Base coat")!;
        var figure = await Figure();
        Assert.Equal((true, false), ((bool)figure["asks"]!, (bool)figure["follows"]!));
        await host.PutAsync("/api/plan/learned", new { key = (string)figure["key"]!, follow = true }, HttpStatusCode.NoContent);
        figure = await Figure();
        Assert.Equal((false, true), ((bool)figure["asks"]!, (bool)figure["follows"]!));
        await host.PutAsync("/api/plan/learned", new { key = (string)figure["key"]!, follow = (bool?)null, was = true }, HttpStatusCode.NoContent);
        Assert.True((bool)(await Figure())["asks"]!);
        await host.RefusesAsync(HttpMethod.Put, "/api/plan/learned", new { key = "minutes/Dancing", follow = true }, "key", HttpStatusCode.NotFound);
        foreach (var copy in copies.Take(3))
        {
            await host.PostAsync("/api/log", Action(step, "takenBack", copy));
        }

        Assert.DoesNotContain((await host.PostAsync("/api/plan", new { }))["learned"]!["minutes"]!.AsArray(), l => (string)l!["of"]! == "Base coat");
    }

    [Fact]
    public async Task A_coat_that_is_written_down_takes_its_mix_from_the_bottles_and_gives_it_back()
    {
        var step = (await StepsAsync("Sea wall")).First(s => s["copies"]!.AsArray().Count >= 3 && s["mix"] is not null && (string)s["paint"]! == "Kelp Wash");
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToArray();
        async Task<double> Left() => (double)(await host.MaterialAsync("Kelp Wash"))["stock"]!["leftMl"]!;
        var before = await Left();
        var action = Action(step, "done", copies);
        await host.PostAsync("/api/log", action);
        await host.PostAsync("/api/log", action);
        var taken = before - await Left();
        Assert.Equal(Math.Min(before, (double)step["mix"]!["paintMl"]!), taken, 0.02);

        // A part of it, and the same once more, which is nothing more.
        await host.PostAsync("/api/log", Action(step, "takenBack", copies[0]));
        await host.PostAsync("/api/log", Action(step, "takenBack", copies[0]));
        Assert.Equal(before - (taken * (copies.Length - 1) / copies.Length), await Left(), 0.02);
        await host.PostAsync("/api/log", Action(step, "takenBack", copies[1..]));
        Assert.Equal(before, await Left(), 0.011);

        // What comes late, behind a later entry, changes nothing.
        await host.PostAsync("/api/log", Action(step, "done", copies).With("at", JsonValue.Create(DateTimeOffset.UtcNow.AddDays(-2))));
        Assert.Equal(before, await Left(), 0.011);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Action(step, "done", copies[0]).With("mixedMl", 90), "mixedMl");
        Assert.Equal(before, await Left(), 0.011);
        await host.PostAsync("/api/log", Action(step, "done", copies[0]).With("mixedMl", 1));
        Assert.Equal(before - Math.Min(before, (double)step["paintFraction"]!), await Left(), 0.011);
        await host.PostAsync("/api/log", Action(step, "takenBack", copies[0]));
    }

    [Fact]
    public async Task Two_windows_that_take_the_same_back_at_once_put_it_back_once()
    {
        var step = (await StepsAsync("Pan house")).First(s => s["mix"] is not null);
        var copy = (int)step["copies"]![0]!;
        async Task<double> Left() => (double)(await host.MaterialAsync((string)step["paint"]!))["stock"]!["leftMl"]!;
        var before = await Left();
        await host.PostAsync("/api/log", Action(step, "done", copy));
        await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => host.PostAsync("/api/log", Action(step, "takenBack", copy))));
        Assert.Equal(before, await Left(), 0.011);
    }

    [Fact]
    public async Task A_recorded_mix_is_used_by_what_is_painted_from_it_and_can_be_taken_back_before()
    {
        var step = (await StepsAsync("Sea wall")).First(s => s["copies"]!.AsArray().Count >= 3 && s["mix"] is not null);
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).Take(2).ToArray();
        var mix = (await host.GetAsync("/api/mixes")).AsArray().First()!;
        var bone = (double)(await host.MaterialAsync("Bone Shell"))["stock"]!["leftMl"]!;
        var made = await host.PostAsync($"/api/mixes/{mix["id"]}/records", new { totalMl = 3 }, HttpStatusCode.Created);
        await host.PostAsync("/api/log", Action(step, "done", copies).With("mixRecordId", JsonValue.Create((string)made["id"]!)));
        async Task<JsonNode> Record() => (await host.GetAsync("/api/mix-records")).AsArray().Single(r => (string)r!["id"]! == (string)made["id"]!)!;
        var used = await Record();
        Assert.True((double)used["leftMl"]! < 3);
        Assert.Equal(copies, used["uses"]!.AsArray().Single()!["copies"]!.AsArray().Select(c => (int)c!));
        await host.RefusesAsync(HttpMethod.Delete, $"/api/mix-records/{made["id"]}", null, "id", HttpStatusCode.Conflict);
        await host.PostAsync("/api/log", Action(step, "takenBack", copies));
        Assert.Equal(3, (double)(await Record())["leftMl"]!, 0.011);
        Assert.Empty((await Record())["uses"]!.AsArray());
        await host.DeleteAsync($"/api/mix-records/{made["id"]}");
        Assert.Equal(bone, (double)(await host.MaterialAsync("Bone Shell"))["stock"]!["leftMl"]!, 0.011);
        await host.RefusesAsync(HttpMethod.Delete, $"/api/mix-records/{made["id"]}", null, "id", HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_problem_can_be_taken_back_or_said_anew()
    {
        var step = (await StepsAsync("Pan house"))[0];
        var copy = (int)step["copies"]![0]!;
        var problem = await host.PostAsync("/api/log", Action(step, "problem", copy).With("note", "Tide mark.").With("ticks", new JsonArray([.. Ticked.Select(t => JsonValue.Create(t))])));
        var id = (string)problem[0]!["id"]!;
        Assert.Equal(Ticked, problem[0]!["ticks"]!.AsArray().Select(t => (string)t!));
        async Task<JsonNode> Entry() => (await host.GetAsync($"/api/log?zoneId={step["zoneId"]}&kind=problem")).AsArray().Single(e => (string)e!["id"]! == id)!;
        Assert.Null((await Entry())["after"]);
        JsonObject About(string kind) => new() { ["id"] = Guid.NewGuid(), ["kind"] = kind, ["zoneId"] = (string)step["zoneId"]!, ["copies"] = new JsonArray(copy), ["ofId"] = id };
        await host.PostAsync("/api/log", About("problem").With("note", "A run, not a tide mark."));
        Assert.Equal("problem", (string)(await Entry())["after"]!);
        await host.PostAsync("/api/log", About("takenBack"));
        Assert.Equal("takenBack", (string)(await Entry())["after"]!);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", About("takenBack").With("ofId", JsonValue.Create(Guid.NewGuid())), "ofId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", About("done").With("coatId", JsonValue.Create((string)step["coatId"]!)), "ofId");
    }

    [Fact]
    public async Task A_plan_that_nothing_has_changed_is_the_same_and_every_change_is_seen_at_once()
    {
        var set = await SetAsync("Brine pans");
        async Task<string> Plan() => (await host.PostAsync("/api/plan", new { setIds = new[] { set } })).ToJsonString();
        var before = await Plan();
        Assert.Equal(before, await Plan());
        var step = (await StepsAsync("Brine pans"))[0];
        await host.PostAsync("/api/log", Action(step, "done", (int)step["copies"]![0]!));
        var done = await Plan();
        Assert.NotEqual(before, done);
        var zone = await host.GetAsync($"/api/zones/{step["zoneId"]}");
        await RoomAsync(12, 0.8);
        Assert.NotEqual(done, await Plan());
        Assert.NotNull(zone["scheme"]);
        Assert.True(await host.ScalarAsync<long>("SELECT \"Mark\" FROM work_marks") > 2);
    }

    [Fact]
    public async Task Times_are_told_by_the_painters_own_clock()
    {
        var calendar = (await host.GetAsync("/api/calendar")).AsObject();
        var own = (string)calendar["timeZone"]!;
        calendar["timeZone"] = "Africa/Casablanca";
        await host.PutAsync("/api/calendar", calendar);
        var plan = await host.PostAsync("/api/plan", new { });

        // One that has begun goes on from now.
        var ahead = plan["calendar"]!.AsArray().Where(e => DateTimeOffset.Parse((string)e!["openAt"]!, System.Globalization.CultureInfo.InvariantCulture) > DateTimeOffset.UtcNow.AddMinutes(5)).ToList();
        Assert.NotEmpty(ahead);
        Assert.All(ahead, e => Assert.Contains(((string)e!["openAt"]!)[11..16], new[] { "19:30", "09:30" }));
        calendar["version"] = (int)(await host.GetAsync("/api/calendar"))["version"]!;
        calendar["timeZone"] = own;
        await host.PutAsync("/api/calendar", calendar);
    }

    [Fact]
    public async Task An_evening_may_run_past_midnight_but_not_into_the_next()
    {
        var calendar = (await host.GetAsync("/api/calendar")).AsObject();
        JsonObject Evenings(params (string Day, int From, int To)[] weekly) =>
            calendar.DeepClone().AsObject().With("weekly", new JsonArray([.. weekly.Select(w => new JsonObject { ["day"] = w.Day, ["startMin"] = w.From, ["endMin"] = w.To })]));
        await host.RefusesAsync(HttpMethod.Put, "/api/calendar", Evenings(("sunday", 1260, 1560), ("monday", 60, 200)), "weekly[1].startMin");
        await host.RefusesAsync(HttpMethod.Put, "/api/calendar", Evenings(("sunday", 60, 1440)), "weekly[0].endMin");
        await host.RefusesAsync(HttpMethod.Put, "/api/calendar", calendar.DeepClone().AsObject().With("weeksAhead", 53), "weeksAhead");
        await host.PutAsync("/api/calendar", Evenings(("sunday", 1260, 1560)));
        var plan = await host.PostAsync("/api/plan", new { });
        Assert.All(plan["calendar"]!.AsArray(), e => Assert.Equal((DayOfWeek.Sunday, "02:00"), (DateOnly.Parse((string)e!["day"]!).DayOfWeek, ((string)e["closeAt"]!)[11..16])));
        calendar["version"] = (int)(await host.GetAsync("/api/calendar"))["version"]!;
        await host.PutAsync("/api/calendar", calendar);
    }

    [Fact]
    public async Task Where_the_weeks_ahead_end_first_no_date_is_told_but_what_is_left()
    {
        var calendar = (await host.GetAsync("/api/calendar")).AsObject();
        await host.PutAsync("/api/calendar", calendar.DeepClone().AsObject().With("weeksAhead", 4).With("weekly", new JsonArray(new JsonObject { ["day"] = "monday", ["startMin"] = 1200, ["endMin"] = 1300 })));
        var plan = await host.PostAsync("/api/plan", new { });
        Assert.Null(plan["summary"]!["doneOn"]);
        Assert.Contains("Not done within 4 weeks", (string)plan["problem"]!, StringComparison.Ordinal);
        Assert.True((int)plan["notPlanned"]!["steps"]! > 0 || plan["later"]!.AsArray().Count > 0);
        calendar["version"] = (int)(await host.GetAsync("/api/calendar"))["version"]!;
        await host.PutAsync("/api/calendar", calendar.DeepClone().AsObject().With("weekly", new JsonArray()).With("exceptions", new JsonArray(new JsonObject { ["date"] = $"{DateTime.UtcNow.AddYears(1):yyyy-MM-dd}", ["startMin"] = 600, ["endMin"] = 900 })));
        Assert.Contains("No evening falls into the next 26 weeks", (string)(await host.PostAsync("/api/plan", new { }))["problem"]!, StringComparison.Ordinal);
        calendar["version"] = (int)(await host.GetAsync("/api/calendar"))["version"]!;
        await host.PutAsync("/api/calendar", calendar);
    }
}
