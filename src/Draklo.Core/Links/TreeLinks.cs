using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>What all lines together do to the tree, as its links are put on the load path.</summary>
/// <param name="AtNeeded">The stem's bending at the needed tension.</param>
/// <param name="Needed">Main tension, N.</param>
/// <param name="AtWorst">The lines with their worst credible tensions as shares of 1 N.</param>
/// <param name="SideMoment">The largest sideways moment on the hinge, N·m.</param>
internal sealed record TreeWalk(
    LoadPath Path,
    StemBending AtNeeded,
    double Needed,
    PullLine[] Lines,
    PullLine[] AtWorst,
    double SideMoment
)
{
    public PlanContext Context => Path.Context;

    public void AddAll()
    {
        foreach (var rule in LinkRules.OfTheTree)
        {
            rule.AddTo(this);
        }
    }

    public void Add(LinkRule rule, string name, Dimension dimension, LinkLoad load, LinkRating rating) =>
        Path.Add(
            rule,
            rule.Suffix,
            name,
            null,
            null,
            dimension,
            load,
            rating,
            rule.LimitsTension ? Context.PlannedTension : 0
        );
}

/// <summary>The stem's bending under the lines.</summary>
internal sealed class StemLink() : TreeRule(LinkKind.Stem, "stem", LinkMark.Stem)
{
    internal override void AddTo(TreeWalk walk)
    {
        var perNewton = walk.Needed > 0 ? walk.AtNeeded.WorstStress / walk.Needed : 0;
        walk.Add(
            this,
            "Stem under the line",
            Dimension.Stress,
            new(perNewton * walk.Context.PlannedTension, AtWorst(walk, perNewton)),
            RatingOf(walk.Context)
        );
    }

    /// <summary>Of the wood as it is; a limb takes the same.</summary>
    public static LinkRating RatingOf(PlanContext context)
    {
        var soundness = context.Tree.Soundness.Value;
        return new(
            context.Tree.Wood.Strength,
            context.Plan.Policy.DesignFactor.Stem,
            soundness < 1 ? [new("soundness", soundness)] : [],
            Estimate: true
        );
    }

    /// <summary>Stress under the worst credible tensions, Pa. One line alone bends it in proportion.</summary>
    private static double AtWorst(TreeWalk walk, double perNewton)
    {
        var (lines, worst) = (walk.Lines, walk.AtWorst);
        return lines.Length == 1 && perNewton > 0 && lines[0].Share > 0
            ? perNewton * worst[0].Share / lines[0].Share
            : StemBending.Under(walk.Context.Tree, walk.Context.Tree.Soundness.Value, worst, 1).WorstStress;
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) => [];
}

/// <summary>The tree's own roots, while lean and pull load them before the hinge is cut.</summary>
internal sealed class RootsLink() : TreeRule(LinkKind.Roots, "roots", LinkMark.Roots)
{
    private const double MomentPerKg = 100;
    private const double LooseMomentPerKg = 60;

    public override bool LimitsTension => false;

    internal override void AddTo(TreeWalk walk)
    {
        var context = walk.Context;
        var back = Math.Max(0, -context.Tree.ForwardMoment - context.Wind.ForwardMoment);
        var planned = (context.PlannedTension * Pull.ArmSum(walk.Lines, 0)) - back;
        var perKg = context.Plan.Tree.Condition.RootsLifted ? LooseMomentPerKg : MomentPerKg;
        walk.Add(
            this,
            "Roots of the tree",
            Dimension.Moment,
            new(Math.Max(back, planned), Math.Max(back, Pull.ArmSum(walk.AtWorst, 0) - back)),
            new(perKg * context.Tree.StemMass, context.Plan.Policy.DesignFactor.Anchor, [], Estimate: true)
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) => [];
}

/// <summary>The hinge against what turns the tree sideways.</summary>
internal sealed class HingeLink() : TreeRule(LinkKind.Hinge, "hinge", LinkMark.Hinge)
{
    public override bool LimitsTension => false;

    internal override void AddTo(TreeWalk walk) =>
        walk.Add(
            this,
            "Hinge, sideways",
            Dimension.Moment,
            new(walk.SideMoment, walk.SideMoment),
            new(walk.Context.Hinge.SideCapacity, 1, [], Estimate: true)
        );

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        [
            LadderMaker.Upward(
                make.Plan.Cut.HingeThicknessM,
                0.0025,
                24,
                t =>
                    new(
                        make.Units.Say($"Leave a hinge of {t:cm}: it holds more sideways, and needs more pull"),
                        make.Plan.WithHinge(t),
                        [new("cut.hingeThicknessM", t)]
                    )
            ),
        ];
}
