using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>What all lines together do to the tree, as its links are put on the load path.</summary>
/// <param name="AtNeeded">The stem's bending at the needed tension.</param>
/// <param name="Needed">Main tension, N.</param>
/// <param name="AtWorst">The lines with their worst credible tensions as shares of 1 N.</param>
/// <param name="Careful">What the tree may ask at the careful end, where that is judged.</param>
/// <param name="SideMoment">The largest sideways moment on the hinge, N·m.</param>
internal sealed record TreeWalk(
    LoadPath Path,
    StemBending AtNeeded,
    double Needed,
    PullLine[] Lines,
    PullLine[] AtWorst,
    double SideMoment,
    CarefulEnd? Careful
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

    public void Add(
        LinkRule rule,
        string name,
        Dimension dimension,
        LinkLoad load,
        LinkRating rating,
        double? carefulUse = null
    ) =>
        Path.Add(
            rule,
            rule.Suffix,
            name,
            null,
            null,
            dimension,
            load,
            rating,
            rule.LimitsTension ? Context.PlannedTension : 0,
            carefulUse
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
            Estimate: true,
            Doubt.Strength
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
/// <remarks>Method M11: the larger of the lean alone and of lean and pull, each forward and sideways together.</remarks>
internal sealed class RootsLink() : TreeRule(LinkKind.Roots, "roots", LinkMark.Roots)
{
    private const double MomentPerKg = 100;
    private const double LooseMomentPerKg = 60;
    private const double RootsMayFall = 0.2;

    public override bool LimitsTension => false;

    internal override void AddTo(TreeWalk walk)
    {
        var context = walk.Context;
        var alone = Together([], 0);
        var perKg = context.Plan.Tree.Condition.RootsLifted ? LooseMomentPerKg : MomentPerKg;
        walk.Add(
            this,
            "Roots of the tree",
            Dimension.Moment,
            new(
                Math.Max(alone, Together(walk.Lines, context.PlannedTension)),
                Math.Max(alone, Together(walk.AtWorst, 1))
            ),
            new(
                perKg * context.Tree.StemMass,
                context.Plan.Policy.DesignFactor.Anchor,
                [],
                Estimate: true,
                RootsMayFall
            )
        );

        double Together(PullLine[] lines, double tension)
        {
            var (f, r) = (context.Tree.ForwardMoment, context.Tree.RightMoment);
            foreach (var line in lines)
            {
                f += tension * line.Share * PullLine.ForwardArm(line.Seat, line.Anchor);
                r += tension * line.Share * PullLine.RightArm(line.Seat, line.Anchor);
            }

            // Wind adds to what turns the plate and relieves nothing.
            f = Math.Max(Math.Abs(f), Math.Abs(f + context.Wind.ForwardMoment));
            r = context.Wind.Aside(r);
            return Math.Sqrt((f * f) + (r * r));
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) => [];
}

/// <summary>The hinge against what turns the tree sideways.</summary>
internal sealed class HingeLink() : TreeRule(LinkKind.Hinge, "hinge", LinkMark.Hinge)
{
    /// <summary>How much of its spread a triangular figure is off at the careful end: 1.645 over √6.</summary>
    private const double CarefulShare = 0.67;

    public override bool LimitsTension => false;

    internal override void AddTo(TreeWalk walk) =>
        walk.Add(
            this,
            "Hinge, sideways",
            Dimension.Moment,
            new(walk.SideMoment, walk.SideMoment),
            new(walk.Context.Hinge.SideCapacity, 1, [], Estimate: true, Doubt.Strength),
            walk.Careful is { } careful
                ? careful.SideNm / (walk.Context.Hinge.SideCapacity * (1 - (Doubt.Strength * CarefulShare)))
                : null
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
