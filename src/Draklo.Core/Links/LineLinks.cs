using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>Walks one line from the hauler's hands to its seat.</summary>
internal sealed class LineLinks
{
    private const double CarabinerPin = 0.012;

    private readonly LoadPath links;
    private readonly LineMembers line;
    private readonly string path;
    private readonly PullLine pulled;
    private readonly LineRun run;
    private readonly LineTensions tensions;
    private readonly SolvedTackle tackle;
    private readonly DesignFactorMembers factor;

    public LineLinks(
        LoadPath links,
        int index,
        PullLine pulled,
        LineRun run,
        LineTensions tensions,
        SolvedTackle tackle
    )
    {
        this.links = links;
        this.pulled = pulled;
        this.run = run;
        this.tensions = tensions;
        this.tackle = tackle;
        line = links.Context.Plan.Lines[index];
        path = $"lines[{index}]";
        factor = links.Context.Plan.Policy.DesignFactor;
    }

    private string NameOfLine => links.Context.Plan.Lines.Count > 1 ? $"{line.Id} line" : "line";

    public RedirectForce[] Add()
    {
        AddHauler();
        var contact = Reference.Contacts[line.Tackle.ContactId];
        if (tackle.System.UsesAnchor)
        {
            AddTackle(contact);
        }

        if (!tackle.System.InLine)
        {
            AddJoint();
        }

        AddHold();
        AddRopes();
        var redirects = AddRedirects();
        AddSeat();
        if (!tackle.System.UsesAnchor)
        {
            links.Anchors.Add(null);
        }
        else
        {
            // While the line hangs on what holds it, the whole of it is on the anchor, and no hand helps.
            var held = line.Tackle.Hold is not null || line.Tackle.Capture is not null;
            var load = Math.Max(
                SolvedTackle.ForceOn(tackle.Hauling, "anchor") * tensions.Hand,
                held ? tensions.End : 0
            );
            var worst = Math.Max(
                SolvedTackle.ForceOn(tackle.AtBest, "anchor") * tensions.WorstHand,
                held ? tensions.WorstEnd : 0
            );
            AddOtherAnchors();
            AddSling(
                "sling",
                "Anchor sling",
                line.Anchor,
                $"{path}.anchor",
                $"the anchor of the {NameOfLine}",
                load,
                worst
            );
            links.Anchors.Add(
                AddAnchor(
                    "anchor",
                    line.Anchor,
                    $"{path}.anchor",
                    "Anchor",
                    $"the anchor of the {NameOfLine}",
                    load,
                    worst
                )
            );
        }

        return redirects;
    }

    private void AddHauler()
    {
        var name = line.Puller.Kind switch
        {
            PullerKind.Machine => "Machine",
            PullerKind.Vehicle => "Vehicle",
            PullerKind.HandWinch => "Hand winch",
            _ => line.Puller.Count == 1 ? "One hauler" : $"{Sentences.Count(line.Puller.Count).Capitalised()} haulers",
        };
        links.AddForce(
            line.Id,
            "hands",
            name,
            tensions.Hand,
            tensions.Hand,
            Effort.Steady(line.Puller),
            1,
            [],
            limitsTension: false,
            estimate: true
        );
        if (line.Limiter is { } drum)
        {
            links.AddForce(
                line.Id,
                "limiter",
                drum.Turns == 1
                    ? "One turn on the drum"
                    : $"{Sentences.Count(drum.Turns).Capitalised()} turns on the drum",
                tensions.Hand,
                tensions.Hand,
                Limiter.SlipsAt(drum.HoldN, drum.Friction, drum.Turns),
                1,
                [],
                limitsTension: false,
                estimate: true,
                slips: true
            );
        }
    }

