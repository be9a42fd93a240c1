using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Links;

/// <summary>What follows from the cuts beside the hinge's own figures.</summary>
/// <remarks>Methods M6, M12 and M18.</remarks>
public sealed record CutResult
{
    /// <summary>Of the hinge, over which wood is left beside bites and rot, metres.</summary>
    public required double LengthLeftM { get; init; }

    /// <summary>Wood left over that of an even, whole hinge, 0 to 1.</summary>
    public required double ShareLeft { get; init; }

    /// <summary>Uncut wood at which the tree starts to go at the planned tension, metres.</summary>
    public required double GoesAtPlannedM { get; init; }

    /// <summary>With neither lashings nor strap: that thickness over the hinge, with no line.</summary>
    public required double SplittingIndex { get; init; }

    /// <summary>How likely it splits up the stem with what is planned.</summary>
    public required SplittingRisk Splitting { get; init; }

    /// <summary>The same with neither lashings nor strap.</summary>
    public required SplittingRisk SplittingBare { get; init; }

    /// <summary>The lashings round the stem bear what the tree may bring on them.</summary>
    public required bool Lashed { get; init; }

    /// <summary>About the cut, all of them together, for that; N·m.</summary>
    public required double LashingsMustHoldNm { get; init; }

    /// <summary>Of the back cut above the notch's apex, as it is cut.</summary>
    public required double StepM { get; init; }

    /// <summary>Of a bored back cut; null for a plain one.</summary>
    public required StrapResult? Strap { get; init; }

    /// <summary>Null where none is put in.</summary>
    public required WedgeResult? Wedge { get; init; }

    /// <summary>For each lashing round a fork, what comes on it.</summary>
    public required IReadOnlyList<ForkLashing> Forks { get; init; }

    /// <summary>Null where no bar length is given.</summary>
    public required BarResult? Bar { get; init; }

    private const double Raised = 1.2;
    private const double High = 2;

    internal static CutResult Of(PlanContext context, PullLine[] lines, Pull pull, Pretension pretension)
    {
        var (cut, hinge) = (context.Plan.Cut, context.Hinge);
        var gravity = context.Tree.ForwardMoment + context.Wind.Along;
        var atPlanned = gravity + (context.PlannedTension * Pull.ArmSum(lines, 0));
        var lashed = Pretension.Lashed(context);
        var strap = ReleaseStrap.Of(cut, hinge.Strength, context.Plan.Policy.DesignFactor.Stem);
        var index = pretension.RestIndex;
        var wedge = WedgeResult.Of(context, pull);
        var onStrap = Math.Max(0, atPlanned - Pretension.HingeAsItIs(context));
        AddWorkings(context, hinge, strap, wedge, (atPlanned, onStrap), pull);
        var bare = RiskOf(index, context.Tree.Wood.Splits == SplitTendency.High, lashed: false);
        return new()
        {
            LengthLeftM = hinge.LengthLeft,
            ShareLeft = hinge.ShareLeft,
            GoesAtPlannedM = Pretension.UncutWhereItGoes(hinge, atPlanned),
            SplittingIndex = index,
            Splitting =
                strap is not null && strap.HoldsNm + Pretension.HingeAsItIs(context) >= gravity
                    ? SplittingRisk.Low
                    : RiskOf(index, context.Tree.Wood.Splits == SplitTendency.High, lashed),
            SplittingBare = bare,
            Lashed = lashed,
            LashingsMustHoldNm = Pretension.MomentInZone(hinge),
            StepM = cut.StepCutM,
            Strap = strap is null ? null : StrapResult.Of(context, strap, onStrap),
            Wedge = wedge,
            Forks = ForkLashing.Of(context, lines),
            Bar = BarResult.Of(cut),
        };
    }

