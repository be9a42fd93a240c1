using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The rope of the tackle at its heaviest leg.</summary>
internal abstract class TackleRopeLink(LinkKind kind, string suffix) : LineRule(kind, suffix, LinkMark.TackleLegs)
{
    public override IReadOnlyList<string> Members => ["tackle.rope", "tackle.capture"];

    /// <summary>The rope that the tackle is rove in, when it is not the pull line.</summary>
    private protected static TackleRopeMembers? OwnRope(LineWalk walk) =>
        walk.Tackle.System.InLine ? null : walk.Line.Tackle.Rope;

    private protected static bool StrengthUnknown(LineWalk walk) => OwnRope(walk) is { BreakingStrengthN: null };

    private protected static LinkRating RatingOf(LineWalk walk)
    {
        var own = OwnRope(walk);
        var rope = walk.Line.Rope;
        var reductions = new List<Reduction>(3);
        LineWalk.AddBend(Sharpest(walk), own?.DiameterM ?? rope.DiameterM, reductions);
        if (own is not null)
        {
            reductions.Add(LineWalk.Kept(own.EndKnotId));
        }
        else if (walk.Tackle.System.HasRopeLoop)
        {
            reductions.Add(new("rope-loop hitch", Reference.Knots["rope-loop-hitch"].KeepsLow));
        }

        Wear.Add(
            own is null ? rope.Wear : own.Wear,
            own is null ? rope.ConstructionId : own.ConstructionId,
            reductions
        );
        return new(own?.BreakingStrengthN ?? rope.BreakingStrengthN, walk.Factor.Rope, reductions);
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        if (make.Line.Tackle.Rope is not { } own)
        {
            yield break;
        }

        yield return make.Stronger(
            own.BreakingStrengthN!.Value,
            "a tackle rope that breaks",
            make.Member("tackle.rope.breakingStrengthN"),
            n => make.WithTackle(t => t with { Rope = own with { BreakingStrengthN = n } })
        );
        yield return LadderMaker.BetterKnots(
            own.EndKnotId,
            k => k.Use == "end-loop",
            "End the tackle rope in",
            make.Member("tackle.rope.endKnotId"),
            k => make.WithTackle(t => t with { Rope = own with { EndKnotId = k } })
        );
        if (make.Link.Reductions.Any(r => r.Name == Bend.Name))
        {
            var tackle = make.Line.Tackle;
            yield return make.ThickerTurn(
                tackle.SheaveDiameterM,
                tackle.ContactId,
                make.Member("tackle.sheaveDiameterM"),
                d => make.WithTackle(t => t with { SheaveDiameterM = d })
            );
        }
    }

    /// <summary>
    /// The smallest diameter that the tackle's rope turns round, metres; null when all of them suit the rope.
    /// </summary>
    private static double? Sharpest(LineWalk walk)
    {
        var tackle = walk.Line.Tackle;
        var least = tackle.SheaveDiameterM ?? Reference.Contacts[tackle.ContactId].PinMm / 1000;
        foreach (var other in walk.Tackle.System.OwnKinds.Values)
        {
            least = other.PinMm is { } pin && !(least < pin / 1000) ? pin / 1000 : least;
        }

        return least;
    }
}

/// <summary>The heaviest leg while hauling.</summary>
internal sealed class TackleLegsLink() : TackleRopeLink(LinkKind.TackleLegs, "legs")
{
    internal override void AddTo(LineWalk walk)
    {
        if (!walk.Tackle.System.UsesAnchor)
        {
            return;
        }

        if (StrengthUnknown(walk))
        {
            walk.Unknowns.Check(
                "tackle-rope-unknown",
                $"What the tackle rope of the {walk.NameOfLine} breaks at is not given.",
                $"{walk.Member}.tackle.rope.breakingStrengthN"
            );
            return;
        }

        walk.Add(
            this,
            walk.Tackle.System.Id == TackleSystems.RedirectedId ? "Hauling leg" : "Tackle rope, hauling leg",
            walk.InTackle(SolvedTackle.HeaviestLeg),
            RatingOf(walk)
        );
    }
}

