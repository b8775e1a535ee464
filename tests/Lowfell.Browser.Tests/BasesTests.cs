using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>Bases on their tray: rolled, locked, dragged, undone, with too little on the shelf, printed.</summary>
public sealed class BasesTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    [Fact]
    public async Task A_tray_is_rolled_looked_at_while_it_grows_and_undone()
    {
        await OpenAsync();
        var before = Marks();
        Assert.Equal(18, before.Count);
        browser.Click("Roll what is open");
        browser.Find("progress");
        browser.UntilTrue(() => browser.All("progress").Count == 0 && Marks().Count == 18 && !Marks().Intersect(before).Any(), "another tray");
        Assert.All((await TrayAsync())["bases"]!.AsArray(), b => Assert.Empty(b!["marks"]!.AsArray()));
        browser.Click("Undo");
        browser.UntilTrue(() => Marks().SequenceEqual(before), "the tray as it was");
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public async Task An_element_is_dragged_along_what_is_in_its_way_locked_by_key_and_stays_while_the_rest_is_rolled()
    {
        await OpenAsync("?base=13");
        browser.Find("svg[role=application]");
        var before = await ElementAsync(13, 0);

        // Pulled far off the base it comes to rest within the rim.
        var element = browser.Find("polygon[data-element='0']");
        browser.Run("window.hatched = 0; new MutationObserver(() => { window.hatched += document.querySelectorAll(\"path[fill='url(#hatched)']\").length; }).observe(document.querySelector('svg[role=application]'), { childList: true, subtree: true })");
        new Actions(Driver()).MoveToElement(element).ClickAndHold().Pause(TimeSpan.FromSeconds(1)).MoveByOffset(-40, 40).MoveByOffset(-400, 60).Release().Perform();
        Assert.True(Convert.ToInt32(browser.Run("return window.hatched"), System.Globalization.CultureInfo.InvariantCulture) > 0, "forbidden ground was never shown");
        JsonNode? after = null;
        await UntilAsync(async () => (double)(after = await ElementAsync(13, 0))["element"]!["x"]! != (double)before["element"]!["x"]!);
        Assert.Equal("", (string)after!["fault"]!);
        Assert.True((double)after["element"]!["x"]! < (double)before["element"]!["x"]!);

        browser.Find("svg[role=application]").Click();
        browser.Run("document.querySelector('svg[role=application]').focus()");
        browser.Find("polygon[data-element='0']").Click();
        browser.Press("l");
        await UntilAsync(async () => (bool)(await ElementAsync(13, 0))["element"]!["locked"]!);
        var kept = (await ElementAsync(13, 0))["element"]!.ToJsonString();
        var picture = await PictureAsync(13);
        browser.Press("r");
        await UntilAsync(async () => await PictureAsync(13) != picture);
        Assert.Contains((await TrayAsync())["bases"]![12]!["elements"]!.AsArray(), e => e!["element"]!.ToJsonString() == kept);

        // Undone, one step after the other, it stands where it stood.
        foreach (var _ in Enumerable.Range(0, 3))
        {
            browser.UntilTrue(() => browser.Named("Undo").Enabled, "undo");
            var now = await PictureAsync(13) + (await ElementAsync(13, 0)).ToJsonString();
            browser.Click("Undo");
            await UntilAsync(async () => await PictureAsync(13) + (await ElementAsync(13, 0)).ToJsonString() != now);
        }

        Assert.Equal(before.ToJsonString(), (await ElementAsync(13, 0)).ToJsonString());
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public async Task Too_little_on_the_shelf_is_told_with_what_stands_in()
    {
        await OpenAsync();
        browser.Click("Boxes and families");
        foreach (var box in new[] { "slate S", "stone S" })
        {
            browser.Fill($"Count of {box}", "2");
            browser.Find("[role=dialog] h2").Click();
        }

        await UntilAsync(async () => (await TrayAsync())["boxes"]!.AsArray().Count(b => (int)b!["short"]! > 0) == 2);
        browser.Press(Keys.Escape);
        browser.UntilTrue(() => browser.Find("section[aria-label='Stock']").Text.Contains("short", StringComparison.Ordinal), "what is short");
        browser.Click("Roll what is open");
        browser.UntilTrue(() => browser.All("[data-testid=lacking] li").Any(l => l.Text.StartsWith("Short of slate S: ", StringComparison.Ordinal)), "what stands in");
        Assert.All((await TrayAsync())["boxes"]!.AsArray(), b => Assert.Equal(0, (int)b!["short"]!));
        browser.Click("Undo");
    }

    [Fact]
    public async Task A_piece_gets_a_tray_and_its_sheet_is_printed_at_true_size()
    {
        var set = (await (await session.App.Http.PostAsJsonAsync("/api/sets", new { name = "Plinths" })).Content.ReadFromJsonAsync<JsonNode>())!;
        var piece = (await (await session.App.Http.PostAsJsonAsync($"/api/sets/{set["id"]}/pieces", new { name = "Small plinth", kind = "base", shape = "disc", lengthMm = 32, widthMm = 32, heightMm = 4, copies = 3 })).Content.ReadFromJsonAsync<JsonNode>())!;
        browser.Open($"/piece/{piece["id"]}/base");
        browser.Fill("Copies of size 1", "2");
        browser.Click("Another size");
        browser.Fill("Length of size 2", "40");
        browser.Click("Begin a tray of 3");
        browser.Click("Roll the tray");
        browser.UntilTrue(() => browser.Find("[data-testid=takes]").Text.Contains("Paste", StringComparison.Ordinal), "what it takes");
        var tray = (await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/pieces/{piece["id"]}/tray"))!["tray"]!;
        browser.Open($"/api/trays/{tray["id"]}/sheet.svg");
        Assert.Equal(3, browser.All("g[id^='copy-']").Count);

        // As the printer has it: 210 mm across, and the 40 mm base 40 of them.
        var perMm = Convert.ToDouble(browser.Run("return document.documentElement.getBoundingClientRect().width / 210"), System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(96 / 25.4, perMm, 0.01);
        Assert.Equal(40, browser.Find("#copy-3 .foot").Size.Width / perMm, 0.4);

        // A picture that is looked at by itself has no icon.
        Assert.All(browser.Errors(), e => Assert.Contains("favicon.ico", e, StringComparison.Ordinal));
    }

    private IWebDriver Driver() => ((IWrapsDriver)browser.Find("body")).WrappedDriver;

    private IReadOnlyList<string> Marks() => [.. browser.Attributes("[data-testid=tray] img", "src").Select(s => s.Split("mark=")[1])];

    private async Task OpenAsync(string query = "")
    {
        browser.Open($"/piece/{(await PieceAsync())["id"]}/base{query}");
        browser.UntilTrue(() => browser.All("[data-testid=tray] img").Count == 18, "the tray");
    }

    private async Task<JsonNode> PieceAsync() => (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!.Single(s => (string)s!["name"]! == "Salt-crust bases")!["pieces"]![0]!;

    private async Task<JsonNode> TrayAsync() => (await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/pieces/{(await PieceAsync())["id"]}/tray"))!["tray"]!;

    private async Task<JsonNode> ElementAsync(int copy, int element) => (await TrayAsync())["bases"]![copy - 1]!["elements"]![element]!;

    private async Task<string> PictureAsync(int copy) => (string)(await TrayAsync())["bases"]![copy - 1]!["picture"]!;

    private static async Task UntilAsync(Func<Task<bool>> look)
    {
        for (var i = 0; i < 300; i++)
        {
            if (await look())
            {
                return;
            }

            await Task.Delay(50, TestContext.Current.CancellationToken);
        }

        throw new TimeoutException("It never came.");
    }
}
