using System.Globalization;
using Xunit;

namespace Lowfell.Browser.Tests;

/// <summary>Bottles, mixes and amounts as a painter works with them.</summary>
public sealed class ShelfAndMixesTests(DemoSession session) : IClassFixture<DemoSession>
{
    private readonly Browser browser = session.Browser;

    private string Text(string css) => browser.Until(() => browser.Find(css).Text, css);

    private void Says(string css, string words) => browser.UntilTrue(() => Text(css).Contains(words, StringComparison.Ordinal), $"'{words}' in {css}");

    private void OpenMaterial(string name, string tab)
    {
        browser.Open("/shelf");
        browser.Fill("Find on the shelf", name);
        browser.UntilTrue(() => browser.All("section[aria-label=Shelf] li").Count == 1, $"{name} alone");
        browser.Click(tab);
    }

    [Fact]
    public void A_mix_is_made_recorded_used_and_made_again()
    {
        browser.Open("/mixes");
        browser.Click("Mix");
        browser.Fill("Name", "Groyne grey");
        browser.Click("Component");
        browser.Choose("Component 1", "Pier Grey");
        browser.Click("Component");
        browser.Choose("Component 2", "Harbour Slate");
        browser.Click("Keep");
        browser.Click("Made", "section[aria-label=Mix]");
        browser.Fill("Made just now", "2");
        browser.Click("Write it down");
        browser.UntilTrue(() => browser.All("section[aria-label^='Made on']").Any(s => s.Text.Contains("2.00 ml left", StringComparison.Ordinal) || s.Text.Contains("2 ml left", StringComparison.Ordinal)), "the record");
        browser.Click("Use on copies");
        browser.Choose("Piece", "Straight");
        browser.Click("2", "[role=dialog]");
        browser.Click("3", "[role=dialog]");
        browser.Click("Note the use");
        Says("section[aria-label^='Made on']", "Straight 2–3");
        browser.Click("Make again");
        Says("[data-testid=again]", "Nothing: the same lots");
        browser.Click("Made it: write it down");
        browser.UntilTrue(() => browser.All("section[aria-label^='Made on']").Count == 2, "both records");
        browser.Reload();
        browser.Click("Groyne grey\n2 components");
        browser.Click("Made", "section[aria-label=Mix]");
        browser.UntilTrue(() => browser.All("section[aria-label^='Made on']").Count == 2, "both records after a reload");
    }

    [Fact]
    public void A_recipe_is_measured_out_in_whole_drops_and_to_a_jar()
    {
        browser.Open("/mixes");
        browser.Click("Brinegate Stone");
        Says("section[aria-label='Measure it out']", "Bone Shell");
        browser.Click("20 ml jar");
        browser.UntilTrue(() => browser.Find("section[aria-label='Measure it out'] tbody td:nth-child(2)").Text == "9", "half of 18 ml");
    }

    [Fact]
    public void A_ratio_is_solved_and_kept_as_a_mix()
    {
        browser.Open("/mixes");
        browser.Click("Solve a ratio");
        browser.Fill("Wanted colour", "#a5967a");
        browser.UntilTrue(() => browser.All("[data-testid=ratios] strong").Count > 0, "a ratio");
        var ratio = Text("[data-testid=ratios] strong");
        browser.Find("[data-testid=ratios] button").Click();
        browser.UntilTrue(() => browser.Field("Name").GetDomProperty("value")!.StartsWith(ratio.Split(" : ")[0], StringComparison.Ordinal), "the mix of it");
    }

    [Fact]
    public void A_shortage_shows_and_leaves_after_a_bottle_is_added()
    {
        OpenMaterial("Sea Glaze", "Bottles");
        browser.Fill("Left, ml", "0.1");
        browser.Click("Keep the bottle");
        Says("[data-testid=stock]", "0.1 ml left");
        browser.Open("/amounts");
        browser.Choose("Amounts of", "Brine pans");
        browser.UntilTrue(() => Verdict() == "short", "the shortage");
        OpenMaterial("Sea Glaze", "Bottles");
        browser.Click("New bottle");
        browser.UntilTrue(() => browser.All("section[aria-label=Material] li").Count == 2, "the new bottle");
        browser.Open("/amounts");
        browser.Choose("Amounts of", "Brine pans");
        browser.UntilTrue(() => Verdict() == "enough", "no shortage any more");

        string? Verdict() => browser.All("section[aria-label=Materials] tbody tr").FirstOrDefault(r => r.Text.StartsWith("Sea Glaze", StringComparison.Ordinal))?.GetDomAttribute("data-verdict");
    }

