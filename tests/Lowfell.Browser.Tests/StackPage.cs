using OpenQA.Selenium;

namespace Lowfell.Browser.Tests;

/// <summary>The stack screen, as a painter reads it.</summary>
public sealed class StackPage(Browser browser)
{
    public static StackPage Open(Browser browser, string zoneId)
    {
        browser.Open($"/zone/{zoneId}");
        var page = new StackPage(browser);
        page.Ready();
        return page;
    }

    public IReadOnlyList<string> Coats => [.. browser.All("[data-coat]").Select(e => e.Text.Split('\n')[0]).Reverse()];

    public int Count => browser.All("[data-coat]").Count;

    public string FinishedFace => browser.Find("[data-testid=finished] [data-height=face]").GetDomAttribute("data-hex")!;

    public string Saved => browser.Find("[data-save]").GetDomAttribute("data-save")!;

    public IReadOnlyList<string> Rules => [.. browser.All("[data-rule]").Select(e => e.GetDomAttribute("data-rule")!)];

    public void Ready() => browser.UntilTrue(() => browser.All("[data-testid=finished] [data-height=face]").Count > 0, "a predicted stack");

    public void UntilKept() => browser.UntilTrue(() => Saved == "saved", "a kept stack");

    public void Select(int index)
    {
        Stratum(index).Click();
        browser.UntilTrue(() => Stratum(index).GetDomAttribute("aria-current") == "true", "the coat in hand");
    }

    public IWebElement Stratum(int index) => browser.All("[data-coat]")[Count - 1 - index];
}
