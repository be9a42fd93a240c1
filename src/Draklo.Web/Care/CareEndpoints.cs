using System.Reflection;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Logs;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Care;

/// <summary>How the data folder is.</summary>
/// <param name="Version">Of this server.</param>
/// <param name="CheckedAt">When the data file was last read from end to end; null until then.</param>
/// <param name="Faults">What was found wrong with the file.</param>
/// <param name="Damaged">Rows that cannot be read.</param>
/// <param name="LastBackup">The latest that is whole; null without one.</param>
/// <param name="BackupFault">Why the day's backup could not be made; null when it was.</param>
public sealed record CareAnswer(
    string Version,
    DateTimeOffset? CheckedAt,
    IReadOnlyList<string> Faults,
    int Damaged,
    Backup? LastBackup,
    string? BackupFault
);

/// <summary>A damaged row's text, mended.</summary>
public sealed record MendDocument
{
    public required string Text { get; init; }
}

/// <param name="Aside">The backup of what was there before.</param>
public sealed record RestoreAnswer(Backup Aside);

/// <summary>Looking after what is kept: backups, damaged rows, history.</summary>
internal static class CareEndpoints
{
    private const long LargestBackup = 4L * 1024 * 1024 * 1024;
    private const int LongestHistory = 500;

    public static string Version { get; } =
        typeof(CareEndpoints)
            .Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()
            ?.InformationalVersion.Split('+')[0]
        ?? "unknown";

    public static void MapCare(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/care", Read)
            .WithName("care")
            .WithTags("care")
            .WithSummary("Version, the data file's health, damaged rows, and the last backup.");
        app.MapPost("/api/care/check", CheckNow)
            .WithName("checkData")
            .WithTags("care")
            .WithSummary("Reads the data file from end to end now.");
        MapBackups(app);
        app.MapGet("/api/damaged", (Damage damage) => damage.Find())
            .WithName("listDamaged")
            .WithTags("care")
            .WithSummary("Rows that cannot be read; everything else goes on without them.");
        app.MapGet("/api/damaged/{kind}/{id}", TextOf)
            .WithName("readDamaged")
            .WithTags("care")
            .WithSummary("A row's text as it is.")
            .Produces(200, contentType: "text/plain")
            .ProducesProblem(404);
        app.MapPut("/api/damaged/{kind}/{id}", MendAsync)
            .WithName("mendDamaged")
            .WithTags("care")
            .WithSummary("Puts a mended text in a damaged row's place.")
            .Accepts<MendDocument>("application/json")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        app.MapGet("/api/history", HistoryOf)
            .WithName("listHistory")
            .WithTags("care")
            .WithSummary("Who changed what and when, the latest first; before goes on from a number.")
            .Produces<IReadOnlyList<HistoryEntry>>();
        app.MapPost("/api/history/{number}/undo", Undo)
            .WithName("undoChange")
            .WithTags("care")
            .WithSummary("Puts things back as they were before a change, as long as nothing happened to them since.")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesProblem(409);
    }

