using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Clearing;

/// <summary>Where one way begins to take less time than another.</summary>
/// <param name="Loads">From so many loads on.</param>
/// <param name="Text">One sentence.</param>
public sealed record BreakEven(ClearingWay Way, ClearingWay Over, int Loads, string Text);

/// <summary>What goes to the truck or through the chipper.</summary>
/// <param name="Trips">Loads of the truck.</param>
/// <param name="ByMass">Whether its weight limit fills it before its room does.</param>
public sealed record TruckLoads(double MassKg, double RoomM3, int Trips, bool ByMass);

/// <summary>A clearing as it is drawn small: its ground, its loaded lines, what stands as the high point.</summary>
public sealed record ClearingSketch(
    IReadOnlyList<SectionPoint> Ground,
    IReadOnlyList<IReadOnlyList<SectionPoint>> Lines,
    IReadOnlyList<SectionPoint> High,
    IReadOnlyList<SectionPoint> Pieces
)
{
    public static ClearingSketch Of(ClearingMembers clearing, ClearingAnalysis analysis)
    {
        var ground = new SectionGround(clearing.Ground.Spots);
        var way = analysis.Ways.First(w => w.Way == clearing.Way);
        return new(
            [.. clearing.Ground.Spots.Select(s => new SectionPoint(s.AtM, s.UpM))],
            [.. way.Lines.Where(l => l.Loaded).Select(l => l.Points)],
            clearing.High is { } high
                ? [ground.At(high.AtM), ground.At(high.AtM, high.Topped ? high.BlockHeightM + 0.5 : high.Stem.HeightM)]
                : [],
            [.. analysis.Pieces.Select(p => ground.At(p.AtM)).Distinct()]
        );
    }
}

/// <summary>Everything that follows from a clearing.</summary>
public sealed record ClearingAnalysis
{
    /// <summary>The way that is planned, in full.</summary>
    public required ClearingWay Chosen { get; init; }

    public required IReadOnlyList<ClearPiece> Pieces { get; init; }

    /// <summary>Of all pieces and brush, kg, 0 or more.</summary>
    public required double MassKg { get; init; }

    public required TruckLoads Truck { get; init; }

    /// <summary>All of them, each worked out as far as it is set up.</summary>
    public required IReadOnlyList<WayResult> Ways { get; init; }

    public required IReadOnlyList<BreakEven> BreakEvens { get; init; }

    /// <summary>From the cut to the top, m, over 0.</summary>
    public required double StemLengthM { get; init; }

    public required string Policy { get; init; }

    /// <summary>What always stands beside a plan.</summary>
    public required string Caution { get; init; }

    /// <param name="plan">Any plan with a clearing; its pull need not be worked out.</param>
    /// <param name="yard">What the crew keeps that the plan is held against; null where nobody asks it.</param>
    public static (ClearingAnalysis? Analysis, List<Problem> Problems) Of(
        Plan plan,
        UnitSystem units,
        Yard? yard = null
    )
    {
        var (scene, problems) = SceneOf(plan, units, yard);
        return (scene is null ? null : Worked(scene), problems);
    }

    internal static (ClearingScene? Scene, List<Problem> Problems) SceneOf(Plan plan, UnitSystem units, Yard? yard)
    {
        var problems = new List<Problem>();
        PlanFile.CheckHeader(plan.Format, plan.Version, problems);
        MemberRanges.Check(plan, units, problems);
        if (plan.Clearing is not { } clearing)
        {
            problems.Add(new("clearing", "This plan says nothing of clearing: begin it first."));
            return (null, problems);
        }

        // Wood comes from the tree, and so does the stem that is cut up.
        if (problems.Count == 0 && plan.Tree is { SpeciesId: null, Wood: null })
        {
            problems.Add(new("tree.speciesId", "Say which species it is, or give the wood's own figures."));
        }

        if (problems.Count == 0)
        {
            PlanRules.CheckTree(plan.Tree, problems, units);
            ClearingRules.Check(plan, clearing, problems, units);
        }

        return (problems.Count > 0 ? null : new(plan, clearing, units) { Yard = yard }, problems);
    }