    private static void AddWorkings(
        PlanContext context,
        Hinge hinge,
        ReleaseStrap? strap,
        WedgeResult? wedge,
        (double AtPlanned, double OnStrap) moments,
        Pull pull
    )
    {
        var (atPlanned, onStrap) = moments;
        if (context.Workings is not { } workings)
        {
            return;
        }

        workings.Add(
            "goes-at-planned",
            "Uncut wood at which it stirs at the planned pull",
            "t*",
            Pretension.UncutWhereItGoes(hinge, atPlanned),
            "cm",
            "t* = √(6 · M_forward / (MOR · L))",
            $"√(6 · {Math.Max(0, atPlanned):Nm} / ({hinge.Strength:MPa} · {hinge.LengthLeft:cm}))",
            "M12",
            estimate: true
        );
        if (strap is not null)
        {
            workings.Add(
                "strap-use",
                "Planned pull on the release strap",
                "U_s",
                StrapResult.UseOf(onStrap, strap),
                "%",
                "U_s = (M_forward − M_h) / (A_s · 0.5 · MOR · lever / factor)",
                $"{onStrap:Nm} / {strap.HoldsNm:Nm}, A_s = {strap.AreaM2:m2}, lever {strap.LeverM:cm}",
                "M12",
                estimate: true
            );
        }

        if (wedge is not null)
        {
            workings.Add(
                "wedge-lift",
                "Lift that wedges alone must give",
                "h_w",
                wedge.LiftNeededM,
                "cm",
                "h_w = x_w · tan θc, x_w from the hinge to the edge",
                $"{wedge.DistanceM:cm} · tan {Angle.Degrees(pull.Commit):deg}",
                "M18",
                estimate: true
            );
            workings.Add(
                "wedge-force",
                "Force on the wedges with the line slack",
                "F_w",
                wedge.ForceN,
                "N",
                "F_w = −M_forward / x_w, or 0",
                $"{wedge.ForceN * wedge.DistanceM:Nm} / {wedge.DistanceM:cm}",
                "M18",
                estimate: true
            );
        }
    }

    /// <summary>Wood that splits easily counts one step up, a lashed stem one step down.</summary>
    private static SplittingRisk RiskOf(double index, bool splitsEasily, bool lashed)
    {
        var step =
            index > High ? 2
            : index > Raised ? 1
            : 0;
        return (SplittingRisk)Math.Clamp(step + (splitsEasily && step > 0 ? 1 : 0) - (lashed ? 1 : 0), 0, 2);
    }
}

public enum SplittingRisk
{
    Low,
    Raised,
    High,
}

/// <param name="HoldsNm">Forward moment that the strap carries, N·m.</param>
/// <param name="AsksNm">Forward moment at the planned tension that the hinge leaves to it, N·m, 0 or more.</param>
/// <param name="Use">The one over the other.</param>
/// <param name="NeededM">How thick a strap straight behind must be, metres; null where none is enough.</param>
/// <param name="RoomM">For the bar between hinge and strap, metres.</param>
/// <param name="InRot">Rot that was drawn reaches into it.</param>
public sealed record StrapResult(double HoldsNm, double AsksNm, double Use, double? NeededM, double RoomM, bool InRot)
{
    /// <summary>Far more than it may, where it may hold nothing: it does not lie behind the hinge.</summary>
    private const double FarTooMuch = 1000;

    internal static double UseOf(double asks, ReleaseStrap strap) =>
        asks <= 0 ? 0 : Math.Min(FarTooMuch, asks / Math.Max(1e-3, strap.HoldsNm));

    internal static StrapResult Of(PlanContext context, ReleaseStrap strap, double asks)
    {
        return new(
            strap.HoldsNm,
            asks,
            UseOf(asks, strap),
            ReleaseStrap.Needed(context.Plan.Cut, context.Hinge.Strength, context.Plan.Policy.DesignFactor.Stem, asks),
            strap.RoomM,
            strap.InRot
        );
    }
}

