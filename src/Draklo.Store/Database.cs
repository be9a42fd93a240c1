using Dapper;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace Draklo.Store;

/// <summary>The one SQLite file of a data folder.</summary>
/// <remarks>
/// Write-ahead log, and a full sync at every commit: a save that was acknowledged survives a killed process and a lost
/// supply.
/// </remarks>
public sealed class Database
{
    private readonly string connectionString;

    private Database(string path) =>
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
            DefaultTimeout = 10,
        }.ConnectionString;

    /// <summary>Opens the file of a folder, making both where they are missing, and brings it up to date.</summary>
    /// <param name="isNew">Whether the file was made just now.</param>
    /// <exception cref="InvalidOperationException">A migration failed; the file is as before.</exception>
    public static Database Open(string folder, out bool isNew)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, "draklo.sqlite");
        isNew = !File.Exists(path);
        var database = new Database(path);
        using (var connection = database.Connect())
        {
            connection.Execute("pragma journal_mode = wal");
        }

        var result = DeployChanges
            .To.SqliteDatabase(database.connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        return result.Successful
            ? database
            : throw new InvalidOperationException(
                $"The data file {path} could not be brought up to date.",
                result.Error
            );
    }

    internal SqliteConnection Connect()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        connection.Execute("pragma synchronous = full");
        return connection;
    }
}