    /// <summary>One way in full, whatever way the plan has chosen; problems where the plan cannot be worked out.</summary>
    public static (WayResult? Way, List<Problem> Problems) CheckOf(Plan plan, ClearingWay way, UnitSystem units)
    {
        var (scene, problems) = SceneOf(plan, units, yard: null);
        return (scene is null ? null : Result(Way.Of(way), scene), problems);
    }

    private static ClearingAnalysis Worked(ClearingScene scene)
    {
        // Where a load is on its way is drawn for the chosen way alone.
        WayResult[] ways =
        [
            .. Way
                .All.Select(w => Result(w, scene))
                .Select(r => r.Way == scene.Clearing.Way ? r : r with { Travel = [] }),
        ];
        return new()
        {
            Chosen = scene.Clearing.Way,
            Pieces = scene.Pieces,
            MassKg = scene.Pieces.Sum(p => p.Count * p.MassKg) + BrushKg(scene.Clearing.Brush),
            Truck = TruckOf(scene),
            Ways = ways,
            BreakEvens = BreakEvensOf(ways),
            StemLengthM = ClearPiece.StemOf(scene.Plan).LengthAboveCut,
            Policy = PolicyReasons.InWords(scene.Plan.Policy),
            Caution = Verdict.Always,
        };
    }

    /// <summary>One way, walked with everything at its middle, and once for each end of what is not known.</summary>
    internal static WayResult Result(Way way, ClearingScene scene)
    {
        var lacks = way.Lacks(scene);
        if (lacks.Length > 0)
        {
            return NotSetUp(way, scene, lacks);
        }

        var walk = new RigWalk(scene, default);
        way.Walk(walk);
        var middle = walk.Uses();
        var careful = Doubts.CarefulUses(middle, UsesAt);
        var links = walk.Links.Select((l, i) => l with { CarefulUse = Together(l, careful[i]) }).ToList();
        ClearingReasons.Add(walk, way);
        AddCareful(walk, links);
        var taken = new List<AcceptedReason>();
        var open = AcceptedReason.TakeOut(scene.Plan.Accepted, walk.Reasons, taken);
        Reason[] sorted = [.. open.OrderByDescending(r => r.State)];
        return Made(way, scene, walk, links, sorted, taken);

        double[] UsesAt(Doubts moved)
        {
            var other = new RigWalk(scene, moved);
            way.Walk(other);
            return other.Uses();
        }
    }

    /// <summary>The spread of the load and that of the strength, as squares of their logarithms.</summary>
    private static double Together(RigLink link, double byLoad)
    {
        var load = link.Use > 0 ? Math.Log(byLoad / link.Use) : 0;
        var strength = link.Use > 0 ? Math.Log(link.CarefulUse / link.Use) : 0;
        return link.Use * Math.Exp(Math.Sqrt((load * load) + (strength * strength)));
    }

    private static void AddCareful(RigWalk walk, List<RigLink> links)
    {
        var worst = links.Where(l => l is { State: LinkState.Holds, CarefulUse: > 1 }).MaxBy(l => l.CarefulUse);
        if (worst is not null)
        {
            walk.Reasons.Check(
                "rig-careful-end",
                $"{worst.Name}: {worst.Use:%} of what is allowed at the middle of what is known, {worst.CarefulUse:%} at the careful end. Weigh a piece, measure better, or choose what has more to spare.",
                null,
                worst.Id,
                ("use", worst.Use),
                ("carefulUse", worst.CarefulUse)
            );
        }
    }

