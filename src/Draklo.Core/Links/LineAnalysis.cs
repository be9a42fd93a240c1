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
            var shown = new LineWorkings(context, line, result, workings);
            shown.Geometry(pulled);
            shown.Travel(committed);
            shown.Haul(solution, run.Passes(0));
            shown.Forces(pulled, tackle, held);
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
                    Effort.WorstCredible(line.Puller),
                    context.Units
                ),
            };
        }

        return results;
    }
}
