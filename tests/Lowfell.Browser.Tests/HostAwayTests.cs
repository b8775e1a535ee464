using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>The bench card while the host is stopped and started again.</summary>
public sealed class HostAwayTests
{
    private static async Task<List<JsonNode>> DoneAsync(LiveApp app) =>
        [.. (await app.Http.GetFromJsonAsync<JsonArray>("/api/log/log.json"))!.Where(e => (string)e!["kind"]! == "done").Select(e => e!)];

    [Fact]
    public async Task What_is_done_while_the_host_is_stopped_is_written_once_and_in_order_when_it_is_back()
    {
        var app = new LiveApp();
        try
        {
            using var browser = new Browser(app.Address);
            int Copies() => browser.All("[data-testid=copies] button").Count;
            string Step() => browser.Find("section[aria-label=Now] h1").Text + browser.Find("section[aria-label=Now] p").Text;
            browser.Open("/bench");
            browser.UntilTrue(() => Copies() > 1, "a step with copies");
            var before = await DoneAsync(app);
            var again = await app.StopAsync();

            // Two copies, one after the other, and a reload of nothing: the card goes on.
            for (var touched = 1; touched <= 2; touched++)
            {
                var (step, copies) = (Step(), Copies());
                browser.Find("[data-testid=copies] button").Click();
                var words = touched == 1 ? "1 action waits" : "2 actions wait";
                browser.UntilTrue(() => browser.Find("[data-testid=bench] [role=status]").Text.Contains(words, StringComparison.Ordinal), words);
                browser.UntilTrue(() => Step() != step || Copies() < copies, "the next copy");
            }

            var timers = browser.All("[data-testid=timers] [role=timer]").Count;
            Assert.True(timers >= 1);
            app = again();
            browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
            var written = (await DoneAsync(app)).Where(e => before.TrueForAll(b => (string)b["id"]! != (string)e["id"]!)).OrderBy(e => (string)e["at"]!, StringComparer.Ordinal).ToList();
            Assert.Equal(2, written.Count);
            Assert.True(DateTimeOffset.Parse((string)written[0]["at"]!) < DateTimeOffset.Parse((string)written[1]["at"]!));

            // The timers have outlived the restart, and a reload too.
            browser.Reload();
            browser.UntilTrue(() => browser.All("[data-testid=timers] [role=timer]").Count == timers, "the timers");
            Assert.Equal(before.Count + 2, (await DoneAsync(app)).Count);
        }
        finally
        {
            await app.DisposeAsync();
        }
    }
}
