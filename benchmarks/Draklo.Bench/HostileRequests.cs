using System.Net;
using System.Net.Sockets;
using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Bench;

/// <summary>Requests meant to hurt: broken JSON, half letters, absurd numbers, wrong kinds, lies about length.</summary>
internal static class HostileRequests
{
    /// <summary>A request that no page of ours would send; the same number gives the same kind of request.</summary>
    public static HttpRequestMessage Of(int n, Random random)
    {
        Random chance;
        lock (random)
        {
            chance = new(random.Next());
        }

        string[] paths =
        [
            "/api/analysis",
            "/api/jobs",
            "/api/chances?samples=50",
            "/api/rose?step=90",
            "/api/remedies?link=main.rope",
            "/api/stem",
            "/api/tackle/view",
            "/api/tackle/compose",
            "/api/tackle",
            "/api/site/import",
            "/api/site/geojson",
            "/api/jobs/import",
            "/api/locker/items",
            "/api/locker/csv/preview",
            "/api/instruments/reading",
            "/api/locker/usual",
            "/api/backups/file",
            "/api/day?on=2027-03-09",
            "/api/jobs/archives",
            "/api/jobs/nowhere/signatures",
            "/api/jobs/nowhere/packing",
        ];
        var path = paths[n % paths.Length];
        var body = (n / paths.Length % 9) switch
        {
            0 => Mutated(chance),
            1 => [.. HardBench.Lime.AsSpan(0, chance.Next(HardBench.Lime.Length))],
            2 => Encoding.UTF8.GetBytes(new string('[', chance.Next(1, 5000))),
            3 => Encoding.UTF8.GetBytes("{\"name\":\"\\ud800\",\"\\udfff\":1}"),
            4 => Bytes(chance),
            5 => Encoding.UTF8.GetBytes(
                $"{{\"site\":{{}},\"file\":{{\"type\":\"FeatureCollection\",\"features\":[{Many(chance)}]}}}}"
            ),
            6 => Encoding.UTF8.GetBytes("kind,name\nrope," + new string('\"', chance.Next(3000)) + "=cmd()\n"),
            7 => Encoding.UTF8.GetBytes("{\"samples\":1e30,\"kind\":3}"),
            _ => Encoding.UTF8.GetBytes($"\"{new string('a', chance.Next(200_000))}\""),
        };
        var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = new ByteArrayContent(body) };
        var type =
            path.Contains("csv", StringComparison.Ordinal) ? "text/csv"
            : path.EndsWith("file", StringComparison.Ordinal) || path.EndsWith("archives", StringComparison.Ordinal)
                ? "application/zip"
            : "application/json";
        request.Content.Headers.TryAddWithoutValidation("Content-Type", n % 31 == 0 ? "text/plain" : type);
        if (n % 37 == 0)
        {
            request.Headers.TryAddWithoutValidation("Origin", "http://evil.example");
        }

        return request;
    }

    /// <summary>A plan with a few values replaced by what no plan has.</summary>
    private static byte[] Mutated(Random chance)
    {
        var plan = JsonNode.Parse(HardBench.Lime)!;
        JsonNode?[] values =
        [
            null,
            -1e300,
            1e300,
            1e30,
            "x",
            "",
            true,
            new JsonArray(),
            new JsonObject(),
            -0.0,
            1e-300,
        ];
        for (var i = 0; i < 3; i++)
        {
            JsonNode at = plan;
            while (true)
            {
                if (at is JsonObject { Count: > 0 } members)
                {
                    var (name, next) = members.ElementAt(chance.Next(members.Count));
                    if (next is JsonObject or JsonArray)
                    {
                        at = next;
                        continue;
                    }

                    members[name] = values[chance.Next(values.Length)]?.DeepClone();
                }
                else if (at is JsonArray { Count: > 0 } list)
                {
                    var k = chance.Next(list.Count);
                    if (list[k] is JsonObject or JsonArray)
                    {
                        at = list[k]!;
                        continue;
                    }

                    list[k] = values[chance.Next(values.Length)]?.DeepClone();
                }

                break;
            }
        }

        return Encoding.UTF8.GetBytes(plan.ToJsonString());
    }

    private static byte[] Bytes(Random chance)
    {
        var bytes = new byte[chance.Next(1, 4000)];
        chance.NextBytes(bytes);
        return bytes;
    }

    private static string Many(Random chance) =>
        string.Join(
            ',',
            Enumerable.Repeat(
                "{\"type\":\"Feature\",\"geometry\":{\"type\":\"Point\",\"coordinates\":[9,1e300]},\"properties\":{\"radiusM\":1e300,\"kind\":\"7\"}}",
                chance.Next(1, 3000)
            )
        );

    /// <summary>What no HTTP client would send: broken chunks, header floods, lies about length.</summary>
    public static async Task<int> RawAsync(int port, int n)
    {
        using var socket = new TcpClient();
        await socket.ConnectAsync(IPAddress.Loopback, port);
        var stream = socket.GetStream();
        var host = $"Host: 127.0.0.1:{port}\r\nConnection: close\r\n";
        var text = (n / 50 % 5) switch
        {
            0 =>
                $"POST /api/analysis HTTP/1.1\r\n{host}Content-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\nxx\r\n",
            1 => $"POST /api/jobs HTTP/1.1\r\n{host}Content-Type: application/json\r\nContent-Length: -5\r\n\r\n{{}}",
            2 =>
                $"GET /api/jobs HTTP/1.1\r\n{host}{string.Concat(Enumerable.Range(0, 200).Select(i => $"X-{i}: {new string('a', 300)}\r\n"))}\r\n",
            3 => $"GET /%00%ff%fe/../../etc/passwd HTTP/1.1\r\n{host}\r\n",
            _ => "\0\0\0\r\n\r\n",
        };
        await stream.WriteAsync(Encoding.Latin1.GetBytes(text));
        var answer = new byte[64];
        try
        {
            var read = await stream.ReadAsync(answer);
            var line = Encoding.Latin1.GetString(answer, 0, read);
            return line.StartsWith("HTTP/1.1 ", StringComparison.Ordinal) ? int.Parse(line.AsSpan(9, 3)) : 0;
        }
        catch (IOException)
        {
            return 0;
        }
    }
}
