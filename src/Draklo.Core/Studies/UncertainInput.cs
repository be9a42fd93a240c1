using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Studies;

/// <summary>A figure that may be off.</summary>
/// <param name="Path">The member of the plan that it stands for.</param>
/// <param name="Name">What it is called in a sentence, as in "the lean".</param>
/// <param name="Advice">How to know it better.</param>
/// <param name="Moved">The plan with the figure moved: −1 to its low, 1 to its high value.</param>
public sealed record UncertainInput(string Path, string Name, string Advice, Func<Plan, double, Plan> Moved)
{
    /// <summary>The inputs of a plan that its tension rests on, with the spreads of M1; guesses spread wider.</summary>
    public static IReadOnlyList<UncertainInput> Of(Plan plan)
    {
        var tree = plan.Tree;
        var wood = Wood.Of(tree);
        var full =
            tree.Wood
            ?? new()
            {
                GreenDensityKgM3 = wood.Density,
                BendingStrengthMPa = wood.Strength / 1e6,
                StiffnessGPa = wood.Stiffness / 1e9,
                HingeClass = wood.HingeClass,
                Splits = wood.Splits,
                Habit = wood.Habit,
            };
        var found = new List<UncertainInput>();
        if (tree.Mass is { Method: MassMethod.Known, Known: { } known })
        {
            found.Add(
                new(
                    "tree.mass.known.massKg",
                    "the tree's mass",
                    "Weigh or measure it in sections.",
                    (p, u) =>
                        p with
                        {
                            Tree = p.Tree with
                            {
                                Mass = p.Tree.Mass with
                                {
                                    Known = known with { MassKg = known.MassKg * (1 + (known.Spread * u)) },
                                },
                            },
                        }
                )
            );
        }
        else
        {
            var guessed = IsGuess("tree.crown.massRatio");
            found.Add(
                new(
                    "tree.wood.greenDensityKgM3",
                    "the weight of its wood",
                    "Weigh a disc or a log of known size.",
                    (p, u) =>
                        WithWood(p, full, w => w with { GreenDensityKgM3 = w.GreenDensityKgM3 * (1 + (0.12 * u)) })
                )
            );
            found.Add(
                tree.Mass.Method == MassMethod.Sections
                    ? new(
                        "tree.mass.sections",
                        "the diameters up the stem",
                        "Measure more of them.",
                        (p, u) =>
                            p with
                            {
                                Tree = p.Tree with
                                {
                                    Mass = p.Tree.Mass with
                                    {
                                        Sections =
                                        [
                                            .. p.Tree.Mass.Sections.Select(s =>
                                                s with
                                                {
                                                    DiameterM = s.DiameterM * (1 + (0.025 * u)),
                                                }
                                            ),
                                        ],
                                    },
                                },
                            }
                    )
                    : new(
                        "tree.dbhM",
                        "the stem's girth higher up",
                        "Measure diameters up the stem and reckon by sections.",
                        (p, u) => p with { Tree = p.Tree with { DbhM = p.Tree.DbhM * (1 + (0.072 * u)) } }
                    )
            );
            found.Add(
                new(
                    "tree.crown.massRatio",
                    "the crown's mass",
                    "Look at its wood again, or reckon it limb by limb.",
                    (p, u) =>
                        p with
                        {
                            Tree = p.Tree with
                            {
                                Crown = p.Tree.Crown with
                                {
                                    MassRatio = p.Tree.Crown.MassRatio * (1 + ((guessed ? 0.4 : 0.3) * u)),
                                },
                            },
                        }
                )
            );
        }

        var leanOff =
            plan.Readings.LeanViews.Count == 2 ? 0.5
            : IsGuess("tree.lean.angleDeg") || plan.Readings.LeanViews.Count == 1 ? 2
            : 1;
        found.Add(
            new(
                "tree.lean.angleDeg",
                "the lean along the lay",
                "Read it from two sides, a quarter turn apart.",
                (p, u) => Leaning(p, p.Lay.BearingDeg, leanOff * u)
            )
        );
        found.Add(
            new(
                "tree.wood.bendingStrengthMPa",
                "the strength of its wood",
                "Try a hinge on a low stump of the same wood.",
                (p, u) => WithWood(p, full, w => w with { BendingStrengthMPa = w.BendingStrengthMPa * (1 + (0.2 * u)) })
            )
        );
        found.Add(
            new(
                "cut.hingeThicknessM",
                "the hinge's thickness",
                "Gauge the back cut from both sides.",
                (p, u) => p with { Cut = p.Cut with { HingeThicknessM = p.Cut.HingeThicknessM + (0.005 * u) } }
            )
        );
        var seat = IsGuess("lines[0].seat.heightM") ? 1.0 : 0.3;
        found.Add(
            new(
                "lines[0].seat.heightM",
                "the seat's height",
                "Measure it with the line up: rope that comes down, less what lay on the ground.",
                (p, u) => WithMain(p, l => l with { Seat = l.Seat with { HeightM = l.Seat.HeightM + (seat * u) } })
            )
        );
        var distance = IsGuess("lines[0].anchor.distanceM") ? 0.1 : 0.02;
        found.Add(
            plan.Lines[0].Redirects.Count == 0
                ? new(
                    "lines[0].anchor.distanceM",
                    "the anchor's distance",
                    "Tape it.",
                    (p, u) =>
                        WithMain(
                            p,
                            l =>
                                l with
                                {
                                    Anchor = l.Anchor with { DistanceM = l.Anchor.DistanceM * (1 + (distance * u)) },
                                }
                        )
                )
                : new(
                    "lines[0].redirects[0].at.distanceM",
                    "the first redirect's distance",
                    "Tape it.",
                    (p, u) =>
                        WithMain(
                            p,
                            l =>
                                l with
                                {
                                    Redirects =
                                    [
                                        l.Redirects[0] with
                                        {
                                            At = l.Redirects[0].At with
                                            {
                                                DistanceM = l.Redirects[0].At.DistanceM * (1 + (distance * u)),
                                            },
                                        },
                                        .. l.Redirects.Skip(1),
                                    ],
                                }
                        )
                )
        );
        return found;

        bool IsGuess(string path) => plan.Guesses.Contains(path, StringComparer.Ordinal);
    }

    private static Plan WithWood(Plan plan, WoodMembers full, Func<WoodMembers, WoodMembers> change) =>
        plan with
        {
            Tree = plan.Tree with { Wood = change(plan.Tree.Wood ?? full) },
        };

    private static Plan WithMain(Plan plan, Func<LineMembers, LineMembers> change) =>
        plan with
        {
            Lines = [change(plan.Lines[0]), .. plan.Lines.Skip(1)],
        };

    /// <summary>The lean with so many degrees added toward a bearing.</summary>
    private static Plan Leaning(Plan plan, double bearing, double degrees)
    {
        var lean = plan.Tree.Lean;
        var tangent = Math.Tan(Angle.Radians(lean.AngleDeg));
        var (sin, cos) = Math.SinCos(Angle.Radians(lean.BearingDeg));
        var (layEast, layNorth) = Math.SinCos(Angle.Radians(bearing));
        var more = Math.Tan(Angle.Radians(degrees));
        var east = (tangent * sin) + (more * layEast);
        var north = (tangent * cos) + (more * layNorth);
        return plan with
        {
            Tree = plan.Tree with
            {
                Lean = lean with
                {
                    AngleDeg = Angle.Degrees(Math.Atan(Math.Sqrt((east * east) + (north * north)))),
                    BearingDeg = (Angle.Degrees(Math.Atan2(east, north)) + 360) % 360,
                },
            },
        };
    }
}
