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
        "sharing",
        () =>
        {
            screen.Open("/sharing");
            screen.Press("Make a code");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-code] img"));
        }
    ),
    (
        "phone",
        () =>
        {
            screen.Resize(390, 844);
            screen.OpenJob("Lime");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-plate]"));
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
        "clear",
        () =>
        {
            screen.OpenJob("Ash logs");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-figure='line-most']"));
        }
    ),
    (
        "site-plan",
        () =>
        {
            At("Side-leaner", "Lay");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-target-row]"));
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='lay']"));
        }
    ),
    ("cuts", () => At("Lime", "Cuts")),
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
        "log",
        () =>
        {
            OpenFinished("Willow");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-picture] img"));
        }
    ),
    (
        "year",
        () =>
        {
            screen.Open("/year");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-place]"));
        }
    ),
    (
        "learning",
        () =>
        {
            screen.Open("/learning");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-figure]"));
        }
    ),
    (
        "practice",
        () =>
        {
            screen.Run("localStorage.setItem('draklo.who', 'Bo')");
            screen.Open("/practice");
            screen.Click("[data-topic='countingLegs']");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-card] svg"));
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
        "fall",
        () =>
        {
            screen.OpenJob("Side-leaner");
            screen.Send("f");
            screen.Send("0");
            screen.Find(OpenQA.Selenium.By.CssSelector("[data-fall-figures]"));
        }
    ),
    (
        "day",
        () =>
        {
            screen.Resize(820, 1180);
            OpenDay();
            Say("brief", """{ "kind": "move", "to": "slackOut" }""");
            Say("slackOut", """{ "kind": "seen", "seen": { "rigged": true } }""");
            Say("slackOut", """{ "kind": "move", "to": "bedTest" }""");
            Say("bedTest", """{ "kind": "reading", "tension": { "way": "cell", "readN": 236 } }""");
            Say(
                "bedTest",
                """{ "kind": "seen", "seen": { "bedded": true, "woodBroke": false, "footLifted": false, "anchorMovedM": 0 } }"""
            );
            Say("bedTest", """{ "kind": "move", "to": "floor" }""");
            Say("floor", """{ "kind": "reading", "tension": { "way": "pluck", "returns": 10, "seconds": 8.3 } }""");
            Say("floor", """{ "kind": "reading", "tension": { "way": "cell", "readN": 334 } }""");
            Say(
                "floor",
                """{ "kind": "seen", "seen": { "bedded": true, "woodBroke": false, "footLifted": false, "cameM": 0.04, "anchorMovedM": 0 } }"""
            );
            screen.Until(
                () => screen.Text("[data-answer]").StartsWith("As expected", StringComparison.Ordinal),
                "the answer"
            );
        }
    ),
    (
        "pull",
        () =>
        {
            OpenDay();
            foreach (
                var (from, to) in new[]
                {
                    ("floor", "hold"),
                    ("hold", "planned"),
                    ("planned", "notch"),
                    ("notch", "backCut"),
                    ("backCut", "pull"),
                }
            )
            {
                Say(from, $$"""{ "kind": "move", "to": "{{to}}", "because": "for the picture" }""");
            }

            screen.Press("Read the load cell");
            screen.Until(() => screen.Count("[data-live-point]") == 1, "the pull");
            Thread.Sleep(9000);
        }
    ),
    // Last, for it changes the job.
    (
        "tackle-drawing",
        () =>
        {
            At("Lime", "Anchor and tackle");
            screen.Send("t");
            screen.Find(OpenQA.Selenium.By.XPath("//label[.='Tackle system']/following-sibling::button")).Click();
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

void OpenBrief(string job)
{
    screen.OpenJob(job);
    screen.ToBrief();
}

void OpenFinished(string job)
{
    screen.Open();
    screen.Find(OpenQA.Selenium.By.CssSelector("[data-job]"));
    var id = (string)
        screen.RunAsync(
            "const [name, done] = arguments; fetch('/api/jobs?stage=done&limit=100').then(r => r.json()).then(all => done(all.find(j => j.name.startsWith(name)).id))",
            job
        )!;
    screen.Open($"/jobs/{id}/log");
}

void OpenDay()
{
    OpenBrief("Birch");
    screen.Press("Day");
    screen.Find(OpenQA.Selenium.By.CssSelector("[data-answer]"));
    if (screen.Count("[aria-label='Who are you?']") == 1)
    {
        screen.Press("Runa");
    }
}

void Say(string step, string entry) =>
    screen.RunAsync(
        """
        const [step, entry, done] = arguments;
        const id = location.pathname.split('/')[2];
        const key = crypto.randomUUID();
        fetch(`/api/jobs/${id}/pulling/entries`, {
          method: 'POST', headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ ...JSON.parse(entry), step, key, by: 'Runa' }),
        }).then((r) => done(r.status));
        """,
        step,
        entry
    );

void At(string job, string station)
{
    screen.OpenJob(job);
    screen.Click($"nav [data-station='{station}']");
    screen.Find(OpenQA.Selenium.By.CssSelector("aside input, aside [data-walk]"));
}
