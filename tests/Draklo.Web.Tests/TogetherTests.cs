using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;

namespace Draklo.Web.Tests;

/// <summary>Those who have the same job open: who they are, what they hold, what they save.</summary>
public sealed class TogetherTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Each_sees_who_else_is_there_until_they_leave()
    {
        var id = await JobAsync();
        await using var ada = await OpenAsync(id, "page-a", "Ada");
        Assert.Empty(Names(await ada.NextAsync()));
        var bo = await OpenAsync(id, "page-b", "Bo");
        Assert.Equal(["Ada"], Names(await bo.NextAsync()));
        Assert.Equal(["Bo"], Names(await ada.NextAsync()));
        await bo.DisposeAsync();
        Assert.Empty(Names(await ada.NextAsync()));
    }

    [Fact]
    public async Task A_save_comes_to_everybody_but_the_page_that_saved()
    {
        var id = await JobAsync();
        var (mine, theirs) = await BothAsync(id);
        await using var left = mine;
        await using var right = theirs;
        await SaveAsync(id, 1, "Renamed by Ada", "page-a");
        var word = await theirs.NextAsync();
        Assert.Equal("Renamed by Ada", word.GetProperty("job").GetProperty("name").GetString());
        Assert.Equal(2, word.GetProperty("job").GetProperty("revision").GetInt32());
        await SaveAsync(id, 2, "Renamed by Bo", "page-b");
        // The first that Ada hears of is Bo's.
        Assert.Equal("Renamed by Bo", (await mine.NextAsync()).GetProperty("job").GetProperty("name").GetString());
    }

    [Fact]
    public async Task One_hand_at_a_time_holds_a_handle()
    {
        var id = await JobAsync();
        var (first, second) = await BothAsync(id);
        await using var left = first;
        await using var right = second;
        Assert.True(await HoldAsync(first, "page-a", "seat-main"));
        Assert.Equal("seat-main", (await second.NextAsync()).GetProperty("others")[0].GetProperty("holds").GetString());
        Assert.False(await HoldAsync(second, "page-b", "seat-main"));
        Assert.True(await HoldAsync(second, "page-b", "anchor-main"));
        Assert.True(await HoldAsync(first, "page-a", null));
        Assert.True(await HoldAsync(second, "page-b", "seat-main"));
        Assert.False(await HoldAsync(second, "page-nobody", "seat-main"));
        Assert.False(await HoldAsync(second, "page-b", new string('x', 5000)));

        Task<bool> HoldAsync(Watched by, string page, string? handle) => by.AskAsync("Hold", id, page, handle);
    }

    [Fact]
    public async Task What_one_settles_the_others_see_until_it_is_done()
    {
        var id = await JobAsync();
        var (first, second) = await BothAsync(id);
        await using var left = first;
        await using var right = second;
        Assert.True(
            await SettleAsync([
                new
                {
                    name = "Seat height, main",
                    mine = "11 m",
                    saved = "14 m",
                },
            ])
        );
        var seen = (await first.NextAsync()).GetProperty("others")[0].GetProperty("settles")[0];
        Assert.Equal("11 m", seen.GetProperty("mine").GetString());
        Assert.Equal("14 m", seen.GetProperty("saved").GetString());
        Assert.False(
            await SettleAsync([
                new
                {
                    name = new string('x', 201),
                    mine = "",
                    saved = "",
                },
            ])
        );
        Assert.False(await SettleAsync([.. Enumerable.Range(0, 201).Select(i => new { name = $"{i}" })]));
        Assert.True(await SettleAsync(null));
        Assert.False((await first.NextAsync()).GetProperty("others")[0].TryGetProperty("settles", out _));

        Task<bool> SettleAsync(object[]? differences) => second.AskAsync("Settle", id, "page-b", differences);
    }

    [Fact]
    public async Task A_hand_that_goes_out_of_range_lets_go()
    {
        var id = await JobAsync();
        var (seen, gone) = await BothAsync(id);
        await using var left = seen;
        Assert.True(await gone.AskAsync("Hold", id, "page-b", "seat-main"));
        await seen.NextAsync();
        await gone.DisposeAsync();
        Assert.Empty(Names(await seen.NextAsync()));
        Assert.True(await seen.AskAsync("Hold", id, "page-a", "seat-main"));
    }

    private async Task<string> JobAsync()
    {
        using var made = await server.Client.PostAsJsonAsync("/api/jobs", new { name = "Together" });
        return (string)(await made.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonObject>())!["id"]!;
    }

    private async Task SaveAsync(string id, int revision, string name, string page)
    {
        var job = (await server.Client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
        {
            Content = JsonContent.Create(new JsonObject { ["name"] = name, ["plan"] = job["plan"]!.DeepClone() }),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{revision}\"");
        request.Headers.Add("X-Draklo-Client", page);
        (await server.Client.SendAsync(request)).EnsureSuccessStatusCode();
    }

    private async Task<Watched> OpenAsync(string id, string page, string name)
    {
        var connection = new HubConnectionBuilder().WithUrl(new Uri(server.Client.BaseAddress!, "/hubs/job")).Build();
        await connection.StartAsync();
        return new(connection, id, page, name);
    }

    /// <summary>Ada and Bo with the job open, each knowing of the other.</summary>
    private async Task<(Watched Ada, Watched Bo)> BothAsync(string id)
    {
        var ada = await OpenAsync(id, "page-a", "Ada");
        await ada.NextAsync();
        var bo = await OpenAsync(id, "page-b", "Bo");
        await bo.NextAsync();
        await ada.NextAsync();
        return (ada, bo);
    }

    private static List<string> Names(JsonElement message) =>
        [.. message.GetProperty("others").EnumerateArray().Select(o => o.GetProperty("name").GetString()!)];

    /// <summary>What one page hears, one message after another.</summary>
    private sealed class Watched : IAsyncDisposable
    {
        private readonly CancellationTokenSource stop = new();
        private readonly HubConnection connection;
        private readonly IAsyncEnumerator<JsonElement> messages;

        public Watched(HubConnection connection, string id, string page, string name)
        {
            this.connection = connection;
            messages = connection
                .StreamAsync<JsonElement>("Watch", id, page, name, stop.Token)
                .GetAsyncEnumerator(stop.Token);
        }

        public async Task<JsonElement> NextAsync()
        {
            Assert.True(await messages.MoveNextAsync().AsTask().WaitAsync(TimeSpan.FromSeconds(15)));
            return messages.Current;
        }

        public Task<bool> AskAsync(string what, params object?[] of) => connection.InvokeCoreAsync<bool>(what, of);

        public async ValueTask DisposeAsync()
        {
            await stop.CancelAsync();
            await connection.DisposeAsync();
            stop.Dispose();
        }
    }
}
