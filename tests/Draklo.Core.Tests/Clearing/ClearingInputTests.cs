using CsCheck;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;

namespace Draklo.Core.Tests;

/// <summary>What is put in for a clearing: what is refused, what the plan's own ground gives, and that nothing breaks it.</summary>
public sealed class ClearingInputTests
{
    [Fact]
    public void A_piece_on_the_plan_lies_where_the_section_s_line_has_it()
    {
        var bank = Bank();
        // Toward the east: north of it is to its left.
        var ground = bank.Ground with
        {
            From = new() { EastM = 10, NorthM = 5 },
            To = new() { EastM = 70, NorthM = 5 },
        };
        var log = bank.Pieces[0] with
        {
            Place = new() { EastM = 50, NorthM = 12 },
            AtM = 400,
        };
        var placed = bank with { Ground = ground, Pieces = [log], Way = ClearingWay.Drag };
        var piece = Assert.Single(ClearPiece.All(PlanOf(placed), placed));
        Assert.Equal(40, piece.AtM, 1e-9);
        Assert.Equal(-7, piece.AsideM, 1e-9);
        Assert.Contains(
            Chosen(placed).Reasons,
            r => r is { Code: "rig-piece-aside", Path: "clearing.pieces[0].place" }
        );
        var near = placed with
        {
            Pieces =
            [
                log with
                {
                    Place = new() { EastM = 50, NorthM = 7 },
                },
            ],
        };
        Assert.DoesNotContain(Chosen(near).Reasons, r => r.Code == "rig-piece-aside");
        AssertRefused(
            "clearing.pieces[0].place",
            placed with
            {
                Pieces =
                [
                    log with
                    {
                        Place = new() { EastM = 5, NorthM = 5 },
                    },
                ],
            }
        );
        // Off the plan its own figure counts again.
        AssertRefused("clearing.pieces[0].atM", placed with { Ground = bank.Ground });
    }

    [Fact]
    public void Lanes_reach_pieces_that_lie_aside()
    {
        var bank = Bank();
        var ground = bank.Ground with
        {
            From = new() { EastM = 0, NorthM = 0 },
            To = new() { EastM = 60, NorthM = 0 },
        };
        var log = bank.Pieces[0] with
        {
            Place = new() { EastM = 50, NorthM = -9 },
        };
        var one = bank with
        {
            Way = ClearingWay.Fly,
            Ground = ground,
            Pieces = [log],
            Fly = new() { SagShare = 0.1 },
        };
        Assert.Contains(Chosen(one).Reasons, r => r.Code == "rig-piece-aside");
        var fan = one with
        {
            Fly = new()
            {
                SagShare = 0.1,
                Lanes = 3,
                FanDeg = 30,
            },
        };
        Assert.DoesNotContain(Chosen(fan).Reasons, r => r.Code == "rig-piece-aside");
    }

    [Fact]
    public void What_cannot_be_is_refused_at_its_place()
    {
        var bank = Bank();
        AssertRefused(
            "clearing.ground.spots[1].atM",
            bank with
            {
                Ground = bank.Ground with { Spots = [Spot(5, 0), Spot(5, 1)] },
            }
        );
        AssertRefused("clearing.ground.landingAtM", bank with { Ground = bank.Ground with { LandingAtM = 90 } });
        AssertRefused("clearing.ground.friction", bank with { Ground = bank.Ground with { Friction = 1.2 } });
        AssertRefused("clearing.ground.surfaceId", bank with { Ground = bank.Ground with { SurfaceId = "ice" } });
        AssertRefused("clearing.fly.sagShare", bank with { Fly = new() { SagShare = 0 } });
        AssertRefused("clearing.high.blockHeightM", bank with { High = Larch() with { BlockHeightM = 30 } });
        AssertRefused("clearing.pieces[1].id", bank with { Pieces = [Log("a", 10, 1, 20), Log("a", 10, 1, 20)] });
        AssertRefused("clearing.pieces[0].topM", bank with { Pieces = [Log("a", 10, 1, 20) with { TopM = 0.5 }] });
        AssertRefused("clearing.stemCutsM[0]", bank with { StemCutsM = [400] });
        AssertRefused("clearing.catch.pieceId", OverGlass() with { Catch = new() { PieceId = "none" } });
        AssertRefused("clearing.hauler.machineN", bank with { Hauler = new() { Kind = PullerKind.Machine } });
        var (analysis, problems) = ClearingAnalysis.Of(Cases.Sound(), UnitSystem.Metric);
        Assert.Null(analysis);
        Assert.Contains(problems, p => p.Path == "clearing");
    }

    private static void AssertRefused(string path, ClearingMembers clearing) =>
        Assert.Contains(Refused(clearing), p => p.Path == path);

