using System.Text.Json;

namespace Draklo.Core.Plans;

/// <summary>A plan as a file from elsewhere.</summary>
public static class PlanFile
{
    /// <summary>
    /// Whether a file says that it is a plan of a version known here; other members are not looked at.
    /// </summary>
    public static List<Problem> HeaderProblems(ReadOnlyMemory<byte> utf8)
    {
        try
        {
            using var json = JsonDocument.Parse(utf8);
            if (
                json.RootElement.ValueKind != JsonValueKind.Object
                || !json.RootElement.TryGetProperty("format", out var format)
                || format.ValueKind != JsonValueKind.String
            )
            {
                return
                [
                    new(
                        "format",
                        $"This is not a Draklo plan: a plan file begins with its format, “{Plan.FormatName}”. Choose a file that was exported as a plan."
                    ),
                ];
            }

            var problems = new List<Problem>();
            var version =
                json.RootElement.TryGetProperty("version", out var v)
                && v.ValueKind == JsonValueKind.Number
                && v.TryGetInt32(out var number)
                    ? number
                    : 0;
            PlanRules.CheckHeader(format.GetString()!, version, problems);
            return problems;
        }
        catch (JsonException)
        {
            return
            [
                new(
                    "",
                    "This file is not readable JSON, so it cannot be a plan: choose a file that was exported as a plan."
                ),
            ];
        }
    }
}
