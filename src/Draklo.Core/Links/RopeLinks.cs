using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Links;

/// <summary>The rope tied to the hauling end of the first.</summary>
internal sealed class SecondRopeLink() : LineRule(LinkKind.SecondRope, "rope-2", LinkMark.PullLine)
{
    public override IReadOnlyList<string> Members => ["joined"];

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Line.Joined is { } joined)
        {
            walk.AddOnRope(this, "Second rope", walk.AtTackle, joined.Rope);
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) => [make.StrongerSecondRope()];
}

/// <summary>The knot that joins two ropes.</summary>
internal sealed class JoiningKnotLink() : LineRule(LinkKind.JoiningKnot, "joint", LinkMark.PullLine)
{
    public override IReadOnlyList<string> Members => ["joined", "rope.breakingStrengthN", "rope.wear"];

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Line.Joined is { } joined)
        {
            var first = walk.Line.Rope;
            var weaker = first.BreakingStrengthN <= joined.Rope.BreakingStrengthN ? first : joined.Rope;
            walk.AddOnRope(
                this,
                Reference.Knots[joined.KnotId].Name,
                walk.AtTackle,
                weaker,
                LineWalk.Kept(joined.KnotId)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var joined = make.Line.Joined!;
        return
        [
            make.StrongerRope(),
            LadderMaker.BetterKnots(
                joined.KnotId,
                k => k.Use == "joins-ropes",
                "Join them with",
                make.Member("joined.knotId"),
                k => make.Plan.WithLine(make.At, l => l with { Joined = joined with { KnotId = k } })
            ),
        ];
    }
}

/// <summary>The pull line itself.</summary>
internal sealed class PullLineLink() : LineRule(LinkKind.PullLine, "rope", LinkMark.PullLine)
{
    public override IReadOnlyList<string> Members => ["rope.breakingStrengthN", "rope.wear"];

    internal override void AddTo(LineWalk walk) => walk.AddOnRope(this, "Pull line", walk.AtTackle, walk.Line.Rope);

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) => [make.StrongerRope()];
}
