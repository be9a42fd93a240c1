using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>How far mass, centre and needed tension may be off, from what each rests on.</summary>
/// <remarks>Each cause is carried through on its own and they are added as squares; how far each may be off stands in <see cref="Doubt"/>.</remarks>
/// <param name="MassKg">kg.</param>
/// <param name="ForwardM">Centre of mass, forward of the hinge, metres.</param>
/// <param name="RightM">Centre of mass, right of the lay, metres.</param>
/// <param name="UpM">Centre of mass, above the cut, metres.</param>
/// <param name="TensionAtRestN">Main tension that starts the tree, N; never below 0.</param>
public sealed record TreeSpread(Spread MassKg, Spread ForwardM, Spread RightM, Spread UpM, Spread TensionAtRestN)
{
    /// <param name="still">What the lines must give at rest, N·m.</param>
    /// <param name="arms">Forward arms of the lines, each times its share, metres.</param>
    public static TreeSpread Of(PlanContext context, double still, double arms)
    {
        var tree = context.Tree;
        var plan = context.Plan;
        var known = plan.Tree.Mass.Method == MassMethod.Known;
        var crown = known ? 0 : Doubt.Crown(plan) * plan.Tree.Crown.MassRatio * tree.StemMass;
        var sized = known
            ? plan.Tree.Mass.Known?.Spread ?? 0
            : Together(
                Doubt.Density,
                plan.Tree.Mass.Method == MassMethod.Sections ? Doubt.VolumeBySections : Doubt.VolumeByForm
            );
        var mass = Together(sized * tree.Mass, crown);

        var lean = Math.Tan(Angle.Radians(Doubt.LeanDeg(plan))) * tree.Centre.Up;
        var forward = Together(lean, crown / tree.Mass * (tree.CrownCentre.Forward - tree.Centre.Forward));
        var right = Together(lean, crown / tree.Mass * (tree.CrownCentre.Right - tree.Centre.Right));
        var up = Together(0.05 * tree.Centre.Up, crown / tree.Mass * (tree.CrownCentre.Up - tree.Centre.Up));

        const double G = StandingTree.Gravity;
        var moment = Together(
            sized * tree.ForwardMoment,
            crown * G * tree.CrownCentre.Forward,
            tree.Weight * lean,
            Doubt.Strength * context.Hinge.Bending
        );
        var rest = still / arms;
        return new(
            Spread.About(tree.Mass, mass),
            Spread.About(tree.Centre.Forward, forward),
            Spread.About(tree.Centre.Right, right),
            Spread.About(tree.Centre.Up, up),
            new(Math.Max(0, rest - (moment / arms)), Math.Max(0, rest), Math.Max(0, rest + (moment / arms)))
        );
    }

    private static double Together(double a, double b, double c = 0, double d = 0) =>
        Math.Sqrt((a * a) + (b * b) + (c * c) + (d * d));
}
