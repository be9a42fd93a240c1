using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>A stop names what would take it away, proved by the analysis, or that nothing was found.</summary>
public sealed class StopRemedyTests
{
    /// <summary>What no change of the plan mends: somebody has to look, to switch off, to choose another piece or another way.</summary>
    private static readonly string[] Without =
    [
        // Enough people for this pull could break the roots: two changes are needed.
        "hauler-too-weak",
        "helper-without-way-out",
        "helpers-at-stump",
        "people-in-snap-back",
        "people-under-fall",
        "power-line-crossed",
        "power-line-near",
        "power-line-under-fall",
        "shell-thin",
        "soundness-too-low",
        "tree-cracked",
    ];

    public static TheoryData<string> Stops =>
        [.. ReasonTests.Changes.Keys.Where(c => StopOf(PlanOf(c), c) is not null)];

    [Theory]
    [MemberData(nameof(Stops))]
    public void Each_remedy_takes_it_away_and_brings_no_other(string code)
    {
        var plan = PlanOf(code);
        var stop = StopOf(plan, code)!;
        var before = StopsOf(plan);
        var (remedies, problems) = StopRemedies.For(
            plan,
            new(stop.Code, stop.Path ?? "", stop.LinkId ?? ""),
            UnitSystem.Metric,
            ReasonTests.Yard
        );
        Assert.Empty(problems);
        Assert.Equal(Without.Contains(code), remedies!.Count == 0);
        foreach (var remedy in remedies)
        {
            var mended = Edited(plan, [.. remedy.Changes.Select(c => (c.Path, JsonOf(c.Value)))]);
            var after = StopsOf(mended);
            Assert.DoesNotContain((stop.Code, stop.Path, stop.LinkId), after);
            Assert.Subset(before, after);
            Assert.Equal(remedy.StopsLeft, after.Count);
        }
    }

    [Fact]
    public void What_is_no_stop_of_the_plan_has_none() =>
        Assert.Empty(StopRemedies.For(Sound(), new("link-fails", "", "main.rope"), UnitSystem.Metric, null).Remedies!);

    private static object? JsonOf(object? value) =>
        value is null ? null : JsonSerializer.SerializeToNode(value, value.GetType(), DocumentReader.Options);

    private static Plan PlanOf(string code) => With(Lime(), ReasonTests.Changes[code]);

    private static Reason? StopOf(Plan plan, string code) =>
        ReasonsOf(plan).FirstOrDefault(r => r.Code == code && r.State == VerdictState.Stop);

    private static HashSet<(string Code, string? Path, string? LinkId)> StopsOf(Plan plan) =>
        [.. ReasonsOf(plan).Where(r => r.State == VerdictState.Stop).Select(r => (r.Code, r.Path, r.LinkId))];

    private static IReadOnlyList<Reason> ReasonsOf(Plan plan) =>
        PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false, ReasonTests.Yard).Analysis!.Verdict.Reasons;
}
