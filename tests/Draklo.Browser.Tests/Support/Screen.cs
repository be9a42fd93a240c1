using System.Diagnostics;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace Draklo.Browser.Tests.Support;

/// <summary>One Chromium window, and what a person does with it.</summary>
public sealed partial class Screen : IDisposable
{
    private static readonly string[] Flags =
    [
        "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--hide-scrollbars",
        "--force-device-scale-factor=1",
        "--disable-dev-shm-usage",
        "--disable-extensions",
        "--disable-component-extensions-with-background-pages",
        "--disable-default-apps",
        "--mute-audio",
        // Pages that were left are not kept alive, and none is begun in advance: two windows share two processors.
        "--disable-features=BackForwardCache,SpareRendererForSitePerProcess,Translate,OptimizationHints,MediaRouter",
        // A window keeps its process from test to test, with the scripts it has compiled: half of what a page costs.
        "--disable-site-isolation-trials",
        "--process-per-site",
        // Nothing here has a GPU, and no page lives long enough for its scripts to be worth compiling twice, or for threads
        // that collect what it leaves.
        "--in-process-gpu",
        "--disable-software-rasterizer",
        "--js-flags=--no-opt,--single-threaded-gc,--min-semi-space-size=16",
    ];

    /// <summary>The program itself: the driver ends what it began, and Debian's script of this name begins another.</summary>
    private const string Shell = "/usr/lib/chromium/chromium-headless-shell";

    /// <summary>Tests wait for what they need and for no time; this long only where it does not come. Beside builds and other
    /// tests a search at the server's lowest priority takes a minute and more.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(150);

    private static readonly TimeSpan FirstPause = TimeSpan.FromMilliseconds(40);
    private static readonly TimeSpan LongestPause = TimeSpan.FromMilliseconds(250);

    private readonly ChromeDriver driver;
    private readonly List<string> scripts = [];
    private readonly int width;
    private readonly int height;

    /// <param name="profile">A folder that outlives this window, as a device that is switched off and on again; left out, none
    /// does.</param>
    /// <param name="trustsAll">Takes any certificate, as a device that was made to trust the yard takes the yard's.</param>
    public Screen(string address, int width = 1280, int height = 800, string? profile = null, bool trustsAll = false)
    {
        Address = address;
        this.width = width;
        this.height = height;
        var options = new ChromeOptions
        {
            // With a folder of its own the shell opens no page that the driver could take.
            BinaryLocation = (profile is null && File.Exists(Shell) ? Shell : null) ?? Find("chromium"),
        };
        options.AddArguments(Flags);
        options.AddArgument("--lang=en-GB");
        if (profile is not null)
        {
            options.AddArgument($"--user-data-dir={profile}");
        }

        if (trustsAll)
        {
            options.AddArgument("--ignore-certificate-errors");
        }

        options.SetLoggingPreference(LogType.Browser, LogLevel.All);
        var driverPath = Find("chromedriver");
        var service = ChromeDriverService.CreateDefaultService(
            Path.GetDirectoryName(driverPath)!,
            Path.GetFileName(driverPath)
        );
        service.SuppressInitialDiagnosticInformation = true;
        driver = new ChromeDriver(service, options, TimeSpan.FromSeconds(60));
        Resize(width, height);
    }

    public string Address { get; }

    /// <summary>Knows a job by the beginning of its name; without, or where it knows none, jobs are opened from the list.</summary>
    public Func<string, string?>? PathOf { get; init; }

    public string Title => driver.Title;

    public void Resize(int width, int height) =>
        driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new()
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    /// <summary>Leaves the application, clears what the browser keeps of it, and goes back to the first size.</summary>
    public void Forget()
    {
        // A save on its way would reach the job after it was looked at whether anything of it changed.
        Until(() => Count("[data-save='saving']") == 0, "the last save to go through");
        driver.Navigate().GoToUrl("about:blank");
        foreach (var script in scripts)
        {
            driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new() { ["identifier"] = script });
        }

