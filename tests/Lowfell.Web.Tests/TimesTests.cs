using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>Times between steps as the plan keeps them and the log notices them.</summary>
public sealed class TimesTests(TestHost host) : IClassFixture<TestHost>
{
    private const string Set = "Marsh crawler";

    private async Task<JsonNode> PlanAsync()
    {
        var id = (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == Set)!["id"]!;
        return await host.PostAsync("/api/plan", new { setIds = new[] { id } });
    }

    private static List<JsonNode> Steps(JsonNode plan, string zone) =>
        [.. plan["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).Where(s => (string)s!["zone"]! == zone).Select(s => s!)];

    private async Task<JsonArray> DoneAsync(JsonNode step, DateTimeOffset at) => (await host.PostAsync("/api/log", new
    {
        id = Guid.NewGuid(),
        kind = "done",
        zoneId = (string)step["zoneId"]!,
        coatId = (string)step["coatId"]!,
        pass = (int)step["pass"]!,
        copies = step["copies"]!.AsArray().Select(c => (int)c!).ToArray(),
        at,
    })).AsArray();

    private async Task TakeBackAsync(JsonNode step) => await host.PostAsync("/api/log", new
    {
        id = Guid.NewGuid(),
        kind = "takenBack",
        zoneId = (string)step["zoneId"]!,
        coatId = (string)step["coatId"]!,
        pass = (int)step["pass"]!,
        copies = step["copies"]!.AsArray().Select(c => (int)c!).ToArray(),
    });

    [Fact]
    public async Task A_pin_wash_and_its_clean_up_are_two_steps_within_a_window()
    {
        var steps = Steps(await PlanAsync(), "Hull panels");
        var clean = steps.Single(s => (int)s["pass"]! == 0);
        var wash = steps[steps.IndexOf(clean) - 1];
        Assert.Equal(("pinWash", (string)wash["coatId"]!), ((string)wash["technique"]!, (string)clean["coatId"]!));
        Assert.Contains("Clean up", (string)clean["what"]!, StringComparison.Ordinal);
        Assert.Null(clean["mix"]);
        Assert.InRange(DateTimeOffset.Parse((string)clean["startAt"]!), DateTimeOffset.Parse((string)wash["nextFrom"]!).AddSeconds(-1), DateTimeOffset.Parse((string)wash["nextBy"]!).AddSeconds(1));
    }

    [Fact]
    public async Task The_log_notices_a_coat_that_comes_too_soon_and_the_next_step_says_when_it_is_ready()
    {
        var steps = Steps(await PlanAsync(), "Hull panels");
        var (first, second) = (steps[0], steps[1]);
        var now = DateTimeOffset.UtcNow.AddMinutes(-3);
        Assert.All(await DoneAsync(first, now), e => Assert.Equal("", (string)e!["notice"]!));

        var waiting = Steps(await PlanAsync(), "Hull panels")[0];
        Assert.Equal((string)second["coatId"]!, (string)waiting["coatId"]!);
        Assert.True(DateTimeOffset.Parse((string)waiting["readyAt"]!) > now.AddMinutes(5));

        Assert.All(await DoneAsync(second, now.AddMinutes(1)), e => Assert.NotEqual("", (string)e!["notice"]!));
        var csv = await host.Http.GetStringAsync("/api/log/log.csv");
        Assert.Contains("notice", csv.Split('\n')[0], StringComparison.Ordinal);
        await TakeBackAsync(second);
        await TakeBackAsync(first);
        Assert.Equal((string)first["coatId"]!, (string)Steps(await PlanAsync(), "Hull panels")[0]["coatId"]!);
    }

    [Fact]
    public async Task A_wash_that_was_laid_says_until_when_it_is_cleaned()
    {
        var steps = Steps(await PlanAsync(), "Cargo bed");
        var clean = steps.Single(s => (int)s["pass"]! == 0);
        var before = steps.Take(steps.IndexOf(clean)).ToList();
        var at = DateTimeOffset.UtcNow.AddHours(-20);
        foreach (var step in before)
        {
            at = at.AddHours(step == before[^1] ? 0 : 2);
            await DoneAsync(step, step == before[^1] ? DateTimeOffset.UtcNow.AddMinutes(-30) : at);
        }

        var next = Steps(await PlanAsync(), "Cargo bed")[0];
        Assert.Equal(((string)clean["coatId"]!, 0), ((string)next["coatId"]!, (int)next["pass"]!));
        Assert.InRange(DateTimeOffset.Parse((string)next["dueAt"]!), DateTimeOffset.UtcNow.AddMinutes(60), DateTimeOffset.UtcNow.AddMinutes(300));
    }

    [Fact]
    public async Task A_varnish_right_after_a_wash_is_noticed_though_nobody_wrote_that_it_was_cleaned_up()
    {
        var steps = Steps(await PlanAsync(), "Hull panels");
        var clean = steps.FindIndex(s => (int)s["pass"]! == 0);
        await DoneAsync(steps[clean - 1], DateTimeOffset.UtcNow.AddMinutes(-6));
        Assert.All(await DoneAsync(steps[clean + 1], DateTimeOffset.UtcNow.AddMinutes(-1)), e => Assert.NotEqual("", (string)e!["notice"]!));
        await TakeBackAsync(steps[clean + 1]);
        await TakeBackAsync(steps[clean - 1]);
    }

    [Fact]
    public async Task A_piece_says_what_a_copy_costs_and_how_many_fill_the_waits()
    {
        var copies = (await PlanAsync())["copies"]!.AsArray();
        Assert.NotEmpty(copies);
        Assert.All(copies, c =>
        {
            Assert.True((double)c!["minutes"]! > 0);
            Assert.True((int)c["breakEven"]! >= 1);
        });
    }

    [Fact]
    public async Task What_only_shortens_a_wait_or_leaves_something_out_never_ends_later()
    {
        var id = (string)(await host.GetAsync("/api/sets")).AsArray().Single(s => (string)s!["name"]! == "Pan house")!["id"]!;
        var ways = (await host.PostAsync("/api/plan/what-ifs", new { setIds = new[] { id } }))["ways"]!.AsArray();
        var done = (string)ways[0]!["summary"]!["doneOn"]!;
        var eased = ways.Where(w => ((string)w!["name"]!).StartsWith("warm air on ", StringComparison.Ordinal) || ((string)w["name"]!).StartsWith("without ", StringComparison.Ordinal)).ToList();
        Assert.NotEmpty(eased);
        Assert.All(eased, w => Assert.True(string.CompareOrdinal((string)w!["summary"]!["doneOn"]!, done) <= 0, $"{w["name"]} ends {w["summary"]!["doneOn"]}, not {done}"));
    }
}
