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

    /// <summary>From an empty bench to the first answer with human delays: 400 ms a press, 200 ms a key, thirteen names typed one by one.</summary>
    [Fact(Skip = "Only for ./lowfell bench page", SkipWhen = nameof(NotAsked))]
    public async Task First_answer_on_an_empty_bench()
    {
        const int PressMs = 400, KeyMs = 200;
        await using var app = new LiveApp(demo: false);
        using var browser = new Browser(app.Address);
        browser.Open("/sets");
        browser.Find("ul[aria-label='Ready schemes'] li");
        var time = System.Diagnostics.Stopwatch.StartNew();
        void Press(string name)
        {
            Thread.Sleep(PressMs);
            browser.Click(name);
        }

        void Type(string label, string text)
        {
            Thread.Sleep(PressMs);
            var field = browser.Field(label);
            field.Click();
            foreach (var key in text)
            {
                Thread.Sleep(KeyMs);
                field.SendKeys(key.ToString());
            }
        }

        Press("A ready scheme for what stands before you");
        Type("A line for each kind of piece, with its number", "Wall, 6\nCarrier");
        Type("Ready by", DateTime.Today.AddDays(20).ToString("MMddyyyy", CultureInfo.InvariantCulture));
        Type("A name a line, or columns from a spreadsheet", "Lampblack\nSalt white\nRope tan\nPier grey\nMarsh green\nDark green\nDark brown\nRust brown\nRust orange\nBone\nBlack wash\nBlack primer can\nMatt varnish");
        browser.UntilTrue(() => browser.All("[data-testid=pieces-read] > li").Count == 2, "the pieces");
        Press("Plan it");
        browser.UntilTrue(() => browser.Find("[data-testid=set-answer]").Text is var told && told.Contains(" ml to mix", StringComparison.Ordinal) && !told.Contains("working it out", StringComparison.Ordinal), "the first answer");
        Note("first answer on an empty bench", time.Elapsed.TotalMilliseconds);
        await System.IO.File.AppendAllTextAsync(File!, $"first answer on an empty bench: {time.Elapsed.TotalSeconds:0.0} s\n", TestContext.Current.CancellationToken);
    }

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

    private const string Scroll = """
        const done = arguments[arguments.length - 1];
        const took = [];
        let last = performance.now();
        const frame = (now) => {
          took.push(now - last);
          last = now;
          const down = took.length % 600 < 300;
          window.scrollBy(0, down ? 12 : -12);
          if (took.length < 900) requestAnimationFrame(frame);
          else { window.frames_ = took.slice(5).sort((a, b) => a - b); done(window.frames_.at(-1)); }
        };
        requestAnimationFrame(frame);
        """;

    [Fact(Skip = "Only for ./lowfell bench page", SkipWhen = nameof(NotAsked))]
    public async Task A_set_of_4000_zones_is_opened_and_scrolled()
    {
        const int Pieces = 500;
        await using var app = new LiveApp(pictures: true);
        var set = (await (await app.Http.PostAsJsonAsync("/api/sets", new { name = "Breakwater" })).Content.ReadFromJsonAsync<JsonNode>())!["id"];
        var lines = string.Join('\n', Enumerable.Range(1, Pieces).Select(i => $"Block {i}, 2, 100 x 40 x 30, Courses + Walkway + Weed line + Ladder + Rail + Joints + Foot + Top"));
        (await app.Http.PostAsJsonAsync($"/api/sets/{set}/pieces/paste", new { text = lines, substrate = "polystyrene", dryRun = false })).EnsureSuccessStatusCode();
        using var browser = new Browser(app.Address);
        foreach (var (view, what) in new[] { ("", "list"), ("?view=table", "table") })
        {
            var watch = System.Diagnostics.Stopwatch.StartNew();
            browser.Open($"/sets/{set}{view}");
            browser.UntilTrue(() => browser.Run("return document.body.innerText.includes('Courses')") is true, "the set");
            var opened = watch.Elapsed.TotalSeconds;
            var fast = Scroll.Replace("12 : -12", "60 : -60", StringComparison.Ordinal);

            // The first time the host draws the pictures of its pieces beside it.
            browser.RunAsync(fast);
            var first = Convert.ToInt32(browser.Run("return window.frames_.filter((f) => f > 50).length"), CultureInfo.InvariantCulture);
            var worst = browser.RunAsync(fast);
            var over = Convert.ToInt32(browser.Run("return window.frames_.filter((f) => f > 50).length"), CultureInfo.InvariantCulture);
            Note($"a set of 4,000 zones as a {what}, frames over 50 ms", over);
            await System.IO.File.AppendAllTextAsync(
                File!, string.Create(CultureInfo.InvariantCulture, $"a set of 4,000 zones as a {what}: opened in {opened:0.0} s, scrolled for 895 frames of 60 px: {first} over 50 ms the first time, then {over}, worst {worst:0} ms\n"), TestContext.Current.CancellationToken);
        }
    }

    [Fact(Skip = "Only for ./lowfell bench page", SkipWhen = nameof(NotAsked))]
    public async Task A_tray_of_a_hundred_bases_is_scrolled_and_moved_by_hand()
    {
        const int Moves = 30;
        await using var app = new LiveApp();
        async Task<JsonNode> Post(string path, object body) => (await (await app.Http.PostAsJsonAsync(path, body)).Content.ReadFromJsonAsync<JsonNode>())!;
        var set = await Post("/api/sets", new { name = "Hundred" });
        var piece = (string)(await Post($"/api/sets/{set["id"]}/pieces", new { name = "Hundred bases", kind = "base", shape = "disc", lengthMm = 25, widthMm = 25, heightMm = 4, copies = 100 }))["id"]!;
        var family = (string)(await app.Http.GetFromJsonAsync<JsonArray>("/api/base-families"))![0]!["id"]!;
        object Group(double mm, int copies) => new { form = new { shape = "round", lengthMm = mm, widthMm = mm }, stance = "twoFeet", copies };
        var tray = await Post($"/api/pieces/{piece}/tray", new { familyId = family, groups = new[] { Group(25, 60), Group(32, 30), Group(40, 10) } });
        var roll = await Post($"/api/trays/{tray["id"]}/rolls", new { version = 1, seed = 4, rolls = 1 });
        for (var status = ""; status is not "ended"; status = (string)(await app.Http.GetFromJsonAsync<JsonNode>($"/api/trays/{tray["id"]}/rolls/{roll["id"]}"))!["status"]!)
        {
            await Task.Delay(200, TestContext.Current.CancellationToken);
        }

        using var browser = new Browser(app.Address);
        browser.Open($"/piece/{piece}/base");
        browser.UntilTrue(() => browser.All("[data-testid=tray] img").Count == 100, "the tray");
        browser.RunAsync(Scroll);
        var worst = browser.RunAsync(Scroll);
        var p99 = Convert.ToDouble(browser.Run("return window.frames_[Math.floor(window.frames_.length * 0.99)]"), CultureInfo.InvariantCulture);

        var now = (await app.Http.GetFromJsonAsync<JsonNode>($"/api/pieces/{piece}/tray"))!["tray"]!;
        var took = new List<double>();
        for (var i = 0; i < Moves; i++)
        {
            var copies = new JsonArray([.. now["bases"]!.AsArray().Select(b => b!["kept"]!.DeepClone())]);
            // The shelf has not stones enough for all of them.
            var moved = copies.Where(c => c!["elements"]!.AsArray().Count > 0).ElementAt(i)!["elements"]![0]!;
            moved["x"] = (double)moved["x"]! + 0.3;
            var watch = System.Diagnostics.Stopwatch.StartNew();
            var answer = await app.Http.PutAsJsonAsync($"/api/trays/{tray["id"]}", new { version = (int)now["version"]!, tray = new { familyId = family, copies } });
            now = (await answer.Content.ReadFromJsonAsync<JsonNode>())!;
            took.Add(watch.Elapsed.TotalMilliseconds);
        }

        took.Sort();
        Note("a tray of 100 scrolled, worst frame", worst);
        Note("one of 100 bases moved and judged, p95", took[(int)(Moves * 0.95)]);
        await System.IO.File.AppendAllTextAsync(
            File!, string.Create(CultureInfo.InvariantCulture, $"a tray of 100 bases scrolled for 895 frames, its pictures seen before: p99 {p99:0.0} ms, worst {worst:0.0} ms; one of them moved, kept and judged beside the others: median {took[Moves / 2]:0} ms, p95 {took[(int)(Moves * 0.95)]:0} ms\n"));
    }
}
