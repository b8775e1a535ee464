using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>The card beside the rinse water, with and without a network.</summary>
public sealed class BenchTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private async Task<int> DoneAsync() => (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/log/log.json"))!.Count(e => (string)e!["kind"]! == "done");

    private int CopiesShown() => browser.All("[data-testid=copies] button").Count;

    private string Step() => browser.Find("section[aria-label=Now] h1").Text + browser.Find("section[aria-label=Now] p").Text;

    [Fact]
    public async Task A_copy_is_done_with_one_touch_and_what_is_done_without_a_network_is_written_once_when_it_returns()
    {
        var before = await DoneAsync();
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        var (step, copies) = (Step(), CopiesShown());
        browser.Click("Start");
        browser.Find("[data-testid=copies] button").Click();
        browser.UntilTrue(() => CopiesShown() == copies - 1 || Step() != step, "one copy less");
        await UntilAsync(async () => await DoneAsync() == before + 1);

        browser.Offline(true);
        try
        {
            (step, copies) = (Step(), CopiesShown());
            browser.Find("[data-testid=copies] button").Click();
            browser.UntilTrue(() => browser.Find("[role=status]").Text.Contains("1 action waits", StringComparison.Ordinal), "the action that waits");
            browser.UntilTrue(() => Step() != step || CopiesShown() < copies, "the next copy, network or not");
            browser.Run("[...document.querySelectorAll('section[aria-label=Now] button')].find(b => b.innerText.startsWith('Done')).click()");
            browser.UntilTrue(() => browser.Find("[role=status]").Text.Contains("2 actions wait", StringComparison.Ordinal), "both actions");
            Assert.Equal(before + 1, await DoneAsync());
        }
        finally
        {
            browser.Offline(false);
        }

        browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
        var after = await DoneAsync();
        Assert.True(after >= before + 3, $"{after - before} entries");
        browser.Reload();
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        Assert.Equal(after, await DoneAsync());
        Assert.Contains("Drying", browser.Find("[data-testid=timers]").Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_wait_is_counted_down_and_hurried_only_after_a_warning()
    {
        var before = await DoneAsync();
        var sets = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!;
        var id = (string)sets.Single(s => (string)s!["name"]! == "Marsh crawler")!["id"]!;
        browser.Open("/sets");
        browser.Run("localStorage.setItem('lowfell.plannedSets', JSON.stringify([arguments[0]]))", id);
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        var zone = browser.Find("section[aria-label=Now] p").Text.Split('\n')[0].Split(", pass")[0];
        Assert.Matches("Hull|Running gear", zone);
        AllDone();
        await UntilAsync(async () => await DoneAsync() > before);

        // All else is put off, so that the coat on wet paint is what is left.
        browser.UntilTrue(() => Step().Contains(zone, StringComparison.Ordinal) || PutOff(), "the next coat of the zone");
        Assert.Matches("ready in [0-9]+", browser.Find("[data-testid=wait]").Text);
        before = await DoneAsync();
        AllDone();
        Assert.Contains("early: lay it all the same?", browser.Find("[role=dialog]").Text, StringComparison.Ordinal);
        browser.Click("Wait", "[role=dialog]");
        Assert.Equal(before, await DoneAsync());
        AllDone();
        browser.Click("Lay it all the same");
        await UntilAsync(async () => await DoneAsync() > before);
        var log = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/log/log.json"))!;
        Assert.Contains(log, e => ((string?)e!["notice"] ?? "").Length > 0);
        browser.Run("localStorage.removeItem('lowfell.plannedSets')");
    }

    private void AllDone() => browser.Run("[...document.querySelectorAll('section[aria-label=Now] button')].find(b => b.innerText.startsWith('Done')).click()");

    private bool PutOff()
    {
        browser.Click("Not now");
        return false;
    }

    [Fact]
    public void A_problem_is_written_down_and_a_step_put_off()
    {
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        browser.Click("Problem");
        browser.Fill("What went wrong?", "Puddle under the coping; dabbed it off.");
        browser.Click("Write it down");
        var step = Step();
        browser.Click("Not now");
        browser.UntilTrue(() => Step() != step, "another step");
        browser.Open("/log");
        browser.Fill("Find in the log", "puddle coping");
        browser.UntilTrue(() => browser.All("[data-testid=log] li").Count > 0, "the problem");
    }

    [Fact]
    public async Task From_a_problem_on_the_card_to_the_changed_plan_and_back()
    {
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 1, "a step in hand on some copies");
        browser.Click("Problem");
        browser.Choose("What do you see?", "Dirty colours: colours dirty, pale ones grey");

        // One copy alone shows it; the others come after.
        browser.UntilTrue(
            () => (bool)browser.Run("const on = [...document.querySelectorAll('[role=dialog] fieldset button[aria-pressed=true]')].filter(b => /^[0-9]+$/.test(b.innerText)); if (on.length > 1) on.at(-1).click(); return on.length === 1")!,
            "one copy");
        Assert.Contains("pale ones grey", browser.Field("What went wrong?").GetDomProperty("value"), StringComparison.Ordinal);
        browser.Click("What it comes from, and what to do");
        browser.UntilTrue(() => browser.Find("[data-testid=said]").Text.Length > 0, "what it comes from");
        var address = new Uri((string)browser.Run("return location.href")!);
        var zone = address.Query.TrimStart('?').Split('&').Single(p => p.StartsWith("zone=", StringComparison.Ordinal))[5..];
        browser.Run("[...document.querySelectorAll('fieldset')].find(f => f.innerText.includes('rinse water')).querySelector('button').click()");
        browser.UntilTrue(() => browser.Find("[data-testid=said]").Text.StartsWith("Most likely rinse water", StringComparison.Ordinal), "the cause");
        browser.UntilTrue(() => browser.Find("section[aria-label='For the copies that come after'] input").Selected, "the change of the plan");
        browser.Click("Do this");
        browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.Contains("in the log", StringComparison.Ordinal)), "that it is in the plan");
        async Task<string> PlanAsync() => (await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/zones/{zone}"))!["scheme"]!["coats"]!.ToJsonString();
        Assert.Contains("Fresh water at each colour", await PlanAsync(), StringComparison.Ordinal);
        Assert.Contains("Mend", (await session.App.Http.GetFromJsonAsync<JsonArray>($"/api/log/progress?zoneId={zone}"))!.ToJsonString(), StringComparison.Ordinal);
        browser.Click("Undo");
        await UntilAsync(async () => !(await PlanAsync()).Contains("Fresh water", StringComparison.Ordinal));
        Assert.DoesNotContain("Mend", (await session.App.Http.GetFromJsonAsync<JsonArray>($"/api/log/progress?zoneId={zone}"))!.ToJsonString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(820, 1180)]
    [InlineData(1280, 800)]
    public void Nothing_moves_under_the_finger_when_a_message_comes(int width, int height)
    {
        browser.Resize(width, height);
        try
        {
            browser.Open("/bench");
            browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
            var before = (double)Convert.ToDouble(browser.Run("return document.querySelector('section[aria-label=Now]').getBoundingClientRect().top"), System.Globalization.CultureInfo.InvariantCulture);
            browser.Click("Leave it out");
            browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.Contains("left out", StringComparison.Ordinal)), "the message");
            Assert.Equal(before, Convert.ToDouble(browser.Run("return document.querySelector('section[aria-label=Now]').getBoundingClientRect().top"), System.Globalization.CultureInfo.InvariantCulture));
            browser.Click("Undo");
            browser.UntilTrue(() => browser.All(".toast").Count == 0, "the message gone");
        }
        finally
        {
            browser.Resize(1280, 800);
        }
    }

    [Fact]
    public void Everything_on_the_card_is_large_enough_for_a_wet_finger_on_a_tablet()
    {
        browser.Resize(820, 1180);
        try
        {
            browser.Open("/bench");
            browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
            Assert.Empty(TooSmall("[data-testid=bench]"));
            browser.Click("Problem");
            browser.Find("[role=dialog]");
            Assert.Empty(TooSmall("[role=dialog]"));
            browser.Click("Back");
            browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the card again");
            browser.Click("Differently");
            browser.Find("[role=dialog]");
            Assert.Empty(TooSmall("[role=dialog]"));
            browser.Click("Back");
            Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!);
        }
        finally
        {
            browser.Resize(1280, 800);
        }
    }

    private IEnumerable<object> TooSmall(string within) => (IEnumerable<object>)browser.Run(
        "return [...document.querySelectorAll(arguments[0] + ' *')].filter(b => b.checkVisibility() && ((b.tagName === 'BUTTON' && b.getBoundingClientRect().height < 56) || (b.childNodes.length > 0 && [...b.childNodes].some(n => n.nodeType === 3 && n.data.trim()) && parseFloat(getComputedStyle(b).fontSize) < 20))).map(b => b.outerHTML.slice(0, 120))",
        within)!;

    private static async Task UntilAsync(Func<Task<bool>> look)
    {
        for (var i = 0; i < 100; i++)
        {
            if (await look())
            {
                return;
            }

            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException("It was never written.");
    }
}
