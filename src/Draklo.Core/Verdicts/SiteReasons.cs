using Draklo.Core.Geometry;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What the tree may hit, the escape routes, where the haulers stand and whether the lay meets its mark.</summary>
/// <remarks>Method M17.</remarks>
internal static class SiteReasons
{
    private const double OffMarkDeg = 3;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var targets = findings.Site.Targets;
        for (var i = 0; i < targets.Count; i++)
        {
            var target = targets[i];
            if (target.State != VerdictState.Ready || target.Overlaps)
            {
                reasons.Add(target.Reason);
            }
        }

        AddWaysOut(findings.Site, reasons);
        AddHaulers(findings.Site, reasons);
        AddMark(findings, reasons);
    }

    private static void AddWaysOut(Zones site, ReasonList reasons)
    {
        var blocked = 0;
        for (var i = 0; i < site.Retreats.Count; i++)
        {
            blocked += site.Retreats[i].Clear ? 0 : 1;
        }

        if (blocked == 0)
        {
            return;
        }

        var by = string.Join(
            " and ",
            site.Retreats.Select(r => r.BlockedBy).OfType<string>().Distinct(StringComparer.Ordinal)
        );
        reasons.Check(
            "way-out-blocked",
            blocked == 2
                ? $"Both escape routes are blocked ({by}): clear one, or lay the tree elsewhere."
                : $"One escape route is blocked ({by}): walk and keep the other.",
            "lay.bearingDeg",
            null,
            ("blocked", blocked)
        );
    }

    private static void AddHaulers(Zones site, ReasonList reasons)
    {
        for (var i = 0; i < site.Lines.Count; i++)
        {
            var line = site.Lines[i];
            if (!line.CrewClear)
            {
                reasons.Check(
                    "crew-in-the-lay",
                    $"The haulers of the {line.Id} line stand {line.Crew.Distance:m} out in the lay, nearer than one and a half heights, {site.CrewM:m}: send them farther, or aside round a redirect.",
                    $"lines[{i}].puller.place",
                    null,
                    ("distanceM", line.Crew.Distance),
                    ("leastM", site.CrewM)
                );
            }
        }
    }

    private static void AddMark(Findings findings, ReasonList reasons)
    {
        if (findings.Plan.Site.Mark is not { } mark)
        {
            return;
        }

        var place = new Place(mark.EastM, mark.NorthM);
        var off = Angle.Between(findings.Plan.Lay.BearingDeg, place.BearingDeg);
        if (Math.Abs(off) > OffMarkDeg && place.Distance > 1)
        {
            reasons.Check(
                "lay-off-mark",
                $"The lay runs {Math.Abs(off):deg} {(off > 0 ? "left" : "right")} of the lay mark: turn it, or move the mark.",
                "site.mark",
                null,
                ("offDeg", off)
            );
        }
    }
}