    private static void MapBackups(IEndpointRouteBuilder app)
    {
        app.MapGet("/api/backups", (Backups backups) => backups.List())
            .WithName("listBackups")
            .WithTags("care")
            .WithSummary("Backups that are finished and were read back, the latest first.");
        app.MapPost(
                "/api/backups",
                (Backups backups) =>
                {
                    var made = backups.Make(BackupReason.Asked);
                    return Results.Created($"/api/backups/{made.Name}", made);
                }
            )
            .WithName("makeBackup")
            .WithTags("care")
            .WithSummary("Makes a backup and reads it back.")
            .Produces<Backup>(201)
            .ProducesProblem(507);
        app.MapGet("/api/backups/{name}.zip", Zip)
            .WithName("downloadBackup")
            .WithTags("care")
            .WithSummary("A backup as one zip file.")
            .Produces(200, contentType: "application/zip")
            .ProducesProblem(404);
        app.MapPost("/api/backups/file", TakeInAsync)
            .WithName("takeInBackup")
            .WithTags("care")
            .WithSummary("Takes in a backup's zip file and checks it; restores nothing yet.")
            .Accepts<byte[]>("application/zip")
            .Produces<Backup>(201)
            .ProducesValidationProblem(422)
            .WithMetadata(new RequestSizeLimitAttribute(LargestBackup));
        app.MapPost("/api/backups/{name}/restore", Restore)
            .WithName("restoreBackup")
            .WithTags("care")
            .WithSummary("Puts a backup in the place of all that is kept; what was there is backed up first.")
            .Produces<RestoreAnswer>()
            .ProducesProblem(404)
            .ProducesProblem(507);
        app.MapDelete("/api/backups/{name}", Delete)
            .WithName("deleteBackup")
            .WithTags("care")
            .WithSummary("Deletes a backup.")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static CareAnswer Read(Upkeep upkeep, Backups backups) =>
        new(
            Version,
            upkeep.CheckedAt,
            upkeep.Faults ?? [],
            upkeep.Damaged,
            backups.List() is [var last, ..] ? last : null,
            upkeep.BackupFault
        );

    private static CareAnswer CheckNow(Upkeep upkeep, Backups backups)
    {
        upkeep.Check();
        return Read(upkeep, backups);
    }

    private static IResult Zip(Backups backups, HttpContext http, string name)
    {
        if (!Has(backups, name))
        {
            return NoSuchBackup();
        }

        // The archive ends each of its parts with a write that does not wait.
        http.Features.Get<IHttpBodyControlFeature>()!.AllowSynchronousIO = true;
        return Results.Stream(
            to => backups.WriteZipAsync(name, to, http.RequestAborted),
            "application/zip",
            $"draklo-{name}.zip"
        );
    }

    private static async Task<IResult> TakeInAsync(Backups backups, HttpContext http)
    {
        var file = Path.Combine(Path.GetTempPath(), $"draklo-{Guid.NewGuid():N}.zip");
        try
        {
            await using (var to = File.Create(file))
            {
                await http.Request.Body.CopyToAsync(to, http.RequestAborted);
            }

            var taken = backups.TakeIn(file);
            return Results.Created($"/api/backups/{taken.Name}", taken);
        }
        catch (BackupException e)
        {
            return PlainProblems.Refused([new("file", e.Plain)]);
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static IResult Restore(Backups backups, Upkeep upkeep, string name)
    {
        if (!Has(backups, name))
        {
            return NoSuchBackup();
        }

        var aside = backups.Restore(name);
        upkeep.Check();
        return Results.Ok(new RestoreAnswer(aside));
    }

    private static IResult Delete(Backups backups, string name)
    {
        if (!Has(backups, name))
        {
            return NoSuchBackup();
        }

        backups.Delete(name);
        return Results.NoContent();
    }

    private static bool Has(Backups backups, string name) => backups.List().Any(b => b.Name == name);

    private static IResult NoSuchBackup() => PlainProblems.NotFound("There is no backup of this name.");

    private static IResult TextOf(Damage damage, string kind, string id) =>
        damage.Text(kind, id) is { } text
            ? Results.Text(text, "text/plain; charset=utf-8")
            : PlainProblems.NotFound("There is no such row.");

    private static async Task<IResult> MendAsync(
        Damage damage,
        Upkeep upkeep,
        HttpRequest request,
        string kind,
        string id
    )
    {
        var (mended, refusal) = await request.ReadAsync<MendDocument>();
        if (mended is null)
        {
            return refusal!;
        }

        switch (damage.Mend(kind, id, mended.Text))
        {
            case null:
                return PlainProblems.NotFound("No such row is damaged.");
            case { Count: > 0 } problems:
                return PlainProblems.Refused([
                    .. problems.Select(p => p with { Path = p.Path.Length == 0 ? "text" : $"text.{p.Path}" }),
                ]);
            default:
                upkeep.Check();
                return Results.NoContent();
        }
    }

    private static IResult HistoryOf(
        History history,
        long before = 0,
        int limit = 100,
        string? kind = null,
        string? id = null
    ) =>
        limit is < 1 or > LongestHistory
            ? PlainProblems.Refused([new("limit", $"Ask for 1 to {LongestHistory} changes at once.")])
            : Results.Ok(history.List(before, limit, kind, id));

    private static IResult Undo(History history, LogDesk logs, long number)
    {
        var of = history.Of(number);
        var result = history.Undo(number);
        if (result == UndoResult.Undone && of is ("log", _))
        {
            logs.Remake(of.Value.Id);
        }

        return result switch
        {
            UndoResult.Undone => Results.NoContent(),
            UndoResult.ChangedSince => Results.Problem(
                "Something else happened to it since: undo the later change first.",
                title: "Changed since.",
                statusCode: StatusCodes.Status409Conflict
            ),
            _ => PlainProblems.NotFound("There is no such change."),
        };
    }
}
