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
}

/// <summary>A job or a trial that a figure rests on.</summary>
/// <param name="JobId">Null for a trial.</param>
/// <param name="Value">What it gave, in the figure's unit.</param>
public sealed record LearnedFrom(string? JobId, string Name, string On, double Value);

/// <summary>A figure that the crew's own jobs and trials give, beside the one of the table.</summary>
/// <param name="Id">Stable, as in "pull.lime.runa".</param>
/// <param name="Name">What it is, in words.</param>
/// <param name="Subject">Species, turn, grip, way or wood; empty where it is of everything.</param>
/// <param name="Crew">Whose jobs; empty for everybody's.</param>
/// <param name="Unit">ratio, deg, share, friction, N or m.</param>
/// <param name="Count">How many it rests on.</param>
/// <param name="Of">What they are: pulls, landings, trials.</param>
/// <param name="Mean">Of what was read; of a ratio the mean of its logarithms.</param>
/// <param name="Deviation">How far single ones scatter about it; null for one alone.</param>
/// <param name="Value">What would stand in a plan, with what is taken for its spread.</param>
/// <param name="Table">What stands there otherwise.</param>
/// <param name="MayUse">Whether there are enough behind it.</param>
/// <param name="Why">What is missing, or what the figure does, as a sentence.</param>
/// <param name="From">The latest first.</param>
/// <param name="Used">Whether the crew wants it in new plans.</param>
public sealed record LearnedFigure(
    string Id,
    LearnedKind Kind,
    string Name,
    string Subject,
    string Crew,
    string Unit,
    int Count,
    string Of,
    double Mean,
    double? Deviation,
    Spread Value,
    Spread Table,
    bool MayUse,
    string Why,
    IReadOnlyList<LearnedFrom> From,
    bool Used
);
