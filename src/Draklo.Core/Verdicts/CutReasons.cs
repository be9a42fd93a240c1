using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the cuts leave the wood they count on: strap, wedge, lashings, bites, rot and the bar.</summary>
/// <remarks>Methods M6 and M18.</remarks>
internal static class CutReasons
{
    private const double LittleLeft = 0.9;
    private const double MuchTaper = 0.005;

    /// <summary>Share of what the hinge carries sideways, below which the tree leans to neither side.</summary>
    private const double WorksSideways = 0.02;
    private const double LeastStep = 0.01;
    private const double MostStep = 0.03;

    public static void Add(Findings findings, ReasonList reasons)
    {
        AddWoodLeft(findings, reasons);
        AddTaper(findings, reasons);
        AddStep(findings.Plan.Cut, reasons);
        AddStrap(findings.Cut.Strap, reasons);
        AddWedge(findings.Cut.Wedge, reasons);
        AddForks(findings, reasons);
        AddBar(findings, reasons);
    }

    private static void AddWoodLeft(Findings findings, ReasonList reasons)
    {
        var (cut, left) = (findings.Plan.Cut, findings.Cut);
        if (cut.Rot.Count > 0 && left.ShareLeft < LittleLeft)
        {
            reasons.Check(
                "hinge-in-rot",
                $"Rot and bites leave {left.ShareLeft:%} of the hinge, over {left.LengthLeftM:cm}: the sums take that. Look at the wood in the notch before you go on.",
                "cut.rot",
                "hinge",
                ("shareLeft", left.ShareLeft),
                ("lengthLeftM", left.LengthLeftM)
            );
        }

        if (cut.Bites.Count > 0 && findings.Context.Hinge.ThinnestEnd <= 0)
        {
            reasons.Check(
                "hinge-end-cut-off",
                "A bite takes an end of the hinge: the ends guide the tree sideways. Move the bite to the middle.",
                "cut.bites",
                "hinge"
            );
        }
    }

    private static void AddTaper(Findings findings, ReasonList reasons)
    {
        var taper = findings.Plan.Cut.HingeTaperM;
        var side = findings.Context.Wind.Aside(findings.Context.Tree.RightMoment);
        var works = Math.Abs(side) > WorksSideways * findings.Context.Hinge.SideCapacity;
        if (works && Math.Abs(taper) > MuchTaper && taper * side > 0)
        {
            reasons.Check(
                "taper-wrong-side",
                $"The hinge is thicker on the {(taper > 0 ? "right" : "left")}, the side that the tree leans to: what holds it back is the other end. Turn the taper round.",
                "cut.hingeTaperM",
                "hinge",
                ("taperM", taper)
            );
        }
    }

    private static void AddStep(CutMembers cut, ReasonList reasons)
    {
        if (cut.Notch.Style == NotchStyle.Narrow && cut.StepCutM < LeastStep)
        {
            reasons.Remark(
                "step-missing",
                "A narrow notch closes early: with the back cut level with its apex the butt can slide back over the stump. Most leave a step of a few centimetres.",
                "cut.stepM"
            );
        }
        else if (cut.Notch.Style == NotchStyle.Open && cut.StepCutM > MostStep)
        {
            reasons.Remark(
                "step-over-open-notch",
                $"A step of {cut.StepCutM:cm} over an open notch: its hinge then bends over a longer piece and may split off; most cut level with the apex.",
                "cut.stepM",
                ("stepM", cut.StepCutM)
            );
        }
    }

    private static void AddStrap(StrapResult? strap, ReasonList reasons)
    {
        if (strap is null)
        {
            return;
        }

        if (strap.InRot)
        {
            reasons.Stop(
                "strap-in-rot",
                "Rot stands in the release strap: it may tear while you bore. Leave it where the wood is sound.",
                "cut.strap.towardDeg"
            );
        }

        if (strap.Use > 1)
        {
            var more = strap.NeededM is { } needed
                ? reasons.Units.Say($"leave {needed:cm}")
                : "no strap on this stump is enough; let the line off while you bore";
            reasons.Check(
                "strap-thin",
                $"At the planned tension {strap.AsksNm:Nm} come on the release strap and it carries {strap.HoldsNm:Nm}: {more}, or tighten only once it is cut.",
                "cut.strap.thicknessM",
                null,
                ("asksNm", strap.AsksNm),
                ("holdsNm", strap.HoldsNm)
            );
        }

        if (strap.RoomM < ReleaseStrap.BarNoseM)
        {
            reasons.Check(
                "bore-into-hinge",
                $"Hinge and strap leave {strap.RoomM:cm} between them, and the nose of a bar is about {ReleaseStrap.BarNoseM:cm} wide: the bore would enter the hinge. Leave a thinner strap.",
                "cut.strap.thicknessM",
                null,
                ("roomM", strap.RoomM)
            );
        }
    }

    private static void AddWedge(WedgeResult? wedge, ReasonList reasons)
    {
        if (wedge is null || wedge.ForceN <= 0)
        {
            return;
        }

        if (wedge.BearsN is { } bears && wedge.EachN > bears)
        {
            reasons.Check(
                "wedge-overloaded",
                $"Should the line go slack, {wedge.EachN:N} come on each wedge, and one carries {bears:N}: put more side by side, and do not count on them.",
                "cut.wedges.count",
                null,
                ("eachN", wedge.EachN),
                ("bearsN", bears)
            );
        }

        if (!wedge.Alone)
        {
            reasons.Remark(
                "wedge-is-insurance",
                $"Wedges alone would need {wedge.LiftNeededM:cm} of lift and {wedge.ForceN:N}: they are insurance beside the line, in as soon as they fit.",
                "cut.wedges",
                ("liftNeededM", wedge.LiftNeededM),
                ("forceN", wedge.ForceN)
            );
        }
    }

    private static void AddForks(Findings findings, ReasonList reasons)
    {
        foreach (var fork in findings.Cut.Forks)
        {
            if (fork.ForceN > fork.HoldsN)
            {
                reasons.Stop(
                    "lashing-weak",
                    $"At the planned tension {fork.ForceN:N} come on this lashing of the fork, and it is good for {fork.HoldsN:N}: lash higher, or with a stronger strap.",
                    $"cut.lashings[{fork.Index}].heightM",
                    null,
                    ("forceN", fork.ForceN),
                    ("holdsN", fork.HoldsN)
                );
            }
        }

        var lashed = findings.Plan.Cut.Lashings.Any(l => l.Round == LashingPlace.Stem);
        if (lashed && !findings.Cut.Lashed)
        {
            reasons.Check(
                "lashings-short",
                $"The lashings round the stem bear less about the cut than the {findings.Cut.LashingsMustHoldNm:Nm} that the tree may bring on them: they are not counted. Lash higher, with more or stronger straps.",
                "cut.lashings",
                null,
                ("mustHoldNm", findings.Cut.LashingsMustHoldNm)
            );
        }
    }

    private static void AddBar(Findings findings, ReasonList reasons)
    {
        if (findings.Cut.Bar is { CoreM: > 0, CoreBitten: false } bar)
        {
            reasons.Check(
                "bar-short",
                $"The bar is too short for a stump {bar.WidestM:cm} across: cut from both sides it leaves a core of {bar.CoreM:cm}. Take a longer bar, or take the core out first with a bite through the notch.",
                "cut.barLengthM",
                null,
                ("widestM", bar.WidestM),
                ("coreM", bar.CoreM)
            );
        }
    }
}
