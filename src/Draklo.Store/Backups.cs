using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using System.Text.RegularExpressions;
using Dapper;
using Draklo.Core.Reading;
using Microsoft.Data.Sqlite;

namespace Draklo.Store;

/// <summary>Why a backup was made.</summary>
public enum BackupReason
{
    /// <summary>Somebody asked for it; it stays until somebody deletes it.</summary>
    Asked,

    /// <summary>The day's.</summary>
    Daily,

    /// <summary>Before a newer version changed the data file; it stays.</summary>
    Upgrade,

    /// <summary>What was there before a restore; it stays.</summary>
    Restore,
}

/// <summary>A backup that was made and read back.</summary>
/// <param name="Name">Its folder's name.</param>
/// <param name="Jobs">How many jobs it holds, deleted ones included.</param>
/// <param name="Gear">How many pieces, deleted ones included.</param>
/// <param name="Pictures">How many pictures.</param>
/// <param name="Bytes">Size of the data file in it.</param>
/// <param name="Sha256">Of the data file in it.</param>
public sealed record Backup(
    string Name,
    DateTimeOffset MadeAt,
    BackupReason Reason,
    int Jobs,
    int Gear,
    int Pictures,
    long Bytes,
    string Sha256
);

/// <summary>A backup that could not be made, or cannot be restored, in words.</summary>
public sealed partial class BackupException(string message, Exception? inner = null) : Exception(message, inner)
{
    /// <summary>The same for whoever is not at the machine: files by their names, without where they lie.</summary>
    public string Plain => Folders().Replace(Message, "");

    [GeneratedRegex(@"(?<=^|[\s“'""(])(?:/[^\s/]+)*/(?=[^\s/])", RegexOptions.None, 1000)]
    private static partial Regex Folders();
}

/// <summary>
/// Copies of all a crew has, each a folder with the data file, the pictures and a note of what it holds. Made through
/// SQLite's online backup, so that nobody has to stop working.
/// </summary>
public sealed class Backups
{
    private const string Stamp = "yyyyMMdd'T'HHmmss'Z'";
    public const string Pictures = "pictures";

    /// <summary>The data file and what may lie beside it; the file itself last.</summary>
    private static readonly string[] Parts = ["-wal", "-shm", ""];

    private readonly Database database;
    private readonly string data;
    private readonly TimeProvider clock;
    private readonly Lock making = new();

    /// <summary>How many times as large as its zip file a backup may be; and what any may be, bytes.</summary>
    private const long MostUnpacked = 60;
    private const long LeastUnpacked = 64 << 20;

    /// <param name="data">The data folder.</param>
    public Backups(Database database, string data, TimeProvider clock, string? folder = null)
    {
        this.database = database;
        this.data = Path.GetFullPath(data);
        this.clock = clock;
        Folder = folder is null ? Path.Combine(this.data, "backups") : Path.GetFullPath(folder);
    }

    /// <summary>Where backups lie, backups of the data folder itself unless told otherwise.</summary>
    public string Folder { get; }

    /// <summary>Those that are there and finished, the latest first.</summary>
    public IReadOnlyList<Backup> List() =>
        !Directory.Exists(Folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateDirectories(Folder)
                    .Where(f => !Path.GetFileName(f).StartsWith('.'))
                    .Select(BackupFiles.NoteIn)
                    .OfType<Backup>()
                    .OrderByDescending(b => b.MadeAt)
                    .ThenByDescending(b => b.Name, StringComparer.Ordinal),
            ];

