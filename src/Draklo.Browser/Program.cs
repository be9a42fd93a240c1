using System.Runtime.InteropServices.JavaScript;
using System.Runtime.Versioning;
using System.Text;
using Draklo.Core.Answers;
using Draklo.Core.Carrying;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>The core's second home: the same sums in the browser, asked as the server is asked.</summary>
[SupportedOSPlatform("browser")]
public static partial class Program
{
    private static readonly Known Known = new();
    private static readonly CellAtHand Cells = new();

    /// <summary>Nothing runs by itself: what is exported is called.</summary>
    public static void Main() { }

    static Program() => JsonTypes.Take(new Converters());

    /// <summary>Answers a question that the server answers too.</summary>
    /// <param name="path">As the server's, from "/api" on.</param>
    /// <param name="query">As in "units=us&amp;line=1".</param>
    /// <returns>Three digits of a status as HTTP has it, then the answer's JSON.</returns>
    [JSExport]
    public static string Answer(string path, string query, string body)
    {
        ArgumentNullException.ThrowIfNull(path);
        return Questions.Ask(path, new(query, Known), Encoding.UTF8.GetBytes(body));
    }

    /// <summary>Tells what the server knows beside the plan: the locker as a tablet takes it along.</summary>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string Know(string json)
    {
        Known.Locker = JsonTypes.Read<CarriedLocker>(Encoding.UTF8.GetBytes(json));
        return "200";
    }

    /// <summary>Takes what a load cell sent to this device.</summary>
    /// <param name="sent">A packet in base64, or a line.</param>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string HearCell(string lineId, bool isPacket, string sent, double plannedN, double atS) =>
        Answers.Written(Cells.Hear(lineId, isPacket, sent, plannedN, atS), []);

    /// <summary>Looks for rigs; it takes seconds, and the worker that it runs in does nothing else meanwhile.</summary>
    /// <param name="query">units, people and truckOnly.</param>
    /// <param name="progress">Told how many of how many are tried.</param>
    /// <returns>As <see cref="Answer"/>.</returns>
    [JSExport]
    public static string FindRigs(
        string query,
        string plan,
        [JSMarshalAs<JSType.Function<JSType.Number, JSType.Number>>] Action<int, int> progress
    )
    {
        var (made, problems) = Questions.FindRigs(Encoding.UTF8.GetBytes(plan), new(query, Known), progress);
        return Answers.Written(made, problems);
    }
}
