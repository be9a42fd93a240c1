using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>Where a stem is stout enough for a line to be proposed there.</summary>
/// <remarks>Method M11, a rule of thumb of this product: no sum sends a line into twigs.</remarks>
internal static class StoutStem
{
    private const double LeastShare = 1.0 / 3;

    /// <param name="heightM">Of the seat, above the ground.</param>
    public static bool At(Plan plan, StandingTree tree, double heightM) =>
        tree.Stem.DiameterAt(heightM - plan.Cut.StumpHeightM) >= LeastShare * plan.Tree.DbhM;
}
