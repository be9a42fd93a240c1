using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the hinge guides the tree until gravity has it, and whether its proportions are usual.</summary>
/// <remarks>Method M6.</remarks>
internal static class HingeReasons
{
    private const double LeastPastCommitDeg = 5;
    private const double UnderShare = 0.25;
    private const double LeastLengthShare = 0.8;
    private const double LeastThicknessShare = 0.05;
    private const double MostThicknessShare = 0.12;
    private const double MostNotchShare = 1.0 / 3;
    private const double LeastNotchDeg = 35;
    private const double NoNotchDeg = 20;

    /// <summary>A notch of exactly a fifth of the stump is not told to be short by what a sum leaves behind its comma.</summary>
    private const double OnTheLine = 1e-3;

    public static void Add(Findings findings, ReasonList reasons)
    {
        AddHold(findings, reasons);
        AddSlackLines(findings, reasons);
        AddProportions(findings, reasons);
    }

    /// <summary>
    /// Several lines are exact in the sums and not on site: each is tried slack, and a quarter under its share, while the
    /// others hold.
    /// </summary>
    /// <remarks>Method M5.</remarks>
    private static void AddSlackLines(Findings findings, ReasonList reasons)
    {
        var lines = findings.Pull.Lines;
        if (lines.Length < 2)
        {
            return;
        }

        var context = findings.Context;
        var still = context.Tree.RightMoment;
        var all = context.PlannedTension * Pull.RightArmSum(lines);

        for (var n = 0; n < lines.Length; n++)
        {
            var slack = Math.Abs(context.Wind.Aside(still + all - SideOf(lines[n]))) / context.Hinge.SideCapacity;
            var under =
                Math.Abs(context.Wind.Aside(still + all - (UnderShare * SideOf(lines[n]))))
                / context.Hinge.SideCapacity;
            var worst = Math.Max(slack, under);
            if (worst > 1)
            {
                reasons.Check(
                    "rests-on-one-line",
                    $"The plan rests on the {lines[n].Id} line: should it go slack while the others hold, the hinge tears, at {worst:%} of what it carries sideways. Name somebody to watch it, or share the pull otherwise.",
                    $"lines[{n}].share",
                    "hinge",
                    ("sideUse", worst)
                );
            }
        }

        double SideOf(in PullLine line) =>
            context.PlannedTension * line.Share * PullLine.RightArm(line.Seat, line.Anchor);
    }

    private static void AddHold(Findings findings, ReasonList reasons)
    {
        var commit = Angle.Degrees(findings.Pull.Pull.Commit);
        var (hold, sideUse) = (findings.Pull.HoldDeg, findings.Pull.WorstSideUse);
        if (sideUse > 1)
        {
            reasons.Stop(
                "hinge-tears-sideways",
                "The hinge tears sideways before it guides: take out the side lean with a line to the other side, leave a thicker hinge, or lay the tree nearer its lean.",
                "cut.hingeThicknessM",
                "hinge",
                ("sideUse", sideUse)
            );
        }
        else if (findings.Pull.TearUse > 1)
        {
            reasons.Stop(
                "hinge-twists",
                $"Lines off to the side twist the hinge to {findings.Pull.TwistUse:%} of what it carries and the side lean takes {sideUse:%}: together it tears. Set the line nearer the lay, a second one to the other side, or leave a thicker hinge.",
                "cut.hingeThicknessM",
                "hinge",
                ("sideUse", sideUse),
                ("twistUse", findings.Pull.TwistUse)
            );
        }
        else if (hold < commit)
        {
            reasons.Stop(
                "hinge-lets-go-first",
                $"The hinge lets go at {hold:deg}, before the tree commits at {commit:deg}: open the notch, thin the hinge or reduce its work sideways.",
                "cut.notch.openingDeg",
                null,
                ("holdDeg", hold),
                ("commitDeg", commit)
            );
        }
        else if (hold < commit + LeastPastCommitDeg)
        {
            reasons.Check(
                "hinge-barely-holds",
                $"The hinge lets go at {hold:deg}, only just past commit at {commit:deg}; after that nothing guides the tree.",
                "cut.notch.openingDeg",
                null,
                ("holdDeg", hold),
                ("commitDeg", commit)
            );
        }
        else if (findings.Pull.Hold.Low < commit)
        {
            reasons.Check(
                "hinge-may-let-go-first",
                $"Wood of this kind may let go at {findings.Pull.Hold.Low:deg}, before the tree commits at {commit:deg}: try a hinge on a low stump of the same wood, open the notch or thin the hinge.",
                "cut.notch.openingDeg",
                null,
                ("lowDeg", findings.Pull.Hold.Low),
                ("commitDeg", commit)
            );
        }
    }

    private static void AddProportions(Findings findings, ReasonList reasons)
    {
        var (hinge, cut) = (findings.Context.Hinge, findings.Plan.Cut);
        var stump = cut.StumpDiameterM;
        if (hinge.Length < LeastLengthShare * stump * (1 - OnTheLine))
        {
            reasons.Check(
                "hinge-short",
                $"The hinge is {hinge.Length:cm} long, under four fifths of the stump's {stump:cm}: a deeper notch lengthens it.",
                "cut.notch.depthM",
                null,
                ("lengthM", hinge.Length),
                ("stumpDiameterM", stump)
            );
        }

        if (hinge.Thickness < LeastThicknessShare * stump * (1 - OnTheLine))
        {
            reasons.Check(
                "hinge-thin",
                $"The hinge of {hinge.Thickness:cm} is under a twentieth of the stump's {stump:cm}: thin for what it must guide.",
                "cut.hingeThicknessM",
                null,
                ("thicknessM", hinge.Thickness),
                ("stumpDiameterM", stump)
            );
        }
        else if (hinge.Thickness > MostThicknessShare * stump * (1 + OnTheLine))
        {
            reasons.Check(
                "hinge-thick",
                $"The hinge of {hinge.Thickness:cm} is over an eighth of the stump's {stump:cm}: it needs more pull and splits sooner.",
                "cut.hingeThicknessM",
                null,
                ("thicknessM", hinge.Thickness),
                ("stumpDiameterM", stump)
            );
        }

        if (cut.Notch.OpeningDeg < NoNotchDeg)
        {
            reasons.Stop(
                "notch-closed",
                $"A notch of {cut.Notch.OpeningDeg:deg} closes almost at once: nobody works so. Open it to {LeastNotchDeg:deg} or more.",
                "cut.notch.openingDeg",
                null,
                ("openingDeg", cut.Notch.OpeningDeg)
            );
        }
        else if (cut.Notch.OpeningDeg < LeastNotchDeg)
        {
            reasons.Check(
                "notch-narrow",
                $"A notch of {cut.Notch.OpeningDeg:deg} closes early and breaks the hinge: {LeastNotchDeg:deg} is the least that is usual.",
                "cut.notch.openingDeg",
                null,
                ("openingDeg", cut.Notch.OpeningDeg)
            );
        }

        if (cut.Notch.DepthM > MostNotchShare * stump * (1 + OnTheLine))
        {
            reasons.Check(
                "notch-deep",
                $"The notch of {cut.Notch.DepthM:cm} is deeper than a third of the stump.",
                "cut.notch.depthM",
                null,
                ("depthM", cut.Notch.DepthM),
                ("stumpDiameterM", stump)
            );
        }
    }
}
