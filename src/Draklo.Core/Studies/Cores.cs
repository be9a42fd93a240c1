namespace Draklo.Core.Studies;

/// <summary>
/// Work that keeps every core busy for a while, on threads of its own: whoever else waits for the pool is answered
/// meanwhile.
/// </summary>
internal static class Cores
{
    /// <param name="count">How many there are to do.</param>
    /// <param name="chunk">How many a thread takes at a time.</param>
    /// <param name="body">Does those from the first to before the second.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static void Share(int count, int chunk, Action<int, int> body, CancellationToken cancellation = default)
    {
        var next = 0;
        Exception? failed = null;
        if (OperatingSystem.IsBrowser())
        {
            // There is one thread, and it is the worker's own.
            Work();
        }
        else
        {
            OnThreads(Work);
        }

        if (failed is not null)
        {
            throw new InvalidOperationException("A part of the work failed.", failed);
        }

        cancellation.ThrowIfCancellationRequested();

        void Work()
        {
            if (!OperatingSystem.IsBrowser())
            {
                Niceness.Yield();
            }

            try
            {
                while (
                    Volatile.Read(ref failed) is null
                    && !cancellation.IsCancellationRequested
                    && Interlocked.Add(ref next, chunk) - chunk is var first
                    && first < count
                )
                {
                    body(first, Math.Min(count, first + chunk));
                }
            }
            catch (OperationCanceledException) when (cancellation.IsCancellationRequested)
            {
                // Said once all have stopped.
            }
            catch (Exception e)
            {
                Interlocked.CompareExchange(ref failed, e, null);
            }
        }
    }

    private static void OnThreads(ThreadStart work)
    {
        var threads = Enumerable
            .Range(0, Math.Max(1, Environment.ProcessorCount))
            .Select(_ => new Thread(work) { IsBackground = true, Name = "study" })
            .ToArray();
        foreach (var thread in threads)
        {
            thread.Start();
        }

        foreach (var thread in threads)
        {
            thread.Join();
        }
    }
}