    private void AddTackle(ContactKind contact)
    {
        var own = tackle.System.InLine ? null : line.Tackle.Rope;
        var reductions = new List<Reduction>(3);
        AddBend(Sharpest(contact), own?.DiameterM ?? line.Rope.DiameterM, reductions);
        if (own is not null)
        {
            reductions.Add(Kept(own.EndKnotId));
        }
        else if (tackle.System.HasRopeLoop)
        {
            reductions.Add(new("rope-loop hitch", Reference.Knots["rope-loop-hitch"].KeepsLow));
        }

        Wear.Add(
            own is null ? line.Rope.Wear : own.Wear,
            own is null ? line.Rope.ConstructionId : own.ConstructionId,
            reductions
        );
        links.AddForce(
            line.Id,
            "legs",
            tackle.System.Id == "redirected" ? "Hauling leg" : "Tackle rope, hauling leg",
            SolvedTackle.HeaviestLeg(tackle.Hauling) * tensions.Hand,
            SolvedTackle.HeaviestLeg(tackle.AtBest) * tensions.WorstHand,
            own?.BreakingStrengthN ?? line.Rope.BreakingStrengthN,
            factor.Rope,
            reductions
        );
        AddCapture(own, reductions);
        if (contact.BuiltOf is "block" or "ring" or "carabiner")
        {
            if (line.Tackle.HardwareStrengthN is { } strength)
            {
                links.AddForce(
                    line.Id,
                    "blocks",
                    contact.Name,
                    SolvedTackle.HeaviestTurn(tackle.Hauling, tackle.Hardware) * tensions.Hand,
                    SolvedTackle.HeaviestTurn(tackle.AtBest, tackle.Hardware) * tensions.WorstHand,
                    strength,
                    factor.Hardware,
                    []
                );
            }
            else
            {
                links.Unknowns.Add(
                    new(
                        $"{path}.tackle.hardwareStrengthN",
                        $"The strength of the {contact.Name.Uncapitalised()} on the {NameOfLine} is not given."
                    )
                );
            }
        }
    }

    /// <summary>What takes the tackle on the line: connector, and a grip with its cord or a loop in the line.</summary>
    private void AddJoint()
    {
        var inLine = line.Tackle.Rope is null;
        var load = tensions.End * tackle.OnJoint(tackle.Hauling, inLine);
        var worst = Math.Max(load, tensions.WorstEnd * tackle.OnJoint(tackle.AtBest, inLine));
        if (line.Tackle.Connector is { } connector)
        {
            links.AddForce(
                line.Id,
                "connector",
                connector.Count == 1 ? "Connector" : "Two connectors",
                load,
                worst,
                connector.StrengthN * connector.Count,
                factor.Hardware,
                []
            );
        }

        if (line.Tackle.Grip is { } grip)
        {
            AddGrip(grip, "", $"{path}.tackle.grip", load, worst);
        }
        else if (line.Tackle.JoinKnotId is { } join)
        {
            AddOnRope(
                "join",
                Reference.Knots[join].Name + " at the tackle",
                load,
                worst,
                line.Joined?.Rope ?? line.Rope,
                Kept(join)
            );
        }
        else
        {
            links.Unknowns.Add(
                new($"{path}.tackle.joinKnotId", $"How the tackle is joined to the {NameOfLine} is not given.")
            );
        }
    }

    /// <summary>A grip on the line and its cord.</summary>
    /// <param name="what">"" for the one that takes the tackle, "hold-" for the one that holds meanwhile.</param>
    private void AddGrip(GripMembers grip, string what, string place, double load, double worst)
    {
        var kind = Reference.Grips[grip.GripId];
        var name = kind.Name.Split(',')[0];
        links.AddForce(
            line.Id,
            $"{what}grip",
            what.Length == 0 ? $"{name} on the line" : $"Holding {name.Uncapitalised()} on the line",
            load,
            worst,
            grip.SlipN ?? kind.SlipLowN,
            factor.Grip,
            [],
            estimate: grip.SlipN is null,
            slips: true
        );
        if (grip.CordStrengthN is not { } strength)
        {
            links.Unknowns.Add(
                new(
                    $"{place}.cordStrengthN",
                    $"The strength of the {(what.Length == 0 ? "grip" : "holding grip")}'s cord on the {NameOfLine} is not given."
                )
            );
            return;
        }

        // The legs run side by side to one connector and share alike.
        var reductions = new List<Reduction>(4) { Kept(grip.EndKnotId) };
        if (grip.CordDiameterM is { } diameter)
        {
            AddBend(CarabinerPin * (line.Tackle.Connector?.Count ?? 1), diameter, reductions);
        }

        Wear.Add(grip.Wear, null, reductions);
        links.AddForce(
            line.Id,
            $"{what}cord",
            $"{(what.Length == 0 ? "Grip" : "Holding grip")}'s cord, one of {Sentences.Count(kind.Legs)}",
            load / kind.Legs,
            worst / kind.Legs,
            strength,
            factor.Rope,
            reductions
        );
    }

