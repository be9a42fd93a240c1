using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>Cards made of whole plans, of anchors and of knots.</summary>
internal static class PlanCards
{
    private const double AnchorFactor = 2;

    /// <summary>A fault that is put in a plan: what it is called, how, and what the verdict says of it.</summary>
    private sealed record Fault(string Name, string Code, Func<Plan, Plan> Put);

    private static readonly Fault[] Faults =
    [
        new(
            "The rope is too short.",
            "rope-too-short",
            p => Line(p, l => l with { Rope = l.Rope with { LengthM = 32 } })
        ),
        new(
            "The anchor stands where the tree can reach it.",
            "anchor-within-reach",
            p => Line(p, l => l with { Anchor = l.Anchor with { DistanceM = Math.Round(p.Tree.HeightM * 0.8) } })
        ),
        new(
            "Too few people haul.",
            "hauler-too-weak",
            p =>
                Line(
                    p,
                    l => l with { Tackle = l.Tackle with { SystemId = "direct" }, Puller = l.Puller with { Count = 1 } }
                )
        ),
        new(
            "The load reserve is too small.",
            "reserve-low",
            p => p with { Policy = p.Policy with { LoadReserve = 1.05 } }
        ),
        new(
            "The notch is too deep.",
            "notch-deep",
            p =>
                p with
                {
                    Cut = p.Cut with
                    {
                        Notch = p.Cut.Notch with { DepthM = Math.Round(p.Cut.StumpDiameterM * 0.46, 2) },
                    },
                }
        ),
        new(
            "The hinge is too thin.",
            "hinge-thin",
            p => p with { Cut = p.Cut with { HingeThicknessM = Math.Round(p.Tree.DbhM * 0.045, 3) } }
        ),
        new(
            "The hinge is too thick.",
            "hinge-thick",
            p => p with { Cut = p.Cut with { HingeThicknessM = Math.Round(p.Tree.DbhM * 0.2, 3) } }
        ),
        new(
            "A crack in the stem was passed over.",
            "tree-cracked",
            p => p with { Tree = p.Tree with { Condition = new() { Cracked = true } } }
        ),
    ];

    public static SolvedCard KnotInOrder(Chance chance)
    {
        var knot = chance.Random.One([
            .. Reference
                .Knots.Values.Where(k => k.Steps.Count is >= 3 and <= 6)
                .OrderBy(k => k.Id, StringComparer.Ordinal),
        ]);
        var shuffled = chance.Random.Shuffled(knot.Steps);
        int[] order = [.. knot.Steps.Select(s => shuffled.IndexOf(s))];
        return new(
            new(
                chance.Topic,
                chance.Seed,
                $"Put the steps of this knot in order: {knot.Name.Uncapitalised()}.",
                [new("For", knot.Purpose)],
                AnswerKind.Order,
                null,
                shuffled,
                null
            ),
            new(null, null, order, "So it is tied:", [.. knot.Steps.Select((s, i) => $"{i + 1}. {s}")])
        );
    }

