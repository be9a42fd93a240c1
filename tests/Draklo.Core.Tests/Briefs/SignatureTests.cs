using Draklo.Core.Briefs;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What a signature stands under: whatever can turn the verdict voids it and is named, and nothing else does.</summary>
public sealed class SignatureTests
{
    private static readonly GearItem Rope = new()
    {
        Id = "long-60",
        Kind = GearKind.Rope,
        Name = "Long line",
        Marks = "tag 1",
        BreakingStrengthN = 40000,
        LengthM = 60,
    };

    private static readonly Plan Signed = With(
        Sound(),
        (
            "crew",
            """
            [
                { "name": "Runa", "personId": "runa", "role": "lead" }, { "name": "Ole", "role": "faller" },
                { "name": "Ines", "role": "hauler" }, { "name": "Bo", "role": "hauler" }
            ]
            """
        ),
        ("lines[0].rope.itemId", "\"long-60\""),
        ("wind.gustMps", "5"),
        (
            "accepted",
            """[{ "code": "anchor-lifted", "by": "Runa", "at": "2026-11-30T08:00:00Z", "because": "dug in" }]"""
        )
    );

    public static TheoryData<string, string, string> Moves =>
        new()
        {
            { "tree.condition", """{ "dead": true }""", "Dead" },
            { "wind.gustMps", "9", "Gusts expected" },
            { "wind.speedMps", "3", "Wind speed" },
            {
                "site.targets",
                """[{ "id": "p", "kind": "powerLine", "name": "Line", "points": [{ "eastM": 90, "northM": 0 }, { "eastM": 90, "northM": 50 }], "heightM": 8 }]""",
                "target"
            },
            { "accepted", "[]", "The accepted check “anchor lifted”" },
            { "lines[0].knotId", "\"bowline\"", "Tied with" },
            { "lines[0].anchor.tree", """{ "dbhM": 0.25, "heightM": 14 }""", "breast" },
            { "lines[0].anchor.sling", """{ "breakingStrengthN": 15000, "hitch": "choked" }""", "sling" },
            { "policy.loadReserve", "1.2", "Load reserve" },
            { "policy.designFactor.rope", "4", "Factor for ropes" },
            { "tree.lean.angleDeg", "3.4", "Lean" },
            { "cut.order", "\"notchFirst\"", "When the line is tightened" },
            { "cut.wedges", """{ "count": 3 }""", "Wedges" },
            { "cut.lashings", """[{ "heightM": 0.6, "breakingStrengthN": 50000 }]""", "Lashing round" },
            { "cut.bites", """[{ "rightM": 0, "widthM": 0.1 }]""", "Bite width" },
            { "cut.hingeTaperM", "0.02", "taper" },
            { "crew[2].role", "\"watcher\"", "What Ines does" },
            { "crew[2].shelter", "\"behind the tractor\"", "What Ines stands behind" },
            { "crew[1].place", """{ "eastM": -30, "northM": 30 }""", "Where Ole stands" },
            { "walkUp[0].tickedBy", "null", "Walk-up" },
            { "guesses", """["tree.heightM"]""", "Height" },
            { "readings", """{ "girthM": 2.4 }""", "Girth" },
            { "help.meetAt", "\"the gate\"", "Meeting point" },
            { "signals", """[{ "sign": "horn", "means": "stop" }]""", "The sign" },
            { "site.aimErrorDeg", "2", "Aiming error" },
        };

    [Theory]
    [MemberData(nameof(Moves))]
    public void Whatever_the_verdict_can_turn_on_voids_it_and_is_named(string path, string json, string name)
    {
        var changed = With(Signed, (path, json));
        var changes = Changes(PageOf(Signed), PageOf(changed));
        Assert.True(
            changes.Exists(c => c.Name.Contains(name, StringComparison.OrdinalIgnoreCase)),
            string.Join("; ", changes.Select(c => $"{c.Name}: {c.Was} → {c.Is}"))
        );
        var after = SignOff.Of(changed, PageOf(changed), [Sign("Runa", PageOf(Signed))], UnitSystem.Metric);
        Assert.False(after.People[0].HasSigned);
        Assert.NotEmpty(after.People[0].Changes);
    }

    public static TheoryData<string> Codes => [.. ReasonTests.Changes.Keys];

