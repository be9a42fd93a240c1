using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Reflection;
using System.Text.Json;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using DisplayAttribute = System.ComponentModel.DataAnnotations.DisplayAttribute;

namespace Draklo.Web.Hosting;

/// <summary>The OpenAPI document, from which the front end's types are made.</summary>
internal static class ApiDescription
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Draklo";
                document.Info.Version = "1";
                document.Info.Description =
                    "Plans for pulling leaning trees. SI units; degrees where a name says Deg; bearings clockwise from north.";
                document.Servers = [];

                // A choice that may be left out in one place is described once for all; the null belongs to that place
                // alone.
                foreach (var schema in document.Components?.Schemas?.Values.OfType<OpenApiSchema>() ?? [])
                {
                    schema.Enum = schema
                        .Enum?.Where(choice => choice is not null && choice.GetValueKind() != JsonValueKind.Null)
                        .ToList();
                }

                return Task.CompletedTask;
            }
        );
        options.AddOperationTransformer(
            (operation, context, _) =>
            {
                foreach (
                    var question in context.Description.ActionDescriptor.EndpointMetadata.OfType<Core.Questions.Question>()
                )
                {
                    operation.Parameters = [.. question.Parameters.Select(Described)];
                }

                return Task.CompletedTask;
            }
        );
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                foreach (
                    var attribute in context.JsonPropertyInfo?.AttributeProvider?.GetCustomAttributes(inherit: false)
                        ?? []
                )
                {
                    if (attribute is DisplayAttribute display)
                    {
                        schema.Title = display.Name;
                        schema.Description = display.Description ?? schema.Description;
                    }
                    else if (attribute is RangeAttribute range)
                    {
                        schema.Minimum = Convert.ToString(range.Minimum, CultureInfo.InvariantCulture);
                        schema.Maximum = Convert.ToString(range.Maximum, CultureInfo.InvariantCulture);
                    }
                }

                return Task.CompletedTask;
            }
        );
    }

    /// <summary>What a question takes beside its document, as its entry in the core has it.</summary>
    private static IOpenApiParameter Described(Core.Questions.Parameter parameter) =>
        new OpenApiParameter
        {
            Name = parameter.Name,
            In = ParameterLocation.Query,
            Description = parameter.Says,
            Schema = new OpenApiSchema
            {
                Type = parameter.Kind switch
                {
                    "integer" => JsonSchemaType.Integer,
                    "number" => JsonSchemaType.Number,
                    "boolean" => JsonSchemaType.Boolean,
                    "string" => JsonSchemaType.String,
                    var other => throw new InvalidOperationException($"OpenAPI has no kind {other}."),
                },
                Minimum = parameter.Range?.Low.ToString(CultureInfo.InvariantCulture),
                Maximum = parameter.Range?.High.ToString(CultureInfo.InvariantCulture),
                Default = parameter.UsualValue is { } usual ? JsonSerializer.SerializeToNode(usual) : null,
            },
        };
}
