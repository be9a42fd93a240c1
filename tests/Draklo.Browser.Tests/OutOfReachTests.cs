using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>By the tree there is no network: a tablet that was in reach once goes through the day alone, and brings it home.</summary>
public sealed class OutOfReachTests : IDisposable
{
    private const string Pin = "2468";
    private const string Needed = "[data-figure='needed-tension']";
    private const string Seat = "[data-handle='seat-main']";
    private readonly string profile = Path.Combine(Path.GetTempPath(), "draklo-tablet-" + Guid.NewGuid().ToString("N"));
    private readonly AppProcess app = new();
    private readonly HttpClient client;
    private Screen screen;

    public OutOfReachTests()
    {
        client = new() { BaseAddress = new(app.Address) };
        screen = new(app.Address, profile: profile);
        screen.Open();
        screen.Run("localStorage.setItem('draklo.who', 'Wenna')");
        screen.Open("/tablet");
        screen.Until(
            () => screen.Run("return navigator.serviceWorker.controller !== null") is true,
            "the application to be stored on the device"
        );
        screen.Until(() => screen.Count("html[data-core='here']") == 1, "the core to be stored on the device");
        screen.Until(() => screen.Count("[data-along] li") == 9, "the jobs to be taken along");
    }

    public void Dispose()
    {
        screen.Dispose();
        client.Dispose();
        app.Dispose();
        Directory.Delete(profile, recursive: true);
    }

