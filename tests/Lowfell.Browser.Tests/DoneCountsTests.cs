using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>What was done counts: in the amounts, on the bench card, for the copies that are to come.</summary>
public sealed class DoneCountsTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private string Takes()
    {
        browser.Open("/shelf/amounts");
        return browser.Find("[data-testid=takes] strong").Text + browser.Find("[data-testid=by-piece]").Text;
    }

    private async Task<JsonNode> PlanAsync() => (await (await session.App.Http.PostAsJsonAsync("/api/plan", new { })).Content.ReadFromJsonAsync<JsonNode>())!;

    [Fact]
    public async Task Half_a_set_that_is_logged_leaves_the_amounts_and_comes_back_when_it_is_taken_back()
    {
        var before = Takes();
        var step = (await PlanAsync())["calendar"]!.AsArray().SelectMany(e => e!["steps"]!.AsArray()).First(s => s!["mix"] is not null && s["copies"]!.AsArray().Count >= 4)!;
        var copies = step["copies"]!.AsArray().Select(c => (int)c!).ToList();
        var written = await session.App.Http.PostAsJsonAsync("/api/log", new
        {
            id = Guid.NewGuid(),
            kind = "done",
            zoneId = (string)step["zoneId"]!,
            coatId = (string)step["coatId"]!,
            pass = (int)step["pass"]!,
            copies = copies.Take(copies.Count / 2),
        });
        written.EnsureSuccessStatusCode();
        Assert.NotEqual(before, Takes());

        // The last line of the log is taken back for all its copies.
        browser.Open("/bench/log");
        browser.Find("[data-testid=log] button[aria-expanded]").Click();
        browser.Click($"Take back all {copies.Count / 2}");
        browser.UntilTrue(() => browser.All("[data-testid=log] li").Any(l => l.Text.Contains("taken back", StringComparison.Ordinal)), "the correction");
        Assert.Equal(before, Takes());
    }

    [Fact]
    public async Task Another_way_is_looked_at_before_it_is_taken()
    {
        browser.Open("/evenings/plan");
        var verdict = browser.Find("[data-testid=verdict]").Text;
        browser.Find("[data-testid=what-ifs] button").Click();
        browser.UntilTrue(() => browser.Find("[data-testid=looking]").Text.Contains("against the plan", StringComparison.Ordinal), "what it changes");
        browser.Click("Back to the plan");
        browser.UntilTrue(() => browser.Find("[data-testid=verdict]").Text == verdict, "the plan again");
        browser.Find("[data-testid=what-ifs] button").Click();
        browser.Click("Hold to it");
        Assert.Contains("You hold to the plan of", browser.Find("[data-testid=held]").Text, StringComparison.Ordinal);
        await session.App.HoldNoneAsync();
    }

    [Fact]
    public async Task The_card_names_its_evening_its_mix_and_its_faults_and_two_rows_never_read_the_same()
    {
        var plan = await PlanAsync();
        browser.Open("/evenings");
        var rows = browser.Find("[data-testid=tonight]").FindElements(OpenQA.Selenium.By.CssSelector("li a")).Select(r => string.Join(" ", r.Text.Split('\n').Skip(1))).ToList();
        Assert.True(rows.Count > 3);
        Assert.Equal(rows.Count, rows.Distinct().Count());
        browser.Open("/bench");
        Assert.Matches("^(Planned for|This evening)", browser.Find("[data-testid=evening]").Text);
        var named = plan["calendar"]![0]!["steps"]!.AsArray().Select(s => (string?)s!["paint"]).OfType<string>().Distinct().ToList();
        Assert.Contains(named, paint => browser.Find("[data-testid=mix]").Text.Contains(paint, StringComparison.Ordinal) || browser.Find("[data-testid=mix]").Text.Contains("as it comes", StringComparison.Ordinal));
        browser.Run("document.querySelector(\"[data-testid=copies]\").scrollIntoView({ block: \"start\" })");
        browser.Click("shaken");
        browser.Click("Problem");
        browser.Find("[role=dialog] fieldset button").Click();
        browser.Click("Write it down");
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the dialog to close");
        browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
        browser.Open("/bench/log");
        browser.UntilTrue(() => browser.All("[data-testid=log] li") is [var line, ..] && line.Text.Contains("shaken", StringComparison.Ordinal), "the problem, which was on its way as the card was left");
        browser.Find("[data-testid=log] button[aria-expanded]").Click();
        browser.Find("[data-testid=copies-of-line] button").Click();
        browser.UntilTrue(() => browser.All("[data-testid=log] li").Any(l => l.Text.Contains("taken back", StringComparison.Ordinal)), "the problem taken back");
    }

    [Fact]
    public async Task The_first_copy_is_laid_against_its_plan_and_offers_something_to_the_rest()
    {
        var sets = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!;
        var hull = sets.SelectMany(s => s!["pieces"]!.AsArray()).First(p => (string)p!["piece"]!["name"]! == "Hull")!;
        browser.Open($"/piece/{hull["id"]}/first");
        Assert.Contains("where", browser.Find("[data-testid=took]").Text, StringComparison.Ordinal);
        Assert.Equal(3, browser.Find("[data-testid=offers]").FindElements(OpenQA.Selenium.By.CssSelector("button")).Count);
        var wall = sets.SelectMany(s => s!["pieces"]!.AsArray()).First(p => (string)p!["piece"]!["name"]! == "Sluice")!;
        browser.Open($"/piece/{wall["id"]}/first");
        browser.UntilTrue(() => browser.All("main p").Any(p => p.Text.Contains("When the first copy of this piece is finished", StringComparison.Ordinal)), "that none is finished");
    }
}
