using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>A tree as it stands: its mass, where that acts and how it tips, in the lay frame.</summary>
/// <remarks>
/// Method M1: from the tree's form, from measured sections, or from a mass and centre that are known.
/// </remarks>
public sealed record StandingTree
{
    public required Stem Stem { get; init; }

    public required StemLine Line { get; init; }

    public required Wood Wood { get; init; }

    public required Soundness Soundness { get; init; }

    /// <summary>All above the cut, kg.</summary>
    public required double Mass { get; init; }

    /// <summary>kg.</summary>
    public required double StemMass { get; init; }

    /// <summary>N.</summary>
    public required double Weight { get; init; }

    /// <summary>Where the weight acts, from the middle of the hinge.</summary>
    public required Point Centre { get; init; }

    /// <summary>Where the crown's mass acts.</summary>
    public required Point CrownCentre { get; init; }

    public const double Gravity = Standard.Gravity;

    private const double HalfEllipse = 4 / (3 * Math.PI);

    /// <summary>Moment of the weight about the hinge, N·m: positive tips the tree forward.</summary>
    public double ForwardMoment => Weight * Centre.Forward;

    /// <summary>Moment of the weight about the hinge, N·m: positive tips the tree to the right of the lay.</summary>
    public double RightMoment => Weight * Centre.Right;

    /// <param name="hingeForward">Of the stump's middle, metres.</param>
    public static StandingTree From(
        TreeMembers tree,
        double hingeForward,
        LayFrame lay,
        double stumpHeight,
        Workings? workings
    )
    {
        var wood = Wood.Of(tree);
        var stem = Stem.Of(tree, stumpHeight);
        var (leanForward, leanRight) = lay.ResolveBearing(
            Math.Tan(Angle.Radians(tree.Lean.AngleDeg)),
            tree.Lean.BearingDeg
        );
        var line = new StemLine(
            leanForward,
            leanRight,
            tree.Lean.Shape == LeanShape.Swept,
            stem.LengthAboveCut,
            hingeForward
        );
        var fraction = tree.Crown.CentreFraction ?? (wood.Habit == Habit.Conifer ? 0.35 : 0.45);
        var crownUp = tree.Crown.BaseHeightM + (fraction * (tree.HeightM - tree.Crown.BaseHeightM)) - stumpHeight;
        var reach = tree.Crown.ReachM;
        var (shiftForward, shiftRight) = lay.Resolve(
            HalfEllipse * (reach.North - reach.South),
            HalfEllipse * (reach.East - reach.West)
        );
        var onLine = line.At(crownUp);
        var crown = new Point(onLine.Forward + shiftForward, onLine.Right + shiftRight, crownUp);

        return tree.Mass is { Method: MassMethod.Known, Known: { } known }
            ? ByKnownMass(tree, known, stem, line, wood, crown, hingeForward, lay, stumpHeight, workings)
            : Summed(tree, stem, line, wood, crown, hingeForward, stumpHeight, workings);
    }

    private static StandingTree ByKnownMass(
        TreeMembers tree,
        KnownMassMembers known,
        Stem stem,
        StemLine line,
        Wood wood,
        Point crown,
        double hingeForward,
        LayFrame lay,
        double stumpHeight,
        Workings? workings
    )
    {
        var (forward, right) = lay.Resolve(known.NorthM, known.EastM);
        var centre = new Point(forward - hingeForward, right, known.CentreHeightM - stumpHeight);
        var standing = new StandingTree
        {
            Stem = stem,
            Line = line,
            Wood = wood,
            Soundness = Soundness.Of(tree),
            Mass = known.MassKg,
            StemMass = known.MassKg / (1 + tree.Crown.MassRatio),
            Weight = known.MassKg * Gravity,
            Centre = centre,
            CrownCentre = crown,
        };
        if (workings is not null)
        {
            workings.Add(
                "mass",
                "Mass of the tree",
                "m",
                known.MassKg,
                "kg",
                "m as entered",
                $"{known.MassKg:kg} ± {known.Spread:%}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-forward",
                "Centre of mass, forward of the hinge",
                "f",
                centre.Forward,
                "m",
                "f = the known place along the lay − x_h",
                $"{forward:m} − {hingeForward:m}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-right",
                "Centre of mass, right of the lay",
                "r",
                centre.Right,
                "m",
                "r = the known place across the lay",
                $"{right:m}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-up",
                "Centre of mass, above the cut",
                "u",
                centre.Up,
                "m",
                "u = z_c − hs",
                $"{known.CentreHeightM:m} − {stumpHeight:m}",
                "M1",
                estimate: true
            );
            standing.AddMoments(workings);
        }

        return standing;
    }

