using Draklo.Core.Reading;
using Draklo.Store;
using Draklo.Web.Jobs;

namespace Draklo.Web.Demo;

/// <summary>The made-up jobs that a new data folder is given.</summary>
internal static class DemoJobs
{
    /// <summary>File name and how many days from today the job is planned.</summary>
    private static readonly (string File, int InDays)[] Files =
    [
        ("lime.json", 2),
        ("side-leaner.json", 5),
        ("spruce.json", 9),
        ("birch.json", 12),
        ("ash.json", 16),
        ("bank.json", 18),
        ("glass.json", 20),
        ("alder.json", 23),
    ];

    public static void AddTo(JobStore store, TimeProvider clock)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        foreach (var (file, inDays) in Files)
        {
            using var stream = typeof(DemoJobs).Assembly.GetManifestResourceStream($"Draklo.Web.Demo.{file}")!;
            using var bytes = new MemoryStream();
            stream.CopyTo(bytes);
            var (job, problems) = DocumentReader.Read<JobDocument>(bytes.ToArray());
            if (job is null || job.Problems().Count > 0)
            {
                throw new InvalidOperationException(
                    $"The demo job {file} does not read: {string.Join(' ', problems.Select(p => $"{p.Path}: {p.Message}"))}"
                );
            }

            store.Create((job with { PlannedOn = today.AddDays(inDays).ToString("yyyy-MM-dd") }).ToContent());
        }
    }
}
