using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Draklo.Web.Tests;

/// <summary>Rows that cannot be read: named, left out, taken out, mended; all else goes on.</summary>
public sealed class DamageTests : IAsyncLifetime
{
    private readonly RunningServer server = new();

    public ValueTask InitializeAsync() => server.InitializeAsync();

    public ValueTask DisposeAsync() => server.DisposeAsync();

    [Theory]
    [InlineData("job", "update job_revision set plan = '{\"format\":' where job_id = (select min(id) from job)")]
    [InlineData("job", "update job_revision set plan = x'ff00fe' where job_id = (select min(id) from job)")]
    [InlineData("gear", "update gear_item set item = '' where id = (select min(id) from gear_item)")]
    [InlineData("inspection", "update gear_inspection set inspection = 'null' where number = 1")]
    [InlineData("use", "update gear_use set use = '[]' where number = 1")]
    [InlineData("rules", "update locker_rules set rules = '{\"textileYears\":\"ten\"}'")]
    [InlineData("policy", "update policy set policy = '7' where id = (select min(id) from policy)")]
    [InlineData("tackle", "update own_tackle set tackle = '{\"id\":1}'")]
    public async Task One_damaged_row_is_named_and_everything_else_goes_on(string kind, string damage)
    {
        var lime = await server.DemoAsync("Spruce");
        Damage(damage);
        foreach (
            var path in new[]
            {
                "/api/jobs",
                "/api/locker",
                "/api/catalogue",
                "/api/policies",
                "/api/tackles",
                "/api/history",
                "/api/locker/locker.csv",
            }
        )
        {
            Assert.Equal(200, (await server.SendAsync(HttpMethod.Get, path)).Status);
        }

        Assert.Equal(200, (await server.SendAsync(HttpMethod.Post, "/api/analysis", lime["plan"]!.DeepClone())).Status);
        var row = Assert.Single((await server.SendAsync(HttpMethod.Get, "/api/damaged")).Body!.AsArray())!;
        Assert.Equal(kind, row["kind"]!.GetValue<string>());
        Assert.NotEmpty(row["why"]!.GetValue<string>());
        var care = await server.SendAsync(HttpMethod.Post, "/api/care/check");
        Assert.Equal(1, care.Body!["damaged"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_damaged_job_stands_on_the_list_as_damaged_can_be_taken_out_and_mended()
    {
        var jobs = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        var id = jobs[0]!["id"]!.GetValue<string>();
        var plan = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["plan"]!.ToJsonString();
        var broken = plan[..(plan.Length / 2)];
        Damage(
            $"update job_revision set plan = '{broken.Replace("'", "''", StringComparison.Ordinal)}' where job_id = '{id}'"
        );
        var listed = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        Assert.Equal(jobs.Count, listed.Count);
        var damaged = listed.Single(j => j!["id"]!.GetValue<string>() == id)!;
        Assert.Equal("damaged", damaged["state"]!.GetValue<string>());
        foreach (var known in new[] { "name", "place", "plannedOn" })
        {
            Assert.Equal(jobs[0]![known]!.GetValue<string>(), damaged[known]!.GetValue<string>());
        }

        var opened = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}");
        Assert.Equal(409, opened.Status);
        Assert.Contains("damaged", opened.Text, StringComparison.Ordinal);
        Assert.Equal(broken, await server.Client.GetStringAsync($"/api/damaged/job/{id}"));

        var wrong = await server.SendAsync(
            HttpMethod.Put,
            $"/api/damaged/job/{id}",
            new JsonObject { ["text"] = broken }
        );
        Assert.Equal(422, wrong.Status);
        var mended = await server.SendAsync(
            HttpMethod.Put,
            $"/api/damaged/job/{id}",
            new JsonObject { ["text"] = plan }
        );
        Assert.Equal(204, mended.Status);
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Status);
        Assert.Empty((await server.SendAsync(HttpMethod.Get, "/api/damaged")).Body!.AsArray());
        // What is whole is not overwritten by way of mending.
        Assert.Equal(
            404,
            (
                await server.SendAsync(HttpMethod.Put, $"/api/damaged/job/{id}", new JsonObject { ["text"] = plan })
            ).Status
        );
    }

    [Fact]
    public async Task What_a_later_version_wrote_and_this_one_does_not_know_survives_a_save()
    {
        var job = await server.NewJobAsync();
        var id = job["id"]!.GetValue<string>();
        Damage(
            $"""
            update job_revision set plan = json_set(plan, '$.later', json('[1]'), '$.tree.sap', 'high', '$.lines[0].colour', 'red')
            where job_id = '{id}'
            """
        );
        Damage("update gear_item set item = json_set(item, '$.chip', 42) where id = (select min(id) from gear_item)");
        job["plan"]!["tree"]!["heightM"] = 21.5;
        var saved = await server.SendAsync(
            HttpMethod.Put,
            $"/api/jobs/{id}",
            new JsonObject { ["name"] = "Kept", ["plan"] = job["plan"]!.DeepClone() },
            1
        );
        Assert.Equal(200, saved.Status);
        var kept = JsonNode.Parse(Read($"select plan from job_revision where job_id = '{id}' and number = 2"))!;
        Assert.Equal(1, kept["later"]![0]!.GetValue<int>());
        Assert.Equal("high", kept["tree"]!["sap"]!.GetValue<string>());
        Assert.Equal(21.5, kept["tree"]!["heightM"]!.GetValue<double>());
        Assert.Equal("red", kept["lines"]![0]!["colour"]!.GetValue<string>());

        var item = (await server.SendAsync(HttpMethod.Get, "/api/locker")).Body!["items"]!
            .AsArray()
            .Select(i => i!["item"]!)
            .MinBy(i => i["id"]!.GetValue<string>(), StringComparer.Ordinal)!;
        item["note"] = "looked at";
        var piece = await server.SendAsync(
            HttpMethod.Put,
            $"/api/locker/items/{item["id"]}",
            item.DeepClone(),
            (int)Number($"select revision from gear_item where id = '{item["id"]}'")
        );
        Assert.Equal(200, piece.Status);
        Assert.Equal(42, Number($"select item ->> '$.chip' from gear_item where id = '{item["id"]}'"));
    }

    private void Damage(string sql)
    {
        using var connection = Open();
        Assert.True(connection.Execute(sql) > 0);
    }

    private string Read(string sql)
    {
        using var connection = Open();
        return connection.QuerySingle<string>(sql);
    }

    private long Number(string sql)
    {
        using var connection = Open();
        return connection.QuerySingle<long>(sql);
    }

    private SqliteConnection Open()
    {
        var connection = new SqliteConnection(
            $"Data Source={Path.Combine(server.Folder, "draklo.sqlite")};Pooling=False"
        );
        connection.Open();
        return connection;
    }
}
