using System.Text.Json.Nodes;
using Ical.Net;

namespace Draklo.Web.Tests;

/// <summary>List, sheet, brief, cards, day, clock and calendar say the same of one plan: state, headline, order of the steps.</summary>
/// <remarks>The core in the browser answers the same questions word by word: TwoHomesTests.</remarks>
public sealed class OneVoiceTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const int RandomPlans = 100;
    private const int MostWords = 15;

    /// <summary>Of how many random plans the clock is asked too, which draws hundreds of days for its answer.</summary>
    private static readonly int OneInSoMany = Environment.GetEnvironmentVariable("DRAKLO_LONG") == "1" ? 1 : 5;

    private static readonly string[] Orders = ["tightFirst", "notchFirst", "followThePull", "presetHinge"];

    [Fact]
    public async Task Of_every_demo_job()
    {
        var jobs = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        var spoken = 0;
        foreach (var listed in jobs.Where(j => j!["state"]!.GetValue<string>() is not ("mend" or "damaged")))
        {
            await SameOfAsync(listed!["id"]!.GetValue<string>(), listed);
            spoken++;
        }

        Assert.True(spoken > 10, $"{spoken} jobs");
    }

    [Fact]
    public async Task Of_a_hundred_random_plans()
    {
        var seed = Environment.TickCount;
        var chance = new Random(seed);
        var demos = new List<JsonObject>();
        foreach (var name in new[] { "Birch", "Lime", "Side-leaner" })
        {
            demos.Add(await server.DemoAsync(name));
        }

        var (spoken, states) = (0, new HashSet<string>(StringComparer.Ordinal));
        for (var i = 0; i < RandomPlans; i++)
        {
            var plan = demos[i % demos.Count]["plan"]!.DeepClone().AsObject();
            Scale(plan["tree"]!, "heightM", chance, 0.8, 1.2);
            Scale(plan["tree"]!["lean"]!, "angleDeg", chance, 0.3, 3);
            Scale(plan["lines"]![0]!["anchor"]!, "distanceM", chance, 0.7, 1.4);
            Scale(plan["lines"]![0]!["rope"]!, "breakingStrengthN", chance, 0.3, 1.2);
            Scale(plan["cut"]!, "hingeThicknessM", chance, 0.6, 1.6);
            plan["cut"]!["order"] = Orders[chance.Next(Orders.Length)];
            var lay = plan["lay"]!["bearingDeg"]!.GetValue<double>();
            plan["lay"]!["bearingDeg"] = Math.Round(lay + 320 + (80 * chance.NextDouble())) % 360;
            var content = new JsonObject
            {
                ["name"] = $"Random {i}",
                ["plannedOn"] = "2026-12-03",
                ["plan"] = plan,
            };
            var made = await server.SendAsync(HttpMethod.Post, "/api/jobs", content);
            Assert.True(made.Status == 201, $"seed {seed}: {made.Text}");
            var id = made.Body!["id"]!.GetValue<string>();
            var listed = (await server.SendAsync(HttpMethod.Get, $"/api/jobs?text=Random%20{i}"))
                .Body!.AsArray()
                .Single(j => j!["id"]!.GetValue<string>() == id)!;
            if (listed["state"]!.GetValue<string>() == "mend")
            {
                var refused = await server.SendAsync(HttpMethod.Post, "/api/analysis", plan);
                Assert.Equal(422, refused.Status);
                continue;
            }

            states.Add(await SameOfAsync(id, listed, withClock: i % OneInSoMany == 0));
            spoken++;
        }

        Assert.True(
            spoken > RandomPlans / 2 && states.Count > 1,
            $"seed {seed}: {spoken} plans, {states.Count} states"
        );
    }

    private static void Scale(JsonNode part, string name, Random chance, double least, double most) =>
        part[name] = part[name]!.GetValue<double>() * (least + ((most - least) * chance.NextDouble()));

    /// <summary>Asks everybody who speaks of a job.</summary>
    /// <returns>The state.</returns>
    private async Task<string> SameOfAsync(string id, JsonNode listed, bool withClock = true)
    {
        var summary = listed["summary"]!.GetValue<string>();
        var state = listed["state"]!.GetValue<string>();
        var job = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!;
        var plan = job["plan"]!;

        var verdict = (await server.SendAsync(HttpMethod.Post, "/api/analysis", plan)).Body!["verdict"]!;
        Assert.Equal(state, verdict["state"]!.GetValue<string>());
        Assert.Equal(listed["headline"]!.GetValue<string>(), verdict["headline"]!.GetValue<string>());
        Assert.Equal(summary, verdict["summary"]!.GetValue<string>());
        var headline = verdict["headline"]!.GetValue<string>();
        Assert.True(headline.Split(' ').Count(w => w.Any(char.IsLetterOrDigit)) <= MostWords, headline);

        var brief = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/brief")).Body!["page"]!["brief"]!;
        Assert.Equal(summary, brief["verdict"]!.GetValue<string>());
        Assert.Equal(state, brief["state"]!.GetValue<string>());

        var pulling = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling")).Body!["day"]!;
        Assert.Equal(summary, pulling["verdict"]!.GetValue<string>());

        var alone = plan["clearing"]?["alone"]?.GetValue<bool>() == true;
        var steps = pulling["steps"]!.AsArray().Select(s => s!["name"]!.GetValue<string>()).ToList();
        Assert.All(
            brief["cards"]!.AsArray(),
            c => Assert.Equal(string.Join(", ", steps), c!["order"]!.GetValue<string>().TrimEnd('.'), ignoreCase: true)
        );
        SameCuts(alone, steps, brief);
        if (!withClock)
        {
            return state;
        }

        var clock = (await server.SendAsync(HttpMethod.Post, "/api/day", plan)).Body!;
        Assert.Equal(summary, clock["verdict"]!.GetValue<string>());
        SameTasks(alone, steps, clock);
        if (job["plannedOn"] is not null)
        {
            var file = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/day.ics");
            var note = Assert.Single(Calendar.Load(file.Text)!.Events).Description!;
            Assert.StartsWith(summary, note, StringComparison.Ordinal);
        }

        return state;
    }

    private static void SameCuts(bool alone, List<string> steps, JsonNode brief)
    {
        var cuts = brief["cuts"]!.AsArray().Select(c => c!["kind"]!.GetValue<string>()).ToList();
        if (alone)
        {
            Assert.Equal(["brief", "clear"], steps);
            Assert.Empty(cuts);
            return;
        }

        Assert.Equal(IsNotchFirst(steps), cuts.IndexOf("notch") < cuts.IndexOf("tighten"));
    }

    private static void SameTasks(bool alone, List<string> steps, JsonNode clock)
    {
        var tasks = clock["tasks"]!.AsArray().Select(t => t!["id"]!.GetValue<string>()).ToList();
        if (alone)
        {
            Assert.DoesNotContain(
                tasks,
                t => t is "pull" or "cuts" || t.StartsWith("set-line", StringComparison.Ordinal)
            );
            return;
        }

        Assert.Equal(IsNotchFirst(steps), tasks.Contains("notch"));
    }

    private static bool IsNotchFirst(List<string> steps) => steps.IndexOf("notch") < steps.IndexOf("floor");
}
