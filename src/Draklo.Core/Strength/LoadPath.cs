using Draklo.Core.Catalogue;
using Draklo.Core.Hinges;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Strength;

/// <summary>A strength or a piece that the plan does not give.</summary>
/// <param name="Path">The member to fill in.</param>
public sealed record Unknown(string Path, string Text);

/// <summary>Walks from the haulers' hands to the stump and checks every link.</summary>
/// <remarks>Method M9. Loads are for the planned tension; worst loads for the hardest heave through the best turns.</remarks>
public sealed class LoadPath(PlanContext context)
{
    private const double RootMomentPerKg = 100;
    private const double LooseRootMomentPerKg = 60;

    private readonly List<Link> links = new(16);
    private readonly List<Unknown> unknowns = [];

    public IReadOnlyList<Link> Links => links;

    public IReadOnlyList<Unknown> Unknowns => unknowns;

    /// <summary>What the anchors hold, line by line; null for one that is not known or a line that has none.</summary>
    public List<AnchorStrength?> Anchors { get; } = new(2);

    /// <summary>The main tension at which the first strength is used up with its factor, N; infinite when none is known.</summary>
    public double AllowableTension { get; private set; } = double.PositiveInfinity;

    /// <summary>The link that <see cref="AllowableTension"/> belongs to.</summary>
    public Link? LimitingLink { get; private set; }

    /// <summary>Adds every link of one line.</summary>
    /// <param name="planned">Main tension, N.</param>
    public void AddLine(int index, double planned, PulledLine pulled)
    {
        var line = context.Plan.Lines[index];
        var path = $"lines[{index}]";
        var factor = context.Plan.Policy.DesignFactor;
        var id = line.Id;
        var tension = line.Share * planned;
        var hand = tension / pulled.Hauling.ActualAdvantage;
        var worstHand = Effort.WorstCredible(line.Puller);
        var worstTension = worstHand * pulled.AtBest.ActualAdvantage;

        var steady = Effort.Steady(line.Puller);
        AddForce(id, "hands", line.Puller.Count == 1 ? "One hauler" : $"{Sentences.Count(line.Puller.Count).Capitalised()} haulers", hand, hand, steady, 1, [], limitsTension: false, estimate: true);

        var contact = Reference.Contacts[line.Tackle.ContactId];
        var bent = BendOf(line, contact, pulled.System);
        if (pulled.System.UsesAnchor)
        {
            AddTackle(line, path, pulled, hand, worstHand, contact, bent, factor);
        }

        var built = pulled.System.InLine || line.Tackle.Rope is null;
        if (!built)
        {
            if (line.Tackle.JoinKnotId is { } join)
            {
                var knot = Reference.Knots[join];
                AddForce(id, "join", knot.Name + " at the tackle", tension, worstTension, line.Rope.BreakingStrengthN, factor.Rope, [new(Lower(knot.Name), knot.KeepsLow)]);
            }
            else
            {
                unknowns.Add(new($"{path}.tackle.joinKnotId", $"How the tackle is joined to the {NameOf(line)} is not given."));
            }
        }

        AddForce(id, "rope", "Pull line", tension, worstTension, line.Rope.BreakingStrengthN, factor.Rope, []);
        var seatKnot = Reference.Knots[line.KnotId];
        AddForce(id, "knot", seatKnot.Name, tension, worstTension, line.Rope.BreakingStrengthN, factor.Rope, [new(Lower(seatKnot.Name), seatKnot.KeepsLow)]);

        if (!pulled.System.UsesAnchor)
        {
            Anchors.Add(null);
        }
        else
        {
            AddAnchor(line, path, PulledLine.ForceOn(pulled.Hauling, "anchor") * hand, PulledLine.ForceOn(pulled.AtBest, "anchor") * worstHand, factor);
        }
    }

