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
    private const double MostOffLayDeg = 160;

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
        AddAimError(findings, reasons);
        AddTorn(findings, reasons);
        AddMark(findings, reasons);
    }

    private static void AddWaysOut(Zones site, ReasonList reasons)
    {
        for (var i = 0; i < site.Retreats.Count; i++)
        {
            var way = site.Retreats[i];
            if (way.GivenUpBy is null && way.OffLayDeg is < LeastOffLayDeg or > MostOffLayDeg)
            {
                reasons.Check(
                    way.OffLayDeg < LeastOffLayDeg ? "way-out-ahead" : "way-out-behind",
                    $"An escape route runs {way.OffLayDeg:deg} off the lay: it leads back and aside, near 135°.",
                    $"site.escapeRoutes[{i}].bearingDeg",
                    null,
                    ("offLayDeg", way.OffLayDeg)
                );
            }
        }

        var open = site.Retreats.Count(r => r.IsOpen);
        var by = string.Join(
            " and ",
            site.Retreats.Where(r => r.GivenUpBy is null)
                .Select(r => r.BlockedBy)
                .OfType<string>()
                .Distinct(StringComparer.Ordinal)
        );
        if (open == 0)
        {
            reasons.Stop(
                "no-way-out",
                by.Length > 0
                    ? $"No escape route is clear ({by}): nobody cuts without one. Clear a way, or lay the tree elsewhere."
                    : "Every escape route is given up: nobody cuts without one. Clear a way, or lay the tree elsewhere.",
                "site.escapeRoutes"
            );
        }
        else if (open == 1 && by.Length > 0)
        {
            reasons.Check(
                "way-out-blocked",
                $"One escape route is blocked ({by}), and one is left: clear it or move it.",
                "site.escapeRoutes",
                null,
                ("open", open)
            );
        }
        else if (open == 1)
        {
            reasons.Check(
                "one-way-out",
                "There is one escape route, and two are usual: add the other, near 135° off the lay.",
                "site.escapeRoutes",
                null,
                ("open", open)
            );
        }
    }

    /// <summary>Nobody is taken for surer than three degrees until five landings say so.</summary>
    private static void AddAimError(Findings findings, ReasonList reasons)
    {
        if (!Footprint.IsSure(findings.Plan))
        {
            reasons.Check(
                "aim-error-small",
                $"An aiming error of {findings.Plan.Site.AimErrorDeg:deg} rests on no five landings of the crew: targets are judged with {Footprint.LeastErrorDeg:deg}.",
                "site.aimErrorDeg",
                null,
                ("aimErrorDeg", findings.Plan.Site.AimErrorDeg)
            );
        }
    }

    /// <summary>What lies where the tree goes if the hinge tears.</summary>
    private static void AddTorn(Findings findings, ReasonList reasons)
    {
        foreach (var torn in findings.Site.TornWays)
        {
            var names = findings
                .Site.Targets.Where(t => !t.Overlaps && torn.HitIds.Contains(t.Id))
                .Select(t => t.Name)
                .ToList();
            if (names.Count > 0)
            {
                var when = torn.When == TornWhen.Slack ? "once the lines are slack" : "under the pull";
                reasons.Remark(
                    "torn-hits",
                    $"If the hinge tears {when}, the tree goes about {Math.Abs(torn.OffLayDeg):deg} to the {(torn.OffLayDeg > 0 ? "right" : "left")} of the lay and reaches {string.Join(", ", names)}.",
                    "cut.hingeThicknessM",
                    ("offLayDeg", torn.OffLayDeg)
                );
                // The worse of the two gives the reason; the drawing has both.
                return;
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
