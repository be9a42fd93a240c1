using System.Text.Json;
using Draklo.Core.Answers;

namespace Draklo.Web.Hosting;

/// <summary>
/// An answer written in one piece with its length: an analysis is asked for many times a second while something is
/// dragged, and this halves what the server spends on it beside the sums.
/// </summary>
internal sealed class SizedAnswer<T>(T value) : IResult
{
    public async Task ExecuteAsync(HttpContext httpContext)
    {
        var bytes = JsonSerializer.SerializeToUtf8Bytes(value, AnswerJson.Options);
        httpContext.Response.ContentType = "application/json; charset=utf-8";
        httpContext.Response.ContentLength = bytes.Length;
        await httpContext.Response.Body.WriteAsync(bytes, httpContext.RequestAborted);
    }
}
