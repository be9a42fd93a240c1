using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>No lettering of a demo drawing covers another, measured from its boxes on the screen.</summary>
public sealed class LetteringTests(Stage stage) : IClassFixture<Stage>
{
    private const string Overlaps = """
        const svg = document.querySelector(arguments[0]);
        const shown = [...svg.querySelectorAll('text')].filter(t => t.textContent.trim() !== '' && getComputedStyle(t).visibility !== 'hidden');
        const boxes = shown.map(t => [t.textContent, t.getBoundingClientRect()]);
        const found = [];
        boxes.forEach(([a, p], i) => boxes.slice(i + 1).forEach(([b, q]) => {
          if (p.left < q.right - 1 && q.left < p.right - 1 && p.top < q.bottom - 1 && q.top < p.bottom - 1) found.push(a + ' / ' + b);
        }));
        return [shown.length, found.join('; ')];
        """;

    private readonly Screen screen = stage.Begin();

    public static TheoryData<string, int, int> Jobs =>
        new()
        {
            { "Lime", 1280, 800 },
            { "Side-leaner", 1280, 800 },
            { "Spruce", 1280, 800 },
            { "Birch", 1280, 800 },
            { "Ash", 1280, 800 },
            { "Lime", 390, 844 },
            { "Side-leaner", 390, 844 },
            { "Spruce", 820, 1180 },
        };

    [Theory]
    [MemberData(nameof(Jobs))]
    public void No_label_covers_another(string job, int width, int height)
    {
        screen.Resize(width, height);
        screen.OpenJob(job);
        foreach (
            var (key, ready) in new[]
            {
                ("e", "svg[aria-label^='Elevation']"),
                ("p", "svg[aria-label^='Plan of the site']"),
                ("s", "svg[aria-label^='The cut']"),
                ("b", "svg[aria-label^='Bending']"),
                ("t", "svg[data-tackle]"),
                ("d", "svg[data-day-chart]"),
            }
        )
        {
            screen.Send(key);
            screen.Find(By.CssSelector(ready));
            screen.Settle();
            var answer = ((IEnumerable<object>)screen.Run(Overlaps, ready)!).ToList();
            Assert.True(Convert.ToInt32(answer[0]) >= 2, $"{job}, {ready} has no lettering");
            Assert.True("".Equals(answer[1]), $"{job} at {width}, {ready}: {answer[1]}");
        }
    }

    [Theory]
    [InlineData("Lime", 1280)]
    [InlineData("Side-leaner", 1280)]
    [InlineData("Birch", 390)]
    public void Nor_on_the_brief(string job, int width)
    {
        screen.Resize(width, 844);
        screen.OpenJob(job);
        screen.ToBrief();
        screen.Find(By.CssSelector("[data-brief-plan]"));
        screen.Settle();
        var answer = ((IEnumerable<object>)screen.Run(Overlaps, "[data-brief-plan]")!).ToList();
        Assert.True("".Equals(answer[1]), $"{job} at {width}: {answer[1]}");
    }
}
