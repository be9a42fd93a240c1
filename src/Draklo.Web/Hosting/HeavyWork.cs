using System.Diagnostics;
using Draklo.Core.Studies;

namespace Draklo.Web.Hosting;

/// <summary>Too much waits already.</summary>
/// <param name="seconds">When to come again.</param>
public sealed class BusyException(int seconds) : Exception("Too much waits already.")
{
    public int Seconds => seconds;

    public string Words =>
        $"Draklo is busy with other searches: this one starts again by itself in about {seconds} s. Figures on the sheet go on.";
}

/// <summary>
/// Searches, samples, roses and remedies, one at a time: each may use every core, behind the analyses. Long searches have a
/// turn of their own, so that what is short never waits for one. Clients take turns; what nobody waits for any more is left
/// out or stopped.
/// </summary>
public sealed class HeavyWork
{
    /// <summary>So many may wait for one client, and so many in all.</summary>
    public const int PerClient = 4;
    public const int Most = 32;

    private readonly Lock gate = new();
    private readonly Lane shorter = new() { UsualSeconds = 0.3 };
    private readonly Lane longer = new() { UsualSeconds = 5 };
    private int waiting;

    /// <summary>Does some work when its turn comes.</summary>
    /// <param name="client">Whose turn it takes.</param>
    /// <param name="isLong">It tries thousands of ways.</param>
    /// <exception cref="BusyException">Too much waits already.</exception>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public async Task<T> RunAsync<T>(string client, Func<T> work, CancellationToken cancellation, bool isLong = false)
    {
        var lane = isLong ? longer : shorter;
        var mine = new Waiting();
        lock (gate)
        {
            var queue = lane.Turns.FirstOrDefault(t => t.Client == client).Queue;
            if (waiting >= Most || queue?.Count >= PerClient)
            {
                throw new BusyException(Math.Max(1, (int)Math.Ceiling((lane.Waiting + 1) * lane.UsualSeconds)));
            }

            if (queue is null)
            {
                queue = new();
                lane.Turns.AddLast((client, queue));
            }

            queue.Enqueue(mine);
            waiting++;
            Next(lane);
        }

        await using (cancellation.UnsafeRegister(_ => LeaveOut(mine), null))
        {
            await mine.Turn.Task;
        }

        var began = Stopwatch.GetTimestamp();
        try
        {
            cancellation.ThrowIfCancellationRequested();
            return await Niceness.RunAsync(work);
        }
        finally
        {
            lock (gate)
            {
                lane.IsBusy = false;
                lane.UsualSeconds = (0.8 * lane.UsualSeconds) + (0.2 * Stopwatch.GetElapsedTime(began).TotalSeconds);
                Next(lane);
            }
        }
    }

    /// <summary>The same for who stays on the line: where too much waits, it comes again by itself.</summary>
    /// <param name="waits">Told why it waits, in words.</param>
    public async Task<T> RunPatientlyAsync<T>(
        string client,
        Func<T> work,
        Action<string> waits,
        CancellationToken cancellation,
        bool isLong = false
    )
    {
        while (true)
        {
            try
            {
                return await RunAsync(client, work, cancellation, isLong);
            }
            catch (BusyException e)
            {
                waits(e.Words);
                await Task.Delay(TimeSpan.FromSeconds(e.Seconds), cancellation);
            }
        }
    }

    private void LeaveOut(Waiting left)
    {
        lock (gate)
        {
            // One whose turn has come is stopped by its own work, and then lets the next one in.
            if (!left.HasTurn && left.Turn.TrySetCanceled())
            {
                left.IsOut = true;
                waiting--;
            }
        }
    }

    private void Next(Lane lane)
    {
        while (!lane.IsBusy && lane.Turns.First is { } first)
        {
            lane.Turns.RemoveFirst();
            var (client, queue) = first.Value;
            while (queue.Count > 0 && queue.Peek().IsOut)
            {
                queue.Dequeue();
            }

            if (queue.Count == 0)
            {
                continue;
            }

            var next = queue.Dequeue();
            if (queue.Count > 0)
            {
                lane.Turns.AddLast((client, queue));
            }

            waiting--;
            lane.IsBusy = true;
            next.HasTurn = true;
            next.Turn.TrySetResult();
        }
    }

    /// <summary>What is done one at a time.</summary>
    private sealed class Lane
    {
        public LinkedList<(string Client, Queue<Waiting> Queue)> Turns { get; } = new();

        public bool IsBusy { get; set; }

        /// <summary>What one took lately.</summary>
        public double UsualSeconds { get; set; }

        public int Waiting => Turns.Sum(t => t.Queue.Count);
    }

    private sealed class Waiting
    {
        public TaskCompletionSource Turn { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);

        public bool HasTurn { get; set; }

        public bool IsOut { get; set; }
    }
}
