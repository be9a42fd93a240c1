using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Readings on the plan that contradict a figure which the plan uses.</summary>
/// <remarks>Method M2: a tape, a clinometer and an eye are off by so much; more is a contradiction, and one of the two is wrong.</remarks>
internal static class ReadingReasons
{
    private const double HeightOff = 0.08;
    private const double GirthOff = 0.04;
    private const double LeanOffDeg = 1.5;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var (tree, read) = (findings.Plan.Tree, findings.Measured);
        if (read.HeightM is { } height && Math.Abs(height - tree.HeightM) > HeightOff * Math.Max(height, tree.HeightM))
        {
            reasons.Check(
                "reading-height",
                $"The reading makes the tree {height:m} high, and the plan says {tree.HeightM:m}: one of the two is wrong. Measure again.",
                "tree.heightM",
                null,
                ("readM", height),
                ("planM", tree.HeightM)
            );
        }

        if (read.DbhM is { } diameter && Math.Abs(diameter - tree.DbhM) > GirthOff * Math.Max(diameter, tree.DbhM))
        {
            reasons.Check(
                "reading-girth",
                $"The tape makes the stem {diameter:cm} thick, and the plan says {tree.DbhM:cm}: one of the two is wrong. Measure again.",
                "tree.dbhM",
                null,
                ("readM", diameter),
                ("planM", tree.DbhM)
            );
        }

        if (LeanOff(findings) is { } off && off > LeanOffDeg)
        {
            reasons.Check(
                "reading-lean",
                $"The views make another lean than the plan’s {tree.Lean.AngleDeg:deg} toward {tree.Lean.BearingDeg:deg}: they lie {off:deg} apart. Look again from both sides.",
                "tree.lean.angleDeg",
                null,
                ("offDeg", off)
            );
        }
    }

    /// <summary>How far the lean that was seen lies from the plan's, degrees; of one view what it shows across its sight.</summary>
    private static double? LeanOff(Findings findings)
    {
        var lean = findings.Plan.Tree.Lean;
        var (sin, cos) = Math.SinCos(Angle.Radians(lean.BearingDeg));
        var (north, east) = (lean.AngleDeg * cos, lean.AngleDeg * sin);
        switch (findings.Measured.Lean)
        {
            case null:
                return null;
            case { OneView: true }:
                var view = findings.Plan.Readings.LeanViews[0];
                var (s, c) = Math.SinCos(Angle.Radians(view.LookingDeg));
                var leans = Angle.Degrees(Math.Atan(view.SeenTangent(findings.Plan.Tree.HeightM)));
                return Math.Abs(leans - ((east * c) - (north * s)));
            case { } seen:
                var (ss, cs) = Math.SinCos(Angle.Radians(seen.BearingDeg));
                var (n, e) = ((seen.AngleDeg * cs) - north, (seen.AngleDeg * ss) - east);
                return Math.Sqrt((n * n) + (e * e));
        }
    }
}
