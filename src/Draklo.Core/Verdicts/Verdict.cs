using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What the plan says, in plain words.</summary>
/// <param name="Summary">One or two sentences: the state and the one thing that limits the plan.</param>
/// <param name="WeakestLinkId">The link with the highest use.</param>
/// <param name="Reasons">The gravest first.</param>
/// <param name="Caution">What always stands beside a plan.</param>
public sealed record Verdict(
    VerdictState State,
    string Summary,
    string WeakestLinkId,
    IReadOnlyList<Reason> Reasons,
    string Caution
)
{
    public const string Always =
        "Estimates, not promises: Draklo does not see the tree. Local law and codes, the makers' ratings and a trained, insured, competent person on site decide. "
        + "Walk away from decay, power lines, wind and doubt. Test it in pre-tension, and stop when what you see differs from what is written here.";

    public static Verdict Of(
        PlanContext context,
        Pull pull,
        PullLine[] lines,
        LineResult[] results,
        LoadPath path,
        Pretension pretension,
        SpringBack spring,
        Zones site,
        GustReserve? gust,
        Measured measured,
        double worstSideUse,
        double holdDeg,
        IReadOnlyDictionary<string, GearStanding>? locker
    )
    {
        var reasons = new List<Reason>(8);
        AddLinks(context, path, reasons);
        AddHinge(context, pull, worstSideUse, holdDeg, reasons);
        AddPretension(context, pull, pretension, path, reasons);
        LineReasons.Add(context, lines, results, reasons);
        AddGear(context, locker, reasons);
        AddTree(context, gust, measured, reasons);
        AddSite(context, site, reasons);
        AddWalkUp(context, reasons);
        foreach (var unknown in path.Unknowns)
        {
            reasons.Add(new(VerdictState.Check, unknown.Text, unknown.Path));
        }

        AddRemarks(context, pull, spring, reasons);
        var weakest = WeakestOf(path.Links);
        var state = VerdictState.Ready;
        foreach (var reason in reasons)
        {
            state = reason.State > state ? reason.State : state;
        }

        var sorted = new List<Reason>(reasons.Count);
        for (var grave = VerdictState.Stop; grave >= VerdictState.Ready; grave--)
        {
            foreach (var reason in reasons)
            {
                if (reason.State == grave)
                {
                    sorted.Add(reason);
                }
            }
        }

        var word = state switch
        {
            VerdictState.Stop => "Stop. ",
            VerdictState.Check => "Check. ",
            _ => "Ready on paper. ",
        };
        var summary = word + (state == VerdictState.Ready ? Weakest(context, weakest) : sorted[0].Text);
        return new(state, summary, weakest.Id, sorted, Always);
    }

    private static void AddLinks(PlanContext context, LoadPath path, List<Reason> reasons)
    {
        // The worst link speaks first, so that the summary names the one thing that limits the plan.
        var links = path.Links.Where(l => l.State != LinkState.Holds).OrderByDescending(l => l.Use);
        foreach (var link in links)
        {
            var tells = Carries(context, link);
            reasons.Add(
                link.State switch
                {
                    LinkState.Tight => new(VerdictState.Check, $"{tells}: tight.", null, link.Id),
                    _ when link.Use > 1 && IsHands(link) => new(
                        VerdictState.Stop,
                        $"{NameOf(context, link)} cannot haul it: the plan asks {Written(context, link.LoadN, link)} and {(IsOne(link) ? "it keeps" : "they keep")} up {Written(context, link.StrengthN, link)}.",
                        null,
                        link.Id
                    ),
                    _ when link.Use > 1 && link.Slips => new(
                        VerdictState.Stop,
                        $"{NameOf(context, link)} slips: the plan asks {Written(context, link.LoadN, link)} and {(link.Factor > 1 ? $"it may carry {Written(context, link.Allowed, link)}" : $"it holds {Written(context, link.StrengthN, link)}")}.",
                        null,
                        link.Id
                    ),
                    _ when link.Use > 1 => new(VerdictState.Stop, $"{tells}: it fails.", null, link.Id),
                    _ => new(
                        VerdictState.Stop,
                        context.Units.Say(
                            $"{NameOf(context, link)} would break under the hardest heave: that could put {Written(context, link.WorstLoadN, link)} on it and it bears {Written(context, link.StrengthN, link)}."
                        ),
                        null,
                        link.Id
                    ),
                }
            );
        }
    }

    private static void AddHinge(
        PlanContext context,
        Pull pull,
        double worstSideUse,
        double holdDeg,
        List<Reason> reasons
    )
    {
        var commitDeg = Angle.Degrees(pull.Commit);
        var cut = context.Plan.Cut;
        var hinge = context.Hinge;
        if (worstSideUse > 1)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    "The hinge tears sideways before it guides: take the side lean out with a line to the other side, leave a thicker hinge, or lay the tree nearer its lean.",
                    "cut.hingeThicknessM",
                    "hinge"
                )
            );
        }
        else if (holdDeg < commitDeg)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    context.Units.Say(
                        $"The hinge lets go at {holdDeg:deg}, before the tree commits at {commitDeg:deg}: open the notch, thin the hinge or lessen its work sideways."
                    ),
                    "cut.notch.openingDeg"
                )
            );
        }
        else if (holdDeg < commitDeg + 5)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The hinge lets go at {holdDeg:deg}, hardly past commit at {commitDeg:deg}; after that nothing guides the tree."
                    ),
                    "cut.notch.openingDeg"
                )
            );
        }

        if (hinge.Length < 0.8 * cut.StumpDiameterM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The hinge is {hinge.Length:cm} long, under four fifths of the stump's {cut.StumpDiameterM:cm}: a deeper notch lengthens it."
                    ),
                    "cut.notch.depthM"
                )
            );
        }

        if (hinge.Thickness < 0.05 * cut.StumpDiameterM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The hinge of {hinge.Thickness:cm} is under a twentieth of the stump's {cut.StumpDiameterM:cm}: thin for what it must guide."
                    ),
                    "cut.hingeThicknessM"
                )
            );
        }
        else if (hinge.Thickness > 0.12 * cut.StumpDiameterM)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The hinge of {hinge.Thickness:cm} is over an eighth of the stump's {cut.StumpDiameterM:cm}: it asks for more pull and splits sooner."
                    ),
                    "cut.hingeThicknessM"
                )
            );
        }

        if (cut.Notch.DepthM > cut.StumpDiameterM / 3)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say($"The notch of {cut.Notch.DepthM:cm} is deeper than a third of the stump."),
                    "cut.notch.depthM"
                )
            );
        }
    }

    private static void AddPretension(
        PlanContext context,
        Pull pull,
        Pretension pretension,
        LoadPath path,
        List<Reason> reasons
    )
    {
        var limit =
            pretension.LimitedBy == "early-go" || path.LimitingLink is null
                ? "the tree would go early and may split"
                : $"{path.LimitingLink.Name.Uncapitalised()} is at its limit";
        if (pretension.Empty)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    context.Units.Say(
                        $"No pre-tension fits: under {pretension.FloorN:N} the tree may sit back, over {pretension.CeilingN:N} {limit}. Bore the back cut and leave a strap to release, lash the stem, set a second line or choose another anchor."
                    ),
                    null,
                    path.LimitingLink?.Id
                )
            );
        }
        else if (context.PlannedTension > pretension.EarlyGoN)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"Hold the line under {pretension.EarlyGoN:N} until the back cut is down to the hinge: at the planned {context.PlannedTension:N} the tree would go while there is still wood to split."
                    )
                )
            );
        }

        var splits = context.Tree.Wood.Splits == SplitTendency.High ? 1 : 0;
        var index =
            (
                pretension.RestIndex > 2 ? 2
                : pretension.RestIndex > 1.2 ? 1
                : 0
            ) + splits;
        if (pretension.RestIndex > 1.2 && index >= 1)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    $"The tree leans forward enough to go while {Figures.Plain(pretension.RestIndex, 2)} times the hinge is still uncut: {(index >= 2 ? "high" : "raised")} risk of splitting up the stem; bore the back cut and leave a strap."
                )
            );
        }

        if (pull.Commit > Angle.Radians(30))
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The tree must be brought {Angle.Degrees(pull.Commit):deg} forward before gravity takes it: far more than a line and a hinge are usually asked."
                    )
                )
            );
        }
    }

    private static void AddGear(
        PlanContext context,
        IReadOnlyDictionary<string, GearStanding>? locker,
        List<Reason> reasons
    )
    {
        if (locker is null)
        {
            return;
        }

        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (id, path) in GearOnPlan.Of(context.Plan))
        {
            if (!locker.TryGetValue(id, out var standing))
            {
                reasons.Add(
                    new(
                        VerdictState.Check,
                        "A piece on this plan is not in this locker: look whether it is the piece that was meant, or hang another.",
                        path
                    )
                );
                continue;
            }

            var name = standing.Name.Capitalised();
            if (standing.State != GearState.InService)
            {
                reasons.Add(
                    new(
                        VerdictState.Stop,
                        $"{name} is {(standing.State == GearState.Retired ? "retired" : "in quarantine")}{(standing.Why.Length > 0 ? $" ({standing.Why})" : "")}: hang another piece.",
                        path
                    )
                );
            }
            else if (standing.Why.Length > 0)
            {
                reasons.Add(
                    new(VerdictState.Check, $"{name}: {standing.Why}. Look at it before it goes on the tree.", path)
                );
            }

            if (!seen.Add(id))
            {
                reasons.Add(
                    new(VerdictState.Check, $"{name} hangs in two places of this plan: there is only one.", path)
                );
            }
        }
    }

    private static void AddSite(PlanContext context, Zones site, List<Reason> reasons)
    {
        for (var i = 0; i < site.Targets.Count; i++)
        {
            if (site.Targets[i].State != VerdictState.Ready || site.Targets[i].Overlaps)
            {
                reasons.Add(new(site.Targets[i].State, site.Targets[i].Text, $"site.targets[{i}]"));
            }
        }

        var blocked = 0;
        foreach (var retreat in site.Retreats)
        {
            blocked += retreat.Clear ? 0 : 1;
        }

        if (blocked > 0)
        {
            var by = (site.Retreats[0].BlockedBy, site.Retreats[1].BlockedBy) switch
            {
                ({ } left, { } right) when left != right => $"{left} and {right}",
                var (left, right) => left ?? right,
            };
            reasons.Add(
                new(
                    VerdictState.Check,
                    $"{(blocked == 2 ? "Both ways out are" : "One way out is")} blocked by {by}: {(blocked == 2 ? "clear one, or lay the tree elsewhere" : "walk and keep the other")}.",
                    "lay.bearingDeg"
                )
            );
        }

        for (var i = 0; i < site.Lines.Count; i++)
        {
            if (!site.Lines[i].CrewClear)
            {
                reasons.Add(
                    new(
                        VerdictState.Check,
                        context.Units.Say(
                            $"The haulers of the {site.Lines[i].Id} line stand {site.Lines[i].Crew.Distance:m} out in the lay, nearer than one and a half heights, {site.CrewM:m}: send them farther, or aside round a redirect."
                        ),
                        $"lines[{i}].puller.place"
                    )
                );
            }
        }

        if (context.Plan.Site.Mark is { } mark)
        {
            var place = new Place(mark.EastM, mark.NorthM);
            var off = Angle.Between(context.Plan.Lay.BearingDeg, place.BearingDeg);
            if (Math.Abs(off) > 3 && place.Distance > 1)
            {
                reasons.Add(
                    new(
                        VerdictState.Check,
                        context.Units.Say(
                            $"The lay runs {Math.Abs(off):deg} {(off > 0 ? "left" : "right")} of the lay mark: turn it, or move the mark."
                        ),
                        "site.mark"
                    )
                );
            }
        }
    }

    private static void AddWalkUp(PlanContext context, List<Reason> reasons)
    {
        var open = 0;
        var first = -1;
        for (var i = 0; i < context.Plan.WalkUp.Count; i++)
        {
            if (context.Plan.WalkUp[i] is { Must: true, TickedAt: null })
            {
                first = open++ == 0 ? i : first;
            }
        }

        if (open > 0)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    open == 1
                        ? $"One point of the walk-up list is open: {context.Plan.WalkUp[first].Text.Uncapitalised()}."
                        : $"{Sentences.Count(open).Capitalised()} points of the walk-up list are open, first: {context.Plan.WalkUp[first].Text.Uncapitalised()}.",
                    $"walkUp[{first}]"
                )
            );
        }
    }

    private static void AddTree(PlanContext context, GustReserve? gust, Measured measured, List<Reason> reasons)
    {
        var tree = context.Plan.Tree;
        var sound = context.Tree.Soundness;
        if (tree.Condition.Cracked)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    "The stem or a fork is cracked: it may part under the pull. Lash it above and below the crack and have somebody competent judge it, or take it down another way.",
                    "tree.condition.cracked"
                )
            );
        }

        if (tree.Condition.Dead)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    "The tree is dead: its wood breaks short, its hinge holds little and branches fall when the line shakes it. Keep out from under it and reckon with a brittle hinge.",
                    "tree.condition.dead"
                )
            );
        }

        if (tree.Condition.RootsLifted)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    "Roots are lifted, cut or rotten: the tree may come over roots and all before the hinge is cut, and then nothing guides it.",
                    "tree.condition.rootsLifted"
                )
            );
        }

        if (sound.ShellRatio < Soundness.LeastShellRatio)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    context.Units.Say(
                        $"The sound shell is {sound.ShellRatio!.Value:%} of the radius, under {Soundness.LeastShellRatio:%}: it folds or splits before it bends, and there is no wood for a hinge. Take it down another way."
                    ),
                    "tree.decay.shellM"
                )
            );
        }

        if (measured.Lean is { OneView: true })
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    "The lean was seen from one side only: a tree that looks upright from the front can lean hard away. Look again a quarter turn round.",
                    "readings.leanViews"
                )
            );
        }

        if (gust is { SpeedMps: < 10 } && context.Plan.Wind.SpeedMps <= 8)
        {
            reasons.Add(
                new(
                    VerdictState.Ready,
                    context.Units.Say(
                        $"A gust of {gust.SpeedMps:m/s} from {(gust.FromAhead ? "ahead" : "the side")} would use up the reserve."
                    ),
                    "wind.speedMps"
                )
            );
        }

        if (sound.Value < 0.5)
        {
            reasons.Add(
                new(
                    VerdictState.Stop,
                    context.Units.Say(
                        $"The wood is put at {sound.Value:%} of sound strength: too rotten to trust a hinge or a seat; take it down another way."
                    ),
                    "tree.soundness"
                )
            );
        }
        else if (sound.Value < 0.9)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"The wood is put at {sound.Value:%} of sound strength: look where the rot stands, at the hinge and at the seat."
                    ),
                    "tree.soundness"
                )
            );
        }

        if (context.Plan.Wind.SpeedMps > 8)
        {
            reasons.Add(
                new(
                    VerdictState.Check,
                    context.Units.Say(
                        $"Wind of {context.Plan.Wind.SpeedMps:m/s} works on the crown, and gusts go higher: wait for less if you can."
                    ),
                    "wind.speedMps"
                )
            );
        }
    }

    private static void AddRemarks(PlanContext context, Pull pull, SpringBack spring, List<Reason> reasons)
    {
        if (pull.Commit == 0)
        {
            reasons.Add(
                new(
                    VerdictState.Ready,
                    "The tree sits forward from the start: the line only steers and keeps it from sitting back."
                )
            );
        }
        else if (!spring.PastCommit)
        {
            reasons.Add(
                new(
                    VerdictState.Ready,
                    context.Units.Say(
                        $"If hauling stops at the planned tension, the rope's stretch brings the tree to {spring.CarriesToDeg:deg} of the {Angle.Degrees(pull.Commit):deg} it needs: keep hauling."
                    )
                )
            );
        }
        else
        {
            reasons.Add(
                new(
                    VerdictState.Ready,
                    context.Units.Say(
                        $"At the planned tension the rope's stretch alone brings the tree past commit: once the hinge is cut it will not stop."
                    )
                )
            );
        }

        if (context.Plan.Guesses.Count > 0)
        {
            reasons.Add(
                new(
                    VerdictState.Ready,
                    context.Plan.Guesses.Count == 1
                        ? "One figure is still a guess."
                        : $"{Sentences.Count(context.Plan.Guesses.Count).Capitalised()} figures are still guesses."
                )
            );
        }
    }

    private static Link WeakestOf(IReadOnlyList<Link> links)
    {
        var weakest = links[0];
        for (var i = 1; i < links.Count; i++)
        {
            weakest = links[i].Use > weakest.Use ? links[i] : weakest;
        }

        return weakest;
    }

    private static bool IsHands(Link link) => link.Id.EndsWith(".hands", StringComparison.Ordinal);

    /// <summary>A machine, a winch or a vehicle, not people.</summary>
    private static bool IsOne(Link link) => link.Name is "Machine" or "Vehicle" or "Hand winch";

    private static string Weakest(PlanContext context, Link link) =>
        IsHands(link)
            ? $"{Carries(context, link)}; nothing else is nearer its limit."
            : $"The weakest link holds: {Carries(context, link).Uncapitalised()}.";

    /// <summary>"The pull line carries 1.93 kN of the 8.00 kN it may".</summary>
    private static string Carries(PlanContext context, Link link) =>
        IsHands(link)
            ? $"{NameOf(context, link)} must give {Written(context, link.LoadN, link)} of the {Written(context, link.StrengthN, link)} {(IsOne(link) ? "it" : "they")} can keep up"
            : $"{NameOf(context, link)} carries {Written(context, link.LoadN, link)} of the {Written(context, link.Allowed, link)} it may";

    private static string NameOf(PlanContext context, Link link) =>
        link.LineId is { } line && context.Plan.Lines.Count > 1 ? $"{link.Name} on the {line} line" : link.Name;

    private static string Written(PlanContext context, double value, Link link) =>
        Figures.With(
            value,
            link.Quantity switch
            {
                LinkQuantity.Force => "N",
                LinkQuantity.Moment => "Nm",
                _ => "MPa",
            },
            context.Units
        );
}
