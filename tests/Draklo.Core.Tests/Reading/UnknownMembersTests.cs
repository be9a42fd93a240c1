using System.Text.Json.Nodes;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Tests.Reading;

/// <summary>What a later version wrote and this one does not know is still there after a save.</summary>
public sealed class UnknownMembersTests
{
    private static readonly string Plain = System.Text.Json.JsonSerializer.Serialize(
        FirstPlan.Make(),
        DocumentReader.Options
    );

    [Fact]
    public void A_document_without_any_stays_as_it_is_to_the_letter() =>
        Assert.Same(Plain, UnknownMembers.Carry<Plan>(Plain.Replace("18", "19", StringComparison.Ordinal), Plain));

    [Fact]
    public void They_are_carried_at_every_depth_and_known_ones_are_not_touched()
    {
        var before = JsonNode.Parse(Plain)!;
        before["later"] = JsonNode.Parse("""{"a":[1,{"b":null}]}""");
        before["tree"]!["crown"]!["reachM"]!["up"] = 2;
        before["tree"]!["heightM"] = 99;
        var after = JsonNode.Parse(UnknownMembers.Carry<Plan>(before.ToJsonString(), Plain))!;
        Assert.Equal("""{"a":[1,{"b":null}]}""", after["later"]!.ToJsonString());
        Assert.Equal(2, after["tree"]!["crown"]!["reachM"]!["up"]!.GetValue<int>());
        Assert.Equal(18, after["tree"]!["heightM"]!.GetValue<double>());
    }

    [Fact]
    public void Parts_of_a_list_keep_theirs_by_id_however_they_are_moved_about()
    {
        var before = JsonNode.Parse(Plain)!;
        var second = before["lines"]![0]!.DeepClone();
        second["id"] = "steer";
        second["colour"] = "blue";
        before["lines"]!.AsArray().Add(second);
        before["lines"]![0]!["colour"] = "red";

        var now = JsonNode.Parse(Plain)!;
        var moved = now["lines"]![0]!.DeepClone();
        moved["id"] = "steer";
        now["lines"]!.AsArray().Insert(0, moved);
        var after = JsonNode.Parse(UnknownMembers.Carry<Plan>(before.ToJsonString(), now.ToJsonString()))!;
        Assert.Equal(["blue", "red"], after["lines"]!.AsArray().Select(l => l!["colour"]!.GetValue<string>()));
    }

    [Fact]
    public void What_belonged_to_a_part_that_was_taken_out_goes_with_it()
    {
        var before = JsonNode.Parse(Plain)!;
        before["walkUp"]![0]!["picture"] = "x";
        var now = JsonNode.Parse(Plain)!;
        now["walkUp"]!.AsArray().RemoveAt(0);
        var after = UnknownMembers.Carry<Plan>(before.ToJsonString(), now.ToJsonString());
        Assert.DoesNotContain("picture", after, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("{")]
    [InlineData("7")]
    public void A_text_before_that_cannot_be_read_adds_nothing(string? before) =>
        Assert.Equal(Plain, UnknownMembers.Carry<Plan>(before, Plain));
}
