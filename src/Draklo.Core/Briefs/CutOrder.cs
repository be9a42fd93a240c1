using Draklo.Core.Analyses;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>One of the faller's numbered steps.</summary>
/// <param name="Kind">What the small drawing beside it shows.</param>
/// <param name="Text">What to do.</param>
/// <param name="Stop">Where to stop, or when not to go on; empty where nothing more is to be said.</param>
public sealed record CutStep(CutKind Kind, string Text, string Stop);

public enum CutKind
{
    Trim,
    Lash,
    Notch,
    Bite,
    Tighten,
    BackCut,
    Bore,
    Wedge,
    Strap,
    Out,
}

/// <summary>The cuts in their order, each with its stop, in the reader's units.</summary>
internal static class CutOrder
{
    private const double Straight = 0.5;

    /// <summary>What the faller does and waits for, in the order of the day's own list of steps.</summary>
    public static IReadOnlyList<CutStep> Of(Plan plan, Analysis analysis, BriefWords words, UnitSystem units)
    {
        var steps = new List<CutStep>();
        AddBefore(steps, plan, analysis, units);
        foreach (var step in PullSteps.Of(plan))
        {
            switch (step)
            {
                case PullStep.Floor:
                    steps.Add(Floor(plan.Cut, analysis, words));
                    break;
                case PullStep.Planned when PullSteps.CutsUnderThePlan(plan.Cut.Order):
                    steps.Add(Planned(analysis, words));
                    break;
                case PullStep.Notch:
                    AddNotch(steps, plan.Cut, analysis, units);
                    break;
                case PullStep.BackCut:
                    AddBack(steps, plan.Cut, analysis, words, units);
                    steps.Add(Out(plan.Cut.Order, words));
                    break;
                // Nothing for the faller: what the lines do before and after, and the clearing.
                case PullStep.Brief
                or PullStep.SlackOut
                or PullStep.BedTest
                or PullStep.Hold
                or PullStep.Planned
                or PullStep.Pull
                or PullStep.Down
                or PullStep.Clear:
                    break;
            }
        }

        return steps;
    }

    private static CutStep Out(PullOrder order, BriefWords words) =>
        new(
            CutKind.Out,
            order == PullOrder.PresetHinge
                ? $"Stop. Look up, look round. Everybody out, you by the {words.WayOut()}. Then all pull together."
                : $"Stop. Look up, look round. Out by the {words.WayOut()}. Then the pull.",
            "Nobody goes back to the stump while the line is loaded."
        );

    private static void AddNotch(List<CutStep> steps, CutMembers cut, Analysis analysis, UnitSystem units)
    {
        steps.Add(Notch(cut, analysis, units));
        foreach (var bite in cut.Bites)
        {
            steps.Add(
                new(
                    CutKind.Bite,
                    units.Say(
                        $"Through the notch, nose first, take out a bite {bite.WidthM:cm} wide, {Where(bite.RightM, units)}: the bar does not reach it from outside."
                    ),
                    "Not beyond the back of the hinge."
                )
            );
        }
    }

    private static void AddBefore(List<CutStep> steps, Plan plan, Analysis analysis, UnitSystem units)
    {
        var trimmed = plan.Cut.Flares.Count(f => f.Trimmed);
        if (trimmed > 0)
        {
            steps.Add(
                new(
                    CutKind.Trim,
                    trimmed == 1 ? "Trim the root flare off." : $"Trim {Sentences.Count(trimmed)} root flares off.",
                    "Not into the round of the stem."
                )
            );
        }

        foreach (var lashing in plan.Cut.Lashings)
        {
            steps.Add(
                new(
                    CutKind.Lash,
                    lashing.Round == LashingPlace.Stem
                        ? units.Say($"Lash the stem {lashing.HeightM:m} above the cut, tight.")
                        : units.Say($"Lash both stems of the fork {lashing.HeightM:m} above the union, tight."),
                    "Off only when the tree is down."
                )
            );
        }

        if (analysis.Cut.SplittingBare == SplittingRisk.High && plan.Cut.Lashings.Count == 0)
        {
            steps.Add(
                new(CutKind.Lash, "Straps round the stem over the cut: it may split up the stem.", "No cut without.")
            );
        }
    }

    private static CutStep Notch(CutMembers cut, Analysis analysis, UnitSystem units)
    {
        var aim = analysis.Aim.OffsetDeg;
        var style = cut.Notch.Style == NotchStyle.Open ? "Open" : "Narrow";
        var text = units.Say($"{style} notch {cut.Notch.OpeningDeg:deg}, {cut.Notch.DepthM:cm} deep");
        text +=
            Math.Abs(aim) < Straight
                ? ", square to the lay."
                : units.Say($", aimed {Math.Abs(aim):deg} {(aim > 0 ? "right" : "left")} of the lay.");
        return new(
            CutKind.Notch,
            text,
            "Both faces meet and neither runs on. Look at the wood: rot, and it is another plan."
        );
    }

