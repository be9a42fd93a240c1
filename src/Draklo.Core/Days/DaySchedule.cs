namespace Draklo.Core.Days;

/// <summary>When each task begins and ends, in minutes from the start, and which of them the finish waits for.</summary>
/// <param name="Begins">By task, in the order given.</param>
/// <param name="Critical">Whether the finish moves with the task.</param>
internal sealed record DaySchedule(double[] Begins, double[] Ends, bool[] Critical, double Length)
{
    private const double Same = 1e-9;

    /// <summary>
    /// Each task as early as what it comes after and the people allow: tasks go side by side only as far as there are
    /// people for them.
    /// </summary>
    /// <param name="order">Indices of the tasks, each behind those that it comes after.</param>
    /// <param name="before">By task, the indices of what it comes after.</param>
    /// <param name="people">How many there are.</param>
    public static DaySchedule Of(
        IReadOnlyList<DayTask> tasks,
        int[] order,
        int[][] before,
        double[] minutes,
        int people
    )
    {
        var begins = new double[tasks.Count];
        var ends = new double[tasks.Count];
        var waitsFor = new int[tasks.Count];
        Array.Fill(waitsFor, -1);
        var placed = new List<int>();
        foreach (var t in order)
        {
            double at = 0;
            foreach (var b in before[t])
            {
                if (ends[b] > at)
                {
                    (at, waitsFor[t]) = (ends[b], b);
                }
            }

            var takes = Math.Min(tasks[t].People, people);
            while (LeastBusyEnd(placed, begins, ends, tasks, people, at, at + minutes[t], takes) is { } blocker)
            {
                (at, waitsFor[t]) = (ends[blocker], blocker);
            }

            (begins[t], ends[t]) = (at, at + minutes[t]);
            placed.Add(t);
        }

        var last = Enumerable.Range(0, tasks.Count).MaxBy(t => ends[t]);
        var critical = new bool[tasks.Count];
        for (var t = last; t >= 0; t = waitsFor[t])
        {
            critical[t] = true;
        }

        return new(begins, ends, critical, ends[last]);
    }

    /// <summary>
    /// The task whose end frees people first, where a task would find too few between two times; null where it finds
    /// enough.
    /// </summary>
    private static int? LeastBusyEnd(
        List<int> placed,
        double[] begins,
        double[] ends,
        IReadOnlyList<DayTask> tasks,
        int people,
        double from,
        double to,
        int takes
    )
    {
        // Busy people change only where a task begins: look there and at the beginning.
        int? blocker = null;
        foreach (var at in placed.Select(p => begins[p]).Where(b => b > from && b < to - Same).Prepend(from))
        {
            var busy = 0;
            int? firstFree = null;
            foreach (var p in placed)
            {
                if (begins[p] <= at + Same && ends[p] > at + Same)
                {
                    busy += Math.Min(tasks[p].People, people);
                    if (firstFree is null || ends[p] < ends[firstFree.Value])
                    {
                        firstFree = p;
                    }
                }
            }

            if (busy + takes > people && firstFree is { } f && (blocker is null || ends[f] < ends[blocker.Value]))
            {
                blocker = f;
            }
        }

        return blocker;
    }

    /// <summary>The tasks in an order in which each stands behind what it comes after; null when they go round in a circle.</summary>
    /// <param name="circle">A task of the circle.</param>
    public static int[]? Order(int[][] before, out int circle)
    {
        circle = -1;
        var state = new int[before.Length];
        var order = new List<int>(before.Length);
        for (var t = 0; t < before.Length; t++)
        {
            if (!Visit(t, ref circle))
            {
                return null;
            }
        }

        return [.. order];

        bool Visit(int t, ref int found)
        {
            if (state[t] != 0)
            {
                found = state[t] == 1 ? t : found;
                return state[t] == 2;
            }

            state[t] = 1;
            foreach (var b in before[t])
            {
                if (!Visit(b, ref found))
                {
                    return false;
                }
            }

            state[t] = 2;
            order.Add(t);
            return true;
        }
    }
}
