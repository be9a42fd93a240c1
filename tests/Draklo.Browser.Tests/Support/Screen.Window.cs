using OpenQA.Selenium;

namespace Draklo.Browser.Tests.Support;

/// <summary>The window itself: its tabs, its network, and what runs before each page.</summary>
public sealed partial class Screen
{
    /// <summary>Leaves out what a page does of its own once it has been open for this long, in this window for good.</summary>
    public void LeavesOut(int afterMs) =>
        driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new()
            {
                ["source"] =
                    $"{{const later = setTimeout; window.setTimeout = (f, ms, ...a) => ms === {afterMs} ? 0 : later(f, ms, ...a);}}",
            }
        );

    /// <summary>Does something in another tab of the same browser, which closes then; the first one stays as it was.</summary>
    public void InNewTab(Action act)
    {
        var first = driver.CurrentWindowHandle;
        driver.SwitchTo().NewWindow(WindowType.Tab);
        Resize(width, height);
        act();
        driver.Close();
        driver.SwitchTo().Window(first);
    }

    /// <summary>Takes this window's network away, or gives it back.</summary>
    public void InReach(bool isIn)
    {
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new()
            {
                ["offline"] = !isIn,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>Runs a script before everything else on each page that opens from now on.</summary>
    public void OnEachPage(string script)
    {
        var made =
            (Dictionary<string, object>)
                driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = script })!;
        scripts.Add((string)made["identifier"]);
    }
}
