using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Pieces of the locker on a plan.</summary>
public sealed class GearOnPlanTests
{
    [Fact]
    public void Every_item_that_a_plan_can_name_is_found_where_it_hangs()
    {
        // Each group that has an itemId is given one of its own: whatever the document can name must be found.
        var json = JsonSerializer.SerializeToNode(
            Heavy.Plan().WithMain(l => l with { Tackle = l.Tackle with { Hold = new() { Grip = l.Tackle.Grip } } }),
            DocumentReader.Options
        )!;
        var expected = new List<string>();
        foreach (
            var path in new[]
            {
                "rope",
                "joined.rope",
                "tackle.rope",
                "tackle.grip",
                "tackle.hold.grip",
                "tackle.connector",
                "tackle",
                "anchor.sling",
                "limiter",
                "redirects.0",
                "redirects.0.at.sling",
            }
        )
        {
            JsonNode node = json["lines"]![0]!;
            foreach (var step in path.Split('.'))
            {
                node = int.TryParse(step, out var index) ? node[index]! : node[step]!;
            }

            node[path is "tackle" or "redirects.0" ? "hardwareItemId" : "itemId"] = path;
            expected.Add(path);
        }

        var (plan, problems) = DocumentReader.Read<Plan>(JsonSerializer.SerializeToUtf8Bytes(json));
        Assert.Empty(problems);
        Assert.Equal(
            expected.Order(StringComparer.Ordinal),
            GearOnPlan.Of(plan!).Select(p => p.ItemId).Order(StringComparer.Ordinal)
        );
        Assert.All(GearOnPlan.Of(plan!), p => Assert.True(MemberPaths.IsMember<Plan>(p.Path), p.Path));
    }

    [Theory]
    [InlineData(GearState.Retired, "cut", VerdictState.Stop, "is retired (cut)")]
    [InlineData(GearState.Quarantined, "", VerdictState.Stop, "is in quarantine")]
    [InlineData(GearState.InService, "ten years old", VerdictState.Check, "ten years old")]
    public void What_stands_badly_in_the_locker_is_said(GearState state, string why, VerdictState expected, string says)
    {
        var plan = Lime().WithMain(l => l with { Rope = l.Rope with { ItemId = "r1" } });
        var reasons = Of(plan, new() { ["r1"] = new("red line", state, why) });
        Assert.Contains(
            reasons,
            r => r.State == expected && r.Path == "lines[0].rope" && r.Text.Contains(says, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_sound_piece_is_not_spoken_of_an_unknown_one_is_and_none_hangs_twice()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Rope = l.Rope with { ItemId = "r1" },
                    Tackle = l.Tackle with { Rope = l.Tackle.Rope! with { ItemId = "r1" }, HardwareItemId = "b9" },
                }
            );
        var reasons = Of(plan, new() { ["r1"] = new("red line", GearState.InService, "") });
        Assert.Contains(
            reasons,
            r => r.Path == "lines[0].tackle" && r.Text.Contains("not in this locker", StringComparison.Ordinal)
        );
        Assert.Contains(
            reasons,
            r => r.Path == "lines[0].tackle.rope" && r.Text.Contains("two places", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(reasons, r => r.Path == "lines[0].rope");
        Assert.DoesNotContain(
            plan.Analysed().Verdict.Reasons,
            r => r.Text.Contains("locker", StringComparison.Ordinal)
        );
    }

    private static IReadOnlyList<Reason> Of(Plan plan, Dictionary<string, GearStanding> locker) =>
        PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false, new(locker, [])).Analysis!.Verdict.Reasons;
}
