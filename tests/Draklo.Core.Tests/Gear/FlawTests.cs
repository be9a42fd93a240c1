using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Flawed spots and cut ends of a rope, and what the crew's rules propose.</summary>
public sealed class FlawTests
{
    private static readonly DateOnly Today = new(2026, 6, 1);

    private static readonly GearItem Rope = new()
    {
        Id = "red",
        Kind = GearKind.Rope,
        Name = "Red line",
        LengthM = 60,
        BreakingStrengthN = 40000,
        MadeOn = "2024-01-01",
        InServiceOn = "2026-01-01",
        Flaws = [new() { AtM = 5, What = "glazed" }, new() { AtM = 50, What = "flat" }],
    };

    [Fact]
    public void Cutting_an_end_takes_its_flaws_along_and_counts_from_the_new_one()
    {
        var after = GearFlags.After(Rope, Look() with { CutFromAM = 8 });
        Assert.Equal(52, after.LengthM);
        var left = Assert.Single(after.Flaws);
        Assert.Equal((42, "flat"), (left.AtM, left.What));
        var short12 = GearFlags.After(Rope, Look() with { CutFromBM = 12 });
        Assert.Equal((48, 5), (short12.LengthM, Assert.Single(short12.Flaws).AtM));
    }

    [Fact]
    public void A_spot_that_was_seen_is_remembered_by_its_metre()
    {
        var after = GearFlags.After(Rope, Look() with { AtM = 20, Findings = [Finding.Cut] });
        Assert.Equal([5, 50, 20], after.Flaws.Select(f => f.AtM));
        Assert.Equal("cut", after.Flaws[2].What);
    }

    [Fact]
    public void Metres_that_cannot_be_are_told()
    {
        At(Look() with { AtM = 61 }, Rope, "atM");
        At(Look() with { CutFromAM = 59.5 }, Rope, "cutFromAM");
        At(Look() with { CutFromBM = 30, CutFromAM = 30 }, Rope, "cutFromAM");
        At(Look() with { AtM = 3 }, Rope with { Kind = GearKind.Block }, "atM");
        Assert.Equal(
            "flaws[0].atM",
            Assert
                .Single(
                    GearRules.Check(Rope with { Flaws = [new() { AtM = 70, What = "cut" }] }, Today, UnitSystem.Metric)
                )
                .Path
        );
    }

    [Fact]
    public void A_jerk_many_uses_and_great_loads_ask_for_somebody()
    {
        var rules = new LockerRules();
        Assert.Null(Proposed(new(null, null, "2026-05-01", null), rules));
        Assert.Equal(InspectionOutcome.Quarantine, Proposed(new(null, null, "2026-05-01", null, "2026-05-20"), rules));
        Assert.Equal(InspectionOutcome.Watch, Proposed(new(null, null, "2026-05-01", null, null, 40), rules));
        Assert.Equal(InspectionOutcome.Quarantine, Proposed(new(17000, "2026-05-20", "2026-05-01", null), rules));
        Assert.Equal(InspectionOutcome.Retire, Proposed(new(25000, "2026-05-20", "2026-05-01", null), rules));
    }

    [Fact]
    public void The_plan_says_which_end_goes_into_the_tree()
    {
        var sound = Cases.Sound().WithMain(l => l with { Rope = l.Rope with { ItemId = "red", LengthM = 60 } });
        // The first 30 m or so of 60 are loaded: a flaw 5 m from end a is under load from that end only.
        var text = Said(sound, [new() { AtM = 5, What = "glazed" }]);
        Assert.Contains("put end b in the tree", text!, StringComparison.Ordinal);
        Assert.Null(Said(End(sound, RopeEnd.B), [new() { AtM = 5, What = "glazed" }]));
        Assert.Contains(
            "end b",
            Said(End(sound, RopeEnd.A), [new() { AtM = 5, What = "glazed" }])!,
            StringComparison.Ordinal
        );
        var both = Said(sound, [new() { AtM = 5, What = "glazed" }, new() { AtM = 55, What = "cut" }]);
        Assert.Contains("take another rope", both!, StringComparison.Ordinal);
    }

    private static Plan End(Plan plan, RopeEnd end) =>
        plan.WithMain(l => l with { Rope = l.Rope with { EndInTree = end } });

    private static string? Said(Plan plan, GearFlaw[] flaws)
    {
        var locker = new Dictionary<string, GearStanding>(StringComparer.Ordinal)
        {
            ["red"] = new("Red line", GearState.InService, "") { Flaws = flaws },
        };
        return Draklo
            .Core.Analyses.PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false, new(locker, []))
            .Analysis!.Verdict.Reasons.FirstOrDefault(r => r.Code == "flaw-loaded")
            ?.Text;
    }

    private static InspectionOutcome? Proposed(GearPast past, LockerRules rules) =>
        GearProposals.Of(Rope, past, rules, Today, UnitSystem.Metric)?.Proposed;

    private static Inspection Look() => new() { On = "2026-05-20", By = "Mette" };

    private static void At(Inspection inspection, GearItem item, string path) =>
        Assert.Equal(path, Assert.Single(GearRules.Check(inspection, item, Today, UnitSystem.Metric)).Path);
}
