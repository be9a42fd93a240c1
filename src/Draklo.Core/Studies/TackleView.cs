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
/// <param name="PeopleSay">What this tackle is often taken for, where the count is another.</param>
/// <param name="Contacts">What stands at every turn, in the order in which the ropes are followed.</param>
/// <param name="InLine">Whether it is rove in the pull line itself.</param>
/// <param name="Speeds">Of the points, for one length of rope hauled, in the order of the arrangement.</param>
/// <param name="StartsM">Where the points stand when it is fully opened, metres from the anchor toward the tree, in the
/// order of the arrangement.</param>
/// <param name="RopeM">Rope in the tackle when it is fully opened, with its tail.</param>
/// <param name="LegLengthsM">Rope in each leg when it is fully opened; none for a line that is hauled without a
/// tackle.</param>
/// <param name="SpaceM">From the anchor to the grip, fully opened.</param>
/// <param name="HeldBy">What holds the load while you reset the tackle.</param>
/// <param name="Capture">What holds it between heaves; null where the hands do.</param>
public sealed record TackleView(
    string Name,
    string Note,
    string? PeopleSay,
    Arrangement Arrangement,
    IReadOnlyList<double> StartsM,
    IReadOnlyList<double> Speeds,
    IReadOnlyList<double> LegForcesN,
    IReadOnlyList<double> PointForcesN,
    IReadOnlyList<ContactCost> Costs,
    IReadOnlyList<TurnView> Contacts,
    bool InLine,
    double IdealAdvantage,
    double ActualAdvantage,
    double HandForceN,
    double LoadN,
    double TakeUpM,
    HaulSets Sets,
    double OpenedM,
    double ClosedM,
    double RopeM,
    IReadOnlyList<double> LegLengthsM,
    double SpaceM,
    string HeldBy,
    CaptureView? Capture
)
{
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
            new(
                tackle.System.Name,
                tackle.System.Note,
                tackle.System.PeopleSay,
                arrangement,
                opening.StartsM,
                tackle.System.Motion.Speeds,
                [.. solved.Legs.Select(l => l.Tension * hand)],
                [.. solved.Points.Select(p => p.Force * hand)],
                FrictionAccount.Of(arrangement, solved),
                TurnsOf(tackle.System, ContactKind.Of(members.Tackle.ContactId, members.Tackle.Passes)),
                tackle.System.IsRoveIn(members),
                solved.IdealAdvantage,
                solved.ActualAdvantage,
                hand,
                result.EndTensionN,
                result.TakeUpM,
                result.Tackle.Sets,
                members.Tackle.OpenedM,
                members.Tackle.ClosedM,
                opening.RopeM,
                opening.LegsM,
                opening.SpaceM,
                HoldingPiece.Of(members, tackle.System).Words,
                result.Tackle.Capture
            ),
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
