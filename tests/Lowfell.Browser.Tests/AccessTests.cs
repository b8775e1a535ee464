using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>No serious fault by axe-core (WCAG 2.2 AA) on any screen, in either light; nothing wider than the window.</summary>
public sealed class AccessTests(DemoSession session) : IClassFixture<DemoSession>
{
    private static readonly string Axe = File.ReadAllText(Environment.GetEnvironmentVariable("LOWFELL_AXE") ?? throw new InvalidOperationException("Run with ./lowfell test browser."));

    public static TheoryData<string, string, string> Screens => new()
    {
        { "/sets", "[data-testid], section[aria-label]", "day" },
        { "/sets", "[data-testid], section[aria-label]", "lamp" },
        { "stack", "[data-testid=coat-colours]", "day" },
        { "stack", "[data-testid=coat-colours]", "lamp" },
        { "/shelf", "[data-testid='Over white']", "day" },
        { "/shelf", "[data-testid='Over white']", "lamp" },
        { "/mixes", "[data-testid=mix-preview]", "day" },
        { "/mixes", "[data-testid=mix-preview]", "lamp" },
        { "/amounts", "[data-testid=missing]", "day" },
        { "/amounts", "[data-testid=missing]", "lamp" },
        { "/evenings", "[data-testid=what-ifs] strong", "day" },
        { "/evenings", "[data-testid=what-ifs] strong", "lamp" },
        { "/bench", "[data-testid=copies]", "day" },
        { "/bench", "[data-testid=copies]", "lamp" },
        { "/log", "[data-testid=log]", "day" },
        { "/log", "[data-testid=log]", "lamp" },
        { "/tiles", "[data-nearest]", "day" },
        { "/tiles", "[data-nearest]", "lamp" },
        { "/match", "[data-testid=match]", "day" },
        { "/match", "[data-testid=match]", "lamp" },
        { "/schools", "[role=radio]", "day" },
        { "/schools", "[role=radio]", "lamp" },
    };

    [Theory]
    [MemberData(nameof(Screens))]
    public async Task A_screen_has_no_serious_fault(string path, string ready, string theme)
    {
        var browser = session.Browser;
        browser.Open(path == "stack" ? $"/stack/{await session.App.ZoneIdAsync("Hull panels")}" : path);
        browser.Find(ready);
        Look(theme);
    }

    [Theory]
    [InlineData("day")]
    [InlineData("lamp")]
    public void What_opens_on_the_bench_the_log_and_the_evenings_has_none_either(string theme)
    {
        var browser = session.Browser;
        browser.Open("/log");
        browser.Named("How far it is").Click();
        browser.Find("[data-testid=progress] table");
        Look(theme);
        browser.Open("/bench");
        browser.Find("[data-testid=copies]");
        browser.Named("Otherwise").Click();
        browser.Find("[role=dialog]");
        Look(theme);
        browser.Open("/evenings");
        browser.Named("Hold to this plan").Click();
        browser.Find("[data-testid=held]");
        browser.Named("Plan again from now").Click();
        browser.UntilTrue(() => browser.Find("[data-testid=held]").Text.Contains("Against", StringComparison.Ordinal), "both plans");
        Look(theme);
        browser.Named("Let go").Click();
        browser.Named("Hold to this plan");
    }

    private void Look(string theme)
    {
        var browser = session.Browser;
        browser.Run($"document.documentElement.dataset.theme = '{theme}'");
        browser.Run(Axe);
        browser.Run("window.axeDone = null; axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] }).then(r => { window.axeDone = JSON.stringify(r.violations.map(v => ({ id: v.id, impact: v.impact, nodes: v.nodes.map(n => n.html + ' ' + n.failureSummary) }))); });");
        var result = browser.Until(() => browser.Run("return window.axeDone") as string, "the end of the look");
        var serious = JsonNode.Parse(result)!.AsArray().Where(v => (string)v!["impact"]! is "serious" or "critical").Select(v => v!.ToJsonString()).ToList();
        Assert.Empty(serious);
        Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, "the screen is wider than the window");
        Assert.Empty(browser.Errors());
    }
}
