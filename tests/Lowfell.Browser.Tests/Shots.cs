using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>Retakes the pictures of the documentation, from the demo data. Runs only for ./lowfell shots.</summary>
[Trait("Kind", "Shots")]
public sealed class Shots
{
    private static readonly string? Folder = Environment.GetEnvironmentVariable("LOWFELL_SHOTS");

    public static bool NotAsked => Folder is null;

    [Fact(Skip = "Only for ./lowfell shots", SkipWhen = nameof(NotAsked))]
    public async Task Take()
    {
        await using var app = new LiveApp();
        using var browser = new Browser(app.Address);
        void Save(string name)
        {
            Thread.Sleep(600);
            browser.Shot(Path.Combine(Folder!, name + ".png"));
        }

        browser.Open("/sets");
        browser.Find("section[aria-label='Sea wall']");
        Save("sets");
        StackPage.Open(browser, await app.ZoneIdAsync("Hull panels"));
        browser.Find("[data-rule=soluble-marking] button").Click();
        browser.Find("[data-rule=soluble-marking] [data-mend]");
        Save("stack-findings");
        browser.Named("Mend all").Click();
        browser.Named("Take it");
        Save("mend-all");
        browser.Named("Leave it as it is").Click();
        StackPage.Open(browser, await app.ZoneIdAsync("Stone courses")).Select(3);
        Save("stack");
        browser.Run("document.documentElement.dataset.theme = 'lamp'");
        Save("stack-lamp-light");
        StackPage.Open(browser, await app.ZoneIdAsync("Skim walls")).Select(3);
        browser.Named("Colour help").Click();
        browser.Find("[data-testid=colour-help]");
        browser.Run("document.querySelector('[data-testid=colour-help]').scrollIntoView({ block: 'center' })");
        Save("colour-help");
        foreach (var (path, ready) in new[] { ("/shelf", "[data-testid='Over white']"), ("/mixes", "[data-testid=mix-preview]"), ("/amounts", "[data-testid=missing]"), ("/tiles", "[data-nearest]"), ("/match", "[data-testid=match]"), ("/evenings/plan", "[data-testid=what-ifs] strong"), ("/log", "[data-testid=log]"), ("/schools", "[data-school=warmAir] [data-testid=on-this-bench]") })
        {
            browser.Open(path);
            browser.Find(ready);
            browser.UntilTrue(() => browser.All("[data-testid=on-this-bench]").All(e => e.Text != "…"), "what each choice does");
            Save(path[1..]);
        }

        browser.Open("/log");
        browser.Named("How far it is").Click();
        browser.Find("[data-testid=progress] table");
        Save("progress");
        browser.Open("/evenings/plan");
        browser.Named("Look for", "[data-testid=search]").Click();
        browser.Named("Hold to it").Click();
        browser.Find("[data-testid=held]");
        browser.Named("Plan again from now").Click();
        browser.UntilTrue(() => browser.Find("[data-testid=held]").Text.Contains("Against", StringComparison.Ordinal), "both plans");
        browser.Find("[data-testid=what-ifs] strong");
        browser.UntilTrue(() => browser.All(".toast").Count == 0, "nothing in the way");
        Save("evenings-held");
        browser.Named("Let go").Click();
        browser.Open("/mixes");
        browser.Named("Made").Click();
        browser.Named("Make again").Click();
        browser.Find("[data-testid=again]");
        Save("mix-again");
        browser.Resize(820, 1180);
        StackPage.Open(browser, await app.ZoneIdAsync("Hull panels"));
        Save("stack-tablet");
        browser.Open("/bench");
        browser.Find("[data-testid=copies]");
        Save("bench-tablet");
    }
}
