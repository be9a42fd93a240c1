using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace Draklo.Web.Hosting;

/// <summary>Lists as CSV files: UTF-8, a point in numbers, and no cell that a spreadsheet would run.</summary>
internal static class PlainCsv
{
    public static IResult File(string name, IReadOnlyList<string> columns, IEnumerable<object?[]> rows)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (
            var csv = new CsvWriter(
                text,
                new CsvConfiguration(CultureInfo.InvariantCulture)
                {
                    NewLine = "\r\n",
                    InjectionOptions = InjectionOptions.Escape,
                }
            )
        )
        {
            foreach (var column in columns)
            {
                csv.WriteField(column);
            }

            csv.NextRecord();
            foreach (var row in rows)
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell);
                }

                csv.NextRecord();
            }
        }

        return Results.File(Encoding.UTF8.GetBytes(text.ToString()), "text/csv; charset=utf-8", name);
    }
}
