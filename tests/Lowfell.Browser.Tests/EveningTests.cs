using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>A painter's day, from the plan to the log.</summary>
public sealed class EveningTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private void Says(string css, string words) => browser.UntilTrue(() => browser.Find(css).Text.Contains(words, StringComparison.Ordinal), $"'{words}' in {css}");

    [Fact]
    public void The_plan_is_followed_by_keyboard_a_step_is_done_and_stands_in_the_log()
    {
        browser.Open("/evenings/plan");
        Says("[data-testid=verdict]", "Done ");
        Says("[data-testid=what-ifs]", "warm air");
        var steps = browser.All("[data-testid=evenings] ol button");
        Assert.True(steps.Count > 15);
        browser.Run("document.querySelectorAll('[data-testid=evenings] ol button')[3].focus()");
        browser.Press(OpenQA.Selenium.Keys.Enter);
        browser.UntilTrue(() => browser.All("[data-testid=evenings] ol button")[3].GetDomAttribute("aria-current") == "true", "the step in hand");
        var paint = browser.Find("[data-testid=step] h2").Text;
        var before = browser.Find("[data-testid=verdict]").Text;
        var panel = browser.Find("[data-testid=step]").Text;
        browser.Click("‹ Earlier");
        browser.UntilTrue(() => browser.Find("[data-testid=step]").Text != panel, "the step before");
        browser.Click("Later ›");
        browser.UntilTrue(() => browser.Find("[data-testid=step] h2").Text == paint, "the step again");
        browser.Run("[...document.querySelectorAll('[data-testid=step] button')].find(b => b.innerText.startsWith('Done for')).click()");
        browser.UntilTrue(() => browser.Find("[data-testid=verdict]").Text != before, "another plan");
        browser.Open("/log");
        Says("[data-testid=log] section > ul > li", paint.Split(',')[0].Split(' ')[^1]);
        browser.Fill("Find in the log", "tide mark");
        browser.UntilTrue(() => browser.All("[data-testid=log] section > ul > li").Count == 1, "the one problem");
    }

    [Fact]
    public void One_more_evening_is_kept_and_moves_the_plan()
    {
        browser.Open("/evenings/plan");
        Says("[data-testid=verdict]", "Done ");
        var before = browser.Find("[data-testid=verdict]").Text;
        browser.Click("Calendar");
        browser.Click("Evening", "section[aria-label='Calendar and room']");
        browser.Click("Read the room sensor");
        browser.Click("Keep");
        browser.UntilTrue(() => browser.All(".toast").Any(t => t.Text.StartsWith("Kept", StringComparison.Ordinal)), "that it is kept");
        browser.Click("Plan");
        browser.UntilTrue(() => browser.Find("[data-testid=verdict]").Text != before, "another plan");
        browser.Open("/evenings/calendar");
        browser.UntilTrue(() => browser.All("[aria-label^='Day of evening']").Count == 4, "four evenings");
    }

    [Fact]
    public void Only_some_sets_are_planned_and_remembered()
    {
        browser.Open("/evenings/plan");
        Says("[data-testid=verdict]", "Done ");
        browser.Run("[...document.querySelectorAll('label')].find(l => l.innerText === 'Brine pans').click()");
        browser.UntilTrue(OnlyPans, "the pans alone");
        browser.Reload();
        browser.UntilTrue(OnlyPans, "the pans alone after a reload");
        browser.Run("localStorage.removeItem('lowfell.plannedSets')");

        // Bars too narrow to be pressed are no buttons: a short evening may have none but those.
        bool OnlyPans() => browser.Attributes("[data-testid=evenings] ol li > [title]:not([aria-hidden])", "title") is { Count: > 0 } steps && steps.All(s => s.Contains("Shallow pan", StringComparison.Ordinal));
    }
}
