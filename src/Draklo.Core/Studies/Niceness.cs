using System.Runtime.InteropServices;

namespace Draklo.Core.Studies;

/// <summary>
/// Lets a thread of a study step back behind those that answer at once. .NET's own thread priorities do nothing on Linux.
/// </summary>
public static partial class Niceness
{
    private const int OfThread = 0;
    private const int Patient = 15;

    /// <summary>Steps back for good: only for threads that end with their work.</summary>
    public static void Yield()
    {
        Thread.CurrentThread.Priority = ThreadPriority.Lowest;
        if (OperatingSystem.IsLinux())
        {
            // 0 means the calling thread. Refused or not, the work is the same.
            _ = SetPriority(OfThread, 0, Patient);
        }
    }

    /// <summary>Does some work on a thread of its own that steps back.</summary>
    public static Task<T> RunAsync<T>(Func<T> work)
    {
        var done = new TaskCompletionSource<T>(TaskCreationOptions.RunContinuationsAsynchronously);
        new Thread(Work) { IsBackground = true, Name = "study" }.Start();
        return done.Task;

        void Work()
        {
            Yield();
            try
            {
                done.SetResult(work());
            }
            catch (OperationCanceledException e)
            {
                done.SetCanceled(e.CancellationToken);
            }
            catch (Exception e)
            {
                done.SetException(e);
            }
        }
    }

    [LibraryImport("libc", EntryPoint = "setpriority")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static partial int SetPriority(int which, uint who, int priority);
}
