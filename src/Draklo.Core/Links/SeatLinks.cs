using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The knot at the seat, or at the foot for a base tie.</summary>
internal sealed class SeatKnotLink() : LineRule(LinkKind.SeatKnot, "knot", LinkMark.Seat)
{
    public override IReadOnlyList<string> Members => ["rope.breakingStrengthN", "rope.wear"];

    internal override void AddTo(LineWalk walk)
    {
        var knot = Reference.Knots[walk.Line.KnotId];
        walk.AddOnRope(
            this,
            walk.Line.Tie == TieKind.Base ? knot.Name + " at the foot" : knot.Name,
            new(walk.Tensions.Tree, walk.Tensions.WorstTree),
            walk.Line.Rope,
            LineWalk.Kept(walk.Line.KnotId)
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        [
            make.StrongerRope(),
            LadderMaker.BetterKnots(
                make.Line.KnotId,
                k => k.Use is "end-loop" or "noose",
                "Tie it with",
                make.Member("knotId"),
                k => make.Plan.WithLine(make.At, l => l with { KnotId = k })
            ),
        ];
}

/// <summary>The limb or union that the line lies on.</summary>
internal sealed class LimbLink() : LineRule(LinkKind.Limb, "limb", LinkMark.Seat)
{
    public override IReadOnlyList<string> Members => ["seat.limb"];

    internal override void AddTo(LineWalk walk)
    {
        var (context, seat, tensions) = (walk.Context, walk.Line.Seat, walk.Tensions);
        if (seat.On == SeatKind.Stem)
        {
            return;
        }

        if (seat.Limb is not { } limb)
        {
            var force = LimbBending.SeatForce(walk.Pulled, tensions.Tree).ForceN;
            walk.Unknowns.Check(
                "limb-unknown",
                $"The limb that the {walk.NameOfLine} lies on is not given; it carries {force:N}.",
                $"{walk.Member}.seat.limb",
                null,
                ("loadN", force)
            );
            return;
        }

        var bending = LimbBending.Of(walk.Pulled, seat.On, limb, tensions.Tree, context.Lay);
        var worst = LimbBending.Of(walk.Pulled, seat.On, limb, tensions.WorstTree, context.Lay);
        context.Workings?.Add(
            $"{walk.Line.Id}.limb-stress",
            "Bending of the limb at its union",
            "σ",
            bending.Stress,
            "MPa",
            "σ = (F_across · length / (π · d³ / 32) + F_along / (π · d² / 4)) / unions",
            $"({bending.AcrossN:N} · {bending.ArmM:m} / (π · ({limb.DiameterM:cm})³ / 32) + {Math.Abs(bending.AlongN):N} / (π · ({limb.DiameterM:cm})² / 4)) / {limb.SharedBy}",
            "M11",
            estimate: true
        );
        walk.AddStress(
            this,
            seat.On == SeatKind.Union ? "Union under the line" : "Limb under the line",
            new(bending.Stress, worst.Stress),
            StemLink.RatingOf(context)
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var line = make.Line;
        if (line.Tie == TieKind.Base)
        {
            yield return new(
                1,
                _ =>
                    new(
                        "Tie it at the tip: a noose on the stem spares the union the second leg",
                        make.Plan.WithLine(make.At, l => l with { Tie = TieKind.Tip }),
                        [new(make.Member("tie"), "tip")]
                    )
            );
        }

        var onStem = new SeatMembers { HeightM = line.Seat.HeightM };
        yield return new(
            1,
            _ =>
                new(
                    "Seat the line on the stem itself",
                    make.Plan.WithLine(make.At, l => l with { Seat = onStem }),
                    [new(make.Member("seat"), onStem)]
                )
        );
        if (line.Seat.Limb is { SharedBy: < 3 } limb)
        {
            yield return new(
                3 - limb.SharedBy,
                i =>
                    new(
                        $"Lay the line over {Sentences.Count(limb.SharedBy + 1 + i)} unions that share it",
                        make.Plan.WithLine(
                            make.At,
                            l => l with { Seat = l.Seat with { Limb = limb with { SharedBy = limb.SharedBy + 1 + i } } }
                        ),
                        [new(make.Member("seat.limb.sharedBy"), limb.SharedBy + 1 + i)]
                    )
            );
        }
    }
}
