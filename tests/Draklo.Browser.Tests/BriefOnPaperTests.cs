using System.Diagnostics;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>The brief and the papers as the browser prints them, read back with tools of their own.</summary>
public sealed class BriefOnPaperTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Theory]
    [InlineData("Lime", 8.27, 11.69)]
    [InlineData("Lime", 8.5, 11)]
    [InlineData("Side-leaner", 8.27, 11.69)]
    [InlineData("Side-leaner", 8.5, 11)]
    [InlineData("Spruce", 8.27, 11.69)]
    public void The_brief_is_one_page_with_its_words_its_figures_and_its_drawings(
        string job,
        double width,
        double height
    )
    {
        OpenBrief(job);
        var figures = (string)screen.Run("return document.querySelector('article dl').innerText")!;
        var pdf = Print(width, height);
        Assert.Contains("Pages:           1\n", Tool("pdfinfo", pdf), StringComparison.Ordinal);
        var text = Squeezed(Tool("pdftotext", "-layout", pdf, "-"));
        foreach (
            var words in new[]
            {
                job,
                "pre-tension",
                "Cuts, faller",
                "Stop, whoever sees it",
                "Gear, out and back",
                "If it goes wrong",
                "Not issued",
                "a trained, insured, competent person on site",
                "both arms crossed",
            }
        )
        {
            Assert.Contains(words, text, StringComparison.Ordinal);
        }

        // Figures on the page are those of the screen, and no button is printed.
        foreach (
            var figure in figures.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
        )
        {
            Assert.Contains(Squeezed(figure), text, StringComparison.Ordinal);
        }

        Assert.DoesNotContain("Print", text, StringComparison.Ordinal);
        Assert.DoesNotContain("Sign ", text, StringComparison.Ordinal);

        // Every font travels with the file.
        var fonts = Tool("pdffonts", pdf).Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(2).ToList();
        Assert.NotEmpty(fonts);
        // Lettering with a halo is written as shapes of its own, type 3.
        Assert.Contains(fonts, f => f.Contains("Barlow", StringComparison.Ordinal));
        Assert.All(fonts, f => Assert.Matches("Barlow|Type 3", f));
        Assert.All(fonts, f => Assert.Matches(@"\s(yes)\s+(yes|no)\s+(yes|no)\s", f));

        // Ink where plan, stump and code are, and nowhere a colour.
        var page = Picture(pdf, 1);
        Assert.InRange(page.Ink(0.06, 0.12, 0.5, 0.4), 0.01, 0.4);
        Assert.InRange(page.Ink(0.05, 0.05, 0.95, 0.95), 0.01, 0.3);
        Assert.True(page.IsGrey, "Something is printed in colour.");
    }

    /// <summary>Four lines, twenty people, eight long signs and words without a break: two pages at most, and nothing runs over.</summary>
    [Theory]
    [InlineData(8.27, 11.69)]
    [InlineData(8.5, 11)]
    public void The_longest_brief_is_two_pages_and_fits_a_phone(double width, double height)
    {
        var id = stage.Crowded();
        screen.Open($"/jobs/{id}/brief");
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-brief-plan]"));
        screen.Settle();
        var pdf = Print(width, height);
        Assert.Contains("Pages:           2\n", Tool("pdfinfo", pdf), StringComparison.Ordinal);
        Assert.Contains(
            "competent person on site",
            Squeezed(Tool("pdftotext", "-layout", pdf, "-")),
            StringComparison.Ordinal
        );
        screen.Resize(390, 844);
        screen.Settle();
        Assert.Equal(true, screen.Run("return document.documentElement.scrollWidth <= innerWidth"));
    }

    [Fact]
    public void Every_drawing_has_a_sheet_of_its_own_to_scale_then_the_cuts_and_the_cards()
    {
        screen.OpenJob("Side-leaner");
        screen.ToBrief();
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-brief]"));
        screen.Press("Papers");
        screen.Until(() => screen.Count("[data-paper] svg") == 5, "elevation, plan, two tackles and the stump");
        screen.Until(() => screen.Count("[data-paper='Tackle of the steer line'] [data-leg]") > 2, "the second tackle");
        foreach (var (paper, metres) in new[] { ("Tackle of the main line", 1.0), ("Stump", 0.1) })
        {
            var bar = $"document.querySelector('[data-paper=\"{paper}\"] [data-scale-bar]')";
            var pixels = Convert.ToDouble(screen.Run($"return {bar}.querySelector('path').getBBox().width"));
            var said = (string)screen.Run($"return {bar}.textContent")!;
            var ratio = double.Parse(said[(said.IndexOf("1 :", StringComparison.Ordinal) + 3)..]);
            // 96 pixels are printed as an inch.
            Assert.Equal(metres / ratio, pixels / 96 * 0.0254, 5);
        }

        var pdf = Print(8.27, 11.69);
        Assert.Contains("Pages:           7\n", Tool("pdfinfo", pdf), StringComparison.Ordinal);
        for (var page = 1; page <= 7; page++)
        {
            var number = $"{page}";
            var text = Tool("pdftotext", "-f", number, "-l", number, pdf, "-");
            Assert.Contains(
                page == 7 ? "Shout"
                    : page == 6 ? "Back cut"
                    : "Side-leaner",
                text,
                StringComparison.Ordinal
            );
            Assert.InRange(Picture(pdf, page).Ink(0.05, 0.05, 0.95, 0.8), 0.003, 0.4);
        }
    }

    [Fact]
    public void A_drawing_is_saved_as_an_svg_file_that_stands_alone()
    {
        screen.OpenJob("Lime");
        screen.ToBrief();
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-brief]"));
        screen.Press("Papers");
        screen.Until(() => screen.Count("[data-paper] svg") == 4, "the drawings");
        screen.Run(
            "URL.createObjectURL = (blob) => { blob.text().then((t) => { window.savedText = t; }); return 'blob:none'; }; HTMLAnchorElement.prototype.click = () => {};"
        );
        foreach (var paper in new[] { "Elevation", "Plan", "Tackle", "Stump" })
        {
            screen.Run("window.savedText = undefined");
            screen.Click($"[aria-label='{paper} as an SVG file']");
            screen.Until(() => screen.Run("return window.savedText") is string, "the file");
            var svg = System.Xml.Linq.XDocument.Parse((string)screen.Run("return window.savedText")!);
            Assert.Equal("svg", svg.Root!.Name.LocalName);
            Assert.EndsWith("mm", svg.Root.Attribute("width")!.Value, StringComparison.Ordinal);
            Assert.DoesNotContain(
                svg.Descendants().SelectMany(e => e.Attributes()),
                a => a.Value.Contains("var(", StringComparison.Ordinal) || a.Name.LocalName == "class"
            );
            Assert.Contains("1 : ", svg.Root.Value, StringComparison.Ordinal);
        }
    }

    private void OpenBrief(string job)
    {
        screen.OpenJob(job);
        screen.ToBrief();
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-brief] [data-brief-plan]"));
        screen.Until(
            () => true.Equals(screen.Run("return [...document.images].every(i => i.complete && i.naturalWidth > 0)")),
            "the code"
        );
        screen.Settle();
    }

    private string Print(double width, double height)
    {
        var file = Path.Combine(Path.GetTempPath(), $"draklo-{Guid.NewGuid():N}.pdf");
        File.WriteAllBytes(file, screen.Print(width, height));
        return file;
    }

    /// <summary>A page at 50 pixels to the inch.</summary>
    private static PrintedPage Picture(string pdf, int page) =>
        PrintedPage.Read(Raw("pdftoppm", "-r", "50", "-f", $"{page}", "-l", $"{page}", pdf));

    private static string Squeezed(string text) =>
        string.Join(' ', text.Split([' ', '\n', '\f', '\u00a0'], StringSplitOptions.RemoveEmptyEntries));

    private static string Tool(string name, params string[] arguments) =>
        System.Text.Encoding.UTF8.GetString(Raw(name, arguments));

    private static byte[] Raw(string name, params string[] arguments)
    {
        using var process = Process.Start(
            new ProcessStartInfo(name, arguments) { RedirectStandardOutput = true, UseShellExecute = false }
        )!;
        using var output = new MemoryStream();
        process.StandardOutput.BaseStream.CopyTo(output);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return output.ToArray();
    }
}