    /// <summary>What holds the line while the tackle is opened again.</summary>
    private void AddHold()
    {
        if (line.Tackle.Hold?.Grip is { } grip)
        {
            AddGrip(grip, "hold-", $"{path}.tackle.hold.grip", tensions.End, tensions.WorstEnd);
        }
        else if (line.Tackle.Hold?.Turns is { } drum)
        {
            // It may not slip while hands are in the tackle: a light hold on a smooth drum must be enough.
            links.AddForce(
                line.Id,
                "hold-turns",
                drum.Turns == 1
                    ? "Holding turn on the drum"
                    : $"{Sentences.Count(drum.Turns).Capitalised()} holding turns on the drum",
                tensions.End,
                tensions.End,
                Limiter.SlipsAt(drum.HoldLowN, drum.FrictionLow, drum.Turns),
                1,
                [],
                limitsTension: false,
                estimate: true,
                slips: true
            );
        }
    }

    /// <summary>What hangs on a cam or grip in the tackle between two heaves.</summary>
    private void AddCapture(TackleRopeMembers? own, IReadOnlyList<Reduction> reductions)
    {
        if (line.Tackle.Capture is not { } capture || Captured.Of(tackle.System.Shape, capture).Held is not { } held)
        {
            return;
        }

        var name = capture.Kind == CaptureKind.Cam ? "cam" : "capture grip";
        links.AddForce(
            line.Id,
            "held-legs",
            $"Tackle rope, hanging on the {name}",
            held.HeaviestLeg * tensions.End,
            held.HeaviestLeg * tensions.WorstEnd,
            own?.BreakingStrengthN ?? line.Rope.BreakingStrengthN,
            factor.Rope,
            reductions
        );
        if (capture.HoldsN is { } holds)
        {
            links.AddForce(
                line.Id,
                "capture",
                name.Capitalised(),
                held.Force * tensions.End,
                held.Force * tensions.WorstEnd,
                holds,
                factor.Grip,
                [],
                estimate: true,
                slips: true
            );
        }
        else
        {
            links.Unknowns.Add(
                new(
                    $"{path}.tackle.capture.holdsN",
                    links.Context.Units.Say(
                        $"What the {name} of the {NameOfLine} holds is not given; {held.Force * tensions.End:N} hangs on it once the hands let go."
                    )
                )
            );
        }
    }

    /// <summary>Fixed points of a composed tackle that the plan does not know.</summary>
    private void AddOtherAnchors()
    {
        if (line.Tackle.Composed is null)
        {
            return;
        }

        foreach (var point in tackle.System.Shape.Points)
        {
            if (point is { Kind: PointKind.Fixed, Id: not "anchor" })
            {
                var load = SolvedTackle.ForceOn(tackle.Hauling, point.Id) * tensions.Hand;
                links.Unknowns.Add(
                    new(
                        $"{path}.tackle.composed",
                        links.Context.Units.Say(
                            $"“{point.Id}” of the {NameOfLine}'s tackle must take {load:N}, and nothing is told of what it holds. Where the line itself turns, put a redirect on the plan instead: there it is checked."
                        )
                    )
                );
            }
        }
    }

    /// <summary>
    /// The smallest diameter that the tackle's rope turns round, metres; null when all of them suit the rope.
    /// </summary>
    private double? Sharpest(ContactKind contact)
    {
        var least = line.Tackle.SheaveDiameterM ?? contact.PinMm / 1000;
        foreach (var other in tackle.System.OwnKinds.Values)
        {
            least = other.PinMm is { } pin && !(least < pin / 1000) ? pin / 1000 : least;
        }

        return least;
    }

    private void AddRopes()
    {
        if (line.Joined is { } joined)
        {
            AddOnRope("rope-2", "Second rope", tensions.End, tensions.WorstEnd, joined.Rope);
            var weaker = line.Rope.BreakingStrengthN <= joined.Rope.BreakingStrengthN ? line.Rope : joined.Rope;
            AddOnRope(
                "joint",
                Reference.Knots[joined.KnotId].Name,
                tensions.End,
                tensions.WorstEnd,
                weaker,
                Kept(joined.KnotId)
            );
        }

        AddOnRope("rope", "Pull line", tensions.End, tensions.WorstEnd, line.Rope);
    }

    private RedirectForce[] AddRedirects()
    {
        if (line.Redirects.Count == 0)
        {
            return [];
        }

        var forces = new RedirectForce[line.Redirects.Count];
        for (var i = line.Redirects.Count - 1; i >= 0; i--)
        {
            forces[i] = AddRedirect(i);
        }

        return forces;
    }