        scripts.Clear();
        driver.ExecuteCdpCommand(
            "Storage.clearDataForOrigin",
            new() { ["origin"] = Address, ["storageTypes"] = "all" }
        );
        Resize(width, height);
        Complaints();
    }

    public void Open(string path = "/")
    {
        driver.Navigate().GoToUrl(Address + path);
        Until(() => Count("h1, [role=alert]") > 0, "the page to open");
    }

    /// <summary>Opens the sheet of a job by the beginning of its name.</summary>
    public void OpenJob(string name)
    {
        if (PathOf?.Invoke(name) is { } path)
        {
            driver.Navigate().GoToUrl(Address + path);
        }
        else
        {
            Open();
            Click($"[data-job^='{name}'] a");
        }

        Until(() => Count("[data-handle]") > 0 && Count("[data-verdict]") > 0, "the sheet to be drawn");
    }

    /// <summary>From the sheet to its brief: by the head, or by the list of steps where the head has no room.</summary>
    public void ToBrief()
    {
        if (Run("return innerWidth >= 768") is true)
        {
            Click("header a[href$='/brief']");
        }
        else
        {
            Press("All steps");
            Find(By.XPath("//*[@role='menuitem'][normalize-space(.)='Brief']")).Click();
        }

        Until(() => Count("[data-brief] [data-brief-plan]") == 1, "the brief");
    }

    public void Reload()
    {
        driver.Navigate().Refresh();
        Until(() => Count("[data-handle]") > 0, "the sheet to be drawn again");
    }

    public void Reload(string ready)
    {
        driver.Navigate().Refresh();
        Until(() => Count(ready) > 0, "the page again");
    }

    public void Click(string css) => Retry(() => Find(By.CssSelector(css)).Click());

    /// <summary>Presses the button, tab, choice or menu entry with this text.</summary>
    public void Press(string text) =>
        Retry(() =>
            Find(
                    By.XPath(
                        $"//*[self::button or self::a or @role='menuitem' or @role='option' or self::label[input[@type='radio']]][normalize-space(.)=\"{text}\"]"
                    )
                )
                .Click()
        );

    /// <summary>Types into the field with this label, after clearing it, and presses Enter.</summary>
    public void Type(string label, string text, string end = "\uE007") =>
        Retry(() =>
        {
            var field = Field(label);
            field.Click();
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(text + end);
        });

    public string ValueOf(string label) => Field(label).GetDomProperty("value") ?? "";

    public void Send(string keys) => Hand().SendKeys(keys).Perform();

    public void Chord(string modifier, string key, string? second = null)
    {
        var actions = Hand().KeyDown(modifier);
        if (second is not null)
        {
            actions.KeyDown(second);
        }

        actions.SendKeys(key);
        if (second is not null)
        {
            actions.KeyUp(second);
        }

        actions.KeyUp(modifier).Perform();
    }

    /// <summary>Takes hold of something and moves it in small steps, as a hand does.</summary>
    /// <param name="each">How long each step takes; left out, no longer than it must.</param>
    public void Drag(string css, int across, int down, int steps = 8, TimeSpan? each = null)
    {
        var actions = Hand(each).MoveToElement(Find(By.CssSelector(css))).ClickAndHold();
        for (var i = 0; i < steps; i++)
        {
            actions.MoveByOffset(across / steps, down / steps);
        }

        actions.Release().Perform();
    }

    /// <summary>Takes hold of something and keeps it, until <see cref="LetGo"/>.</summary>
    public void Hold(string css) =>
        Hand().MoveToElement(Find(By.CssSelector(css))).ClickAndHold().MoveByOffset(0, 4).Perform();

    public void LetGo() => Hand().Release().Perform();

    /// <summary>Clicks a place inside something, pixels from its upper left corner.</summary>
    public void ClickAt(string css, int across, int down)
    {
        var size = Find(By.CssSelector(css)).Size;
        Hand()
            .MoveToElement(Find(By.CssSelector(css)), across - (size.Width / 2), down - (size.Height / 2))
            .Click()
            .Perform();
    }

    /// <summary>Time spent in script since the page opened.</summary>
    public TimeSpan InScript()
    {
        driver.ExecuteCdpCommand("Performance.enable", []);
        var answer = (Dictionary<string, object>)driver.ExecuteCdpCommand("Performance.getMetrics", [])!;
        var metrics = ((object[])answer["metrics"]).Cast<Dictionary<string, object>>();
        return TimeSpan.FromSeconds(Convert.ToDouble(metrics.Single(m => "ScriptDuration".Equals(m["name"]))["value"]));
    }

    /// <summary>Waits until it is there: a page draws in its own time.</summary>
    public void Focus(string css)
    {
        Until(() => Count(css) > 0, css);
        Run("document.querySelector(arguments[0]).focus()", css);
    }

    /// <summary>Moves without the quarter of a second that the package takes for each by default.</summary>
    private Actions Hand(TimeSpan? each = null) => new(driver, each ?? TimeSpan.FromMilliseconds(10));

    public object? Run(string script, params object[] args) => driver.ExecuteScript(script, args);

    public object? RunAsync(string script, params object[] args) => driver.ExecuteAsyncScript(script, args);

    public void Upload(string css, string file) => driver.FindElement(By.CssSelector(css)).SendKeys(file);

    /// <summary>Waits until something is so, asking less and less often: each question costs the processors that answer it.</summary>
    public void Until(Func<bool> isSo, string what)
    {
        var since = Stopwatch.StartNew();
        var pause = FirstPause;
        while (!IsSo(isSo))
        {
            if (since.Elapsed > Patience)
            {
                throw new InvalidOperationException(
                    $"No sign of {what}. The page says: {driver.FindElement(By.TagName("body")).Text}"
                );
            }

            Thread.Sleep(pause);
            pause = pause * 1.5 < LongestPause ? pause * 1.5 : LongestPause;
        }
    }

    private static bool IsSo(Func<bool> isSo)
    {
        try
        {
            return isSo();
        }
        catch (StaleElementReferenceException)
        {
            return false;
        }
    }

    /// <summary>Waits on the page about this device until application, core and jobs are stored on it.</summary>
    public void TakeAlong()
    {
        Open("/tablet");
        Until(() => Count("html[data-core='here']") == 1, "the core to be stored on the device");
        Until(() => Count("[data-along] li") > 0, "the jobs to be taken along");
    }

    /// <summary>How many things lie on some of the shelves of this device.</summary>
    public long OnShelves(params string[] shelves) =>
        (long)
            RunAsync(
                """
                const [names, done] = arguments;
                indexedDB.open('draklo').onsuccess = ({ target }) => {
                  const from = target.result.transaction(names);
                  const counts = names.map(name => from.objectStore(name).count());
                  from.oncomplete = () => {
                    target.result.close();
                    done(counts.reduce((sum, c) => sum + c.result, 0));
                  };
                };
                """,
                (object)shelves
            )!;

    public void UntilSaved() =>
        Until(() => Attribute("[data-save]", "data-save") == "saved", "the save to be acknowledged");

    /// <summary>What the browser complained of, but for refusals that a test provoked.</summary>
    public IReadOnlyList<string> Complaints() =>
        driver
            .Manage()
            .Logs.GetLog(LogType.Browser)
            .Where(l =>
                l.Level >= LogLevel.Warning && !l.Message.Contains("Failed to load resource", StringComparison.Ordinal)
            )
            .Select(l => l.Message)
            .ToList();

    /// <summary>Every request of this page that went anywhere but to the application.</summary>
    public IReadOnlyList<string> OutsideRequests() =>
        ((IEnumerable<object>)Run("return performance.getEntriesByType('resource').map(e => e.name)")!)
            .Cast<string>()
            .Where(u =>
                !u.StartsWith(Address, StringComparison.Ordinal) && !u.StartsWith("data:", StringComparison.Ordinal)
            )
            .ToList();

    /// <summary>Lets fonts and two frames come, so that a picture shows what a person sees.</summary>
    public void Settle() =>
        RunAsync(
            "const done = arguments[arguments.length - 1]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())));"
        );

    /// <summary>The page as the browser prints it, a PDF; paper in inches.</summary>
    public byte[] Print(double width, double height)
    {
        var answer =
            (Dictionary<string, object>)
                driver.ExecuteCdpCommand(
                    "Page.printToPDF",
                    new()
                    {
                        ["paperWidth"] = width,
                        ["paperHeight"] = height,
                        ["printBackground"] = true,
                    }
                )!;
        return Convert.FromBase64String((string)answer["data"]);
    }

    public void Picture(string file) => ((ITakesScreenshot)driver).GetScreenshot().SaveAsFile(file);

    public void Dispose()
    {
        driver.Quit();
        driver.Dispose();
    }

    private IWebElement Field(string label) =>
        Find(By.XPath($"//input[@id=//label[normalize-space(.)=\"{label}\"]/@for]"));

    private T Wait<T>(string what, Func<T?> look)
        where T : class
    {
        T? found = null;
        Until(() => (found = look()) is not null, what);
        return found!;
    }

    private static void Retry(Action act) =>
        Retry<object?>(() =>
        {
            act();
            return null;
        });

    // React may replace an element between finding and using it; a person would not notice.
    private static T Retry<T>(Func<T> act)
    {
        for (var attempt = 0; ; attempt++)
        {
            try
            {
                return act();
            }
            catch (WebDriverException e)
                when (attempt < 5 && e is StaleElementReferenceException or ElementClickInterceptedException)
            {
                Thread.Yield();
            }
        }
    }

    private static string Find(string program) =>
        Where(program) ?? throw new InvalidOperationException($"{program} is not installed: ./check installs it.");

    private static string? Where(string program) =>
        (Environment.GetEnvironmentVariable("PATH") ?? "")
            .Split(':')
            .Select(p => Path.Combine(p, program))
            .FirstOrDefault(File.Exists);
}
