using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The line where a redirect bends it sharply.</summary>
internal sealed class RedirectBendLink() : RedirectRule(LinkKind.RedirectBend, "bend")
{
    internal override void AddTo(RedirectWalk walk)
    {
        var rope = walk.Line.Line.Rope;
        var reductions = new List<Reduction>(2);
        LineWalk.AddBend(walk.Redirect.SheaveDiameterM ?? walk.Contact.PinMm / 1000, rope.DiameterM, reductions);
        if (reductions.Count > 0)
        {
            Wear.Add(rope.Wear, rope.ConstructionId, reductions);
            walk.Add(
                this,
                $"Line round {walk.Name}",
                walk.OnHaulSide,
                new(rope.BreakingStrengthN, walk.Line.Factor.Rope, reductions)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make)
    {
        var redirect = make.Redirect;
        yield return make.ThickerTurn(
            redirect.SheaveDiameterM,
            redirect.ContactId,
            make.RedirectMember("sheaveDiameterM"),
            d => make.WithRedirect(r => r with { SheaveDiameterM = d })
        );
        yield return new(
            1,
            _ =>
                new(
                    "Turn it at a plain-bushed block",
                    make.WithRedirect(r => r with { ContactId = "bushed-block", SheaveDiameterM = null }),
                    [new(make.RedirectMember("contactId"), "bushed-block")]
                )
        );
    }
}

/// <summary>The block, ring or carabiner at a redirect.</summary>
internal sealed class RedirectBlockLink() : RedirectRule(LinkKind.RedirectBlock, "block")
{
    internal override void AddTo(RedirectWalk walk)
    {
        if (!walk.Contact.IsHardware)
        {
            return;
        }

        if (walk.Redirect.HardwareStrengthN is { } strength)
        {
            walk.Add(
                this,
                $"{walk.Name.Capitalised()}, block",
                walk.OnTurn,
                new(strength, walk.Line.Factor.Hardware, [])
            );
        }
        else
        {
            walk.Line.Unknowns.Check(
                "block-strength-unknown",
                $"The strength of the {walk.Contact.Name.Uncapitalised()} at {walk.Name} of the {walk.Line.NameOfLine} is not given.",
                $"{walk.Member}.hardwareStrengthN"
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        [
            make.Stronger(
                make.Redirect.HardwareStrengthN!.Value,
                "a redirect block that breaks",
                make.RedirectMember("hardwareStrengthN"),
                n => make.WithRedirect(r => r with { HardwareStrengthN = n })
            ),
        ];
}

/// <summary>The sling that a redirect hangs on.</summary>
internal sealed class RedirectSlingLink() : RedirectRule(LinkKind.RedirectSling, "sling")
{
    internal override void AddTo(RedirectWalk walk)
    {
        if (walk.Redirect.At.Sling is { BreakingStrengthN: not null } sling)
        {
            walk.Add(
                this,
                $"{walk.Name.Capitalised()}, sling",
                walk.OnTurn,
                AnchorSlingLink.RatingOf(sling, walk.Line.Factor.Sling)
            );
        }
        else
        {
            AnchorSlingLink.Missing(
                walk.Line.Unknowns,
                $"{walk.Name} of the {walk.Line.NameOfLine}",
                $"{walk.Member}.at",
                walk.Redirect.At.Sling
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        AnchorSlingLink.BetterSlings(make, make.Redirect.At, make.RedirectMember("at"), make.WithRedirectAnchor);
}

/// <summary>What a redirect hangs on.</summary>
internal sealed class RedirectAnchorLink() : RedirectRule(LinkKind.RedirectAnchor, "anchor")
{
    public override bool IsAnchor => true;

    internal override void AddTo(RedirectWalk walk)
    {
        var line = walk.Line;
        var anchor = walk.Redirect.At;
        var strength = AnchorStrength.Of(
            anchor,
            $"{line.Line.Id}.redirect-{walk.Place}-{Suffix}",
            walk.Rise,
            line.Context.Workings
        );
        walk.AnchorHolds = strength;
        var name = AnchorLink.NameOf(anchor, $"{walk.Name.Capitalised()} anchor");
        if (strength is not null)
        {
            walk.Add(this, name, walk.OnTurn, AnchorLink.RatingOf(strength, line.Factor.Anchor));
        }

        AnchorLink.Doubts(
            line.Unknowns,
            new(anchor, $"{walk.Member}.at", name, $"{walk.Name} of the {line.NameOfLine}"),
            strength,
            walk.OnTurn.Planned,
            walk.Rise
        );
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        AnchorLink.BetterAnchors(make, make.Redirect.At, make.RedirectMember("at"), make.WithRedirectAnchor);
}
