using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Lowfell.Core.Wording;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>No serious fault by axe-core (WCAG 2.2 AA) on any screen, in either light; nothing wider than the window.</summary>
public sealed partial class AccessTests(DemoSession session) : IClassFixture<DemoSession>
{
    private static readonly string Axe = File.ReadAllText(Environment.GetEnvironmentVariable("LOWFELL_AXE") ?? throw new InvalidOperationException("Run with ./lowfell test browser."));

    public static TheoryData<string, string> Screens => new()
    {
        { "/sets", "section[aria-label]" },
        { "set", "[data-testid=set-answer]" },
        { "/begin", "ul[aria-label='Ready schemes'] li" },
        { "stack", "[data-testid=coat-colours]" },
        { "piece/amounts", "[data-testid=missing]" },
        { "piece/first", "[data-testid=first-steps], main p" },
        { "piece/look", "[data-testid=moment]" },
        { "piece/table", "[data-testid=sight]" },
        { "set/table", "[data-testid=set-sight] li" },
        { "wall/board", "[data-testid=heights]" },
        { "piece/picture", "[data-testid=pick-picture], main p" },
        { "piece/mend", "[data-testid=symptoms]" },
        { "/bench/mend?symptom=frost", "[data-testid=offers]" },
        { "piece/history", "section[aria-label='Versions of the coats']" },
        { "/shelf", "[data-testid='Over white']" },
        { "/shelf/mixes", "[data-testid=mix-preview]" },
        { "/shelf/made", "main li" },
        { "/shelf/amounts", "[data-testid=missing]" },
        { "/shelf/tiles", "[data-nearest]" },
        { "/shelf/match", "[data-testid=match]" },
        { "/evenings", "[data-testid=tonight]" },
        { "/evenings/plan", "[data-testid=what-ifs] strong" },
        { "/evenings/calendar", "[aria-label='Day of evening 1']" },
        { "/bench", "[data-testid=copies]" },
        { "/bench/log", "[data-testid=log]" },
        { "/settings/schools", "[role=radio]" },
        { "/settings/units", "[data-testid=units-sample]" },
        { "/settings/devices", "h2" },
        { "/settings/bin", "h1" },
        { "/guide", "[data-testid=guide-page]" },
    };

    // A desk, a tablet and a phone, and a desk at 200 %, which lays out as half of it. Colours are looked at in both lights once: they are no others in another size.
    private static readonly (int Width, int Height, string? Theme)[] Sizes = [(1280, 800, "day"), (820, 1180, "lamp"), (640, 400, null), (390, 844, "day")];

    [Theory]
    [MemberData(nameof(Screens))]
    public async Task A_screen_has_no_serious_fault_in_any_size_or_light_and_its_words_are_plain_or_explained(string path, string ready)
    {
        var browser = session.Browser;
        try
        {
            browser.Open(await AddressAsync(path));
            browser.Find(ready);
            LookAtWords();
            foreach (var (width, height, theme) in Sizes)
            {
                browser.Resize(width, height);
                browser.UntilTrue(() => (bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, $"nothing wider than {width} px");
                if (theme is not null)
                {
                    Look(theme);
                }
            }
        }
        finally
        {
            browser.Resize(1280, 800);
        }
    }

    // Words that everybody knows, and names of the demo's own things.
    private static readonly HashSet<string> Plain = [.. Words(new StreamReader(typeof(AccessTests).Assembly.GetManifestResourceStream("plain-words.txt")!).ReadToEnd())];

    private static readonly HashSet<string> Explained = [.. Glossary.Terms.SelectMany(t => t.Also.Prepend(t.Word)).SelectMany(Words)];

    [GeneratedRegex("[\\p{L}][\\p{L}'-]{2,}")]
    private static partial Regex Word();

    private static IEnumerable<string> Words(string text) => Word().Matches(text).Select(m => m.Value.ToLowerInvariant());

    // What fields and columns are called, but for questions, which are sentences.
    private void LookAtWords()
    {
        var called = ((IEnumerable<object>)session.Browser.Run("return [...document.querySelectorAll('main label, main th, main dt, main legend')].map(e => e.innerText).filter(t => t.length <= 60 && !t.endsWith('?'))")!).Cast<string>();
        var unknown = called.SelectMany(c => Words(c).Where(w => !Plain.Contains(w) && !Explained.Contains(w)).Select(w => $"{w} (in '{c}')")).Distinct().ToList();
        Assert.True(unknown.Count == 0, "Explain it in the glossary, or put it among the plain words: " + string.Join(", ", unknown));
    }

    private async Task<string> AddressAsync(string path)
    {
        var zone = await session.App.ZoneIdAsync("Hull panels");
        var page = (await session.App.Http.GetFromJsonAsync<JsonNode>($"/api/zones/{zone}"))!;
        return path switch
        {
            "set" => $"/sets/{page["setId"]}",
            "wall/board" => $"/sets/{(await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!.Single(s => (string)s!["name"]! == "Sea wall")!["id"]}/board",
            "set/table" => $"/sets/{page["setId"]}/table",
            "stack" => $"/zone/{zone}",
            _ when path.StartsWith("piece/", StringComparison.Ordinal) => $"/piece/{page["pieceId"]}/{path[6..]}",
            _ => path,
        };
    }

    [Theory]
    [InlineData("day")]
    [InlineData("lamp")]
    public void What_opens_on_the_bench_the_log_and_the_evenings_has_none_either(string theme)
    {
        var browser = session.Browser;
        browser.Open("/log");
        browser.Click("How far it is");
        browser.Find("[data-testid=progress] table");
        Look(theme);
        browser.Open("/bench");
        browser.Find("[data-testid=copies]");
        browser.Click("Differently");
        browser.Find("[role=dialog]");
        Look(theme);
        browser.Open("/evenings/plan");
        browser.Click("Hold to this plan");
        browser.Find("[data-testid=held]");
        browser.Click("Plan again from now");
        browser.UntilTrue(() => browser.Find("[data-testid=held]").Text.Contains("Against", StringComparison.Ordinal), "both plans");
        Look(theme);
        browser.Click("Stop holding it");
        browser.Named("Hold to this plan");
    }

    private void Look(string theme)
    {
        var browser = session.Browser;
        browser.Run($"document.documentElement.dataset.theme = '{theme}'");
        if (!(bool)browser.Run("return 'axe' in window")!)
        {
            browser.Run(Axe);
        }

        browser.Run("window.axeDone = null; axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'cat.tables'], rules: { 'label-content-name-mismatch': { enabled: true } } }).then(r => { window.axeDone = JSON.stringify(r.violations.map(v => ({ id: v.id, impact: v.impact, nodes: v.nodes.map(n => n.html + ' ' + n.failureSummary) }))); });");
        var result = browser.Until(() => browser.Run("return window.axeDone") as string, "the end of the look");
        var serious = JsonNode.Parse(result)!.AsArray().Where(v => (string)v!["impact"]! is "serious" or "critical").Select(v => v!.ToJsonString()).ToList();
        Assert.Empty(serious);
        Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!, "the screen is wider than the window");
        Assert.Empty(browser.Errors());
    }
}
