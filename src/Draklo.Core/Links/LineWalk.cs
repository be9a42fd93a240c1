using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>What a link carries.</summary>
/// <param name="Planned">At the planned tension, in the link's own dimension.</param>
/// <param name="Worst">What the puller could put on.</param>
/// <param name="MayRise">How much more it may be by what is tabled of the turns, as a share; 0 where turns do not
/// come in.</param>
internal readonly record struct LinkLoad(double Planned, double Worst, double MayRise = 0);

/// <summary>What a link may carry.</summary>
/// <param name="Rated">Strength before reductions, in the link's own dimension.</param>
/// <param name="Factor">Strength wanted over load.</param>
/// <param name="Estimate">True when the strength is a tabled or guessed figure.</param>
/// <param name="MayFall">How much less it may be by what is tabled of it, as a share of the strength.</param>
internal readonly record struct LinkRating(
    double Rated,
    double Factor,
    IReadOnlyList<Reduction> Reductions,
    bool Estimate = false,
    double MayFall = 0
)
{
    /// <summary>What the reductions leave of it.</summary>
    public double Strength
    {
        get
        {
            var left = Rated;
            for (var i = 0; i < Reductions.Count; i++)
            {
                left *= Reductions[i].Keeps;
            }

            return left;
        }
    }
}

