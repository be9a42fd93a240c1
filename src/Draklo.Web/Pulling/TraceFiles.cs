using System.Globalization;
using System.Text;
using CsvHelper;
using Draklo.Core.Pulling;

namespace Draklo.Web.Pulling;

/// <summary>A line's readings as the files of an archive: CSV, a hundred thousand rows in each.</summary>
public static class TraceFiles
{
    public const string Folder = "traces/";
    public const int RowsInFile = 100_000;

    public static void Write(Stream stream, IEnumerable<TracePoint> points)
    {
        using var writer = new StreamWriter(stream, new UTF8Encoding(false), 1 << 16, leaveOpen: true);
        using var csv = new CsvWriter(writer, CultureInfo.InvariantCulture);
        foreach (var name in new[] { "at_ms", "tension_n", "lean_deg", "hauled_m", "doubtful", "simulated" })
        {
            csv.WriteField(name);
        }

        csv.NextRecord();
        foreach (var point in points)
        {
            csv.WriteField(point.AtMs);
            csv.WriteField(point.TensionN);
            csv.WriteField(OrEmpty(point.LeanDeg));
            csv.WriteField(OrEmpty(point.HauledM));
            csv.WriteField(point.Doubtful ? "yes" : "");
            csv.WriteField(point.Simulated ? "yes" : "");
            csv.NextRecord();
        }
    }

    /// <exception cref="CsvHelperException">The file holds something else.</exception>
    /// <exception cref="FormatException">A figure is not a number.</exception>
    public static List<TracePoint> Read(byte[] file)
    {
        using var csv = new CsvReader(
            new StreamReader(new MemoryStream(file), Encoding.UTF8),
            CultureInfo.InvariantCulture
        );
        csv.Read();
        csv.ReadHeader();
        var points = new List<TracePoint>();
        while (csv.Read())
        {
            var point = new TracePoint(
                csv.GetField<long>("at_ms"),
                csv.GetField<float>("tension_n"),
                OrNaN(csv.GetField("lean_deg")),
                OrNaN(csv.GetField("hauled_m")),
                csv.GetField("doubtful") == "yes"
            )
            {
                // Archives from before have no such column.
                Simulated = csv.TryGetField("simulated", out string? simulated) && simulated == "yes",
            };
            if (!float.IsFinite(point.TensionN) || point.TensionN < 0 || point.AtMs < 0)
            {
                throw new FormatException("A reading is not a number.");
            }

            points.Add(point);
        }

        return points;
    }

    private static string OrEmpty(float value) =>
        float.IsNaN(value) ? "" : value.ToString("R", CultureInfo.InvariantCulture);

    private static float OrNaN(string? text) =>
        string.IsNullOrEmpty(text) ? float.NaN : float.Parse(text, CultureInfo.InvariantCulture);
}