    /// <summary>Adds what all lines load together: the stem, the roots and the hinge.</summary>
    /// <param name="planned">Main tension, N.</param>
    /// <param name="atWorst">The lines with their worst credible tensions as shares of 1 N.</param>
    public void AddTree(double planned, StemBending atNeeded, double needed, PullLine[] lines, PullLine[] atWorst, double sideMoment)
    {
        var factor = context.Plan.Policy.DesignFactor;
        var tree = context.Tree;
        var soundness = tree.Soundness.Value;
        var perNewton = needed > 0 ? atNeeded.WorstStress / needed : 0;
        List<Reduction> sound = soundness < 1 ? [new("soundness", soundness)] : [];
        Add("stem", "Stem under the line", null, LinkQuantity.Stress, perNewton * planned, StemBending.Under(tree, soundness, atWorst, 1).WorstStress, tree.Wood.Strength, factor.Stem, sound, planned, estimate: true);

        var back = Math.Max(0, -tree.ForwardMoment - context.Wind.ForwardMoment);
        var arms = Pull.ArmSum(lines, 0);
        var roots = Math.Max(back, (planned * arms) - back);
        Add("roots", "Roots of the tree", null, LinkQuantity.Moment, roots, Math.Max(back, Pull.ArmSum(atWorst, 0) - back), (context.Plan.Tree.Condition.RootsLifted ? LooseRootMomentPerKg : RootMomentPerKg) * tree.StemMass, factor.Anchor, [], 0, estimate: true);
        Add("hinge", "Hinge, sideways", null, LinkQuantity.Moment, sideMoment, sideMoment, context.Hinge.SideCapacity, 1, [], 0, estimate: true);
    }

    private void AddTackle(LineMembers line, string path, PulledLine pulled, double hand, double worstHand, ContactKind contact, Reduction? bent, DesignFactorMembers factor)
    {
        var rated = line.Tackle.Rope?.BreakingStrengthN ?? line.Rope.BreakingStrengthN;
        var reductions = new List<Reduction>(2);
        if (bent is not null)
        {
            reductions.Add(bent);
        }

        if (!pulled.System.InLine && line.Tackle.Rope is { } own)
        {
            reductions.Add(new(Lower(Reference.Knots[own.EndKnotId].Name), Reference.Knots[own.EndKnotId].KeepsLow));
        }
        else if (pulled.System.Id == "three-to-one-rope-loop")
        {
            reductions.Add(new("rope-loop hitch", Reference.Knots["rope-loop-hitch"].KeepsLow));
        }

        AddForce(line.Id, "legs", pulled.System.Id == "redirected" ? "Hauling leg" : "Tackle rope, hauling leg",
            PulledLine.HeaviestLeg(pulled.Hauling) * hand, PulledLine.HeaviestLeg(pulled.AtBest) * worstHand, rated, factor.Rope, reductions);
        if (contact.BuiltOf is "block" or "ring" or "carabiner")
        {
            if (line.Tackle.HardwareStrengthN is { } strength)
            {
                AddForce(line.Id, "blocks", contact.Name, PulledLine.HeaviestTurn(pulled.Hauling, pulled.Hardware) * hand, PulledLine.HeaviestTurn(pulled.AtBest, pulled.Hardware) * worstHand, strength, factor.Hardware, []);
            }
            else
            {
                unknowns.Add(new($"{path}.tackle.hardwareStrengthN", $"The strength of the {Lower(contact.Name)} on the {NameOf(line)} is not given."));
            }
        }
    }

