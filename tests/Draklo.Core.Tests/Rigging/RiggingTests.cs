using CsCheck;
using Draklo.Core.Rigging;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Method M19 against its worked cases, and against slower sums of another kind.</summary>
public sealed class RiggingTests
{
    private static readonly RiggingRope Rope = new() { BreakingStrengthN = 40000, StretchAtTenPercent = 0.03 };

    private static readonly CatchAsk Piece = new()
    {
        WeightN = 1500,
        DropM = 0.5,
        Rope = Rope,
        PieceToBlockM = 2.5,
        BlockToDrumM = 12,
        Efficiency = 0.9,
    };

    [Fact]
    public void A_catch_as_worked()
    {
        var half = Caught(Piece);
        Near(10025, half.StiffnessNPerM);
        Near(5658, half.PieceN);
        Near(10750, half.BlockN);
        Near(10300, Caught(Piece with { DropM = 2.5 }).PieceN);
        Assert.Null(half.RunM);
    }

    [Fact]
    public void Two_parts_do_not_halve_the_peak()
    {
        // 20 kN/m on one part, 40 on two where the rope beyond the block does not matter.
        var rope = new RiggingRope { BreakingStrengthN = 20000, StretchAtTenPercent = 0.1 };
        var one = Piece with
        {
            WeightN = 1000,
            DropM = 1,
            Rope = rope,
            PieceToBlockM = 0.999,
            BlockToDrumM = 0.1,
            Efficiency = 0.3,
        };
        var (single, two) = (Caught(one), Caught(one with { Parts = 2 }));
        Assert.InRange(two.StiffnessNPerM / single.StiffnessNPerM, 1.9, 2.1);
        Assert.True(two.PieceN > single.PieceN);
        Assert.True(two.LineN > single.LineN / 2 * 1.2);
        Near(two.BlockN + two.LineN, two.StemN, 1e-9);
        // As worked: k 20 and 40 kN/m.
        Near(7403, 1000 * (1 + Math.Sqrt(1 + (2 * 20000 * 1 / 1000.0))));
        Near(10000, 1000 * (1 + Math.Sqrt(1 + (2 * 40000 * 1 / 1000.0))));
    }

    [Fact]
    public void Let_run_a_piece_stops_or_never_does()
    {
        var run = Caught(Piece with { WeightN = 1471, DropM = 0.9, Parts = 2, SlipN = 3700 });
        Near(0.594, run.RunM!.Value);
        Near(1850, run.LineN);
        var (none, problems) = Catch.Of(Piece with { SlipN = 1400 }, UnitSystem.Metric);
        Assert.Null(none);
        Assert.Equal("slipN", Assert.Single(problems).Path);
    }

    /// <summary>The motion stepped through: a mass on a spring, let fall.</summary>
    [Fact]
    public void Any_catch_agrees_with_its_motion_stepped_through() =>
        Gen.Select(
                Gen.Double[200, 5000],
                Gen.Double[0, 4],
                Gen.Double[0.5, 8],
                Gen.Double[2, 30],
                Gen.Double[0.5, 1],
                Gen.Int[1, 2]
            )
            .Sample(
                (weight, drop, near, far, passes, parts) =>
                {
                    var ask = Piece with
                    {
                        WeightN = weight,
                        DropM = drop,
                        PieceToBlockM = near,
                        BlockToDrumM = far,
                        Efficiency = passes,
                        Parts = parts,
                    };
                    var caught = Caught(ask);
                    var mass = weight / 9.81;
                    var (speed, down, most) = (Math.Sqrt(2 * 9.81 * drop), 0.0, 0.0);
                    const double dt = 2e-5;
                    while (speed >= 0)
                    {
                        var held = caught.StiffnessNPerM * down;
                        most = Math.Max(most, held);
                        speed += (9.81 - (held / mass)) * dt;
                        down += speed * dt;
                    }

                    Near(most, caught.PieceN, 0.005);
                },
                iter: Tries.Of(1000)
            );

    [Fact]
    public void A_load_between_two_lines_as_worked()
    {
        Near(2074, Between(45, 20).LeftN);
        Near(1560, Between(45, 20).RightN);
        Near(5759, Between(10, 10).LeftN);
        var (none, problems) = TwoLines.Of(
            new()
            {
                WeightN = 100,
                LeftDeg = 10,
                RightDeg = -10,
            },
            UnitSystem.Metric
        );
        Assert.Null(none);
        Assert.Equal("leftDeg", Assert.Single(problems).Path);
    }

