using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using CsvHelper;
using Draklo.Core.Briefs;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Briefs;
using Draklo.Web.Logs;
using Draklo.Web.Pulling;

namespace Draklo.Web.Jobs;

/// <summary>An issued brief in an archive.</summary>
public sealed record ArchivedBrief(IssuedBrief Issued, JsonNode Page);

/// <summary>What says that a file is a job's archive.</summary>
public sealed record ArchiveNote
{
    public const string FormatName = "draklo.job";
    public const int CurrentVersion = 1;

    public required string Format { get; init; }

    public required int Version { get; init; }
}

/// <summary>
/// A whole job as one zip file: the plan with its place and day, signatures, briefs as issued, gear out and back, and the
/// day with every reading.
/// </summary>
/// <remarks>
/// Only the names written here are read; sizes are counted while unpacking, whatever the file says of itself.
/// </remarks>
internal static class JobArchive
{
    public const int LargestFile = 96 * 1024 * 1024;
    private const int LargestEntry = 8 * 1024 * 1024;
    private const int LargestTotal = 160 * 1024 * 1024;
    private const int MostEntries = 1000;
    private const string Note = "draklo.json";
    private const string PlanFileName = "plan.draklo.json";
    private const string Signatures = "signatures.json";
    private const string Packing = "packing.json";
    private const string Briefs = "briefs/";
    private const string Day = "day.json";
    private const string Log = "log.json";
    private const string Pictures = "pictures/";

    private static readonly JsonSerializerOptions Indented = new(DocumentReader.Options)
    {
        WriteIndented = true,
        NewLine = "\n",
    };