    private static StandingTree Summed(
        TreeMembers tree,
        Stem stem,
        StemLine line,
        Wood wood,
        Point crown,
        double hingeForward,
        double stumpHeight,
        Workings? workings
    )
    {
        var stemMass = wood.Density * stem.Volume;
        var crownMass = tree.Crown.MassRatio * stemMass;
        var mass = stemMass + crownMass;
        var stemOffset = line.CentreOffset(stem);
        var centre = new Point(
            (((stemMass * line.Forward * stemOffset) + (crownMass * (crown.Forward + hingeForward))) / mass)
                - hingeForward,
            ((stemMass * line.Right * stemOffset) + (crownMass * crown.Right)) / mass,
            ((stemMass * stem.CentreAboveCut) + (crownMass * crown.Up)) / mass
        );
        var standing = new StandingTree
        {
            Stem = stem,
            Line = line,
            Wood = wood,
            Soundness = Soundness.Of(tree),
            Mass = mass,
            StemMass = stemMass,
            Weight = mass * Gravity,
            Centre = centre,
            CrownCentre = crown,
        };
        if (workings is not null)
        {
            var p = tree.TaperExponent;
            if (tree.Mass.Method == MassMethod.Sections)
            {
                workings.Add(
                    "stem-volume",
                    "Stem volume above the cut",
                    "V",
                    stem.Volume,
                    "m3",
                    "V = Σ π/12 · h · (d1² + d1 · d2 + d2²), to a point at the top",
                    $"{tree.Mass.Sections.Count} sections from {tree.Mass.Sections[0].HeightM:m} to {tree.Mass.Sections[^1].HeightM:m}",
                    "M1",
                    estimate: true
                );
            }
            else
            {
                workings.Add(
                    "stem-base-diameter",
                    "Stem diameter at the ground",
                    "d0",
                    stem.BaseDiameter,
                    "cm",
                    "d0 = DBH / (1 − 1.3/H)^p",
                    $"{tree.DbhM:cm} / (1 − {Stem.BreastHeight:m} / {tree.HeightM:m})^{p:x}",
                    "M1",
                    estimate: true
                );
                workings.Add(
                    "stem-volume",
                    "Stem volume above the cut",
                    "V",
                    stem.Volume,
                    "m3",
                    "V = π/4 · d0² · H · (1 − hs/H)^(2p+1) / (2p+1)",
                    $"π/4 · ({stem.BaseDiameter:cm})² · {tree.HeightM:m} · (1 − {stumpHeight:m} / {tree.HeightM:m})^{(2 * p) + 1:x} / {(2 * p) + 1:x}",
                    "M1",
                    estimate: true
                );
            }

            workings.Add(
                "stem-mass",
                "Stem mass",
                "m_s",
                stemMass,
                "kg",
                "m_s = green density · V",
                $"{wood.Density:kg/m3} · {stem.Volume:m3}",
                "M1",
                estimate: true
            );
            workings.Add(
                "crown-mass",
                "Crown mass",
                "m_c",
                crownMass,
                "kg",
                "m_c = crown ratio · m_s",
                $"{tree.Crown.MassRatio:x} · {stemMass:kg}",
                "M1",
                estimate: true
            );
            workings.Add(
                "mass",
                "Mass of the tree",
                "m",
                mass,
                "kg",
                "m = m_s + m_c",
                $"{stemMass:kg} + {crownMass:kg}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-forward",
                "Centre of mass, forward of the hinge",
                "f",
                centre.Forward,
                "m",
                "f = (m_s · s_f · z_s + m_c · (s_f · z_c + 4/(3π) · (reach ahead − reach behind))) / m − x_h",
                $"({stemMass:kg} · {line.Forward:x} · {stemOffset:m} + {crownMass:kg} · {crown.Forward + hingeForward:m}) / {mass:kg} − {hingeForward:m}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-right",
                "Centre of mass, right of the lay",
                "r",
                centre.Right,
                "m",
                "r = (m_s · s_r · z_s + m_c · (s_r · z_c + 4/(3π) · (reach right − reach left))) / m",
                $"({stemMass:kg} · {line.Right:x} · {stemOffset:m} + {crownMass:kg} · {crown.Right:m}) / {mass:kg}",
                "M1",
                estimate: true
            );
            workings.Add(
                "centre-up",
                "Centre of mass, above the cut",
                "u",
                centre.Up,
                "m",
                "u = (m_s · z_s + m_c · z_c) / m",
                $"({stemMass:kg} · {stem.CentreAboveCut:m} + {crownMass:kg} · {crown.Up:m}) / {mass:kg}",
                "M1",
                estimate: true
            );
            standing.AddMoments(workings);
        }

        return standing;
    }

    private void AddMoments(Workings workings)
    {
        workings.Add(
            "weight",
            "Weight",
            "W",
            Weight,
            "N",
            "W = m · g",
            $"{Mass:kg} · {Gravity:x} N/kg",
            "M1",
            estimate: true
        );
        workings.Add(
            "moment-forward",
            "Moment of the weight, forward",
            "W·f",
            ForwardMoment,
            "Nm",
            "W · f",
            $"{Weight:N} · {Centre.Forward:m}",
            "M4",
            estimate: true
        );
        workings.Add(
            "moment-right",
            "Moment of the weight, to the right",
            "W·r",
            RightMoment,
            "Nm",
            "W · r",
            $"{Weight:N} · {Centre.Right:m}",
            "M4",
            estimate: true
        );
    }
}