    /// <summary>Makes one, reads it back, and only then gives it its name.</summary>
    /// <exception cref="BackupException">It could not be written, or what was written is not whole.</exception>
    public Backup Make(BackupReason reason)
    {
        lock (making)
        {
            var at = clock.GetUtcNow();
            var name = Free(
                $"{at.ToString(Stamp, CultureInfo.InvariantCulture)}-{reason.ToString().ToLowerInvariant()}"
            );
            var begun = Path.Combine(Folder, $".{name}");
            try
            {
                DataFolder.MakeOwn(Folder);
                DataFolder.MakeOwn(begun);
                using var held = BackupFiles.Hold(begun);
                var file = Path.Combine(begun, BackupFiles.DataFile);
                BackupFiles.Copy(database.ConnectionString, file);
                var pictures = BackupFiles.CopyPictures(Path.Combine(data, Pictures), Path.Combine(begun, Pictures));
                var (jobs, gear) = BackupFiles.ReadBack(file);
                var made = new Backup(
                    name,
                    at,
                    reason,
                    jobs,
                    gear,
                    pictures,
                    new FileInfo(file).Length,
                    BackupFiles.HashOf(file)
                );
                BackupFiles.WriteNote(begun, made);
                held.Dispose();
                Directory.Move(begun, Path.Combine(Folder, name));
                Thin();
                return made;
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
            {
                BackupFiles.Remove(begun);
                throw new BackupException(
                    $"The backup could not be written to {Folder}: {e.Message} What was saved is untouched.",
                    e
                );
            }
            catch (BackupException)
            {
                BackupFiles.Remove(begun);
                throw;
            }
        }
    }

    /// <summary>
    /// Puts a backup in the place of what is there, which is kept as a backup of its own first. Who works meanwhile sees
    /// the restored state next.
    /// </summary>
    /// <returns>The backup of what was there before.</returns>
    /// <exception cref="BackupException">There is no such backup, or it is not whole; nothing was changed.</exception>
    public Backup Restore(string name)
    {
        var folder = FolderOf(name);
        Verify(folder);
        var aside = Make(BackupReason.Restore);
        lock (making)
        {
            try
            {
                database.ReplaceBy(Path.Combine(folder, BackupFiles.DataFile));
                using var restored = database.Connect();
                SessionStore.LetNobodyIn(restored);
            }
            catch (Exception e) when (e is SqliteException or StartException)
            {
                database.ReplaceBy(Path.Combine(Folder, aside.Name, BackupFiles.DataFile));
                throw new BackupException($"The backup {name} could not be restored: {e.Message} All is as it was.", e);
            }

            BackupFiles.CopyPictures(Path.Combine(folder, Pictures), Path.Combine(data, Pictures));
            return aside;
        }
    }

    /// <summary>Checks a backup folder from the first byte to the last.</summary>
    /// <exception cref="BackupException">It is not whole; the message says what is wrong.</exception>
    public static Backup Verify(string folder)
    {
        var file = Path.Combine(folder, BackupFiles.DataFile);
        if (!File.Exists(file))
        {
            throw new BackupException($"{folder} holds no backup: there is no {BackupFiles.DataFile} in it.");
        }

        var note =
            BackupFiles.NoteIn(folder)
            ?? throw new BackupException(
                $"{folder} is not a finished backup: {BackupFiles.Note} is missing or unreadable."
            );
        if (BackupFiles.HashOf(file) != note.Sha256)
        {
            throw new BackupException(
                $"The data file in {folder} is not the one that was written: it was changed or is damaged."
            );
        }

        try
        {
            BackupFiles.ReadBack(file);
        }
        catch (SqliteException e)
        {
            throw new BackupException($"The data file in {folder} cannot be read: {e.Message}", e);
        }

        var pictures = Path.Combine(folder, Pictures);
        var there = Directory.Exists(pictures) ? BackupFiles.Finished(pictures).Count() : 0;
        if (there > 0 && BackupFiles.Changed(pictures).FirstOrDefault() is { } changed)
        {
            throw new BackupException($"The picture {changed} in {folder} is not the one that was taken.");
        }

        return there >= note.Pictures
            ? note
            : throw new BackupException(
                $"{note.Pictures - there} of the {note.Pictures} pictures in {folder} are missing."
            );
    }

    /// <summary>Puts a checked backup folder into a data folder on which no Draklo works; an old data file is kept aside.</summary>
    /// <returns>Where the old data file went; null when there was none.</returns>
    /// <exception cref="BackupException">The backup is not whole; nothing was changed.</exception>
    public static string? RestoreInto(string backup, DataFolder target, TimeProvider clock)
    {
        Verify(backup);
        var begun = target.DataFile + DataFolder.Restored;
        try
        {
            File.Copy(Path.Combine(backup, BackupFiles.DataFile), begun, overwrite: true);
            DataFolder.MakeOwnFile(begun);
            using (var restored = new SqliteConnection($"Data Source={begun};Pooling=False"))
            {
                restored.Open();
                SessionStore.LetNobodyIn(restored);
            }

            string? aside = null;
            if (Parts.Any(e => File.Exists(target.DataFile + e)))
            {
                var at = clock.GetUtcNow().ToString(Stamp, CultureInfo.InvariantCulture);
                aside = Path.Combine(target.Path, $"{DataFolder.BeforeRestore}{at}");
                DataFolder.MakeOwn(aside);
                foreach (var end in Parts.Where(e => File.Exists(target.DataFile + e)))
                {
                    File.Move(target.DataFile + end, Path.Combine(aside, BackupFiles.DataFile + end));
                }
            }

            File.Move(begun, target.DataFile);
            BackupFiles.CopyPictures(Path.Combine(backup, Pictures), Path.Combine(target.Path, Pictures));
            return aside;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new BackupException($"The backup could not be put into {target.Path}: {e.Message}", e);
        }
    }

    /// <summary>Deletes a backup.</summary>
    /// <exception cref="BackupException">There is no such backup.</exception>
    public void Delete(string name)
    {
        lock (making)
        {
            Directory.Delete(FolderOf(name), recursive: true);
        }
    }

    /// <summary>Writes a backup as one zip file.</summary>
    /// <exception cref="BackupException">There is no such backup.</exception>
    public async Task WriteZipAsync(string name, Stream to, CancellationToken cancellation)
    {
        var folder = FolderOf(name);
        await using var zip = await ZipArchive.CreateAsync(
            to,
            ZipArchiveMode.Create,
            leaveOpen: true,
            null,
            cancellation
        );
        foreach (var file in Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories))
        {
            await zip.CreateEntryFromFileAsync(
                file,
                Path.GetRelativePath(folder, file).Replace('\\', '/'),
                CompressionLevel.Fastest,
                cancellation
            );
        }
    }

