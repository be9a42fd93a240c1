using CsCheck;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;

namespace Draklo.Core.Tests;

/// <summary>What a clearing says as a whole: comparison, people, refusals, what would mend it.</summary>
public sealed class ClearingTests
{
    [Fact]
    public void Flying_pays_from_about_forty_loads()
    {
        var pays = Worked(Bank()).BreakEvens.Single(b => b is { Way: ClearingWay.Fly, Over: ClearingWay.Drag });
        Assert.InRange(pays.Loads, 36, 44);
        Assert.Contains("here there are 26", pays.Text);
    }

    [Fact]
    public void Ways_stand_side_by_side_as_far_as_they_are_set_up()
    {
        var ways = Worked(Bank()).Ways;
        Assert.Equal(Enum.GetValues<ClearingWay>().Order(), ways.Select(w => w.Way).Order());
        Assert.Equal(
            [ClearingWay.Carry, ClearingWay.Drag, ClearingWay.ButtUp, ClearingWay.Fly],
            ways.Where(w => w.SetUp).Select(w => w.Way)
        );
        Assert.All(ways.Where(w => !w.SetUp), w => Assert.NotEmpty(w.Lacks));
        var drag = ways.Single(w => w.Way == ClearingWay.Drag);
        // The table's 95–130–190 minutes are for 26 logs over 48 m; here they go 43 m.
        Assert.InRange(drag.Minutes.Nominal, 115, 132);
        Assert.True(drag.Minutes.Low < drag.Minutes.Nominal && drag.Minutes.Nominal < drag.Minutes.High);
        var own = Worked(
            Bank() with
            {
                Times =
                [
                    new()
                    {
                        Way = ClearingWay.Drag,
                        RigMin = 10,
                        EachMin = 2,
                    },
                ],
            }
        );
        Assert.Equal(10 + (26 * 2), own.Ways.Single(w => w.Way == ClearingWay.Drag).Minutes.Nominal);
    }

    [Fact]
    public void The_careful_end_is_never_under_the_middle_and_wider_for_what_nobody_weighed()
    {
        var weighed = Chosen(Bank());
        var guessed = Chosen(
            Bank() with
            {
                Pieces = [Log("log", 181, 26, 48) with { MassKg = null, LengthM = 3.007 }],
            }
        );
        Assert.All(weighed.Links, l => Assert.True(l.CarefulUse >= l.Use - 1e-12));
        Assert.True(
            guessed.Link("carriage").CarefulUse / guessed.Link("carriage").Use
                > weighed.Link("carriage").CarefulUse / weighed.Link("carriage").Use
        );
    }

    [Theory]
    [InlineData(30, 0, "rig-person-under-load", VerdictState.Stop)]
    [InlineData(5, 0, "rig-person-in-line", VerdictState.Check)]
    public void People_under_a_load_or_in_line_are_named(double at, double off, string code, VerdictState state)
    {
        var way = Chosen(Bank() with { People = [Oskar(at, off)] });
        Assert.Contains(
            way.Reasons,
            r => r.Code == code && r.State == state && r.Text.Contains("Oskar", StringComparison.Ordinal)
        );
    }

    /// <summary>The foot of the stem that carries a loaded line stands at 7 m; what is caught at a block comes down at 10 m.</summary>
    [Theory]
    [InlineData(ClearingWay.Fly, 6, 2.5, "rig-person-at-spar")]
    [InlineData(ClearingWay.Fly, 6, 3.5, null)]
    [InlineData(ClearingWay.Catch, 11, 0, "rig-person-under-load")]
    [InlineData(ClearingWay.Catch, 10, 7, null)]
    public void Nobody_stands_at_the_foot_of_the_spar(ClearingWay way, double at, double off, string? code)
    {
        string[] codes = ["rig-person-at-spar", "rig-person-under-load", "rig-person-under-point"];
        var people = new[] { Oskar(at, off) };
        var clearing =
            way == ClearingWay.Catch
                ? OverGlass() with
                {
                    Pieces = [Log("short", 40, 6, 10) with { LengthM = 0.6 }],
                }
                : Bank() with
                {
                    Way = way,
                    High = Larch() with { Guy = null },
                };
        var said = Chosen(clearing with { People = people }).Reasons.Where(r => codes.Contains(r.Code)).ToList();
        Assert.Equal(code, said.SingleOrDefault()?.Code);
    }

