using System.Collections.ObjectModel;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace Lowfell.Browser.Tests;

/// <summary>A headless Chromium of 1280 x 800, with waits that read like a painter's next look.</summary>
public sealed class Browser : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);
    // A machine that stood still for half a minute has not been looked at for half a minute.
    private const int LeastLooks = 50;
    // One look in the page itself: asking element by element over the wire is slow, and the page may draw itself anew meanwhile.
    private const string FindByName = """
        const [name, within] = arguments;
        const all = [...document.querySelectorAll(`${within} button, ${within} a, [role=menuitem], [role=option], ${within} [role=radio]`)];
        return all.find(e => e.checkVisibility() && !e.disabled && (e.getAttribute("aria-label") === name || e.innerText.trim() === name || e.innerText.trim().startsWith(name + "\n"))) ?? null;
        """;

    private readonly ChromeDriver driver;
    private readonly string profile = Directory.CreateTempSubdirectory("lowfell-browser").FullName;

    public Browser(string address, int width = 1280, int height = 800)
    {
        Address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--lang=en-GB", "--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--enable-unsafe-swiftshader", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update",
            "--disable-sync", "--disable-default-apps", "--force-device-scale-factor=1", "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost", $"--user-data-dir={profile}");
        options.SetLoggingPreference(LogType.Browser, LogLevel.Severe);
        var service = ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        driver = new ChromeDriver(service, options);
        Resize(width, height);
    }

    public string Address { get; }

    public string Path => new Uri(driver.Url).AbsolutePath;

    public IWebElement Active => driver.SwitchTo().ActiveElement();

    public void Resize(int width, int height) => driver.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride", new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = false });

    /// <summary>What Chromium tells a screen reader, in order: role, name, and the states that are on or have a value.</summary>
    public IReadOnlyList<Told> Told()
    {
        var tree = (Dictionary<string, object>)driver.ExecuteCdpCommand("Accessibility.getFullAXTree", [])!;
        return
        [
            .. ((IEnumerable<object>)tree["nodes"]).Cast<Dictionary<string, object>>().Where(n => n["ignored"] is false && n.ContainsKey("role")).Select(n => new Told(
                Value(n["role"]),
                n.TryGetValue("name", out var name) ? Value(name) : "",
                n.TryGetValue("properties", out var states)
                    ? ((IEnumerable<object>)states).Cast<Dictionary<string, object>>().ToDictionary(p => (string)p["name"], p => Value(p["value"]))
                    : [])),
        ];

        static string Value(object of) => ((Dictionary<string, object>)of).TryGetValue("value", out var value) ? Convert.ToString(value, System.Globalization.CultureInfo.InvariantCulture)! : "";
    }

    /// <summary>Pulls the plug, or puts it back.</summary>
    public void Offline(bool offline)
    {
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions", new Dictionary<string, object?> { ["offline"] = offline, ["latency"] = 0, ["downloadThroughput"] = -1, ["uploadThroughput"] = -1 });
    }

    public void Open(string path) => driver.Navigate().GoToUrl(Address + path);

    /// <summary>Closes the page, as a painter closes a tab.</summary>
    public void Leave() => driver.Navigate().GoToUrl("about:blank");

    /// <summary>Opens another tab of the same browser, and goes to it.</summary>
    public void NewTab() => driver.SwitchTo().NewWindow(WindowType.Tab);

    /// <summary>Goes to a tab, by the order in which they were opened.</summary>
    public void Tab(int number) => driver.SwitchTo().Window(driver.WindowHandles[number]);

    public void Reload() => driver.Navigate().Refresh();

    public object? Run(string script, params object[] args) => driver.ExecuteScript(script, args);

    /// <summary>A script that calls back with a number.</summary>
    public double RunAsync(string script) => Convert.ToDouble(driver.ExecuteAsyncScript(script), System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>An attribute of everything that is found, in one look.</summary>
    public IReadOnlyList<string> Attributes(string css, string name) =>
        [.. ((ReadOnlyCollection<object>)Run("return [...document.querySelectorAll(arguments[0])].map(e => e.getAttribute(arguments[1]) ?? '')", css, name)!).Cast<string>()];

    public IWebElement Find(string css) => Until(() => All(css).FirstOrDefault(e => e.Displayed), $"an element {css}");

    public ReadOnlyCollection<IWebElement> All(string css) => driver.FindElements(By.CssSelector(css));

    /// <summary>A button, link, tab or option by its words or label.</summary>
    public IWebElement Named(string name, string within = "body") => Until(() => Run(FindByName, name, within) as IWebElement, $"something to press called '{name}'");

    /// <summary>Presses it; what was drawn anew between the look and the press is looked for again.</summary>
    public void Click(string name, string within = "body") => UntilTrue(
        () =>
        {
            try
            {
                Named(name, within).Click();
                return true;
            }
            catch (StaleElementReferenceException)
            {
                return false;
            }
        },
        $"'{name}' to stay until it is pressed");

    public IWebElement Field(string label) => Until(
        () => driver.FindElements(By.XPath($"//label[normalize-space()='{label}']")).Select(l => l.GetDomAttribute("for")).Where(id => id is not null).Select(id => driver.FindElements(By.Id(id!)).FirstOrDefault()).FirstOrDefault(e => e?.Displayed == true)
            ?? All($"[aria-label='{label}'], button[aria-haspopup][aria-label^='{label}: ']").FirstOrDefault(e => e.Displayed),
        $"a field '{label}'");

    public void Fill(string label, string text)
    {
        var field = Field(label);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(text);
    }

    /// <summary>Chooses from a list; a long one is narrowed by typing the name first.</summary>
    public void Choose(string label, string option)
    {
        Field(label).Click();
        Until(() => All("[role=option]").FirstOrDefault(o => o.Displayed), $"the options of {label}");
        All("input[cmdk-input]").FirstOrDefault(e => e.Displayed)?.SendKeys(option);
        Until(() => All("[role=option]").FirstOrDefault(o => o.Displayed && o.Text.Trim() == option), $"the option {option}").Click();
    }

    public void Press(string keys) => new Actions(driver).SendKeys(keys).Perform();

    public void PressWithAlt(string key) => new Actions(driver).KeyDown(Keys.Alt).SendKeys(key).KeyUp(Keys.Alt).Perform();

    public void PressWithCtrl(string key, bool shift = false)
    {
        var held = new Actions(driver).KeyDown(Keys.Control);
        held = shift ? held.KeyDown(Keys.Shift).SendKeys(key).KeyUp(Keys.Shift) : held.SendKeys(key);
        held.KeyUp(Keys.Control).Perform();
    }

    public void Drag(IWebElement from, int byY) => new Actions(driver).MoveToElement(from).ClickAndHold().MoveByOffset(0, Math.Sign(byY) * 10).MoveByOffset(0, byY - (Math.Sign(byY) * 10)).Release().Perform();

    public T Until<T>(Func<T?> look, string what)
        where T : class
    {
        var end = DateTime.UtcNow + Patience;
        for (var looks = 1; ; looks++)
        {
            try
            {
                if (look() is { } found)
                {
                    return found;
                }
            }
            catch (Exception stale) when (stale is StaleElementReferenceException or NoSuchElementException)
            {
                // The page has drawn itself anew; look again.
            }

            if (DateTime.UtcNow > end && looks >= LeastLooks)
            {
                throw new TimeoutException($"There never was {what}. The page said:\n{driver.FindElement(By.TagName("body")).Text}");
            }

            Thread.Sleep(40);
        }
    }

    public void UntilTrue(Func<bool> look, string what) => Until(() => look() ? "yes" : null, what);

    public void Shot(string file) => driver.GetScreenshot().SaveAsFile(file);

    /// <summary>Errors that the page itself has logged.</summary>
    public IReadOnlyList<string> Errors() => [.. driver.Manage().Logs.GetLog(LogType.Browser).Select(l => l.Message)];

    public void Dispose()
    {
        driver.Quit();
        driver.Dispose();
        Directory.Delete(profile, recursive: true);
    }
}

/// <summary>One thing that a screen reader is told.</summary>
/// <param name="Role">What it is.</param>
/// <param name="Name">What it is called.</param>
/// <param name="States">Its states.</param>
public sealed record Told(string Role, string Name, IReadOnlyDictionary<string, string> States);
