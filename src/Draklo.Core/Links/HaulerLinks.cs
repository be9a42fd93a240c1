using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The people, machine, winch or vehicle at the hauling end.</summary>
internal sealed class HaulerLink() : LineRule(LinkKind.Hauler, "hands", LinkMark.Hauler)
{
    public override IReadOnlyList<string> Members =>
        ["puller.count", "puller.effortEachN", "puller.machineN", "puller.vehicle"];

    public override bool LimitsTension => false;

    public override bool IsEffort => true;

    internal override void AddTo(LineWalk walk)
    {
        var puller = walk.Line.Puller;
        var steady = Effort.Of(puller).SteadyN;
        // People cannot overload themselves, only fail to give what is needed.
        walk.Add(this, Effort.NameOf(puller), walk.OnHands, new(steady.Nominal, 1, [], Estimate: true, steady.MayFall));
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var puller = make.Line.Puller;
        yield return puller switch
        {
            { Kind: PullerKind.Vehicle, Vehicle: { } vehicle } => make.Heavier(
                vehicle.MassKg,
                "a vehicle of",
                make.Member("puller.vehicle.massKg"),
                m => make.Plan.WithPuller(make.At, p => p with { Vehicle = vehicle with { MassKg = m } })
            ),
            { Kind: PullerKind.Machine or PullerKind.HandWinch } => make.Stronger(
                puller.MachineN!.Value,
                "a machine that pulls",
                make.Member("puller.machineN"),
                n => make.Plan.WithPuller(make.At, p => p with { MachineN = n })
            ),
            _ => new(
                Math.Min(4, 20 - puller.Count),
                i =>
                    new(
                        $"Put {Sentences.Count(puller.Count + 1 + i)} people on it",
                        make.Plan.WithPuller(make.At, p => p with { Count = p.Count + 1 + i }),
                        [new(make.Member("puller.count"), puller.Count + 1 + i)]
                    )
            ),
        };
        yield return make.StrongerTackles();
    }
}

/// <summary>What holds a machine or winch that hauls on a tackle: it stands still, so it is anchored.</summary>
internal sealed class HaulerAnchorLink() : LineRule(LinkKind.HaulerAnchor, "hands-anchor", LinkMark.Hauler)
{
    public override IReadOnlyList<string> Members => ["puller.anchor"];

    public override bool IsAnchor => true;

    internal override void AddTo(LineWalk walk)
    {
        if (!IsAsked(walk))
        {
            return;
        }

        var machine = MachineOf(walk);
        var where = $"what holds the {machine} of the {walk.NameOfLine}";
        var load = LoadOf(walk);
        if (walk.Line.Puller.Anchor is not { } anchor)
        {
            walk.Unknowns.Check(
                "puller-anchor-unknown",
                $"{where.Capitalised()} is not given: it pulls {load.Planned:N} and must be held against all of it.",
                $"{walk.Member}.puller.anchor",
                null,
                ("loadN", load.Planned)
            );
            return;
        }

        var strength = AnchorStrength.Of(anchor, $"{walk.Line.Id}.{Suffix}", 0, walk.Context.Workings);
        var name = AnchorLink.NameOf(anchor, $"Anchor of the {machine}");
        if (strength is not null)
        {
            walk.Add(this, name, load, AnchorLink.RatingOf(strength, walk.Factor.Anchor));
        }

        AnchorLink.Doubts(
            walk.Unknowns,
            new(anchor, $"{walk.Member}.puller.anchor", name, where),
            strength,
            load.Planned,
            0
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        AnchorLink.BetterAnchors(
            make,
            make.Line.Puller.Anchor!,
            make.Member("puller.anchor"),
            a => make.Plan.WithPuller(make.At, p => p with { Anchor = a })
        );

    /// <summary>Without a tackle on it, the line's own anchor is the machine's.</summary>
    public static bool IsAsked(LineWalk walk) => walk.PullerStands && walk.Tackle.System.UsesAnchor;

    public static string MachineOf(LineWalk walk) => walk.Line.Puller.Kind == PullerKind.Machine ? "machine" : "winch";

    public static LinkLoad LoadOf(LineWalk walk) =>
        new(walk.Tensions.Hand, walk.Tensions.WorstHand, walk.Tensions.HandMayRise);
}

/// <summary>The sling between the machine or winch and its own anchor.</summary>
internal sealed class HaulerAnchorSlingLink()
    : LineRule(LinkKind.HaulerAnchorSling, "hands-anchor-sling", LinkMark.Hauler)
{
    public override IReadOnlyList<string> Members => ["puller.anchor.sling"];

    internal override void AddTo(LineWalk walk)
    {
        if (!HaulerAnchorLink.IsAsked(walk) || walk.Line.Puller.Anchor is not { } anchor)
        {
            return;
        }

        var machine = HaulerAnchorLink.MachineOf(walk);
        if (anchor.Sling is { BreakingStrengthN: not null } sling)
        {
            walk.Add(
                this,
                $"Sling of the {machine}",
                HaulerAnchorLink.LoadOf(walk),
                AnchorSlingLink.RatingOf(sling, walk.Factor.Sling)
            );
        }
        else if (anchor.Sling is not null || anchor.Kind is AnchorKind.Tree or AnchorKind.Post)
        {
            AnchorSlingLink.Missing(
                walk.Unknowns,
                $"what holds the {machine} of the {walk.NameOfLine}",
                $"{walk.Member}.puller.anchor",
                anchor.Sling
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        AnchorSlingLink.BetterSlings(
            make,
            make.Line.Puller.Anchor!,
            make.Member("puller.anchor"),
            a => make.Plan.WithPuller(make.At, p => p with { Anchor = a })
        );
}

/// <summary>Friction turns between the puller and the rope, held by hand.</summary>
internal sealed class DrumLink() : LineRule(LinkKind.Drum, "limiter", LinkMark.Drum)
{
    public override IReadOnlyList<string> Members => ["limiter"];

    public override bool Slips => true;

    public override bool LimitsTension => false;

    internal override void AddTo(LineWalk walk)
    {
        if (walk.Line.Limiter is { } drum)
        {
            walk.Add(
                this,
                drum.Turns == 1
                    ? "One turn on the drum"
                    : $"{Sentences.Count(drum.Turns).Capitalised()} turns on the drum",
                walk.OnHands,
                new(Limiter.SlipsAt(drum.HoldN, drum.Friction, drum.Turns), 1, [], Estimate: true)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var drum = make.Line.Limiter!;
        return
        [
            new(
                Limiter.MostTurns - drum.Turns,
                i =>
                    new(
                        $"Put {Sentences.Count(drum.Turns + 1 + i)} turns on the drum",
                        make.Plan.WithLine(make.At, l => l with { Limiter = drum with { Turns = drum.Turns + 1 + i } }),
                        [new(make.Member("limiter.turns"), drum.Turns + 1 + i)]
                    )
            ),
        ];
    }
}
