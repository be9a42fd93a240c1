using Draklo.Core.Geometry;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using MathNet.Numerics.Optimization;

namespace Draklo.Core.Lines;

/// <param name="Deg">How far the tree has turned forward.</param>
/// <param name="TensionN">Main tension that just moves it there.</param>
public readonly record struct CurvePoint(double Deg, double TensionN);

/// <summary>How hard a tree must be pulled and how far.</summary>
/// <remarks>Method M5. Tensions are of the main line, N; a line with share s carries s times them.</remarks>
/// <param name="AtRest">Tension that starts it moving; 0 for a tree that sits forward.</param>
/// <param name="Needed">The largest tension from rest to commit.</param>
/// <param name="NeededAt">The angle where it is largest, radians.</param>
/// <param name="Commit">The angle at which gravity alone bends the hinge, radians; 0 for a tree that sits
/// forward.</param>
public sealed record Pull(double AtRest, double Needed, double NeededAt, double Commit, CurvePoint[] Curve)
{
    private const int Steps = 64;
    private const int CurveEvery = 2;

    /// <summary>Sum of share × forward arm of all lines once the tree has turned by an angle, metres.</summary>
    public static double ArmSum(PullLine[] lines, double angle)
    {
        double sum = 0;
        foreach (var line in lines)
        {
            sum += line.Share * PullLine.ForwardArm(line.Seat.TurnedForward(angle), line.Anchor);
        }

        return sum;
    }

    /// <summary>Sum of share × sideways arm of all lines at rest, metres.</summary>
    public static double RightArmSum(PullLine[] lines)
    {
        double sum = 0;
        foreach (var line in lines)
        {
            sum += line.Share * PullLine.RightArm(line.Seat, line.Anchor);
        }

        return sum;
    }

    /// <summary>
    /// The least of what the planned tension gives over what the tree asks, from rest to commit, N·m; never below 0.
    /// </summary>
    public double LeastSurplus(PlanContext context, PullLine[] lines)
    {
        var least = double.PositiveInfinity;
        for (var i = 0; i <= Steps; i += CurveEvery)
        {
            var angle = Commit * i / Steps;
            least = Math.Min(least, (context.PlannedTension * ArmSum(lines, angle)) - RestoringMoment(context, angle));
        }

        return Math.Max(0, least);
    }

    /// <summary>
    /// Moment that the lines must give at an angle, N·m: weight and wind against the tree, and the hinge to bend.
    /// </summary>
    public static double RestoringMoment(PlanContext context, double angle) =>
        (-context.Tree.Weight * context.Tree.Centre.TurnedForward(angle).Forward)
        - context.Wind.Against
        + context.Hinge.Bending;

