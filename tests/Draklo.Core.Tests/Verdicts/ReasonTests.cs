using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Each reason of the verdict once: its code, state, member, values and words.</summary>
public sealed class ReasonTests
{
    private static readonly Dictionary<string, (string Path, string Json)[]> Changes = new(StringComparer.Ordinal)
    {
        ["anchor-within-reach"] = [("lines[0].anchor.distanceM", "20")],
        ["cam-out-of-line"] =
        [
            ("lines[0].tackle.systemId", "\"three-to-one\""),
            ("lines[0].tackle.capture", """{ "kind": "cam", "rope": 0, "contact": 0 }"""),
            ("lines[0].puller.place", """{ "eastM": 30, "northM": 12 }"""),
        ],
        ["commit-far"] = [("cut.hingeThicknessM", "0.12"), ("tree.lean.angleDeg", "20")],
        ["crew-in-the-lay"] = [("lines[0].puller.place", """{ "eastM": 24, "northM": 0 }""")],
        ["drum-may-hold-too-much"] = [("lines[0].limiter", """{ "turns": 5 }""")],
        ["drum-may-slip"] = [("lines[0].limiter", """{ "turns": 1 }""")],
        ["grip-cord-ratio"] =
        [
            ("lines[0].tackle.grip", """{ "gripId": "machard", "cordDiameterM": 0.012, "cordStrengthN": 12000 }"""),
        ],
        ["guesses-left"] = [("guesses", """["tree.heightM"]""")],
        ["gust-uses-reserve"] = [],
        ["hauler-too-weak"] = [("lines[0].puller.effortEachN", "100")],
        ["hinge-barely-holds"] = [("cut.notch.openingDeg", "12")],
        ["hinge-lets-go-first"] = [("cut.notch.openingDeg", "5")],
        ["hinge-short"] = [("cut.notch.depthM", "0.06")],
        ["hinge-tears-sideways"] = [("tree.lean.bearingDeg", "180"), ("tree.lean.angleDeg", "14")],
        ["hinge-thick"] = [("cut.hingeThicknessM", "0.08")],
        ["hinge-thin"] = [("cut.hingeThicknessM", "0.02")],
        ["lay-off-mark"] = [("site.mark", """{ "eastM": 20, "northM": 3 }""")],
        ["lean-one-view"] = [("readings.leanViews", """[{ "lookingDeg": 0, "leanDeg": 2 }]""")],
        ["line-steep"] = [("lines[0].anchor.distanceM", "8")],
        ["link-breaks-at-worst"] = [("lines[0].rope.breakingStrengthN", "17000")],
        ["link-fails"] = [("lines[0].rope.breakingStrengthN", "9000")],
        ["link-tight"] = [("lines[0].puller.effortEachN", "240")],
        ["link-slips"] =
        [
            ("lines[0].tackle.grip", """{ "gripId": "machard", "slipN": 1500, "cordStrengthN": 22000 }"""),
        ],
        ["no-limiter"] = [("lines[0].puller", """{ "kind": "machine", "machineN": 5000 }""")],
        ["not-bed-tested"] = [("lines[0].setting", """{ "way": "catapult" }""")],
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
        ["splitting-risk-high"] = [("tree.lean", """{ "angleDeg": 12, "bearingDeg": 90 }""")],
        ["splitting-risk-raised"] = [("tree.lean", """{ "angleDeg": 4.2, "bearingDeg": 90 }""")],
        ["stretch-carries-over"] = [("lines[0].rope.stretchAtTenPercent", "0.25")],
        ["stretch-falls-short"] = [("lines[0].rope.stretchAtTenPercent", "0.005")],
        ["tackle-needs-room"] = [("lines[0].tackle.openedM", "28")],
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
        ["wind-strong"] = [("wind.speedMps", "9")],
    };

    [Fact]
    public void Dump()
    {
        var lines = new List<string>();
        foreach (var (code, changes) in Changes)
        {
            try
            {
                var reasons = Of(changes);
                var r = reasons.FirstOrDefault(x => x.Code == code);
                lines.Add(
                    r is null
                        ? $"{code}: NONE of {string.Join(", ", reasons.Select(x => x.Code))}"
                        : $"{code}|{r.State}|{r.Path}|{r.LinkId}|{string.Join(";", (r.Values ?? []).Select(v => $"{v.Key}={v.Value:R}"))}|{r.Text}"
                );
            }
            catch (Exception e)
            {
                lines.Add($"{code}: THROWS {e.Message}");
            }
        }

        File.WriteAllLines("/tmp/reasons.txt", lines);
    }

    private static IReadOnlyList<Reason> Of((string Path, string Json)[] changes) =>
        Edited(Lime(), [.. changes.Select(c => (c.Path, (object?)JsonNode.Parse(c.Json)))]).Analysed().Verdict.Reasons;
}
