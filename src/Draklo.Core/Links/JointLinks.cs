using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>Carabiners or shackles between the tackle and what takes it on the line.</summary>
internal sealed class ConnectorLink() : LineRule(LinkKind.Connector, "connector", LinkMark.TackleHead)
{
    public override IReadOnlyList<string> Members => ["tackle.connector"];

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Tackle.System.InLine || walk.Line.Tackle.Connector is not { } connector)
        {
            return;
        }

        if (connector.StrengthN is { } strength)
        {
            walk.Add(
                this,
                connector.Count == 1 ? "Connector" : "Two connectors",
                walk.OnTackleJoint,
                new(strength * connector.Count, walk.Factor.Hardware, [])
            );
        }
        else
        {
            walk.Unknowns.Check(
                "connector-unknown",
                $"What the connector between tackle and line breaks at is not given on the {walk.NameOfLine}.",
                $"{walk.Member}.tackle.connector.strengthN"
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var connector = make.Line.Tackle.Connector!;
        yield return make.Stronger(
            connector.StrengthN!.Value,
            "a connector that breaks",
            make.Member("tackle.connector.strengthN"),
            n => make.WithTackle(t => t with { Connector = connector with { StrengthN = n } })
        );
        if (connector.Count == 1)
        {
            yield return Second(make, connector);
        }
    }

    public static Ladder Second(LadderMaker make, ConnectorMembers connector) =>
        new(
            1,
            _ =>
                new(
                    "Put a second connector beside the first: they share the load and bend the cord less",
                    make.WithTackle(t => t with { Connector = connector with { Count = 2 } }),
                    [new(make.Member("tackle.connector.count"), 2)]
                )
        );
}

/// <summary>A friction hitch on the line: the one that takes the tackle, or the one that holds during a reset.</summary>
internal sealed class GripLink(LinkKind kind, string suffix) : LineRule(kind, suffix, LinkMark.TackleHead)
{
    public override IReadOnlyList<string> Members => Kind == LinkKind.Grip ? ["tackle.grip"] : ["tackle.hold"];

    public override bool Slips => true;