    private static WayResult Made(
        Way way,
        ClearingScene scene,
        RigWalk walk,
        List<RigLink> links,
        Reason[] reasons,
        List<AcceptedReason> taken
    )
    {
        var weakest = links.MaxBy(l => l.Use);
        var hardest = links
            .Where(l => l is { Dimension: Dimension.Force, Anchors: false, Mark: not RigMark.Spar })
            .MaxBy(l => l.LoadValue);
        var state = reasons.Length > 0 ? reasons[0].State : VerdictState.Ready;
        var minutes = way.Minutes(scene);
        var loads = way.Loads(scene);
        var (spoils, torn) = way.Spoils(scene);
        return NotWorkedOut(way, scene) with
        {
            State = state,
            Headline =
                state == VerdictState.Ready
                    ? Nearest(links, scene.Units)
                    : Headlines.Of(reasons[0], links.Find(l => l.Id == reasons[0].LinkId)?.Name),
            MostForceN = hardest?.LoadValue,
            MostForceOn = hardest?.Name ?? "",
            LeastMargin = weakest is { Use: > 0 } ? 1 / weakest.Use : null,
            WeakestLinkId = weakest?.Id,
            People = way.People(scene.Clearing),
            Loads = loads,
            RigMin = minutes.Rig,
            EachMin = minutes.Each,
            Minutes = new(
                minutes.Rig.Low + (loads * minutes.Each.Low),
                minutes.Rig.Nominal + (loads * minutes.Each.Nominal),
                minutes.Rig.High + (loads * minutes.Each.High)
            ),
            Wears = way.Wears(scene),
            Spoils = spoils,
            SpoiledM2 = torn,
            Links = links,
            Reasons = reasons,
            Accepted = taken,
            // What the stem does comes after the way's own figures.
            Figures = [.. walk.Figures.OrderBy(f => f.Id is "spar-moves" or "guy-share")],
            Lines = walk.Lines,
            Zones = walk.Zones,
            Travel = walk.Travel,
            Points = walk.Points,
            MainLinkId = (links.Find(l => l.Id == "line") ?? links.Find(l => l.Id == "haul"))?.Id,
        };
    }

    /// <summary>What is known of a way before any sum.</summary>
    private static WayResult NotWorkedOut(Way way, ClearingScene scene) =>
        new()
        {
            Way = way.Kind,
            Name = way.Name,
            Trade = way.Trade,
            Group = way.Group,
            SetUp = true,
            Lacks = "",
            State = VerdictState.Check,
            Headline = "",
            Uses = way.Traits.Uses,
            Begins = way.Begins(scene),
            LineName = way.Traits.LineName,
            Shows = way.Traits.Shows,
        };

    private static string Nearest(List<RigLink> links, UnitSystem units) =>
        links.MaxBy(l => l.WorstUse) is { } link
            ? Headlines.Nearest(link, link.Name, link.Effort, units)
            : "Nothing carries a load.";

    private static WayResult NotSetUp(Way way, ClearingScene scene, string lacks) =>
        NotWorkedOut(way, scene) with
        {
            SetUp = false,
            Lacks = lacks,
            Headline = lacks,
        };

    /// <summary>For each way that takes longer to rig and less for each load than another: from how many loads it pays.</summary>
    private static List<BreakEven> BreakEvensOf(WayResult[] ways)
    {
        var found = new List<BreakEven>();
        foreach (var way in ways.Where(w => w is { SetUp: true, Group: Way.OverGround }))
        {
            foreach (var other in ways.Where(w => w is { SetUp: true, Group: Way.OverGround }))
            {
                var (more, less) = (
                    way.RigMin.Nominal - other.RigMin.Nominal,
                    other.EachMin.Nominal - way.EachMin.Nominal
                );
                if (more > 0 && less > 0)
                {
                    var loads = (int)Math.Ceiling(more / less);
                    var here = way.Loads >= loads ? "here it does" : $"here there are {way.Loads}";
                    found.Add(
                        new(
                            way.Way,
                            other.Way,
                            loads,
                            $"{way.Name} takes less time than {other.Name.Uncapitalised()} from about {loads} loads on; {here}."
                        )
                    );
                }
            }
        }

        return found;
    }

    private static double BrushKg(BrushMembers? brush) => brush is null ? 0 : brush.VolumeM3 * brush.MassKgM3;

    private static TruckLoads TruckOf(ClearingScene scene)
    {
        const double chippedTo = 0.25;
        const double stacked = 0.6;
        var (truck, brush) = (scene.Clearing.Truck, scene.Clearing.Brush);
        var mass = scene.Pieces.Sum(p => p.Count * p.MassKg) + BrushKg(brush);
        var wood = scene.Pieces.Sum(p =>
            p.Count * Math.PI * p.LengthM / 12 * ((p.ButtM * p.ButtM) + (p.ButtM * p.TopM) + (p.TopM * p.TopM))
        );
        var room = (wood / stacked) + ((brush?.VolumeM3 ?? 0) * (truck.Chipped ? chippedTo : 1));
        var (byMass, byRoom) = (mass / truck.CarriesKg, room / truck.RoomM3);
        return new(mass, room, (int)Math.Ceiling(Math.Max(byMass, byRoom) - 1e-9), byMass >= byRoom);
    }
}
