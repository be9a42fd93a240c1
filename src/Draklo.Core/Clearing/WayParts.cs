using Draklo.Core.Links;
using Draklo.Core.Plans;

namespace Draklo.Core.Clearing;

/// <summary>What is done at one end, in order.</summary>
public sealed record ClearingEnd(string Name, IReadOnlyList<string> Lines);

/// <summary>A part of the clearing that a way may use: what is drawn, taken hold of, asked for and looked for in the locker.</summary>
public enum WayPart
{
    /// <summary>The pieces where they lie, and where they go.</summary>
    Pieces,

    /// <summary>The stem or tree that the high point is in, with its guy.</summary>
    High,

    /// <summary>The block in the high point.</summary>
    Block,

    /// <summary>The anchor at the lower end of a line.</summary>
    Low,

    /// <summary>The block at which the hauling line turns aside.</summary>
    Lead,

    Drum,
    Hauler,

    /// <summary>The line that carries.</summary>
    Line,

    /// <summary>The line that hauls.</summary>
    Haul,

    /// <summary>The sling on the load.</summary>
    Sling,

    Carriage,

    /// <summary>The line that steers a hanging load.</summary>
    Tag,
}

/// <summary>How the drawing shows a load on its way.</summary>
public enum LoadOnLine
{
    /// <summary>It does not: the load lies, falls, or hangs at one place.</summary>
    None,

    /// <summary>The line bends where the load hangs.</summary>
    Bends,

    /// <summary>The load hangs at the end of the line.</summary>
    AtEnd,
}

/// <summary>All that a way is apart from its sums: what it uses, and what is said of it.</summary>
/// <remarks>Every member is required: a way without words does not compile.</remarks>
internal sealed record WayTraits
{
    /// <summary>What is drawn, asked for and looked for in the locker.</summary>
    public required IReadOnlyList<WayPart> Uses { get; init; }

    /// <summary>What is done at each end, in order.</summary>
    public required IReadOnlyList<ClearingEnd> Ends { get; init; }

    /// <summary>What the raised arm means: "Haul", or "Take up" where the line holds back.</summary>
    public required string ArmUp { get; init; }

    /// <summary>What the line that carries is called; not seen where the way has none.</summary>
    public string LineName { get; init; } = "Loaded line";

    /// <summary>How the drawing shows a load on its way.</summary>
    public required LoadOnLine Shows { get; init; }

    /// <summary>Whether somebody may have to climb for it.</summary>
    public required bool GoesAloft { get; init; }

    /// <summary>Whether loads are pulled in from where they lie, so that one lying aside swings.</summary>
    public required bool PullsIn { get; init; }

    /// <summary>Whether a load falls into the rope, which then has carried a shock.</summary>
    public required bool Shocks { get; init; }

    /// <summary>Whether loads run on the line itself: it holds nobody and nothing again.</summary>
    public required bool RunsOnLine { get; init; }
}

/// <summary>A change that may make a way hold, to be tried.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
internal sealed record WayTrial(string Text, ClearingMembers Clearing, IReadOnlyList<Change> Changes);