    private RedirectForce AddRedirect(int index)
    {
        var context = links.Context;
        var redirect = line.Redirects[index];
        var contact = Reference.Contacts[redirect.ContactId];
        var number = line.Redirects.Count > 1 ? $" {index + 1}" : "";
        var what = $"redirect-{index + 1}";
        var place = $"{path}.redirects[{index}]";
        var treeSide = tensions.End * run.Passes(index, best: false);
        var haulSide = tensions.End * run.Passes(index + 1, best: false);
        var force = run.ForceOn(index, treeSide, haulSide);
        var worst = run.ForceOn(
            index,
            tensions.WorstEnd * run.Passes(index, best: true),
            tensions.WorstEnd * run.Passes(index + 1, best: true)
        ).ForceN;
        var (east, north) = context.Lay.ToSite(force.Forward, force.Right);
        context.Workings?.Add(
            $"{line.Id}.{what}",
            $"Force on redirect{number}",
            "F",
            force.ForceN,
            "N",
            "F = √(T1² + T2² + 2 · T1 · T2 · cos γ), T2 = T1 / η",
            $"√(({treeSide:N})² + ({haulSide:N})² + 2 · {treeSide:N} · {haulSide:N} · cos {force.BetweenDeg:deg})",
            "M15",
            estimate: true
        );

        var reductions = new List<Reduction>(2);
        AddBend(redirect.SheaveDiameterM ?? contact.PinMm / 1000, line.Rope.DiameterM, reductions);
        if (reductions.Count > 0)
        {
            Wear.Add(line.Rope.Wear, line.Rope.ConstructionId, reductions);
            links.AddForce(
                line.Id,
                $"{what}-bend",
                $"Line round redirect{number}",
                haulSide,
                tensions.WorstEnd * run.Passes(index + 1, best: true),
                line.Rope.BreakingStrengthN,
                factor.Rope,
                reductions
            );
        }

        if (contact.BuiltOf is "block" or "ring" or "carabiner")
        {
            if (redirect.HardwareStrengthN is { } strength)
            {
                links.AddForce(
                    line.Id,
                    $"{what}-block",
                    $"Redirect{number}, block",
                    force.ForceN,
                    worst,
                    strength,
                    factor.Hardware,
                    []
                );
            }
            else
            {
                links.Unknowns.Add(
                    new(
                        $"{place}.hardwareStrengthN",
                        $"The strength of the {contact.Name.Uncapitalised()} at redirect{number} of the {NameOfLine} is not given."
                    )
                );
            }
        }

        AddSling(
            $"{what}-sling",
            $"Redirect{number}, sling",
            redirect.At,
            $"{place}.at",
            $"redirect{number} of the {NameOfLine}",
            force.ForceN,
            worst
        );
        var holds = AddAnchor(
            $"{what}-anchor",
            redirect.At,
            $"{place}.at",
            $"Redirect{number} anchor",
            $"redirect{number} of the {NameOfLine}",
            force.ForceN,
            worst
        );
        var level = Math.Sqrt((force.Forward * force.Forward) + (force.Right * force.Right));
        var toward = (Angle.Degrees(Math.Atan2(east, north)) + 360) % 360;
        return new(
            force.BetweenDeg,
            treeSide,
            haulSide,
            force.ForceN,
            worst,
            toward,
            Angle.Degrees(Math.Atan2(force.Up, level)),
            LayPoint.Of(run.Points[index + 1]),
            redirect.At.GroundRiseM - context.Tree.Stem.StumpHeight,
            holds
        );
    }

    private void AddSeat()
    {
        var context = links.Context;
        var knot = Reference.Knots[line.KnotId];
        AddOnRope(
            "knot",
            line.Tie == TieKind.Base ? knot.Name + " at the foot" : knot.Name,
            tensions.Tree,
            tensions.WorstTree,
            line.Rope,
            Kept(line.KnotId)
        );
        if (line.Seat.On == SeatKind.Stem)
        {
            return;
        }

        if (line.Seat.Limb is not { } limb)
        {
            links.Unknowns.Add(
                new(
                    $"{path}.seat.limb",
                    context.Units.Say(
                        $"The limb that the {NameOfLine} lies on is not given; it takes {LimbBending.SeatForce(pulled, tensions.Tree).ForceN:N}."
                    )
                )
            );
            return;
        }

        var bending = LimbBending.Of(pulled, line.Seat.On, limb, tensions.Tree, context.Lay);
        var worst = LimbBending.Of(pulled, line.Seat.On, limb, tensions.WorstTree, context.Lay);
        var soundness = context.Tree.Soundness.Value;
        List<Reduction> sound = soundness < 1 ? [new("soundness", soundness)] : [];
        context.Workings?.Add(
            $"{line.Id}.limb-stress",
            "Bending of the limb at its union",
            "σ",
            bending.Stress,
            "MPa",
            "σ = (F_across · length / (π · d³ / 32) + F_along / (π · d² / 4)) / unions",
            $"({bending.AcrossN:N} · {bending.ArmM:m} / (π · ({limb.DiameterM:cm})³ / 32) + {Math.Abs(bending.AlongN):N} / (π · ({limb.DiameterM:cm})² / 4)) / {limb.SharedBy}",
            "M11",
            estimate: true
        );
        links.Add(
            $"{line.Id}.limb",
            line.Seat.On == SeatKind.Union ? "Union under the line" : "Limb under the line",
            line.Id,
            LinkQuantity.Stress,
            bending.Stress,
            worst.Stress,
            context.Tree.Wood.Strength,
            factor.Stem,
            sound,
            context.PlannedTension,
            estimate: true
        );
    }

