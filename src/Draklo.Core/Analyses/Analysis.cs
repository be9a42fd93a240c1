using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Analyses;

/// <summary>
/// What follows from a plan. SI units; degrees where a name says Deg; the lay frame's forward, right and up.
/// </summary>
public sealed record Analysis
{
    public required TreeResult Tree { get; init; }

    public required HingeResult Hinge { get; init; }

    public required PullResult Pull { get; init; }

    public required Pretension Pretension { get; init; }

    public required CutResult Cut { get; init; }

    public required StemResult Stem { get; init; }

    public required Aim Aim { get; init; }

    public required WindResult Wind { get; init; }

    public required GustReserve? Gust { get; init; }

    public required Measured Measured { get; init; }

    public required Zones Site { get; init; }

    public required IReadOnlyList<Link> Links { get; init; }

    public required IReadOnlyList<AnchorStrength?> Anchors { get; init; }

    public required Verdict Verdict { get; init; }

    public required Figure Figure { get; init; }

    public required Plate Plate { get; init; }

    /// <summary>What the figures come to that follow from others, by the member's path.</summary>
    public IReadOnlyList<Followed> Followed { get; init; } = [];

    /// <summary>Figures that are the crew's own, as sentences.</summary>
    public IReadOnlyList<string> Ours { get; init; } = [];

    /// <summary>Every number with the sum behind it; left out when not asked for.</summary>
    public IReadOnlyList<Working>? Workings { get; init; }
}
