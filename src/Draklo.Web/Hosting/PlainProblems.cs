using Draklo.Core.Units;
using Draklo.Store;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;

namespace Draklo.Web.Hosting;

/// <summary>Every refusal as problem details that a feller can read.</summary>
internal sealed partial class PlainProblems(ILogger<PlainProblems> log) : IExceptionHandler
{
    private const int Busy = 5;
    private const int Locked = 6;
    private const int ReadOnly = 8;
    private const int Unwritable = 10;
    private const int Corrupt = 11;
    private const int DiskFull = 13;
    private const int CannotOpen = 14;
    private const int NotADatabase = 26;
    private const string TooLarge = "This file is larger than 1 MB and cannot be a plan: choose the plan file itself.";

    /// <summary>422 with the members at fault, or 400 when the text is not JSON at all.</summary>
    public static IResult Refused(IReadOnlyList<Problem> problems)
    {
        var refused = Core.Answers.Refused.Of(problems);
        return Results.ValidationProblem(
            refused.Errors.ToDictionary(StringComparer.Ordinal),
            detail: refused.Detail,
            title: refused.Title,
            statusCode: refused.Status
        );
    }

    public static IResult NotFound(string detail) =>
        Results.Problem(detail, title: "Not found.", statusCode: StatusCodes.Status404NotFound);

    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        if (httpContext.RequestAborted.IsCancellationRequested)
        {
            return true;
        }

        var (status, detail) = exception switch
        {
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => (
                StatusCodes.Status413PayloadTooLarge,
                TooLarge
            ),
            BusyException busy => (StatusCodes.Status503ServiceUnavailable, busy.Words),
            DamagedException damaged => (
                StatusCodes.Status409Conflict,
                $"This {damaged.Kind} cannot be read: its row in the data file is damaged. Mend it or take it out on the page Upkeep; everything else goes on."
            ),
            BackupException backup => (StatusCodes.Status507InsufficientStorage, backup.Plain),
            SqliteException { SqliteErrorCode: Busy or Locked } => (
                StatusCodes.Status503ServiceUnavailable,
                "Another program holds the data file just now. Nothing was lost; it is tried again."
            ),
            BadHttpRequestException bad => (bad.StatusCode, "The request could not be read: send it again."),
            _ when IsFull(exception) => (
                StatusCodes.Status507InsufficientStorage,
                "The disk is full: make room. What was saved before is untouched."
            ),
            SqliteException { SqliteErrorCode: ReadOnly or Unwritable or CannotOpen } or IOException => (
                StatusCodes.Status507InsufficientStorage,
                "The data folder cannot be read or written just now: it may be read only. What was saved before is untouched."
            ),
            SqliteException { SqliteErrorCode: Corrupt or NotADatabase } => (
                StatusCodes.Status507InsufficientStorage,
                "The data file is damaged. Restore a backup on the page Upkeep, or with “draklo restore”."
            ),
            _ => (
                StatusCodes.Status500InternalServerError,
                "Draklo met a fault of its own. What was saved before is untouched."
            ),
        };
        if (status is StatusCodes.Status503ServiceUnavailable)
        {
            httpContext.Response.Headers.RetryAfter = $"{(exception as BusyException)?.Seconds ?? 1}";
        }

        if (status is StatusCodes.Status500InternalServerError or StatusCodes.Status507InsufficientStorage)
        {
            LogFault(exception, httpContext.Request.Method, httpContext.Request.Path);
        }

        await Results.Problem(detail, statusCode: status).ExecuteAsync(httpContext);
        return true;
    }

    private static bool IsFull(Exception exception) =>
        exception is SqliteException { SqliteErrorCode: DiskFull }
        || (exception is IOException io && DataFolder.IsFull(io));

    [LoggerMessage(LogLevel.Error, "A request failed: {Method} {Path}")]
    private partial void LogFault(Exception exception, string method, string path);
}
