using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Each field's nonsense is refused at its field, in one sentence.</summary>
public sealed class RefusalTests
{
    [Theory]
    [InlineData("tree.heightM", "0", "between 2 m and 120 m; it says 0 m")]
    [InlineData("tree.heightM", "-3", "it says −3 m")]
    [InlineData("tree.dbhM", "90", "between 5 cm and 500 cm")]
    [InlineData("lines[0].seat.heightM", "25", "above the top of the tree at 21 m: lower the seat")]
    [InlineData("lines[0].seat.heightM", "0.5", null)]
    [InlineData("cut.hingeThicknessM", "0.58", "wider than the stump")]
    [InlineData("cut.notch.depthM", "0.6", "cuts right through")]
    [InlineData("cut.hingeThicknessM", "0.45", "leave no back cut")]
    [InlineData("lines[0].anchor.bearingDeg", "270", "behind the tree")]
    [InlineData("lines[0].anchor.bearingDeg", "361", "between 0° and 360°")]
    [InlineData("tree.crown.baseHeightM", "22", "lower the crown base")]
    [InlineData("tree.crown.massRatio", "\"heavy\"", "must be a number")]
    [InlineData("tree.heightM", "\"42 ft\"", "must be a number")]
    [InlineData("tree.heightM", "null", "is empty")]
    [InlineData("tree.heightM", "1e999", "too large")]
    [InlineData("tree.lean.shape", "\"bendy\"", "one of: straight, swept")]
    [InlineData("tree.mass", "{\"method\":\"known\"}", null, "tree.mass.known", "give it with the height")]
    [InlineData(
        "tree.mass",
        "{\"method\":\"sections\",\"sections\":[{\"heightM\":1,\"diameterM\":0.5}]}",
        null,
        "tree.mass.sections",
        "two diameters or more"
    )]
    [InlineData(
        "tree.mass",
        "{\"method\":\"sections\",\"sections\":[{\"heightM\":6,\"diameterM\":0.4},{\"heightM\":2,\"diameterM\":0.5}]}",
        null,
        "tree.mass.sections[1].heightM",
        "in order, from below upward"
    )]
    [InlineData(
        "tree.decay",
        "{\"shellM\":0.4,\"diameterM\":0.5}",
        null,
        "tree.decay.shellM",
        "thicker than half the stem"
    )]
    [InlineData(
        "readings",
        "{\"leanViews\":[{\"lookingDeg\":10,\"leanDeg\":2},{\"lookingDeg\":200,\"leanDeg\":1}]}",
        null,
        "readings.leanViews[1].lookingDeg",
        "nearly in one line"
    )]
    [InlineData(
        "readings",
        "{\"height\":{\"distanceM\":20,\"upDeg\":5,\"downDeg\":12}}",
        null,
        "readings.height.upDeg",
        "not above the angle to the foot"
    )]
    [InlineData("site", "{\"spots\":[{\"eastM\":10,\"northM\":0,\"riseM\":1}]}", null, "site.spots", "add a second")]
    [InlineData(
        "site",
        "{\"spots\":[{\"eastM\":10,\"northM\":1,\"riseM\":1},{\"eastM\":-20,\"northM\":-2,\"riseM\":1}]}",
        null,
        "site.spots[1].eastM",
        "nearly in one line"
    )]
    [InlineData(
        "site",
        "{\"targets\":[{\"id\":\"a\",\"kind\":\"wall\",\"points\":[{\"eastM\":-5,\"northM\":0},{\"eastM\":5,\"northM\":0}]}]}",
        null,
        "site.targets[0].points",
        "on the stump"
    )]
    [InlineData(
        "site",
        "{\"targets\":[{\"id\":\"a\",\"kind\":\"building\",\"closed\":true,\"points\":[{\"eastM\":10,\"northM\":0},{\"eastM\":20,\"northM\":10},{\"eastM\":20,\"northM\":0},{\"eastM\":10,\"northM\":10}]}]}",
        null,
        "site.targets[0].points",
        "cross one another"
    )]
    [InlineData(
        "site",
        "{\"targets\":[{\"id\":\"a\",\"kind\":\"building\",\"closed\":true,\"points\":[{\"eastM\":10,\"northM\":0},{\"eastM\":20,\"northM\":10}]}]}",
        null,
        "site.targets[0].points",
        "three corners"
    )]
    [InlineData(
        "site",
        "{\"targets\":[{\"id\":\"a\",\"kind\":\"castle\",\"points\":[]}]}",
        null,
        "site.targets[0].kind",
        "must be one of: building"
    )]
    [InlineData("lines[0].knotId", "\"granny\"", "not in the table")]
    [InlineData("lines[0].tackle.systemId", "\"fifty-to-one\"", "choose one of direct")]
    [InlineData("lines[0].tackle.contactId", "\"butter\"", "not in the table of turns")]
    [InlineData("lines[0].tackle.joinKnotId", "\"bowline\"", "midline loop")]
    [InlineData("lines[0].id", "\"Main Line\"", "small letters")]
    [InlineData("lines[0].rope.breakingStrengthN", "-20000", "between 500 N and 1,000 kN; it says −20 kN")]
    [InlineData("lines[0].rope.constructionId", "\"knitted\"", "not in the rope table")]
    [InlineData(
        "lines[0].tackle.grip",
        "{\"gripId\":\"thumb\"}",
        null,
        "lines[0].tackle.grip.gripId",
        "choose one of machard"
    )]
    [InlineData(
        "lines[0].tackle.connector",
        "{\"strengthN\":22000,\"count\":3}",
        null,
        "lines[0].tackle.connector.count",
        "between 1 and 2"
    )]
    [InlineData(
        "lines[0].joined",
        "{\"knotId\":\"bowline\",\"rope\":{\"breakingStrengthN\":30000,\"lengthM\":30,\"diameterM\":0.012,\"stretchAtTenPercent\":0.03}}",
        null,
        "lines[0].joined.knotId",
        "does not join two ends"
    )]
    [InlineData(
        "lines[0].redirects",
        "[{\"at\":{\"distanceM\":30,\"bearingDeg\":90,\"heightM\":0.5}}]",
        null,
        "lines[0].redirects[0].at.distanceM",
        "move one of them"
    )]
    [InlineData(
        "lines[0].redirects",
        "[{\"at\":{\"distanceM\":20,\"bearingDeg\":270,\"heightM\":0.5}}]",
        null,
        "lines[0].redirects[0].at.bearingDeg",
        "behind the tree"
    )]
    [InlineData(
        "lines[0].redirects",
        "[{\"contactId\":\"soap\",\"at\":{\"distanceM\":20,\"bearingDeg\":80,\"heightM\":0.5}}]",
        null,
        "lines[0].redirects[0].contactId",
        "not in the table of turns"
    )]
    [InlineData(
        "lines[0].puller",
        "{\"kind\":\"machine\"}",
        null,
        "lines[0].puller.machineN",
        "what the machine pulls"
    )]
    [InlineData("lines[0].limiter", "{\"frictionLow\":0.3}", null, "lines[0].limiter.friction", "put them in order")]
    [InlineData("lines[0].limiter", "{\"holdN\":500}", null, "lines[0].limiter.holdN", "put them in order")]
    [InlineData(
        "lines[0].seat",
        "{\"heightM\":13,\"on\":\"twig\"}",
        null,
        "lines[0].seat.on",
        "one of: stem, union, limb"
    )]
    [InlineData("lines[0].rope.wear", "{\"keeps\":1.2}", null, "lines[0].rope.wear.keeps", "between 30 % and 100 %")]
    [InlineData("lines[0].puller.count", "1.5", "whole number")]
    [InlineData("lines[0].puller.count", "0", "between 1 and 20")]
    [InlineData("lines", "{}", "list")]
    [InlineData("lines", "[]", "at least 1")]
    [InlineData("tree", "[]", "curly brackets")]
    [InlineData("guesses[0]", "\"tree.wingspanM\"", "not a member of a plan")]
    [InlineData("cut.stumpHeightM", "2.99", null)]
    [InlineData("policy.loadReserve", "0.5", "between 1 and 3")]
    public void At_its_member(string path, string value, string? says, string? at = null, string? sentence = null)
    {
        says = sentence ?? says;
        var json = JsonSerializer.SerializeToNode(
            Lime() with
            {
                Guesses = ["tree.crown.massRatio"],
            },
            DocumentReader.Options
        )!;
        Set(json, path, value);
        var problems = Problems(json.ToJsonString());
        if (says is null)
        {
            Assert.Empty(problems);
            return;
        }

        var problem = Assert.Single(problems);
        Assert.Equal(at ?? path, problem.Path);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
        Assert.EndsWith(".", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_unknown_species_needs_its_own_wood()
    {
        var own = Lime();
        Assert.Empty(
            PlanRules.Check(own with { Tree = own.Tree with { SpeciesId = "our-own-lime" } }, UnitSystem.Metric)
        );
        var problem = (own with { Tree = own.Tree with { SpeciesId = "triffid", Wood = null } }).OnlyProblem();
        Assert.Equal("tree.speciesId", problem.Path);
        Assert.Contains("not in the catalogue", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Unknown_and_missing_members_are_all_named_at_once()
    {
        var json = JsonSerializer.SerializeToNode(Lime(), DocumentReader.Options)!.AsObject();
        json["tree"]!.AsObject().Remove("heightM");
        json["tree"]!.AsObject()["hightM"] = 21;
        json["cut"]!.AsObject().Remove("notch");
        Assert.Equal(
            ["cut.notch", "tree.heightM", "tree.hightM"],
            Problems(json.ToJsonString()).Select(p => p.Path).Order()
        );
    }

    [Fact]
    public void Another_format_and_a_newer_version_are_told_apart()
    {
        Assert.Contains(
            "not a Draklo plan",
            (Lime() with { Format = "somebody.else" }).OnlyProblem().Message,
            StringComparison.Ordinal
        );
        var newer = (Lime() with { Version = 2 }).OnlyProblem();
        Assert.Equal("version", newer.Path);
        Assert.Contains("newer Draklo", newer.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("not json at all")]
    [InlineData("{\"a\":1,\"a\":2}")]
    public void Unreadable_text_is_said_to_be_unreadable(string text) =>
        Assert.Contains("not readable JSON", Assert.Single(Problems(text)).Message, StringComparison.Ordinal);

    [Fact]
    public void Two_lines_of_one_name_are_refused() =>
        Assert.Equal(
            "lines[1].id",
            (SideLeaner() with { Lines = [SideLeaner().Lines[0], SideLeaner().Lines[0]] }).OnlyProblem().Path
        );

    [Fact]
    public void A_line_that_loses_its_arm_is_refused_with_the_angle()
    {
        var plan = Lime() with { Tree = Lime().Tree with { Lean = Lime().Tree.Lean with { AngleDeg = 30 } } };
        var problem = plan.WithMain(l => l with { Anchor = l.Anchor with { DistanceM = 1, HeightM = 20 } })
            .OnlyProblem();
        Assert.Contains("loses its arm once the tree has turned", problem.Message, StringComparison.Ordinal);
        Assert.Equal("lines[0].anchor.distanceM", problem.Path);
    }

    [Fact]
    public void A_hinge_that_no_weight_can_bend_is_refused()
    {
        var plan = Lime() with
        {
            Tree = Lime().Tree with { HeightM = 14, DbhM = 0.1 },
            Cut = Lime().Cut with { HingeThicknessM = 0.3, Notch = Lime().Cut.Notch with { DepthM = 0.15 } },
        };
        var problem = plan.OnlyProblem();
        Assert.Equal("cut.hingeThicknessM", problem.Path);
        Assert.Contains("thinner", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Neither_species_nor_wood_is_asked_for() =>
        Assert.Equal("tree.speciesId", (Lime() with { Tree = Lime().Tree with { Wood = null } }).OnlyProblem().Path);

    [Fact]
    public void Sentences_speak_the_readers_units() =>
        Assert.Contains(
            "82 ft",
            Assert
                .Single(
                    PlanAnalysis
                        .Of(Lime().WithMain(l => l with { Seat = new() { HeightM = 25 } }), UnitSystem.Us)
                        .Problems
                )
                .Message,
            StringComparison.Ordinal
        );

    private static IReadOnlyList<Problem> Problems(string json)
    {
        var (plan, problems) = DocumentReader.Read<Plan>(Encoding.UTF8.GetBytes(json));
        return plan is null ? problems : PlanAnalysis.Of(plan).Problems;
    }

    private static void Set(JsonNode root, string path, string value)
    {
        var steps = path.Replace("[", ".", StringComparison.Ordinal)
            .Replace("]", "", StringComparison.Ordinal)
            .Split('.');
        var node = root;
        foreach (var step in steps[..^1])
        {
            node = int.TryParse(step, out var index) ? node[index]! : node[step]!;
        }

        // 1e999 cannot be parsed to a node, so the text is put in afterwards as it is.
        var last = value == "1e999" ? JsonNode.Parse("1e300") : JsonNode.Parse(value);
        if (value == "1e999")
        {
            last = JsonValue.Create(JsonDocument.Parse(value).RootElement);
        }

        if (int.TryParse(steps[^1], out var at))
        {
            node[at] = last;
        }
        else
        {
            node[steps[^1]] = last;
        }
    }
}
