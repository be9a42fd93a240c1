using System.Diagnostics;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The core as it is published for the browser answers what the server answers, to the last printed digit.</summary>
public sealed class TwoHomesTests(RunningServer server, HomeInNode home)
    : IClassFixture<RunningServer>,
        IClassFixture<HomeInNode>,
        IAsyncLifetime
{
    private static readonly int SpoiltPlans = Environment.GetEnvironmentVariable("DRAKLO_LONG") == "1" ? 240 : 90;

    private static readonly string[] Demos =
    [
        "Lime by the boathouse",
        "Side-leaner",
        "Spruce above",
        "Birch at",
        "Ash on the churchyard",
        "Ash logs below",
        "Poplar stem",
        "Alder let down",
    ];

    public async ValueTask InitializeAsync()
    {
        if (!home.IsBegun)
        {
            home.Begin();
            var carried = JsonNode.Parse(await server.Client.GetStringAsync("/api/carried"))!;
            Assert.Equal("200", await home.TellAsync(new { locker = carried["locker"]!.ToJsonString() }));
        }
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task Every_demo_plan_is_answered_alike()
    {
        foreach (var name in Demos)
        {
            var plan = (await server.DemoAsync(name))["plan"]!;
            var clears = plan["clearing"] is not null;
            foreach (var units in new[] { "metric", "us" })
            {
                await AgreesAsync("/api/analysis", $"units={units}&workings=true", plan);
                await AgreesAsync("/api/analysis", $"units={units}&workings=false", plan);
                await AgreesAsync("/api/stem", $"units={units}&line=0", plan);
                await AgreesAsync("/api/tackle/view", $"units={units}&line=0", plan);
                await AgreesAsync("/api/fall", $"units={units}&aim=true&haulSpeedMps=0.3&samples=0", plan);
                await AgreesAsync("/api/remedies", $"units={units}&link=rope", plan);
                if (clears)
                {
                    await AgreesAsync("/api/clearing", $"units={units}", plan);
                    await AgreesAsync("/api/clearing/section", $"units={units}", plan);
                }
            }

            await AgreesAsync("/api/chances", "samples=60&seed=3", plan);
            await AgreesAsync("/api/rose", "step=45", plan);
        }
    }

    /// <summary>What the crew keeps is taken along with its locker.</summary>
    [Fact]
    public async Task A_plan_is_held_against_the_crews_policy_at_both()
    {
        var plan = (await server.DemoAsync("Birch at"))["plan"]!.DeepClone();
        plan["policy"]!["loadReserve"] = 1.25;
        var here = await AskAsync("/api/analysis", "units=metric&workings=false", plan.ToJsonString());
        Assert.Contains("factors-under-policy", here, StringComparison.Ordinal);
        await AgreesAsync("/api/analysis", "units=metric&workings=false", plan);
    }

    [Fact]
    public async Task Plans_that_nobody_would_draw_are_answered_or_refused_alike()
    {
        var chance = new Random(11);
        var refused = 0;
        for (var i = 0; i < SpoiltPlans; i++)
        {
            var plan = (await server.DemoAsync(Demos[chance.Next(Demos.Length)]))["plan"]!.DeepClone();
            for (var edits = chance.Next(1, 4); edits > 0; edits--)
            {
                Spoil(plan, chance);
            }

            var path = plan["clearing"] is not null && chance.Next(2) == 0 ? "/api/clearing" : "/api/analysis";
            refused += await AgreesAsync(path, "units=metric", plan) == 200 ? 0 : 1;
        }

        Assert.InRange(refused, SpoiltPlans / 12, SpoiltPlans - 5);
    }

    [Fact]
    public async Task A_job_that_was_taken_along_has_the_same_brief_and_day()
    {
        foreach (var name in Demos)
        {
            var id = (string)(await server.DemoAsync(name))["id"]!;
            var carried = await server.Client.GetStringAsync($"/api/jobs/{id}/carried");
            foreach (var units in new[] { "metric", "us" })
            {
                var brief = await server.Client.GetStringAsync($"/api/jobs/{id}/brief?units={units}");
                Assert.Equal("200" + brief, await AskAsync("/api/here/brief", $"units={units}", carried));
                var day = await server.Client.GetAsync($"/api/jobs/{id}/pulling?units={units}");
                var here = await AskAsync(
                    "/api/here/pulling",
                    $"units={units}",
                    "{\"carried\":" + carried + ",\"said\":[]}"
                );
                if (day.IsSuccessStatusCode)
                {
                    Assert.Equal("200{\"day\":" + await day.Content.ReadAsStringAsync() + ",\"refused\":{}}", here);
                }
                else
                {
                    Assert.StartsWith("422", here, StringComparison.Ordinal);
                }
            }
        }
    }

    [Fact]
    public async Task The_day_s_plan_is_drawn_up_alike_by_the_forecast_that_was_taken_along()
    {
        var on = DateTime.Now.AddDays(2).ToString("yyyy-MM-dd");
        await AgreesAsync("/api/day", "units=us", (await server.DemoAsync(Demos[1]))["plan"]!);
        foreach (var name in Demos)
        {
            var plan = (await server.DemoAsync(name))["plan"]!;
            await AgreesAsync("/api/day", $"units=metric&on={on}", plan);
        }
    }

    [Fact]
    public async Task Two_changed_copies_come_together_alike()
    {
        var was = (await server.DemoAsync(Demos[0]))["plan"]!;
        var (mine, theirs) = (was.DeepClone(), was.DeepClone());
        mine["lines"]![0]!["seat"]!["heightM"] = 11.5;
        theirs["lines"]![0]!["seat"]!["heightM"] = 10.5;
        theirs["lay"]!["bearingDeg"] = 100;
        foreach (var settled in new[] { "{}", """{"lines[id=main].seat.heightM":"mine"}""" })
        {
            await AgreesAsync(
                "/api/merge",
                "units=us",
                new JsonObject
                {
                    ["was"] = was.DeepClone(),
                    ["mine"] = mine.DeepClone(),
                    ["theirs"] = theirs.DeepClone(),
                    ["settled"] = JsonNode.Parse(settled),
                }
            );
        }
    }

    [Fact]
    public async Task What_is_no_plan_is_refused_in_the_same_words()
    {
        foreach (var text in new[] { "", "{", "[]", "null", "{}", "{\"tree\":3}", "\"\\ud800\"" })
        {
            await AgreesAsync("/api/analysis", "", text);
        }
    }

    [Fact]
    public async Task A_tackle_of_one_s_own_is_worked_out_alike()
    {
        var tackle = JsonNode.Parse(
            """{ "stages": [{ "systemId": "three-to-one" }, { "systemId": "two-to-one" }] }"""
        )!;
        await AgreesAsync("/api/tackle/compose", "contactId=bushed-block", tackle);
        await AgreesAsync("/api/tackle/compose", "contactId=nothing", tackle);
    }

    private Task<int> AgreesAsync(string path, string query, JsonNode body) =>
        AgreesAsync(path, query, body.ToJsonString());

    /// <returns>The status that both gave.</returns>
    private async Task<int> AgreesAsync(string path, string query, string body)
    {
        using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
        using var response = await server.Client.PostAsync($"{path}?{query}", content);
        var expected = await response.Content.ReadAsStringAsync();
        var answer = await AskAsync(path, query, body);
        var (status, said) = (int.Parse(answer[..3]), answer[3..]);
        Assert.True(
            (int)response.StatusCode == status,
            $"{path}: {(int)response.StatusCode} {expected[..Math.Min(400, expected.Length)]}\n{answer[..Math.Min(400, answer.Length)]}"
        );
        if (status == 200)
        {
            Assert.Equal(expected, said);
        }
        else
        {
            var (one, other) = (JsonNode.Parse(expected)!, JsonNode.Parse(said)!);
            foreach (var member in new[] { "title", "detail", "errors" })
            {
                Assert.True(JsonNode.DeepEquals(one[member], other[member]), $"{path}: {one[member]}\n{other[member]}");
            }
        }

        return status;
    }

    private Task<string> AskAsync(string path, string query, string body) =>
        home.TellAsync(
            new
            {
                path,
                query,
                body,
            }
        );

    /// <summary>Changes one member somewhere into something else.</summary>
    private static void Spoil(JsonNode plan, Random chance)
    {
        var node = plan;
        while (true)
        {
            switch (node)
            {
                case JsonObject { Count: > 0 } group:
                    var name = group.ElementAt(chance.Next(group.Count)).Key;
                    if (group[name] is JsonObject or JsonArray && chance.Next(12) > 0)
                    {
                        node = group[name]!;
                        continue;
                    }

                    if (chance.Next(6) == 0)
                    {
                        group.Remove(name);
                    }
                    else
                    {
                        group[name] = Other(group[name], chance);
                    }

                    return;
                case JsonArray { Count: > 0 } list:
                    node = list[chance.Next(list.Count)] ?? plan;
                    continue;
                default:
                    return;
            }
        }
    }

    private static JsonNode? Other(JsonNode? was, Random chance) =>
        was is JsonValue value && value.TryGetValue<double>(out var number)
            ? chance.Next(6) switch
            {
                0 => -number,
                1 => 0,
                2 => 1e9,
                3 => null,
                _ => number * (0.2 + (2 * chance.NextDouble())),
            }
            : chance.Next(4) switch
            {
                0 => null,
                1 => "nothing of the kind",
                2 => 7,
                _ => new JsonArray(),
            };
}

/// <summary>The core for the browser, published and run in Node: one for all questions of a class.</summary>
public sealed class HomeInNode : IDisposable
{
    private Process? home;

    public bool IsBegun => home is not null;

    public void Begin()
    {
        var core = Path.Combine(Repository.Root, "artifacts", "app", "wwwroot", "core", "dotnet.js");
        Assert.True(File.Exists(core), "The core for the browser is not built: run tools/build first.");
        home = Process.Start(
            new ProcessStartInfo(
                "node",
                [Path.Combine(Repository.Root, "tests", "Draklo.Web.Tests", "two-homes.mjs"), core]
            )
            {
                UseShellExecute = false,
                RedirectStandardInput = true,
                RedirectStandardOutput = true,
            }
        );
    }

    public async Task<string> TellAsync(object question)
    {
        await home!.StandardInput.WriteLineAsync(JsonSerializer.Serialize(question));
        await home.StandardInput.FlushAsync();
        return await home.StandardOutput.ReadLineAsync().WaitAsync(TimeSpan.FromSeconds(60))
            ?? throw new InvalidOperationException("The home in Node ended.");
    }

    public void Dispose()
    {
        home?.Kill();
        home?.Dispose();
    }
}
