namespace Draklo.Core.Links;

/// <summary>Every kind of link, in the order of the load path from the hands to the stump.</summary>
internal static class LinkRules
{
    public static readonly IReadOnlyList<LineRule> HandsToTree =
    [
        new HaulerLink(),
        new HaulerAnchorLink(),
        new HaulerAnchorSlingLink(),
        new DrumLink(),
        new TackleLegsLink(),
        new HeldLegsLink(),
        new CaptureLink(),
        new BlocksLink(),
        new ConnectorLink(),
        new GripLink(LinkKind.Grip, "grip"),
        new GripCordLink(LinkKind.GripCord, "cord"),
        new TackleKnotLink(),
        new GripLink(LinkKind.HoldingGrip, "hold-grip"),
        new GripCordLink(LinkKind.HoldingCord, "hold-cord"),
        new HoldingTurnsLink(),
        new SecondRopeLink(),
        new JoiningKnotLink(),
        new PullLineLink(),
    ];

    /// <summary>At each redirect, from the last one inward to the tree.</summary>
    public static readonly IReadOnlyList<RedirectRule> AtRedirect =
    [
        new RedirectBendLink(),
        new RedirectBlockLink(),
        new RedirectSlingLink(),
        new RedirectAnchorLink(),
    ];

    public static readonly IReadOnlyList<LineRule> AtTheEnds =
    [
        new SeatKnotLink(),
        new LimbLink(),
        new AnchorSlingLink(),
        new AnchorLink(),
    ];

    public static readonly IReadOnlyList<TreeRule> OfTheTree = [new StemLink(), new RootsLink(), new HingeLink()];
}
