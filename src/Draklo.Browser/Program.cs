using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text;
using Draklo.BuiltJson;
using Draklo.Core.Carrying;
using Draklo.Core.Questions;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>The core's second home: the same sums in the browser, asked as the server is asked.</summary>
[SupportedOSPlatform("browser")]
public static partial class Program
{
    private static readonly CellAtHand Cells = new();
    private static readonly Answers Answers = new();
    private static CarriedLocker locker = CarriedLocker.Nothing;

    /// <summary>Nothing runs by itself: what is exported is called.</summary>
    public static void Main() { }

    static Program() => JsonTypes.Take(new Converters());

    /// <summary>Answers a question of the core, at the server's own path.</summary>
    /// <param name="path">From "/api" on.</param>
    /// <param name="query">As in "units=us&amp;line=1"; offsetMin is this device's clock from UTC, minutes.</param>
    /// <param name="progress">Told how many of how many steps are done, where it takes long.</param>
    /// <returns>Three digits of a status as HTTP has it, then the answer's JSON.</returns>
    [JSExport]
    public static string Answer(
        string path,
        string query,
        string body,
        [JSMarshalAs<JSType.Function<JSType.Number, JSType.Number>>] Action<int, int> progress
    )
    {
        ArgumentNullException.ThrowIfNull(path);
        if (AllQuestions.At(path) is not { } question)
        {
            return Answers.Refusal([new("path", $"Nothing here answers {path}: it needs the server.")]);
        }

        var values = Values(query);
        var offset = values.TryGetValue("offsetMin", out var text) && int.TryParse(text, out var minutes) ? minutes : 0;
        var atHand = new AtHand(locker, TimeSpan.FromMinutes(offset));
        var (asked, problems) = Asked.Of(question, values.GetValueOrDefault, atHand, default, progress);
        return asked is null ? Answers.Refusal(problems) : question.Ask(Encoding.UTF8.GetBytes(body), asked, Answers);
    }

    /// <summary>Tells what the server knows beside the plan: the locker as a tablet takes it along.</summary>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string Know(string json)
    {
        locker = JsonTypes.Read<CarriedLocker>(Encoding.UTF8.GetBytes(json));
        return "200";
    }

    /// <summary>Takes what a load cell sent to this device.</summary>
    /// <param name="sent">A packet in base64, or a line.</param>
    /// <param name="slack">Whether the line is slack just now.</param>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string HearCell(string lineId, bool isPacket, string sent, double plannedN, double atS, bool slack) =>
        Answers.Take(Cells.Hear(lineId, isPacket, sent, plannedN, atS, slack), []);

    private static Dictionary<string, string> Values(string query) =>
        query
            .Split('&', StringSplitOptions.RemoveEmptyEntries)
            .Select(pair => pair.Split('=', 2))
            .ToDictionary(
                pair => Uri.UnescapeDataString(pair[0]),
                pair => pair.Length > 1 ? Uri.UnescapeDataString(pair[1]) : "",
                StringComparer.Ordinal
            );
}