    /// <summary>Every change of the plan that gives it a reason is one that a signature on it knows.</summary>
    [Theory]
    [MemberData(nameof(Codes))]
    public void No_change_that_gives_a_reason_passes_unseen(string code)
    {
        var changed = With(Lime(), ReasonTests.Changes[code]);
        if (ReasonTests.Changes[code].Length > 0)
        {
            Assert.NotEmpty(Changes(PageOf(Lime()), PageOf(changed)));
        }
    }

    public static TheoryData<string> Pieces => ["retired", "set aside", "weaker", "shorter", "flawed", "worn"];

    [Theory]
    [MemberData(nameof(Pieces))]
    public void A_piece_that_changed_in_the_locker_voids_it(string what)
    {
        var now = what switch
        {
            "retired" => Rope with { State = GearState.Retired },
            "set aside" => Rope with { State = GearState.Quarantined },
            "weaker" => Rope with { BreakingStrengthN = 30000 },
            "shorter" => Rope with { LengthM = 55 },
            "flawed" => Rope with { Flaws = [new() { AtM = 4, What = "cut" }] },
            _ => Rope with { Keeps = 0.8 },
        };
        var changes = Changes(PageOf(Signed), PageOf(Signed, now));
        Assert.NotEmpty(changes);
        Assert.All(changes, c => Assert.Contains("Long line", c.Name, StringComparison.OrdinalIgnoreCase));
    }

    [Theory]
    [InlineData("name", "\"Another name\"")]
    [InlineData("place", "\"At the mill\"")]
    [InlineData("work.tasks", """[{ "id": "cuts", "likelyMin": 40 }]""")]
    [InlineData("work.loads", "12")]
    [InlineData("crew[0].name", "\"Runá\"")]
    [InlineData("lines[0].anchor.name", "\"the old oak\"")]
    public void What_moves_nothing_on_the_page_voids_nothing(string path, string json)
    {
        var changed = With(Signed, (path, json));
        Assert.Empty(Changes(PageOf(Signed), PageOf(changed)));
        var after = SignOff.Of(changed, PageOf(changed), [Sign("Runa", PageOf(Signed))], UnitSystem.Metric);
        Assert.True(after.People[0].HasSigned);
    }

    [Fact]
    public void A_clearing_added_leaves_the_pull_signed_and_waits_for_its_own_signatures()
    {
        var cleared = Signed with { Clearing = Banks.Bank() with { Alone = false } };
        var page = PageOf(cleared);
        Assert.NotNull(page.Clearing);
        Signature[] before = [.. Signed.Crew.Select(c => Sign(c.Name, PageOf(Signed)))];
        var off = SignOff.Of(cleared, page, before, UnitSystem.Metric);
        Assert.All(off.People, p => Assert.True(p.HasSigned && p.LacksClearing));

        Signature[] again = [.. before, .. Signed.Crew.Select(c => Sign(c.Name, page))];
        var signed = SignOff.Of(cleared, page, again, UnitSystem.Metric);
        Assert.All(signed.People, p => Assert.True(p is { HasSigned: true, LacksClearing: false }));

        // From then on the clearing is under it like all else.
        var moved = cleared with
        {
            Clearing = cleared.Clearing with { High = cleared.Clearing.High! with { AtM = 3 } },
        };
        var voided = SignOff.Of(moved, PageOf(moved), again, UnitSystem.Metric);
        Assert.All(voided.People, p => Assert.False(p.HasSigned));
    }

    [Fact]
    public void A_page_from_before_says_once_that_less_was_under_it()
    {
        var page = PageOf(Signed);
        var old = Sign("Runa", page) with
        {
            Fingerprint = "00000000",
            Covered = [.. page.Covered.Where(c => c.Id is "floor" or "ceiling")],
        };
        var change = Assert.Single(SignOff.Of(Signed, page, [old], UnitSystem.Metric).People[0].Changes);
        Assert.Equal("What a page covers", change.Name);
    }

    private static List<CoveredChange> Changes(Brief was, Brief now) =>
        Covered.Changes(was.Covered, now.Covered, UnitSystem.Metric);

    private static Signature Sign(string name, Brief brief) =>
        new()
        {
            Number = 1,
            Name = name,
            PersonId = name == "Runa" ? "runa" : null,
            Role = "lead",
            At = "2026-12-01T08:15:00Z",
            Way = "own-pin",
            EnteredBy = name,
            Fingerprint = brief.Fingerprint,
            Covered = brief.Covered,
            ClockBack = false,
        };

    private static Brief PageOf(Plan plan, GearItem? rope = null) =>
        Cases.PageOf(plan, new Dictionary<string, GearItem>(StringComparer.Ordinal) { [Rope.Id] = rope ?? Rope });
}
