using System.Diagnostics;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests.Support;

/// <summary>What a person sees and reads of a page.</summary>
public sealed partial class Screen
{
    /// <summary>
    /// What a person can see and read of the page, asked at one go: the package asks three times, with scripts of its own
    /// that take most of a test's time.
    /// </summary>
    private const string Eyes = """
        const isSeen = (e) =>
          e.checkVisibility({ visibilityProperty: true, opacityProperty: true }) && e.getClientRects().length > 0;
        function seen(how, what) {
          if (how === "css selector") return [...document.querySelectorAll(what)].find(isSeen) ?? null;
          const all = document.evaluate(what, document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE, null);
          for (let i = 0; i < all.snapshotLength; i++) if (isSeen(all.snapshotItem(i))) return all.snapshotItem(i);
          return null;
        }
        const read = (e) =>
          (e.innerText ?? e.textContent)
            .split("\n")
            .map((line) => line.replace(/[\t\u00a0 ]+/g, " ").trim())
            .filter((line) => line !== "")
            .join("\n");
        const args = arguments;

        """;

    private T? Ask<T>(string script, By by, params object[] more)
        where T : class => driver.ExecuteScript(Eyes + script, [by.Mechanism, by.Criteria, .. more]) as T;

    /// <summary>The first that can be seen; waits for one.</summary>
    public IWebElement Find(By by) => Wait($"{by}", () => Ask<IWebElement>("return seen(...args)", by));

    /// <summary>What can be read on the first that can be seen; waits for one.</summary>
    public string Text(string css) =>
        Wait(css, () => Ask<string>("const e = seen(...args); return e && read(e)", By.CssSelector(css)));

    /// <summary>The same once it has not changed for half a second: figures of a hand's way may still follow it.</summary>
    public string AtRest(string css)
    {
        var said = Text(css);
        var since = Stopwatch.StartNew();
        Until(
            () =>
            {
                var now = Text(css);
                if (now != said)
                {
                    (said, since) = (now, Stopwatch.StartNew());
                }

                return since.ElapsedMilliseconds > 500;
            },
            $"{css} to rest"
        );
        return said;
    }

    public int Count(string css) => Convert.ToInt32(Run("return document.querySelectorAll(arguments[0]).length", css));

    /// <summary>An attribute of the first that can be seen, null where it has none; waits for one to be seen.</summary>
    public string? Attribute(string css, string name)
    {
        const string Said =
            "const e = seen(...args); return e && (e.hasAttribute(args[2]) ? e.getAttribute(args[2]) : 0)";
        return Wait(css, () => Ask<object>(Said, By.CssSelector(css), name)) as string;
    }
}
