using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace Draklo.Web.Hosting;

/// <summary>Files that lie beside themselves compressed, as the core in the browser does: a third of the bytes.</summary>
internal static class Precompressed
{
    private const string Suffix = ".br";

    public static FileExtensionContentTypeProvider ContentTypes { get; } = MakeContentTypes();

    /// <summary>Answers with the compressed file where the browser takes one.</summary>
    public static Func<HttpContext, RequestDelegate, Task> For(string root) =>
        (http, next) =>
        {
            var path = http.Request.Path.Value!;
            // Only files of the core's own folder, by a plain name.
            if (
                !path.StartsWith("/core/", StringComparison.Ordinal)
                || path.Contains("..", StringComparison.Ordinal)
                || !Takes(http.Request)
                || !File.Exists(Path.Combine(root, path[1..] + Suffix))
            )
            {
                return next(http);
            }

            ContentTypes.TryGetContentType(path, out var type);
            http.Request.Path = path + Suffix;
            http.Response.OnStarting(() =>
            {
                http.Response.Headers.ContentEncoding = "br";
                http.Response.Headers.Vary = HeaderNames.AcceptEncoding;
                http.Response.ContentType = type ?? "application/octet-stream";
                return Task.CompletedTask;
            });
            return next(http);
        };

    private static bool Takes(HttpRequest request) =>
        request.Headers.AcceptEncoding.ToString().Contains("br", StringComparison.Ordinal);

    private static FileExtensionContentTypeProvider MakeContentTypes()
    {
        var types = new FileExtensionContentTypeProvider();
        types.Mappings[Suffix] = "application/octet-stream";
        types.Mappings[".wasm"] = "application/wasm";
        return types;
    }
}
