using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Draklo.BuiltJson;
using Draklo.Core.Analyses;
using Draklo.Core.Answers;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Falls;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>
/// What is written at build time for the browser reads and writes what the JSON package does, and passes nothing that the
/// document reader would refuse.
/// </summary>
public sealed class BuiltConvertersTests
{
    private static readonly JsonSerializerOptions Built = Make();

    [Fact]
    public void A_plan_is_taken_where_the_document_reader_takes_it_and_read_alike()
    {
        var (taken, refused) = (0, 0);
        foreach (var (path, json) in NonsenseTests.Broken())
        {
            var (plan, _) = DocumentReader.Read<Plan>(json);
            var built = Quick<Plan>(json);
            Assert.True(plan is null == built is null, $"{path}: read {plan is not null}, built {built is not null}");
            if (plan is null)
            {
                refused++;
                continue;
            }

            taken++;
            Assert.Equal(Text(plan), JsonSerializer.Serialize(built, Built));
        }

        Assert.True(taken > 500 && refused > 1000, $"{taken} taken, {refused} refused");
    }

    [Fact]
    public void Members_left_out_begin_with_what_the_record_gives_them()
    {
        var full = Json(NonsenseTests.Full()).AsObject();
        foreach (var name in full.Select(m => m.Key).ToArray())
        {
            var json = full.DeepClone().AsObject();
            json.Remove(name);
            var text = JsonSerializer.SerializeToUtf8Bytes(json);
            var (plan, _) = DocumentReader.Read<Plan>(text);
            var built = Quick<Plan>(text);
            Assert.True(plan is null == built is null, name);
            Assert.Equal(plan is null ? "" : Text(plan), built is null ? "" : Text(built));
        }
    }

    [Theory]
    [InlineData("""{"tree":{"heightM":1,"heightM":2}}""")]
    [InlineData("""{"tree":{"height\u004d":1e400}}""")]
    [InlineData("""{"name":"\ud800"}""")]
    [InlineData("{\"tree\":{}")]
    [InlineData("[]")]
    [InlineData("null")]
    [InlineData("")]
    [InlineData("{} {}")]
    [InlineData("/* a plan */ {}")]
    public void What_is_no_plan_is_left_to_the_document_reader(string text) =>
        Assert.Null(Quick<Plan>(Encoding.UTF8.GetBytes(text)));

    [Fact]
    public void A_member_that_nobody_knows_is_passed_over_only_in_what_we_wrote_ourselves()
    {
        var json = Json(Lime()).AsObject();
        json["later"] = JsonNode.Parse("""{"a":[1,{"b":2}]}""");
        var text = json.ToJsonString();
        Assert.Null(Quick<Plan>(Encoding.UTF8.GetBytes(text)));
        Assert.Equal(Text(Lime()), Text(JsonSerializer.Deserialize<Plan>(text, Built)!));
    }

    [Fact]
    public void Answers_are_written_alike()
    {
        foreach (var plan in new[] { Lime(), NonsenseTests.Full(), OverARedirect() })
        {
            foreach (var units in new[] { UnitSystem.Metric, UnitSystem.Us })
            {
                Alike(PlanAnalysis.Of(plan, units).Analysis);
                Alike(StemProfile.Of(plan, 0, units).Profile);
                Alike(TackleView.Of(plan, 0, units).View);
                Alike(Remedies.For(plan, "main.hands", units).Remedies);
                Alike(Fall.Of(plan, new(0.3, true, 40, true), units).Fall);
                Alike(ClearingAnalysis.Of(plan, units, null).Analysis);
            }

            Alike(LayRose.Of(plan, UnitSystem.Metric, 90).Rose);
        }
    }

    [Fact]
    public void Tables_are_read_alike()
    {
        Table<Species>("species.json");
        Table<ContactKind>("contacts.json");
        Table<Knot>("knots.json");
        Table<AnchorFigure>("anchors.json");
        Table<Grip>("grips.json");
        Table<RopeConstruction>("constructions.json");
        Table<GlossaryEntry>("glossary.json");
    }

    private static void Table<T>(string name)
    {
        using var stream = typeof(Reference).Assembly.GetManifestResourceStream(name)!;
        var text = new byte[stream.Length];
        stream.ReadExactly(text);
        var built = new Converters().For<List<T>>()!.Read(text, isStrict: false);
        var looked = JsonSerializer.Deserialize<List<T>>(text, DocumentReader.Options)!;
        Assert.NotEmpty(built);
        Assert.Equal(Text(looked), Text(built));
    }

    private static void Alike<T>(T? answer)
        where T : class
    {
        if (answer is not null)
        {
            Assert.NotNull(new Converters().GetTypeInfo(typeof(T), Built));
            Assert.Equal(Text(answer), JsonSerializer.Serialize(answer, Built));
            Assert.Equal(Text(answer), new Converters().For<T>()!.Written(answer, isShort: false));
            Assert.Equal(
                JsonSerializer.Serialize(answer, AnswerJson.Options),
                new Converters().For<T>()!.Written(answer, isShort: true)
            );
        }
    }

    private static string Text<T>(T document) => JsonSerializer.Serialize(document, DocumentReader.Options);

    private static T? Quick<T>(ReadOnlySpan<byte> json)
        where T : class
    {
        try
        {
            return new Converters().For<T>()!.Read(json, isStrict: true);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }

    private static JsonSerializerOptions Make() =>
        new(DocumentReader.Options)
        {
            TypeInfoResolver = JsonTypeInfoResolver.Combine(new Converters(), new DefaultJsonTypeInfoResolver()),
        };
}