    /// <summary>A spar without its top and without a guy asks for one, however little it bends.</summary>
    [Theory]
    [InlineData(true, false, true)]
    [InlineData(true, true, false)]
    [InlineData(false, false, false)]
    public void A_topped_spar_without_a_guy_is_asked_for_one(bool topped, bool guyed, bool asks)
    {
        var high = Larch() with { Topped = topped, Guy = guyed ? Larch().Guy : null };
        Assert.Equal(asks, Chosen(Bank() with { High = high }).Reasons.Any(r => r.Code == "rig-spar-without-guy"));

        Assert.Contains(Chosen(OverGlass()).Reasons, r => r.Code == "rig-spar-without-guy");
    }

    [Theory]
    [InlineData(90, 6, 6, true)]
    [InlineData(90, 6, -6, false)]
    [InlineData(-90, 6, -6, true)]
    [InlineData(-90, 6, 6, false)]
    public void Nobody_stands_inside_a_turn(double turn, double along, double off, bool inside)
    {
        // The lead stands at 4 m; the load comes from the right, so a right turn leads to the left of the section.
        var bank = Bank() with
        {
            Way = ClearingWay.Drag,
            Lead = new()
            {
                Anchor = Fast(4),
                TurnDeg = turn,
                Block = new() { StrengthN = 60_000, Sling = Sling },
            },
            People = [Oskar(4 + along, -off)],
        };
        Assert.Equal(inside, Chosen(bank).Reasons.Any(r => r.Code == "rig-person-inside-turn"));
    }

    [Fact]
    public void The_climber_never_hangs_on_the_rigging()
    {
        Assert.Contains(
            Chosen(OverGlass() with { Climber = TieIn.Rigging }).Reasons,
            r => r.Code == "rig-climber-on-rigging" && r.State == VerdictState.Stop
        );
        Assert.DoesNotContain(Chosen(OverGlass()).Reasons, r => r.Code == "rig-climber-on-rigging");
    }

    [Fact]
    public void A_power_line_is_a_stop_until_the_utility_has_spoken()
    {
        Assert.Contains(Chosen(With(null)).Reasons, r => r is { Code: "power-line-near", State: VerdictState.Stop });
        Assert.DoesNotContain(Chosen(With("Ines, the utility, 8:10")).Reasons, r => r.Code == "power-line-near");

        static ClearingMembers With(string? by) =>
            Bank() with
            {
                Ground = Bank().Ground with
                {
                    Obstacles =
                    [
                        new()
                        {
                            Name = "line to the mill",
                            Kind = ObstacleKind.PowerLine,
                            FromM = 30,
                            ToM = 31,
                            HeightM = 8,
                            ArrangedBy = by,
                        },
                    ],
                },
            };
    }

    [Fact]
    public void A_piece_needs_room_to_run_over_the_glass()
    {
        var glass = OverGlass() with
        {
            Catch = new()
            {
                DropM = 0.9,
                Parts = 1,
                LetRun = true,
            },
            Pieces = [Log("piece", 80, 6, 10)],
        };
        var near = glass.Ground with
        {
            Obstacles = [glass.Ground.Obstacles[0] with { FromM = 9, ToM = 15, HeightM = 8 }],
        };
        Assert.DoesNotContain(Chosen(glass).Reasons, r => r.Code == "rig-runs-too-far");
        Assert.Contains(
            Chosen(glass with { Ground = near }).Reasons,
            r => r.Code is "rig-runs-too-far" or "rig-may-run-too-far"
        );
    }

    [Fact]
    public void A_load_that_would_touch_is_told_where()
    {
        var hangs = Bank() with
        {
            Fly = new() { SagShare = 0.3, HangM = 6 },
        };
        Assert.Contains(Chosen(hangs).Reasons, r => r.Code == "rig-load-touches" && r.Values["lacksM"] > 0);
    }

    [Fact]
    public void A_carriage_that_nobody_holds_runs_away() =>
        Assert.Contains(
            Chosen(Bank() with { Haul = null }).Reasons,
            r => r is { Code: "rig-carriage-free", State: VerdictState.Stop }
        );

    [Fact]
    public void A_log_that_would_run_away_is_held_from_above()
    {
        var down = Bank() with
        {
            Way = ClearingWay.Drag,
            Pieces = [Log("log", 181, 3, 12)],
            Ground = Bank().Ground with { LandingAtM = 50, Friction = 0.2 },
        };
        Assert.Contains(Chosen(down).Reasons, r => r is { Code: "rig-load-runs-away", State: VerdictState.Stop });
    }

