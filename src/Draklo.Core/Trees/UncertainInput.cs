using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>A figure that may be off.</summary>
/// <param name="Path">The member of the plan that it stands for.</param>
/// <param name="Name">What it is called in a sentence, as in "the lean".</param>
/// <param name="Advice">How to know it better.</param>
/// <param name="Moved">The plan with the figure moved: −1 to its low, 1 to its high value.</param>
public sealed record UncertainInput(string Path, string Name, string Advice, Func<Plan, double, Plan> Moved)
{
    /// <summary>The inputs of a plan that its tension rests on, as far off as <see cref="Doubt"/> says.</summary>
    public static IReadOnlyList<UncertainInput> Of(Plan plan)
    {
        var tree = plan.Tree;
        var wood = tree.Wood ?? Wood.Of(tree).ToMembers();
        var lean = Doubt.LeanDeg(plan);
        return
        [
            .. MassOf(plan, wood),
            new(
                "tree.lean.angleDeg",
                "the lean along the lay",
                "Read it from two sides, a quarter turn apart.",
                (p, u) => p.WithTree(t => t with { Lean = Leaning(t.Lean, p.Lay.BearingDeg, lean * u) })
            ),
            OfWood(
                "tree.wood.bendingStrengthMPa",
                "the strength of its wood",
                "Try a hinge on a low stump of the same wood.",
                wood,
                (w, u) => w with { BendingStrengthMPa = w.BendingStrengthMPa * (1 + (Doubt.Strength * u)) }
            ),
            new(
                "cut.hingeThicknessM",
                "the hinge's thickness",
                "Gauge the back cut from both sides.",
                (p, u) => p.WithHinge(p.Cut.HingeThicknessM + (Doubt.HingeThicknessM * u))
            ),
            SeatOf(plan),
            DistanceOf(plan),
        ];
    }

    private static IEnumerable<UncertainInput> MassOf(Plan plan, WoodMembers wood)
    {
        if (plan.Tree.Mass is { Method: MassMethod.Known, Known: { } known })
        {
            yield return new(
                "tree.mass.known.massKg",
                "the tree's mass",
                "Weigh or measure it in sections.",
                (p, u) =>
                    WithMass(p, m => m with { Known = known with { MassKg = known.MassKg * (1 + (known.Spread * u)) } })
            );
            yield break;
        }

        // A wet tree is wet in its crown too: wood and crown are heavier or lighter together.
        var crown = Doubt.Crown(plan);
        yield return new(
            "tree.wood.greenDensityKgM3",
            "the weight of its wood and crown",
            "Weigh a disc or a log of known size, and look at the crown's wood again.",
            (p, u) =>
                p.WithTree(t =>
                    t with
                    {
                        Wood = (t.Wood ?? wood) with
                        {
                            GreenDensityKgM3 = (t.Wood ?? wood).GreenDensityKgM3 * (1 + (Doubt.Density * u)),
                        },
                        Crown = t.Crown with { MassRatio = t.Crown.MassRatio * (1 + (crown * u)) },
                    }
                )
        );
        var girth = Doubt.Diameter(plan);
        yield return plan.Tree.Mass.Method == MassMethod.Sections
            ? new(
                "tree.mass.sections",
                "the diameters up the stem",
                "Measure more of them.",
                (p, u) => WithMass(p, m => m with { Sections = Scaled(m.Sections, 1 + (Doubt.DiameterBySections * u)) })
            )
            : new(
                "tree.dbhM",
                plan.IsGuess("tree.dbhM") ? "the stem's girth" : "the stem's girth higher up",
                "Measure diameters up the stem and take the mass from sections.",
                (p, u) => p.WithTree(t => t with { DbhM = t.DbhM * (1 + (girth * u)) })
            );
        if (plan.IsGuess("tree.heightM"))
        {
            yield return new(
                "tree.heightM",
                "the height",
                "Measure it with two angles and a tape, or with a stick.",
                (p, u) => p.WithTree(t => t with { HeightM = t.HeightM * (1 + (Doubt.GuessedHeight * u)) })
            );
        }
    }

    private static UncertainInput SeatOf(Plan plan)
    {
        var off = Doubt.SeatHeightM(plan);
        return new(
            "lines[0].seat.heightM",
            "the seat's height",
            "Measure it with the line up: rope that comes down, less what lay on the ground.",
            (p, u) => p.WithSeatHeight(0, p.Lines[0].Seat.HeightM + (off * u))
        );
    }

    private static UncertainInput DistanceOf(Plan plan)
    {
        var off = Doubt.Distance(plan);
        return plan.Lines[0].Redirects.Count == 0
            ? new(
                "lines[0].anchor.distanceM",
                "the anchor's distance",
                "Tape it.",
                (p, u) => p.WithFirstDistance(0, p.Lines[0].Anchor.DistanceM * (1 + (off * u)))
            )
            : new(
                "lines[0].redirects[0].at.distanceM",
                "the first redirect's distance",
                "Tape it.",
                (p, u) => p.WithFirstDistance(0, p.Lines[0].Redirects[0].At.DistanceM * (1 + (off * u)))
            );
    }

    private static UncertainInput OfWood(
        string path,
        string name,
        string advice,
        WoodMembers wood,
        Func<WoodMembers, double, WoodMembers> moved
    ) => new(path, name, advice, (p, u) => p.WithTree(t => t with { Wood = moved(t.Wood ?? wood, u) }));

    private static Plan WithMass(Plan plan, Func<MassMembers, MassMembers> change) =>
        plan.WithTree(t => t with { Mass = change(t.Mass) });

    private static SectionMembers[] Scaled(IReadOnlyList<SectionMembers> sections, double by) =>
        [.. sections.Select(s => s with { DiameterM = s.DiameterM * by })];

    /// <summary>The lean with so many degrees added toward a bearing.</summary>
    private static LeanMembers Leaning(LeanMembers lean, double bearing, double degrees)
    {
        var tangent = Math.Tan(Angle.Radians(lean.AngleDeg));
        var (sin, cos) = Math.SinCos(Angle.Radians(lean.BearingDeg));
        var (layEast, layNorth) = Math.SinCos(Angle.Radians(bearing));
        var more = Math.Tan(Angle.Radians(degrees));
        var east = (tangent * sin) + (more * layEast);
        var north = (tangent * cos) + (more * layNorth);
        return lean with
        {
            AngleDeg = Angle.Degrees(Math.Atan(Math.Sqrt((east * east) + (north * north)))),
            BearingDeg = (Angle.Degrees(Math.Atan2(east, north)) + 360) % 360,
        };
    }
}
