using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>
/// A line's tackle as it is drawn: every leg, every point, what friction took, and how it is hauled in sets.
/// </summary>
/// <remarks>Methods M7 and M8; forces are for the planned tension.</remarks>
public sealed record TackleView
{
    public required string Name { get; init; }

    public required string Note { get; init; }

    /// <summary>What this tackle is often taken for, where the count is another.</summary>
    public required string? PeopleSay { get; init; }

    public required Arrangement Arrangement { get; init; }

    /// <summary>Where the points stand when it is fully opened, metres from the anchor toward the tree, in the order of the arrangement.</summary>
    public required IReadOnlyList<double> StartsM { get; init; }

    /// <summary>Of the points, for one length of rope hauled, in the order of the arrangement.</summary>
    public required IReadOnlyList<double> Speeds { get; init; }

    /// <summary>N, 0 or more, from the hauling end on.</summary>
    public required IReadOnlyList<double> LegForcesN { get; init; }

    /// <summary>N, 0 or more, in the order of the points.</summary>
    public required IReadOnlyList<double> PointForcesN { get; init; }

    public required IReadOnlyList<ContactCost> Costs { get; init; }

    /// <summary>What stands at every turn, in the order in which the ropes are followed.</summary>
    public required IReadOnlyList<TurnView> Contacts { get; init; }

    /// <summary>Whether it is rove in the pull line itself.</summary>
    public required bool InLine { get; init; }

    /// <summary>Load over hand force without friction, 1 or more.</summary>
    public required double IdealAdvantage { get; init; }

    /// <summary>The same after friction, over 0.</summary>
    public required double ActualAdvantage { get; init; }

    /// <summary>At the hauling end, newtons.</summary>
    public required double HandForceN { get; init; }

    /// <summary>At the tackle, newtons.</summary>
    public required double LoadN { get; init; }

    /// <summary>Line that must come in, metres.</summary>
    public required double TakeUpM { get; init; }

    public required HaulSets Sets { get; init; }

    /// <summary>Between the blocks at the start, metres.</summary>
    public required double OpenedM { get; init; }

    /// <summary>Between the blocks where they meet, metres.</summary>
    public required double ClosedM { get; init; }

    /// <summary>Rope in the tackle when it is fully opened, with its tail.</summary>
    public required double RopeM { get; init; }

    /// <summary>Rope in each leg when it is fully opened; none for a line that is hauled without a tackle.</summary>
    public required IReadOnlyList<double> LegLengthsM { get; init; }

    /// <summary>From the anchor to the grip, fully opened.</summary>
    public required double SpaceM { get; init; }

    /// <summary>What holds the load while you reset the tackle.</summary>
    public required string HeldBy { get; init; }

    /// <summary>What holds it between heaves; null where the hands do.</summary>
    public required CaptureView? Capture { get; init; }

    public static (TackleView? View, List<Problem> Problems) Of(Plan plan, int line, UnitSystem units)
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        if (line < 0 || line >= plan.Lines.Count)
        {
            return (null, [new("line", $"There is no line number {line + 1}: this plan has {plan.Lines.Count}.")]);
        }

        var members = plan.Lines[line];
        var tackle = SolvedTackle.From(members.Tackle);
        var arrangement = tackle.System.Rove(
            Turns.Usual(ContactKind.Of(members.Tackle.ContactId, members.Tackle.Passes))
        );
        var solved = tackle.Hauling;
        var result = analysis.Pull.Lines[line];
        var hand = result.Tackle.HandForceN;
        var opening = tackle.System.Opened(members.Tackle.OpenedM, members.Tackle.ClosedM);
        return (
            new()
            {
                Name = tackle.System.Name,
                Note = tackle.System.Note,
                PeopleSay = tackle.System.PeopleSay,
                Arrangement = arrangement,
                StartsM = opening.StartsM,
                Speeds = tackle.System.Motion.Speeds,
                LegForcesN = [.. solved.Legs.Select(l => l.Tension * hand)],
                PointForcesN = [.. solved.Points.Select(p => p.Force * hand)],
                Costs = FrictionAccount.Of(arrangement, solved),
                Contacts = TurnsOf(tackle.System, ContactKind.Of(members.Tackle.ContactId, members.Tackle.Passes)),
                InLine = tackle.System.IsRoveIn(members),
                IdealAdvantage = solved.IdealAdvantage,
                ActualAdvantage = solved.ActualAdvantage,
                HandForceN = hand,
                LoadN = result.EndTensionN,
                TakeUpM = result.TakeUpM,
                Sets = result.Tackle.Sets,
                OpenedM = members.Tackle.OpenedM,
                ClosedM = members.Tackle.ClosedM,
                RopeM = opening.RopeM,
                LegLengthsM = opening.LegsM,
                SpaceM = opening.SpaceM,
                HeldBy = HoldingPiece.Of(members, tackle.System).Words,
                Capture = result.Tackle.Capture,
            },
            []
        );
    }

    private static List<TurnView> TurnsOf(TackleSystem system, ContactKind usual)
    {
        var found = new List<TurnView>();
        for (var r = 0; r < system.Shape.Ropes.Count; r++)
        {
            for (var c = 0; c < system.Shape.Ropes[r].Contacts.Count - 1; c++)
            {
                var kind = system.OwnKinds.GetValueOrDefault((r, c), usual);
                found.Add(new(r, c, kind.Name, kind.BuiltOf));
            }
        }

        return found;
    }
}

/// <summary>What the rope turns at.</summary>
/// <param name="BuiltOf">block, ring, carabiner, rope or bark.</param>
public sealed record TurnView(int Rope, int Contact, string Name, string BuiltOf);
