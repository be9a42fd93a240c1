using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using MathNet.Numerics.LinearAlgebra;

namespace Draklo.Core.Tackle;

/// <summary>How the points of an arrangement move while its rope is hauled.</summary>
/// <remarks>
/// Methods M7 and M8. Ropes do not stretch: over each of them the lengthening of its legs adds to nothing, which gives
/// one linear equation a rope. Speeds are along the haul axis for a hand that draws one length of rope; positive toward
/// greater positions.
/// </remarks>
/// <param name="Speeds">Of every point, in the order of the arrangement; 0 for fixed ones.</param>
public sealed record TackleMotion(IReadOnlyList<double> Speeds)
{
    /// <summary>A point that would run a million lengths for one hauled is held by nothing.</summary>
    private const double Fastest = 1e6;

    /// <summary>What is left along the haul axis of the leg that runs to a contact.</summary>
    public static double Along(TackleContact contact) =>
        contact.OffAxisDeg == 0 ? 1 : Math.Cos(Angle.Radians(contact.OffAxisDeg));

    /// <summary>The motion, or null where the points' motion does not follow from the hand's alone.</summary>
    public static TackleMotion? Of(Arrangement arrangement)
    {
        var index = new Dictionary<string, int>(StringComparer.Ordinal);
        var unknown = new int[arrangement.Points.Count];
        var unknowns = 0;
        for (var p = 0; p < unknown.Length; p++)
        {
            index[arrangement.Points[p].Id] = p;
            unknown[p] = arrangement.Points[p].Kind is PointKind.Moving or PointKind.Load ? unknowns++ : -1;
        }

        if (unknowns != arrangement.Ropes.Count)
        {
            return null;
        }

        var matrix = Matrix<double>.Build.Dense(unknowns, unknowns);
        var hauled = Vector<double>.Build.Dense(unknowns);
        var speeds = new double[unknown.Length];
        for (var r = 0; r < arrangement.Ropes.Count; r++)
        {
            var from = index[arrangement.Ropes[r].From];
            var head = true;
            foreach (var contact in arrangement.Ropes[r].Contacts)
            {
                var to = index[contact.Point];
                var along = Math.Sign(arrangement.Points[to].Position - arrangement.Points[from].Position);
                Add(r, to, along * Along(contact));
                Add(r, from, head ? -along : -along * Along(contact));
                head = false;
                if (arrangement.Points[from].Kind == PointKind.Hand)
                {
                    // The hand draws one length away from the first point that its rope comes to.
                    speeds[from] = -along;
                    hauled[r] -= 1;
                }

                from = to;
            }
        }

        var solved = matrix.Solve(hauled);
        if (solved.Exists(speed => !double.IsFinite(speed) || Math.Abs(speed) > Fastest))
        {
            return null;
        }

        for (var p = 0; p < unknown.Length; p++)
        {
            speeds[p] = unknown[p] >= 0 ? solved[unknown[p]] : speeds[p];
        }

        return new(speeds);

        void Add(int rope, int point, double sign)
        {
            if (unknown[point] >= 0)
            {
                matrix[rope, unknown[point]] += sign;
            }
        }
    }
}
