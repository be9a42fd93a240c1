using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>How far the figures that a plan rests on may be off.</summary>
/// <remarks>
/// Method M1. Fractions either way unless a name says otherwise. Wood scatters from tree to tree; a taper of one exponent
/// misses the stem's volume by 15 %, which is 7.2 % of its diameter; sections miss it by 5 %.
/// </remarks>
public static class Doubt
{
    public const double Density = 0.12;
    public const double Strength = 0.20;
    public const double VolumeByForm = 0.15;
    public const double DiameterByForm = 0.072;
    public const double VolumeBySections = 0.05;
    public const double DiameterBySections = 0.025;
    public const double HingeThicknessM = 0.005;

    /// <summary>Of a height that nobody has measured.</summary>
    public const double GuessedHeight = 0.15;

    private const double GuessedDiameter = 0.12;

    /// <summary>Of the diameter that stands for the stem's volume: its form, and its girth where that is a guess.</summary>
    public static double Diameter(Plan plan) =>
        plan.IsGuess("tree.dbhM")
            ? Math.Sqrt((DiameterByForm * DiameterByForm) + (GuessedDiameter * GuessedDiameter))
            : DiameterByForm;

    /// <summary>Of the crown's mass.</summary>
    public static double Crown(Plan plan) => plan.IsGuess("tree.crown.massRatio") ? 0.4 : 0.3;

    /// <summary>Of the lean in any direction, degrees.</summary>
    public static double LeanDeg(Plan plan) =>
        plan.Readings.LeanViews.Count == 2 ? 0.5
        : plan.Readings.LeanViews.Count == 1 || plan.IsGuess("tree.lean.angleDeg") ? 2
        : 1;

    /// <summary>Of the main line's seat, metres.</summary>
    public static double SeatHeightM(Plan plan) => plan.IsGuess("lines[0].seat.heightM") ? 1.0 : 0.3;

    /// <summary>Of the distance of what the main line first runs to.</summary>
    public static double Distance(Plan plan) => plan.IsGuess("lines[0].anchor.distanceM") ? 0.1 : 0.02;
}
