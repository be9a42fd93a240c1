using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Guesses moved to their ends.</summary>
public sealed class GuessTests
{
    /// <summary>Any tree and line, with everything about it a guess: no guess moves a figure to infinity.</summary>
    [Fact]
    public void Guesses_move_to_finite_figures() =>
        Gen.Select(
                Gen.Select(Gen.Double[2.1, 60], Gen.Double[0.05, 2], Gen.Double[0, 44], Gen.Double[0, 360]),
                Gen.Select(Gen.Double[0.03, 0.98], Gen.Double[1, 40], Gen.Double[-20, 60], Gen.Double[-88, 88])
            )
            .Sample(
                (tree, line) =>
                {
                    var (height, dbh, lean, bearing) = tree;
                    var (seat, distance, rise, off) = line;
                    var plan = Edited(
                        Lime(),
                        ("tree.heightM", height),
                        ("tree.dbhM", dbh),
                        ("tree.lean", new LeanMembers { AngleDeg = lean, BearingDeg = bearing }),
                        ("tree.crown.baseHeightM", height * 0.9),
                        ("lines[0].seat.heightM", 0.31 + ((height - 0.32) * seat)),
                        ("lines[0].anchor.distanceM", distance),
                        ("lines[0].anchor.groundRiseM", rise),
                        ("lines[0].anchor.bearingDeg", 90 + off),
                        (
                            "guesses",
                            FirstPlan.Make().Guesses.Append("lines[0].seat.heightM").Append("cut.hingeThicknessM")
                        )
                    );
                    NonsenseTests.AllFinite(PlanAnalysis.Of(plan, UnitSystem.Metric).Analysis, $"{tree} {line}");
                },
                iter: Tries.Of(3000)
            );
}