    internal override void AddTo(LineWalk walk)
    {
        if (GripOnLine.Of(walk, Kind == LinkKind.HoldingGrip) is not { } on)
        {
            return;
        }

        var hitch = Reference.Grips[on.Grip.GripId];
        walk.Add(
            this,
            on.Holding ? $"Holding {hitch.ShortName.Uncapitalised()} on the line" : $"{hitch.ShortName} on the line",
            on.Load,
            new(on.Grip.SlipN ?? hitch.SlipLowN, walk.Factor.Grip, [], Estimate: on.Grip.SlipN is null)
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        Kind == LinkKind.HoldingGrip
            ?
            [
                make.OtherGrips(
                    make.Line.Tackle.Hold!.Grip!,
                    "Wind another holding grip",
                    make.Member("tackle.hold.grip"),
                    g => make.WithTackle(t => t with { Hold = new() { Grip = g } })
                ),
            ]
            : [TackleKnotLink.OtherGrip(make, make.Line.Tackle.Grip), TackleKnotLink.OtherKnot(make)];
}

/// <summary>One leg of a grip's cord.</summary>
internal sealed class GripCordLink(LinkKind kind, string suffix) : LineRule(kind, suffix, LinkMark.TackleHead)
{
    public override IReadOnlyList<string> Members => Kind == LinkKind.GripCord ? ["tackle.grip"] : ["tackle.hold"];

    internal override void AddTo(LineWalk walk)
    {
        if (GripOnLine.Of(walk, Kind == LinkKind.HoldingCord) is not { } on)
        {
            return;
        }

        var (grip, legs) = (on.Grip, Reference.Grips[on.Grip.GripId].Legs);
        if (grip.CordStrengthN is not { } strength)
        {
            walk.Unknowns.Check(
                "cord-strength-unknown",
                $"The strength of the {(on.Holding ? "holding grip" : "grip")}'s cord on the {walk.NameOfLine} is not given.",
                $"{on.Member}.cordStrengthN"
            );
            return;
        }

        // The legs run side by side to one connector and share alike.
        var reductions = new List<Reduction>(4) { LineWalk.Kept(grip.EndKnotId) };
        if (grip.CordDiameterM is { } diameter)
        {
            LineWalk.AddBend(LineWalk.ConnectorPin * (walk.Line.Tackle.Connector?.Count ?? 1), diameter, reductions);
        }

        Wear.Add(grip.Wear, null, reductions);
        walk.Add(
            this,
            $"{(on.Holding ? "Holding grip" : "Grip")}'s cord, one of {Sentences.Count(legs)}",
            new(on.Load.Planned / legs, on.Load.Worst / legs, on.Load.MayRise),
            new(strength, walk.Factor.Rope, reductions)
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var holding = Kind == LinkKind.HoldingCord;
        var tackle = make.Line.Tackle;
        var grip = holding ? tackle.Hold!.Grip! : tackle.Grip!;
        var member = make.Member(holding ? "tackle.hold.grip" : "tackle.grip");
        yield return make.Stronger(
            grip.CordStrengthN!.Value,
            "a cord that breaks",
            $"{member}.cordStrengthN",
            n => Put(grip with { CordStrengthN = n })
        );
        yield return LadderMaker.BetterKnots(
            grip.EndKnotId,
            k => k.Use is "end-loop" or "joins-ends",
            "Close the cord with",
            $"{member}.endKnotId",
            k => Put(grip with { EndKnotId = k })
        );
        if (tackle.Connector is { Count: 1 } connector)
        {
            yield return ConnectorLink.Second(make, connector);
        }

        Plan Put(GripMembers changed) =>
            make.WithTackle(t => holding ? t with { Hold = new() { Grip = changed } } : t with { Grip = changed });
    }
}

/// <summary>The loop in the line that takes the tackle, where no grip does.</summary>
internal sealed class TackleKnotLink() : LineRule(LinkKind.TackleKnot, "join", LinkMark.TackleHead)
{
    public override IReadOnlyList<string> Members => ["tackle.joinKnotId", "rope.breakingStrengthN", "rope.wear"];

    internal override void AddTo(LineWalk walk)
    {
        var tackle = walk.Line.Tackle;
        if (walk.Tackle.System.InLine || tackle.Grip is not null)
        {
            return;
        }

        if (tackle.JoinKnotId is { } join)
        {
            walk.AddOnRope(
                this,
                Reference.Knots[join].Name + " at the tackle",
                walk.OnTackleJoint,
                walk.Line.Joined?.Rope ?? walk.Line.Rope,
                LineWalk.Kept(join)
            );
        }
        else
        {
            walk.Unknowns.Check(
                "tackle-joint-unknown",
                $"How the tackle is joined to the {walk.NameOfLine} is not given.",
                $"{walk.Member}.tackle.joinKnotId"
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        [
            make.Line.Joined is null ? make.StrongerRope() : make.StrongerSecondRope(),
            OtherKnot(make),
            OtherGrip(make, null),
        ];

    public static Ladder OtherKnot(LadderMaker make)
    {
        var tackle = make.Line.Tackle;
        return LadderMaker.BetterKnots(
            tackle.Grip is null ? tackle.JoinKnotId : null,
            k => k is { Midline: true, Use: "midline-loop" },
            "Join the tackle with",
            make.Member("tackle.joinKnotId"),
            k => make.WithTackle(t => t with { JoinKnotId = k, Grip = null }),
            tackle.Grip is null ? [] : [make.Member("tackle.grip")]
        );
    }

    public static Ladder OtherGrip(LadderMaker make, GripMembers? now) =>
        make.OtherGrips(
            now,
            now is null ? "Take the tackle on a grip in place of the loop" : "Wind another grip",
            make.Member("tackle.grip"),
            g => make.WithTackle(t => t with { Grip = g })
        );
}

/// <summary>Turns of the line's tail that hold it while you reset the tackle.</summary>
internal sealed class HoldingTurnsLink() : LineRule(LinkKind.HoldingTurns, "hold-turns", LinkMark.Anchor)
{
    public override IReadOnlyList<string> Members => ["tackle.hold"];

    public override bool Slips => true;

    public override bool LimitsTension => false;

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Line.Tackle.Hold is { Grip: null, Turns: { } drum })
        {
            // It may not slip while hands are in the tackle: a light hold on a smooth drum must be enough.
            walk.Add(
                this,
                drum.Turns == 1
                    ? "Holding turn on the drum"
                    : $"{Sentences.Count(drum.Turns).Capitalised()} holding turns on the drum",
                new(walk.Tensions.End, walk.Tensions.End, walk.Tensions.EndMayRise),
                new(Limiter.SlipsAt(drum.HoldLowN, drum.FrictionLow, drum.Turns), 1, [], Estimate: true)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var drum = make.Line.Tackle.Hold!.Turns!;
        return
        [
            new(
                Limiter.MostTurns - drum.Turns,
                i =>
                    new(
                        $"Put {Sentences.Count(drum.Turns + 1 + i)} holding turns on the drum",
                        make.WithTackle(t =>
                            t with
                            {
                                Hold = new() { Turns = drum with { Turns = drum.Turns + 1 + i } },
                            }
                        ),
                        [new(make.Member("tackle.hold.turns.turns"), drum.Turns + 1 + i)]
                    )
            ),
        ];
    }
}

/// <summary>A grip as it hangs on the line.</summary>
/// <param name="Member">The grip's members in the plan.</param>
/// <param name="Holding">Whether it holds the line during a reset, rather than taking the tackle.</param>
internal readonly record struct GripOnLine(GripMembers Grip, string Member, bool Holding, LinkLoad Load)
{
    public static GripOnLine? Of(LineWalk walk, bool holding)
    {
        var tackle = walk.Line.Tackle;
        if (holding)
        {
            return tackle.Hold?.Grip is { } held
                ? new(held, $"{walk.Member}.tackle.hold.grip", true, walk.AtTackle)
                : null;
        }

        return tackle.Grip is { } grip && !walk.Tackle.System.InLine
            ? new(grip, $"{walk.Member}.tackle.grip", false, walk.OnTackleJoint)
            : null;
    }
}