    /// <summary>Solves the pull, or returns null having said why it cannot be done.</summary>
    public static Pull? Solve(PlanContext context, PullLine[] lines, List<Problem> problems)
    {
        var (tree, hinge, wind, units, workings) = (
            context.Tree,
            context.Hinge,
            context.Wind,
            context.Units,
            context.Workings
        );
        var (radius, sine) = Turning(context);
        if (sine >= 1)
        {
            problems.Add(
                new(
                    "cut.hingeThicknessM",
                    units.Say(
                        $"It takes {hinge.Bending - wind.Against:Nm} to bend this hinge against the wind, more than the whole weight gives at any angle ({tree.Weight * radius:Nm}): make the hinge thinner or wait for less wind."
                    )
                )
            );
            return null;
        }

        var leaning = Math.Atan2(tree.Centre.Forward, tree.Centre.Up);
        var commit = CommitOf(context);
        if (LosesArm(lines, commit, units, problems))
        {
            return null;
        }

        var curve = new CurvePoint[(Steps / CurveEvery) + 1];
        var best = 0;
        double needed = 0;
        for (var i = 0; i <= Steps; i++)
        {
            var tension = TensionAt(context, lines, commit * i / Steps);
            if (tension > needed)
            {
                (needed, best) = (tension, i);
            }

            if (i % CurveEvery == 0)
            {
                curve[i / CurveEvery] = new(Angle.Degrees(commit * i / Steps), tension);
            }
        }

        var neededAt = commit * best / Steps;
        if (best is > 0 and < Steps)
        {
            neededAt = PeakBetween(context, lines, commit * (best - 1) / Steps, commit * (best + 1) / Steps);
            needed = TensionAt(context, lines, neededAt);
        }

        var pull = new Pull(curve[0].TensionN, needed, neededAt, commit, curve);
        if (workings is not null)
        {
            var arms = ArmSum(lines, neededAt);
            workings.Add(
                "arm-sum",
                "Forward arms of the lines together",
                "Σ s·a",
                ArmSum(lines, 0),
                "m",
                "Σ share · a",
                $"{ArmSum(lines, 0):m} at rest",
                "M4"
            );
            workings.Add(
                "needed-tension",
                "Needed tension",
                "T",
                needed,
                "N",
                "T(θ) = (−W · f(θ) − M_w + M_h) / Σ share · a(θ), the largest from rest to commit",
                $"({-tree.Weight * tree.Centre.TurnedForward(neededAt).Forward:Nm} − {wind.Against:Nm} + {hinge.Bending:Nm}) / {arms:m}, at {Angle.Degrees(neededAt):deg}",
                "M5",
                estimate: true
            );
            workings.Add(
                "commit",
                "Commit angle",
                "θc",
                Angle.Degrees(commit),
                "deg",
                "W · f(θc) + M_w = M_h, so θc = asin((M_h − M_w) / (W · R)) − atan(f / u)",
                $"asin({hinge.Bending - wind.Against:Nm} / ({tree.Weight:N} · {radius:m})) − {Angle.Degrees(leaning):deg}",
                "M5",
                estimate: true
            );
        }

        return pull;
    }

    /// <summary>The angle at which gravity alone bends the hinge, radians; a quarter turn where it never does.</summary>
    public static double CommitOf(PlanContext context)
    {
        var centre = context.Tree.Centre;
        var sine = Turning(context).Sine;
        return sine <= -1 ? 0
            : sine >= 1 ? Math.PI / 2
            : Math.Max(0, Math.Asin(sine) - Math.Atan2(centre.Forward, centre.Up));
    }

    /// <summary>
    /// How far the centre lies from the hinge, metres, and what the hinge and the wind ask over the weight at that
    /// radius.
    /// </summary>
    private static (double Radius, double Sine) Turning(PlanContext context)
    {
        var centre = context.Tree.Centre;
        var radius = Math.Sqrt((centre.Forward * centre.Forward) + (centre.Up * centre.Up));
        return (radius, (context.Hinge.Bending - context.Wind.Against) / (context.Tree.Weight * radius));
    }

    private static double TensionAt(PlanContext context, PullLine[] lines, double angle) =>
        Math.Max(0, RestoringMoment(context, angle) / ArmSum(lines, angle));

    /// <summary>Where the tension is largest between two angles that hold one peak, radians.</summary>
    private static double PeakBetween(PlanContext context, PullLine[] lines, double low, double high) =>
        GoldenSectionMinimizer
            .Minimum(ObjectiveFunction.ScalarValue(angle => -TensionAt(context, lines, angle)), low, high, 1e-7)
            .MinimizingPoint;

    private static bool LosesArm(PullLine[] lines, double commit, UnitSystem units, List<Problem> problems)
    {
        var before = problems.Count;
        for (var n = 0; n < lines.Length; n++)
        {
            var line = lines[n];
            for (var i = 0; i <= Steps; i++)
            {
                var angle = commit * i / Steps;
                if (PullLine.ForwardArm(line.Seat.TurnedForward(angle), line.Anchor) > 1e-3)
                {
                    continue;
                }

                problems.Add(
                    i == 0
                        ? new(
                            $"lines[{n}].anchor.distanceM",
                            "This line runs through or behind the hinge and cannot tip the tree: move the anchor farther ahead or the seat higher."
                        )
                        : new(
                            $"lines[{n}].anchor.distanceM",
                            units.Say(
                                $"This line loses its arm once the tree has turned {Angle.Degrees(angle):deg}, before it commits at {Angle.Degrees(commit):deg}: move the anchor farther out or lower."
                            )
                        )
                );
                break;
            }
        }

        return problems.Count > before;
    }
}
