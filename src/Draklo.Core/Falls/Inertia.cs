using Draklo.Core.Trees;

namespace Draklo.Core.Falls;

/// <summary>How hard a tree is to set turning about its hinge.</summary>
/// <remarks>Method M16: the stem slice by slice, the crown as a ball of m·(z² + 0.2·radius²).</remarks>
internal static class Inertia
{
    private const int Slices = 200;
    private const double OfBall = 0.2;

    /// <summary>kg·m².</summary>
    public static double AboutHinge(PlanContext context)
    {
        var tree = context.Tree;
        double mass = 0;
        double inertia = 0;
        var length = tree.Stem.LengthAboveCut;
        for (var i = 0; i < Slices; i++)
        {
            var up = length * (i + 0.5) / Slices;
            var at = tree.Line.At(up);
            var diameter = tree.Stem.DiameterAt(up);
            var share = diameter * diameter;
            mass += share;
            inertia += share * ((at.Forward * at.Forward) + (at.Up * at.Up));
        }

        var reach = context.Plan.Tree.Crown.ReachM;
        var radius = (reach.North + reach.East + reach.South + reach.West) / 4;
        var crown = tree.CrownCentre;
        return (tree.StemMass * inertia / mass)
            + (
                (tree.Mass - tree.StemMass)
                * ((crown.Forward * crown.Forward) + (crown.Up * crown.Up) + (OfBall * radius * radius))
            );
    }
}
