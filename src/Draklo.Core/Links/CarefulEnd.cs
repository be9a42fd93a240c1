using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Trees;

namespace Draklo.Core.Links;

/// <summary>What the tree may ask at the careful end of what is not known: not more than this in 95 cases of 100.</summary>
/// <remarks>
/// Method M20, without sampling: each input is moved to its low and its high value alone. Inputs are triangular, so each
/// spreads a figure by half the distance between its two ends over √6, and bends its mean by their sum over twelve;
/// spreads are added as squares. The planned tension stays what it is: it is not planned again for each case.
/// </remarks>
/// <param name="LowTensionN">Needed tension of the main line at the other end: not less in 95 cases of 100.</param>
/// <param name="TensionN">Needed tension of the main line.</param>
/// <param name="SideNm">Sideways moment on the hinge, the worst of slack, needed and planned lines.</param>
/// <param name="CommitDeg">Commit angle.</param>
/// <param name="NotEnoughInHundred">In how many cases of a hundred the planned tension is too low, 0 to 100.</param>
public sealed record CarefulEnd(
    double LowTensionN,
    double TensionN,
    double SideNm,
    double CommitDeg,
    double NotEnoughInHundred
)
{
    /// <summary>Standard deviations between the middle and the careful end.</summary>
    public const double Deviations = 1.645;

    private const double Triangular = 6;

    /// <summary>A line that loses its arm at one end of an input still gives a finite tension, metres.</summary>
    private const double LeastArm = 1e-3;

    /// <summary>The needed tension at the careful end over the planned one, at least 1.</summary>
    public double RatioTo(double planned) => planned > 0 ? Math.Max(1, TensionN / planned) : 1;

    public static CarefulEnd Of(PlanContext standing, PullLine[] lines, Pull pull)
    {
        var planned = pull.Needed * standing.Plan.Policy.LoadReserve * (standing.Plan.Tree.PullFactor ?? 1);
        var middle = Asked.By(standing, lines, pull.NeededAt, planned);
        var (tension, side, commit) = (new Sum(middle.Tension), new Sum(middle.Side), new Sum(middle.Commit));
        foreach (var input in UncertainInput.Of(standing.Plan))
        {
            var (low, high) = (At(-1), At(1));
            tension.Add(low.Tension, high.Tension);
            side.Add(low.Side, high.Side);
            commit.Add(low.Commit, high.Commit);

            Asked At(double u)
            {
                var moved = PlanContext.Of(input.Moved(standing.Plan, u), standing.Units);
                return Asked.By(moved, CheckedPull.LinesOf(moved), pull.NeededAt, planned);
            }
        }

        // Over the lay's own frame the lean may be off as much to the side as along.
        var aside =
            standing.Tree.Weight * standing.Tree.Centre.Up * Math.Tan(Angle.Radians(Doubt.LeanDeg(standing.Plan)));
        side.Add(middle.Side - aside, middle.Side + aside);
        return new(
            Math.Clamp(tension.Low, 0, pull.Needed),
            Math.Max(pull.Needed, tension.High),
            side.High,
            Math.Max(0, Angle.Degrees(commit.High)),
            100 * tension.ChanceOver(planned)
        );
    }

    /// <summary>What one case asks.</summary>
    private readonly record struct Asked(double Tension, double Side, double Commit)
    {
        public static Asked By(PlanContext context, PullLine[] lines, double at, double planned)
        {
            var arms = Pull.RightArmSum(lines);
            return new(
                Math.Max(0, Pull.RestoringMoment(context, at) / Math.Max(LeastArm, Pull.ArmSum(lines, at))),
                Math.Max(
                    Math.Abs(context.Wind.Aside(context.Tree.RightMoment)),
                    Math.Abs(context.Wind.Aside(context.Tree.RightMoment + (planned * arms)))
                ),
                Pull.CommitOf(context)
            );
        }
    }

    /// <summary>A figure with the spreads of all inputs.</summary>
    private struct Sum(double value)
    {
        private readonly double middle = value;
        private double mean = value;
        private double variance = 0;

        public readonly double Low => mean - (Deviations * Math.Sqrt(variance));

        public readonly double High => mean + (Deviations * Math.Sqrt(variance));

        public void Add(double low, double high)
        {
            var half = (high - low) / 2;
            variance += half * half / Triangular;
            mean += (high + low - (2 * middle)) / (2 * Triangular);
        }

        /// <summary>The chance that it is over a limit, taken as normal.</summary>
        public readonly double ChanceOver(double limit) =>
            variance <= 0
                ? (mean > limit ? 1 : 0)
                : 1 - MathNet.Numerics.Distributions.Normal.CDF(mean, Math.Sqrt(variance), limit);
    }
}
