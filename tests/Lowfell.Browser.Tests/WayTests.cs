using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>The way through: places, addresses, the search, what is kept of what was typed, the bin, versions.</summary>
public sealed class WayTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private string Title => (string)browser.Run("return document.title")!;

    private void Says(string css, string words) => browser.UntilTrue(() => browser.All(css).Any(e => e.Text.Contains(words, StringComparison.Ordinal)), $"'{words}' in {css}");

    private void Find(string words)
    {
        browser.PressWithCtrl("k");
        browser.Find("[role=dialog] input").SendKeys(words);
    }

    [Theory]
    [InlineData("/mixes", "/shelf/mixes")]
    [InlineData("/amounts", "/shelf/amounts")]
    [InlineData("/tiles", "/shelf/tiles")]
    [InlineData("/match", "/shelf/match")]
    [InlineData("/log", "/bench/log")]
    [InlineData("/schools", "/settings/schools")]
    public void An_old_address_leads_to_the_new(string old, string now)
    {
        browser.Open(old);
        browser.UntilTrue(() => browser.Path == now, now);
    }

    [Fact]
    public async Task An_old_stack_opens_on_its_piece_and_back_goes_where_one_was()
    {
        var zone = await session.App.ZoneIdAsync("Walkway");
        browser.Open("/shelf");
        browser.Find("h1");
        browser.Run("location.href = arguments[0]", $"/stack/{zone}");
        browser.UntilTrue(() => browser.Path.EndsWith($"/coats/{zone}", StringComparison.Ordinal), "the coats of the zone");
        browser.UntilTrue(() => Title == "Straight, Walkway - Lowfell", "its title");
        browser.Click("History");
        browser.UntilTrue(() => browser.Path.EndsWith("/history", StringComparison.Ordinal), "the history");
        browser.Run("history.back()");
        browser.UntilTrue(() => browser.Path.EndsWith($"/coats/{zone}", StringComparison.Ordinal), "the coats again");

        // The piece stays at hand.
        browser.Open("/bench");
        browser.Find("[data-testid=bench]");
        browser.Press("g");
        browser.Press("p");
        browser.UntilTrue(() => browser.Path.EndsWith($"/coats/{zone}", StringComparison.Ordinal), "the piece that was open last");
    }

    [Fact]
    public void The_search_finds_by_name_by_slip_and_by_log_and_leads_there()
    {
        browser.Open("/sets");
        browser.Find("h1");
        Find("walkway");
        browser.UntilTrue(() => browser.All("[cmdk-item]").Any(i => i.Text.Contains("Sea wall, Straight", StringComparison.Ordinal)), "the walkway");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => Title.Contains("Walkway", StringComparison.Ordinal), "its coats");

        browser.Press("/");
        browser.Find("[role=dialog] input").SendKeys("klep wash");
        Says("[data-testid=found]", "Kelp Wash");
        browser.Press(Keys.Escape);
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "no search");

        Find("rope tan");
        Says("[data-testid=found]", "In the log");
        browser.All("[cmdk-item]")[^1].Click();
        browser.UntilTrue(() => browser.Path == "/bench/log" && browser.All("[data-testid=copies-of-line]").Count == 1, "the entry, opened to its copies");

        Find("lamp light");
        Says("[data-testid=found]", "Day or lamp light");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => (string)browser.Run("return document.documentElement.dataset.theme ?? ''")! == "lamp", "lamp light");
        browser.Run("document.documentElement.dataset.theme = 'day'; localStorage.removeItem('lowfell.theme')");

        Find("zzzzqqq");
        Says("[data-testid=found]", "Nothing here is called");
        browser.Press(Keys.Escape);
    }

    [Fact]
    public async Task What_a_finish_leaves_out_is_shown_taken_and_put_back()
    {
        browser.Open("/sets");
        browser.Click("Marsh crawler");
        browser.Click("Hull");
        browser.Click("From the table");
        browser.Find("[aria-label='How far it is taken'] button").Click();
        var shown = browser.Find("[data-testid=cut]").Text;
        Assert.Contains("minutes a copy now", shown, StringComparison.Ordinal);
        var piece = new Uri((string)browser.Run("return location.href")!).AbsolutePath.Split('/')[2];
        async Task<double> MinutesAsync() => (double)(await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/pieces/{piece}/sight/stairs"))!["minutes"]!;
        var before = await MinutesAsync();
        browser.Run("[...document.querySelectorAll('[data-testid=cut] button')].at(-1).click()");
        browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.Contains("left out", StringComparison.Ordinal)), "that they are left out");
        Assert.True(await MinutesAsync() < before);
        browser.Click("Undo");
        browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.Contains("in again", StringComparison.Ordinal)), "that they are in again");
        Assert.Equal(before, await MinutesAsync(), 0.01);
    }

    [Fact]
    public void Pieces_are_pasted_looked_at_and_taken_and_a_wrong_line_is_named()
    {
        browser.Open("/sets");
        browser.Click("Brine pans");
        browser.Click("Paste pieces");
        var field = browser.Find("[role=dialog] textarea");
        field.SendKeys("Drain, 2, 30 x 20 x 10, Lip + Bowl\nLadle, many");
        Says("[data-testid=pasted]", "'many' is not 1 to 1000");
        browser.UntilTrue(() => browser.All("[role=dialog] button").Any(b => b.Text == "Take them" && !b.Enabled), "nothing to take yet");

        // Closed by a slip: what was typed is still there.
        browser.Press(Keys.Escape);
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "no dialog");
        browser.Click("Paste pieces");
        field = browser.Find("[role=dialog] textarea");
        Assert.Contains("Ladle, many", field.GetDomProperty("value"), StringComparison.Ordinal);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys("Drain, 2, 30 x 20 x 10, Lip + Bowl\nLadle");
        browser.Click("Take 2");
        Says("h2", "Drain");
        Says("main", "Lip");
        browser.Click("Paste pieces");
        Assert.Equal("", browser.Find("[role=dialog] textarea").GetDomProperty("value"));
        browser.Press(Keys.Escape);
    }

    [Fact]
    public async Task Figures_are_changed_in_a_table_and_chosen_zones_all_at_once()
    {
        browser.Open("/sets");
        browser.Click("Sea wall");
        browser.Click("Table");
        browser.UntilTrue(() => browser.All("[data-testid=piece-table] tbody").Count > 2, "the table");
        var copies = browser.Find("input[aria-label='Copies of Corner']");
        var before = int.Parse(copies.GetDomProperty("value")!, System.Globalization.CultureInfo.InvariantCulture);
        copies.SendKeys(Keys.Control + "a");
        copies.SendKeys($"{before + 2}");
        browser.Find("h1").Click();
        Says("main", $"{18 + 2} pieces");
        Assert.Equal(before + 2, (int)(await SetAsync("Sea wall"))["pieces"]!.AsArray().First(p => (string)p!["piece"]!["name"]! == "Corner")!["piece"]!["copies"]!);

        browser.Find("input[aria-label='Every zone']").Click();
        browser.Choose("Finish of the chosen zones", "satin");
        browser.Click("Change them");
        browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.Contains("zones are changed", StringComparison.Ordinal)), "that they are changed");
        Assert.Equal(["satin"], await FinishesAsync());
        browser.Click("Undo");
        await UntilAsync(async () => !(await FinishesAsync()).SequenceEqual(["satin"]));
    }

    private async Task<System.Text.Json.Nodes.JsonNode> SetAsync(string name)
    {
        var all = (await System.Net.Http.Json.HttpClientJsonExtensions.GetFromJsonAsync<System.Text.Json.Nodes.JsonArray>(session.App.Http, "/api/sets"))!;
        return all.Single(s => (string)s!["name"]! == name)!;
    }

    private async Task<List<string>> FinishesAsync() =>
        [.. (await SetAsync("Sea wall"))["pieces"]!.AsArray().SelectMany(p => p!["zones"]!.AsArray()).Select(z => (string)z!["settings"]!["finish"]!).Distinct().Order(StringComparer.Ordinal)];

    private static async Task UntilAsync(Func<Task<bool>> look)
    {
        for (var i = 0; i < 100 && !await look(); i++)
        {
            await Task.Delay(100, TestContext.Current.CancellationToken);
        }

        Assert.True(await look());
    }

    [Fact]
    public void What_was_typed_into_a_form_outlives_its_dialog_and_the_page()
    {
        browser.Open("/sets?new=set");
        browser.Fill("Name", "Half a thought");
        Thread.Sleep(400);
        browser.Reload();
        browser.UntilTrue(() => browser.Field("Name").GetDomProperty("value") == "Half a thought", "what was typed");
        Says("[role=dialog]", "Taken up where you left it");
        browser.Click("Start again");
        browser.UntilTrue(() => browser.Field("Name").GetDomProperty("value") == "", "an empty form");
        browser.Click("Cancel");
        browser.UntilTrue(() => browser.Path == "/sets" && browser.All("[role=dialog]").Count == 0, "the sets");
    }

    [Fact]
    public void Focus_goes_back_to_what_opened_a_dialog()
    {
        browser.Open("/sets");
        browser.Find("section[aria-label='Sea wall']");
        foreach (var opener in new[] { "Set", "Keys", "Find a piece" })
        {
            var button = browser.Until(() => browser.All("button").FirstOrDefault(b => b.Text.StartsWith(opener, StringComparison.Ordinal) || b.GetDomAttribute("aria-label") == opener), opener);
            button.SendKeys(Keys.Enter);
            browser.Find("[role=dialog]");
            browser.Press(Keys.Escape);
            browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "no dialog");
            browser.UntilTrue(() => browser.Active.Equals(button), $"the focus on '{opener}'");
        }
    }

    [Fact]
    public void What_was_deleted_waits_in_the_bin()
    {
        browser.Open("/sets");
        browser.Click("More for Pan house");
        browser.Click("Delete");
        browser.UntilTrue(() => browser.All("section[aria-label='Pan house']").Count == 0, "no pan house");
        browser.Press("g");
        browser.Press(",");
        browser.Click("Bin");
        browser.Click("Put Pan house back");
        Says("main", "Nothing was deleted");
        browser.Open("/sets");
        browser.Find("section[aria-label='Pan house']");
    }

    [Fact]
    public async Task Undo_outlives_a_reload_and_what_a_stack_was_can_be_gone_back_to()
    {
        var zone = await session.App.ZoneIdAsync("Roof boards");
        var page = StackPage.Open(browser, zone);
        var coats = page.Coats;
        browser.Press(Keys.Delete);
        browser.UntilTrue(() => page.Count == coats.Count - 1, "a coat fewer");
        page.UntilKept();
        Thread.Sleep(500);
        browser.Reload();
        page.Ready();
        Assert.Equal(coats.Count - 1, page.Count);
        browser.PressWithCtrl("z");
        browser.UntilTrue(() => page.Coats.SequenceEqual(coats), "the coat again, after the reload");
        page.UntilKept();
        browser.PressWithCtrl("Z", shift: true);
        browser.UntilTrue(() => page.Count == coats.Count - 1, "gone again");
        page.UntilKept();

        browser.Click("History");
        Says("section[aria-label='Versions of the coats']", $"{coats.Count} coats, 1 unlike now");
        browser.UntilTrue(() => browser.All("[data-testid=compare] [data-hex]").Count == 6, "both looks");
        browser.Click("Go back to this");
        Says("section[aria-label='Versions of the coats']", "as now");
        browser.Click("Coats");
        browser.UntilTrue(() => page.Coats.SequenceEqual(coats), "the coats as they were");
    }

    [Fact]
    public async Task A_zone_that_is_added_from_its_piece_opens_there_and_a_slip_leads_back()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Planks"));
        browser.Find("nav[aria-label=Zones] a[href*='new=zone']").Click();
        browser.Find("[role=dialog]");
        browser.Press(Keys.Escape);
        browser.UntilTrue(() => browser.Path.StartsWith("/piece/", StringComparison.Ordinal), "the piece again");
        page.Ready();
        browser.Find("nav[aria-label=Zones] a[href*='new=zone']").Click();
        browser.Fill("Name", "Hinges");
        browser.Click("Keep");
        browser.UntilTrue(() => Title == "Sluice gate, Hinges - Lowfell", "the new zone");
        Says("[aria-label='Look']", "Bare so far");
    }

    [Fact]
    public async Task Another_stack_is_laid_beside_and_taken_with_one_undo()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Planks"));
        var coats = page.Coats;
        browser.Click("Beside…");
        browser.UntilTrue(() => browser.All("[data-testid=compare] [data-hex]").Count == 6, "both looks");
        Says("[data-testid=compare]", "At work");
        browser.Until(() => browser.All("[role=dialog] button").FirstOrDefault(b => b.Text.StartsWith("Take the coats of", StringComparison.Ordinal)), "the other").Click();
        browser.UntilTrue(() => !page.Coats.SequenceEqual(coats), "other coats");
        browser.Click("Undo");
        browser.UntilTrue(() => page.Coats.SequenceEqual(coats), "the coats as they were");
        page.UntilKept();
    }

    [Fact]
    public void Units_are_the_painter_s_own()
    {
        browser.Open("/settings/units");
        browser.Choose("Lengths and areas", "inches");
        browser.Choose("Volumes", "fluid ounces (US)");
        browser.Choose("Temperature", "°F");
        Says("[data-testid=units-sample]", "7.09 in");
        browser.Open("/evenings/calendar");
        Assert.Equal("62.6", browser.Field("Temperature").GetDomProperty("value"));
        browser.Open("/settings/units");
        browser.Run("localStorage.removeItem('lowfell.units')");
        browser.Reload();
        Says("[data-testid=units-sample]", "180 mm");
    }

    [Fact]
    public void Tonight_comes_first_with_what_to_get_ready_and_to_buy()
    {
        browser.Open("/evenings");
        browser.UntilTrue(() => browser.All("[data-testid=tonight] li").Count > 0, "the steps of the next evening");
        Says("[data-testid=to-buy]", "short");
        Says("section[aria-label='Get ready']", "Shake it well");
        browser.All("[data-testid=tonight] a")[^1].Click();
        browser.UntilTrue(() => browser.Path == "/evenings/plan" && browser.All("[data-testid=step]").Count == 1, "the step in the plan");
    }
}
