using System.Globalization;
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
        await System.IO.File.WriteAllTextAsync(
            File!, string.Create(CultureInfo.InvariantCulture, $"paint after the answer to an edit, {took.Count} edits: median {took[took.Count / 2]:0} ms, p95 {took[(int)(took.Count * 0.95)]:0} ms, worst {took[^1]:0} ms\n"));
    }
}
