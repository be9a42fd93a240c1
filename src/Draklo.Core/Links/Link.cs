namespace Draklo.Core.Links;

public enum LinkState
{
    Holds,
    Tight,
    Fails,
}

/// <summary>What a link's load and strength are measured in.</summary>
public enum LinkQuantity
{
    /// <summary>Newtons.</summary>
    Force,

    /// <summary>Newton metres.</summary>
    Moment,

    /// <summary>Pascals.</summary>
    Stress,
}

/// <param name="Name">What takes strength away, as in "running bowline".</param>
/// <param name="Keeps">The fraction left, over 0; a basket sling has more than 1.</param>
public sealed record Reduction(string Name, double Keeps);

/// <summary>One link of the load path: what it carries against what it may.</summary>
/// <remarks>
/// Method M9. Below 0.8 it holds, up to 1 it is tight, above it fails; a worst credible load above the strength fails
/// too.
/// </remarks>
/// <param name="Id">Stable name, as in "main.knot"; the stem, the roots and the hinge belong to no line.</param>
/// <param name="LineId">Null for what all lines load together.</param>
/// <param name="Quantity">What the three figures are measured in: force in N, moment in N·m, stress in Pa.</param>
/// <param name="LoadN">At the planned tension.</param>
/// <param name="WorstLoadN">What the puller could put on, through the high efficiencies.</param>
/// <param name="StrengthN">Rated strength with every reduction taken off.</param>
/// <param name="RatedN">Before reductions.</param>
/// <param name="Factor">Strength wanted over load.</param>
/// <param name="Use">Load × factor / strength.</param>
/// <param name="Estimate">True when the strength is a tabled or guessed figure.</param>
/// <param name="Slips">True when it gives by slipping: a worst load above its strength makes it creep, not
/// break.</param>
public sealed record Link(
    string Id,
    string Name,
    string? LineId,
    LinkQuantity Quantity,
    double LoadN,
    double WorstLoadN,
    double StrengthN,
    double RatedN,
    double Factor,
    double Use,
    LinkState State,
    bool Estimate,
    bool Slips,
    IReadOnlyList<Reduction> Reductions
)
{
    /// <summary>Load that the link may carry with its factor, in its own quantity.</summary>
    public double Allowed => StrengthN / Factor;

    public static LinkState StateOf(double use, double worst, double strength) =>
        use > 1 || worst > strength ? LinkState.Fails
        : use >= 0.8 ? LinkState.Tight
        : LinkState.Holds;
}
