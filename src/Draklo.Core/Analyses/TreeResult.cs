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
    TreeSpread Spread
);

/// <param name="ForwardNm">Positive tips the tree forward.</param>
/// <param name="RightNm">Positive tips the tree to the right.</param>
public sealed record Moment(double ForwardNm, double RightNm);
