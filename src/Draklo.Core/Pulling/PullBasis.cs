using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>What a plan says about the day: tensions, movements and the pull by lean, line by line.</summary>
public sealed class PullBasis
{
    private const int CurveSteps = 48;
    private readonly CheckedPull found;

    private PullBasis(Plan plan, Analysis analysis, CheckedPull found)
    {
        (Plan, Analysis, this.found, Loads) = (plan, analysis, found, LoadBasis.Of(plan));
    }

    public Plan Plan { get; }

    public Analysis Analysis { get; }

    /// <summary>What is cleared; null where nothing is.</summary>
    public LoadBasis? Loads { get; }

    /// <param name="analysis">Of the same plan.</param>
    public static PullBasis? Of(Plan plan, Analysis analysis) =>
        SampledPlan.Checked(plan, UnitSystem.Metric) is { } found ? new(plan, analysis, found) : null;

    /// <summary>Least pre-tension, N, 0 or more (M12).</summary>
    public double FloorN => Analysis.Pretension.FloorN;

    /// <summary>Greatest pre-tension, N, over 0 (M12).</summary>
    public double CeilingN => Analysis.Pretension.CeilingN;

    /// <summary>Tension of the planned pull on all lines together, N, over 0 (M6).</summary>
    public double PlannedN => Analysis.Pull.PlannedTensionN;

    /// <summary>Degrees over from upright at which the tree goes on by itself.</summary>
    public double CommitDeg => Analysis.Pull.CommitDeg;

    /// <summary>The main tension that a step brings the lines to, or the loads bring theirs to; null where none is asked.</summary>
    public double? TargetN(PullStep step) =>
        step switch
        {
            PullStep.BedTest => PlannedN / 4,
            PullStep.Floor or PullStep.Hold => AtLeast,
            PullStep.Planned or PullStep.Pull => Math.Min(PlannedN, Math.Max(CeilingN, FloorN)),
            PullStep.Notch when PullSteps.IsSlack(Plan, step) => null,
            PullStep.Notch or PullStep.BackCut => PullSteps.CutsUnderThePlan(Plan.Cut.Order)
                ? Math.Min(PlannedN, Math.Max(CeilingN, FloorN))
                : AtLeast,
            PullStep.Clear => Loads?.Line?.LoadValue,
            _ => null,
        };

    /// <summary>The floor; for a tree that sits forward, what beds the line.</summary>
    private double AtLeast => Math.Max(FloorN, PlannedN / 4);

    /// <summary>What a line takes of the pull, over 0 to 1.</summary>
    public double ShareOf(int line) => Plan.Lines[line].Share;

    /// <summary>How far a line's seat comes when these tensions stand in the lines, metres.</summary>
    /// <remarks>Method M11. The moments of lines in several places add up.</remarks>
    /// <param name="tensions">Of each line, N; 0 for one that is slack.</param>
    public double ComesM(int line, IReadOnlyList<double> tensions)
    {
        var loaded = new List<PullLine>();
        Add(line);
        for (var i = 0; i < found.Lines.Length; i++)
        {
            if (i != line && tensions[i] > 0)
            {
                Add(i);
            }
        }

        var tree = found.Context.Tree;
        return StemBending.Under(tree, tree.Soundness.Value, [.. loaded], 1).SeatMovement;

        void Add(int i) => loaded.Add(found.Lines[i] with { Share = Math.Max(0, tensions[i]) });
    }

    /// <summary>Uncut wood at which the tree stirs with this main tension, metres.</summary>
    public double StirsAtM(double mainN) =>
        Pretension.UncutWhereItGoes(
            found.Context.Hinge,
            found.Context.Tree.ForwardMoment + found.Context.Wind.Along + (mainN * Pull.ArmSum(found.Lines, 0))
        );

    /// <summary>What a line carries at a lean, N; 0 from commit on.</summary>
    public double TensionAt(int line, double leanDeg)
    {
        var curve = Analysis.Pull.Curve;
        if (leanDeg <= 0)
        {
            return ShareOf(line) * curve[0].TensionN;
        }

        for (var i = 1; i < curve.Count; i++)
        {
            if (leanDeg <= curve[i].Deg)
            {
                var (a, b) = (curve[i - 1], curve[i]);
                var part = b.Deg > a.Deg ? (leanDeg - a.Deg) / (b.Deg - a.Deg) : 1;
                return ShareOf(line) * (a.TensionN + (part * (b.TensionN - a.TensionN)));
            }
        }

        return 0;
    }

    /// <summary>Rope that the hands have taken in when the tree has come to a lean, metres, from a tight line on.</summary>
    public double HauledAt(int line, double leanDeg)
    {
        var pull = found.Lines[line];
        var now = pull.Seat.TurnedForward(Angle.Radians(Math.Max(0, leanDeg))).DistanceTo(pull.Anchor);
        return Math.Max(0, pull.Length - now) * Analysis.Pull.Lines[line].Tackle.IdealAdvantage;
    }

    /// <summary>Tension and hauled rope by lean, from rest to commit.</summary>
    public IReadOnlyList<PullPoint> Curve(int line)
    {
        var points = new PullPoint[CurveSteps + 1];
        for (var i = 0; i <= CurveSteps; i++)
        {
            var lean = CommitDeg * i / CurveSteps;
            points[i] = new(lean, i == CurveSteps ? 0 : TensionAt(line, lean), HauledAt(line, lean));
        }

        return points;
    }
}

/// <param name="Deg">Turned since rest.</param>
/// <param name="TensionN">Of this line.</param>
/// <param name="HauledM">By the hands, from a tight line on.</param>
public sealed record PullPoint(double Deg, double TensionN, double HauledM);
