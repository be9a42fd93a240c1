using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>What the table says of a way, whatever the crew has put in.</summary>
public static class WayTable
{
    /// <summary>Minutes for one load over the plan's own distance; null where the plan clears nothing.</summary>
    public static double? EachMin(Plan plan, ClearingWay way)
    {
        if (plan.Clearing is not { Ground.Spots.Count: >= 2 } clearing)
        {
            return null;
        }

        var scene = new ClearingScene(plan, clearing with { Times = [] }, UnitSystem.Metric);
        return Way.All.First(w => w.Kind == way).Minutes(scene).Each.Nominal;
    }

    public static string NameOf(ClearingWay way) => Way.All.First(w => w.Kind == way).Name;
}
