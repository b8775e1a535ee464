using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SkiaSharp;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>A day of the painter: a better plan, held; the bench; the log; the calendar.</summary>
public sealed class DayTests(DemoSession session) : IClassFixture<DemoSession>, IAsyncDisposable
{
    private readonly Browser browser = session.Browser;
    private readonly string folder = Directory.CreateTempSubdirectory("lowfell-pictures").FullName;

    private void Says(string css, string words) => browser.UntilTrue(() => browser.All(css).Any(e => e.Text.Contains(words, StringComparison.Ordinal)), $"'{words}' in {css}");

    private int CopiesShown() => browser.All("[data-testid=copies] button").Count;

    private string Step() => browser.Find("section[aria-label=Now] h1").Text + browser.Find("section[aria-label=Now] p").Text;

    private void Press(string name) => browser.Run("[...document.querySelectorAll('button')].find(b => b.innerText.trim() === arguments[0]).click()", name);

    public async ValueTask DisposeAsync()
    {
        Directory.Delete(folder, recursive: true);
        await session.App.HoldNoneAsync();
    }

    [Fact]
    public void A_day_goes_from_a_held_plan_over_the_bench_to_the_log()
    {
        // A better plan is looked for, its time told, and stopped when it is good enough.
        browser.Open("/evenings/plan");
        Says("[data-testid=verdict]", "no plan can be done ");
        browser.Click("Search for", "[data-testid=search]");
        Says("[data-testid=search]", "Best so far: done ");
        browser.Find("[data-testid=search] [role=progressbar]");
        browser.Click("Stop and take the best");
        Says("[data-testid=search]", "Found: done ");
        browser.Click("Look at it");
        browser.Click("Hold to it");
        Says("[data-testid=held]", "You hold to the plan of");
        var steps = browser.All("[data-testid=evenings] ol button").Select(b => b.GetDomAttribute("title")).ToList();

        // It is the same after a reload, and the bench follows it.
        browser.Reload();
        browser.UntilTrue(() => browser.All("[data-testid=evenings] ol button").Select(b => b.GetDomAttribute("title")).SequenceEqual(steps), "the same plan");
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        var (step, copies) = (Step(), CopiesShown());
        browser.Click("Start");

        // A copy is done, taken back by its undo, and done again.
        browser.Find("[data-testid=copies] button").Click();
        browser.UntilTrue(() => CopiesShown() == copies - 1 || Step() != step, "one copy less");
        Press("Undo");
        browser.UntilTrue(() => Step() == step && CopiesShown() == copies, "the copy again");
        browser.Find("[data-testid=copies] button").Click();
        browser.UntilTrue(() => CopiesShown() == copies - 1 || Step() != step, "one copy less again");
        browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");

        // It was dry before its time.
        browser.Run("[...document.querySelectorAll('[data-testid=timers] button')].find(b => b.innerText === 'It is dry').click()");
        Problem();

        browser.Open("/log");
        Says("[data-testid=log]", "found dry");
        Says("[data-testid=log]", "taken back");
        browser.Fill("Find in the log", "pooled blotted");
        browser.UntilTrue(() => browser.All("[data-testid=log] section > ul > li").Count is > 0 and < 10, "the problem");
        Says("[data-testid=log]", "Mended by: Blotted it and feathered the edge.");
        browser.UntilTrue(() => (bool)browser.Run("const i = document.querySelector('[data-testid=log] img'); return i !== null && i.complete && i.naturalWidth === 320")!, "the small picture");
        browser.Click("How far it is");
        browser.UntilTrue(() => browser.All("[data-testid=progress] table").Count > 3, "copies by coats");

        // Back at the desk the plan is met by what was done; what is left is planned again, and the plan before put back.
        browser.Open("/evenings/plan");
        browser.Click("Plan again from now");
        Says("[data-testid=held]", "Against the one before:");
        browser.Click("Put the one before back");
        browser.UntilTrue(() => !browser.Find("[data-testid=held]").Text.Contains("Against the one before:", StringComparison.Ordinal), "the plan before");
        browser.Click("Stop holding it");
        browser.Named("Hold to this plan");
    }

