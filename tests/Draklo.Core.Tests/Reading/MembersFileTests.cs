using System.Collections.Immutable;
using System.Globalization;
using System.Reflection;
using System.Text;
using System.Text.Json;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Tests.Reading;

/// <summary>The front end's table of members is written from what stands at the core's: an old one fails here.</summary>
public sealed class MembersFileTests
{
    private const string Head = """
        // Written from the plan's members (src/Draklo.Core/Plans). A test fails while this is old;
        // DRAKLO_WRITE=1 ./check core writes it again.

        /** What is said of each member of the plan, by the type of the part that it stands in. */
        // prettier-ignore
        export const members = {

        """;

    [Fact]
    public void The_front_end_s_table_is_the_core_s() =>
        WrittenFile.Holds(["web", "src", "api", "members.ts"], Written());

    [Fact]
    public void Every_number_has_a_label_and_a_quantity_that_is_known()
    {
        foreach (var (part, member) in Parts().SelectMany(p => Members(p).Select(m => (p, m))))
        {
            var facts = MemberFacts.Of(member);
            if (facts.Quantity is not { } quantity)
            {
                continue;
            }

            Assert.True(facts.Label is not null, $"{part.Name}.{member.Name} has no label.");
            Assert.True(
                member.IsDefined(typeof(MeasureAttribute)),
                $"{part.Name}.{member.Name} does not say what it measures."
            );
            _ = MemberFacts.UnitOf(quantity);
        }
    }

    [Fact]
    public void A_field_that_may_be_empty_is_of_a_member_that_may_be_left_out() =>
        Assert.DoesNotContain(
            Parts().SelectMany(Members),
            m => MemberFacts.Of(m).Empty is not null && Nullable.GetUnderlyingType(m.PropertyType) is null
        );

    [Theory]
    [InlineData("lines[0].puller.machineN", "Machine or winch keeps up", "force")]
    [InlineData("tree.crown.reachM.north", "Reach north", "length")]
    [InlineData("cut.stumpDiameterM", "Diameter at the cut", "thickness")]
    [InlineData("lines[1].rope.diameterM", "Rope diameter", "rope")]
    public void A_path_leads_to_what_is_said_of_its_member(string path, string label, string quantity)
    {
        Assert.Equal(label, MemberNames.Of<Plan>(path));
        Assert.Equal(quantity, MemberNames.QuantityOf<Plan>(path));
    }

    private static string Written()
    {
        var text = new StringBuilder(Head);
        foreach (var part in Parts())
        {
            text.Append(CultureInfo.InvariantCulture, $"  {part.Name}: {{\n");
            foreach (var member in Members(part))
            {
                var said = Said(MemberFacts.Of(member)).ToList();
                if (said.Count > 0)
                {
                    text.Append(CultureInfo.InvariantCulture, $"    {NameOf(member)}: {{ ")
                        .AppendJoin(", ", said)
                        .Append(" },\n");
                }
            }

            text.Append("  },\n");
        }

        return text.Append("} as const;\n").ToString();
    }

    private static IEnumerable<string> Said(MemberFacts facts)
    {
        if (facts.Label is not null)
        {
            yield return $"label: {Quoted(facts.Label)}";
        }

        if (facts.Quantity is not null)
        {
            yield return $"quantity: {Quoted(facts.Quantity)}";
        }

        if (facts.Step is { } step)
        {
            yield return string.Create(CultureInfo.InvariantCulture, $"step: {step}");
        }

        if (facts.Range is { } range)
        {
            yield return string.Create(CultureInfo.InvariantCulture, $"low: {range.Low}, high: {range.High}");
        }

        if (facts.CanBeMeasured)
        {
            yield return "canBeMeasured: true";
        }

        if (facts.Empty is not null)
        {
            yield return $"empty: {Quoted(facts.Empty)}";
        }

        if (facts.Station is not null)
        {
            yield return $"station: {Quoted(facts.Station)}";
        }

        if (facts.Part is not null)
        {
            yield return $"part: {Quoted(facts.Part.Name)}";
        }
    }

    private static ImmutableArray<Type> Parts()
    {
        var found = new List<Type> { typeof(Plan) };
        for (var i = 0; i < found.Count; i++)
        {
            foreach (var part in Members(found[i]).Select(m => MemberFacts.Of(m).Part).OfType<Type>())
            {
                if (!found.Contains(part))
                {
                    found.Add(part);
                }
            }
        }

        return [.. found];
    }

    private static IEnumerable<PropertyInfo> Members(Type part) =>
        part.GetProperties(BindingFlags.Instance | BindingFlags.Public)
            .Where(m => m.CanWrite)
            .DistinctBy(m => m.Name, StringComparer.Ordinal);

    private static string NameOf(PropertyInfo member) => JsonNamingPolicy.CamelCase.ConvertName(member.Name);

    private static string Quoted(string text) => $"\"{text.Replace("\"", "\\\"", StringComparison.Ordinal)}\"";
}
