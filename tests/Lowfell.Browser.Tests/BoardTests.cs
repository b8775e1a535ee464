using System.Text.Json.Nodes;
using System.Net.Http.Json;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>Pieces on the table, and the lines that run on over them.</summary>
public sealed class BoardTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private string Row(string copy) => browser.All("[data-testid=heights] tr").Select(r => r.Text).FirstOrDefault(t => t.StartsWith(copy, StringComparison.Ordinal)) ?? "";

    private void Says(string copy, string words) => browser.UntilTrue(() => Row(copy).Contains(words, StringComparison.Ordinal), $"'{words}' of {copy}");

    [Fact]
    public async Task A_wall_is_put_up_dragged_onto_a_plinth_undone_and_is_there_after_a_reload()
    {
        var sets = (await session.App.Http.GetFromJsonAsync<JsonArray>("/api/sets"))!;
        var set = sets.Single(s => (string)s!["name"]! == "Sea wall")!;
        browser.Open($"/sets/{set["id"]}");
        browser.Click("Board");
        Says("Straight 3", "22 mm, 16 mm, 10 mm");
        Says("Straight 4", "10 mm");
        Says("Straight 5", "fades at its right side");

        // The seventh comes at the end of the row, and is set on a plinth of its own.
        browser.Click("Put one");
        Says("Straight 7", "22 mm");
        browser.Fill("Left foot above the table", "6");
        Says("Straight 7", "16 mm");
        browser.Click("Undo");
        Says("Straight 7", "22 mm");

        // Dragged away it meets nothing; dragged back it lies against its neighbour again.
        browser.Drag(browser.Find("[aria-label='Straight 7']"), 80);
        browser.UntilTrue(() => browser.Find("[data-testid=chosen-copy]").Text.Contains("push it against another piece", StringComparison.Ordinal), "that it meets nothing");
        browser.Click("Undo");
        browser.UntilTrue(() => browser.Find("[data-testid=joins]").Text.Contains("Straight 6", StringComparison.Ordinal), "its neighbour");

        browser.Reload();
        Says("Straight 7", "22 mm");
        Assert.Empty(browser.All("[data-testid=board-faults]"));

        // On paper each copy has a card at true size.
        Assert.Equal(7L, browser.Run("return document.querySelectorAll('[data-testid=board-card]').length"));
        Assert.Equal("150mm", browser.Run("return document.querySelector('[data-testid=board-card] svg').dataset.length"));
    }
}
