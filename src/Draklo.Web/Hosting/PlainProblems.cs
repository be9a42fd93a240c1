using Draklo.Core.Units;
using Microsoft.AspNetCore.Diagnostics;

namespace Draklo.Web.Hosting;

/// <summary>Every refusal as problem details that a feller can read.</summary>
internal sealed partial class PlainProblems(ILogger<PlainProblems> log) : IExceptionHandler
{
    private const string TooLarge = "This file is larger than 1 MB and cannot be a plan: choose the plan file itself.";

    /// <summary>422 with the members at fault, or 400 when the text is not JSON at all.</summary>
    public static IResult Refused(IReadOnlyList<Problem> problems)
    {
        var errors = problems
            .GroupBy(p => p.Path, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray(), StringComparer.Ordinal);
        var unreadable = problems is [{ Path: "" }];
        return Results.ValidationProblem(
            errors,
            detail: problems[0].Message,
            title: unreadable ? "This cannot be read." : "Something here does not fit.",
            statusCode: unreadable ? StatusCodes.Status400BadRequest : StatusCodes.Status422UnprocessableEntity
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
            BadHttpRequestException bad => (bad.StatusCode, "The request could not be read: send it again."),
            _ => (
                StatusCodes.Status500InternalServerError,
                "Draklo met a fault of its own. What was saved before is untouched."
            ),
        };
        if (status == StatusCodes.Status500InternalServerError)
        {
            LogFault(exception, httpContext.Request.Method, httpContext.Request.Path);
        }

        await Results.Problem(detail, statusCode: status).ExecuteAsync(httpContext);
        return true;
    }

    [LoggerMessage(LogLevel.Error, "A request failed: {Method} {Path}")]
    private partial void LogFault(Exception exception, string method, string path);
}