    /// <summary>The first tightening: bed test, floor, two minutes.</summary>
    private static CutStep Floor(CutMembers cut, Analysis analysis, BriefWords words)
    {
        var wait = PullSteps.CutsUnderThePlan(cut.Order) ? "" : " Wait for the watcher's word.";
        return new(
            CutKind.Tighten,
            analysis.Pretension.FloorN > 0
                ? $"Bed test, then the line to the floor, {words.Floor}, and two minutes' hold.{wait}"
                : $"Bed test, then the line snug, no more than it takes to lie straight, and two minutes' hold.{wait}",
            PullSteps.CutsUnderThePlan(cut.Order) ? "" : MostUntilCut(analysis, words)
        );
    }

    private static CutStep Planned(Analysis analysis, BriefWords words) =>
        new(
            CutKind.Tighten,
            $"Line up to {words.Short(Math.Min(analysis.Pull.PlannedTensionN, analysis.Pretension.CeilingN), "N-")}. Wait for the watcher's word.",
            MostUntilCut(analysis, words)
        );

    private static string MostUntilCut(Analysis analysis, BriefWords words) =>
        analysis.Pull.PlannedTensionN > analysis.Pretension.EarlyGoN
            ? $"Not over {words.Short(analysis.Pretension.EarlyGoN, "N-")} on the line until the back cut is down to the hinge."
            : "";

    private static void AddBack(
        List<CutStep> steps,
        CutMembers cut,
        Analysis analysis,
        BriefWords words,
        UnitSystem units
    )
    {
        var level =
            cut.StepCutM > 0 ? units.Say($"{cut.StepCutM:cm} above the notch's apex") : "level with the notch's apex";
        var hinge = Hinge(cut, analysis, words, units);
        if (cut is { Back: BackCutStyle.Bore, Strap: { } strap })
        {
            steps.Add(
                new(
                    CutKind.Bore,
                    $"Bore in behind the hinge, {level}; saw forward to {hinge}, then back.",
                    units.Say($"Stop at a strap of {strap.ThicknessM:cm} {At(strap.TowardDeg)}.")
                )
            );
            AddWedges(steps, cut, units);
            steps.Add(
                new(
                    CutKind.Strap,
                    "On the lead's sign cut the strap from outside, a little below the bore.",
                    "It goes the moment the strap is cut: look up first."
                )
            );
            return;
        }

        var sides = analysis.Cut.Bar is { FromOneSide: false } ? ", from both sides" : "";
        var follow = cut.Order == PullOrder.FollowThePull ? " The line follows: it stays over the floor." : "";
        steps.Add(
            new(
                CutKind.BackCut,
                $"Back cut {level}{sides}, to {hinge}.{follow}",
                analysis.Cut.GoesAtPlannedM > cut.HingeThicknessM
                    ? units.Say($"At the planned pull it stirs at {analysis.Cut.GoesAtPlannedM:cm} of uncut wood.")
                    : "Never through the hinge."
            )
        );
        AddWedges(steps, cut, units);
    }

    private static string Hinge(CutMembers cut, Analysis analysis, BriefWords words, UnitSystem units)
    {
        var length = words.Short(analysis.Hinge.LengthM, "cm");
        if (Math.Abs(cut.HingeTaperM) < 1e-3)
        {
            return units.Say($"a hinge of {cut.HingeThicknessM:cm} by {length}, even");
        }

        var half = cut.HingeTaperM / 2;
        return units.Say(
            $"a hinge {length} long, {cut.HingeThicknessM - half:cm} at its left end and {cut.HingeThicknessM + half:cm} at its right"
        );
    }

    private static void AddWedges(List<CutStep> steps, CutMembers cut, UnitSystem units)
    {
        if (cut.Wedges is not { } wedges)
        {
            steps.Add(new(CutKind.Wedge, "Wedge in as soon as it fits.", ""));
            return;
        }

        var number = wedges.Count == 1 ? "A wedge" : $"{Sentences.Count(wedges.Count).Capitalised()} wedges";
        var stacked = wedges.Stacked > 1 ? $", {Sentences.Count(wedges.Stacked)} high" : "";
        steps.Add(
            new(
                CutKind.Wedge,
                units.Say(
                    $"{number} of {wedges.LiftM:cm}{stacked}, {At(wedges.FromDeg)}, in as soon as there is room."
                ),
                "Driven on as the cut opens; they stay in."
            )
        );
    }

    private static string At(double towardDeg) =>
        towardDeg switch
        {
            < 165 => "behind, to the right",
            > 195 => "behind, to the left",
            _ => "straight behind",
        };

    private static string Where(double right, UnitSystem units) =>
        Math.Abs(right) < 0.01
            ? "in the middle"
            : units.Say($"{Math.Abs(right):cm} {(right > 0 ? "right" : "left")} of the middle");
}
