using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Tests;

/// <summary>A file may name a part by its id or by its place.</summary>
public sealed class PlanPathsTests
{
    [Theory]
    [InlineData("lines[steer].anchor.distanceM")]
    [InlineData("lines[id=steer].anchor.distanceM")]
    [InlineData("lines[1].anchor.distanceM")]
    public void A_guess_is_found_by_id_and_by_place(string path)
    {
        var plan = Read(p => p["guesses"] = new JsonArray(path));

        Assert.True(plan.IsGuess("lines[1].anchor.distanceM"));
        Assert.False(plan.IsGuess("lines[0].anchor.distanceM"));
    }

    [Fact]
    public void Provenance_and_accepted_checks_follow_their_part_into_another_order()
    {
        var plan = Read(p =>
        {
            p["guesses"] = new JsonArray();
            p["provenance"] = new JsonObject { ["lines[main].rope.breakingStrengthN"] = "label" };
            p["accepted"] = new JsonArray(
                new JsonObject
                {
                    ["code"] = "link-tight",
                    ["path"] = "lines[id=main].rope",
                    ["by"] = "Mara",
                    ["at"] = "2026-12-01T08:00:00Z",
                    ["because"] = "Tried by hand.",
                }
            );
            var lines = p["lines"]!.AsArray();
            var first = lines[0]!;
            lines.RemoveAt(0);
            lines.Add(first);
        });

        Assert.Equal(["lines[1].rope.breakingStrengthN"], plan.Provenance.Keys);
        Assert.Equal("lines[1].rope", Assert.Single(plan.Accepted).Path);
    }

    [Fact]
    public void A_figure_told_twice_is_a_guess_while_one_word_says_so()
    {
        var plan = Read(p =>
        {
            p["guesses"] = new JsonArray();
            p["provenance"] = new JsonObject
            {
                ["lines[main].rope.lengthM"] = "guess",
                ["lines[0].rope.lengthM"] = "measured",
            };
        });

        Assert.True(plan.IsGuess("lines[0].rope.lengthM"));
    }

    [Theory]
    [InlineData("lines[nobody].rope")]
    [InlineData("lines[")]
    [InlineData("tree.heightM")]
    [InlineData("cut.rot[first].acrossM")]
    public void What_names_no_part_stays_as_it_is(string path) =>
        Assert.Equal(path, PlanPaths.ByPlace(FirstPlan.Make(), path));

    private static Plan Read(Action<JsonObject> change)
    {
        var plan = FirstPlan.Make();
        var two = plan with { Lines = [plan.Lines[0], plan.Lines[0] with { Id = "steer", Share = 0.3 }] };
        var json = JsonSerializer.SerializeToNode(two, DocumentReader.Options)!.AsObject();
        change(json);
        return DocumentReader.Read<Plan>(JsonSerializer.SerializeToUtf8Bytes(json)).Document!;
    }
}
