using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>
/// Every member of a plan in turn made nonsense: it is refused in a sentence, or the answer is all finite numbers;
/// nothing throws.
/// </summary>
public sealed class NonsenseTests
{
    private static readonly string?[] Nonsense =
    [
        null,
        "-1",
        "0",
        "1e308",
        "1e-9",
        "361",
        "\"x\"",
        "\"\"",
        "[]",
        "{}",
        "true",
    ];

    [Fact]
    public void No_member_can_break_the_analysis()
    {
        var refused = 0;
        foreach (var (path, json) in Broken())
        {
            var (plan, problems) = DocumentReader.Read<Plan>(json);
            if (plan is not null)
            {
                var outcome = PlanAnalysis.Of(plan, UnitSystem.Us);
                problems = [.. outcome.Problems];
                Assert.True(outcome.Analysis is null == problems.Count > 0, path);
                AllFinite(outcome.Analysis, path);
            }

            refused += problems.Count > 0 ? 1 : 0;
            Assert.All(
                problems,
                p =>
                    Assert.True(
                        p.Message.Length > 20
                            && p.Message.EndsWith('.')
                            && !p.Message.Contains("NaN", StringComparison.Ordinal),
                        $"{path}: {p.Path}: {p.Message}"
                    )
            );
        }

        Assert.True(refused > 1000, $"only {refused} were refused");
    }

    [Fact]
    public void Nor_the_rose_the_stem_and_the_remedies()
    {
        var tried = 0;
        foreach (var (path, json) in Broken())
        {
            // Every seventh is enough: these run the analysis many times.
            if (tried++ % 7 != 0 || DocumentReader.Read<Plan>(json).Document is not { } plan)
            {
                continue;
            }

            AllFinite(LayRose.Of(plan, UnitSystem.Metric, 45).Rose, path);
            AllFinite(StemProfile.Of(plan, 0, UnitSystem.Metric).Profile, path);
            AllFinite(Remedies.For(plan, "main.hands", UnitSystem.Metric).Remedies, path);
        }
    }

    [Fact]
    public void Every_link_of_a_full_plan_can_be_asked_for_remedies()
    {
        // Everything on it made weak, so that there is something to mend at every link.
        var weak = Full() with
        {
            Policy = new()
            {
                DesignFactor = new()
                {
                    Rope = 15,
                    Sling = 15,
                    Hardware = 15,
                    Anchor = 10,
                    Stem = 10,
                    Grip = 5,
                },
            },
        };
        var links = weak.Analysed().Links;
        Assert.InRange(links.Count, 30, 60);
        foreach (var link in links)
        {
            var (remedies, problems) = Remedies.For(weak, link.Id, UnitSystem.Us);
            Assert.True(problems.Count == 0 && remedies is not null, link.Id);
            Assert.All(
                remedies,
                r => Assert.True(r.Changes.All(c => MemberPaths.IsMember<Plan>(c.Path)), $"{link.Id}: {r.Text}")
            );
            AllFinite(remedies, link.Id);
        }
    }

    [Fact]
    public void Drawn_sampled_and_searched_a_full_plan_gives_finite_answers()
    {
        var plan = Full();
        for (var line = 0; line < plan.Lines.Count; line++)
        {
            AllFinite(TackleView.Of(plan, line, UnitSystem.Us).View!, $"line {line}");
        }

        AllFinite(PlanChances.Of(plan, 50, 3, UnitSystem.Us).Chances!, "chances");
        GearItem[] truck =
        [
            new()
            {
                Id = "rope",
                Kind = GearKind.Rope,
                Name = "rope",
                LengthM = 150,
                DiameterM = 0.014,
                BreakingStrengthN = 60000,
            },
            new()
            {
                Id = "thin",
                Kind = GearKind.Rope,
                Name = "thin",
                LengthM = 90,
                DiameterM = 0.011,
                BreakingStrengthN = 30000,
            },
            new()
            {
                Id = "blocks",
                Kind = GearKind.Block,
                Name = "blocks",
                Count = 6,
                ContactId = "bushed-block",
                BreakingStrengthN = 50000,
            },
        ];
        var (finder, problems) = RigFinder.For(
            plan,
            truck,
            new(2026, 11, 25),
            UnitSystem.Us,
            new(3, [plan.Lines[0].Tackle.Composed!])
        );
        Assert.Empty(problems);
        AllFinite(finder!.Run(null, CancellationToken.None), "rigs");
    }

    /// <summary>Numbers that are not finite cannot be written as JSON, so writing is the test.</summary>
    internal static void AllFinite(object? answer, string path)
    {
        try
        {
            JsonSerializer.SerializeToUtf8Bytes(answer, DocumentReader.Options);
        }
        catch (ArgumentException e)
        {
            Assert.Fail($"{path}: {e.Message}");
        }
    }

    /// <summary>The full plan with each member in turn made each nonsense.</summary>
    internal static IEnumerable<(string Path, byte[] Json)> Broken()
    {
        var text = JsonSerializer.Serialize(Full(), DocumentReader.Options);
        foreach (var path in Paths(JsonNode.Parse(text)!, ""))
        {
            foreach (var value in Nonsense)
            {
                var json = JsonNode.Parse(text)!;
                Replace(json, path, value);
                yield return ($"{path} = {value ?? "null"}", JsonSerializer.SerializeToUtf8Bytes(json));
            }
        }
    }

