using Draklo.Core.Lines;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>
/// The part of an analysis that follows the lines: tensions, every link, the stem, the hinge sideways and the
/// pre-tension; no sentences and nothing of the site.
/// </summary>
/// <remarks>The rig finder runs it by the ten thousand; a whole analysis is this and what is said about it.</remarks>
internal sealed record CheckedPull
{
    public required PlanContext Context { get; init; }

    public required PullLine[] Lines { get; init; }

    public required Pull Pull { get; init; }

    public required LineRun[] Runs { get; init; }

    public required LoadPath Path { get; init; }

    public required LineResult[] Results { get; init; }

    public required StemBending Bending { get; init; }

    /// <summary>Sideways moment on the hinge at the needed tension, N·m, 0 or more whichever side (M10).</summary>
    public required double SideAtNeeded { get; init; }

    /// <summary>Greatest sideways moment on the hinge from no tension to the planned, N·m, 0 or more.</summary>
    public required double WorstSide { get; init; }

    /// <summary>Moment about the tree's own axis at the planned tension, N·m, 0 or more.</summary>
    public required double Twist { get; init; }

    /// <summary>How far the hinge bends before it lets go, degrees, over 0.</summary>
    public required Spread Hold { get; init; }

    public required Pretension Pretension { get; init; }

    /// <summary>How far the hinge bends before it lets go, degrees.</summary>
    public double HoldDeg => Hold.Nominal;

    /// <summary>Moment about the tree's own axis over what the hinge carries.</summary>
    public double TwistUse => Twist / Context.Hinge.TwistCapacity;

    /// <summary>Sideways moment at the needed tension, N·m, positive to the right.</summary>
    public double SideSigned => SideAt(Pull.Needed);

    /// <summary>What the hinge has left sideways beside weight and lines, at the worst of slack, needed and planned, N·m.</summary>
    public double SideLeft
    {
        get
        {
            var arms = Draklo.Core.Lines.Pull.RightArmSum(Lines);
            var slack = Math.Abs(Context.Tree.RightMoment);
            var needed = Math.Abs(Context.Tree.RightMoment + (Pull.Needed * arms));
            var planned = Math.Abs(Context.Tree.RightMoment + (Context.PlannedTension * arms));
            return Context.Hinge.SideCapacity - Math.Max(slack, Math.Max(needed, planned));
        }
    }

    /// <summary>Sideways moment at a main tension, N·m, positive to the right, with the wind where that adds to it.</summary>
    public double SideAt(double tension) =>
        Context.Wind.Aside(Context.Tree.RightMoment + (tension * Draklo.Core.Lines.Pull.RightArmSum(Lines)));

    /// <summary>Work sideways and twist together: the hinge tears above 1.</summary>
    public double TearUse => Math.Sqrt((WorstSideUse * WorstSideUse) + (TwistUse * TwistUse));

    /// <summary>Sideways moment at the needed tension over what the hinge carries, 0 or more.</summary>
    public double SideUse => SideAtNeeded / Context.Hinge.SideCapacity;

    /// <summary>Greatest sideways moment over what the hinge carries, 0 or more.</summary>
    public double WorstSideUse => WorstSide / Context.Hinge.SideCapacity;

    public static PullLine[] LinesOf(PlanContext standing)
    {
        var lines = new PullLine[standing.Plan.Lines.Count];
        for (var i = 0; i < lines.Length; i++)
        {
            lines[i] = PullLine.From(standing.Plan.Lines[i], standing.Tree, standing.Lay);
        }

        return lines;
    }