    /// <summary>Takes in a backup's zip file; it is checked before it is listed.</summary>
    /// <exception cref="BackupException">It is no backup, or not whole.</exception>
    public Backup TakeIn(string zipFile)
    {
        lock (making)
        {
            DataFolder.MakeOwn(Folder);
            var begun = Path.Combine(Folder, $".in-{Guid.NewGuid():N}");
            try
            {
                DataFolder.MakeOwn(begun);
                using var held = BackupFiles.Hold(begun);
                using (var zip = ZipFile.OpenRead(zipFile))
                {
                    // A data file packs to a tenth, pictures hardly at all.
                    var left = Math.Max(LeastUnpacked, MostUnpacked * new FileInfo(zipFile).Length);
                    foreach (var entry in zip.Entries.Where(e => BackupFiles.IsPart(e.FullName)))
                    {
                        var path = Path.Combine(begun, entry.FullName);
                        DataFolder.MakeOwn(Path.GetDirectoryName(path)!);
                        BackupFiles.Unpack(entry, path, ref left);
                    }
                }

                var note = Verify(begun);
                var name = Free(BackupFiles.IsName(note.Name) ? note.Name : "taken-in");
                BackupFiles.WriteNote(begun, note with { Name = name });
                held.Dispose();
                Directory.Move(begun, Path.Combine(Folder, name));
                return note with { Name = name };
            }
            catch (Exception e) when (e is InvalidDataException or IOException or UnauthorizedAccessException)
            {
                throw new BackupException($"This file is not a backup of Draklo: {e.Message}", e);
            }
            finally
            {
                BackupFiles.Remove(begun);
            }
        }
    }

    /// <summary>Clears what a killed run left: backups and pictures that were begun and not finished.</summary>
    public void ClearHalf()
    {
        lock (making)
        {
            if (Directory.Exists(Folder))
            {
                foreach (
                    var begun in Directory
                        .EnumerateDirectories(Folder, ".*")
                        .Where(f => !BackupFiles.IsHeld(f))
                        .ToList()
                )
                {
                    BackupFiles.Remove(begun);
                }
            }

            var pictures = Path.Combine(data, Pictures);
            if (Directory.Exists(pictures))
            {
                foreach (var begun in Directory.EnumerateFiles(pictures, "*" + BackupFiles.Begun).ToList())
                {
                    File.Delete(begun);
                }
            }
        }
    }

    private void Thin()
    {
        var daily = List().Where(b => b.Reason == BackupReason.Daily).ToList();
        var stay = Retention.Stay(daily.Select(b => b.MadeAt));
        foreach (var old in daily.Where(b => !stay.Contains(b.MadeAt)))
        {
            BackupFiles.Remove(Path.Combine(Folder, old.Name));
        }
    }

    private string FolderOf(string name) =>
        BackupFiles.IsName(name) && Directory.Exists(Path.Combine(Folder, name))
            ? Path.Combine(Folder, name)
            : throw new BackupException($"There is no backup “{name}” in {Folder}.");

    private string Free(string name)
    {
        var free = name;
        for (var i = 2; Directory.Exists(Path.Combine(Folder, free)); i++)
        {
            free = $"{name}-{i}";
        }

        return free;
    }
}
