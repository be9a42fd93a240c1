using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>
/// The JSON Schema of the plan document, made from the same members and ranges that the reader and the rules use.
/// </summary>
public static class PlanSchema
{
    private static readonly JsonSerializerOptions Indented = new(DocumentReader.Options)
    {
        WriteIndented = true,
        NewLine = "\n",
    };

    /// <summary>The schema as indented JSON text, ending in a line break.</summary>
    public static string Text { get; } = Make().ToJsonString(Indented) + "\n";

    private static JsonObject Make()
    {
        var schema = DocumentReader
            .Options.GetJsonSchemaAsNode(
                typeof(Plan),
                new JsonSchemaExporterOptions
                {
                    TreatNullObliviousAsNonNullable = true,
                    TransformSchemaNode = (context, node) =>
                    {
                        if (node is JsonObject member)
                        {
                            if (member["properties"] is not null)
                            {
                                member["additionalProperties"] = false;
                            }

                            MemberSchema.Describe(member, context.PropertyInfo?.AttributeProvider);
                        }

                        return node;
                    },
                }
            )
            .AsObject();
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "$id", "urn:draklo:plan:1");
        schema.Insert(2, "title", "Draklo plan");
        ((JsonObject)schema["properties"]!["format"]!)["enum"] = new JsonArray(Plan.FormatName);
        ((JsonObject)schema["properties"]!["version"]!)["enum"] = new JsonArray(Plan.CurrentVersion);
        return schema;
    }
}