    private static IEnumerable<string> Paths(JsonNode node, string path) =>
        node switch
        {
            JsonObject group => group.SelectMany(m =>
                m.Value is null ? [] : Paths(m.Value, $"{path}/{m.Key}").Prepend($"{path}/{m.Key}")
            ),
            JsonArray list => list.SelectMany(
                (item, i) => item is null ? [] : Paths(item, $"{path}/{i}").Prepend($"{path}/{i}")
            ),
            _ => [],
        };

    private static void Replace(JsonNode json, string path, string? value)
    {
        var steps = path[1..].Split('/');
        var node = json;
        foreach (var step in steps[..^1])
        {
            node = node is JsonArray list ? list[int.Parse(step)]! : node[step]!;
        }

        var put = value is null ? null : JsonNode.Parse(value);
        if (node is JsonArray array)
        {
            array[int.Parse(steps[^1])] = put;
        }
        else
        {
            node[steps[^1]] = put;
        }
    }

    private static TackleMembers OfOnesOwn(TackleMembers tackle) =>
        tackle with
        {
            SystemId = "composed",
            Composed = new()
            {
                Name = "ours",
                Stages =
                [
                    new() { Kind = StageKind.Three, ContactIds = ["bushed-block"] },
                    new() { Kind = StageKind.Two, LegsApartDeg = 10 },
                ],
            },
            Capture = new() { Contact = 1, HoldsN = 6000 },
            Hold = new()
            {
                Grip = new() { GripId = "machard", CordStrengthN = 14000 },
            },
        };

    /// <summary>A plan in which every group stands.</summary>
    internal static Plan Full()
    {
        var plan = Heavy.Plan();
        return plan with
        {
            Name = "all of it",
            Tree = plan.Tree with
            {
                SpeciesId = "lime",
                Decay = new() { ShellM = 0.15, DiameterM = 0.6 },
                Mass = new()
                {
                    Method = MassMethod.Sections,
                    Sections = [new() { HeightM = 1, DiameterM = 0.56 }, new() { HeightM = 12, DiameterM = 0.35 }],
                    Known = new() { MassKg = 2500, CentreHeightM = 9 },
                },
            },
            Readings = new()
            {
                GirthM = 1.7,
                Height = new()
                {
                    DistanceM = 25,
                    UpDeg = 41,
                    DownDeg = -3,
                },
                LeanViews = [new() { LookingDeg = 10, LeanDeg = 2 }, new() { LookingDeg = 100, LeanDeg = -3 }],
            },
            Site = new()
            {
                Origin = new() { LatitudeDeg = 54, LongitudeDeg = -3 },
                Mark = new() { EastM = 20, NorthM = 1 },
                Spots =
                [
                    new()
                    {
                        EastM = 20,
                        NorthM = 2,
                        RiseM = -1,
                    },
                    new()
                    {
                        EastM = 1,
                        NorthM = 15,
                        RiseM = 0.4,
                    },
                ],
                Targets =
                [
                    new()
                    {
                        Id = "hut",
                        Kind = TargetKind.Building,
                        Closed = true,
                        HeightM = 3,
                        Points =
                        [
                            new() { EastM = -9, NorthM = 4 },
                            new() { EastM = -5, NorthM = 4 },
                            new() { EastM = -5, NorthM = 9 },
                        ],
                    },
                    new()
                    {
                        Id = "wire",
                        Kind = TargetKind.PowerLine,
                        Points = [new() { EastM = -30, NorthM = 30 }, new() { EastM = 40, NorthM = 33 }],
                    },
                ],
            },
            WalkUp = FirstWalkUp.Make(),
            Wind = new() { SpeedMps = 3, FromDeg = 40 },
            Lines =
            [
                plan.Lines[0] with
                {
                    Tackle = OfOnesOwn(plan.Lines[0].Tackle),
                    Anchor = plan.Lines[0].Anchor with
                    {
                        Kind = AnchorKind.Tree,
                        Tree = new() { DbhM = 0.4, HeightM = 15 },
                        Post = new() { DiameterM = 0.2, DepthM = 0.9 },
                    },
                },
                plan.Lines[1] with
                {
                    Tackle = plan.Lines[1].Tackle with
                    {
                        SystemId = "composed",
                        Composed = Composer.RopeByRope(
                            new()
                            {
                                Stages =
                                [
                                    new() { Kind = StageKind.Two, ContactIds = ["one-carabiner"] },
                                    new() { Kind = StageKind.Three },
                                ],
                            }
                        ),
                    },
                    Anchor = plan.Lines[1].Anchor with
                    {
                        Kind = AnchorKind.Vehicle,
                        Weight = new() { MassKg = 2400 },
                        Pickets = new() { ArrangementId = "picket-1-1" },
                    },
                    Puller = plan.Lines[1].Puller with
                    {
                        Place = new() { EastM = 36, NorthM = 0 },
                    },
                },
            ],
            Policy = new()
            {
                Name = "ours",
                SetBy = "Jory",
                SetOn = "2026-11-01",
            },
            Guesses = ["tree.heightM"],
        };
    }
}