    // With its cause, its remedy, and a picture that says where it was taken to nobody.
    private void Problem()
    {
        var path = Path.Combine(folder, "pool.png");
        using (var bitmap = new SKBitmap(640, 400))
        {
            bitmap.Erase(SKColors.SaddleBrown);
            File.WriteAllBytes(path, bitmap.Encode(SKEncodedImageFormat.Png, 90).ToArray());
        }

        browser.Click("Problem");
        browser.Fill("What went wrong?", "The wash pooled under the coping.");
        browser.Fill("Why?", "Too much of it, and the piece lay flat.");
        browser.Fill("What mended it?", "Blotted it and feathered the edge.");
        browser.Fill("Who", "Wren");
        browser.All("[role=dialog] input[type=file]")[0].SendKeys(path);
        browser.Click("Write it down");
        browser.UntilTrue(() => browser.All("[role=dialog]").Count == 0, "the card again");
        browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
    }

    [Fact]
    public async Task A_file_that_is_no_picture_leaves_the_words_on_the_screen()
    {
        var path = Path.Combine(folder, "words.png");
        await File.WriteAllTextAsync(path, "no picture", TestContext.Current.CancellationToken);
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        browser.Click("Note");
        browser.Fill("What is to be remembered?", "Keep the lamp on the left.");
        browser.All("[role=dialog] input[type=file]")[0].SendKeys(path);
        browser.Click("Write it down");
        Says("[role=dialog] [role=alert]", "Send a PNG or a JPEG");
        Assert.Equal("Keep the lamp on the left.", browser.Field("What is to be remembered?").GetDomProperty("value"));
    }

    [Fact]
    public async Task What_is_left_out_and_what_was_otherwise_is_written_down()
    {
        browser.Open("/bench");
        browser.UntilTrue(() => CopiesShown() > 0, "the step in hand");
        browser.Click("Differently");
        browser.Fill("What was different?", "Stippled with an old brush.");
        browser.Click("Write it down");
        Says("section[aria-label=Now]", "differently, as you said");
        var step = Step();
        browser.Run("[...document.querySelectorAll('section[aria-label=Now] button')].find(b => b.innerText.startsWith('Done')).click()");
        browser.UntilTrue(() => Step() != step, "the next step");
        step = Step();
        browser.Click("Leave it out");
        browser.UntilTrue(() => Step() != step, "the step after");
        browser.UntilTrue(() => browser.All("[data-testid=bench] [role=status]").Count == 0, "nothing waiting");
        var log = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/log", TestContext.Current.CancellationToken))!;
        Assert.Contains(log, e => (string)e!["deviation"]! == "Stippled with an old brush." && (string)e["kind"]! == "done");
        Assert.Contains(log, e => (string)e!["kind"]! == "skipped");
    }

    // Read by another library than the one that wrote it.
    [Fact]
    public void The_calendar_is_read_by_another_program()
    {
        browser.Open("/evenings/plan");
        browser.Click("To my calendar");
        browser.Click("Make an address to follow");
        var address = "";
        browser.UntilTrue(() => (address = (string?)browser.Run("return document.querySelector('#feed-address')?.value ?? ''") ?? "").Contains("/api/plan/feed/", StringComparison.Ordinal), "the address");
        browser.Run(File.ReadAllText(Path.Combine(Path.GetDirectoryName(Environment.GetEnvironmentVariable("LOWFELL_AXE")!)!, "..", "ical.js", "dist", "ical.es5.min.cjs")) is var library
            ? $"const module = {{ exports: {{}} }}; const exports = module.exports; {library}; window.ICAL = module.exports.default ?? module.exports;"
            : "");
        browser.Run("fetch(arguments[0]).then(r => r.text()).then(t => { const c = new ICAL.Component(ICAL.parse(t)); window.read = c.getAllSubcomponents('vevent').map(v => new ICAL.Event(v)).map(e => [e.uid, e.summary, e.startDate.toJSDate() < e.endDate.toJSDate()]); })", address);
        browser.UntilTrue(() => (bool)browser.Run("return Array.isArray(window.read) && window.read.length > 0")!, "events");
        Assert.True((bool)browser.Run("return window.read.every(e => e[0].endsWith('@lowfell') && e[1].startsWith('Painting: ') && e[2]) && new Set(window.read.map(e => e[0])).size === window.read.length")!);
        browser.Click("End it");
        browser.Named("Make an address to follow");
    }
}
