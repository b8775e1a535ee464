using System.Net.Http.Json;
using System.Text.Json.Nodes;
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
        await using var app = new LiveApp(pictures: true);
        using var browser = new Browser(app.Address);
        void Save(string name)
        {
            Thread.Sleep(600);
            browser.Shot(Path.Combine(Folder!, name + ".png"));
        }

        browser.Open("/settings/units");
        browser.Run("localStorage.setItem('lowfell.units', JSON.stringify({ dates: 'en-GB' }))");
        browser.Open("/sets");
        browser.UntilTrue(() => browser.All("[role=progressbar]").Count == 5 && browser.Find("main").Text.Contains("done ", StringComparison.Ordinal), "every card");
        browser.UntilTrue(() => (bool)browser.Run("return document.images.length === 5 && [...document.images].every(i => i.complete && i.naturalWidth > 0)")!, "every picture");
        Save("sets");
        StackPage.Open(browser, await app.ZoneIdAsync("Hull panels"));
        browser.Find("[data-rule=soluble-marking] button").Click();
        browser.Find("[data-rule=soluble-marking] [data-mend]");
        Save("coats");
        var stones = StackPage.Open(browser, await app.ZoneIdAsync("Stone courses"));
        stones.Select(3);
        browser.Run("document.documentElement.dataset.theme = 'lamp'");
        Save("coats-lamp-light");
        browser.Run("document.documentElement.dataset.theme = 'day'");
        stones.Select(stones.Count - 1);
        browser.Press("d");
        stones.UntilKept();
        browser.Click("History");
        browser.UntilTrue(() => browser.All("[data-testid=compare] [data-hex]").Count == 6, "both looks");
        Save("history");
        browser.Click("Go back to this");
        browser.UntilTrue(() => browser.Find("section[aria-label='Versions of the coats']").Text.Contains("as now", StringComparison.Ordinal), "the coats as they were");
        browser.PressWithCtrl("k");
        browser.Find("[role=dialog] input").SendKeys("kelp");
        browser.UntilTrue(() => browser.Find("[data-testid=found]").Text.Contains("Kelp Wash", StringComparison.Ordinal), "what is found");
        Save("find");
        browser.Open("/sets");
        browser.Click("Salt-crust bases");
        browser.Click("Bases");
        browser.Click("Base");
        browser.UntilTrue(() => browser.All("[data-testid=tray] img").Count == 18, "the tray");
        browser.Click("Base 13, 40 mm round");
        browser.Find("svg[role=application]");
        browser.UntilTrue(() => (bool)browser.Run("return [...document.images].every(i => i.complete)")!, "every picture");
        Save("base");
        browser.Open("/sets");
        browser.Click("Marsh crawler");
        browser.Click("Hull");
        browser.Click("Look");
        browser.UntilTrue(() => (bool)browser.Run("return Boolean(window.lowfellLook)")!, "the look");
        Thread.Sleep(4000);
        Save("look");
        browser.Click("From the table");
        browser.Find("[data-testid=sight]");
        browser.UntilTrue(() => (bool)browser.Run("return [...document.images].every(i => i.complete)")!, "both pictures");
        Save("table");
        browser.Open("/sets");
        browser.Click("Sea wall");
        browser.Click("Board");
        browser.Find("[data-testid=heights]");
        browser.Click("Straight 3");
        browser.Find("[data-testid=row]");
        Save("board");
        await WallPicture.PinAsync(app);
        browser.Open($"/piece/{(await app.Http.GetFromJsonAsync<JsonNode>($"/api/zones/{await app.ZoneIdAsync("Stone courses")}"))!["pieceId"]}/picture");
        browser.Find("[data-testid=picks]");
        browser.UntilTrue(() => (bool)browser.Run("return [...document.images].every(i => i.complete)")!, "the picture");
        Save("picture");
        browser.Open("/sets");
        browser.Click("Sea wall");
        browser.Click("Straight");
        browser.Click("Weathering");
        browser.Click("tide water");
        browser.Click("dry dust, lately");
        browser.UntilTrue(() => browser.Find("[data-testid=history-told]").Text.Contains("dust", StringComparison.Ordinal), "its history");
        browser.Click("Propose anew");
        browser.UntilTrue(() => browser.All("[data-testid=weather-entry]").Count > 8, "the marks");
        browser.Run("document.querySelector('[aria-label=\"What it was\"]').scrollIntoView()");
        Thread.Sleep(1000);
        Save("weathering");
        browser.Open("/sets");
        browser.Click("Sea wall");
        browser.Click("Straight");
        browser.Click("Mend");
        browser.Click("Tide ring");
        browser.Find("[data-testid=offers]");
        browser.Click("2", "fieldset");
        browser.Click("3", "fieldset");
        Thread.Sleep(1500);
        Save("mend");
        foreach (var (path, ready, name) in new[] { ("/shelf", "[data-testid='Over white']", "shelf"), ("/shelf/amounts", "[data-testid=missing]", "amounts"), ("/evenings", "[data-testid=to-buy] li", "tonight"), ("/evenings/plan", "[data-testid=what-ifs] strong", "plan") })
        {
            browser.Open(path);
            browser.Find(ready);
            Save(name);
        }

        browser.Resize(820, 1180);
        browser.Open("/bench");
        browser.Find("[data-testid=copies]");
        Save("bench-tablet");

        // The bench beside the demo, as whoever begins finds it.
        browser.Resize(1280, 800);
        browser.Open("/sets");
        browser.Click("Open your own bench");
        browser.UntilTrue(() => browser.All("ul[aria-label='Ready schemes'] li").Count == 20, "the ready schemes");
        Save("empty");
        browser.Click("A ready scheme for what stands before you");
        browser.Field("A line for each kind of piece, with its number").SendKeys("Wall, 6\nCarrier, 1");
        browser.Field("A name a line, or columns from a spreadsheet").SendKeys("Lampblack\nSalt white\nRope tan\nPier grey\nMarsh green\nDark green\nDark brown\nRust brown\nRust orange\nBone\nBlack wash\nBlack primer can\nMatt varnish");
        browser.UntilTrue(() => browser.All("[data-testid=pieces-read] > li").Count == 2 && browser.All("[data-testid=paint-rows] li").Count == 13, "the pieces and the paints");
        browser.Run("document.activeElement.blur(); window.scrollTo(0, 0)");
        Save("begin");
    }
}
