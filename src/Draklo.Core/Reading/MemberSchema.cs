using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json.Nodes;

namespace Draklo.Core.Reading;

/// <summary>What the attributes of a member say of it, in the words of JSON Schema.</summary>
public static class MemberSchema
{
    /// <summary>Adds to a member's schema what its attributes say: label, description and range.</summary>
    public static void Describe(JsonObject schema, ICustomAttributeProvider? attributes)
    {
        foreach (var attribute in attributes?.GetCustomAttributes(inherit: false) ?? [])
        {
            switch (attribute)
            {
                case DisplayAttribute display:
                    schema["title"] = display.Name;
                    if (display.Description is not null)
                    {
                        schema["description"] = display.Description;
                    }

                    break;
                case RangeAttribute range:
                    schema["minimum"] = Convert.ToDouble(range.Minimum);
                    schema["maximum"] = Convert.ToDouble(range.Maximum);
                    break;
                case MeasureAttribute measure:
                    schema["x-measures"] = measure.Quantity;
                    break;
                case RegularExpressionAttribute pattern:
                    schema["pattern"] = pattern.Pattern;
                    break;
                default:
                    DescribeLength(schema, attribute);
                    break;
            }
        }
    }

    private static void DescribeLength(JsonObject schema, object attribute)
    {
        var list = schema["items"] is not null;
        if (attribute is MaxLengthAttribute most)
        {
            schema[list ? "maxItems" : "maxLength"] = most.Length;
        }
        else if (attribute is MinLengthAttribute fewest)
        {
            schema[list ? "minItems" : "minLength"] = fewest.Length;
        }
    }
}
