using System.IO.Compression;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.Options;
using Microsoft.Net.Http.Headers;

namespace Draklo.Web.Hosting;

/// <summary>Answers go out compressed: files as they were compressed at build, the rest as it is written.</summary>
/// <remarks>No answer holds a secret beside words that somebody else chose, so their length tells nothing.</remarks>
internal static class Compression
{
    /// <summary>Below this, in bytes, packing costs more than it saves.</summary>
    public const int WorthIt = 2000;

    private const string Suffix = ".br";

    private static readonly string[] Texts =
    [
        "application/json",
        "application/problem+json",
        "application/geo+json",
        "application/manifest+json",
        "application/javascript",
        "text/javascript",
        "text/html",
        "text/css",
        "text/csv",
        "text/plain",
        "text/calendar",
        "image/svg+xml",
    ];

    public static FileExtensionContentTypeProvider ContentTypes { get; } = MakeContentTypes();

    public static void AddCompression(this IServiceCollection services)
    {
        services.AddResponseCompression(options =>
        {
            options.EnableForHttps = true;
            options.MimeTypes = Texts;
        });
        services.Configure<BrotliCompressionProviderOptions>(options => options.Level = CompressionLevel.Fastest);
        services.Configure<GzipCompressionProviderOptions>(options => options.Level = CompressionLevel.Fastest);
        services.AddSingleton<IResponseCompressionProvider, WhereWorthIt>();
    }

    /// <summary>Answers with the file that lies compressed beside the one asked for, where the browser takes it.</summary>
    public static Func<HttpContext, RequestDelegate, Task> Built(string root) =>
        (http, next) =>
        {
            var path = http.Request.Path.Value!;
            if (
                !TakesBrotli(http.Request)
                || path.Contains("..", StringComparison.Ordinal)
                || !File.Exists(Path.Combine(root, path.TrimStart('/') + Suffix))
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

    private static bool TakesBrotli(HttpRequest request) =>
        request.Method == HttpMethods.Get
        && request.GetTypedHeaders().AcceptEncoding.Any(e => e.Value == "br" && e.Quality is null or > 0);

    private static FileExtensionContentTypeProvider MakeContentTypes()
    {
        var types = new FileExtensionContentTypeProvider();
        types.Mappings[Suffix] = "application/octet-stream";
        types.Mappings[".wasm"] = "application/wasm";
        types.Mappings[".webmanifest"] = "application/manifest+json";
        return types;
    }

    private sealed class WhereWorthIt(IServiceProvider services, IOptions<ResponseCompressionOptions> options)
        : ResponseCompressionProvider(services, options)
    {
        public override bool ShouldCompressResponse(HttpContext context) =>
            context.Response.ContentLength is not < WorthIt && base.ShouldCompressResponse(context);
    }
}
