using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>From an empty bench to a first evening, counted as a painter feels it: each press on a control, and each value typed, pasted or chosen.</summary>
public sealed class FirstHourTests : IAsyncLifetime
{
    private const string Paints = "Lampblack\nSalt white\nRope tan\nPier grey\nMarsh green\nDark green\nDark brown\nRust brown\nRust orange\nBone\nBlack wash\nBlack primer can\nMatt varnish";
    private readonly LiveApp app = new(demo: false);
    private readonly Browser browser;
    private int clicks;
    private int fields;

    public FirstHourTests() => browser = new(app.Address);

    public ValueTask InitializeAsync() => ValueTask.CompletedTask;

    public async ValueTask DisposeAsync()
    {
        browser.Dispose();
        await app.DisposeAsync();
    }

    private void Press(string name, string within = "body")
    {
        clicks++;
        browser.Click(name, within);
    }

    private void Paste(string label, string text, bool focused = false)
    {
        clicks += focused ? 0 : 1;
        fields++;
        var field = browser.Field(label);
        field.Click();

        // A paste is one input, whatever its length.
        browser.Run("arguments[0].focus(); document.execCommand('insertText', false, arguments[1])", field, text);
    }

    private void Choose(string label, string option)
    {
        clicks += 2;
        fields++;
        browser.Choose(label, option);
    }

    [Fact]
    public async Task Six_walls_and_a_carrier_are_planned_in_12_presses_and_8_fields_and_begun_in_60_and_25()
    {
        browser.Open("/sets");
        Press("A ready scheme for what stands before you");
        Paste("A line for each kind of piece, with its number", "Wall, 6\nCarrier, 1", focused: true);
        clicks++;
        fields++;
        browser.Run("const e = arguments[0]; e.focus(); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(e, arguments[1]); e.dispatchEvent(new Event('input', { bubbles: true }))", browser.Field("Ready by"), DateTime.Today.AddDays(20).ToString("yyyy-MM-dd"));
        Paste("A name a line, or columns from a spreadsheet", Paints);
        browser.UntilTrue(() => browser.All("[data-testid=pieces-read] > li").Count == 2, "the pieces with their looks");
        browser.UntilTrue(() => browser.All("[data-testid=paint-rows] li").Count == 13, "the paints");
        Assert.Contains("missing", browser.Find("[data-testid=pieces-read]").Text, StringComparison.Ordinal);
        Press("Plan it");

        // The answer: will it hold, what does it look like, how much of what, when is it done.
        browser.UntilTrue(() => browser.Find("[data-testid=set-answer]").Text is var told && told.Contains("Nothing stands against it", StringComparison.Ordinal) && told.Contains(" ml to mix, of ", StringComparison.Ordinal) && told.Contains("in time for", StringComparison.Ordinal), "the first answer");
        Assert.True(clicks <= 12 && fields <= 8, $"{clicks} presses and {fields} fields to the first answer");
        TestContext.Current.TestOutputHelper?.WriteLine($"first answer: {clicks} presses, {fields} fields");

        // Another look for the hull: the coats are opened and a paint is changed; then the plan is held, and the evening begun.
        Press("Hull");
        browser.UntilTrue(() => browser.All("[data-coat]").Count == 6, "the coats of the hull");
        Press("Evenings");
        browser.Find("[data-testid=tonight]");
        Press("Plan", "main");
        Press("Hold to this plan");
        Press("Bench");
        browser.UntilTrue(() => browser.All("[data-testid=copies] button").Count > 0, "the first step on the card");
        Press("Start");
        clicks++;
        browser.Run("[...document.querySelectorAll('section[aria-label=Now] button')].find(b => b.innerText.startsWith('Done')).click()");
        JsonArray log = [];
        for (var tries = 0; log.Count == 0 && tries < 100; tries++)
        {
            await Task.Delay(100, TestContext.Current.CancellationToken);
            log = (await app.Http.GetFromJsonAsync<JsonArray>("/api/log", TestContext.Current.CancellationToken))!;
        }

        Assert.Contains(log, e => (string)e!["kind"]! == "done");
        Assert.True(clicks <= 60 && fields <= 25, $"{clicks} presses and {fields} fields in all");
        TestContext.Current.TestOutputHelper?.WriteLine($"whole job: {clicks} presses, {fields} fields");

        // What was told is gone from the form; steps that are done are no longer asked for.
        browser.Open("/begin");
        Assert.Equal("", browser.Field("A line for each kind of piece, with its number").GetDomProperty("value"));
        browser.Open("/sets");
        browser.Find("section[aria-label='Wall and Carrier']");
        Assert.Empty(browser.All("nav[aria-label='First steps']"));
        Assert.Empty(browser.Errors());
    }

    [Fact]
    public void By_the_keyboard_alone_and_on_a_phone()
    {
        browser.Resize(390, 844);
        browser.Open("/sets");
        To("A ready scheme for what stands before you");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => browser.Active.TagName == "textarea", "the first question");
        browser.Press("Barrel, 4");
        To("Tick them on a starter shelf");
        browser.Press(Keys.Enter);
        To("Tick all 40");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => browser.Find("[data-testid=pieces-read]").Text.Contains("4 x Barrel", StringComparison.Ordinal), "the barrels");
        Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!);
        To("Scheme of Barrel, All over");
        browser.Press(Keys.Space);
        browser.UntilTrue(() => browser.All("[role=option]").Count == 20, "the ready schemes");
        browser.Press("Rope");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => browser.Find("[data-testid=pieces-read]").Text.Contains("Rope and sacking", StringComparison.Ordinal), "the chosen scheme");
        ToBefore("Plan it");
        browser.Press(Keys.Enter);
        browser.UntilTrue(() => browser.Find("[data-testid=set-answer]").Text.Contains("Nothing stands against it", StringComparison.Ordinal), "the answer");
        Assert.True((bool)browser.Run("return document.documentElement.scrollWidth <= window.innerWidth")!);
        Assert.Empty(browser.Errors());
    }

    private void To(string name) => Tab(name, Keys.Tab);

    private void ToBefore(string name) => Tab(name, Keys.Shift + Keys.Tab);

    private void Tab(string name, string key)
    {
        for (var i = 0; i < 120; i++)
        {
            if (browser.Active.GetDomAttribute("aria-label") == name || browser.Active.Text.StartsWith(name, StringComparison.Ordinal))
            {
                return;
            }

            browser.Press(key);
        }

        Assert.Fail($"No key leads to '{name}'.");
    }
}
