namespace Draklo.Core.Links;

/// <summary>What a link is; each kind has one <see cref="LinkRule"/>.</summary>
public enum LinkKind
{
    Hauler,
    HaulerAnchor,
    HaulerAnchorSling,
    Drum,
    TackleLegs,
    HeldLegs,
    Capture,
    Blocks,
    Connector,
    Grip,
    GripCord,
    TackleKnot,
    HoldingGrip,
    HoldingCord,
    HoldingTurns,
    SecondRope,
    JoiningKnot,
    PullLine,
    RedirectBend,
    RedirectBlock,
    RedirectSling,
    RedirectAnchor,
    SeatKnot,
    Limb,
    AnchorSling,
    Anchor,
    Stem,
    Roots,
    Hinge,
}

/// <summary>The part of the drawings that a link lights up.</summary>
public enum LinkMark
{
    Hauler,
    Drum,
    TackleLegs,
    Blocks,

    /// <summary>Where the tackle takes the line: grip, loop and connector.</summary>
    TackleHead,
    PullLine,

    /// <summary>One of the line's redirects; the link's place says which.</summary>
    Redirect,
    Seat,
    Sling,
    Anchor,
    Stem,
    Roots,
    Hinge,
}
