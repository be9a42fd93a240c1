using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>A piece off the list keeps its id and its past: whatever comes after it gets another id.</summary>
public sealed class DeletedPieceTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task A_new_piece_of_that_name_gets_an_id_of_its_own()
    {
        await DeletedAsync("Grey line");
        var made = await server.SendAsync(HttpMethod.Post, "/api/locker/items", Piece("Grey line"));
        Assert.Equal(201, made.Status);
        Assert.Equal("grey-line-2", (string)made.Body!["item"]!["id"]!);
    }

    [Fact]
    public async Task A_row_of_that_name_is_new_and_inherits_no_log()
    {
        await DeletedAsync("Brown line");
        const string Csv = "kind,name,breaking_strength_kn\nrope,Brown line,30\n";
        var preview = await server.SendCsvAsync("/api/locker/csv/preview", Encoding.UTF8.GetBytes(Csv));
        var row = preview.Body!["rows"]![0]!;
        Assert.Equal(("add", "brown-line-2"), ((string)row["action"]!, (string)row["id"]!));
        Assert.Equal(200, (await server.SendCsvAsync("/api/locker/csv", Encoding.UTF8.GetBytes(Csv))).Status);

        var taken = (await server.SendAsync(HttpMethod.Get, "/api/locker/items/brown-line-2")).Body!;
        Assert.Empty(taken["uses"]!.AsArray());
        await server.SendAsync(HttpMethod.Post, "/api/locker/items/brown-line/restore");
        var old = (await server.SendAsync(HttpMethod.Get, "/api/locker/items/brown-line")).Body!;
        Assert.Equal("Poplar", (string)Assert.Single(old["uses"]!.AsArray())!["use"]!["job"]!);
        Assert.Equal(20_000, (double)old["entry"]!["item"]!["breakingStrengthN"]!);
    }

    [Fact]
    public async Task Flags_speak_the_readers_units()
    {
        await UsedAsync("White line");
        Assert.Contains("12 kN", await FlagsAsync("/api/locker/items/white-line"), StringComparison.Ordinal);
        Assert.Contains("lbf", await FlagsAsync("/api/locker/items/white-line?units=us"), StringComparison.Ordinal);
        var listed = (await server.SendAsync(HttpMethod.Get, "/api/locker?units=us")).Body!["items"]!
            .AsArray()
            .Single(i => (string)i!["item"]!["id"]! == "white-line")!;
        Assert.DoesNotContain("kN", listed["flags"]!.ToJsonString(), StringComparison.Ordinal);
    }

    private async Task<string> FlagsAsync(string path) =>
        (await server.SendAsync(HttpMethod.Get, path)).Body!["entry"]!["flags"]!.ToJsonString();

    /// <summary>A piece with a log, taken off the list.</summary>
    private async Task DeletedAsync(string name)
    {
        var id = await UsedAsync(name);
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, $"/api/locker/items/{id}")).Status);
    }

    private async Task<string> UsedAsync(string name)
    {
        var made = await server.SendAsync(HttpMethod.Post, "/api/locker/items", Piece(name));
        var id = (string)made.Body!["item"]!["id"]!;
        var use = new JsonObject
        {
            ["on"] = "2026-10-01",
            ["job"] = "Poplar",
            ["peakN"] = 12_000,
        };
        Assert.InRange((await server.SendAsync(HttpMethod.Post, $"/api/locker/items/{id}/uses", use)).Status, 200, 201);
        return id;
    }

    private static JsonObject Piece(string name) =>
        new()
        {
            ["item"] = new JsonObject
            {
                ["id"] = "",
                ["kind"] = "rope",
                ["name"] = name,
                ["breakingStrengthN"] = 20_000,
                ["madeOn"] = "2026-01-01",
            },
        };
}
