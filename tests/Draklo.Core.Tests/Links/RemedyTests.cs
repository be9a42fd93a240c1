using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What would make a link hold: each remedy, applied to the document, does what it says.</summary>
public sealed class RemedyTests
{
    public static TheoryData<string> Weak =>
        [
            "main.hands",
            "main.knot",
            "main.join",
            "main.legs",
            "main.blocks",
            "main.sling",
            "main.anchor",
            "stem",
            "main.grip",
            "main.cord",
            "main.connector",
            "main.joint",
            "main.rope-2",
            "main.limb",
            "main.limiter",
            "main.redirect-1-block",
            "main.redirect-1-sling",
            "main.redirect-1-anchor",
            "main.redirect-1-bend",
            "main.held-legs",
            "main.capture",
            "main.hold-grip",
            "main.hold-cord",
            "main.hold-turns",
        ];

    [Theory]
    [MemberData(nameof(Weak))]
    public void Every_remedy_mends_its_link_and_breaks_no_other(string id)
    {
        var plan = Weakened(id);
        var before = plan.Analysed();
        Assert.NotEqual(LinkState.Holds, before.Links.Single(l => l.Id == id).State);
        var (remedies, problems) = Remedies.For(plan, id, UnitSystem.Metric);
        Assert.Empty(problems);
        Assert.NotEmpty(remedies!);
        foreach (var remedy in remedies!)
        {
            var after = Applied(plan, remedy).Analysed();
            var link = after.Links.SingleOrDefault(l => l.Id == id);
            Assert.True(link is null or { State: LinkState.Holds }, remedy.Text);
            Near(link?.Use ?? 0, remedy.Use, 1e-6);
            Assert.DoesNotContain(
                after.Links,
                l =>
                    l.State == LinkState.Fails
                    && before.Links.SingleOrDefault(b => b.Id == l.Id)?.State != LinkState.Fails
            );
        }
    }

    [Fact]
    public void The_least_change_is_offered()
    {
        var plan = Weakened("main.hands");
        var people = Assert.Single(
            Remedies.For(plan, "main.hands", UnitSystem.Metric).Remedies!,
            r => r.Text.Contains("people", StringComparison.Ordinal)
        );
        var count = Convert.ToInt32(people.Changes[0].Value);
        var fewer = plan.WithMain(l => l with { Puller = l.Puller with { Count = count - 1 } }).Analysed();
        Assert.NotEqual(LinkState.Holds, fewer.Links.Single(l => l.Id == "main.hands").State);
    }

    [Fact]
    public void A_link_that_holds_needs_none_and_an_unknown_one_is_refused()
    {
        Assert.Empty(Remedies.For(Lime(), "main.rope", UnitSystem.Metric).Remedies!);
        Assert.Equal("link", Assert.Single(Remedies.For(Lime(), "main.nothing", UnitSystem.Metric).Problems).Path);
    }

