using Draklo.Core.Links;
using Draklo.Core.Sites;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Analyses;

/// <summary>
/// What follows from a plan. SI units; degrees where a name says Deg; the lay frame's forward, right and up.
/// </summary>
public sealed record Analysis(
    TreeResult Tree,
    HingeResult Hinge,
    PullResult Pull,
    Pretension Pretension,
    CutResult Cut,
    StemResult Stem,
    Aim Aim,
    WindResult Wind,
    GustReserve? Gust,
    Measured Measured,
    Zones Site,
    IReadOnlyList<Link> Links,
    IReadOnlyList<AnchorStrength?> Anchors,
    Verdict Verdict,
    Figure Figure,
    Plate Plate
)
{
    /// <summary>Figures that are the crew's own, as sentences.</summary>
    public IReadOnlyList<string> Ours { get; init; } = [];

    /// <summary>Every number with the sum behind it; left out when not asked for.</summary>
    public IReadOnlyList<Working>? Workings { get; init; }
}
