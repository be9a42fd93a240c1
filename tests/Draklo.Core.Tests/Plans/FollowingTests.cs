using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>What hangs on a measure moves along with it until somebody sets it.</summary>
public sealed class FollowingTests
{
    [Fact]
    public void The_first_plan_stands_as_its_own_figures_follow()
    {
        var first = FirstPlan.Make();
        var read = Read(_ => { });

        Assert.Equal(first.Cut.StumpDiameterM, read.Cut.StumpDiameterM);
        Assert.Equal(first.Cut.Notch, read.Cut.Notch);
        Assert.Equal(first.Cut.HingeThicknessM, read.Cut.HingeThicknessM);
        Assert.Equal(first.Tree.Crown, read.Tree.Crown);
        Assert.Equal(first.Lines[0].Seat, read.Lines[0].Seat);
        Assert.Equal(first.Lines[0].Rope, read.Lines[0].Rope);
    }

    [Fact]
    public void A_stouter_and_taller_tree_takes_stump_crown_seat_hinge_and_notch_along()
    {
        var read = Read(p =>
        {
            p["tree"]!["dbhM"] = 0.52;
            p["tree"]!["heightM"] = 24;
        });

        Assert.Equal(0.60, read.Cut.StumpDiameterM);
        Assert.Equal(0.06, read.Cut.HingeThicknessM);
        Assert.Equal(0.14, read.Cut.Notch.DepthM);
        Assert.Equal(6.5, read.Tree.Crown.BaseHeightM);
        Assert.Equal(4.5, read.Tree.Crown.ReachM.West);
        Assert.Equal(14, read.Lines[0].Seat.HeightM);
    }

    [Fact]
    public void A_stump_under_a_stem_is_never_thinner_than_the_stem()
    {
        for (var dbh = 0.05; dbh < 4; dbh += 0.037)
        {
            var read = Read(p => p["tree"]!["dbhM"] = Math.Round(dbh, 3));
            Assert.True(read.Cut.StumpDiameterM >= read.Tree.DbhM, $"{read.Cut.StumpDiameterM} under {dbh}");
            Assert.True(read.Cut.Notch.DepthM + read.Cut.HingeThicknessM < read.Cut.StumpDiameterM);
        }
    }

    [Fact]
    public void What_somebody_set_stays()
    {
        var read = Read(p =>
        {
            p["follows"]!.AsArray().RemoveAll(f => f!.GetValue<string>() == "cut.stumpDiameterM");
            p["tree"]!["dbhM"] = 0.44;
        });

        Assert.Equal(0.46, read.Cut.StumpDiameterM);
        Assert.DoesNotContain(Following.Of(read), f => f.Path == "cut.stumpDiameterM");
    }

    [Fact]
    public void A_rope_is_as_thick_as_its_strength_asks_and_reaches()
    {
        var read = Read(p =>
        {
            p["lines"]![0]!["rope"]!["breakingStrengthN"] = 90_000;
            p["lines"]![0]!["anchor"]!["distanceM"] = 45;
        });

        // As the square root of the strength.
        Assert.Equal(12.7 * Math.Sqrt(90.0 / 40), 1000 * read.Lines[0].Rope.DiameterM, 0.06);
        var needed = read.Analysed().Pull.Lines[0].RopeNeededM;
        Assert.InRange(read.Lines[0].Rope.LengthM, needed, needed + 15);
    }

    [Fact]
    public void Two_views_in_the_words_of_the_trade_make_the_lean_at_once()
    {
        // 2.7 m back and 1.3 m left of a lay toward 40, at the top of a tree of 24 m.
        var read = Read(p =>
        {
            p["lay"]!["bearingDeg"] = 40;
            p["tree"]!["heightM"] = 24;
            p["readings"] = new JsonObject
            {
                ["leanViews"] = new JsonArray(
                    new JsonObject { ["lookingDeg"] = 130, ["topM"] = 2.7 },
                    new JsonObject { ["lookingDeg"] = 40, ["topM"] = -1.3 }
                ),
            };
            p["follows"]!.AsArray().Add("tree.lean.angleDeg");
            p["follows"]!.AsArray().Add("tree.lean.bearingDeg");
        });

        var angle = Math.Atan(Math.Sqrt((2.7 * 2.7) + (1.3 * 1.3)) / 24) * 180 / Math.PI;
        Assert.Equal(angle, read.Tree.Lean.AngleDeg, 0.06);
        Assert.Equal(40 + 180 + (Math.Atan(1.3 / 2.7) * 180 / Math.PI), read.Tree.Lean.BearingDeg, 0.06);
        var lean = read.Analysed().Tree.Lean;
        Assert.Equal(-2.7, lean.AheadM, 0.03);
        Assert.Equal(-1.3, lean.RightM, 0.03);
    }

    [Fact]
    public void One_view_of_metres_differs_from_the_plan_as_its_angle_would()
    {
        var plan = Cases.Sound() with { Readings = new() { LeanViews = [new() { LookingDeg = 0, TopM = 6 }] } };

        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.Code == "reading-lean");
    }

    [Fact]
    public void A_girth_and_a_height_that_were_read_count_at_once()
    {
        var read = Read(p =>
        {
            p["readings"] = JsonNode.Parse("""{ "girthM": 1.634, "height": { "method": "stick", "distanceM": 24 } }""");
            p["follows"]!.AsArray().Add("tree.dbhM");
            p["follows"]!.AsArray().Add("tree.heightM");
        });

        Assert.Equal(0.52, read.Tree.DbhM, 0.001);
        Assert.Equal(24, read.Tree.HeightM);
        Assert.Equal(0.60, read.Cut.StumpDiameterM);
    }

    [Theory]
    [InlineData("tree.speciesId")]
    [InlineData("lines[0].anchor.heightM")]
    [InlineData("nothing.at.all")]
    public void What_follows_from_nothing_is_refused_at_its_place(string path)
    {
        var plan = Read(p => p["follows"] = new JsonArray(path));

        var problem = Assert.Single(Analyses.PlanAnalysis.Of(plan).Problems);
        Assert.Equal("follows[0]", problem.Path);
    }

    [Fact]
    public void A_line_that_is_not_there_and_figures_that_no_tree_has_are_left_alone()
    {
        var read = Read(p =>
        {
            p["follows"]!.AsArray().Add("lines[4].seat.heightM");
            p["tree"]!["heightM"] = -5;
            p["lines"]![0]!["rope"]!["breakingStrengthN"] = -1;
        });

        Assert.Equal(0.0127, read.Lines[0].Rope.DiameterM);
        Assert.NotEmpty(Analyses.PlanAnalysis.Of(read).Problems);
    }

    [Fact]
    public void The_answer_says_what_each_comes_to()
    {
        var analysis = Read(p => p["tree"]!["dbhM"] = 0.52).Analysed();

        Assert.Equal(Following.Usual.Count, analysis.Followed.Count);
        Assert.Equal(0.60, analysis.Followed.Single(f => f.Path == "cut.stumpDiameterM").Value);
        Assert.Empty(Cases.Sound().Analysed().Followed);
    }

    private static Plan Read(Action<JsonNode> change)
    {
        var node = JsonNode.Parse(JsonSerializer.Serialize(FirstPlan.Make(), DocumentReader.Options))!;
        change(node);
        var (plan, problems) = DocumentReader.Read<Plan>(JsonSerializer.SerializeToUtf8Bytes(node));
        Assert.Empty(problems);
        return plan!;
    }
}
