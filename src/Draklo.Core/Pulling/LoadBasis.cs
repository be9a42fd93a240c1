using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>What the plan says of its loads, for the day and the log.</summary>
/// <param name="Way">The one chosen.</param>
/// <param name="Line">What carries or hauls them; null where no line does.</param>
public sealed record LoadBasis(ClearingMembers Members, WayResult Way, RigLink? Line)
{
    /// <summary>What the clearing's line is called among the lines of the day; no line of a pull can have this id.</summary>
    public const string LineId = "clearing.line";

    /// <summary>The link that is first past what it may carry when the line carries more than planned.</summary>
    public RigLink? GivesFirst => Way.Links.Where(l => l is { Effort: false, Use: > 0 }).MaxBy(l => l.Use);

    /// <summary>The most that the line may read, N; null where no line is read.</summary>
    /// <remarks>
    /// Every link's load is taken to grow as the line's does. What a link carries without the line makes this the smaller,
    /// so it errs on the side that lets off early.
    /// </remarks>
    public double? MostN =>
        Line is not { } line ? null
        : GivesFirst is { } first ? Math.Min(line.AllowedValue, line.LoadValue / first.Use)
        : line.AllowedValue;

    /// <summary>Null where the plan clears nothing, or its way is not set up.</summary>
    public static LoadBasis? Of(Plan plan)
    {
        if (
            plan.Clearing is not { } clearing
            || ClearingAnalysis.Of(plan, UnitSystem.Metric).Analysis?.Ways.First(w => w.Way == clearing.Way)
                is not { SetUp: true } way
        )
        {
            return null;
        }

        var line = way.Links.FirstOrDefault(l => l.Id == "line") ?? way.Links.FirstOrDefault(l => l.Id == "haul");
        return new(clearing, way, line);
    }
}
