using Draklo.Core.Plans;
using Draklo.Core.Units;
using MathNet.Numerics.LinearAlgebra;

namespace Draklo.Core.Tackle;

/// <summary>Solves an arrangement: every leg's tension for a hand force of 1.</summary>
/// <remarks>
/// Method M7. A rope is followed from its hauling end; at each contact its tension drops to η times what came in. A
/// rope that starts at the hand has tension 1 there; the head tension of each other rope is unknown. Each moving point
/// is in balance, which gives one linear equation a point; all are solved together.
/// </remarks>
public static class TackleSolver
{
    private enum Friction
    {
        Hauling,
        None,
        Holding,
    }

    /// <summary>Solves an arrangement, or says why it cannot work.</summary>
    /// <returns>The solution and no problem, or null and at least one problem.</returns>
    public static (TackleSolution? Solution, List<Problem> Problems) Solve(Arrangement arrangement)
    {
        var problems = ArrangementRules.Check(arrangement);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var layout = new Layout(arrangement);
        if (
            layout.Walk(Friction.None, problems) is not { } ideal
            || layout.Walk(Friction.Hauling, problems) is not { } hauling
            || layout.Walk(Friction.Holding, problems) is not { } holding
        )
        {
            return (null, problems);
        }

        var legs = new TackleLeg[layout.Legs.Count];
        for (var i = 0; i < legs.Length; i++)
        {
            var leg = layout.Legs[i];
            legs[i] = new(
                leg.Rope,
                arrangement.Points[leg.From].Id,
                arrangement.Points[leg.To].Id,
                hauling.Tensions[i]
            );
        }

        var points = new TacklePointForce[arrangement.Points.Count];
        for (var p = 0; p < points.Length; p++)
        {
            points[p] = new(arrangement.Points[p].Id, layout.ForceOn(p, hauling.Tensions));
        }

        return (
            new(
                ideal.Advantage,
                hauling.Advantage,
                hauling.Advantage / ideal.Advantage,
                ideal.Advantage,
                legs,
                points,
                new(1 / holding.Advantage)
            ),
            problems
        );
    }

    /// <param name="Along">What is left of its pull along the haul axis: the cosine of how far it lies off.</param>
    /// <param name="Head">Whether it starts a rope: the point there is hauled in line with it, and carries all of
    /// it.</param>
    private readonly record struct Leg(
        int Rope,
        int From,
        int To,
        double Hauling,
        double Holding,
        double Along,
        bool Head
    );

    private sealed record Walked(double Advantage, double[] Tensions);

    private sealed class Layout
    {
        private readonly Arrangement arrangement;
        private readonly Dictionary<string, int> index = new(StringComparer.Ordinal);
        private readonly int[] unknownOfRope;
        private readonly List<int> moving = [];
        private readonly int unknowns;

        public Layout(Arrangement arrangement)
        {
            this.arrangement = arrangement;
            for (var p = 0; p < arrangement.Points.Count; p++)
            {
                index[arrangement.Points[p].Id] = p;
                if (arrangement.Points[p].Kind == PointKind.Moving)
                {
                    moving.Add(p);
                }
            }

            unknownOfRope = new int[arrangement.Ropes.Count];
            for (var r = 0; r < unknownOfRope.Length; r++)
            {
                var from = index[arrangement.Ropes[r].From];
                unknownOfRope[r] = arrangement.Points[from].Kind == PointKind.Hand ? -1 : unknowns++;
                double hauling = 1;
                double holding = 1;
                var head = true;
                foreach (var contact in arrangement.Ropes[r].Contacts)
                {
                    var to = index[contact.Point];
                    Legs.Add(new(r, from, to, hauling, holding, TackleMotion.Along(contact), head));
                    head = false;
                    hauling *= contact.Efficiency ?? 1;
                    holding /= contact.Efficiency ?? 1;
                    from = to;
                }
            }
        }

        public List<Leg> Legs { get; } = [];