    [Fact]
    public void A_retired_rope_may_still_be_slid_on_and_nothing_else()
    {
        var slide = OverGlass() with
        {
            Way = ClearingWay.Slide,
            Low = Fast(30),
            Line = Hand with { ItemId = "r9" },
            Slide = new()
            {
                TopHeightM = 11,
                OldRope = true,
                Metal = Metal.Steel,
            },
        };
        var locker = new Dictionary<string, GearStanding>(StringComparer.Ordinal)
        {
            ["r9"] = new("old line", GearState.Retired, "glazed"),
        };
        Assert.DoesNotContain(Way(slide), r => r.Code == "gear-retired");
        Assert.Contains(Way(slide with { Way = ClearingWay.Catch }), r => r.Code == "gear-retired");

        IReadOnlyList<Reason> Way(ClearingMembers clearing) =>
            ClearingAnalysis
                .Of(PlanOf(clearing), UnitSystem.Metric, new(locker, []))
                .Analysis!.Ways.Single(w => w.Way == clearing.Way)
                .Reasons;
    }

    [Fact]
    public void Every_offered_change_does_what_it_says()
    {
        var weak = Bank() with
        {
            Fly = new() { SagShare = 0.02, HangM = 0.6 },
            High = Larch() with { Guy = null },
        };
        var (remedies, problems) = ClearingRemedies.For(PlanOf(weak), UnitSystem.Metric);
        Assert.Empty(problems);
        Assert.NotEmpty(remedies!);
        Assert.Contains(remedies!, r => r.Text.StartsWith("Let the line sag", StringComparison.Ordinal));
        foreach (var remedy in remedies!)
        {
            var edited = Cases.Edited(PlanOf(weak), [.. remedy.Changes.Select(c => (c.Path, c.Value))]);
            var way = ClearingAnalysis
                .Of(edited, UnitSystem.Metric)
                .Analysis!.Ways.Single(w => w.Way == ClearingWay.Fly);
            Assert.Equal(remedy.Use, way.Links.Max(l => l.Use), 1e-9);
            Assert.Equal(remedy.Holds, way.State != VerdictState.Stop);
        }
    }

    /// <summary>A load that touches is not let hang lower, however much the line would be spared.</summary>
    [Theory]
    [InlineData(0.03, 0.6)]
    [InlineData(0.03, 6)]
    [InlineData(0.08, 9)]
    [InlineData(0.12, 4)]
    public void No_offered_change_brings_a_stop_or_makes_one_worse(double sag, double hang)
    {
        var plan = PlanOf(
            Bank() with
            {
                Fly = new() { SagShare = sag, HangM = hang },
            }
        );
        var before = Stops(plan);
        var remedies = ClearingRemedies.For(plan, UnitSystem.Metric).Remedies!;
        Assert.True(before.Count > 0 || remedies.Count == 0);
        foreach (var remedy in remedies)
        {
            var after = Stops(Cases.Edited(plan, [.. remedy.Changes.Select(c => (c.Path, c.Value))]));
            Assert.All(
                after,
                s => Assert.True(before.TryGetValue(s.Key, out var was) && s.Value <= was + 0.001, remedy.Text)
            );
            Assert.Equal(remedy.Holds, after.Count == 0);
        }

        static Dictionary<string, double> Stops(Plan of) =>
            ClearingAnalysis
                .Of(of, UnitSystem.Metric)
                .Analysis!.Ways.Single(w => w.Way == ClearingWay.Fly)
                .Reasons.Where(r => r.State == VerdictState.Stop)
                .ToDictionary(r => $"{r.Code} {r.LinkId}", r => r.Values.GetValueOrDefault("lacksM"));
    }

    [Fact]
    public void The_finder_takes_only_what_is_in_service_and_ranks_what_holds_first()
    {
        GearItem[] locker =
        [
            Rope("thin", 20_000),
            Rope("long", 60_000),
            Rope("gone", 90_000) with
            {
                State = GearState.Retired,
            },
            new()
            {
                Id = "b1",
                Kind = GearKind.Block,
                Name = "big block",
                BreakingStrengthN = 120_000,
                ContactId = "bushed-block",
            },
        ];
        var (found, problems) = ClearingFinder.For(PlanOf(Bank()), locker, new(2026, 11, 27), UnitSystem.Metric);
        Assert.Empty(problems);
        Assert.NotEmpty(found!);
        Assert.DoesNotContain(found!, f => f.Names.Any(n => n.Contains("gone", StringComparison.Ordinal)));
        Assert.Equal(
            found!.OrderByDescending(f => f.Holds).ThenBy(f => f.Use).Select(f => f.Use),
            found!.Select(f => f.Use)
        );
        Assert.Contains("long carries", found![0].Names);

        static GearItem Rope(string name, double strength) =>
            new()
            {
                Id = name,
                Kind = GearKind.Rope,
                Name = name,
                LengthM = 100,
                DiameterM = 0.014,
                BreakingStrengthN = strength,
            };
    }
}
