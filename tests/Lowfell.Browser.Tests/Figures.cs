using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>Measures what a painter sees of the speed of a page. Runs only for ./lowfell bench page.</summary>
[Trait("Kind", "Figures")]
public sealed class Figures
{
    // After each answer to a preview: the end of the first frame that follows the change it made.
    private const string Watch = """
        window.answers = [];
        window.paints = [];
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries()) if (entry.name.endsWith("/api/preview/stack")) window.answers.push(entry.responseEnd);
        }).observe({ type: "resource" });
        new MutationObserver(() => requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => window.paints.push(performance.now()); c.port2.postMessage(0); }))
          .observe(document.querySelector("[data-testid=finished]").closest("main") ?? document.body, { subtree: true, childList: true, attributes: true, characterData: true });
        """;

    private static void Note(string name, double ms)
    {
        if (Environment.GetEnvironmentVariable("LOWFELL_BENCH") is { Length: > 0 } file)
        {
            System.IO.File.AppendAllText(file, System.Text.Json.JsonSerializer.Serialize(new { name, value = Math.Round(ms, 1), unit = "ms", better = "less" }) + "\n");
        }
    }

    private const string Delays = """
        const took = [];
        for (const answer of window.answers) {
          const paint = window.paints.find((p) => p > answer);
          if (paint) took.push(paint - answer);
        }
        return took;
        """;

    private static readonly string? File = Environment.GetEnvironmentVariable("LOWFELL_FIGURES");

    public static bool NotAsked => File is null;

    [Fact(Skip = "Only for ./lowfell bench page", SkipWhen = nameof(NotAsked))]
    public async Task Paint_after_an_edit()
    {
        const int Edits = 40;
        await using var app = new LiveApp();
        using var browser = new Browser(app.Address);
        var page = StackPage.Open(browser, await app.ZoneIdAsync("Stone courses"));
        browser.Run(Watch);
        for (var i = 0; i < Edits; i++)
        {
            browser.Press(i % 2 == 0 ? "b" : "z");
            Thread.Sleep(250);
        }

        page.UntilKept();
        var took = ((IEnumerable<object>)browser.Run(Delays)!).Select(v => Convert.ToDouble(v, CultureInfo.InvariantCulture)).Order().ToList();
        Assert.True(took.Count >= Edits / 2, $"only {took.Count} edits were seen");
        Note("paint after an edit, p95", took[(int)(took.Count * 0.95)]);
        await System.IO.File.AppendAllTextAsync(
            File!, string.Create(CultureInfo.InvariantCulture, $"paint after the answer to an edit, {took.Count} edits: median {took[took.Count / 2]:0} ms, p95 {took[(int)(took.Count * 0.95)]:0} ms, worst {took[^1]:0} ms\n"));
    }

    // From the touch to the end of the first frame that no longer shows the copy as open.
    private const string Touch = """
        const done = arguments[arguments.length - 1];
        const copy = document.querySelector("[data-testid=copies] button");
        const label = copy.getAttribute("aria-label");
        const from = performance.now();
        copy.click();
        const look = () => document.querySelector(`[data-testid=copies] button[aria-label="${label}"]`) ? requestAnimationFrame(look) : requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => done(performance.now() - from); c.port2.postMessage(0); });
        look();
        """;

    [Fact(Skip = "Only for ./lowfell bench page", SkipWhen = nameof(NotAsked))]
    public async Task A_touch_on_the_bench_card_with_500_copies()
    {
        const int Copies = 500, Touches = 40;
        await using var app = new LiveApp();
        async Task<string> Post(string path, object body) => (string)(await (await app.Http.PostAsJsonAsync(path, body)).Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
        var set = await Post("/api/sets", new { name = "Salt posts" });
        var piece = await Post($"/api/sets/{set}/pieces", new { name = "Post", shape = "cylinder", substrate = "resin", lengthMm = 3, widthMm = 3, heightMm = 15, copies = Copies });
        var schemes = (await app.Http.GetFromJsonAsync<JsonArray>("/api/schemes"))!;
        await Post($"/api/pieces/{piece}/zones", new { name = "Post", areaShare = 1, schemeId = (string)schemes.First(s => ((string)s!["name"]!).Contains("hull", StringComparison.OrdinalIgnoreCase))!["id"]! });
        using var browser = new Browser(app.Address);
        browser.Open("/sets");
        browser.Run($"localStorage.setItem('lowfell.plannedSets', JSON.stringify(['{set}']))");
        browser.Open("/bench");
        browser.UntilTrue(() => browser.All("[data-testid=copies] > *").Count == Copies, "all copies");
        var took = new List<double>();
        for (var i = 0; i < Touches; i++)
        {
            took.Add(browser.RunAsync(Touch));
            Thread.Sleep(150);
        }

        took.Sort();
        Note("touch on the bench card, p95", took[(int)(Touches * 0.95)]);
        await System.IO.File.AppendAllTextAsync(
            File!, string.Create(CultureInfo.InvariantCulture, $"touch on the bench card with {Copies} copies to the frame that shows it, {Touches} touches: median {took[Touches / 2]:0} ms, p95 {took[(int)(Touches * 0.95)]:0} ms, worst {took[^1]:0} ms\n"));
    }
}
