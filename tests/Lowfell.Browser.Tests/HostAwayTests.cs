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
    public async Task After_a_reload_without_the_host_the_card_the_evenings_and_the_last_stacks_open_and_both_tabs_keep_their_taps()
    {
        var app = new LiveApp();
        try
        {
            using var browser = new Browser(app.Address);
            int Copies() => browser.All("[data-testid=copies] button").Count;
            void Card() => browser.UntilTrue(() => Copies() > 0, "the card");
            var zone = await app.ZoneIdAsync("Hull panels");
            var face = StackPage.Open(browser, zone).FinishedFace;
            browser.UntilTrue(() => browser.RunAsync("navigator.serviceWorker.ready.then(() => arguments[0](1))") > 0, "a worker");
            browser.Open("/evenings");
            browser.Named("Begin at the bench");
            browser.Open("/bench");
            Card();

            // What is of a draft is kept once the painter pauses.
            browser.UntilTrue(() => browser.RunAsync(KeptAnswers) >= 4, "answers kept in the browser");
            var before = await DoneAsync(app);
            var again = await app.StopAsync();

            browser.Reload();
            Card();
            browser.UntilTrue(() => browser.All("[role=alert]").Any(a => a.Text.Contains("does not answer", StringComparison.Ordinal)), "the banner before anything is pressed");
            browser.Open($"/zone/{zone}");
            var stack = new StackPage(browser);
            stack.Ready();
            Assert.Equal(face, stack.FinishedFace);
            browser.Open("/evenings");
            browser.Named("Begin at the bench");

            // A tap in each of two tabs.
            foreach (var tab in new[] { 0, 1 })
            {
                if (tab == 1)
                {
                    browser.NewTab();
                }

                browser.Open("/bench");
                Card();
                browser.Run("document.querySelector('[data-testid=copies] button').click()");
                var words = tab == 0 ? "1 action waits" : "2 actions wait";
                browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Any(s => s.Text.Contains(words, StringComparison.Ordinal)), words);
            }

            app = again();
            browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
            browser.Tab(0);
            browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0 && browser.All("[role=alert]").Count == 0, "nothing waiting in the other tab");
            Assert.Equal(2, (await DoneAsync(app)).Count(e => before.TrueForAll(b => (string)b["id"]! != (string)e["id"]!)));
        }
        finally
        {
            await app.DisposeAsync();
        }
    }

    private const string KeptAnswers = """
        const done = arguments[0], open = indexedDB.open("lowfell");
        open.onsuccess = () => {
          const keys = open.result.transaction("answers").objectStore("answers").getAllKeys();
          keys.onsuccess = () => { open.result.close(); done(["zone", "preview", "plan", "progress"].filter((k) => keys.result.some((key) => key.startsWith(`["${k}"`))).length); };
        };
        open.onerror = () => done(0);
        """;

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
