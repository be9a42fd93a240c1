using Draklo.Core.Links;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The part of the drawing that a link of a clearing lights up.</summary>
public enum RigMark
{
    Hauler,
    Haul,
    Lead,
    Line,
    Carriage,
    Load,
    Tag,
    Block,
    Spar,
    Guy,
    Low,
    Drum,

    /// <summary>One of several points; the link's place says which.</summary>
    Point,
}

/// <summary>One link of a way of clearing, judged as a link of a pull is.</summary>
/// <param name="Id">Stable name within its way, as in "block-sling".</param>
/// <param name="Place">Number of the point it belongs to, from the load, from 1; null for the others.</param>
/// <param name="Effort">Whether it is somebody's own strength, which can be too small but does not break.</param>
/// <param name="Slips">Whether it gives by slipping.</param>
public sealed record RigLink(
    string Id,
    string Name,
    RigMark Mark,
    int? Place,
    Dimension Dimension,
    double LoadValue,
    double WorstLoadValue,
    double StrengthValue,
    double RatedValue,
    double Factor,
    double Use,
    double CarefulUse,
    LinkState State,
    bool Estimate,
    bool Effort,
    bool Slips,
    bool Anchors,
    IReadOnlyList<Reduction> Reductions
)
    : CheckedLink(
        Id,
        Name,
        Place,
        Dimension,
        LoadValue,
        WorstLoadValue,
        StrengthValue,
        RatedValue,
        Factor,
        Use,
        CarefulUse,
        State,
        Estimate,
        Reductions
    )
{
    protected override bool IsAnchor => Anchors;
}