    public static SolvedCard WeakestLink(Chance chance, UnitSystem units)
    {
        var plan = Line(
            PracticePlans.Some(chance),
            l =>
                l with
                {
                    KnotId = chance.Random.One(["running-bowline", "bowline"]),
                    Rope = l.Rope with { BreakingStrengthN = chance.Between(18000, 45000, 1000) },
                    Tackle = l.Tackle with
                    {
                        HardwareStrengthN = chance.Between(14000, 50000, 1000),
                        Connector = new() { StrengthN = chance.Between(12000, 40000, 1000) },
                        Rope = new() { DiameterM = 0.011, BreakingStrengthN = chance.Between(12000, 30000, 1000) },
                    },
                    Anchor = l.Anchor with { CapacityN = chance.Between(6000, 30000, 1000) },
                }
        );
        var links = PlanAnalysis
            .Of(plan, units, withWorkings: false)
            .Analysis!.Links.Where(l =>
                l.Dimension == Dimension.Force && l.Kind is not (LinkKind.Hauler or LinkKind.Limb)
            )
            .OrderByDescending(l => l.Use)
            .ToList();
        var shown = new List<Link> { links[0] };
        shown.AddRange(links.Skip(1).Where(l => l.Use < links[0].Use * 0.9).Take(3));
        return chance.Choice(
            "Which of these is used most, and so the weakest link?",
            [
                .. shown
                    .OrderBy(l => l.Name, StringComparer.Ordinal)
                    .Select(l => new CardFact(
                        l.Name.Capitalised(),
                        units.Say($"carries {l.LoadValue:N}, rated {l.RatedValue:N}{Kept(l)}, factor {l.Factor:x}")
                    )),
            ],
            [.. shown.Select(l => l.Name.Capitalised())],
            units.Say($"{shown[0].Name.Capitalised()}, used {shown[0].Use:%}."),
            [
                "use = load · factor / (rating · what is kept)  (M9)",
                .. shown.Select(l =>
                    units.Say(
                        $"{l.Name.Capitalised()}: {l.LoadValue:N} · {l.Factor:x} / {l.StrengthValue:N} = {l.Use:x}"
                    )
                ),
            ]
        );
    }

    public static SolvedCard WhichAnchor(Chance chance, UnitSystem units)
    {
        var load = chance.Between(1500, 6000, 250);
        var wanted = load * AnchorFactor;
        AnchorMembers[] some =
        [
            Tree("a beech", 0.35, 18),
            Tree("a birch", 0.18, 12),
            Tree("an oak", 0.55, 20),
            Post("a fence post", 0.12, 0.6),
            Post("a gate post", 0.18, 1.0),
            Weight("a trailer with logs", 1400),
            Weight("a stack of kerbs", 600),
        ];
        var judged = chance
            .Random.Shuffled(some)
            .Select(a => (Anchor: a, Holds: AnchorStrength.Of(a, "card", 0, null)!))
            .ToList();
        var good = judged.Find(a => a.Holds.Force.Nominal >= wanted * 1.15);
        var bad = judged.Where(a => a.Holds.Force.Nominal <= wanted * 0.85).Take(3).ToList();
        var shown = good.Holds is null ? bad : [good, .. bad];
        return chance.Choice(
            units.Say($"The anchor carries {load:N} and must hold twice that. Which of these does?"),
            [
                .. shown
                    .OrderBy(a => a.Anchor.Name, StringComparer.Ordinal)
                    .Select(a => new CardFact(a.Anchor.Name!.Capitalised(), TextOf(a.Anchor, units))),
            ],
            good.Holds is null
                ? ["None of them", .. bad.Select(a => a.Anchor.Name!.Capitalised())]
                : [good.Anchor.Name!.Capitalised(), .. bad.Select(a => a.Anchor.Name!.Capitalised()), "None of them"],
            good.Holds is null
                ? "None of them."
                : units.Say($"{good.Anchor.Name!.Capitalised()}: about {good.Holds.Force.Nominal:N}, an estimate."),
            [
                units.Say($"Wanted: {AnchorFactor:x} · {load:N} = {wanted:N}  (M10)"),
                .. shown.Select(a =>
                    units.Say($"{a.Anchor.Name!.Capitalised()}: about {a.Holds.Force.Nominal:N}; {a.Holds.Limit}")
                ),
            ]
        );
    }

