using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>What a screen reader is told, from Chromium's accessibility tree; and each place by keyboard alone.</summary>
public sealed class ReaderTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    [Fact]
    public async Task The_stack_is_told_from_the_last_coat_down_with_the_selected_one_its_waits_and_what_is_found()
    {
        var page = StackPage.Open(browser, await session.App.ZoneIdAsync("Hull panels"));
        browser.UntilTrue(() => page.Rules.Count > 0, "the findings");
        page.Select(2);
        Assert.Equal("true", page.Stratum(2).GetDomAttribute("aria-current"));
        var told = browser.Told();
        Assert.Contains(told, n => n is { Role: "heading", Name: "Hull: Hull panels" });
        Assert.Contains(told, n => n is { Role: "list", Name: "Coats, the last one first" });
        foreach (var coat in browser.All("[data-coat]").Select(c => c.Text.Split('\n')))
        {
            // Technique, then paint, each coat a button of its own.
            Assert.Contains(told, n => n.Role == "button" && n.Name.StartsWith(coat[0], StringComparison.Ordinal) && n.Name.Contains(coat[1], StringComparison.Ordinal));
        }

        Assert.Contains(told, n => n.Role == "button" && n.Name.StartsWith("Finding", StringComparison.Ordinal));
        Assert.Contains(told, n => n.Role == "status" && n.States.ContainsKey("live"));
        Assert.Contains(told, n => n.Role == "button" && System.Text.RegularExpressions.Regex.IsMatch(n.Name, @"\d+ (min|h)"));
        Assert.Contains(told, n => n is { Role: "region", Name: "Findings" });
        Assert.Contains(told, n => n is { Role: "navigation", Name: "Zones" });
    }

    [Fact]
    public async Task The_words_on_a_screen_are_explained_behind_a_key()
    {
        StackPage.Open(browser, await session.App.ZoneIdAsync("Hull panels"));
        browser.Find("[data-coat]");
        browser.Press("?");
        var words = browser.Find("[data-testid=words-here]").Text;
        Assert.All(new[] { "recess", "face", "film", "hand", "barrier" }, w => Assert.Contains(w, words, StringComparison.Ordinal));
        Assert.DoesNotContain("datum", words, StringComparison.Ordinal);
        browser.Find("[data-testid=words-here] input").Click();
        browser.UntilTrue(() => browser.Find("[data-testid=words-here]").Text.Contains("datum", StringComparison.Ordinal), "every word");
        browser.Press(OpenQA.Selenium.Keys.Escape);
    }

    [Fact]
    public void The_bars_of_the_plan_say_when_what_and_on_what()
    {
        browser.Open("/evenings/plan");
        browser.UntilTrue(() => browser.All("[data-testid=evenings] ol button").Count > 5, "the bars");
        var told = browser.Told();
        Assert.Contains(told, n => n.Role == "list" && n.Name.StartsWith("Steps of ", StringComparison.Ordinal));
        Assert.Contains(told, n => n.Role == "button" && System.Text.RegularExpressions.Regex.IsMatch(n.Name, @"^\d\d:\d\d( [AP]M)?, .+, .+ \d+.*: .+ on .+$"));
    }

    [Fact]
    public void The_card_says_what_now_and_what_each_copy_is()
    {
        browser.Open("/bench");
        browser.Find("[data-testid=copies]");
        var told = browser.Told();
        Assert.Contains(told, n => n is { Role: "region", Name: "Now" });
        Assert.Contains(told, n => n is { Role: "region", Name: "Then" });
        Assert.All(told.Where(n => n.Role == "button"), n => Assert.NotEqual("", n.Name));
    }

    [Fact]
    public void Cards_say_how_far_each_set_is()
    {
        browser.Open("/sets");
        browser.UntilTrue(() => browser.All("[role=progressbar]").Count == 5, "the cards");
        var told = browser.Told();
        Assert.Contains(told, n => n.Role == "progressbar" && System.Text.RegularExpressions.Regex.IsMatch(n.Name, @"^Sea wall: \d+ of \d+ steps done$"));
        Assert.Contains(told, n => n is { Role: "link", Name: "Sets" } && n.States.ContainsKey("focusable"));
        Assert.All(told.Where(n => n.Role is "button" or "link"), n => Assert.NotEqual("", n.Name));
    }

    [Fact]
    public void A_message_is_told_as_it_comes()
    {
        browser.Open("/sets");
        browser.Click("More for Brine pans");
        browser.Click("Delete");
        browser.UntilTrue(() => browser.All("[role=status]").Any(e => ((string)browser.Run("return arguments[0].textContent", e)!).Contains("Deleted Brine pans", StringComparison.Ordinal)), "the message among what is told at once");
        browser.Click("Undo");
        browser.Find("section[aria-label='Brine pans']");
    }

    // From the top of the page, with the Tab key alone: skip to the work, every place, and into the work.
    [Theory]
    [InlineData("/sets", 1280)]
    [InlineData("/sets", 390)]
    [InlineData("/shelf", 820)]
    [InlineData("/evenings", 1280)]
    [InlineData("/bench", 820)]
    [InlineData("/piece", 640)]
    public void A_place_is_walked_by_keyboard_alone_and_the_focus_is_always_seen(string path, int width)
    {
        try
        {
            browser.Resize(width, 800);
            browser.Open(path);
            browser.Find("main h1, main [data-testid=bench]");
            browser.Run("document.activeElement.blur()");
            var seen = new List<string>();
            for (var i = 0; i < 24; i++)
            {
                browser.Press(Keys.Tab);
                var at = (IReadOnlyDictionary<string, object>)browser.Run(
                    """
                    const e = document.activeElement, r = e.getBoundingClientRect(), s = getComputedStyle(e);
                    return { name: (e.getAttribute('aria-label') || e.innerText || e.id || '').trim(), inside: r.right > 0 && r.left < innerWidth && r.bottom > 0 && r.top < innerHeight, ring: s.outlineStyle !== 'none' || e.tagName === 'BODY', main: !!e.closest('main') };
                    """)!;
                Assert.True((bool)at["inside"] || at["name"] is "", $"{at["name"]} is out of sight");
                Assert.True((bool)at["ring"], $"the focus on {at["name"]} is not seen");
                seen.Add($"{at["name"]}{((bool)at["main"] ? " (work)" : "")}");
            }

            Assert.Equal("Skip to the work", seen[0]);
            Assert.All(new[] { "Sets", "Piece", "Shelf", "Evenings", "Bench" }, place => Assert.Contains(place, seen));
            Assert.Contains(seen, s => s.EndsWith("(work)", StringComparison.Ordinal));
        }
        finally
        {
            browser.Resize(1280, 800);
        }
    }
}
