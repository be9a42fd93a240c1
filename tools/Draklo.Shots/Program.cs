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
        "lay-rose",
        () =>
        {
            At("Lime", "Lay");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-target-row]"));
            screen.Send("r");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-open-lay]"));
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='lay']"));
            screen.Run("document.querySelector('[aria-label=\"Lay rose\"]').scrollIntoView()");
        }
    ),
    (
        "measuring",
        () =>
        {
            At("Lime", "Size up");
            screen.Run("document.querySelector('[data-measured=\"tree.heightM\"]').scrollIntoView({ block: 'end' })");
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
        "stem",
        () =>
        {
            screen.OpenJob("Lime");
            screen.Send("b");
            screen.Find(OpenQA.Selenium.By.CssSelector("svg[aria-label^='Bending']"));
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='seat-chart']"));
        }
    ),
    (
        "remedies",
        () =>
        {
            screen.OpenJob("Lime");
            screen.Click("[data-link='main.hands']");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-remedies] li"));
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
    (
        "rigs",
        () =>
        {
            At("Lime", "Anchor and tackle");
            screen.Press("Find the best rig");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-rigs] [data-rig]"));
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

foreach (var (name, show) in views.Where(v => args.Length < 2 || args.Skip(1).Contains(v.Name, StringComparer.Ordinal)))
{
    screen.Resize(1280, 800);
    show();
    screen.Settle();
    screen.Picture(Path.Combine(folder, name + ".png"));
    Console.WriteLine(name);
}

void At(string job, string station)
{
    screen.OpenJob(job);
    screen.Click($"nav [data-station='{station}']");
    screen.Find(OpenQA.Selenium.By.CssSelector("aside input, aside [data-walk]"));
}
