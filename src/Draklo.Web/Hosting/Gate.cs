using Draklo.Store;
using Microsoft.Net.Http.Headers;

namespace Draklo.Web.Hosting;

/// <summary>
/// What every request passes first: it must be meant for this server by a name of its own, and come from its own pages
/// or from no page at all. A page from elsewhere in the same browser can neither read nor write.
/// </summary>
internal sealed class Gate(RequestDelegate next, HostSettings settings)
{
    public const string WhoHeader = "X-Draklo-Who";
    public const string ClientHeader = "X-Draklo-Client";
    public const string SpeaksHeader = "X-Draklo-Speaks";

    /// <summary>The oldest way of speaking with pages that this server still understands; raised when a member changes its meaning.</summary>
    private const int OldestSpoken = 1;
    private const int LongestName = 60;

    private static readonly string[] OwnNames = ["localhost", "127.0.0.1", "[::1]"];
    private static readonly string[] Policy =
    [
        "default-src 'none'",
        // The core in the browser is WebAssembly; no text becomes script by it.
        "script-src 'self' 'wasm-unsafe-eval'",
        "style-src 'self'",
        // Where drawings set a style on an element; no style sheet and no script comes in by it.
        "style-src-attr 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "manifest-src 'self'",
        "worker-src 'self'",
        "form-action 'self'",
        "base-uri 'none'",
        "frame-ancestors 'none'",
    ];
    private static readonly string PolicyText = string.Join("; ", Policy);

    private readonly HashSet<string> names = new(
        OwnNames
            .Concat(settings.Hosts)
            .Concat(settings.Share?.Addresses.Select(a => a.ToString()) ?? [])
            .Concat(settings.Share is null ? [] : [System.Net.Dns.GetHostName()]),
        StringComparer.OrdinalIgnoreCase
    );

    public Task InvokeAsync(HttpContext http)
    {
        SetHeaders(http);
        if (Refusal(http.Request) is { } refusal)
        {
            return refusal.ExecuteAsync(http);
        }

        var who = Uri.UnescapeDataString(http.Request.Headers[WhoHeader].ToString()).Trim();
        Author.Name = new string([.. who.Where(c => !char.IsControl(c) && !char.IsSurrogate(c)).Take(LongestName)]);
        Author.Page = http.Request.Headers[ClientHeader].ToString();
        return next(http);
    }

    /// <summary>Whether it is asked by a name that only this machine itself has.</summary>
    public static bool IsOwn(HttpRequest request) =>
        OwnNames.Contains(request.Host.Host, StringComparer.OrdinalIgnoreCase);

    private IResult? Refusal(HttpRequest request)
    {
        if (!names.Contains(request.Host.Host))
        {
            return Results.Problem(
                $"This server does not answer to the name “{Shortened(request.Host.Host)}”: open it by the address that it printed, or start it with --host and that name.",
                title: "Not this server.",
                statusCode: StatusCodes.Status421MisdirectedRequest
            );
        }

        if (IsForeign(request))
        {
            return Results.Problem(
                "This request came from another page; Draklo answers only its own. Nothing was read or changed.",
                title: "From elsewhere.",
                statusCode: StatusCodes.Status403Forbidden
            );
        }

        if (int.TryParse(request.Headers[SpeaksHeader].ToString(), out var speaks) && speaks < OldestSpoken)
        {
            return Results.Problem(
                "This page is from an older Draklo than this server understands. What it kept stays on the device, and is sent once you load the newer page. Reload it while online.",
                title: "An older page.",
                statusCode: StatusCodes.Status426UpgradeRequired
            );
        }

        return HasBody(request) && !IsExpected(request)
            ? Results.Problem(
                $"This address takes {Expected(request)}: say so in Content-Type.",
                title: "Another kind of content.",
                statusCode: StatusCodes.Status415UnsupportedMediaType
            )
            : null;
    }

    private static bool IsForeign(HttpRequest request)
    {
        var origin = request.Headers.Origin.ToString();
        if (origin.Length > 0)
        {
            return !Uri.TryCreate(origin, UriKind.Absolute, out var from)
                || from.Scheme is not ("http" or "https")
                || !string.Equals(from.Authority, Authority(request, from.Scheme), StringComparison.OrdinalIgnoreCase);
        }

        // A link from elsewhere may open a page; what a page fetches, embeds or posts from elsewhere is refused.
        return request.Headers["Sec-Fetch-Site"].ToString() is "cross-site" or "same-site"
            && (
                request.Path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase)
                || request.Path.StartsWithSegments("/hubs", StringComparison.OrdinalIgnoreCase)
                || request.Headers["Sec-Fetch-Mode"].ToString() != "navigate"
            );
    }

    /// <summary>The host and port that a page of this server would have, the scheme's usual port left out.</summary>
    private static string Authority(HttpRequest request, string scheme) =>
        new Uri($"{scheme}://{request.Host.ToUriComponent()}").Authority;

    private static bool HasBody(HttpRequest request) =>
        request.ContentLength > 0 || request.Headers.TransferEncoding.Count > 0;

    private static bool IsExpected(HttpRequest request)
    {
        if (!request.Path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase))
        {
            return true;
        }

        var type = MediaTypeHeaderValue.TryParse(request.ContentType, out var media) ? media.MediaType.ToString() : "";
        return Kind(request) switch
        {
            Body.Csv => type is "text/csv" or "application/csv" or "application/vnd.ms-excel",
            Body.Picture => type is "image/jpeg" or "image/png" or "image/webp",
            Body.Zip => type is "application/zip" or "application/x-zip-compressed" or "application/octet-stream",
            _ => type is "application/json" or "application/geo+json",
        };
    }

    private static string Expected(HttpRequest request) =>
        Kind(request) switch
        {
            Body.Csv => "a CSV file, text/csv",
            Body.Picture => "a picture, image/jpeg, image/png or image/webp",
            Body.Zip => "a zip file, application/zip",
            _ => "JSON, application/json",
        };

    private static Body Kind(HttpRequest request)
    {
        var path = request.Path.Value ?? "";
        return path.StartsWith("/api/locker/csv", StringComparison.OrdinalIgnoreCase) ? Body.Csv
            : path.StartsWith("/api/pictures", StringComparison.OrdinalIgnoreCase) ? Body.Picture
            : path.StartsWith("/api/backups/file", StringComparison.OrdinalIgnoreCase)
            || path.StartsWith("/api/jobs/archives", StringComparison.OrdinalIgnoreCase)
                ? Body.Zip
            : Body.Json;
    }

    private static void SetHeaders(HttpContext http)
    {
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy = PolicyText;
        headers.XFrameOptions = "DENY";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(self), geolocation=(self), microphone=()";
        // Answers hold people's names and places; pages and files say otherwise for themselves.
        headers.CacheControl = "no-store";
    }

    private static string Shortened(string name) => name.Length <= 60 ? name : name[..60] + "…";

    private enum Body
    {
        Json,
        Csv,
        Picture,
        Zip,
    }
}