/// <param name="DistanceM">From the middle of the hinge to the stump's edge where they are driven, metres.</param>
/// <param name="LiftNeededM">At the stump's edge to bring the tree to commit by wedges alone, metres.</param>
/// <param name="LiftM">That the wedges give.</param>
/// <param name="ForceN">On all of them together, should the line go slack; 0 for a tree that sits forward.</param>
/// <param name="EachN">On each of those side by side.</param>
/// <param name="BearsN">What one carries; null where nobody said.</param>
/// <param name="Alone">Enough lift and strength to do without the line.</param>
public sealed record WedgeResult(
    double DistanceM,
    double LiftNeededM,
    double LiftM,
    double ForceN,
    double EachN,
    double? BearsN,
    bool Alone
)
{
    internal static WedgeResult? Of(PlanContext context, Pull pull)
    {
        if (context.Plan.Cut.Wedges is not { } wedges)
        {
            return null;
        }

        var radius = context.Plan.Cut.StumpDiameterM / 2;
        var distance = context.Hinge.Offset - (radius * Math.Cos(Angle.Radians(wedges.FromDeg)));
        var needed = distance * Math.Tan(pull.Commit);
        var force = Math.Max(0, -(context.Tree.ForwardMoment + context.Wind.Against)) / distance;
        var lift = wedges.Stacked * wedges.LiftM;
        var each = force / wedges.Count;
        return new(
            distance,
            needed,
            lift,
            force,
            each,
            wedges.BearsN,
            lift >= needed && wedges.BearsN is { } bears && bears >= each
        );
    }
}

/// <param name="Index">Among the plan's lashings.</param>
/// <param name="ForceN">In the lashing, N: S = P·(3L − a)/(4a).</param>
/// <param name="HoldsN">Its lashing capacity, N.</param>
public sealed record ForkLashing(int Index, double ForceN, double HoldsN)
{
    internal static List<ForkLashing> Of(PlanContext context, PullLine[] lines)
    {
        var found = new List<ForkLashing>();
        var lashings = context.Plan.Cut.Lashings;
        for (var i = 0; i < lashings.Count; i++)
        {
            if (lashings[i] is not { Round: LashingPlace.Fork, UnionHeightM: { } union } lashing)
            {
                continue;
            }

            double force = 0;
            for (var n = 0; n < lines.Length; n++)
            {
                // What pulls a stem of the fork over: the level part of each line whose seat is above the lashing.
                var over = context.Plan.Lines[n].Seat.HeightM - union;
                if (over > lashing.HeightM)
                {
                    var along = lines[n].Along;
                    var level = context.PlannedTension * lines[n].Share * Math.Sqrt(1 - (along.Up * along.Up));
                    force += level * ((3 * over) - lashing.HeightM) / (4 * lashing.HeightM);
                }
            }

            found.Add(new(i, force, Pretension.CapacityOf(lashing)));
        }

        return found;
    }
}

/// <param name="WidestM">Across the stump with its flares, metres.</param>
/// <param name="FromOneSide">The bar goes through from one side.</param>
/// <param name="CoreM">What two cuts from either side leave in the middle, metres; 0 where they meet.</param>
/// <param name="CoreBitten">A bite through the notch takes that core.</param>
public sealed record BarResult(double WidestM, bool FromOneSide, double CoreM, bool CoreBitten)
{
    internal static BarResult? Of(CutMembers cut)
    {
        if (cut.BarLengthM is not { } bar)
        {
            return null;
        }

        double flares = 0;
        foreach (var flare in cut.Flares)
        {
            // One that runs out across the cut's way lengthens it.
            flares += flare.Trimmed ? 0 : flare.OutM * Math.Abs(Math.Sin(Angle.Radians(flare.TowardDeg)));
        }

        var widest = cut.StumpDiameterM + flares;
        var core = Math.Max(0, widest - (2 * bar));
        return new(
            widest,
            bar >= widest,
            core,
            core == 0 || cut.Bites.Any(b => Math.Abs(b.RightM) + (core / 2) <= (b.WidthM / 2) + 0.005)
        );
    }
}
