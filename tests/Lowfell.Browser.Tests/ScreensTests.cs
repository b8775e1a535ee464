using Xunit;

namespace Lowfell.Browser.Tests;

public sealed class ScreensTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    [Fact]
    public void It_says_its_version_and_what_it_is_made_with()
    {
        browser.Open("/sets");
        browser.Click("Lowfell");
        browser.UntilTrue(() => browser.Find("[role=dialog]").Text is var said && said.StartsWith("Lowfell 0.", StringComparison.Ordinal) && said.Contains("OFL-1.1", StringComparison.Ordinal) && said.Contains("NodaTime", StringComparison.Ordinal), "the version, the font and a package");
        browser.Press(OpenQA.Selenium.Keys.Escape);
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the end of it");
    }

    [Fact]
    public void A_set_a_piece_and_a_zone_are_made_and_deleted_with_a_way_back()
    {
        browser.Open("/sets");
        browser.Click("Set");
        browser.Click("Keep");
        Assert.Equal("Give it a name.", browser.Find("[role=dialog] [role=alert]").Text);
        browser.Fill("Name", "Lime kilns");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.Find("h1").Text == "Lime kilns", "the new set open");
        browser.Run("[...document.querySelectorAll('main button')].find(b => b.innerText.trim() === 'Piece').click()");
        browser.Fill("Name", "Kiln");
        browser.Fill("Copies", "0");
        browser.Click("Keep");
        Assert.Contains("1 to 1000", browser.Find("[role=dialog]").Text, StringComparison.Ordinal);
        browser.Fill("Copies", "2");
        browser.Click("Keep");
        browser.Click("First zone");
        browser.Fill("Name", "Brick");
        browser.Find("[role=dialog] summary").Click();
        browser.Fill("Target colour of the face", "#8c4a35");
        browser.Click("Keep");
        browser.Click("More for Lime kilns");
        browser.Click("Delete");
        browser.UntilTrue(() => browser.Path == "/sets" && browser.All("section[aria-label='Lime kilns']").Count == 0, "no kilns");
        browser.Click("Undo");
        browser.UntilTrue(() => browser.All("section[aria-label='Lime kilns']").Count == 1, "the kilns again");
        browser.Click("Lime kilns");
        browser.Click("Brick");
        browser.UntilTrue(() => browser.Find("[aria-label='Look']").Text.Contains("Bare so far", StringComparison.Ordinal), "a bare zone");
        browser.Press("n");
        browser.UntilTrue(() => new StackPage(browser).Count == 1, "the first coat");
        new StackPage(browser).UntilKept();
    }

    [Fact]
    public void A_part_is_fitted_on_its_piece_and_a_zone_runs_over_the_join()
    {
        browser.Open("/sets");
        browser.Click("Marsh crawler");
        browser.Click("More for Running gear");
        browser.Click("Edit");
        Assert.Contains("Hull", browser.Field("Painted apart, then fitted on").Text, StringComparison.Ordinal);
        browser.Fill("Glue holds after, min", "5000");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.Find("[role=dialog]").Text.Contains("0 to 2880 min", StringComparison.Ordinal), "what is allowed");
        browser.Fill("Glue holds after, min", "120");
        browser.Fill("Copies", "3");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.Find("[role=dialog]").Text.Contains("a part has one copy for each", StringComparison.Ordinal), "why not");
        browser.Fill("Copies", "2");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the sets");
        browser.Click("More for Cargo bed");
        browser.Click("Edit");
        browser.Choose("Painted", "after it is fitted: it runs over the join");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the sets again");

        // The plan has the fitting, and the bed after it.
        browser.Open("/evenings/plan");
        browser.UntilTrue(() => (bool)browser.Run("const l = [...document.querySelectorAll('label')].find(l => l.innerText === 'Marsh crawler'); l?.click(); return l !== undefined")!, "the set to plan");
        browser.UntilTrue(() => Titles().Exists(t => t.Contains("Fit Running gear", StringComparison.Ordinal)), "the fitting");
        var titles = Titles();
        Assert.All(titles.Index().Where(t => t.Item.EndsWith("Cargo bed", StringComparison.Ordinal)), t => Assert.True(t.Index > titles.FindIndex(f => f.Contains("Fit Running gear", StringComparison.Ordinal))));
        browser.Run("localStorage.removeItem('lowfell.plannedSets')");
    }

    private List<string> Titles() => [.. ((IEnumerable<object>)browser.Run("return [...document.querySelectorAll('[data-testid=evenings] [title]')].map(e => e.title).filter(t => /^\\d\\d:\\d\\d /.test(t))")!).Cast<string>()];

    [Fact]
    public void A_material_is_put_on_the_shelf_with_a_live_swatch()
    {
        browser.Open("/shelf");
        browser.Fill("Find on the shelf", "tan");
        browser.UntilTrue(() => browser.All("section[aria-label=Shelf] li").Count == 1, "one material");
        browser.Click("Material");
        browser.Fill("Name", "Lugworm Brown");
        var before = browser.Find("[data-testid='Over black'] span").GetDomAttribute("style");
        browser.Fill("Colour, dry and hiding", "#6b4a3a");
        browser.UntilTrue(() => browser.Find("[data-testid='Over black'] span").GetDomAttribute("style") != before, "another swatch");
        browser.Click("Keep");
        browser.Fill("Find on the shelf", "lugworm");
        browser.UntilTrue(() => browser.All("section[aria-label=Shelf] li").Count == 1, "the new material");
    }

    [Fact]
    public void A_mix_tells_its_true_shares()
    {
        browser.Open("/mixes");
        browser.UntilTrue(() => browser.Find("[data-testid=mix-preview]").Text.Contains("33.3 %", StringComparison.Ordinal), "the shares of the first mix");
        browser.Click("Mix");
        browser.Fill("Name", "Grey lime");
        browser.Click("Component");
        browser.Choose("Component 1", "Salt White");
        browser.Click("Component");
        browser.Choose("Component 2", "Pier Grey");
        browser.Fill("Amount of component 2", "3");
        browser.UntilTrue(() => browser.Find("[data-testid=mix-preview]").Text.Contains("75 %", StringComparison.Ordinal), "the true shares");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.Find("section[aria-label=Mixes]").Text.Contains("Grey lime", StringComparison.Ordinal), "the mix in the list");
    }

    [Fact]
    public void A_school_is_chosen_and_kept()
    {
        browser.Open("/schools");
        browser.Until(() => browser.All("[role=radio]").FirstOrDefault(r => r.Text.StartsWith("One generous", StringComparison.Ordinal)), "the other school").Click();
        browser.UntilTrue(() => browser.All("[role=radio][data-state=checked]").Any(r => r.Text.StartsWith("One generous", StringComparison.Ordinal)), "the school chosen");
        browser.Reload();
        browser.UntilTrue(() => browser.All("[role=radio][data-state=checked]").Any(r => r.Text.StartsWith("One generous", StringComparison.Ordinal)), "the school kept");
    }

    [Fact]
    public void Keys_lead_to_every_place_and_are_shown()
    {
        browser.Open("/sets");
        browser.Named("Keys");
        foreach (var (key, path) in new[] { ("h", "/shelf"), ("e", "/evenings"), ("b", "/bench"), (",", "/settings"), ("s", "/sets"), ("p", "/piece/") })
        {
            browser.Press("g");
            browser.Press(key);
            browser.UntilTrue(() => browser.Path.StartsWith(path, StringComparison.Ordinal), $"the screen {path}");
        }

        browser.Press("?");
        Assert.Contains("Mend the finding", browser.Find("[role=dialog]").Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/nowhere", "There is nothing here")]
    [InlineData("/stack/00000000-0000-4000-8000-000000000000", "This zone is gone")]
    [InlineData("/zone/00000000-0000-4000-8000-000000000000", "This zone is gone")]
    [InlineData("/piece/00000000-0000-4000-8000-000000000000", "This piece is gone")]
    [InlineData("/piece/00000000-0000-4000-8000-000000000000/history", "This piece is gone")]
    [InlineData("/sets/00000000-0000-4000-8000-000000000000", "This set is gone")]
    [InlineData("/sets/not-an-id", "The set can't be opened")]
    public void A_dead_end_says_the_next_move(string path, string words)
    {
        browser.Open(path);
        browser.UntilTrue(() => browser.Find("main").Text.Contains(words, StringComparison.Ordinal), words);
        Assert.Contains("Go to your sets", browser.Find("main").Text, StringComparison.Ordinal);
    }

    // The share of the view that moved while the page came in (Layout Instability API, web.dev: under 0.1 is good; here it must be nothing that is seen).
    [Theory]
    [InlineData("/sets", "section[aria-label='Sea wall']")]
    [InlineData("/stack", "[data-testid=finished] [data-height=face]")]
    [InlineData("/shelf", "[data-testid='Over white']")]
    [InlineData("/mixes", "main h1")]
    [InlineData("/amounts", "[data-testid=missing]")]
    [InlineData("/match", "[data-testid=match]")]
    [InlineData("/schools", "[role=radio]")]
    public void Nothing_jumps_while_a_screen_comes_in(string path, string ready)
    {
        browser.Open(path);
        browser.Find(ready);
        Thread.Sleep(400);
        var moved = browser.Run("""
            const seen = new PerformanceObserver(() => {});
            seen.observe({ type: "layout-shift", buffered: true });
            return seen.takeRecords().filter((e) => !e.hadRecentInput && e.value > 0.002)
              .map((e) => `${e.value.toFixed(4)} by ${e.sources.map((s) => s.node?.outerHTML?.slice(0, 120)).join(" and ")}`);
            """);
        Assert.Empty((IEnumerable<object>)moved!);
    }
}
