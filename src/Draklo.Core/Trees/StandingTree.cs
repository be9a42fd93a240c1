using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Hinges;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>The wood a plan reckons with, in SI.</summary>
/// <param name="Density">Green, kg/m³.</param>
/// <param name="Strength">Green bending strength of sound wood, Pa.</param>
/// <param name="Stiffness">Of sound wood, Pa.</param>
public readonly record struct Wood(double Density, double Strength, double Stiffness, HingeClass HingeClass, SplitTendency Splits)
{
    public static Wood Of(TreeMembers tree)
    {
        var species = tree.SpeciesId is null ? null : Reference.Species[tree.SpeciesId];
        var splits = species?.Splits ?? SplitTendency.Medium;
        return tree.Wood is { } own
            ? new(own.GreenDensityKgM3, own.BendingStrengthMPa * 1e6, own.StiffnessGPa * 1e9, own.HingeClass, splits)
            : new(species!.GreenDensityKgM3, species.BendingStrengthMPa * 1e6, species.StiffnessGPa * 1e9, species.HingeClass, splits);
    }
}

/// <summary>A tree as it stands: its mass, where that acts and how it tips, in the lay frame.</summary>
/// <remarks>Method M1, from the tree's form.</remarks>
/// <param name="Mass">Stem and crown, kg.</param>
/// <param name="StemMass">kg.</param>
/// <param name="Weight">N.</param>
/// <param name="Centre">Where the weight acts, from the middle of the hinge.</param>
/// <param name="CrownCentre">Where the crown's mass acts.</param>
public sealed record StandingTree(Stem Stem, StemLine Line, Wood Wood, double Mass, double StemMass, double Weight, Point Centre, Point CrownCentre)
{
    public const double Gravity = 9.80665;

    /// <summary>Moment of the weight about the hinge, N·m: positive tips the tree forward.</summary>
    public double ForwardMoment => Weight * Centre.Forward;

    /// <summary>Moment of the weight about the hinge, N·m: positive tips the tree to the right of the lay.</summary>
    public double RightMoment => Weight * Centre.Right;

    public static StandingTree From(TreeMembers tree, Hinge hinge, LayFrame lay, double stumpHeight, Workings? workings)
    {
        var wood = Wood.Of(tree);
        var stem = new Stem(tree.HeightM, tree.DbhM, tree.TaperExponent, stumpHeight);
        var (leanForward, leanRight) = lay.ResolveBearing(Math.Tan(Angle.Radians(tree.Lean.AngleDeg)), tree.Lean.BearingDeg);
        var line = new StemLine(leanForward, leanRight, tree.Lean.Shape == LeanShape.Swept, stem.LengthAboveCut, hinge.Offset);

        var stemMass = wood.Density * stem.Volume;
        var crownMass = tree.Crown.MassRatio * stemMass;
        var mass = stemMass + crownMass;
        var fraction = tree.Crown.CentreFraction ?? CentreFractionOf(tree);
        var crownUp = tree.Crown.BaseHeightM + (fraction * (tree.HeightM - tree.Crown.BaseHeightM)) - stumpHeight;
        var reach = tree.Crown.ReachM;
        const double HalfEllipse = 4 / (3 * Math.PI);
        var (shiftForward, shiftRight) = lay.Resolve(HalfEllipse * (reach.North - reach.South), HalfEllipse * (reach.East - reach.West));

        var onLine = line.At(crownUp);
        var crown = new Point(onLine.Forward + shiftForward, onLine.Right + shiftRight, crownUp);
        var stemOffset = line.CentreOffset(stem);
        var centre = new Point(
            (((stemMass * leanForward * stemOffset) + (crownMass * (crown.Forward + hinge.Offset))) / mass) - hinge.Offset,
            ((stemMass * leanRight * stemOffset) + (crownMass * crown.Right)) / mass,
            ((stemMass * stem.CentreAboveCut) + (crownMass * crownUp)) / mass);
        var standing = new StandingTree(stem, line, wood, mass, stemMass, mass * Gravity, centre, crown);

        if (workings is not null)
        {
            var p = tree.TaperExponent;
            workings.Add("stem-base-diameter", "Stem diameter at the ground", "d0", stem.BaseDiameter, "cm", "d0 = DBH / (1 − 1.3/H)^p",
                $"{tree.DbhM:cm} / (1 − {Stem.BreastHeight:m} / {tree.HeightM:m})^{p:x}", "M1", estimate: true);
            workings.Add("stem-volume", "Stem volume above the cut", "V", stem.Volume, "m3", "V = π/4 · d0² · H · (1 − hs/H)^(2p+1) / (2p+1)",
                $"π/4 · ({stem.BaseDiameter:cm})² · {tree.HeightM:m} · (1 − {stumpHeight:m} / {tree.HeightM:m})^{(2 * p) + 1:x} / {(2 * p) + 1:x}", "M1", estimate: true);
            workings.Add("stem-mass", "Stem mass", "m_s", stemMass, "kg", "m_s = green density · V", $"{wood.Density:kg/m3} · {stem.Volume:m3}", "M1", estimate: true);
            workings.Add("crown-mass", "Crown mass", "m_c", crownMass, "kg", "m_c = crown ratio · m_s", $"{tree.Crown.MassRatio:x} · {stemMass:kg}", "M1", estimate: true);
            workings.Add("mass", "Mass of the tree", "m", mass, "kg", "m = m_s + m_c", $"{stemMass:kg} + {crownMass:kg}", "M1", estimate: true);
            workings.Add("weight", "Weight", "W", standing.Weight, "N", "W = m · g", $"{mass:kg} · {Gravity:x} N/kg", "M1", estimate: true);
            workings.Add("centre-forward", "Centre of mass, forward of the hinge", "f", centre.Forward, "m", "f = (m_s · s_f · z_s + m_c · (s_f · z_c + 4/(3π) · (reach ahead − reach behind))) / m − x_h",
                $"({stemMass:kg} · {leanForward:x} · {stemOffset:m} + {crownMass:kg} · {crown.Forward + hinge.Offset:m}) / {mass:kg} − {hinge.Offset:m}", "M1", estimate: true);
            workings.Add("centre-right", "Centre of mass, right of the lay", "r", centre.Right, "m", "r = (m_s · s_r · z_s + m_c · (s_r · z_c + 4/(3π) · (reach right − reach left))) / m",
                $"({stemMass:kg} · {leanRight:x} · {stemOffset:m} + {crownMass:kg} · {crown.Right:m}) / {mass:kg}", "M1", estimate: true);
            workings.Add("centre-up", "Centre of mass, above the cut", "u", centre.Up, "m", "u = (m_s · (H − hs)/(2p + 2) + m_c · z_c) / m",
                $"({stemMass:kg} · {stem.CentreAboveCut:m} + {crownMass:kg} · {crownUp:m}) / {mass:kg}", "M1", estimate: true);
            workings.Add("moment-forward", "Moment of the weight, forward", "W·f", standing.ForwardMoment, "Nm", "W · f", $"{standing.Weight:N} · {centre.Forward:m}", "M4", estimate: true);
            workings.Add("moment-right", "Moment of the weight, to the right", "W·r", standing.RightMoment, "Nm", "W · r", $"{standing.Weight:N} · {centre.Right:m}", "M4", estimate: true);
        }

        return standing;
    }

    /// <summary>Where a crown's mass acts when nobody says otherwise: 0.45 of its depth for broadleaves, 0.35 for conifers.</summary>
    private static double CentreFractionOf(TreeMembers tree) =>
        tree.SpeciesId is { } id && Reference.Species[id].Habit == Habit.Conifer ? 0.35 : 0.45;
}
