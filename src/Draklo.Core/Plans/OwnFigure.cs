namespace Draklo.Core.Plans;

/// <summary>When a crew's own figure may stand in a plan.</summary>
/// <remarks>Method M23.</remarks>
public static class OwnFigure
{
    /// <summary>A figure that makes the plan ask for more, or allow less, needs this many behind it.</summary>
    public const int JobsToAskMore = 2;

    /// <summary>A figure that makes the plan ask for less, or allow more.</summary>
    public const int JobsToAskLess = 5;

    /// <summary>Trials of a hinge before its wood has an angle.</summary>
    public const int HingeTrials = 3;

    /// <summary>The figures of a plan that are the crew's own, as sentences.</summary>
    /// <remarks>A figure that somebody changed since is theirs, and no longer told here.</remarks>
    public static IReadOnlyList<string> InWords(Plan plan) =>
        [
            .. plan
                .Ours.Where(o => plan.Provenance.GetValueOrDefault(o.Path) == Provenance.Crew)
                .Select(o => $"{o.Name}: ours, from {o.Count} {o.Of}"),
        ];
}
