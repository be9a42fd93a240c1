using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>A line's tackle as it is drawn: every leg, every point, what friction took, and how it is hauled in sets.</summary>
/// <remarks>Methods M7 and M8; forces are for the planned tension.</remarks>
/// <param name="PeopleSay">What this tackle is often taken for, where the count is another.</param>
/// <param name="Speeds">Of the points, for one length of rope hauled, in the order of the arrangement.</param>
/// <param name="StartsM">Where the points stand when it is fully opened, metres from the anchor toward the tree, in the order of the arrangement.</param>
/// <param name="RopeM">Rope in the tackle when it is fully opened, with its tail.</param>
/// <param name="SpaceM">From the anchor to the grip, fully opened.</param>
/// <param name="HeldBy">What holds the load while the tackle is opened again.</param>
public sealed record TackleView(
    string Name, string Note, string? PeopleSay, Arrangement Arrangement, IReadOnlyList<double> StartsM, IReadOnlyList<double> Speeds, IReadOnlyList<double> LegForcesN, IReadOnlyList<double> PointForcesN, IReadOnlyList<ContactCost> Costs,
    double IdealAdvantage, double ActualAdvantage, double HandForceN, double LoadN, double TakeUpM, HaulSets Sets, double OpenedM, double ClosedM, double RopeM, double SpaceM, string HeldBy)
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
        var tackle = PulledLine.From(members.Tackle);
        var arrangement = tackle.System.Rove(Turns.Usual(Reference.Contacts[members.Tackle.ContactId]));
        var solved = tackle.Hauling;
        var result = analysis.Pull.Lines[line];
        var hand = result.Tackle.HandForceN;
        return (new(
            tackle.System.Name,
            tackle.System.Note,
            PeopleSayOf(tackle.System.Id),
            arrangement,
            StartsOf(arrangement, tackle.System.Motion, members.Tackle.OpenedM),
            tackle.System.Motion.Speeds,
            [.. solved.Legs.Select(l => l.Tension * hand)],
            [.. solved.Points.Select(p => p.Force * hand)],
            FrictionAccount.Of(arrangement, solved),
            solved.IdealAdvantage,
            solved.ActualAdvantage,
            hand,
            result.EndTensionN,
            result.TakeUpM,
            result.Tackle.Sets,
            members.Tackle.OpenedM,
            members.Tackle.ClosedM,
            RopeNeeded.InTackle(tackle.System, members.Tackle.OpenedM),
            tackle.System.UsesAnchor && result.Tackle.Sets.LinePerSetM is not null ? members.Tackle.OpenedM : 0,
            HoldingPiece.Of(members, tackle.System).Words), []);
    }

    /// <summary>The pair that closes first stands the opened length apart; what else moves stands a little beside it.</summary>
    private static double[] StartsOf(Arrangement arrangement, TackleMotion motion, double opened)
    {
        const double Beside = 1.4;
        var moving = -1;
        for (var p = 0; p < arrangement.Points.Count; p++)
        {
            moving = arrangement.Points[p].Kind == PointKind.Moving ? p : moving;
        }

        // A traveller is drawn to the anchor; a second grip is drawn to the first, away from it.
        var toAnchor = moving >= 0 && motion.Speeds[moving] < 0;
        var load = moving < 0 ? opened : opened + Beside;
        return [.. arrangement.Points.Select(p => p.Kind switch
        {
            PointKind.Load => load,
            PointKind.Moving => toAnchor ? opened : Beside,
            PointKind.Hand => p.Position > 10 ? load + 1 : -2.5,
            _ => 0,
        })];
    }

    private static string? PeopleSayOf(string systemId) => systemId switch
    {
        "four-to-one" => "People say five, counting the hauled leg twice; it is four.",
        "five-between-grips" => "People say ten; it is nine, for the hauler stands on the ground.",
        "three-to-one-rope-loop" => "People say three; rope on rope leaves about one and a half.",
        "redirected" => "A turn at the anchor gains nothing, though it feels like more.",
        _ => null,
    };
}

/// <summary>What holds the load while the tackle is opened again.</summary>
/// <param name="Held">False when nothing is told that could.</param>
public sealed record HoldingPiece(bool Held, string Words)
{
    public static HoldingPiece Of(LineMembers line, TackleSystem system) =>
        line.Tackle.Grip is { } grip && !RopeNeeded.InLine(line, system) ? new(true, $"the {Reference.Grips[grip.GripId].Name.Split(',')[0]}, with a second grip or turns behind it")
        : line.Limiter is not null ? new(true, "the turns on the drum")
        : system.Id == "three-to-one-rope-loop" ? new(true, "its own friction, and half hitches to be sure")
        : new(false, "nothing yet: put a grip or turns on the line first");
}