/// <summary>One line as its links are put on the load path, from the hauler's hands to its seat.</summary>
internal sealed class LineWalk(
    LoadPath path,
    int index,
    PullLine pulled,
    LineRun run,
    LineTensions tensions,
    SolvedTackle tackle
)
{
    /// <summary>What a bare sling or cord bends over where nothing else is given, metres.</summary>
    public const double ConnectorPin = 0.012;

    private static readonly Dictionary<string, Reduction> Knots = Reference.Knots.Values.ToDictionary(
        k => k.Id,
        k => new Reduction(k.Name.Uncapitalised(), k.KeepsLow),
        StringComparer.Ordinal
    );

    public PlanContext Context => path.Context;

    public LineMembers Line { get; } = path.Context.Plan.Lines[index];

    /// <summary>The line's members, as in "lines[0]".</summary>
    public string Member { get; } = $"lines[{index}]";

    public PullLine Pulled => pulled;

    public LineRun Run => run;

    public LineTensions Tensions => tensions;

    public SolvedTackle Tackle => tackle;

    public DesignFactorMembers Factor => path.Context.Plan.Policy.DesignFactor;

    public ReasonList Unknowns => path.Unknowns;

    /// <summary>What hangs a cam or grip in the tackle once you let go of the rope; null without one.</summary>
    public Captured? Captured { get; } =
        path.Context.Plan.Lines[index].Tackle.Capture is { } capture && tackle.System.UsesAnchor
            ? Core.Tackle.Captured.Of(tackle.System.Shape, capture).Held
            : null;

    /// <summary>What the anchor holds, once it is on the path; null when that is not known.</summary>
    public AnchorStrength? AnchorHolds { get; set; }

    /// <summary>"line", or "steer line" where there are several.</summary>
    public string NameOfLine => Context.Plan.Lines.Count > 1 ? $"{Line.Id} line" : "line";

    /// <summary>The load of what carries the line at the tackle.</summary>
    public LinkLoad AtTackle => new(tensions.End, tensions.WorstEnd, tensions.EndMayRise);

    /// <summary>The load of what joins the tackle to the line.</summary>
    public LinkLoad OnTackleJoint
    {
        get
        {
            var inLine = Line.Tackle.Rope is null;
            var planned = tensions.End * tackle.OnJoint(tackle.Hauling, inLine);
            return new(
                planned,
                Math.Max(planned, tensions.WorstEnd * tackle.OnJoint(tackle.AtBest, inLine)),
                Rise(tensions.End * (1 + tensions.EndMayRise) * tackle.OnJoint(tackle.AtLeast, inLine), planned)
            );
        }
    }

    /// <summary>What hangs on the tackle's end while nobody hauls.</summary>
    /// <param name="share">Of the tension there.</param>
    public LinkLoad Hanging(double share) => new(share * tensions.End, share * tensions.WorstEnd, tensions.EndMayRise);

    /// <summary>What a part of the tackle carries while it is hauled, with its turns as usual, at their best and at their least.</summary>
    /// <param name="forHand">Its force for a hand force of 1.</param>
    public LinkLoad InTackle(Func<TackleSolution, double> forHand)
    {
        var planned = forHand(tackle.Hauling) * tensions.Hand;
        return new(
            planned,
            forHand(tackle.AtBest) * tensions.WorstHand,
            Rise(forHand(tackle.AtLeast) * tensions.Hand * (1 + tensions.HandMayRise), planned)
        );
    }

    private static double Rise(double atLeast, double planned) =>
        planned > 0 ? Math.Max(0, (atLeast / planned) - 1) : 0;

    /// <summary>
    /// Whether a machine or winch hauls that stands still: whatever does not move is anchored, and its anchor feels all
    /// that it pulls.
    /// </summary>
    public bool PullerStands => Line.Puller.Kind is PullerKind.Machine or PullerKind.HandWinch;

    /// <summary>Whether the line's anchor carries anything: the tackle hangs on it, or the winch does.</summary>
    public bool AnchorIsLoaded => tackle.System.UsesAnchor || PullerStands;

    /// <summary>What the hands must give, and what the usual turns leave open.</summary>
    public LinkLoad OnHands => new(tensions.Hand, tensions.Hand, tensions.HandMayRise);

    /// <summary>How far the line rises from its anchor, radians; negative where it falls.</summary>
    public double RiseAtAnchor => RiseFrom(run.Points[^1], run.Points[^2]);

    private static double RiseFrom(Point anchor, Point next)
    {
        var along = Direction.From(anchor, next);
        return Math.Asin(Math.Clamp(along.Up, -1, 1));
    }

    /// <summary>The load of the anchor. While the line hangs on what holds it, all of it is there and no hand helps.</summary>
    public LinkLoad OnAnchor
    {
        get
        {
            if (!tackle.System.UsesAnchor)
            {
                return new(tensions.Hand, tensions.WorstHand, tensions.HandMayRise);
            }

            var hauled = InTackle(s => SolvedTackle.ForceOn(s, "anchor"));
            var held = Line.Tackle.Hold is not null || Line.Tackle.Capture is not null ? Hanging(1) : default;
            return new(
                Math.Max(hauled.Planned, held.Planned),
                Math.Max(hauled.Worst, held.Worst),
                hauled.Planned * (1 + hauled.MayRise) > held.Planned * (1 + held.MayRise)
                    ? hauled.MayRise
                    : held.MayRise
            );
        }
    }

    /// <summary>Adds a link that carries a force.</summary>
    public void Add(LinkRule rule, string name, LinkLoad load, LinkRating rating, int? place = null) =>
        path.Add(
            rule,
            place is null ? $"{Line.Id}.{rule.Suffix}" : $"{Line.Id}.redirect-{place}-{rule.Suffix}",
            name,
            Line.Id,
            place,
            Dimension.Force,
            load,
            rating,
            rule.LimitsTension ? Context.PlannedTension : 0
        );

    /// <summary>Adds a link whose load is a stress.</summary>
    public void AddStress(LinkRule rule, string name, LinkLoad load, LinkRating rating) =>
        path.Add(
            rule,
            $"{Line.Id}.{rule.Suffix}",
            name,
            Line.Id,
            null,
            Dimension.Stress,
            load,
            rating,
            Context.PlannedTension
        );

    /// <summary>Adds a link of the rope itself, with what a knot and wear take off it.</summary>
    public void AddOnRope(LinkRule rule, string name, LinkLoad load, RopeMembers rope, Reduction? knot = null)
    {
        List<Reduction>? reductions = null;
        if (knot is not null || rope.Wear is not null)
        {
            reductions = new(3);
            if (knot is not null)
            {
                reductions.Add(knot);
            }

            Wear.Add(rope.Wear, rope.ConstructionId, reductions);
        }

        Add(rule, name, load, new(rope.BreakingStrengthN, Factor.Rope, reductions ?? []));
    }

    /// <summary>What a knot takes off a rope.</summary>
    public static Reduction Kept(string knotId) => Knots[knotId];

    /// <param name="pin">What the rope bends round, metres; null where it suits the rope.</param>
    /// <param name="rope">Its diameter, metres.</param>
    public static void AddBend(double? pin, double rope, List<Reduction> reductions)
    {
        if (pin is { } diameter && Bend.Keeps(diameter / rope) is < 1 and var keeps)
        {
            reductions.Add(new(Bend.Name, keeps));
        }
    }
}
