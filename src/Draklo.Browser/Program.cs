using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text;
using System.Text.Json;
using Draklo.Core.Answers;
using Draklo.Core.Gear;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>The core's second home: the same sums in the browser, asked as the server is asked.</summary>
[SupportedOSPlatform("browser")]
public static partial class Program
{
    private static readonly Known Known = new();

    /// <summary>Nothing runs by itself: what is exported is called.</summary>
    public static void Main() { }

    static Program() => JsonTypes.Describe(new WithDefaults(Described.Default));

    /// <summary>Answers a question that the server answers too.</summary>
    /// <param name="path">As the server's, from "/api" on.</param>
    /// <param name="query">As in "units=us&amp;line=1".</param>
    /// <returns>Three digits of a status as HTTP has it, then the answer's JSON.</returns>
    [JSExport]
    public static string Answer(string path, string query, string body)
    {
        ArgumentNullException.ThrowIfNull(path);
        var (made, problems) = Questions.Ask(path, new(query, Known), Encoding.UTF8.GetBytes(body));
        return made is null
            ? Refusal(Refused.Of(problems))
            : $"200{JsonSerializer.Serialize(made, made.GetType(), AnswerJson.Options)}";
    }

    /// <summary>Tells how the pieces of the locker stand, as the server last said in these units.</summary>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string KnowStandings(string units, string json)
    {
        var standings = JsonSerializer.Deserialize<Dictionary<string, GearStanding>>(json, DocumentReader.Options);
        Known.Standings[units == "us" ? UnitSystem.Us : UnitSystem.Metric] = standings ?? [];
        return "200";
    }

    private static string Refusal(Refused refused) =>
        $"{refused.Status}{JsonSerializer.Serialize(refused, AnswerJson.Options)}";
}
