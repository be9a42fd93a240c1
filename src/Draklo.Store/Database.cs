using System.Data;
using Dapper;
using DbUp;
using DbUp.Engine;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace Draklo.Store;

/// <summary>The one SQLite file of a data folder.</summary>
/// <remarks>
/// Write-ahead log, and a full sync at every commit: a save that was acknowledged survives a killed process and a lost
/// supply. Writes take turns here rather than in SQLite, which only polls.
/// </remarks>
public sealed class Database
{
    private const int NotADatabase = 26;
    private const int Corrupt = 11;
    private const int Full = 13;
    private const int WaitSeconds = 1;

    private readonly Lock writing = new();
    private long writes;
    private long keptWrites;

    private Database(string path)
    {
        Path = path;
        ConnectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
            DefaultTimeout = WaitSeconds,
        }.ConnectionString;
    }

    public string Path { get; }

    /// <summary>Counts the changes since the server began; backups and checkpoints look whether there were any.</summary>
    public long Writes => Interlocked.Read(ref writes);

    /// <summary>Counts those of them that touch more than jobs.</summary>
    internal long KeptWrites => Interlocked.Read(ref keptWrites);

    internal string ConnectionString { get; }

    /// <summary>Opens the file of a folder, making both where they are missing, and brings it up to date.</summary>
    /// <param name="fill">What a new file begins with. The file appears under its name only once that is done, so a first
    /// start that is killed begins afresh.</param>
    /// <param name="beforeUpgrade">Called with an older file before it is changed.</param>
    /// <exception cref="StartException">The file cannot be used, or could not be brought up to date; it is as
    /// before.</exception>
    public static Database Open(string folder, Action<Database>? fill = null, Action<Database>? beforeUpgrade = null)
    {
        var path = DataFolder.FileIn(folder);
        try
        {
            DataFolder.MakeOwn(folder);
            if (DataFolder.NotNew(folder) is { } earlier)
            {
                throw new StartException(earlier, StartException.OfFile);
            }

            if (!File.Exists(path))
            {
                Make(path, fill);
            }

            var database = new Database(path);
            database.BringUpToDate(beforeUpgrade);
            foreach (var file in new[] { path, path + "-wal", path + "-shm" })
            {
                DataFolder.MakeOwnFile(file);
            }

            return database;
        }
        catch (Exception e) when (e is not StartException && Fault(e, path) is not null)
        {
            throw Fault(e, path)!;
        }
    }

    /// <summary>Opens a file that is there as it is, without bringing it up to date.</summary>
    /// <exception cref="StartException">It does not exist, or it cannot be used.</exception>
    public static Database Existing(string folder)
    {
        var path = DataFolder.FileIn(folder);
        if (Directory.Exists(folder) && DataFolder.NotNew(folder) is { } earlier)
        {
            throw new StartException(earlier, StartException.OfFile);
        }

        if (!File.Exists(path))
        {
            throw new StartException(
                $"{System.IO.Path.GetFullPath(folder)} is no data folder of Draklo: there is no draklo.sqlite in it.",
                StartException.OfFolder
            );
        }

        try
        {
            var database = new Database(path);
            using var connection = database.Connect();
            connection.Execute("select count(*) from sqlite_master");
            return database;
        }
        catch (SqliteException e)
        {
            throw Fault(e, path)!;
        }
    }

    /// <summary>Whether this version's tables are there.</summary>
    public bool IsCurrent()
    {
        using var connection = Connect();
        return connection.QuerySingle<int>("select count(*) from sqlite_master where name = 'history'") == 1;
    }

    /// <summary>Lets go of every connection, so that the file can be moved.</summary>
    public void Close()
    {
        using var connection = new SqliteConnection(ConnectionString);
        SqliteConnection.ClearPool(connection);
    }

    /// <summary>Moves what stands in the write-ahead log into the file itself and empties the log.</summary>
    public void Checkpoint()
    {
        using var connection = Connect();
        connection.Execute("pragma wal_checkpoint(truncate)");
    }

    /// <summary>What SQLite finds wrong with the file; empty when it is whole.</summary>
    public IReadOnlyList<string> Integrity()
    {
        using var connection = Connect();
        var found = connection
            .Query<string>("pragma integrity_check(20)")
            .Where(line => line != "ok")
            .Concat(
                connection
                    .Query("pragma foreign_key_check")
                    .Select(row => $"a row of {row.table} belongs to one of {row.parent} that is not there")
            );
        return [.. found];
    }

    /// <summary>Makes one change, whole or not at all.</summary>
    /// <param name="ofJobs">Whether it touches jobs only, which nothing remembered of the locker depends on.</param>
    internal T Write<T>(Func<IDbConnection, IDbTransaction, T> change, bool ofJobs = false)
    {
        lock (writing)
        {
            using var connection = Connect();
            using var transaction = connection.BeginTransaction();
            var result = change(connection, transaction);
            transaction.Commit();
            Interlocked.Increment(ref writes);
            if (!ofJobs)
            {
                Interlocked.Increment(ref keptWrites);
            }

            return result;
        }
    }

    /// <summary>Puts another file's content in place of all that is here, in one change.</summary>
    internal void ReplaceBy(string file)
    {
        lock (writing)
        {
            using (var source = new SqliteConnection(ReadOnly(file)))
            using (var target = Connect())
            {
                source.Open();
                source.BackupDatabase(target);
            }

            BringUpToDate(null);
            Interlocked.Increment(ref writes);
            Interlocked.Increment(ref keptWrites);
        }
    }

    internal SqliteConnection Connect()
    {
        var connection = new SqliteConnection(ConnectionString);
        connection.Open();
        connection.Execute("pragma synchronous = full");
        return connection;
    }

    internal static string ReadOnly(string file) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = file,
            Mode = SqliteOpenMode.ReadOnly,
            Pooling = false,
        }.ConnectionString;

    private static void Make(string path, Action<Database>? fill)
    {
        var begun = path + ".new";
        foreach (var left in new[] { begun, begun + "-wal", begun + "-shm", begun + "-journal" })
        {
            File.Delete(left);
        }

        var database = new Database(begun);
        database.BringUpToDate(null);
        fill?.Invoke(database);
        database.Checkpoint();
        database.Close();
        DataFolder.MakeOwnFile(begun);
        File.Move(begun, path);
        File.Delete(begun + "-wal");
        File.Delete(begun + "-shm");
    }

    private void BringUpToDate(Action<Database>? before)
    {
        using (var connection = Connect())
        {
            connection.Execute("pragma journal_mode = wal");
        }

        var upgrade = DeployChanges
            .To.SqliteDatabase(ConnectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build();
        var executed = upgrade.GetExecutedScripts();
        var known = upgrade.GetDiscoveredScripts().Select(s => s.Name).ToHashSet(StringComparer.Ordinal);
        if (executed.FirstOrDefault(name => !known.Contains(name)) is { } unknown)
        {
            throw new StartException(
                $"The data file {Path} was written by a newer Draklo ({unknown} is not known here). Start that version or a later one, or restore a backup made before it into an empty folder. Nothing was changed.",
                StartException.OfFile
            );
        }

        if (!upgrade.IsUpgradeRequired())
        {
            return;
        }

        if (executed.Count > 0)
        {
            before?.Invoke(this);
        }

        var result = upgrade.PerformUpgrade();
        if (!result.Successful)
        {
            throw new StartException(
                $"The data file {Path} could not be brought up to date: {result.Error.Message} It is as before.",
                StartException.OfFile,
                result.Error
            );
        }
    }

    private static StartException? Fault(Exception e, string path) =>
        e switch
        {
            SqliteException { SqliteErrorCode: NotADatabase or Corrupt } => new(
                $"{path} is not a Draklo data file, or is damaged. Restore a backup of it, or move it away to start a new one.",
                StartException.OfFile,
                e
            ),
            SqliteException { SqliteErrorCode: Full } => new(
                $"The disk of {path} is full: make room, then start again. Nothing was changed.",
                StartException.OfFile,
                e
            ),
            SqliteException => new(
                $"The data file {path} cannot be opened: {e.Message} Another program may hold it, or this user may not write it.",
                StartException.OfFile,
                e
            ),
            IOException io when DataFolder.IsFull(io) => new(
                $"The disk of {path} is full: make room, then start again. Nothing was changed.",
                StartException.OfFile,
                e
            ),
            IOException or UnauthorizedAccessException => new(
                $"The data folder of {path} cannot be written: {e.Message}",
                StartException.OfFolder,
                e
            ),
            _ => null,
        };
}
