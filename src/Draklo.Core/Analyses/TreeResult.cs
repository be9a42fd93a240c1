using Draklo.Core.Geometry;
using Draklo.Core.Trees;

namespace Draklo.Core.Analyses;

/// <param name="Centre">Where the weight acts, from the middle of the hinge.</param>
/// <param name="Moment">Of the weight about the hinge.</param>
/// <param name="Soundness">What rot leaves of the wood's strength, over 0 to 1.</param>
/// <param name="ShellRatio">Sound shell over radius, where it was probed.</param>
/// <param name="Spread">How far these may be off.</param>
public sealed record TreeResult(
    double MassKg,
    double WeightN,
    LayPoint Centre,
    Moment Moment,
    double Soundness,
    double? ShellRatio,
    TreeSpread Spread,
    LeanByLay Lean
);

/// <summary>The lean in the words of the trade, off the lay as it is.</summary>
/// <param name="AheadDeg">Along the lay, as seen from the side; negative leans back.</param>
/// <param name="RightDeg">To the right of the lay, as seen from behind; negative leans left.</param>
/// <param name="AheadM">How far the top stands out along the lay, from above the foot.</param>
/// <param name="RightM">The same to the right.</param>
public sealed record LeanByLay(double AheadDeg, double RightDeg, double AheadM, double RightM)
{
    /// <param name="ahead">Tangent of the lean along the lay.</param>
    /// <param name="right">To its right.</param>
    internal static LeanByLay Of(double ahead, double right, double heightM) =>
        new(Angle.Degrees(Math.Atan(ahead)), Angle.Degrees(Math.Atan(right)), ahead * heightM, right * heightM);
}

/// <param name="ForwardNm">Positive tips the tree forward.</param>
/// <param name="RightNm">Positive tips the tree to the right.</param>
public sealed record Moment(double ForwardNm, double RightNm);
