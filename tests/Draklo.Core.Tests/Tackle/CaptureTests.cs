using CsCheck;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What holds a tackle between heaves and while it is opened.</summary>
public sealed class CaptureTests
{
    [Fact]
    public void A_cam_at_the_anchor_of_a_three_carries_the_whole_line_on_one_leg()
    {
        var three = TackleSystems.Find("three-to-one")!;
        var atAnchor = Captured.Of(three.Shape, new() { Contact = 1 }).Held!;
        Assert.Equal(1, atAnchor.Force, 1e-9);
        Assert.Equal(1, atAnchor.HeaviestLeg, 1e-9);
        Assert.True(atAnchor.HoldsReset);

        // At the moving block two legs are left, and it lets go once the block slides.
        var atLoad = Captured.Of(three.Shape, new() { Contact = 0 }).Held!;
        Assert.Equal(0.5, atLoad.Force, 1e-9);
        Assert.False(atLoad.HoldsReset);
        Assert.Equal("contact", Captured.Of(three.Shape, new() { Contact = 2 }).Problem!.Path);
        Assert.Equal("rope", Captured.Of(three.Shape, new() { Rope = 3 }).Problem!.Path);
    }

    [Fact]
    public void Every_turn_of_every_named_system_holds_no_more_than_all_of_it()
    {
        foreach (var system in TackleSystems.All)
        {
            for (var r = 0; r < system.Shape.Ropes.Count; r++)
            {
                for (var c = 0; c < system.Shape.Ropes[r].Contacts.Count - 1; c++)
                {
                    var (held, problem) = Captured.Of(system.Shape, new() { Rope = r, Contact = c });
                    Assert.True(held is not null, $"{system.Id} {r} {c}: {problem?.Message}");
                    Assert.InRange(held.Force, 1e-3, 1 + 1e-9);
                    Assert.InRange(held.HeaviestLeg, held.Force - 1e-9, 1 + 1e-9);
                }
            }
        }
    }

    [Fact]
    public void A_capture_whose_rope_leads_nowhere_is_refused()
    {
        // Over two turns on the ground it works at the first of them as well.
        var arrangement = new Arrangement
        {
            Points =
            [
                Point("anchor", 0, PointKind.Fixed),
                Point("load", 10, PointKind.Load),
                Point("traveller", 5, PointKind.Moving),
                Point("hand", -10, PointKind.Hand),
            ],
            Ropes =
            [
                new()
                {
                    From = "hand",
                    Contacts =
                    [
                        new() { Point = "anchor", Efficiency = 0.9 },
                        new() { Point = "anchor2", Efficiency = 0.9 },
                        new() { Point = "traveller" },
                    ],
                },
                new() { From = "traveller", Contacts = [new() { Point = "load" }] },
            ],
        };
        arrangement = arrangement with { Points = [.. arrangement.Points, Point("anchor2", 1, PointKind.Fixed)] };
        Assert.NotNull(Captured.Of(arrangement, new() { Contact = 0 }).Held);

        // A turn at the load with the end made fast on the load itself holds nothing.
        var loose = new Arrangement
        {
            Points =
            [
                Point("anchor", 0, PointKind.Fixed),
                Point("load", 10, PointKind.Load),
                Point("hand", -10, PointKind.Hand),
                Point("block", 12, PointKind.Moving),
            ],
            Ropes =
            [
                new()
                {
                    From = "hand",
                    Contacts = [new() { Point = "load", Efficiency = 0.9 }, new() { Point = "block" }],
                },
                new() { From = "block", Contacts = [new() { Point = "load" }] },
            ],
        };
        Assert.Contains(
            "load runs back",
            Captured.Of(loose, new() { Contact = 0 }).Problem!.Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_hangs_on_the_capture_and_on_the_hold_is_checked()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with
                    {
                        SystemId = "three-to-one",
                        Capture = new() { Contact = 1, HoldsN = 4000 },
                        Hold = new()
                        {
                            Grip = new()
                            {
                                GripId = "machard",
                                CordStrengthN = 14000,
                                CordDiameterM = 0.008,
                            },
                        },
                    },
                }
            );
        var links = plan.Analysed().Links;
        var end = plan.Analysed().Pull.Lines[0].EndTensionN;
        Near(end, links.Single(l => l.Id == "main.held-legs").Load.Value, 1e-9);
        Near(end, links.Single(l => l.Id == "main.capture").Load.Value, 1e-9);
        Near(end, links.Single(l => l.Id == "main.hold-grip").Load.Value, 1e-9);
        Near(end / 4, links.Single(l => l.Id == "main.hold-cord").Load.Value, 1e-9);