    private static Plan Weakened(string id) =>
        id switch
        {
            "main.hands" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Puller = new() { Count = 1, EffortEachN = 250 },
                    }
                ),
            "main.knot" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Rope = l.Rope with { BreakingStrengthN = 15000 },
                        Puller = new() { Count = 2, EffortEachN = 250 },
                    }
                ),
            "main.join" => Lime()
                .WithMain(l => l with { Rope = l.Rope with { BreakingStrengthN = 15000 }, KnotId = "eye-splice" }),
            "main.legs" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Tackle = l.Tackle with
                        {
                            Rope = new() { BreakingStrengthN = 4500, DiameterM = 0.011 },
                        },
                    }
                ),
            "main.blocks" => Lime().WithMain(l => l with { Tackle = l.Tackle with { HardwareStrengthN = 8000 } }),
            "main.sling" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Anchor = l.Anchor with
                        {
                            Sling = new() { BreakingStrengthN = 8000, Hitch = SlingHitch.Choked },
                        },
                    }
                ),
            "main.anchor" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Anchor = l.Anchor with
                        {
                            Kind = AnchorKind.Pickets,
                            Pickets = new() { ArrangementId = "picket-1" },
                        },
                    }
                ),
            "main.grip" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Tackle = l.Tackle with
                        {
                            Grip = new() { GripId = "prusik", SlipN = 2000 },
                        },
                    }
                ),
            "main.cord" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Tackle = l.Tackle with
                        {
                            Grip = new()
                            {
                                GripId = "machard",
                                CordStrengthN = 6000,
                                CordDiameterM = 0.008,
                            },
                            Connector = new() { StrengthN = 22000 },
                        },
                    }
                ),
            "main.connector" => Lime()
                .WithMain(l => l with { Tackle = l.Tackle with { Connector = new() { StrengthN = 8000 } } }),
            "main.joint" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Joined = new() { KnotId = "sheet-bend-double", Rope = l.Rope },
                        Rope = l.Rope with { BreakingStrengthN = 20000 },
                        KnotId = "eye-splice",
                    }
                ),
            "main.rope-2" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Joined = new() { Rope = l.Rope with { BreakingStrengthN = 9000 } },
                        Tackle = l.Tackle with
                        {
                            Grip = new() { GripId = "machard" },
                            JoinKnotId = null,
                        },
                    }
                ),
            "main.limb" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Tie = TieKind.Base,
                        Seat = l.Seat with
                        {
                            On = SeatKind.Union,
                            Limb = new()
                            {
                                DiameterM = 0.07,
                                LeverM = 0.15,
                                BearingDeg = 90,
                            },
                        },
                    }
                ),
            "main.limiter" => Lime()
                .WithMain(l =>
                    l with
                    {
                        Puller = new() { Kind = PullerKind.Machine, MachineN = 800 },
                        Limiter = new() { Turns = 1, HoldN = 80 },
                    }
                ),
            "main.redirect-1-block" => Turned(r => r with { HardwareStrengthN = 9000 }),
            "main.redirect-1-sling" => Turned(r =>
                r with
                {
                    At = r.At with
                    {
                        Sling = new() { BreakingStrengthN = 9000, Hitch = SlingHitch.Choked },
                    },
                }
            ),
            "main.redirect-1-anchor" => Turned(r =>
                r with
                {
                    At = r.At with
                    {
                        Kind = AnchorKind.Pickets,
                        Pickets = new() { ArrangementId = "picket-1-1" },
                    },
                }
            ),
            "main.redirect-1-bend" => Turned(
                r => r with { ContactId = "one-carabiner" },
                l => l with { Rope = l.Rope with { BreakingStrengthN = 24000 } }
            ),
            "main.held-legs" => Held(t =>
                t with
                {
                    Capture = new() { Contact = 1, HoldsN = 20000 },
                    Rope = new()
                    {
                        BreakingStrengthN = 12000,
                        DiameterM = 0.011,
                        EndKnotId = "eye-splice",
                    },
                }
            ),
            "main.capture" => Held(t =>
                t with
                {
                    Capture = new() { Contact = 1, HoldsN = 1500 },
                }
            ),
            "main.hold-grip" => Held(t =>
                t with
                {
                    Hold = new()
                    {
                        Grip = new()
                        {
                            GripId = "prusik",
                            SlipN = 1800,
                            CordStrengthN = 15000,
                        },
                    },
                }
            ),
            "main.hold-cord" => Held(t =>
                t with
                {
                    Hold = new()
                    {
                        Grip = new() { GripId = "machard", CordStrengthN = 3600 },
                    },
                }
            ),
            "main.hold-turns" => Held(t => t with { Hold = new() { Turns = new() { Turns = 3 } } }),
            _ => Lime().WithMain(l => l with { Seat = new() { HeightM = 19.8 } }) with
            {
                Tree = Lime().Tree with { Soundness = 0.95 },
            },
        };

    private static Plan Held(Func<TackleMembers, TackleMembers> change) =>
        Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Count = 2, EffortEachN = 250 },
                    Tackle = change(l.Tackle with { SystemId = "three-to-one" }),
                }
            );

    /// <summary>The lime hauled aside round a redirect at right angles.</summary>
    private static Plan Turned(
        Func<RedirectMembers, RedirectMembers> change,
        Func<LineMembers, LineMembers>? also = null
    ) =>
        Lime()
            .WithMain(l =>
                (also ?? (x => x))(l) with
                {
                    Redirects = [change(new() { At = l.Anchor, HardwareStrengthN = 50000 })],
                    Anchor = l.Anchor with { DistanceM = 45, BearingDeg = 40 },
                }
            );

    private static Plan Applied(Plan plan, Remedy remedy) =>
        Edited(plan, [.. remedy.Changes.Select(c => (c.Path, (object?)c.Value))]);
}