    [Fact]
    public void A_loaded_line_as_worked()
    {
        var ask = new LoadedLineAsk
        {
            WeightN = 2000,
            SpanM = 40,
            DropM = 6,
            AtM = 20,
            SagM = 2,
        };
        var sag = Line(ask);
        Near(10000, sag.HorizontalN);
        Near(10308, sag.LeftN);
        Near(10013, sag.RightN);
        var rolling = Line(
            new()
            {
                WeightN = 2000,
                SpanM = 40,
                DropM = 6,
                LineLengthM = 42.5,
            }
        );
        Near(2959, rolling.LeftN);
        Near(28.4, rolling.RestsAtM!.Value);
        var elastic = Line(
            new()
            {
                WeightN = 2000,
                SpanM = 40,
                AtM = 20,
                PretensionN = 3000,
                AxialStiffnessN = 133_333,
            }
        );
        Near(3.77, elastic.SagM!.Value);
        Near(5400, elastic.LeftN);
    }

    /// <summary>Both sides' pulls added up carry the load, whatever the place.</summary>
    [Fact]
    public void Any_loaded_line_is_in_balance() =>
        Gen.Select(
                Gen.Double[100, 9000],
                Gen.Double[5, 200],
                Gen.Double[-0.5, 0.5],
                Gen.Double[0.05, 0.95],
                Gen.Double[0.02, 0.3]
            )
            .Sample(
                (weight, span, fall, part, sagged) =>
                {
                    var ask = new LoadedLineAsk
                    {
                        WeightN = weight,
                        SpanM = span,
                        DropM = fall * span,
                        AtM = part * span,
                        SagM = sagged * span,
                    };
                    var line = Line(ask);
                    var (x, y) = (part * span, span - (part * span));
                    var v = (sagged * span) + (fall * span * part);
                    var w = v - (fall * span);
                    var up =
                        (line.LeftN * v / Math.Sqrt((x * x) + (v * v)))
                        + (line.RightN * w / Math.Sqrt((y * y) + (w * w)));
                    Near(weight, up, 1e-6);
                    // Stretched and taken up by a carriage that is held along its steeper side: level and upright.
                    var taut = Line(ask with { SagM = null, PretensionN = weight, AxialStiffnessN = 200_000 });
                    var p = taut.SagM!.Value + (fall * span * part);
                    var q = p - (fall * span);
                    var (left, right) = (Math.Sqrt((x * x) + (p * p)), Math.Sqrt((y * y) + (q * q)));
                    Near(weight, (taut.LeftN * p / left) + (taut.RightN * q / right), 1e-4);
                    Near(taut.LeftN * x / left, taut.RightN * y / right, 1e-4);
                    // The line's own tension, on the flatter side, is what its stretch says.
                    var chord = Math.Sqrt((span * span) + (fall * span * fall * span));
                    var slack = chord / (1 + (weight / 200_000));
                    Near(Math.Min(taut.LeftN, taut.RightN), 200_000 * (left + right - slack) / slack, 1e-3);
                },
                iter: Tries.Of(400)
            );

    [Fact]
    public void Lines_that_cannot_be_are_told_at_their_member()
    {
        Refused(new() { WeightN = 100, SpanM = 20 }, "sagM");
        Refused(
            new()
            {
                WeightN = 100,
                SpanM = 20,
                LineLengthM = 20,
            },
            "lineLengthM"
        );
        Refused(
            new()
            {
                WeightN = 100,
                SpanM = 20,
                SagM = 1,
                AtM = 25,
            },
            "atM"
        );
        Refused(
            new()
            {
                WeightN = 100,
                SpanM = 20,
                SagM = 0,
            },
            "sagM"
        );
        Refused(
            new()
            {
                WeightN = 100,
                SpanM = 20,
                PretensionN = 500,
            },
            "axialStiffnessN"
        );
        Refused(
            new()
            {
                WeightN = -4,
                SpanM = 20,
                SagM = 1,
            },
            "weightN"
        );

        static void Refused(LoadedLineAsk ask, string path)
        {
            var (line, problems) = LoadedLine.Of(ask, UnitSystem.Metric);
            Assert.Null(line);
            Assert.Equal(path, Assert.Single(problems).Path);
        }
    }

    [Fact]
    public void A_drag_up_a_slope_as_worked_and_down_one_it_runs_away()
    {
        Near(4192, Dragged(15, 0, 0.6).PullN);
        Near(3801, Dragged(15, 12, 0.6).PullN);
        Near(1.4 * 4192, Dragged(15, 0, 0.6).BreakoutN);
        var away = Dragged(-40, 0, 0.5);
        Assert.True(away.RunsAway && away.PullN < 0);
        var (none, problems) = Skid.Of(
            new()
            {
                WeightN = 5000,
                SlopeDeg = 10,
                Friction = 1.2,
            },
            UnitSystem.Metric
        );
        Assert.Null(none);
        Assert.Equal("friction", Assert.Single(problems).Path);
    }