/// <summary>The heaviest leg while the load hangs on a cam or grip in the tackle.</summary>
internal sealed class HeldLegsLink() : TackleRopeLink(LinkKind.HeldLegs, "held-legs")
{
    internal override void AddTo(LineWalk walk)
    {
        if (walk.Captured is not { } held || StrengthUnknown(walk))
        {
            return;
        }

        var piece = CaptureLink.NameOf(walk.Line.Tackle.Capture!.Kind);
        walk.Add(this, $"Tackle rope, hanging on the {piece}", walk.Hanging(held.HeaviestLeg), RatingOf(walk));
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        base.Remedies(make).Append(CaptureLink.LighterTurns(make));
}

/// <summary>The cam or grip that keeps what has been won between two heaves.</summary>
internal sealed class CaptureLink() : LineRule(LinkKind.Capture, "capture", LinkMark.TackleLegs)
{
    public override IReadOnlyList<string> Members => ["tackle.capture"];

    public override bool Slips => true;

    public static string NameOf(CaptureKind kind) => kind == CaptureKind.Cam ? "cam" : "capture grip";

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Captured is not { } held)
        {
            return;
        }

        var capture = walk.Line.Tackle.Capture!;
        var name = NameOf(capture.Kind);
        if (capture.HoldsN is { } holds)
        {
            walk.Add(
                this,
                name.Capitalised(),
                walk.Hanging(held.Force),
                new(holds, walk.Factor.Grip, [], Estimate: true)
            );
        }
        else
        {
            walk.Unknowns.Check(
                "capture-strength-unknown",
                $"What the {name} of the {walk.NameOfLine} holds is not given; {held.Force * walk.Tensions.End:N} hangs on it once you let go of the rope.",
                $"{walk.Member}.tackle.capture.holdsN",
                null,
                ("loadN", held.Force * walk.Tensions.End)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var now = make.Line.Tackle.Capture!;
        yield return make.Stronger(
            now.HoldsN!.Value,
            "a cam or grip that holds",
            make.Member("tackle.capture.holdsN"),
            n => make.WithTackle(t => t with { Capture = now with { HoldsN = n } })
        );
        yield return LighterTurns(make);
    }

    /// <summary>Turns with more legs behind them, so that less hangs on each.</summary>
    public static Ladder LighterTurns(LadderMaker make)
    {
        var now = make.Line.Tackle.Capture!;
        var shape = TackleSystems.Of(make.Line.Tackle).Shape;
        var most = Captured.Of(shape, now).Held!.HeaviestLeg;
        var lighter = TackleTurn
            .Of(shape)
            .Select(turn => (Capture: now with { Rope = turn.Rope, Contact = turn.Contact }, turn.Point))
            .Select(x => (x.Capture, x.Point, Captured.Of(shape, x.Capture).Held?.HeaviestLeg))
            .Where(x => x.HeaviestLeg < most - 1e-9)
            .OrderByDescending(x => x.HeaviestLeg)
            .ToArray();
        return new(
            lighter.Length,
            i =>
                new(
                    $"Set the {(now.Kind == CaptureKind.Cam ? "cam" : "grip")} at turn {lighter[i].Capture.Contact + 1} of its rope, at the {lighter[i].Point}: more legs share the load there",
                    make.WithTackle(t => t with { Capture = lighter[i].Capture }),
                    [new(make.Member("tackle.capture"), lighter[i].Capture)]
                )
        );
    }
}

/// <summary>The blocks, rings or carabiners at which the tackle turns.</summary>
internal sealed class BlocksLink() : LineRule(LinkKind.Blocks, "blocks", LinkMark.Blocks)
{
    public override IReadOnlyList<string> Members => ["tackle.hardwareStrengthN", "tackle.sheaveDiameterM"];

    internal override void AddTo(LineWalk walk)
    {
        var contact = ContactKind.Of(walk.Line.Tackle.ContactId, walk.Line.Tackle.Passes);
        if (!walk.Tackle.System.UsesAnchor || !contact.IsHardware)
        {
            return;
        }

        if (walk.Line.Tackle.HardwareStrengthN is { } strength)
        {
            walk.Add(
                this,
                contact.Name,
                walk.InTackle(s => SolvedTackle.HeaviestTurn(s, walk.Tackle.Hardware)),
                new(strength, walk.Factor.Hardware, [])
            );
        }
        else
        {
            walk.Unknowns.Check(
                "block-strength-unknown",
                $"The strength of the {contact.Name.Uncapitalised()} on the {walk.NameOfLine} is not given.",
                $"{walk.Member}.tackle.hardwareStrengthN"
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        [
            make.Stronger(
                make.Line.Tackle.HardwareStrengthN!.Value,
                "blocks and connectors that break",
                make.Member("tackle.hardwareStrengthN"),
                n => make.WithTackle(t => t with { HardwareStrengthN = n })
            ),
        ];
}