    public static SolvedCard FaultInAPlan(Chance chance, UnitSystem units)
    {
        var plan = PracticePlans.Some(chance);
        var before = CodesOf(plan, units);
        foreach (var fault in chance.Random.Shuffled(Faults))
        {
            var faulty = fault.Put(plan);
            if (
                before.Any(r => r.Code == fault.Code)
                || CodesOf(faulty, units).FirstOrDefault(r => r.Code == fault.Code) is not { } reason
            )
            {
                continue;
            }

            var others = chance
                .Random.Shuffled(Faults.Where(f => f != fault && before.All(r => r.Code != f.Code)))
                .Take(3);
            return chance.Choice(
                "One thing is wrong with this plan. What is it?",
                FactsOf(faulty, units),
                [fault.Name, .. others.Select(f => f.Name)],
                fault.Name,
                [reason.Text]
            );
        }

        // A crack is a stop in every plan.
        throw new InvalidOperationException("No fault shows in this plan.");
    }

    private static IReadOnlyList<Reason> CodesOf(Plan plan, UnitSystem units) =>
        PlanAnalysis.Of(plan, units, withWorkings: false).Analysis?.Verdict.Reasons ?? [];

    private static List<CardFact> FactsOf(Plan plan, UnitSystem units)
    {
        var line = plan.Lines[0];
        return
        [
            new(
                "Tree",
                units.Say(
                    $"{Reference.Species[plan.Tree.SpeciesId!].Name.Uncapitalised()}, {plan.Tree.HeightM:m} high, {plan.Tree.DbhM:cm} through, leans back {plan.Tree.Lean.AngleDeg:deg}{(plan.Tree.Condition.Cracked ? ", a crack up the stem" : "")}"
                )
            ),
            new(
                "Cut",
                units.Say(
                    $"stump {plan.Cut.StumpDiameterM:cm}, notch {plan.Cut.Notch.DepthM:cm} deep, hinge {plan.Cut.HingeThicknessM:cm}"
                )
            ),
            new(
                "Line",
                units.Say(
                    $"seat {line.Seat.HeightM:m}, anchor {line.Anchor.DistanceM:m} out, rope {line.Rope.LengthM:m} of {line.Rope.BreakingStrengthN:N}"
                )
            ),
            new(
                "Pull",
                $"{(line.Tackle.SystemId == "direct" ? "hands on the line itself" : "four to one")}, {Sentences.Count(line.Puller.Count)} on the rope, reserve {Figures.Plain(plan.Policy.LoadReserve, 3)}"
            ),
        ];
    }

    private static Plan Line(Plan plan, Func<LineMembers, LineMembers> change) => plan.WithLine(0, change);

    private static string Kept(Link link) =>
        link.Reductions.Count == 0
            ? ""
            : $", keeps {Figures.Plain(link.Reductions.Aggregate(1.0, (k, r) => k * r.Keeps), 2)} of it";

    private static AnchorMembers Tree(string name, double dbh, double height) =>
        Anchor(name) with
        {
            Kind = AnchorKind.Tree,
            Tree = new() { DbhM = dbh, HeightM = height },
        };

    private static AnchorMembers Post(string name, double diameter, double depth) =>
        Anchor(name) with
        {
            Kind = AnchorKind.Post,
            Post = new() { DiameterM = diameter, DepthM = depth },
        };

    private static AnchorMembers Weight(string name, double mass) =>
        Anchor(name) with
        {
            Kind = AnchorKind.Weight,
            Weight = new() { MassKg = mass },
        };

    private static AnchorMembers Anchor(string name) =>
        new()
        {
            Name = name,
            DistanceM = 30,
            BearingDeg = 0,
            HeightM = 0.4,
        };

    private static string TextOf(AnchorMembers anchor, UnitSystem units) =>
        anchor switch
        {
            { Tree: { } tree } => units.Say(
                $"{tree.DbhM:cm} through, {tree.HeightM:m} high, ordinary ground, strap {anchor.HeightM:m} up"
            ),
            { Post: { } post } => units.Say(
                $"{post.DiameterM:cm} thick, {post.DepthM:m} in sandy ground, strap {anchor.HeightM:m} up"
            ),
            _ => units.Say($"{anchor.Weight!.MassKg:kg} on grass, level ground"),
        };
}
