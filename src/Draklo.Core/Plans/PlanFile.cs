using System.Text.Json;
using Draklo.Core.Units;

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
            CheckHeader(format.GetString()!, version, problems);
            return problems;
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
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

    /// <summary>Whether a file is a plan of a version that is known here.</summary>
    public static void CheckHeader(string format, int version, List<Problem> problems)
    {
        if (format != Plan.FormatName)
        {
            problems.Add(
                new(
                    "format",
                    $"This is not a Draklo plan: its format says “{(format.Length > 60 ? format[..60] + "…" : format)}” where a plan says “{Plan.FormatName}”."
                )
            );
        }
        else if (version > Plan.CurrentVersion)
        {
            problems.Add(
                new(
                    "version",
                    $"This plan was written by a newer Draklo (format version {version}; this one reads up to {Plan.CurrentVersion}): update this one, or export the plan again from there."
                )
            );
        }
        else if (version < 1)
        {
            problems.Add(new("version", "The version of a plan is 1 or more: correct it."));
        }
    }
}
