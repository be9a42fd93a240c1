using System.IO.Compression;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Answers over 2 kB go out packed, in the way that the browser takes.</summary>
public sealed class CompressionTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("br, gzip", "br")]
    [InlineData("gzip", "gzip")]
    public async Task A_long_answer_is_packed_and_the_same(string takes, string packed)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/catalogue");
        request.Headers.TryAddWithoutValidation("Accept-Encoding", takes);
        using var response = await server.Client.SendAsync(request);
        Assert.Equal([packed], response.Content.Headers.ContentEncoding);
        Assert.Contains("Accept-Encoding", response.Headers.Vary);
        var bytes = await response.Content.ReadAsByteArrayAsync();
        using var unpacked = Unpack(packed, new MemoryStream(bytes));
        var text = await new StreamReader(unpacked).ReadToEndAsync();
        Assert.Equal(await server.Client.GetStringAsync("/api/catalogue"), text);
        Assert.True(bytes.Length < text.Length / 2);
        Assert.NotNull(JsonNode.Parse(text)!["species"]);
    }

    [Fact]
    public async Task Whoever_takes_nothing_packed_gets_it_plain()
    {
        using var response = await server.Client.GetAsync(new Uri("/api/catalogue", UriKind.Relative));
        Assert.Empty(response.Content.Headers.ContentEncoding);
    }

    [Fact]
    public async Task A_front_end_that_is_being_worked_on_passes_its_own_host_on_and_is_let_in()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/jobs") { Content = new StringContent("{}") };
        request.Content.Headers.ContentType = new("application/json");
        request.Headers.Host = "localhost:5173";
        request.Headers.Add("Origin", "http://localhost:5173");
        using var response = await server.Client.SendAsync(request);
        Assert.NotEqual(403, (int)response.StatusCode);
    }

    private static Stream Unpack(string packed, Stream from) =>
        packed == "br"
            ? new BrotliStream(from, CompressionMode.Decompress)
            : new GZipStream(from, CompressionMode.Decompress);
}
