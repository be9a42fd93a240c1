using System.Text;
using System.Text.Json.Nodes;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Sites;
using Draklo.Files;

namespace Draklo.Core.Tests.Reading;

/// <summary>Text that is not text, numbers that are not numbers, files that are far too large: refused in words.</summary>
public sealed class BrokenTextTests
{
    private static readonly string Plan = System.Text.Json.JsonSerializer.Serialize(
        FirstPlan.Make(),
        DocumentReader.Options
    );

    private static readonly string Nameless = Without("name");

    [Theory]
    [InlineData("\"name\":\"\\ud800\"", "name")]
    [InlineData("\"name\":\"\\udc00x\"", "name")]
    [InlineData("\"\\ud800\":1", "")]
    [InlineData("\"schemaNote\":\"x\"", "schemaNote")]
    public void Half_a_letter_is_refused_at_its_member(string member, string path)
    {
        var (plan, problems) = DocumentReader.Read<Plan>(Encoding.UTF8.GetBytes($"{{{member},{Nameless[1..]}"));
        Assert.Null(plan);
        Assert.Contains(problems, p => p.Path == path || path.Length == 0);
    }

    [Fact]
    public void Bytes_that_are_no_text_are_refused()
    {
        var bytes = Encoding.UTF8.GetBytes($"{{\"name\":\"?\",{Nameless[1..]}");
        var at = Array.IndexOf(bytes, (byte)'?');
        bytes[at] = 0xFF;
        var (plan, problems) = DocumentReader.Read<Plan>(bytes);
        Assert.Null(plan);
        Assert.NotEmpty(problems);
    }

    [Theory]
    [InlineData("1e30")]
    [InlineData("1e400")]
    [InlineData("2.5")]
    public void Whole_numbers_are_whole_and_small_enough(string number)
    {
        var version = JsonNode.Parse(Plan)!["version"]!.ToJsonString();
        var (plan, problems) = DocumentReader.Read<Plan>(
            Encoding.UTF8.GetBytes(
                Plan.Replace($"\"version\":{version}", $"\"version\":{number}", StringComparison.Ordinal)
            )
        );
        Assert.Null(plan);
        Assert.Equal("version", Assert.Single(problems).Path);
    }

    [Fact]
    public void A_map_of_thousands_is_refused_before_it_is_worked_through()
    {
        var features = string.Join(',', Enumerable.Repeat(Feature("building"), 2400));
        var (site, problems) = Read(features);
        Assert.Null(site);
        Assert.Contains("2,400 features", Assert.Single(problems).Message, StringComparison.Ordinal);
        (site, problems) = Read(string.Join(',', Enumerable.Repeat(Feature("building"), 900)));
        Assert.Null(site);
        Assert.Contains("more than 200 targets", Assert.Single(problems).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("3")]
    [InlineData("999")]
    [InlineData("-1")]
    public void A_digit_names_no_kind(string kind)
    {
        var (site, problems) = Read(Feature(kind));
        Assert.Empty(problems);
        Assert.Equal(TargetKind.Other, Assert.Single(site!.Targets).Kind);
    }

    private static string Without(string member)
    {
        var plan = JsonNode.Parse(Plan)!.AsObject();
        plan.Remove(member);
        return plan.ToJsonString();
    }

    private static string Feature(string kind) =>
        $$$"""{"type":"Feature","geometry":{"type":"Point","coordinates":[9.0001,47.0001]},"properties":{"kind":"{{{kind}}}","radiusM":1e30}}""";

    private static (SiteMembers? Site, List<Units.Problem> Problems) Read(string features) =>
        SiteGeoJson.Read(
            Encoding.UTF8.GetBytes($$"""{"type":"FeatureCollection","features":[{{features}}]}"""),
            new()
            {
                Origin = new() { LatitudeDeg = 47, LongitudeDeg = 9 },
            }
        );
}
