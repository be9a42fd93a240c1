using System.Diagnostics;
using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Web.Hosting;

namespace Draklo.Web.Tests;

/// <summary>The queue of searches, samples, roses and remedies.</summary>
public sealed class HeavyWorkTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly CancellationToken Never = CancellationToken.None;

    [Fact]
    public async Task Works_one_at_a_time_and_clients_take_turns()
    {
        var heavy = new HeavyWork();
        var order = new List<string>();
        var running = 0;
        using var first = new ManualResetEventSlim();
        var all = new List<Task>
        {
            heavy.RunAsync(
                "a",
                () =>
                {
                    first.Wait();
                    return Done("a0");
                },
                Never
            ),
        };
        foreach (var name in new[] { "a1", "a2", "b1", "b2", "c1" })
        {
            all.Add(heavy.RunAsync(name[..1], () => Done(name), Never));
        }

        first.Set();
        await Task.WhenAll(all);
        Assert.Equal(["a0", "a1", "b1", "c1", "a2", "b2"], order);

        int Done(string name)
        {
            Assert.Equal(1, Interlocked.Increment(ref running));
            order.Add(name);
            return Interlocked.Decrement(ref running);
        }
    }

    [Fact]
    public async Task Refuses_what_is_too_much_for_one_client_and_in_all_and_says_when_to_come_again()
    {
        var heavy = new HeavyWork();
        using var gate = new ManualResetEventSlim();
        var all = new List<Task> { heavy.RunAsync("busy", Wait, Never) };
        for (var i = 0; i < HeavyWork.PerClient; i++)
        {
            all.Add(heavy.RunAsync("a", Wait, Never));
        }

        var refused = await Assert.ThrowsAsync<BusyException>(() => heavy.RunAsync("a", Wait, Never));
        Assert.InRange(refused.Seconds, 1, 10);
        for (var i = HeavyWork.PerClient; i < HeavyWork.Most; i++)
        {
            all.Add(heavy.RunAsync($"client {i}", Wait, Never));
        }

        await Assert.ThrowsAsync<BusyException>(() => heavy.RunAsync("late", Wait, Never));
        gate.Set();
        await Task.WhenAll(all);
        Assert.Equal(1, await heavy.RunAsync("late", () => 1, Never));

        int Wait()
        {
            gate.Wait();
            return 0;
        }
    }

    [Fact]
    public async Task What_is_short_passes_what_is_long_and_neither_runs_twice_at_once()
    {
        var heavy = new HeavyWork();
        using var gate = new ManualResetEventSlim();
        var running = 0;
        var searches = Enumerable
            .Range(0, 3)
            .Select(i => heavy.RunAsync($"searches {i}", Search, Never, isLong: true))
            .ToList();
        Assert.Equal(7, await heavy.RunAsync("a", () => 7, Never));
        Assert.Equal(8, await heavy.RunAsync("searches 0", () => 8, Never));
        Assert.All(searches, s => Assert.False(s.IsCompleted));
        gate.Set();
        Assert.All(await Task.WhenAll(searches), atOnce => Assert.Equal(1, atOnce));

        int Search()
        {
            var now = Interlocked.Increment(ref running);
            gate.Wait();
            Interlocked.Decrement(ref running);
            return now;
        }
    }

    [Fact]
    public async Task Who_stays_on_the_line_is_told_that_it_waits_and_comes_in_by_itself()
    {
        var heavy = new HeavyWork();
        using var gate = new ManualResetEventSlim();
        var all = Enumerable.Range(0, 1 + HeavyWork.PerClient).Select(_ => heavy.RunAsync("a", Wait, Never)).ToList();
        var said = new TaskCompletionSource<string>();
        var patient = heavy.RunPatientlyAsync("a", () => 7, words => said.TrySetResult(words), Never);
        Assert.Contains("starts again by itself", await said.Task, StringComparison.Ordinal);
        Assert.False(patient.IsCompleted);
        gate.Set();
        Assert.Equal(7, await patient);
        await Task.WhenAll(all);

        int Wait()
        {
            gate.Wait();
            return 0;
        }
    }

    [Fact]
    public async Task What_nobody_waits_for_any_more_is_left_out_and_makes_room()
    {
        var heavy = new HeavyWork();
        using var gate = new ManualResetEventSlim();
        using var left = new CancellationTokenSource();
        var first = heavy.RunAsync(
            "a",
            () =>
            {
                gate.Wait();
                return 0;
            },
            Never
        );
        var ran = false;
        var waiting = Enumerable
            .Range(0, HeavyWork.PerClient)
            .Select(_ => heavy.RunAsync("a", () => ran = true, left.Token))
            .ToList();
        await left.CancelAsync();
        foreach (var task in waiting)
        {
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => task);
        }

        gate.Set();
        await first;
        Assert.Equal(7, await heavy.RunAsync("b", () => 7, Never));
        Assert.False(ran);
    }

    [Fact]
    public async Task Samples_a_rose_and_remedies_stop_soon_after_they_are_called_off()
    {
        var (plan, _) = DocumentReader.Read<Plan>(
            System.Text.Encoding.UTF8.GetBytes((await server.DemoAsync("Lime"))["plan"]!.ToJsonString())
        );
        using var stop = new CancellationTokenSource();
        var began = new TaskCompletionSource();
        var samples = Task.Run(() =>
        {
            began.SetResult();
            return PlanChances.Of(plan!, PlanChances.Most, 1, UnitSystem.Metric, stop.Token);
        });
        await began.Task;
        await stop.CancelAsync();
        var since = Stopwatch.GetTimestamp();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => samples);
        // A hundredth of what all samples take; wide enough for a busy machine.
        Assert.InRange(Stopwatch.GetElapsedTime(since).TotalMilliseconds, 0, 1000);
        Assert.ThrowsAny<OperationCanceledException>(() => LayRose.Of(plan!, UnitSystem.Metric, 1, stop.Token));
        var analysis = await server.SendAsync(
            HttpMethod.Post,
            "/api/analysis",
            (await server.DemoAsync("Lime"))["plan"]!.DeepClone()
        );
        var tight = analysis.Body!["links"]!.AsArray().First(l => l!["state"]!.GetValue<string>() != "holds")!["id"]!;
        Assert.ThrowsAny<OperationCanceledException>(() =>
            Remedies.For(plan!, tight.GetValue<string>(), UnitSystem.Metric, stop.Token)
        );
    }

    [Fact]
    public async Task Too_many_at_once_are_told_when_to_come_again_and_the_others_are_answered()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var asked = Enumerable
            .Range(0, 12)
            .Select(_ => server.SendAsync(HttpMethod.Post, "/api/chances?samples=4000", plan.DeepClone()))
            .ToList();
        var answers = await Task.WhenAll(asked);
        Assert.All(answers, a => Assert.Contains(a.Status, new[] { 200, 503 }));
        Assert.Contains(answers, a => a.Status == 200);
        Assert.All(
            answers.Where(a => a.Status == 503),
            a => Assert.Contains("starts again by itself", a.Text, StringComparison.Ordinal)
        );
    }
}
