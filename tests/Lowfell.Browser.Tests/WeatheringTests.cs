using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>What a piece went through, and the marks that follow: proposed, moved, put into the coats, printed.</summary>
public sealed class WeatheringTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private bool Has(string kind) => browser.All("[data-testid=weather-entry]").Any(r => r.Text.Contains(kind, StringComparison.Ordinal));

    private string FirstMark() => browser.All("[data-testid=faces] [role=button]").Select(m => m.GetAttribute("aria-label")!).FirstOrDefault(l => l.StartsWith("rain streak", StringComparison.Ordinal)) ?? "";

    [Fact]
    public async Task Rain_is_proposed_moved_by_hand_put_into_the_coats_and_printed()
    {
        var sets = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!;
        var piece = (string)sets.Single(s => (string)s!["name"]! == "Sea wall")!["pieces"]!.AsArray().Single(p => (string)p!["piece"]!["name"]! == "Corner")!["id"]!;
        browser.Open($"/piece/{piece}/weathering");
        browser.Click("rain");
        browser.UntilTrue(() => browser.Find("[data-testid=history-told]").Text.Contains("rain", StringComparison.Ordinal), "the history in words");
        browser.Click("Propose marks");
        browser.UntilTrue(() => Has("rain streak"), "the proposal");

        // By the keys, then by the hand; both stay, and both are undone.
        var before = FirstMark();
        browser.Find("[data-testid=faces] [role=button][aria-label^='rain streak']").SendKeys(Keys.ArrowRight);
        browser.UntilTrue(() => FirstMark() != before, "the mark beside where it was");
        var moved = FirstMark();
        browser.Drag(browser.Find("[data-testid=faces] [role=button][aria-label^='rain streak']"), 60);
        browser.UntilTrue(() => FirstMark() != moved, "the mark where it was dragged");
        browser.UntilTrue(() => browser.All("button").Any(b => b.Text == "Draw this copy again"), "that this copy is held");
        browser.Click("Undo");
        browser.UntilTrue(() => FirstMark() == moved, "it back where the keys had put it");

        // One kind dropped, another added.
        var kinds = browser.All("[data-testid=weather-entry]").Count;
        browser.Click("Drop: grime");
        browser.UntilTrue(() => browser.All("[data-testid=weather-entry]").Count == kinds - 1, "one kind less");
        browser.Click("Add a mark to Stone courses");
        browser.Click("bird-lime");
        browser.UntilTrue(() => Has("bird-lime"), "the new kind");

        browser.Click("Put into the coats");
        browser.UntilTrue(() => browser.All("[data-testid=weather-entry]").All(r => r.Text.Contains("in the coats", StringComparison.Ordinal)), "all in the coats");
        browser.Reload();
        browser.UntilTrue(() => Has("bird-lime"), "the plan after a reload");

        // On paper each copy has its card.
        browser.Run("window.print = () => { window.printed = document.querySelectorAll('[data-testid=weather-cards] img').length; }");
        browser.Click("Cards");
        browser.UntilTrue(() => browser.Run("return window.printed ?? 0") is long and >= 4, "the cards of four copies");
    }
}
