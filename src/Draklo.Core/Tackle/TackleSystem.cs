using System.Collections.Concurrent;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A named way of reeving a tackle.</summary>
/// <param name="Id">Stable name, as the plan document uses it.</param>
/// <param name="Note">What people should know before they choose it.</param>
/// <param name="InLine">Whether it is always rove in the pull line's own tail.</param>
/// <param name="UsesAnchor">Whether it hangs on the anchor; a line hauled directly does not.</param>
/// <param name="PeopleSay">What it is often taken for, where the count is another.</param>
/// <param name="Rove">The arrangement, given what passes at its turns.</param>
public sealed record TackleSystem(
    string Id,
    string Name,
    string Note,
    bool InLine,
    bool UsesAnchor,
    Func<Turns, Arrangement> Rove,
    string? PeopleSay = null
)
{
    /// <summary>An efficiency that no contact has, to find the turns it comes to.</summary>
    private const double LoopMark = 0.123456789;

    private readonly ConcurrentDictionary<Turns, TackleSolution> solved = new();
    private Opening? lastOpening;

    /// <summary>Whether it is rove in the pull line itself, rather than in a rope of its own.</summary>
    public bool IsRoveIn(LineMembers line) => InLine || line.Tackle.Rope is null;

    /// <summary>Legs of rope beside the line's own run when it is rove in the line; hauling directly adds none.</summary>
    public int LegsInLine => Shape.Ropes.Sum(r => r.Contacts.Count) - 1;

    /// <summary>How its points move; the same for all turns.</summary>
    public TackleMotion Motion { get; } = TackleMotion.Of(Rove(new(1, 1)))!;

    /// <summary>Its points and ropes; what passes at its turns does not matter.</summary>
    public Arrangement Shape { get; } = Rove(new(1, 1));

    /// <summary>Whether it is hauled back from the anchor, so that the loaded line turns there.</summary>
    public bool HauledBack { get; } = IsHauledBack(Rove(new(1, 1)).Points);

    /// <summary>Whether the rope runs through a loop in itself.</summary>
    public bool HasRopeLoop { get; } =
        Rove(new(1, LoopMark)).Ropes.Any(r => r.Contacts.Any(c => c.Efficiency == LoopMark));

    /// <summary>Turns with a kind of their own beside the line's choice, by rope and contact.</summary>
    public IReadOnlyDictionary<(int Rope, int Contact), ContactKind> OwnKinds { get; init; } =
        LoopsOf(Rove(new(1, LoopMark)));

    /// <summary>The points where a rope turns at a block or connector; a rope's own loop is no hardware.</summary>
    public IReadOnlyList<string> HardwarePoints { get; init; } =
    [
        .. Rove(new(1, 0.5))
            .Ropes.SelectMany(r => r.Contacts)
            .Where(c => c.Efficiency == 1)
            .Select(c => c.Point)
            .Distinct(StringComparer.Ordinal),
    ];

    private static Dictionary<(int Rope, int Contact), ContactKind> LoopsOf(Arrangement marked) =>
        marked
            .Ropes.SelectMany((rope, r) => rope.Contacts.Select((contact, c) => (r, c, contact.Efficiency)))
            .Where(x => x.Efficiency == LoopMark)
            .ToDictionary(x => (x.r, x.c), _ => Turns.Loop);

    private static bool IsHauledBack(IReadOnlyList<TacklePoint> points) =>
        points.Count(p => p.Kind == PointKind.Fixed) > 1
        || points.Single(p => p.Kind == PointKind.Hand).Position
            > points.Single(p => p.Kind == PointKind.Load).Position;

    /// <summary>
    /// Its lengths when it starts so far open; the last ones asked for are remembered, for a plan asks again at every
    /// step of a drag.
    /// </summary>
    public Opening Opened(double opened, double closed)
    {
        var last = lastOpening;
        if (last is null || last.OpenedM != opened || last.ClosedM != closed)
        {
            lastOpening = last = Opening.Of(this, opened, closed);
        }

        return last;
    }

    /// <summary>The system with turns of these efficiencies.</summary>
    /// <exception cref="ArgumentException">An efficiency is outside its range.</exception>
    public TackleSolution Solve(Turns turns)
    {
        if (!solved.TryGetValue(turns, out var solution))
        {
            var (found, problems) = TackleSolver.Solve(Rove(turns));
            solution = found ?? throw new ArgumentException(problems[0].Message, nameof(turns));
            solved.TryAdd(turns, solution);
        }

        return solution;
    }
}
