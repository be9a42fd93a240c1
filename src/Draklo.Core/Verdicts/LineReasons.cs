using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What is to be said of each line beside the strength of its links.</summary>
internal static class LineReasons
{
    /// <summary>How much farther than its take-up a joint is kept from what it must not pass, metres.</summary>
    private const double JointMargin = 0.5;

    /// <summary>Line left between the grip and the seat or the redirect before it, metres.</summary>
    private const double LineMargin = 2;

    /// <summary>How far out of line a cam is hauled and still bites, degrees.</summary>
    private const double CamBites = 15;

    public static void Add(PlanContext context, PullLine[] lines, LineResult[] results, List<Reason> reasons)
    {
        for (var n = 0; n < lines.Length; n++)
        {
            var line = context.Plan.Lines[n];
            var path = $"lines[{n}]";
            AddRope(context, line, results[n], path, reasons);
            AddJoint(context, line, results[n], path, reasons);
            AddReach(context, lines[n], line, path, reasons);
            AddGrip(line, path, reasons);
            AddLimiter(context, line, results[n], path, reasons);
            AddSetting(context, line, results[n], path, reasons);
            AddSets(context, line, results[n], path, reasons);
        }
    }

    private static void AddSets(
        PlanContext context,
        LineMembers line,
        LineResult result,
        string path,
        List<Reason> reasons
    )
    {
        var system = TackleSystems.Of(line.Tackle);
        if (result.Tackle.Sets.Sets > 1 && !HoldingPiece.Of(line, system).Held)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The tackle of the {line.Id} line closes {result.Tackle.Sets.Sets} times for a take-up of {result.TakeUpM:m}, and nothing is told that holds the line while it is opened again: put a grip or turns on it, or open the tackle farther."
                    ),
                    $"{path}.tackle.openedM"
                )
            );
        }

        var lastLeg = line.Redirects.Count == 0 ? result.RunM : result.RunM - result.LengthM;
        for (var i = 1; i < line.Redirects.Count; i++)
        {
            lastLeg -= PlaceBetween(result.Redirects[i - 1].At, result.Redirects[i].At);
        }

        if (result.Tackle.SpaceM > lastLeg - LineMargin)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The tackle of the {line.Id} line takes {result.Tackle.SpaceM:m} from the anchor to the grip when it is opened, and the line runs {lastLeg:m} there: start with the blocks closer, or find an anchor farther off."
                    ),
                    $"{path}.tackle.openedM"
                )
            );
        }

        AddCapture(context, line, path, reasons);

        if (line.Tackle.Rope is { LengthM: { } length } && !system.InLine && length < result.Tackle.RopeM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The tackle rope of the {line.Id} line is {length:m}; fully opened it takes {result.Tackle.RopeM:m} with its tail: start with the blocks closer, or take a longer one."
                    ),
                    $"{path}.tackle.rope.lengthM"
                )
            );
        }
    }

    /// <summary>A cam bites a rope that leaves it in line; the hands must not stand aside.</summary>
    private static void AddCapture(PlanContext context, LineMembers line, string path, List<Reason> reasons)
    {
        if (
            line.Tackle.Capture is not { Kind: CaptureKind.Cam, Rope: 0, Contact: 0 }
            || line.Puller.Place is not { } place
        )
        {
            return;
        }

        var anchor = Place.At(line.Anchor.DistanceM, line.Anchor.BearingDeg);
        var before =
            line.Redirects.Count == 0
                ? new Place(0, 0)
                : Place.At(line.Redirects[^1].At.DistanceM, line.Redirects[^1].At.BearingDeg);
        var out1 = BearingFrom(before, anchor);
        var system = TackleSystems.Of(line.Tackle);
        var hauled = system.HauledBack ? out1 + 180 : out1;
        var off = Math.Abs(Angle.Between(hauled, BearingFrom(anchor, new(place.EastM, place.NorthM))));
        if (off > CamBites)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The cam on the {line.Id} line is hauled {off:deg} out of line: it may not bite, and the load runs back. Stand in line with the tackle, or set a redirect in line with it and haul aside from there."
                    ),
                    $"{path}.puller.place"
                )
            );
        }
    }

    private static double BearingFrom(in Place from, in Place to) =>
        Angle.Degrees(Math.Atan2(to.EastM - from.EastM, to.NorthM - from.NorthM));

    private static void AddRope(
        PlanContext context,
        LineMembers line,
        LineResult result,
        string path,
        List<Reason> reasons
    )
    {
        var owned = RopeNeeded.Owned(line);
        if (owned < result.RunM)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    context.Units.Say(
                        $"The rope of the {line.Id} line is {owned:m} and its run alone is {result.RunM:m}: take a longer rope or a nearer anchor."
                    ),
                    $"{path}.rope.lengthM"
                )
            );
        }
        else if (owned < result.RopeNeededM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The rope of the {line.Id} line is {owned:m} and setting it takes {result.RopeNeededM:m}, up to the seat, {(line.Tie == TieKind.Base ? "down to the foot, " : "")}out to the anchor and a tail: take a longer one, or join two and reckon with the knot."
                    ),
                    $"{path}.rope.lengthM"
                )
            );
        }
    }

    /// <summary>
    /// What the knot that joins two ropes would have to pass and cannot: the union at the seat or a redirect. Null
    /// where it stays clear.
    /// </summary>
    /// <returns>
    /// The number of the redirect from the tree, and how far along the line it hangs; −1 for the union.
    /// </returns>
    internal static (int Turn, double AlongM)? JointMeets(LineMembers line, LineResult result)
    {
        if (result.JointAtM is not { } joint)
        {
            return null;
        }

        if (joint < JointMargin)
        {
            return (-1, 0);
        }

        double along = result.LengthM;
        for (var i = 0; i < line.Redirects.Count; i++)
        {
            // Hauling draws the joint from the tree toward the anchor by the take-up.
            if (joint < along + JointMargin && joint + result.TakeUpM > along - JointMargin)
            {
                return (i, along);
            }

            along +=
                i + 1 < line.Redirects.Count ? PlaceBetween(result.Redirects[i].At, result.Redirects[i + 1].At) : 0;
        }

        return null;
    }

    private static void AddJoint(
        PlanContext context,
        LineMembers line,
        LineResult result,
        string path,
        List<Reason> reasons
    )
    {
        if (result.JointAtM is not { } joint)
        {
            return;
        }

        var place = $"{path}.joined";
        if (JointMeets(line, result) is { } meets)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    meets.Turn < 0
                        ? context.Units.Say(
                            $"The first rope of the {line.Id} line, {line.Rope.LengthM:m}, does not come over the seat: the knot would lie in the union. Take the longer rope first."
                        )
                        : context.Units.Say(
                            $"The knot that joins the ropes of the {line.Id} line lies {joint:m} from the seat and would have to pass the redirect at {meets.AlongM:m} within the take-up of {result.TakeUpM:m}: a knot passes no block. Change which rope goes first, or move the redirect."
                        ),
                    place
                )
            );
        }
        else if (joint < result.RunM && joint + result.TakeUpM > result.RunM - 6)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The knot that joins the ropes of the {line.Id} line comes within a tackle's length of the anchor, {joint:m} along a run of {result.RunM:m}: set the tackle on the second rope, or turn the ropes round."
                    ),
                    place
                )
            );
        }
    }

    private static double PlaceBetween(LayPoint from, LayPoint to) =>
        new Point(from.ForwardM, from.RightM, from.UpM).DistanceTo(new(to.ForwardM, to.RightM, to.UpM));

    private static void AddReach(
        PlanContext context,
        in PullLine pulled,
        LineMembers line,
        string path,
        List<Reason> reasons
    )
    {
        var below = Angle.Degrees(Math.Asin(Math.Clamp(-pulled.Along.Up, -1, 1)));
        var first = line.Redirects.Count > 0 ? $"{path}.redirects[0].at.distanceM" : $"{path}.anchor.distanceM";
        if (below > 50)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The {line.Id} line runs {below:deg} down: only {pulled.Along.Level:%} of its pull tips the tree, the rest presses down the stem."
                    ),
                    first
                )
            );
        }

        if (line.Anchor.DistanceM < context.Plan.Tree.HeightM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The {line.Id} line's anchor stands {line.Anchor.DistanceM:m} out, within the tree's height of {context.Plan.Tree.HeightM:m}: the tree can reach it and whoever is near."
                    ),
                    $"{path}.anchor.distanceM"
                )
            );
        }

        for (var i = 0; i < line.Redirects.Count; i++)
        {
            var at = line.Redirects[i].At;
            if (
                at.DistanceM < context.Plan.Tree.HeightM
                && Math.Abs(Angle.Between(context.Plan.Lay.BearingDeg, at.BearingDeg)) < 20
            )
            {
                reasons.Add(
                    new(
                        VerdictState.Check,
                        context.Units.Say(
                            $"A redirect of the {line.Id} line hangs {at.DistanceM:m} out in the lay: the tree falls on it and jerks the line. Set it aside of the lay or beyond the top."
                        ),
                        $"{path}.redirects[{i}].at.distanceM"
                    )
                );
            }
        }
    }

    private static void AddGrip(LineMembers line, string path, List<Reason> reasons)
    {
        if (line.Tackle is not { Grip: { CordDiameterM: { } cord } })
        {
            return;
        }

        var ratio = cord / (line.Joined?.Rope ?? line.Rope).DiameterM;
        if (ratio is < 0.55 or > 0.85)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    $"The grip's cord is {Figures.Plain(ratio, 2)} of the line's diameter; grips bite best with a cord of 0.6 to 0.8. Prove it in pre-tension.",
                    $"{path}.tackle.grip.cordDiameterM"
                )
            );
        }
    }

    private static void AddLimiter(
        PlanContext context,
        LineMembers line,
        LineResult result,
        string path,
        List<Reason> reasons
    )
    {
        if (result.Limiter is not { } limiter)
        {
            return;
        }

        if (line.Limiter is not { } drum)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    $"Nothing limits what the {(line.Puller.Kind == PullerKind.Vehicle ? "vehicle" : "machine")} on the {line.Id} line puts on the rope: it can break any of it. Put friction turns between them, held by hand. {limiter.Text}",
                    $"{path}.limiter"
                )
            );
            return;
        }

        var turns = limiter.Choices[drum.Turns - 1];
        if (turns.SlipLowN < limiter.NeededN && turns.SlipN >= limiter.NeededN)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The drum may slip at {turns.SlipLowN:N} with a light hand on a smooth drum, and the plan needs {limiter.NeededN:N}. {limiter.Text}"
                    ),
                    $"{path}.limiter.turns"
                )
            );
        }

        if (turns.SlipHighN > limiter.AllowedN)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"With a firm hand the drum holds up to {turns.SlipHighN:N}, over the {limiter.AllowedN:N} that the weakest link allows. {limiter.Text}"
                    ),
                    $"{path}.limiter.turns"
                )
            );
        }
    }

    private static void AddSetting(
        PlanContext context,
        LineMembers line,
        LineResult result,
        string path,
        List<Reason> reasons
    )
    {
        if (line.Setting is not { } setting || result.Setting is not { } thrown)
        {
            return;
        }

        if (!thrown.Reached)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"{Way(setting.Way)} reaches about {thrown.ReachM!.Nominal:m} ({thrown.ReachM.Low:m} to {thrown.ReachM.High:m}) from there and the seat is at {line.Seat.HeightM:m}: throw another way, or seat the line lower."
                    ),
                    $"{path}.setting.way"
                )
            );
        }

        if (setting.TwigsLeft > 0)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    $"{(setting.TwigsLeft == 1 ? "A twig lies" : $"{Sentences.Count(setting.TwigsLeft).Capitalised()} twigs lie")} under the {line.Id} line: tug them off, or it hangs on what will snap.",
                    $"{path}.setting.twigsLeft"
                )
            );
        }

        if (!setting.Bedded)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The {line.Id} line has not been bed-tested: pull {thrown.BedTestN:N} on it and watch whether it lies against the stem."
                    ),
                    $"{path}.setting.bedded"
                )
            );
        }
    }

    private static string Way(SettingWay way) =>
        way switch
        {
            SettingWay.Hand => "A throw by hand",
            SettingWay.Catapult => "A catapult",
            _ => "A pole",
        };
}