    private void AddAnchor(LineMembers line, string path, double load, double worst, DesignFactorMembers factor)
    {
        if (line.Anchor.Sling is { } sling)
        {
            var hitch = sling.Hitch switch
            {
                SlingHitch.Choked => new Reduction("choked", 0.8),
                SlingHitch.Basket => new Reduction("basket", 2 * Math.Cos(Geometry.Angle.Radians(sling.HalfAngleDeg))),
                _ => new Reduction("straight", 1),
            };
            AddForce(line.Id, "sling", "Anchor sling", load, worst, sling.BreakingStrengthN, factor.Sling, [hitch]);
        }
        else
        {
            unknowns.Add(new($"{path}.anchor.sling", $"The sling at the anchor of the {NameOf(line)} is not given."));
        }

        var name = string.IsNullOrWhiteSpace(line.Anchor.Name) ? "Anchor" : line.Anchor.Name;
        var strength = AnchorStrength.Of(line.Anchor, line.Id, context.Workings);
        Anchors.Add(strength);
        if (strength is not null)
        {
            AddForce(line.Id, "anchor", name.Capitalised(), load, worst, strength.Force.Nominal, factor.Anchor, [], estimate: true);
            if (strength.Force.Low < load)
            {
                unknowns.Add(new($"{path}.anchor.kind", context.Units.Say($"{name.Capitalised()} must take {load:N} and may give at {strength.Force.Low:N} if the ground is poor: {strength.Limit}.")));
            }
        }
        else
        {
            unknowns.Add(new($"{path}.anchor.{MemberOf(line.Anchor.Kind)}", context.Units.Say($"What the anchor of the {NameOf(line)} holds is not given; it must take {load:N}.")));
        }
    }

    private static string MemberOf(AnchorKind kind) => kind switch
    {
        AnchorKind.Tree => "tree",
        AnchorKind.Post => "post",
        AnchorKind.Pickets => "pickets",
        AnchorKind.Weight or AnchorKind.Vehicle => "weight",
        _ => "capacityN",
    };

    private static Reduction? BendOf(LineMembers line, ContactKind contact, TackleSystem system)
    {
        var rope = line.Tackle.Rope is { } own && !system.InLine ? own.DiameterM : line.Rope.DiameterM;
        var pin = line.Tackle.SheaveDiameterM ?? contact.PinMm / 1000;
        return pin is { } diameter && Bend.Keeps(diameter / rope) is < 1 and var keeps ? new("bend", keeps) : null;
    }

    private void AddForce(string lineId, string what, string name, double load, double worst, double rated, double factor, IReadOnlyList<Reduction> reductions, bool limitsTension = true, bool estimate = false) =>
        Add($"{lineId}.{what}", name, lineId, LinkQuantity.Force, load, worst, rated, factor, reductions, limitsTension ? context.PlannedTension : 0, estimate);

    /// <param name="limits">The main tension that puts this load on the link; 0 when the load does not follow the tension or is no question of strength.</param>
    private void Add(string id, string name, string? lineId, LinkQuantity quantity, double load, double worst, double rated, double factor, IReadOnlyList<Reduction> reductions, double limits, bool estimate)
    {
        var strength = rated;
        for (var i = 0; i < reductions.Count; i++)
        {
            strength *= reductions[i].Keeps;
        }

        worst = Math.Max(worst, load);
        var use = load * factor / strength;
        var link = new Link(id, name, lineId, quantity, load, worst, strength, rated, factor, use, Link.StateOf(use, worst, strength), estimate, reductions);
        links.Add(link);
        if (limits > 0 && use > 0 && limits / use < AllowableTension)
        {
            (AllowableTension, LimitingLink) = (limits / use, link);
        }

        if (context.Workings is { } workings)
        {
            var unit = quantity switch { LinkQuantity.Force => "N", LinkQuantity.Moment => "Nm", _ => "MPa" };
            var kept = string.Concat(reductions.Select(r => $" · {Figures.Plain(r.Keeps, 3)} ({r.Name})"));
            workings.Add($"link.{id}", $"{name}: use", "use", use, "x", "use = load · factor / (rated strength · reductions)",
                $"{Figures.With(load, unit, workings.Units, 4)} · {factor:x} / ({Figures.With(rated, unit, workings.Units, 4)}{kept})", "M9", estimate);
        }
    }

    private string NameOf(LineMembers line) => context.Plan.Lines.Count > 1 ? $"{line.Id} line" : "line";

    private static string Lower(string name) => name.Length == 0 ? name : char.ToLowerInvariant(name[0]) + name[1..];
}
