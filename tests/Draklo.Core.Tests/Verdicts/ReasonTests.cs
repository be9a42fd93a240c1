using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration.Attributes;
using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Each reason of the verdict once: its code, state, member, values and words.</summary>
public sealed class ReasonTests
{
    private const string Second = """
        { "knotId": "double-fisherman", "rope": { "breakingStrengthN": 40000, "lengthM": 60, "diameterM": 0.0127, "stretchAtTenPercent": 0.03 } }
        """;

    /// <summary>What makes the lime give each reason, by its code.</summary>
    internal static readonly Dictionary<string, (string Path, string Json)[]> Changes = new(StringComparer.Ordinal)
    {
        ["acceptance-lapsed"] =
        [
            (
                "accepted",
                """[{ "code": "gust-low", "path": "wind.gustMps", "by": "Mara", "at": "2026-04-18T08:00:00+02:00", "because": "calm", "values": { "gustMps": 9 } }]"""
            ),
        ],
        ["anchor-lifted"] =
        [
            ("lines[0].anchor.kind", "\"post\""),
            ("lines[0].anchor.post", """{ "diameterM": 0.2, "depthM": 1.2 }"""),
        ],
        ["careful-end"] = [("lines[0].puller.effortEachN", "214")],
        ["crew-in-snap-back"] = [("lines[0].puller.place", """{ "eastM": 34, "northM": 1 }""")],
        ["crew-under-fall"] = [("lines[0].puller.place", """{ "eastM": 14, "northM": 1 }""")],
        ["driven-wheels-unknown"] = [("lines[0].puller", """{ "kind": "vehicle", "vehicle": { "massKg": 2200 } }""")],
        ["factors-lowered"] = [("policy.designFactor.rope", "3")],
        ["guess-matters"] = [("guesses", """["tree.heightM"]""")],
        ["gust-low"] = [],
        ["gust-under-wind"] = [("wind", """{ "speedMps": 7, "fromDeg": 270 }""")],
        ["hinge-may-let-go-first"] = [("tree.lean.angleDeg", "21")],
        ["hinge-twists"] =
        [
            ("lines[0].anchor.bearingDeg", "55"),
            ("tree.lean.bearingDeg", "200"),
            ("tree.lean.angleDeg", "7"),
            ("cut.hingeThicknessM", "0.03"),
        ],
        ["no-way-out"] =
        [
            (
                "site.escapeRoutes",
                """[{ "bearingDeg": 225, "givenUpBy": "Mara" }, { "bearingDeg": 315, "givenUpBy": "Mara" }]"""
            ),
        ],
        ["nothing-measured"] = [("guesses", """["tree.heightM", "tree.dbhM", "tree.lean.angleDeg"]""")],
        ["hinge-in-rot"] = [("cut.rot", """[{ "forwardM": 0.125, "rightM": -0.22, "acrossM": 0.26 }]""")],
        ["hinge-end-cut-off"] = [("cut.bites", """[{ "rightM": 0.24, "widthM": 0.1 }]""")],
        ["taper-wrong-side"] = [("cut.hingeTaperM", "0.02"), ("tree.lean", """{ "angleDeg": 4, "bearingDeg": 200 }""")],
        ["step-missing"] =
        [
            ("cut.notch", """{ "style": "narrow", "depthM": 0.12, "openingDeg": 45 }"""),
            ("cut.stepM", "0"),
        ],
        ["step-over-open-notch"] = [("cut.stepM", "0.08")],
        ["strap-in-rot"] =
        [
            ("cut.back", "\"bore\""),
            ("cut.strap", """{ "thicknessM": 0.1 }"""),
            ("cut.rot", """[{ "forwardM": -0.2, "rightM": 0, "acrossM": 0.08 }]"""),
        ],
        ["strap-thin"] = [("cut.back", "\"bore\""), ("cut.strap", """{ "thicknessM": 0.012 }""")],
        ["bore-into-hinge"] =
        [
            ("cut.back", "\"bore\""),
            ("cut.strap", """{ "thicknessM": 0.26 }"""),
            ("cut.notch.depthM", "0.19"),
        ],
        ["wedge-overloaded"] = [("cut.wedges", """{ "count": 1, "bearsN": 20000 }""")],
        ["wedge-is-insurance"] = [("cut.wedges", """{ "count": 1 }""")],
        ["lashing-weak"] =
        [
            ("cut.lashings", """[{ "round": "fork", "heightM": 1, "unionHeightM": 3.2, "breakingStrengthN": 9000 }]"""),
        ],
        ["lashings-short"] = [("cut.lashings", """[{ "heightM": 0.4, "breakingStrengthN": 9000 }]""")],
        ["bar-short"] = [("cut.barLengthM", "0.2")],
        ["crack-lashed"] =
        [
            ("tree.condition", """{ "cracked": true, "crackJudgedBy": "Mara" }"""),
            (
                "cut.lashings",
                """[{ "heightM": 2, "breakingStrengthN": 50000 }, { "heightM": 4, "breakingStrengthN": 50000 }]"""
            ),
        ],
        ["planned-too-low-in-hundred"] = [("policy.loadReserve", "1.05")],
        ["planned-under-floor"] = [("policy.loadReserve", "1"), ("cut.hingeThicknessM", "0.02")],
        ["power-line-answered"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "powerLine", "points": [{ "eastM": -10, "northM": 30 }, { "eastM": 30, "northM": 30 }], "utilityWord": { "by": "Control room", "at": "2026-04-18T07:00:00+02:00" } }]"""
            ),
        ],
        ["power-line-crossed"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "powerLine", "points": [{ "eastM": 26, "northM": -20 }, { "eastM": 26, "northM": 20 }] }]"""
            ),
        ],
        ["puller-anchor-unknown"] = [("lines[0].puller", """{ "kind": "handWinch", "machineN": 3000 }""")],
        ["reserve-low"] = [("policy.loadReserve", "1.1")],
        ["road-open"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "road", "points": [{ "eastM": 25, "northM": -30 }, { "eastM": 25, "northM": 30 }], "radiusM": 1.5 }]"""
            ),
        ],
        ["torn-hits"] =
        [
            ("tree.lean", """{ "angleDeg": 4, "bearingDeg": 200 }"""),
            (
                "site.targets",
                """[{ "id": "t", "kind": "fence", "name": "garden fence", "points": [{ "eastM": 6, "northM": -14 }, { "eastM": 14, "northM": -14 }] }]"""
            ),
        ],
        ["walk-up-missing"] = [("walkUp", "[]")],
        ["way-out-ahead"] = [("site.escapeRoutes", """[{ "bearingDeg": 130 }, { "bearingDeg": 315 }]""")],
        ["wind-not-given"] = [("wind", "{}")],
        ["window-closes"] = [("lines[0].rope.breakingStrengthN", "10000")],
        ["anchor-within-reach"] = [("lines[0].anchor.distanceM", "20")],
        ["cam-out-of-line"] =
        [
            ("lines[0].tackle.systemId", "\"three-to-one\""),
            ("lines[0].tackle.capture", """{ "kind": "cam", "rope": 0, "contact": 0 }"""),
            ("lines[0].puller.place", """{ "eastM": 30, "northM": 12 }"""),
        ],
        ["commit-far"] = [("cut.hingeThicknessM", "0.12"), ("tree.lean.angleDeg", "20")],
        ["crew-too-near"] = [("lines[0].puller.place", """{ "eastM": 15, "northM": 18 }""")],
        ["crew-at-stump"] = [("lines[0].puller.place", """{ "eastM": 0, "northM": 9 }""")],
        ["aim-error-small"] = [("site.aimErrorDeg", "1")],
        ["helpers-at-stump"] =
        [
            (
                "crew",
                """[{ "name": "Ole", "role": "watcher", "helpsAtStump": true }, { "name": "Pia", "role": "learner", "helpsAtStump": true }]"""
            ),
        ],
        ["helper-without-way-out"] =
        [
            ("crew", """[{ "name": "Ole", "role": "watcher", "helpsAtStump": true }]"""),
            ("site.escapeRoutes", """[{ "bearingDeg": 225 }]"""),
        ],
        ["one-way-out"] = [("site.escapeRoutes", """[{ "bearingDeg": 225 }]""")],
        ["way-out-behind"] = [("site.escapeRoutes", """[{ "bearingDeg": 265 }, { "bearingDeg": 315 }]""")],
        ["way-out-ends-badly"] =
        [
            ("crew", """[{ "name": "Ole", "role": "faller", "place": { "eastM": -12, "northM": 1 } }]"""),
        ],
        ["drum-may-hold-too-much"] = [("lines[0].limiter", """{ "turns": 5 }""")],
        ["drum-may-slip"] = [("lines[0].limiter", """{ "turns": 1 }""")],
        ["grip-cord-ratio"] =
        [
            ("lines[0].tackle.grip", """{ "gripId": "machard", "cordDiameterM": 0.012, "cordStrengthN": 12000 }"""),
        ],
        ["guesses-left"] = [("guesses", """["tree.heightM"]""")],
        ["gust-uses-reserve"] = [("wind", """{ "speedMps": 0, "inLeaf": false }""")],
        ["hauler-too-weak"] = [("lines[0].puller.effortEachN", "100")],
        ["hinge-barely-holds"] = [("cut.notch.openingDeg", "12")],
        ["hinge-lets-go-first"] = [("cut.notch.openingDeg", "10"), ("tree.lean.angleDeg", "8")],
        ["hinge-short"] = [("cut.notch.depthM", "0.06")],
        ["hinge-tears-sideways"] = [("tree.lean.bearingDeg", "180"), ("tree.lean.angleDeg", "14")],
        ["hinge-thick"] = [("cut.hingeThicknessM", "0.08")],
        ["hinge-thin"] = [("cut.hingeThicknessM", "0.02")],
        ["joint-in-union"] = [("lines[0].rope.lengthM", "2"), ("lines[0].joined", Second)],
        ["joint-near-anchor"] = [("lines[0].rope.lengthM", "32"), ("lines[0].joined", Second)],
        ["joint-meets-redirect"] =
        [
            ("lines[0].rope.lengthM", "34"),
            ("lines[0].joined", Second),
            ("lines[0].redirects", """[{ "at": { "distanceM": 30, "bearingDeg": 90, "heightM": 0.5 } }]"""),
            ("lines[0].anchor", """{ "distanceM": 45, "bearingDeg": 40, "heightM": 0.5 }"""),
        ],
        ["redirect-in-the-lay"] =
        [
            ("lines[0].redirects", """[{ "at": { "distanceM": 15, "bearingDeg": 95, "heightM": 0.5 } }]"""),
            ("lines[0].anchor", """{ "distanceM": 45, "bearingDeg": 40, "heightM": 0.5 }"""),
        ],
        ["lay-off-mark"] = [("site.mark", """{ "eastM": 20, "northM": 3 }""")],
        ["lean-one-view"] = [("readings.leanViews", """[{ "lookingDeg": 0, "leanDeg": 2 }]""")],
        ["line-steep"] = [("lines[0].anchor.distanceM", "8")],
        ["link-breaks-at-worst"] = [("lines[0].rope.breakingStrengthN", "22000"), ("lines[0].puller.count", "8")],
        ["link-fails"] = [("lines[0].rope.breakingStrengthN", "9000")],
        ["link-tight"] = [("lines[0].puller.effortEachN", "200")],
        ["link-slips"] =
        [
            ("lines[0].tackle.grip", """{ "gripId": "machard", "slipN": 1500, "cordStrengthN": 22000 }"""),
        ],
        ["no-limiter"] = [("lines[0].puller", """{ "kind": "machine", "machineN": 5000 }""")],
        ["not-bed-tested"] = [("lines[0].setting", """{ "way": "catapult", "bedded": false }""")],
        ["piece-old"] = [("lines[0].rope.wear", """{ "ageYears": 25 }""")],
        ["piece-worn"] = [("lines[0].rope.wear", """{ "keeps": 0.4 }""")],
        ["gear-weaker"] = [("lines[0].rope.itemId", "\"weak\"")],
        ["gear-shorter"] = [("lines[0].rope.itemId", "\"weak\"")],
        ["flaw-on-rope"] = [("lines[0].tackle.rope.itemId", "\"flawed\"")],
        ["anchor-tree-decayed"] =
        [
            ("lines[0].anchor.kind", "\"tree\""),
            ("lines[0].anchor.tree", """{ "dbhM": 0.5, "heightM": 18, "soundness": 0.5 }"""),
        ],
        ["factor-low"] = [("policy.designFactor.rope", "2.5"), ("policy.setBy", "\"Mara\"")],
        ["factor-too-low"] = [("policy.designFactor.rope", "1.2"), ("policy.setBy", "\"Mara\"")],
        ["factors-under-policy"] = [("policy.loadReserve", "1.25"), ("policy.designFactor.sling", "4")],
        ["notch-narrow"] = [("cut.notch.openingDeg", "30")],
        ["notch-closed"] = [("cut.notch.openingDeg", "15")],
        ["stump-thinner"] = [("tree.dbhM", "0.6")],
        ["effort-high"] = [("lines[0].puller.effortEachN", "600")],
        ["seat-low"] = [("lines[0].seat.heightM", "2")],
        ["reading-height"] = [("readings.height", """{ "distanceM": 20, "upDeg": 52, "downDeg": -4 }""")],
        ["reading-girth"] = [("readings.girthM", "2.4")],
        ["reading-lean"] =
        [
            ("readings.leanViews", """[{ "lookingDeg": 0, "leanDeg": -8 }, { "lookingDeg": 90, "leanDeg": 0 }]"""),
        ],
        ["notch-deep"] = [("cut.notch.depthM", "0.2")],
        ["nothing-holds-in-reset"] = [("lines[0].tackle.openedM", "1.6")],
        ["planned-over-early-go"] = [("cut.hingeThicknessM", "0.026"), ("tree.lean.angleDeg", "6")],
        ["pretension-window-empty"] = [("lines[0].rope.breakingStrengthN", "3000")],
        ["roots-lifted"] = [("tree.condition", """{ "rootsLifted": true }""")],
        ["rope-short-for-setting"] = [("lines[0].rope.lengthM", "40")],
        ["rope-too-short"] = [("lines[0].rope.lengthM", "20")],
        ["shell-thin"] = [("tree.decay", """{ "shellM": 0.05, "diameterM": 0.5 }""")],
        ["sits-forward"] = [("tree.lean", """{ "angleDeg": 12, "bearingDeg": 90 }""")],
        ["soundness-reduced"] = [("tree.soundness", "0.8")],
        ["soundness-too-low"] = [("tree.soundness", "0.4")],
        ["splitting-risk-high"] = [("tree.lean", """{ "angleDeg": 30, "bearingDeg": 90 }""")],
        ["splitting-risk-raised"] = [("tree.lean", """{ "angleDeg": 12, "bearingDeg": 90 }""")],
        ["stretch-carries-over"] = [("lines[0].rope.stretchAtTenPercent", "0.25")],
        ["tackle-needs-room"] = [("lines[0].tackle.openedM", "28"), ("lines[0].anchor.distanceM", "25")],
        ["tackle-rope-short"] = [("lines[0].tackle.rope.lengthM", "10")],
        ["throw-falls-short"] = [("lines[0].setting", """{ "way": "hand", "standOffM": 12 }""")],
        ["tree-cracked"] = [("tree.condition", """{ "cracked": true }""")],
        ["tree-dead"] = [("tree.condition", """{ "dead": true }""")],
        ["twigs-under-line"] = [("lines[0].setting", """{ "way": "pole", "twigsLeft": 2 }""")],
        ["walk-up-open"] = [("walkUp", """[{ "id": "a", "text": "Walked all round", "must": true }]""")],
        ["way-out-blocked"] =
        [
            (
                "site.targets",
                """[{ "id": "wall", "kind": "wall", "points": [{ "eastM": -4, "northM": -9 }, { "eastM": -4, "northM": -1 }] }]"""
            ),
        ],
        ["target-under-fall"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "building", "points": [{ "eastM": 10, "northM": -3 }, { "eastM": 18, "northM": -3 }, { "eastM": 18, "northM": 3 }, { "eastM": 10, "northM": 3 }], "closed": true }]"""
            ),
        ],
        ["target-may-be-hit"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "hedge", "points": [{ "eastM": 12, "northM": -8 }, { "eastM": 12, "northM": 8 }], "radiusM": 0.5, "mayBeHit": true }]"""
            ),
        ],
        ["target-close"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "fence", "points": [{ "eastM": 5, "northM": 6.4 }, { "eastM": 25, "northM": 6.4 }] }]"""
            ),
        ],
        ["people-under-fall"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "people", "points": [{ "eastM": 12, "northM": 0 }], "radiusM": 2 }]"""
            ),
        ],
        ["person-under-fall"] =
        [
            ("crew", """[{ "name": "Ole", "role": "watcher", "place": { "eastM": 14, "northM": 1 } }]"""),
        ],
        ["person-in-snap-back"] =
        [
            ("crew", """[{ "name": "Ole", "role": "watcher", "place": { "eastM": 34, "northM": 1 } }]"""),
        ],
        ["person-too-near"] =
        [
            ("crew", """[{ "name": "Ole", "role": "lead", "place": { "eastM": 2, "northM": 24 } }]"""),
        ],
        ["person-at-stump"] =
        [
            ("crew", """[{ "name": "Ole", "role": "road", "place": { "eastM": -4, "northM": 8 } }]"""),
        ],
        ["people-needed-near"] =
        [
            ("crew", """[{ "name": "Ole", "role": "watcher", "place": { "eastM": 0, "northM": 30 } }]"""),
        ],
        ["people-within-reach"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "people", "points": [{ "eastM": 0, "northM": -20 }], "radiusM": 2 }]"""
            ),
        ],
        ["people-in-snap-back"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "people", "points": [{ "eastM": 33, "northM": 0 }], "radiusM": 1 }]"""
            ),
        ],
        ["power-line-near"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "powerLine", "points": [{ "eastM": -10, "northM": 20 }, { "eastM": 30, "northM": 20 }], "heightM": 8 }]"""
            ),
        ],
        ["power-line-under-fall"] =
        [
            (
                "site.targets",
                """[{ "id": "t", "kind": "powerLine", "points": [{ "eastM": 14, "northM": -20 }, { "eastM": 14, "northM": 20 }], "heightM": 8 }]"""
            ),
        ],
        ["anchor-unknown"] = [("lines[0].anchor.capacityN", "null")],
        ["sling-unknown"] = [("lines[0].anchor.sling", "null")],
        ["block-strength-unknown"] = [("lines[0].tackle.hardwareStrengthN", "null")],
        ["tackle-joint-unknown"] = [("lines[0].tackle.joinKnotId", "null")],
        ["cord-strength-unknown"] = [("lines[0].tackle.grip", """{ "gripId": "machard" }""")],
        ["capture-strength-unknown"] =
        [
            ("lines[0].tackle.systemId", "\"three-to-one\""),
            ("lines[0].tackle.capture", """{ "kind": "cam", "rope": 0, "contact": 0 }"""),
        ],
        ["limb-unknown"] = [("lines[0].seat.on", "\"limb\"")],
        ["gear-retired"] = [("lines[0].rope.itemId", "\"retired\"")],
        ["gear-quarantined"] = [("lines[0].rope.itemId", "\"set-aside\"")],
        ["gear-flagged"] = [("lines[0].rope.itemId", "\"flagged\"")],
        ["flaw-loaded"] = [("lines[0].rope.itemId", "\"flawed\"")],
        ["gear-not-in-locker"] = [("lines[0].rope.itemId", "\"nowhere\"")],
        ["gear-used-twice"] = [("lines[0].rope.itemId", "\"sound\""), ("lines[0].tackle.rope.itemId", "\"sound\"")],
        ["wind-strong"] = [("wind.speedMps", "9")],
    };

    public static TheoryData<string> Codes => [.. Pinned.Keys];

    private static IReadOnlyDictionary<string, PinnedReason> Pinned { get; } = Read();

    [Theory]
    [MemberData(nameof(Codes))]
    public void Says_what_is_pinned(string code)
    {
        var pinned = Pinned[code];
        var reason = Of(Changes[code]).First(r => r.Code == code);
        Assert.Equal(pinned.Text, reason.Text);
        Assert.Equal(pinned.State, reason.State);
        Assert.Equal(pinned.Path, reason.Path ?? "");
        Assert.Equal(pinned.Link, reason.LinkId ?? "");
        Assert.Equal(
            pinned.Values.Split(' ', StringSplitOptions.RemoveEmptyEntries),
            reason.Values.Select(v => $"{v.Key}={Figure(v.Value)}")
        );
    }

    /// <summary>A headline is read at a glance: fifteen words at most, each written out, none cut off.</summary>
    [Theory]
    [MemberData(nameof(Codes))]
    public void Has_a_headline_of_fifteen_words_at_most(string code)
    {
        foreach (var name in new[] { "Running bowline", "Sling at the anchor of the winch behind the oak", null })
        {
            var reason = Of(Changes[code]).First(r => r.Code == code);
            if (reason.State == VerdictState.Ready)
            {
                // A remark heads no plan.
                return;
            }

            var headline = Headlines.Of(reason, name);
            Assert.InRange(Headlines.WordsIn(headline), 2, Headlines.MostWords);
            Assert.EndsWith(".", headline, StringComparison.Ordinal);
            Assert.DoesNotContain("{", headline, StringComparison.Ordinal);
            Assert.True(headline == reason.Text || Headlines.Has(code), headline);
        }
    }

    [Fact]
    public void Every_change_is_pinned_and_none_twice() => Assert.Equal(Changes.Keys.Order(), Pinned.Keys.Order());

    /// <summary>A plan that nothing is wrong with gives none of them but the remarks.</summary>
    [Fact]
    public void A_sound_plan_gives_remarks_alone() =>
        Assert.All(Sound().Analysed().Verdict.Reasons, r => Assert.Equal(VerdictState.Ready, r.State));

    private static string Figure(double value) =>
        Math.Abs(value) >= 10_000 ? value.ToString("0.###e+00") : double.Parse(value.ToString("G4")).ToString();

    private static readonly Dictionary<string, GearStanding> Locker = new(StringComparer.Ordinal)
    {
        ["retired"] = new("red line", GearState.Retired, "cut"),
        ["set-aside"] = new("blue line", GearState.Quarantined, ""),
        ["flagged"] = new("grey line", GearState.InService, "10 years old, where 10 are the crew's limit"),
        ["sound"] = new("white line", GearState.InService, ""),
        ["weak"] = new("short line", GearState.InService, "") { StrengthN = 9000, LengthM = 22 },
        ["flawed"] = new("brown line", GearState.InService, "") { Flaws = [new() { AtM = 5, What = "glazed" }] },
    };

    internal static readonly Yard Yard = new(
        Locker,
        [
            new()
            {
                Id = "house",
                Members = new() { Name = "House" },
            },
        ]
    );

    private static IReadOnlyList<Reason> Of((string Path, string Json)[] changes) =>
        PlanAnalysis.Of(With(Lime(), changes), UnitSystem.Metric, withWorkings: false, Yard).Analysis!.Verdict.Reasons;

    private static Dictionary<string, PinnedReason> Read()
    {
        using var reader = new CsvReader(
            File.OpenText(Path.Combine(AppContext.BaseDirectory, "Verdicts", "reasons.csv")),
            CultureInfo.InvariantCulture
        );
        return reader.GetRecords<PinnedReason>().ToDictionary(r => r.Code, StringComparer.Ordinal);
    }

    private sealed class PinnedReason
    {
        [Name("code")]
        public required string Code { get; init; }

        [Name("state")]
        public required VerdictState State { get; init; }

        [Name("path")]
        public required string Path { get; init; }

        [Name("link")]
        public required string Link { get; init; }

        [Name("values")]
        public required string Values { get; init; }

        [Name("text")]
        public required string Text { get; init; }
    }
}
