using System.Collections.Concurrent;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A way of reeving a tackle: a named one, or one of the crew's own.</summary>
/// <remarks>
/// It never changes. It is solved once per turn efficiency and remembers that, because a drag asks for the same one
/// hundreds of times.
/// </remarks>
public sealed class TackleSystem
{
    /// <summary>An efficiency that no contact has, to find the turns it comes to.</summary>
    private const double LoopMark = 0.123456789;

    private readonly ConcurrentDictionary<Turns, TackleSolution> solved = new();
    private Opening? lastOpening;

    /// <param name="inLine">Whether it is always rove in the pull line's own tail.</param>
    /// <param name="rove">The arrangement, given what passes at its turns.</param>
    public TackleSystem(string id, string name, string note, bool inLine, Func<Turns, Arrangement> rove)
    {
        (Id, Name, Note, InLine, Rove) = (id, name, note, inLine, rove);
        Shape = rove(new(1, 1));
        Motion = TackleMotion.Of(Shape)!;
        Closing = HaulClosing.Of(Shape, Motion);
        UsesAnchor = Shape.Ropes.Any(r => r.From == "anchor" || r.Contacts.Any(c => c.Point == "anchor"));
        HauledBack = IsHauledBack(Shape.Points);
        var marked = rove(new(1, LoopMark));
        HasRopeLoop = marked.Ropes.Any(r => r.Contacts.Any(c => c.Efficiency == LoopMark));
        OwnKinds = LoopsOf(marked);
        HardwarePoints =
        [
            .. rove(new(1, 0.5))
                .Ropes.SelectMany(r => r.Contacts)
                .Where(c => c.Efficiency == 1)
                .Select(c => c.Point)
                .Distinct(StringComparer.Ordinal),
        ];
    }

    /// <summary>Stable name, as the plan document uses it.</summary>
    public string Id { get; }

    public string Name { get; }

    /// <summary>What people should know before they choose it.</summary>
    public string Note { get; }

    /// <summary>What it is often taken for, where the count is another.</summary>
    public string? PeopleSay { get; init; }

    /// <summary>Whether it is always rove in the pull line's own tail.</summary>
    public bool InLine { get; }

    /// <summary>Whether it hangs on the anchor; a line hauled directly does not.</summary>
    public bool UsesAnchor { get; }

    /// <summary>The arrangement, given what passes at its turns.</summary>
    public Func<Turns, Arrangement> Rove { get; }

    /// <summary>Its points and ropes; what passes at its turns does not matter.</summary>
    public Arrangement Shape { get; }

    /// <summary>How its points move; the same for all turns.</summary>
    public TackleMotion Motion { get; }

    /// <summary>How fast its blocks close; the same for all turns.</summary>
    public HaulClosing Closing { get; }

    /// <summary>Whether it is hauled back from the anchor, so that the loaded line turns there.</summary>
    public bool HauledBack { get; }

    /// <summary>Whether the rope runs through a loop in itself.</summary>
    public bool HasRopeLoop { get; }

    /// <summary>Turns with a kind of their own beside the line's choice, by rope and contact.</summary>
    public IReadOnlyDictionary<(int Rope, int Contact), ContactKind> OwnKinds { get; init; }

    /// <summary>The points where a rope turns at a block or connector; a rope's own loop is no hardware.</summary>
    public IReadOnlyList<string> HardwarePoints { get; init; }

    /// <summary>Legs of rope beside the line's own run when it is rove in the line; hauling directly adds none.</summary>
    public int LegsInLine => Shape.Ropes.Sum(r => r.Contacts.Count) - 1;

    /// <summary>Whether it is rove in the pull line itself, rather than in a rope of its own.</summary>
    public bool IsRoveIn(LineMembers line) => InLine || line.Tackle.Rope is null;

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

    private static Dictionary<(int Rope, int Contact), ContactKind> LoopsOf(Arrangement marked) =>
        marked
            .Ropes.SelectMany((rope, r) => rope.Contacts.Select((contact, c) => (r, c, contact.Efficiency)))
            .Where(x => x.Efficiency == LoopMark)
            .ToDictionary(x => (x.r, x.c), _ => Turns.Loop);

    private static bool IsHauledBack(IReadOnlyList<TacklePoint> points) =>
        points.Count(p => p.Kind == PointKind.Fixed) > 1
        || points.Single(p => p.Kind == PointKind.Hand).Position
            > points.Single(p => p.Kind == PointKind.Load).Position;
}
