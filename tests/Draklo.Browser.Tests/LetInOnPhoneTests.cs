using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>A phone of the crew: let in by a code from the laptop's screen, signed in by a PIN, away, and back.</summary>
public sealed class LetInOnPhoneTests : IDisposable
{
    private const string Pin = "1357";
    private readonly AppProcess app = AppProcess.SharedAt("127.0.0.3");
    private readonly HttpClient client;
    private readonly Screen laptop;
    private readonly Screen phone;

    public LetInOnPhoneTests()
    {
        client = new() { BaseAddress = new(app.Address) };
        var sharing = client.GetFromJsonAsync<JsonObject>("/api/sharing").Result!;
        laptop = new(app.Address);
        phone = new((string)sharing["address"]!, 390, 844, trustsAll: true);
    }

    public void Dispose()
    {
        phone.Dispose();
        laptop.Dispose();
        client.Dispose();
        app.Dispose();
    }

    [Fact]
    public async Task A_phone_is_let_in_goes_away_comes_back_and_is_signed_out()
    {
        // Nothing to read before it is let in; a wrong code says so and lets nobody in.
        phone.Open();
        Assert.Equal("Let this device in", phone.Text("h1"));
        phone.Type("Code", "WRONG123");
        phone.Until(() => phone.Text("main").Contains("not valid", StringComparison.Ordinal), "why not");
        LetIn();

        // A wrong PIN is said at its field.
        phone.Press("Jory");
        phone.Type("PIN of Jory", "1111");
        phone.Until(() => phone.Text("main").Contains("not Jory's PIN", StringComparison.Ordinal), "why not");
        // So is the demo's, until it is changed at the laptop.
        phone.Type("PIN of Jory", "2468");
        phone.Until(() => phone.Text("main").Contains("the demo's PIN", StringComparison.Ordinal), "why not");
        using (var set = await client.PutAsJsonAsync("/api/crew/jory/pin", new { pin = Pin, old = "2468" }))
        {
            set.EnsureSuccessStatusCode();
        }

        SignIn();
        laptop.Until(
            () => laptop.Text("[data-devices]").Contains("Jory, faller", StringComparison.Ordinal),
            "who is on the phone"
        );

        // What a faller may not is not offered: nobody but the lead lets devices in.
        Assert.Equal(0, phone.Count("header a[href='/sharing']"));

        // Away: the seat is changed by figures of the phone's own, and brought home under Jory's name.
        UntilTakenAlong();
        var id = (string)
            (await client.GetFromJsonAsync<JsonArray>("/api/jobs?units=metric&offset=0&limit=50"))!.Single(j =>
                ((string)j!["name"]!).StartsWith("Birch at the mill race", StringComparison.Ordinal)
            )!["id"]!;
        phone.Open($"/jobs/{id}");
        phone.Until(() => phone.Count("[data-handle]") > 0, "the sheet");
        phone.InReach(false);
        phone.Type("Seat above ground", "9.5");
        phone.Until(() => phone.Count("[data-save='offline']") == 1, "the change to wait on the phone");
        phone.InReach(true);
        phone.UntilSaved();
        var revisions = (await client.GetFromJsonAsync<JsonArray>($"/api/jobs/{id}/revisions"))!;
        Assert.Equal("Jory", (string)revisions[0]!["savedBy"]!);
        var job = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        Assert.Equal(9.5, (double)job["plan"]!["lines"]![0]!["seat"]!["heightM"]!);

        // The lead signs Jory out from the laptop: the phone asks who is there, and nothing more is read.
        laptop.Click("[aria-label^='Sign Jory out']");
        laptop.Until(
            () => laptop.Text("[data-devices]").Contains("nobody signed in", StringComparison.Ordinal),
            "the session to end"
        );
        phone.Open("/jobs/" + id);
        phone.Until(() => phone.Text("h1") == "Who are you?", "the phone to ask who is there");

        // Then the phone is lost: what the yard has too goes, offline too, and coming back needs a code.
        Assert.NotEqual(0, phone.OnShelves("jobs", "answers"));
        laptop.Click("[aria-label^='Forget Jory']");
        laptop.Until(() => laptop.Count("[data-devices] li") == 0, "the phone to be forgotten");
        phone.Open("/jobs/" + id);
        phone.Until(() => phone.Count("[data-forgotten]") == 1, "the phone to say that it was forgotten");
        Assert.Contains("nothing here is encrypted", phone.Text("[data-forgotten]"), StringComparison.Ordinal);
        phone.Until(() => phone.OnShelves("jobs", "answers") == 0, "the phone to let go of what the yard has");
        phone.InReach(false);
        phone.Open("/jobs/" + id);
        phone.Until(() => phone.Count("[data-forgotten]") == 1, "the phone to stay locked offline");
        Assert.Equal(0, phone.Count("[data-handle]"));
        phone.InReach(true);
        LetIn();
    }

    private void LetIn()
    {
        laptop.Open("/sharing");
        laptop.Press("Make a code");
        var code = laptop.Text("[data-code] p");
        phone.Type("Code", code, "");
        phone.Type("What this device is called", "Jory's phone");
        phone.Until(() => phone.Text("h1") == "Who are you?", "the phone to be let in");
    }

    private void SignIn()
    {
        phone.Type("PIN of Jory", Pin);
        phone.Until(() => phone.Count("[data-job]") > 3, "the jobs");
    }

    /// <summary>Whoever came in may leave the network in a minute.</summary>
    private void UntilTakenAlong()
    {
        phone.Open("/tablet");
        phone.Until(() => phone.Count("[data-along] li") == 9, "the jobs to be taken along");
    }
}
