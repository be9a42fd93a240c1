namespace Draklo.Core.Trees;

/// <summary>The gust at which the plan's reserve is used up.</summary>
/// <remarks>
/// Method M3. Against the lay it is the wind that the planned tension no longer outpulls at some angle before commit;
/// across the lay, the one that tears the hinge sideways at some tension up to the planned. Both are totals: the wind that
/// the plan counts on already is in them.
/// </remarks>
/// <param name="SpeedMps">The lesser of the two, m/s, 0 or more.</param>
/// <param name="FromAhead">True when the wind against the lay is the lesser.</param>
public sealed record GustReserve(double SpeedMps, bool FromAhead)
{
    /// <param name="leastSurplus">The least of planned moment less needed moment from rest to commit, N·m.</param>
    /// <param name="sideLeft">Sideways capacity that the hinge has left beside weight and lines, N·m.</param>
    public static GustReserve? Of(PlanContext context, double leastSurplus, double sideLeft)
    {
        var lay = context.Plan.Lay.BearingDeg;
        var crown = context.Plan.Tree.Crown;
        var forAhead = leastSurplus - context.Wind.Against;
        var ahead = WindLoad.SpeedFor(forAhead, context.Tree, crown, context.Plan.Wind.InLeaf, lay);
        var aside = WindLoad.SpeedFor(sideLeft, context.Tree, crown, context.Plan.Wind.InLeaf, lay + 90);
        var least = Math.Min(ahead, aside);
        if (!double.IsFinite(least))
        {
            return null;
        }

        context.Workings?.Add(
            "gust",
            "Gust that uses up the reserve",
            "v",
            least,
            "m/s",
            "v = √((moment left − min(M_w, 0)) / (½ · ρ · C · A · u_crown)), the lesser of ahead and aside",
            $"ahead {leastSurplus:Nm} − ({context.Wind.Against:Nm}): {ahead:m/s}; aside {sideLeft:Nm}: {aside:m/s}",
            "M3",
            estimate: true
        );
        return new(least, ahead <= aside);
    }
}