    [Fact]
    public void The_section_is_taken_from_the_plan_s_spots_slope_and_targets()
    {
        var plan = PlanOf(
            Bank() with
            {
                Ground = new()
                {
                    From = Cases.Place(-20, 0),
                    To = Cases.Place(30, 0),
                    LandingAtM = 45,
                },
            }
        );
        plan = Cases.WithTargets(
            plan,
            new TargetMembers
            {
                Id = "shed",
                Kind = TargetKind.Building,
                Closed = true,
                HeightM = 3,
                Points = [Cases.Place(5, -3), Cases.Place(9, -3), Cases.Place(9, 4), Cases.Place(5, 4)],
            },
            new TargetMembers
            {
                Id = "path",
                Kind = TargetKind.Path,
                RadiusM = 1,
                Points = [Cases.Place(15, -20), Cases.Place(15, 20)],
                Closing = new() { By = "Bo", At = "2026-11-27T08:00:00Z" },
            },
            new TargetMembers
            {
                Id = "far",
                Kind = TargetKind.Wall,
                Points = [Cases.Place(-10, 30), Cases.Place(20, 30)],
            }
        );
        // A plane that rises a tenth to the east, levelled at three places.
        plan = plan with
        {
            Site = plan.Site with
            {
                Spots =
                [
                    new()
                    {
                        EastM = 10,
                        NorthM = 5,
                        RiseM = 1,
                    },
                    new()
                    {
                        EastM = -10,
                        NorthM = 20,
                        RiseM = -1,
                    },
                    new()
                    {
                        EastM = 20,
                        NorthM = -20,
                        RiseM = 2,
                    },
                ],
            },
        };
        var (section, problems) = SectionOfPlan.Of(plan, UnitSystem.Metric);
        Assert.Empty(problems);
        Assert.Equal(
            [(0.0, -2.0), (20.0, 0.0), (30.0, 1.0), (50.0, 3.0)],
            section!.Spots.Select(s => (s.AtM, Math.Round(s.UpM, 1)))
        );
        var shed = section.Obstacles[0];
        Assert.Equal(ObstacleKind.Fragile, shed.Kind);
        Assert.InRange(shed.FromM, 24.5, 25.5);
        Assert.InRange(shed.ToM, 28.5, 29.5);
        var path = section.Obstacles[1];
        Assert.Equal((ObstacleKind.Way, "Bo"), (path.Kind, path.ArrangedBy));
        Assert.InRange(path.ToM - path.FromM, 1.5, 2.5);
        Assert.Equal(2, section.Obstacles.Count);
        Assert.Equal(45, section.LandingAtM);
        Assert.Contains(
            SectionOfPlan.Of(PlanOf(Bank()), UnitSystem.Metric).Problems,
            p => p.Path == "clearing.ground.from"
        );
    }

    [Fact]
    public void A_span_without_width_is_explained() =>
        Assert.Contains(
            Chosen(Bank() with { Low = Fast(7.5) }).Reasons,
            r => r is { Code: "rig-no-span", Path: "clearing.low.atM" }
        );

    [Fact]
    public void A_point_on_no_limb_is_asked_for()
    {
        var clearing = OverGlass() with
        {
            Way = ClearingWay.Points,
            Points = new()
            {
                LoadAtM = 12,
                LoadHeightM = 4,
                Points =
                [
                    new()
                    {
                        Name = "fork",
                        AtM = 12,
                        HeightM = 12,
                    },
                ],
            },
        };
        Assert.Contains(
            Chosen(clearing).Reasons,
            r => r is { Code: "rig-point-on-no-limb", Path: "clearing.points.points[0].limbDiameterM" }
        );
    }

    /// <summary>Whatever stands in a clearing, every number of its answer is one.</summary>
    [Fact]
    public void No_answer_has_a_number_that_is_none() =>
        Gen.Select(
                Gen.Double[0.5, 59],
                Gen.Double[0, 60],
                Gen.Double[1, 24],
                Gen.Double[0.005, 0.5],
                Gen.Double[1, 20_000],
                Gen.Enum<ClearingWay>(),
                Gen.Double[-1, 1]
            )
            .Sample(
                (at, low, height, sag, mass, way, slope) =>
                {
                    var clearing = Bank() with
                    {
                        Way = way,
                        Pieces = [Log("log", Math.Max(0.5, mass), 3, at)],
                        Ground = new() { Spots = [Spot(0, 0), Spot(60, 60 * slope)], LandingAtM = 60 - at },
                        High = Larch() with { BlockHeightM = Math.Min(height, 23.5), AtM = Math.Abs(low - 10) },
                        Low = Fast(low),
                        Drum = new() { StrengthN = 90_000 },
                        Fly = new() { SagShare = sag },
                        Lift = new() { TagAtM = low },
                        Catch = new() { LetRun = sag > 0.2 },
                        Points = new()
                        {
                            LoadAtM = at,
                            LoadHeightM = 3,
                            Points =
                            [
                                new()
                                {
                                    Name = "a",
                                    AtM = low,
                                    HeightM = height,
                                },
                            ],
                        },
                        Slide = new() { TopHeightM = height },
                        Astern = new()
                        {
                            SeatHeightM = 10,
                            Anchor = new()
                            {
                                DistanceM = 1 + low,
                                BearingDeg = 270,
                                HeightM = 0.5,
                            },
                        },
                        Top = new() { CutHeightM = height, LineHeightM = height + 1 },
                    };
                    var (analysis, problems) = ClearingAnalysis.Of(PlanOf(clearing), UnitSystem.Metric);
                    Assert.Empty(problems);
                    foreach (var made in analysis!.Ways)
                    {
                        Assert.All(
                            made.Links,
                            l =>
                                Assert.True(double.IsFinite(l.Use) && double.IsFinite(l.CarefulUse) && l.LoadValue >= 0)
                        );
                        Assert.All(made.Figures, f => Assert.True(double.IsFinite(f.Value)));
                        Assert.All(
                            made.Travel,
                            t => Assert.True(double.IsFinite(t.TensionN) && double.IsFinite(t.At.Y))
                        );
                        Assert.DoesNotContain(
                            made.Reasons,
                            r => r.Text.Contains("NaN", StringComparison.Ordinal) || r.Text.Contains('∞')
                        );
                    }
                },
                iter: Tries.Of(400)
            );
}