    [Fact]
    public async Task A_day_without_the_network_outlives_the_tablet_and_comes_home()
    {
        var id = await IdOfAsync("Birch");
        app.Kill();
        Restart();

        // A job opens, its seat is dragged, its crew changes.
        screen.OpenJob("Birch");
        var needed = screen.Text(Needed);
        screen.Drag(Seat, 0, 30);
        screen.Until(() => screen.Text(Needed) != needed, "figures without the server");
        needed = screen.AtRest(Needed);

        // The brief says who must sign again, and a signature waits with its PIN sealed.
        screen.Open($"/jobs/{id}/brief");
        screen.Until(() => screen.Count("[data-brief-state='changedSince']") == 1, "the brief to be void");
        Sign("Bo");
        screen.Until(() => screen.Count("[data-waiting-signatures] li") == 1, "the signature to wait");
        screen.Click("[data-packed] button:not([disabled])");
        screen.Until(() => screen.Count("[data-packed] button[aria-pressed='true']") == 1, "the tick");

        // The day goes on by its rules.
        screen.Open($"/jobs/{id}/day");
        screen.Press("Go on: slack out");
        screen.Type("Because", "the brief is void out here");
        screen.Press("Go on");
        screen.Until(() => screen.Text("[aria-current=step]") == "slack out", "the next step without the server");

        // The tablet is switched off and on.
        Restart();
        screen.Open($"/jobs/{id}/day");
        screen.Until(() => screen.Text("[aria-current=step]") == "slack out", "the step after a restart");
        screen.Open($"/jobs/{id}");
        screen.Until(() => screen.Text(Needed) == needed, "the figures after a restart");
        screen.Open("/tablet");
        Assert.Equal(4, screen.Count("[data-waits] li"));

        app.Start();
        screen.Until(() => screen.Count("[data-waits]") == 0, "everything to come home");
        var job = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        Assert.Equal(2, (int)job["revision"]!);
        var brief = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}/brief"))!;
        var bo = brief["signOff"]!["people"]!.AsArray().Single(p => (string)p!["name"]! == "Bo")!;
        Assert.True((bool)bo["hasSigned"]!);
        Assert.Equal("own-pin", (string)bo["last"]!["way"]!);
        Assert.Single(brief["ticks"]!.AsArray());
        var day = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}/pulling"))!["day"]!;
        Assert.Equal("slackOut", (string)day["now"]!);
        var said = DateTimeOffset.Parse((string)day["entries"]![0]!["at"]!);
        Assert.InRange(DateTimeOffset.UtcNow - said, TimeSpan.FromSeconds(4), TimeSpan.FromMinutes(3));
    }

    /// <summary>Step after step is taken here; a change of the plan takes none away, and two tabs take nothing from each other.</summary>
    [Fact]
    public async Task A_day_goes_on_for_steps_and_two_tabs_of_one_device_lose_nothing()
    {
        var id = await IdOfAsync("Birch");
        var before = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!["plan"]!["lines"]![0]!;
        app.Kill();
        screen.Open($"/jobs/{id}/day");
        GoOn("slack out");
        screen.Click("[role=group][aria-label='Legs not crossed, stopper tied'] button:nth-of-type(1)");
        GoOn("bed test");
        screen.Press("Looked at it all: as it should be");
        screen.Press("enter a figure");
        screen.Type("It reads", "235 N");
        screen.Press("Keep this reading");
        GoOn("floor");
        screen.Press("Stop all");
        Answers("stop");
        screen.Press("On again, and why");
        screen.Type("Because", "A walker, gone by");
        screen.Press("On again");
        Answers("wait");
        screen.OpenJob("Birch");
        screen.Drag(Seat, 0, 30);
        screen.InNewTab(() =>
        {
            screen.OpenJob("Birch");
            screen.Click("[data-station='Anchor and tackle']");
            screen.Drag("[data-handle='anchor-main']", 30, 0);
            screen.Until(() => screen.Count("[data-save='offline']") == 1, "the change to be kept");
        });
        screen.Open($"/jobs/{id}/day");
        Assert.Equal("floor", screen.Text("[aria-current=step]"));
        Answers("stop");
        screen.Run("document.querySelector('main details').open = true");
        screen.Until(
            () => screen.Text("[data-kept]").Contains("under an earlier version of the plan", StringComparison.Ordinal),
            "the plan they were made under"
        );

        Restart();
        app.Start();
        screen.Open("/tablet");
        screen.Until(() => screen.Count("[data-waits]") == 0, "everything to come home");
        var line = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!["plan"]!["lines"]![0]!;
        Assert.NotEqual(Figure(before["seat"]!["heightM"]!), Figure(line["seat"]!["heightM"]!));
        Assert.NotEqual(Figure(before["anchor"]!["distanceM"]!), Figure(line["anchor"]!["distanceM"]!));
        var day = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}/pulling"))!["day"]!;
        Assert.Equal("floor", (string)day["now"]!);
        Assert.Equal(8, day["entries"]!.AsArray().Count);
    }

    private static string Figure(JsonNode value) =>
        value.GetValue<double>().ToString(System.Globalization.CultureInfo.InvariantCulture);

    private void GoOn(string step)
    {
        Answers("goOn");
        screen.Press($"Go on: {step}");
        screen.Until(() => screen.Text("[aria-current=step]") == step, $"the step {step} without the server");
    }

    private void Answers(string state) =>
        screen.Until(() => screen.Attribute("[data-answer]", "data-answer") == state, $"the answer {state}");

    [Fact]
    public async Task What_is_not_taken_at_home_is_said_and_stays_until_it_is_read()
    {
        var id = await IdOfAsync("Birch");
        app.Kill();
        screen.Open($"/jobs/{id}");
        screen.Drag(Seat, 0, 30);
        screen.Open($"/jobs/{id}/brief");
        screen.Until(() => screen.Count("[data-brief-state='changedSince']") == 1, "the brief to be void");
        Sign("Bo", "9999");
        screen.Until(() => screen.Count("[data-waiting-signatures] li") == 1, "the signature to wait");
        app.Start();
        screen.Until(
            () => screen.Text("[data-waiting-signatures]").Contains("That is not Bo's PIN", StringComparison.Ordinal),
            "why it was not taken"
        );
        screen.Open("/tablet");
        screen.Run("document.querySelector('[data-waiting=sign] details').open = true");
        Assert.Contains("fingerprint", screen.Text("[data-waiting='sign'] pre"), StringComparison.Ordinal);
        screen.Press("Send again");
        screen.Until(
            () => screen.Text("[data-waiting='sign']").Contains("That is not Bo's PIN", StringComparison.Ordinal),
            "it to be refused again"
        );
        screen.Press("Let go of it");
        screen.Until(() => screen.Count("[data-waits]") == 0, "it to go once it was read");
    }

    [Fact]
    public void A_full_device_says_so_and_goes_on_once_there_is_room()
    {
        app.Kill();
        screen.OpenJob("Birch");
        screen.Run(
            "window.put = IDBObjectStore.prototype.put; IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); }"
        );
        screen.Drag(Seat, 0, 30);
        screen.Until(
            () => screen.Text("[data-reach]").Contains("This device is full", StringComparison.Ordinal),
            "word that it is full"
        );
        screen.Run("IDBObjectStore.prototype.put = window.put");
        screen.Type("Seat above ground", "9");
        screen.Until(
            () => !screen.Text("[data-reach]").Contains("full", StringComparison.Ordinal),
            "word that there is room again"
        );
        app.Start();
        screen.UntilSaved();
    }

    [Fact]
    public async Task Rigs_are_found_on_the_device_and_the_search_can_be_stopped()
    {
        app.Kill();
        screen.OpenJob("Lime");
        screen.Click("[data-station='Anchor and tackle']");
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[data-finder='on'] progress[value]:not([value='0'])") == 1, "progress");
        screen.Press("Stop looking");
        screen.Until(() => screen.Count("[data-finder='off']") == 1, "it to stop");
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[data-finder='found']") == 1, "rigs without the server");
        await Task.CompletedTask;
    }

    private void Restart()
    {
        screen.Dispose();
        screen = new(app.Address, profile: profile);
        screen.Open();
    }

    private async Task<string> IdOfAsync(string name) =>
        (string)
            (await client.GetFromJsonAsync<JsonArray>("/api/jobs"))!.First(j =>
                ((string)j!["name"]!).StartsWith(name, StringComparison.Ordinal)
            )!["id"]!;

    private void Sign(string name, string pin = Pin)
    {
        screen.Click($"[aria-label='Sign: {name}']");
        screen.Find(By.XPath("//*[@role='dialog']//label[contains(., 'Read: the page')]//input")).Click();
        screen.Type($"PIN of {name}", pin);
        screen.Find(By.XPath("//*[@role='dialog']//button[normalize-space(.)='Sign']")).Click();
        screen.Until(() => screen.Count("[role=dialog]") == 0, "the dialog to close");
    }
}
