using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Who changed what; nothing goes for good.</summary>
public sealed class HistoryTests : IAsyncLifetime
{
    private readonly RunningServer server = new();

    public ValueTask InitializeAsync() => server.InitializeAsync();

    public ValueTask DisposeAsync() => server.DisposeAsync();

    [Theory]
    [InlineData("/api/policies", "policy")]
    [InlineData("/api/tackles", "tackle")]
    public async Task What_was_deleted_comes_back_as_it_was(string path, string kind)
    {
        var before = (await server.SendAsync(HttpMethod.Get, path)).Text;
        var id = JsonNode.Parse(before)![0]!["id"]!.GetValue<string>();
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, $"{path}/{id}")).Status);
        var entry = (await LatestAsync())!;
        Assert.Equal(
            (kind, id, "deleted", true),
            (Text(entry, "kind"), Text(entry, "id"), Text(entry, "action"), entry["canUndo"]!.GetValue<bool>())
        );
        Assert.Equal(204, (await UndoAsync(entry)).Status);
        Assert.Equal(before, (await server.SendAsync(HttpMethod.Get, path)).Text);
        // The undo can be undone.
        Assert.Equal(204, (await UndoAsync((await LatestAsync())!)).Status);
        Assert.NotEqual(before, (await server.SendAsync(HttpMethod.Get, path)).Text);
    }

    [Fact]
    public async Task A_change_of_gear_names_who_made_it_and_can_be_undone_until_something_else_happens()
    {
        var read = await server.SendAsync(HttpMethod.Get, "/api/locker/items/wedges");
        var item = read.Body!["entry"]!["item"]!;
        var note = item["note"]?.GetValue<string>();
        server.Client.DefaultRequestHeaders.Add("X-Draklo-Who", "Runa%20B.");
        await SaveAsync(item, "lent out", 1);
        var first = (await LatestAsync())!;
        Assert.Equal(("Runa B.", "changed"), (Text(first, "who"), Text(first, "action")));
        await SaveAsync(item, "back", 2);
        Assert.Equal(409, (await UndoAsync(first)).Status);
        Assert.Equal(204, (await UndoAsync((await LatestAsync())!)).Status);
        Assert.Equal("lent out", await NoteAsync());

        async Task SaveAsync(JsonNode piece, string text, int revision)
        {
            piece["note"] = text;
            var saved = await server.SendAsync(HttpMethod.Put, "/api/locker/items/wedges", piece.DeepClone(), revision);
            Assert.True(saved.Status == 200, saved.Text);
        }

        async Task<string?> NoteAsync() =>
            (await server.SendAsync(HttpMethod.Get, "/api/locker/items/wedges")).Body!["entry"]!["item"]!
                ["note"]
                ?.GetValue<string>();
    }

    [Fact]
    public async Task An_inspection_entered_by_mistake_is_taken_back_with_what_it_closed()
    {
        const string path = "/api/locker/items/wedges";
        await InspectAsync("watch");
        await InspectAsync("pass");
        Assert.Equal("false, false", await OpenAsync());
        var entries = (await server.SendAsync(HttpMethod.Get, "/api/history?kind=inspection")).Body!.AsArray();
        Assert.Equal(204, (await UndoAsync(entries[0]!)).Status);
        Assert.Equal("true", await OpenAsync());
        Assert.Equal(204, (await UndoAsync((await LatestAsync())!)).Status);
        Assert.Equal("false, false", await OpenAsync());

        async Task InspectAsync(string outcome)
        {
            var answer = await server.SendAsync(
                HttpMethod.Post,
                $"{path}/inspections",
                new JsonObject
                {
                    ["on"] = "2026-01-02",
                    ["by"] = "Runa",
                    ["findings"] = new JsonArray(),
                    ["outcome"] = outcome,
                    ["note"] = outcome == "watch" ? "a nick" : null,
                }
            );
            Assert.True(answer.Status == 200, answer.Text);
        }

        async Task<string> OpenAsync() =>
            string.Join(
                ", ",
                (await server.SendAsync(HttpMethod.Get, path)).Body!["inspections"]!
                    .AsArray()
                    .Where(i => i!["inspection"]!["on"]!.GetValue<string>() == "2026-01-02")
                    .Select(i => i!["open"]!.ToJsonString())
            );
    }

    [Fact]
    public async Task An_earlier_revision_of_a_job_is_listed_and_becomes_the_newest_again()
    {
        var job = await server.NewJobAsync();
        var id = Text(job, "id");
        job["plan"]!["tree"]!["heightM"] = 31.0;
        await server.SendAsync(
            HttpMethod.Put,
            $"/api/jobs/{id}",
            new JsonObject { ["name"] = "Higher", ["plan"] = job["plan"]!.DeepClone() },
            1
        );
        var revisions = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/revisions")).Body!.AsArray();
        Assert.Equal([2, 1], revisions.Select(r => r!["number"]!.GetValue<int>()));
        var taken = await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/revisions/1/take");
        Assert.Equal(3, taken.Body!["revision"]!.GetValue<int>());
        Assert.NotEqual(31, taken.Body["plan"]!["tree"]!["heightM"]!.GetValue<double>());
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/revisions/9/take")).Status);
    }

    private async Task<JsonNode?> LatestAsync() =>
        (await server.SendAsync(HttpMethod.Get, "/api/history?limit=1")).Body![0];

    private Task<Answer> UndoAsync(JsonNode entry) =>
        server.SendAsync(HttpMethod.Post, $"/api/history/{entry["number"]}/undo");

    private static string Text(JsonNode node, string member) => node[member]!.GetValue<string>();
}
