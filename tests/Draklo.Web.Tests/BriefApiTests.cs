using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The brief over HTTP: who signs with what, what voids it, and what is kept as issued.</summary>
public sealed class BriefApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Pin = "2468";

    [Fact]
    public async Task The_lead_turns_the_lay_and_who_signed_has_to_sign_again_told_why()
    {
        var job = await CopyAsync("Birch");
        Assert.Equal("notIssued", (await BriefAsync(job))["state"]!.GetValue<string>());
        Assert.Equal(200, (await SignAsync(job, "Ives")).Status);
        Assert.Equal(200, (await SignAsync(job, "Bo")).Status);

        var now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        var plan = now["plan"]!;
        plan["lay"]!["bearingDeg"] = plan["lay"]!["bearingDeg"]!.GetValue<double>() + 6;
        await SaveAsync(job, now);
        var people = (await BriefAsync(job))["signOff"]!["people"]!.AsArray();
        var again = people.Where(p => p!["last"] is not null).ToList();
        Assert.Equal(2, again.Count);
        Assert.All(
            again,
            p =>
            {
                Assert.False(p!["hasSigned"]!.GetValue<bool>());
                var lay = p["changes"]!.AsArray().Single(c => c!["id"]!.GetValue<string>() == "lay.bearingDeg")!;
                Assert.Equal(("200°", "206°"), (lay["was"]!.GetValue<string>(), lay["is"]!.GetValue<string>()));
            }
        );
    }

    [Fact]
    public async Task Only_the_right_pin_signs_nobody_twice_and_a_page_that_moved_is_read_again()
    {
        var job = await CopyAsync("Birch");
        Assert.Equal("That is not Bo's PIN.", await RefusedAsync(job, "Bo", "pin", pin: "1111"));
        Assert.Equal("That is not Bo's PIN.", await RefusedAsync(job, "Bo", "pin", pin: ""));
        Assert.Contains("not on this job", await RefusedAsync(job, "Nils", "name"), StringComparison.Ordinal);
        Assert.Contains(
            "changed while you read",
            await RefusedAsync(job, "Bo", "fingerprint", print: "00000000"),
            StringComparison.Ordinal
        );
        Assert.Equal(200, (await SignAsync(job, "Bo")).Status);
        Assert.Contains(
            "signed this page already, at",
            await RefusedAsync(job, "Bo", "name"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task The_lead_signs_for_somebody_and_nobody_else_does()
    {
        var job = await CopyAsync("Birch");
        Assert.Contains("not the lead", await RefusedAsync(job, "Bo", "lead", lead: "Ives"), StringComparison.Ordinal);
        var signed = await SignAsync(job, "Bo", lead: "Wenna");
        Assert.Equal(200, signed.Status);
        var last = signed.Body!["signOff"]!["people"]!.AsArray().Single(p => p!["name"]!.GetValue<string>() == "Bo")![
            "last"
        ]!;
        Assert.Equal(("by-lead", "Wenna"), (last["way"]!.GetValue<string>(), last["enteredBy"]!.GetValue<string>()));
    }

    /// <summary>A plan decides neither whose PIN counts nor who leads.</summary>
    [Fact]
    public async Task Who_somebody_is_and_whether_they_lead_says_the_crew_s_book()
    {
        var job = await CopyAsync("Birch");
        var now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        var crew = now["plan"]!["crew"]!.AsArray();
        JsonNode Of(string name) => crew.Single(c => c!["name"]!.GetValue<string>() == name)!;
        var bo = Of("Bo")["personId"]?.GetValue<string>() ?? "bo";
        Of("Wenna")["personId"] = bo;
        await SaveAsync(job, now);
        Assert.Contains("not in the crew's book", await RefusedAsync(job, "Wenna", "pin"), StringComparison.Ordinal);
        now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        crew = now["plan"]!["crew"]!.AsArray();
        Of("Wenna").AsObject().Remove("personId");
        Of("Wenna")["role"] = "hauler";
        Of("Bo")["role"] = "lead";
        await SaveAsync(job, now);
        Assert.Contains("not the lead", await RefusedAsync(job, "Ives", "lead", lead: "Bo"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_same_signature_by_four_at_once_is_one()
    {
        var job = await CopyAsync("Birch");
        await Task.WhenAll(Enumerable.Range(0, 4).Select(_ => SignAsync(job, "Bo")));
        var file = await server.Client.GetByteArrayAsync($"/api/jobs/{job}/job.zip");
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(file));
        using var kept = zip.GetEntry("signatures.json")!.Open();
        Assert.Single((await JsonNode.ParseAsync(kept))!.AsArray());
    }

    [Fact]
    public async Task Five_wrong_pins_lock_a_name()
    {
        var person = new JsonObject { ["id"] = "nils", ["name"] = "Nils" };
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/crew/nils", person)).Status);
        Assert.Equal(204, (await PinAsync("nils", "4711")).Status);
        var job = await CopyAsync("Birch");
        var now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        now["plan"]!["crew"]!.AsArray().Add(new JsonObject { ["name"] = "Nils", ["role"] = "hauler" });
        await SaveAsync(job, now);
        for (var i = 0; i < 4; i++)
        {
            Assert.Equal("That is not Nils's PIN.", await RefusedAsync(job, "Nils", "pin", pin: $"000{i}"));
        }

        Assert.Contains("fifth time", await RefusedAsync(job, "Nils", "pin", pin: "0009"), StringComparison.Ordinal);
        Assert.Contains(
            "Too many wrong PINs",
            await RefusedAsync(job, "Nils", "pin", pin: "4711"),
            StringComparison.Ordinal
        );
        Assert.NotNull((await PinAsync("nils", "9999", old: "4711")).Errors["old"]);
    }

    [Fact]
    public async Task A_pin_is_digits_changes_only_with_the_old_one_and_never_comes_back()
    {
        Assert.Equal(
            200,
            (
                await server.SendAsync(
                    HttpMethod.Put,
                    "/api/crew/pia",
                    new JsonObject { ["id"] = "pia", ["name"] = "Pia" }
                )
            ).Status
        );
        foreach (var wrong in new[] { "", "123", "12a4", "1234567890123", "१२३४" })
        {
            Assert.NotNull((await PinAsync("pia", wrong)).Errors["pin"]);
        }

        Assert.Equal(204, (await PinAsync("pia", "1357")).Status);
        Assert.NotNull((await PinAsync("pia", "2222")).Errors["old"]);
        Assert.Equal(204, (await PinAsync("pia", "2222", old: "1357")).Status);
        Assert.Equal(404, (await PinAsync("nobody", "2222")).Status);
        Assert.Contains(
            "\"pia\"",
            (await server.SendAsync(HttpMethod.Get, "/api/crew-pins")).Text,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(
            "2222",
            (await server.SendAsync(HttpMethod.Get, "/api/crew")).Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Issued_is_kept_as_issued_whatever_the_plan_does_later()
    {
        var job = await CopyAsync("Birch");
        Assert.Contains(
            "have not signed",
            (await IssueAsync(job)).Errors["fingerprint"]!.ToJsonString(),
            StringComparison.Ordinal
        );
        foreach (var name in new[] { "Wenna", "Ives", "Bo", "Runa" })
        {
            Assert.Equal(200, (await SignAsync(job, name)).Status);
        }

        var issued = await IssueAsync(job);
        Assert.Equal(200, issued.Status);
        Assert.Equal(
            ("issued", 1),
            (issued.Body!["state"]!.GetValue<string>(), issued.Body["number"]!.GetValue<int>())
        );
        Assert.Contains(
            "issued already",
            (await IssueAsync(job)).Errors["fingerprint"]!.ToJsonString(),
            StringComparison.Ordinal
        );

        var now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        now["plan"]!["cut"]!["hingeThicknessM"] = 0.05;
        await SaveAsync(job, now);
        var changed = await BriefAsync(job);
        Assert.Equal("changedSince", changed["state"]!.GetValue<string>());
        Assert.Contains(
            changed["changedSinceIssue"]!.AsArray(),
            c => c!["id"]!.GetValue<string>() == "cut.hingeThicknessM"
        );
        var kept = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}/briefs/1")).Body!;
        Assert.Equal(
            issued.Body["page"]!["brief"]!["cuts"]!.ToJsonString(),
            kept["page"]!["brief"]!["cuts"]!.ToJsonString()
        );
        Assert.Equal(4, kept["page"]!["signatures"]!.AsArray().Count);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}/briefs/2")).Status);
    }

    [Fact]
    public async Task A_retired_piece_holds_the_brief_and_is_named_on_the_packing_list()
    {
        var job = await CopyAsync("Lime");
        var gone = new JsonObject
        {
            ["on"] = "2026-11-20",
            ["by"] = "Mette",
            ["outcome"] = "retire",
        };
        Assert.Equal(
            200,
            (await server.SendAsync(HttpMethod.Post, "/api/locker/items/sling-white/inspections", gone)).Status
        );
        var brief = await BriefAsync(job);
        var piece = brief["page"]!["brief"]!["gear"]!
            .AsArray()
            .Single(p => p!["key"]!.GetValue<string>() == "sling-white")!;
        Assert.Contains("retired", piece["trouble"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Contains(brief["signOff"]!["holds"]!.AsArray(), h => h!["kind"]!.GetValue<string>() == "gear");
    }

    [Fact]
    public async Task Gear_is_ticked_out_and_back()
    {
        var job = await CopyAsync("Lime");
        var path = $"/api/jobs/{job}/packing";
        await server.SendAsync(HttpMethod.Post, path, new JsonObject { ["piece"] = "long-60", ["out"] = true });
        var ticks = await server.SendAsync(
            HttpMethod.Post,
            path,
            new JsonObject { ["piece"] = "long-60", ["back"] = true }
        );
        var tick = Assert.Single(ticks.Body!.AsArray())!;
        Assert.NotNull(tick["outAt"]);
        Assert.NotNull(tick["backAt"]);
        var undone = await server.SendAsync(
            HttpMethod.Post,
            path,
            new JsonObject { ["piece"] = "long-60", ["back"] = false }
        );
        Assert.Null(undone.Body![0]!["backAt"]);
        Assert.NotNull(undone.Body[0]!["outAt"]);
    }

    [Fact]
    public async Task The_code_is_a_picture_of_the_reading_pages_address()
    {
        var job = await CopyAsync("Lime");
        var code = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}/brief/code.svg");
        Assert.StartsWith("<svg", code.Text, StringComparison.Ordinal);
        var other = await server.SendAsync(HttpMethod.Get, "/api/jobs/another/brief/code.svg");
        Assert.NotEqual(code.Text, other.Text);
    }

    [Fact]
    public async Task A_plan_that_cannot_be_computed_makes_no_brief_and_says_why()
    {
        var job = await CopyAsync("Lime");
        var now = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}")).Body!;
        now["plan"]!["lines"]![0]!["seat"]!["heightM"] = 40;
        await SaveAsync(job, now);
        var refused = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}/brief");
        Assert.Equal(422, refused.Status);
        Assert.NotNull(refused.Errors["lines[0].seat.heightM"]);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/jobs/none/brief")).Status);
    }

    private async Task<string> CopyAsync(string name)
    {
        var demo = await server.DemoAsync(name);
        var id = demo["id"]!.GetValue<string>();
        var copy = await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/duplicate");
        // Demo jobs are found by how their names begin.
        var made = copy.Body!;
        made["name"] = $"Copy of {name} {Guid.NewGuid():N}";
        await SaveAsync(made["id"]!.GetValue<string>(), made);
        return made["id"]!.GetValue<string>();
    }

    private async Task SaveAsync(string job, JsonNode now)
    {
        var content = new JsonObject
        {
            ["name"] = now["name"]!.DeepClone(),
            ["place"] = now["place"]!.DeepClone(),
            ["plan"] = now["plan"]!.DeepClone(),
        };
        var saved = await server.SendAsync(
            HttpMethod.Put,
            $"/api/jobs/{job}",
            content,
            ifMatch: now["revision"]!.GetValue<int>()
        );
        Assert.Equal(200, saved.Status);
    }

    private async Task<JsonNode> BriefAsync(string job) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{job}/brief")).Body!;

    private async Task<Answer> SignAsync(
        string job,
        string name,
        string pin = Pin,
        string? lead = null,
        string? print = null
    )
    {
        var brief = await BriefAsync(job);
        var asked = new JsonObject
        {
            ["name"] = name,
            ["pin"] = pin,
            ["fingerprint"] = print ?? brief["page"]!["brief"]!["fingerprint"]!.GetValue<string>(),
        };
        if (lead is not null)
        {
            asked["lead"] = lead;
        }

        return await server.SendAsync(HttpMethod.Post, $"/api/jobs/{job}/signatures", asked);
    }

    private async Task<string> RefusedAsync(
        string job,
        string name,
        string at,
        string pin = Pin,
        string? lead = null,
        string? print = null
    )
    {
        var answer = await SignAsync(job, name, pin, lead, print);
        Assert.Equal(422, answer.Status);
        return answer.Errors[at]![0]!.GetValue<string>();
    }

    private async Task<Answer> IssueAsync(string job)
    {
        var brief = await BriefAsync(job);
        return await server.SendAsync(
            HttpMethod.Post,
            $"/api/jobs/{job}/briefs",
            new JsonObject
            {
                ["name"] = "Wenna",
                ["pin"] = Pin,
                ["fingerprint"] = brief["page"]!["brief"]!["fingerprint"]!.GetValue<string>(),
            }
        );
    }

    private Task<Answer> PinAsync(string id, string pin, string? old = null)
    {
        var asked = new JsonObject { ["pin"] = pin };
        if (old is not null)
        {
            asked["old"] = old;
        }

        return server.SendAsync(HttpMethod.Put, $"/api/crew/{id}/pin", asked);
    }
}
