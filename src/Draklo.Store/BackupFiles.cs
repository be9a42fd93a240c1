using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Dapper;
using Draklo.Core.Reading;
using Microsoft.Data.Sqlite;

namespace Draklo.Store;

/// <summary>What a backup's folder is made of: the data file, the pictures and a note.</summary>
internal static class BackupFiles
{
    public const string Note = "backup.json";
    public const string DataFile = "draklo.sqlite";

    /// <summary>Ends the name of a file that is not written to its end yet.</summary>
    public const string Begun = ".new";
    private const string Held = ".held";

    public static bool IsName(string name) =>
        name.Length is > 0 and <= 80 && name.All(c => char.IsAsciiLetterOrDigit(c) || c == '-');

    public static bool IsPart(string path) =>
        path is DataFile or Note
        || (
            path.StartsWith($"{Backups.Pictures}/", StringComparison.Ordinal)
            && path[(Backups.Pictures.Length + 1)..] is { Length: > 0 } name
            && name.All(c => char.IsAsciiLetterOrDigit(c) || c is '.' or '-')
            && !name.StartsWith('.')
        );

    /// <summary>Copies a data file while it is in use. The copy is one file, without a log beside it.</summary>
    public static void Copy(string from, string file)
    {
        using var source = new SqliteConnection(from);
        using var target = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = file, Pooling = false }.ConnectionString
        );
        source.Open();
        target.Open();
        source.BackupDatabase(target);
        target.Execute("pragma journal_mode = delete");
        target.Close();
        DataFolder.MakeOwnFile(file);
    }

    public static (int Jobs, int Gear) ReadBack(string file)
    {
        using var connection = new SqliteConnection(Database.ReadOnly(file));
        connection.Open();
        if (BackupSchema.Fault(connection) is { } fault)
        {
            throw new BackupException($"{file} is not a data file of Draklo: {fault} Nothing was changed.");
        }

        return connection.Query<string>("pragma integrity_check(1)").FirstOrDefault() is "ok"
            ? (Count("job"), Count("gear_item"))
            : throw new BackupException($"What was written to {file} is not whole; nothing was changed.");

        // An earlier version may not have had the table.
        int Count(string table) =>
            connection.QuerySingle<int>("select count(*) from sqlite_master where name = @table", new { table }) == 0
                ? 0
                : connection.QuerySingle<int>($"select count(*) from {table}");
    }

    /// <summary>Says that somebody works on a folder that has no name yet; it is so until disposed, or the process ends.</summary>
    public static FileStream Hold(string begun) =>
        new(
            Path.Combine(begun, Held),
            FileMode.Create,
            FileAccess.Write,
            FileShare.None,
            bufferSize: 1,
            FileOptions.DeleteOnClose
        );

    public static bool IsHeld(string begun)
    {
        var held = Path.Combine(begun, Held);
        try
        {
            if (File.Exists(held))
            {
                using var free = new FileStream(held, FileMode.Open, FileAccess.Write, FileShare.None);
            }

            return false;
        }
        catch (IOException)
        {
            return true;
        }
    }

    /// <summary>The pictures of a folder that were written to their end.</summary>
    public static IEnumerable<string> Finished(string pictures) =>
        Directory.EnumerateFiles(pictures).Where(f => !f.EndsWith(Begun, StringComparison.Ordinal));

    /// <summary>The pictures of a folder whose content is not what their names say; a name is the content's hash.</summary>
    public static IEnumerable<string> Changed(string pictures) =>
        Finished(pictures)
            .Where(f => Path.GetFileNameWithoutExtension(f) != HashOf(f))
            .Select(f => Path.GetFileName(f));

    /// <summary>Unpacks a file, but no further than it may grow.</summary>
    /// <param name="left">How many bytes may still be written; what was written comes off.</param>
    /// <exception cref="InvalidDataException">It unpacks to more.</exception>
    public static void Unpack(ZipArchiveEntry entry, string path, ref long left)
    {
        using var from = entry.Open();
        using var to = new FileStream(path, FileMode.CreateNew);
        var buffer = new byte[1 << 16];
        for (var read = from.Read(buffer); read > 0; read = from.Read(buffer))
        {
            left -= read;
            if (left < 0)
            {
                throw new InvalidDataException("it unpacks to far more than a backup does.");
            }

            to.Write(buffer, 0, read);
        }
    }

    /// <summary>Copies pictures that are not there yet.</summary>
    /// <returns>How many were copied.</returns>
    public static int CopyPictures(string from, string to)
    {
        if (!Directory.Exists(from))
        {
            return 0;
        }

        DataFolder.MakeOwn(to);
        var files = Finished(from).ToList();
        foreach (var file in files)
        {
            var copy = Path.Combine(to, Path.GetFileName(file));
            if (!File.Exists(copy))
            {
                // Under its name only once it is whole.
                File.Copy(file, copy + Begun, overwrite: true);
                DataFolder.MakeOwnFile(copy + Begun);
                File.Move(copy + Begun, copy, overwrite: true);
            }
        }

        return files.Count;
    }

    public static string HashOf(string file)
    {
        using var stream = File.OpenRead(file);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }

    public static void WriteNote(string folder, Backup made)
    {
        var path = Path.Combine(folder, Note);
        File.WriteAllText(path, JsonSerializer.Serialize(made, DocumentReader.Options));
        DataFolder.MakeOwnFile(path);
    }

    public static Backup? NoteIn(string folder)
    {
        try
        {
            return JsonSerializer.Deserialize<Backup>(
                File.ReadAllText(Path.Combine(folder, Note)),
                DocumentReader.Options
            );
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or JsonException)
        {
            return null;
        }
    }

    public static void Remove(string folder)
    {
        try
        {
            if (Directory.Exists(folder))
            {
                Directory.Delete(folder, recursive: true);
            }
        }
        catch (IOException)
        {
            // Left for the next time; it has no name that is listed.
        }
    }
}
