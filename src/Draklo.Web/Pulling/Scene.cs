using Draklo.Core.Plans;
using Draklo.Core.Pulling;

namespace Draklo.Web.Pulling;

/// <summary>What the simulated instruments and the feeds show of a day.</summary>
/// <param name="Since">When the crew came to the step, by the clock's ticks.</param>
internal sealed record Scene(PullStep Step, long Since, double CommitDeg, IReadOnlyList<SceneLine> Lines, long Entries)
{
    /// <summary>No line is tight at this step.</summary>
    public bool IsSlack { get; init; } = true;

    public static Scene Nothing { get; } = new(PullStep.Brief, 0, 0, [], 0);
}

/// <param name="MostN">That a line with loads on it may read; null for the others.</param>
/// <param name="InHand">Whether the line is read at this step.</param>
internal sealed record SceneLine(
    string Id,
    bool InHand,
    double TargetN,
    double PlannedN,
    Func<double, double> TensionAtLean,
    double? MostN = null
);
