using Draklo.Core.Geometry;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What the tree may hit, the escape routes, where the haulers stand and whether the lay meets its mark.</summary>
/// <remarks>Method M17.</remarks>
internal static class SiteReasons
{
    private const double OffMarkDeg = 3;
    private const double LeastOffLayDeg = 100;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var targets = findings.Site.Targets;
        for (var i = 0; i < targets.Count; i++)
        {
            var target = targets[i];
            if (target.State != VerdictState.Ready || target.Overlaps || target.Code == "power-line-answered")
            {
                reasons.Add(target.Reason);
            }
        }

        AddWaysOut(findings.Site, reasons);
        AddHaulers(findings.Site, reasons);
        AddTorn(findings, reasons);
        AddMark(findings, reasons);
    }

    private static void AddWaysOut(Zones site, ReasonList reasons)
    {
        var blocked = 0;
        var givenUp = 0;
        for (var i = 0; i < site.Retreats.Count; i++)
        {
            var way = site.Retreats[i];
            givenUp += way.GivenUpBy is null ? 0 : 1;
            blocked += way.Clear || way.GivenUpBy is not null ? 0 : 1;
            if (way.GivenUpBy is null && way.OffLayDeg < LeastOffLayDeg)
            {
                reasons.Check(
                    "way-out-ahead",
                    $"An escape route runs only {way.OffLayDeg:deg} off the lay: it leads back and aside, near 135°.",
                    $"site.escapeRoutes[{i}].bearingDeg",
                    null,
                    ("offLayDeg", way.OffLayDeg)
                );
            }
        }

        if (givenUp == site.Retreats.Count)
        {
            reasons.Stop(
                "no-way-out",
                "Every escape route is given up: nobody cuts without one. Clear a way, or lay the tree elsewhere.",
                "site.escapeRoutes"
            );
        }
        else if (blocked > 0)
        {
            var by = string.Join(
                " and ",
                site.Retreats.Where(r => r.GivenUpBy is null)
                    .Select(r => r.BlockedBy)
                    .OfType<string>()
                    .Distinct(StringComparer.Ordinal)
            );
            reasons.Check(
                "way-out-blocked",
                blocked == 2
                    ? $"Both escape routes are blocked ({by}): clear one, or lay the tree elsewhere."
                    : $"One escape route is blocked ({by}): move it, or give it up by name and keep the other.",
                "site.escapeRoutes",
                null,
                ("blocked", blocked)
            );
        }
    }

    private static void AddHaulers(Zones site, ReasonList reasons)
    {
        for (var i = 0; i < site.Lines.Count; i++)
        {
            var line = site.Lines[i];
            if (line.CrewIn == CrewDanger.Footprint)
            {
                reasons.Stop(
                    "crew-under-fall",
                    $"The haulers of the {line.Id} line stand where the tree falls, {line.Crew.Distance:m} out: send them aside or beyond it.",
                    $"lines[{i}].puller.place",
                    null,
                    ("distanceM", line.Crew.Distance)
                );
            }
            else if (line.CrewIn != CrewDanger.None)
            {
                reasons.Check(
                    "crew-in-snap-back",
                    $"The haulers of the {line.Id} line stand {(line.CrewIn == CrewDanger.Band ? "where a line flies if it parts" : "inside a turn of a loaded line")}: send them aside, or lead the hauling end out over a redirect.",
                    $"lines[{i}].puller.place"
                );
            }

            if (!line.CrewClear && line.CrewIn != CrewDanger.Footprint)
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

    /// <summary>What lies where the tree goes if the hinge tears.</summary>
    private static void AddTorn(Findings findings, ReasonList reasons)
    {
        if (findings.Site.Torn is not { HitIds.Count: > 0 } torn)
        {
            return;
        }

        var names = findings
            .Site.Targets.Where(t => !t.Overlaps && torn.HitIds.Contains(t.Id))
            .Select(t => t.Name)
            .ToList();
        if (names.Count > 0)
        {
            reasons.Remark(
                "torn-hits",
                $"If the hinge tears, the tree goes about {Math.Abs(torn.OffLayDeg):deg} to the {(torn.OffLayDeg > 0 ? "right" : "left")} of the lay and reaches {string.Join(", ", names)}.",
                "cut.hingeThicknessM",
                ("offLayDeg", torn.OffLayDeg)
            );
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