    [Fact]
    public void More_copies_take_more_and_a_figure_tells_how_it_came_about()
    {
        browser.Open("/amounts");
        browser.Choose("Amounts of", "Brine pans");
        browser.Click("How the amount of Tide Blue comes about");
        Says("[data-testid=terms]", "3 copies");
        var before = Total();
        browser.Fill("Copies of Shallow pan", "30");
        Says("[data-testid=terms]", "30 copies");
        browser.UntilTrue(() => Total() > before * 3, "more to mix");
        browser.Click("Back to the plan");
        browser.UntilTrue(() => Math.Abs(Total() - before) < 0.01, "the plan");

        double Total() => double.Parse(browser.All("[data-testid=terms] dd").Last().Text.Split(' ')[0], CultureInfo.InvariantCulture);
    }

    [Fact]
    public void Drops_are_weighed_on_the_scale()
    {
        OpenMaterial("Gannet Yellow", "Bottles");
        browser.Click("Drip 20 on the scale");
        browser.UntilTrue(() => browser.Run("return [...document.querySelectorAll('button')].find(b => b.innerText === 'Take it')?.disabled === false") is true, "a steady scale");
        browser.Click("Take it");
        browser.Click("Keep the drop size");
        Says("section[aria-label=Material]", "measured on this bottle");
    }

    [Fact]
    public void A_stripe_is_read_accepted_and_given_up_again()
    {
        OpenMaterial("Timber Stain", "Painted stripe");
        browser.Fill("Stripe over black", "#30241a");
        browser.Fill("Stripe over white", "#7a5a3c");
        Says("[data-testid=stripe-outcome]", "Sluice gate, Planks");
        browser.Click("Let predictions follow it");
        browser.Run("arguments[0].click()", browser.Named("Go back to it"));
        browser.UntilTrue(() => browser.All("section[aria-label=Material] li").Any(l => l.Text.Contains("declared swatch", StringComparison.Ordinal) && l.Text.Contains("in force", StringComparison.Ordinal)), "the swatch in force");
    }

    [Fact]
    public void A_csv_is_looked_through_before_it_is_taken()
    {
        var file = Path.Combine(Path.GetTempPath(), $"lowfell-{Guid.NewGuid():n}.csv");
        File.WriteAllText(file, "name,family,colour\nSpindrift,acrylicPaint,#dfe4e6\nRope Tan,acrylicPaint,#000000\nMuddle,acrylicPaint,blue\n");
        browser.Open("/shelf");
        browser.Click("Files");
        browser.Click("Bring in the CSV of another shelf…");
        browser.Find("input[type=file]").SendKeys(file);
        Says("[data-testid=import-summary]", "1 new, 0 more bottles, 1 on the shelf already, 1 that can’t be taken");
        Assert.Contains("write a colour as #rrggbb", Text("[role=dialog]"), StringComparison.Ordinal);
        browser.Run("[...document.querySelectorAll('[role=dialog] label')].find(l => l.innerText.includes('Leave out')).click()");
        browser.Click("Put on the shelf");
        browser.Fill("Find on the shelf", "spindrift");
        browser.UntilTrue(() => browser.All("section[aria-label=Shelf] li").Count == 1, "the new material");
        File.Delete(file);
    }

    [Fact]
    public void A_tile_shows_the_nearest_cell_and_gives_its_coats_to_a_stack()
    {
        browser.Open("/tiles");
        Assert.Contains("nearest", Text("[data-nearest]"), StringComparison.Ordinal);
        browser.Find("[data-nearest]").Click();
        browser.Choose("Zone", "Boiling house: Cut edges");
        browser.Click("Adopt the cell");
        browser.UntilTrue(() => browser.Path.StartsWith("/piece/", StringComparison.Ordinal) && new StackPage(browser).Count == 2, "the two coats of the cell");
        browser.Click("Undo");
        browser.UntilTrue(() => new StackPage(browser).Count == 4, "the coats that were there");
    }

    [Fact]
    public void An_older_set_is_matched()
    {
        browser.Open("/match");
        Says("[data-testid=match]", "Otter Wash is gone");
        Says("[data-testid=match]", "after:");
        browser.Choose("Zone to match", "Corner: Walkway");
        browser.Click("Make it that zone’s stack");
        browser.UntilTrue(() => browser.Path.StartsWith("/piece/", StringComparison.Ordinal) && new StackPage(browser).Count == 12, "the old set's twelve coats");
    }
}
