using System.Text.Json;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Jobs;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Falls;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Bench;

/// <summary>The sums alone, on one core.</summary>
[SimpleJob(RuntimeMoniker.Net10_0, warmupCount: 4, iterationCount: 12)]
[MemoryDiagnoser]
public class AnalysisBench
{
    private readonly Plan lime = Demo("lime.json");
    private readonly Plan bare = Demo("lime.json") with { Site = new(), WalkUp = [], Readings = new() };
    private readonly Plan crowded = Crowded(Demo("lime.json"));
    private readonly Plan weak = Demo("lime.json") with
    {
        Lines = [Demo("lime.json").Lines[0] with { Puller = new() { Count = 1 } }],
    };
    private readonly Plan sideLeaner = Demo("side-leaner.json");
    private readonly byte[] bytes = JsonSerializer.SerializeToUtf8Bytes(Demo("lime.json"), DocumentReader.Options);
    private readonly Analysis answer = PlanAnalysis.Of(Demo("lime.json")).Analysis!;
    private readonly Arrangement nineToOne = TackleSystems.Find("nine-to-one")!.Rove(new(0.9, 0.35));

    private readonly RigFinder finder = RigFinder
        .For(Demo("lime.json"), Truck(), new(2026, 11, 25), Core.Units.UnitSystem.Metric, new(5, []))
        .Finder!;
    private readonly Plan heavy = Heavy(Demo("side-leaner.json"));
    private readonly Plan failing = Failing(Heavy(Demo("side-leaner.json")));

    /// <summary>Three lines, two redirects and forty links.</summary>
    [Benchmark]
    public AnalysisOutcome ThreeLinesTwoRedirectsFortyLinks() => PlanAnalysis.Of(heavy, withWorkings: false);

    [Benchmark]
    public object? RemediesForOneFailingLink() =>
        Remedies.For(failing, "main.knot", Core.Units.UnitSystem.Metric).Remedies;

    [Benchmark]
    public object? RemediesForOneFailingLinkOfTheLime() =>
        Remedies.For(weak, "main.hands", Core.Units.UnitSystem.Metric).Remedies;

    [Benchmark]
    public object? FinderOver44000Combinations() => finder.Run(null, CancellationToken.None);

    [Benchmark]
    public object? ThousandFalls() => Fall.Of(lime, new(0.4, true, 1000), Core.Units.UnitSystem.Metric).Fall;

    [Benchmark]
    public object? TenThousandSamples() => PlanChances.Of(lime, 10_000, 1, Core.Units.UnitSystem.Metric).Chances;

    [Benchmark]
    public AnalysisOutcome OneLineWithoutSite() => PlanAnalysis.Of(bare, withWorkings: false);

    [Benchmark(Baseline = true)]
    public AnalysisOutcome OneLine() => PlanAnalysis.Of(lime, withWorkings: false);

    [Benchmark]
    public AnalysisOutcome TwoLines() => PlanAnalysis.Of(sideLeaner, withWorkings: false);

    [Benchmark]
    public AnalysisOutcome OneLineWithWorkings() => PlanAnalysis.Of(lime);

    [Benchmark]
    public object? SolveNineToOne() => TackleSolver.Solve(nineToOne).Solution;

    [Benchmark]
    public Plan? ReadDocument() => DocumentReader.Read<Plan>(bytes).Document;

    [Benchmark]
    public byte[] WriteAnswerWithWorkings() => JsonSerializer.SerializeToUtf8Bytes(answer, DocumentReader.Options);

    [Benchmark]
    public LayRose? RoseOf360BearingsAnd40Targets() => LayRose.Of(crowded, Core.Units.UnitSystem.Metric).Rose;

    [Benchmark]
    public AnalysisOutcome FortyTargets() => PlanAnalysis.Of(crowded, withWorkings: false);

    /// <summary>Enough ropes and blocks for as many combinations as the finder takes.</summary>
    private static List<GearItem> Truck() =>
        [
            .. Enumerable
                .Range(0, 14)
                .Select(i => new GearItem
                {
                    Id = $"r{i}",
                    Kind = GearKind.Rope,
                    Name = $"Rope {i}",
                    LengthM = 60 + i,
                    DiameterM = i == 0 ? 0.011 : 0.0127,
                    BreakingStrengthN = 30000 + (1000 * i),
                    ConstructionId = "double-braid",
                }),
            .. Enumerable
                .Range(0, 6)
                .Select(i => new GearItem
                {
                    Id = $"b{i}",
                    Kind = GearKind.Block,
                    Name = $"Block {i}",
                    Count = 4,
                    ContactId = i % 2 == 0 ? "bushed-block" : "ball-bearing-block",
                    BreakingStrengthN = 40000 + (2000 * i),
                    DiameterM = 0.06,
                }),
        ];

    /// <summary>
    /// The side-leaner with a third line, a second redirect, and grips, cords and connectors at every tackle.
    /// </summary>
    internal static Plan Heavy(Plan plan)
    {
        var main = Loaded(plan.Lines[0]);
        var steer = Loaded(plan.Lines[1]);
        var redirect = plan.Lines[0].Redirects[0];
        return plan with
        {
            Site = new(),
            WalkUp = [],
            Lines =
            [
                main with
                {
                    Joined = new() { Rope = main.Rope },
                },
                steer with
                {
                    Redirects =
                    [
                        redirect with
                        {
                            At = redirect.At with { DistanceM = 28, BearingDeg = 55 },
                            ContactId = "one-carabiner",
                        },
                    ],
                    Anchor = steer.Anchor with { DistanceM = 40, BearingDeg = 90 },
                    Tie = TieKind.Base,
                },
                steer with
                {
                    Id = "third",
                    Seat = new() { HeightM = 10 },
                    Anchor = steer.Anchor with { BearingDeg = 45 },
                },
            ],
        };

        static LineMembers Loaded(LineMembers line) =>
            line with
            {
                Tackle = line.Tackle with
                {
                    JoinKnotId = null,
                    Grip = new()
                    {
                        GripId = "machard",
                        CordStrengthN = 16000,
                        CordDiameterM = 0.008,
                    },
                    Connector = new() { StrengthN = 24000 },
                },
            };
    }

    private static Plan Failing(Plan plan) =>
        plan with
        {
            Lines =
            [
                plan.Lines[0] with
                {
                    Rope = plan.Lines[0].Rope with { BreakingStrengthN = 12000 },
                },
                .. plan.Lines.Skip(1),
            ],
        };

    /// <summary>A site with forty small areas all round the tree, from 12 to 45 m out.</summary>
    internal static Plan Crowded(Plan plan)
    {
        var targets = new List<TargetMembers>();
        for (var i = 0; i < 40; i++)
        {
            var at = Place.At(12 + (33.0 * (i % 7) / 6), i * 9);
            targets.Add(
                new()
                {
                    Id = $"t{i}",
                    Kind = TargetKind.Building,
                    Closed = true,
                    Points =
                    [
                        .. Enumerable
                            .Range(0, 6)
                            .Select(k => Place.At(2, k * 60))
                            .Select(c => new PlaceMembers
                            {
                                EastM = at.EastM + c.EastM,
                                NorthM = at.NorthM + c.NorthM,
                            }),
                    ],
                }
            );
        }

        return plan with
        {
            Site = new() { Targets = targets },
        };
    }

    internal static Plan Demo(string file)
    {
        using var stream = typeof(AnalysisBench).Assembly.GetManifestResourceStream(file)!;
        using var json = JsonDocument.Parse(stream);
        return DocumentReader.Read<Plan>(json.RootElement.GetProperty("plan")).Document!;
    }
}
