using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The workings of one line, from the values of its result.</summary>
internal sealed class LineWorkings(PlanContext context, LineMembers line, LineResult result, Workings workings)
{
    /// <summary>Method M4: how the line lies and where its arms are.</summary>
    public void Geometry(in PullLine pulled)
    {
        workings.Add(
            $"{result.Id}.length",
            "Length from seat to anchor",
            "l",
            result.LengthM,
            "m",
            "l = |A − P|",
            $"P ({pulled.Seat.Forward:m}, {pulled.Seat.Right:m}, {pulled.Seat.Up:m}), A ({pulled.Anchor.Forward:m}, {pulled.Anchor.Right:m}, {pulled.Anchor.Up:m})",
            "M4"
        );
        workings.Add(
            $"{result.Id}.angle",
            "Angle below level",
            "φ",
            result.AngleBelowHorizontalDeg,
            "deg",
            "sin φ = (u_P − u_A) / l; cos φ is the share that tips",
            $"asin({pulled.Seat.Up - pulled.Anchor.Up:m} / {result.LengthM:m}); {pulled.Along.Level:%} tips",
            "M4"
        );
        workings.Add(
            $"{result.Id}.forward-arm",
            "Forward arm",
            "a",
            result.ForwardArmM,
            "m",
            "a = u_P · u_f − f_P · u_u",
            $"{pulled.Seat.Up:m} · {pulled.Along.Forward:x} − ({pulled.Seat.Forward:m}) · ({pulled.Along.Up:x})",
            "M4"
        );
        workings.Add(
            $"{result.Id}.right-arm",
            "Sideways arm",
            "b",
            result.RightArmM,
            "m",
            "b = u_P · u_r − r_P · u_u",
            $"{pulled.Seat.Up:m} · {pulled.Along.Right:x} − ({pulled.Seat.Right:m}) · ({pulled.Along.Up:x})",
            "M4"
        );
    }

    /// <summary>Methods M5 and M13: what it carries and how far it must come in.</summary>
    public void Travel(double committed)
    {
        workings.Add(
            $"{result.Id}.tension",
            "Planned tension in this line",
            "s·T_p",
            result.TensionN,
            "N",
            "share · T_p",
            $"{line.Share:x} · {context.PlannedTension:N}",
            "M5",
            estimate: true
        );
        workings.Add(
            $"{result.Id}.stretch",
            "Stretch",
            "Δl",
            result.StretchM,
            "m",
            "Δl = ε10 · T / (0.1 · MBS) · l",
            $"{line.Rope.StretchAtTenPercent:x} · {result.TensionN:N} / (0.1 · {line.Rope.BreakingStrengthN:N}) · {result.RunM:m}{(line.Joined is null ? "" : ", each rope over its own part")}",
            "M13",
            estimate: true
        );
        workings.Add(
            $"{result.Id}.take-up",
            "Take-up",
            "l(0) − l(θc) + Δl",
            result.TakeUpM,
            "m",
            "length at rest less length at commit, plus stretch",
            $"{result.LengthM:m} − {committed:m} + {result.StretchM:m}",
            "M5",
            estimate: true
        );
    }

    /// <summary>Methods M7 and M8: what the hands give, and how much rope.</summary>
    public void Haul(TackleSolution solution, double passes)
    {
        workings.Add(
            $"{result.Id}.advantage",
            "Actual advantage",
            "A",
            solution.ActualAdvantage,
            "x",
            "each turn passes η of its tension; moving points in balance",
            $"ideal {solution.IdealAdvantage:x}, efficiency {solution.Efficiency:%}",
            "M7",
            estimate: true
        );
        workings.Add(
            $"{result.Id}.hand-force",
            "Hand force",
            "F",
            result.Tackle.HandForceN,
            "N",
            "F = s · T_p / (A · η of the redirects)",
            $"{result.TensionN:N} / ({solution.ActualAdvantage:x} · {passes:x})",
            "M7",
            estimate: true
        );
        workings.Add(
            $"{result.Id}.haul-length",
            "Rope hauled",
            "h",
            result.Tackle.HaulLengthM,
            "m",
            "h = take-up · travel ratio",
            $"{result.TakeUpM:m} · {solution.TravelRatio:x}",
            "M8",
            estimate: true
        );
        if (result.Tackle.Sets is { LinePerSetM: { } perSet, HaulPerSetM: { } hauled })
        {
            workings.Add(
                $"{result.Id}.sets",
                "Sets",
                "n",
                result.Tackle.Sets.Sets,
                "x",
                "n = ⌈take-up / line per set⌉; a set ends where two blocks meet",
                $"⌈{result.TakeUpM:m} / {perSet:m}⌉, {hauled:m} of rope a set",
                "M8",
                estimate: true
            );
        }
    }

    /// <summary>Methods M7 and M15: what holds it, and what it puts on seat and anchor.</summary>
    public void Forces(in PullLine pulled, SolvedTackle tackle, double held)
    {
        var solution = tackle.Hauling;
        workings.Add(
            $"{result.Id}.hold-force",
            "Force that holds it",
            "F_hold",
            result.Tackle.HoldForceN,
            "N",
            "the same walk with 1/η at each turn",
            $"{solution.Holding.HandForceForUnitLoad:x} · {held:N}",
            "M7",
            estimate: true
        );
        if (pulled.DownLeg > 0)
        {
            workings.Add(
                $"{result.Id}.seat-force",
                "Force on the union under the line",
                "F_seat",
                result.SeatForceN,
                "N",
                "F = √(T1² + T2² + 2 · T1 · T2 · cos γ), both legs at the full tension",
                $"√(2 · ({result.TensionN:N})² · (1 + cos {LimbBending.SeatForce(pulled, result.TensionN).BetweenDeg:deg}))",
                "M15",
                estimate: true
            );
        }
        if (tackle.System.UsesAnchor)
        {
            workings.Add(
                $"{result.Id}.anchor-force",
                "Force on the anchor",
                "F_A",
                result.Tackle.AnchorForceN,
                "N",
                "sum of the legs at the anchor",
                $"{SolvedTackle.ForceOn(solution, "anchor"):x} · {result.Tackle.HandForceN:N}",
                "M7",
                estimate: true
            );
        }
    }
}
