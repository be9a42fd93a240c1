using Draklo.Browser.Tests.Support;

// Takes the pictures of docs/screenshots from the built application and its demo jobs.
// Arguments: the folder they go to, then the names of those wanted (all without).
var folder = args.FirstOrDefault() ?? "docs/screenshots";
Directory.CreateDirectory(folder);
using var app = new AppProcess();
using var screen = new Screen(app.Address);
(string Name, Action Show)[] views =
[
    (
        "jobs",
        () =>
        {
            screen.Open();
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-job] svg"));
        }
    ),
    ("elevation", () => screen.OpenJob("Lime")),
    (
        "phone",
        () =>
        {
            screen.Resize(390, 844);
            screen.OpenJob("Lime");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-plate]"));
        }
    ),
    (
        "brief-phone",
        () =>
        {
            screen.Resize(390, 844);
            OpenBrief("Birch");
            screen.Press("Ives");
            screen.Run("document.querySelector('aside').scrollIntoView()");
        }
    ),
    ("brief", () => OpenBrief("Birch")),
    (
        "people",
        () =>
        {
            At("Lime", "People");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='person-4']"));
        }
    ),
    (
        "day",
        () =>
        {
            At("Birch", "Time and cost");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-day-chart]"));
        }
    ),
    ("size-up", () => At("Side-leaner", "Size up")),
    (
        "walk-up",
        () =>
        {
            At("Lime", "Walk up");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-walk]"));
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='lay']"));
        }
    ),
    (
        "site-plan",
        () =>
        {
            At("Side-leaner", "Lay");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-target-row]"));
        }
    ),
    (
        "upkeep",
        () =>
        {
            screen.Open("/upkeep");
            screen.Press("Back up now");
            screen.Until(() => screen.Count("[data-backup]") > 1, "the backup");
        }
    ),
    (
        "tackle",
        () =>
        {
            At("Lime", "Anchor and tackle");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-load-cell]"));
        }
    ),
    ("cuts", () => At("Lime", "Cuts")),
    (
        "workings",
        () =>
        {
            screen.OpenJob("Lime");
            screen.Click("[data-working='needed-tension']");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-open-working]"));
        }
    ),
    (
        "locker",
        () =>
        {
            screen.Open("/locker/long-60");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-piece='long-60'] [data-use]"));
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-gear='long-60']"));
        }
    ),
    (
        "knots",
        () =>
        {
            screen.Open("/knots/running-bowline");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-entry='running-bowline'] svg"));
        }
    ),
    (
        "reasons",
        () =>
        {
            screen.OpenJob("Side-leaner");
            screen.Click("[data-verdict] button");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-chances] tbody tr"));
        }
    ),
    // Last, for it changes the job.
    (
        "tackle-drawing",
        () =>
        {
            At("Lime", "Anchor and tackle");
            screen.Send("t");
            screen.Find(OpenQA.Selenium.By.XPath("//label[.='System']/following-sibling::button")).Click();
            screen.Click("[role=option][data-option='own:three-on-two']");
            screen.Find(OpenQA.Selenium.By.CssSelector("svg[data-tackle^='Three hauling'] [data-leg]"));
            screen.Click("[aria-label='Second hitch holds the line meanwhile']");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-holdpiece]"));
            screen.Run("document.querySelector('[data-composer]').scrollIntoView()");
        }
    ),
];

// The printed page, as a picture of its PDF.
if (args.Length < 2 || args.Skip(1).Contains("brief-paper", StringComparer.Ordinal))
{
    screen.Resize(1280, 800);
    OpenBrief("Lime");
    screen.Settle();
    var pdf = Path.Combine(Path.GetTempPath(), $"draklo-{Guid.NewGuid():N}.pdf");
    File.WriteAllBytes(pdf, screen.Print(8.27, 11.69));
    using var process = System.Diagnostics.Process.Start(
        "pdftoppm",
        ["-r", "100", "-png", "-singlefile", pdf, Path.Combine(folder, "brief-paper")]
    );
    process.WaitForExit();
    File.Delete(pdf);
    Console.WriteLine("brief-paper");
}

foreach (var (name, show) in views.Where(v => args.Length < 2 || args.Skip(1).Contains(v.Name, StringComparer.Ordinal)))
{
    screen.Resize(1280, 800);
    show();
    screen.Settle();
    screen.Picture(Path.Combine(folder, name + ".png"));
    Console.WriteLine(name);
}

void OpenBrief(string job)
{
    screen.OpenJob(job);
    screen.ToBrief();
}

void At(string job, string station)
{
    screen.OpenJob(job);
    screen.Click($"nav [data-station='{station}']");
    screen.Find(OpenQA.Selenium.By.CssSelector("aside input, aside [data-walk]"));
}
