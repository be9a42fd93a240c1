using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;

namespace Draklo.Core.Links;

/// <summary>What follows for one line of a plan.</summary>
internal static class LineAnalysis
{
    public static LineResult Of(
        PlanContext context,
        LineMembers line,
        in PullLine pulled,
        LineRun run,
        in LineTensions tensions,
        Pull pull,
        SolvedTackle tackle,
        RedirectForce[] redirects
    )
    {
        var length = pulled.Length;
        var committed = pulled.Seat.TurnedForward(pull.Commit).DistanceTo(pulled.Anchor);
        var whole = run.Length;
        var tension = tensions.Tree;
        var stretch = RopeStretch.Of(line, tension, whole);
        var takeUp = length - committed + stretch;
        var forwardArm = PullLine.ForwardArm(pulled.Seat, pulled.Anchor);
        var rightArm = PullLine.RightArm(pulled.Seat, pulled.Anchor);
        var along = pulled.Along;
        var below = Angle.Degrees(Math.Asin(Math.Clamp(-along.Up, -1, 1)));
        var solution = tackle.Hauling;
        var hand = tensions.Hand;
        var anchor = tackle.System.UsesAnchor ? SolvedTackle.ForceOn(solution, "anchor") * hand : 0;
        var ropeNeeded = RopeNeeded.For(line, tackle.System, whole, context.Workings);
        var sets = HaulSets.Of(tackle.System.Closing, line.Tackle.OpenedM, line.Tackle.ClosedM, takeUp);

        var opening = tackle.System.Opened(line.Tackle.OpenedM, line.Tackle.ClosedM);

        // Held back, the line runs the other way: each redirect now keeps part of the load off the hands.
        var held = tension * run.Passes(0);
        var seat = LimbBending.SeatForce(pulled, tension).ForceN;
        var setting = line.Setting is null ? null : LineSetting.Of(line, tension, context.Workings);
        var result = new LineResult
        {
            Id = line.Id,
            LengthM = length,
            RunM = whole,
            AngleBelowHorizontalDeg = below,
            TipsFraction = along.Level,
            ForwardArmM = forwardArm,
            RightArmM = rightArm,
            TensionN = tension,
            EndTensionN = tensions.End,
            SeatForceN = seat,
            TakeUpM = takeUp,
            StretchM = stretch,
            RopeNeededM = ropeNeeded,
            JointAtM = RopeNeeded.JointAt(line),
            Tackle = new()
            {
                IdealAdvantage = solution.IdealAdvantage,
                ActualAdvantage = solution.ActualAdvantage,
                HaulLengthM = takeUp * solution.TravelRatio,
                HandForceN = hand,
                HoldForceN = held * solution.Holding.HandForceForUnitLoad,
                AnchorForceN = anchor,
                Sets = sets,
                RopeM = opening.RopeM,
                SpaceM = opening.SpaceM,
                Capture = CaptureView.Of(line, tackle.System, tensions.End),
            },
            Redirects = redirects,
            Setting = setting,
            Hauler = Effort.Of(line.Puller),
        };

        if (context.Workings is { } workings)
        {
            var id = line.Id;
            workings.Add(
                $"{id}.length",
                "Length from seat to anchor",
                "l",
                length,
                "m",
                "l = |A − P|",
                $"P ({pulled.Seat.Forward:m}, {pulled.Seat.Right:m}, {pulled.Seat.Up:m}), A ({pulled.Anchor.Forward:m}, {pulled.Anchor.Right:m}, {pulled.Anchor.Up:m})",
                "M4"
            );
            workings.Add(
                $"{id}.angle",
                "Angle below level",
                "φ",
                below,
                "deg",
                "sin φ = (u_P − u_A) / l; cos φ is the share that tips",
                $"asin({pulled.Seat.Up - pulled.Anchor.Up:m} / {length:m}); {along.Level:%} tips",
                "M4"
            );
            workings.Add(
                $"{id}.forward-arm",
                "Forward arm",
                "a",
                forwardArm,
                "m",
                "a = u_P · u_f − f_P · u_u",
                $"{pulled.Seat.Up:m} · {along.Forward:x} − ({pulled.Seat.Forward:m}) · ({along.Up:x})",
                "M4"
            );
            workings.Add(
                $"{id}.right-arm",
                "Sideways arm",
                "b",
                rightArm,
                "m",
                "b = u_P · u_r − r_P · u_u",
                $"{pulled.Seat.Up:m} · {along.Right:x} − ({pulled.Seat.Right:m}) · ({along.Up:x})",
                "M4"
            );
            workings.Add(
                $"{id}.tension",
                "Planned tension in this line",
                "s·T_p",
                tension,
                "N",
                "share · T_p",
                $"{line.Share:x} · {context.PlannedTension:N}",
                "M5",
                estimate: true
            );
            workings.Add(
                $"{id}.stretch",
                "Stretch",
                "Δl",
                stretch,
                "m",
                "Δl = ε10 · T / (0.1 · MBS) · l",
                $"{line.Rope.StretchAtTenPercent:x} · {tension:N} / (0.1 · {line.Rope.BreakingStrengthN:N}) · {whole:m}{(line.Joined is null ? "" : ", each rope over its own part")}",
                "M13",
                estimate: true
            );
            workings.Add(
                $"{id}.take-up",
                "Take-up",
                "l(0) − l(θc) + Δl",
                takeUp,
                "m",
                "length at rest less length at commit, plus stretch",
                $"{length:m} − {committed:m} + {stretch:m}",
                "M5",
                estimate: true
            );
            workings.Add(
                $"{id}.advantage",
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
                $"{id}.hand-force",
                "Hand force",
                "F",
                hand,
                "N",
                "F = s · T_p / (A · η of the redirects)",
                $"{tension:N} / ({solution.ActualAdvantage:x} · {run.Passes(0):x})",
                "M7",
                estimate: true
            );
            workings.Add(
                $"{id}.haul-length",
                "Rope hauled",
                "h",
                result.Tackle.HaulLengthM,
                "m",
                "h = take-up · travel ratio",
                $"{takeUp:m} · {solution.TravelRatio:x}",
                "M8",
                estimate: true
            );
            if (sets is { LinePerSetM: { } perSet, HaulPerSetM: { } hauled })
            {
                workings.Add(
                    $"{id}.sets",
                    "Sets",
                    "n",
                    sets.Sets,
                    "x",
                    "n = ⌈take-up / line per set⌉; a set ends where two blocks meet",
                    $"⌈{takeUp:m} / {perSet:m}⌉, {hauled:m} of rope a set",
                    "M8",
                    estimate: true
                );
            }

            workings.Add(
                $"{id}.hold-force",
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
                    $"{id}.seat-force",
                    "Force on the union under the line",
                    "F_seat",
                    seat,
                    "N",
                    "F = √(T1² + T2² + 2 · T1 · T2 · cos γ), both legs at the full tension",
                    $"√(2 · ({tension:N})² · (1 + cos {LimbBending.SeatForce(pulled, tension).BetweenDeg:deg}))",
                    "M15",
                    estimate: true
                );
            }

            if (tackle.System.UsesAnchor)
            {
                workings.Add(
                    $"{id}.anchor-force",
                    "Force on the anchor",
                    "F_A",
                    anchor,
                    "N",
                    "sum of the legs at the anchor",
                    $"{SolvedTackle.ForceOn(solution, "anchor"):x} · {hand:N}",
                    "M7",
                    estimate: true
                );
            }
        }

        return result;
    }

    /// <summary>
    /// Judges the drums once every link is known: what they may slip at follows from the weakest of them.
    /// </summary>
    public static LineResult[] WithLimiters(PlanContext context, LoadPath path, LineResult[] found)
    {
        var results = found.ToArray();
        for (var i = 0; i < results.Length; i++)
        {
            var line = context.Plan.Lines[i];
            if (line.Limiter is null && line.Puller.Kind is not (PullerKind.Machine or PullerKind.Vehicle))
            {
                continue;
            }

            double most = 0;
            foreach (var link in path.Links)
            {
                var counts = link.LineId == line.Id ? !link.Slips && !link.Rule.IsEffort : link.Kind == LinkKind.Stem;
                most = counts ? Math.Max(most, link.Use) : most;
            }

            var hand = results[i].Tackle.HandForceN;
            results[i] = results[i] with
            {
                Limiter = Limiter.Of(
                    line.Limiter ?? new(),
                    hand,
                    most > 0 && hand > 0 ? hand / most : 1e7,
                    context.Units
                ),
            };
        }

        return results;
    }
}