    [Fact]
    public void A_spar_with_a_rope_guy_as_worked()
    {
        var ask = new SparAsk
        {
            HeightM = 12,
            DiameterM = 0.4,
            StiffnessGPa = 8,
            LevelN = 6000,
            DownN = 3000,
            OwnWeightN = 9000,
            Guy = new()
            {
                RiseDeg = 45,
                LengthM = 17,
                AxialStiffnessN = 133_333,
            },
        };
        var guyed = Spar.Of(ask, UnitSystem.Metric).Spar!;
        Near(8485, guyed.GuyIfPinnedN!.Value);
        Near(0.1835, guyed.GuyShare);
        Near(9.35, guyed.FootStressMPa);
        Near(3000 + 9000 + (guyed.GuyN * Math.Sqrt(0.5)), guyed.CompressionN, 1e-9);
        var alone = Spar.Of(ask with { Guy = null }, UnitSystem.Metric).Spar!;
        Near(6000 * 12, alone.FootMomentNm, 1e-9);
        // One guy holds the head in one plane and to one side: across it the spar buckles as if it were free.
        Near(alone.BucklingN, guyed.BucklingN, 1e-9);
        Near(172_000, alone.BucklingN, 0.005);
        Assert.Null(alone.GuyIfPinnedN);
    }

    /// <summary>A guy off straight back takes less and bends the spar sideways itself.</summary>
    [Theory]
    [InlineData(25, 2e6, 5931.0, 33_894)]
    [InlineData(45, 1e8, null, 50_913)]
    public void A_guy_to_the_side_bends_the_spar_sideways(double off, double stiffness, double? guy, double foot)
    {
        var spar = Spar.Of(
            new()
            {
                HeightM = 12,
                DiameterM = 0.4,
                StiffnessGPa = 8,
                LevelN = 6000,
                DownN = 3000,
                OwnWeightN = 9000,
                Guy = new()
                {
                    RiseDeg = 45,
                    OffDeg = off,
                    LengthM = 17,
                    AxialStiffnessN = stiffness,
                },
            },
            UnitSystem.Metric
        ).Spar!;
        Near(foot, spar.FootMomentNm, 0.001);
        if (guy is { } pull)
        {
            Near(pull, spar.GuyN, 0.001);
        }
    }

    [Fact]
    public void A_cut_tree_is_let_down_as_worked()
    {
        var ask = new LoweringAsk
        {
            SeatHeightM = 13,
            Anchor = new()
            {
                DistanceM = 25,
                BearingDeg = 270,
                HeightM = 0.4,
            },
        };
        var (lowered, problems) = Lowering.Of(Lime(), ask, UnitSystem.Metric);
        Assert.Empty(problems);
        Near(407, At(10));
        Near(5200, At(30), 0.01);
        Near(11_500, At(45), 0.01);
        Near(20_600, At(60), 0.01);
        Near(93_600, At(85), 0.01);
        Near(78_000, lowered!.HeatJ, 0.01);
        Assert.InRange(lowered.StopAtDeg!.Value, 10, 85);
        Assert.Null(Lowering.Of(Lime(), ask with { AllowedN = 900_000 }, UnitSystem.Metric).Lowering!.StopAtDeg);
        var stopped = Lowering.Of(Lime(), ask with { AllowedN = 8000 }, UnitSystem.Metric).Lowering!;
        Assert.InRange(stopped.StopAtDeg!.Value, 30, 45);
        var ahead = Lowering.Of(Lime(), ask with { Anchor = ask.Anchor with { BearingDeg = 90 } }, UnitSystem.Metric);
        Assert.Equal("lower.anchor.bearingDeg", Assert.Single(ahead.Problems).Path);

        double At(double deg) => lowered!.Steps.Single(s => s.Deg == deg).TensionN;
    }

    private static Catch Caught(CatchAsk ask) => Catch.Of(ask, UnitSystem.Metric).Catch!;

    private static LoadedLine Line(LoadedLineAsk ask) => LoadedLine.Of(ask, UnitSystem.Metric).Line!;

    private static Skid Dragged(double slope, double line, double friction) =>
        Skid.Of(
            new()
            {
                WeightN = 5000,
                SlopeDeg = slope,
                LineDeg = line,
                Friction = friction,
            },
            UnitSystem.Metric
        ).Skid!;

    private static TwoLines Between(double left, double right) =>
        TwoLines
            .Of(
                new()
                {
                    WeightN = 2000,
                    LeftDeg = left,
                    RightDeg = right,
                },
                UnitSystem.Metric
            )
            .Lines!;
}