        // The anchor bears the line's whole tension while it hangs there; hauled by hand it carries less.
        Near(end, links.Single(l => l.Id == "main.anchor").Load.Value, 1e-9);
        var bare = plan.WithMain(l => l with { Tackle = l.Tackle with { Capture = null, Hold = null } }).Analysed();
        Assert.True(bare.Links.Single(l => l.Id == "main.anchor").Load.Value < end);

        var turns = plan.WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { Hold = new() { Turns = new() { Turns = 4 } } },
                }
            )
            .Analysed()
            .Links.Single(l => l.Id == "main.hold-turns");
        Near(80 * Math.Exp(2 * Math.PI * 0.12 * 4), turns.Strength.Value, 1e-9);
        Assert.Equal(LinkState.Fails, turns.State);
        Assert.Equal(
            "lines[0].tackle.hold",
            plan.WithMain(l => l with { Tackle = l.Tackle with { Hold = new() } }).OnlyProblem().Path
        );
        Assert.Equal(
            "lines[0].tackle.capture.contact",
            plan.WithMain(l => l with { Tackle = l.Tackle with { Capture = new() { Contact = 2 } } }).OnlyProblem().Path
        );
        Assert.Contains(
            plan.WithMain(l => l with { Tackle = l.Tackle with { Capture = new() { Contact = 1 } } })
                .Analysed()
                .Verdict.Reasons,
            r => r.Path == "lines[0].tackle.capture.holdsN"
        );
    }

    [Fact]
    public void A_cam_in_the_tackle_lets_go_in_the_reset_and_one_on_the_line_does_not()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with
                    {
                        SystemId = "three-to-one",
                        OpenedM = 1.5,
                        Capture = new() { Contact = 1, HoldsN = 9000 },
                    },
                }
            );
        Assert.Contains("lets go of the line", ViewOf(plan).HeldBy, StringComparison.Ordinal);
        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.Path == "lines[0].tackle.openedM");
        var inLine = plan.WithMain(l =>
            l with
            {
                Rope = l.Rope with { LengthM = 120 },
                Tackle = l.Tackle with { Rope = null, JoinKnotId = null },
            }
        );
        Assert.Contains("the cam at the anchor", ViewOf(inLine).HeldBy, StringComparison.Ordinal);
        Assert.True(ViewOf(inLine).Capture!.HoldsReset);
        Assert.DoesNotContain(
            inLine.Analysed().Verdict.Reasons,
            r => r.Text.Contains("nothing is told", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_cam_hauled_out_of_line_is_said()
    {
        // The lime's anchor stands 30 m east; the crew is 5 m beyond it, in line, and then 5 m aside.
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with
                    {
                        SystemId = "two-to-one",
                        Capture = new() { HoldsN = 9000 },
                    },
                    Puller = l.Puller with
                    {
                        Place = new() { EastM = 35, NorthM = 0.5 },
                    },
                }
            );
        Assert.DoesNotContain(plan.Analysed().Verdict.Reasons, r => r.Code == "cam-out-of-line");
        var aside = plan.WithMain(l =>
            l with
            {
                Puller = l.Puller with
                {
                    Place = new() { EastM = 35, NorthM = 5 },
                },
            }
        );
        Assert.Contains(
            "45°",
            Assert.Single(aside.Analysed().Verdict.Reasons, r => r.Code == "cam-out-of-line").Text,
            StringComparison.Ordinal
        );
    }

    private static TacklePoint Point(string id, double position, PointKind kind) =>
        new()
        {
            Id = id,
            Position = position,
            Kind = kind,
        };
}