    private void AddSling(
        string what,
        string name,
        AnchorMembers anchor,
        string place,
        string where,
        double load,
        double worst
    )
    {
        if (anchor.Sling is not { } sling)
        {
            links.Unknowns.Add(new($"{place}.sling", $"The sling at {where} is not given."));
            return;
        }

        var half = Math.Cos(Angle.Radians(sling.HalfAngleDeg));
        var reductions = new List<Reduction>(4)
        {
            sling.Hitch switch
            {
                SlingHitch.Choked => new("choked", 0.8),
                SlingHitch.Basket => new("basket", 2 * half),
                SlingHitch.TwoSlings => new("two slings", 2 * half),
                _ => new("straight", 1),
            },
        };
        if (sling.KnotId is { } knot)
        {
            reductions.Add(Kept(knot));
        }

        if (sling.DiameterM is { } diameter)
        {
            AddBend(sling.PinDiameterM ?? CarabinerPin, diameter, reductions);
        }

        Wear.Add(sling.Wear, null, reductions);
        links.AddForce(line.Id, what, name, load, worst, sling.BreakingStrengthN, factor.Sling, reductions);
    }

    private AnchorStrength? AddAnchor(
        string what,
        AnchorMembers anchor,
        string place,
        string unnamed,
        string where,
        double load,
        double worst
    )
    {
        var units = links.Context.Units;
        var name = (string.IsNullOrWhiteSpace(anchor.Name) ? unnamed : anchor.Name).Capitalised();
        var strength = AnchorStrength.Of(
            anchor,
            what == "anchor" ? line.Id : $"{line.Id}.{what}",
            links.Context.Workings
        );
        if (strength is null)
        {
            links.Unknowns.Add(
                new(
                    $"{place}.{MemberOf(anchor.Kind)}",
                    units.Say($"What {where} holds is not given; it must take {load:N}.")
                )
            );
            return null;
        }

        links.AddForce(line.Id, what, name, load, worst, strength.Force.Nominal, factor.Anchor, [], estimate: true);
        if (strength.Force.Low < load)
        {
            links.Unknowns.Add(
                new(
                    $"{place}.kind",
                    units.Say(
                        $"{name} must take {load:N} and may give at {strength.Force.Low:N} if the ground is poor: {strength.Limit}."
                    )
                )
            );
        }

        return strength;
    }

    private void AddOnRope(
        string what,
        string name,
        double load,
        double worst,
        RopeMembers rope,
        Reduction? knot = null
    )
    {
        if (knot is null && rope.Wear is null)
        {
            links.AddForce(line.Id, what, name, load, worst, rope.BreakingStrengthN, factor.Rope, []);
            return;
        }

        var reductions = new List<Reduction>(3);
        if (knot is not null)
        {
            reductions.Add(knot);
        }

        Wear.Add(rope.Wear, rope.ConstructionId, reductions);
        links.AddForce(line.Id, what, name, load, worst, rope.BreakingStrengthN, factor.Rope, reductions);
    }

    private static void AddBend(double? pin, double rope, List<Reduction> reductions)
    {
        if (pin is { } diameter && Bend.Keeps(diameter / rope) is < 1 and var keeps)
        {
            reductions.Add(new("bend", keeps));
        }
    }

    private static Reduction Kept(string knotId) =>
        new(Reference.Knots[knotId].Name.Uncapitalised(), Reference.Knots[knotId].KeepsLow);

    private static string MemberOf(AnchorKind kind) =>
        kind switch
        {
            AnchorKind.Tree => "tree",
            AnchorKind.Post => "post",
            AnchorKind.Pickets => "pickets",
            AnchorKind.Weight or AnchorKind.Vehicle => "weight",
            _ => "capacityN",
        };
}
