using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>One application and one browser for the tests of a class.</summary>
public sealed class DemoSession : IAsyncLifetime
{
    public LiveApp App { get; } = new();

    public Browser Browser { get; private set; } = null!;

    public ValueTask InitializeAsync()
    {
        Browser = new Browser(App.Address);
        return ValueTask.CompletedTask;
    }

    public async ValueTask DisposeAsync()
    {
        Browser.Dispose();
        await App.DisposeAsync();
    }
}

public sealed class StackTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    [Fact]
    public async Task Open_the_demo_add_a_coat_mend_undo_reload_and_find_it_kept()
    {
        browser.Open("/");
        browser.Click("Marsh crawler");
        browser.Click("Hull panels");
        var page = new StackPage(browser);
        page.Ready();
        Assert.Contains("soluble-marking", page.Rules);
        var (face, count) = (page.FinishedFace, page.Count);

        // A coat is added, and the colour changes.
        browser.Press("n");
        browser.UntilTrue(() => page.Count == count + 1, "one coat more");
        browser.UntilTrue(() => page.FinishedFace != face, "another colour of the face");
        page.UntilKept();
        browser.Press("z");
        browser.UntilTrue(() => page.Count == count && page.FinishedFace == face, "the stack as it was");

        // One key mends the worst: the marking is misted over.
        browser.Press("m");
        browser.UntilTrue(() => page.Count == count + 1 && !page.Rules.Contains("soluble-marking"), "a mist and no stop");
        Assert.Equal("Varnish, sprayed", page.Coats[page.Coats.ToList().IndexOf("Marking") + 1]);
        browser.Press("z");
        browser.UntilTrue(() => page.Rules.Contains("soluble-marking"), "the finding again");
        browser.Press("Z");
        browser.UntilTrue(() => page.Count == count + 1, "the mend redone");
        page.UntilKept();

        browser.Reload();
        page.Ready();
        Assert.Equal(count + 1, page.Count);
        browser.UntilTrue(() => !page.Rules.Contains("soluble-marking"), "the mend kept");
        Assert.Equal(count + 1, await KeptCoatsAsync("Hull panels"));
    }

    [Fact]
    public async Task A_finding_is_looked_into_rests_for_a_reason_and_speaks_again()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Crust"));
        page.UntilKept();
        browser.UntilTrue(() => page.Rules.Count > 0, "a finding");
        var rule = page.Rules[0];
        browser.Find($"[data-rule='{rule}'] button").Click();
        browser.Click("I know…");
        browser.Fill("Why it is meant so", "it stands behind glass");
        browser.Click("Set it aside");
        browser.UntilTrue(() => browser.All($"[data-rule='{rule}'][data-rests=true]").Count == 1, "a finding that rests");
        Assert.Contains("it stands behind glass", browser.Find($"[data-rule='{rule}']").Text, StringComparison.Ordinal);
        page.UntilKept();
        browser.Reload();
        page.Ready();
        browser.UntilTrue(() => browser.All($"[data-rule='{rule}'][data-rests=true]").Count == 1, "the finding at rest after a reload");
        browser.Find($"[data-rule='{rule}'] button").Click();
        browser.Click("Show it again");
        browser.UntilTrue(() => browser.All($"[data-rule='{rule}'][data-rests=false]").Count == 1, "a finding that speaks");
        page.UntilKept();
    }

    [Fact]
    public async Task A_stop_is_mended_with_all_else_at_once_and_undone_at_once()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Cargo bed"));
        var coats = page.Coats;

        // The chipping fluid right on the can of varnish below it.
        page.Select(3);
        browser.Fill("Own wait, minutes", "0");
        browser.UntilTrue(() => page.Rules.Contains("coat-too-soon"), "a coat too soon");
        page.UntilKept();
        browser.Click("Mend all");
        browser.Click("Take it");
        browser.UntilTrue(() => browser.Find("[data-testid=verdict]").Text == "It will hold", "nothing found");
        page.UntilKept();
        browser.Press("z");
        browser.UntilTrue(() => page.Rules.Contains("coat-too-soon"), "all of it undone");
        browser.Press("z");
        browser.UntilTrue(() => page.Coats.SequenceEqual(coats) && !page.Rules.Contains("coat-too-soon"), "the stack as it was");
        page.UntilKept();
    }

    [Fact]
    public async Task The_stack_is_worked_by_keyboard_alone()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Cut edges"));
        var coats = page.Coats;
        browser.Press("j");
        browser.Press("j");
        browser.PressWithAlt(Keys.ArrowUp);
        browser.UntilTrue(() => page.Coats[2] == coats[1] && page.Coats[1] == coats[2], "two coats swapped");
        browser.Press("x");
        browser.UntilTrue(() => page.Stratum(2).GetDomAttribute("class")!.Contains("line-through", StringComparison.Ordinal), "a skipped coat");
        browser.Press("d");
        browser.UntilTrue(() => page.Count == coats.Count + 1, "a duplicate");
        browser.Press("b");
        browser.UntilTrue(() => page.Coats[4] == "Varnish", "a barrier above it");
        browser.Press(Keys.Delete);
        browser.UntilTrue(() => page.Count == coats.Count + 1, "the barrier removed");
        for (var i = 0; i < 4; i++)
        {
            browser.Press("z");
        }

        browser.Press("z");
        browser.UntilTrue(() => page.Coats.SequenceEqual(coats), "everything undone");
        page.UntilKept();
    }

    [Fact]
    public async Task A_coat_is_dragged_to_another_place()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Planks"));
        var coats = page.Coats;
        var band = page.Stratum(1).FindElement(By.XPath("preceding-sibling::div[1]"));
        browser.Drag(band, -40);
        browser.UntilTrue(() => page.Coats[2] == coats[1], "the coat one up");
        page.UntilKept();
    }

    [Fact]
    public async Task A_coat_is_edited_and_every_edit_previews()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Timber frame"));
        page.Select(1);
        var face = page.FinishedFace;
        browser.Field("Material or mix").Click();
        browser.Field("Find a material or mix").SendKeys("salt white");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => page.FinishedFace != face, "a lighter face");
        Assert.Contains("Salt White", page.Stratum(1).Text, StringComparison.Ordinal);

        browser.Choose("Said as", "% of the whole");
        browser.Fill("Thinner in the whole", "40");
        browser.UntilTrue(() => browser.Find("[data-testid=mix]").Text.Contains("3 : 2 paint to water", StringComparison.Ordinal), "the dilution in parts");
        Assert.Contains("66.7 % added", browser.Find("[data-testid=mix]").Text, StringComparison.Ordinal);

        browser.Choose("Technique", "Dry brush");
        browser.UntilTrue(() => page.Coats[1] == "Dry brush", "another technique");
        browser.Fill("Passes", "3");
        browser.UntilTrue(() => page.Stratum(1).Text.Contains("× 3", StringComparison.Ordinal), "three passes");
        page.UntilKept();
    }

    [Fact]
    public async Task Colour_help_names_the_base_and_the_nearest_on_the_shelf()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Skim walls"));
        page.Select(3);
        browser.Click("Colour help");
        var help = browser.Find("[data-testid=colour-help]");
        Assert.Contains("Passes to cover here", help.Text, StringComparison.Ordinal);
        Assert.Equal(3, help.FindElements(By.CssSelector("li")).Count);
        browser.Click("Mix to it");
        browser.UntilTrue(() => page.Stratum(3).Text.Contains("mixed to #", StringComparison.Ordinal), "the base mixed to the target");
        browser.UntilTrue(() => !page.Rules.Contains("colour-drift"), "no drift");
        browser.Press("z");
        page.UntilKept();
    }

    [Fact]
    public async Task Two_windows_on_one_stack_get_a_choice()
    {
        var zone = await session.App.ZoneIdAsync("Furnace mouth");
        using var other = new Browser(session.App.Address);
        var (mine, theirs) = (StackPage.Open(browser, zone), StackPage.Open(other, zone));
        var count = mine.Count;
        other.Press("n");
        other.UntilTrue(() => theirs.Count == count + 1, "their coat");
        theirs.UntilKept();
        browser.Press("b");
        browser.Click("Keep mine");
        mine.UntilKept();
        Assert.Equal("Varnish", mine.Coats[^1]);
        other.Press("x");
        other.Named("Take theirs").Click();
        other.UntilTrue(() => theirs.Coats[^1] == "Varnish", "the other window's stack");
        theirs.UntilKept();
        other.Press("z");
        other.UntilTrue(() => theirs.Coats[^1] != "Varnish", "one's own stack, one undo away");
    }

    [Fact]
    public async Task While_nothing_answers_the_edit_stays_and_is_sent_when_it_can_be()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Rim"));
        var count = page.Count;
        browser.Offline(true);
        try
        {
            browser.Press("b");
            browser.UntilTrue(() => page.Saved == "waiting", "a stack that waits");
            Assert.Equal(count + 1, page.Count);
            Assert.Contains("You are offline", browser.Find("[role=alert]").Text, StringComparison.Ordinal);
            Assert.NotEqual(count + 1, await KeptCoatsAsync("Rim"));
        }
        finally
        {
            browser.Offline(false);
        }

        page.UntilKept();
        Assert.Equal(count + 1, await KeptCoatsAsync("Rim"));
        browser.UntilTrue(() => browser.All("[role=alert]").Count == 0, "no alert");
    }

    [Fact]
    public async Task What_was_left_unsent_when_the_page_closed_is_not_lost_to_another_window()
    {
        var zone = await session.App.ZoneIdAsync("Tracks and wheels");
        var page = StackPage.Open(browser, zone);
        var count = page.Count;
        browser.Offline(true);
        browser.Press("b");
        try
        {
            browser.UntilTrue(() => page.Saved == "waiting", "a stack that waits");
            browser.Leave();
        }
        finally
        {
            browser.Offline(false);
        }

        using (var other = new Browser(session.App.Address))
        {
            var theirs = StackPage.Open(other, zone);
            other.Press("n");
            other.UntilTrue(() => theirs.Count == count + 1, "their coat");
            theirs.UntilKept();
        }

        page = StackPage.Open(browser, zone);
        browser.Click("Keep mine");
        page.UntilKept();
        Assert.Equal("Varnish", page.Coats[^1]);
        browser.Press("z");
        browser.UntilTrue(() => page.Coats[^1] != "Varnish", "their stack, one undo away");
        browser.Press("y");
        page.UntilKept();
    }

    [Fact]
    public async Task The_zone_is_changed_from_the_rail_and_the_scheme_says_what_it_touches()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Walkway"));
        browser.Find("main button[class*='hover:bg-tint'] strong").Click();
        Assert.Contains("Sea wall, Corner: Walkway", browser.Find("[role=dialog]").Text, StringComparison.Ordinal);
        browser.Press(Keys.Escape);
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "no dialog");
        var before = browser.Path;
        browser.Find("nav[aria-label=Zones] a[href$='" + await session.App.ZoneIdAsync("Weed line") + "']").Click();
        browser.UntilTrue(() => browser.Path != before, "another zone");
        page.Ready();
    }

    private async Task<int> KeptCoatsAsync(string zone)
    {
        var page = await System.Net.Http.Json.HttpClientJsonExtensions.GetFromJsonAsync<System.Text.Json.Nodes.JsonNode>(session.App.Http, $"/api/zones/{await session.App.ZoneIdAsync(zone)}");
        return page!["scheme"]!["coats"]!.AsArray().Count;
    }
}
