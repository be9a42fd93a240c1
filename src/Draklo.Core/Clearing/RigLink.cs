using Draklo.Core.Links;

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
public sealed record RigLink : CheckedLink
{
    public required RigMark Mark { get; init; }

    /// <summary>Whether it is somebody's own strength, which can be too small but does not break.</summary>
    public required bool Effort { get; init; }

    /// <summary>Whether it gives by slipping.</summary>
    public required bool Slips { get; init; }

    public required bool Anchors { get; init; }

    protected override bool IsAnchor => Anchors;

    protected override bool Yields => Slips || Effort;
}
