using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SkiaSharp;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>What a painter learns a look from: the guide, a picture, the ground of a setting, one paint for two.</summary>
public sealed class NewWaysTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private async Task<JsonNode> ZoneAsync(string name) => (await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/zones/{await session.App.ZoneIdAsync(name)}"))!;

    [Fact]
    public void The_guide_opens_at_the_place_that_one_is_at_and_is_searched()
    {
        browser.Open("/shelf");
        browser.Click("Guide");
        browser.UntilTrue(() => browser.Path == "/guide/shelf" && browser.Find("[data-testid=guide-page] h2").Text == "Shelf", "the page of the shelf");
        browser.Fill("Find in the guide", "core sample");
        browser.UntilTrue(() => browser.All("[data-testid=guide-hits] button").Count > 0, "where it is said");
        browser.Find("[data-testid=guide-hits] button").Click();
        browser.UntilTrue(() => browser.Path == "/guide/the-first-evening", "the page that says it");
        browser.UntilTrue(() => (bool)browser.Run("const i = document.querySelector('[data-testid=guide-page] img'); return i.complete && i.naturalWidth > 0")!, "its first picture");
        browser.Press("g");
        browser.Press("i");
        browser.UntilTrue(() => browser.Path == "/guide", "the guide by its key");
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public async Task A_picture_is_pinned_a_face_picked_and_given_up_with_a_way_back()
    {
        var zone = await ZoneAsync("Timber frame");
        var file = Path.Combine(Path.GetTempPath(), $"plank-{Guid.NewGuid():N}.png");
        using (var bitmap = new SKBitmap(300, 200))
        {
            using var canvas = new SKCanvas(bitmap);
            canvas.Clear(SKColor.Parse("#7b5636"));
            canvas.Flush();
            await File.WriteAllBytesAsync(file, bitmap.Encode(SKEncodedImageFormat.Png, 100).ToArray());
        }

        try
        {
            browser.Open($"/piece/{zone["pieceId"]}/picture");
            browser.Named("Pin a picture");
            browser.All("input[type=file]")[0].SendKeys(file);
            browser.Find("[data-testid=pick-picture]");
            browser.Choose("Zone", "Timber frame");
            browser.Find("[data-testid=pick-picture]").Click();
            browser.UntilTrue(() => browser.Find("[data-testid=picks]").Text.Contains("face of Timber frame", StringComparison.Ordinal), "the picked face");
            Assert.Equal("#7b5636", (string)(await ZoneAsync("Timber frame"))["settings"]!["target"]!);

            browser.Click("Remove the face of Timber frame");
            browser.UntilTrue(() => browser.All("[data-testid=picks]").Count == 0, "nothing picked");
            Assert.Null((string?)(await ZoneAsync("Timber frame"))["settings"]!["target"]);

            var name = Path.GetFileNameWithoutExtension(file);
            browser.Click($"Take {name} off");
            browser.UntilTrue(() => browser.All("[data-testid=pick-picture]").Count == 0, "no picture");
            browser.Click("Undo");
            browser.Find("[data-testid=pick-picture]");
            Assert.Empty(browser.Errors());
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public async Task The_ground_of_a_setting_is_laid_and_taken_back()
    {
        var stack = StackPage.Open(browser, await session.App.ZoneIdAsync("Cut edges"));
        var before = stack.Count;
        browser.Click("Ready schemes…");
        browser.Click("Ground of a setting");
        browser.Click("peat");
        browser.UntilTrue(() => browser.All("[data-testid=ground-tones] li").Count == 5, "the five tones");
        browser.Click("Take it in place of these coats");
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0 && browser.All("[data-coat]").Count >= 5 && browser.Find("main").Text.Contains(", mixed to #", StringComparison.Ordinal), "the ground");
        browser.Click("Undo");
        browser.UntilTrue(() => browser.All("[data-coat]").Count == before, "the coats as they were");
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public async Task One_paint_is_taken_for_two_and_given_back()
    {
        var set = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!.Single(s => (string)s!["name"]! == "Brine pans")!["id"];
        browser.Open($"/shelf/amounts?of=set:{set}");
        browser.Click("One paint could do for two");
        Assert.Contains("Fresh Rust for Furnace Orange too", browser.Find("[data-testid=one-for-both]").Text, StringComparison.Ordinal);
        browser.Click("Take it", "[data-testid=one-for-both]");
        browser.UntilTrue(() => browser.All("[data-testid=one-for-both] li").Count == 0, "nothing more to take");
        browser.Click("Close");
        browser.UntilTrue(() => !browser.Find("main").Text.Contains("Furnace Orange", StringComparison.Ordinal), "one bottle less");
        browser.Click("Undo");
        browser.UntilTrue(() => browser.Find("main").Text.Contains("Furnace Orange", StringComparison.Ordinal), "the bottle again");
        Assert.Empty(browser.Errors());
    }
}
