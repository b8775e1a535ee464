using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>A bench with nothing on it says the next move on every screen, and nothing fails.</summary>
public sealed class EmptyBenchTests
{
    [Fact]
    public async Task Every_screen_of_an_empty_bench_says_the_next_move()
    {
        await using var app = new LiveApp(demo: false);
        using var browser = new Browser(app.Address);
        foreach (var (path, words) in new[]
        {
            ("/sets", "make the first set"),
            ("/shelf", "The shelf is bare"),
            ("/mixes", "No mix yet"),
            ("/amounts", "Nothing to mix here"),
            ("/piece", "No zone to paint yet"),
            ("/shelf/made", "Nothing was mixed yet"),
            ("/evenings", "Nothing is left to paint"),
            ("/evenings/plan", "Nothing is left to paint"),
            ("/settings/bin", "Nothing was deleted"),
            ("/bench", "Nothing is left for now"),
            ("/log", "Nothing is written down yet"),
            ("/tiles", "the shelf is bare"),
            ("/match", "Nothing is kept yet"),
        })
        {
            browser.Open(path);
            browser.UntilTrue(() => browser.Find("main").Text.Contains(words, StringComparison.Ordinal), $"'{words}' at {path}");
        }

        browser.Open("/evenings/calendar");
        browser.UntilTrue(() => browser.Find("main").Text.Contains("No evening yet", StringComparison.Ordinal), "the first evening's place");
        browser.Open("/match");
        browser.Click("Keep a painted zone");
        browser.UntilTrue(() => browser.All("[role=dialog] button").Any(b => b.Text == "Keep it" && !b.Enabled), "nothing to keep yet");
        Assert.Empty(browser.Errors());
    }
}