    /// <param name="standing">The plan with its tree, hinge and wind.</param>
    /// <param name="careful">What the tree may ask at the careful end, where that is judged.</param>
    /// <param name="atNeeded">The stem's bending at the needed tension, where it is known already.</param>
    public static CheckedPull Of(
        PlanContext standing,
        PullLine[] lines,
        Pull pull,
        StemBending? atNeeded = null,
        CarefulEnd? careful = null
    )
    {
        var (plan, workings, hinge, tree) = (standing.Plan, standing.Workings, standing.Hinge, standing.Tree);
        var own = plan.Tree.PullFactor;
        var planned = pull.Needed * plan.Policy.LoadReserve * (own ?? 1);
        workings?.Add(
            "planned-tension",
            "Planned tension",
            "T_p",
            planned,
            "N",
            "T_p = load reserve · T · the crew's own factor, 1 where it has none",
            $"{plan.Policy.LoadReserve:x} · {pull.Needed:N} · {own ?? 1:x}",
            own is null ? "M5" : "M5, M23",
            estimate: true
        );
        var context = standing with { PlannedTension = planned };

        var path = new LoadPath(context) { CarefulRatio = careful?.RatioTo(planned) ?? 1 };
        var results = new LineResult[lines.Length];
        var atWorst = new PullLine[lines.Length];
        var runs = new LineRun[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            var line = plan.Lines[i];
            var tackle = SolvedTackle.From(line.Tackle);
            runs[i] = LineRun.From(line, lines[i], tree, standing.Lay);
            var tensions = LineTensions.Of(
                line,
                runs[i],
                tackle,
                planned,
                line.Limiter is not null && Limiter.IsTried(plan, $"lines[{i}].limiter")
            );
            var redirects = path.AddLine(i, lines[i], runs[i], tensions, tackle);
            results[i] = LineAnalysis.Of(context, line, lines[i], runs[i], tensions, pull, tackle, redirects);

            // Every crew heaving at once: each line's own worst tension stands as its share of a main tension of 1 N.
            atWorst[i] = lines[i] with
            {
                Share = tensions.WorstTree,
            };
        }

        var bending = atNeeded ?? StemBending.Under(tree, tree.Soundness.Value, lines, pull.Needed);
        workings?.Add(
            "stem-stress",
            "Worst bending of the stem under the lines",
            "σ",
            bending.WorstStress,
            "MPa",
            "σ(z) = T_h · (z_p − z) / (π · d³ / 32) + T_v / (π · d² / 4), lines added as vectors",
            $"largest at {bending.AtHeight:m} above the cut, where d = {tree.Stem.DiameterAt(bending.AtHeight):cm}, at {pull.Needed:N}",
            "M11",
            estimate: true
        );
        workings?.Add(
            "seat-movement",
            "Seat moves at the needed tension",
            "δ",
            bending.SeatMovement,
            "cm",
            "δ = ∫ T_h · (z_p − z)² / (E · I(z)) dz",
            $"E = {tree.Wood.Stiffness * tree.Soundness.Value:GPa}, at {pull.Needed:N}",
            "M11",
            estimate: true
        );

        var (sideAtNeeded, sideWorst) = SideMoments(context, lines, pull, workings);
        var sideUse = sideWorst / hinge.SideCapacity;
        var wood = Hinge.WoodDeg(context);
        var hold = Hinge.HoldDeg(wood, plan.Cut.Notch.OpeningDeg, sideUse);
        var twist = TwistOf(context, lines);
        workings?.Add(
            "hold-angle",
            "The hinge holds to",
            "θ_h",
            hold.Nominal,
            "deg",
            "θ_h = min(notch opening, the wood's angle · (1 − side use)), side use the worst of needed, planned and slack lines",
            $"min({plan.Cut.Notch.OpeningDeg:deg}, {wood.Nominal:deg} · (1 − {sideUse:x}))",
            "M6",
            estimate: true
        );
        new TreeWalk(path, bending, pull.Needed, lines, atWorst, sideWorst, careful).AddAll();
        return new()
        {
            Context = context,
            Lines = lines,
            Pull = pull,
            Runs = runs,
            Path = path,
            Results = results,
            Bending = bending,
            SideAtNeeded = sideAtNeeded,
            WorstSide = sideWorst,
            Twist = twist,
            Hold = hold,
            Pretension = Pretension.From(context, lines, path),
        };
    }

    /// <summary>
    /// What the lines do to turn the tree about its own axis at the planned tension, N·m without sign.
    /// </summary>
    /// <remarks>Method M6: Σ(f_P·F_r − r_P·F_f).</remarks>
    private static double TwistOf(PlanContext context, PullLine[] lines)
    {
        double twist = 0;
        foreach (var line in lines)
        {
            var along = line.Along;
            twist +=
                line.Share
                * context.PlannedTension
                * ((line.Seat.Forward * along.Right) - (line.Seat.Right * along.Forward));
        }

        twist = Math.Abs(twist);
        if (context.Workings is { } workings)
        {
            workings.Add(
                "twist",
                "Moment that twists the hinge",
                "M_z",
                twist,
                "Nm",
                "M_z = |Σ (f_P · F_r − r_P · F_f)|",
                $"at {context.PlannedTension:N}",
                "M6",
                estimate: true
            );
            var (hinge, capacity) = (context.Hinge, context.Hinge.TwistCapacity);
            workings.Add(
                "twist-use",
                "Twist use of the hinge",
                "M_z / M_t",
                twist / capacity,
                "x",
                "M_t = 0.12 · MOR · L · t² / 3 · (1 − 0.63 · t / L)",
                $"{twist:Nm} / (0.12 · {hinge.Strength:MPa} · {hinge.Length:cm} · ({hinge.Thickness:cm})² / 3 · (1 − 0.63 · {hinge.Thickness:cm} / {hinge.Length:cm}))",
                "M6",
                estimate: true
            );
        }

        return twist;
    }

    /// <summary>
    /// The hinge's sideways moment at the needed tension, and the largest of slack, needed and planned, N·m without
    /// sign.
    /// </summary>
    private static (double AtNeeded, double Worst) SideMoments(
        PlanContext context,
        PullLine[] lines,
        Pull pull,
        Workings? workings
    )
    {
        var arms = Pull.RightArmSum(lines);
        var needed = At(pull.Needed);
        workings?.Add(
            "side-moment",
            "Sideways moment at the needed tension",
            "M_r",
            needed,
            "Nm",
            "|W · r + T · Σ share · b|, with M_w,r where that adds to it",
            $"|{context.Tree.RightMoment:Nm} + {pull.Needed:N} · ({arms:m})|, wind {context.Wind.RightMoment:Nm}",
            "M6",
            estimate: true
        );
        workings?.Add(
            "side-use",
            "Side use of the hinge",
            "M_r / M_side",
            needed / context.Hinge.SideCapacity,
            "x",
            "sideways moment / what the hinge carries sideways",
            $"{needed:Nm} / {context.Hinge.SideCapacity:Nm}",
            "M6",
            estimate: true
        );
        return (needed, Math.Max(At(0), Math.Max(needed, At(context.PlannedTension))));

        double At(double tension) => Math.Abs(context.Wind.Aside(context.Tree.RightMoment + (tension * arms)));
    }
}