    public static byte[] Write(Job job, BriefStore briefs, PullStore pulling, LogStore logs, PictureFiles pictures)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true, Encoding.UTF8))
        {
            Add(zip, Note, new ArchiveNote { Format = ArchiveNote.FormatName, Version = ArchiveNote.CurrentVersion });
            Add(
                zip,
                PlanFileName,
                job.Content.Plan with
                {
                    Place = job.Content.Place,
                    PlannedOn = job.Content.PlannedOn,
                }
            );
            Add(zip, Signatures, briefs.Signatures(job.Id));
            Add(zip, Packing, briefs.Ticks(job.Id));
            foreach (var issued in briefs.Issued(job.Id))
            {
                var page = JsonNode.Parse(briefs.Page(job.Id, issued.Number)!)!;
                Add(zip, $"{Briefs}{issued.Number}.json", new ArchivedBrief(issued, page));
            }

            if (logs.Find(job.Id)?.Log is { } log)
            {
                Add(zip, Log, log);
                foreach (var path in log.Pictures.Select(p => pictures.Find(p.Hash)).OfType<string>())
                {
                    using var stream = zip.CreateEntry(
                            $"{Pictures}{Path.GetFileName(path)}",
                            CompressionLevel.NoCompression
                        )
                        .Open();
                    stream.Write(File.ReadAllBytes(path));
                }
            }

            Add(zip, Day, pulling.Entries(job.Id));
            foreach (var extent in pulling.Extents(job.Id))
            {
                var part = 0;
                foreach (var points in pulling.Trace(job.Id, extent.LineId).Chunk(TraceFiles.RowsInFile))
                {
                    using var stream = zip.CreateEntry(
                            $"{TraceFiles.Folder}{extent.LineId}.{++part}.csv",
                            CompressionLevel.Optimal
                        )
                        .Open();
                    TraceFiles.Write(stream, points);
                }
            }
        }

        return file.ToArray();
    }

    private static Problem Broken =>
        new(
            "file",
            "The signatures, briefs or readings in this archive cannot be read: it is broken, or a newer Draklo wrote it. Nothing was kept."
        );

    /// <summary>Keeps an archive as a new job, or says what is wrong with it; then nothing is kept.</summary>
    public static (Job? Job, List<Problem> Problems) Keep(
        byte[] file,
        JobStore jobs,
        BriefStore briefs,
        PullStore pulling,
        LogDesk logs,
        PictureFiles pictures
    )
    {
        var (files, problem) = Unpack(file);
        if (files is null)
        {
            return (null, [problem!]);
        }

        if (NoteProblem(files) is { } wrong)
        {
            return (null, [wrong]);
        }

        if (!files.TryGetValue(PlanFileName, out var text))
        {
            return (
                null,
                [new("file", "This archive holds no plan: it is not whole. Write it again from where it came.")]
            );
        }

        var problems = PlanFile.HeaderProblems(text);
        var (plan, faults) = problems.Count > 0 ? (null, []) : DocumentReader.Read<Plan>(text);
        if (plan is null)
        {
            return (null, [.. problems, .. faults]);
        }

        var job = JobDocument.OfFile(plan);
        var parts = new Parts([], [], [], [], [], [], []);
        if (job.Problems() is { Count: > 0 } unfit)
        {
            return (null, unfit);
        }

        if (!parts.Read(files))
        {
            return (null, [Broken]);
        }

        var log = parts.Log.SingleOrDefault();
        if (log is not null && logs.ProblemsOf(log, job.Plan) is { Count: > 0 } untrue)
        {
            return (
                null,
                [.. untrue.Select(u => u with { Path = "file", Message = $"The log in this archive: {u.Message}" })]
            );
        }

        // Without notes of place or device a picture has another name.
        var names = parts.Pictures.ToDictionary(
            p => p.Hash,
            p => pictures.Keep(p.Seen.Plain, p.Seen.Ending),
            StringComparer.Ordinal
        );
        log = log is null
            ? null
            : log with
            {
                Pictures = [.. log.Pictures.Select(p => p with { Hash = names.GetValueOrDefault(p.Hash, p.Hash) })],
            };

        var kept = jobs.Create(job.ToContent());
        try
        {
            if (log is not null)
            {
                logs.Fill(kept, log);
            }

            // Whatever was signed and issued elsewhere is a record here.
            briefs.Fill(
                kept.Id,
                parts.Signatures.Select(s => s with { FromArchive = true }),
                parts.Briefs.Select(b => (b.Brief with { FromArchive = true }, b.Page)),
                parts.Ticks
            );
            pulling.Fill(kept.Id, parts.Entries, parts.Traces);
        }
        catch (Exception fault) when (fault is not IOException)
        {
            // Members that no Draklo wrote: the job goes with them.
            jobs.Delete(kept.Id);
            return (null, [Broken]);
        }

        return (kept, []);
    }

    private static (Dictionary<string, byte[]>? Files, Problem? Problem) Unpack(byte[] file)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(file), ZipArchiveMode.Read);
            if (zip.Entries.Count > MostEntries)
            {
                return (
                    null,
                    Said($"This archive holds {zip.Entries.Count:N0} files: a job's holds at most {MostEntries:N0}.")
                );
            }

            var files = new Dictionary<string, byte[]>(StringComparer.Ordinal);
            long total = 0;
            foreach (var entry in zip.Entries)
            {
                if (ClimbsOut(entry.FullName))
                {
                    return (
                        null,
                        Said(
                            "A file in this archive would be written outside its folder: it is not one of ours, and nothing of it was taken."
                        )
                    );
                }

                if (entry.FullName.EndsWith('/'))
                {
                    continue;
                }

                using var packed = entry.Open();
                using var unpacked = new MemoryStream();
                var buffer = new byte[64 * 1024];
                for (int read; (read = packed.Read(buffer)) > 0; )
                {
                    unpacked.Write(buffer, 0, read);
                    total += read;
                    if (unpacked.Length > LargestEntry || total > LargestTotal)
                    {
                        return (
                            null,
                            Said("This archive unpacks to more than a job can hold: nothing of it was taken.")
                        );
                    }
                }

                files[entry.FullName] = unpacked.ToArray();
            }

            return (files, null);
        }
        catch (Exception e) when (e is InvalidDataException or NotSupportedException or EndOfStreamException)
        {
            return (
                null,
                Said("This archive is broken and cannot be unpacked: fetch it once more from where it came.")
            );
        }
    }

    private static bool ClimbsOut(string name) =>
        name.StartsWith('/')
        || name.Contains('\\', StringComparison.Ordinal)
        || name.Contains(':', StringComparison.Ordinal)
        || name.Split('/').Contains("..");

    private static Problem? NoteProblem(Dictionary<string, byte[]> files)
    {
        if (!files.TryGetValue(Note, out var text))
        {
            return Said("This is not the archive of a job: choose a file that “Whole job” wrote.");
        }

        var (note, _) = DocumentReader.Read<ArchiveNote>(text);
        return note is not { Format: ArchiveNote.FormatName }
                ? Said("This is not the archive of a job: choose a file that “Whole job” wrote.")
            : note.Version > ArchiveNote.CurrentVersion
                ? Said(
                    $"This archive was written by a newer Draklo (version {note.Version}; this one reads up to {ArchiveNote.CurrentVersion}): update this one first."
                )
            : null;
    }

    private static Problem Said(string message) => new("file", message);

    private static void Add<T>(ZipArchive zip, string name, T value)
    {
        using var stream = zip.CreateEntry(name, CompressionLevel.Optimal).Open();
        JsonSerializer.Serialize(stream, value, Indented);
    }

    private sealed record Parts(
        List<Signature> Signatures,
        List<(IssuedBrief Brief, string Page)> Briefs,
        List<PackingTick> Ticks,
        List<DayEntry> Entries,
        List<(string LineId, IReadOnlyList<TracePoint> Points)> Traces,
        List<JobLog> Log,
        List<(string Hash, SeenPicture Seen)> Pictures
    )
    {
        /// <returns>False when a part cannot be read.</returns>
        public bool Read(Dictionary<string, byte[]> files)
        {
            try
            {
                Signatures.AddRange(ListOf<Signature>(files, JobArchive.Signatures));
                Ticks.AddRange(ListOf<PackingTick>(files, Packing));
                foreach (
                    var (_, text) in files.Where(f => f.Key.StartsWith(JobArchive.Briefs, StringComparison.Ordinal))
                )
                {
                    var brief = JsonSerializer.Deserialize<ArchivedBrief>(text, DocumentReader.Options)!;
                    Briefs.Add((brief.Issued, brief.Page.ToJsonString(DocumentReader.Options)));
                }

                Entries.AddRange(ListOf<DayEntry>(files, Day));
                if (files.TryGetValue(JobArchive.Log, out var said))
                {
                    Log.Add(JsonSerializer.Deserialize<JobLog>(said, DocumentReader.Options)!);
                }

                foreach (
                    var (name, bytes) in files.Where(f =>
                        f.Key.StartsWith(JobArchive.Pictures, StringComparison.Ordinal)
                    )
                )
                {
                    var hash = Convert.ToHexStringLower(SHA256.HashData(bytes));
                    if (
                        PictureRules.Look(bytes).Picture is not { } picture
                        || Path.GetFileNameWithoutExtension(name) != hash
                    )
                    {
                        return false;
                    }

                    Pictures.Add((hash, picture));
                }

                foreach (
                    var (name, text) in files
                        .Where(f => f.Key.StartsWith(TraceFiles.Folder, StringComparison.Ordinal))
                        .OrderBy(f => f.Key.Length)
                        .ThenBy(f => f.Key, StringComparer.Ordinal)
                )
                {
                    var line = name[TraceFiles.Folder.Length..].Split('.')[0];
                    Traces.Add((line, TraceFiles.Read(text)));
                }

                return Entries.Select(e => e.Number).Distinct().Count() == Entries.Count
                    && Entries.Select(e => e.Entry.Key).Distinct(StringComparer.Ordinal).Count() == Entries.Count
                    && Briefs.TrueForAll(b => BriefDesk.CoveredBy(b.Page) is not null)
                    && Briefs.Select(b => b.Brief.Number).Distinct().Count() == Briefs.Count
                    && Ticks.Select(t => t.Piece).Distinct(StringComparer.Ordinal).Count() == Ticks.Count;
            }
            catch (Exception e)
                when (e
                        is JsonException
                            or NotSupportedException
                            or InvalidOperationException
                            or NullReferenceException
                            or FormatException
                            or CsvHelperException
                )
            {
                return false;
            }
        }

        private static List<T> ListOf<T>(Dictionary<string, byte[]> files, string name) =>
            files.TryGetValue(name, out var text)
                ? JsonSerializer.Deserialize<List<T>>(text, DocumentReader.Options) ?? []
                : [];
    }
}