        /// <summary>The larger of the pulls on a point toward one end of the axis and toward the other.</summary>
        public double ForceOn(int point, double[] tensions)
        {
            double forth = 0;
            double back = 0;
            for (var i = 0; i < Legs.Count; i++)
            {
                var pull = SideOf(Legs[i], point) * tensions[i];
                forth += Math.Max(pull, 0);
                back -= Math.Min(pull, 0);
            }

            return Math.Max(forth, back);
        }

        public Walked? Walk(Friction friction, List<Problem> problems)
        {
            if (moving.Count != unknowns)
            {
                problems.Add(
                    new(
                        "ropes",
                        moving.Count > unknowns
                            ? "A moving point is left without a rope of its own to hold it in balance: start a rope there, or make the point fixed."
                            : "There are more ropes than the moving points can hold in balance: let each rope but the hauled one start at a moving point of its own."
                    )
                );
                return null;
            }

            var heads = SolveHeads(friction);
            for (var r = 0; r < unknownOfRope.Length; r++)
            {
                if (
                    unknownOfRope[r] >= 0
                    && (!double.IsFinite(heads[unknownOfRope[r]]) || Math.Abs(heads[unknownOfRope[r]]) > 1e9)
                )
                {
                    problems.Add(
                        new(
                            $"ropes[{r}]",
                            "The points of this arrangement cannot come into balance: check which way each leg pulls."
                        )
                    );
                    return null;
                }

                if (unknownOfRope[r] >= 0 && heads[unknownOfRope[r]] < 1e-12)
                {
                    problems.Add(
                        new(
                            $"ropes[{r}]",
                            "This rope would hang slack or have to push: check which way its legs pull the point it starts at."
                        )
                    );
                    return null;
                }
            }

            var tensions = new double[Legs.Count];
            double onLoad = 0;
            for (var i = 0; i < tensions.Length; i++)
            {
                tensions[i] =
                    Factor(Legs[i], friction) * (unknownOfRope[Legs[i].Rope] is >= 0 and var u ? heads[u] : 1);
                onLoad += LoadSide(Legs[i]) * tensions[i];
            }

            if (Math.Abs(onLoad) < 1e-9)
            {
                problems.Add(new("ropes", "Nothing pulls the load: let a rope turn at it or end on it."));
                return null;
            }

            return new(Math.Abs(onLoad), tensions);
        }

        private double[] SolveHeads(Friction friction)
        {
            if (unknowns == 0)
            {
                return [];
            }

            var balance = Matrix<double>.Build.Dense(unknowns, unknowns);
            var known = Vector<double>.Build.Dense(unknowns);
            foreach (var leg in Legs)
            {
                for (var row = 0; row < unknowns; row++)
                {
                    var pull = SideOf(leg, moving[row]) * Factor(leg, friction);
                    if (unknownOfRope[leg.Rope] is >= 0 and var column)
                    {
                        balance[row, column] += pull;
                    }
                    else
                    {
                        known[row] -= pull;
                    }
                }
            }

            return balance.Solve(known).ToArray();
        }

        private static double Factor(in Leg leg, Friction friction) =>
            friction switch
            {
                Friction.Hauling => leg.Hauling,
                Friction.Holding => leg.Holding,
                Friction.None => 1,
            };

        /// <summary>
        /// Share of its tension with which the leg pulls the point: positive up the axis, negative down it, 0 when it
        /// does not touch it.
        /// </summary>
        private double SideOf(in Leg leg, int point)
        {
            var other =
                leg.From == point ? leg.To
                : leg.To == point ? leg.From
                : -1;
            return other < 0
                ? 0
                : (leg.Head && leg.From == point ? 1 : leg.Along)
                    * Math.Sign(arrangement.Points[other].Position - arrangement.Points[point].Position);
        }

        private double LoadSide(in Leg leg) =>
            arrangement.Points[leg.From].Kind == PointKind.Load ? SideOf(leg, leg.From)
            : arrangement.Points[leg.To].Kind == PointKind.Load ? SideOf(leg, leg.To)
            : 0;
    }
}
