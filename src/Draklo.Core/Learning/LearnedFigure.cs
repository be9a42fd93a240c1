using Draklo.Core.Units;

namespace Draklo.Core.Learning;

public enum LearnedKind
{
    /// <summary>Tension read over tension predicted.</summary>
    Pull,

    /// <summary>How far the lay is missed, degrees.</summary>
    Aim,

    /// <summary>Lean at which a wood's hinge lets go, degrees.</summary>
    Hold,

    /// <summary>What a half turn passes on, as a share.</summary>
    Turn,

    /// <summary>Friction of rope on a drum.</summary>
    Drum,

    /// <summary>Where a friction hitch begins to creep, newtons.</summary>
    Grip,

    /// <summary>What a person keeps up on a rope, newtons.</summary>
    Haul,

    /// <summary>How high a throw comes, metres.</summary>
    Throw,

    /// <summary>Minutes of a load over the table's, by way of clearing.</summary>
    Cycle,

    /// <summary>Minutes of a task over what a plan draws up for it.</summary>
    Task,
}

/// <summary>A job or a trial that a figure rests on.</summary>
/// <param name="JobId">Null for a trial.</param>
/// <param name="Value">What it gave, in the figure's unit.</param>
public sealed record LearnedFrom(string? JobId, string Name, string On, double Value);

/// <summary>A figure that the crew's own jobs and trials give, beside the one of the table.</summary>
public sealed record LearnedFigure
{
    /// <summary>Stable, as in "pull.lime.runa".</summary>
    public required string Id { get; init; }

    public required LearnedKind Kind { get; init; }

    /// <summary>What it is, in words.</summary>
    public required string Name { get; init; }

    /// <summary>Species, turn, grip, way or wood; empty where it is of everything.</summary>
    public required string Subject { get; init; }

    /// <summary>Whose jobs; empty for everybody's.</summary>
    public required string Crew { get; init; }

    /// <summary>ratio, deg, share, friction, N or m.</summary>
    public required string Unit { get; init; }

    /// <summary>How many it rests on.</summary>
    public required int Count { get; init; }

    /// <summary>What they are: pulls, landings, trials.</summary>
    public required string Of { get; init; }

    /// <summary>Of what was read; of a ratio the mean of its logarithms.</summary>
    public required double Mean { get; init; }

    /// <summary>How far single ones scatter about it; null for one alone.</summary>
    public required double? Deviation { get; init; }

    /// <summary>What would stand in a plan, with what is taken for its spread.</summary>
    public required Spread Value { get; init; }

    /// <summary>What stands there otherwise.</summary>
    public required Spread Table { get; init; }

    /// <summary>Whether there are enough behind it.</summary>
    public required bool MayUse { get; init; }

    /// <summary>What is missing, or what the figure does, as a sentence.</summary>
    public required string Why { get; init; }

    /// <summary>The latest first.</summary>
    public required IReadOnlyList<LearnedFrom> From { get; init; }

    /// <summary>Whether the crew wants it in new plans.</summary>
    public required bool Used { get; init; }
}
