using Draklo.Core.Plans;
using Draklo.Core.Units;
using MathNet.Numerics.LinearAlgebra;

namespace Draklo.Core.Tackle;

/// <summary>What hangs on a cam or grip once you let go of the rope, for a load of 1.</summary>
/// <remarks>
/// Method M7 without friction, which could only help: rope cannot run back through the turn, so what lies on its
/// hauling side goes slack and what lies behind it is made fast there. The same balance is solved with the hand's pull
/// at zero.
/// </remarks>
/// <param name="Force">In the rope behind the cam, for a load of 1.</param>
/// <param name="HeaviestLeg">The heaviest leg then, for a load of 1.</param>
/// <param name="HoldsReset">Whether it holds while the tackle is opened: only where the rope behind it is the line
/// itself, made fast to the load and turning nowhere else.</param>
public sealed record Captured(double Force, double HeaviestLeg, bool HoldsReset)
{
    /// <summary>What hangs there, or why nothing does.</summary>
    public static (Captured? Held, Problem? Problem) Of(Arrangement arrangement, CaptureMembers capture)
    {
        if (capture.Rope >= arrangement.Ropes.Count)
        {
            return (
                null,
                new(
                    "rope",
                    $"This tackle has {(arrangement.Ropes.Count == 1 ? "one rope" : $"{arrangement.Ropes.Count} ropes")}: there is no rope number {capture.Rope + 1} to hold."
                )
            );
        }

        var rope = arrangement.Ropes[capture.Rope];
        if (capture.Contact >= rope.Contacts.Count - 1)
        {
            return (
                null,
                new(
                    "contact",
                    capture.Contact == rope.Contacts.Count - 1
                        ? "The rope is made fast here and does not run, so there is nothing to hold: put the cam or grip at a turn."
                        : $"This rope has {(rope.Contacts.Count == 1 ? "no turn" : rope.Contacts.Count == 2 ? "one turn" : $"{rope.Contacts.Count - 1} turns")}: choose one of them."
                )
            );
        }

        var held = Solve(arrangement, capture.Rope, capture.Contact);
        if (held is null)
        {
            return (
                null,
                new(
                    "contact",
                    "It cannot work there: once you let go of the rope, the rope behind it goes slack and the load runs back. Put it where the rope behind it leads on to the load."
                )
            );
        }

        var behind = rope.Contacts.Skip(capture.Contact + 1).ToList();
        var kinds = arrangement.Points.ToDictionary(p => p.Id, p => p.Kind, StringComparer.Ordinal);
        var grounded = kinds[rope.Contacts[capture.Contact].Point] == PointKind.Fixed;
        return (
            held with
            {
                HoldsReset = grounded && behind.Count == 1 && kinds[behind[0].Point] == PointKind.Load,
            },
            null
        );
    }

    private static Captured? Solve(Arrangement arrangement, int locked, int at)
    {
        var index = arrangement
            .Points.Select((p, i) => (p.Id, i))
            .ToDictionary(x => x.Id, x => x.i, StringComparer.Ordinal);
        var rows = arrangement
            .Points.Select((p, i) => (p.Kind, i))
            .Where(x => x.Kind is PointKind.Moving or PointKind.Load)
            .Select((x, row) => (x.i, row))
            .ToDictionary(x => x.i, x => x.row);

        // The head of every rope but the hauled one is unknown, and so is the part behind the cam.
        var columns = new int[arrangement.Ropes.Count];
        var unknowns = 1;
        for (var r = 0; r < columns.Length; r++)
        {
            columns[r] = arrangement.Points[index[arrangement.Ropes[r].From]].Kind == PointKind.Hand ? -1 : unknowns++;
        }

        if (rows.Count != unknowns)
        {
            return null;
        }

        var balance = Matrix<double>.Build.Dense(unknowns, unknowns);
        var wanted = Vector<double>.Build.Dense(unknowns);
        var legs = new List<int>();
        for (var r = 0; r < columns.Length; r++)
        {
            var from = index[arrangement.Ropes[r].From];
            for (var c = 0; c < arrangement.Ropes[r].Contacts.Count; c++)
            {
                var contact = arrangement.Ropes[r].Contacts[c];
                var to = index[contact.Point];
                var column = r == locked && c > at ? 0 : columns[r];
                if (column >= 0)
                {
                    legs.Add(column);
                    var pull = Math.Sign(arrangement.Points[to].Position - arrangement.Points[from].Position);
                    Pull(from, column, pull * (c == 0 ? 1 : TackleMotion.Along(contact)));
                    Pull(to, column, -pull * TackleMotion.Along(contact));
                }

                from = to;
            }
        }

        // The load pulls away from the anchor, up the axis, with 1.
        foreach (var (point, row) in rows)
        {
            wanted[row] = arrangement.Points[point].Kind == PointKind.Load ? -1 : 0;
        }

        var tensions = balance.QR().Solve(wanted);
        var rest = (balance * tensions) - wanted;
        if (
            tensions.Exists(t => !double.IsFinite(t) || t < -1e-9 || t > 1e6)
            || rest.AbsoluteMaximum() > 1e-6
            || tensions[0] < 1e-9
        )
        {
            return null;
        }

        return new(tensions[0], legs.Max(l => tensions[l]), false);

        void Pull(int point, int column, double pull)
        {
            if (rows.TryGetValue(point, out var row))
            {
                balance[row, column] += pull;
            }
        }
    }
}
