using System.Globalization;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Web.Sharing;
using Microsoft.Net.Http.Headers;

namespace Draklo.Web.Hosting;

/// <summary>Reading requests.</summary>
internal static class Bodies
{
    /// <summary>Reads a JSON body into a record, or answers what is wrong with each member.</summary>
    public static async Task<(T? Document, IResult? Refusal)> ReadAsync<T>(this HttpRequest request)
        where T : class
    {
        // The server stops a body past its limit while it is being copied.
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var (document, problems) = DocumentReader.Read<T>(body.GetBuffer().AsMemory(0, (int)body.Length));
        return document is null ? (null, PlainProblems.Refused(problems)) : (document, null);
    }

    /// <summary>The same, with each member within what it may be.</summary>
    public static async Task<(T? Document, IResult? Refusal)> ReadCheckedAsync<T>(this HttpRequest request)
        where T : class, IDocumentPart
    {
        var (document, refusal) = await request.ReadAsync<T>();
        if (document is null)
        {
            return (null, refusal);
        }

        var problems = new List<Problem>();
        MemberRanges.Check(document, UnitSystem.Metric, problems);
        return problems.Count > 0 ? (null, PlainProblems.Refused(problems)) : (document, null);
    }

    /// <summary>
    /// Whose turn a request takes: a device of the crew has one, whatever its pages call themselves; at this machine each page
    /// says which it is; without, the address it came from.
    /// </summary>
    public static string Client(this HttpRequest request) =>
        Visitor.Of(request.HttpContext).Device is { } device ? device.Id
        : request.Headers[Gate.ClientHeader].ToString() is { Length: > 0 and <= 64 } named ? named
        : $"{request.HttpContext.Connection.RemoteIpAddress}";

    /// <summary>The revision that a change began from, as If-Match names it.</summary>
    /// <param name="refusal">What to answer when it names none.</param>
    public static bool TryRevision(this HttpRequest request, out int revision, out IResult? refusal)
    {
        revision = 0;
        var named =
            EntityTagHeaderValue.TryParse(request.Headers.IfMatch.ToString(), out var tag)
            && int.TryParse(tag.Tag.AsSpan().Trim('"'), NumberStyles.None, CultureInfo.InvariantCulture, out revision);
        refusal = named
            ? null
            : Results.Problem(
                "Say in If-Match which revision this change began from, as in \"7\".",
                title: "Which revision?",
                statusCode: StatusCodes.Status428PreconditionRequired
            );
        return named;
    }

    /// <summary>The unit system asked for with ?units=us; metric without.</summary>
    public static bool TryUnits(string? asked, out UnitSystem units)
    {
        units = asked == "us" ? UnitSystem.Us : UnitSystem.Metric;
        return asked is null or "" or "us" or "metric";
    }

    public static IResult UnknownUnits(string? asked) =>
        PlainProblems.Refused([new("units", $"“{asked}” is not a unit system: ask for metric or us.")]);
}
