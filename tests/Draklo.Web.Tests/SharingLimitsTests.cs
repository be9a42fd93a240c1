using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Store;
using Microsoft.AspNetCore.Identity;

namespace Draklo.Web.Tests;

/// <summary>What wrong PINs, the demo's PIN and strangers can do to the crew's coming in: as little as can be.</summary>
public sealed class SharingLimitsTests(SharedYard yard) : IClassFixture<SharedYard>
{
    [Fact]
    public async Task Ten_wrong_pins_let_nobody_in_and_lock_the_name_at_that_device()
    {
        var device = await yard.PairedAsync();
        for (var i = 0; i < 10; i++)
        {
            var (status, text) = await SharedYard.AskAsync(
                device,
                HttpMethod.Post,
                "/api/session",
                new JsonObject { ["personId"] = "ives", ["pin"] = $"000{i}" }
            );
            Assert.Equal(422, status);
            Assert.Contains(
                i < 4 ? "not Ives's PIN"
                    : i == 4 ? "fifth time"
                    : "Too many wrong",
                text,
                StringComparison.Ordinal
            );
        }

        var right = new JsonObject { ["personId"] = "ives", ["pin"] = SharedYard.Pin };
        Assert.Equal(422, (await SharedYard.AskAsync(device, HttpMethod.Post, "/api/session", right)).Status);
        // Nobody else is shut out by it: not Ives at their own phone, and not at the laptop.
        var own = await yard.SignedInAsync("ives");
        Assert.Equal(200, (await SharedYard.AskAsync(own, HttpMethod.Get, "/api/jobs")).Status);
        var atLaptop = new JsonObject { ["pin"] = SharedYard.Pin, ["old"] = SharedYard.Pin };
        Assert.Equal(
            204,
            (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/ives/pin", atLaptop)).Status
        );
    }

    [Fact]
    public async Task The_demo_s_pin_lets_nobody_in_until_it_is_changed()
    {
        var person = new JsonObject
        {
            ["id"] = "hale",
            ["name"] = "Hale",
            ["roles"] = new JsonArray("lead"),
        };
        Assert.Equal(200, (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/hale", person)).Status);
        var (status, text) = await SharedYard.AskAsync(
            yard.Laptop,
            HttpMethod.Put,
            "/api/crew/hale/pin",
            new JsonObject { ["pin"] = "2468" }
        );
        Assert.Equal(422, status);
        Assert.Contains("the demo's PIN", text, StringComparison.Ordinal);

        // As a yard has it that was tried with the demo first.
        new PinStore(yard.Data).Keep("hale", new PasswordHasher<string>().HashPassword("hale", "2468"));
        Assert.Contains("Hale", await DemoPinsAsync());
        var device = await yard.PairedAsync();
        var demo = new JsonObject { ["personId"] = "hale", ["pin"] = "2468" };
        (status, text) = await SharedYard.AskAsync(device, HttpMethod.Post, "/api/session", demo);
        Assert.Equal(422, status);
        Assert.Contains("change it in the crew", text, StringComparison.Ordinal);
        var change = new JsonObject { ["pin"] = "8642", ["old"] = "2468" };
        Assert.Equal(
            204,
            (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/hale/pin", change)).Status
        );
        Assert.DoesNotContain("Hale", await DemoPinsAsync());
        demo["pin"] = "8642";
        Assert.Equal(200, (await SharedYard.AskAsync(device, HttpMethod.Post, "/api/session", demo)).Status);
    }

    private async Task<IEnumerable<string>> DemoPinsAsync() =>
        (await yard.Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!["withDemoPin"]!
            .AsArray()
            .Select(n => (string)n!);

    [Fact]
    public void What_a_stranger_tries_pushes_no_sign_in_of_the_crew_off_the_record()
    {
        var record = new SessionStore(yard.Data, TimeProvider.System);
        record.Note("signed in", "Ives", "Ives's phone", "192.168.1.20");
        for (var i = 0; i < 120; i++)
        {
            record.Note("wrong code", "", "a device", "192.168.1.66");
        }

        record.Note("wrong code", "", "a device", "192.168.1.67");
        var tried = record.Tried(1000);
        Assert.Contains(tried, t => t is { What: "signed in", Address: "192.168.1.20" });
        Assert.Equal(100, tried.Count(t => t.Address == "192.168.1.66"));
        Assert.Single(tried, t => t.Address == "192.168.1.67");
    }
}
