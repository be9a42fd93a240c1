using Draklo.Core.Gear;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Files;
using Draklo.Store;
using Draklo.Web.Hosting;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Locker;

/// <summary>The locker as a CSV file, out and in.</summary>
internal static class LockerLists
{
    /// <summary>A list may be larger than a plan: large enough to say how many rows too many it has.</summary>
    private const int LargestList = 16 * 1024 * 1024;

    public static void Map(IEndpointRouteBuilder locker)
    {
        locker
            .MapGet("/locker.csv", Export)
            .WithName("exportLocker")
            .WithSummary("The list as CSV, UTF-8: the whole locker, or the pieces named by id=a&id=b.")
            .Produces(200, contentType: "text/csv");
        locker
            .MapPost("/csv/preview", PreviewAsync)
            .WithName("previewLocker")
            .WithSummary("Says row by row what a CSV file would do; changes nothing.")
            .Accepts<byte[]>("text/csv")
            .Produces<CsvPreview>()
            .ProducesValidationProblem(422)
            .WithMetadata(new RequestSizeLimitAttribute(LargestList));
        locker
            .MapPost("/csv", ImportAsync)
            .WithName("importLocker")
            .WithSummary("Takes a CSV file in whole, or not at all.")
            .Accepts<byte[]>("text/csv")
            .Produces<CsvPreview>()
            .ProducesValidationProblem(422)
            .WithMetadata(new RequestSizeLimitAttribute(LargestList));
    }

    private static IResult Export(LockerStore store, [FromQuery(Name = "id")] string[] ids) =>
        Results.File(
            GearCsv.Write(
                store
                    .List()
                    .Select(k => k.Item)
                    .Where(i => ids.Length == 0 || ids.Contains(i.Id, StringComparer.Ordinal))
            ),
            "text/csv; charset=utf-8",
            "locker.csv"
        );

    private static async Task<IResult> PreviewAsync(LockerStore store, HttpRequest request, string? units = null)
    {
        var (preview, refusal) = await LookAtAsync(store, request, units);
        return refusal ?? new SizedAnswer<CsvPreview>(preview! with { Items = [] });
    }

    private static async Task<IResult> ImportAsync(LockerStore store, HttpRequest request, string? units = null)
    {
        var (preview, refusal) = await LookAtAsync(store, request, units);
        if (refusal is not null)
        {
            return refusal;
        }

        if (preview!.Refused > 0)
        {
            var first = preview.Rows.First(r => r.Action == RowAction.Refused);
            return PlainProblems.Refused([
                new(
                    "file",
                    $"Line {first.Line}: {first.Text} Nothing was taken in; a file goes in whole or not at all."
                ),
            ]);
        }

        store.Import(preview.Items);
        return new SizedAnswer<CsvPreview>(preview with { Items = [] });
    }

    private static async Task<(CsvPreview? Preview, IResult? Refusal)> LookAtAsync(
        LockerStore store,
        HttpRequest request,
        string? units
    )
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var (preview, problems) = GearCsv.Preview(
            body.ToArray(),
            [.. store.List().Select(k => k.Item)],
            store.DeletedIds(),
            store.Today,
            LockerEndpoints.UnitsOf(units)
        );
        return (preview, preview is null ? PlainProblems.Refused(problems) : null);
    }
}
