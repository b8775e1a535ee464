using System.Net.Http.Json;
using System.Net;
using System.Text.Json.Nodes;
using Lowfell.Tests;
using Lowfell.Web.Api;
using Microsoft.Extensions.DependencyInjection;
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
            var local = TimeZoneInfo.ConvertTime(DateTimeOffset.Parse((string)evening["openAt"]!), TimeZoneInfo.FindSystemTimeZoneById("Europe/London"));
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
        var open = steps.FindIndex(s => (string?)s!["technique"] == "openChips");
        var top = steps.Last(s => steps.IndexOf(s) < open && (string)s!["zone"]! == "Cargo bed")!;
        Assert.InRange(DateTimeOffset.Parse((string)steps[open]!["startAt"]!), DateTimeOffset.Parse((string)top["nextFrom"]!).AddSeconds(-1), DateTimeOffset.Parse((string)top["nextBy"]!).AddSeconds(1));

        var ways = (await host.PostAsync("/api/plan/what-ifs", new { setIds = new[] { await SetAsync("Marsh crawler") } }))["ways"]!.AsArray();
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
        await host.ForgetReadingsAsync();
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var set = new[] { await SetAsync("Sea wall") };
        var plan = await host.PostAsync("/api/plan", new { setIds = set });
        var step = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).First(s => s!["copies"]!.AsArray().Count >= 3 && s["technique"] is not null)!;
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToList();
        var planned = (DateTimeOffset.Parse((string)step["endAt"]!) - DateTimeOffset.Parse((string)step["startAt"]!)).TotalMinutes / copies.Count;
        async Task Taken(int copy) => await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)step["zoneId"]!, coatId = (string)step["coatId"]!, pass = (int)step["pass"]!, copies = new[] { copy }, minutes = 2 * planned });

        // Minutes are learned by how a coat is laid, a primer's with the others.
        var way = Core.Evenings.Steps.StepWords.Of(Enum.Parse<Core.Techniques.Technique>((string)step["technique"]!, ignoreCase: true));
        await Taken(copies[0]);
        await Taken(copies[1]);
        Assert.DoesNotContain((await host.PostAsync("/api/plan", new { setIds = set }))["learned"]!["minutes"]!.AsArray(), l => (string)l!["of"]! == way);
        await Taken(copies[2]);
        var learned = await host.PostAsync("/api/plan", new { setIds = set });
        var texts = learned["learned"]!["minutes"]!.AsArray().Single(l => (string)l!["of"]! == way)!;
        Assert.Equal(2, (double)texts["factor"]!, 1);
        Assert.Equal(3, (int)texts["readings"]!);
        Assert.True((double)learned["summary"]!["workMin"]! > (double)(await host.PostAsync("/api/plan", new { setIds = set, learn = false }))["summary"]!["workMin"]!);
    }

    [Fact]
    public async Task Set_ups_and_drying_are_learned_from_the_log_too()
    {
        await host.ForgetReadingsAsync();
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var set = new[] { await SetAsync("Sea wall") };
        var plan = await host.PostAsync("/api/plan", new { setIds = set });
        var step = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).First(s => s!["copies"]!.AsArray().Count >= 3 && (string?)s["technique"] is not null && s["nextBy"] is null && s["paint"] is not null
            && DateTimeOffset.Parse((string)s["dryAt"]!) > DateTimeOffset.Parse((string)s["endAt"]!).AddMinutes(5))!;
        var wait = (DateTimeOffset.Parse((string)step["dryAt"]!) - DateTimeOffset.Parse((string)step["endAt"]!)).TotalMinutes;
        var begun = DateTimeOffset.UtcNow.AddDays(-3);
        async Task Write(string kind, int copy, DateTimeOffset at, double? setUp = null) => await host.PostAsync("/api/log", new
        {
            id = Guid.NewGuid(),
            kind,
            zoneId = (string)step["zoneId"]!,
            coatId = (string)step["coatId"]!,
            pass = (int)step["pass"]!,
            copies = new[] { copy },
            at,
            setUpMinutes = setUp,
        });
        foreach (var copy in step["copies"]!.AsArray().Take(3).Select(c => (int)c!))
        {
            await Write("done", copy, begun, setUp: 3 * StationMin((string)step["station"]!));
            await Write("dry", copy, begun.AddMinutes(1.5 * wait));
        }

        var learned = (await host.PostAsync("/api/plan", new { setIds = set }))["learned"]!;
        Assert.Equal(3, (double)Assert.Single(learned["setUps"]!.AsArray())!["factor"]!, 2);
        var dry = learned["drying"]!.AsArray().Single(l => (string)l!["of"]! == (string)step["paint"]!)!;
        Assert.Equal(1.5, (double)dry["factor"]!, 2);
        Assert.Equal(3, (int)dry["readings"]!);
    }

    private static double StationMin(string station) => Core.Techniques.Stations.SetUpMin(Enum.Parse<Core.Techniques.Station>(station, ignoreCase: true));

    [Fact]
    public async Task A_part_is_fitted_when_both_are_painted_and_its_glue_holds_what_comes_after()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("thursday", 1170, 1320), ("sunday", 570, 750)));
        var setId = await SetAsync("Marsh crawler");
        var pieces = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["id"]! == setId)!["pieces"]!.AsArray();
        var (hull, gear) = (pieces.Single(p => (string)p!["piece"]!["name"]! == "Hull")!, pieces.Single(p => (string)p!["piece"]!["name"]! == "Running gear")!);
        Assert.Equal((string)hull["id"]!, (string)gear["piece"]!["partOfId"]!);

        // The bed is loaded over the join: it is painted afterwards.
        var bed = hull["zones"]!.AsArray().Single(z => (string)z!["settings"]!["name"]! == "Cargo bed")!;
        var settings = bed["settings"]!.DeepClone();
        settings["fitting"] = "after";
        await host.PutAsync($"/api/zones/{bed["id"]}", new JsonObject { ["version"] = (int)bed["version"]!, ["settings"] = settings }, HttpStatusCode.NoContent);
        var plan = await host.PostAsync("/api/plan", new { setIds = new[] { setId } });
        var steps = plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).ToList();
        var fit = Assert.Single(steps, s => (string)s!["what"]! == "Fit Running gear")!;
        Assert.Equal(("assembly", "Hull", 2), ((string)fit["station"]!, (string)fit["piece"]!, (int)fit["copies"]![0]!));
        Assert.All(steps.Where(s => (string)s!["zone"]! == "Tracks and wheels"), s => Assert.True(string.CompareOrdinal((string)s!["endAt"]!, (string)fit["startAt"]!) < 0));
        Assert.All(steps.Where(s => (string)s!["zone"]! == "Cargo bed"), s => Assert.True(DateTimeOffset.Parse((string)s!["startAt"]!) >= DateTimeOffset.Parse((string)fit["endAt"]!).AddMinutes(90)));

        // Fitted and written down, it leaves the plan; taken back, it is there again.
        object Log(string kind) => new { id = Guid.NewGuid(), kind, zoneId = (string)fit["zoneId"]!, partId = (string)fit["partId"]!, copies = new[] { 2 } };
        await host.PostAsync("/api/log", Log("done"));
        Assert.DoesNotContain((await host.PostAsync("/api/plan", new { setIds = new[] { setId } }))["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()), s => (string)s!["what"]! == "Fit Running gear");
        var progress = (await host.GetAsync($"/api/log/progress?setId={setId}")).AsArray();
        Assert.Equal(["d", "d"], progress.Single(p => (string)p!["zone"]! == "Fit Running gear")!["copies"]!.AsArray().Select(c => (string)c!));
        await host.PostAsync("/api/log", Log("takenBack"));

        // An action that has waited in a browser since a part was named as a coat is read on.
        var waited = (await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)fit["zoneId"]!, coatId = (string)fit["partId"]!, copies = new[] { 2 } }))[0]!;
        Assert.Equal(((string)fit["partId"]!, null), ((string)waited["partId"]!, (string?)waited["coatId"]));
        await host.PostAsync("/api/log", Log("takenBack"));
        await host.RefusesAsync(HttpMethod.Post, "/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)fit["zoneId"]!, partId = Guid.NewGuid(), copies = new[] { 2 } }, "partId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", new { id = Guid.NewGuid(), kind = "done", zoneId = (string)fit["zoneId"]!, partId = (string)fit["partId"]!, coatId = Guid.NewGuid(), copies = new[] { 2 } }, "partId");

        JsonNode Piece(Action<JsonNode> change)
        {
            var piece = gear["piece"]!.DeepClone();
            change(piece);
            return new JsonObject { ["version"] = (int)gear["version"]!, ["piece"] = piece };
        }

        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{gear["id"]}", Piece(p => p["partOfId"] = (string)gear["id"]!), "partOfId");
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{gear["id"]}", Piece(p => p["copies"] = 3), "copies");
        await host.RefusesAsync(HttpMethod.Put, $"/api/pieces/{gear["id"]}", Piece(p => p["glueMin"] = -1), "piece.glueMin");

        // A copy of the set is fitted on itself, not on the first.
        var copy = (string)(await host.PostAsync($"/api/sets/{setId}/copy", null, HttpStatusCode.Created))["id"]!;
        var copied = (await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["id"]! == copy)!["pieces"]!.AsArray();
        Assert.Equal((string)copied.Single(p => (string)p!["piece"]!["name"]! == "Hull")!["id"]!, (string)copied.Single(p => (string)p!["piece"]!["name"]! == "Running gear")!["piece"]!["partOfId"]!);
        await host.DeleteAsync($"/api/sets/{copy}");
    }

    [Fact]
    public async Task What_ifs_tell_masking_repainting_batches_and_the_other_wash()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("thursday", 1170, 1320), ("sunday", 570, 750)));
        var ways = (await host.PostAsync("/api/plan/what-ifs", new { }))["ways"]!.AsArray();
        double Work(string name) => (double)ways.Single(w => (string)w!["name"]! == name)!["summary"]!["workMin"]!;
        Assert.True(Work("masking next to every spray") > Work("as planned"));
        Assert.True(Work("repainting what the spray catches") > Work("as planned"));
        Assert.True(Work("without all coats that may be left out") < Work("as planned"));
        Assert.All(ways.Where(w => ((string)w!["name"]!).StartsWith("without ", StringComparison.Ordinal)), w => Assert.InRange((double)w!["summary"]!["workMin"]!, Work("without all coats that may be left out"), Work("as planned") - 1));
        Assert.Contains(ways, w => (string)w!["name"]! == "each copy from start to end");
        Assert.Contains(ways, w => ((string)w!["name"]!).Contains("generous", StringComparison.Ordinal));

        // An answer that has the time for one holds one; asked on it tells them all, in the same order.
        await using var hurried = host.WithWebHostBuilder(b => b.UseSetting("Plans:PatienceMs", "0"));
        using var client = hurried.CreateDefaultClient(new AskAgain());
        await hurried.Services.GetRequiredService<Readiness>().Done;
        var told = new List<string>();
        for (int? from = 0; from is not null;)
        {
            using var answer = await client.PostAsJsonAsync(new Uri($"/api/plan/what-ifs?from={from}", UriKind.Relative), new { }, TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            var page = JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
            Assert.Single(page["ways"]!.AsArray());
            told.AddRange(page["ways"]!.AsArray().Select(w => (string)w!["name"]!));
            from = (int?)page["next"];
        }

        Assert.Equal(ways.Select(w => (string)w!["name"]!), told);
        Assert.Empty((await host.PostAsync("/api/plan/what-ifs?from=100", new { }))["ways"]!.AsArray());
        await host.RefusesAsync(HttpMethod.Post, "/api/plan/what-ifs?from=-1", new { }, "from");
    }

    [Fact]
    public async Task What_takes_longer_than_an_answer_may_is_asked_for_again_and_is_the_same()
    {
        await using var hurried = host.WithWebHostBuilder(b => b.UseSetting("Plans:PatienceMs", "0"));
        using var asks = new AskAgain();
        using var client = hurried.CreateDefaultClient(asks);
        await hurried.Services.GetRequiredService<Readiness>().Done;
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("thursday", 1170, 1320), ("sunday", 570, 750)));
        var before = (string?)(await host.GetAsync("/api/plan/held"))["id"];
        var held = (string)(await host.PutAsync("/api/plan/held", new { request = new { }, instead = before }))["kept"]!["id"]!;
        (HttpMethod Method, string Path)[] asked =
        [
            (HttpMethod.Post, "/api/plan"), (HttpMethod.Post, "/api/plan/look"), (HttpMethod.Get, "/api/plan/done-by"), (HttpMethod.Get, $"/api/plan/held/{held}"), (HttpMethod.Post, "/api/amounts"),
        ];
        foreach (var (method, path) in asked)
        {
            // Nothing that was made before holds.
            await host.ExecuteAsync("UPDATE work_marks SET \"Mark\" = \"Mark\" + 1");
            var times = asks.Times;
            using var request = new HttpRequestMessage(method, new Uri(path, UriKind.Relative)) { Content = method == HttpMethod.Post ? JsonContent.Create(new { }) : null };
            using var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.True(asks.Times > times, $"{path} was answered at once.");
            var patient = method == HttpMethod.Post ? await host.PostAsync(path, new { }) : await host.GetAsync(path);
            Assert.Equal(Shape(patient), Shape(JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!));
        }

        await host.DeleteAsync($"/api/plan/held?held={held}");

        // A minute may have gone by between the two.
        static IEnumerable<string> Shape(JsonNode node) => node is JsonObject all ? all.Select(a => a.Key) : node.AsArray().Select(n => (string)n!["setId"]!);
    }

    [Fact]
    public async Task A_calendar_program_follows_a_secret_address_until_it_ends()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var path = (string)(await host.PostAsync(await host.AsKeptAsync("/api/plan/feed"), null))["path"]!;

        // It is told once, as it is made; what is kept of it opens nothing.
        var known = await host.GetAsync("/api/plan/feed");
        Assert.True((bool)known["exists"]!);
        Assert.Null(known["path"]);
        var kept = await host.ScalarAsync<string>("SELECT \"FeedHash\" FROM benches WHERE \"FeedHash\" <> ''");
        Assert.Equal(64, kept.Length);
        await host.RefusesAsync(HttpMethod.Get, $"/api/plan/feed/{kept}.ics", null, "key", HttpStatusCode.NotFound);
        Assert.NotEmpty(Ical.Net.Calendar.Load(await host.Http.GetStringAsync(path, TestContext.Current.CancellationToken))!.Events);
        Assert.NotEqual(path, (string)(await host.PostAsync(await host.AsKeptAsync("/api/plan/feed"), null))["path"]!);
        await host.RefusesAsync(HttpMethod.Get, path, null, "key", HttpStatusCode.NotFound);
        await host.DeleteAsync("/api/plan/feed");
        Assert.False((bool)(await host.GetAsync("/api/plan/feed"))["exists"]!);
    }

    [Fact]
    public async Task An_entry_keeps_who_otherwise_cause_and_remedy_and_a_coat_may_be_left_out()
    {
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320), ("sunday", 570, 750)));
        var zone = await host.ZoneAsync("Brine");
        var coat = (string)zone["scheme"]!["coats"]![0]!["id"]!;
        JsonObject Entry(string kind) => new() { ["id"] = Guid.NewGuid().ToString(), ["kind"] = kind, ["zoneId"] = (string)zone["id"]!, ["coatId"] = coat, ["copies"] = new JsonArray(3) };
        var mix = (string)(await host.GetAsync("/api/mix-records"))[0]!["id"]!;
        var kept = (await host.PostAsync("/api/log", Entry("skipped").With("who", "Wren of the saltworks").With("deviation", "Left bare for the glow.").With("paintFraction", 0.6).With("mixRecordId", mix)))[0]!;
        Assert.Equal(("Wren of the saltworks", "Left bare for the glow.", 0.6, mix), ((string)kept["who"]!, (string)kept["deviation"]!, (double)kept["paintFraction"]!, (string)kept["mixRecordId"]!));
        var progress = (await host.GetAsync($"/api/log/progress?zoneId={zone["id"]}"))[0]!;
        Assert.StartsWith("s", (string)progress["copies"]![2]!, StringComparison.Ordinal);
        Assert.StartsWith(".", (string)progress["copies"]![0]!, StringComparison.Ordinal);
        await host.PostAsync("/api/log", Entry("takenBack"));
        await host.PostAsync("/api/log", Entry("problem").With("note", "Bloom on the gloss").With("cause", "damp room").With("remedy", "A second coat in dry air"));
        Assert.Single((await host.GetAsync("/api/log?search=damp+second")).AsArray());
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Entry("done").With("mixRecordId", Guid.NewGuid().ToString()), "mixRecordId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Entry("done").With("paintFraction", 1.5), "paintFraction");
        await host.RefusesAsync(HttpMethod.Post, "/api/log", Entry("done").With("photoId", Guid.NewGuid().ToString()), "photoId", HttpStatusCode.NotFound);
        await host.RefusesAsync(HttpMethod.Get, $"/api/log/progress?setId={Guid.NewGuid()}", null, "setId", HttpStatusCode.NotFound);
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
        Assert.Equal(plan["calendar"]!.AsArray().Select(e => DateTimeOffset.Parse((string)e!["openAt"]!).UtcDateTime), first.Events.Select(e => e.Start!.AsUtc));
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

        // What is done now has the sensor's air, what was done long ago that of the setting.
        await KeepAsync(Calendar(await VersionAsync(), "Etc/UTC", ("tuesday", 1170, 1320)).With("room.temperatureC", 31));
        var zone = await host.ZoneAsync("Furnace mouth");
        async Task<double> Room(DateTimeOffset at) => (double)(await host.PostAsync("/api/log", new { id = Guid.NewGuid(), kind = "note", zoneId = (string)zone["id"]!, copies = new[] { 1 }, note = "Air of the room.", at }))[0]!["roomC"]!;
        Assert.InRange(await Room(DateTimeOffset.UtcNow), 14, 20);
        Assert.Equal(31, await Room(DateTimeOffset.UtcNow.AddDays(-300)));
    }
}
