using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>How the members of the cut must agree with one another.</summary>
internal static class CutRules
{
    private const double LeastShareLeft = 0.05;

    public static void Check(Plan plan, List<Problem> problems, UnitSystem units)
    {
        var cut = plan.Cut;
        if (cut.StumpHeightM >= plan.Tree.HeightM / 2)
        {
            problems.Add(
                new(
                    "cut.stumpHeightM",
                    units.Say(
                        $"A stump of {cut.StumpHeightM:m} leaves too little of a tree of {plan.Tree.HeightM:m}: lower the cut."
                    )
                )
            );
        }

        if (cut.HingeThicknessM >= cut.StumpDiameterM)
        {
            problems.Add(
                new(
                    "cut.hingeThicknessM",
                    units.Say(
                        $"The hinge is {cut.HingeThicknessM:cm} thick, wider than the stump of {cut.StumpDiameterM:cm}: make it thinner."
                    )
                )
            );
        }
        else if (cut.Notch.DepthM >= cut.StumpDiameterM)
        {
            problems.Add(
                new(
                    "cut.notch.depthM",
                    units.Say(
                        $"A notch {cut.Notch.DepthM:cm} deep cuts right through a stump of {cut.StumpDiameterM:cm}: make it shallower."
                    )
                )
            );
        }
        else if (cut.Notch.DepthM + cut.HingeThicknessM >= cut.StumpDiameterM)
        {
            problems.Add(
                new(
                    "cut.hingeThicknessM",
                    units.Say(
                        $"Notch and hinge together take {cut.Notch.DepthM + cut.HingeThicknessM:cm} of a stump of {cut.StumpDiameterM:cm} and leave no back cut: make the hinge thinner or the notch shallower."
                    )
                )
            );
        }

        if (problems.Count == 0)
        {
            CheckWoodLeft(plan, problems, units);
        }
    }

    /// <summary>What tapers, bites, straps and rot must leave.</summary>
    private static void CheckWoodLeft(Plan plan, List<Problem> problems, UnitSystem units)
    {
        var cut = plan.Cut;
        var hinge = Hinge.From(cut, plan.Tree, goesRight: null, null);
        if (Math.Abs(cut.HingeTaperM) / 2 >= cut.HingeThicknessM)
        {
            problems.Add(
                new(
                    "cut.hingeTaperM",
                    units.Say(
                        $"A taper of {Math.Abs(cut.HingeTaperM):cm} leaves no wood at one end of a hinge of {cut.HingeThicknessM:cm}: taper it by less than twice its thickness."
                    )
                )
            );
        }
        else if (hinge.ShareLeft < LeastShareLeft || hinge.SideCapacity <= 0 || hinge.TwistCapacity <= 0)
        {
            problems.Add(
                new(
                    cut.Bites.Count > 0 ? "cut.bites" : "cut.rot",
                    "Bites and rot leave next to nothing of the hinge: put it where there is sound wood, or take the tree down another way."
                )
            );
        }

        if (cut is { Back: BackCutStyle.Bore, Strap: null })
        {
            problems.Add(new("cut.strap", "A bored back cut leaves a strap: say how thick it is."));
        }
        else if (cut is { Back: BackCutStyle.Bore, Strap: { } strap } && strap.ThicknessM >= cut.StumpDiameterM / 2)
        {
            problems.Add(
                new(
                    "cut.strap.thicknessM",
                    units.Say(
                        $"A strap of {strap.ThicknessM:cm} is more than half the stump of {cut.StumpDiameterM:cm}: leave less."
                    )
                )
            );
        }

        for (var i = 0; i < cut.Lashings.Count; i++)
        {
            var lashing = cut.Lashings[i];
            if (lashing is { Round: LashingPlace.Fork, UnionHeightM: null })
            {
                problems.Add(new($"cut.lashings[{i}].unionHeightM", "Say how high the fork's union is."));
            }
            else if (
                lashing is { Round: LashingPlace.Fork, UnionHeightM: { } union }
                && plan.Lines.All(l => l.Seat.HeightM < union + lashing.HeightM)
            )
            {
                problems.Add(
                    new(
                        $"cut.lashings[{i}].heightM",
                        units.Say(
                            $"A lashing {lashing.HeightM:m} over the union at {union:m} would be above every seat: it does not hold the fork there. Lower it."
                        )
                    )
                );
            }
        }

        CheckOnStump(cut, problems, units);
    }

    private static void CheckOnStump(CutMembers cut, List<Problem> problems, UnitSystem units)
    {
        var radius = cut.StumpDiameterM / 2;
        for (var i = 0; i < cut.Rot.Count; i++)
        {
            var rot = cut.Rot[i];
            if (Math.Sqrt((rot.ForwardM * rot.ForwardM) + (rot.RightM * rot.RightM)) - (rot.AcrossM / 2) > radius)
            {
                problems.Add(
                    new(
                        $"cut.rot[{i}].forwardM",
                        units.Say(
                            $"This rot lies outside the stump of {cut.StumpDiameterM:cm}: move it in, or take it out."
                        )
                    )
                );
            }
        }

        for (var i = 0; i < cut.Bites.Count; i++)
        {
            if (Math.Abs(cut.Bites[i].RightM) - (cut.Bites[i].WidthM / 2) > radius)
            {
                problems.Add(
                    new(
                        $"cut.bites[{i}].rightM",
                        units.Say(
                            $"This bite lies beside the stump of {cut.StumpDiameterM:cm}: move it in, or take it out."
                        )
                    )
                );
            }
        }
    }
}
